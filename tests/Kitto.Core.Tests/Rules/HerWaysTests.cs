using CsCheck;
using Kitto.Core.Contract;
using Kitto.Core.Rules;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Rules;

public sealed class HerWaysTests
{
    private const string Tail = "\"reason\":\"she asked for it\",\"by\":\"Tove Marlin\",\"on\":\"2027-03-01\"";

    private static string Way(string rule, string way) => $"house.forHer=[{{\"rule\":\"{rule}\",\"way\":\"{way}\",{Tail}}}]";

    [Fact]
    public void Her_own_way_wins_over_the_houses_and_is_shown_with_reason_name_and_day()
    {
        const string House = "goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={\"SV9\":\"sameMix\"}";
        Assert.Equal([FormulaUse.Roots], Bench.Prescribe(House).Formulas.Select(f => f.Use));
        var hers = Bench.Prescribe($"{House}; {Way("SV9", "ownFormula")}");
        Assert.Equal([FormulaUse.Roots, FormulaUse.Lengths], hers.Formulas.Select(f => f.Use));
        var said = hers.Because.Single(b => b.About == Topic.Hers);
        Assert.Equal("SV9", said.Rule);
        Assert.All(
            "she asked for it|Tove Marlin|1 Mar 2027|a formula of their own|the same mix".Split('|'),
            words => Assert.Contains(words, said.Says, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_caution_taken_on_is_said_and_the_caution_stays()
    {
        var p = Bench.Prescribe($"client.pregnant=true; {Way("SA20", "taken")}");
        Assert.Equal(2, p.Because.Count(b => b.Rule == "SA20"));
    }

    [Theory]
    [InlineData("SA1", "taken", "rule")]
    [InlineData("SA7", "taken", "rule")]
    [InlineData("DV3", "other", "rule")]
    [InlineData("XX9", "taken", "rule")]
    [InlineData("SV9", "never", "way")]
    [InlineData("SA20", "ignored", "way")]
    public void Nobody_departs_from_a_stop_or_from_what_has_one_way(string rule, string way, string field)
    {
        var (_, errors) = CaseReader.Read(Bench.With(Way(rule, way)), Bench.Shelf);
        Assert.Contains(errors, e => e.Path == $"house.forHer[0].{field}");
    }

    [Fact]
    public void No_way_decided_for_her_lets_a_stop_through() =>
        (
            from stop in Bench.Any(
                "client.reactions=true",
                "client.ageYears=12",
                "client.scalp=\"broken\"",
                "hair.lengths.history=\"metallic\"",
                "client.strandTest={\"daysAgo\":1,\"result\":\"damaged\"}",
                "client.chemicalServiceDaysAgo=3"
            )
            from picks in Gen.Int[0, 9].Array[Schools.Options.Count]
            from cautions in Gen.Bool
            select (stop, picks, cautions)
        ).Sample(
            x =>
            {
                var ways = Schools
                    .Options.Select((o, i) => $"{{\"rule\":\"{o.Key}\",\"way\":\"{o.Value[x.picks[i] % o.Value.Count]}\",{Tail}}}")
                    .Concat(
                        x.cautions ? RuleBook.All.Where(r => r.Kind == RuleKind.Caution).Select(r => $"{{\"rule\":\"{r.Id}\",\"way\":\"taken\",{Tail}}}") : []
                    );
                return Bench.Prescribe($"{x.stop}; house.forHer=[{string.Join(",", ways)}]").Decision == Decision.Stop;
            },
            iter: 200
        );

    [Fact]
    public void A_reason_a_name_and_a_day_are_needed()
    {
        var (_, errors) = CaseReader.Read(Bench.With("house.forHer=[{\"rule\":\"SV9\",\"way\":\"diluted\"}]"), Bench.Shelf);
        Assert.Equal(["house.forHer[0].on", "house.forHer[0].reason"], errors.Select(e => e.Path).Order());
    }
}
