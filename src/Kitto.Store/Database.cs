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

    /// <summary>The role the application works under: it may add to the record of safety and read it, never change it or take out of it.</summary>
    public const string Role = "kitto_app";

    private const int OneAtATime = 0x6b697474;

    /// <summary>Connections of one node, where the connection string does not say: nodes times this stay under the server's limit.</summary>
    public const int MostConnections = 40;

    /// <summary>Statements that come again are planned once for each connection; every connection works under the role.</summary>
    public Database(string connectionString)
    {
        // A pooled connection keeps its role, and is told its studio whenever it is opened: there is nothing to reset.
        var settings = new NpgsqlConnectionStringBuilder(connectionString) { MaxAutoPrepare = 60, NoResetOnClose = true };
        var said = new System.Data.Common.DbConnectionStringBuilder { ConnectionString = connectionString };
        if (!said.ContainsKey("maximum pool size") && !said.ContainsKey("maxpoolsize"))
        {
            // Two nodes stay under what a server lets in where nobody said otherwise (100); who comes when all are in use waits.
            settings.MaxPoolSize = MostConnections;
        }

        var builder = new NpgsqlDataSourceBuilder(settings.ConnectionString);
        builder.UsePhysicalConnectionInitializer(c => c.Execute(AsRole), c => c.ExecuteAsync(AsRole));
        source = builder.Build();
    }

    /// <summary>
    /// Under the role where it is there; an outside database whose user could not make it is kept by the trigger alone. Disks of today seek as fast as they
    /// read on, and a page that takes some milliseconds is not worth several processes.
    /// </summary>
    private const string AsRole = $"""
        select set_config('random_page_cost', '1.1', false), set_config('max_parallel_workers_per_gather', '0', false), set_config('jit', 'off', false);
        select set_config('role', '{Role}', false) where pg_has_role(current_user, (select oid from pg_roles where rolname = '{Role}'), 'member')
        """;

    /// <summary>
    /// A connection that answers, and works for the studio at hand. Telling it so asks it at the same time: after the database was started again
    /// the pool is full of dead ones, and what is said must not be lost on them.
    /// </summary>
    public async ValueTask<NpgsqlConnection> Open()
    {
        var connection = await source.OpenConnectionAsync();
        try
        {
            await Tell(connection);
        }
        catch (NpgsqlException)
        {
            await connection.DisposeAsync();
            source.Clear();
            connection = await source.OpenConnectionAsync();
            await Tell(connection);
        }

        return connection;
    }

    private static async Task Tell(NpgsqlConnection connection)
    {
        await using var tell = new NpgsqlCommand(
            "select set_config('kitto.studio', $1, false), set_config('kitto.person', $2, false), set_config('kitto.who', $3, false)",
            connection
        );
        tell.Parameters.Add(new NpgsqlParameter<string> { TypedValue = CurrentStudio.Id == 0 ? "" : CurrentStudio.Id.ToString() });
        tell.Parameters.Add(new NpgsqlParameter<string> { TypedValue = CurrentStudio.Person?.ToString() ?? "" });
        tell.Parameters.Add(new NpgsqlParameter<string> { TypedValue = CurrentStudio.Who });
        await tell.ExecuteNonQueryAsync();
    }

    public Task<IReadOnlyList<T>> List<T>(string sql, object? with = null) =>
        On(async connection => (IReadOnlyList<T>)(await connection.QueryAsync<T>(sql, with)).AsList());

    public Task<T?> One<T>(string sql, object? with = null) => On(connection => connection.QuerySingleOrDefaultAsync<T>(sql, with));

    public Task<int> Run(string sql, object? with = null) => On(connection => connection.ExecuteAsync(sql, with));

    /// <summary>Runs several statements as one; on any exception nothing is written.</summary>
    public Task Together(Func<NpgsqlConnection, Task> work) =>
        Together(async connection =>
        {
            await work(connection);
            return true;
        });

    /// <summary>Runs several statements as one; on any exception nothing is written.</summary>
    public Task<T> Together<T>(Func<NpgsqlConnection, Task<T>> work) =>
        On(async connection =>
        {
            await using var transaction = await connection.BeginTransactionAsync();
            var result = await work(connection);
            await transaction.CommitAsync();
            return result;
        });

    internal async Task<T> On<T>(Func<NpgsqlConnection, Task<T>> work)
    {
        await using var connection = await Open();
        return await work(connection);
    }

    /// <summary>
    /// Makes the database if it is missing, brings it to the newest version, and makes the role the application works under.
    /// What was begun to be filled and was cut short is nobody's: it is thrown away first. One process at a time.
    /// </summary>
    /// <param name="connectionString">As the database's owner.</param>
    /// <param name="then">What else is done before anybody else may begin, such as filling the demo.</param>
    /// <returns>Whether the role is there; without it the record of safety is kept by its trigger alone, and studios are kept apart by force on their owner.</returns>
    /// <exception cref="InvalidOperationException">A migration failed; the message names it.</exception>
    public static async Task<bool> Prepare(string connectionString, Func<Task>? then = null)
    {
        EnsureDatabase.For.PostgresqlDatabase(connectionString, new QuietLog());
        // Not pooled: closed, it lets go of the lock whatever happens.
        await using var owner = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(connectionString) { Pooling = false }.ConnectionString);
        await owner.OpenAsync();
        await owner.ExecuteAsync("select pg_advisory_lock(@OneAtATime)", new { OneAtATime }, commandTimeout: 600);
        if (
            await owner.ExecuteScalarAsync<bool>("select to_regclass('public.filling') is not null")
            && await owner.ExecuteScalarAsync<bool>("select exists (select 1 from filling)")
        )
        {
            await owner.ExecuteAsync("drop schema public cascade; create schema public; grant usage on schema public to public");
        }

        // A migration sees every studio.
        await Force(owner, false);
        var result = DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogTo(new QuietLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
        {
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed: {result.Error.Message}", result.Error);
        }

        bool guarded = await MakeRole(owner);
        await Force(owner, !guarded);
        if (then is not null)
        {
            await then();
        }

        return guarded;
    }

    /// <summary>Holds the tables' owner, too, to the studio at hand: where there is no role to work under, it is the owner who works.</summary>
    private static Task<int> Force(NpgsqlConnection owner, bool on) =>
        owner.ExecuteAsync(
            $"""
            do $$ declare t regclass; begin
                for t in select oid::regclass from pg_class where relnamespace = 'public'::regnamespace and relrowsecurity and relname <> 'studio' and relforcerowsecurity <> {(
                on ? "true" : "false"
            )} loop
                    execute format('alter table %s {(on ? "" : "no ")}force row level security', t);
                end loop;
            end $$
            """
        );

    /// <summary>The role, once for the whole cluster, and what it may do in this database.</summary>
    private static async Task<bool> MakeRole(NpgsqlConnection owner)
    {
        try
        {
            await owner.ExecuteAsync(
                $"""
                do $$ begin
                    if not exists (select from pg_roles where rolname = '{Role}') then create role {Role} nologin; end if;
                exception when duplicate_object or unique_violation then null;
                end $$;
                do $$ begin
                    if not pg_has_role(current_user, '{Role}', 'member') then grant {Role} to current_user; end if;
                end $$;
                grant usage on schema public to {Role};
                grant select, insert, update, delete on all tables in schema public to {Role};
                grant usage on all sequences in schema public to {Role};
                revoke update, delete on safety_event, run_step, bench_event, stock_move, shelf_version, schemaversions, trail from {Role};
                revoke all on account, studio_leave from {Role};
                revoke insert, update, delete on backup from {Role};
                """
            );
            return true;
        }
        catch (PostgresException refused) when (refused.SqlState is PostgresErrorCodes.InsufficientPrivilege)
        {
            return false;
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
