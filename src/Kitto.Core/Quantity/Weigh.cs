using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Quantity;

/// <summary>Splits a portion of mix into parts that a scale can weigh: sums exact, ratio kept (quantity 4).</summary>
public static class Weigh
{
    /// <summary>The least share of a part that can be weighed, where the colour of all pairs is weighed as one blend (BE4).</summary>
    /// <param name="portions">The pairs.</param>
    /// <param name="ratio">Developer per colour.</param>
    /// <param name="step">Step of the scale.</param>
    public static double LeastShare(IReadOnlyList<Portion> portions, double ratio, Grams step) =>
        Math.Min(1, Values.SmallestSteps * step.Value / (portions.Sum(p => p.Mix.Value) / (1 + ratio)));

    /// <summary>What a sachet, a bottle or a bowl keeps of what was in it, grams (DO11).</summary>
    public static double Keeps(Thickness thickness) => thickness == Thickness.Liquid ? Values.LiquidKeptGrams : Values.CreamKeptGrams;

    /// <summary>One sealed pair, weighed out.</summary>
    /// <param name="portion">Name and grams of mix.</param>
    /// <param name="parts">Shades and shares.</param>
    /// <param name="ratio">Developer per colour.</param>
    /// <param name="blend">Strengths and shares of the developer.</param>
    /// <param name="thickness">Of the colour.</param>
    /// <param name="step">Step of the scale.</param>
    /// <param name="unopened">The colour goes in whole tubes: nothing is decanted, so nothing is filled over.</param>
    public static Pair Out(
        Portion portion,
        IReadOnlyList<MixPart> parts,
        double ratio,
        IReadOnlyList<(Volume Volume, double Share)> blend,
        Thickness thickness,
        Grams step,
        bool unopened = false
    )
    {
        double grid = Math.Max(step.Value, 0.1);
        int colour = Math.Max(1, (int)Math.Ceiling(portion.Mix.Value / (1 + ratio) / grid - 1e-9));
        while (Math.Abs(colour * ratio - Math.Round(colour * ratio)) / (colour * ratio) > 0.005)
        {
            colour++;
        }

        int developer = (int)Math.Round(colour * ratio);
        double kept = unopened ? 0 : Keeps(thickness);
        double[] shares = new double[Math.Max(parts.Count, blend.Count)];
        for (int i = 0; i < parts.Count; i++)
        {
            shares[i] = parts[i].Share.Value;
        }

        var steps = Apportion(colour, shares.AsSpan(0, parts.Count));
        var colourParts = new PartGrams[parts.Count];
        for (int i = 0; i < parts.Count; i++)
        {
            colourParts[i] = new PartGrams(parts[i].Shade, At(steps[i], grid), Grams.Of(Math.Round(steps[i] * grid * (1 + kept / (colour * grid)), 1)));
        }

        for (int i = 0; i < blend.Count; i++)
        {
            shares[i] = blend[i].Share;
        }

        steps = Apportion(developer, shares.AsSpan(0, blend.Count));
        var strengths = new StrengthGrams[blend.Count];
        for (int i = 0; i < blend.Count; i++)
        {
            strengths[i] = new StrengthGrams(blend[i].Volume, At(steps[i], grid));
        }

        return new Pair(
            portion.Name,
            At(colour, grid),
            At(developer, grid),
            colourParts,
            strengths,
            Grams.Of(Math.Round(colour * grid + kept, 3)),
            Grams.Of(Math.Round(developer * grid + Values.LiquidKeptGrams, 3))
        );
    }

    /// <summary>Whole steps in given shares whose sum is exact: largest remainders first, ties to the earlier part.</summary>
    /// <param name="total">Steps to give out.</param>
    /// <param name="shares">Shares of any sum above 0.</param>
    public static int[] Apportion(int total, ReadOnlySpan<double> shares)
    {
        double sum = 0;
        foreach (double share in shares)
        {
            sum += share;
        }

        int[] whole = new int[shares.Length];
        Span<double> rest = stackalloc double[shares.Length];
        int given = 0;
        for (int i = 0; i < shares.Length; i++)
        {
            double exact = shares[i] / sum * total;
            whole[i] = (int)Math.Floor(exact + 1e-9);
            rest[i] = Math.Round(exact - whole[i], 9);
            given += whole[i];
        }

        for (; given < total; given++)
        {
            int most = 0;
            for (int i = 1; i < rest.Length; i++)
            {
                most = rest[i] > rest[most] ? i : most;
            }

            whole[most]++;
            rest[most] = -1;
        }

        return whole;
    }

    private static Grams At(int steps, double grid) => Grams.Of(Math.Round(steps * grid, 3));
}
