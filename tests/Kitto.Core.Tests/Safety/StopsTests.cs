using CsCheck;
using Kitto.Core.Contract;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Safety;

public sealed class StopsTests
{
    public static readonly TheoryData<string, string> StopFacts = new()
    {
        { "client.reactions=true", "SA1" },
        { "client.blackHenna=true", "SA1" },
        { "client.skinTest={\"daysAgo\":3,\"result\":\"reacted\",\"line\":\"lantern-cream\"}", "SA1" },
        { "client.ageYears=15", "SA2" },
        { "client.scalp=\"broken\"", "SA3" },
        { "client.scalp=\"inflamed\"", "SA3" },
        { "client.scalp=\"sunburnt\"", "SA3" },
        { "client.scalp=\"infected\"", "SA3" },
        { "client.conditions=[\"rash\"]", "SA3" },
        { "client.conditions=[\"freshPiercing\"]", "SA3" },
        { "hair.lengths.history=\"metallic\"", "SA4" },
        { "hair.lengths.history=\"henna\"", "SA4" },
        { "client.strandTest={\"daysAgo\":1,\"result\":\"damaged\"}", "SA6" },
        { "client.chemicalServiceDaysAgo=14", "SA9" },
        { "client.conditions=[\"breakage\"]", "SA9" },
    };

    [Theory, MemberData(nameof(StopFacts))]
    public void A_stop_stops_with_its_rule_and_nothing_is_weighed(string facts, string rule)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(Decision.Stop, p.Decision);
        Assert.All(p.Because, b => Assert.Equal((rule, Topic.Stop), (b.Rule, b.About)));
        Assert.Empty(p.Formulas);
        Assert.Null(p.Quantity);
        Assert.Null(p.Clock);
        Assert.Null(p.Plan);
    }

    [Theory]
    [InlineData("client.ageYears=16")]
    [InlineData("client.scalp=\"sensitive\"")]
    [InlineData("hair.lengths.history=\"unknown\"")]
    [InlineData("hair.lengths.history=\"boxDye\"")]
    [InlineData("client.chemicalServiceDaysAgo=15")]
    [InlineData("client.pregnant=true")]
    [InlineData("client.conditions=[\"eczema\",\"something her doctor named\"]")]
    public void What_only_asks_for_care_does_not_stop(string facts) => Assert.Equal(Decision.Kit, Bench.Prescribe(facts).Decision);

    [Fact]
    public void All_stops_that_hold_are_named()
    {
        var p = Bench.Prescribe("client.reactions=true; client.ageYears=12; hair.lengths.history=\"henna\"");
        Assert.Equal(["SA1", "SA2", "SA4"], p.Rules());
    }

    [Fact]
    public void No_house_setting_service_line_or_given_formula_lets_a_stop_through() =>
        (
            from stop in Bench.Any([.. StopFacts.Select(r => (string)r.Data.Item1)])
            from service in Gen.Enum<Service>()
            from line in Bench.Any("lantern-cream", "lantern-lift", "halyard-demi", "tidewash-gloss")
            from schools in Gen.Int[0, 4].Array[Schools.Options.Count]
            from given in Gen.Bool
            select (stop, service, line, schools, given)
        ).Sample(
            x =>
            {
                string chosen = string.Join(",", Schools.Options.Select((o, i) => $"\"{o.Key}\":\"{o.Value[x.schools[i] % o.Value.Count]}\""));
                string formula = x.given
                    ? "; line=\"lantern-cream\"; formula={\"parts\":[{\"shade\":\"6N\",\"share\":1}],\"developerVolume\":10}"
                    : $"; line=\"{x.line}\"";
                string service = x.given ? "rootTouchUp" : Json.Name(x.service);
                return Bench.Prescribe($"{x.stop}; goal.service=\"{service}\"; house.serviceLevel=0.98; house.schools={{{chosen}}}{formula}").Decision
                    == Decision.Stop;
            },
            iter: 400
        );

    [Theory]
    [InlineData("goal.service=\"lighten\"", "SA8")]
    [InlineData("line=\"breakwater\"", "SA8")]
    [InlineData("goal.level=8", "SV3 DV4")]
    [InlineData("goal.level=2.5", "SV3")]
    [InlineData("goal.service=\"rootAndRefresh\"; goal.level=6", "SV4")]
    [InlineData("goal.service=\"gloss\"; goal.level=7", "SV4")]
    [InlineData("goal.level=6.5; goal.tone=\"R\"", "SH12")]
    [InlineData("formula={\"parts\":[{\"shade\":\"6N\",\"share\":1}],\"developerVolume\":30}", "SA7 SA11")]
    [InlineData("line=\"halyard-demi\"; formula={\"parts\":[{\"shade\":\"6N\",\"share\":1}],\"developerVolume\":25}", "SA7 SA11")]
    public void What_only_the_chair_can_do_is_salon_and_still_reckoned(string facts, string rules)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(Decision.Salon, p.Decision);
        Assert.Subset(p.Because.Where(b => b.About == Topic.Salon).Select(b => b.Rule).ToHashSet(), rules.Split(' ').ToHashSet());
        Assert.NotEmpty(p.Formulas);
        Assert.NotNull(p.Quantity);
        // A salon sheet reckons with trained hands: ten minutes for a whole head, or less by the partings.
        Assert.InRange(p.Clock!.PaintMinutes.Value, 1, 11.5);
    }

    [Theory]
    [InlineData("goal.level=7")]
    [InlineData("goal.level=3")]
    [InlineData("goal.service=\"rootTouchUp\"; goal.level=6; hair.lengths.history=\"permanent\"")]
    [InlineData("goal.service=\"gloss\"; goal.level=5; hair.lengths.level=6")]
    [InlineData("formula={\"parts\":[{\"shade\":\"9N\",\"share\":1}],\"developerVolume\":20}")]
    [InlineData("line=\"halyard-demi\"; formula={\"parts\":[{\"shade\":\"6N\",\"share\":1}],\"developerVolume\":20}")]
    public void Within_two_levels_and_twenty_volumes_it_stays_a_kit(string facts) => Assert.Equal(Decision.Kit, Bench.Prescribe(facts).Decision);
}
