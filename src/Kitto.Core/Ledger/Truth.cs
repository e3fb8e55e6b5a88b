using Kitto.Core.Reasons;

namespace Kitto.Core.Ledger;

/// <summary>What was reckoned of kits and what came of them, summed over many.</summary>
/// <param name="Reported">Kits that were reported.</param>
/// <param name="RanOut">Of them ran out.</param>
/// <param name="Promised">Sum of the shares that were promised not to run out.</param>
/// <param name="Used">Kits of which it is known what was used: weighed, not run out.</param>
/// <param name="LogUsed">Sum of ln(used / reckoned).</param>
/// <param name="LogUsedSquares">Sum of its squares.</param>
/// <param name="InBand">Of them used no less and no more than the band of eight in ten.</param>
/// <param name="Judged">Kits with a forecast whose colour was reported.</param>
/// <param name="CameRight">Of them came out right in depth and tone.</param>
/// <param name="Near">Kits forecast within two dE00 of the wish whose colour was reported.</param>
/// <param name="NearRight">Of them came out right.</param>
/// <param name="Timed">Kits whose painting was timed.</param>
/// <param name="LogPaint">Sum of ln(minutes / planned).</param>
/// <param name="LogPaintSquares">Sum of its squares.</param>
/// <param name="Runs">Kits whose run told first stroke and rinse.</param>
/// <param name="LogContact">Sum of ln(minutes between them / planned).</param>
/// <param name="LogContactSquares">Sum of its squares.</param>
/// <param name="Grown">Heads whose regrowth was measured after a colour day.</param>
/// <param name="Growth">Sum of their millimetres a month.</param>
/// <param name="GrowthSquares">Sum of its squares.</param>
public sealed record TruthSums(
    long Reported,
    long RanOut,
    double Promised,
    long Used,
    double LogUsed,
    double LogUsedSquares,
    long InBand,
    long Judged,
    long CameRight,
    long Near,
    long NearRight,
    long Timed,
    double LogPaint,
    double LogPaintSquares,
    long Runs,
    double LogContact,
    double LogContactSquares,
    long Grown,
    double Growth,
    double GrowthSquares
);

/// <summary>One thing that was reckoned, against what came.</summary>
/// <param name="Name">What.</param>
/// <param name="Came">What came, with its interval; null where too few kits tell.</param>
/// <param name="Reckoned">What was reckoned; NaN where nothing was.</param>
/// <param name="Unit">share, times or mm.</param>
/// <param name="Says">What to change, or that nothing is to be changed.</param>
public sealed record TruthLine(string Name, Interval? Came, double Reckoned, string Unit, string Says);

/// <summary>How true Kitto was: each with its count and interval, and what to change.</summary>
public static class Truth
{
    /// <summary>Below so many kits nothing is concluded (ours).</summary>
    public const int Fewest = 8;

    /// <summary>The usual growth, mm a month (RD5).</summary>
    private const double UsualGrowth = Trade.Values.GrowthMmPerMonth;

    /// <summary>What the sums tell.</summary>
    public static IReadOnlyList<TruthLine> Of(TruthSums s)
    {
        TruthLine Line(TruthAbout about, Interval? came, double reckoned, string unit)
        {
            var found =
                came is null || came.Count < Fewest ? Finding.TooFew
                : double.IsNaN(reckoned) || came.Holds(reckoned) ? Finding.AsReckoned
                : came.Value > reckoned ? Finding.More
                : Finding.Less;
            return new TruthLine(
                Wording.Language.English.Says(new TruthName(about)),
                came,
                reckoned,
                unit,
                Wording.Language.English.Says(new TruthSays(about, found, (int)Math.Min(int.MaxValue, came?.Count ?? 0), Fewest))
            );
        }

        return
        [
            Line(TruthAbout.RanOut, Interval.Share(s.RanOut, s.Reported), s.Reported > 0 ? 1 - s.Promised / s.Reported : double.NaN, "share"),
            Line(TruthAbout.Used, Interval.Mean(s.Used, s.LogUsed, s.LogUsedSquares)?.Exp(), 1, "times"),
            Line(TruthAbout.InBand, Interval.Share(s.InBand, s.Used), 0.8, "share"),
            Line(TruthAbout.CameRight, Interval.Share(s.CameRight, s.Judged), double.NaN, "share"),
            Line(TruthAbout.NearRight, Interval.Share(s.NearRight, s.Near), s.Judged > 0 ? (double)s.CameRight / s.Judged : double.NaN, "share"),
            Line(TruthAbout.Painting, Interval.Mean(s.Timed, s.LogPaint, s.LogPaintSquares)?.Exp(), 1, "times"),
            Line(TruthAbout.Contact, Interval.Mean(s.Runs, s.LogContact, s.LogContactSquares)?.Exp(), 1, "times"),
            Line(TruthAbout.Growth, Interval.Mean(s.Grown, s.Growth, s.GrowthSquares), UsualGrowth, "mm"),
        ];
    }
}
