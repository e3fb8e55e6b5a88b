using System.Text.Json.Nodes;
using CsCheck;
using Kitto.Core.Contract;
using Kitto.Core.Head;

namespace Kitto.Core.Tests;

public sealed class PrescriberTests
{
    [Fact]
    public void The_same_case_gives_the_same_document_to_the_last_byte() =>
        Bench.Cases.Sample(c => Json.Write(Prescriber.Prescribe(c, Bench.Shelf)) == Json.Write(Prescriber.Prescribe(c with { }, Bench.Shelf)), iter: 60);

    [Fact]
    public void Every_decision_has_its_reason_with_a_rule()
    {
        HashSet<Topic> about = [Topic.Developer, Topic.Quantity, Topic.Clock, Topic.Tests];
        Bench.Cases.Sample(
            c =>
            {
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                Assert.All(p.Because, b => Assert.Matches("^[A-Z]{2}[0-9]{1,2}$", b.Rule));
                Assert.All(p.Because, b => Assert.EndsWith(".", b.Says, StringComparison.Ordinal));
                Assert.Superset(about, p.Because.Select(b => b.About).ToHashSet());
                Assert.Contains(p.Because, b => b.About == (p.Formulas[0].Use == FormulaUse.Lengths ? Topic.Lengths : Topic.Shade));
                Assert.Equal(8, p.Advice.Count);
                Assert.All(p.Advice, a => Assert.NotEmpty(a.Because));
                Assert.All(p.Advice, a => Assert.True(a.Says!.Length > 10 && a.Fits == a.EveryWeeks is not null));
            },
            iter: 120
        );
    }

    /// <summary>One schedule of zones: a fact moves what depends on it and nothing else.</summary>
    [Theory]
    [InlineData("allZones.regrowthMm=25", "quantity formulas", "clock tests holds advice")]
    [InlineData("hands.who=\"helper\"", "clock quantity formulas", "tests holds advice")]
    [InlineData("hands.practised=true", "clock", "quantity formulas tests holds advice")]
    [InlineData("hair.density=\"low\"", "clock quantity formulas", "tests holds advice")]
    [InlineData("hair.texture=\"coarse\"", "quantity formulas", "clock tests holds")]
    [InlineData("hair.porosity=\"high\"", "quantity formulas", "clock tests holds advice")]
    [InlineData("house.serviceLevel=0.95", "quantity formulas", "clock tests holds advice")]
    [InlineData("client.skinTest=-", "holds tests", "quantity formulas clock advice")]
    [InlineData("client.pregnant=true", "", "quantity formulas clock tests holds advice")]
    [InlineData("zones.nape={\"include\":false}", "clock quantity formulas", "tests holds advice")]
    [InlineData("hair.lengthCm=60", "", "quantity formulas clock tests holds advice")]
    public void One_fact_moves_every_number_that_must_move_and_no_other(string fact, string moves, string stays)
    {
        var before = JsonNode.Parse(Json.Write(Bench.Prescribe()))!;
        var after = JsonNode.Parse(Json.Write(Bench.Prescribe(fact)))!;
        // How evenly it comes out is a matter of colour, which most facts move.
        before["clock"]!["spreadDeltaE"] = after["clock"]!["spreadDeltaE"] = null;
        Assert.All(
            moves.Split(' ', StringSplitOptions.RemoveEmptyEntries),
            part => Assert.False(JsonNode.DeepEquals(before[part], after[part]), $"{part} stayed")
        );
        Assert.All(stays.Split(' '), part => Assert.True(JsonNode.DeepEquals(before[part], after[part]), $"{part} moved"));
    }

    [Fact]
    public void The_documented_example_is_answered_as_documented()
    {
        string example = Path.Combine(Bench.Root, "docs", "formats", "example-case.json");
        var (found, errors) = CaseReader.Read(File.ReadAllText(example), Bench.Shelf);
        Assert.Empty(errors);
        var p = Prescriber.Prescribe(found!, Bench.Shelf);
        Assert.Equal((Decision.Kit, "SA12"), (p.Decision, string.Join(",", p.Holds)));
        Assert.InRange(p.Formulas.Single().Parts.Count, 1, 4);
        Assert.InRange(p.Forecast.DeltaE!.Value, 0, 2.99);
        Assert.Equal((20.0, 6.0, "1:1"), (p.Formulas[0].Developer.Volume.Value, p.Formulas[0].Developer.Percent, p.Formulas[0].Ratio));
        Assert.Equal((1.0, 3.0, 2.5, 48), (p.Tests.SkinTestGrams.Value, p.Tests.StrandTestGrams.Value, p.Tests.PreSoftenGrams.Value, p.Tests.SkinTestHours));
        // By hand: 13.2 g of film, and 4.6 g/g of 5.18 g/cm over 15 and 25 mm with 40, 80 and 15 % white.
        Assert.Equal(54.6, p.Quantity!.BaseGrams.Value, 1);
        Assert.Equal(Zone.LeftTemple, p.Clock!.Zones[0].Zone);
    }

