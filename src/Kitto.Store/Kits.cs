using Dapper;
using Kitto.Core.Clock;

namespace Kitto.Store;

/// <summary>A signed prescription with its frozen documents.</summary>
public sealed record SignedPrescription(
    Guid Id, Guid ClientId, string ClientName, int ReadingVersion, string Decision, string Service, DateTime SignedAt, string SignedBy, string CaseDocument, string Document, string? Guide,
    Guid? KitId, int? KitNumber, string? KitState);

/// <summary>A kit.</summary>
public sealed record Kit(
    Guid Id, Guid PrescriptionId, Guid ClientId, string ClientName, int Number, string Lines, bool StrandNeeded, int SkinDays, string State, DateOnly? FillOn, DateOnly? PostOn, DateOnly? ArrivesOn, DateOnly? SkinOn, DateOnly? StrandOn, DateOnly? ColourOn, DateOnly? DueOn,
    DateTime? PackedAt, DateTime? PostedAt, DateTime? StoppedAt, string? StopReason, double? AgreedMinutes, int Version)
{
    /// <summary>Its days as they were planned.</summary>
    public KitDays Days => new(FillOn, PostOn, ArrivesOn, SkinOn, StrandOn, ColourOn, DueOn);

    /// <summary>Where it is.</summary>
    public KitStep Step => Steps.Of(State);
}

/// <summary>Steps by the names they are kept under.</summary>
internal static class Steps
{
    private static readonly Dictionary<string, KitStep> ByName = Enum.GetValues<KitStep>().ToDictionary(s => s.ToString().ToLowerInvariant());

    public static KitStep Of(string state) => ByName[state];
}

/// <summary>A kit as a calendar needs it.</summary>
public sealed record DatedKit(
    Guid Id, Guid ClientId, string ClientName, int Number, string State, int Version, DateOnly? FillOn, DateOnly? PostOn, DateOnly? ArrivesOn, DateOnly? SkinOn, DateOnly? StrandOn,
    DateOnly? ColourOn, DateOnly? DueOn, bool Newest, bool Tested, bool StrandDone)
{
    /// <summary>Its days as they were planned.</summary>
    public KitDays Days => new(FillOn, PostOn, ArrivesOn, SkinOn, StrandOn, ColourOn, DueOn);

    /// <summary>What is still to come of it.</summary>
    public IEnumerable<(DateOnly On, DayKind Kind)> Ahead => Days.Ahead(Steps.Of(State), Newest, Tested, StrandDone);
}

/// <summary>What a new prescription is stored with.</summary>
public sealed record Signing(
    Guid ClientId, Guid ReadingId, string Decision, string Service, DateTime At, Guid By, string CaseDocument, string Document, string? Guide,
    string Lines, bool StrandNeeded, int SkinDays, KitDays Days);

/// <summary>Prescriptions, once signed, and the kits made from them.</summary>
public sealed class Kits(Database db)
{
    private const string KitColumns = """
        k.id, k.prescription_id, k.client_id, c.name as client_name, k.number, k.lines, k.strand_needed, k.skin_days, k.state, k.fill_on, k.post_on, k.arrives_on, k.skin_on, k.strand_on, k.colour_on, k.due_on,
        k.packed_at, k.posted_at, k.stopped_at, k.stop_reason, k.agreed_minutes, k.version
        """;

    private const string DatedColumns = """
        k.id, k.client_id, c.name as client_name, k.number, k.state, k.version, k.fill_on, k.post_on, k.arrives_on, k.skin_on, k.strand_on, k.colour_on, k.due_on,
        k.due_on is not null and not exists (select 1 from kit n where n.client_id = k.client_id and n.number > k.number) as newest,
        k.state = 'posted' and exists (select 1 from test_report t where t.kit_id = k.id and t.kind = 'skin') as tested,
        k.state = 'posted' and exists (select 1 from test_report t where t.kit_id = k.id and t.kind = 'strand' and t.result is not null) as strand_done
        from kit k join client c on c.id = k.client_id
        """;

    private const string StopAllSql = """
        update kit set state = 'stopped', stopped_at = @at, stop_reason = @reason, version = version + 1
        where client_id = @clientId and state not in ('closed', 'stopped')
        """;

    private const string SignedSql = """
        select p.id, p.client_id, c.name as client_name, r.version as reading_version, p.decision, p.service, p.signed_at, who.display_name as signed_by,
               p.case_document::text as case_document, p.document::text as document, p.guide::text as guide,
               k.id as kit_id, k.number as kit_number, k.state as kit_state
        from prescription p
        join client c on c.id = p.client_id
        join reading r on r.id = p.reading_id
        join person who on who.id = p.signed_by
        left join kit k on k.prescription_id = p.id
        """;

