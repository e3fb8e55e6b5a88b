using System.Globalization;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Shade;

/// <summary>Why a mix is what it is, in sentences.</summary>
public static class MixWords
{
    /// <summary>What of a mix a colourist would not sign, each in a sentence; what decides comes first.</summary>
    /// <param name="plan">What was wanted.</param>
    /// <param name="rules">The rules it was held to.</param>
    /// <param name="breach">What it breaks.</param>
    /// <param name="canvas">What it meets.</param>
    /// <param name="looked">Its forecast.</param>
    /// <param name="parts">The mix.</param>
    /// <param name="forced">Whether it was given or repeated, not found.</param>
    /// <param name="why">Reasons are added.</param>
    internal static void Breaches(
        FormulaPlan plan,
        MixRules rules,
        Breach breach,
        ApplicationTarget canvas,
        MixForecast looked,
        IReadOnlyList<MixPart> parts,
        bool forced,
        ICollection<Because> why
    )
    {
        var sums = MixSums.Of(parts, rules, plan.Line);
        string nothing = forced ? "" : $" {plan.Line.Name} has nothing in stock that does better; look at another line before this is mixed.";
        void Say(Breach which, string rule, string says)
        {
            if (breach.HasFlag(which))
            {
                why.Add(new Because(rule, says + nothing, Topic.Attention));
            }
        }

        Say(Breach.Lengths, "SV14", "This mix takes the lengths deeper by more than half a level, which nobody wished for them.");
        Say(
            Breach.Green,
            "SH22",
            $"This mix is forecast to come out with a green cast (a* {canvas.Greenest(looked):0.0}). {Sentences.Begin(Parts.Say(Values.RedAgainstAsh))} of red or copper in it keeps it brown."
        );
        Say(Breach.Opposites, "SH19", "Opposites lie in one bowl and take each other out: mud.");
        Say(
            Breach.Parts,
            "SH21",
            parts.Count > Values.MostParts
                ? $"{parts.Count} parts are more than anyone repeats; three are the most."
                : "There is no shade with depth in this mix."
        );
        Say(
            Breach.Concentrate,
            "SH20",
            $"A concentrate is seasoning, at most {(rules.Wish.Level.Value <= 4 ? Values.MostConcentrateDeep : Values.MostConcentrate) * 100:0} % and of one kind; this mix has {sums.Concentrate * 100:0.#} %."
        );
        Say(Breach.Neighbours, "SH17", $"Its shades are {sums.Lightest - sums.Deepest} levels apart; one is the most.");
        Say(
            Breach.Ash,
            "SH6",
            sums.Warm > 0
                ? $"There is ash on white hair and only {sums.Warm * 100:0.#} % red against it: a green or blue cast may show."
                : "There is ash on white hair and no red against it: a green or blue cast may show."
        );
        Say(
            Breach.Neutral,
            "SH5",
            $"{rules.Grey} white wants {rules.NeutralNeeded * 100:0} % neutral; this has {sums.Neutral * 100:0.#} %, so white hair may show."
        );
        Say(
            Breach.Tone,
            "SH18",
            rules.Wish.Tone.IsNeutral
                ? $"A neutral wish is at least half neutral and no more than a third of anything else; this mix has {sums.Neutral * 100:0.#} % neutral."
                : $"The wish is {rules.Wish.Tone}; only {sums.Family * 100:0.#} % of this mix is of that family."
        );
        Say(Breach.Level, "SH16", $"Its shades lie on average at level {sums.MeanLevel:0.#}; the wish is {rules.Wish.Level}.");
        if (rules.Grey.Value < Values.NoGrey)
        {
            Say(Breach.ExtraCover, "SH4", "Extra cover is made for white hair, and there is little here.");
        }

        if (!forced && !rules.Wish.Tone.IsNeutral && rules.AshForAsh && sums.Have == 2)
        {
            why.Add(
                new Because(
                    "SH18",
                    $"{plan.Line.Name} has no {rules.Wish.Tone} near level {rules.Wish.Level}: its other ash stands in for it. Another line may have it.",
                    Topic.Attention
                )
            );
        }
        else if (!forced && !rules.Wish.Tone.IsNeutral && sums.Have < 2)
        {
            why.Add(
                new Because(
                    "SH18",
                    $"{plan.Line.Name} has no {rules.Wish.Tone} near level {rules.Wish.Level}: {(sums.Have == 1 ? "a concentrate stands in for it" : "the mix is neutral")}. Another line may have it.",
                    Topic.Attention
                )
            );
        }
    }

