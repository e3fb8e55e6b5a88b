using Kitto.Core.Colour;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Packing;

/// <summary>What was poured, held against what was prescribed.</summary>
/// <param name="Weighed">What was poured.</param>
/// <param name="RatioOff">The greatest difference of a pair's ratio, as a share of the prescribed one.</param>
/// <param name="DeltaE">The greatest dE00 between what a formula as poured and as prescribed would look like.</param>
/// <param name="RunsOut">Chance that it runs out.</param>
/// <param name="Says">What differs, and the rules it breaks that the prescription does not.</param>
public sealed record Judgement(WeighedKit Weighed, double RatioOff, double DeltaE, Share RunsOut, IReadOnlyList<Because> Says)
{
    /// <summary>Whether it goes back to the colourist for a yes: more than one part in a hundred of the ratio, or a visible difference (ours).</summary>
    public bool WantsYes => RatioOff > Values.RatioMargin || DeltaE > Values.PouredDeltaE;

    /// <summary>Judges a kit as it was poured.</summary>
    /// <param name="c">The case it was signed from.</param>
    /// <param name="p">The prescription.</param>
    /// <param name="shelf">The lines it was made from.</param>
    /// <param name="stand">As it stands at the bench.</param>
    public static Judgement Of(Case c, Prescription p, Shelf shelf, PackingStand stand)
    {
        var weighed = WeighedKit.Of(p, stand);
        var why = new List<Reason>();
        double ratio = 0;
        foreach (var (formula, poured) in p.Formulas.Zip(weighed.Formulas))
        {
            foreach (var (pair, was) in formula.Pairs.Zip(poured.Pairs))
            {
                double prescribed = pair.DeveloperGrams.Value / pair.ColourGrams.Value,
                    got = was.ColourGrams > 0 ? was.DeveloperGrams / was.ColourGrams : 0,
                    off = Math.Abs(got / prescribed - 1);
                ratio = Math.Max(ratio, off);
                if (off > Values.RatioMargin)
                {
                    why.Add(new RatioIsOff(pair.Name, Math.Round(prescribed, 3), Math.Round(got, 3)));
                }
            }
        }

        var others = weighed.Formulas.Where(f => Differs(p.Formulas[f.At], f)).ToList();
        double delta = others.Count > 0 ? Looks(c, p, shelf, others, why) : 0;
        var sent = weighed.Sent;
        var runsOut = RunsOutOf(c, p, sent);
        if (p.Quantity is { } q && Math.Abs(sent.Value - q.SendGrams.Value) > Values.RatioMargin * q.SendGrams.Value)
        {
            why.Add(new SentOther(q.SendGrams, sent.Tenths(), runsOut));
        }

        why.AddRange(stand.Vessels.Where(v => v.Excused is not null).Select(v => new NotWeighed(Wording.Language.English.Names(v.Vessel), v.Excused!)));
        return new Judgement(weighed, Math.Round(ratio, 4), Math.Round(delta, 2), runsOut, Wording.Language.English.Because(why));
    }

    /// <summary>Chance that so much runs out, on this head and with these hands.</summary>
    /// <param name="c">The case.</param>
    /// <param name="p">The prescription.</param>
    /// <param name="sent">What is sent.</param>
    public static Share RunsOutOf(Case c, Prescription p, Grams sent) =>
        p.Quantity is not { } q || sent.Value <= q.ResidueGrams.Value
            ? Share.Of(1)
            : OrderRisk.Of(q.BaseGrams, HandFactor.Learned(c.Reading.Hands), q.ResidueGrams, sent).RunsOut;

    /// <summary>Whether shades or strength were poured otherwise than can be put down to the scale.</summary>
    private static bool Differs(Formula f, PouredFormula poured) =>
        !SelectedFormula.Same(poured.Mix(), f.Mix()) || Math.Abs(poured.Volume - f.Developer.Volume.Value) > .05;

    /// <summary>The greatest difference to the prescribed look, each formula on the hair it meets; the rules that are broken by it are added.</summary>
    private static double Looks(Case c, Prescription p, Shelf shelf, IReadOnlyList<PouredFormula> others, List<Reason> why)
    {
        if (Prescriber.Lay(c, shelf, []) is not { } laid || laid.Strand.Formulas.Count != p.Formulas.Count)
        {
            return 0;
        }

        double most = 0;
        (ApplicationTarget, Mixture)? first = null;
        for (int at = 0; at < p.Formulas.Count; at++)
        {
            var (plan, formula) = (laid.Strand.Formulas[at], p.Formulas[at]);
            if (plan.Line.Kind == LineKind.Lightener || plan.Line.Id != formula.Line)
            {
                continue;
            }

            var before = formula.Use == FormulaUse.Second ? first : null;
            var canvas = ApplicationTarget.Of(plan, at, laid.Strand, laid.Case.Reading, laid.Soften, laid.Residual, before);
            var prescribed = Undiluted(plan.Dilutes, formula.Mix());
            first ??= (canvas, new Mixture(plan.Line, formula.Developer.Volume, prescribed));
            if (others.FirstOrDefault(o => o.At == at) is not { } poured || prescribed is [{ Shade: ShadeOf.Clear }])
            {
                continue;
            }

            // Another strength lifts otherwise, too: the hair it meets is another.
            var mix = Undiluted(plan.Dilutes, poured.Mix());
            var bottle = Volume.Of(Math.Clamp(Math.Round(poured.Volume, 2), 0, 40));
            var own = new FormulaPlan(plan.Use, plan.Line, plan.Wish, [(bottle, 1)], plan.Ratio, plan.Given) { Asked = plan.Asked, Quick = plan.Quick };
            var met = ApplicationTarget.Of(own, at, laid.Strand, laid.Case.Reading, laid.Soften, laid.Residual, before);
            var (was, now) = (canvas.Look(new Mixture(plan.Line, formula.Developer.Volume, prescribed)), met.Look(new Mixture(plan.Line, bottle, mix)));
            double delta = Difference2000.Between(HeadForecast.Mean(canvas, was), HeadForecast.Mean(met, now));
            most = Math.Max(most, delta);
            if (delta > Values.PouredDeltaE)
            {
                why.Add(new LooksOther(formula.Use, Math.Round(delta, 1)));
            }

            var rules = laid.Rules(at) with { Least = 0 };
            var breach = (rules.Of(mix, plan.Line) | rules.Of(met, now)) & ~(rules.Of(prescribed, plan.Line) | rules.Of(canvas, was));
            MixReasons.Breaches(plan, rules, breach, met, now, mix, forced: true, why);
        }

        return most;
    }

    /// <summary>The mix without the clear that a quick tone is diluted with: the hair it meets counts that already.</summary>
    private static IReadOnlyList<MixPart> Undiluted(bool dilutes, IReadOnlyList<MixPart> mix)
    {
        var colour = mix.Where(m => !dilutes || m.Shade != ShadeOf.Clear).ToList();
        double sum = colour.Sum(m => m.Share.Value);
        return sum is > 0 and < 1 ? [.. colour.Select(m => m with { Share = Share.Of(Math.Min(1, m.Share.Value / sum)) })] : mix;
    }
}
