using Kitto.Core.Reasons;

namespace Kitto.Core.Clock;

/// <summary>What the clock of a run shows while colour is on the head.</summary>
/// <param name="RinseAt">When the next rinse is due, UTC; null where none is to come yet.</param>
/// <param name="Says">What the client has to hear; null where all goes as planned.</param>
/// <param name="PartNow">Some zones have to be rinsed now, before the others.</param>
public sealed record RunClock(DateTime? RinseAt, Saying? Says, bool PartNow = false)
{
    /// <summary>Nothing runs.</summary>
    public static RunClock Silent { get; } = new(null, null);

    /// <summary>The clock of a run at a moment. Up to the first rinse it is that of the zones; after it, that of the second step or the gloss, once that is on.</summary>
    /// <param name="guide">The guide.</param>
    /// <param name="run">What happened.</param>
    /// <param name="plan">The schedule that was signed.</param>
    /// <param name="zones">Where the zones are; null before the first of them was painted.</param>
    /// <param name="firstZone">When the first zone was painted, UTC; null before that.</param>
    /// <param name="now">The moment, UTC.</param>
    public static RunClock Of(Guide guide, RunState run, Schedule plan, RunStand? zones, DateTime? firstZone, DateTime now)
    {
        if (!run.OnHead(now) || run.FirstStroke is not { } colour)
        {
            return Silent;
        }

        int at = Math.Min(run.Steps[^1].Step, guide.Steps.Count);
        if (guide.FirstRinse is not { } rinse || at < rinse)
        {
            return zones is null || firstZone is not { } first
                ? Until(colour.AddMinutes(plan.RinseAtMinutes.Value), now)
                : new RunClock(first.AddMinutes(zones.Actual.RinseAtMinutes.Value), zones.Says, zones.FirstOffAt <= zones.NowMinutes);
        }

        var step = guide.Steps[at - 1];
        return step is { Kind: StepKind.Lengths, Minutes: { } minutes }
            ? Until(run.Steps.Where(s => s.Step == at).Max(s => s.At).AddMinutes(minutes.Value), now)
            : Silent;
    }

    private static RunClock Until(DateTime rinse, DateTime now) => new(rinse, now >= rinse ? new TimeIsUp((now - rinse).TotalMinutes) : null);
}
