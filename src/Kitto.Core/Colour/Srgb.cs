namespace Kitto.Core.Colour;

/// <summary>Colour for a screen, which is not a swatch: sRGB (IEC 61966-2-1).</summary>
public static class Srgb
{
    /// <summary>Red, green, blue, 0 to 1; what a screen cannot show is cut to the edge.</summary>
    public static (double R, double G, double B) From(Lab colour)
    {
        var c = colour.ToXyz(Xyz.D65);
        return (
            Coded(3.2409699419045226 * c.X - 1.537383177570094 * c.Y - 0.4986107602930034 * c.Z),
            Coded(-0.9692436362808796 * c.X + 1.8759675015077202 * c.Y + 0.04155505740717559 * c.Z),
            Coded(0.05563007969699366 * c.X - 0.20397695888897652 * c.Y + 1.0569715142428786 * c.Z)
        );
    }

    /// <summary>As "#rrggbb".</summary>
    public static string Hex(Lab colour)
    {
        var (r, g, b) = From(colour);
        static int Byte(double v) => (int)Math.Round(v * 255, MidpointRounding.AwayFromZero);
        return $"#{Byte(r):x2}{Byte(g):x2}{Byte(b):x2}";
    }

    private static double Coded(double linear) => Math.Clamp(linear <= .0031308 ? 12.92 * linear : 1.055 * Math.Pow(linear, 1 / 2.4) - .055, 0, 1);
}
