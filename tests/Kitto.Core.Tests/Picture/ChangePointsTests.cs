using CsCheck;
using Kitto.Core.Picture;

namespace Kitto.Core.Tests.Picture;

public sealed class ChangePointsTests
{
    private static double Cost(IReadOnlyList<double[]> rows, int from, int to)
    {
        double mean = rows.Skip(from).Take(to - from).Average(r => r[0]);
        return rows.Skip(from).Take(to - from).Sum(r => (r[0] - mean) * (r[0] - mean));
    }

    /// <summary>The least cost of all cuts, each tried.</summary>
    private static double Least(IReadOnlyList<double[]> rows, int from, int least, double price) =>
        from == rows.Count
            ? -price
            : Enumerable
                .Range(from + least, Math.Max(0, rows.Count - from - least + 1))
                .Select(to => Cost(rows, from, to) + price + Least(rows, to, least, price))
                .DefaultIfEmpty(double.PositiveInfinity)
                .Min();

    [Fact]
    public void No_other_cut_is_likelier_than_the_one_that_is_found() =>
        (from rows in Gen.Double[-4, 4].Array[4, 13] from least in Gen.Int[1, 3] from price in Gen.Double[0.5, 12] select (rows, least, price)).Sample(x =>
        {
            double[][] rows = [.. x.rows.Select(v => (double[])[v])];
            var cut = ChangePoints.Cut(rows, [1], x.least, x.price);
            Assert.True(Math.Abs(Least(rows, 0, x.least, x.price) - (cut.Sum(p => Cost(rows, p.From, p.To) + x.price) - x.price)) < 1e-6);
            Assert.Equal(0, cut[0].From);
            Assert.Equal(rows.Length, cut[^1].To);
            Assert.All(cut.Zip(cut.Skip(1)), p => Assert.Equal(p.First.To, p.Second.From));
            Assert.All(cut, p => Assert.True(p.To - p.From >= x.least));
        });

    [Fact]
    public void Two_steps_in_noise_are_found_where_they_are()
    {
        var random = new Random(7);
        double Noise() => Enumerable.Range(0, 12).Sum(_ => random.NextDouble()) - 6;
        double[][] rows =
        [
            .. Enumerable
                .Range(0, 120)
                .Select(i =>
                    (double[])
                        [
                            (
                                i < 40 ? 0
                                : i < 70 ? 3
                                : 1
                            )
                                + 0.8 * Noise(),
                            Noise(),
                        ]
                ),
        ];
        var cut = ChangePoints.Cut(rows, [0.8, 1], 4, 20);
        Assert.Equal(3, cut.Count);
        Assert.InRange(cut[0].To, 38, 42);
        Assert.InRange(cut[1].To, 68, 72);
    }

    [Fact]
    public void Too_few_rows_and_noise_of_nothing_are_refused()
    {
        Assert.Throws<ArgumentException>(() =>
            ChangePoints.Cut(
                [
                    [1.0],
                ],
                [1],
                2,
                5
            )
        );
        Assert.Throws<ArgumentException>(() =>
            ChangePoints.Cut(
                [
                    [1.0],
                    [2.0],
                ],
                [0],
                1,
                5
            )
        );
    }
}
