using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Store;
using Kitto.Web.Learning;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>The study: heads to learn on, drills, rounds, and leave to sign.</summary>
public sealed class StudyTests(Studio studio) : IClassFixture<Studio>
{
    private LearningHeads Heads => studio.Services.GetRequiredService<LearningHeads>();

    private StudyRecord Record => studio.Services.GetRequiredService<StudyRecord>();

    private async Task<Guid> PersonOf(string name) => await studio.Db.One<Guid>("select id from person where display_name = @name", new { name });

    private static Guid HeadAt(Visitor visitor) => Guid.Parse(visitor.Address.Split('/')[^1]);

    /// <summary>What the engine would answer to the head that is open, as it is typed.</summary>
    private async Task<(string Name, string? Value)[]> RightAnswer(Guid id)
    {
        var head = Heads.Read((await Record.Get(id))!)!;
        var trial = Trial.Of(head);
        if (trial.Kit is not { } kit)
        {
            return [("decision", Json.Name(trial.Decision))];
        }

        string Text(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);
        return
        [
            ("decision", "kit"),
            ("service", Json.Name(kit.Service)),
            .. kit.Parts.SelectMany(
                (p, i) => new (string, string?)[] { ($"shade{i + 1}", $"{kit.Line}/{p.Shade}"), ($"share{i + 1}", Text(100 * p.Share.Value)) }
            ),
            ("developer", Text(kit.Developer.Value)),
            ("grams", Text(kit.Grams.Value)),
            ("order", Json.Name(kit.Order)),
            ("process", Text(kit.Process.Value)),
            ("skinTest", kit.SkinTest ? "true" : null),
            ("strandTest", kit.StrandTest ? "true" : null),
        ];
    }

    private static Task<Visitor> Begin(Visitor visitor, string kind) => visitor.Send($"form:has([value='{kind}'])");

