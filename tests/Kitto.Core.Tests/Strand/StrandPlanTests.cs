using CsCheck;
using Kitto.Bench;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Tests.Strand;

public sealed class StrandPlanTests
{
    private const string Blonde = "hair.lengths={\"level\":9,\"tone\":\"B\",\"history\":\"lightened\",\"highlighted\":true}; ";

    private const string Banded = "hair.band={\"lengthMm\":60,\"level\":7,\"tone\":\"G\"}; ";

    /// <summary>The crown's strand in words: stretch, what is done, formula.</summary>
    private static string Say(Prescription p, Zone zone = Zone.Crown) =>
        string.Join(", ", p.Strand.Single(z => z.Zone == zone).Stretches.Select(r => $"{Json.Name(r.Stretch)} {Json.Name(r.Does)}{r.Formula}"));

    /// <summary>Which stretch gets what, service by service (the strand plan's table).</summary>
    [Theory]
    [InlineData("", "scalp colour0, grown colour0, lengths shield, ends shield")]
    [InlineData(Banded, "scalp colour0, grown colour0, band shield, lengths shield, ends shield")]
    [InlineData(
        "goal.service=\"rootAndRefresh\"; hair.lengths.level=5.5; goal.level=5",
        "scalp colour0, grown colour0, lengths pullThrough0, ends pullThrough0"
    )]
    [InlineData("goal.service=\"rootAndRefresh\"; " + Blonde + "goal.level=5", "scalp colour0, grown colour0, lengths shield, ends shield")]
    [InlineData("goal.service=\"rootAndGloss\"; goal.level=5; " + Blonde, "scalp colour0, grown colour0, lengths tone1, ends tone1")]
    [InlineData("goal.service=\"rootAndGloss\"; goal.level=5; " + Blonde + Banded, "scalp colour0, grown colour0, band tone2, lengths tone1, ends tone1")]
    [InlineData(
        "goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; " + Blonde,
        "scalp colour0, grown colour0, lengths blend0, lengths shield, ends shield"
    )]
    [InlineData(
        "goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; hair.band={\"lengthMm\":25,\"level\":7,\"tone\":\"G\"}; " + Blonde,
        "scalp colour0, grown colour0, band blend0, lengths blend0, lengths shield, ends shield"
    )]
    [InlineData(
        "goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; goal.lengths={\"level\":9,\"tone\":\"V\"}; " + Blonde,
        "scalp colour0, grown colour0, lengths blend0, lengths tone1, ends tone1"
    )]
    [InlineData(
        "goal.service=\"baseLift\"; line=-; goal.level=7; goal.tone=\"N\"; " + Blonde + Banded,
        "scalp colour0, grown colour0, band shield, lengths shield, ends shield"
    )]
    [InlineData("goal.service=\"greyBlend\"; goal.lengths={\"clear\":true}; " + Banded, "scalp colour0, grown colour0, band tone1, lengths tone1, ends tone1")]
    [InlineData("goal.service=\"gloss\"; goal.level=7; goal.tone=\"N\"; " + Blonde, "scalp leave, grown leave, lengths tone0, ends tone0")]
    [InlineData(
        "goal.service=\"gloss\"; goal.level=9; goal.tone=\"V\"; hair.roots={\"level\":9,\"tone\":\"G\"}; hair.lengths={\"level\":9,\"tone\":\"V\",\"history\":\"lightened\"}",
        "scalp tone0, grown tone0, lengths tone0, ends tone0"
    )]
    [InlineData("goal.service=\"lighten\"; goal.level=9; " + Blonde, "scalp colour0, grown colour0, lengths shield, ends shield")]
    public void Each_stretch_gets_what_the_service_does_there(string facts, string strand) => Assert.Equal(strand, Say(Bench.Prescribe(facts)));

    [Fact]
    public void A_band_longer_than_the_tail_is_painted_to_its_end_in_the_back_and_to_its_middle_at_the_front()
    {
        var p = Bench.Prescribe(
            "goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; hair.band={\"lengthMm\":90,\"level\":7,\"tone\":\"G\"}; " + Blonde
        );
        double End(Zone zone) => p.Strand.Single(z => z.Zone == zone).Stretches.Where(r => r.Does == Does.Blend).Max(r => r.ToMm) - 15;
        Assert.Equal((90, 90, 45, 45), (End(Zone.Nape), End(Zone.Crown), End(Zone.LeftFront), End(Zone.FrontHairline)));
        double Tail(string facts) =>
            Bench
                .Prescribe("goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; " + Blonde + facts)
                .Strand.Single(z => z.Zone == Zone.Nape)
                .Stretches.Where(r => r.Does == Does.Blend)
                .Sum(r => r.ToMm - r.FromMm);
        Assert.Equal((50, 30), (Tail(""), Tail("goal.tailMm=30")));
    }

