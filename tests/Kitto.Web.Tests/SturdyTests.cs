using System.Net;
using Dapper;
using Kitto.Core.Contract;
using Kitto.Pictures;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Sittings;
using Kitto.Web.Today;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>What was signed stays as it was, a shelf is what every process sees, and no input takes a page or the site down.</summary>
public sealed class SturdyTests(Studio studio) : IClassFixture<Studio>
{
    private Lines Lines => studio.Services.GetRequiredService<Lines>();

    private Task<Guid> Someone() => studio.Db.One<Guid>("select id from person limit 1");

    /// <summary>As another process would write it: past this one's own shelf.</summary>
    private async Task Elsewhere(string id, Func<string, string> change)
    {
        var line = (await Lines.All()).First(l => l.Id == id);
        await Lines.Save([line with { Document = change(line.Document) }], await Someone());
    }

    [Fact]
    public async Task What_was_signed_is_read_from_its_own_shelf_whatever_becomes_of_todays()
    {
        var (kit, client, colourist) = await studio.FreshKit("Frozen Shelf");
        await studio.Clear(client, kit);
        string[] pages =
        [
            client.Address,
            $"/kits/{kit.Id}",
            $"/prescriptions/{kit.PrescriptionId}",
            $"/clients/{kit.ClientId}",
            $"/clients/{kit.ClientId}/beside",
        ];
        async Task<string[]> Shown()
        {
            var seen = new List<string>();
            foreach (string page in pages)
            {
                await colourist.Open(page);
                Assert.Equal(HttpStatusCode.OK, colourist.Status);
                seen.Add(colourist.FindAll(".weigh, .step, .formula") is [var first, ..] ? first.TextContent : "");
            }

            return [.. seen];
        }

        string[] before = await Shown();
        string kept = (await Lines.All()).First(l => l.Id == "lantern-cream").Document;
        await Elsewhere(
            "lantern-cream",
            d =>
                d.Replace("\"5N\", ", "", StringComparison.Ordinal)
                    .Replace("\"processMinutes\": 35", "\"processMinutes\": 30", StringComparison.Ordinal)
                    .Replace("Lantern Cream", "Another Name", StringComparison.Ordinal)
        );
        Assert.Equal(before, await Shown());
        // Even the whole line gone, or no longer one that can be read.
        await studio.Db.Run(
            "update line set document = '{\"kitto\": \"line/1\", \"id\": \"lantern-cream\"}', version = version + 1 where id = 'lantern-cream'"
        );
        Assert.Equal(before, await Shown());
        await colourist.Open("/shelf");
        Assert.Contains("Set aside", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("lantern-cream: kind is needed", colourist.Text, StringComparison.Ordinal);
        await studio.Db.Run("update line set document = @kept::jsonb, version = version + 1 where id = 'lantern-cream'", new { kept });
    }

    [Fact]
    public async Task A_shelf_that_another_process_changed_is_seen_at_once_and_a_line_with_nothing_to_mix_is_said()
    {
        var colourist = await Visitor.SignedIn(studio);
        string sitting = $"/clients/{await studio.IdOf("Lotte")}/prescription";
        await colourist.Open(sitting);
        Assert.NotEmpty(colourist.FindAll(".formula"));
        string kept = (await Lines.All()).First(l => l.Id == "lantern-cream").Document;
        await colourist.Open("/shelf");
        string stale = colourist.Typed("version")!;
        var shades = CatalogueReader.ReadLine(kept).Line!.Shades.Select(s => s.Code).ToList();
        foreach (string[] have in new string[][] { [], ["0R", "0B"] })
        {
            await Elsewhere("lantern-cream", _ => CatalogueReader.Write(CatalogueReader.ReadLine(kept).Line! with { Out = [.. shades.Except(have)] }));
            await colourist.Open(sitting);
            Assert.Equal(HttpStatusCode.OK, colourist.Status);
            Assert.Contains("has no shade in stock to mix from", colourist.Text, StringComparison.Ordinal);
        }

        // Stock kept from the page of before changes nothing.
        await colourist.Open("/shelf");
        await colourist.Send(
            "form[action*='id=lantern-cream'], form[action*=Stock]",
            "/shelf?handler=Stock&id=lantern-cream",
            ("version", "1"),
            ("have", "5N")
        );
        Assert.Contains("Nothing was changed", colourist.Text, StringComparison.Ordinal);
        Assert.NotNull(stale);
        await Elsewhere("lantern-cream", _ => kept);
    }

    [Fact]
    public async Task A_sitting_whose_shelf_or_record_changed_meanwhile_is_not_signed_and_keeps_what_was_typed()
    {
        var (kit, _, colourist) = await studio.FreshKit("Meana While");
        string sitting = $"/clients/{kit.ClientId}/prescription";
        await colourist.Open(sitting);
        // Between the page's reckoning and its signing there is only the request itself: the store's check is what holds there.
        var cases = studio.Services.GetRequiredService<CaseBuilder>();
        var record = (await cases.Load(kit.ClientId))!;
        var (found, p, _, document) = cases.Prescribe(SittingStart.Begin(record).Values, record);
        var signing = cases.Freeze(record, found!, p!, document, "Tove");
        await studio.Say.Say(kit.ClientId, _ => Core.Safety.KitLife.React(new Core.Safety.Speaker(Guid.NewGuid(), DateTime.UtcNow, "client"), null, "itches"));
        var reading = new KeptReading(kit.ClientId, 1, "{}", await Someone(), "Tove", DateTime.UtcNow, null, []);
        await Assert.ThrowsAsync<ConflictException>(() => studio.Sittings.Sign(reading, signing, null));
        Assert.Equal(1, (await studio.Clients.LatestReading(kit.ClientId))!.Version);
    }

    [Theory]
    [InlineData("client", "x")]
    [InlineData("goal.service.x", "y")]
    [InlineData("hair.lengths.level.deeper.still", "1")]
    [InlineData("zones", "all")]
    [InlineData("line.x", "1")]
    [InlineData("goal.service", "300")]
    [InlineData("hands.who", "7")]
    [InlineData("look", "99")]
    [InlineData("deep", "70")]
    public async Task Paths_that_are_none_of_a_sittings_are_no_facts_and_kill_no_draft(string path, string value)
    {
        var colourist = await Visitor.SignedIn(studio);
        string sitting = $"/clients/{await studio.IdOf("Hedy")}/prescription";
        await colourist.Open(sitting);
        string name = path == "deep" ? "client." + string.Join('.', Enumerable.Repeat("x", 70)) : path;
        await colourist.Send("#sitting", "?handler=Preview", ("touched", "1"), (name, value), ("client.conditions", "rosy\0 cheeks"));
        Assert.Equal(HttpStatusCode.OK, colourist.Status);
        await colourist.Open(sitting);
        Assert.Equal(HttpStatusCode.OK, colourist.Status);
        Assert.Equal("rosy cheeks", colourist.Typed("client.conditions"));
        // A draft that was broken before this was seen to is healed.
        await studio.Db.Run(
            "update draft set document = jsonb_build_object('kitto', 'case/1', 'client', 'x', 'goal', jsonb_build_object('service', jsonb_build_object('x', 'y')), 'line', jsonb_build_array(1))"
        );
        Assert.Equal(HttpStatusCode.OK, (await colourist.Open(sitting)).Status);
        await studio.Db.Run("delete from draft");
    }

    [Fact]
    public async Task Characters_nobody_can_type_are_taken_out_of_names_and_searches()
    {
        var colourist = await Visitor.SignedIn(studio);
        Assert.Equal(HttpStatusCode.OK, (await colourist.Open("/clients?find=Ma%00ren")).Status);
        Assert.Contains("Maren Holtby", colourist.Text, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await colourist.Open("/clients?handler=Rows&find=%00")).Status);
        await colourist.Open("/clients/new");
        await colourist.Send("main form", ("Name", "Nul\0a Name\u0001"), ("BirthDate", "1980-01-01"), ("Note", "two\nlines\0"));
        Assert.EndsWith("/prescription", colourist.Address, StringComparison.Ordinal);
        Assert.Equal("two\nlines", (await studio.Clients.Get((await studio.Clients.Find("Nula Name"))[0].Id))!.Note);
    }

