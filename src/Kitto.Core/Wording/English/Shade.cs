using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static string Of(ShadeReason reason) =>
        reason switch
        {
            Broken { NothingBetterIn: { } line } r => $"{Breaks(r)} {line} has nothing in stock that does better; look at another line before this is mixed.",
            Broken r => Breaks(r),
            OtherAshStandsIn r => $"{r.Line} has no {r.Wish} near level {r.Level}: its other ash stands in for it. Another line may have it.",
            FamilyMissing r =>
                $"{r.Line} has no {r.Wish} near level {r.Level}: {(r.Concentrate ? "a concentrate stands in for it" : "the mix is neutral")}. Another line may have it.",
            ClearAlone => "Clear, alone: it changes nothing but the shine, which lasts six to eight weeks.",
            RootsMatchLengths r => $"The roots are matched to the lengths, {r.Level} {r.Tone}, so that no line shows.",
            MixGoesFor r => $"The mix goes for level {r.Level} {r.Tone}, as wished.",
            TonedAtLevel r => $"The {(r.Band ? "band" : "hair")} is toned at level {r.Level}, {r.Tone}; no gloss makes hair lighter.",
            SimplestMix r =>
                $"{MixPart.Written(r.Parts)} is the simplest mix of {r.Line} that does: {r.DeltaE:0.0} from the wish ({Far(r.DeltaE)}). {(r.Parts.Count == 1 ? "A second shade" : "One part more")} would have to bring it nearer by more than {Values.PartEarnsDeltaE}.",
            LiftsNatural r =>
                $"{r.Developer} lifts the natural pigment by about {r.Levels:0.0} level{(r.Levels >= 1.05 ? "s" : "")} and lays {Of(r.Bare)} bare.",
            NotLiftedThatFar r =>
                $"No colour makes hair lighter than it is lifted to: {(r.Levels < .05 ? $"nothing lifts the natural level {r.NaturalLevel}" : $"the natural level {r.NaturalLevel} is lifted by {r.Levels:0.0}")}, so it stays near {r.NaturalLevel + r.Levels:0.#}, not {r.Wish}.",
            PaleHardlyTones => "So pale a shade hardly tones dark roots: plan a gloss afterwards if warmth shows.",
            NeutralForWhite r =>
                $"{r.White} white in the greyest zone wants {r.NeededShare * 100:0} % neutral{(r.NeededShare > .5 ? ", or half of an extra-cover shade" : "")}; this mix has {r.Share * 100:0.#} %{(r.ExtraCover ? ", extra cover among it" : "")}.",
            KnocksWhiteBack r => $"A little of level {r.Level} in the mix knocks the white back; it stays off the lengths, where it would be too dark.",
            AshKeptBrown r => $"Ash shows its base on white hair; {r.WarmShare * 100:0.#} % red or copper keeps it brown.",
            MixForecastIs r =>
                $"Forecast: {r.DeltaE:0.0} from the wish ({Far(r.DeltaE)}){(r.WhiteFromPigmented > 0 ? $"; white and pigmented hair {r.WhiteFromPigmented:0.0} apart" : "")}. It is a forecast for planning: the strand test decides.",
            TailForecastIs r =>
                $"Feathered past the line it comes out {r.DeltaE:0.0} from the wish on the {Of(r.On)} ({Far(r.DeltaE)}): the mix is judged by the regrowth and by that tail, each by how much is painted there.",
            TakesDown r => $"{r.Share} {r.Shade}: {Of(r.Family)} takes down {Against(r.Family)}.",
            LevelBetween r => $"Shades of neighbouring levels give the level between: {r.Level:0.0}.",
            LightenerIsWatched => "Lightener is watched, not timed, and no forecast is made of it: the hair is looked at every few minutes in the chair.",
            LastTimeOutOfStock r => $"Last time's {r.Shade} is out of stock, so a mix is searched for among what is there.",
            DilutedWithClear => "It is diluted with as much clear: about a level lighter, half the tone, and on for three minutes at most.",
            FormulaGiven { HandMade: true } => "This mix was made by hand; it is forecast, checked against the rules and weighed out as it is.",
            FormulaGiven => "This formula was given, so it is weighed out as it is and only checked.",
            FormulaUnused r => $"The given formula is for the {Goes(r.Use)}, which this service does not colour with a formula of their own; it is not used.",
            MovedByReports r =>
                $"{(r.Reports == 1 ? "One earlier kit" : $"{r.Reports} earlier kits")}{(r.Seen == 0 ? "" : r.Seen == r.Reports ? ", measured on the card," : $", {r.Seen} of them measured on the card,")} moved the forecast by {r.By.L:+0.0;-0.0;0} L*, {r.By.A:+0.0;-0.0;0} a*, {r.By.B:+0.0;-0.0;0} b*.",
            PulledTooDeep => "Pulled through, this mix takes the lengths deeper by more than half a level below the wish.",
            _ => throw NoWords(reason),
        };

    private static string Breaks(Broken reason) =>
        reason switch
        {
            TooDeepForLengths => "This mix takes the lengths deeper by more than half a level, which nobody wished for them.",
            ComesOutGreen r =>
                $"This mix is forecast to come out with a green cast (a* {r.A:0.0}). {Sentences.Begin(Parts.Say(Values.RedAgainstAsh))} of red or copper in it keeps it brown.",
            OppositesInOneBowl => "Opposites lie in one bowl and take each other out: mud.",
            TooManyParts r => $"{r.Parts} parts are more than anyone repeats; three are the most.",
            NoDepthInMix => "There is no shade with depth in this mix.",
            TooMuchConcentrate r => $"A concentrate is seasoning, at most {r.MostShare * 100:0} % and of one kind; this mix has {r.Share * 100:0.#} %.",
            ShadesFarApart r => $"Its shades are {r.Levels} levels apart; one is the most.",
            AshOnWhite { WarmShare: > 0 } r => $"There is ash on white hair and only {r.WarmShare * 100:0.#} % red against it: a green or blue cast may show.",
            AshOnWhite => "There is ash on white hair and no red against it: a green or blue cast may show.",
            TooLittleNeutral r => $"{r.White} white wants {r.NeededShare * 100:0} % neutral; this has {r.Share * 100:0.#} %, so white hair may show.",
            NotNeutralEnough r =>
                $"A neutral wish is at least half neutral and no more than a third of anything else; this mix has {r.Share * 100:0.#} % neutral.",
            TooLittleOfFamily r => $"The wish is {r.Wish}; only {r.Share * 100:0.#} % of this mix is of that family.",
            OffLevel r => $"Its shades lie on average at level {r.MeanLevel:0.#}; the wish is {r.Wish}.",
            ExtraCoverForNothing => "Extra cover is made for white hair, and there is little here.",
            _ => throw NoWords(reason),
        };

    private static IReadOnlyList<Used>? NumbersOf(ShadeReason reason) =>
        reason switch
        {
            NotLiftedThatFar r =>
            [
                new("natural level", r.NaturalLevel, ""),
                new("levels lifted", Math.Round(r.Levels, 2), ""),
                new("level wished", r.Wish.Value, ""),
            ],
            NeutralForWhite r => [new("neutral it wants", Math.Round(r.NeededShare * 100, 1), "%"), new("neutral it has", Math.Round(r.Share * 100, 1), "%")],
            MixForecastIs r =>
            [
                new("from the wish", Math.Round(r.DeltaE, 2), "dE00"),
                new("white from pigmented", Math.Round(r.WhiteFromPigmented, 2), "dE00"),
                new("parts", r.Parts, ""),
            ],
            TailForecastIs r => [new("the tail from the wish", Math.Round(r.DeltaE, 2), "dE00"), new("the tail counts", Math.Round(r.Weight * 100, 1), "%")],
            _ => null,
        };
}
