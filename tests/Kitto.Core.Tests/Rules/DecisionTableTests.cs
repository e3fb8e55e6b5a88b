namespace Kitto.Core.Tests.Rules;

/// <summary>Heads with what the rules of the trade say to them: decision, developer of each formula, rules that must be named. Written from the rules.</summary>
public sealed class DecisionTableTests
{
    private const string White = "allZones.greyPercent=0; ";

    [Theory]
    // Developer by grey and lift (DV2, DV3, DV4)
    [InlineData("", "kit", "20", "DV3 SH1 SV7 TM2 DO1 DO2 DV9")]
    [InlineData("allZones.greyPercent=0", "kit", "10", "DV2")]
    [InlineData("allZones.greyPercent=9", "kit", "10", "DV2")]
    [InlineData("allZones.greyPercent=10", "kit", "20", "DV3")]
    [InlineData("allZones.greyPercent=60", "kit", "20", "DV3 SH5 TM5 SV7")]
    [InlineData("allZones.greyPercent=100", "kit", "20", "DV3 SH5")]
    [InlineData(White + "hair.naturalLevel=4; goal.level=5", "kit", "20", "DV3")]
    [InlineData(White + "hair.naturalLevel=4.5; goal.level=5", "kit", "20", "DV3")]
    [InlineData(White + "hair.naturalLevel=3; goal.level=5", "kit", "20", "DV4")]
    [InlineData(White + "hair.naturalLevel=2.5; goal.level=5", "salon", "30", "DV4 SV3 SA7 SA11")]
    [InlineData(White + "hair.naturalLevel=1.5; goal.level=5", "salon", "40", "DV4 SV3 SA7 SA11")]
    [InlineData(White + "goal.level=3", "kit", "10", "DV2")]
    [InlineData(White + "goal.level=2.5", "salon", "10", "DV2 SV3")]
    [InlineData("goal.level=8.5", "salon", "40", "SV3 SH11 DV4")]
    [InlineData("line=\"halyard-demi\"", "kit", "10", "DV11 SV7")]
    [InlineData("line=\"halyard-demi\"; allZones.greyPercent=5", "kit", "6", "DV2")]
    // Small lift (SV6)
    [InlineData(White + "goal.service=\"baseLift\"; goal.level=7", "kit", "20", "DV4 SV6 SH2")]
    [InlineData(White + "goal.service=\"baseLift\"; goal.level=7; hair.texture=\"fine\"", "kit", "15", "DV4 DV8 SV6")]
    [InlineData(White + "goal.service=\"baseLift\"; goal.level=8", "salon", "30", "DV4 SV3 SA7")]
    // Gloss, blend, shadow, lighten
    [InlineData("goal.service=\"gloss\"", "kit", "6", "DV5 SH24")]
    [InlineData("goal.service=\"gloss\"; house.schools={\"DV5\":\"permanentLow\"}", "kit", "10", "DV7")]
    [InlineData("goal.service=\"gloss\"; hair.lengths.level=8; goal.level=6", "kit", "6", "DV5")]
    [InlineData("goal.service=\"gloss\"; hair.lengths.level=8; goal.level=5", "salon", "6", "SV3")]
    [InlineData("goal.service=\"gloss\"; hair.lengths.level=7; hair.lengths.history=\"lightened\"; goal.level=9; goal.tone=\"V\"", "salon", "6", "SV4 SH9")]
    [InlineData("goal.service=\"gloss\"; hair.lengths.level=7; hair.lengths.history=\"lightened\"; goal.level=7; goal.tone=\"AB\"", "kit", "6", "DV5 SH8")]
    [InlineData("goal.service=\"greyBlend\"", "kit", "10", "DV11 SV7")]
    [InlineData("goal.service=\"greyBlend\"; allZones.greyPercent=80", "kit", "10", "DV11 SV7")]
    [InlineData("goal.service=\"greyBlend\"; allZones.greyPercent=5", "kit", "6", "DV2")]
    [InlineData("goal.service=\"rootShadow\"; hair.lengths.level=8", "kit", "10", "SV5 DV11")]
    [InlineData("goal.service=\"rootShadow\"; hair.lengths.level=8; house.schools={\"TM10\":\"permanent\"}", "kit", "20", "SV5 DV3")]
    [InlineData("goal.service=\"rootAndGloss\"", "kit", "20 6", "DV3 DV5 SV15")]
    [InlineData(White + "goal.service=\"lighten\"; goal.level=7", "salon", "20", "SA8 DV4")]
    [InlineData(White + "goal.service=\"lighten\"; goal.level=9", "salon", "30", "SA8 SA7 SA11 DV4")]
    [InlineData("house.schools={\"SV7\":\"blend\"}", "kit", "10", "SV7 DV11")]
    // Lengths (SV9, SV4)
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5", "kit", "20", "SV9 TM4")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={\"SV9\":\"leaveAlone\"}", "kit", "20", "SV9")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; goal.level=5; house.schools={\"SV9\":\"ownFormula\"}", "kit", "20 6", "SV9 DV5")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=5; goal.level=6", "salon", "20", "SV4")]
    [InlineData("goal.service=\"rootAndRefresh\"; hair.lengths.level=6; hair.lengths.highlighted=true; goal.level=5", "kit", "20", "SV14")]
    // Reds (SH12)
    [InlineData("goal.level=7; goal.tone=\"R\"", "salon", "20", "SH12")]
    [InlineData("goal.level=6; goal.tone=\"R\"", "kit", "20", "DV3")]
    // White hair and ash (SH5, SH6), resistant (AP9)
    [InlineData("allZones.greyPercent=80; zones.leftTemple={\"resistant\":true}", "kit", "20", "AP9 SH5 TM5")]
    [InlineData("allZones.greyPercent=40; goal.tone=\"AB\"", "kit", "20", "SH5 SH6")]
    [InlineData("allZones.greyPercent=80; formula={\"parts\":[{\"shade\":\"5AG\",\"share\":1}]}", "kit", "20", "SH1 SH5 SH6")]
    [InlineData("formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":10}", "kit", "10", "SH1 DV11")]
    [InlineData("formula={\"parts\":[{\"shade\":\"5N\",\"share\":1}],\"developerVolume\":30}", "salon", "30", "SA7 SA11 DV2")]
    // Cautions
    [InlineData("client.pregnant=true", "kit", "20", "SA20 SA22 SA23")]
    [InlineData("client.scalp=\"sensitive\"", "kit", "20", "SA21")]
    [InlineData("client.conditions=[\"eczema\"]", "kit", "20", "SA21")]
    [InlineData("client.newMedicine=true", "kit", "20", "SA21")]
    [InlineData("hair.lengths.history=\"unknown\"", "kit", "20", "SA4")]
    [InlineData("hair.lengths.history=\"boxDye\"", "kit", "20", "SA4")]
    [InlineData("hands.who=\"alone\"", "kit", "20", "SA24")]
    [InlineData("allZones.regrowthMm=6", "kit", "20", "RD12")]
    [InlineData("allZones.regrowthMm=9; hands.who=\"alone\"", "kit", "20", "RD12")]
    [InlineData("allZones.regrowthMm=40; last={\"daysAgo\":35}", "kit", "20", "RD5")]
    // Holds
    [InlineData("client.skinTest=-", "kit", "20", "SA5")]
    [InlineData("client.skinTest={\"daysAgo\":1,\"result\":\"clear\",\"line\":\"lantern-cream\"}", "kit", "20", "SA5")]
    [InlineData("client.skinTest={\"daysAgo\":15,\"result\":\"clear\",\"line\":\"lantern-cream\"}", "kit", "20", "SA5")]
    [InlineData("client.skinTest={\"daysAgo\":3,\"result\":\"clear\",\"line\":\"halyard-demi\"}", "kit", "20", "SA5")]
    // Stops
    [InlineData("client.reactions=true", "stop", "", "SA1")]
    [InlineData("client.blackHenna=true", "stop", "", "SA1")]
    [InlineData("client.skinTest={\"daysAgo\":3,\"result\":\"reacted\",\"line\":\"lantern-cream\"}", "stop", "", "SA1")]
    [InlineData("client.ageYears=15", "stop", "", "SA2")]
    [InlineData("client.scalp=\"broken\"", "stop", "", "SA3")]
    [InlineData("client.scalp=\"inflamed\"", "stop", "", "SA3")]
    [InlineData("client.scalp=\"sunburnt\"", "stop", "", "SA3")]
    [InlineData("client.scalp=\"infected\"", "stop", "", "SA3")]
    [InlineData("client.conditions=[\"rash\"]", "stop", "", "SA3")]
    [InlineData("hair.lengths.history=\"henna\"", "stop", "", "SA4")]
    [InlineData("hair.lengths.history=\"metallic\"", "stop", "", "SA4")]
    [InlineData("hair.lengths.history=\"unknown\"; hair.lengths.metalTest=\"reacted\"", "stop", "", "SA4")]
    [InlineData("hair.lengths.history=\"metallic\"; hair.lengths.metalTest=\"clear\"", "stop", "", "SA4")]
    [InlineData("client.strandTest={\"daysAgo\":1,\"result\":\"damaged\"}", "stop", "", "SA6")]
    [InlineData("client.chemicalServiceDaysAgo=13", "stop", "", "SA9")]
    [InlineData("client.chemicalServiceDaysAgo=15", "kit", "20", "DV3")]
    [InlineData("client.ageYears=16", "kit", "20", "DV3")]
    public void The_rules_decide_as_the_trade_does(string facts, string decision, string volumes, string rules)
    {
        var p = Bench.Prescribe(facts);
        Assert.Equal((decision, volumes), (Core.Contract.Json.Name(p.Decision), string.Join(' ', p.Formulas.Select(f => f.Developer.Volume.Value))));
        Assert.Superset(rules.Split(' ').ToHashSet(), p.Rules().ToHashSet());
    }

    /// <summary>What must not be said where it does not apply.</summary>
    [Theory]
    [InlineData("hands.who=\"helper\"", "SA24")]
    [InlineData("allZones.regrowthMm=9; hands.who=\"helper\"", "RD12")]
    [InlineData("allZones.greyPercent=0", "SV7 SH5 SH6 AP9 DV3")]
    [InlineData("hair.lengths.history=\"unknown\"; hair.lengths.metalTest=\"clear\"", "SA4")]
    [InlineData("", "SA5 SA20 SA21 SA7 SV3 SH9 SH11 SH12")]
    [InlineData("allZones.regrowthMm=14; last={\"daysAgo\":35}", "RD5")]
    public void What_does_not_apply_is_not_said(string facts, string rules)
    {
        var said = Bench.Prescribe(facts).Because;
        Assert.All(rules.Split(' '), rule => Assert.DoesNotContain(said, b => b.Rule == rule && b.About is not Topic.Tests));
    }
}
