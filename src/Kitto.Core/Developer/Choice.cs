using Kitto.Core.Head;
using Kitto.Core.Reasons;
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
    internal static Volume For(Line line, bool onRoots, Reading reading, HairState hair, Level target, ICollection<Reason> why)
    {
        var grey = reading.DecisiveGrey;
        double lift = hair.Kind == HairKind.Natural ? target.LighterThan(hair.Level) : 0;
        double weakest = line.Developers.Min(d => d.Volume.Value);
        var (volume, rule, what) = (line.Kind, !onRoots) switch
        {
            (not LineKind.Gloss, false) when hair.Kind == HairKind.Lightened => (
                line.Kind == LineKind.Demi ? weakest : Values.DepositVolume,
                "SH9",
                StrengthFor.LightenedRoots
            ),
            (LineKind.Gloss, _) => (weakest, "DV5", StrengthFor.Gloss),
            (LineKind.Demi, true) => (weakest, "DV5", StrengthFor.DemiOnLengths),
            (LineKind.Demi, _) when grey.Value >= Values.NoGrey => (Values.BlendVolume, "DV11", StrengthFor.DemiBlends),
            (LineKind.Demi, _) => (weakest, "DV2", StrengthFor.DemiDeposits),
            (LineKind.Lightener, _) => lift <= 2 ? (20, "DV4", StrengthFor.LightensUpToTwo) : (30, "DV4", StrengthFor.LiftInTheChair),
            (_, true) => (Values.LengthsVolume, "DV7", StrengthFor.LengthsOwnMix),
            (_, _) when lift > 3 => (40, "DV4", StrengthFor.LiftInTheChair),
            (_, _) when lift > 2 => (30, "DV4", StrengthFor.LiftInTheChair),
            (LineKind.HighLift, _) when reading.Hair.Texture == Texture.Fine => (15, "DV4", StrengthFor.HighLiftOnFine),
            (LineKind.HighLift, _) => (20, "DV4", StrengthFor.HighLift),
            (_, _) when lift > 1 => (20, "DV4", StrengthFor.LiftWithoutHighLift),
            (_, _) when grey.Value >= Values.NoGrey => (Values.CoverVolume, "DV3", StrengthFor.Cover),
            (_, _) when lift >= .5 => (20, "DV3", StrengthFor.Lift),
            _ => (Values.DepositVolume, "DV2", StrengthFor.Deposit),
        };
        why.Add(new StrengthChosen(rule, Volume.Of(volume), what, grey, hair.Level, target, lift));
        return Volume.Of(volume);
    }
}
