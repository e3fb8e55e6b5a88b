namespace Kitto.Core.Safety;

/// <summary>Conditions the engine knows by name. Any other text is kept and shown to the colourist, who decides (SA21).</summary>
public static class Conditions
{
    /// <summary>A scalp that was read as sensitive, beside the conditions.</summary>
    internal const string SensitiveScalp = "sensitiveScalp";

    /// <summary>A medicine that is new, beside the conditions.</summary>
    internal const string NewMedicine = "newMedicine";

    private static readonly Dictionary<string, string> Rules = new(StringComparer.OrdinalIgnoreCase)
    {
        ["eczema"] = "SA21",
        ["psoriasis"] = "SA21",
        ["asthma"] = "SA21",
        ["thinSkinMedicine"] = "SA21",
        ["rash"] = "SA3",
        ["wound"] = "SA3",
        ["freshPiercing"] = "SA3",
        ["severeDamage"] = "SA9",
        ["breakage"] = "SA9",
        ["breastfeeding"] = "SA20",
        ["lowVision"] = "SA24",
        ["readsPoorly"] = "SA24",
        ["newTattoo"] = "SA5",
        ["newIllness"] = "SA5",
    };

    /// <summary>Conditions that are known by name; any other is kept as it is written.</summary>
    public static IReadOnlyCollection<string> Known => Rules.Keys;

    /// <summary>The rule a condition falls under; SA21 where it is not known.</summary>
    public static string Rule(string condition) => Rules.GetValueOrDefault(condition, "SA21");
}
