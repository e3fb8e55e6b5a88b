namespace Kitto.Core.Head;

/// <summary>How hair grows between two days.</summary>
public static class Growth
{
    /// <summary>Millimetres a month (RD5). Loussouarn et al. 2005 give 0.28 to 0.41 mm a day by population (from memory).</summary>
    public const double MmPerMonth = 12.5;

    /// <summary>Mean length of a month, days.</summary>
    public const double DaysPerMonth = 30.4375;

    /// <summary>Growth over some days.</summary>
    /// <param name="days">0 or more.</param>
    public static Millimetres Over(double days) => Millimetres.Of(MmPerMonth / DaysPerMonth * days);

    /// <summary>Whole days until hair has grown this much.</summary>
    public static int DaysFor(double millimetres) => (int)Math.Ceiling(Math.Max(0, millimetres) * DaysPerMonth / MmPerMonth);

    /// <summary>The reading as it will be so many days on: every regrowth grown, nothing else changed.</summary>
    public static Reading On(this Reading reading, int days) => days <= 0 ? reading : reading with
    {
        Zones = [.. reading.Zones.Select(z => z with { Regrowth = z.Regrowth + Over(days) })],
    };
}
