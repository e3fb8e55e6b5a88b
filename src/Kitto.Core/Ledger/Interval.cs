using MathNet.Numerics.Distributions;

namespace Kitto.Core.Ledger;

/// <summary>An estimate with its interval: nineteen in twenty such intervals hold the true value.</summary>
/// <param name="Value">The estimate.</param>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end.</param>
/// <param name="Count">From how many kits.</param>
public sealed record Interval(double Value, double Low, double High, long Count)
{
    private const double Normal95 = 1.959964;

    /// <summary>Whether a value lies in it.</summary>
    public bool Holds(double value) => value >= Low && value <= High;

    /// <summary>A share, by Wilson's score interval (published: E. B. Wilson 1927, J. Am. Stat. Assoc. 22, 209 to 212; from memory).</summary>
    /// <param name="of">How many of them.</param>
    /// <param name="count">Of how many; null where there are none.</param>
    public static Interval? Share(long of, long count)
    {
        if (count <= 0)
        {
            return null;
        }

        double p = (double)of / count,
            z2 = Normal95 * Normal95,
            centre = (p + z2 / (2 * count)) / (1 + z2 / count),
            half = Normal95 / (1 + z2 / count) * Math.Sqrt(p * (1 - p) / count + z2 / (4.0 * count * count));
        return new Interval(p, Math.Max(0, centre - half), Math.Min(1, centre + half), count);
    }

    /// <summary>A mean, by Student's t (published: Student 1908, Biometrika 6, 1 to 25; from memory).</summary>
    /// <param name="count">How many values; below 2 there is no interval.</param>
    /// <param name="sum">Their sum.</param>
    /// <param name="squares">The sum of their squares.</param>
    public static Interval? Mean(long count, double sum, double squares)
    {
        if (count < 2)
        {
            return null;
        }

        double mean = sum / count,
            variance = Math.Max(0, (squares - sum * mean) / (count - 1)),
            half = StudentT.InvCDF(0, 1, count - 1, .975) * Math.Sqrt(variance / count);
        return new Interval(mean, mean - half, mean + half, count);
    }

    /// <summary>A factor whose logarithms were summed.</summary>
    public Interval Exp() => new(Math.Exp(Value), Math.Exp(Low), Math.Exp(High), Count);
}
