using CsCheck;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Shade;

public sealed class SearchTests
{
    private static readonly int[] Steps = [4, 3, 10];
    private static readonly Line Cream = Bench.Shelf.Find("lantern-cream")!;

    /// <summary>A dozen shades and a concentrate around the wish, drawn from the largest line: small enough to look at every mix there is.</summary>
    private static Gen<(Line Line, ApplicationTarget ApplicationTarget, MixRules Rules)> Small =>
        from c in Bench.Cases
        from picks in Gen.Int[0, 1_000_000].Array[12]
        from strong in Bench.Any("0R", "0G", "0B", "0V")
        from residual in Gen.Double[-4, 4]
        select Set(c, picks, strong, residual);

    [Fact]
    public void The_search_finds_what_looking_at_every_mix_finds() =>
        Small.Sample(
            x =>
            {
                var found = MixSearch.Best(x.ApplicationTarget, x.Rules);
                var (all, looked) = Kitto.Bench.Exhaustive.Best(x.ApplicationTarget, x.Rules);
                Assert.Equal(Say(all), Say(found.Best));
                Assert.True(found.LookedAt <= 3 * looked);
            },
            iter: 60
        );

    [Fact]
    public void Among_mixes_that_do_alike_what_she_had_last_goes_first() =>
        Small.Sample(
            x =>
            {
                var free = MixSearch.Best(x.ApplicationTarget, x.Rules);
                foreach (var other in free.Others)
                {
                    var tied = MixSearch.Best(x.ApplicationTarget, x.Rules, other.Parts);
                    Assert.Equal(Say(Kitto.Bench.Exhaustive.Best(x.ApplicationTarget, x.Rules, other.Parts).Best), Say(tied.Best));
                    Assert.True(tied.Best!.Breach == free.Best!.Breach && tied.Best.DeltaE <= free.Best.DeltaE + Values.AlikeDeltaE + 1e-9);
                }
            },
            iter: 12
        );

    [Fact]
    public void Every_mix_found_keeps_the_grid_and_is_of_the_shelf_and_no_other_breaks_more_than_the_chosen_one() =>
        Small.Sample(
            x =>
            {
                var found = MixSearch.Best(x.ApplicationTarget, x.Rules);
                foreach (var mix in found.Others.Prepend(found.Best!))
                {
                    Assert.True(mix.Breach <= found.Best!.Breach);
                    Assert.Equal(
                        x.Rules.Of(mix.Parts, x.Line)
                            | x.Rules.Of(x.ApplicationTarget, x.ApplicationTarget.Look(new Mixture(x.Line, x.ApplicationTarget.Developer, mix.Parts))),
                        mix.Breach
                    );
                    Assert.Equal(1, mix.Parts.Sum(p => p.Share.Value), 9);
                    Assert.All(mix.Parts, p => Assert.Contains(Steps, n => Math.Abs(p.Share.Value * n - Math.Round(p.Share.Value * n)) < 1e-9));
                    Assert.All(mix.Parts, p => Assert.NotNull(x.Line.Find(p.Shade)));
                    Assert.True(mix.Parts.Count <= 3 && mix.Parts.Count(p => ShadeOf.Parse(p.Shade)!.Concentrate) <= 1);
                }
            },
            iter: 60
        );

