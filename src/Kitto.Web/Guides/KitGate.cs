using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Store;

namespace Kitto.Web.Guides;

/// <summary>Asks the gate of a kit with everything the store knows; nothing else decides what is open.</summary>
public sealed class KitGate(SafetyRecords records, Runs runs, Studios studios, TimeProvider clock)
{
    /// <summary>What the gate says of one kit now, with the run it was asked about.</summary>
    public async Task<(Verdict Verdict, RunState Run, SafetyRecord Record)> Of(Kit kit)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var record = await records.Of(kit.ClientId);
        var run = RunState.Of(await runs.Of(kit.Id), kit.RunSteps);
        return (Gate.Of(record, kit.Gate, run, now, await Today(now)), run, record);
    }

    /// <summary>What it says of several, all of them asked for at once.</summary>
    public async Task<Func<Kit, (Verdict Verdict, RunState Run)>> Of(IReadOnlyCollection<Kit> kits)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        var (all, words, today) = (await records.Of(kits.Select(k => k.ClientId)), await runs.Of(kits.Select(k => k.Id)), await Today(now));
        return kit =>
        {
            var run = RunState.Of(words[kit.Id], kit.RunSteps);
            return (Gate.Of(all.GetValueOrDefault(kit.ClientId) ?? SafetyRecord.Empty, kit.Gate, run, now, today), run);
        };
    }

    private async Task<DateOnly> Today(DateTime now) => (await studios.Get())?.Today(now) ?? DateOnly.FromDateTime(now);
}
