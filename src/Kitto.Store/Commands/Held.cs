using Dapper;
using Kitto.Core.Safety;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>One client, held while something is written of her: who comes second sees what the first has written, whatever page either came from.</summary>
internal sealed class Held(NpgsqlConnection connection, Guid clientId)
{
    public NpgsqlConnection Connection => connection;

    public Guid ClientId => clientId;

    /// <summary>Holds a client for the transaction of a connection.</summary>
    public static async Task<Held> Of(NpgsqlConnection connection, Guid clientId)
    {
        await connection.ExecuteAsync("select 1 from client where id = @clientId for update", new { clientId });
        return new Held(connection, clientId);
    }

    /// <summary>What was said of her, as it stands now.</summary>
    public Task<SafetyRecord> Record() => SafetyRecords.Of(connection, clientId);

    /// <summary>One of her kits, as it stands now.</summary>
    public async Task<Kit> Kit(Guid kitId) => await connection.QuerySingleAsync<Kit>(Kits.OneSql, new { id = kitId });

    /// <summary>Adds to the record; what stops, stops with it.</summary>
    public Task Append(IReadOnlyList<SafetyEvent> events) => SafetyRecords.Append(connection, clientId, events);

    public Task<int> Execute(string sql, object with) => connection.ExecuteAsync(sql, with);
}
