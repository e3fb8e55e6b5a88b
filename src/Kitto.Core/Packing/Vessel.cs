namespace Kitto.Core.Packing;

/// <summary>What is filled at the bench.</summary>
public enum VesselKind
{
    /// <summary>Shades weighed once for all sachets of a formula, stirred and divided (BE4).</summary>
    ColourBlend,

    /// <summary>A sachet of colour, or whole unopened tubes (BE10).</summary>
    Colour,

    /// <summary>The sachet of the skin test: colour alone.</summary>
    SkinTest,

    /// <summary>The sachet of the strand test's colour.</summary>
    StrandColour,

    /// <summary>Two strengths weighed once for all bottles of a formula (DV8).</summary>
    DeveloperBlend,

    /// <summary>A bottle of developer.</summary>
    Developer,

    /// <summary>The bottle of the strand test's developer.</summary>
    StrandDeveloper,

    /// <summary>Undiluted developer for stubborn white (BE11).</summary>
    Vial,
}

/// <summary>One thing that goes into a vessel.</summary>
/// <param name="Item">A shade's code, or a strength such as "20 vol"; <see cref="FromBlend"/> for what is taken of a blend.</param>
/// <param name="OnHead">What goes on the head of it.</param>
/// <param name="Kept">What the vessel keeps of it, filled over (DO11).</param>
/// <param name="From">The blend it is taken of; null where it comes from tube or bottle.</param>
/// <param name="Unopened">Whether it goes in whole tubes, unopened and unweighed (BE10).</param>
public sealed record VesselPart(string Item, Grams OnHead, Grams Kept, string? From = null, bool Unopened = false)
{
    /// <summary>What a part that is taken of a blend is called.</summary>
    public const string FromBlend = "blend";

    /// <summary>Grams to fill for a factor on what goes on the head: what the vessel keeps stays the same.</summary>
    /// <param name="factor">1: as prescribed.</param>
    public double Target(double factor) => OnHead.Value * factor + Kept.Value;

    /// <summary>The factor at which so many grams are right.</summary>
    public double FactorOf(double grams) => (grams - Kept.Value) / OnHead.Value;
}

/// <summary>One sachet, bottle or bowl with its parts in the order they are weighed: the smallest first (BE1).</summary>
/// <param name="Key">Its name in the record, such as "0:main:colour".</param>
/// <param name="Kind">What it is.</param>
/// <param name="Formula">Number of its formula in the prescription.</param>
/// <param name="Line">Id of the line.</param>
/// <param name="Group">What keeps its proportions with it: a pair's sachet and bottle are of one group.</param>
/// <param name="Pair">The pair it belongs to; empty where to none.</param>
/// <param name="Use">What its formula is for.</param>
/// <param name="Parts">Its parts.</param>
public sealed record Vessel(string Key, VesselKind Kind, int Formula, string Line, string Group, string Pair, FormulaUse Use, IReadOnlyList<VesselPart> Parts)
{
    /// <summary>Whether it goes into the box, with a label; a blend's bowl stays at the bench.</summary>
    public bool Sent => !IsBlend;

    /// <summary>Whether other vessels are filled of it.</summary>
    public bool IsBlend => Kind is VesselKind.ColourBlend or VesselKind.DeveloperBlend;

    /// <summary>Whether it holds developer.</summary>
    public bool HoldsDeveloper => Kind is VesselKind.DeveloperBlend or VesselKind.Developer or VesselKind.StrandDeveloper or VesselKind.Vial;

    /// <summary>Grams to fill as prescribed.</summary>
    public Grams Fill => Grams.Of(Math.Round(Parts.Sum(p => p.Target(1)), 3));
}
