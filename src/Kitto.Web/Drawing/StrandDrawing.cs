using System.Globalization;
using System.Text;
using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Head;

namespace Kitto.Web.Drawing;

/// <summary>One lock from scalp to ends: what is there now, after the lift alone, and after the colour; white and pigmented fibres side by side, true to their share.</summary>
public static class StrandDrawing
{
    private const double Left = 66, Width = 640, Right = 596, Top = 19;
    private const double NowHeight = 33, BareHeight = 17, AfterHeight = 33, Gap = 4;
    private const double BareTop = Top + NowHeight + Gap, AfterTop = BareTop + BareHeight + Gap, Bottom = AfterTop + AfterHeight;

    /// <summary>Draws the strand of one zone, or of the lengths alone where the roots get none.</summary>
    /// <param name="p">The prescription.</param>
    /// <param name="reading">The reading, regrowth as read today.</param>
    /// <param name="picked">The zone that is looked at; another one is taken where it is not coloured.</param>
    /// <param name="move">Whether the line of demarcation can be moved.</param>
    public static string Draw(Prescription p, Reading reading, Zone picked, bool move = false)
    {
        var f = p.Forecast;
        if (f.LengthsToday is null)
        {
            return "";
        }

        var zone = f.PerZone.FirstOrDefault(z => z.Zone == picked) ?? (f.PerZone.Count > 0 ? f.PerZone[0] : null);
        double mm = zone is null ? 0 : reading.Zones[(int)zone.Zone].Regrowth.Value;
        double band = reading.Hair.Band?.Length.Value ?? 0;
        double tail = f.Tail is null || zone is null ? 0 : zone.Zone.Facts().ShadowTail.Value;
        double shown = Math.Max(24, Math.Max(mm * 2.2, (mm + Math.Max(band, tail)) * 1.22));
        double X(double at) => Left + (Right - Left) * Math.Min(at, shown) / shown;
        double line = X(mm), bandEnd = X(mm + band);
        var svg = new Svg();
        svg.Add($"<svg class=\"strand\" viewBox=\"0 0 {Width} {Bottom + 28}\" role=\"group\" aria-label=\"{Describe(p, reading, zone)}\" data-left=\"{Left}\" data-mm=\"{(shown / (Right - Left)).ToString("0.000000", CultureInfo.InvariantCulture)}\" data-width=\"{Width}\">");
        svg.Add($"<rect class=\"mat\" x=\"{Left - 6}\" y=\"{Top - 4}\" width=\"{Width - Left + 6}\" height=\"{Bottom - Top + 8}\"/><rect class=\"scalp\" x=\"{Left - 6}\" y=\"{Top - 4}\" width=\"6\" height=\"{Bottom - Top + 8}\"/>");
        Name(svg, Top + NowHeight / 2, "now");
        Name(svg, AfterTop + AfterHeight / 2, "after");
        if (zone is not null)
        {
            double grey = zone.Grey.Value;
            Lock(svg, Left, line, Top, NowHeight, grey, zone.Today);
            Name(svg, BareTop + BareHeight / 2, "lift alone");
            Lock(svg, Left, line, BareTop, BareHeight, grey, zone.Lifted, 6);
            Lock(svg, Left, line, AfterTop, AfterHeight, grey, zone.After);
            string bare = zone.Lifted.Pigmented is { } lifted && zone.Lifts >= .3
                ? $"{zone.Lifts.ToString("0.0", CultureInfo.InvariantCulture)} levels lay {Undertone.Of(lifted.Lab[0])} bare" : grey >= 1 ? "white hair has nothing to lift" : "hardly any lift: nothing to counter";
            svg.Add($"<text class=\"on-mat\" x=\"{line + 13}\" y=\"{BareTop + 12.5}\">{bare}</text>");
        }

        if (f.BandToday is { } was && f.Band is { } comes)
        {
            Lock(svg, line, bandEnd, Top, NowHeight, 0, Plain(was));
            Lock(svg, line, bandEnd, AfterTop, AfterHeight, 0, Plain(comes));
        }

        Lock(svg, bandEnd, Right, Top, NowHeight, 0, Plain(f.LengthsToday));
        Lock(svg, bandEnd, Right, AfterTop, AfterHeight, 0, Plain(f.Lengths ?? f.LengthsToday));
        if (f.Tail is { } feathered && tail > 0)
        {
            // Lighter and lighter: from what it makes of the lengths at the line to nothing where it ends.
            svg.Add($"<linearGradient id=\"feather\" gradientUnits=\"userSpaceOnUse\" x1=\"{line}\" y1=\"0\" x2=\"{X(mm + tail)}\" y2=\"0\"><stop offset=\"0\" stop-color=\"{feathered.Hex}\"/><stop offset=\"1\" stop-color=\"{feathered.Hex}\" stop-opacity=\"0\"/></linearGradient>");
            Lock(svg, line, X(mm + tail), AfterTop, AfterHeight, 0, Plain(feathered with { Hex = "url(#feather)" }));
        }

        if (f.Target is { } wish)
        {
            svg.Add($"<rect x=\"{Right + 8}\" y=\"{Top}\" width=\"{Width - Right - 14}\" height=\"{Bottom - Top}\" fill=\"{wish.Hex}\"/><text class=\"strand-top\" x=\"{(Right + Width) / 2}\" y=\"11\" text-anchor=\"middle\">wish</text>");
        }

        Heads(svg, reading, zone, line, bandEnd);
        Ruler(svg, shown, X);
        if (zone is not null)
        {
            svg.Add($"<line class=\"demarcation\" x1=\"{line}\" y1=\"{Top - 6}\" x2=\"{line}\" y2=\"{Bottom + 8}\"/>");
            if (move)
            {
                svg.Add($"<g class=\"handle\" id=\"line-handle\" role=\"slider\" tabindex=\"0\" data-zone=\"{Core.Contract.Json.Name(zone.Zone)}\" aria-label=\"line of demarcation, {zone.Zone.Facts().Says}\" aria-valuemin=\"0\" aria-valuemax=\"300\" aria-valuenow=\"{mm}\" aria-valuetext=\"{reading.Zones[(int)zone.Zone].Regrowth.ToString()} of regrowth\"><circle cx=\"{line}\" cy=\"{BareTop + BareHeight / 2}\" r=\"9\"/><path d=\"M{line - 5} {BareTop + BareHeight / 2} l3 -3 v6 z M{line + 5} {BareTop + BareHeight / 2} l-3 -3 v6 z\"/></g>");
            }
        }

        return svg.Add($"</svg>").ToString();
    }

