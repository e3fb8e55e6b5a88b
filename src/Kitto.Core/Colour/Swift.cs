using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace Kitto.Core.Colour;

/// <summary>Light of fibres, L*a*b* and difference in single precision, sixteen at a time and at every second band, by the same formulas as <see cref="Fibre"/>, <see cref="Lab"/> and <see cref="Difference2000"/>.</summary>
internal static class Swift
{
    /// <summary>How many values stand side by side.</summary>
    public const int Lanes = 16;

    /// <summary>The most that looking at every second band misses of a light, against that light (a test holds it to half).</summary>
    public const double Miss = 4e-4;

    private const float Turns = .3f;

    private static readonly Vector512<float> X = Lit(Light.X, Light.White.X), Y = Lit(Light.Y, Light.White.Y), Z = Lit(Light.Z, Light.White.Z);

    private static readonly Vector512<float>[] Dyes =
        [Bands(Fibre.Depth), Bands(Fibre.Green), Bands(Fibre.Blue), Bands(Fibre.Violet), Bands(Fibre.Red), Bands(Fibre.Copper), Bands(Fibre.Gold)];

    /// <summary>Every second band of an absorption.</summary>
    public static Vector512<float> Bands(double[] bands)
    {
        float[] every = new float[Lanes];
        for (int i = 0; i < Lanes; i++)
        {
            every[i] = (float)bands[2 * i];
        }

        return Vector512.Create(every);
    }

    /// <summary>What dyes absorb there.</summary>
    public static Vector512<float> Absorbs(in Pigment dye)
    {
        var seven = dye.InSingle;
        var sum = Dyes[0] * seven[0];
        for (int i = 1; i < Dyes.Length; i++)
        {
            sum = Vector512.MultiplyAddEstimate(Dyes[i], Vector512.Create(seven[i]), sum);
        }

        return sum;
    }

    /// <summary>The light that an absorption sends back, against the white of the light.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static (float X, float Y, float Z) See(Vector512<float> sigma)
    {
        var passed = Passed(sigma);
        return ((float)Fibre.Surface + Sum(passed * X), (float)Fibre.Surface + Sum(passed * Y), (float)Fibre.Surface + Sum(passed * Z));
    }

    /// <summary>What a grey absorbs that sends back this light.</summary>
    public static Vector512<float> Absorbed(Vector512<float> light)
    {
        var q = Vector512.Log((light - Vector512.Create((float)Fibre.Surface)) * (float)(1 / (1 - Fibre.Surface))) * (float)(1 / Fibre.Law);
        return q * q;
    }

    /// <summary>L*a*b* of light.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static (Vector512<float> L, Vector512<float> A, Vector512<float> B) ToLab(Vector512<float> x, Vector512<float> y, Vector512<float> z)
    {
        // The surface alone sends back 1.2 %: all of it lies above the straight part of the definition.
        Vector512<float> fx = Root(x), fy = Root(y), fz = Root(z);
        return (fy * 116 - Vector512.Create(16f), (fx - fy) * 500, (fy - fz) * 200);
    }

    /// <summary>CIEDE2000 without its turning term, as <see cref="Difference2000"/> has it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector512<float> Difference((Vector512<float> L, Vector512<float> A, Vector512<float> B) one, (Vector512<float> L, Vector512<float> A, Vector512<float> B) two, Vector512<float> there)
    {
        var tiny = Vector512.Create(1e-12f);
        var c = (Sqrt(one.A * one.A + one.B * one.B + tiny) + Sqrt(two.A * two.A + two.B * two.B + tiny)) * .5f;
        var square = c * c * .0016f;
        var seventh = square * square * square * c * .04f;
        var g = Vector512.Create(1.5f) - Sqrt(seventh / (seventh + Vector512<float>.One) + tiny) * .5f;
        Vector512<float> a1 = g * one.A, a2 = g * two.A;
        Vector512<float> c1 = a1 * a1 + one.B * one.B + tiny, c2 = a2 * a2 + two.B * two.B + tiny, under1 = UnderRoot(c1), under2 = UnderRoot(c2);
        c1 *= under1;
        c2 *= under2;
        c = (c1 + c2) * .5f;
        Vector512<float> x1 = a1 * under1, y1 = one.B * under1, x2 = a2 * under2, y2 = two.B * under2;
        Vector512<float> x = x1 + x2, y = y1 + y2, apart = (x1 - x2) * (x1 - x2) + (y1 - y2) * (y1 - y2);
        var far = x * x + y * y + tiny;
        var under = UnderRoot(far);
        x *= under;
        y *= under;
        // cos and sin of 275 degrees; so near blue, or with hues so nearly opposite, this says nothing.
        var unknown = there * Vector512.MaxNative(x * .0871557f - y * .9961947f - Vector512.Create(Turns), Vector512.Create(1e-4f) - far);
        if (Vector512.GreaterThanAny(unknown, Vector512<float>.Zero))
        {
            return Vector512.Create(float.NaN);
        }

        Vector512<float> cos2 = x * x - y * y, sin2 = x * y * 2, cos3 = cos2 * x - sin2 * y, sin3 = sin2 * x + cos2 * y, cos4 = cos2 * cos2 - sin2 * sin2, sin4 = sin2 * cos2 * 2;
        var t = Vector512<float>.One - (x * .8660254f + y * .5f) * .17f + cos2 * .24f + (cos3 * .9945219f - sin3 * .1045285f) * .32f - (cos4 * .4539905f + sin4 * .8910065f) * .2f;
        var l = (one.L + two.L) * .5f - Vector512.Create(50f);
        l *= l;
        var p = (two.L - one.L) / (Vector512<float>.One + l * .015f * UnderRoot(l + Vector512.Create(20f)));
        var q = (c2 - c1) / (Vector512<float>.One + c * .045f);
        var s = Vector512<float>.One + c * t * .015f;
        return Sqrt(p * p + q * q + c1 * c2 * apart / (s * s) + tiny);
    }

