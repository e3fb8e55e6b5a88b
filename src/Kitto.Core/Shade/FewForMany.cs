namespace Kitto.Core.Shade;

/// <summary>
/// A few of many columns, and every column as a fixed sum of those: an interpolative decomposition by Gram-Schmidt, the column least told by the others next
/// (Cheng, Gimbutas, Martinsson and Rokhlin 2005, from memory).
/// </summary>
/// <param name="Kept">Which columns.</param>
/// <param name="Counts">How much each kept column counts in each column: by kept, then by column.</param>
internal sealed record FewForMany(IReadOnlyList<int> Kept, double[][] Counts)
{
    /// <summary>As few columns as tell all of them.</summary>
    /// <param name="columns">The columns, one or more, of one length; what is left of them stands there afterwards.</param>
    /// <param name="miss">The most that a sum may miss of any value, as a part of that value.</param>
    public static FewForMany Of(double[][] columns, double miss)
    {
        int many = columns.Length;
        double[][] whole = [.. columns.Select(c => (double[])c.Clone())];
        var kept = new List<int>();
        var along = new List<double[]>();
        while (kept.Count == 0 || kept.Count < many && Enumerable.Range(0, many).Any(i => Misses(columns[i], whole[i], miss)))
        {
            int next = Enumerable.Range(0, many).Except(kept).MaxBy(i => Dot(columns[i], columns[i]));
            double norm = Math.Max(Math.Sqrt(Dot(columns[next], columns[next])), double.Epsilon);
            double[] unit = [.. columns[next]], part = new double[many];
            for (int row = 0; row < unit.Length; row++)
            {
                unit[row] /= norm;
            }

            for (int i = 0; i < many; i++)
            {
                part[i] = Dot(columns[i], unit);
                for (int row = 0; row < unit.Length; row++)
                {
                    columns[i][row] -= part[i] * unit[row];
                }
            }

            kept.Add(next);
            along.Add(part);
        }

        double[][] counts = [.. kept.Select(_ => new double[many])];
        for (int i = 0; i < many; i++)
        {
            for (int n = kept.Count - 1; n >= 0; n--)
            {
                double left = along[n][i];
                for (int later = n + 1; later < kept.Count; later++)
                {
                    left -= along[n][kept[later]] * counts[later][i];
                }

                counts[n][i] = left / along[n][kept[n]];
            }
        }

        return new FewForMany(kept, counts);
    }

    /// <summary>With one more column behind that has nothing to do with the others: it tells itself alone.</summary>
    public FewForMany AndOne()
    {
        int many = Counts[0].Length;
        return new FewForMany([.. Kept, many], [.. Counts.Select(c => (double[])[.. c, 0]), [.. new double[many], 1]]);
    }

    private static bool Misses(double[] left, double[] whole, double miss)
    {
        for (int row = 0; row < left.Length; row++)
        {
            if (Math.Abs(left[row]) > miss * Math.Abs(whole[row]))
            {
                return true;
            }
        }

        return false;
    }

    private static double Dot(double[] a, double[] b)
    {
        double sum = 0;
        for (int i = 0; i < a.Length; i++)
        {
            sum += a[i] * b[i];
        }

        return sum;
    }
}
