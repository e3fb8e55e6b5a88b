using Dapper;
using Npgsql;

namespace Kitto.Store;

/// <summary>What somebody is in a studio.</summary>
public enum Role
{
    /// <summary>Runs it: everything a colourist may, and the house, its people and its money.</summary>
    Owner,

    /// <summary>Reads heads, prescribes and signs.</summary>
    Colourist,

    /// <summary>Looks on, tries and studies; signs only where the house lets it, with a countersignature at first.</summary>
    Learner,

    /// <summary>Weighs, packs and counts; does not see what clients answer.</summary>
    Bench,
}

/// <summary>Someone who works in the studio. Mutable, because the identity framework fills it piece by piece.</summary>
public sealed class Person
{
    public Guid Id { get; set; } = Guid.CreateVersion7();
    public string UserName { get; set; } = "";
    public string NormalName { get; set; } = "";
    public string DisplayName { get; set; } = "";
    public string? PasswordHash { get; set; }
    public string SecurityStamp { get; set; } = Guid.NewGuid().ToString("N");
    public DateTime CreatedAt { get; set; }
    public string Role { get; set; } = "owner";
    public string? Email { get; set; }

    /// <summary>The address before this one; null: there was none.</summary>
    public string? EmailBefore { get; set; }

    /// <summary>When the address was changed last, UTC.</summary>
    public DateTime? EmailAt { get; set; }

    /// <summary>So long after a change of address a letter with a new password goes to the address before (ours).</summary>
    public static readonly TimeSpan Settles = TimeSpan.FromDays(3);

    /// <summary>Where a letter with a new password goes at a moment; null: nowhere.</summary>
    /// <param name="now">The moment, UTC.</param>
    public string? RecoversAt(DateTime now) => EmailBefore is not null && now < EmailAt + Settles ? EmailBefore : Email;

    /// <summary>Gives the person another address.</summary>
    /// <param name="address">The address; null: none.</param>
    /// <param name="now">Now, UTC.</param>
    public void Move(string? address, DateTime now)
    {
        // Within the days of a change, the address that counts is still the one before.
        EmailBefore = RecoversAt(now);
        (Email, EmailAt) = (address, now);
    }

    /// <summary>Since when somebody works here no longer, UTC.</summary>
    public DateTime? EndedAt { get; set; }

    /// <summary>The key of the second step, as the application encrypted it; null: there is none.</summary>
    public string? TotpSealed { get; set; }

    /// <summary>The key itself, once it was opened; it is never kept.</summary>
    public string? TotpKey { get; set; }

    /// <summary>Since when the second step is asked for, UTC; null: it is not.</summary>
    public DateTime? TotpAt { get; set; }

    /// <summary>What they are in the studio.</summary>
    public Role Is => Enum.Parse<Role>(Role, ignoreCase: true);
}

/// <summary>A sign-in on one device.</summary>
public sealed record Session(Guid Id, DateTime BegunAt, DateTime SeenAt, string Device);

/// <summary>Whose a session is, and how they stand now.</summary>
public sealed record Standing(Guid PersonId, string Role, string SecurityStamp, string DisplayName, DateTime SeenAt);

/// <summary>The people of the studio.</summary>
public sealed class People(Database db)
{
    private const string Columns = "id, user_name, normal_name, display_name, password_hash, security_stamp, created_at, role, email, ended_at";
    private const string Read = Columns + ", totp_sealed, totp_at, email_before, email_at";

    public Task<Person?> ById(Guid id) => db.One<Person>($"select {Read} from person where id = @id", new { id });

    public Task<Person?> ByName(string normalName) => db.One<Person>($"select {Read} from person where normal_name = @normalName", new { normalName });

    /// <summary>Everybody, those who work here no longer last.</summary>
    public Task<IReadOnlyList<Person>> All() => db.List<Person>($"select {Read} from person order by ended_at nulls first, created_at");

