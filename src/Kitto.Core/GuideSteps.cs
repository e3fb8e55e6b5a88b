using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core;

/// <summary>The steps of a guide, read off the strand plan: what goes where, in which order, for how long.</summary>
internal sealed partial class GuideSteps(Case c, Prescription p, Shelf shelf)
{
    private readonly Schedule clock = p.Clock!;
    private readonly Formula first = p.Formulas[0];
    private readonly Line line = shelf.Find(p.Formulas[0].Line)!;
    private readonly bool combed = p.Formulas[0].Use == FormulaPlan.Lengths,
        shadow = p.Formulas[0].Use == FormulaPlan.Shadow;

    /// <summary>All steps, in order.</summary>
    public List<GuideStep> All()
    {
        var steps = new List<GuideStep> { Prepare() };
        if (c.Reading.Included.Any(z => z.Read.Resistant) && p.Tests.PreSoftenGrams.Value > 0)
        {
            steps.Add(Soften());
        }

        // In a gloss the band, where it has a mix of its own, comes before the lengths.
        if (combed && p.Formulas.Count > 1)
        {
            steps.AddRange(Rinsed([1], rinse: false));
        }

        int batch = 0;
        bool split = clock.Strokes.Any(s => s.Time.Batch > 1);
        foreach (var (stroke, time) in clock.Strokes)
        {
            if (time.Batch != batch)
            {
                batch = time.Batch;
                steps.Add(Mix(first, line, split && first.Pairs.Count >= batch ? first.Pairs[batch - 1] : first.Pairs[0]));
            }

            steps.Add(Paint(stroke));
        }

        var last = p.RowsOf(0)
            .Where(r =>
                r.Does == Does.PullThrough || (combed && r.StartsAt?.Value > clock.PaintMinutes.Value && r.ContactMinutes?.Value <= Values.ThroughMinutes)
            )
            .ToList();
        double lastMinutes = last.Count == 0 ? 0 : last.Max(r => r.ContactMinutes?.Value ?? 0);
        steps.Add(Wait(lastMinutes));
        if (last.Count > 0)
        {
            steps.Add(Last(last, lastMinutes));
        }

        steps.Add(
            new GuideStep(
                StepKind.Rinse,
                "Rinse",
                [
                    "Work a little of the colour over stained skin and wipe: it lifts the stain better than water.",
                    $"Lean forward. Lukewarm water{(c.House.Way<RinseWater>() == RinseWater.CoolLast ? ", the last of it cool," : "")} until it runs clear, away from lighter lengths.",
                    combed ? "Shampoo gently once. Condition."
                    : p.Formulas.Count > 1 ? "Shampoo gently until the lather shows no tint. No conditioner yet: towel-dry."
                    : "Shampoo gently, twice as a rule, until the lather shows no tint. Condition the lengths.",
                ],
                Rules: ["AF1", "AF2", "AF3", "AF4"]
            )
        );
        if (!combed && p.Formulas.Count > 1)
        {
            int second = p.Formulas.Select((f, i) => (f, i)).Where(x => x.f.Use == FormulaPlan.Second).Select(x => x.i).DefaultIfEmpty(-1).First();
            steps.AddRange(second > 0 ? Rinsed([second], rinse: true) : []);
            // The band before the lengths (SV17).
            int[] glosses =
            [
                .. p
                    .Formulas.Select((f, i) => (f, i))
                    .Where(x => x.i > 0 && x.i != second)
                    .OrderByDescending(x => x.f.Use == FormulaPlan.Band)
                    .Select(x => x.i),
            ];
            steps.AddRange(glosses.Length > 0 ? Rinsed(glosses, rinse: true) : []);
        }

        steps.Add(After());
        return steps;
    }

