using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Web.Drawing;

/// <summary>A mix as a bar, its parts true to their shares, with a handle between neighbours that gives from one to the other in tenths.</summary>
public static class MixBar
{
    private const double Width = 560, Height = 28;

    /// <summary>Draws the bar.</summary>
    public static string Draw(IReadOnlyList<MixPart> parts)
    {
        var svg = new Svg();
        svg.Add($"<svg class=\"mix-bar\" id=\"mix-bar\" viewBox=\"0 0 {Width} {Height + 4}\" role=\"group\" aria-labelledby=\"by-hand-name\" data-width=\"{Width}\" data-mix=\"{Written(parts)}\"><rect class=\"mat\" width=\"{Width}\" height=\"{Height + 4}\"/>");
        double at = 0;
        foreach (var part in parts)
        {
            double wide = part.Share.Value * Width;
            svg.Add($"<rect x=\"{at + 1}\" y=\"4\" width=\"{Math.Max(0, wide - 2)}\" height=\"{Height - 4}\" fill=\"{Srgb.Hex(Swatch.Of(ShadeOf.Parse(part.Shade)!))}\"/>");
            svg.Add($"<text class=\"bar-part\" x=\"{at + wide / 2}\" y=\"{Height / 2 + 6.5}\" text-anchor=\"middle\">{(wide > 70 ? $"{part.Shade} {part.Share}" : part.Shade)}</text>");
            at += wide;
        }

        at = 0;
        for (int i = 0; i < parts.Count - 1; i++)
        {
            at += parts[i].Share.Value;
            svg.Add($"<g class=\"bar-handle\" id=\"hand-{i}\" role=\"slider\" tabindex=\"0\" data-at=\"{i}\" aria-label=\"between {parts[i].Shade} and {parts[i + 1].Shade}\" aria-valuemin=\"0\" aria-valuemax=\"100\" aria-valuenow=\"{Math.Round(at * 100)}\" aria-valuetext=\"{parts[i].Share.ToString()} {parts[i].Shade}, {parts[i + 1].Share.ToString()} {parts[i + 1].Shade}\"><rect class=\"bar-reach\" x=\"{at * Width - 9}\" y=\"0\" width=\"18\" height=\"{Height + 4}\"/><rect class=\"bar-grip\" x=\"{at * Width - 3}\" y=\"0\" width=\"6\" height=\"{Height + 4}\"/></g>");
        }

        return svg.Add($"</svg>").ToString();
    }

    /// <summary>A mix in one line, as the form posts it: "5N:0.8 5AG:0.2".</summary>
    public static string Written(IEnumerable<MixPart> parts) => string.Join(' ', parts.Select(p => FormattableString.Invariant($"{p.Shade}:{Math.Round(p.Share.Value, 3)}")));
}
