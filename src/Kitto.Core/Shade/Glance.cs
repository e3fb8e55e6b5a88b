using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// A first look at a mix in single precision, all spots side by side: what it costs to within <see cref="Slack"/> times one plus the cost.
/// The same formulas as <see cref="Canvas.Look"/>; only the turning term of blue hues is left out, and where it would count there is no answer; and few spots are looked at for all (<see cref="FibresSeen"/>).
/// </summary>
internal sealed class Glance
{
    /// <summary>Times one plus the cost, more than single precision, the turning term and the spots left out can lose (a test holds it to half).</summary>
    public const double Slack = 0.02;

    private readonly FibresSeen? white, pigmented;
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
            white = new FibresSeen(scorer, [.. spots.Select(_ => Fibre.Keratin)], [.. spots.Select(_ => scorer.OnWhite)], [.. spots.Select(s => s.WhiteTakes)], false);
        }

        if (spots.Any(s => s.Grey.Value < 1))
        {
            pigmented = new FibresSeen(scorer, [.. spots.Select(s => s.Pigment)], scorer.OnPigment, [.. spots.Select(s => s.PigmentTakes)], canvas.Tail is not null);
        }
    }

    /// <summary>What a mix costs before its parts are counted, or as much of that as is more than a limit; not a number where it has to be looked at properly.</summary>
    public float Cost(in GridMix mix, double limit = double.MaxValue)
    {
        var (blend, onWhite, onPigment) = See(mix);
        var seen = Swift.ToLab(blend.X, blend.Y, blend.Z);
        float cost = Sum(Swift.Difference((seen.L + residual.L, seen.A + residual.A, seen.B + residual.B), wish, there), weight);
        return white is null || pigmented is null || cost > limit ? cost
            : cost + Sum(Swift.Difference(Swift.ToLab(onWhite.X, onWhite.Y, onWhite.Z), Swift.ToLab(onPigment.X, onPigment.Y, onPigment.Z), there), contrastWeight);
    }

    /// <summary>The light of every spot with a mix: the blend, its white fibres and its pigmented ones; of those that are nowhere, the others.</summary>
    public (Seen Blend, Seen White, Seen Pigmented) See(in GridMix mix)
    {
        var pigment = (pigmented ?? white!).See(mix);
        var keratin = white is null || pigmented is null ? pigment : white.See(mix);
        return (new Seen(pigment.X + (keratin.X - pigment.X) * grey, pigment.Y + (keratin.Y - pigment.Y) * grey, pigment.Z + (keratin.Z - pigment.Z) * grey), keratin, pigment);
    }

    private static (Vector512<float> L, Vector512<float> A, Vector512<float> B) All(Lab lab) => (Vector512.Create((float)lab.L), Vector512.Create((float)lab.A), Vector512.Create((float)lab.B));

    /// <summary>A weighted sum; what has no weight does not count, whatever it is.</summary>
    private static float Sum(Vector512<float> of, Vector512<float> weights) =>
        Swift.Sum(Vector512.ConditionalSelect(Vector512.Equals(weights, Vector512<float>.Zero), Vector512<float>.Zero, of * weights));

    /// <summary>Light of every spot.</summary>
    internal readonly record struct Seen(Vector512<float> X, Vector512<float> Y, Vector512<float> Z);
}
