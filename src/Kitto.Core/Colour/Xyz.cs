namespace Kitto.Core.Colour;

/// <summary>Tristimulus values, CIE 1931 2 degrees; Y of a perfect reflector is 1.</summary>
/// <param name="X">X.</param>
/// <param name="Y">Y, the luminance.</param>
/// <param name="Z">Z.</param>
public readonly record struct Xyz(double X, double Y, double Z)
{
    /// <summary>D65 by its published chromaticity x 0.3127, y 0.3290 (IEC 61966-2-1).</summary>
    public static Xyz D65 { get; } = new(.3127 / .3290, 1, (1 - .3127 - .3290) / .3290);

    /// <summary>The sum: light adds up.</summary>
    public static Xyz operator +(Xyz a, Xyz b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    /// <summary>So much of it.</summary>
    public static Xyz operator *(Xyz a, double share) => new(a.X * share, a.Y * share, a.Z * share);
}