    /// <summary>What is aimed at, and what the mix does on this head by the rules of the trade.</summary>
    internal static void Say(
        FormulaPlan plan,
        Reading reading,
        MixRules rules,
        ApplicationTarget canvas,
        IReadOnlyList<MixPart> parts,
        MixForecast looked,
        bool searched,
        bool clear,
        ICollection<Because> why
    )
    {
        Topic about = plan.About;
        if (clear)
        {
            why.Add(new Because("SH24", $"Clear, alone: it changes nothing but the shine, which lasts six to eight weeks.", about));
            return;
        }

        var lengths = reading.Hair.Lengths;
        var sums = MixSums.Of(parts, rules, plan.Line);
        if (searched)
        {
            why.Add(
                plan.OnRoots
                    ? new Because(
                        "SH1",
                        lengths.Tone.SameAs(plan.Wish.Tone) && Math.Abs(lengths.Level.LighterThan(plan.Wish.Level)) < Values.HalfLevel
                            ? $"The roots are matched to the lengths, {lengths.Level} {lengths.Tone}, so that no line shows."
                            : $"The mix goes for level {plan.Wish.Level} {plan.Wish.Tone}, as wished.",
                        about
                    )
                    : new Because(
                        "SH8",
                        $"The {(plan.Use == FormulaPlan.Band ? "band" : "hair")} is toned at level {plan.Wish.Level}, {plan.Wish.Tone}; no gloss makes hair lighter.",
                        about
                    )
            );
            why.Add(
                new Because(
                    "SH21",
                    $"{Says(parts)} is the simplest mix of {plan.Line.Name} that does: {looked.DeltaE:0.0} from the wish ({Far(looked.DeltaE)}). {(parts.Count == 1 ? "A second shade" : "One part more")} would have to bring it nearer by more than {Values.PartEarnsDeltaE}.",
                    about
                )
            );
        }

        Lift(plan, reading, canvas, about, why);
        if (searched && rules.NeutralNeeded > 0)
        {
            why.Add(
                new Because(
                    "SH5",
                    $"{rules.Grey} white in the greyest zone wants {rules.NeutralNeeded * 100:0} % neutral{(rules.NeutralNeeded > .5 ? ", or half of an extra-cover shade" : "")}; this mix has {sums.Neutral * 100:0.#} %{(sums.Extra > 0 ? ", extra cover among it" : "")}.",
                    about,
                    [new("neutral it wants", Math.Round(rules.NeutralNeeded * 100, 1), "%"), new("neutral it has", Math.Round(sums.Neutral * 100, 1), "%")]
                )
            );
        }

        if (searched && rules.Grey.Value >= Values.NoGrey && sums.Deepest > 0 && plan.Wish.Level.Value - sums.Deepest >= Values.HalfLevel)
        {
            why.Add(
                new Because(
                    "SH13",
                    $"A little of level {sums.Deepest} in the mix knocks the white back; it stays off the lengths, where it would be too dark.",
                    about
                )
            );
        }

        if (searched && rules.AshShows && sums.Cool > 0)
        {
            why.Add(new Because("SH6", $"Ash shows its base on white hair; {sums.Warm * 100:0.#} % red or copper keeps it brown.", about));
        }

        Counter(plan, parts, about, why);
        why.Add(
            new Because(
                "SA12",
                $"Forecast: {looked.DeltaE:0.0} from the wish ({Far(looked.DeltaE)}){(looked.GreyContrast > 0 ? $"; white and pigmented hair {looked.GreyContrast:0.0} apart" : "")}. It is a forecast for planning: the strand test decides.",
                about,
                [
                    new("from the wish", Math.Round(looked.DeltaE, 2), "dE00"),
                    new("white from pigmented", Math.Round(looked.GreyContrast, 2), "dE00"),
                    new("parts", parts.Count, ""),
                ]
            )
        );
        foreach (var (at, spot) in canvas.Tail.Take(1))
        {
            double off = Difference2000.Between(looked.Seen[at].Blend, canvas.Target);
            why.Add(
                new Because(
                    "SV5",
                    $"Feathered past the line it comes out {off:0.0} from the wish on the {StrandWords.Of(spot.Stretch)} ({Far(off)}): the mix is judged by the regrowth and by that tail, each by how much is painted there.",
                    about,
                    [
                        new("the tail from the wish", Math.Round(off, 2), "dE00"),
                        new("the tail counts", Math.Round(canvas.Tail.Sum(t => t.Spot.Weight) * 100, 1), "%"),
                    ]
                )
            );
        }
    }

