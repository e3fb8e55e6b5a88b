namespace Kitto.Core.Learning;

/// <summary>What one head or one drill showed of one rule.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="Right">Whether it was known.</param>
/// <param name="On">The day, on the studio's calendar.</param>
public sealed record RuleEvidence(string Rule, bool Right, DateOnly On);

/// <summary>How well one person knows one rule.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="Right">How often it was right.</param>
/// <param name="Wrong">How often it was wrong.</param>
/// <param name="InARow">Right since it was last wrong.</param>
/// <param name="Repetitions">Repetitions that were due and right since it was last wrong.</param>
/// <param name="Ease">The easiness factor, 1.3 and above.</param>
/// <param name="IntervalDays">Days to the next repetition; 0: it comes back the same day.</param>
/// <param name="Last">When it was last asked.</param>
public sealed record RuleStand(string Rule, int Right, int Wrong, int InARow, int Repetitions, double Ease, int IntervalDays, DateOnly Last)
{
    /// <summary>A rule counts as known when it was right so often in a row (ours).</summary>
    public const int KnownFrom = 3;

    /// <summary>When it comes back.</summary>
    public DateOnly Due => Last.AddDays(IntervalDays);

    /// <summary>Whether it counts as known.</summary>
    public bool Known => InARow >= KnownFrom;
}

/// <summary>
/// What was wrong comes back sooner: SM-2, the spaced repetition of P. A. Woźniak, "Optimization of learning" (1990; from memory).
/// A right answer has the grade 4, a wrong one 1. What is right before it is due leaves the days as they are; what is wrong comes back the same day.
/// </summary>
public static class Practice
{
    private const int RightGrade = 4,
        WrongGrade = 1;
    private const double FirstEase = 2.5,
        LeastEase = 1.3;

    /// <summary>How many heads of a kind in a row have to be safe before the next kind is begun (ours).</summary>
    public const int SafeInARow = 2;

    /// <summary>So many heads of a kind, and the next kind is begun all the same: what was wrong comes back by its rule (ours).</summary>
    public const int MostOfAKind = 6;

    /// <summary>Every so many heads comes one on which nothing is to be mixed, so that it may be any head (ours).</summary>
    private const int RefusalEvery = 5;

    /// <summary>How well each rule is known, by what was shown, oldest first.</summary>
    public static IReadOnlyList<RuleStand> Of(IEnumerable<RuleEvidence> shown) =>
        [.. shown.GroupBy(e => e.Rule).Select(g => g.Aggregate((RuleStand?)null, After)!)];

    /// <summary>The stand of a rule after one more answer.</summary>
    private static RuleStand After(RuleStand? before, RuleEvidence shown)
    {
        var was = before ?? new RuleStand(shown.Rule, 0, 0, 0, 0, FirstEase, 0, shown.On);
        if (!shown.Right)
        {
            return was with { Wrong = was.Wrong + 1, InARow = 0, Repetitions = 0, Ease = Eased(was.Ease, WrongGrade), IntervalDays = 0, Last = shown.On };
        }

        var right = was with { Right = was.Right + 1, InARow = was.InARow + 1 };
        if (before is not null && shown.On < was.Due)
        {
            return right;
        }

        int repetitions = was.Repetitions + 1;
        double ease = Eased(was.Ease, RightGrade);
        int days = repetitions switch
        {
            1 => 1,
            2 => 6,
            _ => (int)Math.Ceiling(was.IntervalDays * ease),
        };
        return right with { Repetitions = repetitions, Ease = ease, IntervalDays = days, Last = shown.On };
    }

    private static double Eased(double ease, int grade) => Math.Max(LeastEase, ease + .1 - (5 - grade) * (.08 + (5 - grade) * .02));

    /// <summary>The kind of head to learn on next: what is due comes first, then the easiest kind that is not yet safe.</summary>
    /// <param name="stands">How well each rule is known.</param>
    /// <param name="done">The kinds of head that were signed, oldest first, and whether they were safe.</param>
    /// <param name="today">The day.</param>
    public static StudyKind Next(IReadOnlyList<RuleStand> stands, IReadOnlyList<(StudyKind Kind, bool Safe)> done, DateOnly today)
    {
        var lots = new Lots(done.Count * 104729L);
        if (done.Count % RefusalEvery == RefusalEvery - 1)
        {
            return lots.Of(StudyKind.Salon, StudyKind.Stop);
        }

        // What was wrong goes before what is only to be looked at again; every other head, so that new things come, too.
        var due = stands.Where(s => s.Due <= today).OrderBy(s => s.InARow).ThenBy(s => s.Due).FirstOrDefault();
        if (due is not null && done.Count % 2 == 1)
        {
            return lots.Of(Asking(due.Rule));
        }

        return StudyHeads.Drawn.FirstOrDefault(
            k =>
                done.Where(d => d.Kind == k).Select(d => d.Safe).ToList() is var had
                && had.Count < MostOfAKind
                && had.TakeLast(SafeInARow).Count(safe => safe) < SafeInARow,
            lots.Of(StudyHeads.Drawn)
        );
    }

    /// <summary>Kinds of head that ask for a rule.</summary>
    public static IReadOnlyList<StudyKind> Asking(string rule) =>
        rule switch
        {
            "SA5" or "SA12" => [StudyKind.OwnLevel, StudyKind.White],
            _ when TrialJudge.OfTheChair(rule) == Gravity.Harm => [StudyKind.Salon],
            "SV3" or "SV4" or "SH9" or "SH12" => [StudyKind.Salon],
            _ when rule.StartsWith("SA", StringComparison.Ordinal) => [StudyKind.Stop],
            "DV4" or "SV6" => [StudyKind.Lift],
            "DO8" => [StudyKind.RunsOut],
            "DV3" or "SH5" or "SH6" or "SV7" or "RD3" => [StudyKind.White, StudyKind.Resistant],
            "RD4" or "TM1" or "TM5" or "TM8" => [StudyKind.Resistant],
            "SV9" or "SV14" or "SV15" or "SH8" or "SV2" or "DV5" or "DO3" => [StudyKind.Lightened],
            "RD11" => [StudyKind.Band],
            _ => [StudyKind.OwnLevel],
        };
}
