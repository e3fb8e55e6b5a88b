using System.Globalization;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Packing;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Wording;

/// <summary>Norwegian Bokmål, an area a file. It has words for what a client reads; reasons that only the studio reads are said in English.</summary>
internal sealed partial class Norwegian : Language
{
    private static readonly string[] Weekdays = ["søndag", "mandag", "tirsdag", "onsdag", "torsdag", "fredag", "lørdag"];

    /// <inheritdoc/>
    public override string Tag => "nb";

    /// <inheritdoc/>
    public override string Name => "Norsk";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Months { get; } =
    ["januar", "februar", "mars", "april", "mai", "juni", "juli", "august", "september", "oktober", "november", "desember"];

    /// <inheritdoc/>
    public override string Number(double value, int decimals = 1) => Comma(base.Number(value, decimals));

    /// <inheritdoc/>
    public override string Day(DateOnly day, bool weekday = true) =>
        string.Create(CultureInfo.InvariantCulture, $"{(weekday ? Weekdays[(int)day.DayOfWeek] + " " : "")}{day.Day}. {Months[day.Month - 1]}");

    /// <inheritdoc/>
    public override string Says(Saying saying) =>
        saying switch
        {
            StopReason r => Of(r),
            CautionReason r => Of(r) ?? English.Says(r),
            TestReason r => Of(r) ?? English.Says(r),
            GuideLine r => Of(r),
            RunSays r => Of(r),
            NotTaken r => Of(r.For),
            _ => English.Says(saying),
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Used>? Numbers(Reason reason) => English.Numbers(reason);

    /// <inheritdoc/>
    public override string Names(Vessel vessel) => $"{Of(vessel.Kind)}{(vessel.Pair.Length > 0 ? ", " + Marked(vessel.Pair) : "")} ({Of(vessel.Use)})";

    private static string Of(VesselKind kind) =>
        kind switch
        {
            VesselKind.ColourBlend => "fargeblanding",
            VesselKind.Colour => "farge",
            VesselKind.SkinTest => "hudtest",
            VesselKind.StrandColour => "hårtest, farge",
            VesselKind.DeveloperBlend => "fremkallerblanding",
            VesselKind.Developer => "fremkaller",
            VesselKind.StrandDeveloper => "hårtest, fremkaller",
            VesselKind.Vial => "glass med fremkaller til gjenstridige grå hår",
            _ => throw NoWords(kind),
        };

    /// <inheritdoc/>
    public override string Term(Zone zone) => Of(zone);

    /// <inheritdoc/>
    public override string Terms(IEnumerable<Zone> zones) => Of(zones);

    /// <inheritdoc/>
    public override string Term(PaintOrder order) =>
        order switch
        {
            PaintOrder.OutlineFirst => "ytterkanten først",
            PaintOrder.BackFirst => "bakhodet først",
            PaintOrder.FrontFirst => "foran først",
            PaintOrder.ToAndFro => "fram og tilbake",
            PaintOrder.WorstFirst => "det vanskeligste først",
            PaintOrder.Own => "i egen rekkefølge",
            _ => throw NoWords(order),
        };

    /// <inheritdoc/>
    public override string Term(Stretch stretch) =>
        stretch switch
        {
            Stretch.Scalp => "hårbunnen",
            Stretch.Grown => "ettervekst",
            Stretch.Band => "bånd",
            Stretch.Lengths => "lengder",
            Stretch.Ends => "tupper",
            _ => throw NoWords(stretch),
        };

    /// <inheritdoc/>
    public override string Term(Does does) =>
        does switch
        {
            Does.Colour => "farges",
            Does.Tone => "tones",
            Does.Blend => "blendes",
            Does.PullThrough => "dras gjennom",
            Does.Shield => "skjermes",
            Does.Leave => "får være",
            _ => throw NoWords(does),
        };

    /// <inheritdoc/>
    public override string Term(Family family) =>
        family switch
        {
            Family.N => "nøytral",
            Family.NN => "nøytral med ekstra dekk",
            Family.AG => "ask mot grønn",
            Family.AB => "ask mot blå",
            Family.V => "fiolett",
            Family.G => "gull",
            Family.C => "kobber",
            Family.R => "rød",
            Family.B => "beige",
            _ => throw NoWords(family),
        };

    /// <inheritdoc/>
    public override string Term(Undertone undertone) =>
        undertone switch
        {
            Undertone.DarkRedBrown => "mørk rødbrun",
            Undertone.RedBrown => "rødbrun",
            Undertone.Red => "rød",
            Undertone.RedOrange => "rødoransje",
            Undertone.Orange => "oransje",
            Undertone.YellowOrange => "guloransje",
            Undertone.YellowGold => "gyllen gul",
            Undertone.Yellow => "gul",
            Undertone.PaleYellow => "blekgul",
            _ => throw NoWords(undertone),
        };

    /// <inheritdoc/>
    public override string Use(FormulaUse use) => Of(use);

    /// <inheritdoc/>
    public override string HowFar(double deltaE) =>
        deltaE switch
        {
            < 1 => "knapt synlig",
            < 2 => "synes bare side om side",
            < 4 => "en anelse ved siden av",
            _ => "tydelig en annen farge",
        };

    private static string Comma(string number) => number.Replace('.', ',');

    private static string Of(Grams grams) => Comma(grams.ToString());

    private static string Of(Zone zone) =>
        zone switch
        {
            Zone.FrontHairline => "hårfestet foran",
            Zone.LeftTemple => "venstre tinning",
            Zone.RightTemple => "høyre tinning",
            Zone.LeftFront => "venstre side foran",
            Zone.RightFront => "høyre side foran",
            Zone.Crown => "issen",
            Zone.LeftBack => "venstre side bak",
            Zone.RightBack => "høyre side bak",
            Zone.Nape => "nakken",
            _ => throw NoWords(zone),
        };

    private static string Of(IEnumerable<Zone> zones)
    {
        var names = zones.Select(Of).ToList();
        return names.Count switch
        {
            0 => "ingen sone",
            1 => names[0],
            9 => "hele hodet",
            _ => string.Join(", ", names[..^1]) + " og " + names[^1],
        };
    }

    private static string Of(FormulaUse use) =>
        use switch
        {
            FormulaUse.Roots => "rotfarge",
            FormulaUse.Shadow => "skygge",
            FormulaUse.Lengths => "glans",
            FormulaUse.Band => "andre glans",
            FormulaUse.Second => "andre farge",
            _ => throw NoWords(use),
        };

    private static ArgumentOutOfRangeException NoWords(object saying) => new(nameof(saying), saying, "There are no words for this.");
}
