namespace Kitto.Store;

/// <summary>One version of a client's answers.</summary>
/// <param name="AnsweredBy">Name of the person of the studio who took them down; null: she answered herself.</param>
public sealed record StoredAnswers(long Id, Guid ClientId, string Document, DateTime AnsweredAt, string? AnsweredBy, DateTime? SeenAt);

/// <summary>Answers nobody of the studio has looked at yet.</summary>
public sealed record UnseenAnswers(Guid ClientId, string ClientName, DateTime AnsweredAt);

/// <summary>What clients answer about their health and their hair.</summary>
public sealed class Answers(Database db)
{
    private const string Columns = "a.id, a.client_id, a.document::text as document, a.answered_at, p.display_name as answered_by, a.seen_at";

    /// <summary>Every version of a client, newest first.</summary>
    public Task<IReadOnlyList<StoredAnswers>> Of(Guid clientId) =>
        db.List<StoredAnswers>(
            $"""
            select {Columns} from answers a left join person p on p.id = a.answered_by where a.client_id = @clientId order by a.id desc
            """,
            new { clientId }
        );

    /// <summary>Everything of a client up to a version has been looked at.</summary>
    public Task<int> Seen(Guid clientId, long upTo, Guid by, DateTime at) =>
        db.Run(
            "update answers set seen_at = @at, seen_by = @by where client_id = @clientId and id <= @upTo and seen_at is null",
            new
            {
                clientId,
                upTo,
                by,
                at,
            }
        );

    /// <summary>Clients whose newest answers nobody has looked at.</summary>
    public Task<IReadOnlyList<UnseenAnswers>> Unseen() =>
        db.List<UnseenAnswers>(
            """
            select c.id as client_id, c.name as client_name, max(a.answered_at) as answered_at
            from answers a join client c on c.id = a.client_id where a.seen_at is null
            group by c.id, c.name order by max(a.answered_at)
            """
        );
}
