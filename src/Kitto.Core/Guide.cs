using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

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
/// <param name="Scalp">Whether it is the second turn at this zone, its scalp stretch (TM6).</param>
public sealed record GuideStep(
    StepKind Kind,
    string Title,
    IReadOnlyList<string> Lines,
    Zone? Zone = null,
    Minutes? Minutes = null,
    IReadOnlyList<string>? Rules = null,
    bool Scalp = false
);

/// <summary>The client's guide for this kit, frozen with its prescription.</summary>
/// <param name="Box">What is in the box (BE7).</param>
/// <param name="Cautions">Said aloud before anything else.</param>
/// <param name="SkinTest">How to do the skin test.</param>
/// <param name="StrandTest">How to do the strand test.</param>
/// <param name="Steps">The day, in order. Locked until the tests are clear.</param>
public sealed record Guide(
    IReadOnlyList<string> Box,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> SkinTest,
    IReadOnlyList<string> StrandTest,
    IReadOnlyList<GuideStep> Steps
)
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
        if (p.Decision != Decision.Kit || p.Clock is null)
        {
            return null;
        }

        var line = shelf.Find(p.Formulas[0].Line)!;
        return new Guide(Packed(p, shelf), Aloud(p), Skin(), Lock(line), new GuideSteps(c, p, shelf).All());
    }

    private static List<string> Packed(Prescription p, Shelf shelf)
    {
        var box = new List<string>();
        foreach (var formula in p.Formulas)
        {
            string what = p.Formulas.Count > 1 ? StrandWords.Of(formula.Use) + ", " : "";
            box.AddRange(formula.Pairs.Select(pair => Sentences.Begin($"{what}{pair.Name}: a colour sachet and a developer bottle")));
        }

        box.Add("Test sachets for skin and strand");
        if (p.Tests.PreSoftenGrams.Value > 0)
        {
            box.Add("A small vial for stubborn white");
        }

        var thick = p.Formulas.Select(f => shelf.Find(f.Line)!.Thickness == Thickness.Cream).ToList();
        box.Add(
            thick.Contains(true) && thick.Contains(false) ? "Bowl, brush with a tail, nozzle bottle, comb, four clips"
            : thick[0] ? "Bowl, brush with a tail, four clips"
            : "Nozzle bottle, comb, four clips"
        );
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
            $"Leave it for 45 minutes unless the sachet says otherwise, then wipe it off and watch the place for {Values.SkinTestHours} full hours.",
            "Itching, burning, redness, swelling or blisters, even a little: rinse, do not colour, and say so here.",
            "A clear test does not promise that nothing happens.",
        ];

    private static List<string> Lock(Line line) =>
        [
            "Gloves on. Mix the two strand-test sachets in a saucer that is not metal.",
            "Take a hidden lock at the back, about 1 cm wide. Paint the regrowth and the first 2 cm of the lengths.",
            $"Look after {Math.Min(20, line.Process.Value):0} minutes and every 5 minutes after, up to {line.ProcessMax.Value:0}. Rinse, dry, look in daylight next to the rest.",
            "Pull it gently while wet: it must spring back and not break.",
        ];
}
