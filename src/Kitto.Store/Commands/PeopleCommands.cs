using Dapper;

namespace Kitto.Store.Commands;

/// <summary>Comes in by invitation, and by a link to a new password: each link once.</summary>
public sealed class PeopleCommands(Database db)
{
    /// <summary>Somebody comes in by an invitation.</summary>
    /// <exception cref="ConflictException">The invitation was used or closed meanwhile, or the name to sign in with is taken.</exception>
    public Task Join(Link invitation, Person person, DateTime at) =>
        db.Together(async connection =>
        {
            await People.Add(connection, person);
            if (!await Links.Use(connection, invitation.Id, person.Id, at))
            {
                throw new ConflictException("This invitation was used or closed meanwhile. Ask for a new one.");
            }
        });

    /// <summary>A new password by a link: it is used up, and every session of the person ends.</summary>
    /// <exception cref="ConflictException">The link was used meanwhile.</exception>
    public Task Recover(Link link, Person person, DateTime at) =>
        db.Together(async connection =>
        {
            if (!await Links.Use(connection, link.Id, person.Id, at))
            {
                throw new ConflictException("This link was used or closed meanwhile. Ask for a new one.");
            }

            await connection.ExecuteAsync(
                """
                update person set password_hash = @PasswordHash, security_stamp = @SecurityStamp where id = @Id;
                update session set ended_at = @at where person_id = @Id and ended_at is null
                """,
                new
                {
                    person.Id,
                    person.PasswordHash,
                    person.SecurityStamp,
                    at,
                }
            );
        });
}
