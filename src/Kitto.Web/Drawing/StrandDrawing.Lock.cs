using System.Text;
using Kitto.Core;

namespace Kitto.Web.Drawing;

/// <summary>One lock, fibre by fibre.</summary>
public static partial class StrandDrawing
{
    /// <summary>One lock as she sees it now, and where the colour goes on it: for her guide.</summary>
    /// <param name="zone">The zone's forecast.</param>
    /// <param name="lengths">Her lengths now.</param>
    /// <param name="mm">Regrowth there.</param>
    /// <param name="scalp">Whether it is the turn at the scalp; null where all is painted in one.</param>
    public static string ForClient(ZoneForecast zone, Look lengths, Millimetres mm, bool? scalp = null)
    {
        const double width = 350,
            line = 150,
            top = 6,
            height = 26,
            off = 48;
        var svg = new Svg();
        string says = scalp switch
        {
            true => "the first 12 mm",
            false => "from 12 mm off the scalp",
            null => $"{mm}, stop short",
        };
        var (from, to) = scalp switch
        {
            true => (8.0, off),
            false => (off, line - 8),
            null => (8.0, line - 8),
        };
        svg.Add(
            $"<svg class=\"strand-own\" viewBox=\"0 0 {width} 54\" role=\"img\" aria-label=\"A lock: {mm.ToString()} of new hair from the scalp; stop just before the coloured hair.\"><rect class=\"mat\" x=\"8\" y=\"2\" width=\"{width - 8}\" height=\"{height + 8}\"/><rect class=\"scalp\" x=\"0\" y=\"2\" width=\"8\" height=\"{height + 8}\"/>"
        );
        Lock(svg, 8, line, top, height, zone.Grey.Value, zone.Today, 8);
        Lock(svg, line, width, top, height, 0, Plain(lengths), 8);
        svg.Add(
            $"<line class=\"demarcation\" x1=\"{line}\" y1=\"0\" x2=\"{line}\" y2=\"{height + 14}\"/><path class=\"paint-span\" d=\"M{from} 40 v5 H{to} v-5\"/>"
        );
        svg.Add($"<text class=\"paint-words\" x=\"{line + 6}\" y=\"50\">{says}</text></svg>");
        return svg.ToString();
    }

    private static Fibres Plain(Look look) => new(look.Lab, look.Hex, null, look);

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
            bool isWhite = Math.Floor((i + 1) * grey + 1e-9) > Math.Floor(i * grey + 1e-9);
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
