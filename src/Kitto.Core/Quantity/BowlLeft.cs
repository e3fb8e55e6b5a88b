using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Quantity;

/// <summary>What should be left in the bowl when a stroke is done, as these hands are likely to use it.</summary>
/// <param name="Stroke">What has just been painted.</param>
/// <param name="Pair">The pair that was mixed in this bowl.</param>
/// <param name="Full">How full the bowl still is, as part of what was mixed in it.</param>
/// <param name="Left">Grams in it, with what stays on the wall.</param>
/// <param name="Reserve">Whether the sealed reserve is likely to be needed for this zone.</param>
public sealed record BowlLeft(Stroke Stroke, string Pair, Share Full, Grams Left, bool Reserve)
{
    /// <summary>Stroke by stroke in the order of painting; empty where nothing is painted or combed, or was signed before strands were kept.</summary>
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
        bool damp = c.Goal.DampLengths ?? first.Use == FormulaUse.Lengths;
        var rows = p.RowsOf(0);
        double Takes(Stroke stroke) =>
            hands
            * Use.Of(
                reading,
                line.Thickness,
                rows.Where(r => r.Does != Does.PullThrough && r.Zone == stroke.Zone && (r.Turn == Turn.Scalp) == stroke.Scalp),
                c.Goal.Service == Service.Lighten,
                damp
            ).Value;
        if (rows.Count == 0)
        {
            return [];
        }

        bool split = clock.Strokes.Any(s => s.Time.Batch > 1);
        var along = new List<BowlLeft>();
        foreach (var batch in clock.Strokes.GroupBy(s => s.Time.Batch))
        {
            var pair = split && batch.Key <= first.Pairs.Count ? first.Pairs[batch.Key - 1] : first.Pairs[0];
            double mixed = pair.ColourGrams.Value + pair.DeveloperGrams.Value,
                left = mixed;
            foreach (var (stroke, _) in batch)
            {
                left -= Takes(stroke);
                double shown = Math.Max(0, left);
                along.Add(
                    new BowlLeft(
                        stroke,
                        pair.Name,
                        Share.Of(mixed > 0 ? shown / mixed : 0),
                        Grams.Of(shown).Tenths(),
                        left < 0 && !split && first.Pairs.Count > 1
                    )
                );
            }
        }

        return along;
    }
}
