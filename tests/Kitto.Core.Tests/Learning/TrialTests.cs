using System.Diagnostics;
using Kitto.Core.Learning;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Learning;

/// <summary>Heads to learn on, and the judge of them.</summary>
public sealed class TrialTests
{
    private static IEnumerable<StudyHead> Heads(int seed, int count) => Enumerable.Range(0, count).Select(at => StudyHeads.At(seed, at, Bench.Shelf)!);

    private static TrialVerdict Judged(StudyHead head, Trial trial) => TrialJudge.Of(head, trial, Bench.Shelf);

    public static TheoryData<string, string> Habits =>
        new()
        {
            { nameof(Learners.AlwaysTwentyVolumes), "DV2 DV4 DV5" },
            { nameof(Learners.IgnoresWhite), "DV3 SH5 SH6 SV7 TM1" },
            { nameof(Learners.AlwaysSixtyGrams), "DO1 DO3 DO8" },
            { nameof(Learners.NeverAsksTheHistory), "SA1 SA2 SA3 SA4 SA6 SA9 DO8" },
        };

    [Fact]
    public void Who_follows_the_engine_is_safe_on_a_thousand_heads()
    {
        foreach (var head in Heads(1, 1000))
        {
            var verdict = Judged(head, Learners.FollowsTheEngine(head));
            Assert.True(verdict.Safe, $"seed {head.Seed} {head.Kind}: {string.Join("; ", verdict.Findings.Select(f => $"{f.Rule} {f.Says}"))}");
            Assert.Equal(100, verdict.Score);
            Assert.All(verdict.Rules, r => Assert.True(r.Right, $"seed {head.Seed} {head.Kind}: {r.Rule}"));
        }
    }

    /// <summary>Every habit is found out in any twenty heads, and what is told first is a rule of that habit.</summary>
    [Theory]
    [MemberData(nameof(Habits))]
    public void A_bad_habit_is_found_out_within_twenty_heads_and_told_by_its_rule(string habit, string rules)
    {
        var learner = typeof(Learners).GetMethod(habit)!.CreateDelegate<Func<StudyHead, Trial>>();
        for (int row = 0; row < 3; row++)
        {
            var found = Heads(1000 * row, 20).Select(h => (Head: h, Judged: Judged(h, learner(h)))).Where(x => !x.Judged.Safe).ToList();
            Assert.True(found.Count > 0, $"row {row}: {habit} was safe on all twenty");
            Assert.All(
                found,
                x =>
                    Assert.True(
                        rules.Split(' ').Contains(x.Judged.Findings[0].Rule),
                        $"{x.Head.Seed} {x.Head.Kind}: {string.Join("; ", x.Judged.Findings.Select(f => f.Rule + " " + f.Says))}"
                    )
            );
        }
    }

    /// <summary>Who refuses everybody hurts nobody and helps nobody: that is not safe either.</summary>
    [Fact]
    public void Refusing_everybody_is_told_by_the_service_that_would_have_done()
    {
        foreach (var head in Heads(3, 45).Where(h => h.Best.Decision == Decision.Kit))
        {
            var verdict = Judged(head, Trial.Of(head) with { Decision = Decision.Stop, Kit = null });
            Assert.False(verdict.Safe);
            Assert.DoesNotContain(verdict.Findings, f => f.Gravity == Gravity.Harm);
            Assert.Contains(verdict.Findings[0].Rule, head.Best.Advice.Single(a => a.Service == head.Case.Goal.Service).Because);
        }
    }

