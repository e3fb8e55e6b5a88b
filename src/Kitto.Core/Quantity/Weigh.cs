using Kitto.Core.Developer;
using Kitto.Core.Shade;

namespace Kitto.Core.Quantity;

/// <summary>Splits a portion of mix into parts that a scale can weigh: sums exact, ratio kept (quantity 4).</summary>
public static class Weigh
{
    /// <summary>What a colour sachet keeps, filled over on top (DO11; ours).</summary>
    public const double CreamKept = 1.5;

    /// <summary>What a bottle of liquid keeps (DO11; ours).</summary>
    public const double LiquidKept = 0.7;

    /// <summary>A part below this many steps of the scale is too small to weigh well (BE4).</summary>
    public const double SmallestSteps = 10;

    /// <summary>One sealed pair, weighed out.</summary>
    /// <param name="portion">Name and grams of mix.</param>
    /// <param name="parts">Shades and shares.</param>
    /// <param name="ratio">Developer per colour.</param>
    /// <param name="blend">Strengths and shares of the developer.</param>
    /// <param name="thickness">Of the colour.</param>
    /// <param name="step">Step of the scale.</param>
    /// <param name="unopened">The colour goes in whole tubes: nothing is decanted, so nothing is filled over.</param>
    public static Pair Out(
        Portion portion, IReadOnlyList<MixPart> parts, double ratio, IReadOnlyList<(Volume Volume, double Share)> blend, Thickness thickness, Grams step, bool unopened = false)
    {
        double grid = Math.Max(step.Value, 0.1);
        int colour = Math.Max(1, (int)Math.Ceiling(portion.Mix.Value / (1 + ratio) / grid - 1e-9));
        while (Math.Abs(colour * ratio - Math.Round(colour * ratio)) / (colour * ratio) > 0.005)
        {
            colour++;
        }

        int developer = (int)Math.Round(colour * ratio);
        double kept = unopened ? 0 : thickness == Thickness.Liquid ? LiquidKept : CreamKept;
        Grams At(double steps) => Grams.Of(Math.Round(steps * grid, 3));
        var colourParts = Apportion(colour, [.. parts.Select(p => p.Share.Value)])
            .Select((steps, i) => new PartGrams(parts[i].Shade, At(steps), Grams.Of(Math.Round(steps * grid * (1 + kept / (colour * grid)), 1))))
            .ToList();
        var strengths = Apportion(developer, [.. blend.Select(b => b.Share)]).Select((steps, i) => new StrengthGrams(blend[i].Volume, At(steps))).ToList();
        return new Pair(portion.Name, At(colour), At(developer), colourParts, strengths,
            Grams.Of(Math.Round(colour * grid + kept, 3)), Grams.Of(Math.Round(developer * grid + LiquidKept, 3)));
    }

    /// <summary>Whole steps in given shares whose sum is exact: largest remainders first, ties to the earlier part.</summary>
    public static IReadOnlyList<int> Apportion(int total, IReadOnlyList<double> shares)
    {
        double sum = shares.Sum();
        var exact = shares.Select(s => s / sum * total).ToList();
        int[] whole = [.. exact.Select(e => (int)Math.Floor(e + 1e-9))];
        foreach (int i in Enumerable.Range(0, whole.Length).OrderByDescending(i => Math.Round(exact[i] - whole[i], 9)).ThenBy(i => i).Take(total - whole.Sum()))
        {
            whole[i]++;
        }

        return whole;
    }
}
