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
    /// <summary>The first step that rinses, from 1; null where none does.</summary>
    public int? FirstRinse => Steps.Select((s, i) => (s.Kind, Number: i + 1)).Where(s => s.Kind == StepKind.Rinse).Select(s => (int?)s.Number).FirstOrDefault();

    /// <summary>What to do at once when something burns, itches or swells (safety, During). It fits what was said and when.</summary>
    /// <param name="language">What the client reads.</param>
    /// <param name="felt">Where the colour is.</param>
    /// <param name="ambulance">The local emergency number.</param>
    public static IReadOnlyList<string> Emergency(Language language, FeltWhen felt, string ambulance)
    {
        // Eye: rinse for at least 15 minutes, lenses out while rinsing (ANSI Z358.1; from memory). Breathing, fainting, a swelling face: signs of
        // anaphylaxis, call an ambulance (Resuscitation Council UK, 2021 guideline; from memory). The leaflet of the product wins where it is stricter.
        IEnumerable<GuideLine> lines = felt switch
        {
            FeltWhen.OnHead => [new Tell(Tells.RinseNow), new Tell(Tells.InTheEye), new CallAmbulance(ambulance)],
            FeltWhen.Rinsed => [new Tell(Tells.RinsedAlready), new Tell(Tells.InTheEye), new CallAmbulance(ambulance), new Tell(Tells.SeeADoctor)],
            FeltWhen.SkinTest => [new Tell(Tells.WashTheSpot), new CallAmbulance(ambulance), new Tell(Tells.SeeADoctor)],
            FeltWhen.Later => [new Tell(Tells.DoNotColourAgain), new CallAmbulance(ambulance), new Tell(Tells.SeeADoctor)],
            _ => throw new ArgumentOutOfRangeException(nameof(felt), felt, "There is nothing to do for this."),
        };
        return [.. lines.Select(language.Says)];
    }

    /// <summary>What is ticked one by one before anything is mixed, in an order that can be done (SA10, SA22, SA23).</summary>
    public static IReadOnlyList<string> Checks(Language language) =>
        [
            .. new[]
            {
                Tells.CheckWindow,
                Tells.CheckChildren,
                Tells.CheckFlames,
                Tells.CheckLenses,
                Tells.CheckJewellery,
                Tells.CheckMetal,
                Tells.CheckBrows,
                Tells.CheckGloves,
            }.Select(t => language.Says(new Tell(t))),
        ];

    /// <summary>How one skin test of a kit is done: with which sachet, where, for how long (SA5).</summary>
    /// <param name="p">The prescription.</param>
    /// <param name="shelf">What it is mixed from.</param>
    /// <param name="line">Id of the colour range that is tested.</param>
    /// <param name="place">Which of the kit's skin tests it is, from 0: each has its own place on the skin.</param>
    /// <param name="language">What the client reads.</param>
    public static IReadOnlyList<string> SkinTestOf(Prescription p, Shelf shelf, string line, int place, Language language)
    {
        var use = p.Formulas.Where(f => f.Line == line).Select(f => f.Use).DefaultIfEmpty(p.Formulas[0].Use).First();
        GuideLine[] lines =
        [
            new Tell(Tells.TestGloves),
            new OpenSkinSachet(use, shelf.Find(line)?.Name ?? line),
            new DabOnSkin(place),
            new WatchTheSpot(),
            new Tell(Tells.KeepSpotDry),
            new Tell(Tells.AnythingMeansStop),
            new Tell(Tells.ClearIsNoPromise),
        ];
        return [.. lines.Select(language.Says)];
    }

    /// <summary>When the strand is looked at: first after so many minutes, at the latest after so many (SA12).</summary>
    public static (double First, double Last) StrandLooks(Prescription p, Shelf shelf)
    {
        var line = shelf.Find(p.Formulas[0].Line)!;
        return (Math.Min(FirstLookMinutes, line.Process.Value), line.ProcessMax.Value);
    }

    /// <summary>The strand is first looked at after so long, minutes (common practice).</summary>
    private const double FirstLookMinutes = 20;

    /// <summary>After the first look the strand is looked at every so many minutes (common practice).</summary>
    public const double StrandLookMinutes = 5;

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

        List<string> Say(IEnumerable<Saying> lines) => [.. lines.Select(language.ToClient)];
        return new Guide(
            Say(Packed(p, shelf)),
            Say(Aloud(c)),
            SkinTestOf(p, shelf, p.Formulas[0].Line, 0, language),
            Say(Strand(StrandLooks(p, shelf))),
            new GuideSteps(c, p, shelf, language).All()
        );
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

    private static GuideLine[] Strand((double First, double Last) look) =>
        [
            new Tell(Tells.StrandMix),
            new Tell(Tells.StrandChoose),
            new LookAtStrand(look.First, look.Last),
            new Tell(Tells.StrandRinse),
            new Tell(Tells.StrandPull),
        ];
}

/// <summary>Where the colour is when something is felt.</summary>
public enum FeltWhen
{
    /// <summary>On the head.</summary>
    OnHead,

    /// <summary>It was rinsed out a short while ago.</summary>
    Rinsed,

    /// <summary>On the spot of a skin test.</summary>
    SkinTest,

    /// <summary>It was rinsed out hours or days ago, or was never on.</summary>
    Later,
}
