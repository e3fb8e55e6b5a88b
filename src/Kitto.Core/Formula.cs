using System.Text.Json.Serialization;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>What a formula is for.</summary>
public enum FormulaUse
{
    /// <summary>The regrowth.</summary>
    Roots,

    /// <summary>The lengths; in a gloss, what is off.</summary>
    Lengths,

    /// <summary>A root shadow.</summary>
    Shadow,

    /// <summary>A faded or brassy band.</summary>
    Band,

    /// <summary>The second step on the roots, after the rinse (SV19).</summary>
    Second,
}

/// <summary>Which formula a service begins with.</summary>
public static class FormulaUses
{
    /// <summary>The first formula of a service.</summary>
    public static FormulaUse First(Service service) =>
        service switch
        {
            Service.Gloss => FormulaUse.Lengths,
            Service.RootShadow => FormulaUse.Shadow,
            _ => FormulaUse.Roots,
        };
}

/// <summary>Grams of one shade, and with what its sachet keeps.</summary>
/// <param name="Shade">Code.</param>
/// <param name="Grams">Grams that go on the head.</param>
/// <param name="FillGrams">Grams weighed into the sachet (DO11).</param>
/// <param name="Share">Its share of the colour, in a formula; null in a pair, whose shares are the formula's.</param>
public sealed record PartGrams(
    string Shade,
    Grams Grams,
    Grams FillGrams,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Share? Share = null
);

/// <summary>Grams of one strength.</summary>
/// <param name="Volume">Strength.</param>
/// <param name="Grams">Grams.</param>
public sealed record StrengthGrams(Volume Volume, Grams Grams);

/// <summary>Colour and developer, sealed apart, that are mixed together.</summary>
/// <param name="Name">main and reserve, or A and B where there are two batches.</param>
/// <param name="ColourGrams">Colour.</param>
/// <param name="DeveloperGrams">Developer.</param>
/// <param name="Parts">The colour's parts.</param>
/// <param name="Strengths">The developer's strengths.</param>
/// <param name="ColourFillGrams">Colour weighed into the sachet (DO11).</param>
/// <param name="DeveloperFillGrams">Developer weighed into the bottle (DO11).</param>
public sealed record Pair(
    string Name,
    Grams ColourGrams,
    Grams DeveloperGrams,
    IReadOnlyList<PartGrams> Parts,
    IReadOnlyList<StrengthGrams> Strengths,
    Grams ColourFillGrams,
    Grams DeveloperFillGrams
)
{
    /// <summary>The name of the pair that is mixed first (DO10).</summary>
    public const string Main = "main";

    /// <summary>The name of the sealed pair (DO10).</summary>
    public const string Reserve = "reserve";

    /// <summary>Whether it stays sealed until the main pair runs short.</summary>
    [JsonIgnore]
    public bool IsReserve => Name == Reserve;
}

/// <summary>The developer of a formula.</summary>
/// <param name="Volume">Strength.</param>
/// <param name="Percent">The same in percent of hydrogen peroxide.</param>
/// <param name="Grams">Grams, all pairs.</param>
/// <param name="Blend">The stocked strengths it is blended from.</param>
public sealed record DeveloperPart(Volume Volume, double Percent, Grams Grams, IReadOnlyList<StrengthGrams> Blend);

/// <summary>One formula, weighed out.</summary>
/// <param name="Use">roots, shadow, lengths, band (a gloss of its own) or second (the second step on the roots, SV19).</param>
/// <param name="Line">Id of the line.</param>
/// <param name="Parts">Its shades.</param>
/// <param name="Developer">Its developer.</param>
/// <param name="Ratio">Colour to developer.</param>
/// <param name="MixGrams">Sum of parts and developer.</param>
/// <param name="Pairs">The sealed pairs it is sent in.</param>
public sealed record Formula(
    FormulaUse Use,
    string Line,
    IReadOnlyList<PartGrams> Parts,
    DeveloperPart Developer,
    string Ratio,
    Grams MixGrams,
    IReadOnlyList<Pair> Pairs
)
{
    /// <summary>The colour weighed as one blend for all sachets, the tests' too; null where there is one shade, or it is mixed in the chair.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity.Stock? Stock { get; init; }

    /// <summary>Its shades and shares; a formula signed before shares were written has them in its grams.</summary>
    public IReadOnlyList<MixPart> Mix()
    {
        double colour = Parts.Sum(p => p.Grams.Value);
        return [.. Parts.Select(p => new MixPart(p.Shade, p.Share ?? Share.Of(p.Grams.Value / colour)))];
    }
}
