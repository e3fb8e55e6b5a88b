using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>What is aimed at, at the roots and on the lengths.</summary>
/// <param name="RootLevel">Level at the roots.</param>
/// <param name="LengthsLevel">Level on the lengths.</param>
/// <param name="Tone">Tone of both.</param>
public sealed record Aim(Level RootLevel, Level LengthsLevel, Tone Tone)
{
    /// <summary>Half a level is the least that is told apart on lengths (SV9).</summary>
    public const double HalfLevel = 0.5;

    /// <summary>The wish, or the lengths where nothing is wished; a shadow lies at the natural level or one lighter, one to three deeper than the lengths (SV5).</summary>
    public static Aim Of(Case c, ICollection<Because> why)
    {
        var hair = c.Reading.Hair;
        var tone = c.Goal.Tone ?? hair.Lengths.Tone;
        var level = c.Goal.Level ?? hair.Lengths.Level;
        if (c.Goal.Service != Service.RootShadow)
        {
            return new Aim(level, level, tone);
        }

        double natural = hair.NaturalLevel.Value;
        double shadow = c.Goal.Level?.Value ?? Math.Clamp(hair.Lengths.Level.Value - 3, natural, Math.Min(12, natural + 1));
        double deeper = hair.Lengths.Level.Value - shadow;
        why.Add(new Because("SV5", deeper is >= 1 and <= 3 && shadow - natural is >= 0 and <= 1
            ? $"The shadow lies at level {shadow:0.#}, {deeper:0.#} deeper than the lengths, and is feathered 20 to 50 mm past the line."
            : $"A shadow reads best one to three levels deeper than the lengths and at her own level or one lighter; level {shadow:0.#} is {deeper:0.#} deeper than the lengths.", "shade"));
        return new Aim(Level.Of(shadow), hair.Lengths.Level, tone);
    }
}
