using Kitto.Core.Clock;
using Kitto.Core.Colour;
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

/// <summary>Steps 1 to 7: what is settled before any shade is chosen.</summary>
public static partial class Prescriber
{
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
                formula.OnRoots && formula.Use != FormulaUse.Second ? reading.DecisiveGrey : Share.Of(0),
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
            why.Add(new MovedByReports(c.Reports.Count, c.Reports.Count(r => r.Seen is not null), residual));
        }

        return new Laid(c, roots, strand, decision, hands, belief, clocks, sizes, Softens(c, line), residual, plan, days);
    }

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

    /// <summary>A departure from the house, with who decided it and why.</summary>
    private static Reason DecidedFor(House house, HerWay way)
    {
        var rule = RuleBook.Find(way.Rule)!;
        string Says(string name) => rule.Options!.First(o => o.Name == name).Says;
        return rule.Kind == RuleKind.Caution
            ? new DecidedInSpite(way.Rule, way.Reason, way.By, way.On)
            : new DecidedOtherwise(way.Rule, Says(way.Way), Says(house.Usual(way.Rule)), way.Reason, way.By, way.On);
    }

    private static bool Softens(Case c, Line line) =>
        c.Goal.Service is not (Service.Gloss or Service.BaseLift or Service.Lighten)
        && line.Kind != LineKind.Lightener
        && (
            c.Reading.Included.Any(z => z.Read.Resistant)
            || (c.Reading.Last?.Result?.Coverage == Coverage.GreyShows && c.Reading.DecisiveGrey.Value >= Values.NoGrey)
        );
}
