using Dapper;

namespace Kitto.Store.Commands;

/// <summary>A client's picture, as it stands in the record.</summary>
/// <param name="Name">What it is of, and when.</param>
/// <param name="Kept">The picture as the application encrypted it.</param>
public sealed record KeptPicture(string Name, byte[] Kept);

/// <summary>Who might be forgotten: nothing was signed or read of them for as long as the house keeps.</summary>
/// <param name="Id">The client.</param>
/// <param name="Name">By name.</param>
/// <param name="LastAt">When something last happened.</param>
public sealed record Unseen(Guid Id, string Name, DateTime LastAt);

/// <summary>What belongs to a client by right: all that is kept of them, and to be forgotten.</summary>
public sealed class ClientRights(Database db)
{
    /// <summary>What of a client stands in which table, as a condition on the table under the name t. A table that is not here holds nothing of a client's (a test holds this against the database).</summary>
    public static IReadOnlyDictionary<string, string> Where { get; } =
        new Dictionary<string, string>
        {
            ["client"] = "t.id = @id",
            ["reading"] = "t.client_id = @id",
            ["prescription"] = "t.client_id = @id",
            ["answers"] = "t.client_id = @id",
            ["client_way"] = "t.client_id = @id",
            ["draft"] = "t.client_id = @id",
            ["safety_event"] = "t.client_id = @id",
            ["message"] = "t.client_id = @id",
            ["trail"] = "t.client_id = @id",
            ["kit_account"] = "t.client_id = @id",
            ["kit"] = "t.client_id = @id",
            ["link"] = "t.client_id = @id or t.kit_id in (select id from kit where client_id = @id)",
            ["outcome_report"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["run_step"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["kit_replacement"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["picture"] = "t.client_id = @id",
            ["picture_sending"] = "t.client_id = @id",
            ["picture_piece"] = "t.client_id = @id",
            ["study_head"] = "t.client_id = @id",
            ["proposal"] = "t.client_id = @id",
            ["kit_note"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["push_subscription"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["kit_stand"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["kit_day"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["kit_goods"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["bench_event"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["stock_move"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["report_photo"] = "t.kit_id in (select id from kit where client_id = @id)",
            ["test_photo"] = "t.test_id in (select id from safety_event where client_id = @id)",
        };

    /// <summary>Columns that are no use to the client or let somebody in: pictures are given as pictures, secrets to nobody.</summary>
    private const string Not = "'{studio_id,jpeg,came,token_hash,sealed,endpoint,p256dh,auth}'::text[]";

    /// <summary>Everything that is kept of a client, table by table, as JSON.</summary>
    public Task<IReadOnlyList<(string Table, string Rows)>> Everything(Guid id) =>
        db.On<IReadOnlyList<(string, string)>>(async connection =>
        {
            var all = new List<(string, string)>();
            foreach (var (table, where) in Where)
            {
                all.Add(
                    (
                        table,
                        await connection.ExecuteScalarAsync<string>(
                            $"select coalesce(jsonb_pretty(jsonb_agg(to_jsonb(t) - {Not})), '[]') from {table} t where {where}",
                            new { id }
                        ) ?? "[]"
                    )
                );
            }

            return all;
        });

    /// <summary>Every picture of a client.</summary>
    public Task<IReadOnlyList<KeptPicture>> Pictures(Guid id) =>
        db.List<KeptPicture>(
            """
            select 'test-' || to_char(p.taken_in, 'YYYYMMDD-HH24MISS') as name, p.jpeg as kept from test_photo p join safety_event e on e.id = p.test_id where e.client_id = @id
            union all
            select 'report-' || to_char(p.begun_at, 'YYYYMMDD-HH24MISS'), p.jpeg from report_photo p join kit k on k.id = p.kit_id where k.client_id = @id and p.jpeg is not null
            """,
            new { id }
        );

    /// <summary>Forgets a client: what names them or tells of their body goes, events without a name stay.</summary>
    /// <exception cref="ConflictException">A kit of theirs is still on its way or with them.</exception>
    public Task Erase(Guid id) =>
        db.Together(async connection =>
        {
            await Held.Of(connection, id);
            if (
                await connection.ExecuteScalarAsync<int?>(
                    "select number from kit where client_id = @id and state in ('packed', 'posted') and cancelled_at is null limit 1",
                    new { id }
                ) is
                { } number
            )
            {
                throw new ConflictException($"Kit {number} is on its way or with the client: see it through or call it off first.");
            }

            if (!await connection.ExecuteScalarAsync<bool>("select erase_client(@id)", new { id }))
            {
                throw new ConflictException("This client is not there any more.");
            }
        });

    /// <summary>Clients of whom nothing happened for as long as the house keeps; none where it keeps for ever. The longest ago first.</summary>
    public Task<IReadOnlyList<Unseen>> Left(int most) =>
        db.List<Unseen>(
            """
            select c.id, c.name, x.last_at from client c, studio s,
            lateral (select greatest(c.created_at, (select max(signed_at) from prescription where client_id = c.id), (select max(taken_at) from reading where client_id = c.id), (select max(answered_at) from answers where client_id = c.id)) as last_at) x
            where s.keep_years > 0 and c.erased_at is null and c.created_at < now() - make_interval(years => s.keep_years) and x.last_at < now() - make_interval(years => s.keep_years)
              and not exists (select from open_kit k where k.client_id = c.id)
            order by x.last_at limit @most
            """,
            new { most }
        );
}