    /// <summary>Likeness counts for nothing: each of the engine's own other mixes that comes as near to the wish is right.</summary>
    [Fact]
    public void Another_mix_that_works_is_right()
    {
        int tried = 0;
        foreach (var head in Heads(5, 40).Where(h => h.Best is { Decision: Decision.Kit, Forecast.GreenA: null }))
        {
            var own = Trial.Of(head);
            foreach (var other in head.Best.Alternatives.Where(a => a.DeltaE < head.Best.Forecast.DeltaE + 1))
            {
                var verdict = Judged(head, own with { Kit = own.Kit! with { Parts = [.. other.Parts.Select(p => new MixPart(p.Shade, p.Share))] } });
                tried++;
                Assert.True(
                    verdict.Safe,
                    $"seed {head.Seed} {head.Kind} {MixPart.Written([.. other.Parts.Select(p => new MixPart(p.Shade, p.Share))])}: {string.Join("; ", verdict.Findings.Select(f => $"{f.Rule} {f.Says}"))}"
                );
                Assert.Contains(verdict.Differs, d => d.Choice == TrialChoice.Mix);
            }
        }

        Assert.InRange(tried, 20, 500);
    }

    /// <summary>Whatever is tried, of any line for any service, is judged: nothing that can be typed leaves the judge without words.</summary>
    [Fact]
    public void Whatever_is_tried_is_judged()
    {
        var random = new Random(27);
        T Any<T>(IReadOnlyList<T> some) => some[random.Next(some.Count)];
        foreach (var head in Heads(23, 70).Where(h => h.Best.Decision == Decision.Kit))
        {
            var line = Any(Bench.Shelf.Lines);
            var shades = Enumerable.Range(0, random.Next(1, 5)).Select(_ => Any(line.Shades).Code).Distinct().ToList();
            var trial = new Trial(
                new TrialReading(Level.Of(random.Next(1, 11)), Share.Of(random.NextDouble()), Millimetres.Of(random.Next(0, 300))),
                Decision.Kit,
                new TrialKit(
                    Any(Enum.GetValues<Service>()),
                    line.Id,
                    [.. shades.Select(s => new MixPart(s, Share.Of(1.0 / shades.Count)))],
                    Volume.Of(random.Next(0, 41)),
                    Grams.Of(random.Next(5, 1000)),
                    Any(Enum.GetValues<Core.Clock.PaintOrder>()[..5]),
                    Minutes.Of(random.Next(0, 121)),
                    random.Next(2) == 0,
                    random.Next(2) == 0
                )
            );
            var verdict = Judged(head, trial);
            Assert.InRange(verdict.Score, 0, 100);
            Assert.Equal(verdict.Safe, verdict.Findings.All(f => f.Gravity == Gravity.Waste));
            Assert.All(verdict.Findings, f => Assert.False(string.IsNullOrWhiteSpace(f.Says) || string.IsNullOrWhiteSpace(f.Why), f.Rule));
            Assert.All(verdict.Findings, f => Assert.NotNull(Core.Rules.RuleBook.Find(f.Rule)));
            Assert.Equal(
                verdict.Score,
                System
                    .Text.Json.JsonSerializer.Deserialize<TrialVerdict>(
                        System.Text.Json.JsonSerializer.Serialize(verdict, Core.Contract.Json.Options),
                        Core.Contract.Json.Options
                    )!
                    .Score
            );
        }
    }

    [Fact]
    public void A_stop_that_was_overlooked_is_the_first_thing_said_and_leaves_no_points()
    {
        foreach (int seed in Enumerable.Range(1, 60))
        {
            var head = StudyHeads.Of(seed, StudyKind.Stop, Bench.Shelf)!;
            foreach (var said in new[] { Decision.Kit, Decision.Salon })
            {
                var verdict = Judged(head, new Trial(new TrialReading(null, null, null), said, null));
                Assert.Equal(0, verdict.Score);
                Assert.Equal((Gravity.Harm, head.Best.Because.First(b => b.About == Topic.Stop).Rule), (verdict.Findings[0].Gravity, verdict.Findings[0].Rule));
            }
        }
    }

    [Fact]
    public void A_test_that_was_left_out_and_a_strength_for_the_chair_are_harm()
    {
        var head = Heads(11, 40).First(h => h.Best.Decision == Decision.Kit && h.Best.Holds.Contains("SA5"));
        var own = Trial.Of(head);
        Assert.Equal("SA5", Judged(head, own with { Kit = own.Kit! with { SkinTest = false } }).Findings[0].Rule);
        var strong = Judged(head, own with { Kit = own.Kit! with { Developer = Volume.Of(30) } });
        Assert.Contains(strong.Findings, f => f is { Gravity: Gravity.Harm, Rule: "SA7" });
    }

