using Kitto.Core.Trade;

namespace Kitto.Core.Head;

/// <summary>Regrowth that was measured at a known time after the colour.</summary>
/// <param name="Length">Mean over the zones that were coloured, above 0 to 300 mm.</param>
/// <param name="Days">Days since the colour, 7 to 3650.</param>
public sealed record Grown(Millimetres Length, int Days);

/// <summary>How fast this head grows, as far as is known: a normal distribution, millimetres a month. Constants are ours but the mean (clock).</summary>
/// <param name="Mean">Mean, mm a month.</param>
/// <param name="Sd">Standard deviation, mm a month.</param>
public readonly record struct GrowthRate(double Mean, double Sd)
{
    /// <summary>Error of one measurement at the parting, mm.</summary>
    public const double ReadingSdMm = 1.5;

    /// <summary>Shortest time after which a measurement says anything, days.</summary>
    public const int LeastDays = 7;

    /// <summary>What is believed before any measurement.</summary>
    public static GrowthRate Prior { get; } = new(Values.GrowthMmPerMonth, 2.5);

    /// <summary>What is believed after these measurements: conjugate, each as sure as its time is long.</summary>
    public static GrowthRate Learned(IEnumerable<Grown> measured)
    {
        double weight = 1 / (Prior.Sd * Prior.Sd);
        double sum = Prior.Mean * weight;
        foreach (var one in measured)
        {
            double months = one.Days / Growth.DaysPerMonth;
            double noise = ReadingSdMm / months;
            weight += 1 / (noise * noise);
            sum += one.Length.Value / months / (noise * noise);
        }

        return new GrowthRate(sum / weight, Math.Sqrt(1 / weight));
    }

    /// <summary>Growth over some days, at the mean.</summary>
    /// <param name="days">0 or more.</param>
    public Millimetres Over(double days) => Millimetres.Of(Mean / Growth.DaysPerMonth * days);

    /// <summary>Whole days until hair has grown this much, at the mean; with a number of standard deviations, at a faster (positive) or slower rate.</summary>
    public int DaysFor(double millimetres, double deviations = 0) =>
        (int)Math.Ceiling(Math.Max(0, millimetres) * Growth.DaysPerMonth / Math.Max(1, Mean + deviations * Sd));
}

/// <summary>How hair grows between two days.</summary>
public static class Growth
{
    /// <summary>Mean length of a month, days.</summary>
    public const double DaysPerMonth = 30.4375;

    /// <summary>The reading as it will be so many days on: every regrowth grown at her rate, nothing else changed.</summary>
    public static Reading On(this Reading reading, int days) =>
        days <= 0 ? reading : reading with { Zones = [.. reading.Zones.Select(z => z with { Regrowth = z.Regrowth + reading.Rate.Over(days) })] };
}
