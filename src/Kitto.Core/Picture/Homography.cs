namespace Kitto.Core.Picture;

/// <summary>What a flat thing looks like from elsewhere: a projective map of one plane onto another (Hartley and Zisserman, Multiple View Geometry, 2004, section 4.1, from memory).</summary>
public sealed class Homography
{
    private readonly double[] h;

    private Homography(double[] entries) => h = entries;

    /// <summary>Row by row, the last entry 1.</summary>
    public IReadOnlyList<double> Entries => h;

    /// <summary>From its entries, row by row.</summary>
    /// <exception cref="ArgumentException">There are not nine.</exception>
    public static Homography From(IReadOnlyList<double> entries) =>
        entries.Count == 9 ? new Homography([.. entries]) : throw new ArgumentException("Nine entries are wanted.", nameof(entries));

    /// <summary>Where a point comes to lie.</summary>
    public Point Of(Point p)
    {
        double w = h[6] * p.X + h[7] * p.Y + h[8];
        return new Point((h[0] * p.X + h[1] * p.Y + h[2]) / w, (h[3] * p.X + h[4] * p.Y + h[5]) / w);
    }

    /// <summary>How large a small step is drawn at a point: lengths of the longest and the shortest image of a unit step.</summary>
    public (double Longest, double Shortest) Scale(Point p)
    {
        const double Small = 1e-3;
        var (o, x, y) = (Of(p), Of(new Point(p.X + Small, p.Y)), Of(new Point(p.X, p.Y + Small)));
        double a = (x.X - o.X) / Small,
            b = (y.X - o.X) / Small,
            c = (x.Y - o.Y) / Small,
            d = (y.Y - o.Y) / Small,
            half = (a * a + b * b + c * c + d * d) / 2,
            root = Math.Sqrt(Math.Max(0, half * half - (a * d - b * c) * (a * d - b * c)));
        return (Math.Sqrt(half + root), Math.Sqrt(Math.Max(0, half - root)));
    }

    /// <summary>The map that fits pairs of points best, by least squares on normalised points.</summary>
    /// <param name="from">Four points or more, no three of four in a line.</param>
    /// <param name="to">As many.</param>
    /// <returns>The map, and how far it misses the points, root of the mean square in units of <paramref name="to"/>; null where the points give none.</returns>
    /// <exception cref="ArgumentException">Fewer than four, or not as many.</exception>
    public static (Homography Map, double Misses)? Fit(IReadOnlyList<Point> from, IReadOnlyList<Point> to)
    {
        if (from.Count < 4 || from.Count != to.Count)
        {
            throw new ArgumentException("Four pairs of points or more are wanted.", nameof(from));
        }

        var (f, t) = (Normal(from), Normal(to));
        double[,] a = new double[8, 9];
        for (int k = 0; k < from.Count; k++)
        {
            var (x, y) = ((from[k].X - f.X) * f.Scale, (from[k].Y - f.Y) * f.Scale);
            var (u, v) = ((to[k].X - t.X) * t.Scale, (to[k].Y - t.Y) * t.Scale);
            Add(a, [x, y, 1, 0, 0, 0, -u * x, -u * y, u]);
            Add(a, [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
        }

        if (Solve(a) is not { } n)
        {
            return null;
        }

        // Taken back from normalised points: T(to)^-1 N T(from).
        double[] m = new double[9];
        double[] rows = [n[0], n[1], n[2], n[3], n[4], n[5], n[6], n[7], 1];
        for (int r = 0; r < 3; r++)
        {
            m[3 * r] = rows[3 * r] * f.Scale;
            m[3 * r + 1] = rows[3 * r + 1] * f.Scale;
            m[3 * r + 2] = rows[3 * r + 2] - f.Scale * (rows[3 * r] * f.X + rows[3 * r + 1] * f.Y);
        }

        double[] h = new double[9];
        for (int c = 0; c < 3; c++)
        {
            h[c] = m[c] / t.Scale + t.X * m[6 + c];
            h[3 + c] = m[3 + c] / t.Scale + t.Y * m[6 + c];
            h[6 + c] = m[6 + c];
        }

        if (Math.Abs(h[8]) < 1e-12)
        {
            return null;
        }

        var map = new Homography([.. h.Select(e => e / h[8])]);
        double misses = Math.Sqrt(
            from.Zip(to)
                .Average(p =>
                {
                    var at = map.Of(p.First);
                    return Math.Pow(at.X - p.Second.X, 2) + Math.Pow(at.Y - p.Second.Y, 2);
                })
        );
        return double.IsFinite(misses) ? (map, misses) : null;
    }

    private static (double X, double Y, double Scale) Normal(IReadOnlyList<Point> points)
    {
        double x = points.Average(p => p.X),
            y = points.Average(p => p.Y);
        double far = points.Average(p => Math.Sqrt((p.X - x) * (p.X - x) + (p.Y - y) * (p.Y - y)));
        return (x, y, far > 0 ? Math.Sqrt(2) / far : 1);
    }

    /// <summary>Adds one equation to the normal equations.</summary>
    private static void Add(double[,] a, ReadOnlySpan<double> row)
    {
        for (int i = 0; i < 8; i++)
        {
            for (int j = 0; j < 9; j++)
            {
                a[i, j] += row[i] * row[j];
            }
        }
    }

    /// <summary>Gauss with the largest pivot; null where there is no one solution.</summary>
    private static double[]? Solve(double[,] a)
    {
        for (int c = 0; c < 8; c++)
        {
            int best = c;
            for (int r = c + 1; r < 8; r++)
            {
                best = Math.Abs(a[r, c]) > Math.Abs(a[best, c]) ? r : best;
            }

            if (Math.Abs(a[best, c]) < 1e-10)
            {
                return null;
            }

            for (int j = c; j < 9; j++)
            {
                (a[c, j], a[best, j]) = (a[best, j], a[c, j]);
            }

            for (int r = 0; r < 8; r++)
            {
                if (r != c)
                {
                    double share = a[r, c] / a[c, c];
                    for (int j = c; j < 9; j++)
                    {
                        a[r, j] -= share * a[c, j];
                    }
                }
            }
        }

        return [.. Enumerable.Range(0, 8).Select(i => a[i, 8] / a[i, i])];
    }
}
