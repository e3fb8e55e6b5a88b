namespace Kitto.Core.Shade;

/// <summary>The steps people can weigh and repeat: quarters, thirds and tenths (SH7).</summary>
public static class MixGrid
{
    /// <summary>At most this many shades, beside one concentrate.</summary>
    public const int MostShades = 3;

    private static readonly IReadOnlyList<double[]>[] ByParts = [[], .. Enumerable.Range(1, MostShades + 1).Select(All)];

    /// <summary>Every way to share a whole among so many parts, 1 to 4; each share above nothing, order matters.</summary>
    public static IReadOnlyList<double[]> Shares(int parts) => ByParts[parts];

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
