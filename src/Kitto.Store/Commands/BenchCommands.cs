using Dapper;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Kitto.Core.Safety;
using Kitto.Core.Wording;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>What is told at the bench: the line and what it does to the stock in one transaction, with the client held.</summary>
public sealed class BenchCommands(Database db)
{
    /// <summary>Takes down what is told of a kit. Told twice under one id it is told once.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="plan">What is weighed for it.</param>
    /// <param name="seen">How many lines of that vessel, or for a yes of the kit, the teller had seen: two people may fill two vessels of one kit; null: whatever was told meanwhile.</param>
    /// <param name="said">The line.</param>
    /// <param name="today">The studio's day.</param>
    /// <returns>Why it was not taken down; null where it was.</returns>
    /// <exception cref="ConflictException">Someone else told something meanwhile, or the kit is at the bench no longer.</exception>
    public Task<string?> Tell(Kit kit, PackingPlan plan, int? seen, PackingEvent said, DateOnly today) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, kit.ClientId);
            var told = await BenchRecord.Of(connection, kit.Id);
            if (told.Any(e => e.Id == said.Id))
            {
                return null;
            }

            var now = await held.Kit(kit.Id);
            if (now.State != "signed")
            {
                throw new ConflictException("This kit is at the bench no longer; look again.");
            }

            var verdict = Gate.Of(await held.Record(), now.Gate, RunState.None, said.At, today);
            if (!verdict.MayGoOn)
            {
                throw new ConflictException($"A stop holds: {Language.English.Says(verdict.Stops[0])} Nothing of this kit is weighed.");
            }

            if (seen is { } count && count != told.Count(e => said.Vessel.Length == 0 || e.Vessel == said.Vessel))
            {
                throw new ConflictException("Someone else has told something of it meanwhile; look again.");
            }

            if (PackingRules.Refuses(plan, told, said) is { } refused)
            {
                return Language.English.Says(refused);
            }

            if (said.Tube is { } id && await Wrong(connection, plan, told, said, id, today) is { } wrong)
            {
                return wrong;
            }

            await Insert(connection, kit.Id, said);
            await Follow(connection, kit.Id, PackingStand.Of(plan, told).Tubes, PackingStand.Of(plan, [.. told, said]).Tubes, said, today);
            return null;
        });

    private static Task<int> Insert(NpgsqlConnection connection, Guid kit, PackingEvent said) =>
        connection.ExecuteAsync(
            """
            insert into bench_event (id, kit_id, kind, vessel, item, grams, tube_id, typed, of_event, factor, says, said_by, said_at)
            values (@Id, @kit, @kind, @Vessel, @Item, @Grams, @Tube, @Typed, @Of, @Factor, @Says, @By, @At)
            """,
            new
            {
                said.Id,
                kit,
                kind = Json.Name(said.Kind),
                said.Vessel,
                said.Item,
                said.Grams,
                said.Tube,
                said.Typed,
                said.Of,
                said.Factor,
                said.Says,
                said.By,
                said.At,
            }
        );

    /// <summary>Why this tube is not the one.</summary>
    private static async Task<string?> Wrong(
        NpgsqlConnection connection,
        PackingPlan plan,
        IReadOnlyList<PackingEvent> told,
        PackingEvent said,
        Guid id,
        DateOnly today
    )
    {
        var tube = await connection.QuerySingleOrDefaultAsync<Tube>($"{StockRecord.TubeSql} where t.id = @id for update of t", new { id });
        var vessel = plan.Find(said.Vessel)!;
        string? pouredBefore = told.Any(e => e.Tube == id) ? "" : null;
        return tube is null ? "There is no such tube."
            : tube.Line != vessel.Line || tube.Item != said.Item ? $"{tube.Code} is {tube.Item}; {said.Item} is wanted here. Nothing was taken down."
            // What came out of it just before it ended is told all the same.
            : tube.EndedAt is not null && pouredBefore is not null ? null
            : tube.Refused(today);
    }

    /// <summary>Moves stock by what a line changed: out of the tube, back into it, or lost.</summary>
    private static async Task Follow(
        NpgsqlConnection connection,
        Guid kit,
        IReadOnlyDictionary<Guid, TubeUse> before,
        IReadOnlyDictionary<Guid, TubeUse> after,
        PackingEvent said,
        DateOnly today
    )
    {
        foreach (var tube in after.Keys.Union(before.Keys).Order())
        {
            var (was, now) = (before.GetValueOrDefault(tube), after.GetValueOrDefault(tube));
            if (now.Poured - was.Poured is var more && more != 0)
            {
                await Move(connection, tube, more > 0 ? "poured" : "unpoured", -more, kit, "", said.By, said.At, today);
            }

            if (now.Lost - was.Lost is var gone && gone != 0)
            {
                await Move(connection, tube, "unpoured", gone, kit, said.Says, said.By, said.At, today);
                await Move(connection, tube, "writtenOff", -gone, kit, said.Says, said.By, said.At, today);
            }
        }
    }

    /// <summary>One move. What comes out of a tube beyond what was counted in it was in it: the count is put right first.</summary>
    internal static async Task Move(
        NpgsqlConnection connection,
        Guid tube,
        string kind,
        decimal grams,
        Guid? kit,
        string why,
        string by,
        DateTime at,
        DateOnly today
    )
    {
        const string insert =
            "insert into stock_move (tube_id, kind, grams, kit_id, why, moved_by, moved_at) values (@tube, @kind, @grams, @kit, @why, @by, @at)";
        decimal there = await connection.ExecuteScalarAsync<decimal>("select grams from tube where id = @tube for update", new { tube });
        if (there + grams < 0)
        {
            decimal more = -(there + grams);
            await connection.ExecuteAsync(
                insert,
                new
                {
                    tube,
                    kind = "counted",
                    grams = more,
                    kit = (Guid?)null,
                    why = "more was in it than was counted",
                    by,
                    at,
                }
            );
            there += more;
        }

        await connection.ExecuteAsync(
            insert,
            new
            {
                tube,
                kind,
                grams,
                kit,
                why,
                by,
                at,
            }
        );
        await connection.ExecuteAsync(
            "update tube set grams = @left, opened_on = case when @out then coalesce(opened_on, @today) else opened_on end where id = @tube",
            new
            {
                tube,
                left = there + grams,
                @out = kind == "poured",
                today,
            }
        );
    }

    /// <summary>Packs a kit: every vessel weighed and labelled, or excused; what is left in the bowls is written off; what was weighed is kept.</summary>
    /// <param name="seen">The kit as it was seen.</param>
    /// <param name="plan">What is weighed for it.</param>
    /// <param name="told">How many lines were seen.</param>
    /// <param name="packed">What was really weighed.</param>
    /// <param name="today">The studio's day.</param>
    /// <param name="by">Who.</param>
    /// <param name="at">Now, UTC.</param>
    /// <exception cref="ConflictException">It is not where the person saw it, something is missing, or a stop holds.</exception>
    public Task Pack(Kit seen, PackingPlan plan, int told, PackedKit packed, DateOnly today, string by, DateTime at) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, seen.ClientId);
            var events = await BenchRecord.Of(connection, seen.Id);
            var stand = PackingStand.Of(plan, events);
            if (events.Count != told)
            {
                throw new ConflictException("Someone else has told something of it meanwhile; look again.");
            }

            if (stand.Now is { } open)
            {
                throw new ConflictException(
                    $"{Sentences.Begin(Language.English.Names(open.Vessel))} is not {(open.Filled ? "labelled" : "weighed")} yet, and no reason says why not."
                );
            }

            if (packed.WantsYes && stand.Agreed is null)
            {
                throw new ConflictException("What was poured differs from the prescription: a colourist says yes to it first.");
            }

            await Pack(held, seen, stand, packed, today, by, at);
        });

    /// <summary>Packs a kit that was weighed elsewhere, by the paper: what is not done at the bench is excused, for one reason.</summary>
    /// <param name="seen">The kit as it was seen.</param>
    /// <param name="plan">What is weighed for it.</param>
    /// <param name="why">Why it was not weighed at the bench, 3 to 300 characters.</param>
    /// <param name="weigh">What it comes to.</param>
    /// <param name="today">The studio's day.</param>
    /// <param name="by">Who.</param>
    /// <param name="at">Now, UTC.</param>
    /// <exception cref="ConflictException">It is not where the person saw it, or a stop holds.</exception>
    public Task PackWithout(Kit seen, PackingPlan plan, string why, Func<PackingStand, PackedKit> weigh, DateOnly today, string by, DateTime at) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, seen.ClientId);
            var events = (await BenchRecord.Of(connection, seen.Id)).ToList();
            foreach (var vessel in PackingStand.Of(plan, events).Vessels.Where(v => !v.Done))
            {
                var said = new PackingEvent(Guid.CreateVersion7(), PackingKind.Excused, vessel.Vessel.Key, Says: why, By: by, At: at);
                if (PackingRules.Refuses(plan, events, said) is { } refused)
                {
                    throw new ConflictException(Language.English.Says(refused));
                }

                await Insert(connection, seen.Id, said);
                events.Add(said);
            }

            var stand = PackingStand.Of(plan, events);
            var packed = weigh(stand);
            if (packed.WantsYes && stand.Agreed is null)
            {
                throw new ConflictException("What was poured differs from the prescription: a colourist says yes to it at the bench first.");
            }

            await Pack(held, seen, stand, packed, today, by, at);
        });

    private static async Task Pack(Held held, Kit seen, PackingStand stand, PackedKit packed, DateOnly today, string by, DateTime at)
    {
        await KitCommands.Move(held, seen, KitStep.Packed, today, at);
        // Packed once more after it was taken back, only what is left beyond that is written off.
        const string left = "left in the bowl";
        var gone = (
            await held.Connection.QueryAsync<(Guid Tube, decimal Grams)>(
                "select tube_id, -sum(grams) from stock_move where kit_id = @Id and kind = 'writtenOff' and why = @left group by tube_id",
                new { seen.Id, left }
            )
        ).ToDictionary(x => x.Tube, x => x.Grams);
        foreach (var (tube, grams) in stand.LeftInBowls().Select(l => (l.Key, l.Value - gone.GetValueOrDefault(l.Key))).Where(l => l.Item2 > 0))
        {
            await Move(held.Connection, tube, "unpoured", grams, seen.Id, left, by, at, today);
            await Move(held.Connection, tube, "writtenOff", -grams, seen.Id, left, by, at, today);
        }

        await held.Execute("update kit set weighed = @Weighed::jsonb where id = @Id", new { packed.Weighed, seen.Id });
        await KitBooking.Book(held.Connection, seen, packed, today);
    }
}
