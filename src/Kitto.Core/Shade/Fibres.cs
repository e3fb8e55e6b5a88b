using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// The fibres of one kind in all spots of a canvas, side by side in single precision. Spots differ little, in contact and lift:
/// the light of a few of them gives that of all as a fixed sum, fitted to what every shade makes of every spot (an interpolative decomposition by pivoted Gram-Schmidt).
/// </summary>
internal sealed class Fibres
{
    /// <summary>The most that the sum may miss of any light it was fitted to, against that light.</summary>
    private const double Miss = 5e-4;

    /// <summary>Seven dyes and a nought.</summary>
    private const int Each = 8;

    private readonly int shades, width;
    private readonly Vector512<float>[] low, high;
    private readonly Vector512<float>[] counts;

    /// <summary>What each shade deposits in each spot that is looked at, uptake counted; then, for each concentrate, what it adds beside the shade for each unit of its share.</summary>
    private readonly float[] deposits, mixed;

    private Fibres(int shades, Vector512<float>[] low, Vector512<float>[] high, float[] deposits, Vector512<float>[] counts)
    {
        (this.shades, this.low, this.high, this.deposits, this.counts) = (shades, low, high, deposits, counts);
        width = Width(low.Length);
        mixed = new float[width];
    }

    /// <param name="scorer">The shades.</param>
    /// <param name="bare">What absorbs in each spot without the mix.</param>
    /// <param name="on">What the shades deposit in each spot, uptake not counted.</param>
    /// <param name="takes">The uptake.</param>
    public static Fibres Of(MixScorer scorer, IReadOnlyList<double[]> bare, IReadOnlyList<MixScorer.Deposits> on, IReadOnlyList<double> takes)
    {
        int shades = scorer.Shades.Length, spots = bare.Count, width = Width(spots);
        float[] deposits = new float[width * shades * (1 + scorer.Concentrates.Length)];
        for (int k = 0; k < shades; k++)
        {
            for (int i = 0; i < spots; i++)
            {
                (on[i].Dye[k] * takes[i]).InSingle.CopyTo(deposits, k * width + i * Each);
                for (int beside = 0; beside < scorer.Concentrates.Length; beside++)
                {
                    (scorer.Concentrates[beside].Pure * (on[i].Feeds[k] * takes[i])).InSingle.CopyTo(deposits, ((beside + 1) * shades + k) * width + i * Each);
                }
            }
        }

        var halves = bare.Select(Swift.Bands).ToList();
        return new Fibres(shades, [.. halves.Select(h => h[0])], [.. halves.Select(h => h[1])], deposits, []).Fewer(scorer.Concentrates.Length);
    }

