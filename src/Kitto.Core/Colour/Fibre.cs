using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Kitto.Core.Colour;

/// <summary>
/// One kind of hair fibre by what absorbs in it: keratin, melanin, the warm residue that lightening leaves, dye.
/// Hair seen as a mass reflects <c>s + (1 - s) exp(-5.9 sqrt(sigma))</c> (Chiang, Bitterli, Tappan and Burley 2016, azimuthal roughness 0.3, from memory; s ours).
/// </summary>
/// <param name="Melanin">Eumelanin at 550 nm; 0 in white hair.</param>
/// <param name="Residue">Warm residue of lightening; 0 in natural hair.</param>
/// <param name="CutNm">Where the residue stops absorbing, nanometres.</param>
/// <param name="Dye">Dye in it.</param>
/// <param name="Lightened">Whether it was lightened before: porous, and its warmth gives way to dye.</param>
public readonly record struct Fibre(double Melanin, double Residue, double CutNm, Pigment Dye, bool Lightened = false)
{
    /// <summary>Light sent back by the surface alone (ours).</summary>
    public const double Surface = 0.012;

    /// <summary>The factor of the square-root law.</summary>
    public const double Law = 5.9;

    /// <summary>How softly the residue stops absorbing, nm (ours).</summary>
    internal const double ResidueEdgeNm = 20;

    private const double Ln2 = 0.693147180559945286;

    /// <summary>Added to a whole number, it leaves that number in the lowest bits.</summary>
    private const double Magic = 6755399441055744;

    /// <summary>White hair: keratin alone, L* near 84 and slightly yellow.</summary>
    public static Fibre White => new(0, 0, 550, default);

    /// <summary>Keratin, 0.0055 (550/l)^3 (ours).</summary>
    internal static readonly double[] Keratin = Light.PerBand(nm => .0055 * Math.Pow(550 / nm, 3));

    /// <summary>Eumelanin, (550/l)^3.33 (Donner and Jensen 2006, from memory).</summary>
    internal static readonly double[] Depth = Light.PerBand(nm => Math.Pow(550 / nm, 3.33));

    /// <summary>The rise of the residue's edge, before it is put in its place.</summary>
    private static readonly double[] Rise = Light.PerBand(nm => Math.Exp(nm / ResidueEdgeNm));

    internal static readonly double[] Green = Band(655, 45),
        Blue = Band(605, 40),
        Violet = Band(570, 35),
        Red = Band(520, 38),
        Copper = Band(480, 35),
        Gold = Band(445, 32);

    /// <summary>What it looks like.</summary>
    public Lab Lab => Lab.From(Look(), Light.White);

    /// <summary>The light it sends back.</summary>
    public Xyz Look() => Look(Absorption(), default);

    /// <summary>Absorption without dye that is still to come; to be reused over many mixes.</summary>
    internal double[] Absorption()
    {
        double[] sigma = new double[Light.Width];
        var pigment = Dye + Pigment.OfDepth(Melanin);
        double[]? warmth = Warmth();
        double left = 1 - Math.Min(1, Dye.Covers);
        for (int i = 0; i < Light.Width; i += Vector512<double>.Count)
        {
            var sum = Sum(Keratin, pigment, i);
            (warmth is null ? sum : sum + At(warmth, i) * left).CopyTo(sigma, i);
        }

        return sigma;
    }

    /// <summary>What its warm residue absorbs; null where it has none.</summary>
    internal double[]? Warmth()
    {
        if (Residue == 0)
        {
            return null;
        }

        double[] warmth = new double[Light.Width];
        double cut = Math.Exp(-CutNm / ResidueEdgeNm);
        for (int i = 0; i < Light.Width; i += Vector512<double>.Count)
        {
            (Vector512.Create(Residue) / Vector512.MultiplyAddEstimate(At(Rise, i), Vector512.Create(cut), Vector512<double>.One)).CopyTo(warmth, i);
        }

        return warmth;
    }

    /// <summary>The light sent back by an absorption with a dye added to it; the warmth in it, where there is any, gives way to the dye by what that covers.</summary>
    internal static Xyz Look(double[] absorption, in Pigment dye, double[]? warmth = null)
    {
        Vector512<double> x = default,
            y = default,
            z = default;
        double gone = Math.Min(1, dye.Covers);
        for (int i = 0; i < Light.Width; i += Vector512<double>.Count)
        {
            var sigma = Sum(absorption, dye, i);
            var passed = Passed(warmth is null ? sigma : Vector512.MaxNative(sigma - At(warmth, i) * gone, Vector512<double>.Zero));
            x += passed * At(Light.X, i);
            y += passed * At(Light.Y, i);
            z += passed * At(Light.Z, i);
        }

        return new Xyz(Lit(Vector512.Sum(x), Light.White.X), Lit(Vector512.Sum(y), Light.White.Y), Lit(Vector512.Sum(z), Light.White.Z));
    }

    /// <summary>The luminance alone with so much more melanin, less the surface's own, and how fast it falls as the square root of that melanin grows.</summary>
    internal static (double Luminance, double Slope) Darkened(double[] absorption, double root)
    {
        Vector512<double> y = Vector512<double>.Zero,
            fall = y;
        for (int i = 0; i < Light.Width; i += Vector512<double>.Count)
        {
            var sigma = Vector512.MultiplyAddEstimate(At(Depth, i), Vector512.Create(root * root), At(absorption, i));
            var lit = Passed(sigma) * At(Light.Y, i);
            y += lit;
            fall += lit * At(Depth, i) / Vector512.Sqrt(sigma + Vector512.Create(1e-300));
        }

        return ((1 - Surface) * Vector512.Sum(y), -Law * root * (1 - Surface) * Vector512.Sum(fall));
    }

    /// <summary>What comes back out of the hair, before the surface adds its own: exp(-5.9 sqrt(sigma)).</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<double> Passed(Vector512<double> sigma)
    {
        // The exponential by its series about the nearest power of two; the powers are made in the exponent's bits. Good to 1e-13, and faster than the library's.
        var x = Vector512.MaxNative(Vector512.Sqrt(sigma) * -Law, Vector512.Create(-700.0));
        var k = Vector512.Round(x * Vector512.Create(1 / Ln2));
        var r = Vector512.MultiplyAddEstimate(k, Vector512.Create(-Ln2), x);
        var sum = Vector512.MultiplyAddEstimate(Vector512.Create(1 / 39916800.0), r, Vector512.Create(1 / 3628800.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 362880.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 40320.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 5040.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 720.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 120.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 24.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 6.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512.Create(1 / 2.0));
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512<double>.One);
        sum = Vector512.MultiplyAddEstimate(sum, r, Vector512<double>.One);
        var power = Vector512.ShiftLeft((k + Vector512.Create(Magic)).AsInt64(), 52);
        return (sum.AsInt64() + power).AsDouble();
    }

    /// <summary>Eight bands; every array here holds <see cref="Light.Width"/> of them.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<double> At(double[] bands, int i) => Vector512.LoadUnsafe(ref MemoryMarshal.GetArrayDataReference(bands), (nuint)i);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector512<double> Sum(double[] absorption, in Pigment dye, int i)
    {
        var one = Vector512.MultiplyAddEstimate(At(Depth, i), Vector512.Create(dye.Depth), At(absorption, i));
        var two = Vector512.MultiplyAddEstimate(At(Blue, i), Vector512.Create(dye.Blue), At(Green, i) * dye.Green);
        one = Vector512.MultiplyAddEstimate(At(Violet, i), Vector512.Create(dye.Violet), one);
        two = Vector512.MultiplyAddEstimate(At(Red, i), Vector512.Create(dye.Red), two);
        one = Vector512.MultiplyAddEstimate(At(Copper, i), Vector512.Create(dye.Copper), one);
        two = Vector512.MultiplyAddEstimate(At(Gold, i), Vector512.Create(dye.Gold), two);
        return one + two;
    }

    private static double Lit(double passed, double white) => Surface * white + (1 - Surface) * passed;

    private static double[] Band(double centre, double sd) => Light.PerBand(nm => Math.Exp(-.5 * Math.Pow((nm - centre) / sd, 2)));
}
