using Dapper;

namespace Kitto.Store;

/// <summary>How it went and what was left.</summary>
public sealed record OutcomeReport(
    Guid KitId,
    DateOnly AppliedOn,
    string Coverage,
    string Depth,
    string Tone,
    double LeftGrams,
    bool RanOut,
    bool Weighed,
    string Comfort,
    double? Minutes,
    string Note,
    DateTime ReportedAt,
    DateTime? SeenAt,
    string Zones = "{}"
);

/// <summary>What clients report.</summary>
public sealed class Reports(Database db)
{
    private const string OutcomeColumns =
        "o.kit_id, o.applied_on, o.coverage, o.depth, o.tone, o.left_grams, o.ran_out, o.weighed, o.comfort, o.minutes, o.note, o.reported_at, o.seen_at, o.zones::text as zones";

    /// <summary>The picture of a test of this kit; null where there is none.</summary>
    public Task<byte[]?> Photo(Guid kitId, Guid testId) =>
        db.One<byte[]>(
            "select p.jpeg from test_photo p join safety_event t on t.id = p.test_id where t.id = @testId and t.kit_id = @kitId",
            new { kitId, testId }
        );

    /// <summary>Tests of a kit that have a picture, with its moment.</summary>
    public Task<IReadOnlyList<(Guid TestId, string Kind, DateTime At)>> Photos(Guid kitId) =>
        db.List<(Guid, string, DateTime)>(
            """
            select t.id, case when t.kind = 'strand' then 'strand' else 'skin' end, p.taken_in from test_photo p join safety_event t on t.id = p.test_id where t.kit_id = @kitId order by p.taken_in
            """,
            new { kitId }
        );

    /// <summary>A picture of how it came out, as they were sent before a head's pictures were; null where there is none.</summary>
    public Task<byte[]?> ReportPhoto(Guid kitId, Guid id) =>
        db.One<byte[]>("select jpeg from report_photo where id = @id and kit_id = @kitId and jpeg is not null", new { kitId, id });

    /// <summary>Pictures of how it came out, with their moments.</summary>
    public Task<IReadOnlyList<(Guid Id, DateTime At)>> ReportPhotos(Guid kitId) =>
        db.List<(Guid, DateTime)>("select id, taken_in from report_photo where kit_id = @kitId and jpeg is not null order by taken_in", new { kitId });

    public Task<OutcomeReport?> OutcomeOf(Guid kitId) =>
        db.One<OutcomeReport>($"select {OutcomeColumns} from outcome_report o where o.kit_id = @kitId", new { kitId });

    public Task<IReadOnlyList<OutcomeReport>> OutcomesOfClient(Guid clientId) =>
        db.List<OutcomeReport>(
            $"""
            select {OutcomeColumns} from outcome_report o join kit k on k.id = o.kit_id where k.client_id = @clientId order by o.applied_on desc
            """,
            new { clientId }
        );

    /// <summary>The reports of kits, by kit.</summary>
    public async Task<IReadOnlyDictionary<Guid, OutcomeReport>> OutcomesOf(IEnumerable<Guid> kits) =>
        (
            await db.List<OutcomeReport>($"select {OutcomeColumns} from outcome_report o where o.kit_id = any(@kits)", new { kits = kits.ToArray() })
        ).ToDictionary(o => o.KitId);

    public Task<int> Seen(Guid kitId, Guid by, DateTime at) =>
        db.Run(
            "update outcome_report set seen_at = @at, seen_by = @by where kit_id = @kitId and seen_at is null",
            new
            {
                kitId,
                by,
                at,
            }
        );
}
