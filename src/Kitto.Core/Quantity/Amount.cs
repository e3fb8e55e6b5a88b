using Kitto.Core.Clock;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Quantity;

/// <summary>From a decided formula to grams: what is used, what is sent, what is weighed, and why.</summary>
internal static class Amount
{
    /// <summary>How much of one formula is used and sent.</summary>
    /// <param name="plan">The strand plan.</param>
    /// <param name="at">The formula's number in it.</param>
    /// <param name="c">The case.</param>
    /// <param name="batches">Its strokes by bowl.</param>
    /// <param name="belief">What is believed of the hands.</param>
    /// <param name="kit">Whether it is sent; in the chair nothing is sealed in reserve.</param>
    /// <param name="why">Reasons are added.</param>
    public static Sizing Size(
        StrandPlan plan,
        int at,
        Case c,
        IReadOnlyList<IReadOnlyList<Stroke>> batches,
        HandFactor belief,
        bool kit,
        ICollection<Because> why
    )
    {
        var formula = plan.Formulas[at];
        bool damp = c.Goal.DampLengths ?? !formula.OnRoots;
        if (!formula.OnRoots && batches.Count > 1)
        {
            why.Add(
                new Because(
                    "AP8",
                    $"The gloss works for {formula.Line.WorkingLife}; these hands need {batches.Count} bottles of it, one after the other.",
                    Topic.Lengths
                )
            );
        }

        var rows = plan.Of(at).ToList();
        // What is painted in its turn goes by its stroke; what is pulled through is the rest of the last bowl.
        bool In(StrandRow row, int batch) =>
            row is { Does: Does.PullThrough } ? batch == batches.Count - 1 : batches[batch].Contains(new Stroke(row.Zone, row.Turn == Turn.Scalp));
        var bases = batches
            .Select(
                (_, i) =>
                    Grams.Of(
                        Math.Max(
                            Values.LeastBaseGrams,
                            Use.Of(c.Reading, formula.Line.Thickness, rows.Where(r => In(r, i)), c.Goal.Service == Service.Lighten, damp, plan.Diluted).Value
                        )
                    )
            )
            .ToList();
        if (damp && rows.Any(r => r.OnLengths))
        {
            why.Add(new Because("DO7", "The lengths are damp, which takes about a third less and blends more evenly.", Topic.Quantity));
        }

        return Sizing.For(bases, belief, c.House.Quantile, formula.Line.Thickness, !kit || c.House.Way<Splitting>() == Splitting.OnePair);
    }

    /// <summary>One formula on the scale.</summary>
    public static Formula WeighOut(FormulaPlan mix, IReadOnlyList<MixPart> shades, Sizing size, House house, bool kit, bool tests, ICollection<Because> why)
    {
        var portions = size.Portions;
        var need = Grams.Of(portions.Sum(p => p.Mix.Value) / (1 + mix.Ratio));
        bool whole =
            kit
            && house.Way<Filling>() == Filling.WholeTube
            && shades.Count == 1
            && mix.Line.Kind != LineKind.Lightener
            && portions.All(p => p.Name is Pair.Main or Pair.Reserve);
        if (shades.Count == 1 && mix.Line.Kind != LineKind.Lightener)
        {
            var (tubes, above) = Vessels.WholeTubes(need, mix.Line);
            string said =
                $"{tubes} whole tube{(tubes == 1 ? "" : "s")} of {mix.Line.Tube.Value:0} g {(tubes == 1 ? "is" : "are")} {above * 100:0} % above the {need.Tenths()} of colour it takes";
            if (whole)
            {
                portions = [new Portion(Pair.Main, Grams.Of(tubes * mix.Line.Tube.Value * (1 + mix.Ratio)))];
                why.Add(new Because("BE10", $"The house sends whole unopened tubes with weighed developer: {said}.", Topic.Quantity));
            }
            else if (kit && above <= Values.TubeMargin - 1)
            {
                why.Add(new Because("BE10", $"{said}: sent unopened, nothing would be decanted.", Topic.Quantity));
            }
        }
        else if (kit && house.Way<Filling>() == Filling.WholeTube)
        {
            why.Add(new Because("BE10", "A mix of several shades cannot go in whole tubes; its parts are weighed into a sachet.", Topic.Quantity));
        }

        var pairs = portions.Select(p => Weigh.Out(p, shades, mix.Ratio, mix.Blend, mix.Line.Thickness, house.ScaleStep, whole)).ToList();
        foreach (var full in pairs.Select(p => Vessels.TooFull(p, mix.Line.Thickness)).OfType<Because>())
        {
            why.Add(full);
        }

        Grams Sum(IEnumerable<Grams> grams) => Grams.Of(Math.Round(grams.Sum(g => g.Value), 3));
        var parts = shades
            .Select((p, i) => new PartGrams(p.Shade, Sum(pairs.Select(x => x.Parts[i].Grams)), Sum(pairs.Select(x => x.Parts[i].FillGrams)), p.Share))
            .ToList();
        var strengths = mix.Blend.Select((b, i) => new StrengthGrams(b.Volume, Sum(pairs.Select(x => x.Strengths[i].Grams)))).ToList();
        var developer = Sum(pairs.Select(p => p.DeveloperGrams));
        Stock? stock = null;
        if (kit && shades.Count > 1)
        {
            double strand = tests ? Values.StrandTestGrams / (1 + mix.Ratio) : 0;
            stock = Stock.Of(
                shades,
                [
                    .. pairs.Select(p => new Portioned(p.Name, p.ColourFillGrams)),
                    .. tests
                        ? [new Portioned("skin test", Grams.Of(Values.SkinTestGrams)), new Portioned("strand test", Grams.Of(strand).Tenths())]
                        : Array.Empty<Portioned>(),
                ],
                house.ScaleStep
            );
            why.Add(stock.Say());
        }

        return new Formula(
            mix.Use,
            mix.Line.Id,
            parts,
            new DeveloperPart(mix.Developer, mix.Developer.Percent, developer, strengths),
            $"1:{mix.Ratio:0.##}",
            Sum([.. pairs.Select(p => p.ColourGrams), developer]),
            pairs
        )
        {
            Stock = stock,
        };
    }