    /// <summary>The light of every spot with a mix; where there is no spot, that of some other.</summary>
    public (Vector512<float> X, Vector512<float> Y, Vector512<float> Z) See(in GridMix mix)
    {
        Mix(mix);
        Vector512<float> x = default, y = default, z = default;
        for (int n = 0; n < counts.Length; n++)
        {
            var (seenX, seenY, seenZ) = Swift.See(low[n], high[n], mixed.AsSpan(n * Each, Each));
            x = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenX), x);
            y = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenY), y);
            z = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenZ), z);
        }

        return (x, y, z);
    }

    private static int Width(int spots) => (spots * Each + Swift.Lanes - 1) / Swift.Lanes * Swift.Lanes;

    /// <summary>The same with as few spots looked at as give all of them.</summary>
    private Fibres Fewer(int concentrates)
    {
        var columns = Seen(concentrates);
        var kept = new List<int>();
        int spots = columns.Length;
        double[][] r = [.. Enumerable.Range(0, spots).Select(_ => new double[spots])];
        while (kept.Count < spots && columns.Max(Largest) > Miss)
        {
            int next = Enumerable.Range(0, spots).Except(kept).MaxBy(i => Dot(columns[i], columns[i]));
            double norm = Math.Sqrt(Dot(columns[next], columns[next]));
            double[] unit = [.. columns[next]];
            for (int row = 0; row < unit.Length; row++)
            {
                unit[row] /= norm;
            }

            for (int i = 0; i < spots; i++)
            {
                double part = r[kept.Count][i] = Dot(columns[i], unit);
                for (int row = 0; row < unit.Length; row++)
                {
                    columns[i][row] -= part * unit[row];
                }
            }

            kept.Add(next);
        }

        float[][] counts = [.. kept.Select((_, n) => Enumerable.Repeat(n == 0 ? 1f : 0, Swift.Lanes).ToArray())];
        for (int i = 0; i < spots; i++)
        {
            for (int n = kept.Count - 1; n >= 0; n--)
            {
                double left = r[n][i];
                for (int later = n + 1; later < kept.Count; later++)
                {
                    left -= r[n][kept[later]] * counts[later][i];
                }

                counts[n][i] = (float)(left / r[n][kept[n]]);
            }
        }

        int fewer = Width(kept.Count);
        float[] few = new float[deposits.Length / width * fewer];
        for (int row = 0; row < deposits.Length / width; row++)
        {
            for (int n = 0; n < kept.Count; n++)
            {
                Array.Copy(deposits, row * width + kept[n] * Each, few, row * fewer + n * Each, Each);
            }
        }

        return new Fibres(shades, [.. kept.Select(n => low[n])], [.. kept.Select(n => high[n])], few, [.. counts.Select(c => Vector512.Create(c))]);
    }

    /// <summary>What each spot looks like with every other shade alone, and with most of one concentrate or another beside it, each light against its mean over the spots.</summary>
    private double[][] Seen(int concentrates)
    {
        int alone = (shades + 1) / 2;
        double[][] columns = [.. low.Select(_ => new double[3 * alone * (concentrates > 0 ? 2 : 1)])];
        for (int row = 0; row < columns[0].Length; row += 3)
        {
            int shade = row / 3 % alone * 2;
            Mix(row < 3 * alone ? new GridMix(shade, -1, -1, -1, [1]) : new GridMix(shade, -1, -1, row / 3 % concentrates, [1 - MixRules.MostConcentrate, MixRules.MostConcentrate]));
            for (int i = 0; i < low.Length; i++)
            {
                (columns[i][row], columns[i][row + 1], columns[i][row + 2]) = Swift.See(low[i], high[i], mixed.AsSpan(i * Each, Each));
            }
        }

        for (int row = 0; row < columns[0].Length; row++)
        {
            double mean = 0;
            foreach (double[] column in columns)
            {
                mean += column[row] / columns.Length;
            }

            foreach (double[] column in columns)
            {
                column[row] /= mean;
            }
        }

        return columns;
    }

    private static double Largest(double[] of)
    {
        double largest = 0;
        foreach (double value in of)
        {
            largest = Math.Max(largest, Math.Abs(value));
        }

        return largest;
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

    /// <summary>The dyes of a mix in every spot that is looked at.</summary>
    private void Mix(in GridMix mix)
    {
        double[] shares = mix.Shares;
        float a = (float)shares[0], b = mix.Second >= 0 ? (float)shares[1] : 0, c = mix.Third >= 0 ? (float)shares[2] : 0;
        Add(0, mix, a, b, c, false);
        if (mix.Concentrate >= 0)
        {
            float beside = (float)(shares[^1] / (1 - shares[^1]));
            Add((mix.Concentrate + 1) * shades, mix, a * beside, b * beside, c * beside, true);
        }
    }

    private void Add(int row, in GridMix mix, float a, float b, float c, bool more)
    {
        int one = (row + mix.First) * width, two = (row + Math.Max(0, mix.Second)) * width, three = (row + Math.Max(0, mix.Third)) * width;
        var (va, vb, vc) = (Vector512.Create(a), Vector512.Create(b), Vector512.Create(c));
        for (int i = 0; i < width; i += Swift.Lanes)
        {
            var sum = Vector512.MultiplyAddEstimate(Vector512.Create(deposits, one + i), va, more ? Vector512.Create(mixed, i) : Vector512<float>.Zero);
            sum = Vector512.MultiplyAddEstimate(Vector512.Create(deposits, two + i), vb, sum);
            Vector512.MultiplyAddEstimate(Vector512.Create(deposits, three + i), vc, sum).CopyTo(mixed, i);
        }
    }
}
