using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>Dye leaves with washes: it holds at first and then goes faster, half of it in so many weeks (ours; so that a gloss looks plainly faded in 5 to 8 weeks, a demi in 4 to 8, a permanent on white in 12 to 17, as the trade has it, RD9).</summary>
public static class Fading
{
    /// <summary>White fibres lose it sooner.</summary>
    public const double OnWhite = 0.75;

    /// <summary>Tones leave before depth.</summary>
    public const double OfTone = 0.8;

    /// <summary>Half-life of the depth on pigmented hair, weeks.</summary>
    public static double HalfLifeWeeks(LineKind kind) =>
        kind switch
        {
            LineKind.Permanent or LineKind.HighLift or LineKind.Lightener => 32,
            LineKind.Demi => 12,
            LineKind.Gloss => 6.7,
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
        double gone = weeks / half,
            toneGone = gone / OfTone;
        return dye.Faded(Math.Pow(.5, gone * gone), Math.Pow(.5, toneGone * toneGone));
    }
}
