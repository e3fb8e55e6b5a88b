using Kitto.Core.Picture;

namespace Kitto.Web.Drawing;

/// <summary>The measuring card, in millimetres: drawn for the printer, or over a picture of it.</summary>
public static class CardDrawing
{
    /// <summary>The card for the printer, one to one.</summary>
    /// <param name="studio">Whose card it is.</param>
    /// <param name="number">Its number.</param>
    public static string Print(string studio, string number)
    {
        var svg = new Svg();
        const double W = MeasuringCard.Width,
            H = MeasuringCard.Height;
        svg.Add(
            $"<svg class=\"card-print\" xmlns=\"http://www.w3.org/2000/svg\" width=\"{W}mm\" height=\"{H}mm\" viewBox=\"0 0 {W} {H}\" role=\"img\" aria-label=\"The measuring card\">"
        );
        svg.Add($"<rect x=\"0.1\" y=\"0.1\" width=\"{W - 0.2}\" height=\"{H - 0.2}\" fill=\"#fff\" stroke=\"#999\" stroke-width=\"0.2\"/>");
        var window = MeasuringCard.Window;
        svg.Add($"<rect x=\"{window.X}\" y=\"{window.Y}\" width=\"{window.Width}\" height=\"{window.Height}\" fill=\"{MeasuringCard.WindowTint}\"/>");
        svg.Add(
            $"<rect x=\"{window.X}\" y=\"{window.Y}\" width=\"{window.Width}\" height=\"{window.Height}\" fill=\"none\" stroke=\"#fff\" stroke-width=\"0.3\" stroke-dasharray=\"2 1.4\"/>"
        );
        svg.Add($"<text x=\"{window.Middle.X}\" y=\"{window.Middle.Y}\" font-size=\"5\" text-anchor=\"middle\" fill=\"#fff\">cut out</text>");
        svg.Add($"<path d=\"M{window.X} {window.Y + 4} h{window.Width}\" stroke=\"#fff\" stroke-width=\"0.4\"/>");
        svg.Add($"<text x=\"{window.Middle.X}\" y=\"{window.Y + 9}\" font-size=\"3.2\" text-anchor=\"middle\" fill=\"#fff\">the parting runs here</text>");
        foreach (var (where, lightness) in MeasuringCard.GreyPatches)
        {
            svg.Add(
                $"<rect x=\"{where.X}\" y=\"{where.Y}\" width=\"{where.Width}\" height=\"{where.Height}\" fill=\"{Kitto.Core.Colour.Srgb.Hex(new(lightness, 0, 0))}\"/>"
            );
        }

        for (int id = 0; id < MeasuringCard.Markers.Count; id++)
        {
            Marker(svg, id);
        }

        Rule(svg);
        var place = MeasuringCard.Lock;
        svg.Add(
            $"<rect x=\"{place.X}\" y=\"{place.Y}\" width=\"{place.Width}\" height=\"{place.Height}\" fill=\"none\" stroke=\"#777\" stroke-width=\"0.2\" stroke-dasharray=\"1 1\"/>"
        );
        svg.Add(
            $"<text x=\"{place.Middle.X}\" y=\"{place.Middle.Y + 1}\" font-size=\"3\" text-anchor=\"middle\" fill=\"#777\">the end of a lock, from the left</text>"
        );
        svg.Add($"<text x=\"{W / 2}\" y=\"120\" font-size=\"4\" text-anchor=\"middle\" fill=\"#222\">{studio}</text>");
        svg.Add($"<text x=\"{W / 2}\" y=\"125\" font-size=\"3\" text-anchor=\"middle\" fill=\"#555\">{number}</text></svg>");
        return svg.ToString();
    }

    /// <summary>A small card beside a head at a window, or with the end of a lock in the place for it, laid over one mark from the left: the other three stay free.</summary>
    public static string Small(bool withLock)
    {
        var svg = new Svg();
        if (!withLock)
        {
            svg.Add(
                $"<svg class=\"place\" viewBox=\"0 0 150 150\" aria-hidden=\"true\"><path class=\"place-pane\" d=\"M12 18h52v84H12Z M38 18v84 M12 60h52\"/><path class=\"place-here\" d=\"M72 76c0-34 58-34 58 0 4 22 2 46-2 62h-16v-18c8-8 9-28 4-36-16 0-26-4-32-10-4 10-4 36 6 46v18H74c-4-16-6-40-2-62Z\"/></svg>"
            );
            return svg.ToString();
        }

        var (window, place) = (MeasuringCard.Window, MeasuringCard.Lock);
        svg.Add($"<svg class=\"place\" viewBox=\"-29 -10 150 150\" aria-hidden=\"true\">");
        svg.Add(
            $"<path class=\"place-card\" fill-rule=\"evenodd\" d=\"M0 0h{MeasuringCard.Width}v{MeasuringCard.Height}h-{MeasuringCard.Width}Z M{window.X} {window.Y}h{window.Width}v{window.Height}h-{window.Width}Z\"/>"
        );
        svg.Add(
            $"<path class=\"place-lock\" d=\"M-28 {place.Y - 1}C10 {place.Y - 2} 50 {place.Y} {place.X + place.Width - 4} {place.Y + 6}C50 {place.Y + 13} 10 {place.Y + 16} -28 {place.Y + 16}Z\"/></svg>"
        );
        return svg.ToString();
    }

