using Kitto.Core.Head;
using Kitto.Core.Reasons;

namespace Kitto.Core.Strand;

/// <summary>What is wished at the roots; for a gloss, on the lengths (SV13).</summary>
internal static class Wishes
{
    /// <summary>The goal, or the lengths as they are where nothing is said; a shadow lies at the natural level or one lighter, one to three deeper than the lengths (SV5).</summary>
    public static Wish Of(Case c, ICollection<Reason> why)
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
            deeper is >= 1 and <= 3 && shadow - natural is >= 0 and <= 1
                ? new ShadowLies(shadow, deeper, c.Goal.TailAt(Zone.FrontHairline), c.Goal.TailAt(Zone.Nape))
                : new ShadowReadsBadly(shadow, deeper, Math.Max(0, natural - shadow))
        );
        return wish with { Level = Level.Of(shadow) };
    }
}
