namespace Kitto.Store;

/// <summary>One version of a client's answers.</summary>
/// <param name="AnsweredBy">Name of the person of the studio who took them down; null: she answered herself.</param>
public sealed record StoredAnswers(long Id, Guid ClientId, string Document, bool AsksAgain, DateTime AnsweredAt, string? AnsweredBy, DateTime? SeenAt);

/// <summary>Answers nobody of the studio has looked at yet.</summary>
public sealed record UnseenAnswers(Guid ClientId, string ClientName, DateTime AnsweredAt);

/// <summary>What clients answer about their health and their hair.</summary>
public sealed class Answers(Database db)
{
    private const string Columns = "a.id, a.client_id, a.document::text as document, a.asks_again, a.answered_at, p.display_name as answered_by, a.seen_at";

    /// <summary>Every version of a client, newest first.</summary>
    public Task<IReadOnlyList<StoredAnswers>> Of(Guid clientId) => db.List<StoredAnswers>($"""
        select {Columns} from answers a left join person p on p.id = a.answered_by where a.client_id = @clientId order by a.id desc
        """, new { clientId });

    /// <summary>Keeps a version after the one it was begun from. What the studio takes down itself is seen with that.</summary>
    /// <param name="by">The person of the studio; null: herself.</param>
    /// <exception cref="ConflictException">Others were given meanwhile.</exception>
    public async Task Add(Guid clientId, long begunFrom, string document, bool asksAgain, DateTime at, Guid? by)
    {
        int rows = 0;
        await db.Together(async connection =>
        {
            await Dapper.SqlMapper.ExecuteAsync(connection, "select 1 from client where id = @clientId for update", new { clientId });
            rows = await Dapper.SqlMapper.ExecuteAsync(connection, """
                insert into answers (client_id, document, asks_again, answered_at, answered_by, seen_at, seen_by)
                select @clientId, @document::jsonb, @asksAgain, @at, @by, case when @by is null then null else @at end, @by
                where @begunFrom = coalesce((select max(id) from answers where client_id = @clientId), 0)
                """, new { clientId, begunFrom, document, asksAgain, at, by });
        });
        if (rows == 0)
        {
            throw new ConflictException("Other answers have come in meanwhile; nothing of yours is lost, look at them and send again.");
        }
    }

    /// <summary>Everything of a client up to a version has been looked at.</summary>
    public Task<int> Seen(Guid clientId, long upTo, Guid by, DateTime at) =>
        db.Run("update answers set seen_at = @at, seen_by = @by where client_id = @clientId and id <= @upTo and seen_at is null", new { clientId, upTo, by, at });

    /// <summary>Clients whose newest answers nobody has looked at.</summary>
    public Task<IReadOnlyList<UnseenAnswers>> Unseen() => db.List<UnseenAnswers>("""
        select c.id as client_id, c.name as client_name, max(a.answered_at) as answered_at
        from answers a join client c on c.id = a.client_id where a.seen_at is null
        group by c.id, c.name order by max(a.answered_at)
        """);

    /// <summary>For clients with a kit open: since when skin tests count, because something new was answered then.</summary>
    public async Task<IReadOnlyDictionary<Guid, DateTime>> TestsCountFrom() => (await db.List<(Guid ClientId, DateTime At)>("""
        select client_id, max(answered_at) from answers
        where asks_again and client_id in (select client_id from kit where state <> 'closed') group by client_id
        """)).ToDictionary(x => x.ClientId, x => x.At);

    /// <summary>The same for one client; null where nothing new was ever answered.</summary>
    public Task<DateTime?> TestsCountFrom(Guid clientId) =>
        db.One<DateTime?>("select max(answered_at) from answers where asks_again and client_id = @clientId", new { clientId });
}
