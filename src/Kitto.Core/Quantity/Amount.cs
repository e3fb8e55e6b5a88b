using Kitto.Core.Clock;
using Kitto.Core.Developer;
using Kitto.Core.Shade;

namespace Kitto.Core.Quantity;

/// <summary>From a decided formula to grams: what is used, what is sent, what is weighed, and why.</summary>
internal static class Amount
{
    /// <summary>However little hair it is for, a batch is reckoned at this much, grams: less cannot be mixed and painted (ours).</summary>
    private const double LeastBase = 1;

    /// <summary>How much of one formula is used and sent.</summary>
    public static Sizing Size(Wanted mix, Case c, Hands hands, Timed timed, Factor belief, LengthsWay way, ICollection<Because> why)
    {
        bool damp = c.Goal.DampLengths ?? way == LengthsWay.OwnFormula;
        var batches = timed.Batches;
        if (mix.OnLengths && c.Goal.Service != Service.Gloss)
        {
            batches = Timing.Choose(c.Reading, hands, Service.Gloss, mix.Line, 7, c.House, []).Batches;
            if (batches.Count > 1)
            {
                why.Add(new Because("AP8", $"The gloss works for {mix.Line.WorkingLife}; these hands need two bottles of it, one after the other.", "lengths"));
            }
        }

        var zones = batches.SelectMany(b => b).ToList();
        double pulled = way switch { LengthsWay.SameMix => 1, LengthsWay.Diluted => 0.5, _ => 0 };
        var bases = batches.Select((b, i) =>
        {
            double grams = mix.OnLengths
                ? Use.Comb(c.Reading, mix.Line.Thickness, b, damp).Value
                : Use.Paint(c.Reading, mix.Line.Thickness, b, c.Goal.Service == Service.RootShadow, c.Goal.Service == Service.Lighten).Value
                  + (i == batches.Count - 1 ? pulled * Use.Comb(c.Reading, mix.Line.Thickness, zones, damp).Value : 0);
            return Grams.Of(Math.Max(LeastBase, grams));
        }).ToList();
        if (damp && (mix.OnLengths || pulled > 0))
        {
            why.Add(new Because("DO7", "The lengths are damp, which takes about a third less and blends more evenly.", "quantity"));
        }

        return Sizing.For(bases, belief, c.House.Quantile, mix.Line.Thickness, c.House.School("DO10") == "onePair");
    }

    /// <summary>One formula on the scale.</summary>
    public static Formula WeighOut(Wanted mix, IReadOnlyList<MixPart> shades, Sizing size, House house, ICollection<Because> why)
    {
        var portions = size.Portions;
        var need = Grams.Of(portions.Sum(p => p.Mix.Value) / (1 + mix.Ratio));
        bool whole = house.School("BE10") == "wholeTube" && shades.Count == 1 && mix.Line.Kind != LineKind.Lightener && portions.All(p => p.Name is "main" or "reserve");
        if (shades.Count == 1 && mix.Line.Kind != LineKind.Lightener)
        {
            var (tubes, above) = Vessels.WholeTubes(need, mix.Line);
            string said = $"{tubes} whole tube{(tubes == 1 ? "" : "s")} of {mix.Line.Tube.Value:0} g {(tubes == 1 ? "is" : "are")} {above * 100:0} % above the {need.Tenths()} of colour it takes";
            if (whole)
            {
                portions = [new Portion("main", Grams.Of(tubes * mix.Line.Tube.Value * (1 + mix.Ratio)))];
                why.Add(new Because("BE10", $"The house sends whole unopened tubes with weighed developer: {said}.", "quantity"));
            }
            else if (above <= Vessels.TubeMargin - 1)
            {
                why.Add(new Because("BE10", $"{said}: sent unopened, nothing would be decanted.", "quantity"));
            }
        }
        else if (house.School("BE10") == "wholeTube")
        {
            why.Add(new Because("BE10", "A mix of several shades cannot go in whole tubes; its parts are weighed into a sachet.", "quantity"));
        }

        var pairs = portions.Select(p => Weigh.Out(p, shades, mix.Ratio, mix.Blend, mix.Line.Thickness, house.ScaleStep, whole)).ToList();
        foreach (var full in pairs.Select(p => Vessels.TooFull(p, mix.Line.Thickness)).OfType<Because>())
        {
            why.Add(full);
        }

        Grams Sum(IEnumerable<Grams> grams) => Grams.Of(Math.Round(grams.Sum(g => g.Value), 3));
        var parts = shades.Select((p, i) => new PartGrams(p.Shade, Sum(pairs.Select(x => x.Parts[i].Grams)), Sum(pairs.Select(x => x.Parts[i].FillGrams)), p.Share)).ToList();
        var strengths = mix.Blend.Select((b, i) => new StrengthGrams(b.Volume, Sum(pairs.Select(x => x.Strengths[i].Grams)))).ToList();
        var developer = Sum(pairs.Select(p => p.DeveloperGrams));
        double smallest = pairs.SelectMany(p => p.Parts).Min(p => p.Grams.Value);
        if (smallest < Weigh.SmallestSteps * house.ScaleStep.Value)
        {
            var take = pairs.First(p => p.Parts.Any(x => x.Grams.Value == smallest)).ColourGrams;
            why.Add(Vessels.SayStockBlend(shades, Grams.Of(smallest), take, house.ScaleStep));
        }

        return new Formula(mix.Use, mix.Line.Id, parts, new DeveloperPart(mix.Developer, mix.Developer.Percent, developer, strengths),
            $"1:{mix.Ratio:0.##}", Sum([.. pairs.Select(p => p.ColourGrams), developer]), pairs);
    }

