using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Wording;

/// <summary>The consultation: what is asked, and the answers in words.</summary>
internal sealed partial class Norwegian
{
    /// <inheritdoc/>
    public override string Ask(string question) =>
        question switch
        {
            "birthDate" => "Når er du født?",
            "reactions" => "Har hårfarge noen gang fått huden eller hodebunnen din til å klø, svi, hovne opp eller få utslett?",
            "blackHenna" => "Har du noen gang hatt en tatovering med «svart henna», eller reagert på en?",
            "scalp" => "Hvordan er hodebunnen din i dag?",
            "skin" => "Har du, eller har du hatt, noe av dette?",
            "pregnant" => "Er du gravid, eller ammer du?",
            "since" => "Er noe av dette nytt siden forrige sett, eller det siste halve året?",
            "putOn" => "Hva har vært i håret ditt, så langt tilbake du husker?",
            "damage" => "Ryker håret ditt, eller strekker det seg uten å trekke seg sammen igjen?",
            "reading" => "Er liten skrift vanskelig å lese for deg?",
            "other" => "Er det noe annet frisøren din bør vite?",
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
            "scalp" => With(Term(c.Scalp).ToLowerInvariant()),
            "pregnant" => c.PregnancyApplies ? With(c.Pregnant ? "gravid" : null) : "gjelder ikke",
            "since" => With(c.NewMedicine ? "en ny medisin" : null),
            "putOn" => c.PutOn.Count == 0
                ? "ingenting, noen gang"
                : string.Join("; ", c.PutOn.OrderByDescending(p => p.When.Latest).Select(p => $"{Term(p.What)}, {When(p.When)}")),
            "other" => c.Other.Length == 0 ? "ingenting" : $"«{c.Other}»",
            _ => With(null),
        };

        static string YesNo(bool yes) => yes ? "ja" : "nei";
        string With(string? first) => Ticked(question, c, first) is { Length: > 0 } all ? all : "nei";
    }

    /// <inheritdoc/>
    public override string Term(Treatment what) =>
        what switch
        {
            Treatment.Permanent => "permanent farge",
            Treatment.Demi => "farge som blekner på noen uker (toning eller semipermanent)",
            Treatment.Gloss => "glans eller toner",
            Treatment.Lightened => "bleket over det hele",
            Treatment.Highlights => "striper",
            Treatment.BoxDye => "farge fra en butikkeske",
            Treatment.Henna => "henna",
            Treatment.Metallic => "produkt som gjør grått hår mørkere litt etter litt (kam-, spray- eller skumprodukt)",
            Treatment.Straightened => "rettet, permanentet eller glattet",
            Treatment.Unknown => "noe, men jeg vet ikke hva",
            _ => throw NoWords(what),
        };

    /// <inheritdoc/>
    public override string Term(Scalp scalp) =>
        scalp switch
        {
            Scalp.Sound => "Fin",
            Scalp.Sensitive => "Følsom",
            Scalp.Sunburnt => "Solbrent",
            Scalp.Broken => "Oppskrapt eller sår",
            Scalp.Inflamed => "Rød og øm",
            Scalp.Infected => "Infisert",
            _ => throw NoWords(scalp),
        };

    /// <inheritdoc/>
    public override string Term(StrandResult result) =>
        result switch
        {
            StrandResult.Right => "Riktig",
            StrandResult.TooLight => "For lys",
            StrandResult.TooDark => "For mørk",
            StrandResult.TooWarm => "For varm",
            StrandResult.TooCool => "For kald",
            StrandResult.GreyShows => "Grått synes fortsatt",
            StrandResult.Damaged => "Den røk, strakk seg, ble varm eller fikk en rar farge",
            _ => throw NoWords(result),
        };

    /// <inheritdoc/>
    public override string Tick(string condition) =>
        condition switch
        {
            "pregnant" => "Gravid",
            "newMedicine" => "En medisin",
            "rash" => "Et utslett",
            "wound" => "Et kutt eller sår ved hårfestet",
            "freshPiercing" => "En fersk piercing ved hårfestet",
            "eczema" => "Eksem",
            "psoriasis" => "Psoriasis",
            "asthma" => "Astma",
            "thinSkinMedicine" => "En medisin som gjør huden tynnere, for eksempel kortisonkrem eller -tabletter",
            "breastfeeding" => "Ammer",
            "newTattoo" => "En tatovering",
            "newIllness" => "En sykdom",
            "breakage" => "Det ryker",
            "severeDamage" => "Det er svært skadet, eller strekker seg og forblir strukket",
            "lowVision" => "Jeg ser dårlig",
            "readsPoorly" => "Det er vanskelig for meg å lese",
            _ => throw NoWords(condition),
        };

    /// <inheritdoc/>
    public override string Condition(string name) => Named(name);

    private static string Named(string condition) =>
        condition switch
        {
            "eczema" => "eksem",
            "psoriasis" => "psoriasis",
            "asthma" => "astma",
            "thinSkinMedicine" => "medisin som gjør huden tynn",
            "rash" => "et utslett i hodebunnen",
            "wound" => "et sår ved hårfestet",
            "freshPiercing" => "en fersk piercing ved hårfestet",
            "severeDamage" => "store skader",
            "breakage" => "synlig brekk",
            "breastfeeding" => "ammer",
            "lowVision" => "liten skrift er vanskelig å se",
            "readsPoorly" => "lesing er vanskelig",
            "newTattoo" => "en ny tatovering",
            "newIllness" => "en ny sykdom",
            "sensitiveScalp" => "følsom hodebunn",
            "newMedicine" => "ny medisin",
            _ => condition,
        };
}
