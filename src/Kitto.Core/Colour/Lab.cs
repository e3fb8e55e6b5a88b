namespace Kitto.Core.Colour;

/// <summary>A colour as CIELAB under D65 (CIE 15): L* 0 to 100, a* from green to red, b* from blue to yellow.</summary>
/// <param name="L">Lightness L*.</param>
/// <param name="A">a*.</param>
/// <param name="B">b*.</param>
public readonly record struct Lab(double L, double A, double B)
{
    private const double Knee = 216.0 / 24389,
        Slope = 24389.0 / 27;

    /// <summary>Chroma, the distance from grey.</summary>
    public double Chroma => Math.Sqrt(A * A + B * B);

    /// <summary>Hue angle in degrees, 0 to 360: 0 red, 90 yellow, 180 green, 270 blue.</summary>
    public double Hue => Math.Atan2(B, A) is var h && h < 0 ? h * 180 / Math.PI + 360 : h * 180 / Math.PI;

    /// <summary>A colour as documents have it: L*, a*, b*.</summary>
    public static Lab Of(IReadOnlyList<double> written) => new(written[0], written[1], written[2]);

    /// <summary>From tristimulus values, against a white.</summary>
    public static Lab From(Xyz colour, Xyz white)
    {
        double x = Root(colour.X / white.X),
            y = Root(colour.Y / white.Y),
            z = Root(colour.Z / white.Z);
        return new Lab(116 * y - 16, 500 * (x - y), 200 * (y - z));
    }

    /// <summary>Back to tristimulus values, against a white.</summary>
    public Xyz ToXyz(Xyz white)
    {
        double y = (L + 16) / 116,
            x = y + A / 500,
            z = y - B / 200;
        return new Xyz(white.X * Cube(x), white.Y * Cube(y), white.Z * Cube(z));
    }

    /// <summary>Moved by a difference.</summary>
    public static Lab operator +(Lab a, Lab b) => new(a.L + b.L, a.A + b.A, a.B + b.B);

    /// <summary>The difference.</summary>
    public static Lab operator -(Lab a, Lab b) => new(a.L - b.L, a.A - b.A, a.B - b.B);

    /// <summary>A difference, so many times.</summary>
    public static Lab operator *(Lab a, double times) => new(a.L * times, a.A * times, a.B * times);

    /// <summary>CIELAB's cube root with its straight foot.</summary>
    internal static double Root(double t) => t > Knee ? Math.Cbrt(t) : (Slope * t + 16) / 116;

    private static double Cube(double t) => t * t * t is var c && c > Knee ? c : (116 * t - 16) / Slope;
}
