using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Store;

/// <summary>A signed prescription with its frozen documents.</summary>
public sealed record SignedPrescription(
    Guid Id,
    Guid ClientId,
    string ClientName,
    int ReadingVersion,
    string Decision,
    string Service,
    DateTime SignedAt,
    string SignedBy,
    string CaseDocument,
    string Document,
    string? Guide,
    Guid? KitId,
    int? KitNumber,
    string? KitState,
    string? ShelfHash,
    string Language,
    string? Weighed,
    string? CountersignedBy = null
)
{
    /// <summary>Who signed it, and who countersigned where somebody did.</summary>
    public string Signers => CountersignedBy is null ? SignedBy : $"{SignedBy}, countersigned by {CountersignedBy},";
}

/// <summary>A head that is for the chair, or that a stop keeps from colour.</summary>
/// <param name="Id">The prescription.</param>
/// <param name="ClientName">Whose.</param>
/// <param name="Decision">salon or stop.</param>
/// <param name="Says">The first reason, in words.</param>
/// <param name="Rule">Its rule.</param>
public sealed record NotAtHome(Guid Id, string ClientName, string Decision, string Says, string Rule);

/// <summary>A kit that was stopped and that nobody has put away.</summary>
/// <param name="Id">The kit.</param>
/// <param name="Client">Whose.</param>
/// <param name="Since">When it was stopped, UTC.</param>
public sealed record StoppedKit(Guid Id, string Client, DateTime Since);

/// <summary>A part of a kit that is sent once more.</summary>
/// <param name="Id">Its id.</param>
/// <param name="What">Which part.</param>
/// <param name="Why">Why.</param>
/// <param name="AskedBy">Who of the studio.</param>
/// <param name="AskedAt">When, UTC.</param>
/// <param name="ThereAt">When it was said to be there, UTC; null: on its way.</param>
public sealed record Replacement(Guid Id, string What, string Why, string AskedBy, DateTime AskedAt, DateTime? ThereAt);

/// <summary>A kit.</summary>
public sealed record Kit(
    Guid Id,
    Guid PrescriptionId,
    Guid ClientId,
    string ClientName,
    int Number,
    string Lines,
    bool StrandNeeded,
    int SkinDays,
    string State,
    DateOnly? FillOn,
    DateOnly? PostOn,
    DateOnly? ArrivesOn,
    DateOnly? SkinOn,
    DateOnly? StrandOn,
    DateOnly? ColourOn,
    DateOnly? DueOn,
    DateTime SignedAt,
    DateTime? PackedAt,
    DateTime? PostedAt,
    DateTime? StoppedAt,
    string? StopReason,
    double? AgreedMinutes,
    int TransitDays,
    int? RunFirst,
    int? RunOff,
    int Version,
    DateTime? OpenedAt = null,
    DateTime? CancelledAt = null,
    string? CancelledWhy = null,
    string SpokenOf = "name"
)
{
    /// <summary>What the gate needs to know of it.</summary>
    public GateKit Gate => new(Id, Lines.Split(','), StrandNeeded, SkinDays, Step, SignedAt, PostedAt, StoppedAt, TransitDays) { CancelledAt = CancelledAt };

    /// <summary>Between which steps of its guide colour is on the head.</summary>
    public RunSteps RunSteps => new(RunFirst ?? int.MaxValue, RunOff ?? int.MaxValue);

    /// <summary>Its days as they were planned.</summary>
    public KitDays Days => new(FillOn, PostOn, ArrivesOn, SkinOn, StrandOn, ColourOn, DueOn);

    /// <summary>Where it is.</summary>
    public KitStep Step => Steps.Of(State);

    /// <summary>How its client is spoken of.</summary>
    public Pronouns Client => Pronouns.Of(SpokenOf, ClientName);

    /// <summary>What a message about it is kept under.</summary>
    public string MessageKey(ClientMessage kind) => $"kit:{Id:N}:{Core.Contract.Json.Name(kind)}";
}

/// <summary>Steps by the names they are kept under.</summary>
internal static class Steps
{
    private static readonly Dictionary<string, KitStep> ByName = Enum.GetValues<KitStep>().ToDictionary(s => s.ToString().ToLowerInvariant());

    public static KitStep Of(string state) => ByName[state];
}

