using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Quantity;

/// <summary>Grams of something, by name.</summary>
/// <param name="What">A shade, or what a portion is for.</param>
/// <param name="Grams">Grams.</param>
public sealed record Portioned(string What, Grams Grams);

/// <summary>The colour of a mix of several shades, weighed once for all its sachets and divided: so no part is too small for the scale, and every sachet, the tests' too, holds the same (BE4, BE11).</summary>
/// <param name="Weigh">What to weigh of each shade.</param>
/// <param name="Takes">What to take of the blend for each sachet, in grams as filled.</param>
/// <param name="Over">What is left of the blend when all are filled: what its bowl and spoon keep (DO11), and what makes its smallest part large enough to weigh.</param>
public sealed record Stock(IReadOnlyList<Portioned> Weigh, IReadOnlyList<Portioned> Takes, Grams Over)
{
    /// <summary>The blend for some sachets; every part of it is ten steps of the scale or more.</summary>
    /// <param name="parts">Shades and shares.</param>
    /// <param name="takes">What each sachet takes.</param>
    /// <param name="step">Step of the scale.</param>
    /// <param name="kept">What the bowl keeps of it: nobody gets the last gram out.</param>
    public static Stock Of(IReadOnlyList<MixPart> parts, IReadOnlyList<Portioned> takes, Grams step, double kept)
    {
        double taken = takes.Sum(t => t.Grams.Value),
            need = taken + kept,
            least = Values.SmallestSteps * step.Value / parts.Min(p => p.Share.Value);
        int steps = (int)Math.Ceiling(Math.Max(need, least) / step.Value - 1e-9);
        double[] shares = [.. parts.Select(p => p.Share.Value)];
        return new Stock(
            [.. Quantity.Weigh.Apportion(steps, shares).Select((s, i) => new Portioned(parts[i].Shade, Grams.Of(Math.Round(s * step.Value, 3))))],
            takes,
            Grams.Of(Math.Round(Math.Max(0, steps * step.Value - taken), 3))
        );
    }
}
