using Kitto.Core.Safety;

namespace Kitto.Store;

/// <summary>What a client says of a box.</summary>
/// <param name="Id">Made by the phone, so that the same note sent twice is one.</param>
/// <param name="KitId">The kit.</param>
/// <param name="Client">Whose.</param>
/// <param name="Kind">What sort.</param>
/// <param name="Says">In the client's words; may be empty.</param>
/// <param name="SaidAt">When, UTC.</param>
/// <param name="SeenAt">When somebody dealt with it, UTC; null: nobody has.</param>
public sealed record KitNote(Guid Id, Guid KitId, string Client, string Kind, string Says, DateTime SaidAt, DateTime? SeenAt)
{
    /// <summary>Longest note, characters.</summary>
    public const int Longest = 500;

    /// <summary>The sort as a kind.</summary>
    public KitNoteKind Sort => Enum.Parse<KitNoteKind>(Kind, true);
}

/// <summary>What a client can say of a box.</summary>
public enum KitNoteKind
{
    /// <summary>It has not arrived.</summary>
    BoxLate,

    /// <summary>Something is missing from it, or damaged.</summary>
    PartMissing,

    /// <summary>The colour day has passed, and a new one is wanted.</summary>
    NewDay,
}

/// <summary>What clients say of their boxes, until somebody has dealt with it.</summary>
public sealed class KitNotes(Database db)
{
    private const string Columns = "n.id, n.kit_id, c.name as client, n.kind, n.says, n.said_at, n.seen_at";
    private const string From = "from kit_note n join kit k on k.id = n.kit_id join client c on c.id = k.client_id";

    /// <summary>Most open notes of one kit: a phone that sends more changes nothing.</summary>
    private const int Most = 20;

    /// <summary>Saves one.</summary>
    public Task<int> Add(Guid id, Guid kit, KitNoteKind kind, string says, DateTime at) =>
        db.Run(
            $"""
            insert into kit_note (id, kit_id, kind, says, said_at)
            select @id, @kit, @kind, @says, @at where (select count(*) from kit_note where kit_id = @kit and seen_at is null) < {Most}
            on conflict (studio_id, id) do nothing
            """,
            new
            {
                id,
                kit,
                kind = SafetyRecords.Name(kind),
                says,
                at,
            }
        );

    /// <summary>Those that nobody has dealt with, the oldest first.</summary>
    public Task<IReadOnlyList<KitNote>> Open() =>
        db.List<KitNote>($"select {Columns} {From} where n.seen_at is null and c.erased_at is null order by n.said_at");

    /// <summary>Those of one kit, the newest first.</summary>
    public Task<IReadOnlyList<KitNote>> Of(Guid kit) => db.List<KitNote>($"select {Columns} {From} where n.kit_id = @kit order by n.said_at desc", new { kit });

    /// <summary>Somebody has dealt with it.</summary>
    public Task<int> Seen(Guid id, Guid kit, string by, DateTime at) =>
        db.Run(
            "update kit_note set seen_at = @at, seen_by = @by where id = @id and kit_id = @kit and seen_at is null",
            new
            {
                id,
                kit,
                by,
                at,
            }
        );
}
