namespace Kitto.Core.Safety;

/// <summary>Conditions the engine knows by name. Any other text is kept and shown to the colourist, who decides (SA21).</summary>
public static class Conditions
{
    /// <summary>Known conditions: the rule each falls under, and its words.</summary>
    public static IReadOnlyDictionary<string, (string Rule, string Says)> Known { get; } =
        new Dictionary<string, (string, string)>(StringComparer.OrdinalIgnoreCase)
        {
            ["eczema"] = ("SA21", "eczema"),
            ["psoriasis"] = ("SA21", "psoriasis"),
            ["asthma"] = ("SA21", "asthma"),
            ["thinSkinMedicine"] = ("SA21", "medicine that thins the skin"),
            ["rash"] = ("SA3", "a rash on the scalp"),
            ["wound"] = ("SA3", "a wound near the hairline"),
            ["freshPiercing"] = ("SA3", "a fresh piercing near the hairline"),
            ["severeDamage"] = ("SA9", "severe damage"),
            ["breakage"] = ("SA9", "visible breakage"),
            ["breastfeeding"] = ("SA20", "breastfeeding"),
            ["lowVision"] = ("SA24", "she sees poorly"),
            ["readsPoorly"] = ("SA24", "she reads poorly"),
            ["newTattoo"] = ("SA5", "a new tattoo"),
            ["newIllness"] = ("SA5", "a new illness"),
        };

    /// <summary>The words of a condition, its own where it is not known.</summary>
    public static string Says(string condition) => Known.TryGetValue(condition, out var known) ? known.Says : condition;

    /// <summary>The rule a condition falls under.</summary>
    public static string Rule(string condition) => Known.TryGetValue(condition, out var known) ? known.Rule : "SA21";
}
