using Dapper;
using Kitto.Core.Safety;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>One client, held while something is written about them: who comes second sees what the first has written, whatever page either came from.</summary>
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

    /// <summary>What was said of the client, as of now.</summary>
    public Task<SafetyRecord> Record() => SafetyRecords.Of(connection, clientId);

    /// <summary>One of the client's kits, as of now.</summary>
    public async Task<Kit> Kit(Guid kitId) => await connection.QuerySingleAsync<Kit>(Kits.OneSql, new { id = kitId });

    /// <summary>Adds to the record, and stops the kits where it has to; the events as they are written.</summary>
    public Task<IReadOnlyList<SafetyEvent>> Append(IReadOnlyList<SafetyEvent> events) => SafetyRecords.Append(connection, clientId, events);

    public Task<int> Execute(string sql, object with) => connection.ExecuteAsync(sql, with);
}
