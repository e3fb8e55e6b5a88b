using CsCheck;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Core.Trade;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Integration;

namespace Kitto.Core.Tests.Quantity;

/// <summary>What to send and how to weigh it: costs of both mistakes, tubes, vessels, stock blends, spoons.</summary>
public sealed class DecisionTests
{
    [Fact]
    public void Running_out_and_leftovers_agree_with_integrating_the_lognormal() =>
        (from who in Gen.Enum<Who>() from reckoned in Gen.Double[10, 300] from level in Gen.Double[0.5, 0.98] select (who, reckoned, level)).Sample(
            x =>
            {
                var hands = HandFactor.Prior(x.who);
                double there = x.reckoned * hands.Quantile(x.level);
                var found = OrderRisk.Of(Grams.Of(x.reckoned), hands, Grams.Of(4), Grams.Of(there + 4));
                var use = new LogNormal(Math.Log(x.reckoned) + hands.Mean, hands.PredictiveSd);
                double left = GaussLegendreRule.Integrate(u => (there - u) * use.Density(u), 1e-6, there, 512);
                double missing = GaussLegendreRule.Integrate(u => (u - there) * use.Density(u), there, there * 6, 512);
                Assert.Equal(x.level, found.Level, 6);
                Assert.Equal(left, found.Left.Value, x.reckoned * 1e-4);
                Assert.Equal(missing, found.Short.Value, x.reckoned * 1e-4);
            },
            iter: 300
        );

    [Theory]
    [InlineData(9, 1, 0.90)]
    [InlineData(19, 1, 0.95)]
    [InlineData(1, 1, 0.80)]
    [InlineData(1000, 1, 0.98)]
    public void The_houses_costs_set_the_newsvendors_quantile_within_its_bounds(double missing, double left, double level)
    {
        var p = Bench.Prescribe($"house.costs={{\"shortPerGram\":{missing},\"leftPerGram\":{left}}}");
        var fixedLevel = Bench.Prescribe($"house.serviceLevel={level}");
        Assert.Equal(fixedLevel.Quantity, p.Quantity);
        Assert.InRange(p.Quantity!.RunsOutShare.Value, 1 - level - .005, 1 - level + .001);
        Assert.Contains(p.Because, b => b.Rule == "DO2" && b.Says.Contains("own costs", StringComparison.Ordinal));
    }

    [Fact]
    public void Sending_the_newsvendors_quantile_costs_less_than_any_other()
    {
        var hands = HandFactor.Prior(Who.Alone);
        double Cost(double level)
        {
            var m = OrderRisk.Of(Grams.Of(50), hands, Grams.Of(4), Grams.Of(50 * hands.Quantile(level) + 4));
            return 12 * m.Short.Value + 1 * m.Left.Value;
        }

        double best = Cost(12.0 / 13);
        Assert.All(Enumerable.Range(50, 49).Select(i => i / 100.0), level => Assert.True(best <= Cost(level) + 1e-9));
    }

    [Fact]
    public void Other_settings_send_more_for_a_higher_level_and_leave_more_over()
    {
        var q = Bench.Prescribe().Quantity!;
        var others = OrderRisk.Instead(q, HandFactor.Prior(Who.Alone));
        Assert.Equal(OrderRisk.Levels, others.Select(m => Math.Round(m.Level, 6)));
        Assert.Equal(others.Select(m => m.Send.Value).Order(), others.Select(m => m.Send.Value));
        Assert.Equal(others.Select(m => m.Left.Value).Order(), others.Select(m => m.Left.Value));
        Assert.InRange(others[1].Send.Value, q.SendGrams.Value - .3, q.SendGrams.Value + .01);
    }

    [Fact]
    public void A_stock_blend_weighs_every_part_at_ten_steps_or_more_and_keeps_the_shares() =>
        (from small in Gen.Double[0.01, 0.2] from take in Gen.Double[5, 80] from step in Bench.Any(0.1, 0.5, 1.0) select (small, take, step)).Sample(
            x =>
            {
                MixPart[] parts = [new("5N", Share.Of(1 - x.small)), new("0R", Share.Of(x.small))];
                var stock = Stock.Of(parts, [new Portioned("main", Grams.Of(x.take)), new Portioned("strand test", Grams.Of(1.5))], Grams.Of(x.step), 1.5);
                double total = stock.Weigh.Sum(s => s.Grams.Value);
                Assert.Equal(total, stock.Takes.Sum(t => t.Grams.Value) + stock.Over.Value, x.step / 2);
                Assert.All(stock.Weigh, s => Assert.True(s.Grams.Value >= 10 * x.step - x.step - 1e-9));
                Assert.InRange(stock.Weigh[1].Grams.Value / total, x.small * .9, x.small * 1.1);
            },
            iter: 2000
        );

    [Fact]
    public void A_part_too_small_for_a_sachet_is_weighed_once_for_all_of_them()
    {
        // A fiftieth of some forty grams is 0.8 g; ten steps of 0.1 g are 1.0 g, so fifty grams of stock.
        var p = Bench.Prescribe(
            "house.schools={\"DO10\":\"onePair\"}; formula={\"parts\":[{\"shade\":\"5N\",\"share\":0.98},{\"shade\":\"0R\",\"share\":0.02}]}"
        );
        var stock = p.Formulas[0].Stock!;
        Assert.Equal(["5N 49", "0R 1"], stock.Weigh.Select(s => $"{s.What} {s.Grams.Value}"));
        Assert.Equal(["main", "skin test", "strand test"], stock.Takes.Select(t => t.What));
        Assert.Equal(p.Formulas[0].Pairs[0].ColourFillGrams, stock.Takes[0].Grams);
        Assert.Contains("49 g 5N, 1 g 0R", p.Because.Single(b => b.Rule == "BE4").Says, StringComparison.Ordinal);
        Assert.Null(Bench.Prescribe("allZones.greyPercent=0").Formulas[0].Stock);
    }