    /// <summary>A minute too short or too long is told by its own rule, whatever else is right; what is given as time is kept, not mended.</summary>
    [Theory]
    [InlineData(4, "TM1")]
    [InlineData(75, "TM8")]
    public void Too_short_and_too_long_are_told_by_the_clock(double minutes, string rule)
    {
        var head = Heads(13, 40).First(h => h.Kind == StudyKind.OwnLevel);
        var own = Trial.Of(head);
        var verdict = Judged(head, own with { Kit = own.Kit! with { Process = Minutes.Of(minutes) } });
        Assert.Equal(minutes, verdict.Would!.Clock!.ProcessMinutes.Value, 1);
        Assert.Contains(verdict.Findings, f => f.Rule == rule);
    }

    [Fact]
    public void The_same_seed_draws_the_same_head_and_every_kind_asks_what_it_says()
    {
        foreach (var kind in StudyHeads.Drawn)
        {
            foreach (int seed in Enumerable.Range(1, 8))
            {
                var head = StudyHeads.Of(seed, kind, Bench.Shelf)!;
                Assert.Equal(head.Document, StudyHeads.Of(seed, kind, Bench.Shelf)!.Document);
                Assert.Equal(
                    kind switch
                    {
                        StudyKind.Stop => Decision.Stop,
                        StudyKind.Salon => Decision.Salon,
                        _ => Decision.Kit,
                    },
                    head.Best.Decision
                );
                // Somebody said what stops, and nobody else did.
                Assert.Equal(
                    head.Best.Because.Where(b => b.About == Topic.Stop).Select(b => b.Rule).Distinct().Order(),
                    head.Tells.Select(t => t.Stops).OfType<string>().Distinct().Order()
                );
                // What is read by eye is not told.
                string told = string.Join(' ', head.Tells.Where(t => t.On != Core.Reasons.SheetPart.Wish).Select(Core.Wording.Language.English.Says));
                Assert.DoesNotContain("natural level", told, StringComparison.OrdinalIgnoreCase);
                Assert.DoesNotContain("%", told, StringComparison.Ordinal);
            }
        }
    }

    [Fact]
    public void Every_kind_comes_once_before_any_comes_twice()
    {
        foreach (int row in Enumerable.Range(0, 50))
        {
            var kinds = Enumerable.Range(0, 3 * StudyHeads.Drawn.Count).Select(at => StudyHeads.KindAt(row, at)).Chunk(StudyHeads.Drawn.Count).ToList();
            Assert.All(kinds, block => Assert.Equal(StudyHeads.Drawn.Order(), block.Order()));
        }
    }

    [Fact]
    public void A_shelf_without_what_it_takes_draws_no_head()
    {
        var gloss = new Shelf([.. Bench.Shelf.Lines.Where(l => l.Kind == LineKind.Gloss)]);
        Assert.Null(StudyHeads.Of(1, StudyKind.White, gloss));
        Assert.Null(Drills.Of(DrillKind.Developer, 1, gloss));
        Assert.NotNull(Drills.Of(DrillKind.Opposites, 1, gloss));
    }

    /// <summary>A hundred heads in two seconds on two busy cores; a test machine may take twice that.</summary>
    [Fact]
    public void A_hundred_heads_are_drawn_and_judged_in_a_moment()
    {
        _ = Heads(17, 20).Select(h => Judged(h, Learners.AlwaysTwentyVolumes(h))).ToList();
        var watch = Stopwatch.StartNew();
        foreach (var head in Heads(19, 100))
        {
            Judged(head, Learners.AlwaysTwentyVolumes(head));
        }

        Assert.InRange(watch.Elapsed.TotalSeconds, 0, 4);
    }
}
