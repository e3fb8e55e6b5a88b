using System.Globalization;
using Kitto.Core.Packing;

namespace Kitto.Web.Drawing;

/// <summary>The vessel as a bar: what is in it, what is poured now, and the band in which it is right. The script moves the pour; its measures stand on the drawing.</summary>
public static class PourDrawing
{
    private const double Width = 1000;

    /// <summary>Draws it.</summary>
    /// <param name="vessel">The vessel.</param>
    /// <param name="part">The part that is poured.</param>
    public static string Draw(VesselStand vessel, PartStand part)
    {
        double others = (double)(vessel.Grams - part.Poured),
            full = Math.Max(others + part.Target + 3 * part.Band, others + part.Target * 1.12);
        string X(double grams) => (grams / full * Width).ToString("0.#", CultureInfo.InvariantCulture);
        var bar = new System.Text.StringBuilder();
        bar.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"pour-bar\" viewBox=\"0 0 1000 74\" role=\"img\" aria-label=\"{part.Poured:0.0} of {part.Target:0.0} g\" data-full=\"{full:0.###}\" data-others=\"{others:0.###}\" preserveAspectRatio=\"none\">"
        );
        bar.Append("<rect class=\"bar-ground\" x=\"0\" y=\"10\" width=\"1000\" height=\"54\"/>");
        double x = 0;
        foreach (var other in vessel.Parts.Where(p => p.Part != part.Part && p.Poured > 0))
        {
            bar.Append(
                CultureInfo.InvariantCulture,
                $"<rect class=\"bar-in\" x=\"{X(x)}\" y=\"10\" width=\"{X((double)other.Poured)}\" height=\"54\"/><line class=\"bar-cut\" x1=\"{X(x + (double)other.Poured)}\" x2=\"{X(x + (double)other.Poured)}\" y1=\"10\" y2=\"64\"/>"
            );
            x += (double)other.Poured;
        }

        bar.Append(CultureInfo.InvariantCulture, $"<rect class=\"bar-now\" x=\"{X(others)}\" y=\"10\" width=\"{X((double)part.Poured)}\" height=\"54\"/>");
        bar.Append(
            CultureInfo.InvariantCulture,
            $"<rect class=\"bar-band\" x=\"{X(others + part.Target - part.Band)}\" y=\"3\" width=\"{X(2 * part.Band)}\" height=\"68\"/></svg>"
        );
        return bar.ToString();
    }
}
