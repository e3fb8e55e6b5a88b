using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// The fibres of one kind in all spots of a canvas, side by side in single precision. Spots differ little, in contact and lift:
/// the light of a few of them tells that of all, fitted to what the shades make of every spot (<see cref="FewForMany"/>).
/// </summary>
internal sealed class FibresSeen
{
    /// <summary>The most that the few may miss of any light they were fitted to, against that light.</summary>
    public const double Miss = 3e-4;

    private readonly MixScorer scorer;
    private readonly int shades, width;
    private readonly Vector512<float>[] bare, counts;

    /// <summary>What each shade absorbs in each spot that is looked at; then, for each concentrate, what it adds beside the shade for each unit of its share.</summary>
    private readonly float[] absorbs;

    /// <param name="scorer">The shades.</param>
    /// <param name="pigments">What absorbs in each spot without the mix.</param>
    /// <param name="on">What the shades deposit in each spot, uptake not counted.</param>
    /// <param name="takes">The uptake.</param>
    /// <param name="tail">Whether the last spot is other hair than the rest: it is looked at by itself.</param>
    public FibresSeen(MixScorer scorer, IReadOnlyList<double[]> pigments, IReadOnlyList<MixScorer.Deposits> on, IReadOnlyList<double> takes, bool tail)
    {
        this.scorer = scorer;
        shades = scorer.Shades.Length;
        bare = [.. pigments.Select(Swift.Bands)];
        double[][] seen = Seen(on, takes);
        var few = tail ? FewForMany.Of(seen[..^1], Miss).AndOne() : FewForMany.Of(seen, Miss);
        width = few.Kept.Count * Swift.Lanes;
        absorbs = new float[width * shades * (1 + scorer.Concentrates.Length)];
        counts = new Vector512<float>[few.Kept.Count];
        for (int n = 0; n < counts.Length; n++)
        {
            int spot = few.Kept[n];
            for (int k = 0; k < shades; k++)
            {
                Swift.Absorbs(on[spot].Dye[k] * takes[spot]).CopyTo(absorbs, k * width + n * Swift.Lanes);
                for (int c = 0; c < scorer.Concentrates.Length; c++)
                {
                    Swift.Absorbs(scorer.Concentrates[c].Pure * (on[spot].Feeds[k] * takes[spot])).CopyTo(absorbs, ((c + 1) * shades + k) * width + n * Swift.Lanes);
                }
            }

            // Where there is no spot stands the first that is looked at.
            float[] each = [.. Enumerable.Range(0, Swift.Lanes).Select(i => i < bare.Length ? (float)few.Counts[n][i] : n == 0 ? 1 : 0)];
            counts[n] = Vector512.Create(each);
        }

        bare = [.. few.Kept.Select(n => bare[n])];
    }

    /// <summary>The light of every spot with a mix; where there is no spot, that of some other.</summary>
    public Glance.Seen See(in GridMix mix)
    {
        double[] shares = mix.Shares;
        Vector512<float> a = Vector512.Create((float)shares[0]), b = Vector512.Create(mix.Second >= 0 ? (float)shares[1] : 0), c = Vector512.Create(mix.Third >= 0 ? (float)shares[2] : 0);
        var beside = Vector512.Create(mix.Concentrate >= 0 ? (float)(shares[^1] / (1 - shares[^1])) : 0);
        int one = mix.First * width, two = Math.Max(0, mix.Second) * width, three = Math.Max(0, mix.Third) * width, strong = (mix.Concentrate + 1) * shades * width;
        Vector512<float> x = default, y = default, z = default;
        for (int n = 0, at = 0; n < counts.Length; n++, at += Swift.Lanes)
        {
            var sigma = bare[n] + Sum(at, one, two, three, a, b, c);
            if (mix.Concentrate >= 0)
            {
                sigma = Vector512.MultiplyAddEstimate(Sum(strong + at, one, two, three, a, b, c), beside, sigma);
            }

            var (seenX, seenY, seenZ) = Swift.See(sigma);
            x = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenX), x);
            y = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenY), y);
            z = Vector512.MultiplyAddEstimate(counts[n], Vector512.Create(seenZ), z);
        }

        return new Glance.Seen(x, y, z);
    }

    private Vector512<float> Sum(int at, int one, int two, int three, Vector512<float> a, Vector512<float> b, Vector512<float> c) =>
        Vector512.MultiplyAddEstimate(Vector512.Create(absorbs, at + three), c, Vector512.MultiplyAddEstimate(Vector512.Create(absorbs, at + two), b, Vector512.Create(absorbs, at + one) * a));

    /// <summary>What each spot looks like with every other shade alone, and with most of one concentrate or another beside it, each light against its mean over the spots.</summary>
    private double[][] Seen(IReadOnlyList<MixScorer.Deposits> on, IReadOnlyList<double> takes)
    {
        int alone = (shades + 1) / 2, concentrates = scorer.Concentrates.Length;
        double[][] columns = [.. bare.Select(_ => new double[3 * alone * (concentrates > 0 ? 2 : 1)])];
        for (int row = 0; row < columns[0].Length; row += 3)
        {
            int shade = row / 3 % alone * 2, beside = row < 3 * alone ? -1 : row / 3 % concentrates;
            double x = 0, y = 0, z = 0;
            for (int i = 0; i < bare.Length; i++)
            {
                var (seenX, seenY, seenZ) = Swift.See(bare[i] + Swift.Absorbs(scorer.Dye(on[i], shade, beside, beside < 0 ? 0 : MixRules.MostConcentrate) * takes[i]));
                (columns[i][row], columns[i][row + 1], columns[i][row + 2]) = (seenX, seenY, seenZ);
                (x, y, z) = (x + seenX, y + seenY, z + seenZ);
            }

            foreach (double[] column in columns)
            {
                column[row] /= x / bare.Length;
                column[row + 1] /= y / bare.Length;
                column[row + 2] /= z / bare.Length;
            }
        }

        return columns;
    }
}
