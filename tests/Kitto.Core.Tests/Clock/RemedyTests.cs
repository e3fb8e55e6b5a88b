using CsCheck;
using Kitto.Core.Clock;
using Kitto.Core.Head;

namespace Kitto.Core.Tests.Clock;

public sealed class RemedyTests
{
    /// <summary>Alone, first time, dense: 10 x 2.5 x 1.25 = 31.25 min back first. With the shortest 25 min the first zone has 56.3: fits a line of 60.</summary>
    [Fact]
    public void What_fits_after_shortening_the_timer_asks_for_nothing_more() => Assert.Null(Bench.Prescribe("hair.density=\"high\"").Clock!.Remedies);

    /// <summary>
    /// High-lift on a lone first hand, dense: 10 x 2.5 x 1.25 x 0.9 = 28.1 min, standard 40, least 35, longest 65; the hairline may have 50.
    /// To and fro would put the hairline in the middle; back first ends on it, so all fits. In an order of her own that begins at the hairline it has 63.1 of 50.
    /// </summary>
    [Fact]
    public void A_hairline_begun_with_in_a_lift_is_too_long_and_what_changes_least_comes_first()
    {
        const string Lift = "goal.service=\"baseLift\"; goal.level=6; allZones.greyPercent=0; hair.density=\"high\"; ";
        Assert.Null(Bench.Prescribe(Lift).Clock!.Remedies);
        var p = Bench.Prescribe(Lift + "painting={\"sequence\":[\"frontHairline\",\"crown\"]}");
        Assert.Equal(PaintOrder.Own, p.Clock!.Order);
        Assert.Equal([Zone.FrontHairline, Zone.Crown], p.Clock.Zones.Take(2).Select(z => z.Zone));
        Assert.Equal(9, p.Clock.Zones.Count);
        // 28.1 + 35 = 63.1 on the hairline, 13.1 over.
        Assert.Contains(
            p.Because,
            b => b.Rule == "TM8" && b.Says.Contains("front hairline would have the colour on for 63.1 min, 13.1 min over", StringComparison.Ordinal)
        );
        Assert.Equal(["worstFirst", "helper", "halves", "earlyHalf"], p.Clock.Remedies!.Select(r => r.Name));
        // Nothing is white here, so worst first is back first, which fits.
        Assert.True(p.Clock.Remedies![0].Fits);
        Assert.Contains(p.Because, b => b.Rule == "TM5" && b.Says.StartsWith("In your own order, because you want it so", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("{\"order\":\"frontFirst\"}", PaintOrder.FrontFirst)]
    [InlineData("{\"order\":\"worstFirst\"}", PaintOrder.WorstFirst)]
    [InlineData("{\"order\":\"frontFirst\",\"sequence\":[\"nape\"]}", PaintOrder.Own)]
    public void An_order_that_is_wished_is_taken(string painting, PaintOrder order) =>
        Assert.Equal(order, Bench.Prescribe($"painting={painting}").Clock!.Order);

    [Theory]
    [InlineData("{\"order\":\"sideways\"}", "painting.order")]
    [InlineData("{\"order\":\"own\"}", "painting.sequence")]
    [InlineData("{\"sequence\":[\"nape\",\"nape\"]}", "painting.sequence[1]")]
    [InlineData("{\"sequence\":[\"chin\"]}", "painting.sequence[0]")]
    [InlineData("{\"path\":1}", "painting.path")]
    public void A_wish_that_is_none_is_answered_with_its_field(string painting, string path) =>
        Assert.Contains(Core.Contract.CaseReader.Read(Bench.With($"painting={painting}"), Bench.Shelf).Errors, e => e.Path == path);

    [Fact]
    public void Every_path_over_every_head_keeps_the_sums_and_a_break_is_never_without_a_word() =>
        Gen.Select(Bench.Cases, Gen.Shuffle(Enum.GetValues<Zone>()))
            .Sample(
                (c, path) =>
                {
                    var line = Bench.Shelf.For(c.Goal, null, c.House)!;
                    var why = new List<Reason>();
                    var clock = Timing.Choose(c.Reading, c.Reading.Hands, c.Goal.Service, line, 6, c.House, why, new PaintWish(PaintOrder.Own, path)).Schedule;
                    bool over = clock.Zones.Any(z => ContactWindow.Of(z.Zone, c.Reading.Zones[(int)z.Zone], line, c.Goal.Service).Miss(z.ContactMinutes) > 0);
                    return clock.Zones.Select(z => z.Zone).SequenceEqual(path.Where(z => c.Reading.Zones[(int)z].Include))
                        && clock.Zones.All(z => Math.Abs(z.PaintedAt.Value + z.ContactMinutes.Value - clock.RinseAtMinutes.Value) < 1e-6)
                        && over == (clock.Remedies is not null)
                        && over == why.Any(b => b is ZoneTooLong)
                        && (clock.Remedies is null || clock.Remedies.All(r => r.Fits == (r.OverMinutes.Value == 0)));
                },
                iter: 2000
            );
}
