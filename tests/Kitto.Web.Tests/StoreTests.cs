using Kitto.Core.Clock;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Tests;

namespace Kitto.Web.Tests;

public sealed class StoreTests(Studio studio) : IClassFixture<Studio>
{
    private static DateTime Now => DateTime.UtcNow;

    private async Task<(Guid Client, Guid Person)> Somebody()
    {
        var person = await studio.Db.One<Guid>("select id from person limit 1");
        var id = Guid.CreateVersion7();
        int town = await studio.Db.One<int>("select id from destination limit 1");
        await studio.Clients.Add(new Client(id, "Zelda Test-Harbour", new DateOnly(1980, 2, 29), town, "", "", Now, 1));
        return (id, person);
    }

    [Fact]
    public async Task Migrating_twice_changes_nothing() => Assert.True(await Database.Prepare(studio.Connection));

    [Fact]
    public async Task A_reading_is_a_new_version_and_none_is_overwritten()
    {
        var (client, person) = await Somebody();
        await studio.Sittings.Keep(Reading(client, person, 0, """{"goal":{"level":5}}"""));
        await studio.Sittings.Keep(Reading(client, person, 1, """{"goal":{"level":6}}"""));
        Assert.Equal(2, (await studio.Clients.LatestReading(client))!.Version);
        Assert.Equal(2, await studio.Db.One<int>("select count(*)::int from reading where client_id = @client", new { client }));
    }

