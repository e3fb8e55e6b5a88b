using System.Numerics;
using System.Runtime.Intrinsics;

namespace Kitto.Core.Shade;

/// <summary>The linear conditions of the bounds, for all shades at once: a mix may be near the target only where each is met.</summary>
internal sealed class Sieve
{
    /// <summary>More than single precision can lose, against the size of a condition's terms.</summary>
    private const double Slack = 1e-5;

    private const int Lanes = 16;

    private readonly int shades, blocks, conditions;
    private readonly float[] met, byShade, most;

    /// <param name="conditions">What has to be met: by each shade alone, zero or more where it is.</param>
    /// <param name="shades">How many shades.</param>
    public Sieve(IReadOnlyList<double[]> conditions, int shades)
    {
        this.shades = shades;
        this.conditions = conditions.Count;
        // Those that most shades fall short of come first: most mixes then fail at once.
        conditions = [.. conditions.OrderByDescending(c => c.Count(x => x < 0))];
        blocks = (shades + Lanes - 1) / Lanes;
        // Block by block, so that a mix's last shade is tried eight at a time.
        met = new float[blocks * this.conditions * Lanes];
        Width = (this.conditions + Lanes - 1) / Lanes * Lanes;
        byShade = new float[shades * Width];
        most = new float[Width];
        for (int t = 0; t < this.conditions; t++)
        {
            most[t] = float.MinValue;
            for (int k = 0; k < shades; k++)
            {
                float at = (float)conditions[t][k];
                met[(k / Lanes * this.conditions + t) * Lanes + k % Lanes] = at;
                byShade[k * Width + t] = at;
                most[t] = Math.Max(most[t], at);
            }
        }

        Any = most.All(m => m >= 0);
    }

    /// <summary>Whether any mix at all can pass.</summary>
    public bool Any { get; }

    /// <summary>What is certain to be more than rounding.</summary>
    public static double Spare(double size) => Slack * (1 + size);

    /// <summary>The mix so far, condition by condition.</summary>
    /// <param name="so">What stands already.</param>
    /// <param name="shade">The shade that joins.</param>
    /// <param name="share">Its share.</param>
    /// <param name="rest">What is still to come.</param>
    /// <param name="sum">What stands then.</param>
    /// <returns>Whether the rest can still meet every condition.</returns>
    public bool Add(ReadOnlySpan<float> so, int shade, float share, float rest, Span<float> sum)
    {
        var (c, r) = (Vector512.Create(share), Vector512.Create(rest));
        int from = shade * Width;
        for (int t = 0; t < Width; t += Lanes)
        {
            var now = Vector512.Create(so[t..]) + c * Vector512.Create(byShade, from + t);
            if (Vector512.LessThanAny(now + r * Vector512.Create(most, t), Vector512<float>.Zero))
            {
                return false;
            }

            now.CopyTo(sum[t..]);
        }

        return true;
    }

    /// <summary>The last shades, from a number on, with which the mix passes.</summary>
    /// <returns>How many there are.</returns>
    public int Pass(ReadOnlySpan<float> so, float share, int from, Span<int> passed)
    {
        int count = 0;
        var c = Vector512.Create(share);
        for (int block = from / Lanes; block < blocks; block++)
        {
            ulong mask = 0xffff;
            int at = block * conditions * Lanes;
            for (int t = 0; t < conditions && mask != 0; t++, at += Lanes)
            {
                mask &= Vector512.GreaterThanOrEqual(Vector512.Create(so[t]) + c * Vector512.Create(met, at), Vector512<float>.Zero).ExtractMostSignificantBits();
            }

            for (; mask != 0; mask &= mask - 1)
            {
                int shade = block * Lanes + BitOperations.TrailingZeroCount(mask);
                if (shade >= from && shade < shades)
                {
                    passed[count++] = shade;
                }
            }
        }

        return count;
    }

    /// <summary>How much room a mix so far takes: the conditions, padded.</summary>
    public int Width { get; }
}
