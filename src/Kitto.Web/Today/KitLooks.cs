using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Guides;

namespace Kitto.Web.Today;

/// <summary>
/// Looks at the kits of which something was written, or of which a moment has come: where each stands, what is still to come of it, what is due to be said.
/// Each look costs as much as has changed, however many kits are under way.
/// </summary>
public sealed class KitLooks(
    StandRecord stands,
    Kits kits,
    KitGate gate,
    Reports reports,
    Messages messages,
    ClientMessageSender sender,
    Studios studios,
    TimeProvider clock
)
{
    /// <summary>So many are looked at together.</summary>
    public const int Batch = 500;

    /// <summary>Looks at what has to be looked at.</summary>
    /// <param name="batches">At most so many lots; the rest is left for the next look.</param>
    /// <returns>How many were looked at.</returns>
    public async Task<int> Look(int batches = 4)
    {
        int all = 0;
        for (int i = 0; i < batches; i++)
        {
            var now = clock.GetUtcNow().UtcDateTime;
            var asked = await stands.ToLookAt(now, Batch);
            if (asked.Count == 0 || await studios.Get() is not { } studio)
            {
                break;
            }

            await Look(asked, studio, now);
            all += asked.Count;
            if (asked.Count < Batch)
            {
                break;
            }
        }

        return all;
    }

    private async Task Look(IReadOnlyList<(Guid KitId, long Turn)> asked, Studio studio, DateTime now)
    {
        Guid[] ids = [.. asked.Select(a => a.KitId)];
        var there = (await kits.Get(ids)).ToDictionary(k => k.Id);
        var dated = (await kits.Dated(ids)).ToDictionary(k => k.Id);
        var stand = await gate.Of([.. there.Values]);
        var outcomes = await reports.OutcomesOf(ids);
        var (today, tomorrow) = (studio.Today(now), studio.Utc(studio.Today(now).AddDays(1).ToDateTime(TimeOnly.MinValue)));
        var found = new List<Found>();
        var due = new List<(string Key, Kit Kit, ClientMessage Kind)>();
        foreach (var (id, turn) in asked)
        {
            if (!there.TryGetValue(id, out var kit))
            {
                // Its client was forgotten.
                found.Add(new Found(id, turn, null, null, null, []));
                continue;
            }

            var (verdict, run) = stand(kit);
            var place = KitPlaces.Of(kit.Step, verdict, kit.ColourOn, outcomes.GetValueOrDefault(id) is { SeenAt: null }, today);
            found.Add(
                new Found(id, turn, place is null ? null : KitPlaces.LookAt(verdict, kit.Gate, run, now, tomorrow), place, kit.PostOn, [.. dated[id].Ahead])
            );
            // Of a kit that a stop holds nothing is said but by a person.
            if (verdict.MayGoOn)
            {
                due.AddRange(
                    ClientMessages
                        .Due(kit.Days, kit.Step, verdict.Tests.Far, today, new ClientSign(kit.OpenedAt is not null, run.BegunAt is not null))
                        .Select(kind => (kit.MessageKey(kind), kit, kind))
                );
            }
            else if (kit is { State: "stopped", StoppedAt: { } since })
            {
                await sender.Alarm(kit, since, studio, now);
            }
        }

        var said = await messages.There([.. due.Select(d => d.Key)]);
        foreach (var (key, kit, kind) in due.Where(d => !said.Contains(d.Key)))
        {
            await sender.Say(kit, kind, studio, key);
        }

        // Kept last: what is cut short is looked at again.
        await stands.Keep(found);
    }
}
