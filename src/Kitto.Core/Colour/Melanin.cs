namespace Kitto.Core.Colour;

/// <summary>Natural hair by level, and what lightening makes of it. The amounts of melanin are solved, not typed in.</summary>
public static class Melanin
{
    /// <summary>L* of natural hair, levels 1 to 10 (ours; a salon may measure its own swatches).</summary>
    public static IReadOnlyList<double> Ladder { get; } = [11, 14, 18, 23, 29, 36, 44, 53, 63, 72];

    /// <summary>Levels lifted at which the warm residue is whole (ours).</summary>
    public const double WholeResidue = 2;

    /// <summary>Below that it comes slowly at first, by this power (ours: so that a neutral with 20 vol stays within 3 dE00 of her own hair).</summary>
    private const double ResiduePower = 1.35;

    /// <summary>Warm residue by the level reached, 3 to 10: how much, and where it stops, nm (ours; gives the undertones of SH2).</summary>
    private static readonly double[] Warm = [.45, .40, .33, .25, .17, .10, .05, .02],
        Cut = [552, 546, 540, 532, 522, 510, 496, 480];

    /// <summary>ln of the melanin of levels 1 to 12; 11 and 12 carry on from 9 and 10.</summary>
    private static readonly double[] LnMelanin = Solve();

    /// <summary>Melanin of a natural level, 1 to 12; between whole levels its logarithm is interpolated.</summary>
    public static double Of(double level) => Math.Exp(Between(LnMelanin, level - 1));

    /// <summary>Natural hair of a level.</summary>
    public static Fibre Natural(double level) => new(Of(level), 0, 550, default);

    /// <summary>Natural hair lifted by so many levels: the lightness of the level reached, with the warmth that is laid bare (SH2).</summary>
    /// <param name="level">Natural level, 1 to 10.</param>
    /// <param name="lifted">Levels, 0 or more; the result ends at 12.</param>
    public static Fibre Lifted(double level, double lifted)
    {
        if (lifted <= 0)
        {
            return Natural(level);
        }

        return Warmed(Math.Min(12, level + lifted), Math.Pow(Math.Min(1, lifted / WholeResidue), ResiduePower));
    }

    /// <summary>Hair of a level's lightness with so much of the warm residue that lightening leaves there.</summary>
    /// <param name="reached">Level, 1 to 12.</param>
    /// <param name="residue">0 for none, 1 for all of it.</param>
    internal static Fibre Warmed(double reached, double residue)
    {
        double at = Math.Clamp(reached, 3, 10) - 3;
        var warm = new Fibre(0, Between(Warm, at) * residue, Between(Cut, at), default);
        double natural = Of(reached),
            near = natural - warm.Residue / (1 + Math.Exp((555 - warm.CutNm) / Fibre.ResidueEdgeNm));
        return warm with { Melanin = Match(warm, Fibre.Darkened(Fibre.Keratin, Math.Sqrt(natural)).Luminance, Math.Max(1e-4, near)) };
    }

    private static double[] Solve()
    {
        double[] ln = new double[12];
        for (int i = 0; i < 10; i++)
        {
            ln[i] = Math.Log(Match(Fibre.White, Math.Pow((Ladder[i] + 16) / 116, 3) - Fibre.Surface, 10 * Math.Exp(-.55 * i)));
        }

        ln[10] = 2 * ln[9] - ln[8];
        ln[11] = 3 * ln[9] - 2 * ln[8];
        return ln;
    }

    /// <summary>The melanin that brings a fibre to a luminance, the surface's own left out: by Newton on the square root, in which its logarithm is nearly straight.</summary>
    private static double Match(Fibre fibre, double luminance, double guess)
    {
        double[] without = fibre.Absorption();
        double root = Math.Sqrt(guess);
        for (int i = 0; i < 60; i++)
        {
            var (now, slope) = Fibre.Darkened(without, root);
            double miss = Math.Log(now / luminance);
            root = Math.Max(1e-6, root - miss * now / slope);
            // What a step of Newton leaves is about the square of what it found.
            if (Math.Abs(miss) < 1e-6)
            {
                break;
            }
        }

        return root * root;
    }

    private static double Between(double[] table, double at)
    {
        int low = Math.Clamp((int)Math.Floor(at), 0, table.Length - 2);
        double part = Math.Clamp(at - low, 0, 1);
        return table[low] + part * (table[low + 1] - table[low]);
    }
}
