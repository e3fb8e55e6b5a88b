using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>Dye leaves with washes: half of it in so many weeks (ours, from RD9).</summary>
public static class Fading
{
    /// <summary>White fibres lose it sooner.</summary>
    public const double OnWhite = 0.75;

    /// <summary>Tones leave before depth.</summary>
    public const double OfTone = 0.7;

    /// <summary>Half-life of the depth on pigmented hair, weeks.</summary>
    public static double HalfLifeWeeks(LineKind kind) => kind switch
    {
        LineKind.Permanent or LineKind.HighLift or LineKind.Lightener => 14,
        LineKind.Demi => 5,
        LineKind.Gloss => 3,
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>What is left of a dye.</summary>
    /// <param name="dye">As it was put on.</param>
    /// <param name="kind">Of the line.</param>
    /// <param name="weeks">Since then, 0 or more.</param>
    /// <param name="white">Whether the fibre is white.</param>
    public static Pigment After(Pigment dye, LineKind kind, double weeks, bool white)
    {
        double half = HalfLifeWeeks(kind) * (white ? OnWhite : 1);
        return dye.Faded(Math.Pow(.5, weeks / half), Math.Pow(.5, weeks / (half * OfTone)));
    }
}
