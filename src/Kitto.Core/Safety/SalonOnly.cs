using Kitto.Core.Colour;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Safety;

/// <summary>What must be done in the salon, though it can be done (tables, Decisions).</summary>
public static class SalonOnly
{
    /// <summary>Home colour works within this many levels of her own (SV3).</summary>
    public const double HomeLevels = 2;

    /// <summary>Twenty volumes lift about this much; a red wished lighter than that needs pushing (SH12).</summary>
    public const double TwentyVolumeLift = 1;

    /// <summary>The reasons for the chair; none when a kit may do it.</summary>
    /// <param name="c">The case, regrowth as on the day.</param>
    /// <param name="target">What is aimed at.</param>
    /// <param name="line">The line for the roots.</param>
    /// <param name="strongest">The strongest developer that is weighed for any formula: the bottle is judged, not the wish.</param>
    public static IEnumerable<Because> Of(Case c, Aim target, Line line, Volume strongest)
    {
        if (line.Kind == LineKind.Lightener)
        {
            yield return Salon("SA8", "Lightener never goes into a kit. This is a sheet for the chair.");
        }

        if (strongest.Value > Strength.KitLimitVolume)
        {
            yield return Salon("SA7", $"{strongest} is a strength for the chair; a kit never holds more than 20 vol.");
            yield return Salon("SA11", $"{strongest} is {strongest.Percent} % peroxide; nothing above 6 % is posted. Check your carrier and law.");
        }

        // A formula that is given is checked, not judged again: only stops and strength change its decision (tables).
        if (c.Formula is { HandMade: false })
        {
            yield break;
        }

        var hair = c.Reading.Hair;
        bool onLengths = c.Goal.Service is Service.Gloss or Service.RootAndGloss or Service.RootAndRefresh;
        double lift = target.RootLevel.LighterThan(hair.NaturalLevel);
        if (line.Kind != LineKind.Lightener && c.Goal.Service != Service.Gloss && Math.Abs(lift) > HomeLevels)
        {
            yield return Salon("SV3", $"Level {target.RootLevel} is {Math.Abs(lift):0.#} levels from her own {hair.NaturalLevel}; at home two is the limit.");
            if (lift > HomeLevels)
            {
                yield return Salon("DV4", $"A lift of {lift:0.#} levels needs more than 20 vol, which only the chair has.");
            }
        }

        if (c.Goal.Service == Service.Gloss && hair.Lengths.Level.LighterThan(target.LengthsLevel) > HomeLevels)
        {
            yield return Salon("SV3", $"Level {target.LengthsLevel} is more than two levels deeper than her lengths at {hair.Lengths.Level}; that is salon work.");
        }

        if (onLengths && hair.Lengths.Coloured && target.LengthsLevel.LighterThan(hair.Lengths.Level) >= .5)
        {
            yield return Salon("SV4", $"Her lengths are coloured and at level {hair.Lengths.Level}. Colour cannot make coloured hair lighter; level {target.LengthsLevel} on them is salon work.");
        }

        if (onLengths && hair.Lengths is { Bright: true, Level.Value: < 9 } bright && target.LengthsLevel.LighterThan(bright.Level) >= 1)
        {
            yield return Salon("SH9", $"Lightened hair at level {bright.Level} is still {Undertone.At(bright.Level.Value)}; it cannot be glossed to a pale level {target.LengthsLevel}, and more violet is not the answer. Tone it at its own level and be content there, or lift more in the salon.");
        }

        if (target.Tone.Families.Contains(Family.R) && lift > TwentyVolumeLift && line.Kind != LineKind.Lightener)
        {
            yield return Salon("SH12", $"A red {lift:0.#} levels lighter than her own wants pushing with strong developer: only in the salon.");
        }
    }

    private static Because Salon(string rule, string says) => new(rule, says, "salon");
}
