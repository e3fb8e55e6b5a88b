using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>One linear condition on the absorptions of a mix in X, Y and Z: what is positive is taken at its most, what is negative at its least.</summary>
/// <param name="X">Weight of the absorption in X.</param>
/// <param name="Y">In Y.</param>
/// <param name="Z">In Z.</param>
/// <param name="From">The sum is at least this.</param>
/// <param name="Reach">How much lower that is for the limit; it shrinks with the limit at least in proportion.</param>
internal readonly record struct Condition(double X, double Y, double Z, double From, double Reach);

/// <summary>
/// Where the mean colour of some spots can lie when their weighted dE00 to the target is not above a limit, as linear conditions on absorption.
/// From the definition of CIEDE2000: S_L is at most 1 + 0.015 |L - 50|, S_C and S_H at most 1 + 0.045 C', and the turning term takes at most half its size off.
/// So the mean lies in a spheroid around the wish, whatever the single spots do; the conditions are planes that touch it.
/// </summary>
internal sealed class Windows
{
    private readonly double lightness, chroma, turn, weight;
    private readonly double[] weights, roots, absorbs, slopes;
    private readonly Dictionary<double, IReadOnlyList<Condition>> known = [];

    /// <param name="target">What the forecast is compared with.</param>
    /// <param name="residual">What is added to a forecast before it is compared.</param>
    /// <param name="weights">Weights of the spots.</param>
    public Windows(Lab target, Lab residual, double[] weights)
    {
        this.weights = weights;
        weight = weights.Sum();
        lightness = 1 + .015 * Math.Abs(target.L - 50);
        chroma = Math.Sqrt(2.25 * target.A * target.A + target.B * target.B);
        turn = 1 - Turn(target) / 2;
        var wish = target - residual;
        double v = (wish.L + 16) / 116;
        roots = [v + wish.A / 500, v, v - wish.B / 200];
        absorbs = [.. roots.Select(Absorbs)];
        slopes = [.. roots.Select(Slope)];
    }

    /// <summary>The most conditions that one limit makes.</summary>
    public const int Most = 26;

    /// <summary>The absorption of a mean cube root of light: what a grey of that light would absorb.</summary>
    public static double Absorbs(double root)
    {
        double passed = (root * root * root - Fibre.Surface) / (1 - Fibre.Surface);
        return passed <= 0 ? double.PositiveInfinity : passed >= 1 ? 0 : Math.Log(passed) / Fibre.Law is var q ? q * q : 0;
    }

    /// <summary>The conditions for a limit on the weighted dE00; none where the limit says nothing. The same few limits are asked for again and again.</summary>
    public IReadOnlyList<Condition> For(double limit) => known.TryGetValue(limit, out var conditions) ? conditions : known[limit] = Touching(limit);

    private List<Condition> Touching(double limit)
    {
        double dL = 0, dC = 0;
        foreach (double each in weights)
        {
            // Both grow faster than the difference does, so the most is reached with all of it in one spot.
            dL = Math.Max(dL, each * Lightness(limit / each) / weight);
            dC = Math.Max(dC, each * Chroma(limit / each) / weight);
        }

        var conditions = new List<Condition>(Most);
        if (double.IsInfinity(dL) || double.IsInfinity(dC) || slopes.Any(s => !(s < 0)))
        {
            return conditions;
        }

        // How far each root goes, and what the curve may bend away from its slope there.
        double dV = dL / 116;
        double[] far = [Math.Sqrt(dV * dV + dC * dC / 250_000), dV, Math.Sqrt(dV * dV + dC * dC / 40_000)];
        double[] bends = [.. far.Select((f, q) => Math.Max(Absorbs(roots[q] - f) + slopes[q] * f, Absorbs(roots[q] + f) - slopes[q] * f) - absorbs[q])];

        for (int l = -1; l <= 1; l++)
        {
            for (int a = -1; a <= 1; a++)
            {
                for (int b = -1; b <= 1; b++)
                {
                    if ((l, a, b) != (0, 0, 0) && Touching(l / dL, a / dC, b / dC, dL, dC, bends) is { } condition)
                    {
                        conditions.Add(condition);
                    }
                }
            }
        }

        return conditions;
    }

    /// <summary>The plane with a normal in L, a, b that touches the spheroid, as a condition on absorption.</summary>
    private Condition? Touching(double l, double a, double b, double dL, double dC, double[] bends)
    {
        double reach = Math.Sqrt(l * l * dL * dL + (a * a + b * b) * dC * dC);
        // L, a, b are linear in the three cube roots: the normal there.
        Span<double> weigh = [500 * a, 116 * l - 500 * a + 200 * b, -200 * b];
        double from = -reach;
        for (int q = 0; q < 3; q++)
        {
            // normal . root >= -reach; more absorption is less light, so the sign turns, and the curve is given what it may bend away.
            weigh[q] /= slopes[q];
            from += weigh[q] * absorbs[q];
            if (weigh[q] < 0)
            {
                if (double.IsInfinity(bends[q]))
                {
                    return null;
                }

                from += weigh[q] * bends[q];
            }
        }

        return new Condition(weigh[0], weigh[1], weigh[2], from, reach);
    }

    private double Lightness(double difference) => difference * .0075 < 1 ? difference * lightness / (1 - .0075 * difference) : double.PositiveInfinity;

    private double Chroma(double difference) =>
        Math.Sqrt(turn) - .0225 * difference is var rest and > 0 ? difference * (1 + .045 * chroma) / rest : double.PositiveInfinity;

    /// <summary>The most that the turning term can be: the mean hue of two colours lies within a quarter turn of either.</summary>
    private static double Turn(Lab target)
    {
        double hue = target.Hue, warped = new Lab(0, 1.5 * target.A, target.B).Hue;
        double apart = Math.Min(Away(hue), Away(warped)) - 90;
        return apart <= 0 ? 2 * Math.Sin(Math.PI / 3) : 2 * Math.Sin(Math.PI / 3 * Math.Exp(-(apart / 25) * (apart / 25)));
    }

    private static double Away(double hue) => Math.Abs(hue - 275) is var d && d > 180 ? 360 - d : d;

    /// <summary>Slope of <see cref="Absorbs"/>, below zero; not a number where there is no light.</summary>
    private static double Slope(double root)
    {
        double passed = (root * root * root - Fibre.Surface) / (1 - Fibre.Surface);
        return passed is <= 0 or >= 1 ? double.NaN : 2 * Math.Log(passed) / (Fibre.Law * Fibre.Law * passed) * 3 * root * root / (1 - Fibre.Surface);
    }
}
