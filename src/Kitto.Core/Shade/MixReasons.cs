using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>Why a mix is what it is, and what of it a colourist would not sign.</summary>
internal static class MixReasons
{
    /// <summary>What of a mix a colourist would not sign; what decides comes first.</summary>
    /// <param name="plan">What was wanted.</param>
    /// <param name="rules">The rules it was held to.</param>
    /// <param name="breach">What it breaks.</param>
    /// <param name="canvas">What it meets.</param>
    /// <param name="looked">Its forecast.</param>
    /// <param name="parts">The mix.</param>
    /// <param name="forced">Whether it was given or repeated, not found.</param>
    /// <param name="why">Reasons are added.</param>
    public static void Breaches(
        FormulaPlan plan,
        MixRules rules,
        Breach breach,
        ApplicationTarget canvas,
        MixForecast looked,
        IReadOnlyList<MixPart> parts,
        bool forced,
        ICollection<Reason> why
    )
    {
        var sums = MixSums.Of(parts, rules, plan.Line);
        void Say(Breach which, Broken broken)
        {
            if (breach.HasFlag(which))
            {
                why.Add(broken with { NothingBetterIn = forced ? null : plan.Line.Name });
            }
        }

        Say(Breach.Lengths, new TooDeepForLengths());
        Say(Breach.Green, new ComesOutGreen(canvas.Greenest(looked)));
        Say(Breach.Opposites, new OppositesInOneBowl());
        Say(Breach.Parts, parts.Count > Values.MostParts ? new TooManyParts(parts.Count) : new NoDepthInMix());
        Say(Breach.Concentrate, new TooMuchConcentrate(rules.Wish.Level.Value <= 4 ? Values.MostConcentrateDeep : Values.MostConcentrate, sums.Concentrate));
        Say(Breach.Neighbours, new ShadesFarApart(sums.Lightest - sums.Deepest));
        Say(Breach.Ash, new AshOnWhite(sums.Warm));
        Say(Breach.Neutral, new TooLittleNeutral(rules.Grey, rules.NeutralNeeded, sums.Neutral));
        Say(Breach.Tone, rules.Wish.Tone.IsNeutral ? new NotNeutralEnough(sums.Neutral) : new TooLittleOfFamily(rules.Wish.Tone, sums.Family));
        Say(Breach.Level, new OffLevel(sums.MeanLevel, rules.Wish.Level));
        if (rules.Grey.Value < Values.NoGrey)
        {
            Say(Breach.ExtraCover, new ExtraCoverForNothing());
        }

        if (forced || rules.Wish.Tone.IsNeutral)
        {
            return;
        }

        if (rules.AshForAsh && sums.Have == 2)
        {
            why.Add(new OtherAshStandsIn(plan.Line.Name, rules.Wish.Tone, rules.Wish.Level));
        }
        else if (sums.Have < 2)
        {
            why.Add(new FamilyMissing(plan.Line.Name, rules.Wish.Tone, rules.Wish.Level, Concentrate: sums.Have == 1));
        }
    }

