using System.Data;
using Dapper;
using DbUp;
using Npgsql;

namespace Kitto.Store;

/// <summary>Another has changed it meanwhile; nothing was written.</summary>
public sealed class ConflictException(string says) : Exception(says);

/// <summary>The PostgreSQL database.</summary>
public sealed class Database : IAsyncDisposable
{
    private readonly NpgsqlDataSource source;

    static Database()
    {
        SqlMapper.AddTypeHandler(new DateOnlyHandler());
        DefaultTypeMap.MatchNamesWithUnderscores = true;
    }

    /// <summary>Statements that come again are planned once for each connection.</summary>
    public Database(string connectionString) => source = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connectionString) { MaxAutoPrepare = 60 });

    public ValueTask<NpgsqlConnection> Open() => source.OpenConnectionAsync();

    public async Task<IReadOnlyList<T>> List<T>(string sql, object? with = null)
    {
        await using var connection = await Open();
        return (await connection.QueryAsync<T>(sql, with)).AsList();
    }

    public async Task<T?> One<T>(string sql, object? with = null)
    {
        await using var connection = await Open();
        return await connection.QuerySingleOrDefaultAsync<T>(sql, with);
    }

    public async Task<int> Run(string sql, object? with = null)
    {
        await using var connection = await Open();
        return await connection.ExecuteAsync(sql, with);
    }

    /// <summary>Runs several statements as one; on any exception nothing is written.</summary>
    public async Task Together(Func<NpgsqlConnection, Task> work)
    {
        await using var connection = await Open();
        await using var transaction = await connection.BeginTransactionAsync();
        await work(connection);
        await transaction.CommitAsync();
    }

    /// <summary>Makes the database if it is missing and brings it to the newest version.</summary>
    /// <exception cref="InvalidOperationException">A migration failed; the message names it.</exception>
    public static void Migrate(string connectionString)
    {
        EnsureDatabase.For.PostgresqlDatabase(connectionString, new QuietLog());
        var result = DeployChanges.To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogTo(new QuietLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
        {
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed: {result.Error.Message}", result.Error);
        }
    }

    public ValueTask DisposeAsync() => source.DisposeAsync();

    private sealed class DateOnlyHandler : SqlMapper.TypeHandler<DateOnly>
    {
        public override DateOnly Parse(object value) => value is DateTime time ? DateOnly.FromDateTime(time) : (DateOnly)value;

        public override void SetValue(IDbDataParameter parameter, DateOnly value)
        {
            parameter.DbType = DbType.Date;
            parameter.Value = value;
        }
    }

    private sealed class QuietLog : DbUp.Engine.Output.IUpgradeLog
    {
        public void LogTrace(string format, params object[] args) { }

        public void LogDebug(string format, params object[] args) { }

        public void LogInformation(string format, params object[] args) { }

        public void LogWarning(string format, params object[] args) => Console.Error.WriteLine(format, args);

        public void LogError(string format, params object[] args) => Console.Error.WriteLine(format, args);

        public void LogError(Exception ex, string format, params object[] args) => Console.Error.WriteLine(format, args);
    }
}
