using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Rules;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Learning;

/// <summary>A kit that was tried out where the house would send one, too.</summary>
internal sealed partial class KitTrial
{
    private readonly StudyHead head;
    private readonly Trial trial;
    private readonly TrialKit kit,
        house;
    private readonly Shelf shelf;
    private readonly Language language;
    private readonly Prescription would;
    private readonly TrialOutcome outcome,
        best;
    private readonly List<TrialFinding> findings = [];

    public KitTrial(StudyHead head, Trial trial, TrialKit kit, Shelf shelf)
    {
        (this.head, this.trial, this.kit, this.shelf, language) = (head, trial, kit, shelf, head.Case.House.Language);
        house = TrialKit.Of(head.Case.Goal.Service, head.Best);
        would = Forced(kit);
        outcome = OutcomeOf(would, kit);
        best = OutcomeOf(head.Best, house);
    }

    public TrialVerdict Verdict()
    {
        var differs = Differs();
        if (would.Decision == Decision.Salon)
        {
            foreach (var b in would.Because.Where(b => b.About == Topic.Salon))
            {
                Found(TrialJudge.OfTheChair(b.Rule), new NotForAKit(b.Rule), b.Says, Values.TrialWrongDecisionLoss);
            }
        }

        Tests();
        Colour(differs);
        White();
        Strength();
        Amount();
        Contact();
        var ordered = findings.OrderBy(f => f.Gravity).ThenByDescending(f => f.Loss).ToList();
        return new TrialVerdict(
            TrialJudge.Score(ordered),
            ordered,
            differs,
            Rules(ordered),
            ordered.Count == 0 ? language.Says(new NothingMissed(Decision.Kit)) : null,
            would
        );
    }

    private void Found(Gravity gravity, TrialSays says, string why, double loss) =>
        findings.Add(new TrialFinding(gravity, says.Rule, says.Topic, language.Says(says), why, loss));

    /// <summary>A kit forced through the engine: its shades, strength, order and time stand, whatever the rules would choose.</summary>
    private Prescription Forced(TrialKit k) =>
        Prescriber.Reckon(
            head.Case with
            {
                Goal = GoalOf(k.Service),
                LineId = k.Line,
                Formula = new GivenFormula(FormulaUses.First(k.Service), k.Parts, k.Developer, HandMade: true),
                Painting = new PaintWish(k.Order, null) { Process = k.Process },
            },
            shelf,
            ideas: false
        );

    /// <summary>The wish as another service would be asked for it: what is wished for the lengths goes to the lengths, and the other way round.</summary>
    private Goal GoalOf(Service service)
    {
        var (goal, lengths) = (head.Case.Goal, head.Case.Reading.Hair.Lengths);
        bool was = goal.Service == Service.Gloss,
            now = service == Service.Gloss;
        return (was, now) switch
        {
            _ when service == goal.Service => goal,
            (false, true) => goal with
            {
                Service = service,
                Level = goal.Lengths?.Level ?? lengths.Level,
                Tone = goal.Lengths?.Tone ?? lengths.Tone,
                Lengths = null,
            },
            (true, false) => goal with
            {
                Service = service,
                Level = head.Case.Reading.Hair.NaturalLevel,
                Tone = Tone.Neutral,
                Lengths = service == Service.RootAndGloss ? new LengthsGoal(goal.Level, goal.Tone) : null,
            },
            _ => goal with { Service = service },
        };
    }

    private TrialOutcome OutcomeOf(Prescription p, TrialKit k)
    {
        var goal = head.Case.Goal;
        Lab? target = Lab(head.Best.Forecast.Target),
            roots = goal.Service == Service.Gloss ? null : target,
            lengths = goal.Service == Service.Gloss ? target
            : goal.Service == Service.RootAndRefresh ? Lab(head.Best.Forecast.LengthsTarget) ?? target
            : Lab(head.Best.Forecast.LengthsTarget);
        double Miss(Func<StrandRow, bool> of, Lab? wish)
        {
            double sum = 0,
                weight = 0;
            foreach (var zone in p.Strand.Where(z => head.Case.Reading.Zones[(int)z.Zone].Include))
            {
                foreach (var row in zone.Stretches.Where(r => of(r) && r is { Today: not null, After: not null, Does: not Does.Blend }))
                {
                    // A band is what one looks at; the ends hang below.
                    double counts =
                        zone.Zone.SeenWeight()
                        * row.Stretch switch
                        {
                            Stretch.Band => 2,
                            Stretch.Ends => .5,
                            _ => 1,
                        };
                    sum += counts * Difference2000.Between(Lab(row.After)!.Value, wish ?? Lab(row.Today)!.Value);
                    weight += counts;
                }
            }

            return weight == 0 ? 0 : Math.Round(sum / weight, 2);
        }

        var risk = OrderRisk.Of(
            p.Quantity!.BaseGrams,
            HandFactor.Learned(head.Case.Reading.Hands),
            p.Quantity.ResidueGrams,
            Grams.Of(Math.Max(k.Grams.Value, p.Quantity.ResidueGrams.Value + .01))
        );
        return new TrialOutcome(
            Miss(r => r.Regrowth, roots),
            Miss(r => r.OnLengths || r.Stretch == Stretch.Band, lengths),
            Share.Of(Math.Round(risk.RunsOut.Value, 3)),
            risk.Left.Tenths(),
            Math.Round(Misses(p, k).Select(m => Math.Abs(m.Miss)).DefaultIfEmpty(0).Max(), 1),
            WhiteStaysBy(p, k) is not null
        );
    }

