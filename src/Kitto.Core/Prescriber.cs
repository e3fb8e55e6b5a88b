using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Rules;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core;

/// <summary>The one way through: a case and a shelf make a prescription. A straight line in the order of the tables; no step reaches back.</summary>
public static class Prescriber
{
    /// <summary>Prescribes. The same case and shelf always give the same answer.</summary>
    /// <param name="read">The case, as read.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <exception cref="InvalidOperationException">The shelf lacks a line the case needs.</exception>
    public static Prescription Prescribe(Case read, Shelf shelf)
    {
        var p = Reckon(read, shelf);
        return read.Assumed.Count == 0 || p.Decision == Decision.Stop ? p : Assumptions.Judge(read, shelf, p);
    }

    /// <summary>The answer, with what was assumed taken as if it had been said.</summary>
    internal static Prescription Reckon(Case read, Shelf shelf)
    {
        var why = new List<Reason>();
        if (Lay(read, shelf, why) is not { } laid)
        {
            return Stopped(read, why);
        }

        var (c, strand, sizes, main) = (laid.Case, laid.Strand, laid.Sizes, laid.Clocks[0].Schedule);
        bool kit = laid.Decision == Decision.Kit;

        // 8 mix, on the head it meets at these times, of parts that can be weighed in this kit
        var chosen = new List<SelectedFormula>();
        foreach (var (formula, at) in strand.Formulas.Select((f, at) => (f, at)))
        {
            var before =
                formula.Use == FormulaPlan.Second && chosen[0] is { ApplicationTarget: { } met, Mix: { } on } ? (met, on) : ((ApplicationTarget, Mixture)?)null;
            var canvas =
                formula.Line.Kind == LineKind.Lightener ? null : ApplicationTarget.Of(formula, at, strand, c.Reading, laid.Soften, laid.Residual, before);
            chosen.Add(SelectedFormula.Of(formula, c.Reading, canvas, laid.Rules(at), at == 0, why));
        }

        var pulled =
            strand.Pulled && chosen[0].ApplicationTarget is not null ? ApplicationTarget.Pulled(strand.Formulas[0], strand, c.Reading, laid.Residual) : null;
        if (pulled is not null && pulled.Spoils(pulled.Look(chosen[0].Mix!)))
        {
            why.Add(new PulledTooDeep());
        }

        var planWhy = new List<Reason>();
        var next = NextKit.Of(c.Reading, strand.Formulas[0].Wish.Level, c.Goal.Service, strand.Formulas[0].Line, laid.Plan?.ColourOn, planWhy);
        var (forecast, looks) = HeadForecast.Of(c.Reading, strand, chosen, main, pulled, next?.InWeeks ?? (Values.SoftWeeksFrom + Values.SoftWeeksTo) / 2, why);
        double? spread = HeadForecast.Spread(chosen[0], main, why);

        // 9 parts
        var formulas = chosen
            .Select((m, at) => Amount.WeighOut(m.Plan, m.Parts, sizes[at], c.House, kit, strand.Formulas.Take(at).All(f => f.Line != m.Plan.Line), why))
            .ToList();
        Amount.Say(c, laid.Hands, laid.Belief, strand, sizes, formulas, kit, why);

        why.AddRange(planWhy);
        var lines = formulas.Select(f => f.Line).Distinct().ToList();
        var skin = Holds.Skin(c.Reading.Client, [.. lines.Select(l => shelf.Find(l)!)], laid.Days, c.House, why, kit);
        var tested = Holds.Strand(c.Reading.Client, SameAsLast(c, chosen[0]), why, kit);
        if (laid.Soften)
        {
            why.Add(new WhiteTouchedFirst(c.House.Way<PreSoftening>() == PreSoftening.Long));
        }

        Grams Total(Func<Sizing, Grams> of) => Grams.Of(sizes.Sum(s => of(s).Value)).Tenths();
        var sent = Grams.Of(Math.Round(formulas.Sum(f => f.MixGrams.Value), 3));
        var mistakes = OrderRisk.Of(Grams.Of(sizes.Sum(s => s.Base.Value)), laid.Belief, Grams.Of(sizes.Sum(s => s.Residue.Value)), sent);
        return new Prescription(
            Prescription.Version,
            laid.Decision,
            [.. new[] { skin == SkinState.Required ? "SA5" : null, tested == StrandState.Required ? "SA12" : null }.OfType<string>()],
            c.House.Language.Because(Order(why)),
            Advice.On(c, laid.Roots),
            formulas,
            new Quantities(
                Total(s => s.Base),
                Total(s => s.Use),
                Total(s => s.UseLow),
                Total(s => s.UseHigh),
                Total(s => s.Residue),
                sent,
                laid.Clocks[0].Batches.Count,
                Share.Of(Math.Round(mistakes.RunsOut.Value, 4)),
                mistakes.Left.Tenths()
            ),
            main with
            {
                SpreadDeltaE = spread,
            },
            forecast,
            Others(chosen[0], formulas[0], c.House),
            new KitTests(
                skin,
                tested,
                Values.SkinTestHours,
                Grams.Of(Values.SkinTestGrams),
                Grams.Of(Values.StrandTestGrams),
                Grams.Of(laid.Soften ? Values.PreSoftenGrams : 0)
            ),
            laid.Plan,
            next
        )
        {
            Strand = looks,
            Confirm =
            [
                .. chosen
                    .Where(m => !m.Plan.Wish.Clear && m.MixForecast?.DeltaE > Values.AnotherColourDeltaE)
                    .Select(m => new Confirmation(m.Plan.Use, c.House.Language.Says(new PlainlyAnother(m.Plan.Use, m.MixForecast!.DeltaE)))),
            ],
        };
    }

