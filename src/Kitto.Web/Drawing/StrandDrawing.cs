using System.Globalization;
using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Strand;

namespace Kitto.Web.Drawing;

/// <summary>One lock from scalp to ends: what is there now, after the lift alone, after the colour, and what is done to every stretch; white and pigmented fibres side by side, true to their share.</summary>
public static partial class StrandDrawing
{
    private const double Left = 66,
        Width = 640,
        Right = 596,
        Top = 19,
        ToScale = 470,
        Ends = 540;
    private const double NowHeight = 31,
        BareHeight = 15,
        AfterHeight = 31,
        Gap = 4,
        DoesHeight = 19;
    private const double BareTop = Top + NowHeight + Gap,
        AfterTop = BareTop + BareHeight + Gap,
        Bottom = AfterTop + AfterHeight,
        RulerTop = Bottom + DoesHeight + 5;

    /// <summary>Draws the strand of one zone.</summary>
    /// <param name="p">The prescription.</param>
    /// <param name="reading">The reading, regrowth as read today.</param>
    /// <param name="picked">The zone that is looked at; another one is taken where it is not coloured.</param>
    /// <param name="goal">The wish, for what can be moved; null where nothing can.</param>
    public static string Draw(Prescription p, Reading reading, Zone picked, Goal? goal = null)
    {
        var f = p.Forecast;
        if (f.LengthsToday is null)
        {
            return "";
        }

        var zone = f.PerZone.FirstOrDefault(z => z.Zone == picked) ?? (f.PerZone.Count > 0 ? f.PerZone[0] : null);
        var rows = Rows(p, reading, zone?.Zone ?? picked);
        double mm = rows.Where(r => r.Regrowth).Select(r => r.ToMm).DefaultIfEmpty(0).Max(),
            band = rows.Where(r => r.Stretch == Stretch.Band).Select(r => r.ToMm).DefaultIfEmpty(mm).Max();
        double tail = rows.Where(r => r.Does == Does.Blend).Select(r => r.ToMm).DefaultIfEmpty(mm).Max();
        double all = rows[^1].ToMm,
            shown = Math.Min(Math.Max(24, Math.Max(mm * 1.6, Math.Max(band, tail) * 1.15)), Math.Max(1, all)),
            endsFrom = Math.Max(shown, rows.Where(r => r.Stretch == Stretch.Ends).Select(r => r.FromMm).DefaultIfEmpty(all).Min());
        // True to scale as far as anything is done by millimetres; the lengths are drawn short, the ends in a piece of their own.
        double X(double at) =>
            at <= shown ? Left + (ToScale - Left) * at / shown
            : at <= endsFrom ? ToScale + (Ends - ToScale) * (at - shown) / Math.Max(1, endsFrom - shown)
            : Ends + (Right - Ends) * Math.Min(1, (at - endsFrom) / Math.Max(1, all - endsFrom));
        var svg = new Svg();
        svg.Add(
            $"<svg class=\"strand\" viewBox=\"0 0 {Width} {RulerTop + 20}\" role=\"group\" aria-label=\"{Describe(p, reading, zone)}\" data-left=\"{Left}\" data-mm=\"{(shown / (ToScale - Left)).ToString("0.000000", CultureInfo.InvariantCulture)}\" data-width=\"{Width}\">"
        );
        svg.Add(
            $"<rect class=\"mat\" x=\"{Left - 6}\" y=\"{Top - 4}\" width=\"{Width - Left + 6}\" height=\"{Bottom - Top + 8}\"/><rect class=\"scalp\" x=\"{Left - 6}\" y=\"{Top - 4}\" width=\"6\" height=\"{Bottom - Top + 8}\"/>"
        );
        Name(svg, Top + NowHeight / 2, "now");
        Name(svg, AfterTop + AfterHeight / 2, "after");
        Name(svg, Bottom + DoesHeight / 2 + 4, "does");
        Stretches(svg, rows, zone, X);
        if (zone is not null)
        {
            Name(svg, BareTop + BareHeight / 2, "lift alone");
            Lock(svg, Left, X(mm), BareTop, BareHeight, zone.Grey.Value, zone.Lifted, 6);
            string bare =
                zone.Lifted.Pigmented is { } lifted && zone.Lifts >= .3
                    ? $"{zone.Lifts.ToString("0.0", CultureInfo.InvariantCulture)} levels lay {Words.Studio.Term(Undertones.Of(lifted.Lab[0]))} bare"
                : zone.Grey.Value >= 1 ? "white hair has nothing to lift"
                : "hardly any lift: nothing to counter";
            svg.Add($"<text class=\"on-mat\" x=\"{X(mm) + 13}\" y=\"{BareTop + 11.5}\">{bare}</text>");
        }

        svg.Add(
            $"<rect x=\"{Right + 8}\" y=\"{Top}\" width=\"{Width - Right - 14}\" height=\"{Bottom - Top}\" fill=\"{(f.Target ?? f.LengthsToday).Hex}\"/><text class=\"strand-top\" x=\"{(Right + Width) / 2}\" y=\"11\" text-anchor=\"middle\">wish</text>"
        );
        if (f.LengthsTarget is { } ends)
        {
            svg.Add($"<rect x=\"{Right + 8}\" y=\"{(Top + Bottom) / 2}\" width=\"{Width - Right - 14}\" height=\"{(Bottom - Top) / 2}\" fill=\"{ends.Hex}\"/>");
        }

        Heads(svg, reading, zone, rows, X, mm, band);
        Ruler(svg, shown, X, RulerTop);
        svg.Add($"<text class=\"tick-number\" x=\"{Right}\" y=\"{RulerTop + 18}\" text-anchor=\"end\">mm, last 80 at the ends</text>");
        Handles(svg, reading, zone, goal, X, mm, band, tail);
        return svg.Add($"</svg>").ToString();
    }

