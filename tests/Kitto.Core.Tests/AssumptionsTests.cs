using Kitto.Core.Contract;

namespace Kitto.Core.Tests;

public sealed class AssumptionsTests
{
    [Fact]
    public void What_nobody_said_is_named_and_what_moves_the_answer_asks_for_a_yes()
    {
        var bare = Bench.Prescribe("hair.lengthCm=-; hair.lengths=-; hair.lengths.history=\"permanent\"");
        Assert.Equal(["hair.texture", "hair.density", "hair.porosity", "hair.lengthCm", "hair.lengths.level", "hair.lengths.tone"], bare.Assumed);
        // Roots do not go by the length of the hair; they do by its texture.
        Assert.Contains(bare.Confirm, x => x.What == "hair.texture");
        Assert.DoesNotContain(bare.Confirm, x => x.What == "hair.lengthCm");
        var gloss = Bench.Prescribe("goal.service=\"gloss\"; goal.level=5; goal.tone=\"G\"; hair.lengthCm=-; hair.texture=\"medium\"");
        Assert.Contains(gloss.Confirm, x => x.What == "hair.lengthCm");
        Assert.DoesNotContain(gloss.Confirm, x => x.What == "hair.texture");
    }

    [Fact]
    public void What_was_said_is_not_assumed_and_an_assumption_changes_nothing_but_what_is_asked()
    {
        const string Said = "hair.texture=\"medium\"; hair.density=\"medium\"; hair.porosity=\"normal\"";
        var said = Bench.Prescribe(Said);
        Assert.Empty(said.Assumed);
        Assert.Equal(Json.Write(said), Json.Write(Bench.Prescribe() with { Assumed = [], Confirm = [] }));
    }

    [Theory]
    [InlineData("goal.service=\"gloss\"; goal.lengths={\"level\":9}", "goal.lengths")]
    [InlineData("goal.service=\"lighten\"; goal.lengths={\"clear\":true}", "goal.lengths")]
    [InlineData("goal.lengths={\"clear\":true,\"level\":9}", "goal.lengths.clear")]
    [InlineData("goal.lengths={}", "goal.lengths.level")]
    [InlineData("goal.lengths={\"level\":13}", "goal.lengths.level")]
    [InlineData("hair.band={\"lengthMm\":340,\"level\":7}", "hair.band.lengthMm")]
    [InlineData("hair.roots={\"level\":5}", "hair.roots.level")]
    [InlineData("hair.roots={\"tone\":\"G\"}", "hair.roots.level")]
    [InlineData("goal.service=\"rootShadow\"; line=-; hair.lengthCm=5", "hair.lengthCm")]
    [InlineData("goal.frame=\"leaveOut\"", "goal.frame")]
    [InlineData("goal.frame=\"outside\"", "goal.frame")]
    [InlineData("goal.how=\"quickTone\"", "goal.how")]
    [InlineData("goal.service=\"gloss\"; goal.how=\"twoSteps\"", "goal.how")]
    [InlineData("goal.service=\"rootShadow\"; goal.tailMm=120", "goal.tailMm")]
    public void What_cannot_be_of_a_strand_is_refused_by_field_and_range(string facts, string path)
    {
        var (_, errors) = CaseReader.Read(Bench.With(facts), Bench.Shelf);
        var error = Assert.Single(errors);
        Assert.Equal(path, error.Path);
        Assert.True(error.Says.Length > 3 && error.Range.Length > 3);
    }
}
