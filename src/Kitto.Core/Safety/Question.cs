using Kitto.Core.Wording;

namespace Kitto.Core.Safety;

/// <summary>One question of the consultation: which rules need the answer, and what can be ticked under it. Its words are a language's.</summary>
/// <param name="Id">Name.</param>
/// <param name="Rules">Rules that need the answer.</param>
/// <param name="Ticks">Conditions that can be ticked under it.</param>
/// <param name="EveryKit">Asked anew before every kit; the others are asked once and only confirmed.</param>
public sealed record Question(string Id, IReadOnlyList<string> Rules, IReadOnlyList<string> Ticks, bool EveryKit = false)
{
    /// <summary>All questions, in the order they are asked.</summary>
    public static IReadOnlyList<Question> All { get; } =
    [
        new("birthDate", ["SA2"], []),
        new("reactions", ["SA1"], []),
        new("blackHenna", ["SA1"], []),
        new("scalp", ["SA3", "SA21"], ["rash", "wound", "freshPiercing"], EveryKit: true),
        new("skin", ["SA21"], ["eczema", "psoriasis", "asthma", "thinSkinMedicine"]),
        new("pregnant", ["SA20"], ["breastfeeding"], EveryKit: true),
        new("since", ["SA5", "SA21"], ["newTattoo", "newIllness"], EveryKit: true),
        new("putOn", ["SA4", "SA9", "SV4"], []),
        new("damage", ["SA9"], ["breakage", "severeDamage"]),
        new("reading", ["SA24"], ["lowVision", "readsPoorly"]),
        new("other", ["SA21"], []),
    ];

    /// <summary>As the studio reads the question.</summary>
    public string Ask => Language.English.Ask(Id);

    /// <summary>As the studio reads the answer.</summary>
    public string Says(Consultation c) => Language.English.Answer(Id, c);
}
