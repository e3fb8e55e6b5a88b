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
public sealed record RunSteps(int First, int Off)
{
    /// <summary>True when colour is on the head once this step is begun.</summary>
    public bool PutsColourOn(int step) => step >= First && step < Off;
}

/// <summary>The current run of a kit: the one that was begun last, or the one that has colour on the head.</summary>
/// <param name="BegunAt">When it was begun, UTC; null: no run.</param>
/// <param name="Steps">Steps that are valid, in the order they were begun.</param>
/// <param name="FirstStroke">When colour first touched the head; null: not yet.</param>
/// <param name="EndedAt">When it was over, UTC; null: it is not.</param>
/// <param name="Closed">True when the client ended it; false where it is over because the last rinse was begun, and going back resumes it.</param>
/// <param name="Unopened">True when colour went on although the gate had let no run begin: it has to come off.</param>
public sealed record RunState(
    DateTime? BegunAt,
    IReadOnlyList<RunLine> Steps,
    DateTime? FirstStroke,
    DateTime? EndedAt,
    bool Closed = false,
    bool Unopened = false
)
{
    /// <summary>Most words accepted for one kit; a first stroke and the end of a run are accepted up to twice as many.</summary>
    public const int Most = 500;

    /// <summary>No run.</summary>
    public static RunState None { get; } = new(null, [], null, null);

    /// <summary>When something was last heard of it.</summary>
    public DateTime? HeardAt => Steps.Count > 0 ? Steps.Max(s => s.At) : BegunAt;

    /// <summary>True when nothing was heard of it for so long that it is over.</summary>
    private bool Lapsed(DateTime now) => now >= HeardAt!.Value.AddHours(Values.RunLapsesHours);

    /// <summary>True while colour is on the head.</summary>
    public bool OnHead(DateTime now) => FirstStroke <= now && EndedAt is null && !Lapsed(now);

    /// <summary>True while it is begun and not over, with or without colour on the head.</summary>
    public bool InHand(DateTime now) => BegunAt <= now && EndedAt is null && !Lapsed(now);

    /// <summary>True when it was begun, never ended, and is so long ago that it must be over.</summary>
    public bool Forgotten(DateTime now) => BegunAt is not null && EndedAt is null && !InHand(now);

    /// <summary>
    /// The current run, from all words of a kit in the order in which they happened. A run that has colour on the head always wins:
    /// an empty start or an early step from another phone does not replace it. A stroke without a run is a run of its own, one that the gate had not opened.
    /// </summary>
    /// <param name="words">In any order.</param>
    /// <param name="steps">Which of its steps put colour on, and which take it off.</param>
    public static RunState Of(IEnumerable<RunLine> words, RunSteps steps)
    {
        var run = None;
        foreach (var word in words.OrderBy(w => w.At))
        {
            run = run.After(word, steps);
        }

        return run;
    }

    private RunState After(RunLine word, RunSteps steps)
    {
        bool running = BegunAt is not null && !Closed;
        bool alive = running && !Lapsed(word.At);
        bool colour = alive && FirstStroke is not null && EndedAt is null;
        switch (word.Word)
        {
            case RunWord.Start when !colour && (!alive || EndedAt is not null):
                return new RunState(word.At, [], null, null);
            // With colour on the head, "get ready" is another phone that knows nothing of it.
            case RunWord.Step when colour && word.Step < steps.First:
                return this;
            case RunWord.Step when alive:
                return WithSteps([.. Steps, word], steps);
            case RunWord.Step when steps.PutsColourOn(word.Step):
                return (None with { BegunAt = word.At, Unopened = true }).WithSteps([word], steps);
            case RunWord.Back when running && Steps.LastOrDefault(s => s.Step == word.Step) is { } mistaken:
                var left = WithSteps([.. Steps.Where(s => s.Id != mistaken.Id)], steps);
                // Without its stroke, a run that the gate had not opened is none.
                return Unopened && left.FirstStroke is null ? None : left;
            case RunWord.End when running:
                return this with { EndedAt = EndedAt ?? word.At, Closed = true };
            default:
                return this;
        }
    }

    private RunState WithSteps(IReadOnlyList<RunLine> steps, RunSteps of)
    {
        var on = steps.Where(s => of.PutsColourOn(s.Step)).Select(s => (DateTime?)s.At).Min();
        return this with { Steps = steps, FirstStroke = on, EndedAt = steps.Count > 0 && steps[^1].Step >= of.Off ? steps[^1].At : null };
    }
}
