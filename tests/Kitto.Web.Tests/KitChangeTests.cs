using System.Net;
using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Today;
using SkiaSharp;

namespace Kitto.Web.Tests;

/// <summary>A kit on its way: moved, taken back, called off, a part sent once more; and what a client sends back of it.</summary>
public sealed class KitChangeTests(Studio studio) : IClassFixture<Studio>
{
    private DateOnly Today => DateOnly.FromDateTime(studio.Clock.GetUtcNow().UtcDateTime);

    [Fact]
    public async Task What_was_posted_arrives_counted_from_the_day_it_went()
    {
        var (kit, client, _) = await studio.FreshKit("Runa Late");
        Assert.Equal(Today, kit.PostOn);
        Assert.Equal(Today.AddDays(kit.TransitDays), kit.ArrivesOn);
        Assert.NotNull((await studio.Kits.Get(kit.Id))!.OpenedAt);
        _ = client;
    }

    [Fact]
    public async Task Posting_and_packing_are_taken_back_until_the_guide_is_opened_and_not_by_the_studios_own_look()
    {
        var (kit, _, colourist) = await studio.FreshKit("Pia Tooearly");
        await studio.Db.Run("update kit set opened_at = null where id = @Id", new { kit.Id });
        await colourist.Open(await studio.LinkTo(kit));
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=TakeBack]");
        Assert.Contains("to be posted", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("form[action*=TakeBack]");
        var back = (await studio.Kits.Get(kit.Id))!;
        Assert.Equal((KitStep.Signed, null, null), (back.Step, back.PackedAt, back.PostedAt));
        await colourist.Send("form[action*=PackWithout]", ("why", "weighed by the paper"));
        await colourist.Send("form[action*=Move]");
        await new Visitor(studio).Open(await studio.LinkTo(kit));
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Null(colourist.Page.QuerySelector("form[action*=TakeBack]"));
        // A page that still shows the button is told why.
        await Assert.ThrowsAsync<ConflictException>(async () => await studio.Change.TakeBack((await studio.Kits.Get(kit.Id))!));
    }