    /// <summary>A case as far as it is settled before any shade is chosen: who, what goes where, when, and how much.</summary>
    internal sealed record Laid(
        Case Case,
        Wish Roots,
        StrandPlan Strand,
        Decision Decision,
        Hands Hands,
        HandFactor Belief,
        IReadOnlyList<Timed> Clocks,
        IReadOnlyList<Sizing> Sizes,
        bool Soften,
        Lab Residual,
        KitPlan? Plan,
        int Days
    )
    {
        /// <summary>The rules of one formula.</summary>
        public MixRules Rules(int at)
        {
            var (formula, reading) = (Strand.Formulas[at], Case.Reading);
            var states = Strand.Of(at).Where(r => r.Turn != Turn.Last).Select(r => HairState.Of(reading, r.Zone, r.Stretch)).Distinct().ToList();
            double least = Weigh.LeastShare(Sizes[at].Portions, formula.Ratio, Case.House.ScaleStep);
            return MixRules.For(
                formula,
                formula.OnRoots && formula.Use != FormulaPlan.Second ? reading.DecisiveGrey : Share.Of(0),
                states,
                formula.Dilutes ? least * 2 : least,
                reading.Hair.Porosity == Porosity.High
            );
        }
    }

    /// <summary>Steps 1 to 7; null where a stop forbids any colour.</summary>
    internal static Laid? Lay(Case read, Shelf shelf, List<Reason> why)
    {
        // 1 calendar, 2 head on the day
        var planWhy = new List<Reason>();
        var plan = read.Plan is { } wish ? PlanBack.From(wish, planWhy) : null;
        int days = PlanWish.DaysAhead(read.Plan, plan);
        var c = read with { Reading = read.Reading.On(days) };

        // 3 stops
        var stops = Stops.Of(c.Reading).ToList();
        why.AddRange(stops);
        if (stops.Count > 0)
        {
            return null;
        }

        // 4 service, 5 target: every stretch of the strand
        var roots = Wishes.Of(c, why);
        var line =
            shelf.For(c.Goal, c.LineId, c.House, c.Reading.GreyIsTheReason) ?? throw new InvalidOperationException("The shelf lacks a line for this service.");
        var strand = StrandPlan.Of(c, roots, line, shelf, why);
        var chair = SalonOnly.Of(c, roots, strand, strand.Formulas.SelectMany(f => f.Blend).MaxBy(b => b.Volume.Value).Volume).ToList();
        why.AddRange(chair);
        var decision = chair.Count > 0 ? Decision.Salon : Decision.Kit;
        why.AddRange(Cautions.Of(read.Reading, c.Reading, roots, c.Goal.Service, decision == Decision.Kit));
        Advice.SayGrey(c, line, why);
        why.AddRange((c.House.ForHer ?? []).Select(w => DecidedFor(c.House, w)));
        why.AddRange(planWhy);

        // 6 clock: a salon sheet reckons with trained hands; what comes after the rinse has its own
        var hands = decision == Decision.Salon ? Hands.Trained : c.Reading.Hands;
        var clocks = strand.Formulas.Select((f, at) => Clock(c, hands, strand, at, at == 0 ? why : [])).ToList();
        strand = strand.Timed(clocks[0].Schedule, clocks.Select((t, i) => (t, i)).Skip(1).ToDictionary(x => x.i, x => x.t.Schedule));
        if (strand.Rows.FirstOrDefault(r => r.Does == Does.PullThrough) is { } through)
        {
            why.Add(new LengthsGetTheirs(through.StartsAt!.Value));
        }

        // 7 amount, which wants no shades: hair, hands and bowls
        var belief = HandFactor.Learned(hands);
        var sizes = strand.Formulas.Select((f, at) => Amount.Size(strand, at, c, clocks[at].Batches, belief, decision == Decision.Kit, why)).ToList();
        var residual = Residual.Of(c.Reports);
        if (c.Reports.Count > 0)
        {
            why.Add(new MovedByReports(c.Reports.Count, residual));
        }

        return new Laid(c, roots, strand, decision, hands, belief, clocks, sizes, Softens(c, line), residual, plan, days);
    }

