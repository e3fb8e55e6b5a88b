using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Developer;

/// <summary>Strength of a developer, by stoichiometry and by weighed blends (DV1, DV8).</summary>
public static class Strength
{
    /// <summary>
    /// Shares of stocked strengths, by weight, that give the wished one; a stocked strength is taken alone (DV8).
    /// Beyond what the line stocks the chair's other strengths are used; below the weakest, the weakest.
    /// A strength that may go into a kit is blended from strengths that may, wherever those reach it (DV6).
    /// </summary>
    /// <param name="wished">The strength.</param>
    /// <param name="line">The line whose developers are stocked.</param>
    /// <param name="shelf">All lines, for what the chair has.</param>
    public static IReadOnlyList<(Volume Volume, double Share)> Blend(Volume wished, Line line, Shelf shelf)
    {
        var own = line.Developers.Select(d => d.Volume.Value).Distinct().Order().ToList();
        // An activator (below 10) belongs to its own line; only true developers are shared across the shelf (DV10).
        List<double> All() => [.. own.Concat(shelf.Lines.SelectMany(l => l.Developers).Select(d => d.Volume.Value).Where(v => v >= 10)).Distinct().Order()];
        List<double> ForKits(IEnumerable<double> from) => [.. from.Where(v => v <= Values.KitLimitVolume)];
        bool Reaches(List<double> some) => some.Count > 0 && some[0] <= wished.Value && some[^1] >= wished.Value - 1e-9;
        var stock = wished.Value > own[^1] ? All() : own;
        if (wished.Value <= Values.KitLimitVolume && Reaches(stock))
        {
            stock =
                Reaches(ForKits(own)) ? ForKits(own)
                : Reaches(ForKits(All())) ? ForKits(All())
                : stock;
        }

        if (wished.Value <= stock[0])
        {
            return [(Volume.Of(stock[0]), 1)];
        }

        double above = stock.FirstOrDefault(v => v >= wished.Value - 1e-9, stock[^1]);
        if (above <= wished.Value + 1e-9)
        {
            return [(Volume.Of(above), 1)];
        }

        double below = stock.Last(v => v < wished.Value);
        double stronger = (wished.Value - below) / (above - below);
        return [(Volume.Of(below), 1 - stronger), (Volume.Of(above), stronger)];
    }

    /// <summary>The strength of a weighed blend.</summary>
    /// <param name="blend">Strengths and their shares by weight, which add up to one.</param>
    public static Volume Of(IReadOnlyList<(Volume Volume, double Share)> blend) => Volume.Of(Math.Round(blend.Sum(b => b.Volume.Value * b.Share), 6));
}
