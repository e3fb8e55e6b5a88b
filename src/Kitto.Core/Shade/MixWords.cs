using System.Globalization;
using Kitto.Core.Colour;
using Kitto.Core.Head;

namespace Kitto.Core.Shade;

/// <summary>Why a mix is what it is, in sentences.</summary>
public static class MixWords
{
    /// <summary>What is aimed at (SH1, SH8).</summary>
    internal static Because Aim(Wanted wanted, Reading reading)
    {
        var lengths = reading.Hair.Lengths;
        return wanted.OnLengths
            ? new Because("SH8", $"The lengths are toned at level {wanted.Level}, {wanted.Tone}; no gloss makes hair lighter.", wanted.About)
            : new Because("SH1", lengths.Tone.SameAs(wanted.Tone) && Math.Abs(lengths.Level.LighterThan(wanted.Level)) < Core.Aim.HalfLevel
                ? $"The roots are matched to the lengths, {lengths.Level} {lengths.Tone}, so that no line shows."
                : $"The mix goes for level {wanted.Level} {wanted.Tone}, as wished.", wanted.About);
    }

    /// <summary>What the mix does on this head, by the rules of the trade.</summary>
    /// <param name="wanted">What was wanted.</param>
    /// <param name="natural">Her own level.</param>
    /// <param name="rules">The rules of the search.</param>
    /// <param name="canvas">What it meets.</param>
    /// <param name="parts">The mix.</param>
    /// <param name="looked">Its forecast.</param>
    /// <param name="searched">Whether the search found it; a known formula is not searched for.</param>
    /// <param name="why">Reasons are added.</param>
    internal static void Say(Wanted wanted, Level natural, MixRules rules, Canvas canvas, IReadOnlyList<MixPart> parts, Looked looked, bool searched, ICollection<Because> why)
    {
        string about = wanted.About;
        var sums = MixSums.Of(parts);
        var lifted = canvas.Spots.MaxBy(s => s.Lifts)!;
        double lifts = canvas.Own.Sum(s => s.Weight * s.Spot.Lifts);
        if (lifted.Lifts >= .3)
        {
            double bare = canvas.Own.Sum(s => s.Weight * (s.Spot.Bare.Pigmented ?? s.Spot.Pigmented.Lab).L);
            why.Add(new Because("SH2", $"{wanted.Developer} lifts her own pigment by about {lifts:0.0} level{(lifts >= 1.05 ? "s" : "")} and lays {Undertone.Of(bare)} bare.", about));
        }

        if (!wanted.OnLengths && wanted.Level.Value - natural.Value - lifts >= Core.Aim.HalfLevel && canvas.Own.Any(s => s.Spot.Grey.Value < 1))
        {
            why.Add(new Because("SH2", $"No colour makes hair lighter than it is lifted to: {(lifts < .05 ? $"nothing lifts her own level {natural}" : $"her own level {natural} is lifted by {lifts:0.0}")}, so it stays near {natural.Value + lifts:0.#}, not {wanted.Level}.", about,
                [new("her own level", natural.Value, ""), new("levels lifted", Math.Round(lifts, 2), ""), new("level wished", wanted.Level.Value, "")]));
        }

        if (wanted.Line.Kind == LineKind.HighLift)
        {
            why.Add(new Because("SV6", "So pale a shade hardly tones dark roots: plan a gloss afterwards if warmth shows.", about));
        }

        if (searched)
        {
            why.Add(new Because("SH7", $"{Says(parts)} comes nearest to the wish of all mixes of {wanted.Line.Name} in quarters, thirds and tenths that keep the rules. {(parts.Count > 1 ? $"Each part beyond the first had to earn {Score.PartCost} of colour difference." : "No second shade earns its place.")}", about));
            if (rules.NeutralNeeded > 0)
            {
                why.Add(new Because("SH5", $"{rules.Grey} white in the greyest zone wants {rules.NeutralNeeded * 100:0} % neutral{(rules.NeutralNeeded > .5 ? ", or half of an extra-cover shade" : "")}; this mix has {sums.Neutral * 100:0} %{(sums.Extra > 0 ? ", extra cover among it" : "")}.", about,
                    [new("neutral it wants", Math.Round(rules.NeutralNeeded * 100, 1), "%"), new("neutral it has", Math.Round(sums.Neutral * 100, 1), "%")]));
            }

            if (rules.AshShows && sums.Cool > 0)
            {
                why.Add(new Because("SH6", $"Ash shows its base on white hair; {sums.Warm * 100:0} % red or copper keeps it brown.", about));
            }

            Counter(wanted, parts, lifted.Lifts, about, why);
        }

        why.Add(new Because("SA12", $"Forecast: {looked.DeltaE:0.0} from the wish ({Far(looked.DeltaE)}){(looked.GreyContrast > 0 ? $"; white and pigmented hair {looked.GreyContrast:0.0} apart" : "")}. It is a forecast for planning: the strand test decides.", about,
            [
                new("from the wish", Math.Round(looked.DeltaE, 2), "dE00"), new("white from pigmented", Math.Round(looked.GreyContrast, 2), "dE00"), new("parts", parts.Count, ""),
                new("cost of all that", Math.Round(looked.DeltaE + Canvas.Contrast * looked.GreyContrast + Score.Cost(parts.Count, false), 2), ""),
            ]));
        SayCast(canvas, looked, about, why);
        if (canvas.Tail is not null)
        {
            double off = Difference2000.Between(looked.Seen[^1].Blend, canvas.Target);
            why.Add(new Because("SV5", $"Feathered past the line it comes out {off:0.0} from the wish on the lengths ({Far(off)}): the mix is chosen for the regrowth and for that tail, each by how much is painted there.", about,
                [new("the tail from the wish", Math.Round(off, 2), "dE00"), new("the tail counts", Math.Round(canvas.Tail.Weight * 100, 1), "%")]));
        }

        if (!wanted.OnLengths || canvas.Spots.Count < 2)
        {
            return;
        }

        why.Add(new Because("RD11", $"The faded band was read on its own and is forecast on its own: {looked.Seen[1].Blend.L - looked.Seen[0].Blend.L:+0.0;-0.0} L* beside the lengths.", about));
    }

