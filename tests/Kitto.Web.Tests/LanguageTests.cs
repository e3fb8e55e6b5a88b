using System.Text.RegularExpressions;
using System.Xml.Linq;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Kitto.Core.Clock;
using Kitto.Core.Safety;

namespace Kitto.Web.Tests;

/// <summary>Whoever reads Norwegian reads nothing else: every page, every complaint, the calendar, the phone's own words.</summary>
public sealed partial class LanguageTests(Studio studio) : IClassFixture<Studio>
{
    private static readonly string Web = Path.Combine(Root(), "src", "Kitto.Web");

    /// <summary>A kit of a client who reads Norwegian, posted.</summary>
    private async Task<(Store.Kit Kit, Visitor Client)> Kit(string name)
    {
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open("/clients/new");
        await colourist.Send("main form", ("Name", name), ("BirthDate", "1980-01-01"), ("Language", "nb"), ("SpokenOf", "they"));
        string sitting = colourist.Address;
        await colourist.Open(sitting.Replace("/prescription", "/answers", StringComparison.Ordinal));
        await colourist.Answer();
        await colourist.Open(sitting);
        await colourist.Send("#sitting", "?handler=Sign", [.. Visitor.OrdinaryHead]);
        await colourist.Send("form[action*=PackWithout]", ("why", "weighed by the paper"));
        await colourist.Send("form[action*=Move]");
        var kit = (await studio.Kits.Get(Guid.Parse(colourist.Address[6..])))!;
        return (kit, await new Visitor(studio).Open(await studio.LinkTo(kit)));
    }

    /// <summary>Everything a page says: its text, its labels, and what its scripts are handed.</summary>
    private static IEnumerable<string> Says(IHtmlDocument page)
    {
        foreach (var node in page.Body!.Descendants<IText>())
        {
            if (node.ParentElement is not IHtmlScriptElement && node.ParentElement?.LocalName is not "style" && node.Text.Trim() is { Length: > 0 } text)
            {
                yield return text;
            }
        }

        string[] spoken =
        [
            "aria-label",
            "placeholder",
            "alt",
            "title",
            "data-over",
            "data-ahead",
            "data-behind",
            "data-all",
            "data-told",
            "data-later",
            "data-sending",
        ];
        foreach (var (element, attribute) in page.All.SelectMany(e => spoken.Select(a => (e, a))))
        {
            if (element.GetAttribute(attribute) is { Length: > 0 } text)
            {
                yield return text;
            }
        }

        yield return page.Title!;
    }

    private static void OnlyNorwegian(Visitor visitor, string where, params string[] names)
    {
        Assert.Equal("nb", visitor.Page.DocumentElement.GetAttribute("lang"));
        foreach (string text in Says(visitor.Page))
        {
            string said = names.Aggregate(text, (t, n) => t.Replace(n, "", StringComparison.Ordinal));
            Assert.False(English().IsMatch(said), $"{where}: \"{text.Trim()}\"");
        }
    }

    [Fact]
    public async Task Every_part_of_a_guide_is_in_the_language_it_was_signed_in()
    {
        var (kit, client) = await Kit("Siv Lyngholm");
        string[] names = ["Siv", "Slipway Colour Studio", "Tove Marlin", "Lantern Cream"];
        OnlyNorwegian(client, "tests", names);
        await client.Send("[data-test^=skin] form", ("at", studio.Local(-30)));
        OnlyNorwegian(client, "a test ahead of time", names);
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        OnlyNorwegian(client, "watching", names);
        await studio.Later(kit, 49);
        await client.Open(client.Address);
        OnlyNorwegian(client, "to report", names);
        await client.Send("[data-test^=skin] form", ("result", "clear"));
        await client.Send("[data-test=strand] form", ("result", null));
        OnlyNorwegian(client, "strand without a result", names);
        await client.Send("[data-test=strand] form", ("result", "tooDark"), ("minutes", "35"));
        OnlyNorwegian(client, "strand too dark", names);
        await studio.Say.Say(kit, (r, k) => KitLife.Release(r, k, null, "looked", new Speaker(Guid.NewGuid(), DateTime.UtcNow, "Tove")));
        await studio.Later(kit, 2);
        await client.Open(client.Address);
        await client.Send("[data-test=strand] form", ("result", "right"), ("minutes", "35"));
        await studio.Say.Say(kit, (r, k) => KitLife.Release(r, k, null, "looked", new Speaker(Guid.NewGuid(), DateTime.UtcNow, "Tove")));
        await client.Open(client.Address);
        Assert.NotEmpty(client.Page.QuerySelectorAll("[data-step]"));
        OnlyNorwegian(client, "reading ahead", names);
        await client.Send("form[action*=Start]", ("colour", "no"));
        OnlyNorwegian(client, "doing", names);
        await client.Send("form[action*=End]");
        OnlyNorwegian(client, "rinsed", names);
        await client.Send("form[action*=Report]", ("minutes", "999"), ("leftGrams", "5000"), ("ranOut", "true"), ("reserve", "true"));
        OnlyNorwegian(client, "a report with everything wrong", names);
        await client.Send("form[action*=Burns]");
        OnlyNorwegian(client, "stopped", names);
        await studio.CloseLinks(kit);
        await client.Open(client.Address);
        OnlyNorwegian(client, "closed", names);
        await client.Open(client.Address + "/nothing");
        OnlyNorwegian(client, "not here", names);
    }