    private static Lab? Lab(Look? look) => look is null ? null : Core.Colour.Lab.Of(look.Lab);

    /// <summary>Minutes by which each zone is outside its window, a scalp stretch that is painted after it for itself.</summary>
    private IEnumerable<(ZoneTime Time, double Miss)> Misses(Prescription p, TrialKit k)
    {
        var line = shelf.Find(p.Formulas[0].Line)!;
        foreach (var z in p.Clock!.Zones)
        {
            yield return (z, ContactWindow.Of(z.Zone, head.Case.Reading.Zones[(int)z.Zone], line, k.Service).Miss(z.ContactMinutes));
        }

        foreach (var z in p.Clock.Scalp ?? [])
        {
            yield return (z, ContactWindow.OfScalp(head.Case.Reading.Zones[(int)z.Zone], line, k.Service).Miss(z.ContactMinutes));
        }
    }

    /// <summary>Every choice that differs, and what putting it right alone would do.</summary>
    private List<TrialDifference> Differs()
    {
        var found = new List<TrialDifference>();
        void Differ(TrialChoice choice, bool differs, Func<TrialKit, string> says, TrialKit righted)
        {
            if (differs)
            {
                found.Add(
                    new TrialDifference(choice, says(kit), says(house), outcome, OutcomeOf(choice == TrialChoice.Grams ? would : Forced(righted), righted))
                );
            }
        }

        bool other = kit.Service != house.Service,
            comparable = FormulaUses.First(kit.Service) == FormulaUses.First(house.Service);
        Differ(
            TrialChoice.Service,
            other,
            k => Json.Spaced(Json.Name(k.Service)),
            kit with
            {
                Service = house.Service,
                Line = house.Line,
                Parts = house.Parts,
                Developer = house.Developer,
                Grams = house.Grams,
            }
        );
        Differ(
            TrialChoice.Mix,
            comparable && (kit.Line != house.Line || !SelectedFormula.Same(kit.Parts, house.Parts)),
            k => $"{MixPart.Written(k.Parts)}, {shelf.Find(k.Line)!.Name}",
            kit with
            {
                Line = house.Line,
                Parts = house.Parts,
            }
        );
        Differ(
            TrialChoice.Developer,
            comparable && Math.Abs(kit.Developer.Value - house.Developer.Value) > .01,
            k => k.Developer.ToString(),
            kit with
            {
                Developer = house.Developer,
            }
        );
        Differ(
            TrialChoice.Grams,
            !other && Math.Abs(kit.Grams.Value - house.Grams.Value) >= 1,
            k => k.Grams.Tenths().ToString(),
            kit with
            {
                Grams = house.Grams,
            }
        );
        Differ(TrialChoice.Order, kit.Order != house.Order, k => language.Term(k.Order), kit with { Order = house.Order });
        Differ(TrialChoice.Time, Math.Abs(kit.Process.Value - house.Process.Value) >= 1, k => k.Process.ToString(), kit with { Process = house.Process });
        return found;
    }

    /// <summary>What the head asked for, rule by rule, and whether it was known; what was got wrong goes before what was got right.</summary>
    private List<RuleShown> Rules(IReadOnlyList<TrialFinding> found)
    {
        bool Fine(params Topic[] about) => !found.Any(f => about.Contains(f.About));
        var shown = found.Where(f => f.Gravity != Gravity.Waste).Select(f => new RuleShown(f.Rule, false)).ToList();
        void Asked(string? rule, bool right)
        {
            if (rule is not null)
            {
                shown.Add(new RuleShown(rule, right));
            }
        }

        var because = head.Best.Because;
        Asked(because.FirstOrDefault(b => b.About == Topic.Developer)?.Rule, Fine(Topic.Developer));
        Asked(
            because.Any(b => b is { Rule: "SH5", About: Topic.Shade }) ? "SH5"
                : (head.Case.Goal.Tone ?? Tone.Neutral).IsNeutral ? "SH16"
                : "SH18",
            Fine(Topic.Shade)
        );
        Asked(head.Best.Advice.Single(a => a.Service == house.Service).Because[0], Fine(Topic.Service));
        Asked(because.Any(b => b.Rule == "DO8") ? "DO8" : "DO1", Fine(Topic.Quantity));
        Asked("TM5", Fine(Topic.Clock) || kit.Order == house.Order);
        Asked("TM1", Fine(Topic.Clock));
        foreach (string rule in head.Best.Holds)
        {
            Asked(rule, !found.Any(f => f.Rule == rule));
        }

        shown.AddRange(TrialJudge.ReadRules(head, trial.Reading));
        return [.. shown.GroupBy(s => s.Rule).Select(g => new RuleShown(g.Key, g.All(s => s.Right)))];
    }
}