    [Theory]
    [InlineData(55, 1, true)]
    [InlineData(60, 1, true)]
    [InlineData(61, 2, false)]
    [InlineData(110, 2, true)]
    [InlineData(54, 1, false)]
    public void Whole_tubes_are_worth_saying_within_a_tenth(double colour, int tubes, bool worth)
    {
        var (count, above) = Vessels.WholeTubes(Grams.Of(colour), Bench.Shelf.Find("lantern-cream")!);
        Assert.Equal((tubes, worth), (count, above <= Values.TubeMargin - 1 + 1e-9));
    }

    [Fact]
    public void A_house_that_sends_whole_tubes_sends_them_unopened_with_developer_to_match()
    {
        const string OneShade = "formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}]}; house.schools={\"BE10\":\"wholeTube\"}";
        var p = Bench.Prescribe(OneShade);
        var pair = Assert.Single(p.Formulas[0].Pairs);
        Assert.Equal((60.0, 60.0, 60.0), (pair.ColourGrams.Value, pair.ColourFillGrams.Value, pair.DeveloperGrams.Value));
        Assert.Equal(120, p.Quantity!.SendGrams.Value);
        Assert.True(p.Quantity.RunsOutShare.Value < .05, "more than was asked for");
        Assert.Contains(p.Because, b => b.Rule == "BE10");
        Assert.Equal(
            2,
            Bench
                .Prescribe(OneShade.Replace("\"share\":1}", "\"share\":0.5},{\"shade\":\"6N\",\"share\":0.5}", StringComparison.Ordinal))
                .Formulas[0]
                .Pairs.Count
        );
    }

    [Fact]
    public void A_pair_too_large_for_its_vessel_is_mixed_in_goes()
    {
        Assert.Contains("DO12", Bench.Prescribe("hair.density=\"high\"; hair.texture=\"coarse\"; allZones.regrowthMm=40; hands.who=\"helper\"").Rules());
        Assert.DoesNotContain("DO12", Bench.Prescribe().Rules());
    }

    [Fact]
    public void What_a_picture_says_is_left_never_means_that_nothing_was_used() =>
        Bench.Cases.Sample(
            c =>
            {
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                foreach (double full in Leftover.Pictures)
                {
                    double most = p.Quantity!.SendGrams.Value - p.Quantity.ResidueGrams.Value;
                    Assert.InRange(Leftover.Judged(p, Share.Of(full), true).Value, 0, most);
                    Assert.InRange(Leftover.Judged(p, Share.Of(full), false).Value, 0, most);
                }
            },
            iter: 80
        );

    [Fact]
    public void A_judged_report_and_an_old_one_move_belief_less_than_a_weighed_new_one()
    {
        double Moved(bool weighed, int days) =>
            HandFactor.Prior(Who.Alone).After(new UsedBefore(Grams.Of(48), Grams.Of(80), Grams.Of(4), Grams.Of(36), false, weighed, days)).Mean;
        double prior = HandFactor.Prior(Who.Alone).Mean;
        Assert.True(Moved(true, 0) < Moved(true, 365) && Moved(true, 365) < prior);
        Assert.True(Moved(true, 0) < Moved(false, 0) && Moved(false, 0) < prior);
        // After one half-life a report tells half as much: twice the variance.
        var old = HandFactor.Prior(Who.Alone).After(new UsedBefore(Grams.Of(48), Grams.Of(80), Grams.Of(4), Grams.Of(36), false, true, 365));
        Assert.Equal(1 / (1 / .04 + 1 / (2 * .0144)), old.Sd * old.Sd, 9);
    }

    [Fact]
    public void The_learned_band_narrows_with_every_full_report()
    {
        var hands = new Hands(
            Who.Alone,
            true,
            [.. Enumerable.Range(0, 6).Select(i => new UsedBefore(Grams.Of(48), Grams.Of(80), Grams.Of(4), Grams.Of(18), false, true, i * 35))]
        );
        var sds = HandFactor.Course(hands).Select(f => f.Sd).ToList();
        Assert.Equal(7, sds.Count);
        Assert.Equal(sds.OrderDescending(), sds);
        Assert.Equal(HandFactor.Learned(hands), HandFactor.Course(hands)[^1]);
    }

    [Fact]
    public void Front_and_hairline_only_takes_some_twenty_grams()
    {
        // DO5, three to four weeks on: hairline, temples and a narrow front; common practice says some 20 g of mix.
        var p = Bench.Prescribe(
            "allZones.include=false; allZones.regrowthMm=12; allZones.greyPercent=60; zones.frontHairline={\"include\":true}; zones.leftTemple={\"include\":true}; zones.rightTemple={\"include\":true}"
        );
        Assert.InRange(p.Quantity!.SendGrams.Value, 10, 26);
    }
}
