using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store.Commands;

namespace Kitto.Web.Tests;

/// <summary>What clients answer, and what it does to kits that are planned and kits that are out.</summary>
public sealed class AnswersTests(Studio studio) : IClassFixture<Studio>
{
    private async Task<(Guid Id, Visitor Colourist, Visitor Client)> Asked(string name)
    {
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open("/clients/new");
        await colourist.Send("main form", ("Name", name), ("BirthDate", "1980-01-01"));
        var id = Guid.Parse(colourist.Address.Split('/')[2]);
        return (id, colourist, await new Visitor(studio).Open(await Link(id)));
    }

    private async Task<string> Link(Guid id) => "/ask/" + await studio.Links.ToAsk(id, studio.Clock.GetUtcNow().UtcDateTime);

    private static async Task Sign(Visitor colourist, Guid id, params (string, string?)[] but)
    {
        await colourist.Open($"/clients/{id}/prescription");
        await colourist.Send("#sitting", "?handler=Sign", [.. Visitor.OrdinaryHead, .. but]);
    }

    [Fact]
    public async Task Nothing_is_taken_as_no_and_what_was_typed_comes_back()
    {
        var (id, _, client) = await Asked("Quiet Quinn");
        await client.Send(".questions", ("birthDate", "2030-01-01"), ("other", "Peanuts."), ("put.0.what", "henna"), ("put.0.year", "19x9"));
        string[] open =
        [
            .. client
                .FindAll(".question .error")
                .Where(e => e.TextContent.Length > 0)
                .Select(e => e.Closest("[data-question]")!.GetAttribute("data-question")!),
        ];
        Assert.Equal(["birthDate", "reactions", "blackHenna", "scalp", "skin", "pregnant", "since", "putOn", "damage", "reading"], open);
        Assert.Equal("Peanuts.", client.Typed("other"));
        Assert.Equal("19x9", client.Typed("put.0.year"));
        Assert.Empty(await studio.Answers.Of(id));
        await client.Answer(".questions", ("birthDate", "1980-01-01"), ("none.skin", "true"), ("is.asthma", "true"));
        Assert.Contains("Remove one of them", client.Find("[data-question=skin] .error").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_link_takes_one_answer_and_today_shows_it_until_it_is_read()
    {
        var (id, colourist, client) = await Asked("Linnea Once");
        string link = client.Address;
        await client.Answer();
        Assert.Contains("Thank you", client.Text, StringComparison.Ordinal);
        // Loaded again, or sent again by a phone that had no network, it says the same; the answers are one.
        await client.Open(link);
        Assert.Contains("Thank you", client.Text, StringComparison.Ordinal);
        await new Visitor(studio).Open(link);
        Assert.Single(await studio.Answers.Of(id));
        studio.Clock.Ahead = TimeSpan.FromHours(25);
        await client.Open(link);
        Assert.Equal(System.Net.HttpStatusCode.Gone, client.Status);
        studio.Clock.Ahead = TimeSpan.Zero;
        await colourist.Open("/");
        Assert.Contains("Linnea Once", colourist.Text, StringComparison.Ordinal);
        await colourist.Open($"/clients/{id}/answers");
        await colourist.Send("form[action*=Seen]");
        await colourist.Open("/");
        Assert.DoesNotContain("Linnea Once", colourist.Text, StringComparison.Ordinal);
        await client.Open("/ask/AAAAAAAAAAAAAAAAAAAAAA");
        Assert.Equal(System.Net.HttpStatusCode.Gone, client.Status);
        // A link to questions is no link to a guide, nor the other way round.
        await client.Open((await Link(id)).Replace("/ask/", "/g/", StringComparison.Ordinal));
        Assert.Equal(System.Net.HttpStatusCode.Gone, client.Status);
    }

    [Theory]
    [InlineData("SA1", "reactions", "yes")]
    [InlineData("SA1", "blackHenna", "yes")]
    [InlineData("SA2", "birthDate", "2015-06-01")]
    [InlineData("SA3", "scalp", "inflamed")]
    [InlineData("SA3", "is.wound", "true", "none.hairline")]
    [InlineData("SA4", "put.0.what", "metallic")]
    [InlineData("SA4", "put.0.what", "henna")]
    [InlineData("SA9", "is.breakage", "true", "none.damage")]
    public async Task An_answer_that_stops_stops_the_kit_that_is_out_and_the_next_one(string rule, string field, string value, string? notNone = null)
    {
        var (id, colourist, client) = await Asked($"Stopp {field} {value}");
        await client.Answer();
        await Sign(colourist, id);
        Assert.StartsWith("/kits/", colourist.Address, StringComparison.Ordinal);
        var kit = Guid.Parse(colourist.Address[6..]);
        var guide = await new Visitor(studio).Open(await studio.LinkTo((await studio.Kits.Get(kit))!));
        Assert.Contains("Before your colour day", guide.Text, StringComparison.Ordinal);
        // A sitting that was opened before the answer comes in.
        await colourist.Open($"/clients/{id}/prescription");

        await client.Open(await Link(id));
        (string, string?)[] but = notNone is null ? [(field, value)] : [(field, value), (notNone, null)];
        await client.Answer(".questions", but);
        Assert.Contains("No colour for now", client.Text, StringComparison.Ordinal);
        Assert.Equal("stopped", (await studio.Kits.Get(kit))!.State);
        await guide.Open(guide.Address);
        Assert.Contains("Do not use anything", guide.Text, StringComparison.Ordinal);
        await colourist.Send(
            "#sitting",
            "?handler=Sign",
            ("client.reactions", null),
            ("client.blackHenna", null),
            ("client.scalp", "sound"),
            ("client.conditions", ""),
            ("hair.lengths.history", "permanent"),
            ("confirmed", "true")
        );
        var last = (await studio.Kits.History(id))[0];
        Assert.Equal("stop", last.Decision);
        Assert.Contains(Json.ReadPrescription(last.Document).Because, b => b.Rule == rule && b.About == Topic.Stop);
        await colourist.Open("/");
        Assert.Contains(rule, colourist.Find(".today-group.alarm").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_reaction_once_answered_stays_whatever_is_answered_later()
    {
        var (id, colourist, client) = await Asked("Everly Forgood");
        await client.Answer(".questions", ("reactions", "yes"));
        await colourist.Open($"/clients/{id}/answers");
        await colourist.Answer(".questions", ("reactions", "no"));
        Assert.Contains("keep it on your record", colourist.Text, StringComparison.Ordinal);
        // Forged past the form, it still holds.
        var last = (await studio.Answers.Of(id))[0];
        await studio.Sittings.Answer(
            id,
            new KeptAnswers(last.Id, last.Document.Replace("\"reactions\": true", "\"reactions\": false", StringComparison.Ordinal), false, []),
            studio.Clock.GetUtcNow().UtcDateTime,
            null,
            "client"
        );
        await Sign(colourist, id);
        Assert.Equal("stop", (await studio.Kits.History(id))[0].Decision);
    }

    [Fact]
    public async Task Something_new_asks_for_a_new_skin_test_and_the_steps_close_again()
    {
        var (id, colourist, client) = await Asked("Nova Medicine");
        await client.Answer();
        await Sign(colourist, id);
        var kit = (await studio.Kits.Get(Guid.Parse(colourist.Address[6..])))!;
        await studio.Db.Run(
            "update kit set state = 'posted', packed_at = now() - interval '5 days', posted_at = now() - interval '4 days' where id = @Id",
            new { kit.Id }
        );
        async Task Tested(double daysAgo)
        {
            var (on, at) = (Guid.NewGuid(), studio.Clock.GetUtcNow().UtcDateTime.AddDays(-daysAgo));
            foreach (
                var rule in new Func<SafetyRecord, GateKit, Taken>[]
                {
                    (r, k) => KitLife.PutOn(r, k, "lantern-cream", at, new Speaker(on, at, Speaker.Client)),
                    (r, k) => KitLife.SkinClear(r, k, on, new Speaker(Guid.NewGuid(), at.AddHours(48), Speaker.Client)),
                    (r, k) => KitLife.Strand(r, k, StrandResult.Right, 35, new Speaker(Guid.NewGuid(), at.AddHours(49), Speaker.Client)),
                }
            )
            {
                Assert.Null(await studio.Say.Say((await studio.Kits.Get(kit.Id))!, rule));
            }
        }

        await Tested(3);
        var guide = await new Visitor(studio).Open(await studio.LinkTo(kit));
        Assert.NotEmpty(guide.FindAll("[data-step]"));
        await client.Open(await Link(id));
        await client.Answer(".questions", ("is.newTattoo", "true"), ("none.since", null));
        await guide.Open(guide.Address);
        Assert.Empty(guide.FindAll("[data-step]"));
        await colourist.Open($"/clients/{id}/answers");
        Assert.Contains("a new tattoo", colourist.Find(".changes").TextContent, StringComparison.Ordinal);
        // A test put on after the news counts.
        await Tested(-.01);
        studio.Clock.Ahead += TimeSpan.FromDays(2.1);
        await guide.Open(guide.Address);
        Assert.NotEmpty(guide.FindAll("[data-step]"));
        studio.Clock.Ahead = TimeSpan.Zero;
    }

    [Fact]
    public async Task Answers_given_in_two_places_at_once_are_not_lost_in_silence()
    {
        var (id, colourist, client) = await Asked("Twice Told");
        await colourist.Open($"/clients/{id}/answers");
        await client.Answer(".questions", ("other", "from her"));
        await colourist.Answer(".questions", ("other", "from us"));
        Assert.Contains("Other answers have come in meanwhile", colourist.Text, StringComparison.Ordinal);
        Assert.Equal("from us", colourist.Typed("other"));
        Assert.Single(await studio.Answers.Of(id));
    }

    [Fact]
    public async Task A_kit_signed_from_an_older_reading_is_not_packed_until_the_newer_is_signed()
    {
        var (id, colourist, client) = await Asked("Rona Reread");
        await client.Answer();
        await Sign(colourist, id);
        string kit = colourist.Address;
        await colourist.Open($"/clients/{id}/prescription");
        await colourist.Send("#sitting", "?handler=Keep", ("zones.crown.greyPercent", "70"));
        await colourist.Open(kit);
        Assert.Contains("The head was read again since", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("form[action*=PackWithout]", ("why", "by the paper"));
        Assert.Contains("Sign the new reading", colourist.Text, StringComparison.Ordinal);
        await colourist.Open("/bench/" + kit[6..]);
        Assert.Contains("The head was read again", colourist.Text, StringComparison.Ordinal);
        Assert.Empty(colourist.FindAll("#pour-form"));
        Assert.Equal("signed", (await studio.Kits.Get(Guid.Parse(kit[6..])))!.State);
        await colourist.Open($"/clients/{id}/prescription");
        await colourist.Send("#sitting", "?handler=Sign", ("confirmed", "true"));
        Assert.Equal("closed", (await studio.Kits.Get(Guid.Parse(kit[6..])))!.State);
        await colourist.Send("form[action*=PackWithout]", ("why", "by the paper"));
        Assert.Equal("packed", (await studio.Kits.Get(Guid.Parse(colourist.Address.Split('?')[0][6..])))!.State);
        // A stop that is only kept, not signed, stops what is out.
        await colourist.Open($"/clients/{id}/prescription");
        await colourist.Send("#sitting", "?handler=Keep", ("client.scalp", "sunburnt"));
        Assert.Equal("stopped", await studio.Db.One<string>("select string_agg(distinct state, ',') from open_kit where client_id = @id", new { id }));
    }
}
