using MathNet.Numerics.Distributions;

namespace Kitto.Core.Quantity;

/// <summary>Who applies the colour.</summary>
public enum Who
{
    /// <summary>A trained hand.</summary>
    Trained,

    /// <summary>A helper at home.</summary>
    Helper,

    /// <summary>The client alone, with two mirrors.</summary>
    Alone,
}

/// <summary>What one earlier kit tells of the hands.</summary>
/// <param name="Base">What a trained hand would have used, above 0 g.</param>
/// <param name="Sent">What was sent.</param>
/// <param name="Residue">What stayed on the bowl.</param>
/// <param name="Left">What could still have been painted: unopened reserve and the rest in sachets and bowl.</param>
/// <param name="RanOut">Whether it ran out: then what was used is only known to be at least this much.</param>
/// <param name="Weighed">Weighed on a scale, or judged by eye.</param>
/// <param name="DaysAgo">Days since, 0 to 3650.</param>
public sealed record UsedBefore(Grams Base, Grams Sent, Grams Residue, Grams Left, bool RanOut, bool Weighed, int DaysAgo)
{
    /// <summary>Grams used; the least it can have been where it ran out.</summary>
    public double UsedGrams => Sent.Value - Residue.Value - (RanOut ? 0 : Left.Value);
}

/// <summary>The hands that apply it.</summary>
/// <param name="Who">Whose.</param>
/// <param name="Practised">Whether they have done it before.</param>
/// <param name="History">Earlier kits.</param>
public sealed record Hands(Who Who, bool Practised, IReadOnlyList<UsedBefore> History)
{
    /// <summary>A salon sheet reckons with trained hands (tables).</summary>
    public static Hands Trained { get; } = new(Who.Trained, true, []);
}

/// <summary>What is believed of ln(used / expected): a normal distribution. Constants are ours (quantity 3, tables).</summary>
/// <param name="Mean">Mean.</param>
/// <param name="Sd">Standard deviation.</param>
public readonly record struct HandFactor(double Mean, double Sd)
{
    /// <summary>Error of one weighed report, and of the next application.</summary>
    public const double WeighedSd = 0.12;

    /// <summary>Error of a report judged by eye.</summary>
    public const double JudgedSd = 0.25;

    /// <summary>After this many days a report tells half as much.</summary>
    public const double HalfLifeDays = 365;

    /// <summary>What is believed before any report.</summary>
    public static HandFactor Prior(Who who) =>
        who switch
        {
            Who.Trained => new(0, 0.10),
            Who.Helper => new(Math.Log(1.10), 0.18),
            Who.Alone => new(Math.Log(1.15), 0.20),
            _ => throw new ArgumentOutOfRangeException(nameof(who)),
        };

    /// <summary>What is believed after all reports, oldest first.</summary>
    public static HandFactor Learned(Hands hands) => hands.History.Count == 0 ? Prior(hands.Who) : Course(hands)[^1];

    /// <summary>What was believed before the first report and after each one, oldest first.</summary>
    public static IReadOnlyList<HandFactor> Course(Hands hands)
    {
        var course = new List<HandFactor> { Prior(hands.Who) };
        foreach (var report in hands.History.OrderByDescending(h => h.DaysAgo))
        {
            course.Add(course[^1].After(report));
        }

        return course;
    }

    /// <summary>Spread of the next application: what is believed and what varies from day to day.</summary>
    public double PredictiveSd => Math.Sqrt(Sd * Sd + WeighedSd * WeighedSd);

    /// <summary>The factor on what a trained hand would use that is not exceeded with this probability.</summary>
    /// <param name="probability">Strictly between 0 and 1.</param>
    public double Quantile(double probability) => Math.Exp(Mean + Normal.InvCDF(0, 1, probability) * PredictiveSd);

    /// <summary>Belief after one more report: conjugate where leftovers are known, moments of the truncated normal where it ran out.</summary>
    public HandFactor After(UsedBefore report)
    {
        double own = Sd * Sd;
        double noise = Math.Pow(report.Weighed ? WeighedSd : JudgedSd, 2) * Math.Pow(2, report.DaysAgo / HalfLifeDays);
        double seen = Math.Log(report.UsedGrams / report.Base.Value);
        if (!report.RanOut)
        {
            double variance = 1 / (1 / own + 1 / noise);
            return new HandFactor(variance * (Mean / own + seen / noise), Math.Sqrt(variance));
        }

        double spread = Math.Sqrt(own + noise);
        double a = (seen - Mean) / spread;
        double tail = Normal.CDF(0, 1, -a);
        double mills = tail > 1e-300 ? Normal.PDF(0, 1, a) / tail : a;
        double shrink = Math.Clamp(mills * (mills - a), 0, 1);
        return new HandFactor(Mean + own / spread * mills, Math.Sqrt(own - own * own / (spread * spread) * shrink));
    }
}