    [Fact]
    public async Task Of_pictures_the_header_is_read_first_few_are_unpacked_at_once_and_what_claims_too_much_is_refused()
    {
        // A picture that says it is 60 000 by 1 000 points, and one within what is taken but only whole.
        static byte[] Png(int width, int height)
        {
            using var bitmap = new SkiaSharp.SKBitmap(new SkiaSharp.SKImageInfo(width, height, SkiaSharp.SKColorType.Gray8));
            return bitmap.Encode(SkiaSharp.SKEncodedImageFormat.Png, 1).ToArray();
        }

        byte[] claims = Png(16, 16);
        (claims[16], claims[17], claims[18], claims[19]) = (0, 0, 0xEA, 0x60);
        (claims[20], claims[21], claims[22], claims[23]) = (0, 0, 0x03, 0xE8);
        Assert.Null(PlainPicture.Take(claims));
        Assert.Null(PlainPicture.Take(Png(6000, 5000)));
        Assert.NotNull(PlainPicture.Take(Png(5000, 4000)));
        // Many at a time: they are unpacked elsewhere, two at once, and all come through.
        byte[] camera = Camera.Sideways();
        long before = Environment.WorkingSet;
        using var reader = new Pictures.PictureReader();
        var taken = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ => reader.Plain(new Microsoft.AspNetCore.Http.FormFile(new MemoryStream(camera), 0, camera.Length, "photo", "photo.jpg")))
        );
        Assert.All(taken, Assert.NotNull);
        Assert.True(Environment.WorkingSet - before < 300_000_000, $"{(Environment.WorkingSet - before) / 1e6:0} MB more");
    }

    [Theory]
    [InlineData("KITTO_SMTP", "mail.example", "KITTO_SMTP is not the address")]
    [InlineData("KITTO_SMTP", "http://mail.example", "KITTO_SMTP is not the address")]
    [InlineData("KITTO_MAIL_FROM", "no address", "KITTO_MAIL_FROM is \"no address\"")]
    [InlineData("KITTO_OUTBOX", "/proc/nowhere", "KITTO_OUTBOX is /proc/nowhere")]
    public async Task Wrong_settings_of_the_post_are_said_and_stop_nothing(string name, string value, string says)
    {
        var settings = PostSettings.Of(new ConfigurationBuilder().AddInMemoryCollection([KeyValuePair.Create(name, (string?)value)]).Build());
        Assert.Contains(says, Assert.Single(settings.Wrong), StringComparison.Ordinal);
        await Assert.ThrowsAsync<NotSentException>(() => settings.Post.Send(new MimeKit.MimeMessage(), default));
        using var site = studio.WithWebHostBuilder(b => b.UseSetting(name, value).UseSetting("KITTO_MESSAGES", "on"));
        using var http = site.CreateClient();
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync(new Uri("/signin", UriKind.Relative))).StatusCode);
        Assert.Equal("alive", await http.GetStringAsync(new Uri("/healthz/live", UriKind.Relative)));
        Assert.Contains("\"ready\":true", await http.GetStringAsync(new Uri("/healthz", UriKind.Relative)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Alive_is_told_from_ready_by_a_write()
    {
        using var http = studio.CreateClient();
        await using var owner = new NpgsqlConnection(studio.Connection + ";Pooling=false");
        await owner.OpenAsync();
        await owner.ExecuteAsync("revoke insert, update on heartbeat from kitto_app");
        var ready = await http.GetAsync(new Uri("/healthz", UriKind.Relative));
        Assert.Equal(HttpStatusCode.ServiceUnavailable, ready.StatusCode);
        Assert.Contains("\"alive\":true,\"ready\":false", await ready.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await owner.ExecuteAsync("grant insert, update on heartbeat to kitto_app");
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync(new Uri("/healthz", UriKind.Relative))).StatusCode);
    }

    [Fact]
    public async Task Mutated_forms_and_files_make_no_page_fail()
    {
        await using var own = new Studio();
        await own.InitializeAsync();
        using var http = own.CreateClient();
        var visitor = await Visitor.SignedIn(own, http);
        Assert.Equal(HttpStatusCode.OK, visitor.Status);
        var kit = await own.KitOf("Maren");
        string guide = await own.LinkTo(kit),
            ask = "/ask/" + await own.Links.ToAsk(await own.IdOf("Lotte"), DateTime.UtcNow);
        var fuzz = new Kitto.Bench.Fuzz.Forms(http, 11);
        await fuzz.Send(500, ((await own.IdOf("Lotte")).ToString(), kit.Id.ToString(), guide, ask));
        await fuzz.SendFiles(60, guide, Camera.Sideways());
        Assert.True(fuzz.Judged.Faults.Count == 0, string.Join("\n", fuzz.Judged.Faults.Take(5)));
        Assert.True(fuzz.Judged.Looked > 560);
    }

    [Fact]
    public async Task Half_a_demo_is_thrown_away_and_the_record_of_safety_is_there_again()
    {
        await using var half = new Studio();
        await half.InitializeAsync();
        Assert.True(await half.Db.One<int>("select count(*)::int from client") > 10);
        await half.Db.Run("insert into filling (started_at) values (now())");
        await Database.Prepare(half.Connection);
        NpgsqlConnection.ClearAllPools();
        await using var fresh = new Database(half.Connection + ";Application Name=again");
        Assert.Equal((0, 0), (await fresh.One<int>("select count(*)::int from client"), await fresh.One<int>("select count(*)::int from filling")));
        await Assert.ThrowsAsync<PostgresException>(() => fresh.Run("delete from safety_event"));
    }
}

/// <summary>The first account, made by many at once.</summary>
public sealed class ManyFirstTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    [Fact]
    public async Task Of_ten_first_accounts_at_once_one_is_made_whole()
    {
        var tries = await Task.WhenAll(
            Enumerable
                .Range(0, 10)
                .Select(async i =>
                {
                    var visitor = await new Visitor(studio).Open("/setup");
                    return await visitor.Send(
                        "main form",
                        ("Studio", $"Quay {i}"),
                        ("TimeZone", "Europe/London"),
                        ("Destination", $"Isle {i}"),
                        ("UserName", $"ada{i}"),
                        ("Password", "long-enough-now")
                    );
                })
        );
        Assert.Single(tries, t => t.Address == "/");
        Assert.Equal(
            (1, 1, 1),
            (
                await studio.Db.One<int>("select count(*)::int from person"),
                await studio.Db.One<int>("select count(*)::int from studio"),
                await studio.Db.One<int>("select count(*)::int from destination")
            )
        );
    }
}
