using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Web.Drawing;

/// <summary>The clock: a lane a zone in the order of painting, contact windows, one rinse line.</summary>
public static class ClockDrawing
{
    private sealed record Frame(double Width, double Left, double Lane, string Class);

    private static readonly Frame Desk = new(900, 118, 13.5, "clock");
    private static readonly Frame Beside = new(580, 118, 13.5, "clock");
    private static readonly Frame Phone = new(350, 104, 16.5, "clock small");

    /// <summary>Draws a schedule.</summary>
    /// <param name="clock">The schedule.</param>
    /// <param name="reading">The reading, for the windows.</param>
    /// <param name="line">The line of the first formula.</param>
    /// <param name="service">The service.</param>
    /// <param name="moves">Whether its lanes can be moved.</param>
    /// <param name="now">The present, minutes since the first stroke, where it runs.</param>
    /// <param name="beside">Whether it stands beside something and is narrower.</param>
    /// <param name="small">Whether it is for a telephone.</param>
    public static string Draw(
        Schedule clock,
        Reading reading,
        Line line,
        Service service,
        bool moves = false,
        double? now = null,
        bool small = false,
        bool beside = false
    )
    {
        var (width, left, lane, kind) =
            small ? Phone
            : beside ? Beside
            : Desk;
        double end = Math.Max(clock.RinseAtMinutes.Value + 6, 20);
        double X(double minutes) => left + (width - left - 46) * minutes / end;
        double bottom = 22 + clock.Zones.Count * lane;
        var svg = new Svg();
        svg.Add(
            $"<svg class=\"{kind}\" viewBox=\"0 0 {width} {bottom + 6}\" role=\"{(moves ? "group" : "img")}\" aria-label=\"{Describe(clock)}\" data-top=\"22\" data-lane=\"{lane}\" data-height=\"{bottom + 6}\">"
        );
        for (int tick = 0; tick <= end; tick += 10)
        {
            svg.Add($"<line class=\"tick\" x1=\"{X(tick)}\" y1=\"18\" x2=\"{X(tick)}\" y2=\"{bottom}\"/>");
            if (
                Math.Abs(tick - clock.RinseAtMinutes.Value)
                    > (
                        small ? 16
                        : beside ? 9
                        : 5
                    )
                && Math.Abs(tick - clock.PaintMinutes.Value)
                    > (
                        small ? 16
                        : beside ? 10
                        : 6
                    )
            )
            {
                svg.Add($"<text class=\"tick-number\" x=\"{X(tick)}\" y=\"12\" text-anchor=\"middle\">{tick}</text>");
            }
        }

        double rinse = X(clock.RinseAtMinutes.Value);
        for (int i = 0; i < clock.Zones.Count; i++)
        {
            var zone = clock.Zones[i];
            double y = 22 + i * lane;
            double Until(ZoneTime z) =>
                clock.Strokes.Select(s => s.Time.PaintedAt.Value).Where(t => t > z.PaintedAt.Value + 1e-6).DefaultIfEmpty(clock.PaintMinutes.Value).Min();
            var scalp = clock.Scalp?.FirstOrDefault(z => z.Zone == zone.Zone);
            var window = ContactWindow.Of(zone.Zone, reading.Zones[(int)zone.Zone], line, service);
            bool missed = window.Miss(zone.ContactMinutes) != 0;
            string says = Words.Studio.Term(zone.Zone);
            if (moves)
            {
                string name = Words.Name(zone.Zone);
                svg.Add(
                    $"<g class=\"lane-move\" id=\"lane-{name}\" role=\"slider\" tabindex=\"0\" data-zone=\"{name}\" aria-orientation=\"vertical\" aria-label=\"{says}, place in the order of painting\" aria-valuemin=\"1\" aria-valuemax=\"{clock.Zones.Count}\" aria-valuenow=\"{i + 1}\"><rect class=\"lane-reach\" x=\"0\" y=\"{y + .5}\" width=\"{left - 6}\" height=\"{lane - 1}\"/></g>"
                );
            }

            svg.Add(
                $"<text class=\"lane-name\" x=\"{(moves ? 12 : 0)}\" y=\"{y + 10.5}\">{i + 1} {says}{(clock.Strokes.Any(z => z.Time.Batch > 1) ? " · " + (char)('A' + zone.Batch - 1) : "")}</text>"
            );
            // A zone that is painted in two turns has two bars in its lane, each with its own window (TM6).
            Bar(svg, zone, window, Until(zone), y, scalp is null ? lane : lane / 2 + 1);
            if (scalp is not null)
            {
                var own = ContactWindow.OfScalp(reading.Zones[(int)zone.Zone], line, service);
                missed |= own.Miss(scalp.ContactMinutes) != 0;
                Bar(svg, scalp, own, Until(scalp), y + lane / 2 - 1, lane / 2 + 1);
            }

            string minutes =
                zone.ContactMinutes.Value.ToString("0.0", System.Globalization.CultureInfo.InvariantCulture)
                + (scalp is null ? "" : $"/{scalp.ContactMinutes.Value.ToString("0", System.Globalization.CultureInfo.InvariantCulture)}");
            svg.Add(
                $"<text class=\"lane-minutes{(missed ? " missed" : "")}\" x=\"{width}\" y=\"{y + 10.5}\" text-anchor=\"end\">{minutes}{(missed ? " !" : "")}</text>"
            );
        }

        void Bar(Svg to, ZoneTime time, ContactWindow window, double until, double y, double high)
        {
            double from = X(time.PaintedAt.Value + window.From.Value),
                most = X(Math.Min(end, time.PaintedAt.Value + window.To.Value)),
                painted = X(time.PaintedAt.Value);
            if (most > from)
            {
                to.Add($"<rect class=\"lane-window\" x=\"{from}\" y=\"{y + 1.5}\" width=\"{most - from}\" height=\"{high - 4}\"/>");
            }

            to.Add(
                $"<rect class=\"lane-contact{(window.Miss(time.ContactMinutes) != 0 ? " missed" : "")}\" x=\"{painted}\" y=\"{y + high / 2 - 2.25}\" width=\"{Math.Max(0, rinse - painted)}\" height=\"{Math.Min(5, high - 4)}\"/>"
            );
            to.Add($"<rect class=\"lane-paint\" x=\"{painted}\" y=\"{y + 2}\" width=\"{Math.Max(1.5, X(until) - painted)}\" height=\"{high - 4.5}\"/>");
        }

        double last = X(clock.PaintMinutes.Value);
        svg.Add(
            $"<line class=\"last-stroke\" x1=\"{last}\" y1=\"16\" x2=\"{last}\" y2=\"{bottom}\"/><text class=\"tick-name\" x=\"{last}\" y=\"12\" text-anchor=\"middle\">{(small ? "painted" : "last stroke")} {clock.PaintMinutes.ToString()}</text>"
        );
        svg.Add(
            $"<line class=\"rinse\" x1=\"{rinse}\" y1=\"16\" x2=\"{rinse}\" y2=\"{bottom + 4}\"/><text class=\"tick-name rinse-name\" x=\"{rinse}\" y=\"12\" text-anchor=\"middle\">rinse {clock.RinseAtMinutes.ToString()}</text>"
        );
        if (now is { } present && present <= end)
        {
            svg.Add($"<line class=\"present\" x1=\"{X(present)}\" y1=\"16\" x2=\"{X(present)}\" y2=\"{bottom + 4}\"/>");
        }

        return svg.Add($"</svg>").ToString();
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(Schedule clock) =>
        $"Clock. Painted {Words.Studio.Term(clock.Order)} in {clock.PaintMinutes}, rinsed at {clock.RinseAtMinutes}. "
        + string.Join("; ", clock.Zones.Select(z => $"{Words.Studio.Term(z.Zone)} at {z.PaintedAt}, {z.ContactMinutes} of contact"))
        + ".";
}
