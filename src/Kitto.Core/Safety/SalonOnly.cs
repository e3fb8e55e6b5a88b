using Kitto.Core.Reasons;
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
    internal static IEnumerable<Reason> Of(Case c, Wish roots, StrandPlan strand, Volume strongest)
    {
        var line = strand.Formulas[0].Line;
        if (line.Kind == LineKind.Lightener)
        {
            yield return new LightenerInTheChair();
        }

        if (strongest.Value > Values.KitLimitVolume)
        {
            yield return new TooStrongForKit(strongest);
            yield return new NotPosted(strongest);
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
            yield return new TooFarFromNatural(roots.Level, Math.Abs(lift), hair.NaturalLevel);
            if (lift > Values.HomeLevels)
            {
                yield return new LiftWantsMore(lift);
            }
        }

        if (hair.Roots is { } light && roots.Level.LighterThan(light.Level) >= Values.HalfLevel)
        {
            yield return new RootsStillWarm(light.Level, roots.Level);
        }

        if (Pushed(roots, lift) && line.Kind != LineKind.Lightener && !gloss)
        {
            yield return new RedWantsPushing(lift);
        }

        // The lengths' wish: their own, a gloss's goal, or the roots' where a refresh was asked for.
        var lengths = gloss || c.Goal is { Service: Service.RootAndRefresh, Lengths: null } ? roots : strand.LengthsWish;
        if (lengths is null or { Clear: true })
        {
            yield break;
        }

        if (hair.Lengths.Level.LighterThan(lengths.Level) > Values.HomeLevels && (gloss || c.Goal.Lengths is not null))
        {
            yield return new TooDeepOnLengths(lengths.Level, hair.Lengths.Level);
        }

        if (hair.Lengths.Coloured && lengths.Level.LighterThan(hair.Lengths.Level) >= Values.HalfLevel)
        {
            yield return new ColouredNotLightened(hair.Lengths.Level, lengths.Level);
        }

        if (hair.Lengths is { Bright: true, Level.Value: < 9 } bright && lengths.Level.LighterThan(bright.Level) >= 1)
        {
            yield return new LengthsStillWarm(bright.Level, lengths.Level);
        }
    }

    /// <summary>A red that wants pushing (SH12).</summary>
    private static bool Pushed(Wish roots, double lift) => roots.Tone.Families.Contains(Family.R) && lift > Values.PushedRedLevels;
}
