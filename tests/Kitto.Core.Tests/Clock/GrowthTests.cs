using Kitto.Core.Head;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Integration;

namespace Kitto.Core.Tests.Clock;

public sealed class GrowthTests
{
    /// <summary>Against the product of densities, integrated numerically by a reference library.</summary>
    [Theory]
    [InlineData("")]
    [InlineData("18/35")]
    [InlineData("9/35 10/30")]
    [InlineData("15/33 14.5/36 30/70 4/9")]
    public void Her_rate_is_the_posterior_of_prior_and_measurements(string heads)
    {
        (double Mm, int Days)[] measured =
        [
            .. heads.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(h => h.Split('/')).Select(h => (double.Parse(h[0]), int.Parse(h[1]))),
        ];
        double Density(double rate) =>
            Normal.PDF(12.5, 2.5, rate) * measured.Aggregate(1.0, (p, m) => p * Normal.PDF(rate * m.Days / 30.4375, GrowthRate.ReadingSdMm, m.Mm));
        double Integral(Func<double, double> f) => GaussLegendreRule.Integrate(f, 0, 30, 512);
        double mass = Integral(Density);
        double mean = Integral(r => r * Density(r)) / mass;
        double sd = Math.Sqrt(Integral(r => (r - mean) * (r - mean) * Density(r)) / mass);
        var rate = GrowthRate.Learned(measured.Select(m => new Grown(Millimetres.Of(m.Mm), m.Days)));
        Assert.Equal(mean, rate.Mean, 4);
        Assert.Equal(sd, rate.Sd, 4);
    }

    [Theory]
    // 12 mm at 12.5 a month are 29.2 days; 20 mm are 48.7. A tenth either way: 12.5 +- 1.2816 x 2.5 = 15.70 and 9.30 a month.
    [InlineData("allZones.greyPercent=40", 12, 30, 24, 40)]
    [InlineData("allZones.greyPercent=10; zones.leftTemple={}; zones.rightTemple={}", 20, 49, 39, 66)]
    public void The_next_kit_is_due_when_regrowth_shows(string facts, double limit, int due, int earliest, int latest)
    {
        var next = Bench.Prescribe(facts).Next!;
        Assert.Equal((limit, due, earliest, latest), (next.LimitMm.Value, next.InDays, next.EarliestInDays, next.LatestInDays));
    }

    [Fact]
    public void A_fast_head_is_grown_on_and_due_at_its_own_rate()
    {
        const string Fast =
            "grown=[{\"mm\":20,\"days\":35},{\"mm\":19,\"days\":33}]; plan={\"today\":\"2027-03-01\",\"wantBy\":\"2027-03-20\",\"postDays\":[\"tuesday\",\"friday\"],\"transitDays\":2}; ";
        var (plain, fast) = (Bench.Prescribe(Fast[Fast.IndexOf("plan", StringComparison.Ordinal)..]), Bench.Prescribe(Fast));
        Assert.True(
            fast.Next!.InDays < plain.Next!.InDays && fast.Next.LatestInDays - fast.Next.EarliestInDays < plain.Next.LatestInDays - plain.Next.EarliestInDays
        );
        Assert.True(fast.Quantity!.BaseGrams.Value > plain.Quantity!.BaseGrams.Value);
        Assert.Equal(new DateOnly(2027, 3, 18).AddDays(fast.Next.InDays), fast.Next.DueOn);
        Assert.Contains(fast.Because, b => b.Rule == "SV11" && b.Says.StartsWith("Measured 2 times, this hair grows", StringComparison.Ordinal));
    }
}
