using CsCheck;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Tests.Safety;

/// <summary>Random lives of a kit, told by phones with stale pages, by a colourist and by a store that may be killed between any two words, held against a second reckoning of what may be open.</summary>
public sealed class GateModelTests
{
    private static readonly RunSteps Steps = new(3, 8);
    private static readonly DateTime Begin = new(2027, 3, 1, 9, 0, 0, DateTimeKind.Utc);
    private static readonly string[] Lines = ["cream", "gloss"];

    /// <summary>One thing that is done: what, to which of several, how long after the last, and whether the store is killed before it is written.</summary>
    private readonly record struct Act(int What, int Which, double HoursOn, bool Killed);

    private static readonly Gen<Act> Acts =
        from what in Gen.Frequency((6, Gen.Int[0, 5]), (5, Gen.Int[6, 12]), (3, Gen.Int[13, 21]))
        from which in Gen.Int[0, 3]
        from hours in Gen.Frequency((6, Gen.Double[0, 0.6]), (4, Gen.Double[1, 60]), (1, Gen.Double[60, 400]))
        from killed in Gen.Int[0, 9]
        select new Act(what, which, hours, killed == 0);

    [Fact]
    public void In_a_hundred_thousand_lives_nothing_stopped_is_open_no_reaction_is_lost_and_colour_on_the_head_is_seen_through()
    {
        // (Counted, so that the lives are known to come where it matters.)
        Lives.Sample(
            acts =>
            {
                var life = new Life();
                var seen = new HashSet<string>();
                foreach (var act in acts)
                {
                    life.Do(act);
                    seen.Add(life.Check(life.Now));
                    seen.Add(life.Check(life.Now.AddMinutes(20)));
                }

                foreach (string state in seen)
                {
                    Reached.AddOrUpdate(state, 1, (_, n) => n + 1);
                }
            },
            iter: 100_000
        );
        Assert.All(
            ["Locked", "Open", "SeeThrough", "RinseNow", "Stopped"],
            state => Assert.True(Reached.GetValueOrDefault(state) > 3_000, $"only {Reached.GetValueOrDefault(state)} lives came to {state}")
        );
    }

    [Fact]
    public void Left_alone_a_kit_stands_as_it_was_found_until_the_moment_that_was_named() =>
        Lives.Sample(
            acts =>
            {
                var life = new Life();
                foreach (var act in acts)
                {
                    life.Do(act);
                    life.Alone();
                }
            },
            iter: 3_000
        );

    /// <summary>How many lives came to each state.</summary>
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<string, int> Reached = [];

    private static readonly Act[] Led =
    [
        new(0, 0, 1, false),
        new(1, 0, 1, false),
        new(2, 0, 50, false),
        new(2, 1, .1, false),
        new(4, 1, 48.5, false),
        new(5, 3, .1, false),
        new(6, 1, 1, false),
        new(10, 0, 2, false),
        new(12, 0, .1, false),
        new(12, 1, .1, false),
        new(13, 3, .2, false),
    ];

    /// <summary>Three in four are led up to somewhere on the way by someone who does all right, and then go on at random.</summary>
    private static readonly Gen<Act[]> Lives =
        from rest in Acts.Array[4, 20]
        from far in Gen.Frequency((1, Gen.Int[0, 8]), (2, Gen.Int[9, 11]))
        select (Act[])[.. Led.Take(far), .. rest];

    /// <summary>A kit, its record, and beside it what a person with a notebook would know.</summary>
    private sealed class Life
    {
        private GateKit kit = new(Guid.NewGuid(), Lines, true, 14, KitStep.Signed, Begin, null, null, 2);
        private SafetyRecord record = new([], [new DateOnly(1980, 1, 1)]);
        private readonly List<RunLine> words = [];

        // The notebook.
        private readonly List<(string Line, DateTime At, Guid Id)> on = [];
        private readonly Dictionary<Guid, DateTime> clear = [];
        private readonly List<(DateTime At, bool Right)> strands = [];
        private readonly List<Guid> stops = [];
        private readonly HashSet<Guid> corrected = [];
        private int reactions;
        private readonly HashSet<Guid> withdrawn = [];
        private bool anyStop,
            over,
            young,
            closed,
            cancelled,
            unopened;
        private DateTime? released,
            news,
            started,
            stroke,
            heard,
            ended;

        public DateTime Now { get; private set; } = Begin;

        private Verdict At(DateTime moment) => Gate.Of(record, kit, RunState.Of(words, Steps), moment, DateOnly.FromDateTime(moment));

