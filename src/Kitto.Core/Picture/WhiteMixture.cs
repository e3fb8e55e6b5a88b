using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>White share and natural level of a region, with what they may be.</summary>
/// <param name="White">Share of white fibres, 0 to 1.</param>
/// <param name="WhiteSd">Its standard deviation.</param>
/// <param name="Level">Natural level of the others, 1 to 10.</param>
/// <param name="LevelSd">Its standard deviation.</param>
public sealed record WhiteFound(double White, double WhiteSd, double Level, double LevelSd);

/// <summary>
/// White and pigmented fibres lie side by side, each place of a picture shows a few of them: the share of white in it is a draw of so many, its light their mean, times the
/// light and shadow of the lock. Which level, share, number and shadow make the light that is seen likeliest is asked of all of them, and the answers are weighed by that.
/// </summary>
public static class WhiteMixture
{
    private const int Bins = 60;
    private const double Darkest = -5.6,
        Brightest = 0.2,
        BinWidth = (Brightest - Darkest) / Bins;

    /// <summary>Places that count as independent at most: neighbours share their fibres and their shadow (ours).</summary>
    public const double Independent = 120;

    /// <summary>How far light and printer still turn a mean colour, once all is undone, CIELAB units (ours).</summary>
    public const double TurnedBy = 3;

    /// <summary>How far the draping of a lock still darkens or brightens it as a whole, ln of light (ours).</summary>
    public const double DrapedBy = 0.08;

    /// <summary>What is given is known so well: fewer or more by these shares (ours).</summary>
    private static readonly double[] About = [0.75, 1, 1.33];

    /// <summary>Shine over the whole region: light of the lamp that the hair throws back uncoloured, the same on every place.</summary>
    private static readonly double[] Shines = [0, 0.004, 0.01, 0.025, 0.06];

    private static readonly double[] Levels = [.. Enumerable.Range(0, 28).Select(i => 1 + i / 3.0)];
    private static readonly double[] Shares = [.. Enumerable.Range(0, 10).Select(i => i * 0.02), .. Enumerable.Range(0, 21).Select(i => 0.2 + i * 0.04)];

    private static readonly (double Luminance, Xyz Colour)[] Natural = [.. Levels.Select(l => Melanin.Natural(l).Look()).Select(x => (x.Y, x))];
    private static readonly Xyz White = Fibre.White.Look();

    /// <summary>What a region holds.</summary>
    /// <param name="places">Reflectance of its places, each a mean along the strand.</param>
    /// <param name="fibres">How many fibres a place shows, about, 1 to 20.</param>
    /// <param name="shadow">How much light and shadow differ from place to place where all fibres are alike, standard deviation of ln of light, 0.03 to 0.6.</param>
    /// <param name="shine">Shine that is left on such places, share of the light on average, above 0; it is the rarer the stronger it is.</param>
    /// <exception cref="ArgumentException">There are fewer than 50.</exception>
    public static WhiteFound Of(IReadOnlyList<Rgb> places, double fibres, double shadow, double shine)
    {
        int[] numbers = [.. About.Select(a => Math.Clamp((int)Math.Round(a * fibres), 1, 20)).Distinct()];
        double[] shadows = [.. About.Select(a => Math.Clamp(a * shadow, 0.03, 0.6))];
        if (places.Count < 50)
        {
            throw new ArgumentException("Fifty places or more are wanted.", nameof(places));
        }

        double[] seen = new double[Bins];
        foreach (var p in places)
        {
            seen[Bin(Math.Log(Math.Max(1e-4, p.Luminance)))] += 1.0 / places.Count;
        }

        var mean = places.Aggregate(default(Rgb), (sum, p) => sum + p) * (1.0 / places.Count);
        var lab = mean.Lab;
        double weight = Math.Min(Independent, places.Count / 4.0);
        double[,] log = new double[Levels.Length, Shares.Length];
        double top = double.NegativeInfinity;
        Parallel.For(
            0,
            Levels.Length,
            l =>
            {
                double[] expected = new double[Bins];
                for (int s = 0; s < Shares.Length; s++)
                {
                    var blend = Natural[l].Colour * (1 - Shares[s]) + White * Shares[s];
                    double best = double.NegativeInfinity,
                        sum = 0;
                    foreach (double thrown in Shines)
                    {
                        var made = Lab.From(blend + Colour.Light.White * thrown, Colour.Light.White);
                        double beside =
                            -(Math.Pow(made.A - lab.A, 2) + Math.Pow(made.B - lab.B, 2)) / (2 * TurnedBy * TurnedBy)
                            - thrown / shine
                            + Math.Log(s < 10 ? 0.5 : 1);
                        foreach (int n in numbers)
                        {
                            foreach (double dark in shadows)
                            {
                                double fit = weight * Fit(expected, seen, Natural[l].Luminance, Shares[s], n, dark, thrown) + beside;
                                sum = fit > best ? sum * Math.Exp(best - fit) + 1 : sum + Math.Exp(fit - best);
                                best = Math.Max(best, fit);
                            }
                        }
                    }

                    log[l, s] = best + Math.Log(sum);
                }
            }
        );
        foreach (double v in log)
        {
            top = Math.Max(top, v);
        }

        return Weighed(log, top);
    }

