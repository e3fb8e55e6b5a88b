using Dapper;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Npgsql;

namespace Kitto.Store;

/// <summary>A kit that waits at the bench.</summary>
/// <param name="Sort">0 begun, 1 to be packed by today, 2 later, 3 packed.</param>
/// <param name="OfSort">How many there are of that sort.</param>
public sealed record QueuedKit(
    Guid Id,
    string Client,
    int Number,
    string Service,
    string State,
    DateOnly? FillOn,
    DateOnly? PostOn,
    DateTime? LastAt,
    string? LastBy,
    int Sort,
    int OfSort
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
    /// <param name="today">The day in the studio.</param>
    /// <param name="most">So many of each sort; of those that were begun all.</param>
    public Task<IReadOnlyList<QueuedKit>> Queue(DateOnly today, int most) =>
        db.List<QueuedKit>(
            """
            with waiting as (
                select k.*, case when state = 'packed' then 3 when exists (select from bench_event e where e.kit_id = k.id) then 0 when coalesce(fill_on, @today) <= @today then 1 else 2 end as sort
                from open_kit k where state in ('signed', 'packed')
            ), counted as (
                select *, count(*) over (partition by sort)::int as of_sort, row_number() over (partition by sort order by fill_on nulls first, post_on nulls first, id) as n from waiting
            )
            select k.id, c.name as client, k.number, p.service, k.state, k.fill_on, k.post_on, e.last_at, e.last_by, k.sort, k.of_sort
            from counted k join client c on c.id = k.client_id join prescription p on p.id = k.prescription_id
            left join lateral (select said_at as last_at, said_by as last_by from bench_event where kit_id = k.id order by seq desc limit 1) e on k.sort = 0
            where k.n <= @most or k.sort = 0 order by k.sort, k.fill_on nulls first, k.post_on nulls first, c.name
            """,
            new { today, most }
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