        public void Do(Act act)
        {
            Now = Now.AddHours(act.HoursOn);
            var who = new Speaker(Guid.NewGuid(), Now, Speaker.Client);
            string line = Lines[act.Which % 2];
            switch (act.What)
            {
                case 0 when kit.Step == KitStep.Signed && At(Now).MayGoOn:
                    kit = kit with { Step = KitStep.Packed };
                    break;
                case 0 or 1 when kit.Step == KitStep.Packed && At(Now).MayGoOn:
                    kit = kit with { Step = KitStep.Posted, PostedAt = Now };
                    break;
                case 2 or 3:
                    // Now, or dated back by as much as the kit has been away and more.
                    var at = act.Which switch
                    {
                        0 or 1 => Now,
                        2 => Now.AddHours(-49),
                        _ => Now.AddDays(-3),
                    };
                    Take(act, KitLife.PutOn(record, kit, line, at, who), () => on.Add((line, at, who.Id)));
                    break;
                case 4 or 5 when on.Count > 0:
                    // A stale tab says clear of a test that another has followed.
                    var test = on[act.Which == 3 ? 0 : on.Count - 1];
                    Take(act, KitLife.SkinClear(record, kit, test.Id, who), () => clear[test.Id] = Now);
                    break;
                case 6 or 7:
                    Take(act, KitLife.Strand(record, kit, StrandResult.Right, act.Which == 0 ? 35 : null, who), () => strands.Add((Now, true)));
                    break;
                case 8:
                    var bad = act.Which == 3 ? StrandResult.Damaged : StrandResult.TooDark;
                    Take(act, KitLife.Strand(record, kit, bad, null, who), () => strands.Add((Now, false)));
                    break;
                case 9:
                    Take(act, KitLife.Release(record, kit, null, "looked at the picture", who), () => released = Now);
                    break;
                case 10 or 11:
                    // It may have been begun without a network, and be told only now.
                    var then = Now.AddMinutes(-50);
                    Tell(act, new RunLine(who.Id, RunWord.Start, 0, act.Which == 3 && !(words.Count > 0 && words.Max(w => w.At) > then) ? then : Now));
                    break;
                case 12 or 13:
                    Tell(
                        act,
                        new RunLine(
                            who.Id,
                            RunWord.Step,
                            act.Which switch
                            {
                                0 => 2,
                                1 or 2 => 3,
                                _ => 4,
                            },
                            Now
                        )
                    );
                    break;
                case 14:
                    Tell(act, new RunLine(who.Id, act.Which == 0 ? RunWord.End : RunWord.Step, act.Which == 0 ? 0 : 8, Now));
                    break;
                // The skin test that was put on last is called a reaction, withdrawn at once, and sometimes accepted by the colourist.
                case 16 when act.Which >= 2 && on.Count > 0:
                    var reacted = on[^1];
                    var reaction = new Speaker(Guid.NewGuid(), Now, Speaker.Client);
                    Take(act with { Killed = false }, KitLife.React(reaction, kit.Id, "with a skin test", reacted.Line, reacted.Id), () => reactions++);
                    withdrawn.Add(reacted.Id);
                    Take(act with { Killed = false }, KitLife.Mistaken(record, reaction.Id, who), () => corrected.Add(reaction.Id));
                    if (act.Which == 3)
                    {
                        var looked = new Speaker(Guid.NewGuid(), Now, "Tove");
                        Take(
                            act with
                            {
                                Killed = false,
                            },
                            KitLife.AcceptSkin(record, kit, reacted.Id, "called: nothing at all on the skin", looked),
                            () => withdrawn.Remove(reacted.Id)
                        );
                    }

                    break;
                case 15 or 16 when act.Which < 2:
                    Take(act, KitLife.React(who, kit.Id, "it burns"), () => reactions++);
                    break;
                case 17:
                    Take(
                        act,
                        KitLife.Found([new Because("SA3", "The scalp is broken.", Topic.Stop)], act.Which == 0, "answers:1", who),
                        () => news = act.Which == 0 ? Now : news
                    );
                    break;
                case 18:
                    Take(act, KitLife.Found([], true, "answers:2", who), () => news = Now);
                    break;
                case 19 when stops.Count > 0:
                    Take(act, KitLife.Doubt(record, stops[0], "she had taken another cream for it", who), () => { });
                    break;
                case 20 when stops.Count > 0:
                    Take(act, KitLife.Correct(record, stops[0], who), () => corrected.Add(stops[0]));
                    break;
                case 21 when act.Which is 1 or 3:
                    kit = kit with { Step = kit.Step == KitStep.Stopped ? KitStep.Stopped : KitStep.Closed };
                    over = true;
                    // Half of them because the studio cancels the kit.
                    cancelled |= act.Which == 1;
                    kit = act.Which == 1 ? kit with { CancelledAt = kit.CancelledAt ?? Now } : kit;
                    break;
                case 21 when act.Which == 2:
                    record = record with { Born = [.. record.Born, new DateOnly(2014, 1, 1)] };
                    young = true;
                    break;
            }
        }

        private void Take(Act act, Taken taken, Action noted)
        {
            // Killed before the transaction is written: all of it is gone, and nobody was told that it was taken.
            if (act.Killed || taken.Events.Count == 0)
            {
                return;
            }

            record = record with { Events = [.. record.Events, .. taken.Events] };
            foreach (var stop in taken.Events.Where(e => e.Stops))
            {
                stops.Add(stop.Id);
                anyStop |= !over;
                kit = kit.Step == KitStep.Closed ? kit : kit with { Step = KitStep.Stopped, StoppedAt = kit.StoppedAt ?? Now };
            }

            noted();
        }

