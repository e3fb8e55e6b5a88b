using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Quantity;

/// <summary>What should be left in the bowl when a zone is on, as these hands are likely to use it.</summary>
/// <param name="Zone">The zone that has just been painted.</param>
/// <param name="Pair">The pair that was mixed in this bowl.</param>
/// <param name="Full">How full the bowl still is, as part of what was mixed in it.</param>
/// <param name="Left">Grams in it, with what stays on the wall.</param>
/// <param name="Reserve">Whether the sealed reserve is likely to be needed for this zone.</param>
public sealed record BowlLeft(Zone Zone, string Pair, Share Full, Grams Left, bool Reserve)
{
    /// <summary>Zone by zone in the order of painting; empty where nothing is painted or combed by zones.</summary>
    /// <param name="c">The case.</param>
    /// <param name="p">What was prescribed for it.</param>
    /// <param name="line">The line of its first formula.</param>
    public static IReadOnlyList<BowlLeft> Along(Case c, Prescription p, Line line)
    {
        if (p.Quantity is not { } q || p.Clock is not { } clock || p.Formulas is not [var first, ..])
        {
            return [];
        }

        var reading = c.Reading.On(PlanWish.DaysAhead(c.Plan, p.Plan));
        // Her median hand over a trained one; the same for every zone.
        double hands = q.BaseGrams.Value > 0 ? q.UseGrams.Value / q.BaseGrams.Value : 1;
        bool combed = first.Use == "lengths", damp = c.Goal.DampLengths ?? combed;
        double Takes(Zone zone) => hands * (combed
            ? Use.Comb(reading, line.Thickness, [zone], damp)
            : Use.Paint(reading, line.Thickness, [zone], c.Goal.Service == Service.RootShadow, c.Goal.Service == Service.Lighten)).Value;
        bool split = clock.Zones.Any(z => z.Batch > 1);
        var along = new List<BowlLeft>();
        foreach (var batch in clock.Zones.GroupBy(z => z.Batch))
        {
            var pair = split && batch.Key <= first.Pairs.Count ? first.Pairs[batch.Key - 1] : first.Pairs[0];
            double mixed = pair.ColourGrams.Value + pair.DeveloperGrams.Value, left = mixed;
            foreach (var zone in batch)
            {
                left -= Takes(zone.Zone);
                double shown = Math.Max(0, left);
                along.Add(new BowlLeft(zone.Zone, pair.Name, Share.Of(mixed > 0 ? shown / mixed : 0), Grams.Of(shown).Tenths(), left < 0 && !split && first.Pairs.Count > 1));
            }
        }

        return along;
    }
}