    /// <summary>A session ends so long after it was begun, whatever happens in it (ours).</summary>
    public static readonly TimeSpan LongestSession = TimeSpan.FromDays(30);

    /// <summary>Whether the studio has more than one person.</summary>
    public Task<bool> Several() => db.One<bool>("select count(*) > 1 from person where ended_at is null");

    /// <summary>Whether anybody works with this installation, in any studio.</summary>
    public Task<bool> Any() => db.One<bool>("select any_account()");

    /// <summary>The studio of who signs in under a name; null: nobody does.</summary>
    public Task<int?> StudioOf(string normalName) => db.One<int?>("select account_studio(@normalName)", new { normalName });

    private const string AddSql = $"""
        insert into person ({Columns})
        values (@Id, @UserName, @NormalName, @DisplayName, @PasswordHash, @SecurityStamp, @CreatedAt, @Role, @Email, @EndedAt)
        """;

    /// <summary>Adds a person to the studio at hand.</summary>
    /// <exception cref="ConflictException">Somebody of the installation signs in under this name.</exception>
    internal static async Task Add(NpgsqlConnection connection, Person person)
    {
        try
        {
            await connection.ExecuteAsync(AddSql, person);
        }
        catch (PostgresException twice) when (twice.SqlState == PostgresErrorCodes.UniqueViolation)
        {
            throw new ConflictException($"Somebody signs in as {person.UserName} already. Take another name.");
        }
    }

    public Task<int> Save(Person person) =>
        db.Run(
            """
            update person set display_name = @DisplayName, password_hash = @PasswordHash, security_stamp = @SecurityStamp, email = @Email, email_before = @EmailBefore, email_at = @EmailAt where id = @Id
            """,
            person
        );

    /// <summary>Gives somebody another role, or says that they work here no longer, which ends their sessions.</summary>
    /// <exception cref="ConflictException">Nobody would be left who runs the studio.</exception>
    public Task Change(Guid id, Role role, DateTime? endedAt, DateTime at) =>
        db.Together(async connection =>
        {
            await connection.ExecuteAsync("select 1 from person for update");
            await connection.ExecuteAsync(
                """
                update person set role = @role, ended_at = @endedAt::timestamptz where id = @id;
                update session set ended_at = @at where person_id = @id and ended_at is null and @endedAt::timestamptz is not null
                """,
                new
                {
                    id,
                    role = Named(role),
                    endedAt,
                    at,
                }
            );
            if (
                !await connection.ExecuteScalarAsync<bool>(
                    "select exists (select from person where role = 'owner' and ended_at is null and password_hash is not null)"
                )
            )
            {
                throw new ConflictException("Somebody must run the studio: make another person an owner first.");
            }
        });

    /// <summary>Asks a person for the second step from now on, or no longer.</summary>
    /// <param name="id">Who.</param>
    /// <param name="key">The key as the application encrypted it; null: no longer.</param>
    /// <param name="at">Since when, UTC.</param>
    /// <param name="papers">Hashes of the codes on paper.</param>
    public Task<int> SetStep(Guid id, string? key, DateTime? at, string[] papers) =>
        db.Run(
            "update person set totp_sealed = @key, totp_at = @at::timestamptz, totp_last = null, recovery_codes = @papers where id = @id",
            new
            {
                id,
                key,
                at,
                papers,
            }
        );

    /// <summary>Uses something up that counts once, such as a code of the phone or the answer of a passkey. Of many at once one has it.</summary>
    /// <param name="name">What it is; no secret.</param>
    /// <param name="at">Now, UTC.</param>
    /// <param name="until">When it would no longer be taken anyway, UTC.</param>
    /// <returns>Whether it had not been used.</returns>
    public async Task<bool> UseOnce(string name, DateTime at, DateTime until) =>
        await db.One<int>(
            "with gone as (delete from used_once where until < @at), used as (insert into used_once (name, until) values (@name, @until) on conflict (studio_id, name) do nothing returning 1) select count(*)::int from used",
            new
            {
                name,
                at,
                until,
            }
        ) == 1;

