using System.Net;
using Kitto.Camera;
using Kitto.Store;
using Kitto.Store.Commands;

namespace Kitto.Web.Tests;

/// <summary>Pictures of a head: taken in, measured, proposed to the reading, kept encrypted, erased.</summary>
public sealed class PicturesTests(Studio studio) : IClassFixture<Studio>
{
    /// <summary>What a button types into a field.</summary>
    private static double Taken(AngleSharp.Dom.IElement button, string field) =>
        double.Parse(System.Text.Json.Nodes.JsonNode.Parse(button.GetAttribute("data-types")!)![field]!.GetValue<string>());

    [Fact]
    public async Task A_picture_is_measured_proposed_to_the_reading_kept_encrypted_and_taken_away()
    {
        var id = await studio.IdOf("Lotte");
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/clients/{id}/pictures");
        await colourist.SendFile("form.take-in", ("picture", "not a picture"u8.ToArray()), ("zone", "crown"), ("print", "85.2"));
        Assert.Contains("not a photo we can read", colourist.Text, StringComparison.Ordinal);
        // Nothing that was chosen is lost.
        Assert.Equal("85.2", colourist.Page.QuerySelector("#print")!.GetAttribute("value"));
        Assert.NotNull(colourist.Page.QuerySelector("#zone option[value=crown][selected]"));
        byte[] jpeg = PictureFileTests.Jpeg(PictureFileTests.Head, new DrawnCard(), new Shot(), 9);
        await colourist.SendFile("form.take-in", ("picture", jpeg), ("zone", "crown"), ("print", "120"));
        Assert.Contains("75 to 95 mm", colourist.Text, StringComparison.Ordinal);
        await colourist.SendFile("form.take-in", ("picture", jpeg), ("zone", "crown"), ("print", "85,6"));
        var measured = colourist.FindAll(".measures dd").Select(d => d.TextContent).ToList();
        Assert.Matches("^2[2-6] mm, 2[0-9] to 2[0-9]$", measured[0]);
        Assert.Matches("^[34][0-9] %, ", measured[1]);

        // It lies encrypted, and is shown to who may see what clients answer.
        var kept = (await studio.Db.One<byte[]>("select sealed from picture where client_id = @id", new { id }))!;
        string image = colourist.Page.QuerySelector(".measured-picture image")!.GetAttribute("href")!;
        using var own = await RightsTests.SomebodyOf(studio, Role.Colourist, "sees");
        byte[] shown = await own.GetByteArrayAsync(image);
        Assert.Equal([0xff, 0xd8, 0xff], shown[..3]);
        Assert.True(kept.AsSpan().IndexOf(shown.AsSpan(0, 16)) < 0);
        using var bench = await RightsTests.SomebodyOf(studio, Role.Bench, "weighs");
        Assert.Equal(HttpStatusCode.Forbidden, (await bench.GetAsync(image)).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await own.GetAsync(image.Replace(id.ToString(), (await studio.IdOf("Greta")).ToString(), StringComparison.Ordinal))).StatusCode
        );

        await colourist.Open($"/clients/{id}/prescription");
        var button = colourist.Page.QuerySelector("[data-measured=crown]")!;
        Assert.InRange(Taken(button, "zones.crown.regrowthMm"), 22, 26);
        Assert.InRange(Taken(button, "zones.crown.greyPercent"), 20, 50);
        // The lengths by the nearest look: they were drawn of level 7.
        Assert.InRange(Taken(colourist.Page.QuerySelector("[data-measured=lengths]")!, "hair.lengths.level"), 6, 8);

        // Another picture of no use is kept with its reason and proposes nothing.
        await colourist.Open($"/clients/{id}/pictures");
        await colourist.SendFile(
            "form.take-in",
            (
                "picture",
                PictureFileTests.Jpeg(
                    PictureFileTests.Head,
                    new DrawnCard(),
                    new Shot
                    {
                        Width = 1200,
                        Height = 1600,
                        TiltDegrees = 50,
                    },
                    9
                )
            ),
            ("zone", "nape")
        );
        Assert.Contains("straight above the card", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/clients/{id}/prescription");
        Assert.Null(colourist.Page.QuerySelector("[data-measured=nape]"));

        await colourist.Open($"/clients/{id}/pictures");
        await colourist.Send("form[action*=Drop]");
        Assert.Equal(1, await studio.Db.One<int>("select count(*)::int from picture where client_id = @id", new { id }));
    }

