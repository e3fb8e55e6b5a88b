using CsCheck;
using Kitto.Core.Clock;

namespace Kitto.Core.Tests.Clock;

public sealed class PlanTests
{
    private static readonly DateOnly Monday = new(2027, 3, 1);

    private static KitPlan Plan(DateOnly wantBy, int transit = 2, params DayOfWeek[] days) =>
        PlanBack.From(new PlanWish(Monday, wantBy, days.Length == 0 ? [DayOfWeek.Tuesday, DayOfWeek.Friday] : days, transit), []);

    [Fact]
    public void The_contracts_plan_comes_out_as_written()
    {
        DateOnly March(int day) => new(2027, 3, day);
        Assert.Equal(new KitPlan(true, March(8), March(9), March(11), March(11), March(13), March(18), March(9)), Plan(March(20)));
    }

    [Theory]
    [InlineData(8, false)]
    [InlineData(9, true)]
    [InlineData(1, false)]
    public void The_first_day_that_can_be_met_is_met_and_the_day_before_is_not(int day, bool feasible)
    {
        var plan = Plan(new DateOnly(2027, 3, day));
        Assert.Equal(feasible, plan.Feasible);
        Assert.Equal(new DateOnly(2027, 3, 9), plan.EarliestWantBy);
        Assert.Equal(feasible, plan.PostOn is not null);
    }

    [Fact]
    public void Without_a_later_post_day_in_reserve_it_says_so()
    {
        var why = new List<Reason>();
        PlanBack.From(new PlanWish(Monday, new DateOnly(2027, 3, 9), [DayOfWeek.Tuesday, DayOfWeek.Friday], 2), why);
        Assert.Contains(why, b => b is NoPostInReserve);
    }

    /// <summary>Every day in turn, straight from the rules: tests in time, sachets fresh, posting from tomorrow on.</summary>
    [Fact]
    public void Plans_agree_with_trying_every_day() =>
        (from ahead in Gen.Int[0, 60] from transit in Gen.Int[0, 14] from mask in Gen.Int[1, 127] select (ahead, transit, mask)).Sample(
            x =>
            {
                var days = Enum.GetValues<DayOfWeek>().Where(d => (x.mask >> (int)d & 1) == 1).ToArray();
                var wantBy = Monday.AddDays(x.ahead);
                var plan = Plan(wantBy, x.transit, days);
                int colour = x.ahead - 2;
                var posts = Enumerable
                    .Range(1, 70)
                    .Where(p => days.Contains(Monday.AddDays(p).DayOfWeek) && p + x.transit + 2 + 1 <= colour && p - 1 + 21 >= colour)
                    .ToList();
                Assert.Equal(posts.Count > 0, plan.Feasible);
                if (!plan.Feasible)
                {
                    return;
                }

                int expected = posts.Count > 1 ? posts[^2] : posts[^1];
                Assert.Equal(Monday.AddDays(expected), plan.PostOn);
                Assert.Equal(plan.PostOn!.Value.AddDays(-1), plan.FillOn);
                Assert.True(plan.SkinTestOn >= plan.ArrivesOn && plan.StrandTestOn == plan.SkinTestOn!.Value.AddDays(2) && plan.StrandTestOn < plan.ColourOn);
                Assert.True(plan.ColourOn!.Value.DayNumber - plan.SkinTestOn!.Value.DayNumber <= 14);
                Assert.True(plan.ColourOn.Value.DayNumber - plan.FillOn!.Value.DayNumber <= 21);
                Assert.True(plan.EarliestWantBy <= wantBy);
            },
            iter: 5000
        );

    [Fact]
    public void The_head_is_grown_on_to_colour_day_before_it_is_sized()
    {
        // 17 days at 12.5 mm a month of 30.4375 days are 7.0 mm.
        const string plan = "plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\",\"friday\"],\"transitDays\":2}";
        double planned = Bench.Prescribe(plan).Quantity!.BaseGrams.Value;
        Assert.Equal(Bench.Prescribe($"allZones.regrowthMm={15 + 17 * 12.5 / 30.4375}").Quantity!.BaseGrams.Value, planned, 6);
        Assert.True(planned > Bench.Prescribe().Quantity!.BaseGrams.Value);
    }
}
