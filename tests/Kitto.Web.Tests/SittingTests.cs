using System.Net;
using System.Text.Json;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Sittings;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>The sitting's own ways: last time's head weeks on, what another way would come to, two versions, and a record that is never stale.</summary>
public sealed class SittingTests(Studio studio) : IClassFixture<Studio>
{
    private CaseBuilder Cases => studio.Services.GetRequiredService<CaseBuilder>();

    private DateTime Now => studio.Clock.GetUtcNow().UtcDateTime;

    [Fact]
    public async Task A_record_is_read_again_as_soon_as_anything_of_it_was_written_and_not_before()
    {
        var id = await studio.IdOf("Odile");
        var kit = await studio.KitOf("Odile");
        var by = await studio.Db.One<Guid>("select id from person limit 1");
        var client = (await studio.Clients.Get(id))!;
        var studios = studio.Services.GetRequiredService<Studios>();
        var house = (await studios.Get())!;
        async Task<ClientRecord> Load() => (await Cases.Load(id))!;

        (string What, Func<Task> Write, Func<ClientRecord, object?> Shows)[] writes =
        [
            ("her name", () => studio.Sittings.Save(client with { Name = "Odile Farrow-Quay" }, [], Now, "Tove"), r => r.Client.Name),
            ("the house", async () => await studios.Save(house with { ServiceLevel = .93 }), r => r.Studio.ServiceLevel),
            ("post days", () => studios.SaveDestination(client.DestinationId, client.Destination, [DayOfWeek.Sunday], 2), r => r.Destination.PostDays),
            (
                "a reading",
                async () =>
                    await studio.Sittings.Keep(
                        new KeptReading(id, (await Load()).Reading!.Version, (await Load()).Reading!.Document, by, "Tove", Now, null, [])
                    ),
                r => r.Reading!.Version
            ),
            ("a way of hers", () => studio.Services.GetRequiredService<Ways>().Decide(id, "TM2", "firstStroke", "fast", by, Now), r => r.Ways.Count),
            (
                "answers",
                async () =>
                    await studio.Sittings.Answer(
                        id,
                        new KeptAnswers(
                            (await Load()).Answers is [var last, ..] ? last.Id : 0,
                            (await studio.Answers.Of(await studio.IdOf("Nuala")))[0].Document,
                            true,
                            []
                        ),
                        Now,
                        null,
                        "client"
                    ),
                r => r.Answers.Count
            ),
            ("answers seen", async () => await studio.Answers.Seen(id, (await Load()).Answers[0].Id, by, Now), r => r.Answers[0].SeenAt),
            (
                "a strand",
                () => studio.Say.Say(kit, (r, k) => KitLife.Strand(r, k, StrandResult.TooDark, 35, new Speaker(Guid.NewGuid(), Now, Speaker.Client))),
                r => r.Safety.Events.Count
            ),
            ("a reaction", () => studio.Say.Say(id, r => KitLife.React(new Speaker(Guid.NewGuid(), Now, Speaker.Client), kit.Id, "itches")), r => r.Reacted),
            (
                "a report",
                () =>
                    studio.Say.Report(
                        kit,
                        new OutcomeReport(kit.Id, DateOnly.FromDateTime(Now), "full", "right", "right", 5, false, true, "nothing", null, "", Now, null),
                        null
                    ),
                r => r.Reported.Count
            ),
        ];
        foreach (var (what, write, shows) in writes)
        {
            var before = await Load();
            Assert.True(ReferenceEquals(before.Prescriptions, (await Load()).Prescriptions), $"read again before {what}");
            await write();
            Assert.False(Equals(shows(before), shows(await Load())), $"{what} is not seen");
        }
    }

    [Fact]
    public async Task Last_times_head_so_many_weeks_on_is_what_grows_in_them()
    {
        var visitor = await Visitor.SignedIn(studio);
        string sitting = $"/clients/{await studio.IdOf("Sunniva")}/prescription";
        var record = (await Cases.Load(await studio.IdOf("Sunniva")))!;
        var then = record.Reported[0].Head;
        var rate = GrowthRate.Learned(record.Grown);
        foreach (int weeks in new[] { 1, 4, 16 })
        {
            var head = JsonSerializer.Deserialize<Dictionary<string, string>>(await visitor.Download($"{sitting}?handler=WeeksOn&weeks={weeks}"))!;
            Assert.Equal(45, head.Count);
            Assert.Equal(rate.Over(weeks * 7).Value, double.Parse(head["zones.crown.regrowthMm"], System.Globalization.CultureInfo.InvariantCulture), .51);
            Assert.Equal(then.Zones[(int)Zone.LeftTemple].Resistant ? "true" : "", head["zones.leftTemple.resistant"]);
            Assert.Equal(
                then.Zones[(int)Zone.Nape].Grey.Percent,
                double.Parse(head["zones.nape.greyPercent"], System.Globalization.CultureInfo.InvariantCulture),
                .06
            );
        }

        foreach (string wrong in new[] { "0", "53", "-4", "soon" })
        {
            await visitor.Open($"{sitting}?handler=WeeksOn&weeks={wrong}");
            Assert.Equal(HttpStatusCode.BadRequest, visitor.Status);
        }

        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription?handler=WeeksOn&weeks=4");
        Assert.Equal(HttpStatusCode.NotFound, visitor.Status);
    }

