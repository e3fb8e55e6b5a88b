using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>What a step of the guide asks for.</summary>
public enum StepKind
{
    /// <summary>Get the room and the head ready.</summary>
    Prepare,
    /// <summary>Mix colour and developer.</summary>
    Mix,
    /// <summary>Paint one zone, or comb it through.</summary>
    Paint,
    /// <summary>Look for missed hair, then wait.</summary>
    Wait,
    /// <summary>See to the lengths.</summary>
    Lengths,
    /// <summary>Rinse.</summary>
    Rinse,
    /// <summary>Afterwards.</summary>
    After,
}

/// <summary>One thing the client does.</summary>
/// <param name="Kind">What sort.</param>
/// <param name="Title">In a few words.</param>
/// <param name="Lines">Sentences, read one after another.</param>
/// <param name="Zone">Where on the head.</param>
/// <param name="Minutes">How long, where a timer runs.</param>
/// <param name="Rules">The rules that its sentences come from; null in guides frozen before they were kept.</param>
public sealed record GuideStep(StepKind Kind, string Title, IReadOnlyList<string> Lines, Zone? Zone = null, Minutes? Minutes = null, IReadOnlyList<string>? Rules = null);

/// <summary>The client's guide for this kit, frozen with its prescription.</summary>
/// <param name="Box">What is in the box (BE7).</param>
/// <param name="Cautions">Said aloud before anything else.</param>
/// <param name="SkinTest">How to do the skin test.</param>
/// <param name="StrandTest">How to do the strand test.</param>
/// <param name="Steps">The day, in order. Locked until the tests are clear.</param>
public sealed record Guide(
    IReadOnlyList<string> Box, IReadOnlyList<string> Cautions, IReadOnlyList<string> SkinTest, IReadOnlyList<string> StrandTest, IReadOnlyList<GuideStep> Steps)
{
    /// <summary>What to do at once if anything burns or itches (safety, During).</summary>
    public static IReadOnlyList<string> Emergency { get; } =
    [
        "Rinse it off now, with plenty of lukewarm water, then mild shampoo. Stop here.",
        "In the eye: contact lenses out, rinse with clean lukewarm water for 15 minutes, see a doctor.",
        "Breathing trouble, dizziness or a swelling face: call your emergency number now.",
    ];

    /// <summary>The guide of a kit; null where there is no kit.</summary>
    public static Guide? For(Case c, Prescription p, Shelf shelf)
    {
        if (p.Decision != Decision.Kit || p.Clock is not { } clock)
        {
            return null;
        }

        var first = p.Formulas[0];
        var line = shelf.Find(first.Line)!;
        bool combed = first.Use == "lengths";
        var steps = new List<GuideStep> { Prepare(c, combed) };
        if (c.Reading.Included.Any(z => z.Read.Resistant) && p.Tests.PreSoftenGrams.Value > 0)
        {
            steps.Add(new GuideStep(StepKind.Prepare, "Soften the stubborn white",
            [
                "Gloves on. Open the small vial and dip a cotton bud in it.",
                $"Dab it on the white at {Zones.Sentence(c.Reading.Included.Where(z => z.Read.Resistant).Select(z => z.Zone))}.",
                c.House.School("AP9") == "long" ? "Leave it for ten minutes and wipe it off." : "Leave it on, one to two minutes, and go on.",
            ], Rules: ["AP9", "RD4", "BE11"]));
        }

        int batch = 0;
        foreach (var zone in clock.Zones)
        {
            if (zone.Batch != batch)
            {
                batch = zone.Batch;
                steps.Add(MixStep(first, line, first.Pairs.Count > 1 && clock.Zones.Any(z => z.Batch > 1) ? first.Pairs[batch - 1] : first.Pairs[0]));
            }

            steps.Add(Paint(c, zone.Zone, combed, first.Use == "shadow"));
        }

        bool pulled = p.Because.Any(b => b.Rule == "TM4");
        double lengthsMinutes = pulled ? Math.Min(10, clock.ProcessMinutes.Value) : 0;
        steps.Add(new GuideStep(StepKind.Wait, "Look again, then wait",
        [
            "Open the hair the other way round and look for white or dry hair. Cover what was missed.",
            "Wipe drips and ears with a damp cloth. Blot, do not scrub.",
            c.Goal.Service is Service.BaseLift or Service.Gloss ? "Wipe one strand clean every 3 to 5 minutes and look." : "Leave the roots lifted and open. No cap, no heat.",
            "It looks darker while it works: that is the air at it, not the result.",
        ], Minutes: Minutes.Of(clock.ProcessMinutes.Value - lengthsMinutes), Rules: ["AP13", "AP14", "AP15", "AP16", "AP17", "TM1", "TM3", "SH15"]));
        if (pulled)
        {
            steps.Add(new GuideStep(StepKind.Lengths, "Now the lengths",
            [
                "Work what is left in the bowl through the lengths with your hands.",
                c.House.School("SV9") == "diluted" ? "First stir in about as much conditioner." : "Comb once. Do not pull more than this through.",
            ], Minutes: Minutes.Of(lengthsMinutes), Rules: ["SV9", "SV10", "TM4"]));
        }

        steps.Add(new GuideStep(StepKind.Rinse, "Rinse",
        [
            "Work a little of the colour over stained skin and wipe: it lifts the stain better than water.",
            $"Lean forward. Lukewarm water{(c.House.School("AF2") == "coolLast" ? ", the last of it cool," : "")} until it runs clear, away from lighter lengths.",
            first.Use == "lengths" ? "Shampoo gently once. Condition." : "Shampoo gently, twice as a rule, until the lather shows no tint. Condition the lengths.",
        ], Rules: ["AF1", "AF2", "AF3", "AF4"]));
        if (!combed && p.Formulas.FirstOrDefault(f => f.Use == "lengths") is { } gloss)
        {
            var glossLine = shelf.Find(gloss.Line)!;
            steps.Add(MixStep(gloss, glossLine, gloss.Pairs[0]));
            steps.Add(new GuideStep(StepKind.Lengths, "The gloss on the lengths",
            [
                "The hair is rinsed and towel-dried. Work the gloss through the lengths, section by section, and comb it through.",
                gloss.Pairs.Count > 1 ? "If it runs short, mix the second bottle as you mixed the first." : "Use all of it.",
            ], Minutes: glossLine.Process, Rules: ["SV9", "TM3"]));
            steps.Add(new GuideStep(StepKind.Rinse, "Rinse the gloss", ["Lukewarm water until it runs clear. Shampoo gently once, condition."], Rules: ["AF2", "AF4"]));
        }

        var after = new List<string>
        {
            "Do not keep what is left: rinse it away, never close it up.",
            "Weigh or guess what is left first; the report asks for it, and the next kit fits you better for it.",
            "Wait two to three days before the next shampoo, then a mild one without sulphates; little hot iron.",
            "Judge the colour dry, in daylight, tomorrow: some unevenness settles with the first wash or two, and lamps and cameras shift the tone.",
        };
        if (c.Reading.DecisiveGrey.Value >= .25 && !combed)
        {
            after.Add("Where the hair was whiter the colour stays lighter and goes sooner: that contrast is normal.");
        }

        steps.Add(new GuideStep(StepKind.After, "Afterwards", after, Rules: ["SA23", "DO8", "AF5", "AF6", "AF7", "AF8", "RD10"]));
        return new Guide(Packed(p, combed || line.Thickness != Thickness.Cream), Aloud(p), Skin(), Strand(line), steps);
    }

    private static GuideStep Prepare(Case c, bool combed) => new(StepKind.Prepare, "Get ready",
    [
        "Lay everything out. Old towel round the neck, floor and basin covered, jewellery off, contact lenses out, window open.",
        Washing(c, combed),
        "Barrier cream on the skin round the hairline and ears, not on the hair.",
        c.House.School("AP4") == "nothing" ? "Nothing on the lengths." : "A little conditioner on lengths that must not take colour.",
        "Part the hair in four: forehead to nape, and ear to ear over the top. Clip it.",
        "Gloves on. They stay on.",
    ], Rules: ["AP1", "AP2", "AP3", "AP4", "AP5", "AP6", "AP7", "SA22"]);

    /// <summary>When to wash (AP2): the house's way, else by the service.</summary>
    private static string Washing(Case c, bool combed) => (c.House.School("AP2"), combed) switch
    {
        ("byService", true) => "Wash and towel-dry the hair.",
        ("washedDayBefore", _) => "Hair washed yesterday without conditioner. Do not scrub the scalp today; detangle it.",
        ("unwashed", true) => "Hair not washed for a day or more, then damp with clean water. Detangle it.",
        _ => "Hair dry and not washed today. Detangle it, do not scrub the scalp.",
    };

    private static GuideStep MixStep(Formula formula, Line line, Pair pair) => new(StepKind.Mix, $"Mix the {pair.Name switch { "main" => "main pair", "A" => "first bowl", "B" => "second bowl", var other => other }}",
    [
        $"Empty the colour sachet and the bottle marked {pair.Name} ({formula.Use}) completely into the {(line.Thickness == Thickness.Cream ? "bowl" : "nozzle bottle")}: {Quantity.Vessels.Kitchen(pair.ColourGrams)} and {Quantity.Vessels.Kitchen(pair.DeveloperGrams)}.",
        line.Thickness == Thickness.Cream ? "Stir until smooth and thick, scraping the bottom. No metal." : "Finger on the nozzle, shake until even.",
        $"Start at once: it works for {line.WorkingLife.Value:0} minutes." + (pair.Name == "main" && formula.Pairs.Count > 1 ? " Keep the reserve sealed; mix it only if this runs short." : ""),
    ], Rules: ["AP8", "DO10", "DO11", "DV9", "BE6"]);

    private static GuideStep Paint(Case c, Zone zone, bool combed, bool shadow)
    {
        var facts = zone.Facts();
        string title = char.ToUpperInvariant(facts.Says[0]) + facts.Says[1..];
        if (combed)
        {
            return new GuideStep(StepKind.Paint, title, ["Slices as wide as a finger. Work it through from root to end and comb it."], zone, Rules: ["AP10", "AP12"]);
        }

        bool lift = c.Goal.Service == Service.BaseLift;
        var read = c.Reading.Zones[(int)zone];
        string slices = lift ? "Partings a finger's width apart." : "Thin partings, 3 to 6 mm.";
        string faces = c.House.School("AP10") == "undersideFirst" ? "Underside first, turn it over, then the top." : "Paint the top side, turn it over, paint the underside.";
        var lines = new List<string> { $"{slices} {faces}" };
        lines.Add(shadow ? $"Feather it {facts.ShadowTail.Value:0} mm past the line, lighter and lighter." : "Stop 2 to 3 mm before the coloured hair. Press in, no rubbing.");
        if (read.Resistant || read.Grey.Value >= .5)
        {
            lines.Add("White here: a fuller coat, hairs wet through.");
        }

        if (zone == Zone.FrontHairline)
        {
            lines.Add("Slant the partings and catch the small hairs just outside the hairline.");
        }

        if (c.House.School("AP12") is "rootOnly" && read.Resistant)
        {
            lines.Add("Comb the root once, away from the coloured hair.");
        }

        return new GuideStep(StepKind.Paint, title, lines, zone, Rules: ["AP10", "AP11", "AP12", "DO6", "DO9", "RD8", "SV1"]);
    }

    private static List<string> Packed(Prescription p, bool bottle)
    {
        var box = new List<string>();
        foreach (var formula in p.Formulas)
        {
            box.AddRange(formula.Pairs.Select(pair => $"{(formula.Use == "lengths" && p.Formulas.Count > 1 ? "Gloss, " : "")}{pair.Name}: a colour sachet and a developer bottle"));
        }

        box.Add("Test sachets for skin and strand");
        if (p.Tests.PreSoftenGrams.Value > 0)
        {
            box.Add("A small vial for stubborn white");
        }

        box.Add(bottle ? "Nozzle bottle, comb, four clips" : "Bowl, brush with a tail, four clips");
        box.AddRange(["Two pairs of gloves, cape, barrier cream", "Cotton buds, stain wipe, colour card for photographs"]);
        return box;
    }

    private static List<string> Aloud(Prescription p) =>
    [
        .. p.Because.Where(b => b.Rule is "SA20" or "SA22" or "SA23" or "SA10").Select(b => b.Says),
        "This supports a licensed colourist. The instructions on the product and your local rules come first where they are stricter.",
    ];

    private static List<string> Skin() =>
    [
        "Behind the ear or inside the elbow, on clean skin: a spot of the colour sachet marked skin test, the size of a small coin.",
        "Leave it for 45 minutes unless the sachet says otherwise, then wipe it off and watch the place for 48 full hours.",
        "Itching, burning, redness, swelling or blisters, even a little: rinse, do not colour, and say so here.",
        "A clear test does not promise that nothing happens.",
    ];

    private static List<string> Strand(Line line) =>
    [
        "Gloves on. Mix the two strand-test sachets in a saucer that is not metal.",
        "Take a hidden lock at the back, about 1 cm wide. Paint the regrowth and the first 2 cm of the lengths.",
        $"Look after {Math.Min(20, line.Process.Value):0} minutes and every 5 minutes after, up to {line.ProcessMax.Value:0}. Rinse, dry, look in daylight next to the rest.",
        "Pull it gently while wet: it must spring back and not break.",
    ];
}
