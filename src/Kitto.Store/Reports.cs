using Npgsql;

namespace Kitto.Store;

/// <summary>A skin or strand test of a kit; without a result it is still on.</summary>
public sealed record TestReport(Guid Id, Guid KitId, Guid ClientId, string Kind, string Line, DateTime AppliedAt, DateTime? ReportedAt, string? Result, double? Minutes, string Note, string ReportedBy);

/// <summary>How it went and what was left.</summary>
public sealed record OutcomeReport(
    Guid KitId, DateOnly AppliedOn, string Coverage, string Depth, string Tone, double LeftGrams, bool RanOut, bool Weighed, string Comfort, double? Minutes,
    string Note, DateTime ReportedAt, DateTime? SeenAt);

/// <summary>What clients report.</summary>
public sealed class Reports(Database db)
{
    private const string TestColumns = "t.id, t.kit_id, k.client_id, t.kind, t.line, t.applied_at, t.reported_at, t.result, t.minutes, t.note, t.reported_by";
    private const string OutcomeColumns = "o.kit_id, o.applied_on, o.coverage, o.depth, o.tone, o.left_grams, o.ran_out, o.weighed, o.comfort, o.minutes, o.note, o.reported_at, o.seen_at";

    public Task<IReadOnlyList<TestReport>> TestsOf(Guid kitId) =>
        db.List<TestReport>($"select {TestColumns} from test_report t join kit k on k.id = t.kit_id where t.kit_id = @kitId order by t.applied_at", new { kitId });

    public Task<IReadOnlyList<TestReport>> TestsOfClient(Guid clientId) => db.List<TestReport>($"""
        select {TestColumns} from test_report t join kit k on k.id = t.kit_id where k.client_id = @clientId order by t.applied_at
        """, new { clientId });

    /// <summary>Tests of every client who has a kit open; a skin test of an earlier kit may still count.</summary>
    public Task<IReadOnlyList<TestReport>> TestsOfOpenKits() => db.List<TestReport>($"""
        select {TestColumns} from test_report t join kit k on k.id = t.kit_id
        where k.client_id in (select client_id from kit where state <> 'closed') order by t.applied_at
        """);

    /// <summary>Keeps a test; a second one of the same kind and line while the first is still on is not taken.</summary>
    /// <exception cref="ConflictException">One is on already.</exception>
    public async Task AddTest(TestReport test)
    {
        try
        {
            await db.Run("""
                insert into test_report (id, kit_id, kind, line, applied_at, reported_at, result, minutes, note, reported_by)
                values (@Id, @KitId, @Kind, @Line, @AppliedAt, @ReportedAt, @Result, @Minutes, @Note, @ReportedBy)
                """, test);
        }
        catch (PostgresException twice) when (twice.SqlState == PostgresErrorCodes.UniqueViolation)
        {
            throw new ConflictException("This test has been started already.");
        }
    }

    /// <summary>Puts the result to a test that is on.</summary>
    /// <exception cref="ConflictException">It has a result already.</exception>
    public async Task FinishTest(Guid id, string result, string note, DateTime at)
    {
        if (await db.Run("update test_report set result = @result, note = @note, reported_at = @at where id = @id and result is null", new { id, result, note, at }) == 0)
        {
            throw new ConflictException("This test has been reported already.");
        }
    }

    /// <summary>Keeps the picture of a test.</summary>
    public Task AddPhoto(Guid testId, byte[] jpeg, DateTime at) => db.Run("""
        insert into test_photo (test_id, jpeg, taken_in) values (@testId, @jpeg, @at) on conflict (test_id) do nothing
        """, new { testId, jpeg, at });

    /// <summary>The picture of a test of this kit; null where there is none.</summary>
    public Task<byte[]?> Photo(Guid kitId, Guid testId) =>
        db.One<byte[]>("select p.jpeg from test_photo p join test_report t on t.id = p.test_id where t.id = @testId and t.kit_id = @kitId", new { kitId, testId });

    /// <summary>Tests of a kit that have a picture, with its moment.</summary>
    public Task<IReadOnlyList<(Guid TestId, string Kind, DateTime At)>> Photos(Guid kitId) => db.List<(Guid, string, DateTime)>("""
        select t.id, t.kind, p.taken_in from test_photo p join test_report t on t.id = p.test_id where t.kit_id = @kitId order by p.taken_in
        """, new { kitId });

    public Task<OutcomeReport?> OutcomeOf(Guid kitId) =>
        db.One<OutcomeReport>($"select {OutcomeColumns} from outcome_report o where o.kit_id = @kitId", new { kitId });

    public Task<IReadOnlyList<OutcomeReport>> OutcomesOfClient(Guid clientId) => db.List<OutcomeReport>($"""
        select {OutcomeColumns} from outcome_report o join kit k on k.id = o.kit_id where k.client_id = @clientId order by o.applied_on desc
        """, new { clientId });

    public Task<IReadOnlyList<OutcomeReport>> OutcomesOfOpenKits() => db.List<OutcomeReport>($"""
        select {OutcomeColumns} from outcome_report o join kit k on k.id = o.kit_id where k.state <> 'closed'
        """);

    /// <summary>Keeps the report of a kit; there is one for each.</summary>
    /// <exception cref="ConflictException">There is one already.</exception>
    public async Task AddOutcome(OutcomeReport report)
    {
        int rows = await db.Run("""
            insert into outcome_report (kit_id, applied_on, coverage, depth, tone, left_grams, ran_out, weighed, comfort, minutes, note, reported_at)
            values (@KitId, @AppliedOn, @Coverage, @Depth, @Tone, @LeftGrams, @RanOut, @Weighed, @Comfort, @Minutes, @Note, @ReportedAt)
            on conflict (kit_id) do nothing
            """, report);
        if (rows == 0)
        {
            throw new ConflictException("This kit has been reported already. Your colourist has that report; call if it was wrong.");
        }

        await db.Run("update kit set state = 'reported', version = version + 1 where id = @KitId and state in ('signed', 'packed', 'posted')", new { report.KitId });
    }

    public Task<int> Seen(Guid kitId, Guid by, DateTime at) =>
        db.Run("update outcome_report set seen_at = @at, seen_by = @by where kit_id = @kitId and seen_at is null", new { kitId, by, at });
}