    [Fact]
    public async Task A_day_that_has_passed_is_not_wished_for_again()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Wilma")}/prescription");
        Assert.Equal("", visitor.Typed("plan.wantBy"));
        Assert.Contains("has passed", visitor.Find("#state").TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(visitor.FindAll(".formula"));
    }

    [Fact]
    public async Task A_why_names_rule_numbers_school_and_who_chose_it()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/house/rules?find=DO10");
        await visitor.Send("form[method=post]:not([action])", ("school.DO10", "onePair"));
        string sitting = $"/clients/{await studio.IdOf("Wilma")}/prescription";
        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=Preview", ("why", "quantity"));
        string panel = visitor.Find(".why-panel").TextContent;
        Assert.Contains("Why so much", panel, StringComparison.Ordinal);
        Assert.Contains("film on the scalp", panel, StringComparison.Ordinal);
        Assert.DoesNotContain("20 vol", panel, StringComparison.Ordinal);

        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=WhatIf", ("why", "quantity"));
        Assert.Contains("a main pair and a sealed reserve", visitor.Text, StringComparison.Ordinal);
        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=Preview", ("why", "clock"));
        Assert.Contains("Nobody has chosen otherwise", visitor.Find(".why-panel").TextContent, StringComparison.Ordinal);
        await visitor.Open("/house/rules?find=DO10");
        await visitor.Send("form[method=post]:not([action])", ("school.DO10", "mainAndReserve"));
        var choices = await studio.Services.GetRequiredService<Studios>().Choices();
        Assert.Equal(("mainAndReserve", "Tove Marlin"), choices.Where(c => c.Rule == "DO10").Select(c => (c.Way, c.ChosenBy)).Single());
        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=Preview", ("why", "quantity"));
        Assert.Contains("Chosen by Tove Marlin", visitor.Find(".why-panel").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_why_that_is_none_and_a_head_that_is_not_read_change_nothing()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Wilma")}/prescription");
        await visitor.Send("#sitting", "?handler=Preview", ("why", "<b>"));
        Assert.Empty(visitor.FindAll(".why-panel"));
        await visitor.Open($"/clients/{await studio.IdOf("Hedy")}/prescription");
        await visitor.Send("#sitting", "?handler=WhatIf", ("why", "clock"));
        Assert.Equal(HttpStatusCode.OK, visitor.Status);
    }

    [Fact]
    public async Task Two_versions_show_what_moved_and_a_version_of_someone_else_is_not_found()
    {
        var visitor = await Visitor.SignedIn(studio);
        var (maren, sunniva) = (await studio.IdOf("Maren"), await studio.IdOf("Sunniva"));
        var kits = await studio.Kits.History(maren);
        await visitor.Open($"/clients/{maren}/beside?then={kits[1].Id}&now={kits[0].Id}");
        Assert.NotEmpty(visitor.FindAll("tr.moved"));
        Assert.Equal(2, visitor.FindAll(".two-heads .head").Count);
        // Patterns of two heads on one page keep apart.
        var ids = visitor.FindAll("[id]").Select(e => e.Id).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        await visitor.Open($"/clients/{maren}/beside?then={kits[0].Id}&now={kits[0].Id}");
        Assert.Empty(visitor.FindAll("tr.moved"));
        Assert.Contains("nothing", visitor.Find(".lead-in").TextContent, StringComparison.Ordinal);
        await visitor.Open($"/clients/{sunniva}/beside?then={kits[0].Id}");
        Assert.Equal(HttpStatusCode.NotFound, visitor.Status);
    }

    [Theory]
    [InlineData("5N:1 @10", "10 vol")]
    [InlineData("5N:1 @12.5", "12.5 vol")]
    [InlineData("5N:1 @strong", "must be a number")]
    [InlineData("5N:1 @90", "0 to 40")]
    public async Task A_strength_set_by_hand_goes_with_the_mix_or_is_refused_in_words(string mix, string says)
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open($"/clients/{await studio.IdOf("Lotte")}/prescription");
        await visitor.Send("#sitting", "?handler=Preview", ("mix", mix));
        Assert.Contains(says, visitor.Find(".verdict").TextContent, StringComparison.Ordinal);
    }
}
