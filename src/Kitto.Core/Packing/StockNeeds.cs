using Kitto.Core.Shade;

namespace Kitto.Core.Packing;

/// <summary>Grams of something that tubes and bottles hold.</summary>
/// <param name="Line">Id of the line.</param>
/// <param name="Item">A shade's code or a strength.</param>
/// <param name="Grams">Grams.</param>
public sealed record Need(string Line, string Item, decimal Grams);

/// <summary>What kits take out of tubes and bottles.</summary>
public static class StockNeeds
{
    /// <summary>What a kit takes as prescribed, overfill and tests included.</summary>
    public static IReadOnlyList<Need> Takes(PackingPlan plan) =>
        Sum(plan.Vessels.SelectMany(v => v.Parts.Where(p => p.From is null).Select(p => (v.Line, p.Item, p.Target(1)))));

    /// <summary>What a kit still takes as it stands at the bench; what was excused is taken without the bench.</summary>
    public static IReadOnlyList<Need> StillTakes(PackingStand stand) =>
        Sum(
            stand
                .Vessels.Where(v => v.Excused is null)
                .SelectMany(v => v.Parts.Where(p => p.Part.From is null).Select(p => (v.Vessel.Line, p.Part.Item, p.Rest)))
        );

    /// <summary>What is wanted of items that the shelf has less of; nothing where it has enough, or where nobody counts that line's stock.</summary>
    /// <param name="takes">What the kit takes.</param>
    /// <param name="free">Grams at hand that no other kit waits for, by line and item; a line of which nothing is counted is left out.</param>
    /// <param name="shelf">The lines.</param>
    public static IReadOnlyList<Because> Ends(IReadOnlyList<Need> takes, IReadOnlyDictionary<(string Line, string Item), decimal> free, Shelf shelf)
    {
        var counted = free.Keys.Select(k => k.Line).ToHashSet();
        return Wording.Language.English.Because(
            takes
                .Where(t => counted.Contains(t.Line) && free.GetValueOrDefault((t.Line, t.Item)) < t.Grams)
                .Select(t => new Reasons.EndsOnShelf(
                    t.Item,
                    shelf.Find(t.Line)?.Name ?? t.Line,
                    Grams.Of((double)t.Grams),
                    Grams.Of((double)Math.Max(0, free.GetValueOrDefault((t.Line, t.Item))))
                ))
        );
    }

    private static List<Need> Sum(IEnumerable<(string Line, string Item, double Grams)> all) =>
        [
            .. all.GroupBy(x => (x.Line, x.Item))
                .Select(g => new Need(g.Key.Line, g.Key.Item, (decimal)Math.Round(g.Sum(x => x.Grams), 2)))
                .Where(n => n.Grams > 0),
        ];
}

/// <summary>What became of what came out of one tube.</summary>
/// <param name="Poured">Grams that went into this kit's vessels.</param>
/// <param name="Lost">Grams of them that were lost.</param>
public readonly record struct TubeUse(decimal Poured, decimal Lost);
