using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>What can be told of a run.</summary>
public enum RunWord
{
    /// <summary>She starts now: gloves on, nothing mixed yet.</summary>
    Start,

    /// <summary>A step of the guide is begun.</summary>
    Step,

    /// <summary>The step was tapped by mistake and is taken back.</summary>
    Back,

    /// <summary>It is over: all is rinsed off, or she stopped before anything was on.</summary>
    End,
}

/// <summary>One word of a run, from whichever device; none is ever changed.</summary>
/// <param name="Id">Made by the device, so that the same word sent twice is one.</param>
/// <param name="Word">What.</param>
/// <param name="Step">The step of the guide, from 1; 0 for start and end.</param>
/// <param name="At">When, UTC.</param>
public sealed record RunLine(Guid Id, RunWord Word, int Step, DateTime At);

/// <summary>Which steps of a guide put colour on, and which take it off.</summary>
/// <param name="First">The first step that puts colour on the head, from 1.</param>
/// <param name="Off">The first step after which none is on any longer, from 1: the one after the last rinse.</param>
public sealed record RunSteps(int First, int Off);

/// <summary>Where the run of a kit stands: the last one that was begun. Earlier ones that were ended are only kept.</summary>
/// <param name="BegunAt">When it was begun, UTC; null: none is.</param>
/// <param name="Steps">Steps that stand, in the order they were begun.</param>
/// <param name="FirstStroke">When colour first touched the head; null: not yet.</param>
/// <param name="EndedAt">When it was over, UTC; null: it is not.</param>
/// <param name="Closed">Whether she said so herself; else it is over because the last rinse is done, and going back takes it up again.</param>
public sealed record RunState(DateTime? BegunAt, IReadOnlyList<RunLine> Steps, DateTime? FirstStroke, DateTime? EndedAt, bool Closed = false)
{
    /// <summary>Words that are taken of one kit at most.</summary>
    public const int Most = 500;

    /// <summary>No run.</summary>
    public static RunState None { get; } = new(null, [], null, null);

    /// <summary>When something was heard of it last.</summary>
    public DateTime? HeardAt => Steps.Count > 0 ? Steps.Max(s => s.At) : BegunAt;

    /// <summary>Whether nothing was heard of it for so long that it is over.</summary>
    private bool Lapsed(DateTime now) => now >= HeardAt!.Value.AddHours(Values.RunLapsesHours);

    /// <summary>Whether colour is on the head at a moment.</summary>
    public bool OnHead(DateTime now) => FirstStroke <= now && EndedAt is null && !Lapsed(now);

    /// <summary>Whether it is begun and not over, with or without colour on the head.</summary>
    public bool InHand(DateTime now) => BegunAt <= now && EndedAt is null && !Lapsed(now);

    /// <summary>Whether it was begun and never said to be over, and is so long ago that it must be.</summary>
    public bool Forgotten(DateTime now) => BegunAt is not null && EndedAt is null && !InHand(now);

    /// <summary>The run that was begun last, from all words of a kit. Words without a start before them count for nothing.</summary>
    /// <param name="words">As they came in; they are taken in the order in which they happened.</param>
    /// <param name="steps">What its steps do.</param>
    public static RunState Of(IEnumerable<RunLine> words, RunSteps steps)
    {
        var run = None;
        foreach (var word in words.OrderBy(w => w.At))
        {
            run = run.After(word, steps);
        }

        return run;
    }

    private RunState After(RunLine word, RunSteps does)
    {
        bool running = BegunAt is not null && !Closed;
        switch (word.Word)
        {
            case RunWord.Start when !running || EndedAt is not null || Lapsed(word.At):
                return new RunState(word.At, [], null, null);
            // A run that lapsed is begun anew, while the gate stands open, or not at all.
            case RunWord.Step when running && !Lapsed(word.At):
                return Standing([.. Steps, word], does);
            case RunWord.Back when running && Steps.LastOrDefault(s => s.Step == word.Step) is { } mistaken:
                return Standing([.. Steps.Where(s => s.Id != mistaken.Id)], does);
            case RunWord.End when running:
                return this with { EndedAt = EndedAt ?? word.At, Closed = true };
            default:
                return this;
        }
    }

    private RunState Standing(IReadOnlyList<RunLine> steps, RunSteps does)
    {
        var on = steps.Where(s => s.Step >= does.First && s.Step < does.Off).Select(s => (DateTime?)s.At).Min();
        return this with { Steps = steps, FirstStroke = on, EndedAt = steps.Count > 0 && steps[^1].Step >= does.Off ? steps[^1].At : null };
    }
}