    /// <summary>Freezes a prescription; a kit is opened with it where the decision is one. A client's earlier open kit is closed.</summary>
    public async Task<(Guid Prescription, Guid? Kit)> Sign(Signing s)
    {
        var id = Guid.CreateVersion7();
        Guid? kit = s.Decision == "kit" ? Guid.CreateVersion7() : null;
        await db.Together(async connection =>
        {
            // One signing at a time for a client, so that kit numbers stay in a row.
            await connection.ExecuteAsync("select 1 from client where id = @ClientId for update", s);
            await connection.ExecuteAsync("""
                insert into prescription (id, client_id, reading_id, decision, service, signed_at, signed_by, case_document, document, guide)
                values (@id, @ClientId, @ReadingId, @Decision, @Service, @At, @By, @CaseDocument::jsonb, @Document::jsonb, @Guide::jsonb)
                """, new { id, s.ClientId, s.ReadingId, s.Decision, s.Service, s.At, s.By, s.CaseDocument, s.Document, s.Guide });
            if (s.Decision == "stop")
            {
                // What stops a new kit stops the ones that are out, too.
                await connection.ExecuteAsync(StopAllSql, new { clientId = s.ClientId, reason = "a stop was recorded from a new reading", at = s.At });
            }

            if (kit is not null)
            {
                await connection.ExecuteAsync("""
                    insert into kit (id, prescription_id, client_id, number, lines, strand_needed, skin_days, state, fill_on, post_on, arrives_on, skin_on, strand_on, colour_on, due_on)
                    select @kit, @id, @ClientId, coalesce(max(number), 0) + 1, @Lines, @StrandNeeded, @SkinDays, 'signed', @FillOn, @PostOn, @ArrivesOn, @SkinOn, @StrandOn, @ColourOn, @DueOn
                    from kit where client_id = @ClientId
                    """, new { kit, id, s.ClientId, s.Lines, s.StrandNeeded, s.SkinDays, s.Days.FillOn, s.Days.PostOn, s.Days.ArrivesOn, s.Days.SkinOn, s.Days.StrandOn, s.Days.ColourOn, s.Days.DueOn });
                await connection.ExecuteAsync("""
                    update kit set state = 'closed', version = version + 1
                    where client_id = @ClientId and id <> @kit and state in ('signed', 'reported')
                    """, new { kit, s.ClientId });
            }
        });
        return (id, kit);
    }

    public Task<Kit?> Get(Guid id) => db.One<Kit>($"select {KitColumns} from kit k join client c on c.id = k.client_id where k.id = @id", new { id });

    public Task<SignedPrescription?> Frozen(Guid id) => db.One<SignedPrescription>($"{SignedSql} where p.id = @id", new { id });

    /// <summary>A client's prescriptions, newest first.</summary>
    public Task<IReadOnlyList<SignedPrescription>> History(Guid clientId) =>
        db.List<SignedPrescription>($"{SignedSql} where p.client_id = @clientId order by p.signed_at desc limit 60", new { clientId });

    /// <summary>Kits that somebody may still have to see to.</summary>
    public Task<IReadOnlyList<Kit>> Open() => db.List<Kit>($"""
        select {KitColumns} from kit k join client c on c.id = k.client_id where k.state <> 'closed' order by k.post_on nulls first, c.name
        """);

    /// <summary>Kits with any day in a span, whatever became of them; a report is due some days after colour day.</summary>
    public Task<IReadOnlyList<DatedKit>> Between(DateOnly from, DateOnly to) => db.List<DatedKit>($"""
        select {DatedColumns}
        where k.fill_on between @from and @to or k.post_on between @from and @to or k.arrives_on between @from and @to or k.skin_on between @from and @to
           or k.strand_on between @from and @to or k.colour_on between @from - {KitDays.ReportDays} and @to or k.due_on between @from and @to
        order by c.name
        """, new { from, to });

    /// <summary>The kits of one client that still have days.</summary>
    public Task<IReadOnlyList<DatedKit>> Dated(Guid clientId) => db.List<DatedKit>($"select {DatedColumns} where k.client_id = @clientId order by k.number desc limit 6", new { clientId });

    /// <summary>Heads whose newest prescription is for the chair, or a stop.</summary>
    public Task<IReadOnlyList<SignedPrescription>> NotAtHome() => db.List<SignedPrescription>($"""
        {SignedSql}
        where p.decision <> 'kit' and p.signed_at = (select max(signed_at) from prescription x where x.client_id = p.client_id)
        order by p.signed_at desc limit 100
        """);

    /// <summary>Moves a kit on, if it still is where the person saw it.</summary>
    /// <exception cref="ConflictException">It is not.</exception>
    public async Task Move(Kit kit, string from, string to, DateTime at)
    {
        int rows = await db.Run("""
            update kit set state = @to, version = version + 1,
                   packed_at = case when @to = 'packed' then @at else packed_at end,
                   posted_at = case when @to = 'posted' then @at else posted_at end
            where id = @Id and version = @Version and state = @from
            """, new { kit.Id, kit.Version, from, to, at });
        if (rows == 0)
        {
            throw new ConflictException("This kit has been moved on by someone else meanwhile; look again.");
        }
    }

    /// <summary>Sets the time that a strand test asked for, if the kit still is where the person saw it.</summary>
    /// <exception cref="ConflictException">It is not, or is stopped or over.</exception>
    public async Task Agree(Kit kit, double minutes, Guid by, DateTime at)
    {
        if (await db.Run("""
            update kit set agreed_minutes = @minutes, agreed_by = @by, agreed_at = @at, version = version + 1
            where id = @Id and version = @Version and state in ('signed', 'packed', 'posted')
            """, new { kit.Id, kit.Version, minutes, by, at }) == 0)
        {
            throw new ConflictException("This kit has been moved on by someone else meanwhile; look again.");
        }
    }

    /// <summary>Stops every open kit of a client at once (OU7).</summary>
    public Task StopAll(Guid clientId, string reason, DateTime at) => db.Run(StopAllSql, new { clientId, reason, at });

    /// <summary>A stop has been seen and put away.</summary>
    public Task<int> CloseStopped(Guid kitId) => db.Run("update kit set state = 'closed', version = version + 1 where id = @kitId and state = 'stopped'", new { kitId });
}
