using Kitto.Core.Colour;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>What must be done in the salon, though it can be done (tables, Decisions).</summary>
public static class SalonOnly
{
    /// <summary>The reasons for the chair; none when a kit may do it.</summary>
    /// <param name="c">The case, regrowth as on the day.</param>
    /// <param name="roots">What is wished at the roots; for a gloss, on the lengths.</param>
    /// <param name="strand">The strand plan.</param>
    /// <param name="strongest">The strongest developer that is weighed for any formula: the bottle is judged, not the wish.</param>
    internal static IEnumerable<Because> Of(Case c, Wish roots, StrandPlan strand, Volume strongest)
    {
        var line = strand.Formulas[0].Line;
        if (line.Kind == LineKind.Lightener)
        {
            yield return Salon("SA8", "Lightener never goes into a kit. This is a sheet for the chair.");
        }

        if (strongest.Value > Values.KitLimitVolume)
        {
            yield return Salon("SA7", $"{strongest} is a strength for the chair; a kit never holds more than {Values.KitLimitVolume} vol.");
            yield return Salon("SA11", $"{strongest} is {strongest.Percent} % peroxide; nothing above 6 % is posted. Check your carrier and law.");
        }

        // A formula that is given is checked, not judged again: only stops and strength change its decision (tables).
        if (c.Formula is { HandMade: false })
        {
            yield break;
        }

        var hair = c.Reading.Hair;
        bool gloss = c.Goal.Service == Service.Gloss;
        double lift = roots.Level.LighterThan(hair.NaturalLevel);
        if (line.Kind != LineKind.Lightener && !gloss && hair.Roots is null && Math.Abs(lift) > Values.HomeLevels)
        {
            yield return Salon("SV3", $"Level {roots.Level} is {Math.Abs(lift):0.#} levels from her own {hair.NaturalLevel}; at home two is the limit.");
            if (lift > Values.HomeLevels)
            {
                yield return Salon("DV4", $"A lift of {lift:0.#} levels needs more than {Values.KitLimitVolume} vol, which only the chair has.");
            }
        }

        if (hair.Roots is { } light && roots.Level.LighterThan(light.Level) >= Values.HalfLevel)
        {
            yield return Salon(
                "SH9",
                $"Lightened roots at level {light.Level} are still {Undertone.At(light.Level.Value)}; they cannot be toned to level {roots.Level}, and more violet is not the answer. Tone them at their own level and be content there, or lift more in the salon."
            );
        }

        if (Pushed(roots, lift) && line.Kind != LineKind.Lightener && !gloss)
        {
            yield return Salon("SH12", $"A red {lift:0.#} levels lighter than her own wants pushing with strong developer: only in the salon.");
        }

        // The lengths' wish: their own, a gloss's goal, or the roots' where a refresh was asked for.
        var lengths = gloss || c.Goal is { Service: Service.RootAndRefresh, Lengths: null } ? roots : strand.LengthsWish;
        if (lengths is null or { Clear: true })
        {
            yield break;
        }

        if (hair.Lengths.Level.LighterThan(lengths.Level) > Values.HomeLevels && (gloss || c.Goal.Lengths is not null))
        {
            yield return Salon("SV3", $"Level {lengths.Level} is more than two levels deeper than her lengths at {hair.Lengths.Level}; that is salon work.");
        }

        if (hair.Lengths.Coloured && lengths.Level.LighterThan(hair.Lengths.Level) >= Values.HalfLevel)
        {
            yield return Salon(
                "SV4",
                $"Her lengths are coloured and at level {hair.Lengths.Level}. Colour cannot make coloured hair lighter; level {lengths.Level} on them is salon work."
            );
        }

        if (hair.Lengths is { Bright: true, Level.Value: < 9 } bright && lengths.Level.LighterThan(bright.Level) >= 1)
        {
            yield return Salon(
                "SH9",
                $"Lightened hair at level {bright.Level} is still {Undertone.At(bright.Level.Value)}; it cannot be glossed to a pale level {lengths.Level}, and more violet is not the answer. Tone it at its own level and be content there, or lift more in the salon."
            );
        }
    }

    /// <summary>A red that wants pushing (SH12).</summary>
    private static bool Pushed(Wish roots, double lift) => roots.Tone.Families.Contains(Family.R) && lift > Values.PushedRedLevels;

    private static Because Salon(string rule, string says) => new(rule, says, Topic.Salon);
}
