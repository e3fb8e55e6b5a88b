using Kitto.Core.Head;

namespace Kitto.Core.Clock;

/// <summary>When the next kit is due: when regrowth reaches what shows.</summary>
/// <param name="LimitMm">Regrowth at which it shows.</param>
/// <param name="RateMmPerMonth">Her rate.</param>
/// <param name="RateSd">How far that is known.</param>
/// <param name="InDays">Days after colour day.</param>
/// <param name="EarliestInDays">The same, if her hair grows fast: one time in ten it is earlier.</param>
/// <param name="LatestInDays">The same, if it grows slowly: one time in ten it is later.</param>
/// <param name="DueOn">The day; null where colour day is not planned.</param>
public sealed record NextKit(Millimetres LimitMm, double RateMmPerMonth, double RateSd, int InDays, int EarliestInDays, int LatestInDays, DateOnly? DueOn)
{
    /// <summary>What shows where the regrowth stands out from the lengths (clock).</summary>
    public const double HighContrastMm = 12;

    /// <summary>What shows where it does not (clock).</summary>
    public const double LowContrastMm = 20;

    /// <summary>White from this share stands out (ours).</summary>
    public const double WhiteStandsOut = 0.3;

    /// <summary>A difference of this many levels stands out (ours).</summary>
    public const double LevelsStandOut = 2;

    /// <summary>Standard deviations to the tenth part on either side.</summary>
    private const double Tenth = 1.2815515655446004;

    /// <summary>The forecast; null for a gloss, which fades before anything grows.</summary>
    /// <param name="reading">The head.</param>
    /// <param name="level">What the regrowth is coloured to.</param>
    /// <param name="service">The service.</param>
    /// <param name="colourOn">Colour day, where it is planned.</param>
    /// <param name="why">The reason is added.</param>
    public static NextKit? Of(Reading reading, Level level, Service service, DateOnly? colourOn, ICollection<Because> why)
    {
        if (service is Service.Gloss or Service.Lighten)
        {
            return null;
        }

        bool high = reading.DecisiveGrey.Value >= WhiteStandsOut || Math.Abs(level.LighterThan(reading.Hair.NaturalLevel)) >= LevelsStandOut;
        double limit = high ? HighContrastMm : LowContrastMm;
        var rate = reading.Rate;
        int due = rate.DaysFor(limit);
        var next = new NextKit(Millimetres.Of(limit), Math.Round(rate.Mean, 2), Math.Round(rate.Sd, 2), due, rate.DaysFor(limit, Tenth), rate.DaysFor(limit, -Tenth), colourOn?.AddDays(due));
        string known = reading.Grown.Count == 0 ? "Hair grows about" : $"Measured {(reading.Grown.Count == 1 ? "once" : $"{reading.Grown.Count} times")}, hers grows";
        why.Add(new Because("SV11", $"{known} {rate.Mean:0.0} mm a month: {limit:0} mm, which show on {(high ? "such a contrast" : "so little contrast")}, are there {due} days after the colour ({next.EarliestInDays} to {next.LatestInDays})"
            + (next.DueOn is { } on ? $", about {on.ToString("ddd d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture)}." : "."), "plan"));
        return next;
    }
}
