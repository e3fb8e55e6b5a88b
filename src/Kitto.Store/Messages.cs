namespace Kitto.Store;

/// <summary>Something to be said to a client.</summary>
/// <param name="Key">What it is about; nothing is said twice under one key.</param>
/// <param name="Recipient">Her address; null: to be told otherwise.</param>
/// <param name="ClaimedAt">When sending was begun; with nothing sent since, whether it went is not known.</param>
public sealed record Message(
    Guid Id,
    string Key,
    Guid? ClientId,
    string? ClientName,
    string? Recipient,
    string Subject,
    string Body,
    DateTime DueAt,
    DateTime MadeAt,
    DateTime? ClaimedAt,
    DateTime? SentAt,
    int Attempts,
    string? Failure
);

/// <summary>The outbox: made once, begun once, marked when it went.</summary>
public sealed class Messages(Database db)
{
    private const string Columns = """
        m.id, m.key, m.client_id, c.name as client_name, m.recipient, m.subject, m.body, m.due_at, m.made_at, m.claimed_at, m.sent_at, m.attempts, m.failure
        from message m left join client c on c.id = m.client_id
        """;

    /// <summary>Makes a message unless one of its key is there.</summary>
    public Task<int> Make(string key, Guid? clientId, string? recipient, string subject, string body, DateTime at) =>
        db.Run(
            """
            insert into message (id, key, client_id, recipient, subject, body, due_at, made_at)
            values (@id, @key, @clientId, @recipient, @subject, @body, @at, @at) on conflict (studio_id, key) do nothing
            """,
            new
            {
                id = Guid.CreateVersion7(),
                key,
                clientId,
                recipient,
                subject,
                body,
                at,
            }
        );

    /// <summary>Keys there are already, of those asked for.</summary>
    public async Task<HashSet<string>> There(IReadOnlyCollection<string> keys) =>
        [.. await db.List<string>("select key from message where key = any(@keys)", new { keys = keys.ToArray() })];

    /// <summary>Begins the next that is due; nobody else gets it. Those begun long ago are begun again only where sending twice is the same as once.</summary>
    /// <param name="now">Now.</param>
    /// <param name="againBefore">Those begun before this are taken up again; null: never.</param>
    public async Task<Message?> Claim(DateTime now, DateTime? againBefore)
    {
        var id = await db.One<Guid?>(
            """
            update message set claimed_at = @now, attempts = attempts + 1, failure = null
            where id = (
                select id from message
                where sent_at is null and recipient is not null and due_at <= @now and (claimed_at is null or claimed_at < @againBefore)
                order by due_at for update skip locked limit 1)
            returning id
            """,
            new { now, againBefore }
        );
        return id is null ? null : await Get(id.Value);
    }

    public Task<Message?> Get(Guid id) => db.One<Message>($"select {Columns} where m.id = @id", new { id });

    /// <summary>It went.</summary>
    public Task<int> Sent(Guid id, DateTime at) =>
        db.Run("update message set sent_at = @at, failure = null where id = @id and sent_at is null", new { id, at });

    /// <summary>It certainly did not go: it is tried again later.</summary>
    public Task<int> Failed(Guid id, string why, DateTime again) =>
        db.Run(
            "update message set claimed_at = null, due_at = @again, failure = @why where id = @id and sent_at is null",
            new
            {
                id,
                why = why.Length > 500 ? why[..500] : why,
                again,
            }
        );

    /// <summary>Whether it went is not known: a person decides.</summary>
    public Task<int> Unclear(Guid id, string why) =>
        db.Run("update message set failure = @why where id = @id and sent_at is null", new { id, why = why.Length > 500 ? why[..500] : why });

    /// <summary>A person wants it sent again.</summary>
    public Task<int> Again(Guid id, DateTime now) =>
        db.Run("update message set claimed_at = null, due_at = @now, failure = null where id = @id and sent_at is null", new { id, now });

    /// <summary>What has not gone, oldest first, then the last that went.</summary>
    public Task<IReadOnlyList<Message>> List(int most) =>
        db.List<Message>(
            $"""
            (select {Columns} where m.sent_at is null order by m.due_at limit @most)
            union all
            (select {Columns} where m.sent_at is not null order by m.sent_at desc limit @most)
            limit @most
            """,
            new { most }
        );

    /// <summary>How many wait for a person: without an address, or not known to have gone.</summary>
    public Task<int> Waiting(DateTime begunBefore) =>
        db.One<int>("select count(*)::int from message where sent_at is null and (recipient is null or claimed_at < @begunBefore)", new { begunBefore });
}
