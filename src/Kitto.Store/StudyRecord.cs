using Dapper;

namespace Kitto.Store;

/// <summary>A head that somebody learns on, begun or signed.</summary>
/// <param name="Id">Its id.</param>
/// <param name="PersonId">Who learns.</param>
/// <param name="Purpose">practice, leave or round.</param>
/// <param name="Place">Which of the row, from 0.</param>
/// <param name="RoundId">The round it belongs to.</param>
/// <param name="Kind">What it asks.</param>
/// <param name="Seed">What it was drawn from.</param>
/// <param name="ClientId">Whose head it was, for one of the past.</param>
/// <param name="Document">The head, as a case.</param>
/// <param name="BegunAt">When it was begun, UTC.</param>
/// <param name="SignedAt">When it was signed, UTC; null: not yet.</param>
/// <param name="Trial">What was prescribed, as it was typed.</param>
/// <param name="Verdict">What would have come of it.</param>
/// <param name="Best">What the house did.</param>
public sealed record StoredHead(
    Guid Id,
    Guid PersonId,
    string Purpose,
    int Place,
    Guid? RoundId,
    string Kind,
    long Seed,
    Guid? ClientId,
    string Document,
    DateTime BegunAt,
    DateTime? SignedAt = null,
    string? Trial = null,
    string? Verdict = null,
    string? Best = null
);

/// <summary>What was signed of a head, and what would come of it.</summary>
/// <param name="Trial">What was prescribed, as it was typed.</param>
/// <param name="Verdict">The verdict, as a document.</param>
/// <param name="Best">What the house would do, as a document.</param>
/// <param name="Score">0 to 100.</param>
/// <param name="Safe">Whether nothing would have to be put right.</param>
/// <param name="FirstRule">The rule that was told first; null where nothing was found.</param>
/// <param name="Shown">What it showed rule by rule.</param>
public sealed record HeadVerdict(
    string Trial,
    string Verdict,
    string Best,
    int Score,
    bool Safe,
    string? FirstRule,
    IReadOnlyList<(string Rule, bool Right)> Shown
);

/// <summary>A signed head, as far as a list shows it.</summary>
public sealed record SignedHead(
    Guid Id,
    Guid PersonId,
    string PersonName,
    string Purpose,
    int Place,
    string Kind,
    int Score,
    bool Safe,
    string? FirstRule,
    DateTime SignedAt
);

/// <summary>What a head or a drill showed of a rule.</summary>
public sealed record StoredShown(string Rule, bool WasRight, DateTime ShownAt);

/// <summary>A round: the same heads for everybody of the studio.</summary>
public sealed record StudyRound(Guid Id, string Name, long Seed, DateTime OpenedAt, string OpenedBy, int People);

/// <summary>A head of the studio's own past.</summary>
public sealed record PastHead(Guid ClientId, string CaseDocument);

/// <summary>What is learned in the studio: heads, rules, rounds.</summary>
public sealed class StudyRecord(Database db)
{
    private const string Columns =
        "id, person_id, purpose, place, round_id, kind, seed, client_id, document::text as document, begun_at, signed_at, trial::text as trial, verdict::text as verdict, best::text as best";

    private const string SignedColumns =
        "h.id, h.person_id, p.display_name as person_name, h.purpose, h.place, h.kind, h.score, h.safe, h.first_rule, h.signed_at from study_head h join person p on p.id = h.person_id";

    /// <summary>A head by its id.</summary>
    public Task<StoredHead?> Get(Guid id) => db.One<StoredHead>($"select {Columns} from study_head where id = @id", new { id });

    /// <summary>The head somebody has begun and not signed; null where there is none.</summary>
    public Task<StoredHead?> Open(Guid person, string purpose, Guid? round = null) =>
        db.One<StoredHead>(
            $"select {Columns} from study_head where person_id = @person and purpose = @purpose and round_id is not distinct from @round::uuid and signed_at is null",
            new
            {
                person,
                purpose,
                round,
            }
        );

    /// <summary>Begins a head; where one is begun already, that one stays.</summary>
    public Task<int> Begin(StoredHead head) =>
        db.Run(
            """
            insert into study_head (id, person_id, purpose, place, round_id, kind, seed, client_id, document, begun_at)
            values (@Id, @PersonId, @Purpose, @Place, @RoundId, @Kind, @Seed, @ClientId, @Document::jsonb, @BegunAt) on conflict do nothing
            """,
            head
        );