    private GuideStep Prepare() =>
        new(
            StepKind.Prepare,
            "Get ready",
            [
                "Lay everything out. Old towel round the neck, floor and basin covered, jewellery off, contact lenses out, window open.",
                (c.House.Way<Washing>(), combed) switch
                {
                    (Washing.ByService, true) => "Wash and towel-dry the hair.",
                    (Washing.WashedDayBefore, _) => "Hair washed yesterday without conditioner. Do not scrub the scalp today; detangle it.",
                    (Washing.Unwashed, true) => "Hair not washed for a day or more, then damp with clean water. Detangle it.",
                    _ => "Hair dry and not washed today. Detangle it, do not scrub the scalp.",
                },
                "Barrier cream on the skin round the hairline and ears, not on the hair.",
                .. combed
                    ? []
                    : new[]
                    {
                        c.House.Way<Shielding>() == Shielding.Nothing
                            ? "Nothing on the lengths."
                            : "A little conditioner on lengths that must not take colour.",
                    },
                .. c.Goal.LeaveFrame
                    ?
                    [
                        "The hairline and the temples stay bright: comb them forward, clip them away from the rest, a little conditioner on them. Nothing goes on them.",
                    ]
                    : Array.Empty<string>(),
                "Part the hair in four: forehead to nape, and ear to ear over the top. Clip it.",
                "Gloves on. They stay on.",
            ],
            Rules: ["AP1", "AP2", "AP3", "AP4", "AP5", "AP6", "AP7", "SA22", "SV16"]
        );

    private GuideStep Soften() =>
        new(
            StepKind.Prepare,
            "Soften the stubborn white",
            [
                "Gloves on. Open the small vial and dip a cotton bud in it.",
                $"Dab it on the white at {Zones.Sentence(c.Reading.Included.Where(z => z.Read.Resistant).Select(z => z.Zone))}.",
                c.House.Way<PreSoftening>() == PreSoftening.Long ? "Leave it for ten minutes and wipe it off." : "Leave it on, one to two minutes, and go on.",
            ],
            Rules: ["AP9", "RD4", "BE11"]
        );

    private GuideStep Mix(Formula formula, Line of, Pair pair)
    {
        string which = pair.Name switch
        {
            Pair.Main => "main pair",
            "A" => "first bowl",
            "B" => "second bowl",
            "C" => "third bowl",
            var other => other,
        };
        string what = p.Formulas.Count > 1 ? $" of the {StrandWords.Of(formula.Use)}" : "";
        return new(
            StepKind.Mix,
            $"Mix the {which}{what}",
            [
                $"Empty the colour sachet and the bottle marked {pair.Name} ({StrandWords.Of(formula.Use)}) completely into the {(of.Thickness == Thickness.Cream ? "bowl" : "nozzle bottle")}: {pair.ColourGrams} and {pair.DeveloperGrams}.",
                of.Thickness == Thickness.Cream ? "Stir until smooth and thick, scraping the bottom. No metal." : "Finger on the nozzle, shake until even.",
                $"Start at once: it works for {of.WorkingLife.Value:0} minutes."
                    + (pair.Name == Pair.Main && formula.Pairs.Count > 1 ? " Keep the reserve sealed; mix it only if this runs short." : ""),
            ],
            Rules: ["AP8", "DO10", "DO11", "DV9", "BE6"]
        );
    }

