namespace Kitto.Core.Picture;

/// <summary>A stretch over which a profile stays the same: from a row up to another, that one not included.</summary>
/// <param name="From">First row.</param>
/// <param name="To">The row after the last.</param>
/// <param name="Mean">Mean of each channel.</param>
public sealed record Plateau(int From, int To, double[] Mean);

/// <summary>
/// Where a profile of several channels changes: the cut into stretches of constant mean that is most likely under Gaussian noise, found exactly by dynamic programming
/// (optimal partitioning: Jackson and others, IEEE Signal Processing Letters 2005, from memory), each further stretch at a price of the Bayesian kind.
/// </summary>
public static class ChangePoints
{
    /// <summary>Cuts a profile.</summary>
    /// <param name="rows">The profile: rows, each with the same channels.</param>
    /// <param name="noise">Standard deviation of each channel's noise, above 0.</param>
    /// <param name="least">Shortest stretch, rows.</param>
    /// <param name="price">Price of a further stretch, in halves of a squared deviation; the usual one is channels + 1 times ln(rows).</param>
    /// <returns>The stretches in order; one where nothing changes.</returns>
    /// <exception cref="ArgumentException">Fewer rows than one stretch has, or noise that is not above 0.</exception>
    public static IReadOnlyList<Plateau> Cut(IReadOnlyList<double[]> rows, IReadOnlyList<double> noise, int least, double price)
    {
        if (rows.Count < least || least < 1 || noise.Any(n => !(n > 0)))
        {
            throw new ArgumentException($"{least} rows or more are wanted, and noise above 0.", nameof(rows));
        }

        int n = rows.Count,
            channels = noise.Count;
        double[,] sum = new double[n + 1, channels],
            squares = new double[n + 1, channels];
        for (int i = 0; i < n; i++)
        {
            for (int c = 0; c < channels; c++)
            {
                double v = rows[i][c] / noise[c];
                (sum[i + 1, c], squares[i + 1, c]) = (sum[i, c] + v, squares[i, c] + v * v);
            }
        }

        double Cost(int from, int to)
        {
            double cost = 0;
            for (int c = 0; c < channels; c++)
            {
                double s = sum[to, c] - sum[from, c];
                cost += squares[to, c] - squares[from, c] - s * s / (to - from);
            }

            return cost;
        }

        double[] best = new double[n + 1];
        int[] last = new int[n + 1];
        Array.Fill(best, double.PositiveInfinity);
        best[0] = -price;
        for (int to = least; to <= n; to++)
        {
            for (int from = 0; from <= to - least; from++)
            {
                if (best[from] + Cost(from, to) + price is var cost && cost < best[to])
                {
                    (best[to], last[to]) = (cost, from);
                }
            }
        }

        var found = new List<Plateau>();
        for (int to = n; to > 0; to = last[to])
        {
            int from = last[to];
            found.Add(new Plateau(from, to, [.. Enumerable.Range(0, channels).Select(c => (sum[to, c] - sum[from, c]) / (to - from) * noise[c])]));
        }

        found.Reverse();
        return found;
    }
}
