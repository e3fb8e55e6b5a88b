using Kitto.Core.Rules;

namespace Kitto.Web.Tests;

/// <summary>The page of rules and the house's ways, on a studio of their own.</summary>
public sealed class RulesTests(Studio studio) : IClassFixture<Studio>
{
    [Fact]
    public async Task Every_rule_is_on_the_page_and_is_found_by_its_words()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/house/rules");
        Assert.Equal(RuleBook.All.Count, visitor.FindAll(".rule").Count);
        Assert.All(RuleBook.All.Where(r => r.Kind == RuleKind.Stop), r => Assert.Empty(visitor.Find("#" + r.Id).QuerySelectorAll("select, input")));
        await visitor.Open("/house/rules?find=ash+white");
        Assert.Contains("SH6", visitor.FindAll(".rule-id").Select(r => r.TextContent));
        await visitor.Open("/house/rules?find=%3Cscript%3E");
        Assert.Contains("No rule holds these words", visitor.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_houses_way_moves_the_next_prescription_and_a_wrong_or_stale_one_is_refused()
    {
        var visitor = await Visitor.SignedIn(studio);
        string sitting = $"/clients/{await studio.IdOf("Lotte")}/prescription";
        await visitor.Open("/house/rules?find=TM2");
        string version = visitor.Find("[name=version]").GetAttribute("value")!;
        await visitor.Send("form[method=post]:not([action])", ("school.TM2", "sometimes"));
        Assert.Contains("has no way", visitor.Text, StringComparison.Ordinal);
        await visitor.Open("/house/rules?find=TM2");
        await visitor.Send("form[method=post]:not([action])", ("school.TM2", "firstStroke"));
        Assert.Contains("Kept.", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("The house times from the first stroke", (await visitor.Open(sitting)).Text, StringComparison.Ordinal);
        await visitor.Open("/house/rules?find=TM2");
        await visitor.Send("form[method=post]:not([action])", ("school.TM2", "lastStroke"), ("version", version));
        Assert.Contains("Someone else has changed", visitor.Text, StringComparison.Ordinal);
        await visitor.Open("/house/rules?find=TM2");
        await visitor.Send("form[method=post]:not([action])", ("school.TM2", "lastStroke"));
        Assert.DoesNotContain("from the first stroke;", (await visitor.Open(sitting)).Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_decided_for_her_stands_in_her_prescription_and_can_be_given_back()
    {
        var visitor = await Visitor.SignedIn(studio);
        string page = $"/clients/{await studio.IdOf("Maren")}",
            sitting = page + "/prescription";
        await visitor.Open(page);
        Assert.DoesNotContain(
            visitor.FindAll("#way option").Select(o => o.GetAttribute("value")),
            v => v!.StartsWith("SA1:", StringComparison.Ordinal) || v.StartsWith("SA7:", StringComparison.Ordinal)
        );
        await visitor.Send(".theirs-new", ("way", "TM2:firstStroke"), ("reason", " "));
        Assert.Contains("Say why", visitor.Text, StringComparison.Ordinal);
        Assert.Equal("TM2:firstStroke", visitor.Typed("way"));
        await visitor.Send(".theirs-new", ("way", "SA1:taken"), ("reason", "she insists"));
        Assert.Contains("Choose what is to be different", visitor.Text, StringComparison.Ordinal);
        await visitor.Open(page);
        await visitor.Send(".theirs-new", ("way", "TM2:firstStroke"), ("reason", "her line's leaflet <says> so"));
        Assert.Contains("her line's leaflet <says> so", visitor.Find(".theirs").TextContent, StringComparison.Ordinal);
        await visitor.Open(sitting);
        Assert.Contains("her line's leaflet <says> so", visitor.Find(".about-hers").TextContent, StringComparison.Ordinal);
        Assert.Contains("Tove Marlin", visitor.Find(".about-hers").TextContent, StringComparison.Ordinal);
        await visitor.Open(page);
        await visitor.Send(".theirs-line", ("back", "TM2"));
        Assert.Empty(visitor.FindAll(".theirs-line"));
        await visitor.Open(sitting);
        Assert.Empty(visitor.FindAll(".about-hers"));
    }
}
