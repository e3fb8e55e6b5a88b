using Kitto.Core.Learning;

namespace Kitto.Core.Tests.Learning;

/// <summary>Spaced repetition, and what comes next.</summary>
public sealed class PracticeTests
{
    private static readonly DateOnly Day = new(2027, 2, 1);

    private static RuleStand Stand(params (int Day, bool Right)[] shown) =>
        Practice.Of(shown.Select(s => new RuleEvidence("DV3", s.Right, Day.AddDays(s.Day)))).Single();

    /// <summary>SM-2 as published (Wozniak 1990; from memory): one day, six days, then times the easiness, which a grade of 4 leaves at 2.5.</summary>
    [Fact]
    public void Right_answers_on_their_days_come_back_after_1_6_15_and_38_days()
    {
        Assert.Equal(1, Stand((0, true)).IntervalDays);
        Assert.Equal(6, Stand((0, true), (1, true)).IntervalDays);
        Assert.Equal(15, Stand((0, true), (1, true), (7, true)).IntervalDays);
        var fourth = Stand((0, true), (1, true), (7, true), (22, true));
        Assert.Equal((38, Day.AddDays(60)), (fourth.IntervalDays, fourth.Due));
        Assert.InRange(fourth.Ease, 2.499, 2.501);
    }

    [Fact]
    public void A_wrong_answer_comes_back_the_same_day_and_begins_again()
    {
        var wrong = Stand((0, true), (1, true), (7, true), (22, false));
        Assert.Equal((0, 0, Day.AddDays(22), false), (wrong.IntervalDays, wrong.InARow, wrong.Due, wrong.Known));
        Assert.InRange(wrong.Ease, 1.95, 1.97);
        Assert.Equal(1, Stand((0, true), (1, false), (1, true)).IntervalDays);
    }

    [Fact]
    public void Ten_right_answers_in_an_hour_do_not_make_it_known_for_months()
    {
        var crammed = Stand([.. Enumerable.Repeat((0, true), 10)]);
        Assert.Equal((10, 1), (crammed.InARow, crammed.IntervalDays));
    }

    [Fact]
    public void The_easiness_never_falls_below_its_least() => Assert.InRange(Stand([.. Enumerable.Repeat((0, false), 20)]).Ease, 1.299, 1.301);

    [Fact]
    public void Kinds_come_easy_first_and_a_wrong_rule_is_asked_again_soon()
    {
        Assert.Equal(StudyKind.OwnLevel, Practice.Next([], [], Day));
        List<(StudyKind, bool)> done = [(StudyKind.OwnLevel, true), (StudyKind.OwnLevel, true)];
        Assert.Equal(StudyKind.White, Practice.Next([], done, Day));
        done.Add((StudyKind.White, false));
        Assert.Contains(Practice.Next([Stand((0, false))], done, Day), Practice.Asking("DV3"));
    }

    /// <summary>Whoever gets one kind wrong for ever still meets heads that must be refused, so that none is taken for harmless.</summary>
    [Fact]
    public void Among_any_five_heads_one_must_be_refused_or_called_in()
    {
        List<(StudyKind Kind, bool Safe)> done = [];
        for (int i = 0; i < 40; i++)
        {
            done.Add((Practice.Next([], done, Day), i % 3 == 0));
        }

        Assert.All(done.Chunk(5), five => Assert.Contains(five, d => d.Kind is StudyKind.Stop or StudyKind.Salon));
    }

    [Theory]
    [InlineData(DrillKind.Level)]
    [InlineData(DrillKind.Developer)]
    [InlineData(DrillKind.Opposites)]
    [InlineData(DrillKind.Grams)]
    [InlineData(DrillKind.Order)]
    [InlineData(DrillKind.PlanBack)]
    public void A_drill_has_one_right_answer_among_others_and_a_rule_of_the_book(DrillKind kind)
    {
        var right = new HashSet<string>();
        for (int seed = 0; seed < 40; seed++)
        {
            var drill = Drills.Of(kind, seed, Bench.Shelf)!;
            Assert.Equal(drill.Options.Count, drill.Options.Select(o => o.Name).Distinct().Count());
            Assert.True(drill.Options.Count >= 3, drill.Asks);
            Assert.True(drill.Options.Any(o => o.Name == drill.Right), $"{drill.Asks} {drill.Right}: {string.Join(", ", drill.Options.Select(o => o.Name))}");
            Assert.NotNull(Core.Rules.RuleBook.Find(drill.Rule));
            right.Add(drill.Options.ToList().FindIndex(o => o.Name == drill.Right).ToString(System.Globalization.CultureInfo.InvariantCulture));
        }

        Assert.True(right.Count > 1, $"the right one always stands in the same place: {kind}");
    }
}