    /// <summary>The amount in sentences.</summary>
    public static void Say(Case c, Hands hands, Factor belief, IReadOnlyList<Sizing> sizes, IReadOnlyList<Formula> formulas, ICollection<Because> why)
    {
        var reckoned = Grams.Of(sizes.Sum(s => s.Base.Value));
        if (hands.History.MinBy(h => h.DaysAgo) is { } last)
        {
            string used = last.RanOut
                ? $"{last.Sent} was sent {last.DaysAgo} days ago and ran out: at least {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}"
                : $"of {last.Sent} sent {last.DaysAgo} days ago {last.Left} was left: {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}";
            why.Add(new Because("DO8", $"Her report: {used}. So her hands are now reckoned at {Math.Exp(belief.Mean):0.00} times a trained hand, from {hands.History.Count} report{(hands.History.Count == 1 ? "" : "s")}.", "quantity", Believed(belief)));
        }
        else if (hands.Who != Who.Trained)
        {
            why.Add(new Because("DO2", $"Nothing is known of these hands yet. {(hands.Who == Who.Alone ? "Alone" : "A helper")} at home uses about {(Math.Exp(belief.Mean) - 1) * 100:0} % more than a trained hand.", "quantity", Believed(belief)));
        }

        why.Add(new Because("DO1", c.Goal.Service == Service.Gloss
            ? $"Lengths of {c.Reading.Hair.LengthCm:0.#} cm on this head take a trained hand {reckoned}."
            : $"Regrowth of {c.Reading.MeanRegrowth.Value:0.#} mm on this head takes a trained hand {reckoned}.", "quantity",
            [
                new("scalp", HairMass.ScalpCm2, "cm²"), new("hair", Math.Round(HairMass.HairsPerCm2(c.Reading.Hair.Density)), "to a cm²"),
                new("hair of that length", Math.Round(HairMass.GramsPerCm(c.Reading.Hair.Density, c.Reading.Hair.Texture) * c.Reading.MeanRegrowth.Centimetres, 2), "g"),
                new("a gram of it holds", Use.Painted, "g of mix"), new("film on the scalp", Use.Film, "g/cm²"),
            ]));
        why.Add(new Because("DO2", $"Sent so that {c.House.Quantile * 100:0.#} of 100 such kits do not run out{(c.House.Costs is null ? "" : ", as the house's own costs of both mistakes ask")}; {sizes.Sum(s => s.Residue.Value):0.#} g of it stays on bowl or bottle.", "quantity",
            [
                new("a trained hand", reckoned.Tenths().Value, "g"), new("times these hands, at that share", Math.Round(belief.Quantile(c.House.Quantile), 3), ""),
                new("stays on the vessel", Math.Round(sizes.Sum(s => s.Residue.Value), 1), "g"), new("sent", Math.Round(sizes.Sum(s => s.Send.Value), 1), "g"),
            ]));
        if (formulas.FirstOrDefault(f => f.Pairs.Any(p => p.Name == "reserve")) is { } split)
        {
            var (main, reserve) = (split.Pairs[0], split.Pairs[1]);
            why.Add(new Because("DO10", $"Mixed colour cannot be kept: {main.ColourGrams + main.DeveloperGrams} as main pair, {reserve.ColourGrams + reserve.DeveloperGrams} sealed in reserve.", "quantity"));
        }

        why.Add(new Because("DV9", string.Join(" ", formulas.Select(f => $"The {f.Use} mix is {f.Ratio}, {f.Parts.Sum(p => p.Grams.Value):0.0} g of colour to {f.Developer.Grams} of developer: {f.Developer.Volume} ({f.Developer.Percent:0.#} %) in the bottle, {f.Developer.Percent * f.Developer.Grams.Value / f.MixGrams.Value:0.0} % once mixed.")), "developer"));
    }

    private static IReadOnlyList<Used> Believed(Factor belief) =>
    [
        new("median hand", Math.Round(Math.Exp(belief.Mean), 3), "times trained"), new("nine in ten above", Math.Round(belief.Quantile(.1), 3), "times trained"), new("nine in ten below", Math.Round(belief.Quantile(.9), 3), "times trained"),
    ];
}