    [Fact]
    public void A_frame_that_is_left_bright_is_not_painted_and_the_guide_says_how_to_keep_it_clean()
    {
        var c = Bench.Case("goal.service=\"rootShadow\"; line=-; goal.level=6; goal.tone=\"N\"; goal.frame=\"leaveOut\"; client.skinTest=-; " + Blonde);
        var p = Prescriber.Prescribe(c, Bench.Shelf);
        Assert.Equal("scalp leave, grown leave, lengths shield, ends shield", Say(p, Zone.LeftTemple));
        Assert.DoesNotContain(p.Clock!.Zones, z => z.Zone.IsFrame());
        Assert.Contains(Guide.For(c, p, Bench.Shelf, Language.English)!.Steps[0].Lines, l => l.Contains("stay bright", StringComparison.Ordinal));
    }

    /// <summary>SV14: no head, service, school, default or alternative takes lengths deeper by more than half a level, or to another family, that nobody wished.</summary>
    [Fact]
    public void Nothing_takes_the_lengths_deeper_that_nobody_wished() =>
        (
            from c in Bench.Cases
            from school in Bench.Any("byHead", "leaveAlone", "sameMix", "diluted", "ownFormula")
            from grey in Bench.Any("byShare", "cover", "blend")
            from gloss in Bench.Any("gloss", "permanentLow")
            from wish in Gen.Int[0, 3]
            select (c, school, grey, gloss, wish)
        ).Sample(
            x =>
            {
                var schools = new Dictionary<string, string>
                {
                    ["SV9"] = x.school,
                    ["SV7"] = x.grey,
                    ["DV5"] = x.gloss,
                };
                var goal = x.c.Goal.Service is Service.Gloss or Service.Lighten
                    ? x.c.Goal
                    : x.c.Goal with
                    {
                        Lengths = x.wish switch
                        {
                            1 => new LengthsGoal(null, null, Clear: true),
                            2 => new LengthsGoal(x.c.Reading.Hair.Lengths.Level, x.c.Reading.Hair.Lengths.Tone),
                            _ => null,
                        },
                    };
                var c = x.c with { House = x.c.House with { Schools = schools }, Goal = goal };
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                // Where the shelf has nothing better it is said at first sight; anything else is a spoilt blonde.
                Assert.True(
                    !Signable.Broken(c, p, Bench.Shelf).Contains("SV14") || p.Because.Any(b => b is { Rule: "SV14", About: Topic.Attention }),
                    $"{c.Goal} {c.Reading.Hair.Lengths} {x.school}"
                );
                if (c.Goal.Service != Service.Gloss && c.Goal.Lengths is null)
                {
                    Assert.All(
                        p.Formulas.Where(f => f.Use == FormulaUse.Lengths),
                        f => Assert.True(f.Parts.All(part => part.Shade == "00") || c.Reading.Hair.Lengths.Tone.SameAs(c.Goal.Tone!.Value))
                    );
                }

                foreach (var other in p.Alternatives.Take(1))
                {
                    var taken = c with
                    {
                        Formula = new GivenFormula(p.Formulas[0].Use, [.. other.Parts.Select(a => new MixPart(a.Shade, a.Share))], null, HandMade: true),
                    };
                    var by = Prescriber.Prescribe(taken, Bench.Shelf);
                    Assert.True(
                        !Signable.Broken(taken, by, Bench.Shelf).Contains("SV14") || by.Because.Any(b => b is { Rule: "SV14", About: Topic.Attention })
                    );
                }
            },
            iter: 250
        );

    [Fact]
    public void A_part_of_the_grid_of_ordinary_heads_is_signed_as_it_stands()
    {
        int heads = 0,
            bad = 0;
        foreach (var (says, text) in Signable.Heads().Where((_, i) => i % 23 == 0))
        {
            var c = CaseReader.Read(text, Bench.Shelf).Case!;
            var p = Prescriber.Prescribe(c, Bench.Shelf);
            var broken = Signable.Broken(c, p, Bench.Shelf);
            heads++;
            bad += broken.Count > 0 ? 1 : 0;
            Assert.All(
                broken,
                rule => Assert.True(p.Because.Any(b => b.About == Topic.Attention && b.Rule == rule), $"{says} breaks {rule} and does not say so")
            );
        }

        Assert.True(bad <= .02 * heads, $"{bad} of {heads}");
    }