    /// <summary>Uses a code of the paper up.</summary>
    public async Task<bool> UsePaper(Guid id, string hash) =>
        await db.Run("update person set recovery_codes = array_remove(recovery_codes, @hash) where id = @id and @hash = any(recovery_codes)", new { id, hash })
        == 1;

    /// <summary>How many codes of the paper are left.</summary>
    public Task<int> PapersLeft(Guid id) => db.One<int>("select cardinality(recovery_codes) from person where id = @id", new { id });

    /// <summary>A role by the name it is kept under.</summary>
    public static string Named(Role role) => role.ToString().ToLowerInvariant();

    /// <summary>Begins a session.</summary>
    public async Task<Guid> Begin(Guid personId, string device, DateTime at)
    {
        var id = Guid.CreateVersion7();
        await db.Run(
            "insert into session (id, person_id, begun_at, seen_at, device) values (@id, @personId, @at, @at, @device)",
            new
            {
                id,
                personId,
                at,
                device = device.Length > 120 ? device[..120] : device,
            }
        );
        return id;
    }

    /// <summary>Whose a session is and what they may do; null where it was ended, is older than the longest, or they work here no longer.</summary>
    /// <param name="session">The session.</param>
    /// <param name="now">Now, UTC.</param>
    public Task<Standing?> Stands(Guid session, DateTime now) =>
        db.One<Standing>(
            """
            select p.id as person_id, p.role, p.security_stamp, p.display_name, s.seen_at from session s join person p on p.id = s.person_id
            where s.id = @session and s.ended_at is null and p.ended_at is null and s.begun_at > @since
            """,
            new { session, since = now - LongestSession }
        );

    /// <summary>A session was used.</summary>
    public Task<int> Seen(Guid session, DateTime at) => db.Run("update session set seen_at = @at where id = @session", new { session, at });

    /// <summary>Sessions of a person that are open and were used since a moment, the newest use first.</summary>
    public Task<IReadOnlyList<Session>> Sessions(Guid personId, DateTime since) =>
        db.List<Session>(
            "select id, begun_at, seen_at, device from session where person_id = @personId and ended_at is null and seen_at >= @since order by seen_at desc",
            new { personId, since }
        );

    /// <summary>Ends one session of a person, or all but one.</summary>
    /// <param name="personId">Whose.</param>
    /// <param name="at">Now, UTC.</param>
    /// <param name="only">The one that is ended; null: all.</param>
    /// <param name="but">One that goes on.</param>
    public Task<int> End(Guid personId, DateTime at, Guid? only = null, Guid? but = null) =>
        db.Run(
            "update session set ended_at = @at where person_id = @personId and ended_at is null and (@only::uuid is null or id = @only) and id is distinct from @but",
            new
            {
                personId,
                at,
                only,
                but,
            }
        );

    /// <summary>Counts a try to sign in before it is looked at, so that of many at once none is missed.</summary>
    /// <param name="name">The name as it was typed, or the device that signed in before.</param>
    /// <param name="at">Now, UTC.</param>
    /// <param name="window">Tries are counted together for so long from the first.</param>
    /// <returns>The how-manieth it is.</returns>
    public Task<int> Try(string name, DateTime at, TimeSpan window) =>
        db.One<int>(
            """
            insert into sign_in_try as t (name, count, began_at) values (@name, 1, @at)
            on conflict (name) do update set count = case when t.began_at < @at - @window then 1 else t.count + 1 end, began_at = case when t.began_at < @at - @window then @at else t.began_at end
            returning count
            """,
            new
            {
                name,
                at,
                window,
            }
        );

    /// <summary>A try went well: its count begins anew. What is old is forgotten with it.</summary>
    public Task<int> Tried(string name, DateTime at, TimeSpan window) =>
        db.Run(
            "delete from sign_in_try where name = @name or began_at < @at - @window",
            new
            {
                name,
                at,
                window,
            }
        );
}
