using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core;

/// <summary>The steps of a guide, read off the strand plan: what goes where, in which order, for how long.</summary>
internal sealed partial class GuideSteps(Case c, Prescription p, Shelf shelf, Language language)
{
    private readonly Schedule clock = p.Clock!;
    private readonly Formula first = p.Formulas[0];
    private readonly Line line = shelf.Find(p.Formulas[0].Line)!;
    private readonly bool combed = p.Formulas[0].Use == FormulaUse.Lengths,
        shadow = p.Formulas[0].Use == FormulaUse.Shadow;

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
            Step(
                StepKind.Rinse,
                Tells.Rinse,
                [
                    new Tell(Tells.ColourTakesStain),
                    new RinseClear(c.House.Way<RinseWater>() == RinseWater.CoolLast),
                    new Tell(
                        combed ? Tells.ShampooOnceCondition
                        : p.Formulas.Count > 1 ? Tells.ShampooTowelDry
                        : Tells.ShampooTwiceCondition
                    ),
                ],
                ["AF1", "AF2", "AF3", "AF4"]
            )
        );
        if (!combed && p.Formulas.Count > 1)
        {
            int second = p.Formulas.Select((f, i) => (f, i)).Where(x => x.f.Use == FormulaUse.Second).Select(x => x.i).DefaultIfEmpty(-1).First();
            steps.AddRange(second > 0 ? Rinsed([second], rinse: true) : []);
            // The band before the lengths (SV17).
            int[] glosses =
            [
                .. p.Formulas.Select((f, i) => (f, i)).Where(x => x.i > 0 && x.i != second).OrderByDescending(x => x.f.Use == FormulaUse.Band).Select(x => x.i),
            ];
            steps.AddRange(glosses.Length > 0 ? Rinsed(glosses, rinse: true) : []);
        }

        steps.Add(After());
        return steps;
    }

    /// <summary>A step, said.</summary>
    private GuideStep Step(
        StepKind kind,
        Saying title,
        IEnumerable<GuideLine> lines,
        IReadOnlyList<string> rules,
        Zone? zone = null,
        Minutes? minutes = null,
        bool scalp = false
    ) => new(kind, language.Says(title), [.. lines.Select(language.Says)], zone, minutes, rules, scalp);

    private GuideStep Step(StepKind kind, Tells title, IEnumerable<GuideLine> lines, IReadOnlyList<string> rules, Minutes? minutes = null) =>
        Step(kind, new Tell(title), lines, rules, minutes: minutes);

    private static IEnumerable<GuideLine> Lines(params IEnumerable<Tells?> some) => some.OfType<Tells>().Select(t => new Tell(t));

    private GuideStep Prepare() =>
        Step(
            StepKind.Prepare,
            Tells.GetReady,
            Lines(
                Tells.LayOut,
                (c.House.Way<Washing>(), combed) switch
                {
                    (Washing.ByService, true) => Tells.WashAndDry,
                    (Washing.WashedDayBefore, _) => Tells.WashedYesterday,
                    (Washing.Unwashed, true) => Tells.DampAndUnwashed,
                    _ => Tells.DryAndUnwashed,
                },
                Tells.BarrierCream,
                combed ? null
                    : c.House.Way<Shielding>() == Shielding.Nothing ? Tells.NothingOnLengths
                    : Tells.ConditionerOnLengths,
                c.Goal.LeaveFrame ? Tells.FrameStaysBright : null,
                Tells.PartInFour
            ),
            ["AP1", "AP2", "AP3", "AP4", "AP5", "AP6", "AP7", "SA22", "SV16"]
        );

    private GuideStep Soften() =>
        Step(
            StepKind.Prepare,
            Tells.SoftenTheWhite,
            [
                new Tell(Tells.OpenTheVial),
                new DabOn([.. c.Reading.Included.Where(z => z.Read.Resistant).Select(z => z.Zone)]),
                new Tell(c.House.Way<PreSoftening>() == PreSoftening.Long ? Tells.LeaveTenMinutes : Tells.LeaveAndGoOn),
            ],
            ["AP9", "RD4", "BE11"]
        );

    private GuideStep Mix(Formula formula, Line of, Pair pair)
    {
        bool bowl = of.Thickness == Thickness.Cream;
        return Step(
            StepKind.Mix,
            new MixThe(pair.Name, p.Formulas.Count > 1 ? formula.Use : null),
            [
                new EmptyBoth(pair.Name, formula.Use, bowl),
                new Tell(bowl ? Tells.StirSmooth : Tells.ShakeEven),
                new StartAtOnce(of.WorkingLife.Value, KeepReserve: pair.Name == Pair.Main && formula.Pairs.Count > 1),
            ],
            ["AP8", "DO10", "DO11", "DV9", "BE6"]
        );
    }

    private GuideStep Paint(Stroke stroke)
    {
        var (zone, read) = (stroke.Zone, c.Reading.Zones[(int)stroke.Zone]);
        if (combed)
        {
            var here = p.RowsOf(0).Where(r => r.Zone == zone && r.StartsAt?.Value <= clock.PaintMinutes.Value).Select(r => r.Stretch).Distinct().ToList();
            bool band = here.Contains(Stretch.Band);
            return Step(
                StepKind.Paint,
                new AtZone(zone, Turns.Only),
                [band || here.Contains(Stretch.Scalp) ? new WorkIn(band, here.Contains(Stretch.Lengths)) : new Tell(Tells.RootToEnd)],
                ["AP10", "AP12", "SV17"],
                zone
            );
        }

        bool lift = c.Goal.Service == Service.BaseLift,
            grown = clock.InTwo(zone) && !stroke.Scalp;
        var lines = new List<GuideLine>
        {
            stroke.Scalp ? new Tell(Tells.ScalpStretch) : new Partings(lift, c.House.Way<PartingFace>() == PartingFace.UndersideFirst),
        };
        if (grown)
        {
            lines.Add(new Tell(Tells.BeginOffTheScalp));
        }

        lines.Add(
            stroke.Scalp ? new Tell(Tells.UpToWhatIsOn)
            : shadow ? Tail(zone)
            : new Tell(Tells.StopBeforeColoured)
        );
        lines.AddRange(
            Lines(
                lift ? Tells.EnoughOnEveryHair : null,
                read.Resistant || read.Grey.Value >= .5 ? Tells.WhiteHere : null,
                zone == Zone.FrontHairline ? Tells.SlantPartings : null,
                Comb(zone, grown)
            )
        );
        return Step(
            StepKind.Paint,
            new AtZone(
                zone,
                stroke.Scalp ? Turns.Scalp
                    : grown ? Turns.Grown
                    : Turns.Only
            ),
            lines,
            ["AP10", "AP11", "AP12", "DO6", "DO9", "RD8", "SV1", "TM6", "DV13"],
            zone,
            scalp: stroke.Scalp
        );
    }

    /// <summary>Combing of permanent colour, where the house has it (AP12): never over a line of demarcation.</summary>
    /// <param name="zone">The zone that is painted.</param>
    /// <param name="grown">Whether the long hair grown out is being painted.</param>
    private Tells? Comb(Zone zone, bool grown) =>
        c.House.Way<Combing>() switch
        {
            Combing.Through when HairState.Of(c.Reading, zone, Stretch.Lengths).Kind == HairKind.Natural => Tells.CombToTheEnd,
            Combing.Through when grown => Tells.CombNewHair,
            Combing.RootOnly or Combing.Through when c.Reading.Zones[(int)zone].Resistant => Tells.CombTheRoot,
            _ => null,
        };

    /// <summary>How far the tail of a shadow is feathered here, over a band first.</summary>
    private Feather Tail(Zone zone)
    {
        var tail = p.RowsOf(0).Where(r => r.Zone == zone && r.Does == Does.Blend).ToList();
        return new Feather(tail.Sum(r => r.ToMm - r.FromMm), tail.Any(r => r.Stretch == Stretch.Band));
    }

    private GuideStep Wait(double lastMinutes) =>
        Step(
            StepKind.Wait,
            Tells.LookAndWait,
            Lines(
                combed ? Tells.CoverDryHair : Tells.OpenOtherWay,
                Tells.WipeDrips,
                c.Goal.How == How.QuickTone ? Tells.WipeEveryHalfMinute
                    : c.Goal.Service is Service.BaseLift or Service.Gloss ? Tells.WipeEveryFewMinutes
                    : Tells.RootsLifted,
                Tells.LooksDarker
            ),
            ["AP13", "AP14", "AP15", "AP16", "AP17", "TM1", "TM3", "SH15", "SV18"],
            Minutes.Of(Math.Max(0, clock.ProcessMinutes.Value - lastMinutes))
        );
}
