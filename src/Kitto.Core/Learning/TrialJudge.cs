using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core.Learning;

/// <summary>Judges a prescription that was tried out: it is forced through the engine, and what would come of it is laid beside what comes of the house's. Likeness counts for nothing.</summary>
public static class TrialJudge
{
    /// <summary>The verdict on a trial.</summary>
    /// <param name="head">The head.</param>
    /// <param name="trial">What was prescribed.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <exception cref="InvalidOperationException">The shelf lacks what the head or the trial takes.</exception>
    public static TrialVerdict Of(StudyHead head, Trial trial, Shelf shelf)
    {
        var language = head.Case.House.Language;
        if (head.Best.Decision == Decision.Kit && trial is { Decision: Decision.Kit, Kit: { } kit })
        {
            return new KitTrial(head, trial, kit, shelf).Verdict();
        }

        var findings = Decided(head, trial, language);
        double loss = findings.Sum(f => f.Loss);
        return new TrialVerdict(
            Score(findings),
            findings,
            [],
            [.. Named(head, trial).Concat(ReadRules(head, trial.Reading))],
            findings.Count == 0 ? language.Says(new NothingMissed(trial.Decision)) : null,
            null
        );
    }

    /// <summary>A head on which the decision alone counts.</summary>
    private static List<TrialFinding> Decided(StudyHead head, Trial trial, Language language)
    {
        var best = head.Best;
        var deciding = best.Because.Where(b => b.About is Topic.Stop or Topic.Salon).ToList();
        TrialFinding Found(Gravity gravity, TrialSays says, string why, double loss) => new(gravity, says.Rule, says.Topic, language.Says(says), why, loss);
        return (best.Decision, trial.Decision) switch
        {
            (var needed, var said) when needed == said => [],
            (Decision.Stop, var said) =>
            [
                .. deciding.Where(b => b.About == Topic.Stop).Select(b => Found(Gravity.Harm, new StopOverlooked(b.Rule, said == Decision.Salon), b.Says, 100)),
            ],
            (Decision.Salon, Decision.Kit) =>
            [
                .. deciding.Select(b =>
                    // One decision was wrong, for however many reasons.
                    Found(OfTheChair(b.Rule), new SalonOverlooked(b.Rule), b.Says, b == deciding[0] ? Values.TrialWrongDecisionLoss : 0)
                ),
            ],
            (var needed, _) =>
            [
                Found(
                    Gravity.Wrong,
                    new TooCareful(needed == Decision.Salon ? deciding[0].Rule : Fitting(best, head).Because[0], needed),
                    needed == Decision.Salon ? deciding[0].Says : Fitting(best, head).Says!,
                    Values.TrialWrongDecisionLoss
                ),
            ],
        };
    }

    /// <summary>How grave it is that something went out which only the salon should do: lightener and strong developer can hurt (SA7, SA8, SA11).</summary>
    internal static Gravity OfTheChair(string rule) => rule is "SA7" or "SA8" or "SA11" ? Gravity.Harm : Gravity.Wrong;

    private static ServiceAdvice Fitting(Prescription best, StudyHead head) => best.Advice.Single(a => a.Service == head.Case.Goal.Service);

    /// <summary>The rules that decide such a head.</summary>
    private static IEnumerable<RuleShown> Named(StudyHead head, Trial trial) =>
        head
            .Best.Because.Where(b => b.About is Topic.Stop or Topic.Salon)
            .Select(b => b.Rule)
            .Distinct()
            .Select(rule => new RuleShown(rule, trial.Decision == head.Best.Decision));

    /// <summary>How well the head was read; what was not said shows nothing.</summary>
    internal static IEnumerable<RuleShown> ReadRules(StudyHead head, TrialReading read)
    {
        var reading = head.Case.Reading;
        if (read.Natural is { } natural)
        {
            yield return new RuleShown("RD1", Math.Abs(natural.Value - reading.Hair.NaturalLevel.Value) <= Values.TrialLevelWithin);
        }

        if (read.White is { } white)
        {
            yield return new RuleShown("RD3", Math.Abs(white.Value - reading.DecisiveGrey.Value) <= Values.TrialWhiteWithin);
        }

        if (read.Regrowth is { } mm)
        {
            yield return new RuleShown("RD2", Math.Abs(mm.Value - reading.MeanRegrowth.Value) <= Values.TrialRegrowthWithinMm);
        }
    }

    /// <summary>Points of a hundred; whoever could be hurt leaves none.</summary>
    internal static int Score(IReadOnlyCollection<TrialFinding> findings) =>
        findings.Any(f => f.Gravity == Gravity.Harm) ? 0 : (int)Math.Round(Math.Clamp(100 - findings.Sum(f => f.Loss), 0, 100));
}
