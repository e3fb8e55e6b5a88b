namespace Kitto.Core.Colour;

/// <summary>The colour difference CIEDE2000, all weights 1 (Sharma, Wu and Dalal, Color Research and Application 30, 2005).</summary>
public static class Difference2000
{
    private const double Degree = Math.PI / 180;
    private const double TwentyFive7 = 6103515625;

    /// <summary>Farther than this from 275 degrees (as a cosine) the turning term is below 1e-8.</summary>
    private const double NoTurn = -0.35;

    private static readonly double Cos30 = Math.Cos(30 * Degree),
        Sin30 = Math.Sin(30 * Degree),
        Cos6 = Math.Cos(6 * Degree),
        Sin6 = Math.Sin(6 * Degree),
        Cos63 = Math.Cos(63 * Degree),
        Sin63 = Math.Sin(63 * Degree),
        Cos275 = Math.Cos(275 * Degree),
        Sin275 = Math.Sin(275 * Degree);

    /// <summary>dE00 between two colours: below 1 hardly seen, about 2 seen side by side.</summary>
    public static double Between(Lab one, Lab two)
    {
        double g = 1 + .5 * (1 - Saturation((one.Chroma + two.Chroma) / 2));
        double a1 = g * one.A,
            a2 = g * two.A;
        double c1 = Math.Sqrt(a1 * a1 + one.B * one.B),
            c2 = Math.Sqrt(a2 * a2 + two.B * two.B),
            c = (c1 + c2) / 2;
        double dL = two.L - one.L,
            dC = c2 - c1,
            dH = 0;
        // The mean hue as a direction: that of the sum of both, halfway along the shorter arc; no angle is needed but for the blues.
        double x = 1,
            y = 0;
        if (c1 * c2 > 0)
        {
            double x1 = a1 / c1,
                y1 = one.B / c1,
                x2 = a2 / c2,
                y2 = two.B / c2;
            double long_ = Math.Sqrt((x1 + x2) * (x1 + x2) + (y1 + y2) * (y1 + y2));
            (x, y) = long_ > 1e-3 ? ((x1 + x2) / long_, (y1 + y2) / long_) : Opposite(Hue(a1, one.B), Hue(a2, two.B));
            dH = Math.CopySign(Math.Sqrt(c1 * c2 * ((x1 - x2) * (x1 - x2) + (y1 - y2) * (y1 - y2))), x1 * y2 - y1 * x2);
        }
        else if (c1 + c2 > 0)
        {
            // A grey has no hue: that of the other counts.
            (x, y) = ((a1 + a2) / (c1 + c2), (one.B + two.B) / (c1 + c2));
        }

        double cos2 = x * x - y * y,
            sin2 = 2 * x * y,
            cos3 = cos2 * x - sin2 * y,
            sin3 = sin2 * x + cos2 * y,
            cos4 = cos2 * cos2 - sin2 * sin2,
            sin4 = 2 * sin2 * cos2;
        double t = 1 - .17 * (x * Cos30 + y * Sin30) + .24 * cos2 + .32 * (cos3 * Cos6 - sin3 * Sin6) - .20 * (cos4 * Cos63 + sin4 * Sin63);
        double l = (one.L + two.L) / 2 - 50;
        double sL = 1 + .015 * l * l / Math.Sqrt(20 + l * l),
            sC = 1 + .045 * c,
            sH = 1 + .015 * c * t;
        double turn = x * Cos275 + y * Sin275 < NoTurn ? 0 : Turn(x, y) * 2 * Saturation(c);
        double p = dL / sL,
            q = dC / sC,
            r = dH / sH;
        return Math.Sqrt(p * p + q * q + r * r + turn * q * r);
    }

    /// <summary>The mean of two hues that are opposite, or so nearly that their sum has no direction: by the letter of the definition.</summary>
    private static (double X, double Y) Opposite(double one, double two)
    {
        double mean = Math.Abs(one - two) <= 180 ? (one + two) / 2 : (one + two + (one + two < 360 ? 360 : -360)) / 2;
        return (Math.Cos(mean * Degree), Math.Sin(mean * Degree));
    }

    private static double Hue(double a, double b) => Math.Atan2(b, a) / Degree is var h && h < 0 ? h + 360 : h;

    private static double Turn(double x, double y)
    {
        double blue = (Hue(x, y) - 275) / 25;
        return -Math.Sin(60 * Degree * Math.Exp(-blue * blue));
    }

    private static double Saturation(double chroma)
    {
        double square = chroma * chroma;
        double seventh = square * square * square * chroma;
        return Math.Sqrt(seventh / (seventh + TwentyFive7));
    }
}
