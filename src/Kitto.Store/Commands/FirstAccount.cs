using Dapper;

namespace Kitto.Store.Commands;

/// <summary>The studio, its first person and the first place it posts to: all of it or nothing, and once.</summary>
public sealed class FirstAccount(Database db)
{
    /// <summary>Makes them.</summary>
    /// <exception cref="ConflictException">Somebody works here already.</exception>
    public Task Make(
        Person person,
        string studio,
        string timeZone,
        string phone,
        bool demo,
        IReadOnlyList<(string Name, IReadOnlyList<DayOfWeek> PostDays, int TransitDays)> places
    ) =>
        db.Together(async connection =>
        {
            // Whoever comes second waits here and then finds somebody.
            await connection.ExecuteAsync("lock table person in exclusive mode");
            if (await connection.ExecuteScalarAsync<bool>("select exists (select 1 from person)"))
            {
                throw new ConflictException("This studio has been set up meanwhile. Sign in.");
            }

            await connection.ExecuteAsync(
                """
                insert into studio (id, name, time_zone, service_level, scale_step, is_demo, phone) values (1, @studio, @timeZone, 0.9, 0.1, @demo, @phone)
                on conflict (id) do update set name = @studio, time_zone = @timeZone, is_demo = @demo, phone = @phone
                """,
                new
                {
                    studio,
                    timeZone,
                    demo,
                    phone,
                }
            );
            await connection.ExecuteAsync(People.AddSql, person);
            await connection.ExecuteAsync(
                """
                insert into destination (name, post_days, transit_days) values (@Name, @days, @TransitDays) on conflict (name) do nothing
                """,
                places.Select(p => new
                {
                    p.Name,
                    days = string.Join(',', p.PostDays),
                    p.TransitDays,
                })
            );
        });
}
