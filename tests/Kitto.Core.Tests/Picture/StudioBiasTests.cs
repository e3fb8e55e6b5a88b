using Kitto.Core.Picture;
using MathNet.Numerics.Distributions;

namespace Kitto.Core.Tests.Picture;

public sealed class StudioBiasTests
{
    private static StudioBias Of(IEnumerable<double> off) =>
        StudioBias.Of(PictureValue.Regrowth, [.. off.Select(d => new PicturePair(PictureValue.Regrowth, new Measured(20, 18, 22), 20 + d))])!;

    [Fact]
    public void The_interval_is_that_of_the_binomial_as_another_library_reckons_it()
    {
        for (int n = 1; n <= StudioBias.Latest; n++)
        {
            // Differences 0, 1, 2 ...: the ends of the interval are their own ranks.
            var found = Of(Enumerable.Range(0, n).Select(i => (double)i));
            int outside = Enumerable.Range(0, n).Count(k => Binomial.CDF(0.5, n, k) <= 0.025);
            Assert.Equal(outside == 0 ? double.NegativeInfinity : outside - 1, found.Low, 1e-9);
            Assert.Equal(outside == 0 ? double.PositiveInfinity : n - outside, found.High, 1e-9);
            Assert.Equal((n - 1) / 2.0, found.Shift, 1e-9);
        }
    }

    [Fact]
    public void Nothing_is_corrected_by_few_pairs_by_chance_or_by_one_slip_and_what_holds_is()
    {
        Assert.False(Of(Enumerable.Repeat(3.0, StudioBias.Least - 1)).Corrects);
        Assert.False(Of([.. Enumerable.Repeat(0.0, 30), 90]).Corrects);
        var held = Of(Enumerable.Range(0, StudioBias.Least).Select(i => 2 + 0.1 * (i % 5 - 2)));
        Assert.True(held.Corrects);
        Assert.Equal(2, held.Shift, 0.11);
        Assert.Equal(new Measured(22, 20, 24), held with { Shift = 2 } is var b ? b.Correct(new Measured(20, 18, 22), 0, 300) : null);
        // What is possible is not left.
        Assert.Equal(new Measured(1, 0.8, 1), (held with { Shift = 0.3 }).Correct(new Measured(0.9, 0.5, 1), 0, 1));
    }

    [Fact]
    public void Of_studios_that_read_as_pictures_do_hardly_one_in_twenty_is_corrected()
    {
        var random = new Random(11);
        int corrected = Enumerable
            .Range(0, 4_000)
            .Count(_ => Of(Enumerable.Range(0, random.Next(StudioBias.Least, StudioBias.Latest)).Select(_ => random.NextDouble() - 0.5).ToList()).Corrects);
        Assert.InRange(corrected / 4_000.0, 0.005, 0.065);
    }

    [Fact]
    public void The_latest_pairs_count_and_each_value_for_itself()
    {
        var pairs = Enumerable
            .Range(0, StudioBias.Latest + 50)
            .Select(i => new PicturePair(PictureValue.White, new Measured(0.3, 0.25, 0.35), i < StudioBias.Latest ? 0.3 : 0.9))
            .ToList();
        var found = StudioBias.Of(PictureValue.White, pairs)!;
        Assert.Equal((StudioBias.Latest, 0, 1), (found.Pairs, found.Shift, found.Held));
        Assert.Null(StudioBias.Of(PictureValue.Regrowth, pairs));
    }
}