    [Theory]
    [InlineData("goal.service=\"baseLift\"; line=-; goal.level=7; allZones.regrowthMm=25", false)]
    [InlineData("goal.service=\"baseLift\"; line=-; goal.level=7; allZones.regrowthMm=26", true)]
    [InlineData("goal.service=\"lighten\"; goal.level=8; allZones.regrowthMm=40", true)]
    [InlineData("allZones.regrowthMm=60", false)]
    [InlineData("allZones.regrowthMm=61", true)]
    [InlineData("goal.service=\"greyBlend\"; line=-; allZones.regrowthMm=100", false)]
    public void Long_regrowth_is_painted_in_two_turns_the_scalp_ten_minutes_after_the_first_stroke_at_the_earliest(string facts, bool twice)
    {
        var p = Bench.Prescribe("allZones.greyPercent=0; hands.who=\"trained\"; " + facts);
        Assert.Equal(twice, p.Clock!.Scalp is not null);
        if (p.Clock.Scalp is not { } scalp)
        {
            return;
        }

        Assert.All(scalp, z => Assert.True(z.PaintedAt.Value >= 10 && z.PaintedAt.Value > p.Clock.Zones.Max(g => g.PaintedAt.Value)));
        var line = Bench.Shelf.Find(p.Formulas[0].Line)!;
        bool lift = facts.Contains("goal", StringComparison.Ordinal);
        Assert.True(!lift || p.Clock.ProcessMinutes == line.ProcessMin || scalp.All(z => z.ContactMinutes.Value <= line.Process.Value + .05));
        // Each stretch counts its own minutes (TM13).
        var rows = p.Strand.Single(z => z.Zone == Zone.Crown).Stretches;
        Assert.Equal(scalp.Single(z => z.Zone == Zone.Crown).ContactMinutes, rows.Single(r => r.Stretch == Stretch.Scalp).ContactMinutes);
        Assert.Equal(p.Clock.Zones.Single(z => z.Zone == Zone.Crown).ContactMinutes, rows.Single(r => r.Stretch == Stretch.Grown).ContactMinutes);
        Assert.Contains("TM6", p.Rules());
    }

    [Fact]
    public void What_is_pulled_through_has_its_own_clock_and_the_ends_come_last()
    {
        var rows = Bench.Prescribe("goal.service=\"rootAndRefresh\"; hair.lengths.level=5.5; goal.level=5").Strand.Single(z => z.Zone == Zone.Nape).Stretches;
        Assert.Equal(
            (10.0, 5.0),
            (
                rows.Single(r => r.Stretch == Stretch.Lengths).ContactMinutes!.Value.Value,
                rows.Single(r => r.Stretch == Stretch.Ends).ContactMinutes!.Value.Value
            )
        );
    }

    [Fact]
    public void A_gloss_goes_for_the_yellow_band_beside_lengths_that_are_right_and_only_passes_over_these()
    {
        var p = Bench.Prescribe(
            "goal.service=\"gloss\"; line=-; goal.level=9; goal.tone=\"V\"; hair.lengths={\"level\":9,\"tone\":\"V\",\"history\":\"lightened\"}; hair.band={\"lengthMm\":60,\"level\":9,\"tone\":\"G\"}"
        );
        var rows = p.Strand.Single(z => z.Zone == Zone.Crown).Stretches;
        Assert.Equal(3, rows.Single(r => r.Stretch == Stretch.Lengths).ContactMinutes!.Value.Value);
        Assert.True(rows.Single(r => r.Stretch == Stretch.Band).ContactMinutes!.Value.Value >= 15);
        double Off(Look look) => Difference2000.Between(Of(look), Of(p.Forecast.Target!));
        Assert.True(Off(p.Forecast.Band!) < .5 * Off(p.Forecast.BandToday!));
        Assert.True(Difference2000.Between(Of(p.Forecast.Lengths!), Of(p.Forecast.LengthsToday!)) < 3);
    }

