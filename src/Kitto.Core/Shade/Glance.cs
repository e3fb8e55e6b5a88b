using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// A first look at a mix in single precision, all spots side by side: what it costs to within <see cref="Slack"/> times one plus the cost.
/// The same formulas as <see cref="Canvas.Look"/>; only the turning term of blue hues is left out, and where it would count there is no answer; and few spots are looked at for all (<see cref="Fibres"/>).
/// </summary>
internal sealed class Glance
{
    /// <summary>Times one plus the cost, more than single precision, the turning term and the spots left out can lose (a test holds it to a third).</summary>
    public const double Slack = 0.01;

    private readonly Fibres? white, pigmented;
    private readonly Vector512<float> grey, weight, contrastWeight, there;
    private readonly (Vector512<float> L, Vector512<float> A, Vector512<float> B) wish, residual;

    public Glance(Canvas canvas, MixScorer scorer)
    {
        var spots = canvas.Spots;
        float[] g = new float[Swift.Lanes], w = new float[Swift.Lanes], c = new float[Swift.Lanes], t = new float[Swift.Lanes];
        for (int i = 0; i < spots.Count; i++)
        {
            double share = spots[i].Grey.Value;
            // A spot of one kind of fibre has no contrast.
            (g[i], w[i], c[i], t[i]) = ((float)share, (float)spots[i].Weight, share is > 0 and < 1 ? (float)(spots[i].Weight * share * Canvas.Contrast) : 0, 1);
        }

        (grey, weight, contrastWeight, there) = (Vector512.Create(g), Vector512.Create(w), Vector512.Create(c), Vector512.Create(t));
        (wish, residual) = (All(canvas.Target), All(canvas.Residual));
        if (spots.Any(s => s.Grey.Value > 0))
        {
            white = new Fibres(scorer, [.. spots.Select(_ => Fibre.Keratin)], [.. spots.Select(_ => scorer.OnWhite)], [.. spots.Select(s => s.WhiteTakes)]);
        }

        if (spots.Any(s => s.Grey.Value < 1))
        {
            pigmented = new Fibres(scorer, [.. spots.Select(s => s.Pigment)], scorer.OnPigment, [.. spots.Select(s => s.PigmentTakes)]);
        }
    }

    /// <summary>What a mix costs before its parts are counted, or as much of that as is more than a limit; not a number where it has to be looked at properly.</summary>
    public float Cost(in GridMix mix, double limit = double.MaxValue)
    {
        var (x, y, z) = (pigmented ?? white!).See(mix);
        var (whiteX, whiteY, whiteZ) = white is null || pigmented is null ? (x, y, z) : white.See(mix);
        var blend = Swift.ToLab(x + (whiteX - x) * grey, y + (whiteY - y) * grey, z + (whiteZ - z) * grey);
        float cost = Sum(Swift.Difference((blend.L + residual.L, blend.A + residual.A, blend.B + residual.B), wish, there), weight);
        return white is null || pigmented is null || cost > limit ? cost : cost + Sum(Swift.Difference(Swift.ToLab(whiteX, whiteY, whiteZ), Swift.ToLab(x, y, z), there), contrastWeight);
    }

    private static (Vector512<float> L, Vector512<float> A, Vector512<float> B) All(Lab lab) => (Vector512.Create((float)lab.L), Vector512.Create((float)lab.A), Vector512.Create((float)lab.B));

    /// <summary>A weighted sum; what has no weight does not count, whatever it is.</summary>
    private static float Sum(Vector512<float> of, Vector512<float> weights) =>
        Vector512.Sum(Vector512.ConditionalSelect(Vector512.Equals(weights, Vector512<float>.Zero), Vector512<float>.Zero, of * weights));
}
