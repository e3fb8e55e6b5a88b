using Kitto.Core.Shade;

namespace Kitto.Core.Packing;

/// <summary>A prescription as it was really weighed.</summary>
public static class AsWeighed
{
    /// <summary>
    /// The prescription with the grams that were poured: what the report asks about, what is learned from it and what the next kit repeats.
    /// Shares that differ by no more than a scale does stay as prescribed, so that a mix does not drift from kit to kit.
    /// </summary>
    /// <param name="p">As signed.</param>
    /// <param name="weighed">As weighed; null where it was not weighed at the bench.</param>
    public static Prescription Of(Prescription p, WeighedKit? weighed) =>
        weighed is null || p.Quantity is not { } q || weighed.Formulas.Count != p.Formulas.Count
            ? p
            : p with
            {
                Quantity = q with { SendGrams = weighed.Sent },
                Formulas = [.. p.Formulas.Zip(weighed.Formulas, Of)],
            };

    private static Formula Of(Formula f, PouredFormula poured)
    {
        var mix = poured.Mix();
        Grams Tenths(double grams) => Grams.Of(Math.Round(grams, 1));
        return f with
        {
            MixGrams = Tenths(poured.MixGrams),
            Pairs =
            [
                .. f.Pairs.Zip(poured.Pairs, (pair, was) => pair with { ColourGrams = Tenths(was.ColourGrams), DeveloperGrams = Tenths(was.DeveloperGrams) }),
            ],
            Parts = SelectedFormula.Same(mix, f.Mix())
                ? f.Parts
                : [.. f.Parts.Select(p => p with { Share = mix.FirstOrDefault(m => m.Shade == p.Shade)?.Share ?? Share.Of(0) })],
        };
    }
}