    private GuideStep Paint(Stroke stroke)
    {
        var (zone, facts, read) = (stroke.Zone, stroke.Zone.Facts(), c.Reading.Zones[(int)stroke.Zone]);
        string title = Sentences.Begin(facts.Says);
        if (combed)
        {
            var here = p.RowsOf(0).Where(r => r.Zone == zone && r.StartsAt?.Value <= clock.PaintMinutes.Value).Select(r => r.Stretch).Distinct().ToList();
            bool all = here.Contains(Stretch.Lengths);
            string where =
                here.Contains(Stretch.Band) ? "on the brassy band first"
                : here.Contains(Stretch.Scalp) ? "on the light roots first"
                : "";
            return new GuideStep(
                StepKind.Paint,
                title,
                [
                    (where.Length, all) switch
                    {
                        (0, _) => "Slices as wide as a finger. Work it through from root to end and comb it.",
                        (_, true) => $"Slices as wide as a finger. Work it {where}, then through to the ends, and comb it.",
                        _ => $"Slices as wide as a finger. Work it {where} and keep it there: the rest comes last.",
                    },
                ],
                zone,
                Rules: ["AP10", "AP12", "SV17"]
            );
        }

        bool lift = c.Goal.Service == Service.BaseLift,
            twice = clock.InTwo(zone);
        string slices = lift ? "Partings a finger's width apart." : "Thin partings, 3 to 6 mm.";
        string faces =
            c.House.Way<PartingFace>() == PartingFace.UndersideFirst
                ? "Underside first, turn it over, then the top."
                : "Paint the top side, turn it over, paint the underside.";
        var lines = new List<string>
        {
            stroke.Scalp ? "Now the stretch at the scalp, a thumb's width: it is warm there and goes faster." : $"{slices} {faces}",
        };
        if (twice && !stroke.Scalp)
        {
            lines.Add("Begin a thumb's width off the scalp and work it along the new hair with your hands; the scalp comes later.");
        }

        lines.Add(
            stroke.Scalp ? "Up to the hair that is on already. Press in, no rubbing."
            : shadow ? Tail(zone)
            : "Stop 2 to 3 mm before the coloured hair. Press in, no rubbing."
        );
        if (lift)
        {
            lines.Add("Enough on every hair: less of it lifts no less, it only comes out blotchy.");
        }

        if (read.Resistant || read.Grey.Value >= .5)
        {
            lines.Add("White here: a fuller coat, hairs wet through.");
        }

        if (zone == Zone.FrontHairline)
        {
            lines.Add("Slant the partings and catch the small hairs just outside the hairline.");
        }

        if (Comb(zone, twice && !stroke.Scalp) is { } comb)
        {
            lines.Add(comb);
        }

        title += twice
            ? stroke.Scalp
                ? ", at the scalp"
                : ", the grown hair"
            : "";
        return new GuideStep(
            StepKind.Paint,
            title,
            lines,
            zone,
            Rules: ["AP10", "AP11", "AP12", "DO6", "DO9", "RD8", "SV1", "TM6", "DV13"],
            Scalp: stroke.Scalp
        );
    }

    /// <summary>Combing of permanent colour, where the house has it (AP12): never over a line of demarcation.</summary>
    /// <param name="zone">The zone that is painted.</param>
    /// <param name="grown">Whether the long hair grown out is being painted.</param>
    private string? Comb(Zone zone, bool grown) =>
        c.House.Way<Combing>() switch
        {
            Combing.Through when HairState.Of(c.Reading, zone, Stretch.Lengths).Kind == HairKind.Natural =>
                "Comb it through once, from the root to where the colour ends.",
            Combing.Through when grown => "Comb the new hair once, and stop short of the coloured hair.",
            Combing.RootOnly or Combing.Through when c.Reading.Zones[(int)zone].Resistant => "Comb the root once, away from the coloured hair.",
            _ => null,
        };

    /// <summary>How far the tail of a shadow is feathered here, over a band first.</summary>
    private string Tail(Zone zone)
    {
        var tail = p.RowsOf(0).Where(r => r.Zone == zone && r.Does == Does.Blend).ToList();
        double mm = tail.Sum(r => r.ToMm - r.FromMm);
        return tail.Any(r => r.Stretch == Stretch.Band)
            ? $"Feather it over the brassy band first, {mm:0} mm past the line, lighter and lighter."
            : $"Feather it {mm:0} mm past the line, lighter and lighter.";
    }

    private GuideStep Wait(double lastMinutes)
    {
        bool quick = c.Goal.How == How.QuickTone;
        return new GuideStep(
            StepKind.Wait,
            "Look again, then wait",
            [
                combed
                    ? "Look for dry hair and cover what was missed."
                    : "Open the hair the other way round and look for white or dry hair. Cover what was missed.",
                "Wipe drips and ears with a damp cloth. Blot, do not scrub.",
                quick ? "Wipe one strand clean every half minute and look: rinse the moment it is right."
                : c.Goal.Service is Service.BaseLift or Service.Gloss ? "Wipe one strand clean every 3 to 5 minutes and look."
                : "Leave the roots lifted and open. No cap, no heat.",
                "It looks darker while it works: that is the air at it, not the result.",
            ],
            Minutes: Minutes.Of(Math.Max(0, clock.ProcessMinutes.Value - lastMinutes)),
            Rules: ["AP13", "AP14", "AP15", "AP16", "AP17", "TM1", "TM3", "SH15", "SV18"]
        );
    }
}
