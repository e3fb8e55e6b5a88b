using Kitto.Core.Head;

namespace Kitto.Core.Safety;

/// <summary>One question of the consultation: what is asked, which rules need the answer, and the answer in words.</summary>
/// <param name="Id">Name.</param>
/// <param name="Ask">As the client is asked.</param>
/// <param name="Rules">Rules that need the answer.</param>
/// <param name="Says">The answer in words.</param>
/// <param name="Ticks">Conditions that can be ticked under it.</param>
/// <param name="EveryKit">Asked anew before every kit; the others are asked once and only confirmed.</param>
public sealed record Question(
    string Id,
    string Ask,
    IReadOnlyList<string> Rules,
    Func<Consultation, string> Says,
    IReadOnlyList<string> Ticks,
    bool EveryKit = false
)
{
    /// <summary>All questions, in the order they are asked.</summary>
    public static IReadOnlyList<Question> All { get; } =
    [
        new("birthDate", "When were you born?", ["SA2"], c => c.BirthDate.ToString("d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture), []),
        new("reactions", "Has hair colour ever made your skin or scalp itch, burn, swell or come out in a rash?", ["SA1"], c => YesNo(c.Reactions), []),
        new("blackHenna", "Have you ever had a \"black henna\" tattoo, or reacted to one?", ["SA1"], c => YesNo(c.BlackHenna), []),
        new(
            "scalp",
            "How is your scalp today?",
            ["SA3", "SA21"],
            c => With(c, c.Scalp.ToString().ToLowerInvariant(), "rash", "wound", "freshPiercing"),
            ["rash", "wound", "freshPiercing"],
            EveryKit: true
        ),
        new(
            "skin",
            "Do you have, or have you had, any of these?",
            ["SA21"],
            c => With(c, null, "eczema", "psoriasis", "asthma", "thinSkinMedicine"),
            ["eczema", "psoriasis", "asthma", "thinSkinMedicine"]
        ),
        new(
            "pregnant",
            "Are you pregnant or breastfeeding?",
            ["SA20"],
            c => With(c, c.Pregnant ? "pregnant" : null, "breastfeeding"),
            ["breastfeeding"],
            EveryKit: true
        ),
        new(
            "since",
            "Is any of this new since your last kit, or in the last half year?",
            ["SA5", "SA21"],
            c => With(c, c.NewMedicine ? "a new medicine" : null, "newTattoo", "newIllness"),
            ["newTattoo", "newIllness"],
            EveryKit: true
        ),
        new(
            "putOn",
            "What has been put on your hair, as far back as you remember?",
            ["SA4", "SA9", "SV4"],
            c =>
                c.PutOn.Count == 0
                    ? "nothing, ever"
                    : string.Join("; ", c.PutOn.OrderByDescending(p => p.When.Latest).Select(p => $"{Of(p.What)}, {p.When.Says()}")),
            []
        ),
        new(
            "damage",
            "Does your hair break, or stretch without coming back?",
            ["SA9"],
            c => With(c, null, "breakage", "severeDamage"),
            ["breakage", "severeDamage"]
        ),
        new("reading", "Is small print hard for you?", ["SA24"], c => With(c, null, "lowVision", "readsPoorly"), ["lowVision", "readsPoorly"]),
        new("other", "Anything else your colourist should know?", ["SA21"], c => c.Other.Length == 0 ? "nothing" : $"\"{c.Other}\"", []),
    ];

    /// <summary>What was put on, in the client's words.</summary>
    public static string Of(Treatment what) =>
        what switch
        {
            Treatment.Permanent => "permanent colour",
            Treatment.Demi => "demi or tint that washes out",
            Treatment.Gloss => "gloss or toner",
            Treatment.Lightened => "bleached all over",
            Treatment.Highlights => "highlights",
            Treatment.BoxDye => "colour from a shop box",
            Treatment.Henna => "henna",
            Treatment.Metallic => "a darkener that works bit by bit",
            Treatment.Straightened => "relaxed, permed or straightened",
            Treatment.Unknown => "something, I do not know what",
            _ => throw new ArgumentOutOfRangeException(nameof(what)),
        };

    /// <summary>A condition as the client is asked for it.</summary>
    public static string Tick(string condition) =>
        condition switch
        {
            "rash" => "A rash",
            "wound" => "A cut or sore near the hairline",
            "freshPiercing" => "A fresh piercing near the hairline",
            "eczema" => "Eczema",
            "psoriasis" => "Psoriasis",
            "asthma" => "Asthma",
            "thinSkinMedicine" => "A medicine that thins the skin",
            "breastfeeding" => "Breastfeeding",
            "newTattoo" => "A tattoo",
            "newIllness" => "An illness",
            "breakage" => "It breaks",
            "severeDamage" => "It is badly damaged, or stretches and stays long",
            "lowVision" => "I see poorly",
            "readsPoorly" => "Reading is hard for me",
            _ => throw new ArgumentOutOfRangeException(nameof(condition)),
        };

    private static string YesNo(bool yes) => yes ? "yes" : "no";

    private static string With(Consultation c, string? first, params string[] names)
    {
        var said = names.Where(c.Conditions.Contains).Select(Wording.Language.English.Condition);
        string all = string.Join(", ", first is null ? said : said.Prepend(first));
        return all.Length == 0 ? "no" : all;
    }
}