/// <summary>A kit as a calendar needs it.</summary>
public sealed record DatedKit(
    Guid Id,
    Guid ClientId,
    string ClientName,
    int Number,
    string State,
    int Version,
    DateOnly? FillOn,
    DateOnly? PostOn,
    DateOnly? ArrivesOn,
    DateOnly? SkinOn,
    DateOnly? StrandOn,
    DateOnly? ColourOn,
    DateOnly? DueOn,
    bool Newest,
    bool Tested,
    bool StrandDone,
    bool CalledOff
)
{
    /// <summary>Its days as they were planned.</summary>
    public KitDays Days => new(FillOn, PostOn, ArrivesOn, SkinOn, StrandOn, ColourOn, DueOn);

    /// <summary>Whether its days are off: it was stopped or called off.</summary>
    public bool Off => CalledOff || State == "stopped";

    /// <summary>What is still to come of it.</summary>
    public IEnumerable<(DateOnly On, DayKind Kind)> Ahead => CalledOff ? [] : Days.Ahead(Steps.Of(State), Newest, Tested, StrandDone);
}

/// <summary>Prescriptions, once signed, and the kits made from them.</summary>
public sealed class Kits(Database db)
{
    private const string KitColumns = """
        k.id, k.prescription_id, k.client_id, c.name as client_name, k.number, k.lines, k.strand_needed, k.skin_days, k.state, k.fill_on, k.post_on, k.arrives_on, k.skin_on, k.strand_on, k.colour_on, k.due_on,
        p.signed_at, k.packed_at, k.posted_at, k.stopped_at, k.stop_reason, k.agreed_minutes, k.transit_days, k.run_first, k.run_off, k.version, k.opened_at, k.cancelled_at, k.cancelled_why, c.spoken_of
        """;

    private const string DatedColumns = """
        k.id, k.client_id, c.name as client_name, k.number, k.state, k.version, k.fill_on, k.post_on, k.arrives_on, k.skin_on, k.strand_on, k.colour_on, k.due_on,
        k.due_on is not null and not exists (select 1 from kit n where n.client_id = k.client_id and n.number > k.number) as newest,
        k.state = 'posted' and exists (select 1 from safety_event t where t.kit_id = k.id and t.kind = 'skinOn') as tested,
        k.state = 'posted' and exists (select 1 from safety_event t where t.kit_id = k.id and t.kind = 'strand') as strand_done,
        k.cancelled_at is not null as called_off
        from kit k join client c on c.id = k.client_id
        """;

    private const string SignedSql = """
        select p.id, p.client_id, c.name as client_name, r.version as reading_version, p.decision, p.service, p.signed_at, coalesce(p.names ->> 'signedBy', who.display_name) as signed_by,
               p.case_document::text as case_document, p.document::text as document, p.guide::text as guide,
               k.id as kit_id, k.number as kit_number, k.state as kit_state, p.shelf_hash,
               coalesce(p.names ->> 'language', 'en') as language, k.weighed::text as weighed, p.names ->> 'countersignedBy' as countersigned_by
        from prescription p
        join client c on c.id = p.client_id
        join reading r on r.id = p.reading_id
        join person who on who.id = p.signed_by
        left join kit k on k.prescription_id = p.id
        """;

    internal const string OneSql =
        $"select {KitColumns} from kit k join client c on c.id = k.client_id join prescription p on p.id = k.prescription_id where k.id = @id and c.erased_at is null";

    public Task<Kit?> Get(Guid id) => db.One<Kit>(OneSql, new { id });

    /// <summary>Kits that were stopped and that nobody has put away, the oldest stop first.</summary>
    public Task<IReadOnlyList<StoppedKit>> Stopped() =>
        db.List<StoppedKit>(
            """
            select k.id, c.name as client, k.stopped_at as since from kit k join client c on c.id = k.client_id where k.state = 'stopped' order by k.stopped_at, k.id
            """
        );

    /// <summary>The newest kit of a client; null where there is none.</summary>
    public Task<Kit?> Newest(Guid clientId) =>
        db.One<Kit>(
            $"""
            select {KitColumns} from kit k join client c on c.id = k.client_id join prescription p on p.id = k.prescription_id where k.client_id = @clientId order by k.number desc limit 1
            """,
            new { clientId }
        );

