using CsCheck;
using Kitto.Core.Colour;

namespace Kitto.Core.Tests.Colour;

public sealed class DifferenceTests
{
    /// <summary>The 34 pairs of Sharma, Wu and Dalal, Color Research and Application 30 (2005), table 1.</summary>
    [Theory]
    [InlineData(50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425)]
    [InlineData(50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615)]
    [InlineData(50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412)]
    [InlineData(50, -1.3802, -84.2814, 50, 0, -82.7485, 1)]
    [InlineData(50, -1.1848, -84.8006, 50, 0, -82.7485, 1)]
    [InlineData(50, -0.9009, -85.5211, 50, 0, -82.7485, 1)]
    [InlineData(50, 0, 0, 50, -1, 2, 2.3669)]
    [InlineData(50, -1, 2, 50, 0, 0, 2.3669)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0009, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0010, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0011, 7.2195)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0012, 7.2195)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0009, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0010, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0011, -2.4900, 4.7461)]
    [InlineData(50, 2.5, 0, 50, 0, -2.5, 4.3065)]
    [InlineData(50, 2.5, 0, 73, 25, -18, 27.1492)]
    [InlineData(50, 2.5, 0, 61, -5, 29, 22.8977)]
    [InlineData(50, 2.5, 0, 56, -27, -3, 31.9030)]
    [InlineData(50, 2.5, 0, 58, 24, 15, 19.4535)]
    [InlineData(50, 2.5, 0, 50, 3.1736, 0.5854, 1)]
    [InlineData(50, 2.5, 0, 50, 3.2972, 0, 1)]
    [InlineData(50, 2.5, 0, 50, 1.8634, 0.5757, 1)]
    [InlineData(50, 2.5, 0, 50, 3.2592, 0.3350, 1)]
    [InlineData(60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644)]
    [InlineData(63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630)]
    [InlineData(61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731)]
    [InlineData(35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645)]
    [InlineData(22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373)]
    [InlineData(36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146)]
    [InlineData(90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441)]
    [InlineData(90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381)]
    [InlineData(6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377)]
    [InlineData(2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082)]
    public void The_published_pairs_come_out_to_a_ten_thousandth(double l1, double a1, double b1, double l2, double a2, double b2, double difference)
    {
        Lab one = new(l1, a1, b1),
            two = new(l2, a2, b2);
        Assert.Equal(difference, Difference2000.Between(one, two), 1e-4);
        Assert.Equal(difference, Difference2000.Between(two, one), 1e-4);
    }

    [Fact]
    public void Lab_goes_there_and_back_and_a_colour_differs_from_no_colour_but_others() =>
        (from l in Gen.Double[0, 100] from a in Gen.Double[-90, 90] from b in Gen.Double[-90, 90] select new Lab(l, a, b)).Sample(
            lab =>
            {
                var back = Lab.From(lab.ToXyz(Xyz.D65), Xyz.D65);
                return Math.Abs(back.L - lab.L) + Math.Abs(back.A - lab.A) + Math.Abs(back.B - lab.B) < 1e-9 && Difference2000.Between(lab, lab) < 1e-9;
            },
            iter: 2000
        );

    /// <summary>The fit of Wyman, Sloan and Shirley under D65 of CIE 15, against the published chromaticity 0.3127, 0.3290.</summary>
    [Fact]
    public void The_white_point_lies_within_two_thousandths_of_the_published_one()
    {
        double sum = Light.White.X + Light.White.Y + Light.White.Z;
        Assert.Equal(.3127, Light.White.X / sum, .002);
        Assert.Equal(.3290, Light.White.Y / sum, .002);
        Assert.Equal(1, Light.White.Y, 1e-12);
    }
}