    [Fact]
    public void Two_mixes_are_sent_where_one_cannot_serve_both()
    {
        var p = Bench.Prescribe(
            "goal.service=\"gloss\"; line=-; goal.level=9.5; goal.tone=\"V\"; hair.lengths={\"level\":9.5,\"tone\":\"G\",\"history\":\"lightened\"}; hair.band={\"lengthMm\":60,\"level\":7,\"tone\":\"C\"}"
        );
        Assert.Equal([FormulaUse.Lengths, FormulaUse.Band], p.Formulas.Select(f => f.Use));
        Assert.Contains("One mix cannot serve", p.Because.First(b => b.Rule == "SV17").Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_quick_tone_is_half_clear_and_on_for_three_minutes_and_offered_where_little_is_off()
    {
        const string Head =
            "goal.service=\"gloss\"; line=-; goal.level=9; goal.tone=\"B\"; hair.lengths={\"level\":9,\"tone\":\"G\",\"history\":\"lightened\"}; ";
        var offered = Bench.Prescribe(Head + "hair.lengths.tone=\"N\"").Advice.Single(a => a.Service == Service.Gloss).Ways!;
        Assert.Equal([How.QuickTone], offered.Select(w => w.How));
        var p = Bench.Prescribe(Head + "goal.how=\"quickTone\"");
        Assert.Equal(.5, p.Formulas[0].Parts.Single(x => x.Shade == "00").Share!.Value.Value, 6);
        Assert.Equal(3, p.Clock!.ProcessMinutes.Value);
    }

    [Fact]
    public void Two_steps_are_offered_on_stubborn_white_and_are_two_formulas_with_a_clock_each_and_one_guide()
    {
        const string Head = "allZones.greyPercent=90; allZones.resistant=true; client.skinTest=-; ";
        Assert.Contains(Bench.Prescribe(Head).Advice.Single(a => a.Service == Service.RootTouchUp).Ways!, w => w is { How: How.TwoSteps, Rule: "SV19" });
        Assert.Null(Bench.Prescribe("allZones.greyPercent=40").Advice.Single(a => a.Service == Service.RootTouchUp).Ways);
        var c = Bench.Case(Head + "goal.how=\"twoSteps\"");
        var p = Prescriber.Prescribe(c, Bench.Shelf);
        Assert.Equal(["lantern-cream", "halyard-demi"], p.Formulas.Select(f => f.Line));
        Assert.Equal(2, p.Strand.Single(z => z.Zone == Zone.Crown).Stretches.Count(r => r.Stretch == Stretch.Scalp));
        var steps = Guide.For(c, p, Bench.Shelf, Language.English)!.Steps;
        Assert.Equal(2, steps.Count(s => s.Kind == StepKind.Rinse));
        Assert.Contains(steps, s => s.Title.Contains("Second colour", StringComparison.Ordinal) && s.Minutes?.Value is >= 10 and <= 20);
        // The second step adds depth to what the first left.
        Assert.True(p.Forecast.Roots!.Lab[0] < Bench.Prescribe(Head).Forecast.Roots!.Lab[0]);
    }

    [Fact]
    public void Between_two_kits_a_gloss_alone_is_offered()
    {
        var gloss = Bench.Prescribe("allZones.regrowthMm=6").Advice.Single(a => a.Service == Service.Gloss);
        Assert.True(gloss.Fits && gloss.Because.Contains("SV20") && gloss.Says!.StartsWith("between two kits", StringComparison.Ordinal));
    }

    [Fact]
    public void Lightened_roots_take_at_once_and_are_not_lifted()
    {
        var p = Bench.Prescribe(
            "goal.service=\"gloss\"; line=-; goal.level=9.5; goal.tone=\"V\"; hair.roots={\"level\":9.5,\"tone\":\"G\"}; hair.lengths={\"level\":9.5,\"tone\":\"V\",\"history\":\"lightened\"}"
        );
        Assert.All(p.Forecast.PerZone, z => Assert.Equal(0, z.Lifts));
        Assert.True(p.Forecast.DeltaE < 4);
        Assert.Equal(
            10,
            Bench.Prescribe("goal.level=7; goal.tone=\"N\"; allZones.greyPercent=0; hair.roots={\"level\":7,\"tone\":\"C\"}").Formulas[0].Developer.Volume.Value
        );
    }

    private static Lab Of(Look look) => new(look.Lab[0], look.Lab[1], look.Lab[2]);
}