    /// <summary>The amount in sentences, one formula at a time.</summary>
    public static void Say(
        Case c,
        Hands hands,
        HandFactor belief,
        StrandPlan plan,
        IReadOnlyList<Sizing> sizes,
        IReadOnlyList<Formula> formulas,
        bool kit,
        ICollection<Because> why
    )
    {
        if (hands.History.MinBy(h => h.DaysAgo) is { } last)
        {
            string used = last.RanOut
                ? $"{last.Sent} was sent {last.DaysAgo} days ago and ran out: at least {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}"
                : $"of {last.Sent} sent {last.DaysAgo} days ago {last.Left} was left: {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}";
            why.Add(
                new Because(
                    "DO8",
                    $"Her report: {used}. So her hands are now reckoned at {Math.Exp(belief.Mean):0.00} times a trained hand, from {hands.History.Count} report{(hands.History.Count == 1 ? "" : "s")}.",
                    Topic.Quantity,
                    Believed(belief)
                )
            );
        }
        else if (hands.Who != Who.Trained)
        {
            why.Add(
                new Because(
                    "DO2",
                    $"Nothing is known of these hands yet. {(hands.Who == Who.Alone ? "Alone" : "A helper")} at home uses about {(Math.Exp(belief.Mean) - 1) * 100:0} % more than a trained hand.",
                    Topic.Quantity,
                    Believed(belief)
                )
            );
        }

        for (int i = 0; i < formulas.Count; i++)
        {
            var (rows, size) = (plan.Of(i).ToList(), sizes[i]);
            double mean =
                rows.Sum(r => r.Zone.Facts().HairShare.Value * r.Centimetres) / rows.Select(r => r.Zone).Distinct().Sum(z => z.Facts().HairShare.Value);
            string on = On(rows, c, mean);
            why.Add(
                new Because(
                    plan.Formulas[i].OnRoots ? "DO1" : "DO3",
                    $"{on} on this head take{(on.StartsWith("Regrowth", StringComparison.Ordinal) ? "s" : "")} a trained hand {size.Base.Tenths()} of the {StrandWords.Of(plan.Formulas[i].Use)}.",
                    Topic.Quantity,
                    [
                        new("scalp", HairMass.ScalpCm2, "cm²"),
                        new("hair", Math.Round(HairMass.HairsPerCm2(c.Reading.Hair.Density)), "to a cm²"),
                        new(
                            "hair it goes on",
                            Math.Round(
                                rows.Sum(r =>
                                    r.Zone.Facts().HairShare.Value
                                    * r.Centimetres
                                    * HairMass.GramsPerCm(c.Reading.Hair.Density, c.Reading.Zones[(int)r.Zone].Texture)
                                ),
                                2
                            ),
                            "g"
                        ),
                        new("a gram painted holds", Use.Painted, "g of mix"),
                        new("a gram worked in holds", Use.WorkedIn, "g of mix"),
                        new("a gram combed through holds", Use.CombedDry * Use.Taper, "g of mix"),
                        new("film on the scalp", Use.Film, "g/cm²"),
                    ]
                )
            );
            if (rows.Any(r => r.Turn == Turn.Scalp) && rows.Max(r => r.ToMm) > Values.AllOverMm)
            {
                why.Add(
                    new Because(
                        "DO4",
                        $"All over is reckoned in packs of {Values.PackGrams:0} g mixed: shoulder length takes one, past the shoulder two. This is {formulas[i].MixGrams.Value / Values.PackGrams:0.0}.",
                        Topic.Quantity
                    )
                );
            }
            else if (
                i == 0
                && plan.Formulas[0].OnRoots
                && rows.All(r => r.Zone.IsFrame() || r.Zone is Zone.LeftFront or Zone.RightFront or Zone.Crown)
                && rows.Max(r => r.ToMm) <= 15
            )
            {
                why.Add(new Because("DO5", "Front and part line only: a trained hand mixes some 20 g for it, three to four weeks on.", Topic.Quantity));
            }

            string name = formulas.Count == 1 ? "" : $" of the {StrandWords.Of(plan.Formulas[i].Use)}";
            why.Add(
                new Because(
                    "DO2",
                    kit
                        ? $"{formulas[i].MixGrams}{name} is sent, so that {c.House.Quantile * 100:0.#} of 100 such kits do not run out{(c.House.Costs is null ? "" : ", as the house's own costs of both mistakes ask")}; {size.Residue.Value:0.#} g of it stays on {(plan.Formulas[i].Line.Thickness == Thickness.Cream ? "the bowl" : "the bottle")}."
                        : $"{formulas[i].MixGrams}{name} is mixed, enough for {c.House.Quantile * 100:0.#} of 100 such heads; {size.Residue.Value:0.#} g of it stays on the bowl.",
                    Topic.Quantity,
                    [
                        new("a trained hand", size.Base.Tenths().Value, "g"),
                        new("times these hands, at that share", Math.Round(belief.Quantile(c.House.Quantile), 3), ""),
                        new("stays on the vessel", Math.Round(size.Residue.Value, 1), "g"),
                        new("mixed in all", formulas[i].MixGrams.Value, "g"),
                    ]
                )
            );
            if (kit && formulas[i].Pairs is [{ Name: Pair.Main } main, { IsReserve: true } reserve])
            {
                why.Add(
                    new Because(
                        "DO10",
                        $"Mixed colour cannot be kept: {main.ColourGrams + main.DeveloperGrams}{name} as main pair, {reserve.ColourGrams + reserve.DeveloperGrams} sealed in reserve.",
                        Topic.Quantity
                    )
                );
            }

            var (f, bottle) = (formulas[i], formulas[i].Developer);
            why.Add(
                new Because(
                    "DV9",
                    $"The {StrandWords.Of(f.Use)} is mixed {f.Ratio}, {f.Parts.Sum(p => p.Grams.Value):0.0} g of colour to {bottle.Grams} of developer: {bottle.Volume} ({bottle.Percent:0.#} %) in the bottle, {bottle.Percent * bottle.Grams.Value / f.MixGrams.Value:0.0} % once mixed.",
                    Topic.Developer
                )
            );
        }
    }