    /// <summary>Throws away a head that was begun.</summary>
    public Task<int> Drop(Guid id) => db.Run("delete from study_head where id = @id and signed_at is null", new { id });

    /// <summary>Signs a head, with what it showed rule by rule. What was signed is not signed again.</summary>
    /// <returns>Whether it was signed now.</returns>
    public Task<bool> Sign(StoredHead head, HeadVerdict judged, DateTime at) =>
        db.Together(async connection =>
        {
            int signed = await connection.ExecuteAsync(
                """
                update study_head set signed_at = @at, trial = @Trial::jsonb, verdict = @Verdict::jsonb, best = @Best::jsonb, score = @Score, safe = @Safe, first_rule = @FirstRule
                where id = @Id and person_id = @PersonId and signed_at is null
                """,
                new
                {
                    head.Id,
                    head.PersonId,
                    at,
                    judged.Trial,
                    judged.Verdict,
                    judged.Best,
                    judged.Score,
                    judged.Safe,
                    judged.FirstRule,
                }
            );
            if (signed == 1)
            {
                await connection.ExecuteAsync(
                    "insert into study_shown (person_id, rule, was_right, shown_at) values (@PersonId, @Rule, @Right, @at)",
                    judged.Shown.Select(s => new
                    {
                        head.PersonId,
                        s.Rule,
                        s.Right,
                        at,
                    })
                );
            }

            return signed == 1;
        });

    /// <summary>Keeps what one answer of a drill showed.</summary>
    public Task<int> Show(Guid person, string rule, bool right, string drill, DateTime at) =>
        db.Run(
            "insert into study_shown (person_id, rule, was_right, shown_at, drill) values (@person, @rule, @right, @at, @drill)",
            new
            {
                person,
                rule,
                right,
                at,
                drill,
            }
        );

    /// <summary>What was shown of a person's rules, oldest first.</summary>
    public Task<IReadOnlyList<StoredShown>> Shown(Guid person) =>
        db.List<StoredShown>("select rule, was_right, shown_at from study_shown where person_id = @person order by id", new { person });

    /// <summary>The heads a person has signed, oldest first.</summary>
    public Task<IReadOnlyList<SignedHead>> Signed(Guid person) =>
        db.List<SignedHead>($"select {SignedColumns} where h.person_id = @person and h.signed_at is not null order by h.signed_at, h.id", new { person });

    /// <summary>What everybody has signed of a round.</summary>
    public Task<IReadOnlyList<SignedHead>> OfRound(Guid round) =>
        db.List<SignedHead>($"select {SignedColumns} where h.round_id = @round and h.signed_at is not null order by p.display_name, h.place", new { round });

    /// <summary>The studio's rounds, newest first.</summary>
    public Task<IReadOnlyList<StudyRound>> Rounds() => db.List<StudyRound>(RoundSql + " order by r.opened_at desc limit 30");

    /// <summary>One round.</summary>
    public Task<StudyRound?> Round(Guid id) => db.One<StudyRound>(RoundSql + " where r.id = @id", new { id });

    private const string RoundSql = """
        select r.id, r.name, r.seed, r.opened_at, p.display_name as opened_by, (select count(distinct person_id) from study_head h where h.round_id = r.id and h.signed_at is not null)::int as people
        from study_round r join person p on p.id = r.opened_by
        """;

    /// <summary>Opens a round.</summary>
    public Task<int> OpenRound(Guid id, string name, long seed, Guid by, DateTime at) =>
        db.Run(
            "insert into study_round (id, name, seed, opened_at, opened_by) values (@id, @name, @seed, @at, @by)",
            new
            {
                id,
                name,
                seed,
                by,
                at,
            }
        );

    /// <summary>A signed head of the studio that a person has not learned on yet, any of them; null where there is none.</summary>
    /// <param name="person">Who learns.</param>
    /// <param name="lot">Which of them comes first.</param>
    public Task<PastHead?> Past(Guid person, long lot) =>
        db.One<PastHead>(
            """
            select p.client_id, p.case_document::text as case_document from prescription p join client c on c.id = p.client_id
            where c.erased_at is null and not exists (select from study_head h where h.person_id = @person and h.client_id = p.client_id)
            order by md5(p.id::text || @lot) limit 1
            """,
            new { person, lot = lot.ToString(System.Globalization.CultureInfo.InvariantCulture) }
        );
}
