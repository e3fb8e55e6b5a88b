using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static string Of(DeveloperReason reason) =>
        reason switch
        {
            StrengthChosen r => $"{r.Volume} ({r.Volume.Percent:0.#} %): {Of(r.For, r)}.",
            StrengthBlended r => $"{r.Asked} is weighed from {r.One} and {r.Other}.",
            StrengthNotStocked r =>
                $"{r.Asked} cannot be blended from what is stocked; {r.Instead} is the {(r.Instead.Value > r.Asked.Value ? "weakest" : "strongest")} there is.",
            WeakerThanAsked r => $"{r.Used} is weaker than the {r.Wanted} this head asks for.",
            StrongerThanAsked r => $"{r.Used} is stronger than the {r.Wanted} this head asks for.",
            MixedAt r =>
                $"The {Of(r.Use)} is mixed {r.Ratio}, {r.Colour} of colour to {r.Developer} of developer: {r.Volume} ({r.Volume.Percent:0.#} %) in the bottle, {r.PercentMixed:0.0} % once mixed.",
            _ => throw NoWords(reason),
        };

    private static string Of(StrengthFor what, StrengthChosen r) =>
        what switch
        {
            StrengthFor.LightenedRoots => "lightened roots that wait for their tone are toned at their own level; nothing is lifted",
            StrengthFor.Gloss => "a gloss takes its own activator: no lift is wanted and the cuticle stays shut",
            StrengthFor.DemiOnLengths => "on lengths a demi takes its own activator",
            StrengthFor.DemiBlends => $"demi on {Values.BlendVolume} vol blends the {r.White} white",
            StrengthFor.DemiDeposits => "it only deposits, and there is no white to take",
            StrengthFor.LightensUpToTwo => "up to two levels need no more",
            StrengthFor.LiftInTheChair => $"{r.Lift:0.#} levels of lift, for the chair only",
            StrengthFor.LengthsOwnMix => "lengths that get their own mix need no more, whatever the roots take",
            StrengthFor.HighLiftOnFine => "a high-lift shade on fine hair lifts two levels with 15",
            StrengthFor.HighLift => "a high-lift shade lifts up to two levels with 20",
            StrengthFor.LiftWithoutHighLift => $"20 vol lifts one level for certain; {r.Lift:0.#} levels ask for a high-lift shade, and this line has none",
            StrengthFor.Cover => $"{r.White} white in the greyest zone needs to be covered",
            StrengthFor.Lift => $"the roots are lifted by {r.Lift:0.#} levels",
            StrengthFor.Deposit => "no white to cover and no lift: it only deposits",
            _ => throw NoWords(what),
        };

    private static IReadOnlyList<Used> NumbersOf(StrengthChosen r) =>
        [
            new("white in the greyest zone", Math.Round(r.White.Percent, 1), "%"),
            new("level of the hair", r.Hair.Value, ""),
            new("wished level", r.Wish.Value, ""),
            new("lift", Math.Round(r.Lift, 2), "levels"),
        ];
}
