using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;

namespace Kitto.Core.Tests.Contract;

public sealed class CaseReaderTests
{
    [Theory]
    [InlineData("client.ageYears=121", "client.ageYears", "0 to 120")]
    [InlineData("client.ageYears=-1", "client.ageYears", "0 to 120")]
    [InlineData("client.ageYears=44.5", "client.ageYears", "0 to 120")]
    [InlineData("client.ageYears=-", "client.ageYears", "0 to 120")]
    [InlineData("client.scalp=\"sore\"", "client.scalp", "sound, sensitive, broken, inflamed, sunburnt, infected")]
    [InlineData("client.reactions=\"no\"", "client.reactions", "true, false")]
    [InlineData("client.chemicalServiceDaysAgo=3651", "client.chemicalServiceDaysAgo", "0 to 3650")]
    [InlineData("client.conditions=[1]", "client.conditions[0]", "such as eczema")]
    [InlineData("client.skinTest.line=\"nowhere\"", "client.skinTest.line", "lantern-cream")]
    [InlineData("client.strandTest={\"daysAgo\":1}", "client.strandTest.result", "right")]
    [InlineData("hair.naturalLevel=11", "hair.naturalLevel", "1 to 10")]
    [InlineData("hair.naturalLevel=5.3", "hair.naturalLevel", "halves")]
    [InlineData("hair.naturalLevel=-", "hair.naturalLevel", "1 to 10")]
    [InlineData("hair.lengthCm=0", "hair.lengthCm", "1 to 120")]
    [InlineData("hair.texture=\"wiry\"", "hair.texture", "fine, medium, coarse")]
    [InlineData("hair.lengths.history=\"tea\"", "hair.lengths.history", "virgin, permanent")]
    [InlineData("hair.lengths.tone=\"A\"", "hair.lengths.tone", "a pair of them")]
    [InlineData("hair=-", "hair", "naturalLevel")]
    [InlineData("client=5", "client", "{")]
    [InlineData("goal.service=\"shave\"", "goal.service", "rootTouchUp")]
    [InlineData("goal.service=-", "goal.service", "rootTouchUp")]
    [InlineData("goal.level=13", "goal.level", "1 to 12")]
    [InlineData("goal.lengthsCondition=\"soaked\"", "goal.lengthsCondition", "dry, damp")]
    [InlineData("allZones.regrowthMm=301", "allZones.regrowthMm", "0 to 300")]
    [InlineData("allZones.regrowthMm=-", "allZones.regrowthMm", "0 to 300")]
    [InlineData("allZones=-", "allZones", "regrowthMm")]
    [InlineData("zones.nape.greyPercent=100.5", "zones.nape.greyPercent", "0 to 100")]
    [InlineData("zones.nape.regrowthMm=\"12\"", "zones.nape.regrowthMm", "0 to 300")]
    [InlineData("zones.neck={}", "zones.neck", "nape")]
    [InlineData("allZones.include=false", "zones", "at least one")]
    [InlineData("line=\"nowhere\"", "line", "halyard-demi")]
    [InlineData("hands.who=\"neighbour\"", "hands.who", "trained, helper, alone")]
    [InlineData("hands.history=[{\"baseGrams\":48,\"sentGrams\":80,\"leftGrams\":80}]", "hands.history[0].leftGrams", "below 80")]
    [InlineData("hands.history=[{\"baseGrams\":0,\"sentGrams\":80}]", "hands.history[0].baseGrams", "0.1 to 5000")]
    [InlineData("last={\"outcome\":{\"tone\":\"odd\"}}", "last.outcome.tone", "right, tooWarm, tooCool, green")]
    [InlineData("formula={\"parts\":[{\"shade\":\"6N\",\"share\":0.5}]}", "formula.parts", "add up to 1")]
    [InlineData("formula={\"parts\":[{\"shade\":\"6Q\",\"share\":1}]}", "formula.parts[0].shade", "6N")]
    [InlineData("formula={\"parts\":[{\"shade\":\"11V\",\"share\":1}]}", "formula.parts[0].shade", "5N")]
    [InlineData("formula={\"parts\":[{\"shade\":\"6N\",\"share\":0.5},{\"shade\":\"6N\",\"share\":0.5}]}", "formula.parts[1].shade", "each once")]
    [InlineData("formula={\"parts\":[{\"shade\":\"6N\",\"share\":1}],\"developerVolume\":41}", "formula.developerVolume", "0 to 40")]
    [InlineData("formula={\"use\":\"brows\",\"parts\":[{\"shade\":\"6N\",\"share\":1}]}", "formula.use", "roots, lengths, shadow")]
    [InlineData("plan={\"wantBy\":\"2027-03-20\"}", "plan.today", "date")]
    [InlineData("plan={\"today\":\"2027-02-30\",\"wantBy\":\"2027-03-20\"}", "plan.today", "year-month-day")]
    [InlineData("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"someday\"]}", "plan.postDays[0]", "monday")]
    [InlineData("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[]}", "plan.postDays", "at least one")]
    [InlineData("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"transitDays\":15}", "plan.transitDays", "0 to 14")]
    [InlineData("house.serviceLevel=0.5", "house.serviceLevel", "0.8 to 0.98")]
    [InlineData("house.schools={\"SA1\":\"never\"}", "house.schools.SA1", "SV9")]
    [InlineData("house.schools={\"SV9\":\"sometimes\"}", "house.schools.SV9", "diluted")]
    [InlineData("kitto=\"case/2\"", "kitto", "case/1")]
    [InlineData("colour=\"red\"", "colour", "goal")]
    [InlineData("hair.lengths.shine=3", "hair.lengths.shine", "history")]
    public void A_wrong_field_is_named_with_its_range(string facts, string path, string range)
    {
        var (found, errors) = CaseReader.Read(Bench.With(facts), Bench.Shelf);
        Assert.Null(found);
        var error = Assert.Single(errors);
        Assert.Equal(path, error.Path);
        Assert.Contains(range, error.Range, StringComparison.Ordinal);
        Assert.NotEmpty(error.Says);
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("[]")]
    [InlineData("7")]
    [InlineData("{\"kitto\":\"case/1\",}")]
    [InlineData("{\"kitto\":\"case/1\",\"kitto\":\"case/1\"}")]
    [InlineData("{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":{\"a\":1}}}}}}}}}}}}}}}}}")]
    public void Broken_json_is_said_and_never_thrown(string json)
    {
        var (found, errors) = CaseReader.Read(json, Bench.Shelf);
        Assert.Null(found);
        Assert.Single(errors);
    }

    [Fact]
    public void Every_wrong_field_is_named_at_once()
    {
        var (_, errors) = CaseReader.Read(Bench.With("client.ageYears=200; hair.lengthCm=500; goal.level=0; zones.crown.greyPercent=-3"), Bench.Shelf);
        Assert.Equal(["client.ageYears", "hair.lengthCm", "goal.level", "zones.crown.greyPercent"], errors.Select(e => e.Path));
    }

    [Fact]
    public void What_is_not_said_takes_the_documented_default()
    {
        var (found, _) = CaseReader.Read(
            """{"kitto":"case/1","client":{"ageYears":30},"hair":{"naturalLevel":6},"allZones":{"regrowthMm":12},"goal":{"service":"gloss"}}""",
            Bench.Shelf
        );
        var r = found!.Reading;
        Assert.Equal((Texture.Medium, Density.Medium, Porosity.Normal, 30.0), (r.Hair.Texture, r.Hair.Density, r.Hair.Porosity, r.Hair.LengthCm));
        Assert.Equal((6.0, LengthHistory.Unknown, "N"), (r.Hair.Lengths.Level.Value, r.Hair.Lengths.History, r.Hair.Lengths.Tone.ToString()));
        Assert.Equal((Who.Alone, false, true), (r.Hands.Who, r.Hands.Practised, r.Client.FirstKit));
        Assert.All(r.Zones, z => Assert.Equal((12.0, 0.0, true), (z.Regrowth.Value, z.Grey.Value, z.Include)));
        Assert.Equal((0.9, 0.1), (found.House.ServiceLevel, found.House.ScaleStep.Value));
    }

    [Fact]
    public void A_zone_that_says_nothing_takes_what_all_zones_say()
    {
        var zones = Bench
            .Case("allZones.texture=\"coarse\"; zones.nape={\"regrowthMm\":30}; zones.crown={\"texture\":\"fine\",\"include\":false}")
            .Reading.Zones;
        Assert.Equal((30.0, .2, Texture.Coarse), (zones[(int)Zone.Nape].Regrowth.Value, zones[(int)Zone.Nape].Grey.Value, zones[(int)Zone.Nape].Texture));
        Assert.Equal((15.0, Texture.Fine, false), (zones[(int)Zone.Crown].Regrowth.Value, zones[(int)Zone.Crown].Texture, zones[(int)Zone.Crown].Include));
    }

    [Fact]
    public void Nine_zones_of_their_own_need_no_all_zones()
    {
        string zones = string.Join(",", Enum.GetValues<Zone>().Select(z => $"\"{Json.Name(z)}\":{{\"regrowthMm\":10,\"greyPercent\":5}}"));
        Assert.Equal(10, Bench.Case($"allZones=-; zones={{{zones}}}").Reading.MeanRegrowth.Value, 9);
    }

    [Fact]
    public void Thirds_written_short_are_taken_as_thirds()
    {
        var formula = Bench
            .Case("formula={\"parts\":[{\"shade\":\"5N\",\"share\":0.33},{\"shade\":\"6N\",\"share\":0.33},{\"shade\":\"5G\",\"share\":0.33}]}")
            .Formula!;
        Assert.All(formula.Parts, p => Assert.Equal(1.0 / 3, p.Share.Value, 12));
    }

    [Fact]
    public void The_plan_reads_days_by_name()
    {
        var plan = Bench.Case("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\",\"friday\"],\"transitDays\":2}").Plan;
        Assert.Equal([DayOfWeek.Tuesday, DayOfWeek.Friday], plan!.PostDays);
        Assert.Equal(new PlanWish(new DateOnly(2027, 3, 1), new DateOnly(2027, 3, 20), plan.PostDays, 2), plan);
    }

    /// <summary>The demo's heads are documents like any other: one for each service, a salon case and two stops among them.</summary>
    [Fact]
    public void The_demo_heads_are_cases_that_can_be_prescribed()
    {
        var answers = Directory
            .EnumerateFiles(Path.Combine(Bench.Root, "data", "demo"), "*.json")
            .Select(f => (File: f, Read: CaseReader.Read(File.ReadAllText(f), Bench.Shelf)))
            .Select(x => (x.Read.Case ?? throw new InvalidDataException($"{x.File}: {string.Join("; ", x.Read.Errors)}")))
            .Select(c => (c.Goal.Service, Prescriber.Prescribe(c, Bench.Shelf).Decision))
            .ToList();
        Assert.Equal(Enum.GetValues<Service>(), answers.Select(a => a.Service).Distinct().Order());
        Assert.Equal(
            (14, 1, 2),
            (answers.Count(a => a.Decision == Decision.Kit), answers.Count(a => a.Decision == Decision.Salon), answers.Count(a => a.Decision == Decision.Stop))
        );
    }
}
