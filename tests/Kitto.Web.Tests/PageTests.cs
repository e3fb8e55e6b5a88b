using System.Net;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

public sealed class PageTests(Studio studio) : IClassFixture<Studio>
{
    [Theory]
    [InlineData("/")]
    [InlineData("/clients")]
    [InlineData("/clients/new")]
    public async Task Nobody_gets_in_without_signing_in(string path)
    {
        var visitor = await new Visitor(studio).Open(path);
        Assert.StartsWith("/signin", visitor.Address, StringComparison.Ordinal);
        Assert.Contains(Demo.Seed.Password, visitor.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("tove", "wrong-password", "do not belong together")]
    [InlineData("nobody", "mail-boat-days", "do not belong together")]
    [InlineData("", "", "Type your name")]
    public async Task A_wrong_sign_in_is_answered_in_words_and_keeps_the_name(string name, string password, string says)
    {
        var visitor = await new Visitor(studio).Open("/signin");
        await visitor.Send("form[method=post]", ("UserName", name), ("Password", password));
        Assert.Contains(says, visitor.Text, StringComparison.Ordinal);
        Assert.Equal(name, visitor.Typed("UserName"));
        Assert.Equal("", visitor.Typed("Password"));
    }

    [Fact]
    public async Task Signing_in_goes_only_to_pages_of_ours()
    {
        var visitor = await new Visitor(studio).Open("/signin?to=https://elsewhere.example/");
        await visitor.Send("form[method=post]", ("UserName", Demo.Seed.UserName), ("Password", Demo.Seed.Password));
        Assert.Equal("/", visitor.Address);
    }

    [Fact]
    public async Task Every_page_of_the_demo_opens_and_says_who_it_is_about()
    {
        var visitor = await Visitor.SignedIn(studio);
        var rows = await studio.Clients.Find("");
        Assert.True(rows.Count >= 14, $"only {rows.Count} clients");
        foreach (var row in rows)
        {
            foreach (string path in new[] { $"/clients/{row.Id}", $"/clients/{row.Id}/prescription", $"/clients/{row.Id}/edit" })
            {
                await visitor.Open(path);
                Assert.Equal(HttpStatusCode.OK, visitor.Status);
                Assert.Contains(row.Name, visitor.Find("h1").TextContent, StringComparison.Ordinal);
            }

            foreach (var signed in await studio.Kits.History(row.Id))
            {
                await visitor.Open(signed.KitId is { } kit ? $"/kits/{kit}" : $"/prescriptions/{signed.Id}");
                Assert.Equal(HttpStatusCode.OK, visitor.Status);
                await visitor.Open($"/prescriptions/{signed.Id}");
                Assert.Equal(HttpStatusCode.OK, visitor.Status);
            }
        }
    }

    [Fact]
    public async Task The_demo_has_every_service_a_stop_a_salon_case_a_held_kit_a_report_and_an_overdue_kit()
    {
        var visitor = await Visitor.SignedIn(studio);
        Assert.Equal(
            ["Stopped", "Answers to read", "Reports to read", "At the bench", "Overdue", "Held by a test", "Under way", "Not by kit"],
            visitor.Page.QuerySelectorAll(".today-group h2").Select(h => h.FirstChild!.TextContent.Trim())
        );
        var services = await studio.Db.List<string>("select distinct service from prescription");
        Assert.Equal(8, services.Count);
        Assert.Equal(["kit", "salon", "stop"], (await studio.Db.List<string>("select distinct decision from prescription")).Order());
        Assert.Contains("the skin test is too old now", visitor.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/nowhere", 404)]
    [InlineData("/clients/00000000-0000-0000-0000-000000000000", 404)]
    [InlineData("/clients/not-an-id", 404)]
    [InlineData("/kits/00000000-0000-0000-0000-000000000000", 404)]
    [InlineData("/prescriptions/00000000-0000-0000-0000-000000000000", 404)]
    public async Task What_is_not_there_is_a_plain_page(string path, int status)
    {
        var visitor = await (await Visitor.SignedIn(studio)).Open(path);
        Assert.Equal(status, (int)visitor.Status);
        Assert.Equal("Not here", visitor.Find("h1").TextContent);
    }

    [Theory]
    [InlineData("Name", "", "Type a name")]
    [InlineData("Name", "   ", "Type a name")]
    [InlineData("BirthDate", "2190-01-01", "in the future")]
    [InlineData("BirthDate", "1890-01-01", "more than 120 years")]
    [InlineData("BirthDate", "soon", "day of birth")]
    [InlineData("DestinationId", "99999", "Choose where")]
    public async Task A_wrong_client_is_answered_beside_the_field_and_keeps_what_was_typed(string field, string value, string says)
    {
        var visitor = await (await Visitor.SignedIn(studio)).Open("/clients/new");
        int before = (await studio.Clients.Find("")).Count;
        (string Name, string? Value)[] typed = [("Name", "Una Testament"), ("BirthDate", "1970-05-05"), ("Note", "rings <b>twice</b> & waits")];
        await visitor.Send("main form", [.. typed.Where(t => t.Name != field), (field, value)]);
        Assert.Contains(says, visitor.Find($"[name={field}]").ParentElement!.TextContent, StringComparison.Ordinal);
        Assert.Equal("rings <b>twice</b> & waits", visitor.Typed("Note"));
        Assert.Equal(before, (await studio.Clients.Find("")).Count);
    }

    [Theory]
    [InlineData("zones.leftTemple.regrowthMm", "301", "0 to 300")]
    [InlineData("zones.leftTemple.regrowthMm", "-1", "0 to 300")]
    [InlineData("zones.nape.greyPercent", "101", "0 to 100")]
    [InlineData("zones.crown.regrowthMm", "half an inch", "must be a number")]
    [InlineData("hair.naturalLevel", "11", "1 to 10")]
    [InlineData("hair.naturalLevel", "", "is needed")]
    [InlineData("goal.level", "0", "1 to 12")]
    [InlineData("goal.level", "13", "1 to 12")]
    [InlineData("hair.lengthCm", "900", "1 to 120")]
    [InlineData("client.chemicalServiceDaysAgo", "9999", "0 to 3650")]
    [InlineData("plan.wantBy", "2020-01-01", "not after today")]
    [InlineData("goal.service", "shave", "rootTouchUp")]
    public async Task A_wrong_fact_is_answered_beside_its_field_and_nothing_is_signed(string field, string value, string says)
    {
        var visitor = await Visitor.SignedIn(studio);
        var id = await studio.IdOf("Lotte");
        await visitor.Open($"/clients/{id}/prescription");
        await visitor.Send("#sitting", "?handler=Sign", (field, value), ("hair.porosity", "high"));
        Assert.Contains(says, visitor.Find($"[data-error='{field}']").TextContent, StringComparison.OrdinalIgnoreCase);
        if (field != "goal.service")
        {
            Assert.Equal(value, visitor.Typed(field));
        }

        Assert.Equal("high", visitor.Typed("hair.porosity"));
        Assert.Empty(await studio.Kits.History(id));
    }

    [Fact]
    public async Task A_comma_is_a_decimal_point_too()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription");
        await visitor.Send("#sitting", "?handler=Preview", ("zones.nape.regrowthMm", "12,5"), ("goal.level", "5,5"));
        Assert.Contains("level 5.5 N", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("12.5 mm", visitor.Find(".zone[data-zone=nape]").GetAttribute("aria-label")!, StringComparison.Ordinal);
        // On a head that cannot be prescribed yet, too.
        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription");
        await visitor.Send("#sitting", "?handler=Preview", ("zones.nape.regrowthMm", "12,5"), ("hair.naturalLevel", ""));
        Assert.Contains("Not enough to prescribe yet", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("Hair, natural level is needed", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("12.5 mm", visitor.Find(".zone[data-zone=nape]").GetAttribute("aria-label")!, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("client.reactions", "true", "Stop: no colour", "SA1")]
    [InlineData("hair.lengths.history", "metallic", "Stop: no colour", "SA4")]
    [InlineData("client.scalp", "sunburnt", "Stop: no colour", "SA3")]
    [InlineData("client.conditions", "rash", "Stop: no colour", "SA3")]
    [InlineData("client.chemicalServiceDaysAgo", "10", "Stop: no colour", "SA9")]
    [InlineData("goal.service", "lighten", "Only in the salon", "SA8")]
    [InlineData("goal.level", "9", "Only in the salon", "SV3")]
    public async Task A_fact_that_stops_is_seen_at_once(string field, string value, string verdict, string rule)
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription");
        await visitor.Send("#sitting", "?handler=Preview", (field, value));
        Assert.Equal(verdict, visitor.Find(".verdict h2").TextContent);
        Assert.Contains(rule, visitor.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_zone_left_out_is_out_of_the_drawing_and_the_clock()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription");
        Assert.Equal(9, visitor.Page.QuerySelectorAll(".lane-paint").Length);
        await visitor.Send("#sitting", "?handler=Preview", ("zones.nape.include", null));
        Assert.Equal(8, visitor.Page.QuerySelectorAll(".lane-paint").Length);
        Assert.Contains("out", visitor.Find(".zone[data-zone=nape]").ClassList);
        Assert.Equal("nape: left out", visitor.Find(".zone[data-zone=nape]").GetAttribute("aria-label"));
    }

    [Fact]
    public async Task Two_who_save_the_same_reading_both_keep_what_they_typed()
    {
        var (one, two) = (await Visitor.SignedIn(studio), await Visitor.SignedIn(studio));
        string page = $"/clients/{await studio.IdOf("Edda")}/prescription";
        await one.Open(page);
        await two.Open(page);
        await one.Send("#sitting", "?handler=Keep", ("hair.lengthCm", "41"));
        await two.Send("#sitting", "?handler=Keep", ("hair.lengthCm", "42"));
        Assert.Contains("Tove Marlin has saved reading", two.Find("[role=alert]").TextContent, StringComparison.Ordinal);
        Assert.Equal("42", two.Typed("hair.lengthCm"));
        await two.Send("#sitting", "?handler=Keep");
        Assert.DoesNotContain("prescription", two.Address, StringComparison.Ordinal);
        Assert.Equal("42", (await two.Open(page)).Typed("hair.lengthCm"));
    }

    [Fact]
    public async Task A_client_changed_by_two_is_refused_once_and_then_taken()
    {
        var (one, two) = (await Visitor.SignedIn(studio), await Visitor.SignedIn(studio));
        string page = $"/clients/{await studio.IdOf("Hedy")}/edit";
        await one.Open(page);
        await two.Open(page);
        await one.Send("main form", ("Note", "first"));
        await two.Send("main form", ("Note", "second"));
        Assert.Contains("changed this client meanwhile", two.Text, StringComparison.Ordinal);
        Assert.Equal("second", two.Typed("Note"));
        await two.Send("main form");
        Assert.Contains("second", two.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_post_without_the_forms_token_is_refused_in_words()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/clients/new");
        await visitor.Send("main form", ("__RequestVerificationToken", null), ("Name", "X"));
        Assert.Equal((HttpStatusCode.BadRequest, "Not taken"), (visitor.Status, visitor.Find("h1").TextContent));
    }

    [Fact]
    public async Task The_kit_sheet_weighs_what_was_prescribed_with_what_the_sachets_keep()
    {
        var visitor = await Visitor.SignedIn(studio);
        var kit = await studio.KitOf("Maren");
        var p = Core.Contract.Json.ReadPrescription((await studio.Kits.Frozen(kit.PrescriptionId))!.Document);
        await visitor.Open($"/kits/{kit.Id}");
        foreach (var pair in p.Formulas.SelectMany(f => f.Pairs))
        {
            Assert.Contains(pair.Parts[0].FillGrams.ToString(), visitor.Find(".weigh").TextContent, StringComparison.Ordinal);
            Assert.Contains(pair.DeveloperFillGrams.Tenths().ToString(), visitor.Find(".weigh").TextContent, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task An_exported_case_prescribes_what_was_signed()
    {
        var visitor = await Visitor.SignedIn(studio);
        var signed = (await studio.Kits.History(await studio.IdOf("Bettany")))[0];
        string document = await visitor.Download($"/prescriptions/{signed.Id}?handler=Case");
        var shelf = (Core.Shade.Shelf)studio.Services.GetService(typeof(Core.Shade.Shelf))!;
        var (found, errors) = Core.Contract.CaseReader.Read(document, shelf);
        Assert.Empty(errors);
        Assert.Equal(
            Core.Contract.Json.Write(Core.Contract.Json.ReadPrescription(await visitor.Download($"/prescriptions/{signed.Id}?handler=Answer"))),
            Core.Contract.Json.Write(Core.Prescriber.Prescribe(found!, shelf))
        );
    }

    [Fact]
    public async Task Every_answer_forbids_foreign_scripts()
    {
        var http = studio.CreateClient();
        var answer = await http.GetAsync("/signin");
        Assert.Contains("default-src 'self'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        string html = await answer.Content.ReadAsStringAsync();
        Assert.DoesNotContain("https://", html, StringComparison.Ordinal);
        Assert.DoesNotContain("style=\"", html, StringComparison.Ordinal);
    }
}

public sealed class HouseTests(Studio studio) : IClassFixture<Studio>
{
    [Theory]
    [InlineData("Level", "79", "80 to 98")]
    [InlineData("Level", "all", "80 to 98")]
    [InlineData("ScaleStep", "0", "0.01 to 5")]
    [InlineData("CostLeft", "none", "0.01 to 10000")]
    [InlineData("Name", "", "1 to 80")]
    public async Task A_wrong_house_value_is_answered_beside_the_field(string field, string value, string says)
    {
        var visitor = await (await Visitor.SignedIn(studio)).Open("/house");
        await visitor.Send("main form", (field, value));
        Assert.Contains(says, visitor.Find("main").TextContent, StringComparison.Ordinal);
        Assert.Equal(value, visitor.Typed(field));
    }

    [Fact]
    public async Task The_houses_costs_move_what_the_next_kit_sends_and_a_stale_page_is_refused_once()
    {
        var (one, two) = (await Visitor.SignedIn(studio), await Visitor.SignedIn(studio));
        string page = $"/clients/{await studio.IdOf("Lotte")}/prescription";
        string before = (await one.Open(page)).Find(".sent dd").TextContent;
        await one.Open("/house");
        await two.Open("/house");
        await one.Send("main form", ("CostShort", "19"), ("CostLeft", "1"));
        Assert.Contains("ask for 95 of 100", one.Text, StringComparison.Ordinal);
        string after = (await one.Open(page)).Find(".sent dd").TextContent;
        Assert.True(double.Parse(after[..^2]) > double.Parse(before[..^2]));
        Assert.Contains("95 of 100 such kits", one.Text, StringComparison.Ordinal);
        await two.Send("main form", ("Level", "85"));
        Assert.Contains("changed the house meanwhile", two.Text, StringComparison.Ordinal);
        Assert.Equal("85", two.Typed("Level"));
    }

    [Fact]
    public async Task The_clients_page_shows_what_her_hands_use()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Maren")}");
        string words = visitor.Find("svg.hands").GetAttribute("aria-label")!;
        Assert.Contains("kit 1: sent", words, StringComparison.Ordinal);
        Assert.Contains("used at least", words, StringComparison.Ordinal);
        Assert.Equal(3, visitor.Page.QuerySelectorAll(".hands-band").Length);
    }

    [Fact]
    public async Task Post_days_are_set_for_each_place()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/house/post");
        string add = "form:has([name=id][value='0'])";
        foreach (
            var (days, transit, name, says) in new (string?, string, string, string)[]
            {
                (null, "2", "Far Rock", "Tick at least one day"),
                ("Sunday", "15", "Far Rock", "0 to 14"),
                ("Sunday", "1.5", "Far Rock", "0 to 14"),
                ("Sunday", "2", "", "1 to 80 characters"),
                ("Sunday", "2", "Brannoc", "already"),
            }
        )
        {
            await visitor.Send(add, ("name", name), ("days", days), ("transit", transit));
            Assert.Contains(says, visitor.Text, StringComparison.Ordinal);
            Assert.Equal(name, visitor.Find(add + " [name=name]").GetAttribute("value"));
            Assert.Equal(transit, visitor.Find(add + " [name=transit]").GetAttribute("value"));
        }

        await visitor.Send(add, ("name", "Far Rock"), ("days", "Sunday"), ("transit", "3"));
        var rock = (await studio.Services.GetRequiredService<Store.Studios>().Destinations()).Single(d => d.Name == "Far Rock");
        Assert.Equal(DayOfWeek.Sunday, Assert.Single(rock.Days()));
        Assert.Equal(3, rock.TransitDays);
        await visitor.Send($"form:has([name=id][value='{rock.Id}'])", ("name", "Far Rock"), ("days", "Monday"), ("transit", "4"));
        Assert.Equal(4, (await studio.Services.GetRequiredService<Store.Studios>().Destinations()).Single(d => d.Name == "Far Rock").TransitDays);
    }

    [Fact]
    public async Task Regrowth_that_was_measured_teaches_her_rate_and_the_reckoned_one_left_standing_does_not()
    {
        var visitor = await Visitor.SignedIn(studio);
        var id = await studio.IdOf("Nuala");
        await visitor.Open($"/clients/{id}/prescription");
        string reckoned = visitor.Typed("zones.crown.regrowthMm")!;
        await visitor.Send("#sitting", "?handler=Keep");
        Assert.Empty(await studio.Clients.Grown(id));
        // As if that sitting had not been: the next begins from the same colour day.
        await studio.Db.Run("delete from reading where client_id = @id and version > 1", new { id });
        await visitor.Open($"/clients/{id}/prescription");
        (string, string?)[] measured = [.. Enum.GetValues<Core.Head.Zone>().Select(z => ($"zones.{Core.Contract.Json.Name(z)}.regrowthMm", (string?)"22"))];
        await visitor.Send("#sitting", "?handler=Keep", measured);
        var one = Assert.Single(await studio.Clients.Grown(id));
        Assert.Equal(22, one.Mm, 6);
        Assert.True(double.Parse(reckoned) < 22);
        await visitor.Open($"/clients/{id}");
        Assert.Contains("measured once", visitor.Text, StringComparison.Ordinal);
    }
}
