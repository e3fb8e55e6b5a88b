namespace Kitto.Core.Tests.Outcome;

public sealed class AdjustTests
{
    /// <summary>Each report changes one thing by a known step (OU1 to OU5), worked by hand.</summary>
    [Theory]
    [InlineData("5N:1", "", "SH1", "5N:1")]
    [InlineData("5N:1", "\"coverage\":\"full\"", "SH1", "5N:1")]
    [InlineData("5N:1", "\"coverage\":\"greyShows\"", "OU2", "5N:0.5 5NN:0.5")]
    [InlineData("5N:0.5 5G:0.5", "\"coverage\":\"greyShows\"", "OU2", "5N:0.75 5G:0.25")]
    [InlineData("5N:1", "\"coverage\":\"patchy\"", "OU4", "5N:1")]
    [InlineData("5N:1", "\"depth\":\"tooDark\"", "OU2", "5N:0.5 6N:0.5")]
    [InlineData("5N:1", "\"depth\":\"tooLight\"", "OU2", "5N:0.5 4N:0.5")]
    [InlineData("5N:0.75 5G:0.25", "\"depth\":\"tooDark\"", "OU2", "5N:0.5 5G:0.25 6N:0.25")]
    [InlineData("5N:1", "\"tone\":\"tooWarm\"", "OU2", "5N:0.9 0B:0.1")]
    [InlineData("5N:1", "\"tone\":\"tooCool\"", "OU2", "5N:0.9 5G:0.1")]
    [InlineData("5AG:0.5 5N:0.5", "\"tone\":\"green\"", "OU5", "5AG:0.4 5N:0.5 0R:0.1")]
    [InlineData("5N:1", "\"coverage\":\"greyShows\",\"tone\":\"tooWarm\"", "OU1", "5N:0.5 5NN:0.5")]
    public void One_thing_is_changed_by_a_known_step(string last, string outcome, string rule, string next)
    {
        string parts = string.Join(",", last.Split(' ').Select(p => p.Split(':')).Select(p => $"{{\"shade\":\"{p[0]}\",\"share\":{p[1]}}}"));
        string tone = last.Contains('G', StringComparison.Ordinal) ? "; goal.tone=\"N\"" : "";
        string said = outcome.Length > 0 ? $",\"outcome\":{{{outcome}}}" : "";
        var p = Bench.Prescribe($"client.firstKit=false{tone}; last={{\"daysAgo\":36,\"formula\":{{\"parts\":[{parts}]}}{said}}}");
        double colour = p.Formulas[0].Parts.Sum(x => x.Grams.Value);
        Assert.Equal(
            next.Split(' ').Order(StringComparer.Ordinal),
            p.Formulas[0].Parts.Select(x => $"{x.Shade}:{Math.Round(x.Grams.Value / colour / .05) * .05:0.##}").Order(StringComparer.Ordinal)
        );
        Assert.Contains(p.Because, b => b.Rule == rule && b.About == Topic.Shade);
    }

    [Fact]
    public void The_reason_cites_the_report() =>
        Assert.Contains(
            Bench.Prescribe("last={\"daysAgo\":36,\"formula\":{\"parts\":[{\"shade\":\"5N\",\"share\":1}]},\"outcome\":{\"coverage\":\"greyShows\"}}").Because,
            b => b.Says.Contains("The report on the kit of 36 days ago", StringComparison.Ordinal)
        );

    [Theory]
    [InlineData("goal.level=6")]
    [InlineData("goal.tone=\"G\"")]
    [InlineData("line=\"halyard-demi\"; goal.level=8; goal.service=\"greyBlend\"; hair.naturalLevel=8")]
    public void A_new_wish_is_not_answered_with_the_old_formula(string wish)
    {
        var p = Bench.Prescribe($"{wish}; last={{\"daysAgo\":36,\"formula\":{{\"parts\":[{{\"shade\":\"5N\",\"share\":1}}]}}}}");
        Assert.NotEqual(["5N"], p.Formulas[0].Parts.Select(x => x.Shade));
    }

    [Fact]
    public void Grey_that_showed_is_softened_first_next_time()
    {
        Assert.Equal(0, Bench.Prescribe().Tests.PreSoftenGrams.Value);
        Assert.Equal(2.5, Bench.Prescribe("last={\"outcome\":{\"coverage\":\"greyShows\"}}").Tests.PreSoftenGrams.Value);
        Assert.Equal(2.5, Bench.Prescribe("zones.leftTemple={\"resistant\":true}").Tests.PreSoftenGrams.Value);
    }
}
