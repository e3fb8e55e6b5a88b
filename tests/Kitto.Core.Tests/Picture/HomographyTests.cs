using CsCheck;
using Kitto.Core.Picture;

namespace Kitto.Core.Tests.Picture;

public sealed class HomographyTests
{
    private static readonly Gen<double[]> Seen =
        from a in Gen.Double[-8, 8]
        from b in Gen.Double[5, 14]
        from t in Gen.Double[-900, 900]
        from u in Gen.Double[-900, 900]
        from p in Gen.Double[-0.001, 0.001]
        from q in Gen.Double[-0.001, 0.001]
        select (double[])[b, a, t, -a, b, u, p, q, 1];

    private static double Apart(Point a, Point b) => Math.Sqrt((a.X - b.X) * (a.X - b.X) + (a.Y - b.Y) * (a.Y - b.Y));

    [Fact]
    public void A_card_seen_from_anywhere_is_found_again_from_its_corners_and_every_other_point_with_it() =>
        Seen.Sample(entries =>
        {
            var truth = Homography.From(entries);
            Point[] card = [.. Enumerable.Range(0, 4).SelectMany(MeasuringCard.Corners)];
            var (map, misses) = Homography.Fit(card, [.. card.Select(truth.Of)])!.Value;
            Assert.True(misses < 1e-6);
            foreach (var p in (Point[])[new(0, 0), new(46, 60), new(90, 3), new(20, 128)])
            {
                Assert.True(Apart(map.Of(p), truth.Of(p)) < 1e-4);
            }
        });

    [Fact]
    public void The_middle_of_a_square_comes_to_lie_where_the_diagonals_cross()
    {
        // By hand: straight lines stay straight, so that the middle of the square comes to lie where the diagonals of the trapezium cross, y = 2x/3 and y = 2(4 - x)/3.
        Point[] square = [new(0, 0), new(1, 0), new(1, 1), new(0, 1)],
            trapezium = [new(0, 0), new(4, 0), new(3, 2), new(1, 2)];
        var (map, _) = Homography.Fit(square, trapezium)!.Value;
        var middle = map.Of(new Point(0.5, 0.5));
        Assert.Equal(2, middle.X, 9);
        Assert.Equal(4.0 / 3, middle.Y, 9);
    }

    [Fact]
    public void Points_in_a_line_give_no_map_and_three_are_refused()
    {
        Point[] line = [new(0, 0), new(1, 1), new(2, 2), new(3, 3)];
        Assert.Null(Homography.Fit(line, line));
        Assert.Throws<ArgumentException>(() => Homography.Fit(line[..3], line[..3]));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(20)]
    [InlineData(40)]
    public void A_card_from_aside_is_seen_as_much_aside(double degrees)
    {
        // Seen from so far that nothing looks nearer: one direction shrinks by the cosine.
        double cos = Math.Cos(degrees * Math.PI / 180);
        var corners = Enumerable
            .Range(0, 4)
            .ToDictionary(id => id, id => (IReadOnlyList<Point>)[.. MeasuringCard.Corners(id).Select(p => new Point(10 * p.X, 10 * cos * p.Y))]);
        var card = CardSeen.Of(corners)!;
        Assert.Equal(degrees, card.TiltDegrees, 2);
        Assert.Equal(10 * cos, card.PixelsPerMm, 3);
        Assert.True(card.MissesMm < 1e-6);
        corners.Remove(2);
        Assert.Equal(degrees, CardSeen.Of(corners)!.TiltDegrees, 2);
        corners.Remove(0);
        Assert.Null(CardSeen.Of(corners));
        Assert.Equal(PictureRefusal.NoCard, HairReader.Refuses(null));
    }
}