    /// <summary>One lock as she sees it now, and how far the colour goes on it: for her guide.</summary>
    /// <param name="zone">The zone's forecast.</param>
    /// <param name="lengths">Her lengths now.</param>
    /// <param name="mm">Regrowth there.</param>
    public static string ForHer(ZoneForecast zone, Look lengths, Millimetres mm)
    {
        const double width = 350, line = 150, top = 6, height = 26;
        var svg = new Svg();
        svg.Add($"<svg class=\"strand-hers\" viewBox=\"0 0 {width} 54\" role=\"img\" aria-label=\"A lock: {mm.ToString()} of new hair from the scalp; stop just before the coloured hair.\"><rect class=\"mat\" x=\"8\" y=\"2\" width=\"{width - 8}\" height=\"{height + 8}\"/><rect class=\"scalp\" x=\"0\" y=\"2\" width=\"8\" height=\"{height + 8}\"/>");
        Lock(svg, 8, line, top, height, zone.Grey.Value, zone.Today, 8);
        Lock(svg, line, width, top, height, 0, Plain(lengths), 8);
        svg.Add($"<line class=\"demarcation\" x1=\"{line}\" y1=\"0\" x2=\"{line}\" y2=\"{height + 14}\"/><path class=\"paint-span\" d=\"M8 40 v5 H{line - 8} v-5\"/>");
        svg.Add($"<text class=\"paint-words\" x=\"{line + 6}\" y=\"50\">{$"{mm}, stop short"}</text></svg>");
        return svg.ToString();
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(Prescription p, Reading reading, ZoneForecast? zone)
    {
        var f = p.Forecast;
        string roots = zone is null ? "The roots are not coloured."
            : $"Strand of the {zone.Zone.Facts().Says}: {reading.Zones[(int)zone.Zone].Regrowth} of regrowth, {zone.Grey} white, natural level {reading.Hair.NaturalLevel}. Forecast L* {zone.Lab[0]:0}, a* {zone.Lab[1]:0}, b* {zone.Lab[2]:0}, {zone.DeltaE:0.0} from the wish.";
        string feathered = f.Tail is { } t && zone is not null ? $" Feathered {zone.Zone.Facts().ShadowTail.Value:0} mm past the line, L* {t.Lab[0]:0}, a* {t.Lab[1]:0}, b* {t.Lab[2]:0} there." : "";
        return roots + feathered + (f.Lengths is { } l ? $" Lengths forecast L* {l.Lab[0]:0}, a* {l.Lab[1]:0}, b* {l.Lab[2]:0}." : "") + " A screen is not a swatch.";
    }

    private static Fibres Plain(Look look) => new(look.Lab, look.Hex, null, look);

    private static void Name(Svg svg, double y, string says) => svg.Add($"<text class=\"strand-row\" x=\"0\" y=\"{y + 4}\">{says}</text>");

    /// <summary>What each stretch is, above it; shorter words where there is less room.</summary>
    private static void Heads(Svg svg, Reading reading, ZoneForecast? zone, double line, double bandEnd)
    {
        if (zone is not null)
        {
            string natural = line - Left > 190 ? $"natural {reading.Hair.NaturalLevel}, {zone.Grey} white" : line - Left > 62 ? $"{zone.Grey} white" : "";
            svg.Add($"<text class=\"strand-top\" x=\"{Left}\" y=\"11\">{natural}</text><text class=\"strand-top mm\" x=\"{line + 4}\" y=\"11\">{reading.Zones[(int)zone.Zone].Regrowth.ToString()}</text>");
        }

        if (reading.Hair.Band is { } band && bandEnd - line > 120)
        {
            svg.Add($"<text class=\"strand-top\" x=\"{line + 56}\" y=\"11\">{$"band {band.Level} {band.Tone}"}</text>");
        }

        string lengths = $"lengths {reading.Hair.Lengths.Level} {reading.Hair.Lengths.Tone}, {reading.Hair.LengthCm.ToString("0.#", CultureInfo.InvariantCulture)} cm";
        svg.Add($"<text class=\"strand-top\" x=\"{Right}\" y=\"11\" text-anchor=\"end\">{lengths}</text>");
    }

    private static void Ruler(Svg svg, double shown, Func<double, double> x)
    {
        double step = shown > 160 ? 20 : shown > 60 ? 10 : 5;
        for (double at = 0; at < shown; at += step / 5)
        {
            bool named = Math.Abs(at / step - Math.Round(at / step)) < 1e-6;
            svg.Add($"<line class=\"tick-mark\" x1=\"{x(at)}\" y1=\"{Bottom + 8}\" x2=\"{x(at)}\" y2=\"{Bottom + (named ? 16 : 12)}\"/>");
            if (named && x(at) < Right - 100)
            {
                svg.Add($"<text class=\"tick-number\" x=\"{x(at)}\" y=\"{Bottom + 27}\" text-anchor=\"middle\">{at}</text>");
            }
        }

        svg.Add($"<text class=\"tick-number\" x=\"{Right}\" y=\"{Bottom + 27}\" text-anchor=\"end\">mm, to the ends</text>");
    }

    /// <summary>Fibres from one place to another; the white ones lie evenly among the others.</summary>
    private static void Lock(Svg svg, double from, double to, double top, double height, double grey, Fibres seen, int fibres = 12)
    {
        if (to - from < 1)
        {
            return;
        }

        StringBuilder white = new(), pigmented = new();
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
                double next = Math.Min(to, at + 48), middle = (at + next) / 2;
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