    /// <summary>The stretches of a zone; for what was signed before they were kept, as far as the forecast tells.</summary>
    private static IReadOnlyList<StrandRow> Rows(Prescription p, Reading reading, Zone zone)
    {
        if (p.Strand.FirstOrDefault(z => z.Zone == zone) is { Stretches.Count: > 0 } kept)
        {
            return kept.Stretches;
        }

        var (f, seen) = (p.Forecast, p.Forecast.PerZone.FirstOrDefault(z => z.Zone == zone));
        double mm = seen is null ? 0 : reading.Zones[(int)zone].Regrowth.Value,
            band = mm + (reading.Hair.Band?.Length.Value ?? 0),
            all = Math.Max(reading.Hair.LengthCm * 10, band);
        return
        [
            .. seen is null
                ? []
                : new[]
                {
                    new StrandRow(0, mm, Stretch.Scalp, Does.Colour, 0, Today: new Look(seen.Today.Lab, seen.Today.Hex), After: new Look(seen.Lab, seen.Hex)),
                },
            .. f.BandToday is null ? [] : new[] { new StrandRow(mm, band, Stretch.Band, Does.Leave, Today: f.BandToday, After: f.Band) },
            new StrandRow(band, all, Stretch.Lengths, Does.Leave, Today: f.LengthsToday, After: f.Lengths ?? f.LengthsToday),
        ];
    }

    /// <summary>Every stretch as it is and as it will be, and under it what is done.</summary>
    private static void Stretches(Svg svg, IReadOnlyList<StrandRow> rows, ZoneForecast? zone, Func<double, double> x)
    {
        double feathered = rows.Where(r => r.Does == Does.Blend).Select(r => r.ToMm).DefaultIfEmpty(0).Max(),
            begins = rows.Where(r => r.Does == Does.Blend).Select(r => r.FromMm).DefaultIfEmpty(0).Min();
        foreach (var row in rows)
        {
            double from = x(row.FromMm),
                to = x(row.ToMm);
            if (row.Today is not { } today || row.After is not { } after)
            {
                continue;
            }

            bool fibres = row.Regrowth && zone is not null;
            Lock(svg, from, to, Top, NowHeight, fibres ? zone!.Grey.Value : 0, fibres ? zone!.Today : Plain(today));
            if (row.Does == Does.Blend)
            {
                // Lighter and lighter: from what it makes of the hair at the line to what is there where it ends.
                string id = "feather-" + row.Stretch;
                svg.Add(
                    $"<linearGradient id=\"{id}\" gradientUnits=\"userSpaceOnUse\" x1=\"{x(begins)}\" y1=\"0\" x2=\"{x(feathered)}\" y2=\"0\"><stop offset=\"0\" stop-color=\"{after.Hex}\"/><stop offset=\"1\" stop-color=\"{today.Hex}\"/></linearGradient>"
                );
                Lock(svg, from, to, AfterTop, AfterHeight, 0, Plain(after with { Hex = $"url(#{id})" }));
            }
            else
            {
                Lock(
                    svg,
                    from,
                    to,
                    AfterTop,
                    AfterHeight,
                    fibres && row.Formula is not null ? zone!.Grey.Value : 0,
                    fibres && row.Formula is not null ? zone!.After : Plain(after)
                );
            }
        }

        // What is done alike side by side stands under one bracket.
        for (int i = 0; i < rows.Count; )
        {
            int next = i + 1;
            while (
                next < rows.Count
                && rows[next].Does == rows[i].Does
                && rows[next].Formula == rows[i].Formula
                && rows[next].ContactMinutes == rows[i].ContactMinutes
                && rows[next].FromMm >= rows[next - 1].ToMm - 1e-6
            )
            {
                next++;
            }

            double from = x(rows[i].FromMm),
                to = x(rows[next - 1].ToMm);
            bool twice = rows.Take(i).Any(r => r.FromMm >= rows[i].FromMm - 1e-6 && r.FromMm < rows[next - 1].ToMm - 1e-6);
            if (to - from > 8 && !twice)
            {
                bool again = rows.Skip(next).Any(r => r.FromMm <= rows[i].FromMm + 1e-6);
                string css = rows[i].Formula is null ? "does off" : "does";
                svg.Add($"<path class=\"{css}\" d=\"M{from + 1.5} {Bottom + 6} v4 H{to - 1.5} v-4\"/>");
                string? says = Says(rows[i], again).FirstOrDefault(w => w.Length * 5.7 < to - from - 2);
                if (says is not null)
                {
                    svg.Add($"<text class=\"does-words\" x=\"{(from + to) / 2}\" y=\"{Bottom + 22}\" text-anchor=\"middle\">{says}</text>");
                }
            }

            i = next;
        }
    }