    [Theory]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5", "roots", "TM4")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=5.5; goal.level=5; goal.tone=\"G\"", "roots", "SV14")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=7; goal.level=5", "roots", "SV14")]
    [InlineData(
        "goal.service=\"rootAndRefresh\"; hair.lengths.level=5.5; goal.level=5; goal.tone=\"G\"; goal.lengths={\"level\":5,\"tone\":\"G\"}",
        "roots lengths",
        "SV13"
    )]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; hair.lengths.highlighted=true; goal.level=5", "roots", "SV14")]
    [InlineData("goal.service=\"rootAndRefresh\"", "roots", "SV9")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=5.5; goal.level=5; house.schools={\"SV9\":\"ownFormula\"}", "roots lengths", "SV9")]
    [InlineData("goal.service=\"rootAndGloss\"", "roots lengths", "SV15")]
    [InlineData("goal.service=\"rootAndGloss\"; hair.lengths.level=5.5; goal.level=5", "roots lengths", "SV15")]
    [InlineData("goal.service=\"rootAndGloss\"; hair.lengths.level=6; goal.lengths={\"clear\":true}; goal.level=5", "roots lengths", "SV13")]
    [InlineData("goal.service=\"rootTouchUp\"; hair.lengths.level=6; goal.lengths={\"clear\":true}; goal.level=5", "roots lengths", "SH24")]
    [InlineData(
        "goal.service=\"rootAndGloss\"; hair.lengths={\"level\":8,\"tone\":\"N\",\"history\":\"lightened\"}; goal.level=5; hair.band={\"lengthMm\":50,\"level\":8,\"tone\":\"G\"}",
        "roots lengths band",
        "SV17"
    )]
    [InlineData("goal.how=\"twoSteps\"; allZones.greyPercent=90; allZones.resistant=true", "roots second", "SV19")]
    [InlineData(
        "goal.service=\"gloss\"; hair.lengths={\"level\":9,\"tone\":\"N\",\"history\":\"lightened\"}; hair.band={\"lengthMm\":50,\"level\":9,\"tone\":\"G\"}",
        "lengths",
        "SV17"
    )]
    [InlineData("goal.service=\"rootShadow\"; hair.lengths.level=8", "shadow", "SV5")]
    [InlineData("goal.service=\"gloss\"", "lengths", "DV5")]
    [InlineData("goal.service=\"greyBlend\"", "roots", "SV7")]
    [InlineData("goal.service=\"baseLift\"; goal.level=7; allZones.greyPercent=0", "roots", "SV6")]
    [InlineData("goal.service=\"rootTouchUp\"; hair.lengths.level=6; goal.level=5", "roots", "SV9")]
    public void Each_service_colours_what_it_should_and_says_by_which_rule(string facts, string uses, string rule)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(uses, string.Join(" ", p.Formulas.Select(f => Core.Contract.Json.Name(f.Use))));
        Assert.Contains(rule, p.Rules());
    }

    [Fact]
    public void A_refresh_sends_more_than_a_touch_up_and_a_dilution_half_as_much_more()
    {
        double Base(string facts) => Bench.Prescribe($"hair.lengths.level=6; goal.level=5; {facts}").Quantity!.BaseGrams.Value;
        double touch = Base("");
        double refresh = Base("goal.service=\"rootAndRefresh\"");
        double diluted = Base("goal.service=\"rootAndRefresh\"; house.schools={\"SV9\":\"diluted\"}");
        Assert.Equal(refresh - touch, 2 * (diluted - touch), 0.2);
        Assert.True(diluted > touch);
    }

    [Fact]
    public void The_guide_paints_the_zones_of_the_clock_in_its_order_and_mixes_before_each_batch() =>
        Bench.Cases.Sample(
            c =>
            {
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                var guide = Guide.For(c, p, Bench.Shelf, Language.English);
                Assert.Equal(p.Decision == Decision.Kit, guide is not null);
                if (guide is null)
                {
                    return;
                }

                Assert.Equal(
                    p.Clock!.Strokes.Select(s => s.Stroke),
                    guide.Steps.Where(s => s.Kind == StepKind.Paint).Select(s => new Stroke(s.Zone!.Value, s.Scalp))
                );
                int mixes = guide.Steps.Count(s => s.Kind == StepKind.Mix);
                Assert.Equal(p.Quantity!.Batches + p.Formulas.Count - 1, mixes);
                double waits = guide.Steps.TakeWhile(s => s.Kind != StepKind.Rinse).Sum(s => s.Minutes?.Value ?? 0);
                Assert.Equal(p.Clock.ProcessMinutes.Value, waits, 6);
                Assert.Equal(StepKind.After, guide.Steps[^1].Kind);
            },
            iter: 150
        );
}
