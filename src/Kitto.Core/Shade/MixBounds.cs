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

    /// <summary>Each band's share of the light in X, Y and Z.</summary>
    private static readonly double[][] Shares = [.. new[] { Light.X, Light.Y, Light.Z }.Select(c => c.Select(l => l / c.Sum()).ToArray())];

    private readonly Canvas canvas;
    private readonly MixScorer scorer;
    private readonly Spot[] spots;
    private readonly int[] places;
    private readonly double[] pool;
    private readonly Windows pooled, nearest;
    private readonly Vector512<float> keratin = Swift.Bands(Fibre.Keratin);
    private readonly Vector512<float>[] bare;
    private readonly Sieve sieve;
    private readonly MixFloor floor;

    /// <param name="canvas">What the mix meets.</param>
    /// <param name="scorer">Its shades there.</param>
    /// <param name="near">A good mix: the tangents touch there.</param>
    public MixBounds(Canvas canvas, MixScorer scorer, in GridMix near)
    {
        this.canvas = canvas;
        this.scorer = scorer;
        Near = near;
        places = MostAlike(canvas.Spots);
        spots = [.. places.Select(i => canvas.Spots[i])];
        bare = [.. spots.Select(s => Swift.Bands(s.Pigment))];
        floor = new MixFloor(canvas, scorer, places);
        sieve = new Sieve(2 + 2 * Windows.Most, scorer.Shades.Length);
        double[] weights = [.. spots.Select(s => s.Weight)];
        double sum = weights.Sum();
        pool = [.. weights.Select(w => w / sum)];
        pooled = new Windows(canvas.Target, canvas.Residual, weights);
        // The weighted mean of all is not above the limit, so some spot is not above it either.
        nearest = new Windows(canvas.Target, canvas.Residual, [sum]);
    }

    /// <summary>Where the tangents touch, with or without a concentrate beside its shades.</summary>
    public GridMix Near { get; }

    /// <summary>The spots whose hair is most alike, by weight: one mix cannot be right on some of them and far off on others.</summary>
    private static int[] MostAlike(IReadOnlyList<Spot> spots) =>
        Enumerable.Range(0, spots.Count)
            .Select(c => Enumerable.Range(0, spots.Count).Where(i => Math.Abs(spots[i].Grey.Value - spots[c].Grey.Value) <= Alike).ToArray())
            .MaxBy(like => like.Sum(i => spots[i].Weight))!;

    /// <summary>For each shade, with so much of a concentrate beside it: the most and least absorption of a mix by its tangents and by itself.</summary>
    public Features Of(int concentrate, double share)
    {
        int count = scorer.Shades.Length;
        var features = new Features(count);
        var touch = Touch(scorer.OnWhite, concentrate, share);
        Tangent[][] tangents = [.. spots.Select((spot, s) => Shares.Select(light => Tangent.Of(spot, light, touch, Touch(scorer.OnPigment[places[s]], concentrate, share))).ToArray())];
        floor.Of(on => Touch(on, concentrate, share), concentrate, share).CopyTo(features.Floor, 0);
        Span<double> all = stackalloc double[3], light = stackalloc double[3];
        for (int i = 0; i < count; i++)
        {
            var onWhite = scorer.Dye(scorer.OnWhite, i, concentrate, share);
            all.Clear();
            for (int s = 0; s < spots.Length; s++)
            {
                var (spot, grey) = (spots[s], spots[s].Grey.Value);
                var onPigment = scorer.Dye(scorer.OnPigment[places[s]], i, concentrate, share);
                light.Clear();
                if (grey > 0)
                {
                    See(keratin, onWhite * spot.WhiteTakes, grey, light);
                }

                if (grey < 1)
                {
                    See(bare[s], onPigment * spot.PigmentTakes, 1 - grey, light);
                }

                for (int q = 0; q < 3; q++)
                {
                    all[q] += light[q] * pool[s];
                    double tangent = tangents[s][q].At(onWhite, onPigment);
                    features.Most[q][i] += pool[s] * tangent;
                    features.MostOfAll[q][i] = Math.Max(features.MostOfAll[q][i], tangent);
                    features.LeastOfAll[q][i] = Math.Min(features.LeastOfAll[q][i], Absorbs(light[q]));
                }
            }

            for (int q = 0; q < 3; q++)
            {
                features.Least[q][i] = Absorbs(all[q]);
            }
        }

        return features;
    }

    /// <summary>What a mix has to meet for a weighted dE00 not above a limit, and to have enough neutral.</summary>
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

    private static void See(Vector512<float> bare, in Pigment dye, double counts, Span<double> light)
    {
        // Of the most light that there can be: the least is absorbed of it.
        counts *= 1 + Swift.Miss;
        var (x, y, z) = Swift.See(bare + Swift.Absorbs(dye));
        light[0] += counts * x;
        light[1] += counts * y;
        light[2] += counts * z;
    }

    private static double Absorbs(double part)
    {
        double q = Math.Log((part - Fibre.Surface) / (1 - Fibre.Surface)) / Fibre.Law;
        return q * q;
    }

    /// <summary>The dye of the shades of the good mix with so much of a concentrate beside them: tangents touch there.</summary>
    private Pigment Touch(MixScorer.Deposits deposits, int concentrate, double share)
    {
        var (sum, whole) = (default(Pigment), 0.0);
        for (int i = 0; i < Near.Shades; i++)
        {
            sum += scorer.Dye(deposits, Near.Shade(i), concentrate, share) * Near.Shares[i];
            whole += Near.Shares[i];
        }

        return sum * (1 / whole);
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
