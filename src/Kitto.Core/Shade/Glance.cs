using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// A first look at a mix in single precision, all spots side by side: what it costs to within <see cref="Slack"/> times one plus the cost.
/// The same formulas as <see cref="Canvas.Look"/>; only the turning term of blue hues is left out, and where it would count there is no answer.
/// </summary>
internal sealed class Glance
{
    /// <summary>Times one plus the cost, more than single precision and the turning term left out can lose: the term is below 1.2e-4 of a difference there (a test holds it to a third).</summary>
    public const double Slack = 0.001;

    /// <summary>Spots that fit side by side: nine zones, with room to spare.</summary>
    public const int Lanes = 16;

    private const float Turns = .3f;

    private static readonly Vector512<float>[] Keratin = Bands(Fibre.Keratin), X = Lit(Light.X, Light.White.X), Y = Lit(Light.Y, Light.White.Y), Z = Lit(Light.Z, Light.White.Z);

    private static readonly Vector512<float>[][] Dyes =
        [Bands(Fibre.Depth), Bands(Fibre.Green), Bands(Fibre.Blue), Bands(Fibre.Violet), Bands(Fibre.Red), Bands(Fibre.Copper), Bands(Fibre.Gold)];

    private readonly int spots;
    private readonly float[] whiteTakes;

    /// <summary>What each shade deposits on white and in every spot, uptake counted there; then, for each concentrate, what it adds beside the shade for each unit of its share.</summary>
    private readonly float[] deposits, mixed;
    private readonly int width, shades;
    private readonly Vector512<float>[] pigment;
    private readonly Vector512<float> grey, weight, contrastWeight, there;
    private readonly Lab target, residual;
    private readonly float[] wx = New(), wy = New(), wz = New(), px = New(), py = New(), pz = New();
    private readonly bool anyWhite, anyPigment;

    public Glance(Canvas canvas, MixScorer scorer)
    {
        spots = canvas.Spots.Count;
        (target, residual) = (canvas.Target, canvas.Residual);
        shades = scorer.Shades.Length;
        width = (Dyes.Length + 1) * (spots + 1);
        width = (width + Lanes - 1) / Lanes * Lanes;
        mixed = new float[width];
        deposits = new float[width * shades * (1 + scorer.Concentrates.Length)];
        for (int k = 0; k < shades; k++)
        {
            for (int i = 0; i <= spots; i++)
            {
                var on = i < spots ? scorer.OnPigment[i] : scorer.OnWhite;
                double takes = i < spots ? canvas.Spots[i].PigmentTakes : 1;
                Put(on.Dye[k] * takes, k, i);
                for (int beside = 0; beside < scorer.Concentrates.Length; beside++)
                {
                    Put(scorer.Concentrates[beside].Pure * (on.Feeds[k] * takes), (beside + 1) * shades + k, i);
                }
            }
        }

        pigment = new Vector512<float>[2 * spots];
        float[] g = New(0), w = New(0), c = New(0), t = New(0);
        whiteTakes = New(0);
        for (int i = 0; i < spots; i++)
        {
            var spot = canvas.Spots[i];
            Bands(spot.Pigment).CopyTo(pigment, 2 * i);
            (g[i], w[i], c[i], t[i]) = ((float)spot.Grey.Value, (float)spot.Weight, (float)(spot.Weight * spot.Grey.Value * Canvas.Contrast), 1);
            whiteTakes[i] = (float)spot.WhiteTakes;
            // A spot of one kind of fibre has no contrast: the kind that is not there looks like the other.
            c[i] = spot.Grey.Value is > 0 and < 1 ? c[i] : 0;
        }

        (grey, weight, contrastWeight, there) = (Vector512.Create(g), Vector512.Create(w), Vector512.Create(c), Vector512.Create(t));
        anyWhite = canvas.Spots.Any(s => s.Grey.Value > 0);
        anyPigment = canvas.Spots.Any(s => s.Grey.Value < 1);
    }

    /// <summary>What a mix costs before its parts are counted; not a number where it has to be looked at properly.</summary>
    public float Cost(in GridMix mix)
    {
        Mix(mix);
        if (anyWhite)
        {
            SeeWhite();
        }

        if (anyPigment)
        {
            SeePigmented();
        }

        Vector512<float> whiteX = Vector512.Create(wx), whiteY = Vector512.Create(wy), whiteZ = Vector512.Create(wz), x = Vector512.Create(px), y = Vector512.Create(py), z = Vector512.Create(pz);
        var blend = ToLab(x + (whiteX - x) * grey, y + (whiteY - y) * grey, z + (whiteZ - z) * grey);
        blend.L += Vector512.Create((float)residual.L);
        blend.A += Vector512.Create((float)residual.A);
        blend.B += Vector512.Create((float)residual.B);
        var wish = (L: Vector512.Create((float)target.L), A: Vector512.Create((float)target.A), B: Vector512.Create((float)target.B));
        float cost = Sum(Difference(blend, wish), weight);
        return anyWhite && anyPigment ? cost + Sum(Difference(ToLab(whiteX, whiteY, whiteZ), ToLab(x, y, z)), contrastWeight) : cost;
    }

