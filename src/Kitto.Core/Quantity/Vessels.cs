using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Quantity;

/// <summary>Vessels, tubes and spoons (DO12, BE4, BE10, BE11).</summary>
public static class Vessels
{
    /// <summary>The most mix a vessel takes: a bowl keeps half its room for beating, a bottle a third for shaking (DO12).</summary>
    public static Grams Holds(Thickness thickness) => Grams.Of(thickness == Thickness.Cream ? Values.BowlMl / 2 : Values.BottleMl * 2 / 3);

    /// <summary>Says so where a pair is more than its vessel takes, with the remedy.</summary>
    internal static Reason? TooFull(Pair pair, Thickness thickness)
    {
        var mix = pair.ColourGrams + pair.DeveloperGrams;
        var most = Holds(thickness);
        int goes = (int)Math.Ceiling(mix.Value / most.Value);
        return goes < 2 ? null
            : goes <= Values.MostGoes ? new MixedInGoes(pair.Name, mix, thickness, most, goes)
            : new TooMuchForVessel(pair.Name, mix, thickness, most);
    }

    /// <summary>Whole tubes that would do for a formula of one shade, and how far they are above the need.</summary>
    public static (int Tubes, double Above) WholeTubes(Grams colour, Line line)
    {
        int tubes = (int)Math.Ceiling(colour.Value / line.Tube.Value - 1e-9);
        return (tubes, tubes * line.Tube.Value / colour.Value - 1);
    }
}
