using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Quantity;

/// <summary>Vessels, tubes and spoons (DO12, BE4, BE10, BE11).</summary>
public static class Vessels
{
    /// <summary>The most mix a vessel takes: a bowl keeps half its room for beating, a bottle a third for shaking (DO12).</summary>
    public static Grams Holds(Thickness thickness) => Grams.Of(thickness == Thickness.Cream ? Values.BowlMl / 2 : Values.BottleMl * 2 / 3);

    /// <summary>Says so where a pair is more than its vessel takes, with the remedy.</summary>
    public static Because? TooFull(Pair pair, Thickness thickness)
    {
        var mix = pair.ColourGrams + pair.DeveloperGrams;
        var most = Holds(thickness);
        int goes = (int)Math.Ceiling(mix.Value / most.Value);
        string holds =
            $"The {pair.Name} pair is {mix}; the {(thickness == Thickness.Cream ? "bowl takes half" : "bottle takes two thirds")} of its room, {most}.";
        return goes < 2 ? null
            : goes <= Values.MostGoes ? new Because("DO12", $"{holds} It is mixed in {goes} goes of {(mix * (1.0 / goes)).Tenths()}.", Topic.Bench)
            : new Because("DO12", $"{holds} That is more than {Values.MostGoes} goes: two sittings, one half of the head each, or the chair.", Topic.Attention);
    }

    /// <summary>Whole tubes that would do for a formula of one shade, and how far they are above the need.</summary>
    public static (int Tubes, double Above) WholeTubes(Grams colour, Line line)
    {
        int tubes = (int)Math.Ceiling(colour.Value / line.Tube.Value - 1e-9);
        return (tubes, tubes * line.Tube.Value / colour.Value - 1);
    }
}