    [Fact]
    public async Task What_is_signed_is_kept_beside_what_was_measured_and_corrects_what_is_proposed_once_it_is_no_chance()
    {
        var id = await studio.IdOf("Nuala");
        var pairs = studio.Services.GetRequired<PicturePairs>();
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/clients/{id}/prescription");
        double Proposed() => Taken(colourist.Page.QuerySelector("[data-measured=crown]")!, "zones.crown.regrowthMm");
        double plain = Proposed();
        // A studio that signs 3 mm more than is measured, over and over.
        await pairs.Keep(
            Enumerable.Range(0, 24).Select(i => new KeptPair(Guid.NewGuid(), "regrowth", 20, 18, 22, i < 2 ? 20 : 23)),
            DateTime.UtcNow.AddDays(-1)
        );
        await colourist.Open($"/clients/{id}/prescription");
        Assert.Equal(plain + 3, Proposed());
        Assert.Contains("before your 24 pairs", colourist.Text, StringComparison.Ordinal);
        await colourist.Open("/card");
        Assert.Contains("+3.0 mm on what is proposed", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("section.bias form");
        Assert.Contains("switched off", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/clients/{id}/prescription");
        Assert.Equal(plain, Proposed());

        // What is signed is paired with what was measured, once, and shown with the picture.
        (string, string?)[] typed = [("zones.crown.regrowthMm", "31"), ("zones.crown.greyPercent", "44"), ("confirmed", "true")];
        await colourist.Send("#sitting", "?handler=Sign", typed);
        await colourist.Open($"/clients/{id}/pictures");
        Assert.Contains("signed 31 mm", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("signed 44 %", colourist.Text, StringComparison.Ordinal);
        var kept = (await pairs.Latest()).Single(p => p.Used == 31);
        Assert.Equal(plain, kept.Measured, 0.51);
    }

    [Fact]
    public async Task Pictures_go_with_the_client_who_is_forgotten_and_with_the_file_of_who_asks_for_everything()
    {
        var client = Guid.CreateVersion7();
        await studio.Clients.Add(new Client(client, "Pia Pictured", new DateOnly(1980, 1, 1), 1, "", "", DateTime.UtcNow, 1));
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/clients/{client}/pictures");
        await colourist.SendFile("form.take-in", ("picture", PictureFileTests.Jpeg(PictureFileTests.Head, new DrawnCard(), new Shot(), 9)), ("zone", "crown"));
        var rights = studio.Services.GetRequired<ClientRights>();
        Assert.Contains("regrowthMm", (await rights.Everything(client)).Single(t => t.Table == "picture").Rows, StringComparison.Ordinal);
        using var all = new System.IO.Compression.ZipArchive(
            new MemoryStream(await (await RightsTests.SomebodyOf(studio, Role.Owner, "gives")).GetByteArrayAsync($"/clients/{client}/data?handler=Everything"))
        );
        var given = Assert.Single(all.Entries, e => e.FullName.Contains("head-crown", StringComparison.Ordinal));
        using var jpeg = given.Open();
        Assert.Equal(0xff, jpeg.ReadByte());
        await rights.Erase(client);
        Assert.Equal(0, await studio.Db.One<int>("select count(*)::int from picture where client_id = @client", new { client }));
    }

    [Fact]
    public async Task The_card_is_printed_one_to_one()
    {
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open("/card");
        var card = colourist.FindAll("svg.card-print");
        Assert.Equal(("92mm", "130mm"), (card[0].GetAttribute("width"), card[0].GetAttribute("height")));
        Assert.Equal("87.6mm", card[1].GetAttribute("width"));
        // The page and the mathematics know one card: the window is where it is looked for.
        Assert.NotNull(card[0].QuerySelector("rect[x='21'][y='5'][width='50'][height='90']"));
    }
}
