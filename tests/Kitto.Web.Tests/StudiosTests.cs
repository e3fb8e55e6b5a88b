using System.Net;
using Dapper;
using Kitto.Store;
using Kitto.Store.Commands;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>Two studios in one database, and what each sees of the other.</summary>
public sealed class StudiosTests(Studio studio) : IClassFixture<Studio>
{
    /// <summary>What is not a studio's: found before the studio is known, or about the database itself.</summary>
    private static readonly string[] Nobodys =
    [
        "account",
        "studio_leave",
        "push_key",
        "sign_in_try",
        "backup",
        "data_key",
        "turn",
        "heartbeat",
        "filling",
        "schemaversions",
    ];

    private async Task<NpgsqlConnection> Owner()
    {
        var owner = new NpgsqlConnection(studio.Connection + ";Pooling=false");
        await owner.OpenAsync();
        return owner;
    }

    /// <summary>A further studio, made as whoever keeps the installation makes it: leave on the console, the rest on the page.</summary>
    private async Task<(int Id, HttpClient Http)> Another(string name)
    {
        string leave = await Installation.GiveLeave(studio.Connection, DateTime.UtcNow);
        var http = studio.CreateClient();
        var visitor = await new Visitor(studio, http).Open("/setup?leave=" + leave);
        await visitor.Send(
            "main form",
            ("Studio", name),
            ("TimeZone", "Europe/Oslo"),
            ("Destination", "Far Isle"),
            ("UserName", name.Replace(" ", "", StringComparison.Ordinal)),
            ("Password", "long-enough-now")
        );
        Assert.Equal("/", visitor.Address);
        Assert.StartsWith("/signin", (await new Visitor(studio).Open("/setup?leave=" + leave)).Address, StringComparison.Ordinal);
        await using var owner = await Owner();
        return (await owner.ExecuteScalarAsync<int>("select id from studio where name = @name", new { name }), http);
    }

    [Fact]
    public async Task Every_table_key_and_index_is_led_by_the_studio_and_guarded()
    {
        await using var owner = await Owner();
        Assert.Equal(
            [],
            await owner.QueryAsync<string>(
                """
                select c.relname from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and c.relname <> all(@Nobodys)
                and (not c.relrowsecurity or not exists (select from pg_policy p where p.polrelid = c.oid)
                     or (c.relname <> 'studio' and not exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'studio_id' and a.attnotnull)))
                """,
                new { Nobodys }
            )
        );
        Assert.Equal(
            [],
            await owner.QueryAsync<string>(
                """
                select i.indexrelid::regclass::text from pg_index i join pg_class c on c.oid = i.indrelid
                where c.relnamespace = 'public'::regnamespace and c.relname <> all(@Nobodys) and c.relname <> 'studio'
                and (select attname from pg_attribute a where a.attrelid = i.indrelid and a.attnum = i.indkey[0]) is distinct from 'studio_id'
                """,
                new { Nobodys }
            )
        );
        // A foreign key keeps rows of one studio together.
        Assert.Equal(
            [],
            await owner.QueryAsync<string>(
                """
                select conname::text from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace and confrelid <> 'studio'::regclass
                and conrelid::regclass::text <> all(@Nobodys)
                and (select attname from pg_attribute a where a.attrelid = conrelid and a.attnum = conkey[1]) is distinct from 'studio_id'
                """,
                new { Nobodys }
            )
        );
    }

    [Fact]
    public async Task A_query_that_forgets_to_ask_for_the_studio_sees_and_changes_nothing_of_another()
    {
        var (second, _) = await Another("Second Quay");
        var db = studio.Db;
        await using var owner = await Owner();
        var tables = (
            await owner.QueryAsync<string>(
                "select table_name from information_schema.columns where table_schema = 'public' and column_name = 'studio_id' and table_name <> all(@Nobodys)",
                new { Nobodys }
            )
        ).ToList();
        Assert.InRange(tables.Count, 25, 99);
        foreach (string table in tables)
        {
            int all = await owner.ExecuteScalarAsync<int>($"select count(*) from {table} where studio_id = {second}");
            using (CurrentStudio.Enter(second))
            {
                Assert.Equal((table, all), (table, await db.One<int>($"select count(*)::int from {table}")));
            }

            using (CurrentStudio.Enter(0))
            {
                Assert.Equal((table, 0), (table, await db.One<int>($"select count(*)::int from {table}")));
            }
        }

        using (CurrentStudio.Enter(second))
        {
            Assert.Equal(0, await db.Run("update client set note = 'taken over'"));
            Assert.Equal(0, await db.Run("delete from message"));
            Assert.Equal(1, await db.Run("update studio set phone = '+47 55 51 23'"));
            var refused = await Assert.ThrowsAsync<PostgresException>(() =>
                db.Run("insert into destination (studio_id, name, post_days, transit_days) values (1, 'Planted', 'Monday', 1)")
            );
            Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
            await Assert.ThrowsAsync<PostgresException>(() => db.List<string>("select normal_name from account"));
        }

        using (CurrentStudio.Enter(0))
        {
            await Assert.ThrowsAsync<PostgresException>(() =>
                db.Run("insert into destination (name, post_days, transit_days) values ('Nowhere', 'Monday', 1)")
            );
        }

        using var stay = CurrentStudio.Enter(CurrentStudio.First);
        Assert.NotEqual("+47 55 51 23", (await new Studios(db).Get())!.Phone);
    }