    /// <summary>Half on half, while the vector is wide: the library's own sum goes through each quarter.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static float Sum(Vector512<float> of)
    {
        var half = of.GetLower() + of.GetUpper();
        return Vector128.Sum(half.GetLower() + half.GetUpper());
    }

    /// <summary>exp(-5.9 sqrt(sigma)), as <see cref="Fibre"/> has it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<float> Passed(Vector512<float> sigma)
    {
        var x = Vector512.MaxNative(Sqrt(sigma) * (float)-Fibre.Law, Vector512.Create(-80f));
        var k = Vector512.Round(x * 1.44269504f);
        var r = Vector512.MultiplyAddEstimate(k, Vector512.Create(-.693147181f), x);
        var sum = Vector512.MultiplyAddEstimate(Vector512.Create(1 / 720f), r, Vector512.Create(1 / 120f));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 24f));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 6f));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(.5f));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512<float>.One);
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512<float>.One);
        return (sum.AsInt32() + Vector512.ShiftLeft(Vector512.ConvertToInt32Native(k), 23)).AsSingle();
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<float> Sqrt(Vector512<float> x) => x * UnderRoot(x);

    /// <summary>One over the square root. Where the machine has it, by its estimate and a step of Newton: the exact instruction is many times slower.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<float> UnderRoot(Vector512<float> x)
    {
        if (!Avx512F.IsSupported)
        {
            return Vector512<float>.One / Vector512.Sqrt(x);
        }

        var y = Avx512F.ReciprocalSqrt14(x);
        return y * (Vector512.Create(1.5f) - x * .5f * y * y);
    }

    /// <summary>Cube root: a third of the exponent for its inverse, then Newton.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<float> Root(Vector512<float> x)
    {
        var y = (Vector512.Create(1419967116) - Vector512.ConvertToInt32Native(Vector512.ConvertToSingle(x.AsInt32()) * (1 / 3f))).AsSingle();
        for (int i = 0; i < 3; i++)
        {
            y *= Vector512.Create(4 / 3f) - x * (1 / 3f) * (y * y * y);
        }

        return x * y * y;
    }

    /// <summary>
    /// What light a band stands for: its own, and of the bands left out as much as it counts where they are interpolated, by Lagrange's polynomial through the eight bands nearest
    /// (as ASTM E308 does by four for missing bands, from memory).
    /// </summary>
    private static Vector512<float> Lit(double[] bands, double white)
    {
        const int Through = 8;
        double[] weights = [.. Enumerable.Range(0, Lanes).Select(i => bands[2 * i])];
        for (int left = 1; left < Light.Bands; left += 2)
        {
            int from = Math.Clamp((left + 1 - Through) / 2, 0, Lanes - Through);
            for (int j = from; j < from + Through; j++)
            {
                double counts = 1;
                for (int k = from; k < from + Through; k++)
                {
                    counts *= k == j ? 1 : (left - 2.0 * k) / (2 * j - 2 * k);
                }

                weights[j] += counts * bands[left];
            }
        }

        float[] lit = [.. weights.Select(w => (float)(w * (1 - Fibre.Surface) / white))];
        return Vector512.Create(lit);
    }
}
