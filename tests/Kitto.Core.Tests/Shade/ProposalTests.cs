using CsCheck;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Shade;

public sealed class ProposalTests
{
    /// <summary>Mixes worked by hand from SH1 to SH7.</summary>
    [Theory]
    [InlineData("lantern-cream", 5, "N", 40, "5N:1")]
    [InlineData("lantern-cream", 5.5, "N", 40, "5N:0.5 6N:0.5")]
    [InlineData("lantern-cream", 6, "NN", 90, "6NN:1")]
    [InlineData("lantern-cream", 6, "G", 0, "6G:1")]
    [InlineData("lantern-cream", 6, "G", 24, "6G:1")]
    [InlineData("lantern-cream", 6, "G", 30, "6G:0.75 6N:0.25")]
    [InlineData("lantern-cream", 6, "G", 60, "6G:0.5 6N:0.5")]
    [InlineData("lantern-cream", 6, "G", 75, "6G:0.5 6N:0.5")]
    [InlineData("lantern-cream", 6, "G", 76, "6N:0.75 6G:0.25")]
    [InlineData("lantern-cream", 5, "AG", 0, "5AG:1")]
    [InlineData("lantern-cream", 5, "AG", 60, "5N:0.5 5AG:0.4 0R:0.1")]
    [InlineData("lantern-cream", 6, "AB", 30, "6AB:0.6 6N:0.3 0R:0.1")]
    [InlineData("lantern-cream", 6.5, "G", 60, "6N:0.5 7G:0.5")]
    [InlineData("lantern-cream", 6.5, "G", 30, "7G:0.5 6N:0.25 6G:0.25")]
    [InlineData("lantern-cream", 6, "GC", 30, "6C:0.333 6G:0.333 6N:0.333")]
    [InlineData("lantern-cream", 9, "R", 0, "9N:0.9 0R:0.1")]
    [InlineData("lantern-cream", 4, "V", 0, "5V:1")]
    [InlineData("halyard-demi", 10, "N", 0, "9N:1")]
    [InlineData("halyard-demi", 6, "AB", 60, "6N:0.5 6AB:0.4 6R:0.1")]
    [InlineData("tidewash-gloss", 8, "V", 0, "8V:1")]
    [InlineData("lantern-lift", 6, "N", 0, "11AB:0.5 11N:0.5")]
    [InlineData("lantern-lift", 9, "N", 0, "11N:0.5 11V:0.5")]
    [InlineData("lantern-lift", 7, "G", 0, "11N:1")]
    [InlineData("breakwater", 9, "N", 0, "LT:1")]
    public void The_mix_matches_level_tone_and_grey(string line, double level, string toneText, double grey, string mix)
    {
        var parts = Proposal.For(Bench.Shelf.Find(line)!, Level.Of(level), Bench.Tone(toneText), Share.Of(grey / 100), "shade", []);
        Assert.Equal(
            mix.Split(' ').Order(StringComparer.Ordinal),
            parts.Select(p => $"{p.Shade}:{Math.Round(p.Share.Value, 3)}").Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Every_proposal_is_of_the_lines_own_shades_adds_up_and_has_the_neutral_that_grey_needs() =>
        (from line in Bench.Any("lantern-cream", "halyard-demi")
         from level in Gen.Int[2, 20]
         from first in Gen.Enum<Family>()
         from second in Gen.Enum<Family>()
         from grey in Gen.Double[0, 1]
         select (line, level: level / 2.0, tone: new Tone(first, second == first ? null : second), grey)).Sample(x =>
         {
             var line = Bench.Shelf.Find(x.line)!;
             var parts = Proposal.For(line, Level.Of(x.level), x.tone, Share.Of(x.grey), "shade", []);
             Assert.InRange(parts.Sum(p => p.Share.Value), 1 - 1e-6, 1 + 1e-6);
             Assert.All(parts, p => Assert.NotNull(line.Find(p.Shade)));
             Assert.InRange(parts.Count, 1, 4);
             return Proposal.NeutralShare(parts) >= Proposal.NeutralNeeded(Share.Of(x.grey)) - 1e-6;
         }, iter: 3000);

    [Theory]
    [InlineData("allZones.greyPercent=60; formula={\"parts\":[{\"shade\":\"6G\",\"share\":1}]}", "SH5")]
    [InlineData("allZones.greyPercent=60; formula={\"parts\":[{\"shade\":\"5AG\",\"share\":1}]}", "SH6")]
    [InlineData("allZones.greyPercent=60; formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":10}", "DV11")]
    [InlineData("allZones.greyPercent=0; formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":20}", "DV2")]
    public void A_given_formula_is_weighed_as_it_is_and_its_breach_is_said(string facts, string rule)
    {
        var p = Bench.Prescribe(facts);
        Assert.Single(p.Formulas[0].Parts);
        Assert.Contains(rule, p.Rules());
        Assert.Contains("SH1", p.Rules());
    }
}
