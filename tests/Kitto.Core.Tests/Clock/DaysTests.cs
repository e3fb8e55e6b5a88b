using CsCheck;
using Kitto.Core.Clock;
using Kitto.Core.Trade;

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
    [InlineData("2027-03-19", TestsStand.Clear, "DayPassed")]
    [InlineData("2027-03-20", TestsStand.None, "DayPassed")]
    [InlineData("2027-03-21", TestsStand.Clear, "ReportDue")]
    [InlineData("2027-03-30", TestsStand.None, "ReportDue")]
    public void What_is_due_to_be_said_follows_the_day_and_the_tests(string today, TestsStand tests, string kinds)
    {
        var day = DateOnly.Parse(today);
        var seen = new ClientSign(Opened: true, Begun: false);
        Assert.Equal(kinds, string.Join(" ", ClientMessages.Due(Days, KitStep.Posted, tests, day, seen)));
        Assert.All(Enum.GetValues<KitStep>().Where(s => s != KitStep.Posted), s => Assert.Empty(ClientMessages.Due(Days, s, tests, day, seen)));
        // Whoever has begun is not asked about a day that has passed.
        Assert.DoesNotContain(ClientMessage.DayPassed, ClientMessages.Due(Days, KitStep.Posted, tests, day, seen with { Begun = true }));
    }

    [Theory]
    [InlineData("2027-03-12", false, "Posted TestDue")]
    [InlineData("2027-03-13", false, "Posted BoxLate")]
    [InlineData("2027-03-16", false, "Posted BoxLate")]
    [InlineData("2027-03-16", true, "Posted TestOverdue")]
    [InlineData("2027-03-19", false, "DayPassed")]
    public void A_box_whose_guide_nobody_opened_is_asked_about_two_days_after_it_should_have_arrived(string today, bool opened, string kinds) =>
        Assert.Equal(kinds, string.Join(" ", ClientMessages.Due(Days, KitStep.Posted, TestsStand.None, DateOnly.Parse(today), new ClientSign(opened, false))));

    [Fact]
    public void Everything_said_carries_the_caution_and_no_word_to_colour_without_clear_tests() =>
        Assert.All(
            Enum.GetValues<ClientMessage>(),
            kind =>
            {
                var (subject, body) = Language.English.Message(kind, "Maren", "Slipway", Days, "https://x/g/y", "999", "01632 960455");
                Assert.True(subject.Length is > 5 and < 60);
                Assert.Contains("do not colour, and call us: 01632 960455", body, StringComparison.Ordinal);
                Assert.Contains("Call an ambulance: 999", body, StringComparison.Ordinal);
                Assert.Contains("https://x/g/y", body, StringComparison.Ordinal);
                Assert.Equal(
                    kind is ClientMessage.ColourTomorrow or ClientMessage.ColourTomorrowWashed,
                    body.Contains("Both tests are clear.", StringComparison.Ordinal)
                );
            }
        );

    /// <summary>Whatever day it went: no test is asked for before the kit can be there, and the strand waits for the skin.</summary>
    [Fact]
    public void What_really_went_arrives_from_then_on() =>
        Gen.Select(Gen.Int[0, 20], Gen.Int[0, 14])
            .Sample(
                (late, transit) =>
                {
                    var went = Days.PostOn!.Value.AddDays(late);
                    var days = Days.PostedOn(went, transit);
                    Assert.Equal((went, went.AddDays(transit)), (days.PostOn, days.ArrivesOn));
                    Assert.True(days.SkinOn >= days.ArrivesOn && days.StrandOn >= days.SkinOn!.Value.AddDays(Values.SkinTestDays));
                    Assert.Equal((Days.ColourOn, Days.DueOn), (days.ColourOn, days.DueOn));
                    Assert.Equal(KitDays.None with { PostOn = went, ArrivesOn = days.ArrivesOn }, KitDays.None.PostedOn(went, transit));
                }
            );

    /// <summary>A moved day keeps every rule of planning: post that really leaves, tests that fit and still count, nothing that is too old.</summary>
    [Fact]
    public void A_moved_day_takes_everything_with_it_or_is_refused() =>
        Gen.Select(Gen.Int[0, 60], Gen.Int[1, 120], Gen.Bool, Gen.Int[-20, 5], Gen.Int[0, 5])
            .Sample(
                (now, ahead, posted, put, transit) =>
                {
                    var today = Days.PostOn!.Value.AddDays(now);
                    var colour = today.AddDays(ahead);
                    DateOnly? skin = put <= 0 ? today.AddDays(put) : null;
                    var wish = new PlanWish(today, colour, [DayOfWeek.Tuesday, DayOfWeek.Friday], transit);
                    if (Days.Moved(colour, posted, skin, Values.SkinTestValidDays, wish) is not { } days)
                    {
                        // Refused only where it is short, or the kit would be too old.
                        Assert.True(ahead < 20 || (posted && Days.FillOn!.Value.AddDays(Values.ShelfLifeDays) < colour));
                        return;
                    }

                    Assert.Equal(colour, days.ColourOn);
                    Assert.Equal(colour.DayNumber - Days.ColourOn!.Value.DayNumber, days.DueOn!.Value.DayNumber - Days.DueOn!.Value.DayNumber);
                    bool counts = posted && skin?.AddDays(Values.SkinTestValidDays) >= colour;
                    if (!counts)
                    {
                        Assert.True(days.SkinOn >= today && days.SkinOn!.Value.AddDays(Values.SkinTestValidDays) >= colour);
                        Assert.True(days.StrandOn!.Value.AddDays(Values.StrandTestDays) <= colour);
                    }

                    if (posted)
                    {
                        Assert.Equal((Days.PostOn, Days.ArrivesOn), (days.PostOn, days.ArrivesOn));
                    }
                    else
                    {
                        Assert.Contains(days.PostOn!.Value.DayOfWeek, wish.PostDays);
                        Assert.True(days.PostOn > today && days.ArrivesOn == days.PostOn.Value.AddDays(transit));
                    }
                }
            );
}
