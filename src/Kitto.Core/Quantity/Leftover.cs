namespace Kitto.Core.Quantity;

/// <summary>What was left, judged from a picture of the bowl.</summary>
public static class Leftover
{
    /// <summary>The pictures: how full the bowl still was, as parts of what was mixed in it.</summary>
    public static IReadOnlyList<double> Pictures { get; } = [0, 0.1, 0.25, 0.5, 0.75];

    /// <summary>
    /// Grams that could still have been painted: the unopened reserve and what is in the last bowl beyond its residue.
    /// Never so much that nothing was used.
    /// </summary>
    /// <param name="prescription">What was sent.</param>
    /// <param name="bowl">How full the last bowl still was, 0 to 1.</param>
    /// <param name="reserveUnopened">Whether the reserve stayed sealed.</param>
    public static Grams Judged(Prescription prescription, Share bowl, bool reserveUnopened)
    {
        var pairs = prescription.Formulas[0].Pairs;
        bool sealedReserve = reserveUnopened && pairs[^1].IsReserve;
        double Mix(Pair p) => p.ColourGrams.Value + p.DeveloperGrams.Value;
        var last = sealedReserve ? pairs[0] : pairs[^1];
        double most = prescription.Quantity!.SendGrams.Value - prescription.Quantity.ResidueGrams.Value;
        return Grams.Of(Math.Clamp((sealedReserve ? Mix(pairs[^1]) : 0) + bowl.Value * Mix(last), 0, most * .95)).Tenths();
    }
}
