namespace Kitto.Store;

/// <summary>A sitting that was not kept yet.</summary>
/// <param name="BegunFrom">The reading version it was begun from; a newer reading makes it worthless.</param>
public sealed record Draft(int BegunFrom, string Document, string Mix, DateTime SavedAt);

/// <summary>Sittings as they stand, kept while one types.</summary>
public sealed class Drafts(Database db)
{
    public Task<Draft?> Of(Guid clientId, Guid personId) =>
        db.One<Draft>(
            "select begun_from, document::text as document, mix, saved_at from draft where client_id = @clientId and person_id = @personId",
            new { clientId, personId }
        );

    /// <summary>Keeps it as it stands. It does not wait for the disk: a draft is typed on, and the next stroke writes it again.</summary>
    public Task Save(Guid clientId, Guid personId, int begunFrom, string document, string mix, DateTime at) =>
        db.Run(
            """
            insert into draft (client_id, person_id, begun_from, document, mix, saved_at)
            select @clientId, @personId, @begunFrom, @document::jsonb, @mix, @at from set_config('synchronous_commit', 'off', true)
            on conflict (studio_id, client_id, person_id) do update set begun_from = @begunFrom, document = @document::jsonb, mix = @mix, saved_at = @at where draft.saved_at <= @at
            """,
            new
            {
                clientId,
                personId,
                begunFrom,
                document,
                mix,
                at,
            }
        );

    public Task<int> Drop(Guid clientId, Guid personId) =>
        db.Run("delete from draft where client_id = @clientId and person_id = @personId", new { clientId, personId });
}
