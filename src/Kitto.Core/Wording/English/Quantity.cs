using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static string Of(QuantityReason reason)
    {
        return reason switch
        {
            GlossInBottles r => $"The gloss works for {r.WorkingLife}; these hands need {r.Bottles} bottles of it, one after the other.",
            LengthsAreDamp => "The lengths are damp, which takes about a third less and blends more evenly.",
            WholeTubes { Sent: true } r => $"The house sends whole unopened tubes with weighed developer: {Tubes(r)}.",
            WholeTubes r => $"{Tubes(r)}: sent unopened, nothing would be decanted.",
            NoWholeTubes => "A mix of several shades cannot go in whole tubes; its parts are weighed into a sachet.",
            MixedInGoes r => $"{Room(r.Pair, r.Mix, r.Thickness, r.Holds)} It is mixed in {r.Goes} goes of {(r.Mix * (1.0 / r.Goes)).Tenths()}.",
            TooMuchForVessel r =>
                $"{Room(r.Pair, r.Mix, r.Thickness, r.Holds)} That is more than {Values.MostGoes} goes: two sittings, one half of the head each, or the chair.",
            OneBlend r =>
                $"The colour is weighed as one blend of {Each(r.Weigh)}, stirred even and divided: {Each(r.Takes)}; {r.Over} stays in its bowl. So no part is too small to weigh.",
            HandsLearned { Last: var last } r =>
                $"The report: {(last.RanOut
                    ? $"{last.Sent} was sent {last.DaysAgo} days ago and ran out: at least {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}"
                    : $"of {last.Sent} sent {last.DaysAgo} days ago {last.Left} was left: {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}")}. So these hands are now reckoned at {Math.Exp(r.Belief.Mean):0.00} times a trained hand, from {r.Reports} report{(r.Reports == 1 ? "" : "s")}.",
            HandsUnknown r =>
                $"Nothing is known of these hands yet. {(r.Who == Who.Alone ? "Alone" : "A helper")} at home uses about {(Math.Exp(r.Belief.Mean) - 1) * 100:0} % more than a trained hand.",
            TrainedHandTakes r =>
                $"{On(r)} on this head take{(r.On is GoesOn.Regrowth or GoesOn.RegrowthWithTail or GoesOn.RegrowthAndLengths ? "s" : "")} a trained hand {r.Takes} of the {Of(r.Use)}.",
            AllOverInPacks r =>
                $"All over is reckoned in packs of {Values.PackGrams:0} g mixed: shoulder length takes one, past the shoulder two. This is {r.Packs:0.0}.",
            FrontOnly => "Front and part line only: a trained hand mixes some 20 g for it, three to four weeks on.",
            SentSoMuch { Kit: true } r =>
                $"{r.Mix}{OfThe(r.Use)} is sent, so that {r.EnoughShare * 100:0.#} of 100 such kits do not run out{(r.ByCosts ? ", as the house's own costs of both mistakes ask" : "")}; {r.OnVesselGrams:0.#} g of it stays on {(r.Thickness == Thickness.Cream ? "the bowl" : "the bottle")}.",
            SentSoMuch r =>
                $"{r.Mix}{OfThe(r.Use)} is mixed, enough for {r.EnoughShare * 100:0.#} of 100 such heads; {r.OnVesselGrams:0.#} g of it stays on the bowl.",
            SealedInReserve r => $"Mixed colour cannot be kept: {r.Main}{OfThe(r.Use)} as main pair, {r.Reserve} sealed in reserve.",
            _ => throw NoWords(reason),
        };

        static string Tubes(WholeTubes r) =>
            $"{r.Tubes} whole tube{(r.Tubes == 1 ? "" : "s")} of {r.TubeGrams:0} g {(r.Tubes == 1 ? "is" : "are")} {r.AboveShare * 100:0} % above the {r.Needed} of colour it takes";
        static string Room(string pair, Grams mix, Thickness thickness, Grams holds) =>
            $"The {pair} pair is {mix}; the {(thickness == Thickness.Cream ? "bowl takes half" : "bottle takes two thirds")} of its room, {holds}.";
        static string Each(IEnumerable<Portioned> some) => string.Join(", ", some.Select(s => $"{s.Grams.Value:0.##} g {s.What}"));
        static string OfThe(FormulaUse? use) => use is { } of ? $" of the {Of(of)}" : "";
        static string On(TrainedHandTakes r) =>
            r.On switch
            {
                GoesOn.RegrowthWithTail => $"Regrowth of {r.RegrowthCm * 10:0.#} mm with the tail feathered past it",
                GoesOn.RegrowthAndLengths => $"Regrowth of {r.RegrowthCm * 10:0.#} mm and the lengths after it",
                GoesOn.Regrowth => $"Regrowth of {r.RegrowthCm * 10:0.#} mm",
                GoesOn.Lengths => $"Lengths of {r.MeanCm:0.#} cm",
                GoesOn.Band => $"A band of {r.MeanCm * 10:0.#} mm",
                _ => throw NoWords(r),
            };
    }

    private static IReadOnlyList<Used>? NumbersOf(QuantityReason reason)
    {
        return reason switch
        {
            HandsLearned r => Believed(r.Belief),
            HandsUnknown r => Believed(r.Belief),
            TrainedHandTakes r =>
            [
                new("scalp", HairMass.ScalpCm2, "cm²"),
                new("hair", r.HairsPerCm2, "to a cm²"),
                new("hair it goes on", r.HairGrams, "g"),
                new("a gram painted holds", Quantity.Use.Painted, "g of mix"),
                new("a gram worked in holds", Quantity.Use.WorkedIn, "g of mix"),
                new("a gram combed through holds", Quantity.Use.CombedDry * Quantity.Use.Taper, "g of mix"),
                new("film on the scalp", Quantity.Use.Film, "g/cm²"),
            ],
            SentSoMuch r =>
            [
                new("a trained hand", r.Trained.Value, "g"),
                new("times these hands, at that share", r.TimesTrained, ""),
                new("stays on the vessel", Math.Round(r.OnVesselGrams, 1), "g"),
                new("mixed in all", r.Mix.Value, "g"),
            ],
            _ => null,
        };

        static IReadOnlyList<Used> Believed(HandFactor belief) =>
            [
                new("median hand", Math.Round(Math.Exp(belief.Mean), 3), "times trained"),
                new("nine in ten above", Math.Round(belief.Quantile(.1), 3), "times trained"),
                new("nine in ten below", Math.Round(belief.Quantile(.9), 3), "times trained"),
            ];
    }
}
