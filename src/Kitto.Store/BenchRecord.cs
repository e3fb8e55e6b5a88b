using Dapper;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Npgsql;

namespace Kitto.Store;

/// <summary>A kit that waits at the bench.</summary>
public sealed record QueuedKit(
    Guid Id,
    string Client,
    int Number,
    string Service,
    string State,
    DateOnly? FillOn,
    DateOnly? PostOn,
    int Told,
    DateTime? LastAt,
    string? LastBy
);

/// <summary>A kit that is signed and not packed.</summary>
public sealed record WaitingKit(Guid Id, Guid ClientId, Guid PrescriptionId, bool Begun);

/// <summary>The bench's record of kits.</summary>
public sealed class BenchRecord(Database db)
{
    private const string Sql =
        "select id, kind, vessel, item, grams, tube_id, typed, of_event, factor, says, said_by, said_at from bench_event where kit_id = @kitId order by seq";

    /// <summary>Everything told of a kit, in order.</summary>
    public Task<IReadOnlyList<PackingEvent>> Of(Guid kitId) => db.On(connection => Of(connection, kitId));

    /// <summary>Where a kit stands at the bench: another text as soon as anything is told of it or it is moved on, whoever does it. Null where there is none.</summary>
    public Task<string?> Mark(Guid kitId) =>
        db.One<string>(
            "select concat_ws(' ', (select count(*) from bench_event where kit_id = @kitId), state, version) from kit where id = @kitId",
            new { kitId }
        );

    internal static async Task<IReadOnlyList<PackingEvent>> Of(NpgsqlConnection connection, Guid kitId) =>
        [.. (await connection.QueryAsync<Row>(Sql, new { kitId })).Select(r => r.Read())];

    /// <summary>Kits that are to be packed, by the day they are filled; packed ones that are not posted behind them.</summary>
    public Task<IReadOnlyList<QueuedKit>> Queue() =>
        db.List<QueuedKit>(
            """
            select k.id, c.name as client, k.number, p.service, k.state, k.fill_on, k.post_on, coalesce(e.told, 0)::int as told, e.last_at, e.last_by
            from open_kit k join client c on c.id = k.client_id join prescription p on p.id = k.prescription_id
            left join lateral (
                select count(*) as told, max(said_at) as last_at, (array_agg(said_by order by seq desc))[1] as last_by from bench_event where kit_id = k.id
            ) e on true
            where k.state in ('signed', 'packed') order by k.state desc, k.fill_on nulls first, k.post_on nulls first, c.name
            limit 300
            """
        );

    /// <summary>Kits that are signed and not packed, and whether anything was told of them.</summary>
    public Task<IReadOnlyList<WaitingKit>> Waiting() =>
        db.List<WaitingKit>(
            "select id, client_id, prescription_id, exists (select 1 from bench_event e where e.kit_id = k.id) as begun from open_kit k where k.state = 'signed' order by id"
        );

    private sealed record Row(
        Guid Id,
        string Kind,
        string Vessel,
        string Item,
        decimal Grams,
        Guid? TubeId,
        bool Typed,
        Guid? OfEvent,
        double Factor,
        string Says,
        string SaidBy,
        DateTime SaidAt
    )
    {
        public PackingEvent Read() => new(Id, Json.Named<PackingKind>(Kind)!.Value, Vessel, Item, Grams, TubeId, Typed, OfEvent, Factor, Says, SaidBy, SaidAt);
    }
}
