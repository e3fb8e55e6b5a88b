namespace Kitto.Store;

/// <summary>Someone who works in the studio. Mutable, because the identity framework fills it piece by piece.</summary>
public sealed class Person
{
    public Guid Id { get; set; } = Guid.CreateVersion7();
    public string UserName { get; set; } = "";
    public string NormalName { get; set; } = "";
    public string DisplayName { get; set; } = "";
    public string? PasswordHash { get; set; }
    public string SecurityStamp { get; set; } = Guid.NewGuid().ToString("N");
    public int FailedCount { get; set; }
    public DateTime? LockedUntil { get; set; }
    public DateTime CreatedAt { get; set; }
}

/// <summary>The people of the studio.</summary>
public sealed class People(Database db)
{
    private const string Columns = "id, user_name, normal_name, display_name, password_hash, security_stamp, failed_count, locked_until, created_at";

    public Task<Person?> ById(Guid id) => db.One<Person>($"select {Columns} from person where id = @id", new { id });

    public Task<Person?> ByName(string normalName) => db.One<Person>($"select {Columns} from person where normal_name = @normalName", new { normalName });

    /// <summary>Whether the studio has more than one person.</summary>
    public Task<bool> Several() => db.One<bool>("select count(*) > 1 from person");

    /// <summary>Whether anybody works with this installation, in any studio.</summary>
    public Task<bool> Any() => db.One<bool>("select any_account()");

    /// <summary>The studio of who signs in under a name; null: nobody does.</summary>
    public Task<int?> StudioOf(string normalName) => db.One<int?>("select account_studio(@normalName)", new { normalName });

    internal const string AddSql = $"""
        insert into person ({Columns})
        values (@Id, @UserName, @NormalName, @DisplayName, @PasswordHash, @SecurityStamp, @FailedCount, @LockedUntil, @CreatedAt)
        """;

    public Task Add(Person person) => db.Run(AddSql, person);

    public Task<int> Save(Person person) =>
        db.Run(
            """
            update person set display_name = @DisplayName, password_hash = @PasswordHash,
                   security_stamp = @SecurityStamp, failed_count = @FailedCount, locked_until = @LockedUntil
            where id = @Id
            """,
            person
        );
}
