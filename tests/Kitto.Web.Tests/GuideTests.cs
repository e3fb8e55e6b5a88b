using System.Net;
using Kitto.Core.Safety;

namespace Kitto.Web.Tests;

public sealed class GuideTests(Studio studio) : IClassFixture<Studio>
{
    [Fact]
    public async Task The_steps_are_not_in_the_page_until_both_tests_are_clear()
    {
        var (kit, client, colourist) = await studio.FreshKit("Locky Waters");
        void Locked()
        {
            Assert.Empty(client.Page.QuerySelectorAll("[data-step]"));
            Assert.DoesNotContain("Take the colour sachet", client.Text, StringComparison.Ordinal);
        }

        Locked();
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        Assert.Contains("Check the spot until", client.Text, StringComparison.Ordinal);
        Locked();
        await studio.Later(kit, 47);
        await client.Open(client.Address);
        Locked();
        // A stale or forged page that says clear an hour early is refused by the server.
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        Assert.Contains("48 hours are not over", client.Text, StringComparison.Ordinal);
        await studio.Later(kit, 1);
        await client.Open(client.Address.Split('?')[0]);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        Locked();
        await client.Send("[data-test=strand] form", ("result", null));
        Assert.Contains("Say how the strand came out", client.Text, StringComparison.Ordinal);
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "500"));
        Assert.Contains("1 to 120 minutes", client.Text, StringComparison.Ordinal);
        Assert.Equal("500", client.Typed("minutes"));
        // The strand is mixed once the skin is clear: it cannot have been on for 35 minutes by now.
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "35"));
        Assert.Contains("cannot have had the colour on for that long", client.Text, StringComparison.Ordinal);
        Locked();
        await studio.Later(kit, 1);
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "35"));
        Assert.NotEmpty(client.Page.QuerySelectorAll("[data-step]"));
        Assert.Contains("Take the colour sachet", client.Text, StringComparison.Ordinal);
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("The main sachets may be mixed", colourist.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(-30, "in the future")]
    [InlineData(200, "had not arrived by then")]
    public async Task A_skin_test_cannot_be_dated_ahead_or_before_its_kit(double hoursAgo, string says)
    {
        var (_, client, _) = await studio.FreshKit("Dana Back");
        string typed = studio.Local(hoursAgo);
        await client.Send("[data-test^=skin] form", ("at", typed));
        Assert.Contains(says, client.Text, StringComparison.Ordinal);
        Assert.Equal(typed, client.Typed("at"));
    }

    [Fact]
    public async Task A_picture_of_a_test_is_kept_small_and_upright_without_what_the_camera_wrote_and_only_for_the_studio()
    {
        var (kit, client, colourist) = await studio.FreshKit("Picta Lens");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Later(kit, 49);
        await client.Open(client.Address);
        await client.SendFile("[data-test^=skin] form", ("photo", "not a picture"u8.ToArray()), ("result", "clear"));
        Assert.Contains("a JPEG, PNG or WebP photo of at most 20 MB", client.Text, StringComparison.Ordinal);
        Assert.Equal(SafetyKind.SkinOn, (await studio.Safety.Of(kit.ClientId)).Events.Single().Kind);
        await client.SendFile("[data-test^=skin] form", ("photo", Camera.Sideways()), ("result", "clear"));
        var (test, said) = (await studio.Safety.Of(kit.ClientId)).Events is [var on, var clear] ? (on, clear) : default;
        Assert.Equal((SafetyKind.SkinClear, test.Id), (said.Kind, said.Of!.Value));
        byte[] lies = (await studio.Reports.Photo(kit.Id, test.Id))!;
        byte[] kept = studio.Services.GetRequired<Pictures.PictureSeal>().Open(lies)!;
        // By chance three bytes come anywhere; sixteen do not.
        Assert.True(lies.AsSpan().IndexOf(kept.AsSpan(0, 16)) < 0, "it lies encrypted");
        Assert.DoesNotContain("SECRET HARBOUR", System.Text.Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using var picture = SkiaSharp.SKBitmap.Decode(kept);
        Assert.Equal((800, 1600), (picture.Width, picture.Height));
        Assert.True(picture.GetPixel(400, 100).Red > 200 && picture.GetPixel(400, 1500).Blue > 200, "the camera lay on its side: what was left is on top");
        await colourist.Open($"/kits/{kit.Id}");
        string source = colourist.Find(".test-photo").GetAttribute("src")!;
        await colourist.Open(source);
        Assert.Equal(HttpStatusCode.OK, colourist.Status);
        await client.Open(source);
        Assert.StartsWith("/signin", client.Address, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_strand_that_asks_for_another_time_changes_the_guide_only_when_the_colourist_agrees()
    {
        var (kit, client, colourist) = await studio.FreshKit("Tilda Sooner");
        await studio.Clear(client, kit);
        string before = client.Find("[data-kind=wait]").GetAttribute("data-minutes")!;
        await studio.Later(kit, 0, ", minutes = case when kind = 'strand' then 28 end");
        await client.Open(client.Address);
        Assert.Equal(before, client.Find("[data-kind=wait]").GetAttribute("data-minutes"));
        await colourist.Open($"/kits/{kit.Id}");
        string agree = "form[action*=Agree]";
        Assert.Contains("28 min", colourist.Find(agree).TextContent, StringComparison.Ordinal);
        await colourist.Send(agree, ("version", "99"));
        Assert.Contains("moved on by someone else", colourist.Text, StringComparison.Ordinal);
        await colourist.Send(agree);
        await client.Open(client.Address);
        Assert.Equal("28", client.Find("[data-kind=wait]").GetAttribute("data-minutes"));
        Assert.Empty(colourist.FindAll(agree));
        Assert.Equal(35, Core.Contract.Json.ReadPrescription((await studio.Kits.Frozen(kit.PrescriptionId))!.Document).Clock!.ProcessMinutes.Value);
    }

    [Fact]
    public async Task A_run_takes_no_steps_while_locked_nor_such_as_cannot_be_and_keeps_each_once()
    {
        var (kit, client, _) = await studio.FreshKit("Runa Steps");
        long now = studio.Clock.GetUtcNow().ToUnixTimeMilliseconds();
        string guide = client.Address;
        string start = $"{Guid.NewGuid()} start 0 {now}",
            once = $"{Guid.NewGuid()} step 1 {now + 1}";
        await client.Send("#burns-form", $"{guide}?handler=Run", ("steps", $"{start}\n{once}"));
        Assert.Contains("\"part\":\"tests\"", client.Text, StringComparison.Ordinal);
        Assert.Empty(await studio.Runs.Of(kit.Id));
        await client.Open(guide);
        await studio.Clear(client, kit);
        await studio.Db.Run("update kit set posted_at = posted_at - interval '3 days' where id = @Id", new { kit.Id });
        now = studio.Clock.GetUtcNow().ToUnixTimeMilliseconds();
        (start, once) = ($"{Guid.NewGuid()} start 0 {now}", $"{Guid.NewGuid()} step 1 {now + 1}");
        string[] wrong =
        [
            "nonsense",
            $"{Guid.NewGuid()} step 0 {now}",
            $"{Guid.NewGuid()} step 99 {now}",
            $"{Guid.NewGuid()} step 1 {now + 3_600_000}",
            $"{Guid.NewGuid()} step 1 {now - 86_400_000L * 30}",
            $"x step 1 {now}",
            $"{Guid.NewGuid()} step 1 99999999999999999",
            $"{Guid.NewGuid()} 1 {now}",
            $"{Guid.NewGuid()} leap 1 {now}",
            $"{Guid.NewGuid()} start 4 {now}",
            $"{Guid.NewGuid()} 2 3 {now}",
        ];
        // A step without a start counts for nothing; with it, each once.
        await client.Send("#burns-form", $"{guide}?handler=Run", ("steps", string.Join('\n', [.. wrong, once])));
        Assert.Empty(await studio.Runs.Of(kit.Id));
        await client.Open(guide);
        await client.Send("#burns-form", $"{guide}?handler=Run", ("steps", string.Join('\n', [.. wrong, start, once, once])));
        Assert.Equal(HttpStatusCode.OK, client.Status);
        Assert.Equal(["Start", "Step"], (await studio.Runs.Of(kit.Id)).Select(w => w.Word.ToString()));
        Assert.Contains("\"part\":\"doing\",\"at\":1", client.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task No_test_is_taken_before_the_kit_is_posted()
    {
        var (kit, client, _) = await studio.FreshKit("Early Test");
        await studio.Db.Run("update kit set state = 'packed', posted_at = null where id = @Id", new { kit.Id });
        // From a page that was open before, too.
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        Assert.Contains("have not posted this kit yet", client.Text, StringComparison.Ordinal);
        Assert.Contains("still with your colourist", client.Text, StringComparison.Ordinal);
        Assert.Empty((await studio.Safety.Of(kit.ClientId)).Events);
    }

    [Fact]
    public async Task A_skin_test_that_has_grown_too_old_locks_the_steps_again()
    {
        var (kit, client, _) = await studio.FreshKit("Olda Test");
        await studio.Clear(client, kit);
        Assert.NotEmpty(client.Page.QuerySelectorAll("[data-step]"));
        await studio.Later(kit, 13 * 24);
        await client.Open(client.Address);
        Assert.Empty(client.Page.QuerySelectorAll("[data-step]"));
        Assert.Contains("too long ago", client.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("skin")]
    [InlineData("burns")]
    [InlineData("strand")]
    [InlineData("report")]
    public async Task A_reaction_or_damage_stops_the_kit_at_once_and_today_shows_it(string by)
    {
        var (kit, client, colourist) = await studio.FreshKit("Stella Stop" + by);
        switch (by)
        {
            case "skin":
                await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
                await client.Send("[data-test^=skin] form", ("result", "reacted"));
                break;
            case "burns":
                await client.Send("#burns-form");
                break;
            case "strand":
                await studio.Clear(client, kit);
                await client.Send("#burns-form", $"{client.Address}?handler=Strand", ("result", "damaged"));
                break;
            case "report":
                await studio.Clear(client, kit);
                await client.Send(".report form", ("coverage", "full"), ("depth", "right"), ("tone", "right"), ("comfort", "reacted"), ("leftGrams", "10"));
                break;
        }

        Assert.Equal("Stop", client.Find("h1").TextContent);
        Assert.Equal("stopped", (await studio.Kits.Get(kit.Id))!.State);
        await colourist.Open("/");
        Assert.Contains("Stella Stop" + by, colourist.Find(".today-group.alarm").TextContent, StringComparison.Ordinal);
        await colourist.Open($"/clients/{kit.ClientId}/prescription");
        if (by != "strand")
        {
            // A reaction is for good: the next sitting is a stop whatever the form says.
            Assert.Equal("Stop: no colour", colourist.Find(".verdict h2").TextContent);
            await colourist.Send("#sitting", "?handler=Preview", ("client.reactions", null));
            Assert.Equal("Stop: no colour", colourist.Find(".verdict h2").TextContent);
        }
    }

    [Theory]
    [InlineData("leftGrams", "5000", "grams")]
    [InlineData("leftGrams", "-1", "grams")]
    [InlineData("leftGrams", "some", "grams")]
    [InlineData("leftGrams", "", "Tap the bowl")]
    [InlineData("bowl", "0.33", "Tap the bowl")]
    [InlineData("coverage", null, "Say whether grey shows")]
    [InlineData("comfort", null, "Say how your scalp felt")]
    [InlineData("ranOut", "true", "Which is right")]
    [InlineData("minutes", "0", "1 to 240")]
    [InlineData("appliedOn", "2190-01-01", "in the future")]
    [InlineData("appliedOn", "2001-01-01", "before we made this kit")]
    [InlineData("appliedOn", "yesterday", "day you coloured")]
    public async Task A_wrong_report_is_answered_beside_the_field_and_keeps_what_was_written(string field, string? value, string says)
    {
        var (kit, client, _) = await studio.FreshKit("Rhoda Report");
        await studio.Clear(client, kit);
        (string Name, string? Value)[] good =
        [
            ("coverage", "patchy"),
            ("depth", "right"),
            ("tone", "right"),
            ("comfort", "fine"),
            ("leftGrams", "12"),
            ("note", "left ear was hard"),
        ];
        await client.Send(".report form", [.. good.Where(g => g.Name != field && !(field == "bowl" && g.Name == "leftGrams")), (field, value)]);
        Assert.Contains(client.Page.QuerySelectorAll(".report .error"), e => e.TextContent.Contains(says, StringComparison.Ordinal));
        Assert.Equal("left ear was hard", client.Typed("note"));
        Assert.Null(await studio.Reports.OutcomeOf(kit.Id));
    }

    [Fact]
    public async Task A_second_report_from_a_stale_page_is_answered_in_words_and_changes_nothing()
    {
        var (kit, client, _) = await studio.FreshKit("Tweedy Twice");
        await studio.Clear(client, kit);
        (string, string?)[] good = [("coverage", "full"), ("depth", "right"), ("tone", "right"), ("comfort", "fine"), ("leftGrams", "12")];
        var stale = await new Visitor(studio).Open(client.Address);
        await client.Send(".report form", good);
        Assert.Equal("Thank you", client.Find("h1").TextContent);
        await stale.Send(".report form", [.. good.Where(g => g.Item1 != "leftGrams"), ("leftGrams", "1")]);
        Assert.Contains("You reported this kit on", stale.Find("[role=alert]").TextContent, StringComparison.Ordinal);
        Assert.Equal(12, (await studio.Reports.OutcomeOf(kit.Id))!.LeftGrams);
    }

    [Theory]
    [InlineData("0.25", true)]
    [InlineData("0", false)]
    public async Task What_was_left_can_be_told_by_a_picture_and_counts_as_judged(string bowl, bool reserve)
    {
        var (kit, client, _) = await studio.FreshKit("Pia Picture");
        await studio.Clear(client, kit);
        await client.Send(
            ".report form",
            ("coverage", "full"),
            ("depth", "right"),
            ("tone", "right"),
            ("comfort", "fine"),
            ("bowl", bowl),
            ("reserve", reserve ? "true" : null)
        );
        var report = (await studio.Reports.OutcomeOf(kit.Id))!;
        var pairs = Core.Contract.Json.ReadPrescription((await studio.Kits.Frozen(kit.PrescriptionId))!.Document).Formulas[0].Pairs;
        double Mix(int i) => pairs[i].ColourGrams.Value + pairs[i].DeveloperGrams.Value;
        Assert.Equal(reserve ? Mix(1) + .25 * Mix(0) : 0, report.LeftGrams, 1);
        Assert.False(report.Weighed);
    }

    [Fact]
    public async Task A_strand_that_is_too_warm_asks_for_a_step_that_the_colourist_can_take()
    {
        var (kit, client, colourist) = await studio.FreshKit("Wilma Warm");
        await studio.Clear(client, kit);
        await studio.Later(kit, 0, ", result = case when kind = 'strand' then 'tooWarm' end");
        await client.Open(client.Address);
        Assert.DoesNotContain("Mix the main colour", client.Text, StringComparison.Ordinal);
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("too warm, so a tenth of its opposite", colourist.Find(".proposal").TextContent, StringComparison.Ordinal);
        await colourist.Open(colourist.Find(".proposal a").GetAttribute("href")!);
        Assert.Contains("made by hand", colourist.Find(".mix[aria-pressed=true]").TextContent, StringComparison.Ordinal);
        Assert.Contains("0.1", colourist.Typed("mix"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_next_kit_starts_from_the_report_and_cites_it()
    {
        var (kit, client, colourist) = await studio.FreshKit("Nexta Kitto");
        var first = Core.Contract.Json.ReadPrescription((await studio.Kits.Frozen(kit.PrescriptionId))!.Document);
        await studio.Clear(client, kit);
        await client.Send(
            ".report form",
            ("coverage", "greyShows"),
            ("depth", "right"),
            ("tone", "right"),
            ("comfort", "fine"),
            ("leftGrams", "30"),
            ("minutes", "28")
        );
        await colourist.Open("/");
        Assert.Contains("grey shows; 30 g left", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/kits/{kit.Id}");
        Assert.Contains("30 g, weighed", colourist.Find(".beside").TextContent, StringComparison.Ordinal);
        await colourist.Send(".beside form");
        Assert.EndsWith("/prescription", colourist.Address, StringComparison.Ordinal);

        // Five weeks on, nothing typed: regrowth has grown, her hands are known, the formula has moved one step.
        studio.Clock.Ahead = TimeSpan.FromDays(35);
        try
        {
            // Her sitting has run out meanwhile; she signs in again.
            colourist = await Visitor.SignedIn(studio);
            await colourist.Open($"/clients/{kit.ClientId}/prescription");
            Assert.Equal("14", colourist.Typed("zones.crown.regrowthMm"));
            Assert.Equal("true", colourist.Find("[name='hands.practised'][checked]").GetAttribute("value"));
            string reasons = colourist.Find("#answer").TextContent;
            Assert.Contains("The report on the kit of 35 days ago: white hair showed", reasons, StringComparison.Ordinal);
            Assert.Contains($"of {first.Quantity!.SendGrams} sent 35 days ago 30.0 g was left", reasons, StringComparison.Ordinal);
            Assert.Contains("a step of", reasons, StringComparison.Ordinal);
            // Her answers are older than her last kit: they are confirmed first.
            await colourist.Send("#sitting", "?handler=Sign");
            Assert.Contains("Ask again", colourist.Text, StringComparison.Ordinal);
            Assert.Equal("14", colourist.Typed("zones.crown.regrowthMm"));
            await colourist.Send("#sitting", "?handler=Sign", ("confirmed", "true"));
            var second = Core.Contract.Json.ReadPrescription((await studio.Kits.History(kit.ClientId))[0].Document);
            Assert.True(second.Quantity!.UseGrams.Value / second.Quantity.BaseGrams.Value < 1.0, "thirty grams left of so few means light hands");
            Assert.Contains(second.Because, b => b.Rule == "DO8");
            Assert.Equal("closed", (await studio.Kits.Get(kit.Id))!.State);
        }
        finally
        {
            studio.Clock.Ahead = TimeSpan.Zero;
        }
    }

    [Fact]
    public async Task A_closed_an_expired_and_an_unknown_link_are_each_a_plain_page()
    {
        var kit = await studio.KitOf("Greta");
        string link = await studio.LinkTo(kit);
        var visitor = new Visitor(studio);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Open(link)).Status);
        await studio.CloseLinks(kit);
        Assert.Equal(HttpStatusCode.Gone, (await visitor.Open(link)).Status);
        Assert.Contains("has closed this link", visitor.Text, StringComparison.Ordinal);
        link = await studio.LinkTo(kit);
        await studio.Db.Run("update link set expires_at = now() - interval '1 minute' where kit_id = @Id and revoked_at is null", new { kit.Id });
        Assert.Contains("has expired", (await visitor.Open(link)).Text, StringComparison.Ordinal);
        Assert.Contains("do not know this address", (await visitor.Open("/g/AAAAAAAAAAAAAAAAAAAAAA")).Text, StringComparison.Ordinal);
        Assert.Contains("do not know this address", (await visitor.Open("/g/x")).Text, StringComparison.Ordinal);
    }
}
