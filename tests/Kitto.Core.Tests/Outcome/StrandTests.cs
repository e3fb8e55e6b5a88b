using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Outcome;

public sealed class StrandTests
{
    private static readonly Line Cream = Bench.Shelf.Find("lantern-cream")!;

    /// <summary>Time first, then one known step; cream runs 35 min, 25 to 45.</summary>
    [Theory]
    [InlineData(StrandResult.Right, 35.0, "5N:1", null, null, null)]
    [InlineData(StrandResult.Right, 30.0, "5N:1", "SA12", 30.0, null)]
    [InlineData(StrandResult.Right, 20.0, "5N:1", "SA12", 25.0, null)]
    [InlineData(StrandResult.TooLight, 35.0, "5N:1", "TM1", 45.0, null)]
    [InlineData(StrandResult.TooLight, 45.0, "5N:1", "OU2", null, "5N 0.5 4N 0.5")]
    [InlineData(StrandResult.TooDark, 35.0, "5N:1", "TM1", 30.0, null)]
    [InlineData(StrandResult.TooDark, 25.0, "5N:1", "OU2", null, "5N 0.5 6N 0.5")]
    [InlineData(StrandResult.TooWarm, 35.0, "5N:1", "OU2", null, "5N 0.9 0B 0.1")]
    [InlineData(StrandResult.GreyShows, 25.0, "5N:1", "TM1", 35.0, null)]
    [InlineData(StrandResult.GreyShows, 35.0, "5N:0.5 5G:0.5", "OU2", null, "5N 0.75 5G 0.25")]
    [InlineData(StrandResult.Damaged, 35.0, "5N:1", null, null, null)]
    public void A_strand_asks_for_time_first_and_then_for_one_known_step(
        StrandResult result,
        double minutes,
        string mix,
        string? rule,
        double? time,
        string? next
    )
    {
        MixPart[] parts = [.. mix.Split(' ').Select(p => p.Split(':')).Select(p => new MixPart(p[0], Share.Of(Bench.Number(p[1]))))];
        var proposal = StrandAdvice.Of(result, minutes, parts, Cream, Level.Of(5));
        Assert.Equal(rule, proposal?.Why.Rule);
        Assert.Equal(time, proposal?.Minutes?.Value);
        Assert.Equal(
            next,
            proposal?.Mix is { } changed ? string.Join(' ', changed.Select(p => FormattableString.Invariant($"{p.Shade} {p.Share.Value:0.##}"))) : null
        );
    }
}
