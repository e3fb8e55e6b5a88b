using Kitto.Core.Head;

namespace Kitto.Core.Strand;

/// <summary>What is wished at the roots; for a gloss, on the lengths (SV13).</summary>
internal static class Wishes
{
    /// <summary>The goal, or the lengths as they are where nothing is said; a shadow lies at the natural level or one lighter, one to three deeper than the lengths (SV5).</summary>
    public static Wish Of(Case c, ICollection<Because> why)
    {
        var hair = c.Reading.Hair;
        var wish = new Wish(c.Goal.Level ?? hair.Lengths.Level, c.Goal.Tone ?? hair.Lengths.Tone);
        if (c.Goal.Service != Service.RootShadow)
        {
            return wish;
        }

        double natural = hair.NaturalLevel.Value,
            lengths = (c.Goal.Lengths?.Level ?? hair.Lengths.Level).Value;
        double shadow = c.Goal.Level?.Value ?? Math.Clamp(lengths - 3, natural, Math.Min(12, natural + 1));
        double deeper = lengths - shadow;
        why.Add(
            new Because(
                "SV5",
                deeper is >= 1 and <= 3 && shadow - natural is >= 0 and <= 1
                    ? $"The shadow lies at level {shadow:0.#}, {LengthsPlan.Levels(deeper)} deeper than the lengths, and is feathered {c.Goal.TailAt(Zone.FrontHairline).Value:0} to {c.Goal.TailAt(Zone.Nape).Value:0} mm past the line."
                    : $"A shadow reads best one to three levels deeper than the lengths and at her own level or one lighter; level {shadow:0.#} is {(deeper >= 0 ? $"{LengthsPlan.Levels(deeper)} deeper" : $"{LengthsPlan.Levels(-deeper)} lighter")} than the lengths{(shadow < natural ? $" and {LengthsPlan.Levels(natural - shadow)} below her own" : "")}.",
                Topic.Shade
            )
        );
        return wish with { Level = Level.Of(shadow) };
    }
}
