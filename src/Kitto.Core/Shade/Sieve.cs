using System.Numerics;
using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>The linear conditions of the bounds, for all shades at once: a mix may be near the target only where each is met.</summary>
internal sealed class Sieve
{
    /// <summary>More than single precision can lose, against the size of a condition's terms.</summary>
    private const double Slack = 1e-5;

    private const int Lanes = Swift.Lanes;

    private readonly int shades, blocks;
    private readonly double[] rows;
    private readonly int[] order, lacking;
    private readonly float[] met, byShade, most;
    private int conditions;

    /// <param name="room">How many conditions there can be.</param>
    /// <param name="shades">How many shades.</param>
    public Sieve(int room, int shades)
    {
        this.shades = shades;
        blocks = (shades + Lanes - 1) / Lanes;
        int width = (room + Lanes - 1) / Lanes * Lanes;
        rows = new double[room * shades];
        (order, lacking) = (new int[room], new int[room]);
        met = new float[blocks * room * Lanes];
        byShade = new float[shades * width];
        most = new float[width];
    }

    /// <summary>Without conditions again.</summary>
    public void Clear() => conditions = 0;

    /// <summary>Room for one more condition: by each shade alone, zero or more where it is met.</summary>
    public Span<double> Next() => rows.AsSpan(conditions++ * shades, shades);

    /// <summary>Takes the conditions in.</summary>
    public void Fill()
    {
        // Those that most shades fall short of come first: most mixes then fail at once.
        for (int t = 0; t < conditions; t++)
        {
            order[t] = t;
            lacking[t] = 0;
            foreach (double at in rows.AsSpan(t * shades, shades))
            {
                lacking[t] -= at < 0 ? 1 : 0;
            }
        }

        Array.Sort(lacking, order, 0, conditions);
        Width = (conditions + Lanes - 1) / Lanes * Lanes;
        byShade.AsSpan().Clear();
        most.AsSpan().Clear();
        Any = true;
        for (int t = 0; t < conditions; t++)
        {
            float top = float.MinValue;
            for (int k = 0; k < shades; k++)
            {
                // Block by block, so that a mix's last shade is tried sixteen at a time.
                float at = (float)rows[order[t] * shades + k];
                met[(k / Lanes * conditions + t) * Lanes + k % Lanes] = at;
                byShade[k * Width + t] = at;
                top = Math.Max(top, at);
            }

            most[t] = top;
            Any &= top >= 0;
        }
    }

    /// <summary>Whether any mix at all can pass.</summary>
    public bool Any { get; private set; }

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
    public int Width { get; private set; }
}