    /// <summary>The hair a formula goes on, in words.</summary>
    private static string On(List<StrandRow> rows, Case c, double meanCm)
    {
        double roots =
            rows.Where(r => r.Regrowth).Sum(r => r.Zone.Facts().HairShare.Value * r.Centimetres)
            / Math.Max(1e-9, rows.Where(r => r.Regrowth).Select(r => r.Zone).Distinct().Sum(z => z.Facts().HairShare.Value));
        return (rows.Any(r => r.Regrowth), rows.Any(r => r.Does == Does.Blend), rows.Any(r => r.OnLengths && r.Does != Does.Blend)) switch
        {
            (true, true, _) => $"Regrowth of {roots * 10:0.#} mm with the tail feathered past it",
            (true, _, true) => $"Regrowth of {roots * 10:0.#} mm and the lengths after it",
            (true, _, _) => $"Regrowth of {roots * 10:0.#} mm",
            (_, _, true) => $"Lengths of {meanCm:0.#} cm",
            _ => $"A band of {meanCm * 10:0.#} mm",
        };
    }

    private static IReadOnlyList<Used> Believed(HandFactor belief) =>
        [
            new("median hand", Math.Round(Math.Exp(belief.Mean), 3), "times trained"),
            new("nine in ten above", Math.Round(belief.Quantile(.1), 3), "times trained"),
            new("nine in ten below", Math.Round(belief.Quantile(.9), 3), "times trained"),
        ];
}
