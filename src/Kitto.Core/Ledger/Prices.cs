namespace Kitto.Core.Ledger;

/// <summary>What a house reckons a kit at, and what it asks for it. Sums to the cent, in the house's own money.</summary>
/// <param name="Currency">As it is written, such as GBP; up to 8 characters.</param>
/// <param name="PerHour">What an hour at the bench costs, 0 to 100 000.</param>
/// <param name="UsualMinutes">Minutes for a kit that was not weighed at the bench, 0 to 600.</param>
/// <param name="Container">What a sachet or bottle costs.</param>
/// <param name="Box">What box, gloves, cape and paper cost.</param>
/// <param name="Factor">Times what it costs, 0 to 100.</param>
/// <param name="Plus">And so much more.</param>
/// <param name="RoundTo">Rounded up to a multiple of this, 0.01 to 100.</param>
public sealed record Prices(
    string Currency = "",
    decimal PerHour = 0,
    decimal UsualMinutes = 15,
    decimal Container = 0,
    decimal Box = 0,
    decimal Factor = 1,
    decimal Plus = 0,
    decimal RoundTo = 0.01m
)
{
    /// <summary>What is asked for a kit that costs so much.</summary>
    /// <param name="cost">What it costs.</param>
    public decimal Asked(decimal cost) => Math.Ceiling((cost * Factor + Plus) / RoundTo) * RoundTo;

    /// <summary>What minutes at the bench cost, to the cent.</summary>
    public decimal Labour(decimal minutes) => Math.Round(minutes * PerHour / 60, 2, MidpointRounding.ToEven);

    /// <summary>Minutes spent on something that was told line by line: pauses of more than <see cref="LongestPause"/> are not of it.</summary>
    /// <param name="told">When each line was told, in order.</param>
    public static decimal Minutes(IReadOnlyList<DateTime> told)
    {
        double sum = 0;
        for (int i = 1; i < told.Count; i++)
        {
            double gap = (told[i] - told[i - 1]).TotalMinutes;
            sum += gap <= LongestPause ? Math.Max(0, gap) : 0;
        }

        return (decimal)Math.Round(sum, 1);
    }

    /// <summary>A longer pause is spent on something else, minutes (ours).</summary>
    public const double LongestPause = 10;

    /// <summary>Gives sums out to the cent so that they add up to their rounded total: largest remainders first.</summary>
    /// <param name="exact">The sums, unrounded, none below 0.</param>
    public static decimal[] ToCents(IReadOnlyList<decimal> exact)
    {
        decimal[] cents = [.. exact.Select(e => Math.Floor(e * 100) / 100)];
        int missing = (int)((Math.Round(exact.Sum(), 2, MidpointRounding.ToEven) - cents.Sum()) * 100);
        foreach (int at in Enumerable.Range(0, cents.Length).OrderByDescending(i => exact[i] - cents[i]).Take(missing))
        {
            cents[at] += 0.01m;
        }

        return cents;
    }
}
