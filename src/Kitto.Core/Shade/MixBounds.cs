using System.Runtime.Intrinsics;
using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>
/// Bounds on the look of every mix of some shades that are linear in the shares, so that most mixes are dismissed without being looked at.
/// <para>
/// Light Q passed by hair is s + (1 - s) times a weighted mean of exp(-c sqrt(sigma)), sigma linear in the shares. Its effective absorption a = (ln((Q - s) / (1 - s)) / c)^2
/// is concave in the shares: with q = sqrt(a) and p the weights tilted by exp(-c sqrt(sigma)), Gibbs' inequality gives q >= sum p sqrt(sigma), and Cauchy's then a'' &lt;= 0.
/// So a mix absorbs at least the mean of what its shades absorb alone, and at most what any tangent says. Both are linear. The cube root of Q is convex in a,
/// hence the mean of cube roots over spots lies between those of the mean tangent and of the pooled light (Jensen).
/// </para>
/// </summary>
internal sealed class MixBounds
{
    private const double Alike = 0.1;

    /// <summary>The most that a light may be above what is seen at a glance: bands and spots left out.</summary>
    private const float Over = (float)(1 + Swift.Miss + 3 * FibresSeen.Miss);

    private readonly MixScorer scorer;
    private readonly Glance glance;
    private readonly Windows pooled, nearest;

    /// <summary>By spot; the tangents and the share of the pool only of those most alike.</summary>
    private readonly Tangent[]?[] tangents;
    private readonly double[] pool;
    private readonly MixFloor[] floors;
    private readonly Vector512<float> pooling;
    private readonly Sieve sieve;

    /// <param name="canvas">What the mix meets.</param>
    /// <param name="scorer">Its shades there.</param>
    /// <param name="glance">First looks at them.</param>
    /// <param name="near">A good mix: the tangents touch there.</param>
    public MixBounds(Canvas canvas, MixScorer scorer, Glance glance, in GridMix near)
    {
        (this.scorer, this.glance, Near) = (scorer, glance, near);
        var spots = canvas.Spots;
        int[] places = MostAlike(spots);
        double sum = places.Sum(i => spots[i].Weight);
        pooled = new Windows(canvas.Target, canvas.Residual, [.. places.Select(i => spots[i].Weight)]);
        // The weighted mean of all is not above the limit, so some spot is not above it either.
        nearest = new Windows(canvas.Target, canvas.Residual, [sum]);
        sieve = new Sieve(2 + 2 * Windows.Most, scorer.Shades.Length);
        (tangents, pool, floors) = (new Tangent[spots.Count][], new double[spots.Count], new MixFloor[spots.Count]);
        var onWhite = scorer.Mix(near, scorer.OnWhite);
        for (int i = 0; i < spots.Count; i++)
        {
            var onPigment = scorer.Mix(near, scorer.OnPigment[i]);
            bool alike = places.Contains(i);
            (tangents[i], pool[i]) = alike ? (Tangent.Of(spots[i], spots[i].Grey.Value, onWhite, onPigment), spots[i].Weight / sum) : (null, 0);
            floors[i] = new MixFloor(canvas, spots[i], !alike, onWhite, onPigment, scorer.Shades.Length);
        }

        pooling = Vector512.Create([.. pool.Select(p => (float)p), .. new float[Swift.Lanes - pool.Length]]);
    }

    /// <summary>Where the tangents touch.</summary>
    public GridMix Near { get; }

    /// <summary>The spots whose hair is most alike, by weight: one mix cannot be right on some of them and far off on others.</summary>
    internal static int[] MostAlike(IReadOnlyList<Spot> spots) =>
        Enumerable.Range(0, spots.Count)
            .Select(c => Enumerable.Range(0, spots.Count).Where(i => Math.Abs(spots[i].Grey.Value - spots[c].Grey.Value) <= Alike).ToArray())
            .MaxBy(like => like.Sum(i => spots[i].Weight))!;

