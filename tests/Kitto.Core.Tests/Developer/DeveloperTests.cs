using Kitto.Core.Developer;

namespace Kitto.Core.Tests.Developer;

public sealed class DeveloperTests
{
    /// <summary>
    /// 2 H2O2 -> 2 H2O + O2: molar mass of H2O2 34.0147 g, one mole of gas 22.414 l at 0 degrees C and 1 atm (published chemistry).
    /// A litre of solution counts as a kilogram, as the trade does.
    /// </summary>
    [Theory]
    [InlineData(10)]
    [InlineData(20)]
    [InlineData(30)]
    [InlineData(40)]
    public void Volume_is_litres_of_oxygen_from_one_litre_within_two_percent(double volume)
    {
        double grams = Volume.Of(volume).Percent * 10;
        double litres = grams / 34.0147 / 2 * 22.414;
        Assert.InRange(litres / volume, 0.98, 1.02);
    }

    [Theory]
    [InlineData("", 20, "DV3")]
    [InlineData("allZones.greyPercent=9", 10, "DV2")]
    [InlineData("allZones.greyPercent=10", 20, "DV3")]
    [InlineData("allZones.greyPercent=0; goal.level=4", 10, "DV2")]
    [InlineData("allZones.greyPercent=0; goal.level=5.5", 20, "DV3")]
    [InlineData("allZones.greyPercent=0; goal.level=6", 20, "DV3")]
    [InlineData("allZones.greyPercent=0; goal.level=7", 20, "DV4")]
    [InlineData("allZones.greyPercent=0; goal.level=8", 30, "DV4")]
    [InlineData("allZones.greyPercent=0; goal.level=9", 40, "DV4")]
    [InlineData("goal.service=\"baseLift\"; goal.level=7; allZones.greyPercent=0", 20, "DV4")]
    [InlineData("goal.service=\"baseLift\"; goal.level=7; allZones.greyPercent=0; hair.texture=\"fine\"", 15, "DV8")]
    [InlineData("goal.service=\"greyBlend\"", 10, "DV11")]
    [InlineData("goal.service=\"greyBlend\"; allZones.greyPercent=0", 6, "DV2")]
    [InlineData("goal.service=\"gloss\"", 6, "DV5")]
    [InlineData("goal.service=\"gloss\"; house.schools={\"DV5\":\"permanentLow\"}", 10, "DV7")]
    [InlineData("goal.service=\"lighten\"; goal.level=7", 20, "DV4")]
    [InlineData("goal.service=\"lighten\"; goal.level=9", 30, "DV4")]
    public void Strength_follows_wish_lift_and_grey(string facts, double volume, string rule)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal(volume, p.Formulas[0].Developer.Volume.Value);
        Assert.Equal(volume * .3, p.Formulas[0].Developer.Percent, 9);
        Assert.Contains(p.Because, b => b.Rule == rule && b.About == Topic.Developer);
    }

    [Fact]
    public void Roots_and_lengths_can_take_different_strengths()
    {
        var p = Bench.Prescribe("goal.service=\"rootAndGloss\"; goal.tone=\"G\"");
        Assert.Equal([(FormulaUse.Roots, 20.0), (FormulaUse.Lengths, 6.0)], p.Formulas.Select(f => (f.Use, f.Developer.Volume.Value)));
    }

    [Theory]
    [InlineData("lantern-cream", 20, "20:1")]
    [InlineData("lantern-cream", 15, "10:0.5 20:0.5")]
    [InlineData("lantern-cream", 12, "10:0.8 20:0.2")]
    [InlineData("lantern-cream", 25, "20:0.5 30:0.5")]
    [InlineData("lantern-cream", 35, "30:0.5 40:0.5")]
    [InlineData("halyard-demi", 8, "6:0.5 10:0.5")]
    [InlineData("halyard-demi", 20, "20:1")]
    [InlineData("lantern-cream", 5, "10:1")]
    public void Any_strength_between_two_stocked_ones_is_a_weighed_blend(string line, double volume, string blend)
    {
        var found = Strength.Blend(Volume.Of(volume), Bench.Shelf.Find(line)!, Bench.Shelf);
        Assert.Equal(blend, string.Join(" ", found.Select(b => $"{b.Volume.Value}:{Math.Round(b.Share, 6)}")));
        if (volume >= 6)
        {
            Assert.Equal(volume, found.Sum(b => b.Volume.Value * b.Share), 9);
        }
    }

    [Fact]
    public void A_strength_nobody_can_blend_is_said_and_the_weakest_is_weighed()
    {
        var p = Bench.Prescribe("formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":5}");
        Assert.Equal(10, p.Formulas[0].Developer.Volume.Value);
        Assert.Contains(p.Because, b => b.Rule == "DV8" && b.Says.Contains("5 vol", StringComparison.Ordinal));
    }
}