    /// <summary>The dye that is there against what the lift lays bare, or against the wish's own warmth (SH3).</summary>
    private static void Counter(Wanted wanted, IReadOnlyList<MixPart> parts, double lifts, string about, ICollection<Because> why)
    {
        foreach (var part in parts)
        {
            var shade = ShadeOf.Parse(part.Shade)!;
            if (shade.Family is { } family && !wanted.Tone.Families.Contains(family) && Counters(family) is { } against)
            {
                why.Add(new Because("SH3", $"{Percent(part.Share)} {part.Shade}: {Words(family)} takes down {against}{(lifts >= .3 && family is (Family.AG or Family.AB or Family.V) ? " that the lift lays bare" : "")}{(shade.Level > 0 && Math.Abs(shade.Level - wanted.Level.Value) > .5 ? $", at level {shade.Level}" : "")}.", about));
            }
        }

        if (parts.Select(p => ShadeOf.Parse(p.Shade)!.Level).Where(l => l > 0).Distinct().Count() > 1)
        {
            why.Add(new Because("SH7", $"Shades of neighbouring levels give the level between: on average {Outcome.Adjust.MeanLevel(parts):0.0}.", about));
        }
    }

    /// <summary>The greenest a* that is forecast: of every blend, and of white hair where it is a tenth or more; null where nothing comes out green (SH6).</summary>
    public static double? Green(Canvas canvas, Looked looked) => Math.Round(Math.Min(OfBlends(looked), OfWhite(canvas, looked)), 2) is < 0 and var green ? green : null;

    private static double OfBlends(Looked looked) => looked.Seen.Min(s => s.Blend.A);

    private static double OfWhite(Canvas canvas, Looked looked) =>
        canvas.Spots.Zip(looked.Seen).Where(x => x.First.Grey.Value >= .1).Min(x => x.Second.White?.A) ?? double.MaxValue;

    private static void SayCast(Canvas canvas, Looked looked, string about, ICollection<Because> why)
    {
        if (Green(canvas, looked) is { } green)
        {
            why.Add(new Because("SH6", $"This mix is forecast to come out with a green cast{(OfWhite(canvas, looked) < 0 ? " on white hair" : "")} (a* {green:0.0}). A tenth of red or copper in it keeps it brown.", about));
        }
    }

    /// <summary>What speaks for another mix and against it, beside the chosen one; the difference to the wish stands beside it as a number.</summary>
    public static string Why(Found other, IReadOnlyList<MixPart> chosen, Looked looked)
    {
        var said = new List<string>();
        double evener = looked.GreyContrast - other.GreyContrast;
        if (Math.Abs(evener) >= .1)
        {
            said.Add($"white blends {Math.Abs(evener):0.0} {(evener > 0 ? "better" : "worse")}");
        }

        int parts = other.Parts.Count - chosen.Count;
        if (parts != 0)
        {
            said.Add($"{Count(Math.Abs(parts))} {(parts < 0 ? "fewer" : "more")}");
        }

        return said.Count == 0 ? "as even, as many parts" : string.Join(", ", said);
    }

    /// <summary>A mix in one line.</summary>
    public static string Says(IReadOnlyList<MixPart> parts) => string.Join(" + ", parts.Select(p => parts.Count == 1 ? p.Shade : $"{Percent(p.Share)} {p.Shade}"));

    private static string Percent(Share share) => string.Create(CultureInfo.InvariantCulture, $"{share.Value * 100:0.#} %");

    private static string Count(int parts) => parts switch { 1 => "one part", 2 => "two parts", _ => $"{parts} parts" };

    /// <summary>How a difference is seen.</summary>
    public static string Far(double deltaE) => deltaE switch
    {
        < 1 => "hardly to be seen",
        < 2 => "seen only side by side",
        < 4 => "a shade off",
        _ => "plainly another colour",
    };

    private static string? Counters(Family family) => family switch
    {
        Family.AG => "the red",
        Family.AB => "the orange",
        Family.V => "the yellow",
        Family.R => "the green that ash brings",
        Family.C => "the cold that ash brings",
        _ => null,
    };

    /// <summary>A family in words (SH4).</summary>
    public static string Words(Family family) => family switch
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
