using Kitto.Core.Head;
using Kitto.Core.Learning;
using Kitto.Core.Strand;

namespace Kitto.Web.Drawing;

/// <summary>A strand as it is found, to be read by eye: nothing is named but the millimetres.</summary>
public static partial class StrandDrawing
{
    /// <summary>Draws the strand of a zone today, with a ruler.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="zone">The zone.</param>
    public static string Today(Reading reading, Zone zone)
    {
        var stretches = HeadSeen.Of(reading, zone);
        double shown = Math.Min(
            Math.Max(40, (stretches.Where(s => s.Stretch != Stretch.Lengths).Select(s => s.ToMm).DefaultIfEmpty(0).Max()) * 1.4),
            stretches[^1].ToMm
        );
        double X(double at) => at <= shown ? Left + (Ends - Left) * at / shown : Ends + (Right - Ends) * (at - shown) / Math.Max(1, stretches[^1].ToMm - shown);
        const double top = 6,
            height = 26,
            ruler = top + height + 8;
        var svg = new Svg();
        string name = Words.Studio.Term(zone);
        svg.Add($"<svg class=\"strand found\" viewBox=\"0 0 {Width} {ruler + 22}\" role=\"img\" aria-label=\"Strand of the {name}, {Said(stretches)}\">");
        svg.Add(
            $"<rect class=\"mat\" x=\"{Left - 6}\" y=\"{top - 4}\" width=\"{Right - Left + 12}\" height=\"{height + 8}\"/><rect class=\"scalp\" x=\"{Left - 6}\" y=\"{top - 4}\" width=\"6\" height=\"{height + 8}\"/>"
        );
        foreach (var s in stretches)
        {
            Lock(svg, X(s.FromMm), X(s.ToMm), top, height, s.Grey.Value, s.Looks, 20);
        }

        Ruler(svg, shown, X, ruler);
        return svg.Add($"<text class=\"tick-number\" x=\"{Right}\" y=\"{ruler + 18}\" text-anchor=\"end\">mm</text></svg>").ToString();
    }

    /// <summary>What an eye would see, in words.</summary>
    private static string Said(IReadOnlyList<SeenStretch> stretches) =>
        string.Join(
            "; ",
            stretches.Select(s =>
                $"from {s.FromMm:0} mm to {s.ToMm:0} mm {(s.Stretch == Stretch.Scalp ? $"regrowth, {s.Grey} white, the rest L* {(s.Looks.Pigmented ?? s.Looks.White)!.Lab[0]:0}" : $"L* {s.Looks.Lab[0]:0}")}"
            )
        );
}
