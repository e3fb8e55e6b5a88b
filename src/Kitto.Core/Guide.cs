using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
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
    public static IReadOnlyList<string> Emergency(Language language) =>
        [.. new[] { Tells.RinseItOffNow, Tells.InTheEye, Tells.CallForHelp }.Select(t => language.Says(new Tell(t)))];

    /// <summary>The guide of a kit; null where there is no kit.</summary>
    /// <param name="c">The case.</param>
    /// <param name="p">Its prescription.</param>
    /// <param name="shelf">What it is mixed from.</param>
    /// <param name="language">What the client reads.</param>
    public static Guide? For(Case c, Prescription p, Shelf shelf, Language language)
    {
        if (p.Decision != Decision.Kit || p.Clock is null)
        {
            return null;
        }

        var line = shelf.Find(p.Formulas[0].Line)!;
        List<string> Say(IEnumerable<Saying> lines) => [.. lines.Select(language.Says)];
        return new Guide(Say(Packed(p, shelf)), Say(Aloud(c)), Say(Skin()), Say(Lock(line)), new GuideSteps(c, p, shelf, language).All());
    }

    private static List<GuideLine> Packed(Prescription p, Shelf shelf)
    {
        var box = new List<GuideLine>();
        foreach (var formula in p.Formulas)
        {
            box.AddRange(formula.Pairs.Select(pair => new BoxPair(p.Formulas.Count > 1 ? formula.Use : null, pair.Name)));
        }

        box.Add(new Tell(Tells.BoxTestSachets));
        if (p.Tests.PreSoftenGrams.Value > 0)
        {
            box.Add(new Tell(Tells.BoxVial));
        }

        var thick = p.Formulas.Select(f => shelf.Find(f.Line)!.Thickness == Thickness.Cream).ToList();
        box.Add(
            new Tell(
                thick.Contains(true) && thick.Contains(false) ? Tells.BoxBowlAndBottle
                : thick[0] ? Tells.BoxBowl
                : Tells.BoxBottle
            )
        );
        box.AddRange([new Tell(Tells.BoxGlovesAndCape), new Tell(Tells.BoxBudsAndCard)]);
        return box;
    }

    private static IEnumerable<Saying> Aloud(Case c) => Safety.Cautions.Aloud(c.Reading.Client).Cast<Saying>().Append(new Tell(Tells.ProductComesFirst));

    private static GuideLine[] Skin() =>
        [new Tell(Tells.SpotBehindTheEar), new WatchTheSpot(), new Tell(Tells.AnythingMeansStop), new Tell(Tells.ClearIsNoPromise)];

    private static GuideLine[] Lock(Line line) =>
        [new Tell(Tells.LockMix), new Tell(Tells.LockTake), new LookAtLock(Math.Min(20, line.Process.Value), line.ProcessMax.Value), new Tell(Tells.LockPull)];
}
