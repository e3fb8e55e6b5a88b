using Dapper;

namespace Kitto.Store.Commands;

/// <summary>The studio, its first person and the first place it posts to: all of it or nothing, and once.</summary>
public sealed class FirstAccount(Database db)
{
    private const int OneAtATime = 0x66697273;

    /// <summary>Whether a token is leave to make one more studio, as whoever keeps the installation gives it.</summary>
    public async Task<bool> HasLeave(string? token) => SecretToken.Hash(token) is { } hash && await db.One<bool>("select leave_open(@hash)", new { hash });

    /// <summary>Makes them. The first studio needs nobody's leave; each further one uses one up.</summary>
    /// <param name="leave">Leave to make a further studio.</param>
    /// <returns>The studio's number.</returns>
    /// <exception cref="ConflictException">Somebody works here already, or the name to sign in with is taken.</exception>
    public Task<int> Make(
        Person person,
        string studio,
        string timeZone,
        string phone,
        bool demo,
        IReadOnlyList<(string Name, IReadOnlyList<DayOfWeek> PostDays, int TransitDays)> places,
        string? leave = null
    ) =>
        db.Together(async connection =>
        {
            // Whoever comes second waits here and then finds somebody.
            await connection.ExecuteAsync("select pg_advisory_xact_lock(@OneAtATime)", new { OneAtATime });
            int id = CurrentStudio.First;
            if (await connection.ExecuteScalarAsync<bool>("select any_account()"))
            {
                if (SecretToken.Hash(leave) is not { } hash || !await connection.ExecuteScalarAsync<bool>("select leave_use(@hash)", new { hash }))
                {
                    throw new ConflictException("This studio has been set up meanwhile. Sign in.");
                }

                id = await connection.ExecuteScalarAsync<int>("select nextval(pg_get_serial_sequence('studio', 'id'))::int");
            }

            await connection.ExecuteAsync("select set_config('kitto.studio', @studio, true)", new { studio = id.ToString() });
            await connection.ExecuteAsync(
                """
                insert into studio (id, name, time_zone, service_level, scale_step, is_demo, phone) values (@id, @studio, @timeZone, 0.9, 0.1, @demo, @phone)
                on conflict (id) do update set name = @studio, time_zone = @timeZone, is_demo = @demo, phone = @phone
                """,
                new
                {
                    id,
                    studio,
                    timeZone,
                    demo,
                    phone,
                }
            );
            await People.Add(connection, person);
            await connection.ExecuteAsync(
                """
                insert into destination (name, post_days, transit_days) values (@Name, @days, @TransitDays) on conflict (studio_id, name) do nothing
                """,
                places.Select(p => new
                {
                    p.Name,
                    days = string.Join(',', p.PostDays),
                    p.TransitDays,
                })
            );
            return id;
        });
}
