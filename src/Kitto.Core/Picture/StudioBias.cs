namespace Kitto.Core.Picture;

/// <summary>What a picture measures that a reading holds.</summary>
public enum PictureValue
{
    /// <summary>Regrowth, mm.</summary>
    Regrowth,

    /// <summary>Share of white hairs, 0 to 1.</summary>
    White,
}

/// <summary>What a picture measured, and what the colourist then signed.</summary>
/// <param name="Value">Which.</param>
/// <param name="Measured">As measured, before any correction: mm, or a share.</param>
/// <param name="Used">What was signed, in the same unit.</param>
public sealed record PicturePair(PictureValue Value, Measured Measured, double Used);

/// <summary>How a studio's colourists read beside what pictures measure, and what is corrected for it.</summary>
/// <param name="Value">Which value.</param>
/// <param name="Pairs">So many pairs there are.</param>
/// <param name="Shift">The middle of what was signed less what was measured: mm, or a share.</param>
/// <param name="Low">Lower end of the interval that holds that middle in 95 of 100.</param>
/// <param name="High">Upper end.</param>
/// <param name="Held">Share of the pairs in which what was signed lies in the measured band.</param>
public sealed record StudioBias(PictureValue Value, int Pairs, double Shift, double Low, double High, double Held)
{
    /// <summary>Fewer pairs correct nothing (ours).</summary>
    public const int Least = 20;

    /// <summary>So many of the latest pairs are looked at (ours): paper, printers and eyes change.</summary>
    public const int Latest = 100;

    /// <summary>Whether it is corrected: pairs enough, and a middle that is not zero by chance.</summary>
    public bool Corrects => Pairs >= Least && (Low > 0 || High < 0);

    /// <summary>
    /// From pairs: the median of the differences, with the distribution-free interval of the sign test (order statistics of the binomial; common statistics), so that one
    /// slip of a hand moves nothing.
    /// </summary>
    /// <returns>Null where there is no pair of this value.</returns>
    public static StudioBias? Of(PictureValue value, IEnumerable<PicturePair> pairs)
    {
        var mine = pairs.Where(p => p.Value == value).Take(Latest).ToList();
        if (mine.Count == 0)
        {
            return null;
        }

        double[] off = [.. mine.Select(p => p.Used - p.Measured.Value).Order()];
        int n = off.Length,
            cut = Cut(n);
        // What is typed is whole: half a step beyond the band is still in it.
        double half = value == PictureValue.Regrowth ? 0.5 : 0.005;
        return new StudioBias(
            value,
            n,
            n % 2 == 1 ? off[n / 2] : (off[n / 2 - 1] + off[n / 2]) / 2,
            cut < 0 ? double.NegativeInfinity : off[cut],
            cut < 0 ? double.PositiveInfinity : off[n - 1 - cut],
            mine.Average(p => p.Used >= p.Measured.Low - half && p.Used <= p.Measured.High + half ? 1.0 : 0)
        );
    }

    /// <summary>A measured value corrected by it, its band with it.</summary>
    /// <param name="measured">As measured.</param>
    /// <param name="least">Least that is possible.</param>
    /// <param name="most">Most that is possible.</param>
    public Measured Correct(Measured measured, double least, double most) =>
        !Corrects
            ? measured
            : new Measured(
                Math.Clamp(measured.Value + Shift, least, most),
                Math.Clamp(measured.Low + Shift, least, most),
                Math.Clamp(measured.High + Shift, least, most)
            );

    /// <summary>How many differences lie outside at each end: the most that a fair coin passes in less than 2.5 of 100; -1 where there are too few.</summary>
    private static int Cut(int n)
    {
        double term = Math.Pow(0.5, n),
            sum = term;
        int k = -1;
        while (sum <= 0.025)
        {
            k++;
            term = term * (n - k) / (k + 1);
            sum += term;
        }

        return k;
    }
}
