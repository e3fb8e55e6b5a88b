using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>The steps people can weigh and repeat: quarters, thirds and tenths (SH7).</summary>
public static class MixGrid
{
    private static readonly int[] Steps = [4, 3, 10];

    private static readonly IReadOnlyList<double[]>[] ByParts =
    [
        [],
        .. Enumerable.Range(1, Values.MostParts).Select(All),
    ];

    /// <summary>Every way to share a whole among so many parts, 1 to 3; each share above nothing, order matters.</summary>
    public static IReadOnlyList<double[]> Shares(int parts) => ByParts[parts];

    private static List<double[]> All(int parts) =>
        [
            .. Steps
                .SelectMany(steps => Split(steps, parts).Select(of => of.Select(n => (double)n / steps).ToArray()))
                .DistinctBy(shares => string.Join(' ', shares)),
        ];

    private static IEnumerable<int[]> Split(int steps, int parts) =>
        parts == 1
            ? steps > 0
                ?
                [
                    [steps],
                ]
                : []
            : Enumerable.Range(1, Math.Max(0, steps - 1)).SelectMany(first => Split(steps - first, parts - 1).Select(rest => (int[])[first, .. rest]));
}
