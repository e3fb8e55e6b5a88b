using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Shade;

public sealed class CatalogueTests
{
    [Theory]
    [InlineData("lantern-cream", LineKind.Permanent, Thickness.Cream, 1, "10 20 30c", 35, 25, 45, 30, 60, 58)]
    [InlineData("lantern-lift", LineKind.HighLift, Thickness.Cream, 2, "10 20 30c 40c", 40, 35, 45, 30, 65, 4)]
    [InlineData("halyard-demi", LineKind.Demi, Thickness.Gel, 1, "6 10", 20, 20, 25, 30, 45, 35)]
    [InlineData("tidewash-gloss", LineKind.Gloss, Thickness.Liquid, 1, "6", 15, 1, 20, 20, 35, 26)]
    [InlineData("breakwater", LineKind.Lightener, Thickness.Cream, 2, "20 30c", 45, 0, 45, 45, 50, 1)]
    public void The_demo_lines_are_as_the_contract_lists_them(
        string id,
        LineKind kind,
        Thickness thickness,
        double ratio,
        string developers,
        double process,
        double min,
        double max,
        double life,
        double longest,
        int shades
    )
    {
        var line = Bench.Shelf.Find(id)!;
        Assert.Equal((kind, thickness, ratio), (line.Kind, line.Thickness, line.DeveloperPerColour));
        Assert.Equal(developers, string.Join(" ", line.Developers.Select(d => $"{d.Volume.Value}{(d.ChairOnly ? "c" : "")}")));
        Assert.Equal(
            (process, min, max, life, longest),
            (line.Process.Value, line.ProcessMin.Value, line.ProcessMax.Value, line.WorkingLife.Value, line.LongestContact.Value)
        );
        Assert.Equal(shades, line.Shades.Count);
        Assert.Equal(shades, line.Shades.Select(s => s.Code).Distinct().Count());
    }

    [Theory]
    [InlineData("6N", 6, Family.N)]
    [InlineData("11AB", 11, Family.AB)]
    [InlineData("0R", 0, Family.R)]
    [InlineData("0G", 0, Family.AG)]
    [InlineData("0B", 0, Family.AB)]
    public void A_code_reads_as_level_and_family(string code, int level, Family family)
    {
        var shade = ShadeOf.Parse(code)!;
        Assert.Equal((level, family), (shade.Level, shade.Family));
    }

    [Theory]
    [InlineData("13N")]
    [InlineData("N")]
    [InlineData("6")]
    [InlineData("6n")]
    [InlineData("60")]
    [InlineData("0N")]
    [InlineData("")]
    public void What_is_no_code_is_refused(string code) => Assert.Null(ShadeOf.Parse(code));

    [Fact]
    public void A_wrong_line_file_is_refused_with_file_field_and_range()
    {
        string good = File.ReadAllText(Path.Combine(Bench.Root, "data", "catalogue", "halyard-demi.json"));
        var thrown = Assert.Throws<FormatException>(() =>
            CatalogueReader.Read([
                (
                    "mine.json",
                    good.Replace("\"processMin\": 20", "\"processMin\": 200", StringComparison.Ordinal).Replace("\"9B\"", "\"9Q\"", StringComparison.Ordinal)
                ),
            ])
        );
        Assert.Contains("mine.json", thrown.Message, StringComparison.Ordinal);
        Assert.Contains("processMin is 200", thrown.Message, StringComparison.Ordinal);
        Assert.Contains("0 to 120", thrown.Message, StringComparison.Ordinal);
        Assert.Contains("9Q", thrown.Message, StringComparison.Ordinal);
    }

    /// <summary>Two creams on one shelf: the house's own goes first, the shelf's order decides where the house says nothing, and no name is known to the engine.</summary>
    [Theory]
    [InlineData(null, "a-cream")]
    [InlineData("b-cream", "b-cream")]
    public void The_house_says_which_line_of_a_kind_it_takes(string? own, string taken)
    {
        var cream = Bench.Shelf.Find("lantern-cream")!;
        var shelf = new Shelf([cream with { Id = "a-cream" }, cream with { Id = "b-cream" }]);
        var house = House.Default with { Lines = own is null ? new Dictionary<LineKind, string>() : new() { [LineKind.Permanent] = own } };
        Assert.Equal(taken, shelf.For(Bench.Case().Goal, null, house)!.Id);
        Assert.Equal("a-cream", shelf.For(Bench.Case().Goal, "a-cream", house)!.Id);
    }

    [Fact]
    public void What_is_out_of_stock_is_said_and_not_replaced_by_another_kind_of_colour()
    {
        var (cream, demi) = (Bench.Shelf.Find("lantern-cream")!, Bench.Shelf.Find("halyard-demi")!);
        var bare = cream with { Out = [.. cream.Shades.Select(s => s.Code)] };
        Assert.Equal("lantern-cream", new Shelf([bare, demi]).For(Bench.Case().Goal, null, House.Default)!.Id);
        Assert.Equal("halyard-demi", new Shelf([demi]).For(Bench.Case().Goal, null, House.Default)!.Id);
    }

    [Theory]
    [InlineData("permanent", "halyard-demi", "lantern-cream")]
    [InlineData("gloss", "nobody", "tidewash-gloss")]
    public void A_line_of_the_house_has_to_be_on_the_shelf_and_of_its_kind(string kind, string id, string there)
    {
        var (_, errors) = CaseReader.Read(Bench.With($"house.lines={{\"{kind}\":\"{id}\"}}"), Bench.Shelf);
        Assert.Equal([($"house.lines.{kind}", there)], errors.Select(e => (e.Path, e.Range)));
    }
}
