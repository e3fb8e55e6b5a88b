using System.Net;
using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Web.Shelves;
using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>Strand, mixes and shelf, on a studio of their own: stock is changed here. Each test has a client of its own, whose head is Lotte's.</summary>
public sealed class ColourTests(Studio studio) : IClassFixture<Studio>
{
    private static readonly (string, string?)[] Lotte =
    [
        .. Leaves(JsonNode.Parse(File.ReadAllText(Path.Combine(Kitto.Tests.Project.Root, "data", "demo", "lotte.json")))!.AsObject(), "")
            .Where(f => !f.Path.StartsWith("plan.", StringComparison.Ordinal) && f.Path != "kitto" && f.Path != "client.ageYears")
            .Select(f => (f.Path, (string?)f.Value)),
    ];

    /// <summary>Facts of a case as fields of the page have them.</summary>
    private static IEnumerable<(string Path, string Value)> Leaves(JsonObject from, string under) =>
        from.SelectMany(p => p.Value is JsonObject inner ? Leaves(inner, $"{under}{p.Key}.") : [($"{under}{p.Key}", p.Value!.ToString())]);

    private async Task<Visitor> Sitting(params (string, string?)[] facts)
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/clients/new");
        await visitor.Send("main form", ("Name", $"Lotte {Guid.NewGuid():N}"[..16]), ("BirthDate", "1981-01-01"));
        string sitting = visitor.Address;
        await visitor.Open(sitting.Replace("/prescription", "/answers", StringComparison.Ordinal));
        await visitor.Answer();
        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=Preview", [.. Lotte.Where(l => facts.All(f => f.Item1 != l.Item1)), .. facts]);
        return visitor;
    }

    /// <summary>The page of a sitting, loaded again.</summary>
    private static Task<Visitor> Again(Visitor visitor) => visitor.Open(visitor.Address.Split('?')[0]);

    [Fact]
    public async Task The_strand_is_that_of_the_picked_zone_in_the_colours_of_the_forecast()
    {
        var visitor = await Sitting(("look", "nape"), ("zones.nape.regrowthMm", "23"));
        var strand = visitor.Find(".strand");
        Assert.Contains("nape: 23 mm", strand.GetAttribute("aria-label")!, StringComparison.Ordinal);
        Assert.Equal("23", visitor.Find("#line-handle").GetAttribute("aria-valuenow"));
        Assert.True(strand.QuerySelectorAll(".fibre").Select(f => f.GetAttribute("stroke")).Distinct().Count() >= 3);
        Assert.Contains("A screen is not a swatch", visitor.Text, StringComparison.Ordinal);
        Assert.Contains(" bare", strand.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_mix_taken_from_the_tray_is_weighed_out_and_signed_as_made_by_hand()
    {
        var visitor = await Sitting();
        var mixes = visitor.FindAll(".mix");
        Assert.True(mixes.Count >= 2);
        Assert.Equal("true", mixes[0].GetAttribute("aria-pressed"));
        string other = mixes[1].GetAttribute("data-mix")!;
        await Again(visitor);
        await visitor.Send("#sitting", "?handler=Preview", [.. Lotte, ("mix", other)]);
        Assert.Equal(other, visitor.Find(".mix[aria-pressed=true]").GetAttribute("data-mix"));
        Assert.Contains("made by hand", visitor.Find(".mix[aria-pressed=true]").TextContent, StringComparison.Ordinal);
        await Again(visitor);
        var client = Guid.Parse(visitor.Address.Split('/')[2]);
        await visitor.Send("#sitting", "?handler=Sign", [.. Lotte, ("mix", other)]);
        var signed = (await studio.Kits.History(client))[0];
        Assert.Equal(
            other.Split(' ').Select(p => p.Split(':')[0]).Order(),
            Json.ReadPrescription(signed.Document).Formulas[0].Parts.Select(p => p.Shade).Order()
        );
        Assert.True(CaseReader.Read(signed.CaseDocument, studio.Services.GetRequiredService<Shelf>()).Case!.Formula!.HandMade);
    }

    [Theory]
    [InlineData("5N:0.5", "add up to 0.5")]
    [InlineData("5N:0.5 9Z:0.5", "is not a shade code")]
    [InlineData("5N:x", "is needed")]
    [InlineData("7V:0.5 11N:0.5", "does not have")]
    public async Task A_mix_that_is_none_is_refused_in_words(string mix, string says)
    {
        var visitor = await Sitting(("mix", mix));
        Assert.Contains(says, visitor.Find(".missing-list").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_mix_made_by_hand_takes_no_salon_case_home()
    {
        var visitor = await Sitting(("goal.level", "9"), ("mix", "5N:1"));
        Assert.Contains("Only in the salon", visitor.Find(".verdict").TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_unticked_on_the_shelf_is_proposed_no_more_and_a_stale_shelf_is_refused()
    {
        var visitor = await Sitting();
        string first = visitor.Find(".mix[aria-pressed=true]").GetAttribute("data-mix")!.Split(':')[0];
        var line = studio.Services.GetRequiredService<Shelf>().Find("lantern-cream")!;
        var have = line.Shades.Select(s => s.Code).Where(c => c != first).Select(c => ("have", (string?)c)).ToArray();
        await visitor.Open("/shelf");
        string version = visitor.Find("form[action*='lantern-cream'] [name=version]").GetAttribute("value")!;
        await visitor.Send("form[action*='lantern-cream']", [("version", version), .. have]);
        Assert.Contains("shades in stock", visitor.Text, StringComparison.Ordinal);
        Assert.DoesNotContain(
            $"{first}:",
            string.Join(' ', (await Sitting()).FindAll(".mix").Select(m => m.GetAttribute("data-mix"))),
            StringComparison.Ordinal
        );
        await visitor.Send("form[action*='lantern-cream']", [("version", version), .. have]);
        Assert.Contains("Someone else has changed", visitor.Text, StringComparison.Ordinal);
        // As it was found, for whatever test comes next.
        await visitor.Open("/shelf");
        await visitor.Send("form[action*='lantern-cream']", [.. have, ("have", first)]);
        Assert.Contains($"{first}:", (await Sitting()).Find(".mix").GetAttribute("data-mix")!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_shelf_goes_out_and_comes_back_the_same_and_a_wrong_row_changes_nothing()
    {
        var visitor = await Visitor.SignedIn(studio);
        string csv = await visitor.Download("/shelf?handler=Csv");
        var shelf = studio.Services.GetRequiredService<Shelf>();
        Assert.Empty(ShelfCsv.Read(csv, shelf).Changed);
        Assert.Equal(1 + shelf.Lines.Sum(l => l.Shades.Count), csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);

        await visitor.Open("/shelf");
        await visitor.Upload(
            "wrong.csv",
            "line,shade,level,family,inStock\nhalyard-demi,5N,5,N,no\nnowhere,5N,5,N,yes\nhalyard-demi,5Q,,,yes\nhalyard-demi,6N,7,N,yes\nhalyard-demi,7N,7,N,perhaps\nhalyard-demi,5N,5,N,no\n"
        );
        foreach (string row in new[] { "Row 3: line is", "Row 4: shade is", "Row 5: level is 7", "Row 6: inStock is", "Row 7: 5N of halyard-demi stands" })
        {
            Assert.Contains(row, visitor.Text, StringComparison.Ordinal);
        }

        Assert.Empty(studio.Services.GetRequiredService<Shelf>().Find("halyard-demi")!.Out);
        await visitor.Upload("new.csv", "line;shade;inStock\nhalyard-demi;8AG;yes\nhalyard-demi;9N;no\n");
        var demi = studio.Services.GetRequiredService<Shelf>().Find("halyard-demi")!;
        Assert.NotNull(demi.Find("8AG"));
        Assert.Equal(["9N"], demi.Out);
    }

    [Fact]
    public async Task A_line_goes_out_and_comes_in_as_json_and_keeps_its_kind()
    {
        var visitor = await Visitor.SignedIn(studio);
        string json = await visitor.Download("/shelf?handler=Json&id=breakwater");
        Assert.Empty(CatalogueReader.ReadLine(json).Errors);
        await visitor.Open("/shelf");
        await visitor.Upload("l.json", json.Replace("\"lightener\"", "\"permanent\"", StringComparison.Ordinal));
        Assert.Contains("shades hold LT, but this is no lightener", visitor.Text, StringComparison.Ordinal);
        string gloss = await visitor.Download("/shelf?handler=Json&id=tidewash-gloss");
        await visitor.Open("/shelf");
        await visitor.Upload("l.json", gloss.Replace("\"gloss\"", "\"demi\"", StringComparison.Ordinal));
        Assert.Contains("keeps its kind", visitor.Text, StringComparison.Ordinal);
        await visitor.Upload("l.json", json.Replace("45", "450", StringComparison.Ordinal));
        Assert.Contains("processMinutes is 450", visitor.Text, StringComparison.Ordinal);
        await visitor.Upload(
            "l.json",
            json.Replace("\"breakwater\"", "\"millrace\"", StringComparison.Ordinal).Replace("\"Breakwater\"", "\"Millrace\"", StringComparison.Ordinal)
        );
        Assert.Contains("Millrace is on the shelf", visitor.Text, StringComparison.Ordinal);
        await visitor.Upload("l.json", "{ not json");
        Assert.Contains("not well-formed", visitor.Text, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, visitor.Status);
    }

    [Fact]
    public async Task Where_the_shelf_has_two_of_a_kind_the_house_says_which_is_taken()
    {
        var visitor = await Visitor.SignedIn(studio);
        string json = await visitor.Download("/shelf?handler=Json&id=breakwater");
        await visitor.Open("/shelf");
        await visitor.Upload(
            "l.json",
            json.Replace("\"breakwater\"", "\"sluice\"", StringComparison.Ordinal).Replace("\"Breakwater\"", "\"Sluice\"", StringComparison.Ordinal)
        );
        async Task<string> Taken() => (await Sitting(("goal.service", "lighten"))).Find(".formula-ratio").TextContent;

        Assert.Contains("Breakwater", await Taken(), StringComparison.Ordinal);
        await visitor.Open("/house");
        await visitor.Send("main form", ("Lines[Lightener]", "nobody"));
        Assert.Contains("nobody is no such line of the shelf", visitor.Text, StringComparison.Ordinal);
        await visitor.Open("/house");
        await visitor.Send("main form", ("Lines[Lightener]", "sluice"));
        Assert.Contains("Saved.", visitor.Text, StringComparison.Ordinal);
        Assert.Contains("Sluice", await Taken(), StringComparison.Ordinal);
        await visitor.Open("/house");
        await visitor.Send("main form", ("Lines[Lightener]", ""));
        Assert.Contains("Breakwater", await Taken(), StringComparison.Ordinal);
    }

    [Fact]
    public void Every_line_of_the_catalogue_reads_back_as_it_was_written()
    {
        foreach (var line in studio.Services.GetRequiredService<Shelf>().Lines)
        {
            var (back, errors) = CatalogueReader.ReadLine(CatalogueReader.Write(line));
            Assert.Empty(errors);
            Assert.Equal(CatalogueReader.Write(line), CatalogueReader.Write(back!));
        }
    }

    [Fact]
    public async Task What_nobody_read_or_comes_out_far_from_the_wish_is_not_signed_without_a_yes()
    {
        var visitor = await Visitor.SignedIn(studio);
        await visitor.Open("/clients/new");
        await visitor.Send("main form", ("Name", "Yes Sayer"), ("BirthDate", "1980-01-01"));
        string sitting = visitor.Address;
        await visitor.Open(sitting.Replace("/prescription", "/answers", StringComparison.Ordinal));
        await visitor.Answer();
        (string, string?)[] facts =
        [
            ("hair.naturalLevel", "5"),
            ("hair.density", "medium"),
            ("hair.porosity", "normal"),
            ("hair.lengthCm", "35"),
            ("hair.lengths.level", "5"),
            ("hair.lengths.tone", "N"),
            ("hair.lengths.history", "permanent"),
            .. Enum.GetNames<Core.Head.Zone>()
                .Select(z => char.ToLowerInvariant(z[0]) + z[1..])
                .SelectMany(z => new (string, string?)[] { ($"zones.{z}.regrowthMm", "15"), ($"zones.{z}.greyPercent", "10") }),
        ];
        await visitor.Open(sitting);
        await visitor.Send("#sitting", "?handler=Sign", facts);
        Assert.EndsWith("/prescription?handler=Sign", visitor.Address, StringComparison.Ordinal);
        Assert.Contains("asks for your yes", visitor.Text, StringComparison.Ordinal);
        Assert.Equal("hair.texture", visitor.Find(".attention input").GetAttribute("value"));
        Assert.Equal("15", visitor.Find("#f-zones-crown-regrowthMm").GetAttribute("value"));
        await visitor.Send("#sitting", "?handler=Sign", [.. facts, ("confirm", "hair.texture")]);
        Assert.StartsWith("/kits/", visitor.Address, StringComparison.Ordinal);
    }
}
