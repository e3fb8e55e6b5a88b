using CsCheck;
using Kitto.Core.Clock;
using Kitto.Core.Head;

namespace Kitto.Core.Tests.Clock;

public sealed class RunTests
{
    private static readonly Case Head = Bench.Case();

    private static readonly Core.Shade.Line Line = Bench.Shelf.Find("lantern-cream")!;

    /// <summary>Alone for the first time: 25 min of painting, 35 after it.</summary>
    private static readonly Schedule Plan = Bench.Prescribe().Clock!;

    private static RunStand Stand(double speed, int begun, double? last, double now, bool reserve = true)
    {
        var strokes = Plan.Zones.Take(begun).Select(z => (new Stroke(z.Zone, false), z.PaintedAt.Value * speed)).ToList();
        return Run.Stand(Plan, strokes, last, now, Head.Reading, Head.Goal.Service, Line, reserve);
    }

    [Fact]
    public void A_run_that_keeps_to_the_plan_is_the_plan_and_says_nothing()
    {
        for (int begun = 1; begun <= 9; begun++)
        {
            var stand = Stand(1, begun, null, Plan.Zones[begun - 1].PaintedAt.Value);
            Assert.Equal(Plan.RinseAtMinutes.Value, stand.Actual.RinseAtMinutes.Value, 1);
            Assert.Null(stand.Says);
        }

        Assert.Equal(Plan.RinseAtMinutes.Value, Stand(1, 9, Plan.PaintMinutes.Value, 30).Actual.RinseAtMinutes.Value, 1);
        Assert.IsType<TimeIsUp>(Stand(1, 9, Plan.PaintMinutes.Value, 60.2).Says);
    }

    /// <summary>Half again as slow: 37.5 min of painting. 60 of longest contact leaves 22.5 after the last stroke, but the line wants 25: rinse at 62.5, the first zone off at 60.</summary>
    [Fact]
    public void Being_late_moves_the_rinse_then_shortens_it_then_takes_the_first_part_off_first()
    {
        var slow = Stand(1.12, 9, 28, 30);
        Assert.Equal((60.0, 32.0), (slow.Actual.RinseAtMinutes.Value, slow.Actual.ProcessMinutes.Value));
        Assert.Equal(new TimeShortened(32), slow.Says);

        var slower = Stand(1.5, 9, 37.5, 40);
        Assert.Equal(62.5, slower.Actual.RinseAtMinutes.Value);
        Assert.Equal([Zone.LeftBack], slower.FirstOff);
        Assert.Equal(60, slower.FirstOffAt!.Value, 6);
        Assert.Contains("In 20 min, rinse only your left back. Keep the rest dry.", Language.English.Says(slower.Says!), StringComparison.Ordinal);
        Assert.Contains("Rinse your left back now.", Language.English.Says(Stand(1.5, 9, 37.5, 60.5).Says!), StringComparison.Ordinal);
    }

