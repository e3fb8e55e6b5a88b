using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>What a shade is drawn as: hair of its level and tone. A screen is not a swatch; this tells parts apart, no more.</summary>
public static class Swatch
{
    /// <summary>A concentrate is drawn as its band alone on white hair, so strong (ours).</summary>
    public const double Concentrate = 0.5;

    /// <summary>The colour it is drawn in.</summary>
    public static Lab Of(ShadeOf shade) =>
        shade switch
        {
            { Concentrate: true } => (Fibre.White with { Dye = Dye.Band(shade.Family!.Value) * Concentrate }).Lab,
            { Level: 0 } => Fibre.White.Lab,
            _ => Dye.Look(shade.Level, new Tone(shade.Family!.Value)).Lab,
        };
}