    /// <summary>Parts of a kit that were sent once more, the oldest first.</summary>
    public Task<IReadOnlyList<Replacement>> Replacements(Guid id) =>
        db.List<Replacement>(
            "select id, part as what, why, asked_by, asked_at, there_at from kit_replacement where kit_id = @id order by asked_at",
            new { id }
        );

    public Task<SignedPrescription?> Frozen(Guid id) => db.One<SignedPrescription>($"{SignedSql} where p.id = @id and c.erased_at is null", new { id });

    /// <summary>A client's prescriptions, newest first.</summary>
    public Task<IReadOnlyList<SignedPrescription>> History(Guid clientId) =>
        db.List<SignedPrescription>($"{SignedSql} where p.client_id = @clientId order by p.signed_at desc limit 60", new { clientId });

    /// <summary>Several at once.</summary>
    public Task<IReadOnlyList<Kit>> Get(IEnumerable<Guid> ids) =>
        db.List<Kit>(
            $"""
            select {KitColumns} from kit k join client c on c.id = k.client_id join prescription p on p.id = k.prescription_id where k.id = any(@ids) and c.erased_at is null
            """,
            new { ids = ids.ToArray() }
        );

    /// <summary>Several with their days.</summary>
    public Task<IReadOnlyList<DatedKit>> Dated(IEnumerable<Guid> ids) =>
        db.List<DatedKit>($"select {DatedColumns} where k.id = any(@ids)", new { ids = ids.ToArray() });

    /// <summary>The newest kits of clients whose next one falls due until a day, and who have none that is signed for it.</summary>
    public Task<IReadOnlyList<(Guid KitId, Guid PrescriptionId, DateOnly DueOn)>> Due(DateOnly until, int most) =>
        db.List<(Guid, Guid, DateOnly)>(
            """
            select k.id, k.prescription_id, k.due_on from kit k
            where k.due_on <= @until and k.due_on > @until - 120 and k.state in ('posted', 'reported', 'closed') and k.cancelled_at is null
              and not exists (select 1 from kit n where n.client_id = k.client_id and n.number > k.number)
              and not exists (select 1 from safety_event s where s.client_id = k.client_id and s.kind = 'reaction')
            order by k.due_on limit @most
            """,
            new { until, most }
        );

    /// <summary>Kits with any day in a span, whatever became of them; a report is due some days after colour day.</summary>
    public Task<IReadOnlyList<DatedKit>> Between(DateOnly from, DateOnly to) =>
        db.List<DatedKit>(
            $"""
            select {DatedColumns}
            where k.id = any(array(select kits_between(@from, @to))) and (k.fill_on between @from and @to or k.post_on between @from and @to or k.arrives_on between @from and @to or k.skin_on between @from and @to
               or k.strand_on between @from and @to or k.colour_on between @from - {Values.ReportDays} and @to or k.due_on between @from and @to)
            order by c.name
            """,
            new { from, to }
        );

    /// <summary>The kits of one client that still have days.</summary>
    public Task<IReadOnlyList<DatedKit>> Dated(Guid clientId) =>
        db.List<DatedKit>($"select {DatedColumns} where k.client_id = @clientId order by k.number desc limit 6", new { clientId });

    /// <summary>Heads whose newest prescription is for the chair, or a stop, the newest first.</summary>
    /// <param name="from">How many are passed over.</param>
    /// <param name="most">How many are wanted.</param>
    public Task<IReadOnlyList<NotAtHome>> NotAtHome(int from, int most) =>
        // The numbers stand in the text: by them the database chooses to walk the index and stop.
        db.List<NotAtHome>(
            string.Create(
                System.Globalization.CultureInfo.InvariantCulture,
                $"""
                select p.id, c.name as client_name, p.decision, p.document #>> '{"{because,0,says}"}' as says, p.document #>> '{"{because,0,rule}"}' as rule
                from (
                    select id from prescription p where decision <> 'kit' and newest
                    order by signed_at desc limit {most} offset {from}
                ) top join prescription p on p.id = top.id join client c on c.id = p.client_id order by p.signed_at desc
                """
            )
        );

    /// <summary>A stop has been seen and put away.</summary>
    public Task<int> CloseStopped(Guid kitId) =>
        db.Run("update kit set state = 'closed', version = version + 1 where id = @kitId and state = 'stopped'", new { kitId });
}