    /// <summary>A chip of a colour that was measured.</summary>
    public static string Chip(Kitto.Core.Colour.Lab colour) =>
        $"<svg class=\"chip\" viewBox=\"0 0 30 14\" aria-hidden=\"true\"><rect width=\"30\" height=\"14\" fill=\"{Kitto.Core.Colour.Srgb.Hex(colour)}\"/></svg>";

    /// <summary>The outline of a bank card, one to one, to hold one against the print.</summary>
    public static string Outline()
    {
        const double W = CardScale.BankCardMm,
            H = CardScale.BankCardShortMm;
        var svg = new Svg();
        svg.Add(
            $"<svg class=\"card-print\" xmlns=\"http://www.w3.org/2000/svg\" width=\"{W + 2}mm\" height=\"{H + 2}mm\" viewBox=\"-1 -1 {W + 2} {H + 2}\" role=\"img\" aria-label=\"Outline of a bank card\">"
        );
        svg.Add($"<rect width=\"{W}\" height=\"{H}\" rx=\"3.2\" fill=\"none\" stroke=\"#222\" stroke-width=\"0.2\"/>");
        svg.Add($"<text x=\"{W / 2}\" y=\"{H / 2 - 1}\" font-size=\"3.6\" text-anchor=\"middle\" fill=\"#222\">A bank card fits here.</text>");
        svg.Add(
            $"<text x=\"{W / 2}\" y=\"{H / 2 + 5}\" font-size=\"3.6\" text-anchor=\"middle\" fill=\"#222\">Long side, meant: {W} mm. On this print: ............ mm</text></svg>"
        );
        return svg.ToString();
    }

    /// <summary>Where it was measured, drawn over a picture: the window, the parting, the line strip by strip, the end of a band.</summary>
    public static string Over(PictureAnswer answer)
    {
        if (answer.Card is not { } card)
        {
            return "";
        }

        var to = Homography.From(card);
        var svg = new Svg();
        var w = MeasuringCard.Window;
        Path(svg, "window", to, [new(w.X, w.Y), new(w.X + w.Width, w.Y), new(w.X + w.Width, w.Y + w.Height), new(w.X, w.Y + w.Height), new(w.X, w.Y)]);
        if (answer.Reading is { Parting: { } parting } reading)
        {
            double[] across = [w.X + 2, w.X + w.Width - 2];
            Path(svg, "parting", to, [.. across.Select(x => new Point(x, parting.At(x)))]);
            if (reading.LineAt is { Count: > 1 } lines)
            {
                double step = MeasuringCard.Inside.Width / lines.Count;
                Path(
                    svg,
                    "line",
                    to,
                    [.. lines.Select((l, i) => (X: MeasuringCard.Inside.X + (i + 0.5) * step, L: l)).Select(p => new Point(p.X, parting.At(p.X) + p.L))]
                );
            }

            if (reading.BandTo is { } band)
            {
                Path(svg, "band", to, [.. across.Select(x => new Point(x, parting.At(x) + band))]);
            }
        }

        return svg.ToString();
    }

    private static void Path(Svg svg, string what, Homography to, IReadOnlyList<Point> points)
    {
        svg.Add($"<polyline class=\"{what}\" points=\"");
        foreach (var p in points.Select(to.Of))
        {
            svg.Add($"{p.X},{p.Y} ");
        }

        svg.Add($"\"/>");
    }

    private static void Marker(Svg svg, int id)
    {
        const double Cell = MeasuringCard.Marker / MeasuringCard.Cells;
        var at = MeasuringCard.Markers[id];
        svg.Add($"<rect x=\"{at.X}\" y=\"{at.Y}\" width=\"{MeasuringCard.Marker}\" height=\"{MeasuringCard.Marker}\" fill=\"#000\"/>");
        for (int i = 0; i < 16; i++)
        {
            if (MeasuringCard.MarkerCells[id][i] == '1')
            {
                // A little larger than the cell, so that no hair of black is left between two.
                svg.Add(
                    $"<rect x=\"{at.X + (1 + i % 4) * Cell - 0.02}\" y=\"{at.Y + (1 + i / 4) * Cell - 0.02}\" width=\"{Cell + 0.04}\" height=\"{Cell + 0.04}\" fill=\"#fff\"/>"
                );
            }
        }
    }

    private static void Rule(Svg svg)
    {
        var rule = MeasuringCard.Rule;
        for (int mm = 0; mm <= rule.Height; mm++)
        {
            double length =
                mm % 10 == 0 ? 3
                : mm % 5 == 0 ? 2
                : 1.2;
            svg.Add($"<path d=\"M{rule.X} {rule.Y + mm} h{length}\" stroke=\"#000\" stroke-width=\"0.2\"/>");
        }
    }
}
