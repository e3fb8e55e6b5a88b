using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core.Outcome;

/// <summary>What a strand test asks to be changed; the colourist takes it or not.</summary>
/// <param name="Why">The rule it comes from and what it says.</param>
/// <param name="Minutes">Another time on the hair; null: as planned.</param>
/// <param name="Mix">Another mix; null: as it is.</param>
public sealed record StrandProposal(Reason Why, Minutes? Minutes, IReadOnlyList<MixPart>? Mix);

/// <summary>From the result of a strand test to the change it asks for: time first, then depth or tone by one known step (safety, Strand test).</summary>
public static class StrandAdvice
{
    /// <summary>The change; null where the strand was right in the planned time, or damaged, which is a stop (SA6) and no change.</summary>
    /// <param name="result">How it came out.</param>
    /// <param name="minutes">When it was looked at, 1 to 120; null: at the planned time.</param>
    /// <param name="parts">The mix.</param>
    /// <param name="line">Its line.</param>
    /// <param name="level">The wish.</param>
    public static StrandProposal? Of(StrandResult result, double? minutes, IReadOnlyList<MixPart> parts, Line line, Level level)
    {
        double looked = minutes ?? line.Process.Value;
        switch (result)
        {
            case StrandResult.Damaged:
                return null;
            case StrandResult.Right:
                double set = Math.Clamp(looked, line.ProcessMin.Value, line.ProcessMax.Value);
                return Math.Abs(set - line.Process.Value) < .5 ? null : new StrandProposal(new StrandSetsTime(looked, set), Minutes.Of(set), null);
            case StrandResult.TooLight when looked < line.ProcessMax.Value:
                return new StrandProposal(new StrandStaysLonger(looked, line.ProcessMax), line.ProcessMax, null);
            case StrandResult.TooDark when looked > line.ProcessMin.Value:
                double shorter = Math.Max(line.ProcessMin.Value, looked - 5);
                return new StrandProposal(new StrandComesSooner(looked, shorter), Minutes.Of(shorter), null);
            case StrandResult.GreyShows when looked < line.Process.Value:
                return new StrandProposal(new StrandWantsFullTime(looked, line.Process), line.Process, null);
        }

        var (step, mix) = Adjust.Step(
            new Result(
                result == StrandResult.GreyShows ? Coverage.GreyShows : Coverage.Full,
                result switch
                {
                    StrandResult.TooLight => Depth.TooLight,
                    StrandResult.TooDark => Depth.TooDark,
                    _ => Depth.Right,
                },
                result switch
                {
                    StrandResult.TooWarm => ToneOutcome.TooWarm,
                    StrandResult.TooCool => ToneOutcome.TooCool,
                    _ => ToneOutcome.Right,
                }
            ),
            parts,
            line,
            level
        );
        return new StrandProposal(new StrandAsks(looked, step), null, SelectedFormula.Same(mix, parts) ? null : mix);
    }
}
