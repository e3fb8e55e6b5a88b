namespace Kitto.Core.Shade;

/// <summary>The best mixes so far, one for every set of families.</summary>
internal sealed class BestMixes(MixScorer scorer, int ideas)
{
    private readonly (int Families, GridMix Mix, Score Score)[] best = new (int, GridMix, Score)[ideas];
    private int found;

    /// <summary>The worst objective that still gets in.</summary>
    public double Limit => found < best.Length ? double.MaxValue : best[^1].Score.Objective;

    /// <summary>The best of all; null while there is none.</summary>
    public GridMix? First => found > 0 ? best[0].Mix : null;

    /// <summary>The best, best first.</summary>
    public IReadOnlyList<Found> Found() => [.. best.Take(found).Select(b => new Found(scorer.Parts(b.Mix), b.Score.DeltaE, b.Score.GreyContrast, b.Score.Objective))];

    /// <summary>Takes a mix in if it is the best of its families and among the best of all.</summary>
    public void Keep(in GridMix mix, in Score score)
    {
        int families = scorer.Families(mix), place = found;
        for (int i = 0; i < found; i++)
        {
            if (best[i].Families == families)
            {
                place = i;
            }
        }

        if (place < found ? !Before(mix, score, best[place]) : found == best.Length && !Before(mix, score, best[--place]))
        {
            return;
        }

        best[place] = (families, mix, score);
        found = Math.Max(found, place + 1);
        for (; place > 0 && Before(best[place].Mix, best[place].Score, best[place - 1]); place--)
        {
            (best[place], best[place - 1]) = (best[place - 1], best[place]);
        }
    }

    /// <summary>Less cost first; then fewer parts, then the lower codes (tables).</summary>
    private bool Before(in GridMix mix, in Score score, in (int Families, GridMix Mix, Score Score) other)
    {
        int order = score.Objective.CompareTo(other.Score.Objective);
        order = order != 0 ? order : mix.Parts.CompareTo(other.Mix.Parts);
        return order != 0 ? order < 0 : string.CompareOrdinal(Codes(mix), Codes(other.Mix)) < 0;
    }

    private string Codes(GridMix mix) => string.Join(' ', scorer.Parts(mix).Select(p => p.Shade).Order(StringComparer.Ordinal));
}