    [Fact]
    public void What_is_out_of_stock_is_not_proposed()
    {
        var shelf = new Shelf([.. Bench.Shelf.Lines.Select(l => l.Id == "lantern-cream" ? l with { Out = ["6NN", "5C"] } : l)]);
        var p = Prescriber.Prescribe(Bench.Case(), shelf);
        Assert.DoesNotContain(
            p.Formulas[0].Parts.Select(x => x.Shade).Concat(p.Alternatives.SelectMany(a => a.Parts.Select(x => x.Shade))),
            s => s is "6NN" or "5C"
        );
        var none = new Shelf([
            .. Bench.Shelf.Lines.Select(l =>
                l.Id == "lantern-cream" ? l with { Out = [.. l.Shades.Where(s => s.Family is Family.N or Family.NN).Select(s => s.Code)] } : l
            ),
        ]);
        Assert.Contains(
            Prescriber.Prescribe(Bench.Case("allZones.greyPercent=80; zones={}"), none).Because,
            b => b is { Rule: "SH5", About: Topic.Attention } && b.Says.Contains("look at another line", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void White_hair_wished_a_neutral_five_never_comes_out_green() =>
        (
            from temples in Gen.Double[60, 100]
            from rest in Gen.Double[30, 100]
            from mm in Gen.Double[8, 40]
            from who in Bench.Any("alone", "helper", "trained")
            from natural in Bench.Any(4, 5, 6)
            select (temples, rest, mm, who, natural)
        ).Sample(
            x =>
            {
                var p = Bench.Prescribe(
                    string.Create(
                        System.Globalization.CultureInfo.InvariantCulture,
                        $"allZones.greyPercent={x.rest}; allZones.regrowthMm={x.mm}; hands.who=\"{x.who}\"; hair.naturalLevel={x.natural}; goal.level=5; goal.tone=\"N\"; zones.leftTemple={{\"greyPercent\":{x.temples}}}"
                    )
                );
                Assert.All(
                    p.Forecast.PerZone,
                    z => Assert.True(z.Lab[1] > 0 && (z.After.White?.Lab[1] ?? 9) > 0, $"{z.Zone} {z.Lab[1]} {z.After.White?.Lab[1]}")
                );
                Assert.DoesNotContain(p.Because, b => b.Says.Contains("green cast", StringComparison.Ordinal));
            },
            iter: 40
        );

    [Fact]
    public void A_forced_ash_on_white_hair_is_forecast_green_and_the_search_proposes_none_that_is()
    {
        const string White = "allZones.greyPercent=100; zones.leftTemple={}; zones.frontHairline={}; ";
        var forced = Bench.Prescribe(White + "formula={\"parts\":[{\"shade\":\"5AG\",\"share\":1}]}");
        Assert.All(forced.Forecast.PerZone, z => Assert.True(z.Lab[1] < -3));
        Assert.Contains(forced.Because, b => b is { Rule: "SH22", About: Topic.Attention } && b.Says.Contains("green cast", StringComparison.Ordinal));
        Assert.Equal(["5AG"], forced.Formulas[0].Parts.Select(p => p.Shade));
        Assert.NotEmpty(forced.Alternatives);
        var found = Bench.Prescribe(White);
        Assert.All(found.Forecast.PerZone, z => Assert.True(z.Lab[1] > 4));
    }

    [Fact]
    public void The_forecast_and_the_other_mixes_add_up_with_what_is_weighed()
    {
        var p = Bench.Prescribe();
        double colour = p.Formulas[0].Parts.Sum(x => x.Grams.Value);
        Assert.All(p.Alternatives, a => Assert.Equal(colour, a.Parts.Sum(x => x.Grams.Value), 0.21));
        Assert.All(p.Alternatives, a => Assert.NotEqual(p.Formulas[0].Parts.Select(x => x.Shade), a.Parts.Select(x => x.Shade)));
        Assert.Contains(p.Alternatives, a => a.Parts.Count == 1);
        Assert.Equal(p.Clock!.Zones.Select(z => z.Zone), p.Forecast.PerZone.Select(z => z.Zone));
        double mean = p.Forecast.PerZone.Sum(z => z.DeltaE * z.Zone.SeenWeight()) / p.Forecast.PerZone.Sum(z => z.Zone.SeenWeight());
        Assert.Equal(p.Forecast.DeltaE!.Value, mean, 0.01);
        var (first, last) = (p.Forecast.PerZone[0], p.Forecast.PerZone[^1]);
        Assert.Equal(p.Clock.SpreadDeltaE!.Value, Difference2000.Between(Read(first.Lab), Read(last.Lab)), 0.02);
    }

    [Theory]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={\"SV9\":\"sameMix\"}")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={\"SV9\":\"diluted\"}")]
    [InlineData("goal.service=\"rootAndGloss\"; hair.lengths.level=6; goal.level=5")]
    public void Lengths_that_get_something_are_forecast_with_it_and_never_lighter(string facts)
    {
        var p = Bench.Prescribe(facts);
        Assert.True(p.Forecast.Lengths!.Lab[0] < p.Forecast.LengthsToday!.Lab[0]);
        var alone = Bench.Prescribe(
            facts.Replace("rootAndRefresh", "rootTouchUp", StringComparison.Ordinal).Replace("rootAndGloss", "rootTouchUp", StringComparison.Ordinal)
        );
        Assert.Equal(alone.Forecast.LengthsToday!.Lab, alone.Forecast.Lengths!.Lab);
    }

    [Fact]
    public void Half_strength_through_conditioner_changes_the_lengths_less()
    {
        double Change(string school) =>
            Bench.Prescribe($"goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={{\"SV9\":\"{school}\"}}").Forecast is var f
                ? Difference2000.Between(Read(f.Lengths!.Lab), Read(f.LengthsToday!.Lab))
                : 0;
        Assert.True(Change("diluted") > .2 && Change("diluted") < Change("sameMix"));
    }

    [Fact]
    public void A_faded_band_is_forecast_on_its_own()
    {
        var p = Bench.Prescribe("goal.service=\"gloss\"; hair.lengths.level=6; hair.band={\"lengthMm\":60,\"level\":7,\"tone\":\"G\"}; goal.level=6");
        Assert.True(p.Forecast.BandToday!.Lab[0] > p.Forecast.LengthsToday!.Lab[0] + 4);
        Assert.True(p.Forecast.Band!.Lab[0] < p.Forecast.BandToday.Lab[0]);
        Assert.Contains(p.Because, b => b.Rule == "SV17" && b.Says.Contains("band", StringComparison.Ordinal));
    }

    [Fact]
    public void What_she_reported_before_moves_the_forecast_that_the_mix_is_judged_by()
    {
        const string Dark =
            "reports=[{\"daysAgo\":40,\"forecast\":[29,7,18],\"wish\":[29,7,18],\"depth\":\"tooDark\"},{\"daysAgo\":80,\"forecast\":[29,7,18],\"wish\":[29,7,18],\"depth\":\"tooDark\"}]";
        const string Given = "formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}]}; ";
        Assert.Equal(-1.5, Bench.Prescribe(Given + Dark).Forecast.Roots!.Lab[0] - Bench.Prescribe(Given).Forecast.Roots!.Lab[0], 0.15);
        Assert.True(Bench.Prescribe(Dark).Forecast.DeltaE <= Bench.Prescribe(Given + Dark).Forecast.DeltaE + .5);
        Assert.Contains("OU1", Bench.Prescribe(Dark).Rules());
        Assert.Equal(default, Core.Outcome.Residual.Of([]));
    }

    [Fact]
    public void All_that_is_said_of_the_colour_is_said_of_the_colour_as_it_comes_out_on_her()
    {
        const string Green =
            "reports=[{\"daysAgo\":40,\"forecast\":[29,7,18],\"wish\":[29,4,18],\"tone\":\"green\"},{\"daysAgo\":80,\"forecast\":[29,7,18],\"wish\":[29,4,18],\"tone\":\"green\"}]; ";
        var roots = Bench.Prescribe(
            Green
                + "formula={\"parts\":[{\"shade\":\"5N\",\"share\":0.6},{\"shade\":\"5AG\",\"share\":0.4}]}; allZones.greyPercent=60; zones.nape={\"greyPercent\":5}"
        );
        Assert.Equal(roots.Forecast.PerZone.Min(z => Math.Min(z.Lab[1], z.After.White?.Lab[1] ?? 9)), roots.Forecast.GreenA!.Value, 0.011);
        Assert.Contains(roots.Because, b => b is { Rule: "SH22", About: Topic.Attention } && b.Says.Contains("green cast", StringComparison.Ordinal));
        Lab Of(Head.Zone zone) => Read(roots.Forecast.PerZone.Single(z => z.Zone == zone).Lab);
        Assert.Equal(Difference2000.Between(Of(roots.Clock!.Zones[0].Zone), Of(roots.Clock.Zones[^1].Zone)), roots.Clock.SpreadDeltaE!.Value, 0.02);
        var gloss = Bench.Prescribe(Green + "goal.service=\"gloss\"; goal.level=6");
        Assert.Equal(Difference2000.Between(Read(gloss.Forecast.Lengths!.Lab), Read(gloss.Forecast.Target!.Lab)), gloss.Forecast.DeltaE!.Value, 0.02);
    }

    [Fact]
    public void A_root_shadow_is_mixed_for_the_tail_on_the_lengths_as_well() =>
        (
            from natural in Gen.Int[4, 6]
            from lengths in Gen.Int[7, 9]
            from deeper in Gen.Int[1, 3]
            from mm in Gen.Int[8, 60]
            select (natural, lengths, wish: lengths - deeper, mm)
        )
            .Where(x => x.wish - x.natural is 0 or 1)
            .Sample(
                x =>
                {
                    string head =
                        $"goal.service=\"rootShadow\"; line=-; hair.naturalLevel={x.natural}; allZones.greyPercent=0; allZones.regrowthMm={x.mm}; hair.lengths={{\"level\":{x.lengths},\"tone\":\"N\",\"history\":\"lightened\"}}; goal.level={x.wish}; goal.tone=\"N\"";
                    var p = Bench.Prescribe(head);
                    var (tail, wish, was) = (Read(p.Forecast.Tail!.Lab), Read(p.Forecast.Target!.Lab), Read(p.Forecast.LengthsToday!.Lab));
                    // The shadow is seen on the lengths: it comes out nearer to the wish than to what was there.
                    Assert.True(Difference2000.Between(tail, wish) < Difference2000.Between(tail, was), $"{tail} wish {wish} was {was}");
                    // Her own hair takes no part in it beyond its zones, and nothing lifts it.
                    Assert.InRange(p.Forecast.Roots!.Lab[0], p.Forecast.PerZone.Min(z => z.Lab[0]) - .01, p.Forecast.PerZone.Max(z => z.Lab[0]) + .01);
                    Assert.Equal(
                        x.wish > x.natural,
                        p.Because.Any(b => b.Rule == "SH2" && b.Says.Contains("No colour makes hair lighter", StringComparison.Ordinal))
                    );
                    Assert.Null(Bench.Prescribe(head.Replace("rootShadow", "rootTouchUp", StringComparison.Ordinal)).Forecast.Tail);
                },
                iter: 25
            );

    [Fact]
    public void The_blend_school_takes_the_demi_where_no_line_is_named()
    {
        var p = Bench.Prescribe("line=-; house.schools={\"SV7\":\"blend\"}");
        Assert.Equal("halyard-demi", p.Formulas[0].Line);
        Assert.Contains(p.Because, b => b.Rule == "SV7" && b.Says.Contains("never promised", StringComparison.Ordinal));
        Assert.Equal("lantern-cream", Bench.Prescribe("line=\"lantern-cream\"; house.schools={\"SV7\":\"blend\"}").Formulas[0].Line);
    }

    [Theory]
    [InlineData(
        "goal.service=\"gloss\"; hair.lengths.level=7; hair.lengths.history=\"lightened\"; hair.lengths.tone=\"C\"; goal.level=9; goal.tone=\"V\"",
        "SH9"
    )]
    [InlineData("goal.level=8.5", "SH11")]
    [InlineData("goal.level=8.5", "SV3")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=5; goal.level=6", "SV4")]
    public void A_wish_that_cannot_be_met_is_answered_with_words(string facts, string rule) => Assert.Contains(rule, Bench.Prescribe(facts).Rules());

    [Fact]
    public void A_bad_report_is_refused_by_field_and_range()
    {
        var (_, errors) = Core.Contract.CaseReader.Read(Bench.With("reports=[{\"daysAgo\":-1,\"forecast\":[29,7],\"wish\":[290,7,18]}]"), Bench.Shelf);
        Assert.Equal(["reports[0].daysAgo", "reports[0].forecast", "reports[0].wish"], errors.Select(e => e.Path).Order());
    }

    private static Lab Read(IReadOnlyList<double> lab) => new(lab[0], lab[1], lab[2]);

    private static string Say(Found? f) =>
        f is null
            ? "none"
            : $"{string.Join(" ", f.Parts.OrderBy(p => p.Shade, StringComparer.Ordinal).Select(p => $"{p.Shade}:{p.Share.Value:0.000}"))} {f.DeltaE:0.00000000} {f.Breach}";

    private static (Line, ApplicationTarget, MixRules) Set(Case c, int[] picks, string strong, double residual)
    {
        double level = Math.Clamp(c.Goal.Level!.Value.Value, 2, 9);
        var near = Cream.Shades.Where(s => s.Level > 0 && Math.Abs(s.Level - level) <= 1.5).ToList();
        var line = Cream with
        {
            Shades = [.. picks.Select(p => near[p % near.Count]).Append(near.First(s => s.Family == Family.N)).Distinct(), Cream.Find(strong)!],
        };
        var wished = c with
        {
            LineId = line.Id,
            Goal = c.Goal with { Service = Service.RootTouchUp, Level = Level.Of(level) },
            Reading = c.Reading with { Hands = c.Reading.Hands },
        };
        var (canvas, rules) = Bench.Met(
            wished,
            new Shelf([.. Bench.Shelf.Lines.Select(l => l.Id == line.Id ? line : l)]),
            new Lab(residual, -residual / 2, residual)
        );
        return (line, canvas, rules);
    }
}