    /// <summary>What is done, from the fullest words to the shortest.</summary>
    private static IEnumerable<string> Says(StrandRow row, bool again)
    {
        string does = Words.Studio.Term(row.Does),
            minutes = row.ContactMinutes is { } m ? $"{m.Value.ToString("0", CultureInfo.InvariantCulture)} min" : "";
        if (minutes.Length > 0)
        {
            yield return again ? $"{does} {minutes}, then toned" : $"{does}, {minutes}";
            yield return $"{minutes}";
        }
        else
        {
            yield return does;
        }
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(Prescription p, Reading reading, ZoneForecast? zone)
    {
        var f = p.Forecast;
        string roots = zone is null
            ? "The roots are not coloured."
            : $"Strand of the {Words.Studio.Term(zone.Zone)}: {reading.Zones[(int)zone.Zone].Regrowth} of regrowth, {zone.Grey} white, natural level {reading.Hair.NaturalLevel}. Forecast L* {zone.Lab[0]:0}, a* {zone.Lab[1]:0}, b* {zone.Lab[2]:0}, {zone.DeltaE:0.0} from the wish.";
        var rows = p.Strand.FirstOrDefault(z => z.Zone == (zone?.Zone ?? Zone.Crown))?.Stretches ?? [];
        string stretches = string.Concat(
            rows.Select(r =>
                $" {Words.Sentence(Words.Studio.Term(r.Stretch))} {r.FromMm:0} to {r.ToMm:0} mm: {Words.Studio.Term(r.Does)}{(r.ContactMinutes is { } m ? $", {m}" : "")}."
            )
        );
        return roots
            + stretches
            + (f.Lengths is { } l ? $" Lengths forecast L* {l.Lab[0]:0}, a* {l.Lab[1]:0}, b* {l.Lab[2]:0}." : "")
            + " A screen is not a swatch.";
    }

    private static void Name(Svg svg, double y, string says) => svg.Add($"<text class=\"strand-row\" x=\"0\" y=\"{y + 4}\">{says}</text>");

    /// <summary>What each stretch is, above it; shorter words where there is less room.</summary>
    private static void Heads(Svg svg, Reading reading, ZoneForecast? zone, IReadOnlyList<StrandRow> rows, Func<double, double> x, double mm, double band)
    {
        double line = x(mm),
            bandEnd = x(band);
        if (zone is not null)
        {
            string state = reading.Hair.Roots is { } light
                ? $"lightened {light.Level} {light.Tone}"
                : $"natural {reading.Hair.NaturalLevel}, {zone.Grey} white";
            string natural =
                line - Left > 190 ? state
                : line - Left > 62 && reading.Hair.Roots is null ? $"{zone.Grey} white"
                : "";
            svg.Add(
                $"<text class=\"strand-top\" x=\"{Left}\" y=\"11\">{natural}</text><text class=\"strand-top mm\" x=\"{line + 4}\" y=\"11\">{reading.Zones[(int)zone.Zone].Regrowth.ToString()}</text>"
            );
        }

        if (reading.Hair.Band is { } faded && bandEnd - line > 104)
        {
            svg.Add($"<text class=\"strand-top\" x=\"{line + 52}\" y=\"11\">{$"band {faded.Level} {faded.Tone}"}</text>");
        }

        string lengths =
            $"lengths {reading.Hair.Lengths.Level} {reading.Hair.Lengths.Tone}, {reading.Hair.LengthCm.ToString("0.#", CultureInfo.InvariantCulture)} cm";
        svg.Add($"<text class=\"strand-top\" x=\"{Right}\" y=\"11\" text-anchor=\"end\">{lengths}</text>");
        if (rows.FirstOrDefault(r => r.Stretch == Stretch.Ends) is { } ends)
        {
            double at = x(ends.FromMm);
            svg.Add($"<path class=\"cut\" d=\"M{at - 5} {Top - 3} l4 8 l-4 8 M{at - 5} {Bottom - 13} l4 8 l-4 8\"/>");
        }
    }

    private static void Ruler(Svg svg, double shown, Func<double, double> x, double top)
    {
        double step =
            shown > 160 ? 20
            : shown > 60 ? 10
            : 5;
        for (double at = 0; at <= shown; at += step / 5)
        {
            bool named = Math.Abs(at / step - Math.Round(at / step)) < 1e-6;
            svg.Add($"<line class=\"tick-mark\" x1=\"{x(at)}\" y1=\"{top}\" x2=\"{x(at)}\" y2=\"{top + (named ? 7 : 4)}\"/>");
            if (named)
            {
                svg.Add($"<text class=\"tick-number\" x=\"{x(at)}\" y=\"{top + 18}\" text-anchor=\"middle\">{at}</text>");
            }
        }
    }
}