    [Fact]
    public async Task Somebody_of_another_studio_finds_nobody_and_opens_nothing_of_this_one()
    {
        var (id, http) = await Another("Third Quay");
        var db = studio.Db;
        var stranger = new Visitor(studio, http);
        var kit = await studio.KitOf("Greta");
        foreach (
            string path in new[]
            {
                $"/clients/{kit.ClientId}",
                $"/clients/{kit.ClientId}/prescription",
                $"/clients/{kit.ClientId}/answers",
                $"/kits/{kit.Id}",
                $"/prescriptions/{kit.PrescriptionId}",
                $"/bench/{kit.Id}",
            }
        )
        {
            Assert.Equal((path, HttpStatusCode.NotFound), (path, (await stranger.Open(path)).Status));
        }

        Assert.DoesNotContain("Greta", (await stranger.Open("/clients?find=greta")).Find("main").TextContent.Replace("“greta”", ""), StringComparison.Ordinal);
        Assert.Contains("The shelf is empty", (await stranger.Open("/shelf")).Text, StringComparison.Ordinal);

        // Its own links carry whose they are; with another number in front they open nothing.
        Guid town;
        string token;
        using (CurrentStudio.Enter(id))
        {
            town = Guid.CreateVersion7();
            int place = await db.One<int>("select id from destination");
            await new Clients(db).Add(new Client(town, "Ada Own", new DateOnly(1980, 1, 1), place, "", "", DateTime.UtcNow, 1));
            token = await new Links(db).ToAsk(town, DateTime.UtcNow);
        }

        Assert.StartsWith($"{id}~", token, StringComparison.Ordinal);
        Assert.NotEmpty((await new Visitor(studio).Open("/ask/" + token)).FindAll(".questions"));
        Assert.Empty((await new Visitor(studio).Open("/ask/" + token[(token.IndexOf('~') + 1)..])).FindAll(".questions"));
        Assert.Empty((await new Visitor(studio).Open($"/ask/{id + 1}~{token[(token.IndexOf('~') + 1)..]}")).FindAll(".questions"));
        string greta = (await studio.LinkTo(kit))["/g/".Length..];
        Assert.Empty((await new Visitor(studio).Open($"/g/{id}~{greta}")).FindAll("[data-step], .tests"));
        // Both studios hold their shelves beside each other in one process.
        await stranger.Open("/shelf");
        await stranger.Send("form[action*=Invented]");
        Assert.DoesNotContain("The shelf is empty", stranger.Text, StringComparison.Ordinal);
        Assert.Equal(2, await Count("select count(distinct studio_id) from line"));
    }

    private async Task<int> Count(string sql)
    {
        await using var owner = await Owner();
        return await owner.ExecuteScalarAsync<int>(sql);
    }

    [Fact]
    public async Task A_name_to_sign_in_with_is_one_persons_in_the_whole_installation()
    {
        string leave = await Installation.GiveLeave(studio.Connection, DateTime.UtcNow);
        var visitor = await new Visitor(studio).Open("/setup?leave=" + leave);
        await visitor.Send("main form", ("Studio", "Fourth Quay"), ("Destination", "Isle"), ("UserName", "TOVE"), ("Password", "long-enough-now"));
        Assert.Contains("Somebody signs in as TOVE already", visitor.Text, StringComparison.Ordinal);
        Assert.Equal("Fourth Quay", visitor.Typed("Studio"));
        // The leave is not used up by it.
        await visitor.Send("main form", ("UserName", "tove-of-the-fourth"), ("Password", "long-enough-now"));
        Assert.Equal("/", visitor.Address);
    }

    [Fact]
    public async Task An_owner_who_may_not_make_the_role_is_held_to_the_studio_by_force()
    {
        string name = "kitto_plain_" + Guid.NewGuid().ToString("N")[..8];
        await using var keeper = new NpgsqlConnection(studio.Connection + ";Pooling=false");
        await keeper.OpenAsync();
        await keeper.ExecuteAsync($"create role {name} login password 'plain'");
        await keeper.ExecuteAsync($"create database {name} owner {name}");
        try
        {
            string plain = new NpgsqlConnectionStringBuilder(studio.Connection)
            {
                Database = name,
                Username = name,
                Password = "plain",
                Pooling = false,
            }.ConnectionString;
            Assert.False(await Database.Prepare(plain));
            await using var db = new Database(plain);
            var first = new FirstAccount(db);
            int id = await first.Make(
                new Person
                {
                    UserName = "one",
                    NormalName = "ONE",
                    DisplayName = "One",
                },
                "First",
                "Europe/Oslo",
                "",
                false,
                [("Isle", [DayOfWeek.Monday], 1)]
            );
            using (CurrentStudio.Enter(id))
            {
                Assert.Equal(1, await db.One<int>("select count(*)::int from destination"));
            }

            using (CurrentStudio.Enter(0))
            {
                Assert.Equal(0, await db.One<int>("select count(*)::int from destination"));
            }

            // Migrating again sees everything and holds it again.
            Assert.False(await Database.Prepare(plain));
            using (CurrentStudio.Enter(id + 1))
            {
                Assert.Equal(0, await db.One<int>("select count(*)::int from person"));
            }
        }
        finally
        {
            await keeper.ExecuteAsync($"drop database {name} with (force)");
            await keeper.ExecuteAsync($"drop role {name}");
        }
    }
}