    [Fact]
    public async Task A_signed_guide_keeps_its_language_whatever_is_chosen_afterwards()
    {
        var (kit, client) = await Kit("Unn Vikholm");
        await client.Send("[data-test^=skin] form", ("at", studio.Local(0)));
        await studio.Clients.Speak(kit.ClientId, "name", "en");
        await client.Open(client.Address);
        OnlyNorwegian(client, "after the change", "Unn", "Slipway Colour Studio", "Lantern Cream");
        // The calendar of this kit goes with its guide; the messages from now on with the client.
        string calendar = await new HttpClientOf(studio).Text(client.Address + "/days.ics");
        Assert.Contains("Hudtest: se på flekken", calendar, StringComparison.Ordinal);
        Assert.DoesNotContain("Skin test", calendar, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_questions_are_asked_answered_and_complained_of_in_the_clients_language_and_take_down_the_word()
    {
        var (kit, _) = await Kit("Eir Solbakk");
        var link = "/ask/" + await studio.Links.ToAsk(kit.ClientId, DateTime.UtcNow);
        var client = await new Visitor(studio).Open(link);
        string[] names = ["Eir", "Slipway Colour Studio", "English", "Norsk"];
        OnlyNorwegian(client, "questions", names);
        await client.Send(".questions");
        OnlyNorwegian(client, "nothing answered", names);
        await client.Answer(".questions", ("none.pregnant", null), ("none.pregnancy", "true"), ("spokenOf", "he"), ("scalp", "broken"));
        OnlyNorwegian(client, "a stop", names);
        var stored = (await studio.Clients.Get(kit.ClientId))!;
        Assert.Equal(("he", "nb"), (stored.SpokenOf, stored.Language));
        await client.Open(client.Address);
        OnlyNorwegian(client, "answered", names);
        var colourist = await Visitor.SignedIn(studio);
        await colourist.Open($"/clients/{kit.ClientId}/answers");
        Assert.Contains("Does not apply", colourist.Text, StringComparison.Ordinal);
        Assert.Contains("Are you pregnant or breastfeeding?", colourist.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Messages_go_out_in_the_clients_language()
    {
        var (kit, _) = await Kit("Tuva Nesvik");
        await studio.Services.GetRequired<Today.ClientMessageSender>().Say(kit, ClientMessage.Posted);
        string body = (await studio.Db.One<string>("select subject || body from message where client_id = @ClientId", new { kit.ClientId }))!;
        Assert.Contains("Settet ditt er i posten", body, StringComparison.Ordinal);
        Assert.DoesNotMatch(English(), body.Replace("Slipway Colour Studio", "", StringComparison.Ordinal));
    }

    /// <summary>A sentence that pages or scripts say and a language lacks would be read in English.</summary>
    [Theory]
    [InlineData("ClientScripts", "*.js", @"\bsay\(\s*'((?:[^'\\]|\\.)*)'")]
    [InlineData("ClientPages", "*.cs*", @"\b(?:T|text)\[\s*""((?:[^""\\]|\\.)*)""")]
    public void Every_sentence_that_is_looked_up_stands_in_the_resources_and_none_besides(string resource, string files, string pattern)
    {
        var there = XDocument
            .Load(Path.Combine(Web, "Resources", resource + ".nb.resx"))
            .Root!.Elements("data")
            .ToDictionary(d => d.Attribute("name")!.Value, d => d.Element("value")!.Value);
        var asked = Directory
            .EnumerateFiles(resource == "ClientScripts" ? Path.Combine(Web, "front", "scripts", "guide") : Web, files, SearchOption.AllDirectories)
            .Where(f => !Regex.IsMatch(f, "/(obj|bin|node_modules|wwwroot|made)/"))
            .SelectMany(f => Regex.Matches(File.ReadAllText(f), pattern).Select(m => m.Groups[1].Value.Replace("\\\"", "\"", StringComparison.Ordinal)))
            .ToHashSet();
        Assert.Equal([], asked.Except(there.Keys));
        Assert.All(there, w => Assert.Equal(Gaps(w.Key), Gaps(w.Value)));
        static IEnumerable<string> Gaps(string words) => Regex.Matches(words, @"\{\d\}").Select(m => m.Value).Distinct().Order();
    }

    private static string Root()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "Kitto.slnx")))
        {
            at = at.Parent!;
        }

        return at.FullName;
    }

    [GeneratedRegex(
        @"\b(the|and|your|you|is|are|not|with|until|of|this|it|was|hair|colour|only|when|now|what|test is|step|page|left|right)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex English();
}
