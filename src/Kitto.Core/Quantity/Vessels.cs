using System.Globalization;
using Kitto.Core.Shade;

namespace Kitto.Core.Quantity;

/// <summary>Vessels, tubes and spoons (DO12, BE4, BE10, BE11).</summary>
public static class Vessels
{
    /// <summary>The bowl of a usual kit, millilitres (ours).</summary>
    public const double BowlMl = 300;

    /// <summary>The nozzle bottle of a usual kit, millilitres (ours).</summary>
    public const double BottleMl = 240;

    /// <summary>A whole tube this little above the need is worth saying (quantity 4).</summary>
    public const double TubeMargin = 1.10;

    /// <summary>A metric teaspoon, millilitres.</summary>
    public const double TeaspoonMl = 5;

    /// <summary>The most mix a vessel takes: a bowl keeps half its room for beating, a bottle a third for shaking (DO12).</summary>
    public static Grams Holds(Thickness thickness) => Grams.Of(thickness == Thickness.Cream ? BowlMl / 2 : BottleMl * 2 / 3);

    /// <summary>Says so where a pair is more than its vessel takes, with the remedy.</summary>
    public static Because? TooFull(Pair pair, Thickness thickness)
    {
        var mix = pair.ColourGrams + pair.DeveloperGrams;
        var most = Holds(thickness);
        int goes = (int)Math.Ceiling(mix.Value / most.Value);
        return goes < 2 ? null : new Because("DO12",
            $"The {pair.Name} pair is {mix}; the {(thickness == Thickness.Cream ? "bowl takes half" : "bottle takes two thirds")} of its room, {most}. It is mixed in {goes} goes of {(mix * (1.0 / goes)).Tenths()}.", "bench");
    }

    /// <summary>The stock blend for a part too small to weigh (BE4): how much of each to weigh, in whole steps, and how much of it to take.</summary>
    /// <param name="parts">The colour's parts.</param>
    /// <param name="take">The colour needed.</param>
    /// <param name="step">Step of the scale.</param>
    public static IReadOnlyList<(string Shade, Grams Weigh)> StockBlend(IReadOnlyList<MixPart> parts, Grams take, Grams step)
    {
        double smallest = parts.Min(p => p.Share.Value);
        double total = Math.Max(take.Value, Weigh.SmallestSteps * step.Value / smallest);
        int steps = (int)Math.Ceiling(total / step.Value - 1e-9);
        double[] shares = [.. parts.Select(p => p.Share.Value)];
        return [.. Weigh.Apportion(steps, shares).Select((s, i) => (parts[i].Shade, Grams.Of(Math.Round(s * step.Value, 3))))];
    }

    /// <summary>The stock blend as a sentence.</summary>
    public static Because SayStockBlend(IReadOnlyList<MixPart> parts, Grams smallest, Grams take, Grams step)
    {
        var stock = StockBlend(parts, take, step);
        return new Because("BE4",
            $"A part of {smallest} is below ten steps of the scale. Weigh a stock blend of {string.Join(" and ", stock.Select(s => $"{s.Weigh.Value.ToString("0.##", CultureInfo.InvariantCulture)} g {s.Shade}"))}, stir it even, and take {take} of that.", "bench");
    }

    /// <summary>Whole tubes that would do for a formula of one shade, and how far they are above the need.</summary>
    public static (int Tubes, double Above) WholeTubes(Grams colour, Line line)
    {
        int tubes = (int)Math.Ceiling(colour.Value / line.Tube.Value - 1e-9);
        return (tubes, tubes * line.Tube.Value / colour.Value - 1);
    }

    /// <summary>Grams with their kitchen measure, for reading only: 1 g counts as 1 ml (common practice, true within 5 %).</summary>
    public static string Kitchen(Grams grams)
    {
        double spoons = Math.Max(.5, Math.Round(grams.Value / TeaspoonMl * 2) / 2);
        return string.Create(CultureInfo.InvariantCulture, $"{grams} (about {grams.Value:0} ml, {spoons:0.#} teaspoon{(spoons == 1 ? "" : "s")})");
    }
}
