using Dapper;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>What only whoever keeps the installation does, as the database's owner.</summary>
public static class Installation
{
    /// <summary>How long leave to make a studio works.</summary>
    public static readonly TimeSpan LeaveLife = TimeSpan.FromDays(7);

    /// <summary>Gives leave to make one more studio.</summary>
    /// <param name="connectionString">As the database's owner.</param>
    /// <param name="at">Now, UTC.</param>
    /// <returns>The token for the address of the first day.</returns>
    public static async Task<string> GiveLeave(string connectionString, DateTime at)
    {
        var (written, hash) = SecretToken.Make();
        await using var owner = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(connectionString) { Pooling = false }.ConnectionString);
        await owner.OpenAsync();
        await owner.ExecuteAsync("insert into studio_leave (token_hash, expires_at) values (@hash, @expires)", new { hash, expires = at + LeaveLife });
        return written;
    }
}
