using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Developer;

/// <summary>Which strength (DV2 to DV7, DV11).</summary>
public static class Choice
{
    /// <summary>The strength for one formula.</summary>
    /// <param name="line">Its line.</param>
    /// <param name="onRoots">Whether it goes on the regrowth.</param>
    /// <param name="reading">The reading.</param>
    /// <param name="hair">The hair it goes on; only natural hair is lifted.</param>
    /// <param name="target">Wished level.</param>
    /// <param name="why">Reasons are added.</param>
    internal static Volume For(Line line, bool onRoots, Reading reading, HairState hair, Level target, ICollection<Because> why)
    {
        var grey = reading.DecisiveGrey;
        double lift = hair.Kind == HairKind.Natural ? target.LighterThan(hair.Level) : 0;
        double weakest = line.Developers.Min(d => d.Volume.Value);
        var (volume, rule, reason) = (line.Kind, !onRoots) switch
        {
            (not LineKind.Gloss, false) when hair.Kind == HairKind.Lightened => (
                line.Kind == LineKind.Demi ? weakest : Values.DepositVolume,
                "SH9",
                "lightened roots that wait for their tone are toned at their own level; nothing is lifted"
            ),
            (LineKind.Gloss, _) => (weakest, "DV5", "a gloss takes its own activator: no lift is wanted and the cuticle stays shut"),
            (LineKind.Demi, true) => (weakest, "DV5", "on lengths a demi takes its own activator"),
            (LineKind.Demi, _) when grey.Value >= Values.NoGrey => (Values.BlendVolume, "DV11", $"demi on {Values.BlendVolume} vol blends the {grey} white"),
            (LineKind.Demi, _) => (weakest, "DV2", "it only deposits, and there is no white to take"),
            (LineKind.Lightener, _) => lift <= 2 ? (20, "DV4", "up to two levels need no more") : (30, "DV4", $"{lift:0.#} levels of lift, for the chair only"),
            (_, true) => (Values.LengthsVolume, "DV7", "lengths that get their own mix need no more, whatever the roots take"),
            (_, _) when lift > 3 => (40, "DV4", $"{lift:0.#} levels of lift, for the chair only"),
            (_, _) when lift > 2 => (30, "DV4", $"{lift:0.#} levels of lift, for the chair only"),
            (LineKind.HighLift, _) when reading.Hair.Texture == Texture.Fine => (15, "DV4", "a high-lift shade on fine hair lifts two levels with 15"),
            (LineKind.HighLift, _) => (20, "DV4", "a high-lift shade lifts up to two levels with 20"),
            (_, _) when lift > 1 => (20, "DV4", $"20 vol lifts one level for certain; {lift:0.#} levels ask for a high-lift shade, and this line has none"),
            (_, _) when grey.Value >= Values.NoGrey => (Values.CoverVolume, "DV3", $"{grey} white in the greyest zone needs to be covered"),
            (_, _) when lift >= .5 => (20, "DV3", $"the roots are lifted by {lift:0.#} levels"),
            _ => (Values.DepositVolume, "DV2", "no white to cover and no lift: it only deposits"),
        };
        why.Add(
            new Because(
                rule,
                $"{Volume.Of(volume)} ({Volume.Of(volume).Percent:0.#} %): {reason}.",
                Topic.Developer,
                [
                    new("white in the greyest zone", Math.Round(grey.Percent, 1), "%"),
                    new("level of the hair", hair.Level.Value, ""),
                    new("wished level", target.Value, ""),
                    new("lift", Math.Round(lift, 2), "levels"),
                ]
            )
        );
        return Volume.Of(volume);
    }
}