    /// <summary>What decides comes first: stops, what asks for her attention, the mix, then the rest.</summary>
    private static List<Reason> Order(IEnumerable<Reason> why) =>
        [
            .. why.OrderBy(b =>
                b switch
                {
                    StopReason => 0,
                    SalonReason => 1,
                    CautionReason { Later: true } => 5,
                    CautionReason or { About: Topic.Attention } => 2,
                    { About: Topic.Shade or Topic.Lengths or Topic.Developer } => 3,
                    _ => 4,
                }
            ),
        ];

    /// <summary>The clock of one formula: the roots' by the service, a gloss after it by its own.</summary>
    private static Timed Clock(Case c, Hands hands, StrandPlan strand, int at, ICollection<Reason> why)
    {
        var formula = strand.Formulas[at];
        var on = c.Reading.Only(strand.ZonesOf(at));
        Minutes? timer = formula.Quick ? Minutes.Of(Values.QuickToneMinutes) : null;
        return at == 0
            ? Timing.Choose(on, hands, c.Goal.Service, formula.Line, formula.Wish.Level.Value, c.House, why, c.Painting, strand.InTwo, timer)
            : Timing.Choose(
                on,
                hands,
                formula.OnRoots ? Service.RootTouchUp : Service.Gloss,
                formula.Line,
                formula.Wish.Level.Value,
                c.House,
                why,
                timer: timer
            );
    }

    private static Prescription Stopped(Case c, IReadOnlyList<Reason> why) =>
        new(
            Prescription.Version,
            Decision.Stop,
            [],
            c.House.Language.Because(why),
            [],
            [],
            null,
            null,
            Forecast.None,
            [],
            new KitTests(
                c.Reading.Client.SkinTest is { Result: SkinResult.Reacted } ? SkinState.Reacted : SkinState.Required,
                c.Reading.Client.StrandTest is { Result: StrandResult.Damaged } ? StrandState.Failed : StrandState.Required,
                Values.SkinTestHours,
                Grams.Of(0),
                Grams.Of(0),
                Grams.Of(0)
            ),
            null
        );

    /// <summary>A departure from the house, with who decided it and why.</summary>
    private static Reason DecidedFor(House house, HerWay way)
    {
        var rule = RuleBook.Find(way.Rule)!;
        string Says(string name) => rule.Options!.First(o => o.Name == name).Says;
        return rule.Kind == RuleKind.Caution
            ? new DecidedInSpite(way.Rule, way.Reason, way.By, way.On)
            : new DecidedOtherwise(way.Rule, Says(way.Way), Says(house.Usual(way.Rule)), way.Reason, way.By, way.On);
    }

    private static IReadOnlyList<Alternative> Others(SelectedFormula chosen, Formula formula, House house)
    {
        double colour = formula.Parts.Sum(p => p.Grams.Value);
        return chosen is not { MixForecast: { } looked, ApplicationTarget: { } canvas }
            ? []
            :
            [
                .. chosen.Others.Select(o => new Alternative(
                    [.. o.Parts.Select(p => new AlternativePart(p.Shade, Grams.Of(colour * p.Share.Value).Tenths(), p.Share))],
                    Math.Round(o.DeltaE, 2),
                    Srgb.Hex(HeadForecast.Mean(canvas, canvas.Look(new Mixture(chosen.Plan.Line, chosen.Plan.Developer, o.Parts)))),
                    house.Language.Says(new BesideTheChosen(o.Parts.Count - chosen.Parts.Count, looked.DeltaE - o.DeltaE))
                )),
            ];
    }

    private static bool SameAsLast(Case c, SelectedFormula mix)
    {
        if (c.Reading.Last?.Formula is not { } last || last.Use != mix.Plan.Use)
        {
            return c.Formula is { HandMade: false };
        }

        return SelectedFormula.Same(last.Parts, mix.Parts) && (last.Developer is not { } v || Math.Abs(v.Value - mix.Plan.Developer.Value) < .01);
    }

    private static bool Softens(Case c, Line line) =>
        c.Goal.Service is not (Service.Gloss or Service.BaseLift or Service.Lighten)
        && line.Kind != LineKind.Lightener
        && (
            c.Reading.Included.Any(z => z.Read.Resistant)
            || (c.Reading.Last?.Result?.Coverage == Coverage.GreyShows && c.Reading.DecisiveGrey.Value >= Values.NoGrey)
        );
}
