using Kitto.Bench.Fuzz;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Safety;

/// <summary>The bottle is judged, not the wish; a line is judged as a whole; no input ends the process or slips a strength through.</summary>
public sealed class BottleTests
{
    private static string Line(string kind, string developers, string shades, string more = "") =>
        $$"""
            {"kitto":"line/1","id":"own","name":"Own","kind":"{{kind}}","thickness":"cream","developerPerColour":1,"developers":[{{string.Join(
                ",",
                developers.Split(' ').Select(v => $"{{\"volume\":{v.TrimEnd('c')},\"chairOnly\":{(v.EndsWith('c') ? "true" : "false")}}}")
            )}}],
             "processMinutes":35,"processMin":25,"processMax":45,"workingLifeMinutes":30,"longestContactMinutes":60,"tubeGrams":60,"shades":[{{string.Join(
                ",",
                shades.Split(' ').Select(s => $"\"{s}\"")
            )}}]{{more}}}
            """;

    [Theory]
    [InlineData("permanent", "30 40", false)]
    [InlineData("permanent", "40", false)]
    [InlineData("demi", "25", false)]
    [InlineData("gloss", "30", false)]
    [InlineData("permanent", "10 30", false)]
    [InlineData("permanent", "10c 30c", false)]
    [InlineData("permanent", "20 30", true)]
    [InlineData("permanent", "10 20 30c", true)]
    [InlineData("demi", "6", true)]
    public void A_line_alone_on_the_shelf_goes_into_a_kit_only_where_no_weighed_strength_is_above_twenty(string kind, string developers, bool kit)
    {
        var shelf = CatalogueReader.Read([("own.json", Line(kind, developers, "4N 5N 6N 5NN 6NN"))]);
        // A fifth white wants 20 vol of a permanent: between 10 and 30 it is a blend with a bottle of 30 in it.
        var (found, errors) = CaseReader.Read(Bench.With("line=\"own\"; client.skinTest=-"), shelf);
        Assert.Empty(errors);
        var p = Prescriber.Prescribe(found!, shelf);
        double strongest = p.Formulas.SelectMany(f => f.Developer.Blend).Max(b => b.Volume.Value);
        Assert.Equal((kit, kit), (strongest <= 20, p.Decision == Decision.Kit));
        Assert.Equal(kit ? 0 : 2, p.Because.Count(b => b.About == Topic.Salon && b.Rule is "SA7" or "SA11"));
        // What is forecast and said is the bottle's strength too.
        Assert.All(
            p.Formulas,
            f => Assert.Equal(f.Developer.Volume.Value, f.Developer.Blend.Sum(b => b.Volume.Value * b.Grams.Value) / f.Developer.Grams.Value, 1)
        );
    }

    [Fact]
    public void Where_another_line_has_the_strength_it_is_taken_from_there_and_nothing_stronger_is_opened()
    {
        var shelf = new Shelf([.. Bench.Shelf.Lines, CatalogueReader.ReadLine(Line("permanent", "10 30", "4N 5N 6N 5NN")).Line!]);
        var p = Prescriber.Prescribe(CaseReader.Read(Bench.With("line=\"own\""), shelf).Case!, shelf);
        Assert.Equal((Decision.Kit, "20"), (p.Decision, string.Join(" ", p.Formulas[0].Developer.Blend.Select(b => b.Volume.Value))));
    }