    private void Put(Pigment d, int row, int spot)
    {
        float[] seven = [(float)d.Depth, (float)d.Green, (float)d.Blue, (float)d.Violet, (float)d.Red, (float)d.Copper, (float)d.Gold];
        seven.CopyTo(deposits, row * width + spot * (Dyes.Length + 1));
    }

    private void SeeWhite()
    {
        Vector512<float> low = Absorbs(spots, 0), high = Absorbs(spots, 1);
        for (int i = 0; i < spots; i++)
        {
            See(Keratin[0] + low * whiteTakes[i], Keratin[1] + high * whiteTakes[i], out wx[i], out wy[i], out wz[i]);
        }
    }

    private void SeePigmented()
    {
        for (int i = 0; i < spots; i++)
        {
            See(pigment[2 * i] + Absorbs(i, 0), pigment[2 * i + 1] + Absorbs(i, 1), out px[i], out py[i], out pz[i]);
        }
    }

    private static float Sum(Vector512<float> of, Vector512<float> weights) =>
        Vector512.Sum(Vector512.ConditionalSelect(Vector512.Equals(weights, Vector512<float>.Zero), Vector512<float>.Zero, of * weights));

    /// <summary>The dyes of a mix in every spot at once.</summary>
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
        for (int i = 0; i < width; i += Lanes)
        {
            var sum = Vector512.MultiplyAddEstimate(Vector512.Create(deposits, one + i), va, more ? Vector512.Create(mixed, i) : Vector512<float>.Zero);
            sum = Vector512.MultiplyAddEstimate(Vector512.Create(deposits, two + i), vb, sum);
            Vector512.MultiplyAddEstimate(Vector512.Create(deposits, three + i), vc, sum).CopyTo(mixed, i);
        }
    }

    /// <summary>What the mix absorbs in one spot, in the lower or the upper half of the bands.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector512<float> Absorbs(int spot, int half)
    {
        var dye = mixed.AsSpan(spot * (Dyes.Length + 1), 7);
        var one = Vector512.MultiplyAddEstimate(Dyes[1][half], Vector512.Create(dye[1]), Dyes[0][half] * dye[0]);
        var two = Vector512.MultiplyAddEstimate(Dyes[3][half], Vector512.Create(dye[3]), Dyes[2][half] * dye[2]);
        one = Vector512.MultiplyAddEstimate(Dyes[4][half], Vector512.Create(dye[4]), one);
        two = Vector512.MultiplyAddEstimate(Dyes[5][half], Vector512.Create(dye[5]), two);
        return Vector512.MultiplyAddEstimate(Dyes[6][half], Vector512.Create(dye[6]), one) + two;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void See(Vector512<float> low, Vector512<float> high, out float x, out float y, out float z)
    {
        low = Passed(low);
        high = Passed(high);
        x = (float)Fibre.Surface + Vector128.Sum(Fold(low, high, X));
        y = (float)Fibre.Surface + Vector128.Sum(Fold(low, high, Y));
        z = (float)Fibre.Surface + Vector128.Sum(Fold(low, high, Z));
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector128<float> Fold(Vector512<float> low, Vector512<float> high, Vector512<float>[] lit)
    {
        var all = Vector512.MultiplyAddEstimate(low, lit[0], high * lit[1]);
        var half = all.GetLower() + all.GetUpper();
        return half.GetLower() + half.GetUpper();
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
    private static (Vector512<float> L, Vector512<float> A, Vector512<float> B) ToLab(Vector512<float> x, Vector512<float> y, Vector512<float> z)
    {
        // The surface alone sends back 1.2 %: all of it lies above the straight part of the definition.
        Vector512<float> fx = Root(x), fy = Root(y), fz = Root(z);
        return (fy * 116 - Vector512.Create(16f), (fx - fy) * 500, (fy - fz) * 200);
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

    /// <summary>CIEDE2000 without its turning term, as <see cref="Difference2000"/> has it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector512<float> Difference((Vector512<float> L, Vector512<float> A, Vector512<float> B) one, (Vector512<float> L, Vector512<float> A, Vector512<float> B) two)
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

    private static Vector512<float>[] Bands(double[] bands) => Bands(bands, 1, 1e-3f);

    private static Vector512<float>[] Lit(double[] bands, double white) => Bands(bands, (1 - Fibre.Surface) / white, 0);

    private static Vector512<float>[] Bands(double[] bands, double times, float past)
    {
        // Past the last band stands something harmless that no light falls on.
        float[] narrow = New(past, 2 * Lanes);
        for (int i = 0; i < Light.Bands; i++)
        {
            narrow[i] = (float)(bands[i] * times);
        }

        return [Vector512.Create(narrow, 0), Vector512.Create(narrow, Lanes)];
    }

    private static float[] New(float fill = .5f, int length = Lanes)
    {
        float[] all = new float[length];
        Array.Fill(all, fill);
        return all;
    }
}
