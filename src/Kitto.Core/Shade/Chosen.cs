using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Outcome;

namespace Kitto.Core.Shade;

/// <summary>A formula with its shades, what it meets, and the other mixes worth considering.</summary>
/// <param name="Wanted">What was wanted.</param>
/// <param name="Parts">Its shades.</param>
/// <param name="Canvas">What it meets on the head; null for lightener, which no forecast is made of.</param>
/// <param name="Mix">Its dye; null for lightener.</param>
/// <param name="Looked">What it makes of that.</param>
/// <param name="Others">Other mixes, best first.</param>
internal sealed record Chosen(Wanted Wanted, IReadOnlyList<MixPart> Parts, Canvas? Canvas, Mixture? Mix, Looked? Looked, IReadOnlyList<Found> Others)
{
    /// <summary>Decides the shades: a given formula is taken as it is; known history beats any calculation (SH1); else the search decides. Other ideas are looked for as many as are shown.</summary>
    public static Chosen Of(Wanted wanted, Reading reading, Canvas? canvas, IReadOnlyList<IReadOnlyList<MixPart>> near, int ideas, ICollection<Because> why)
    {
        if (canvas is null)
        {
            why.Add(new Because("SA8", "Lightener is watched, not timed, and no forecast is made of it: the hair is looked at every few minutes in the chair.", wanted.About));
            return new Chosen(wanted, wanted.Given?.Parts ?? [new MixPart("LT", Share.Of(1))], null, null, null, []);
        }

        if (wanted.Given is null && reading.Last?.Formula is { } before && before.Use == wanted.Use && before.Parts.FirstOrDefault(p => wanted.Line.Out.Contains(p.Shade)) is { } gone)
        {
            why.Add(new Because("SH1", $"Last time's {gone.Shade} is out of stock, so a mix is searched for among what is there.", wanted.About));
        }

        var again = wanted.Given is null ? Adjust.Next(reading.Last, wanted.Use, wanted.Line, wanted.Level, wanted.Tone, why) : null;
        var known = wanted.Given?.Parts ?? again;
        bool right = reading.Last is { Result.AllRight: true, Formula: { } last } && last.Use == wanted.Use;
        var rules = new MixRules(wanted.OnLengths ? Share.Of(0) : reading.DecisiveGrey, wanted.Level, wanted.OnLengths || wanted.Line.Kind == LineKind.HighLift ? null : wanted.Tone);
        var found = MixSearch.Best(canvas, rules, right ? reading.Last!.Formula!.Parts : null, ideas, near);
        var parts = known ?? (found.Mixes.Count > 0 ? found.Mixes[0].Parts : Nearest(wanted, rules, why));
        var mix = new Mixture(wanted.Line, wanted.Developer, parts);
        var looked = canvas.Look(mix);
        if (known is null)
        {
            why.Add(MixWords.Aim(wanted, reading));
        }

        MixWords.Say(wanted, reading.Hair.NaturalLevel, rules, canvas, parts, looked, known is null, why);
        var others = found.Mixes.Append(found.Simplest).OfType<Found>().Where(f => !Same(f.Parts, parts)).DistinctBy(f => MixWords.Says(f.Parts)).ToList();
        return new Chosen(wanted, parts, canvas, mix, looked, others);
    }

    /// <summary>Shares nearer than this weigh the same.</summary>
    internal const double Weighed = .005;

    /// <summary>Whether two mixes are the same to what can be weighed.</summary>
    public static bool Same(IReadOnlyList<MixPart> one, IReadOnlyList<MixPart> two) =>
        one.Count == two.Count && one.All(p => two.Any(q => q.Shade == p.Shade && Math.Abs(q.Share.Value - p.Share.Value) < Weighed));

    /// <summary>Where a line has nothing that keeps the rules: its shade nearest to the wish, and that is said.</summary>
    private static IReadOnlyList<MixPart> Nearest(Wanted wanted, MixRules rules, ICollection<Because> why)
    {
        var stock = wanted.Line.InStock.Count > 0 ? wanted.Line.InStock : wanted.Line.Shades;
        var nearest = stock.OrderBy(s => s.Level == 0).ThenBy(s => Math.Abs(s.Level - wanted.Level.Value)).ThenBy(s => s.Family is not (Family.N or Family.NN)).ThenBy(s => s.Code, StringComparer.Ordinal).First();
        why.Add(new Because("SH5", $"No mix of what {wanted.Line.Name} has in stock keeps the rules for this head ({rules.NeutralNeeded * 100:0} % neutral); {nearest.Code} is the nearest single shade. Look at another line before this is mixed.", wanted.About));
        return [new MixPart(nearest.Code, Share.Of(1))];
    }
}
