using System.Reflection;
using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Trade;

namespace Kitto.Core.Tests.Trade;

public sealed class SchoolsTests
{
    /// <summary>Heads on which a colourist would see the schools part.</summary>
    private static readonly string[] Heads =
    [
        "",
        "client.skinTest.daysAgo=40",
        "allZones.greyPercent=60; allZones.resistant=true",
        "goal.level=7",
        "goal.service=\"gloss\"; hair.lengths.level=8; hair.lengths.tone=\"G\"; hair.lengths.history=\"lightened\"; goal.level=8; goal.tone=\"B\"",
        "goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5",
        "goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; hair.porosity=\"high\"",
        "goal.service=\"rootShadow\"; hair.lengths.level=8; hair.lengths.history=\"lightened\"; goal.level=6",
        "hair.lengths.history=\"virgin\"; allZones.regrowthMm=200",
    ];

    public static TheoryData<string, string> Ways => [.. Schools.Options.SelectMany(s => s.Value.Skip(1).Select(way => (s.Key, way)))];

    [Theory]
    [MemberData(nameof(Ways))]
    public void Every_way_of_every_school_changes_something_on_an_ordinary_head(string rule, string way) =>
        Assert.True(
            Heads.Any(head => All($"{head}; house.schools={{\"{rule}\":\"{way}\"}}") != All(head)),
            $"{rule} {way} does nothing on any of {Heads.Length} heads"
        );

    [Fact]
    public void Every_school_of_the_book_is_one_enum_with_the_same_ways_in_the_same_order()
    {
        var enums = typeof(Schools)
            .Assembly.GetTypes()
            .Select(t => (Type: t, t.GetCustomAttribute<SchoolAttribute>()?.Rule))
            .Where(t => t.Rule is not null)
            .ToList();
        Assert.Equal(Schools.Options.Keys.Order(), enums.Select(e => e.Rule!).Order());
        Assert.All(enums, e => Assert.Equal(Schools.Options[e.Rule!], Enum.GetNames(e.Type).Select(JsonNamingPolicy.CamelCase.ConvertName)));
    }

    [Theory]
    [InlineData("hair.lengths.history=\"virgin\"; allZones.regrowthMm=30", "Comb it through once, from the root to where the colour ends.")]
    [InlineData("allZones.regrowthMm=80", "Comb the new hair once. Stop before your old colour starts.")]
    [InlineData("allZones.greyPercent=60; allZones.resistant=true", "Comb the root once, away from your old colour.")]
    [InlineData("", null)]
    public void A_house_that_combs_permanent_colour_through_never_drags_it_over_the_line(string head, string? says) =>
        Assert.Equal(
            says,
            Guide($"{head}; house.schools={{\"AP12\":\"through\"}}")
                .Steps.Where(s => s.Kind == StepKind.Paint)
                .SelectMany(s => s.Lines)
                .FirstOrDefault(l => l.StartsWith("Comb", StringComparison.Ordinal))
        );

    private static Guide Guide(string facts)
    {
        var c = Bench.Case(facts);
        return Core.Guide.For(c, Prescriber.Prescribe(c, Bench.Shelf), Bench.Shelf, Language.English)!;
    }

    private static string All(string facts)
    {
        var c = Bench.Case(facts);
        var p = Prescriber.Prescribe(c, Bench.Shelf);
        return JsonSerializer.Serialize(p, Json.Options) + JsonSerializer.Serialize(Core.Guide.For(c, p, Bench.Shelf, Language.English), Json.Options);
    }
}
