namespace Kitto.Core.Packing;

/// <summary>Grams of a shade or a strength as they were poured.</summary>
/// <param name="Item">A shade's code or a strength.</param>
/// <param name="Grams">Grams that go on the head.</param>
public sealed record PouredPart(string Item, double Grams);

/// <summary>One pair as it was poured.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour, by shade.</param>
/// <param name="Developer">Its developer, by strength.</param>
public sealed record PouredPair(string Name, IReadOnlyList<PouredPart> Colour, IReadOnlyList<PouredPart> Developer)
{
    /// <summary>Grams of colour.</summary>
    public double ColourGrams => Colour.Sum(p => p.Grams);

    /// <summary>Grams of developer.</summary>
    public double DeveloperGrams => Developer.Sum(p => p.Grams);
}

/// <summary>One formula as it was poured.</summary>
/// <param name="At">Its number in the prescription.</param>
/// <param name="Pairs">Its pairs.</param>
public sealed record PouredFormula(int At, IReadOnlyList<PouredPair> Pairs)
{
    /// <summary>Grams of mix.</summary>
    public double MixGrams => Pairs.Sum(p => p.ColourGrams + p.DeveloperGrams);

    /// <summary>Shares of its shades, all pairs.</summary>
    public IReadOnlyList<Shade.MixPart> Mix() => Shares(Pairs.SelectMany(p => p.Colour));

    /// <summary>The strength of its developer, all pairs: the weighed mean (DV8).</summary>
    public double Volume =>
        Pairs.SelectMany(p => p.Developer).ToList() is var all && all.Sum(p => p.Grams) is > 0 and var sum
            ? all.Sum(p => p.Grams * double.Parse(p.Item.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture)) / sum
            : 0;

    private static List<Shade.MixPart> Shares(IEnumerable<PouredPart> parts)
    {
        var by = parts.GroupBy(p => p.Item).Select(g => (g.Key, Grams: g.Sum(p => p.Grams))).Where(g => g.Grams > 0).ToList();
        double sum = by.Sum(g => g.Grams);
        return [.. by.Select(g => new Shade.MixPart(g.Key, Share.Of(g.Grams / sum)))];
    }
}

/// <summary>A kit as it was really weighed: what report, learning and record go by from then on. What was excused counts as prescribed.</summary>
/// <param name="Formulas">Its formulas.</param>
public sealed record WeighedKit(IReadOnlyList<PouredFormula> Formulas)
{
    /// <summary>Grams of mix in the box.</summary>
    public Grams Sent => Grams.Of(Math.Round(Formulas.Sum(f => f.MixGrams), 2));

    /// <summary>What a stand at the bench comes to.</summary>
    /// <param name="p">The prescription.</param>
    /// <param name="stand">As it stands; what is not poured yet counts as it will be.</param>
    public static WeighedKit Of(Prescription p, PackingStand stand) =>
        new([.. p.Formulas.Select((f, at) => new PouredFormula(at, [.. f.Pairs.Select(pair => Of(stand, at, pair))]))]);

    private static PouredPair Of(PackingStand stand, int at, Pair pair)
    {
        IReadOnlyList<PouredPart> In(VesselKind kind) =>
            stand.Vessels.FirstOrDefault(v => v.Vessel.Formula == at && v.Vessel.Kind == kind && v.Vessel.Pair == pair.Name) is not { } vessel
                ? []
                : [.. vessel.Parts.SelectMany(p => Split(stand, p, Counts(vessel, p)))];
        return new PouredPair(pair.Name, In(VesselKind.Colour), In(VesselKind.Developer));
    }

    /// <summary>Grams of a part on the head: as poured; what is still to be poured counts as it will be, what is not weighed as prescribed.</summary>
    private static double Counts(VesselStand vessel, PartStand p) =>
        vessel.Excused is not null ? p.Part.OnHead.Value
        : p.Done ? p.OnHead
        : Math.Max(p.OnHead, p.Target - p.Part.Kept.Value);

    /// <summary>What is taken of a blend holds its parts as they were poured into it.</summary>
    private static IEnumerable<PouredPart> Split(PackingStand stand, PartStand part, double grams)
    {
        if (part.Part.From is null || stand.Find(part.Part.From) is not { } blend)
        {
            return [new PouredPart(part.Part.Item, grams)];
        }

        double Of(PartStand p) => Counts(blend, p);
        double sum = blend.Parts.Sum(Of);
        return blend.Parts.Where(p => Of(p) > 0).Select(p => new PouredPart(p.Part.Item, grams * Of(p) / sum));
    }
}