    /// <summary>What the developer lifts and lays bare, and what it cannot reach (SH2).</summary>
    private static void Lift(FormulaPlan plan, Reading reading, ApplicationTarget canvas, Topic about, ICollection<Because> why)
    {
        var natural = canvas.Own.Where(s => s.Spot.Pigmented is { Lightened: false, Melanin: > 0 } && s.Spot.Regrowth).ToList();
        double weight = natural.Sum(s => s.Weight);
        if (weight == 0 || !plan.OnRoots || plan.Use == FormulaPlan.Second)
        {
            return;
        }

        double lifts = natural.Sum(s => s.Weight * s.Spot.Lifts) / weight;
        if (natural.Max(s => s.Spot.Lifts) >= .3)
        {
            double bare = natural.Sum(s => s.Weight * (s.Spot.Bare.Pigmented ?? s.Spot.Pigmented.Lab).L) / weight;
            why.Add(
                new Because(
                    "SH2",
                    $"{plan.Developer} lifts her own pigment by about {lifts:0.0} level{(lifts >= 1.05 ? "s" : "")} and lays {Undertone.Of(bare)} bare.",
                    about
                )
            );
        }

        double own = reading.Hair.NaturalLevel.Value;
        if (plan.Wish.Level.Value - own - lifts >= Values.HalfLevel && natural.Any(s => s.Spot.Grey.Value < 1))
        {
            why.Add(
                new Because(
                    "SH2",
                    $"No colour makes hair lighter than it is lifted to: {(lifts < .05 ? $"nothing lifts her own level {own}" : $"her own level {own} is lifted by {lifts:0.0}")}, so it stays near {own + lifts:0.#}, not {plan.Wish.Level}.",
                    Topic.Attention,
                    [new("her own level", own, ""), new("levels lifted", Math.Round(lifts, 2), ""), new("level wished", plan.Wish.Level.Value, "")]
                )
            );
        }

        if (plan.Line.Kind == LineKind.HighLift)
        {
            why.Add(new Because("SV6", "So pale a shade hardly tones dark roots: plan a gloss afterwards if warmth shows.", about));
        }
    }

    /// <summary>A tone that the wish does not hold is there against something (SH3); shades of two levels give the one between (SH7).</summary>
    private static void Counter(FormulaPlan plan, IReadOnlyList<MixPart> parts, Topic about, ICollection<Because> why)
    {
        foreach (var part in parts)
        {
            var shade = ShadeOf.Parse(part.Shade)!;
            if (shade.Family is { } family && !plan.Wish.Tone.Families.Contains(family) && Counters(family) is { } against)
            {
                why.Add(new Because("SH3", $"{Percent(part.Share)} {part.Shade}: {Words(family)} takes down {against}.", about));
            }
        }

        int[] levels = [.. parts.Select(p => ShadeOf.Parse(p.Shade)!.Level).Where(l => l > 0).Distinct().Order()];
        if (levels is [var low, var high] && high - low == 1)
        {
            why.Add(new Because("SH7", $"Shades of neighbouring levels give the level between: {Outcome.Adjust.MeanLevel(parts):0.0}.", about));
        }
    }

    /// <summary>What speaks for another mix and against it, beside the chosen one; the difference to the wish stands beside it as a number.</summary>
    internal static string Why(Found other, IReadOnlyList<MixPart> chosen, double chosenDeltaE)
    {
        var said = new List<string>();
        int parts = other.Parts.Count - chosen.Count;
        if (parts != 0)
        {
            said.Add($"{Count(Math.Abs(parts))} {(parts < 0 ? "fewer" : "more")}");
        }

        double nearer = chosenDeltaE - other.DeltaE;
        said.Add(Math.Abs(nearer) < .05 ? "as near to the wish" : $"{Math.Abs(nearer):0.0} {(nearer > 0 ? "nearer to" : "further from")} the wish");
        return string.Join(", ", said);
    }

    /// <summary>A mix in one line.</summary>
    public static string Says(IReadOnlyList<MixPart> parts) =>
        string.Join(" + ", parts.Select(p => parts.Count == 1 ? p.Shade : $"{Percent(p.Share)} {p.Shade}"));

    private static string Percent(Share share) => string.Create(CultureInfo.InvariantCulture, $"{share.Value * 100:0.#} %");

    private static string Count(int parts) =>
        parts switch
        {
            1 => "one part",
            2 => "two parts",
            _ => $"{parts} parts",
        };

    /// <summary>How a difference is seen.</summary>
    public static string Far(double deltaE) =>
        deltaE switch
        {
            < 1 => "hardly to be seen",
            < 2 => "seen only side by side",
            < 4 => "a shade off",
            _ => "plainly another colour",
        };

    private static string? Counters(Family family) =>
        family switch
        {
            Family.AG => "the red",
            Family.AB => "the orange",
            Family.V => "the yellow",
            Family.R => "the green that ash brings",
            Family.C => "the cold that ash brings",
            _ => null,
        };

    /// <summary>A family in words (SH4).</summary>
    public static string Words(Family family) =>
        family switch
        {
            Family.N => "neutral",
            Family.NN => "extra-cover neutral",
            Family.AG => "ash on green",
            Family.AB => "ash on blue",
            Family.V => "violet",
            Family.G => "gold",
            Family.C => "copper",
            Family.R => "red",
            Family.B => "beige",
            _ => throw new ArgumentOutOfRangeException(nameof(family)),
        };
}
