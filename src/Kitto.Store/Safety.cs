using Dapper;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Core.Wording;
using Npgsql;

namespace Kitto.Store;

/// <summary>A reaction that was told and taken back.</summary>
/// <param name="ClientId">Who.</param>
/// <param name="Client">By name.</param>
/// <param name="ToldAt">When it was told, UTC.</param>
/// <param name="BackAt">When it was taken back, UTC.</param>
public sealed record TakenBackRow(Guid ClientId, string Client, DateTime ToldAt, DateTime BackAt);

/// <summary>The record of safety: read here, added to by the commands, changed by nobody.</summary>
public sealed class SafetyRecords(Database db)
{
    private const string Columns = "id, client_id, kind, kit_id, happened_at, said_at, said_by, says, line, result, minutes, rule, of_event, source";

    /// <summary>Everything of one client.</summary>
    public Task<SafetyRecord> Of(Guid clientId) => db.On(connection => Of(connection, clientId));

    /// <summary>Everything of several clients.</summary>
    public Task<IReadOnlyDictionary<Guid, SafetyRecord>> Of(IEnumerable<Guid> clients) =>
        db.On<IReadOnlyDictionary<Guid, SafetyRecord>>(async connection =>
        {
            var asked = clients.Distinct().ToArray();
            var events = (
                await connection.QueryAsync<Row>($"select {Columns} from safety_event where client_id = any(@asked) order by seq", new { asked })
            ).ToLookup(e => e.ClientId);
            return (await connection.QueryAsync<BornRow>(BornSql("= any(@asked)"), new { asked }))
                .GroupBy(b => b.ClientId)
                .ToDictionary(g => g.Key, g => Made(events[g.Key], g));
        });

    /// <summary>Reactions that clients took back themselves since a moment, the last first: somebody calls all the same.</summary>
    public Task<IReadOnlyList<TakenBackRow>> TakenBack(DateTime since) =>
        db.List<TakenBackRow>(
            """
            select c.id as client_id, c.name as client, r.said_at as told_at, b.said_at as back_at
            from safety_event b join safety_event r on r.id = b.of_event and r.kind = 'reaction' join client c on c.id = b.client_id
            where b.kind = 'corrected' and b.said_by = 'client' and b.said_at >= @since order by b.said_at desc
            """,
            new { since }
        );

    internal static async Task<SafetyRecord> Of(NpgsqlConnection connection, Guid clientId) =>
        Made(
            await connection.QueryAsync<Row>($"select {Columns} from safety_event where client_id = @clientId order by seq", new { clientId }),
            await connection.QueryAsync<BornRow>(BornSql("= @clientId"), new { clientId })
        );

    /// <summary>
    /// Adds what was recorded. The same word under the same id is there already and left as it is; another word, or another client's, under that id gets an id beside it.
    /// What stops, stops every kit that is out.
    /// </summary>
    /// <returns>The events as they are in the record.</returns>
    /// <exception cref="InvalidOperationException">Something was not written.</exception>
    internal static async Task<IReadOnlyList<SafetyEvent>> Append(NpgsqlConnection connection, Guid clientId, IReadOnlyList<SafetyEvent> events)
    {
        var written = new List<SafetyEvent>();
        SafetyEvent? stop = null;
        foreach (var said in events)
        {
            async Task<bool> Insert(SafetyEvent e) =>
                await connection.ExecuteAsync(
                    """
                    insert into safety_event (id, client_id, kit_id, kind, happened_at, said_at, said_by, says, line, result, minutes, rule, of_event, source)
                    values (@Id, @clientId, @Kit, @kind, @At, @SaidAt, @By, @Says, @Line, @result, @Minutes, @Rule, @Of, @Source)
                    on conflict (studio_id, id) do nothing
                    """,
                    new
                    {
                        e.Id,
                        clientId,
                        e.Kit,
                        kind = Name(e.Kind),
                        e.At,
                        e.SaidAt,
                        e.By,
                        e.Says,
                        e.Line,
                        result = e.Result is { } r ? Name(r) : null,
                        e.Minutes,
                        e.Rule,
                        e.Of,
                        e.Source,
                    }
                ) == 1;

            async Task<bool> IsThere(Guid id) =>
                (await connection.QueryAsync<Row>($"select {Columns} from safety_event where id = @id and client_id = @clientId", new { id, clientId })).Any(
                    r => r.Event.Word == said.Word
                );

            var beside = said with { Id = SafetyEvent.IdBeside(said.Id, said.Word) };
            bool isNew = await Insert(said);
            var e = isNew || await IsThere(said.Id) ? said : beside;
            if (e == beside && !(isNew = await Insert(beside)) && !await IsThere(beside.Id))
            {
                throw new InvalidOperationException($"A word of kind {Name(said.Kind)} could not be recorded: both of its ids belong to others.");
            }

            written.Add(e);
            stop ??= isNew && e.Stops ? e : null;
        }

        if (stop is not null)
        {
            await connection.ExecuteAsync(
                """
                update kit set state = 'stopped', stopped_at = @SaidAt, stop_reason = @reason, version = version + 1
                where client_id = @clientId and state not in ('closed', 'stopped')
                """,
                new
                {
                    clientId,
                    stop.SaidAt,
                    reason = $"{stop.Why.Rule}: {Language.English.Says(stop.Why)}",
                }
            );
        }

        return written;
    }

    private static string BornSql(string whose) =>
        $"""
            select id as client_id, birth_date as born, '' as source from client where id {whose}
            union all
            select client_id, (document ->> 'birthDate')::date, 'answers:' || id from answers where client_id {whose}
            union all
            select client_id, substring(source from 6)::date, source from safety_event where client_id {whose} and source like 'born:%'
            """;

    private static SafetyRecord Made(IEnumerable<Row> rows, IEnumerable<BornRow> born)
    {
        var record = new SafetyRecord([.. rows.Select(r => r.Event)], []);
        return record with { Born = [.. born.Where(b => b.Source.Length == 0 || !record.IsStruck(b.Source)).Select(b => b.Born)] };
    }

    internal static string Name<T>(T value)
        where T : struct, Enum => Core.Contract.Json.Name(value);

    private sealed record BornRow(Guid ClientId, DateOnly Born, string Source);

    private sealed record Row(
        Guid Id,
        Guid ClientId,
        string Kind,
        Guid? KitId,
        DateTime HappenedAt,
        DateTime SaidAt,
        string SaidBy,
        string Says,
        string? Line,
        string? Result,
        double? Minutes,
        string? Rule,
        Guid? OfEvent,
        string? Source
    )
    {
        public SafetyEvent Event =>
            new(Id, Enum.Parse<SafetyKind>(Kind, true), KitId, HappenedAt, SaidAt, SaidBy, Says)
            {
                Line = Line,
                Result = Result is null ? null : Enum.Parse<StrandResult>(Result, true),
                Minutes = Minutes,
                Rule = Rule,
                Of = OfEvent,
                Source = Source,
            };
    }
}
