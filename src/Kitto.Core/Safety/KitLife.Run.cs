using Kitto.Core.Clock;
using Kitto.Core.Head;

namespace Kitto.Core.Safety;

/// <summary>What is accepted of a run.</summary>
public static partial class KitLife
{
    /// <summary>
    /// True when a word of a run is accepted. A run begins only where the gate was open at that moment; what happens in it is accepted however late it comes.
    /// A stroke is always accepted, whatever the gate said: colour that is on a head is never off the record.
    /// </summary>
    /// <param name="record">What was said of the client.</param>
    /// <param name="kit">The kit.</param>
    /// <param name="words">Words of its run so far.</param>
    /// <param name="word">The new one.</param>
    /// <param name="steps">Which steps put colour on.</param>
    /// <param name="day">The day it was in the studio at that moment.</param>
    /// <param name="now">Now, UTC.</param>
    public static bool Takes(SafetyRecord record, GateKit kit, IReadOnlyList<RunLine> words, RunLine word, RunSteps steps, DateOnly day, DateTime now)
    {
        if (word.At > now + Ahead || word.At < kit.SignedAt)
        {
            return false;
        }

        var run = RunState.Of(words.Where(w => w.At <= word.At), steps);
        bool stroke = word.Word == RunWord.Step && steps.PutsColourOn(word.Step);
        if (words.Count >= RunState.Most)
        {
            return words.Count < RunState.Most * 2 && (run.OnHead(word.At) ? word.Word == RunWord.End : stroke);
        }

        if (stroke)
        {
            return true;
        }

        if (kit.PostedAt is not { } posted || word.At < posted)
        {
            return run.BegunAt is not null && word.Word != RunWord.Start;
        }

        // As it was when the client began: not stopped and not cancelled before that.
        var then = kit.StoppedAt > word.At || kit.CancelledAt > word.At ? kit with { StoppedAt = null, CancelledAt = null, Step = KitStep.Posted } : kit;
        return word.Word == RunWord.Start
            ? Gate.Of(record.AsOf(word.At), then, run, word.At, day).State is GateState.Open or GateState.SeeThrough
            : run.BegunAt is not null;
    }
}