        private void Tell(Act act, RunLine word)
        {
            if (act.Killed || !KitLife.Takes(record, kit, words, word, Steps, DateOnly.FromDateTime(word.At), Now))
            {
                return;
            }

            words.Add(word);
            bool lapsed = heard is { } h && word.At >= h.AddHours(6);
            bool alive = started is not null && !closed && !lapsed;
            bool colour = alive && stroke is not null && ended is null;
            bool paints = word.Step is >= 3 and < 8;
            switch (word.Word)
            {
                case RunWord.Start when !colour && (!alive || ended is not null):
                    (started, stroke, ended, heard, closed, unopened) = (word.At, null, null, word.At, false, false);
                    break;
                // Another phone gets ready while colour is on the head: that changes nothing.
                case RunWord.Step when colour && word.Step < 3:
                    break;
                case RunWord.Step when alive:
                    heard = Max(heard, word.At);
                    stroke ??= paints ? word.At : null;
                    ended = word.Step >= 8 ? word.At : null;
                    break;
                // A stroke without a run: it is on the head all the same.
                case RunWord.Step when paints:
                    (started, stroke, ended, heard, closed, unopened) = (word.At, word.At, null, word.At, false, true);
                    break;
                case RunWord.End when started is not null && !closed:
                    (ended, closed) = (ended ?? word.At, true);
                    break;
            }
        }

        /// <summary>Compares the gate with the notebook.</summary>
        /// <returns>Where it stands.</returns>
        public string Check(DateTime moment)
        {
            var verdict = At(moment);
            bool colour = stroke <= moment && ended is null && moment < heard!.Value.AddHours(6);
            bool begun = started <= moment && ended is null && moment < heard!.Value.AddHours(6);
            // A kit that was stopped while it was out stays so; a correction counts for what is signed after it.
            bool stopped = anyStop || young || stops.Exists(s => !corrected.Contains(s));
            // Said only where it fails: four million looks make no words.
            void Holds(bool holds, string otherwise)
            {
                if (!holds)
                {
                    Assert.Fail(
                        $"{otherwise}: {verdict.State} at {moment:s}; on head {colour}, begun {begun}, stopped {stopped}, over {over}, notebook {MayOpen(moment)}"
                    );
                }
            }

            Holds(reactions == record.Events.Count(e => e.Kind == SafetyKind.Reaction), "a reaction was lost");
            if (stopped)
            {
                Holds(verdict.Stops.Count > 0 && verdict.State == (colour ? GateState.SeeThrough : GateState.Stopped), "a stop does not hold");
            }

            if (colour)
            {
                bool rinse = stopped || unopened || cancelled;
                Holds(verdict.State == GateState.SeeThrough && verdict.RinseNow == rinse, "silent with colour on the head");
            }
            else if (!stopped)
            {
                Holds(begun == (verdict.State == GateState.SeeThrough), "begun and shut out");
                Holds(begun || MayOpen(moment) == (verdict.State == GateState.Open), "open otherwise than by the notebook");
            }

            return verdict.RinseNow ? "RinseNow" : verdict.State.ToString();
        }

        /// <summary>Nothing that a list or a message is made from changes before the kit is looked at again, and at the moment itself it may.</summary>
        public void Alone()
        {
            (KitPlace?, GateState, bool, TestsStand, bool) Stand(DateTime moment)
            {
                var v = At(moment);
                return (
                    KitPlaces.Of(kit.Step, v, Begin.AddDays(9).Date is var d ? DateOnly.FromDateTime(d) : null, false, DateOnly.FromDateTime(moment)),
                    v.State,
                    v.OnHead,
                    v.Tests.Far,
                    v.Tests.SkinClear
                );
            }

            var found = Stand(Now);
            var next = KitPlaces.LookAt(At(Now), kit, RunState.Of(words, Steps), Now, Now.Date.AddDays(1));
            Assert.True(next > Now && next <= Now.Date.AddDays(1), $"looked at again at {next:s}, found at {Now:s}");
            foreach (double share in (double[])[0.001, 0.3, 0.7, 0.999])
            {
                var moment = Now + ((next - Now) * share);
                Assert.True(found == Stand(moment), $"found {found} at {Now:s}, {Stand(moment)} at {moment:s}, to be looked at {next:s}");
            }
        }

        private bool MayOpen(DateTime moment)
        {
            bool skin = Lines.All(line =>
                on.Where(t => t.Line == line && t.At >= (news ?? DateTime.MinValue)).OrderBy(t => t.At).LastOrDefault() is { Line: not null } last
                && !withdrawn.Contains(last.Id)
                && clear.TryGetValue(last.Id, out var said)
                && (said - last.At).TotalHours >= 48
                && (moment - last.At).TotalDays <= 14
            );
            var lastBad = strands.LastOrDefault(s => !s.Right).At;
            return kit.PostedAt is not null && !over && skin && strands.Count > 0 && strands[^1].Right && (lastBad == default || released > lastBad);
        }

        private static DateTime? Max(DateTime? a, DateTime b) => a > b ? a : b;
    }
}
