namespace Kitto.Core.Tests.Safety;

public sealed class HoldsTests
{
    private const string Plan = "plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\",\"friday\"],\"transitDays\":2}";

    [Theory]
    [InlineData("client.skinTest.daysAgo=2", true)]
    [InlineData("client.skinTest.daysAgo=14", true)]
    [InlineData("client.skinTest.daysAgo=1", false)]
    [InlineData("client.skinTest.daysAgo=15", false)]
    [InlineData("client.skinTest=-", false)]
    [InlineData("client.skinTest.line=\"halyard-demi\"", false)]
    [InlineData("client.skinTest.line=-", false)]
    [InlineData("client.newMedicine=true", false)]
    [InlineData("goal.service=\"rootAndGloss\"", false)]
    // Colour day of this plan is 17 days off, so a test of today's three days is twenty days old then.
    [InlineData(Plan, false)]
    [InlineData("client.skinTest.daysAgo=60; house.schools={\"SA5\":\"sameLineMonths\"}", true)]
    [InlineData("client.skinTest.daysAgo=183; house.schools={\"SA5\":\"sameLineMonths\"}", false)]
    [InlineData("client.skinTest.daysAgo=60; client.newMedicine=true; house.schools={\"SA5\":\"sameLineMonths\"}", false)]
    public void A_skin_test_counts_when_clear_young_enough_on_the_day_and_done_with_every_line(string facts, bool counts)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(counts, !p.Holds.Contains("SA5"));
        Assert.Equal(counts ? SkinState.Clear : SkinState.Required, p.Tests.SkinTest);
        Assert.Equal(Decision.Kit, p.Decision);
    }

    [Theory]
    [InlineData("", StrandState.Required)]
    [InlineData("client.strandTest={\"daysAgo\":1,\"result\":\"right\",\"minutes\":35}", StrandState.Clear)]
    [InlineData("client.strandTest={\"daysAgo\":1,\"result\":\"tooDark\"}", StrandState.Required)]
    [InlineData("client.strandTest={\"daysAgo\":1,\"result\":\"damaged\"}", StrandState.Failed)]
    [InlineData(
        "client.firstKit=false; last={\"daysAgo\":36,\"formula\":{\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":20}}",
        StrandState.Offered
    )]
    [InlineData(
        "client.firstKit=false; last={\"daysAgo\":36,\"formula\":{\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":10}}",
        StrandState.Required
    )]
    [InlineData(
        "client.firstKit=false; last={\"daysAgo\":36,\"formula\":{\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":20},\"outcome\":{\"depth\":\"tooDark\"}}",
        StrandState.Required
    )]
    [InlineData(
        "client.firstKit=true; last={\"daysAgo\":36,\"formula\":{\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":20}}",
        StrandState.Required
    )]
    [InlineData("client.firstKit=false; formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}]}", StrandState.Offered)]
    [InlineData("client.firstKit=false", StrandState.Required)]
    public void A_strand_test_is_needed_for_a_first_kit_or_a_changed_formula(string facts, StrandState state)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(state, p.Tests.StrandTest);
        Assert.Equal(state == StrandState.Required, p.Holds.Contains("SA12"));
    }

    [Theory]
    [InlineData("client.pregnant=true", "SA20")]
    [InlineData("client.conditions=[\"breastfeeding\"]", "SA20")]
    [InlineData("client.conditions=[\"psoriasis\"]", "SA21")]
    [InlineData("client.scalp=\"sensitive\"", "SA21")]
    [InlineData("client.newMedicine=true", "SA21")]
    [InlineData("client.conditions=[\"lowVision\"]; hands.who=\"helper\"", "SA24")]
    [InlineData("hair.lengths.history=\"boxDye\"", "SA4")]
    [InlineData("allZones.regrowthMm=9", "RD12")]
    [InlineData("allZones.regrowthMm=7.9; hands.who=\"helper\"", "RD12")]
    [InlineData("last={\"daysAgo\":70}", "RD5")]
    [InlineData("goal.level=8; formula={\"parts\":[{\"shade\":\"8N\",\"share\":1}],\"developerVolume\":20}", "SH11")]
    [InlineData("", "SA22")]
    [InlineData("", "SA23")]
    [InlineData("", "SA10")]
    public void What_wants_care_is_said_and_leaves_the_decision(string facts, string rule)
    {
        var p = Bench.Prescribe(facts);
        Assert.Contains(p.Because, b => b.Rule == rule && b.About == Topic.Caution);
        Assert.Equal(Decision.Kit, p.Decision);
        Assert.NotNull(p.Quantity);
    }

    [Theory]
    [InlineData("last={\"daysAgo\":36}", "RD5")]
    [InlineData("allZones.regrowthMm=10", "RD12")]
    [InlineData("allZones.regrowthMm=8; hands.who=\"helper\"", "RD12")]
    [InlineData("hands.practised=true", "SA24")]
    public void What_is_in_order_is_not_questioned(string facts, string rule) => Assert.DoesNotContain(rule, Bench.Prescribe(facts).Rules());

    [Fact]
    public void Too_early_is_judged_on_colour_day_and_not_today()
    {
        // Four millimetres today grow by 12.5 mm a month over 17 days to eleven on the day.
        Assert.Contains("RD12", Bench.Prescribe("allZones.regrowthMm=4").Rules());
        Assert.DoesNotContain("RD12", Bench.Prescribe("allZones.regrowthMm=4; " + Plan).Rules());
    }
}
