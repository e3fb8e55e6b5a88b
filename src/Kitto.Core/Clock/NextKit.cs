using System.Text.Json.Serialization;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

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
    /// <summary>Standard deviations to the tenth part on either side.</summary>
    private const double Tenth = 1.2815515655446004;

    /// <summary>The same in whole weeks.</summary>
    [JsonIgnore]
    public int InWeeks => (int)Math.Round(InDays / 7.0);

    /// <summary>The forecast; null for a gloss, which fades before anything grows.</summary>
    /// <param name="reading">The head.</param>
    /// <param name="level">What the regrowth is coloured to.</param>
    /// <param name="service">The service.</param>
    /// <param name="line">The line of the roots.</param>
    /// <param name="colourOn">Colour day, where it is planned.</param>
    /// <param name="why">The reason is added.</param>
    public static NextKit? Of(Reading reading, Level level, Service service, Line line, DateOnly? colourOn, ICollection<Reason> why)
    {
        if (service is Service.Gloss or Service.Lighten)
        {
            return null;
        }

        // Soft colour grows out without a hard line, whatever it lies on (SV11).
        bool soft = !line.IsPermanent || service is Service.GreyBlend or Service.RootShadow or Service.BaseLift;
        bool high =
            !soft && (reading.DecisiveGrey.Value >= Values.WhiteStandsOut || Math.Abs(level.LighterThan(reading.Hair.NaturalLevel)) >= Values.LevelsStandOut);
        double limit = high ? Values.ShowsOnContrastMm : Values.ShowsElseMm;
        var rate = reading.Rate;
        int due = rate.DaysFor(limit);
        var next = new NextKit(
            Millimetres.Of(limit),
            Math.Round(rate.Mean, 2),
            Math.Round(rate.Sd, 2),
            due,
            rate.DaysFor(limit, Tenth),
            rate.DaysFor(limit, -Tenth),
            colourOn?.AddDays(due)
        );
        why.Add(
            new RegrowthShows(
                reading.Grown.Count,
                rate.Mean,
                limit,
                high ? ShowsOn.Contrast
                    : soft ? ShowsOn.SoftLine
                    : ShowsOn.LittleContrast,
                due,
                next.EarliestInDays,
                next.LatestInDays,
                next.DueOn
            )
        );
        return next;
    }
}
