using Dapper;
using Kitto.Core.Clock;
using Npgsql;

namespace Kitto.Store;

/// <summary>What happened on the head, word by word; it is kept with the kit.</summary>
public sealed class Runs(Database db)
{
    private const string Columns = "id, kit_id, word, step, begun_at";

    /// <summary>All of a kit, as they came in.</summary>
    public Task<IReadOnlyList<RunLine>> Of(Guid kitId) => db.On(connection => Of(connection, kitId));

    /// <summary>All of several kits, by kit.</summary>
    public async Task<ILookup<Guid, RunLine>> Of(IEnumerable<Guid> kits) =>
        (await db.List<Row>($"select {Columns} from run_step where kit_id = any(@kits) order by seq", new { kits = kits.ToArray() })).ToLookup(
            r => r.KitId,
            r => r.Line
        );

    internal static async Task<IReadOnlyList<RunLine>> Of(NpgsqlConnection connection, Guid kitId) =>
        [.. (await connection.QueryAsync<Row>($"select {Columns} from run_step where kit_id = @kitId order by seq", new { kitId })).Select(r => r.Line)];

    internal static Task Append(NpgsqlConnection connection, Guid kitId, RunLine word, DateTime at) =>
        connection.ExecuteAsync(
            """
            insert into run_step (id, kit_id, word, step, begun_at, received_at) values (@Id, @kitId, @word, @Step, @At, @received) on conflict (studio_id, id) do nothing
            """,
            new
            {
                word.Id,
                kitId,
                word = SafetyRecords.Name(word.Word),
                word.Step,
                word.At,
                received = at,
            }
        );

    private sealed record Row(Guid Id, Guid KitId, string Word, int Step, DateTime BegunAt)
    {
        public RunLine Line => new(Id, Enum.Parse<RunWord>(Word, true), Step, BegunAt);
    }
}
