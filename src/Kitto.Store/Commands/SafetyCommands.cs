using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Logging.Abstractions;

namespace Kitto.Store.Commands;

/// <summary>What is said of a client or a kit: judged by Core against the record as it stands, written down with all that follows from it, or not at all.</summary>
public sealed class SafetyCommands(Database db, ILogger<SafetyCommands>? logger = null)
{
    private readonly ILogger log = logger ?? NullLogger<SafetyCommands>.Instance;

    /// <summary>Takes down what is said of a client.</summary>
    /// <returns>Why not; null where it was taken.</returns>
    public async Task<Refusal?> Say(Guid clientId, Func<SafetyRecord, Taken> rule)
    {
        var said = await db.Together(async connection =>
        {
            var held = await Held.Of(connection, clientId);
            var taken = rule(await held.Record());
            await held.Append(taken.Events);
            return taken;
        });
        CommandLog.Taken(log, clientId, said.Events);
        return said.Refused;
    }

    /// <summary>Records a reaction, whatever else is wrong.</summary>
    /// <returns>The id it is recorded under.</returns>
    public async Task<Guid> React(Guid clientId, Func<SafetyRecord, Taken> rule)
    {
        var written = await db.Together(async connection =>
        {
            var held = await Held.Of(connection, clientId);
            return await held.Append(rule(await held.Record()).Events);
        });
        CommandLog.Taken(log, clientId, written);
        return written[0].Id;
    }

    /// <summary>Takes down what is said of a kit, with the picture that came with it.</summary>
    /// <param name="kit">The kit; it is read again while its client is held.</param>
    /// <param name="rule">What Core says to it.</param>
    /// <param name="photo">A picture, and the event it belongs to.</param>
    /// <returns>Why not; null where it was taken.</returns>
    public async Task<Refusal?> Say(Kit kit, Func<SafetyRecord, GateKit, Taken> rule, (Guid Of, byte[] Jpeg, DateTime At)? photo = null)
    {
        var said = await db.Together(async connection =>
        {
            var held = await Held.Of(connection, kit.ClientId);
            var taken = rule(await held.Record(), (await held.Kit(kit.Id)).Gate);
            await held.Append(taken.Events);
            if (taken.Events.FirstOrDefault(e => e is { Kind: SafetyKind.Released, Minutes: not null }) is { } agreed)
            {
                await held.Execute("update kit set agreed_minutes = @Minutes, version = version + 1 where id = @Id", new { agreed.Minutes, kit.Id });
            }

            if (photo is { } picture && taken.Refused is null)
            {
                await held.Execute(
                    "insert into test_photo (test_id, jpeg, taken_in) select @Of, @Jpeg, @At where exists (select 1 from safety_event where id = @Of) on conflict (studio_id, test_id) do nothing",
                    new
                    {
                        picture.Of,
                        picture.Jpeg,
                        picture.At,
                    }
                );
            }

            return taken;
        });
        CommandLog.Taken(log, kit.ClientId, said.Events);
        return said.Refused;
    }

    /// <summary>A client takes a reaction back within minutes. Kits that it alone had stopped are where they were; the record keeps both.</summary>
    /// <returns>Why not; null where it was taken.</returns>
    public async Task<Refusal?> Mistaken(Guid clientId, Guid what, Speaker who)
    {
        var said = await db.Together(async connection =>
        {
            var held = await Held.Of(connection, clientId);
            var before = await held.Record();
            var taken = KitLife.Mistaken(before, what, who);
            await held.Append(taken.Events);
            if (taken.Events.Count > 0 && !(await held.Record()).Stops.Any())
            {
                await held.Execute(
                    """
                    update kit k set version = version + 1, stopped_at = null, stop_reason = null, state = case
                        when exists (select 1 from outcome_report o where o.kit_id = k.id) then 'reported'
                        when posted_at is not null then 'posted' when packed_at is not null then 'packed' else 'signed' end
                    where client_id = @clientId and state = 'stopped' and stopped_at = @SaidAt
                    """,
                    new { clientId, before.Events.First(e => e.Id == what).SaidAt }
                );
            }

            return taken;
        });
        CommandLog.Taken(log, clientId, said.Events);
        return said.Refused;
    }

    /// <summary>Takes down words of a run; those that cannot be are left out.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="words">The words, in the order in which they happened.</param>
    /// <param name="day">The day in the studio at a moment.</param>
    /// <param name="now">Now, UTC.</param>
    /// <returns>How many were taken that were not there.</returns>
    public Task<int> Tell(Kit kit, IReadOnlyList<RunLine> words, Func<DateTime, DateOnly> day, DateTime now) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, kit.ClientId);
            var (record, as_) = (await held.Record(), await held.Kit(kit.Id));
            var there = (await Runs.Of(connection, kit.Id)).ToList();
            int taken = 0;
            foreach (var word in words.Where(w => there.All(t => t.Id != w.Id)))
            {
                if (KitLife.Takes(record, as_.Gate, there, word, as_.RunSteps, day(word.At), now))
                {
                    await Runs.Append(connection, kit.Id, word, now);
                    there.Add(word);
                    taken++;
                }
            }

            return taken;
        });

    /// <summary>How a kit came out, and what was felt: one report a kit, and a reaction whatever becomes of the report.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="report">The report; null: only what was felt, because the rest cannot be taken.</param>
    /// <param name="felt">A reaction that was told with it.</param>
    /// <returns>Why the report was not taken; null where it was. A reaction is always taken.</returns>
    public async Task<string?> Report(Kit kit, OutcomeReport? report, Taken? felt)
    {
        string? refused = await db.Together<string?>(async connection =>
        {
            var held = await Held.Of(connection, kit.ClientId);
            await held.Append(felt?.Events ?? []);
            if (report is null)
            {
                return null;
            }

            if (
                await held.Execute(
                    """
                    insert into outcome_report (kit_id, applied_on, coverage, depth, tone, left_grams, ran_out, weighed, comfort, minutes, note, reported_at, zones)
                    values (@KitId, @AppliedOn, @Coverage, @Depth, @Tone, @LeftGrams, @RanOut, @Weighed, @Comfort, @Minutes, @Note, @ReportedAt, @Zones::jsonb)
                    on conflict (studio_id, kit_id) do nothing
                    """,
                    report
                ) == 0
            )
            {
                return "This kit has been reported already. Your colourist has that report; call if it was wrong.";
            }

            await held.Execute(
                "update kit set state = 'reported', version = version + 1 where id = @KitId and state in ('signed', 'packed', 'posted')",
                new { report.KitId }
            );
            return null;
        });
        CommandLog.Taken(log, kit.ClientId, felt?.Events ?? []);
        return refused;
    }
}
