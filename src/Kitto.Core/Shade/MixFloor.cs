using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// What a mix costs at least in one spot by lightness alone, linear in the shares: the contrast between its white and pigmented fibres, and its blend where that is not counted elsewhere.
/// <para>
/// dE00 is no less than dL/S_L, for its other terms together are never below zero (the turning term's factor stays within 2), and S_L is at most 1 + 0.015 |L - 50|.
/// Lightness falls with absorption and is convex in it; absorption is concave in the shares (<see cref="MixBounds"/>).
/// So a mix is no lighter than the mean of its shades alone, and no darker than a tangent says.
/// </para>
/// </summary>
internal sealed class MixFloor
{
    private readonly Spot spot;
    private readonly bool both, blends;
    private readonly Tangent white, pigmented, blend;
    private readonly double at, lightness, target, wish;
    private readonly double[] contrast, difference;
    private double deepest, deepestWhite, lightest, lightestWhite, most;

    /// <param name="canvas">What the mix meets.</param>
    /// <param name="spot">Where.</param>
    /// <param name="blends">Whether its blend is to be counted.</param>
    /// <param name="onWhite">What a good mix deposits on white fibres: tangents touch there.</param>
    /// <param name="onPigment">And on pigmented ones.</param>
    /// <param name="shades">How many shades there are.</param>
    public MixFloor(Canvas canvas, Spot spot, bool blends, in Pigment onWhite, in Pigment onPigment, int shades)
    {
        double grey = spot.Grey.Value;
        (this.spot, this.blends, both) = (spot, blends, grey is > 0 and < 1);
        (contrast, difference) = (new double[shades], new double[shades]);
        (target, wish) = (canvas.Target.L, canvas.Target.L - canvas.Residual.L);
        (white, pigmented) = both ? (Tangent.Of(spot, 1, onWhite, onPigment)[1], Tangent.Of(spot, 0, onWhite, onPigment)[1]) : default;
        blend = blends ? Tangent.Of(spot, grey, onWhite, onPigment)[1] : default;
        at = blend.At(onWhite, onPigment);
        lightness = L(Passes(at));
    }

    /// <summary>Whether anything is counted here.</summary>
    public bool Counts => both || blends;

    /// <summary>Begins anew, with another concentrate.</summary>
    public void Clear() => (deepest, deepestWhite, lightest, lightestWhite, most) = (0, 0, 0, 0, 0);

    /// <summary>Takes a shade in.</summary>
    /// <param name="shade">Its number.</param>
    /// <param name="onWhite">What it deposits on white fibres.</param>
    /// <param name="onPigment">And on pigmented ones.</param>
    /// <param name="whiteLit">The most light that white fibres send back with it.</param>
    /// <param name="pigmentLit">And pigmented ones.</param>
    /// <param name="pigmentAbsorbs">The least that pigmented ones absorb with it.</param>
    public void Take(int shade, in Pigment onWhite, in Pigment onPigment, double whiteLit, double pigmentLit, double pigmentAbsorbs)
    {
        if (both)
        {
            double byWhite = white.At(onWhite, onPigment);
            contrast[shade] = pigmentAbsorbs - byWhite;
            deepestWhite = Math.Max(deepestWhite, byWhite);
            deepest = Math.Max(deepest, pigmented.At(onWhite, onPigment));
            (lightest, lightestWhite) = (Math.Max(lightest, pigmentLit), Math.Max(lightestWhite, whiteLit));
        }

        if (blends)
        {
            double grey = spot.Grey.Value;
            difference[shade] = lightness < wish ? wish - L(whiteLit * grey + pigmentLit * (1 - grey)) : lightness + Slope(at) * (blend.At(onWhite, onPigment) - at) - wish;
            most = Math.Max(most, difference[shade]);
        }
    }

    /// <summary>Adds what is certain to what the shades cost at least.</summary>
    public void AddTo(double[] floor)
    {
        if (both)
        {
            double away = Math.Max(50 - (L(Passes(deepest)) + L(Passes(deepestWhite))) / 2, (L(lightest) + L(lightestWhite)) / 2 - 50);
            Add(floor, contrast, spot.Weight * spot.Grey.Value * Canvas.Contrast * -Slope(deepest) / (1 + .015 * away));
        }

        if (blends)
        {
            Add(floor, difference, spot.Weight / (1 + .015 * Math.Abs(target - 50) + .0075 * most));
        }
    }

    private static void Add(double[] floor, double[] of, double counts)
    {
        for (int k = 0; k < floor.Length; k++)
        {
            floor[k] += counts * of[k];
        }
    }

    private static double Passes(double absorption) => Fibre.Surface + (1 - Fibre.Surface) * Math.Exp(-Fibre.Law * Math.Sqrt(Math.Max(absorption, 0)));

    private static double L(double luminance) => 116 * Math.Cbrt(luminance) - 16;

    /// <summary>How fast lightness falls with absorption.</summary>
    private static double Slope(double absorption) =>
        Passes(absorption) is var y ? -116.0 / 3 / Math.Cbrt(y * y) * (y - Fibre.Surface) * Fibre.Law / (2 * Math.Sqrt(absorption)) : 0;
}
