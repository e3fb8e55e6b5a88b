using CsCheck;
using Kitto.Core.Quantity;

namespace Kitto.Core.Tests.Quantity;

public sealed class BowlLeftTests
{
    [Fact]
    public void A_bowl_only_empties_from_what_was_mixed_in_it_and_each_zone_takes_its_own() =>
        Bench.Cases.Sample(
            c =>
            {
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                if (p.Clock is null)
                {
                    return;
                }

                var along = BowlLeft.Along(c, p, Bench.Shelf.Find(p.Formulas[0].Line)!);
                Assert.Equal(p.Clock.Strokes.Select(s => s.Stroke), along.Select(b => b.Stroke));
                foreach (var bowl in along.GroupBy(b => b.Pair))
                {
                    var pair = p.Formulas[0].Pairs.Single(x => x.Name == bowl.Key);
                    double before = (pair.ColourGrams + pair.DeveloperGrams).Value;
                    Assert.All(bowl, b => Assert.InRange(b.Left.Value, 0, before));
                    Assert.True(bowl.Zip(bowl.Skip(1)).All(x => x.Second.Left.Value <= x.First.Left.Value));
                }
            },
            iter: 150
        );

    [Fact]
    public void After_the_last_zone_there_is_left_what_was_mixed_less_what_these_hands_use()
    {
        var p = Bench.Prescribe("allZones.regrowthMm=10");
        var along = BowlLeft.Along(Bench.Case("allZones.regrowthMm=10"), p, Bench.Shelf.Find("lantern-cream")!);
        double mixed = p.Formulas[0].Pairs.Where(x => x.Name == "main").Sum(x => x.ColourGrams.Value + x.DeveloperGrams.Value);
        Assert.Equal(mixed - p.Quantity!.UseGrams.Value, along[^1].Left.Value, .25);
        Assert.All(along, b => Assert.False(b.Reserve));
    }
}
