using System.Text;
using Kitto.Core;

namespace Kitto.Web.Drawing;

/// <summary>One lock, fibre by fibre.</summary>
public static partial class StrandDrawing
{
    /// <summary>Whether a fibre is one of the white ones; they lie evenly among the others.</summary>
    internal static bool IsWhite(int i, double grey) => Math.Floor((i + 1) * grey + 1e-9) > Math.Floor(i * grey + 1e-9);

    /// <summary>Hair that is all of one look.</summary>
    internal static Fibres Plain(Look look) => new(look.Lab, look.Hex, null, look);

    /// <summary>Fibres from one place to another; the white ones lie evenly among the others.</summary>
    private static void Lock(Svg svg, double from, double to, double top, double height, double grey, Fibres seen, int fibres = 12)
    {
        if (to - from < 1)
        {
            return;
        }

        StringBuilder white = new(),
            pigmented = new();
        double each = height / fibres;
        for (int i = 0; i < fibres; i++)
        {
            bool isWhite = IsWhite(i, grey);
            double y = top + (i + .5) * each;
            var d = isWhite ? white : pigmented;
            Svg.Number(Svg.Number(d.Append('M'), from).Append(' '), Wave(from, y, i));
            double here = Wave(from, y, i);
            for (double at = from; at < to; at += 48)
            {
                double next = Math.Min(to, at + 48),
                    middle = (at + next) / 2;
                double there = Wave(next, y, i);
                Svg.Number(Svg.Number(d.Append('Q'), middle).Append(' '), 2 * Wave(middle, y, i) - (here + there) / 2);
                Svg.Number(Svg.Number(d.Append(' '), next).Append(' '), there);
                here = there;
            }
        }

        foreach (var (path, look) in new[] { (pigmented, seen.Pigmented ?? seen.White), (white, seen.White) })
        {
            if (path.Length > 0 && look is not null)
            {
                svg.Add($"<path class=\"fibre\" stroke=\"{look.Hex}\" stroke-width=\"{each * .9}\" d=\"{path.ToString()}\"/>");
            }
        }
    }

    private static double Wave(double x, double y, int fibre) => y + .7 * Math.Sin(x / 46 + fibre * 2.3) + .35 * Math.Sin(x / 19 + fibre * 1.1);
}
