using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Outcome;

/// <summary>What a strand test asks to be changed; the colourist takes it or not.</summary>
/// <param name="Rule">The rule it comes from.</param>
/// <param name="Says">The sentence.</param>
/// <param name="Minutes">Another time on the hair; null: as planned.</param>
/// <param name="Mix">Another mix; null: as it is.</param>
public sealed record StrandProposal(string Rule, string Says, Minutes? Minutes, IReadOnlyList<MixPart>? Mix);

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
                return Math.Abs(set - line.Process.Value) < .5
                    ? null
                    : new StrandProposal(
                        "SA12",
                        $"Right after {looked:0} min: the time is set to {set:0} min{(set > looked ? ", the least the line allows" : set < looked ? ", the most the line allows" : "")}.",
                        Minutes.Of(set),
                        null
                    );
            case StrandResult.TooLight when looked < line.ProcessMax.Value:
                return new StrandProposal(
                    "TM1",
                    $"Too light after {looked:0} min: the same mix stays on longer, up to {line.ProcessMax}.",
                    line.ProcessMax,
                    null
                );
            case StrandResult.TooDark when looked > line.ProcessMin.Value:
                double shorter = Math.Max(line.ProcessMin.Value, looked - 5);
                return new StrandProposal(
                    "TM1",
                    $"Too dark after {looked:0} min: the same mix comes off sooner, after {shorter:0} min.",
                    Minutes.Of(shorter),
                    null
                );
            case StrandResult.GreyShows when looked < line.Process.Value:
                return new StrandProposal("TM1", $"White shows after {looked:0} min: white wants the full {line.Process}, softened first.", line.Process, null);
        }

        var (rule, says, mix) = Adjust.Step(
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
        return new StrandProposal(rule, $"The strand at {looked:0} min: {says}", null, SelectedFormula.Same(mix, parts) ? null : mix);
    }
}
