using CsCheck;
using Kitto.Core.Ledger;
using Kitto.Core.Packing;
using Kitto.Core.Quantity;

namespace Kitto.Core.Tests.Ledger;

/// <summary>Money to the cent, intervals by their published formulas, and what they lead to.</summary>
public sealed class LedgerTests
{
    /// <summary>Wilson's interval for 8 of 10: 0.4902 to 0.9433 (worked by hand from the formula, z = 1.959964). For none of 20 it begins at nothing and ends at 0.1611.</summary>
    [Theory]
    [InlineData(8, 10, .4902, .9433)]
    [InlineData(0, 20, 0, .1611)]
    [InlineData(20, 20, .8389, 1)]
    public void A_share_has_wilsons_interval(long of, long count, double low, double high)
    {
        var i = Interval.Share(of, count)!;
        Assert.Equal((low, high), (Math.Round(i.Low, 4), Math.Round(i.High, 4)));
        Assert.Null(Interval.Share(0, 0));
    }

    /// <summary>Student's interval for 4, 5, 6, 7, 8: mean 6, sd 1.5811, t(4, .975) = 2.7764 (published table, from memory): 6 plus or minus 1.9632.</summary>
    [Fact]
    public void A_mean_has_students_interval()
    {
        double[] all = [4, 5, 6, 7, 8];
        var i = Interval.Mean(5, all.Sum(), all.Sum(x => x * x))!;
        Assert.Equal((6, 4.037, 7.963), (i.Value, Math.Round(i.Low, 3), Math.Round(i.High, 3)));
        Assert.Null(Interval.Mean(1, 4, 16));
    }

    [Fact]
    public void Sums_given_out_to_the_cent_add_up_to_their_rounded_total() =>
        Gen.Decimal[0, 500]
            .Array[1, 9]
            .Sample(exact =>
            {
                decimal[] cents = Prices.ToCents(exact);
                Assert.Equal(Math.Round(exact.Sum(), 2, MidpointRounding.ToEven), cents.Sum());
                Assert.All(cents.Zip(exact), c => Assert.InRange(c.First - c.Second, -.01m, .01m));
            });

    /// <summary>By hand: 13.37 at 2.2 times and 4 more is 33.414, asked in halves 33.50; 25 minutes at 27 an hour are 11.25.</summary>
    [Fact]
    public void A_price_follows_the_houses_rule()
    {
        var prices = new Prices("GBP", 27, 20, .32m, 2.4m, 2.2m, 4, .5m);
        Assert.Equal((33.50m, 11.25m), (prices.Asked(13.37m), prices.Labour(25)));
        Assert.Equal(13.37m, new Prices().Asked(13.37m));
        var at = new DateTime(2027, 3, 1, 9, 0, 0, DateTimeKind.Utc);
        Assert.Equal(7m, Prices.Minutes([at, at.AddMinutes(3), at.AddMinutes(33), at.AddMinutes(37)]));
    }

    /// <summary>Of 400 kits that were promised nine in ten, 40 ran out: as promised. 80: too many, and it says what to raise.</summary>
    [Theory]
    [InlineData(40, "As reckoned")]
    [InlineData(80, "raise")]
    [InlineData(12, "may come down")]
    public void What_ran_out_is_held_against_what_was_promised(long ranOut, string says)
    {
        var sums = new TruthSums(400, ranOut, 360, 300, 3, 12, 240, 0, 0, 0, 0, 5, .2, .1, 20, 4, 1.2, 0, 0, 0);
        var lines = Truth.Of(sums);
        Assert.Contains(says, lines[0].Says, StringComparison.Ordinal);
        Assert.Equal(.1, lines[0].Reckoned, 9);
        Assert.Contains("of the 8 kits", lines[5].Says, StringComparison.Ordinal);
        // Twenty runs a fifth too long: by hand e^0.2, and the interval does not hold 1.
        Assert.Equal(1.2214, lines[6].Came!.Value, 4);
        Assert.Contains("stays on longer", lines[6].Says, StringComparison.Ordinal);
        Assert.Equal(0, lines[7].Came?.Count ?? 0);
    }

    /// <summary>By hand: 100 g signed and 60 g due at 1.1 are 166 likely; 40 g there and tubes of 60 want three.</summary>
    [Fact]
    public void What_the_coming_weeks_take_is_summed_with_what_hands_have_learned()
    {
        Need[] took = [new("cream", "6N", 60)];
        var d = Assert.Single(
            Demand.Of(
                [
                    [new Need("cream", "6N", 100)],
                ],
                [(took, 1.1, .2)]
            )
        );
        Assert.Equal((100m, 66m, 166m), (d.Signed, d.Due, d.Likely));
        Assert.Equal((3, 0), (d.Buy(40, 60), d.Buy(170, 60)));
        Assert.True(d.Most > d.Likely);
        // Hands that used more than reckoned want more next time.
        var before = new Hands(Who.Alone, false, []);
        var more = new UsedBefore(Grams.Of(48), Grams.Of(100), Grams.Of(4), Grams.Of(2), false, true, 10);
        Assert.True(Demand.Learned(before, more, .9).Factor > 1.1);
        Assert.Equal(1, Demand.Learned(before, null, .9).Factor);
    }
}