    [Theory]
    [InlineData("permanent", "20", "LT", "", "shades")]
    [InlineData("permanent", "20", "5N LT", "", "shades")]
    [InlineData("lightener", "20", "LT 5N", "", "shades")]
    [InlineData("permanent", "20", "0R 0G 00", "", "shades")]
    [InlineData("permanent", "20", "5N 5N", "", "shades")]
    [InlineData("permanent", "20 20", "5N", "", "developers")]
    [InlineData("permanent", "20", "5N", "processMin=46", "processMin")]
    [InlineData("permanent", "20", "5N", "processMinutes=50", "processMinutes")]
    [InlineData("permanent", "20", "5N", "longestContactMinutes=30", "longestContactMinutes")]
    [InlineData("permanent", "20", "5N", "workingLifeMinutes=2", "workingLifeMinutes")]
    [InlineData("permanent", "20", "5N", "id=\"A line!\"", "id")]
    [InlineData("permanent", "20", "5N", "id=\"\"", "id")]
    [InlineData("permanent", "20", "5N", "name=\"a\\u0000b\"", "name")]
    [InlineData("permanent", "45", "5N", "", "developers[0].volume")]
    [InlineData("permanent", "20", "5N", "outOfStock=[\"7N\"]", "outOfStock")]
    public void A_line_that_cannot_be_as_a_whole_is_refused_by_its_field(string kind, string developers, string shades, string fact, string path)
    {
        var document = System.Text.Json.Nodes.JsonNode.Parse(Line(kind, developers, shades))!.AsObject();
        if (fact.Length > 0)
        {
            document[fact[..fact.IndexOf('=')]] = System.Text.Json.Nodes.JsonNode.Parse(fact[(fact.IndexOf('=') + 1)..]);
        }

        var (line, errors) = CatalogueReader.ReadLine(document.ToJsonString());
        Assert.Null(line);
        Assert.Contains(errors, e => e.Path == path && e.Range.Length > 0);
        // Kept before it was checked so, it is refused again where it is used.
        if (errors.All(e => e.Path is not ("id" or "developers[0].volume" or "name" or "outOfStock")))
        {
            var shelf = CatalogueReader.Kept($"[{document.ToJsonString()}]");
            var used = CaseReader.Read(Bench.With("line=\"own\"; client.skinTest=-"), shelf);
            Assert.Null(used.Case);
            Assert.Contains(used.Errors, e => e.Path == "line");
        }
    }

    [Theory]
    [InlineData("{\"kitto\":\"\\ud800\"}", "$")]
    [InlineData("{\"\\ud800\":1}", "$")]
    [InlineData("{\"kitto\":\"case/1\",\"x\":[{\"\\udc00\":\"\"}]}", "$")]
    [InlineData("{\"kitto\":\"ca\\u0000se/1\"}", "kitto")]
    [InlineData("goal.service=\"gloss\"; hair.lengthCm=1", "hair.lengthCm")]
    [InlineData("line=\"none\"", "line")]
    public void Input_that_ended_the_process_is_answered_by_name(string text, string path)
    {
        var (kind, document) = Documents.Answer(text.StartsWith('{') ? text : Bench.With(text), Bench.Shelf, false);
        Assert.Equal(AnswerKind.BadInput, kind);
        Assert.Contains($"\"path\":\"{path}\"", document, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1.5)]
    [InlineData(1.6)]
    [InlineData(2)]
    public void A_gloss_on_very_short_hair_is_weighed_or_refused_and_never_fails(double lengthCm)
    {
        var p = Bench.Prescribe(FormattableString.Invariant($"goal.service=\"gloss\"; goal.level=5; hair.lengthCm={lengthCm}; client.skinTest=-"));
        Assert.InRange(p.Formulas[0].MixGrams.Value, 5, 60);
    }

    [Fact]
    public void Mutated_and_legal_cases_and_random_lines_end_in_documents_and_no_kit_is_above_twenty()
    {
        var cases = Judged.InProcess(3, 900, Bench.Shelf);
        var lines = Judged.Lines(4, 250);
        Assert.True(cases.Faults.Count + lines.Faults.Count == 0, string.Join("\n", cases.Faults.Concat(lines.Faults).Take(5)));
        Assert.All([cases, lines], j => Assert.True(j is { Kits: > 50, NotAtHome: > 50, Refused: > 50 }, j.ToString()));
    }

    [Fact]
    public void The_judge_of_that_run_sees_what_it_is_there_for()
    {
        string Answer(string decision, double volume, string shade, double grams) =>
            $$"""
                {"decision":"{{decision}}","formulas":[{"parts":[{"shade":"{{shade}}"}],"mixGrams":{{grams}},"developer":{"volume":10,"blend":[{"volume":{{volume}} }] } }] }
                """;
        foreach (
            string bad in (string[])
                [
                    Answer("kit", 30, "5N", 50),
                    Answer("kit", 20, "LT", 50),
                    Answer("kit", 20, "5N", 0),
                    "{\"decision\":\"kit\",\"formulas\":[]}",
                    "{",
                    "{\"error\":{\"fields\":[]}}",
                    Answer("kit", 20, "5N", 50).Replace("50", "\"NaN\"", StringComparison.Ordinal),
                ]
        )
        {
            var judged = new Judged();
            judged.Look("", bad);
            Assert.NotEmpty(judged.Faults);
        }

        var good = new Judged();
        good.Look("", Answer("kit", 20, "5N", 50));
        good.Look("", Answer("salon", 40, "LT", 50));
        Assert.Empty(good.Faults);
    }
}