    private static WhiteFound Weighed(double[,] log, double top)
    {
        double all = 0,
            level = 0,
            levels = 0,
            share = 0,
            shares = 0;
        for (int l = 0; l < Levels.Length; l++)
        {
            for (int s = 0; s < Shares.Length; s++)
            {
                double w = Math.Exp(log[l, s] - top);
                (all, level, levels) = (all + w, level + w * Levels[l], levels + w * Levels[l] * Levels[l]);
                (share, shares) = (share + w * Shares[s], shares + w * Shares[s] * Shares[s]);
            }
        }

        (level, share) = (level / all, share / all);
        double step = Math.Log(CardLight.Luminance(LightOf(level + 0.5)) / CardLight.Luminance(LightOf(level - 0.5)));
        double draped = DrapedBy / step;
        return new WhiteFound(
            share,
            Math.Sqrt(Math.Max(0, shares / all - share * share)),
            level,
            Math.Sqrt(Math.Max(0, levels / all - level * level) + draped * draped)
        );
    }

    /// <summary>L* of a natural level; beyond the ends the ladder goes on as it ends.</summary>
    private static double LightOf(double level)
    {
        double at = Math.Clamp(level, 1, 10) - 1;
        int low = Math.Min(8, (int)at);
        return Melanin.Ladder[low] + (level - 1 - low) * (Melanin.Ladder[low + 1] - Melanin.Ladder[low]);
    }

    private static int Bin(double log) => Math.Clamp((int)((log - Darkest) / BinWidth), 0, Bins - 1);

    /// <summary>How likely what is seen is: ln of the likelihood of one place, on average.</summary>
    private static double Fit(double[] expected, double[] seen, double pigmented, double white, int fibres, double shadow, double shine)
    {
        Expect(expected, pigmented, white, fibres, shadow, shine);
        double fit = 0;
        for (int b = 0; b < Bins; b++)
        {
            fit += seen[b] > 0 ? seen[b] * Math.Log(expected[b] + 2e-4) : 0;
        }

        return fit;
    }

    /// <summary>How often each lightness is expected: a draw of so many fibres, each place in light or shadow, shine over all.</summary>
    private static void Expect(double[] expected, double pigmented, double white, int fibres, double shadow, double shine)
    {
        Array.Clear(expected);
        double chance = Math.Pow(1 - white, fibres);
        for (int k = 0; k <= fibres; k++)
        {
            if (k > 0)
            {
                chance = white < 1 ? chance * (fibres - k + 1) / k * (white / (1 - white)) : (k == fibres ? 1 : 0);
            }

            if (chance < 1e-6)
            {
                continue;
            }

            double share = (double)k / fibres,
                at = Math.Log(pigmented * (1 - share) + White.Y * share + shine);
            int from = Bin(at - 3 * shadow),
                to = Bin(at + 3 * shadow);
            double norm = chance * BinWidth / (shadow * 2.5066282746310002);
            for (int b = from; b <= to; b++)
            {
                double d = (Darkest + (b + 0.5) * BinWidth - at) / shadow;
                expected[b] += norm * Math.Exp(-d * d / 2);
            }
        }
    }
}