    /// <summary>What is aimed at, and what the mix does on this head by the rules of the trade.</summary>
    public static void Say(
        FormulaPlan plan,
        Reading reading,
        MixRules rules,
        ApplicationTarget canvas,
        IReadOnlyList<MixPart> parts,
        MixForecast looked,
        bool searched,
        bool clear,
        ICollection<Reason> why
    )
    {
        Topic about = plan.About;
        if (clear)
        {
            why.Add(new ClearAlone(about));
            return;
        }

        var lengths = reading.Hair.Lengths;
        var sums = MixSums.Of(parts, rules, plan.Line);
        if (searched)
        {
            why.Add(
                !plan.OnRoots ? new TonedAtLevel(about, plan.Use == FormulaUse.Band, plan.Wish.Level, plan.Wish.Tone)
                : lengths.Tone.SameAs(plan.Wish.Tone) && Math.Abs(lengths.Level.LighterThan(plan.Wish.Level)) < Values.HalfLevel
                    ? new RootsMatchLengths(about, lengths.Level, lengths.Tone)
                : new MixGoesFor(about, plan.Wish.Level, plan.Wish.Tone)
            );
            why.Add(new SimplestMix(about, parts, plan.Line.Name, looked.DeltaE));
        }

        Lift(plan, reading, canvas, about, why);
        if (searched && rules.NeutralNeeded > 0)
        {
            why.Add(new NeutralForWhite(about, rules.Grey, rules.NeutralNeeded, sums.Neutral, ExtraCover: sums.Extra > 0));
        }

        if (searched && rules.Grey.Value >= Values.NoGrey && sums.Deepest > 0 && plan.Wish.Level.Value - sums.Deepest >= Values.HalfLevel)
        {
            why.Add(new KnocksWhiteBack(about, sums.Deepest));
        }

        if (searched && rules.AshShows && sums.Cool > 0)
        {
            why.Add(new AshKeptBrown(about, sums.Warm));
        }

        Counter(plan, parts, about, why);
        why.Add(new MixForecastIs(about, looked.DeltaE, looked.GreyContrast, parts.Count));
        foreach (var (at, spot) in canvas.Tail.Take(1))
        {
            double off = Difference2000.Between(looked.Seen[at].Blend, canvas.Target);
            why.Add(new TailForecastIs(about, off, spot.Stretch, canvas.Tail.Sum(t => t.Spot.Weight)));
        }
    }

    /// <summary>What the developer lifts and lays bare, and what it cannot reach (SH2).</summary>
    private static void Lift(FormulaPlan plan, Reading reading, ApplicationTarget canvas, Topic about, ICollection<Reason> why)
    {
        var natural = canvas.Own.Where(s => s.Spot.Pigmented is { Lightened: false, Melanin: > 0 } && s.Spot.Regrowth).ToList();
        double weight = natural.Sum(s => s.Weight);
        if (weight == 0 || !plan.OnRoots || plan.Use == FormulaUse.Second)
        {
            return;
        }

        double lifts = natural.Sum(s => s.Weight * s.Spot.Lifts) / weight;
        if (natural.Max(s => s.Spot.Lifts) >= .3)
        {
            double bare = natural.Sum(s => s.Weight * (s.Spot.Bare.Pigmented ?? s.Spot.Pigmented.Lab).L) / weight;
            why.Add(new LiftsNatural(about, plan.Developer, lifts, Undertones.Of(bare)));
        }

        double own = reading.Hair.NaturalLevel.Value;
        if (plan.Wish.Level.Value - own - lifts >= Values.HalfLevel && natural.Any(s => s.Spot.Grey.Value < 1))
        {
            why.Add(new NotLiftedThatFar(own, lifts, plan.Wish.Level));
        }

        if (plan.Line.Kind == LineKind.HighLift)
        {
            why.Add(new PaleHardlyTones(about));
        }
    }

    /// <summary>A tone that the wish does not hold is there against something (SH3); shades of two levels give the one between (SH7).</summary>
    private static void Counter(FormulaPlan plan, IReadOnlyList<MixPart> parts, Topic about, ICollection<Reason> why)
    {
        foreach (var part in parts)
        {
            if (
                ShadeOf.Parse(part.Shade)!.Family is { } family and (Family.AG or Family.AB or Family.V or Family.R or Family.C)
                && !plan.Wish.Tone.Families.Contains(family)
            )
            {
                why.Add(new TakesDown(about, part.Share, part.Shade, family));
            }
        }

        int[] levels = [.. parts.Select(p => ShadeOf.Parse(p.Shade)!.Level).Where(l => l > 0).Distinct().Order()];
        if (levels is [var low, var high] && high - low == 1)
        {
            why.Add(new LevelBetween(about, Outcome.Adjust.MeanLevel(parts)));
        }
    }
}
