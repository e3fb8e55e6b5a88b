using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Wording;

/// <summary>The trade's terms, as they stand inside sentences and beside drawings.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string Term(Zone zone) => Of(zone);

    /// <inheritdoc/>
    public override string Terms(IEnumerable<Zone> zones) => Of(zones);

    /// <inheritdoc/>
    public override string Term(PaintOrder order) => Of(order);

    /// <inheritdoc/>
    public override string Term(Stretch stretch) => Of(stretch);

    /// <inheritdoc/>
    public override string Term(Does does) =>
        does switch
        {
            Does.Colour => "coloured",
            Does.Tone => "toned",
            Does.Blend => "feathered over",
            Does.PullThrough => "pulled through",
            Does.Shield => "kept off",
            Does.Leave => "left",
            _ => throw NoWords(does),
        };

    /// <inheritdoc/>
    public override string Term(Family family) => Of(family);

    /// <inheritdoc/>
    public override string Term(Undertone undertone) => Of(undertone);

    /// <inheritdoc/>
    public override string Use(FormulaUse use) => Of(use);

    /// <inheritdoc/>
    public override string HowFar(double deltaE) => Far(deltaE);

    private static string Of(Zone zone) =>
        zone switch
        {
            Zone.FrontHairline => "front hairline",
            Zone.LeftTemple => "left temple",
            Zone.RightTemple => "right temple",
            Zone.LeftFront => "left front",
            Zone.RightFront => "right front",
            Zone.Crown => "crown",
            Zone.LeftBack => "left back",
            Zone.RightBack => "right back",
            Zone.Nape => "nape",
            _ => throw NoWords(zone),
        };

    private static string Of(IEnumerable<Zone> zones)
    {
        var names = zones.Select(Of).ToList();
        return names.Count switch
        {
            0 => "no zone",
            1 => names[0],
            9 => "the whole head",
            _ => string.Join(", ", names[..^1]) + " and " + names[^1],
        };
    }

    private static string TurnOf(Stroke stroke) => $"{(stroke.Scalp ? "the scalp stretch" : "the grown hair")} of the {Of(stroke.Zone)}";

    private static string Of(PaintOrder order) =>
        order switch
        {
            PaintOrder.OutlineFirst => "outline first",
            PaintOrder.BackFirst => "back first",
            PaintOrder.FrontFirst => "front first",
            PaintOrder.ToAndFro => "to and fro",
            PaintOrder.WorstFirst => "worst first",
            PaintOrder.Own => "in your own order",
            _ => throw NoWords(order),
        };

    private static string Of(Stretch stretch) =>
        stretch switch
        {
            Stretch.Scalp => "scalp stretch",
            Stretch.Grown => "grown hair",
            Stretch.Band => "band",
            Stretch.Lengths => "lengths",
            Stretch.Ends => "ends",
            _ => throw NoWords(stretch),
        };

    private static string Of(FormulaUse use) =>
        use switch
        {
            FormulaUse.Roots => "root mix",
            FormulaUse.Shadow => "shadow",
            FormulaUse.Lengths => "gloss",
            FormulaUse.Band => "second gloss",
            FormulaUse.Second => "second step",
            _ => throw NoWords(use),
        };

    /// <summary>The hair a formula goes on.</summary>
    private static string Goes(FormulaUse use) =>
        use switch
        {
            FormulaUse.Roots => "roots",
            FormulaUse.Shadow => "shadow",
            FormulaUse.Lengths => "lengths",
            FormulaUse.Band => "band",
            FormulaUse.Second => "second step",
            _ => throw NoWords(use),
        };

    private static string Of(Family family) =>
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
            _ => throw NoWords(family),
        };

    /// <summary>What a family is there against (SH3).</summary>
    private static string Against(Family family) =>
        family switch
        {
            Family.AG => "the red",
            Family.AB => "the orange",
            Family.V => "the yellow",
            Family.R => "the green that ash brings",
            Family.C => "the cold that ash brings",
            _ => throw NoWords(family),
        };

    private static string Of(Undertone undertone) =>
        undertone switch
        {
            Undertone.DarkRedBrown => "dark red-brown",
            Undertone.RedBrown => "red-brown",
            Undertone.Red => "red",
            Undertone.RedOrange => "red-orange",
            Undertone.Orange => "orange",
            Undertone.YellowOrange => "yellow-orange",
            Undertone.YellowGold => "yellow-gold",
            Undertone.Yellow => "yellow",
            Undertone.PaleYellow => "pale yellow",
            _ => throw NoWords(undertone),
        };

    private static string Far(double deltaE) =>
        deltaE switch
        {
            < 1 => "hardly to be seen",
            < 2 => "seen only side by side",
            < 4 => "a shade off",
            _ => "plainly another colour",
        };

    private static readonly Dictionary<string, string> Conditions = new(StringComparer.OrdinalIgnoreCase)
    {
        ["eczema"] = "eczema",
        ["psoriasis"] = "psoriasis",
        ["asthma"] = "asthma",
        ["thinSkinMedicine"] = "medicine that thins the skin",
        ["rash"] = "a rash on the scalp",
        ["wound"] = "a wound near the hairline",
        ["freshPiercing"] = "a fresh piercing near the hairline",
        ["severeDamage"] = "severe damage",
        ["breakage"] = "visible breakage",
        ["breastfeeding"] = "breastfeeding",
        ["lowVision"] = "small print is hard to see",
        ["readsPoorly"] = "reading is hard",
        ["newTattoo"] = "a new tattoo",
        ["newIllness"] = "a new illness",
        ["sensitiveScalp"] = "sensitive scalp",
        ["newMedicine"] = "new medicine",
    };

    /// <inheritdoc/>
    public override string Condition(string name) => Named(name);

    private static string Named(string condition) => Conditions.GetValueOrDefault(condition, condition);

    /// <summary>How long ago.</summary>
    private static string Ago(int days) =>
        days switch
        {
            0 => "today",
            1 => "yesterday",
            < 60 => $"{days} days ago",
            < 730 => $"{days / 30.4375:0} months ago",
            _ => $"{days / 365.25:0.#} years ago",
        };
}
