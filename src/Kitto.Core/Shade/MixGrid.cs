namespace Kitto.Core.Shade;

/// <summary>The steps people can weigh and repeat: quarters, thirds and tenths (SH7).</summary>
public static class MixGrid
{
    /// <summary>At most this many shades, beside one concentrate.</summary>
    public const int MostShades = 3;

    private static readonly IReadOnlyList<double[]>[] ByParts = [[], .. Enumerable.Range(1, MostShades + 1).Select(All)];

    private static readonly int[][] Orders2 = [[0, 1], [1, 0]], Orders3 = [[0, 1, 2], [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]];

    private static readonly Dictionary<(int Shades, double Concentrate), (double[] Shares, double[][] Orders)[]> BySize = Sort();

    /// <summary>Every way to share a whole among two or three shades and so much concentrate, the largest share first, with the same shares in every other order: 0-1, 1-0, or 0-1-2, 0-2-1, 1-0-2, 1-2-0, 2-0-1, 2-1-0.</summary>
    internal static (double[] Shares, double[][] Orders)[] Sorted(int shades, double? concentrate) => BySize[(shades, concentrate ?? 0)];

    /// <summary>Every way to share a whole among so many parts, 1 to 4; each share above nothing, order matters.</summary>
    public static IReadOnlyList<double[]> Shares(int parts) => ByParts[parts];

    private static Dictionary<(int, double), (double[], double[][])[]> Sort()
    {
        var sorted = new Dictionary<(int, double), (double[], double[][])[]>();
        for (int shades = 2; shades <= MostShades; shades++)
        {
            foreach (var with in Shares(shades).Select(s => (Concentrate: 0.0, Shares: s)).Concat(Shares(shades + 1).Select(s => (Concentrate: s[^1], Shares: s))).GroupBy(s => s.Concentrate))
            {
                sorted[(shades, with.Key)] = [.. with.Select(w => w.Shares).Where(s => s.Take(shades).SequenceEqual(s.Take(shades).OrderDescending()))
                    .Select(s => (s, (shades == 2 ? Orders2 : Orders3).Select(o => (double[])[.. o.Select(i => s[i]), .. s.Skip(shades)]).ToArray()))];
            }
        }

        return sorted;
    }

    private static List<double[]> All(int parts)
    {
        var all = new List<double[]>();
        foreach (int steps in new[] { 4, 3, 10 })
        {
            Split(new double[parts], 0, steps, steps, all);
        }

        return [.. all.DistinctBy(shares => string.Join(' ', shares))];
    }

    private static void Split(double[] shares, int at, int left, int steps, List<double[]> all)
    {
        if (at == shares.Length - 1)
        {
            if (left > 0)
            {
                shares[at] = (double)left / steps;
                all.Add([.. shares]);
            }

            return;
        }

        for (int taken = 1; taken < left; taken++)
        {
            shares[at] = (double)taken / steps;
            Split(shares, at + 1, left - taken, steps, all);
        }
    }
}