    /// <summary>For each shade, with so much of a concentrate beside it: the most and least absorption of a mix by its tangents and by itself.</summary>
    public Features Of(int concentrate, double share)
    {
        int count = scorer.Shades.Length;
        var features = new Features(count);
        double[] shares = concentrate < 0 ? [1] : [1 - share, share];
        Span<float> absorbs = stackalloc float[3 * Swift.Lanes], whiteLit = stackalloc float[Swift.Lanes], pigmentLit = stackalloc float[Swift.Lanes], pigmentAbsorbs = stackalloc float[Swift.Lanes];
        foreach (var floor in floors)
        {
            floor.Clear();
        }

        for (int i = 0; i < count; i++)
        {
            var (blend, white, pigmented) = glance.See(new GridMix(i, -1, -1, concentrate, shares));
            Light(blend.X, 0, i, features, absorbs);
            Light(blend.Y, 1, i, features, absorbs);
            Light(blend.Z, 2, i, features, absorbs);
            (white.Y * Over).CopyTo(whiteLit);
            (pigmented.Y * Over).CopyTo(pigmentLit);
            Swift.Absorbed(pigmented.Y * Over).CopyTo(pigmentAbsorbs);
            var onWhite = scorer.Dye(scorer.OnWhite, i, concentrate, share);
            for (int s = 0; s < floors.Length; s++)
            {
                var onPigment = scorer.Dye(scorer.OnPigment[s], i, concentrate, share);
                for (int q = 0; q < 3 && tangents[s] is { } tangent; q++)
                {
                    double most = tangent[q].At(onWhite, onPigment);
                    features.Most[q][i] += pool[s] * most;
                    features.MostOfAll[q][i] = Math.Max(features.MostOfAll[q][i], most);
                    features.LeastOfAll[q][i] = Math.Min(features.LeastOfAll[q][i], absorbs[q * Swift.Lanes + s]);
                }

                if (floors[s].Counts)
                {
                    floors[s].Take(i, onWhite, onPigment, whiteLit[s], pigmentLit[s], pigmentAbsorbs[s]);
                }
            }
        }

        foreach (var floor in floors)
        {
            floor.AddTo(features.Floor);
        }

        return features;
    }

    /// <summary>What a light says of absorption: of all spots pooled, and of each.</summary>
    private void Light(Vector512<float> light, int channel, int shade, Features features, Span<float> absorbs)
    {
        // Of the most light that there can be the least is absorbed.
        light *= Over;
        Swift.Absorbed(light).CopyTo(absorbs[(channel * Swift.Lanes)..]);
        features.Least[channel][shade] = Swift.Absorbed(Vector512.Create(Swift.Sum(light * pooling)))[0];
    }

    /// <summary>What a mix has to meet to cost no more than a limit before its parts are counted, and to have enough neutral.</summary>
    /// <param name="features">What its shades absorb.</param>
    /// <param name="limit">The limit.</param>
    /// <param name="rules">The rules; those that are linear in the shares are met here already.</param>
    /// <param name="concentrate">The concentrate; -1 for none.</param>
    /// <param name="share">Its share.</param>
    /// <returns>The sieve; there is one, and it is filled anew.</returns>
    public Sieve For(Features features, double limit, MixRules rules, int concentrate, double share)
    {
        sieve.Clear();
        var shades = scorer.Shades;
        if (rules.LeastNeutral > 0)
        {
            var met = sieve.Next();
            for (int i = 0; i < met.Length; i++)
            {
                met[i] = (shades[i].Shade.Family is Family.N or Family.NN ? 1 : 0) - rules.LeastNeutral / (1 - share) + 1e-6;
            }
        }

        double most = MixRules.MostForeign - (concentrate >= 0 && rules.Foreign(scorer.Concentrates[concentrate].Shade) ? share : 0);
        var foreign = sieve.Next();
        for (int i = 0; i < foreign.Length; i++)
        {
            foreign[i] = most / (1 - share) - (rules.Foreign(shades[i].Shade) ? 1 : 0) + 1e-6;
        }

        foreach (var c in nearest.For(limit))
        {
            Met(c, limit, features.MostOfAll, features.LeastOfAll, features.Floor, sieve.Next());
        }

        foreach (var c in pooled.For(limit))
        {
            Met(c, limit, features.Most, features.Least, features.Floor, sieve.Next());
        }

        sieve.Fill();
        return sieve;
    }

    private static void Met(Condition c, double limit, double[][] most, double[][] least, double[] floor, Span<double> met)
    {
        double[] ofX = (c.X > 0 ? most : least)[0], ofY = (c.Y > 0 ? most : least)[1], ofZ = (c.Z > 0 ? most : least)[2];
        for (int i = 0; i < met.Length; i++)
        {
            double x = c.X * ofX[i], y = c.Y * ofY[i], z = c.Z * ofZ[i];
            // What is spent elsewhere is not left for these spots: the reach shrinks at least in proportion.
            double spent = c.Reach * floor[i] / limit;
            met[i] = x + y + z - c.From - spent + Sieve.Spare(Math.Abs(x) + Math.Abs(y) + Math.Abs(z) + Math.Abs(spent));
        }
    }
}

/// <summary>What each shade absorbs alone in three channels. A mix has at least the mean of the least, and at most the mean of the most: of all spots pooled, and of whichever spot.</summary>
internal sealed class Features(int shades)
{
    public double[][] Most { get; } = Make(shades, 0);

    public double[][] Least { get; } = Make(shades, 0);

    public double[][] MostOfAll { get; } = Make(shades, double.MinValue);

    public double[][] LeastOfAll { get; } = Make(shades, double.MaxValue);

    /// <summary>What it costs at least beside the blend of the spots pooled.</summary>
    public double[] Floor { get; } = new double[shades];

    private static double[][] Make(int shades, double with) => [.. Enumerable.Range(0, 3).Select(_ => Enumerable.Repeat(with, shades).ToArray())];
}
