using Kitto.Core.Safety;

namespace Kitto.Store;

/// <summary>A client.</summary>
public sealed record Client(
    Guid Id,
    string Name,
    DateOnly BirthDate,
    int DestinationId,
    string Destination,
    string Note,
    DateTime CreatedAt,
    int Version,
    string? Email = null,
    string Language = "en",
    string SpokenOf = "name",
    string Phone = "",
    string Country = ""
)
{
    /// <summary>Whole years on a day.</summary>
    public int AgeOn(DateOnly day) => Consultation.Age(BirthDate, day);
}

/// <summary>A line in the list of clients.</summary>
public sealed record ClientRow(Guid Id, string Name, string Destination, int Kits, string? Service, string? Decision, DateTime? SignedAt, string? KitState);

/// <summary>One version of a reading.</summary>
public sealed record StoredReading(Guid Id, Guid ClientId, int Version, DateTime TakenAt, string TakenBy, string Document);

/// <summary>Regrowth that was measured.</summary>
/// <param name="Mm">Mean over the coloured zones.</param>
/// <param name="Since">Colour day.</param>
/// <param name="TakenAt">When it was measured.</param>
public sealed record MeasuredGrowth(double Mm, DateOnly Since, DateTime TakenAt);

/// <summary>Clients and what was read off them.</summary>
public sealed class Clients(Database db)
{
    public const int PageSize = 100;

    public Task<Client?> Get(Guid id) =>
        db.One<Client>(
            """
            select c.id, c.name, c.birth_date, c.destination_id, d.name as destination, c.note, c.created_at, c.version, c.email, c.language, c.spoken_of, c.phone, c.country
            from client c join destination d on d.id = c.destination_id
            where c.id = @id and c.erased_at is null
            """,
            new { id }
        );

    /// <summary>Clients any word of whose name begins with the text; everyone when it is empty. At most a page.</summary>
    public Task<IReadOnlyList<ClientRow>> Find(string text) =>
        db.List<ClientRow>(
            """
            select c.id, c.name, d.name as destination, (select count(*)::int from kit k where k.client_id = c.id) as kits,
                   p.service, p.decision, p.signed_at, k.state as kit_state
            from client c
            join destination d on d.id = c.destination_id
            left join lateral (select id, service, decision, signed_at from prescription where client_id = c.id order by signed_at desc limit 1) p on true
            left join kit k on k.prescription_id = p.id
            where c.id = any(array(
            """
                + text.Trim().Length switch
                {
                    0 => "select id from client where erased_at is null order by name, id limit @limit",
                    // One letter is so many people's that the first hundred are soon come by.
                    1 =>
                        "select id from client where erased_at is null and (lower(name) like @pattern or lower(name) like '% ' || @pattern) order by name, id limit @limit",
                    _ => "select clients_named(@pattern, @limit)",
                }
                + """
                )) order by c.name, c.id
                """,
            new { pattern = text.Trim().ToLowerInvariant().Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%", limit = PageSize + 1 }
        );

    public Task Add(Client client) =>
        db.Run(
            """
            insert into client (id, name, birth_date, destination_id, note, created_at, email, language, spoken_of, phone, country)
            values (@Id, @Name, @BirthDate, @DestinationId, @Note, @CreatedAt, @Email, @Language, @SpokenOf, @Phone, @Country)
            """,
            client
        );

    /// <summary>How a client wants to be spoken of, and in which language.</summary>
    public Task<int> Speak(Guid id, string spokenOf, string language) =>
        db.Run(
            "update client set spoken_of = @spokenOf, language = @language where id = @id and (spoken_of, language) is distinct from (@spokenOf, @language)",
            new
            {
                id,
                spokenOf,
                language,
            }
        );

    public Task<StoredReading?> LatestReading(Guid clientId) =>
        db.One<StoredReading>(
            """
            select r.id, r.client_id, r.version, r.taken_at, p.display_name as taken_by, r.document::text as document
            from reading r join person p on p.id = r.taken_by
            where r.client_id = @clientId
            order by r.version desc limit 1
            """,
            new { clientId }
        );

    /// <summary>
    /// Where everything stands that a client's record is read from: another text as soon as any row of it is written, whoever writes it.
    /// Rows that change are told by xmin, the transaction that wrote them; rows that are only ever added by the last one. Null where there is no such client.
    /// </summary>
    public Task<string?> Stand(Guid id) => db.On(connection => Stand(connection, id));

    internal static Task<string?> Stand(Npgsql.NpgsqlConnection connection, Guid id) =>
        Dapper.SqlMapper.QuerySingleOrDefaultAsync<string>(
            connection,
            """
            select concat_ws('|', c.xmin, d.xmin, (select xmin from studio),
                (select max(version) from reading where client_id = @id), (select count(*) from prescription where client_id = @id), (select max(id) from client_way where client_id = @id),
                (select string_agg(xmin::text, ',') from kit where client_id = @id), (select string_agg(xmin::text, ',') from answers where client_id = @id),
                (select max(seq) from safety_event where client_id = @id),
                (select string_agg(o.xmin::text, ',') from outcome_report o join kit k on k.id = o.kit_id where k.client_id = @id),
                (select string_agg(p.xmin::text, ',') from picture p where p.client_id = @id and p.kit_id is not null))
            from client c join destination d on d.id = c.destination_id where c.id = @id and c.erased_at is null
            """,
            new { id }
        );

    /// <summary>Regrowth measured after each colour day, the last word on each.</summary>
    public Task<IReadOnlyList<MeasuredGrowth>> Grown(Guid clientId) =>
        db.List<MeasuredGrowth>(
            """
            select distinct on (grown_since) grown_mm as mm, grown_since as since, taken_at from reading
            where client_id = @clientId and grown_since is not null order by grown_since, version desc
            """,
            new { clientId }
        );
}