    [Fact]
    public void Her_own_speed_tells_when_she_will_be_done()
    {
        // Five zones begun at 1.2 times the plan: the rest is expected at that speed too, 30 min in all, 5 behind.
        var stand = Stand(1.2, 5, null, Plan.Zones[4].PaintedAt.Value * 1.2);
        Assert.Equal(30, stand.Actual.PaintMinutes.Value, 1);
        Assert.Equal(5, stand.BehindMinutes, 1);
        // 30 + 35 would leave the first zone 65 of 60.
        Assert.Equal(60, stand.Actual.RinseAtMinutes.Value, 1);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_mix_older_than_its_working_life_is_told_and_whether_there_is_another(bool reserve) =>
        Assert.Equal(reserve, Assert.IsType<MixIsOld>(Stand(1.3, 8, null, 31, reserve).Says).Reserve);

    [Fact]
    public void Once_the_rinse_was_begun_the_clock_of_the_zones_is_silent()
    {
        var strokes = Plan.Zones.Select(z => (new Stroke(z.Zone, false), z.PaintedAt.Value)).ToList();
        RunStand At(bool rinsed) => Run.Stand(Plan, strokes, Plan.PaintMinutes.Value, 90, Head.Reading, Head.Goal.Service, Line, true, rinsed);
        Assert.IsType<TimeIsUp>(At(rinsed: false).Says);
        Assert.Null(At(rinsed: true).Says);
    }

    /// <summary>Steps: ready, mix, one zone, wait, rinse, mix the gloss, gloss for 20 minutes, rinse, afterwards.</summary>
    private static readonly Core.Guide TwoSteps = new(
        [],
        [],
        [],
        [],
        [
            new(StepKind.Prepare, "1", []),
            new(StepKind.Mix, "2", []),
            new(StepKind.Paint, "3", [], Zone.Crown),
            new(StepKind.Wait, "4", [], Minutes: Minutes.Of(35)),
            new(StepKind.Rinse, "5", []),
            new(StepKind.Mix, "6", []),
            new(StepKind.Lengths, "7", [], Minutes: Minutes.Of(20)),
            new(StepKind.Rinse, "8", []),
            new(StepKind.After, "9", []),
        ]
    );

    private static readonly RunSteps Steps = new(3, 9);
    private static readonly DateTime Begin = new(2027, 3, 1, 9, 0, 0, DateTimeKind.Utc);

    private static RunLine Word(RunWord word, int step, double minute) => new(Guid.NewGuid(), word, step, Begin.AddMinutes(minute));

    /// <summary>Minutes of the rinse and whether something is said: before the first rinse the zones', after it the gloss's own.</summary>
    [Theory]
    [InlineData(3, 10, 65.0, false)]
    [InlineData(5, 90, null, false)]
    [InlineData(6, 95, null, false)]
    [InlineData(7, 100, 120.0, false)]
    [InlineData(7, 121, 120.0, true)]
    public void The_second_step_has_a_clock_of_its_own_and_is_not_late_for_the_first(int step, double now, double? rinse, bool says)
    {
        double begun = step == 7 ? 100 : now;
        var run = RunState.Of(
            [Word(RunWord.Start, 0, 0), Word(RunWord.Step, 3, 5), .. step > 3 ? [Word(RunWord.Step, step, begun)] : Array.Empty<RunLine>()],
            Steps
        );
        var clock = RunClock.Of(TwoSteps, run, Plan, null, null, Begin.AddMinutes(now));
        Assert.Equal(rinse, (clock.RinseAt - Begin)?.TotalMinutes);
        Assert.Equal(says, clock.Says is not null);
    }

    [Fact]
    public void A_newer_empty_start_of_another_phone_never_hides_colour_that_is_on_the_head()
    {
        RunLine[] words =
        [
            Word(RunWord.Start, 0, 0),
            Word(RunWord.Step, 1, 0.1),
            Word(RunWord.Step, 3, 10),
            Word(RunWord.Start, 0, 20),
            Word(RunWord.Step, 1, 20.1),
            Word(RunWord.Step, 2, 21),
        ];
        var run = RunState.Of(words.Reverse(), Steps);
        Assert.Equal((Begin.AddMinutes(10), 3), (run.FirstStroke!.Value, run.Steps[^1].Step));
        Assert.False(run.Unopened);
        // Rinsed, the next start is a new run.
        var next = RunState.Of([.. words, Word(RunWord.End, 0, 60), Word(RunWord.Start, 0, 70)], Steps);
        Assert.Equal((Begin.AddMinutes(70), null), (next.BegunAt!.Value, next.FirstStroke));
    }

    [Fact]
    public void A_stroke_without_a_run_is_one_that_comes_off_and_none_once_it_was_undone()
    {
        RunLine[] words = [Word(RunWord.Step, 1, 0), Word(RunWord.Step, 3, 5), Word(RunWord.Step, 4, 15)];
        var run = RunState.Of(words, Steps);
        Assert.True(run.Unopened && run.OnHead(Begin.AddMinutes(16)));
        Assert.Equal(RunState.None, RunState.Of([.. words, Word(RunWord.Back, 4, 16), Word(RunWord.Back, 3, 16.1)], Steps));
    }

    /// <summary>When the zone that was painted last has had its longest contact, minutes.</summary>
    private static double Last(RunStand stand) => stand.Actual.Zones.Max(z => z.PaintedAt.Value) + Line.LongestContact.Value;

    /// <summary>Painted in five minutes, and "done" tapped three quarters of an hour later: no zone is left for a second rinse.</summary>
    [Fact]
    public void Where_every_zone_must_come_off_the_whole_head_is_rinsed_at_once()
    {
        var strokes = Plan.Zones.Select((z, i) => (new Stroke(z.Zone, false), i * .5)).ToList();
        var stand = Run.Stand(Plan, strokes, 50, 66, Head.Reading, Head.Goal.Service, Line, true);
        Assert.Equal(64, stand.Actual.RinseAtMinutes.Value);
        Assert.InRange(stand.FirstOff.Count, 0, 8);
        Assert.Equal(64, Run.Stand(Plan, strokes, 70, 71, Head.Reading, Head.Goal.Service, Line, true).Actual.RinseAtMinutes.Value);
    }

    [Fact]
    public void Whatever_happens_no_zone_stays_on_longer_than_it_may_without_being_named_and_all_get_the_least() =>
        (
            from speeds in Gen.Double[.3, 4].Array[9]
            from begun in Gen.Int[1, 9]
            from pause in Gen.Double[0, 30]
            from done in Gen.Bool
            select (speeds, begun, pause, done)
        ).Sample(
            x =>
            {
                double at = 0;
                var strokes = new List<(Stroke, double)>();
                for (int i = 0; i < x.begun; i++)
                {
                    strokes.Add((new Stroke(Plan.Zones[i].Zone, false), at));
                    double until = i < 8 ? Plan.Zones[i + 1].PaintedAt.Value : Plan.PaintMinutes.Value;
                    at += (until - Plan.Zones[i].PaintedAt.Value) * x.speeds[i];
                }

                bool done = x.done && x.begun == 9;
                double now = done ? at + x.pause : strokes[^1].Item2 + x.pause;
                var stand = Run.Stand(Plan, strokes, done ? at : null, now, Head.Reading, Head.Goal.Service, Line, true);
                double rinse = stand.Actual.RinseAtMinutes.Value;
                var over = stand.Actual.Zones.Where(z => z.PaintedAt.Value + Line.LongestContact.Value < rinse - .11).Select(z => z.Zone).ToList();
                return over.All(stand.FirstOff.Contains)
                    && stand.FirstOff.Count < 9
                    && (stand.Actual.ProcessMinutes.Value >= Line.ProcessMin.Value - .06 || Math.Abs(rinse - Last(stand)) < .11)
                    && stand.Actual.Zones.Select(z => z.Zone).Order().SequenceEqual(Plan.Zones.Select(z => z.Zone).Order())
                    && stand.Actual.Zones.All(z => z.PaintedAt.Value <= stand.Actual.PaintMinutes.Value + .06)
                    && (over.Count == 0 || stand.Says is not null);
            },
            iter: 3000
        );
}
