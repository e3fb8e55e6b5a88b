namespace Kitto.Core.Tests.Clock;

/// <summary>A strand that came right at a time sets the time (SA12), within what the line allows.</summary>
public sealed class StrandTimeTests
{
    [Theory]
    [InlineData(28, 28)]
    [InlineData(35, 35)]
    [InlineData(10, 25)]
    [InlineData(60, 45)]
    public void The_time_after_the_last_stroke_is_the_one_at_which_her_strand_came_right(double minutes, double process)
    {
        // Little hair, so that no zone comes near its longest contact.
        string head =
            $"client.strandTest={{\"daysAgo\":1,\"result\":\"right\",\"minutes\":{minutes}}}; hands.who=\"trained\"; allZones.greyPercent=20; zones.leftTemple={{}}; zones.rightTemple={{}}";
        var p = Bench.Prescribe(head);
        Assert.Equal(process, p.Clock!.ProcessMinutes.Value);
        Assert.All(p.Clock.Zones, z => Assert.Equal(p.Clock.RinseAtMinutes.Value, z.PaintedAt.Value + z.ContactMinutes.Value, 6));
    }

    [Theory]
    [InlineData("tooLight")]
    [InlineData("tooDark")]
    [InlineData("greyShows")]
    public void A_strand_that_was_not_right_leaves_the_line_its_time(string result) =>
        Assert.Equal(
            35,
            Bench
                .Prescribe($"client.strandTest={{\"daysAgo\":1,\"result\":\"{result}\",\"minutes\":28}}; hands.who=\"trained\"; allZones.greyPercent=20")
                .Clock!.ProcessMinutes.Value
        );
}
