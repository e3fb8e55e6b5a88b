using Kitto.Camera;
using Kitto.Core.Colour;
using Kitto.Core.Picture;
using Kitto.Store;
using Kitto.Web.Pictures;

namespace Kitto.Web.Tests;

/// <summary>Pictures of their heads that clients send through the questions and through a guide.</summary>
public sealed class SentPicturesTests(Studio studio) : IClassFixture<Studio>
{
    private static readonly (string, string)[] Crown = [("kind", "parting"), ("zone", "crown")];

    private async Task<Guid> Somebody(string name)
    {
        var id = Guid.CreateVersion7();
        await studio.Clients.Add(new Client(id, name, new DateOnly(1980, 1, 1), 1, "", "", DateTime.UtcNow, 1));
        return id;
    }

    private async Task<string> Ask(Guid client) => "/ask/" + await studio.Services.GetRequired<Links>().ToAsk(client, DateTime.UtcNow);

    [Fact]
    public async Task A_picture_sent_with_the_questions_goes_on_where_it_was_cut_off_is_measured_and_proposed_and_lies_encrypted_all_the_way()
    {
        var client = await Somebody("Sunniva Sends");
        string ask = await Ask(client),
            to = ask + "?handler=Picture";
        byte[] jpeg = PictureFileTests.Jpeg(PictureFileTests.Head, new DrawnCard(), new Shot(), 9);
        var (http, id, half) = (new HttpClientOf(studio), Guid.NewGuid(), jpeg.Length / 2);
        Assert.Contains($"\"came\":{half},\"done\":false", await http.Piece(to, id, 0, jpeg.Length, jpeg[..half], Crown), StringComparison.Ordinal);
        // Sent again as after a broken line, or out of its turn, it changes nothing and is told how far it is.
        Assert.Contains($"\"came\":{half},\"done\":false", await http.Piece(to, id, 0, jpeg.Length, jpeg[..half], Crown), StringComparison.Ordinal);
        Assert.Contains(
            $"\"came\":{half},\"done\":false",
            await http.Piece(to, id, half + 9, jpeg.Length, jpeg[(half + 9)..], Crown),
            StringComparison.Ordinal
        );
        var lies = (await studio.Db.One<byte[]>("select sealed from picture_piece where id = @id", new { id }))!;
        Assert.True(lies.AsSpan().IndexOf(jpeg.AsSpan(0, 40)) < 0);
        string done = await http.Piece(to, id, half, jpeg.Length, jpeg[half..], [.. Crown, ("rule", "86,4")]);
        Assert.Contains("\"done\":true", done, StringComparison.Ordinal);
        Assert.Contains("was measured", done, StringComparison.Ordinal);
        Assert.Contains("\"done\":true", await http.Piece(to, id, half, jpeg.Length, jpeg[half..], Crown), StringComparison.Ordinal);
        Assert.Equal(0, await studio.Db.One<int>("select count(*)::int from picture_piece where id = @id", new { id }));

        var kept = Assert.Single(await studio.Services.GetRequired<PictureRecord>().Of(client));
        Assert.InRange(kept.Measured.Reading!.RegrowthMm!.Value, 21, 27);
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/clients/{client}/pictures");
        Assert.Contains("sent by the client", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/clients/{client}/prescription");
        Assert.NotNull(colourist.Page.QuerySelector("[data-measured=crown]"));

        // The page of the questions knows it, and takes it away; another client's link does not.
        var phone = await Visitor.SignedIn(studio);
        await phone.Open(ask);
        Assert.Equal(id.ToString(), phone.Page.QuerySelector("#asked-crown")!.Closest(".asked-picture")!.GetAttribute("data-picture"));
        string other = await Ask(await Somebody("Other Person"));
        await phone.Open(other);
        using var gone = new FormUrlEncodedContent([new("id", id.ToString())]);
        await studio.CreateClient().PostAsync(other + "?handler=PictureGone", gone);
        Assert.Single(await studio.Services.GetRequired<PictureRecord>().Of(client));
        using var own = new FormUrlEncodedContent([new("id", id.ToString())]);
        await studio.CreateClient().PostAsync(ask + "?handler=PictureGone", own);
        Assert.Empty(await studio.Services.GetRequired<PictureRecord>().Of(client));
        // Its last piece was sent twice, and the second reading ends only now: it brings nothing back.
        await studio.Services.GetRequired<PictureRecord>().Keep(kept, lies, null);
        Assert.Empty(await studio.Services.GetRequired<PictureRecord>().Of(client));
    }

    [Fact]
    public async Task What_is_no_picture_of_what_is_asked_for_is_said_and_what_cannot_be_measured_gives_way_to_what_is_taken_again()
    {
        var client = await Somebody("Una Unclear");
        string to = await Ask(client) + "?handler=Picture";
        var http = new HttpClientOf(studio);
        byte[] dark = PictureFileTests.Jpeg(
            PictureFileTests.Head,
            new DrawnCard(),
            new Shot
            {
                Width = 1200,
                Height = 1600,
                Exposure = 0.05,
            },
            31
        );
        async Task<string> All(byte[] file, params (string, string)[] more) => await http.Piece(to, Guid.NewGuid(), 0, file.Length, file, more);
        Assert.Contains("Choose a photo", await All(dark, ("kind", "parting"), ("zone", "elbow")), StringComparison.Ordinal);
        Assert.Contains("Choose a photo", await All(dark, ("kind", "x-ray"), ("zone", "crown")), StringComparison.Ordinal);
        Assert.Contains("78 to 95 mm", await All(dark, [.. Crown, ("rule", "12")]), StringComparison.Ordinal);
        Assert.Contains("not a photo we can read", await All("not a picture"u8.ToArray(), Crown), StringComparison.Ordinal);
        Assert.Contains("larger than 20 MB", await http.Piece(to, Guid.NewGuid(), 0, int.MaxValue, dark, Crown), StringComparison.Ordinal);
        Assert.Equal(0, await studio.Db.One<int>("select count(*)::int from picture where client_id = @client", new { client }));
        Assert.Contains("too dark", await All(dark, Crown), StringComparison.Ordinal);
        Assert.Contains("too dark", await All(dark, Crown), StringComparison.Ordinal);
        Assert.Single(await studio.Services.GetRequired<PictureRecord>().Of(client));
        // The whole head is looked at, not measured.
        Assert.Contains("colourist has it.", await All(dark, ("kind", "whole"), ("zone", "crown")), StringComparison.Ordinal);
        for (int i = 0; i < PictureSending.MostOfALink; i++)
        {
            await http.Piece(to, Guid.NewGuid(), 0, dark.Length, dark[..9], Crown);
        }

        Assert.Contains($"At most {PictureSending.MostOfALink} photos", await All(dark, Crown), StringComparison.Ordinal);
        // A link that was answered takes pictures for a day, and then no more.
        await studio.Db.Run("update link set revoked_at = now() - interval '25 hours' where client_id = @client", new { client });
        Assert.DoesNotContain("\"came\"", await All(dark, Crown), StringComparison.Ordinal);
        await studio.Services.GetRequired<Store.Commands.ClientRights>().Erase(client);
        Assert.Equal(0, await studio.Db.One<int>("select count(*)::int from picture_sending where client_id = @client", new { client }));
    }

    [Fact]
    public async Task A_guide_asks_for_them_with_the_report_and_knows_what_its_kit_has()
    {
        var (kit, client, _) = await studio.FreshKit("Gudrun Guided");
        await studio.Clear(client, kit);
        byte[] dark = PictureFileTests.Jpeg(
            PictureFileTests.Head,
            new DrawnCard(),
            new Shot
            {
                Width = 1200,
                Height = 1600,
                Exposure = 0.05,
            },
            31
        );
        var id = Guid.NewGuid();
        await new HttpClientOf(studio).Piece(client.Address + "?handler=Picture", id, 0, dark.Length, dark, ("kind", "lock"), ("zone", "crown"));
        await client.Open(client.Address);
        Assert.Equal(id.ToString(), client.Page.QuerySelector("#asked-lock")!.Closest(".asked-picture")!.GetAttribute("data-picture"));
        Assert.Equal(kit.Id, Assert.Single(await studio.Services.GetRequired<PictureRecord>().Of(kit.ClientId)).KitId);
    }

    [Fact]
    public async Task What_is_measured_after_a_kit_stands_beside_its_forecast_and_moves_the_next_one()
    {
        var (kit, client, colourist) = await studio.FreshKit("Sella Seen");
        await studio.Clear(client, kit);
        await client.Send(".report form", ("coverage", "full"), ("depth", "right"), ("tone", "right"), ("comfort", "fine"), ("leftGrams", "12"));
        await colourist.Open($"/kits/{kit.Id}");
        Assert.DoesNotContain("from the forecast", colourist.Text, StringComparison.Ordinal);
        var pictures = studio.Services.GetRequired<PictureRecord>();
        var now = studio.Clock.GetUtcNow().UtcDateTime;
        var by = await studio.Db.One<Guid>("select id from person limit 1");
        Task Sent(string zone, Lab roots, DateTime at, Guid? of) => Read(zone, new PictureReading(PictureRefusal.NotClear, Roots: roots), at, of);
        async Task Read(string zone, PictureReading reading, DateTime at, Guid? of)
        {
            var answer = new PictureAnswer(null, reading, 900, 1200, null, null);
            await pictures.Keep(
                new HeadPicture(
                    Guid.NewGuid(),
                    kit.ClientId,
                    zone,
                    at,
                    null,
                    System.Text.Json.JsonSerializer.Serialize(answer, Core.Contract.Json.Options),
                    "parting",
                    of,
                    of is null ? null : Guid.NewGuid()
                ),
                [1],
                by
            );
        }

        // Before it, and after it much darker than forecast in one zone; what comes weeks later has faded and counts for nothing.
        await Sent("crown", new Lab(45, 4, 9), now.AddDays(-20), null);
        await Sent("crown", new Lab(18, 6, 9), now, kit.Id);
        await Sent("nape", new Lab(90, 0, 0), now.AddDays(SeenAfter.Days + 2), kit.Id);
        await colourist.Open($"/kits/{kit.Id}");
        string card = colourist.FindAll(".beside dd").Single(d => d.TextContent.Contains("dE00", StringComparison.Ordinal)).TextContent;
        Assert.Matches(@"^\s*crown; dE00 from the forecast \d+\.\d \(\d+\.\d to \d+\.\d\); from before \d+\.\d", card);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Matches("One earlier kit, measured on the card, moved the forecast by -", colourist.Text);

        // What was taken in the days after the colour proposes no regrowth: nothing has grown. Later pictures do.
        PictureReading line = new(null, new Measured(14, 13, 15), Roots: new Lab(30, 5, 9));
        await Read("nape", line, now.AddDays(1), kit.Id);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Empty(colourist.FindAll("[data-measured=nape]"));
        await Read("leftTemple", line, now.AddDays(SeenAfter.Days + 1), kit.Id);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        Assert.Single(colourist.FindAll("[data-measured=leftTemple]"));
    }
}
