using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Wording;

/// <summary>The consultation: what is asked, and the answers in words.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string Ask(string question) =>
        question switch
        {
            "birthDate" => "When were you born?",
            "reactions" => "Has hair colour ever made your skin or scalp itch, burn, swell or come out in a rash?",
            "blackHenna" => "Have you ever had a \"black henna\" tattoo, or reacted to one?",
            "scalp" => "How is your scalp today?",
            "skin" => "Do you have, or have you had, any of these?",
            "pregnant" => "Are you pregnant or breastfeeding?",
            "since" => "Is any of this new since your last kit, or in the last half year?",
            "putOn" => "What has been put on your hair, as far back as you remember?",
            "damage" => "Does your hair break, or stretch and stay stretched?",
            "reading" => "Is small print hard for you to read?",
            "other" => "Anything else your colourist should know?",
            _ => throw NoWords(question),
        };

    /// <inheritdoc/>
    public override string Answer(string question, Consultation c)
    {
        return question switch
        {
            "birthDate" => $"{Day(c.BirthDate, weekday: false)} {c.BirthDate.Year}",
            "reactions" => YesNo(c.Reactions),
            "blackHenna" => YesNo(c.BlackHenna),
            "scalp" => With(c.Scalp.ToString().ToLowerInvariant()),
            "pregnant" => c.PregnancyApplies ? With(c.Pregnant ? "pregnant" : null) : "does not apply",
            "since" => With(c.NewMedicine ? "a new medicine" : null),
            "putOn" => c.PutOn.Count == 0
                ? "nothing, ever"
                : string.Join("; ", c.PutOn.OrderByDescending(p => p.When.Latest).Select(p => $"{Term(p.What)}, {When(p.When)}")),
            "other" => c.Other.Length == 0 ? "nothing" : $"\"{c.Other}\"",
            _ => With(null),
        };

        static string YesNo(bool yes) => yes ? "yes" : "no";
        string With(string? first) => Ticked(question, c, first) is { Length: > 0 } all ? all : "no";
    }

    /// <inheritdoc/>
    public override string Term(Treatment what) =>
        what switch
        {
            Treatment.Permanent => "permanent colour",
            Treatment.Demi => "colour that fades in a few weeks (semi- or demi-permanent)",
            Treatment.Gloss => "gloss or toner",
            Treatment.Lightened => "bleached all over",
            Treatment.Highlights => "highlights",
            Treatment.BoxDye => "colour from a shop box",
            Treatment.Henna => "henna",
            Treatment.Metallic => "gradual grey restorer (a comb-in, spray or mousse that darkens hair over days)",
            Treatment.Straightened => "relaxed, permed or straightened",
            Treatment.Unknown => "something, but I do not know what",
            _ => throw NoWords(what),
        };

    /// <inheritdoc/>
    public override string Term(Scalp scalp) =>
        scalp switch
        {
            Scalp.Sound => "Fine",
            Scalp.Sensitive => "Sensitive",
            Scalp.Sunburnt => "Sunburnt",
            Scalp.Broken => "Scratched or broken",
            Scalp.Inflamed => "Red and sore",
            Scalp.Infected => "Infected",
            _ => throw NoWords(scalp),
        };

    /// <inheritdoc/>
    public override string Term(StrandResult result) =>
        result switch
        {
            StrandResult.Right => "Right",
            StrandResult.TooLight => "Too light",
            StrandResult.TooDark => "Too dark",
            StrandResult.TooWarm => "Too warm",
            StrandResult.TooCool => "Too cool",
            StrandResult.GreyShows => "Grey still shows",
            StrandResult.Damaged => "It broke, stretched, got hot or turned a strange colour",
            _ => throw NoWords(result),
        };

    /// <inheritdoc/>
    public override string Tick(string condition) =>
        condition switch
        {
            "pregnant" => "Pregnant",
            "newMedicine" => "A medicine",
            "rash" => "A rash",
            "wound" => "A cut or sore near the hairline",
            "freshPiercing" => "A fresh piercing near the hairline",
            "eczema" => "Eczema",
            "psoriasis" => "Psoriasis",
            "asthma" => "Asthma",
            "thinSkinMedicine" => "A medicine that makes skin thinner, such as steroid cream or tablets",
            "breastfeeding" => "Breastfeeding",
            "newTattoo" => "A tattoo",
            "newIllness" => "An illness",
            "breakage" => "It breaks",
            "severeDamage" => "It is badly damaged, or stretches and stays stretched",
            "lowVision" => "I have poor eyesight",
            "readsPoorly" => "Reading is hard for me",
            _ => throw NoWords(condition),
        };
}
