using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

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
        ICollection<Reason> why
    )
    {
        var formula = plan.Formulas[at];
        bool damp = c.Goal.DampLengths ?? !formula.OnRoots;
        if (!formula.OnRoots && batches.Count > 1)
        {
            why.Add(new GlossInBottles(formula.Line.WorkingLife, batches.Count));
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
            why.Add(new LengthsAreDamp());
        }

        return Sizing.For(bases, belief, c.House.Quantile, formula.Line.Thickness, !kit || c.House.Way<Splitting>() == Splitting.OnePair);
    }

    /// <summary>One formula on the scale.</summary>
    public static Formula WeighOut(FormulaPlan mix, IReadOnlyList<MixPart> shades, Sizing size, House house, bool kit, bool tests, ICollection<Reason> why)
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
            var said = new WholeTubes(tubes, mix.Line.Tube.Value, above, need.Tenths(), Sent: whole);
            if (whole)
            {
                portions = [new Portion(Pair.Main, Grams.Of(tubes * mix.Line.Tube.Value * (1 + mix.Ratio)))];
                why.Add(said);
            }
            else if (kit && above <= Values.TubeMargin - 1)
            {
                why.Add(said);
            }
        }
        else if (kit && house.Way<Filling>() == Filling.WholeTube)
        {
            why.Add(new NoWholeTubes());
        }

        var pairs = portions.Select(p => Weigh.Out(p, shades, mix.Ratio, mix.Blend, mix.Line.Thickness, house.ScaleStep, whole)).ToList();
        foreach (var full in pairs.Select(p => Vessels.TooFull(p, mix.Line.Thickness)).OfType<Reason>())
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
                house.ScaleStep,
                Weigh.Keeps(mix.Line.Thickness)
            );
            why.Add(new OneBlend(stock.Weigh, stock.Takes, stock.Over));
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
        ICollection<Reason> why
    )
    {
        if (hands.History.MinBy(h => h.DaysAgo) is { } last)
        {
            why.Add(new HandsLearned(last, hands.History.Count, belief));
        }
        else if (hands.Who != Who.Trained)
        {
            why.Add(new HandsUnknown(hands.Who, belief));
        }

        for (int i = 0; i < formulas.Count; i++)
        {
            var (rows, size) = (plan.Of(i).ToList(), sizes[i]);
            double mean =
                rows.Sum(r => r.Zone.Facts().HairShare.Value * r.Centimetres) / rows.Select(r => r.Zone).Distinct().Sum(z => z.Facts().HairShare.Value);
            var on = On(rows);
            why.Add(
                new TrainedHandTakes(
                    plan.Formulas[i].OnRoots ? "DO1" : "DO3",
                    plan.Formulas[i].Use,
                    on,
                    RegrowthCm(rows),
                    mean,
                    size.Base.Tenths(),
                    Math.Round(HairMass.HairsPerCm2(c.Reading.Hair.Density)),
                    Math.Round(
                        rows.Sum(r =>
                            r.Zone.Facts().HairShare.Value * r.Centimetres * HairMass.GramsPerCm(c.Reading.Hair.Density, c.Reading.Zones[(int)r.Zone].Texture)
                        ),
                        2
                    )
                )
            );
            if (rows.Any(r => r.Turn == Turn.Scalp) && rows.Max(r => r.ToMm) > Values.AllOverMm)
            {
                why.Add(new AllOverInPacks(formulas[i].MixGrams.Value / Values.PackGrams));
            }
            else if (
                i == 0
                && plan.Formulas[0].OnRoots
                && rows.All(r => r.Zone.IsFrame() || r.Zone is Zone.LeftFront or Zone.RightFront or Zone.Crown)
                && rows.Max(r => r.ToMm) <= 15
            )
            {
                why.Add(new FrontOnly());
            }

            FormulaUse? name = formulas.Count == 1 ? null : plan.Formulas[i].Use;
            why.Add(
                new SentSoMuch(
                    formulas[i].MixGrams,
                    name,
                    c.House.Quantile,
                    c.House.Costs is not null,
                    size.Residue.Value,
                    plan.Formulas[i].Line.Thickness,
                    kit,
                    size.Base.Tenths(),
                    Math.Round(belief.Quantile(c.House.Quantile), 3)
                )
            );
            if (kit && formulas[i].Pairs is [{ Name: Pair.Main } main, { IsReserve: true } reserve])
            {
                why.Add(new SealedInReserve(main.ColourGrams + main.DeveloperGrams, reserve.ColourGrams + reserve.DeveloperGrams, name));
            }

            var (f, bottle) = (formulas[i], formulas[i].Developer);
            why.Add(
                new MixedAt(
                    f.Use,
                    f.Ratio,
                    Grams.Of(f.Parts.Sum(p => p.Grams.Value)),
                    bottle.Grams,
                    bottle.Volume,
                    bottle.Percent * bottle.Grams.Value / f.MixGrams.Value
                )
            );
        }
    }

    /// <summary>The hair a formula goes on.</summary>
    private static GoesOn On(List<StrandRow> rows) =>
        (rows.Any(r => r.Regrowth), rows.Any(r => r.Does == Does.Blend), rows.Any(r => r.OnLengths && r.Does != Does.Blend)) switch
        {
            (true, true, _) => GoesOn.RegrowthWithTail,
            (true, _, true) => GoesOn.RegrowthAndLengths,
            (true, _, _) => GoesOn.Regrowth,
            (_, _, true) => GoesOn.Lengths,
            _ => GoesOn.Band,
        };

    /// <summary>Mean length of the regrowth among some rows, centimetres, each zone by its hair.</summary>
    private static double RegrowthCm(List<StrandRow> rows) =>
        rows.Where(r => r.Regrowth).Sum(r => r.Zone.Facts().HairShare.Value * r.Centimetres)
        / Math.Max(1e-9, rows.Where(r => r.Regrowth).Select(r => r.Zone).Distinct().Sum(z => z.Facts().HairShare.Value));
}
