using Kitto.Core.Clock;

namespace Kitto.Core.Tests.Clock;

public sealed class DaysTests
{
    private static readonly KitDays Days = new(
        new(2027, 3, 8),
        new(2027, 3, 9),
        new(2027, 3, 11),
        new(2027, 3, 11),
        new(2027, 3, 13),
        new(2027, 3, 18),
        new(2027, 4, 17)
    );

    [Theory]
    [InlineData(KitStep.Signed, "Pack Post Arrives SkinTest StrandTest Colour Report NextKit")]
    [InlineData(KitStep.Packed, "Post Arrives SkinTest StrandTest Colour Report NextKit")]
    [InlineData(KitStep.Posted, "Arrives SkinTest StrandTest Colour Report NextKit")]
    [InlineData(KitStep.Reported, "NextKit")]
    [InlineData(KitStep.Closed, "NextKit")]
    [InlineData(KitStep.Stopped, "")]
    public void A_kit_asks_for_what_is_still_to_come_and_a_stopped_one_for_nothing(KitStep step, string kinds)
    {
        Assert.Equal(kinds, string.Join(" ", Days.Ahead(step, true).Select(d => d.Kind)));
        Assert.DoesNotContain(Days.Ahead(step, false), d => d.Kind == DayKind.NextKit);
        Assert.Empty(KitDays.None.Ahead(step, true));
        // What she has done is not asked of her again.
        Assert.DoesNotContain(Days.Ahead(step, true, skinOn: true), d => d.Kind is DayKind.Arrives or DayKind.SkinTest);
        Assert.DoesNotContain(Days.Ahead(step, true, skinOn: true, strandDone: true), d => d.Kind is DayKind.StrandTest);
    }

    [Fact]
    public void The_contracts_plan_comes_out_as_written_and_gives_the_days()
    {
        var p = Bench.Prescribe("plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\",\"friday\"],\"transitDays\":2}");
        Assert.Equal(Days with { DueOn = p.Next!.DueOn }, KitDays.Of(p));
        Assert.Equal(new DateOnly(2027, 3, 21), KitDays.Of(p).Ahead(KitStep.Posted, true).Single(d => d.Kind == DayKind.Report).On);
    }

    [Theory]
    [InlineData("2027-03-10", TestsStand.None, "Posted")]
    [InlineData("2027-03-11", TestsStand.None, "Posted TestDue")]
    [InlineData("2027-03-12", TestsStand.None, "Posted TestDue")]
    [InlineData("2027-03-13", TestsStand.None, "Posted TestOverdue")]
    [InlineData("2027-03-13", TestsStand.Watching, "Posted")]
    [InlineData("2027-03-13", TestsStand.ToReport, "Posted LookNow")]
    [InlineData("2027-03-17", TestsStand.Clear, "Posted ColourTomorrow")]
    [InlineData("2027-03-17", TestsStand.StrandToCome, "Posted NotTomorrow")]
    [InlineData("2027-03-17", TestsStand.None, "Posted TestOverdue NotTomorrow")]
    [InlineData("2027-03-19", TestsStand.Clear, "")]
    [InlineData("2027-03-21", TestsStand.Clear, "ReportDue")]
    [InlineData("2027-03-30", TestsStand.None, "ReportDue")]
    public void What_is_due_to_be_said_follows_the_day_and_the_tests(string today, TestsStand tests, string kinds)
    {
        Assert.Equal(kinds, string.Join(" ", ClientMessages.Due(Days, KitStep.Posted, tests, DateOnly.Parse(today))));
        Assert.All(Enum.GetValues<KitStep>().Where(s => s != KitStep.Posted), s => Assert.Empty(ClientMessages.Due(Days, s, tests, DateOnly.Parse(today))));
    }

    [Fact]
    public void Everything_said_carries_the_caution_and_no_word_to_colour_without_clear_tests() =>
        Assert.All(
            Enum.GetValues<ClientMessage>(),
            kind =>
            {
                var (subject, body) = Language.English.Message(kind, "Maren", "Slipway", Days);
                Assert.True(subject.Length is > 5 and < 60);
                Assert.Contains("do not colour, call us", body, StringComparison.Ordinal);
                Assert.Equal(kind == ClientMessage.ColourTomorrow, body.Contains("tests are clear. Lay", StringComparison.Ordinal));
            }
        );
}