    [Fact]
    public async Task A_head_is_judged_when_it_is_signed_and_never_again()
    {
        var learner = new Visitor(studio, await RightsTests.SomebodyOf(studio, Role.Learner, "ivo-dane"));
        await Begin(await learner.Open("/study"), "white");
        var id = HeadAt(learner);
        Assert.Empty(learner.FindAll(".judged"));
        Assert.DoesNotContain("natural 5", learner.Text, StringComparison.Ordinal);

        // Begun, it waits: another wish for a head leads back to it, and nobody else sees it.
        Assert.Equal(id, HeadAt(await Begin(await learner.Open("/study"), "lift")));
        var tove = await Visitor.SignedIn(studio);
        Assert.Equal(HttpStatusCode.NotFound, (await tove.Open($"/study/heads/{id}")).Status);

        await learner.Open($"/study/heads/{id}");
        await learner.Send("main form", await RightAnswer(id));
        Assert.Contains("100 of 100", learner.Find(".points").TextContent, StringComparison.Ordinal);
        Assert.Equal("Safe", learner.Find("#judged").TextContent);
        await learner.Send(".judged form");
        var second = HeadAt(learner);
        await learner.Send("main form", [.. (await RightAnswer(second)).Where(a => a.Name is not "decision"), ("decision", "stop")]);
        Assert.NotEqual("Safe", learner.Find("#judged").TextContent);
        Assert.Equal(2, (await Record.Signed(await PersonOf("ivo-dane"))).Count);

        // Looked at by the studio, and not to be signed again by anybody.
        Assert.Contains("100 of 100", (await tove.Open($"/study/heads/{id}")).Text, StringComparison.Ordinal);
        Assert.Empty(tove.FindAll(".trial-form"));

        // It is looked at as it was signed, whatever became of the shelf.
        var signed = (await Record.Get(id))!;
        Assert.Equal(signed.Document, StudyHead.Kept(signed.Seed, StudyKind.White, signed.Document, signed.Best!).Document);
        await learner.Open("/study/rules");
        Assert.Contains("right 1× in a row", learner.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_wrong_is_said_beside_its_field_and_what_was_typed_comes_back()
    {
        var visitor = await Visitor.SignedIn(studio);
        await Begin(await visitor.Open("/study"), "ownLevel");
        var id = HeadAt(visitor);
        (string Name, string? Value)[] typed =
        [
            ("read.white", "7,5"),
            ("decision", "kit"),
            ("service", "rootTouchUp"),
            ("shade1", "lantern-cream/5N"),
            ("share1", "100"),
            ("developer", "10"),
            ("grams", "62,5"),
            ("order", "backFirst"),
            ("process", "35"),
        ];
        foreach (
            var (field, value, says) in new[]
            {
                ("developer", "60", "0 to 40"),
                ("developer", "strong", "no number"),
                ("grams", "", "is needed"),
                ("process", "500", "0 to 120"),
                ("read.level", "11", "1 to 10"),
                ("share1", "70", "100 %"),
                ("shade1", "lantern-cream/99X", "not on the shelf"),
                ("shade2", "tidewash-gloss/5N", "one line"),
                ("order", "own", "worst first"),
                ("service", "shave", "root touch-up"),
                ("decision", "", "is needed"),
            }
        )
        {
            await visitor.Open($"/study/heads/{id}");
            await visitor.Send("main form", [.. typed.Where(t => t.Name != field), (field, value)]);
            string said = visitor.Find($"#f-{field.Replace('.', '-')}-error").TextContent;
            Assert.True(said.Contains(says, StringComparison.OrdinalIgnoreCase), $"{field} {value}: {said}");
            Assert.Equal("7,5", visitor.Typed("read.white"));
            if (field is not ("grams" or "shade1" or "shade2" or "order" or "service" or "decision"))
            {
                Assert.Equal(("62,5", value), (visitor.Typed("grams"), visitor.Typed(field)));
            }
        }

        Assert.Null((await Record.Get(id))!.SignedAt);
    }

    [Fact]
    public async Task The_parting_of_a_head_is_a_picture_for_who_may_see_the_head()
    {
        var visitor = await Visitor.SignedIn(studio);
        await Begin(await visitor.Open("/study"), "resistant");
        using var http = studio.CreateClient();
        await Visitor.SignedIn(studio, http);
        byte[] jpeg = await http.GetByteArrayAsync($"/study/heads/{HeadAt(visitor)}?handler=Picture");
        Assert.Equal((byte)0xFF, jpeg[0]);
        Assert.InRange(jpeg.Length, 10_000, 300_000);
    }

    [Fact]
    public async Task A_round_has_the_same_heads_for_all_and_shows_who_did_what_to_who_did_it()
    {
        var tove = await Visitor.SignedIn(studio);
        var ida = new Visitor(studio, await RightsTests.SomebodyOf(studio, Role.Colourist, "ida-vane"));
        await tove.Open("/study");
        await tove.Send("form.open-round", ("name", " "));
        Assert.Contains("1 to 80", tove.Text, StringComparison.Ordinal);
        await tove.Send("form.open-round", ("name", "Thursday <evening>"));
        string round = tove.Address;
        var seen = new List<string>();
        foreach (var visitor in new[] { tove, ida })
        {
            await visitor.Open(round);
            await visitor.Send("form[action*=Begin]");
            seen.Add((await Record.Get(HeadAt(visitor)))!.Document);
        }

        Assert.Equal(seen[0], seen[1]);
        await tove.Send("main form", await RightAnswer(HeadAt(tove)));
        await ida.Open(round);
        Assert.Contains("signed", ida.Find(".round td").TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("100", ida.Find(".round tbody").TextContent, StringComparison.Ordinal);
        await ida.Send("form[action*=Begin]");
        await ida.Send("main form", ("decision", "stop"));
        await ida.Open(round);
        Assert.Equal(2, ida.FindAll(".round tbody tr:first-child td a").Count);
        Assert.Equal("Thursday <evening>", ida.Find("h1").TextContent);
    }

    [Fact]
    public async Task A_head_of_the_past_bears_no_name_and_goes_with_its_client()
    {
        var bench = new Visitor(studio, await RightsTests.SomebodyOf(studio, Role.Bench, "weighs-heads"));
        await bench.Open("/study");
        Assert.Empty(bench.FindAll("[value=past]"));
        await bench.Send("form:has([value=lift])", ("kind", "past"));
        Assert.Equal(HttpStatusCode.Forbidden, bench.Status);

        var visitor = new Visitor(studio, await RightsTests.SomebodyOf(studio, Role.Colourist, "reads-past-heads"));
        await Begin(await visitor.Open("/study"), "past");
        var stored = (await Record.Get(HeadAt(visitor)))!;
        string whose = await studio.Db.One<string>("select name from client where id = @ClientId", new { stored.ClientId }) ?? "";
        Assert.NotEqual("", whose);
        string page = visitor.Find("main").InnerHtml;
        // A family name may be a word of the trade (Strand).
        foreach (string word in (string[])[whose, whose.Split(' ')[0], "forHer", "painting"])
        {
            Assert.DoesNotMatch($@"(?i)\b{word}\b", stored.Document);
            Assert.DoesNotMatch($@"\b{word}\b", page);
        }

        await studio.Db.Run("update client set erased_at = now() where id = @ClientId", new { stored.ClientId });
        Assert.Null(await Record.Get(stored.Id));
    }

    [Fact]
    public void What_was_written_in_somebodys_own_words_is_left_out_of_a_head_of_the_past()
    {
        string nameless = LearningHeads.Nameless(
            """{ "kitto": "case/1", "client": { "ageYears": 40, "conditions": ["eczema", "Wanda's cousin saw it"] }, "house": { "forHer": [{ "by": "Wanda" }] }, "plan": { "today": "2027-01-01" } }""",
            new JsonObject { ["serviceLevel"] = .9 }
        );
        Assert.DoesNotContain("Wanda", nameless, StringComparison.Ordinal);
        Assert.Contains("eczema", nameless, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_drill_tells_right_from_wrong_and_keeps_both()
    {
        var visitor = await Visitor.SignedIn(studio);
        var person = await PersonOf("Tove Marlin");
        int before = (await Record.Shown(person)).Count;
        foreach (string kind in Enum.GetValues<DrillKind>().Select(Json.Name))
        {
            await visitor.Open("/study/drills/" + kind);
            await visitor.Send(".drill-options", ("answer", "none of them"));
            Assert.Contains("Choose one of the", visitor.Text, StringComparison.Ordinal);
            string first = visitor.Find(".drill-options button").GetAttribute("value")!;
            await visitor.Send(".drill-options", ("answer", first));
            Assert.Single(visitor.FindAll(".told .right"));
        }

        Assert.Equal(before + 6, (await Record.Shown(person)).Count);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Open("/study/drills/juggling")).Status);
    }

    [Theory]
    [InlineData("1110111101", 1, 4)]
    [InlineData("", 0, 0)]
    [InlineData("111", 3, 3)]
    [InlineData("0", 0, 0)]
    public void Leave_is_given_once_so_many_heads_in_a_row_were_safe(string safe, int now, int most)
    {
        var stand = LeaveStand.Of(safe.Select(c => c == '1'));
        Assert.Equal((safe.Length, now, most), (stand.Heads, stand.Now, stand.Most));
        Assert.True(most == 0 || (stand.Given(most) && !stand.Given(most + 1)));
        Assert.False(stand.Given(null));
    }

    [Fact]
    public async Task Who_learns_proposes_until_enough_heads_were_safe_and_the_record_keeps_both_names()
    {
        var tove = await Visitor.SignedIn(studio);
        var learner = new Visitor(studio, await RightsTests.SomebodyOf(studio, Role.Learner, "sigrid-novice"));
        var person = await PersonOf("sigrid-novice");
        async Task<Guid> Client(string name)
        {
            await tove.Open("/clients/new");
            await tove.Send("main form", ("Name", name), ("BirthDate", "1970-01-01"));
            var id = await studio.IdOf(name);
            await tove.Open($"/clients/{id}/answers");
            await tove.Answer();
            return id;
        }

        async Task Sign(Visitor visitor, Guid id, params (string, string?)[] but)
        {
            await visitor.Open($"/clients/{id}/prescription");
            await visitor.Send("#sitting", "?handler=Sign", [.. Visitor.OrdinaryHead.Where(h => but.All(b => b.Item1 != h.Item1)), .. but]);
        }

        var first = await Client("Proposal One");
        await Sign(learner, first);
        Assert.Contains("who learns signs nothing", learner.Text, StringComparison.Ordinal);

        // The house lets who learns propose.
        await tove.Open("/house/people");
        await tove.Send("form.countersign", ("heads", "2.5"));
        Assert.Contains("a whole number, 1 to 200", tove.Text, StringComparison.Ordinal);
        Assert.Equal("2.5", tove.Shown("#heads"));
        await tove.Send("form.countersign", ("heads", "3"));
        await Sign(learner, first);
        Assert.Contains("waits for a countersignature", learner.Text, StringComparison.Ordinal);
        Assert.Empty(await studio.Kits.History(first));

        // Countersigned as it stands: both names.
        await tove.Open("/");
        Assert.Contains("sigrid-novice proposes", tove.Text, StringComparison.Ordinal);
        await tove.Open($"/clients/{first}/prescription?proposed");
        Assert.Equal("Countersign for sigrid-novice", tove.Find("#sign").TextContent);
        await tove.Send("#sitting", "?handler=Sign");
        var signed = Assert.Single(await studio.Kits.History(first));
        Assert.Equal(("sigrid-novice", "Tove Marlin"), (signed.SignedBy, signed.CountersignedBy));
        Assert.Contains("sigrid-novice, countersigned by Tove Marlin", (await tove.Open($"/prescriptions/{signed.Id}")).Text, StringComparison.Ordinal);

        // Changed: it is hers who changed it.
        var second = await Client("Proposal Two");
        await Sign(learner, second);
        await tove.Open($"/clients/{second}/prescription?proposed");
        await tove.Send("#sitting", "?handler=Sign", ("hair.lengthCm", "40"));
        var own = Assert.Single(await studio.Kits.History(second));
        Assert.Equal(("Tove Marlin", null), (own.SignedBy, own.CountersignedBy));
        Assert.Null(await studio.Services.GetRequiredService<Proposals>().Of(second));

        // What stops does not wait for anybody.
        var third = await Client("Proposal Three");
        await Sign(learner, third, ("client.reactions", "true"));
        Assert.Equal("stop", Assert.Single(await studio.Kits.History(third)).Decision);
        Assert.NotEmpty((await studio.Safety.Of(third)).Stops);

        // Three safe heads in a row, and nobody has to countersign.
        for (int i = 0; i < 3; i++)
        {
            await learner.Open("/study");
            await learner.Send("form:has([value='leave'])");
            await learner.Send("main form", await RightAnswer(HeadAt(learner)));
        }

        Assert.Equal(new LeaveStand(3, 3, 3), await Heads.Leave(person));
        var fourth = await Client("Proposal Four");
        await Sign(learner, fourth);
        Assert.Equal("sigrid-novice", Assert.Single(await studio.Kits.History(fourth)).SignedBy);
    }
}
