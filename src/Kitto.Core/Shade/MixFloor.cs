using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// What a mix costs at least beside the blend of some spots, in lightness alone and linear in the shares: the contrast between white and pigmented fibres, and the blend of the other spots.
/// <para>
/// dE00 is no less than dL/S_L, for its other terms together are never below zero (the turning term's factor stays within 2), and S_L is at most 1 + 0.015 |L - 50|.
/// Lightness falls with absorption and is convex in it; absorption is concave in the shares (<see cref="MixBounds"/>).
/// So a mix is no lighter than the mean of its shades alone, and no darker than a tangent says.
/// </para>
/// </summary>
/// <param name="canvas">What the mix meets.</param>
/// <param name="scorer">Its shades there.</param>
/// <param name="beside">The spots whose blend is counted elsewhere.</param>
internal sealed class MixFloor(Canvas canvas, MixScorer scorer, IReadOnlyList<int> beside)
{
    private static readonly Vector512<float> Keratin = Swift.Bands(Fibre.Keratin);

    private static readonly double[] Shares = [.. Light.Y.Select(y => y / Light.Y.Sum())];

    /// <summary>The mean absorption of each dye over the light: never below what the dyes absorb together.</summary>
    private static readonly Pigment Mean = Enumerable.Range(0, Light.Bands).Aggregate(default(Pigment), (sum, band) => sum + Fibre.DyeAt(band) * Shares[band]);

    private readonly Vector512<float>[] bare = [.. canvas.Spots.Select(s => Swift.Bands(s.Pigment))];
    private readonly double[] white = new double[scorer.Shades.Length], pigmented = new double[scorer.Shades.Length], apart = new double[scorer.Shades.Length];

    /// <summary>By shade, with so much of a concentrate beside it.</summary>
    /// <param name="touch">The dye of a good mix on a kind of fibre: tangents touch there.</param>
    /// <param name="concentrate">The concentrate; -1 for none.</param>
    /// <param name="share">Its share.</param>
    public double[] Of(Func<MixScorer.Deposits, Pigment> touch, int concentrate, double share)
    {
        double[] floor = new double[scorer.Shades.Length];
        var touchWhite = touch(scorer.OnWhite);
        for (int s = 0; s < canvas.Spots.Count; s++)
        {
            var (spot, on) = (canvas.Spots[s], scorer.OnPigment[s]);
            double grey = spot.Grey.Value;
            bool both = grey is > 0 and < 1, blends = !beside.Contains(s);
            if (!both && !blends)
            {
                continue;
            }

            for (int k = 0; k < floor.Length; k++)
            {
                white[k] = grey > 0 ? Lit(Keratin + Swift.Absorbs(scorer.Dye(scorer.OnWhite, k, concentrate, share) * spot.WhiteTakes)) : 0;
                pigmented[k] = grey < 1 ? Lit(bare[s] + Swift.Absorbs(scorer.Dye(on, k, concentrate, share) * spot.PigmentTakes)) : 0;
            }

            var touchPigment = touch(on);
            if (both)
            {
                var tangent = Tangent.Of(spot with { Grey = Share.Of(1) }, Shares, touchWhite, touchPigment);
                double bareMean = Shares.Select((share, band) => share * spot.Pigment[band]).Sum(), deepest = 0, deepestWhite = 0;
                for (int k = 0; k < floor.Length; k++)
                {
                    var (onWhite, onPigment) = (scorer.Dye(scorer.OnWhite, k, concentrate, share), scorer.Dye(on, k, concentrate, share));
                    double most = tangent.At(onWhite, onPigment);
                    apart[k] = Absorbs(pigmented[k]) - most;
                    deepestWhite = Math.Max(deepestWhite, most);
                    deepest = Math.Max(deepest, bareMean + Mean.Dot(onPigment) * spot.PigmentTakes);
                }

                double away = Math.Max(50 - (L(Passes(deepest)) + L(Passes(deepestWhite))) / 2, (L(pigmented.Max()) + L(white.Max())) / 2 - 50);
                Add(floor, spot.Weight * grey * Canvas.Contrast * -Slope(deepest) / (1 + .015 * away));
            }

            if (blends)
            {
                double wish = canvas.Target.L - canvas.Residual.L;
                var tangent = Tangent.Of(spot, Shares, touchWhite, touchPigment);
                double at = tangent.At(touchWhite, touchPigment), lightness = L(Passes(at)), most = 0;
                for (int k = 0; k < floor.Length; k++)
                {
                    apart[k] = lightness < wish
                        ? wish - L(white[k] * grey + pigmented[k] * (1 - grey))
                        : lightness + Slope(at) * (tangent.At(scorer.Dye(scorer.OnWhite, k, concentrate, share), scorer.Dye(on, k, concentrate, share)) - at) - wish;
                    most = Math.Max(most, apart[k]);
                }

                Add(floor, spot.Weight / (1 + .015 * Math.Abs(canvas.Target.L - 50) + .0075 * most));
            }
        }

        return floor;
    }

    private void Add(double[] floor, double counts)
    {
        for (int k = 0; k < floor.Length; k++)
        {
            floor[k] += counts * apart[k];
        }
    }

    /// <summary>The most luminance that an absorption can send back.</summary>
    private static double Lit(Vector512<float> sigma) => Swift.See(sigma).Y * (1 + Swift.Miss);

    private static double Passes(double absorption) => Fibre.Surface + (1 - Fibre.Surface) * Math.Exp(-Fibre.Law * Math.Sqrt(Math.Max(absorption, 0)));

    private static double Absorbs(double luminance) => Math.Log((luminance - Fibre.Surface) / (1 - Fibre.Surface)) / Fibre.Law is var q ? q * q : 0;

    private static double L(double luminance) => 116 * Math.Cbrt(luminance) - 16;

    /// <summary>How fast lightness falls with absorption.</summary>
    private static double Slope(double absorption) =>
        Passes(absorption) is var y ? -116.0 / 3 / Math.Cbrt(y * y) * (y - Fibre.Surface) * Fibre.Law / (2 * Math.Sqrt(absorption)) : 0;
}