    [Fact]
    public async Task A_day_is_moved_with_all_that_hangs_on_it_and_asks_for_a_test_that_still_counts()
    {
        var (kit, client, colourist) = await studio.FreshKit("Moa Another-Day");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=Day]", ("day", Today.AddDays(-1).ToString("yyyy-MM-dd")));
        Assert.Contains("Give the new colour day, from", colourist.Text, StringComparison.Ordinal);
        Assert.Equal(Today.AddDays(-1).ToString("yyyy-MM-dd"), colourist.Typed("day"));
        var day = Today.AddDays(9);
        await colourist.Send("form[action*=Day]", ("day", day.ToString("yyyy-MM-dd")));
        var moved = (await studio.Kits.Get(kit.Id))!;
        Assert.Equal((day, kit.SkinOn), (moved.ColourOn, moved.SkinOn));
        await client.Open(client.Address.Split('?')[0]);
        Assert.Contains($"{day:dddd d MMMM}", client.Text, StringComparison.Ordinal);
        string calendar = await new HttpClientOf(studio).Text(client.Address + "/days.ics");
        Assert.Contains($"{day:yyyyMMdd}T100000", calendar, StringComparison.Ordinal);
        Assert.Equal(
            1,
            await studio.Db.One<int>(
                "select count(*)::int from message where client_id = @ClientId and subject = 'Your colour day has moved'",
                new { kit.ClientId }
            )
        );
        // Too far: what was filled would be too old.
        await colourist.Send("form[action*=Day]", ("day", Today.AddDays(300).ToString("yyyy-MM-dd")));
        Assert.Equal(day, (await studio.Kits.Get(kit.Id))!.ColourOn);
    }

    [Fact]
    public async Task A_kit_that_is_called_off_is_not_begun_any_more_and_a_reaction_is_still_taken()
    {
        var (kit, client, colourist) = await studio.FreshKit("Vera Off");
        await studio.Clear(client, kit);
        await colourist.Open($"/kits/{kit.Id}");
        await colourist.Send("form[action*=CallOff]", ("why", "x"));
        Assert.Contains("3 to 300 characters", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("form[action*=CallOff]", ("why", "moves to the mainland"));
        Assert.Contains("Called off", colourist.Text, StringComparison.Ordinal);
        await client.Send("form[action*=Start]", ("colour", "no"));
        Assert.Contains("has cancelled this kit", client.Text, StringComparison.Ordinal);
        Assert.Empty(client.Page.QuerySelectorAll("[data-step]"));
        string calendar = await new HttpClientOf(studio).Text(client.Address.Split('?')[0] + "/days.ics");
        Assert.Contains("STATUS:CANCELLED", calendar, StringComparison.Ordinal);
        await client.Send("form[action*=Burns]");
        Assert.NotNull((await studio.Safety.Of(kit.ClientId)).Allergy);
    }

    [Fact]
    public async Task With_colour_on_the_head_a_kit_that_is_called_off_means_rinse_now()
    {
        var (kit, client, _) = await studio.FreshKit("Ylva Midway");
        await studio.Clear(client, kit);
        await client.Send("form[action*=Start]", ("colour", "no"));
        var open = (await studio.Kits.Get(kit.Id))!;
        var now = DateTime.UtcNow;
        await studio.Say.Tell(open, [new RunLine(Guid.NewGuid(), RunWord.Step, open.RunFirst!.Value, now)], DateOnly.FromDateTime, now);
        await studio.Change.CallOff(open, "by mistake", "Tove", now);
        await client.Open(client.Address);
        Assert.Equal("Rinse now", client.Find("h1").TextContent);
        await client.Send("form[action*=End]");
        Assert.Equal("This kit is cancelled", client.Find("h1").TextContent);
        Assert.Contains("Colour on your hair? Rinse it out now", client.Find(".on-hair").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_part_that_is_sent_again_is_waited_for()
    {
        var (kit, client, colourist) = await studio.FreshKit("Dagny Leak");
        await colourist.Open($"/kits/{kit.Id}");
        string part = colourist.Page.QuerySelector("#part option:nth-child(2)")!.GetAttribute("value")!;
        await colourist.Send("form[action*=Replace]", ("part", part), ("why", "the bottle leaked"));
        await client.Open(client.Address);
        Assert.Contains($"A new part is on its way: {part}", client.Text, StringComparison.Ordinal);
        await colourist.Send("form[action*=Arrived]");
        await client.Open(client.Address);
        Assert.DoesNotContain("A new part is on its way", client.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("keep", "posted")]
    [InlineData("off", "closed")]
    public async Task A_new_prescription_asks_what_becomes_of_a_kit_that_is_with_the_client(string choice, string state)
    {
        var (kit, _, colourist) = await studio.FreshKit("Nora Twice " + choice);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        await colourist.Send("#sitting", "?handler=Sign", ("confirmed", "true"));
        Assert.Contains("what becomes of kit 1, with the client", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("posted", (await studio.Kits.Get(kit.Id))!.State);
        await colourist.Send("#sitting", "?handler=Sign", ("confirmed", "true"), ("older", choice));
        Assert.StartsWith("/kits/", colourist.Address, StringComparison.Ordinal);
        Assert.Equal(state, (await studio.Kits.Get(kit.Id))!.State);
    }

    [Fact]
    public async Task A_stop_is_told_to_the_studio_itself_at_once_and_once()
    {
        var (kit, client, colourist) = await studio.FreshKit("Alma Alarm");
        await colourist.Open("/house");
        await colourist.Send("main form", ("AlarmEmail", "not an address"));
        Assert.Contains("One address such as", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("main form", ("AlarmEmail", "studio@example.org"));
        var sender = studio.Services.GetRequired<ClientMessageSender>();
        await client.Send("form[action*=Burns]");
        for (int i = 0; i < 2; i++)
        {
            await studio.Services.GetRequired<KitLooks>().Look();
            await sender.Send();
        }

        Assert.Equal(
            1,
            await studio.Db.One<int>(
                "select count(*)::int from message where recipient = 'studio@example.org' and subject = 'Stopped: a kit of Alma Alarm' and sent_at is not null"
            )
        );
        _ = kit;
    }

    [Fact]
    public async Task A_picture_that_waited_on_a_phone_since_before_is_taken_shown_to_its_kit_alone_and_so_are_those_kept_before_they_were_encrypted()
    {
        var (kit, client, colourist) = await studio.FreshKit("Frida Slow-Line");
        byte[] picture = Jpeg();
        var id = Guid.NewGuid();
        string to = client.Address + "?handler=Photo";
        var http = new HttpClientOf(studio);
        int half = picture.Length / 2;
        Assert.Contains($"\"came\":{half},\"done\":false", await http.Piece(to, id, 0, picture.Length, picture[..half]), StringComparison.Ordinal);
        Assert.Contains("\"done\":true", await http.Piece(to, id, half, picture.Length, picture[half..]), StringComparison.Ordinal);
        var old = Guid.NewGuid();
        await studio.Db.Run(
            "insert into report_photo (id, kit_id, size, came, jpeg, begun_at, taken_in) values (@old, @Id, 100, '', @picture, now(), now())",
            new
            {
                old,
                kit.Id,
                picture,
            }
        );
        await colourist.Open($"/kits/{kit.Id}");
        var shown = colourist.Page.QuerySelectorAll(".result-photos img").Select(i => i.GetAttribute("src")!).ToList();
        Assert.Equal(2, shown.Count);
        var (other, _, _) = await studio.FreshKit("Other Person");
        foreach (string source in shown)
        {
            Assert.Equal(HttpStatusCode.OK, (await colourist.Open(source)).Status);
            await colourist.Open(source.Replace(kit.Id.ToString(), other.Id.ToString(), StringComparison.Ordinal));
            Assert.Equal(HttpStatusCode.NotFound, colourist.Status);
        }
    }

    [Fact]
    public async Task What_came_out_otherwise_somewhere_is_kept_by_place_and_a_reaction_there_is_one()
    {
        var (kit, client, colourist) = await studio.FreshKit("Sol Patchy");
        await studio.Clear(client, kit);
        (string, string?)[] report =
        [
            ("coverage", "full"),
            ("depth", "right"),
            ("tone", "right"),
            ("comfort", "fine"),
            ("bowl", "0.25"),
            ("zone.leftTemple.coverage", "greyShows"),
            ("zone.crown.tone", "tooWarm"),
        ];
        await client.Send("form[action*=Report]", [.. report, ("zone.nape.comfort", "burnt")]);
        Assert.Contains("Choose one of the answers for each place", client.Text, StringComparison.Ordinal);
        await client.Send("form[action*=Report]", [.. report, ("zone.nape.comfort", "reacted")]);
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("Left temple: coverage: grey shows", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("Crown: tone: too warm", colourist.Text, StringComparison.Ordinal);
        Assert.NotNull((await studio.Safety.Of(kit.ClientId)).Allergy);
    }

    private static byte[] Jpeg()
    {
        using var picture = new SKBitmap(640, 480);
        var random = new Random(7);
        for (int x = 0; x < 640; x++)
        {
            for (int y = 0; y < 480; y++)
            {
                picture.SetPixel(x, y, new SKColor((uint)random.Next() | 0xFF000000));
            }
        }

        return picture.Encode(SKEncodedImageFormat.Jpeg, 80).ToArray();
    }
}