    [Fact]
    public async Task Of_many_who_save_the_same_reading_one_wins_and_the_others_are_told()
    {
        var (client, person) = await Somebody();
        var tries = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(async i =>
                {
                    try
                    {
                        await studio.Sittings.Keep(Reading(client, person, 0, $"{{\"try\":{i}}}"));
                        return null;
                    }
                    catch (ConflictException conflict)
                    {
                        return conflict.Message;
                    }
                })
        );
        Assert.Single(tries, t => t is null);
        Assert.All(tries.OfType<string>(), t => Assert.Contains("has saved reading 1", t, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_client_saved_from_an_old_page_is_refused()
    {
        var (id, _) = await Somebody();
        var client = (await studio.Clients.Get(id))!;
        await studio.Sittings.Save(client with { Note = "first" }, [], Now, "Tove");
        await Assert.ThrowsAsync<ConflictException>(() => studio.Sittings.Save(client with { Note = "second" }, [], Now, "Tove"));
        Assert.Equal("first", (await studio.Clients.Get(id))!.Note);
    }

    private static KeptReading Reading(Guid client, Guid person, int from, string document) => new(client, from, document, person, "Tove", Now, null, []);

    private static Signing Signing(string stand, string stamp) =>
        new(
            "kit",
            "gloss",
            "{}",
            "{}",
            """{"steps":[{"kind":"paint"},{"kind":"rinse"}]}""",
            "tidewash-gloss",
            true,
            14,
            Core.Clock.KitDays.None,
            stand,
            "{}",
            stamp,
            "[]"
        );

    [Fact]
    public async Task Of_many_who_sign_on_the_same_record_one_wins_and_kits_are_numbered_in_a_row()
    {
        var (client, person) = await Somebody();
        string stamp = await new Lines(studio.Db).Stamp();
        for (int round = 0; round < 3; round++)
        {
            string stand = (await studio.Clients.Stand(client))!;
            bool[] won = await Task.WhenAll(
                Enumerable
                    .Range(0, 6)
                    .Select(async _ =>
                    {
                        try
                        {
                            await studio.Sittings.Sign(Reading(client, person, round, "{}"), Signing(stand, stamp), null);
                            return true;
                        }
                        catch (ConflictException)
                        {
                            return false;
                        }
                    })
            );
            Assert.Single(won, w => w);
        }

        Assert.Equal(Enumerable.Range(1, 3), (await studio.Kits.History(client)).Select(p => p.KitNumber!.Value).Order());
        Assert.Equal((1, 3), ((await studio.Kits.Newest(client))!.RunFirst, (await studio.Kits.Newest(client))!.RunOff));
    }

    [Fact]
    public async Task Nothing_is_signed_on_a_shelf_that_another_process_has_changed()
    {
        var (client, person) = await Somebody();
        string stand = (await studio.Clients.Stand(client))!,
            stamp = await new Lines(studio.Db).Stamp();
        var line = (await new Lines(studio.Db).All()).First(l => l.Id == "breakwater");
        await new Lines(studio.Db).Save([line], person);
        await Assert.ThrowsAsync<ConflictException>(() => studio.Sittings.Sign(Reading(client, person, 0, "{}"), Signing(stand, stamp), null));
        Assert.Null(await studio.Clients.LatestReading(client));
        // And stock that was changed meanwhile is not put back from an older page.
        await Assert.ThrowsAsync<ConflictException>(() => new Lines(studio.Db).Save([line], person));
    }

    [Theory]
    [InlineData("update safety_event set says = ''")]
    [InlineData("delete from safety_event")]
    [InlineData("truncate safety_event")]
    [InlineData("alter table safety_event disable trigger all")]
    [InlineData("delete from run_step")]
    [InlineData("update run_step set step = 1")]
    [InlineData("update shelf_version set lines = '[]'")]
    public async Task The_application_cannot_change_or_take_out_what_was_said_for_safety(string sql)
    {
        int before = await studio.Db.One<int>("select count(*)::int from safety_event");
        var refused = await Assert.ThrowsAsync<Npgsql.PostgresException>(() => studio.Db.Run(sql));
        Assert.Equal(Npgsql.PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
        Assert.Equal(
            (before, Database.Role),
            (await studio.Db.One<int>("select count(*)::int from safety_event"), await studio.Db.One<string>("select current_user::text"))
        );
        Assert.True(before > 0);
    }

    [Fact]
    public async Task Even_the_owner_of_the_database_is_stopped_by_its_trigger()
    {
        await using var owner = new Npgsql.NpgsqlConnection(studio.Connection + ";Pooling=false");
        await owner.OpenAsync();
        await using var delete = new Npgsql.NpgsqlCommand("delete from safety_event", owner);
        Assert.Contains(
            "only ever added to",
            (await Assert.ThrowsAsync<Npgsql.PostgresException>(() => delete.ExecuteNonQueryAsync())).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_link_is_found_by_its_hash_and_another_one_closes_nothing()
    {
        var kit = await studio.KitOf("Greta");
        string token = await studio.Links.ToGuide(kit.Id, Now);
        Assert.Equal(22, token.Length);
        Assert.False(
            await studio.Db.One<bool>("select exists (select 1 from link where encode(token_hash, 'escape') like '%' || @token || '%')", new { token })
        );
        Assert.Null((await studio.Links.Open("guide", token))!.RevokedAt);
        string next = await studio.Links.ToGuide(kit.Id, Now);
        Assert.Null((await studio.Links.Open("guide", token))!.RevokedAt);
        await studio.Links.Close(kit.Id, (await studio.Links.Open("guide", token))!.Id, Now);
        Assert.NotNull((await studio.Links.Open("guide", token))!.RevokedAt);
        Assert.Null((await studio.Links.Open("guide", next))!.RevokedAt);
        Assert.Null(await studio.Links.Open("guide", token[..21]));
        Assert.Null(await studio.Links.Open("guide", "AAAAAAAAAAAAAAAAAAAAAA"));
        Assert.Null(await studio.Links.Open("guide", "'; drop table kit; --x"));
    }

    [Fact]
    public async Task A_kit_moves_one_step_from_where_it_was_seen()
    {
        var kit = await studio.KitOf("Ilse");
        var today = DateOnly.FromDateTime(Now);
        await Assert.ThrowsAsync<ConflictException>(() => studio.Change.Post(kit, today, Now));
        await studio.PackedByPaper(kit);
        await Assert.ThrowsAsync<ConflictException>(() => studio.PackedByPaper(kit));
        await Assert.ThrowsAsync<ConflictException>(() => studio.Change.Post(kit, today, Now));
        var seen = (await studio.Kits.Get(kit.Id))!;
        Assert.Equal(("packed", kit.Version + 1), (seen.State, seen.Version));
        Assert.NotNull(seen.PackedAt);
    }

    [Fact]
    public async Task A_kit_has_one_report()
    {
        var kit = await studio.KitOf("Wilma");
        var report = new OutcomeReport(kit.Id, new DateOnly(2026, 1, 2), "full", "right", "right", 12, false, true, "fine", null, "", Now, null);
        Assert.Null(await studio.Say.Report(kit, report, null));
        Assert.NotNull(await studio.Say.Report(kit, report with { LeftGrams = 1 }, null));
        Assert.Equal(12, (await studio.Reports.OutcomeOf(kit.Id))!.LeftGrams);
        Assert.Equal("reported", (await studio.Kits.Get(kit.Id))!.State);
    }

    [Theory]
    [InlineData("sun", "Sunniva Aldergate")]
    [InlineData("ALDER", "Sunniva Aldergate")]
    [InlineData("  maren ", "Maren Holtby")]
    [InlineData("%", null)]
    [InlineData("_", null)]
    [InlineData("nobody", null)]
    public async Task A_client_is_found_by_the_beginning_of_any_name(string text, string? name) =>
        Assert.Equal(name, (await studio.Clients.Find(text)).Select(c => c.Name).FirstOrDefault());

    [Theory]
    [InlineData("2024-02-28", 43)]
    [InlineData("2024-02-29", 44)]
    [InlineData("2023-02-28", 43)]
    public void Age_is_whole_years_also_for_one_born_on_leap_day(string day, int age) =>
        Assert.Equal(age, new Client(Guid.Empty, "", new DateOnly(1980, 2, 29), 1, "", "", Now, 1).AgeOn(DateOnly.Parse(day)));

    [Fact]
    public async Task Today_is_the_studios_day_and_a_time_the_clocks_skip_counts_an_hour_on()
    {
        var s = (await new Studios(studio.Db).Get())! with { TimeZone = "Pacific/Auckland" };
        Assert.Equal(new DateOnly(2027, 3, 2), s.Today(new DateTimeOffset(2027, 3, 1, 12, 0, 0, TimeSpan.Zero)));
        var london = s with { TimeZone = "Europe/London" };
        Assert.Equal(new DateTime(2027, 3, 28, 1, 30, 0), london.Utc(new DateTime(2027, 3, 28, 1, 30, 0)));
        Assert.Equal(new DateTime(2027, 6, 1, 8, 0, 0), london.Utc(new DateTime(2027, 6, 1, 9, 0, 0)));
    }

    /// <summary>The first migration of the release that an older application may still stand beside.</summary>
    private const int Since = 23;

    [Fact]
    public void Migrations_only_add_so_that_an_application_of_the_release_before_goes_on_beside_them()
    {
        string folder = Path.Combine(Project.Root, "src", "Kitto.Store", "Migrations");
        var takes = new System.Text.RegularExpressions.Regex(
            @"drop (column|table|view|function)|rename (column |constraint )?\w* ?to|set not null|alter column \w+ type|not null(?!.*default)(?=.*add column)",
            System.Text.RegularExpressions.RegexOptions.IgnoreCase
        );
        string[] files = [.. Directory.GetFiles(folder).Where(f => int.Parse(Path.GetFileName(f)[..4]) >= Since)];
        Assert.NotEmpty(files);
        Assert.All(files, f => Assert.DoesNotMatch(takes, File.ReadAllText(f)));
        // The check itself sees what it is to see.
        Assert.Matches(takes, File.ReadAllText(Path.Combine(folder, "0016_people.sql")));
    }
}
