using System.Globalization;
using System.Text;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;

namespace Kitto.Web.Drawing;

/// <summary>What is written round a head, in the language of who looks at it.</summary>
/// <param name="Label">What it is, for who does not see it.</param>
/// <param name="Forehead">The forehead's side.</param>
/// <param name="Left">The left side.</param>
/// <param name="Right">The right side.</param>
public sealed record HeadWords(string Label, string Forehead, string Left, string Right);

/// <summary>
/// The scalp unrolled and seen from above. Share of white lines is the share of white hair; the dark rim is the regrowth; the number is the order.
/// The colourist stands behind the chair (forehead on top); the client looks into a mirror (forehead below). Her left stays on the left.
/// </summary>
public static class HeadDrawing
{
    private const double CentreX = 150;
    private const double CentreY = 160;

    /// <summary>Angles clockwise from the forehead, in degrees, and radii as parts of the outline.</summary>
    private static readonly Dictionary<Zone, (double From, double To, double Inner, double Outer)[]> Shapes = new()
    {
        [Zone.FrontHairline] = [(-44, 44, .80, 1)],
        [Zone.LeftTemple] = [(-93, -46, .80, 1)],
        [Zone.RightTemple] = [(46, 93, .80, 1)],
        [Zone.LeftFront] = [(-93, -1, .39, .78)],
        [Zone.RightFront] = [(1, 93, .39, .78)],
        [Zone.LeftBack] = [(-179, -95, .39, .78), (-140, -95, .76, 1)],
        [Zone.RightBack] = [(95, 179, .39, .78), (95, 140, .76, 1)],
        [Zone.Nape] = [(142, 218, .80, 1)],
        [Zone.Crown] = [(-180, 180, 0, .37)],
    };

    private static readonly Dictionary<Zone, (double Angle, double Radius)> Labels = new()
    {
        [Zone.FrontHairline] = (0, .89),
        [Zone.LeftTemple] = (-69, .90),
        [Zone.RightTemple] = (69, .90),
        [Zone.LeftFront] = (-45, .58),
        [Zone.RightFront] = (45, .58),
        [Zone.Crown] = (0, 0),
        [Zone.LeftBack] = (-134, .60),
        [Zone.RightBack] = (134, .60),
        [Zone.Nape] = (180, .90),
    };

    /// <summary>Draws a head.</summary>
    /// <param name="zones">The nine zones; null where nothing is read yet.</param>
    /// <param name="clock">For the order of painting.</param>
    /// <param name="mirror">Forehead below, as she sees it in the mirror.</param>
    /// <param name="pick">Whether zones can be picked.</param>
    /// <param name="now">The zone that is being painted.</param>
    /// <param name="words">What stands round it and what it is called; null: the studio's.</param>
    /// <param name="mark">Keeps the names of its patterns apart where several heads stand on one page.</param>
    /// <param name="bare">Without a number: to be read by eye.</param>
    public static string Draw(
        IReadOnlyList<ZoneReading> zones,
        Schedule? clock,
        bool mirror = false,
        bool pick = false,
        Zone? now = null,
        string mark = "",
        HeadWords? words = null,
        bool bare = false
    )
    {
        var svg = new Svg();
        string role = pick ? "group" : "img";
        svg.Add(
            $"<svg class=\"head\" viewBox=\"0 {(mirror ? 14 : 0)} 300 306\" role=\"{role}\" aria-label=\"{words?.Label ?? (pick ? "Head, seen from above: pick zones" : Describe(zones, clock))}\">"
        );
        svg.Add($"<defs>");
        foreach (var zone in Enum.GetValues<Zone>())
        {
            Hatch(svg, zone, zones[(int)zone], mark);
        }

        svg.Add($"</defs>");
        Outline(svg, mirror);
        foreach (var zone in Enum.GetValues<Zone>())
        {
            One(svg, zone, zones[(int)zone], clock, mirror, pick, now, mark);
        }

        svg.Add($"<g class=\"zone-labels\" aria-hidden=\"true\">");
        foreach (var zone in Enum.GetValues<Zone>().Where(z => zones[(int)z].Include && !bare))
        {
            Label(svg, zone, zones[(int)zone], clock, mirror);
        }

        svg.Add($"</g>");

        double foreheadY = mirror ? 315 : 10;
        svg.Add($"<text class=\"head-side\" x=\"{CentreX}\" y=\"{foreheadY}\" text-anchor=\"middle\">{words?.Forehead ?? "forehead"}</text>");
        svg.Add(
            $"<text class=\"head-side\" x=\"6\" y=\"{CentreY + 4}\">{words?.Left ?? "left"}</text><text class=\"head-side\" x=\"294\" y=\"{CentreY + 4}\" text-anchor=\"end\">{words?.Right ?? "right"}</text></svg>"
        );
        return svg.ToString();
    }

    /// <summary>A small head in the mirror with the place of a zone, and the card as it lies there: its upper edge to the parting, the hair combed away from it.</summary>
    public static string Place(Zone zone)
    {
        var svg = new Svg();
        svg.Add($"<svg class=\"head place\" viewBox=\"-16 -22 332 364\" aria-hidden=\"true\">");
        Outline(svg, true);
        foreach (var other in Enum.GetValues<Zone>())
        {
            svg.Add($"<path class=\"{(other == zone ? "place-here" : "place-other")}\" d=\"{Path(other, true)}\"/>");
        }

        var (angle, radius) = zone == Zone.Crown ? (90, .22) : Labels[zone];
        var (x, y) = Point(angle, radius, true);
        double turn = Math.Atan2(x - CentreX, 320 - CentreY - y) * 180 / Math.PI - 180;
        // The window is cut out: it is seen through.
        svg.Add(
            $"<g transform=\"translate({x} {y}) rotate({turn})\"><path class=\"place-card\" fill-rule=\"evenodd\" d=\"M-37 -46h74v104h-74Z M-20 -42h40v72h-40Z\"/><path class=\"place-parting\" d=\"M-52 -38h104\"/></g></svg>"
        );
        return svg.ToString();
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(IReadOnlyList<ZoneReading> zones, Schedule? clock) =>
        "Head. " + string.Join("; ", Enum.GetValues<Zone>().Select(z => Describe(z, zones[(int)z], clock))) + ".";

    /// <summary>One zone in words.</summary>
    public static string Describe(Zone zone, ZoneReading read, Schedule? clock)
    {
        if (!read.Include)
        {
            return $"{Words.Studio.Term(zone)}: left out";
        }

        int order = Order(zone, clock);
        return $"{Words.Studio.Term(zone)}: regrowth {read.Regrowth}, {read.Grey} white{(read.Resistant ? ", resistant" : "")}{(order > 0 ? $", painted number {order}" : "")}";
    }

    private static int Order(Zone zone, Schedule? clock) => clock is null ? 0 : clock.Zones.Select(z => z.Zone).ToList().IndexOf(zone) + 1;

    private static void One(Svg svg, Zone zone, ZoneReading read, Schedule? clock, bool mirror, bool pick, Zone? now, string mark)
    {
        string name = Json.Name(zone);
        string path = Path(zone, mirror);
        string state = (read.Include ? "" : " out") + (read.Resistant ? " resistant" : "") + (now == zone ? " now" : "");
        svg.Add($"<g class=\"zone{state}\" data-zone=\"{name}\"");
        if (pick)
        {
            svg.Add($" role=\"button\" tabindex=\"0\" aria-pressed=\"false\" aria-label=\"{Describe(zone, read, clock)}\"");
        }

        svg.Add($"><path class=\"zone-ground\" d=\"{path}\"/>");
        if (read.Include)
        {
            // The rim lies inside the shape: it is clipped by it, so twice the width is drawn. One millimetre of regrowth is a fifth of a unit.
            svg.Add($"<path class=\"zone-hatch\" d=\"{path}\" fill=\"url(#hatch-{name}{mark})\"/>");
            svg.Add($"<path class=\"zone-rim\" d=\"{path}\" clip-path=\"url(#clip-{name}{mark})\" stroke-width=\"{Math.Min(14, read.Regrowth.Value * .4)}\"/>");
        }

        svg.Add($"<clipPath id=\"clip-{name}{mark}\"><path d=\"{path}\"/></clipPath><path class=\"zone-edge\" d=\"{path}\"/>");
        svg.Add($"</g>");
    }

    /// <summary>Order and regrowth, above every shape; stacked where the zone is narrow.</summary>
    private static void Label(Svg svg, Zone zone, ZoneReading read, Schedule? clock, bool mirror)
    {
        var (angle, radius) = Labels[zone];
        var (x, y) = Point(angle, radius, mirror);
        bool narrow = zone is Zone.LeftTemple or Zone.RightTemple;
        int order = Order(zone, clock);
        string mm = read.Regrowth.Value.ToString("0", CultureInfo.InvariantCulture) + (read.Resistant ? "R" : "");
        double nx = narrow ? x : x - 9;
        double ny = narrow ? y - 10 : y;
        if (order > 0)
        {
            svg.Add($"<circle class=\"zone-number\" cx=\"{nx}\" cy=\"{ny}\" r=\"9.5\"/>");
            svg.Add($"<text class=\"zone-order\" x=\"{nx}\" y=\"{ny + 4}\" text-anchor=\"middle\">{order}</text>");
        }

        svg.Add(
            $"<text class=\"zone-mm\" x=\"{(narrow ? x : x + 3)}\" y=\"{(narrow ? y + 14 : y + 4.5)}\" text-anchor=\"{(narrow ? "middle" : "start")}\">{mm}</text>"
        );
    }

    /// <summary>White lines whose share of the area is the share of white hair; resistant white is crossed.</summary>
    private static void Hatch(Svg svg, Zone zone, ZoneReading read, string mark)
    {
        const double line = 1.5;
        double grey = read.Grey.Value;
        // Crossed lines cover 1 - (1 - a)^2 of the ground; the spacing is solved so that the share of white stays true.
        double share = read.Resistant ? 1 - Math.Sqrt(1 - Math.Min(grey, .98)) : grey;
        double gap = share <= 0 ? 100 : line / Math.Min(share, .98);
        int turn = (int)zone % 2 == 0 ? 45 : -45;
        svg.Add(
            $"<pattern id=\"hatch-{Json.Name(zone)}{mark}\" width=\"{gap}\" height=\"{gap}\" patternUnits=\"userSpaceOnUse\" patternTransform=\"rotate({turn})\">"
        );
        if (grey > 0)
        {
            svg.Add($"<rect class=\"white-line\" width=\"{gap}\" height=\"{line}\"/>");
            if (read.Resistant)
            {
                svg.Add($"<rect class=\"white-line\" width=\"{line}\" height=\"{gap}\"/>");
            }
        }

        svg.Add($"</pattern>");
    }

    private static void Outline(Svg svg, bool mirror)
    {
        double Y(double y) => mirror ? 320 - y : y;
        double ear = Y(CentreY - 2);
        svg.Add($"<g class=\"head-outline\">");
        svg.Add($"<ellipse cx=\"31\" cy=\"{ear}\" rx=\"8\" ry=\"20\"/><ellipse cx=\"269\" cy=\"{ear}\" rx=\"8\" ry=\"20\"/>");
        svg.Add($"<path d=\"M141 {Y(24)} Q150 {Y(10)} 159 {Y(24)}\"/>");
        svg.Add($"<path class=\"skin\" d=\"{Sector(-180, 180, 0, 1.055, mirror)}\"/></g>");
    }

    /// <summary>The shapes never change.</summary>
    private static readonly string[] Behind = [.. Enum.GetValues<Zone>().Select(z => Shape(z, false))],
        InHerMirror = [.. Enum.GetValues<Zone>().Select(z => Shape(z, true))];

    private static string Path(Zone zone, bool mirror) => (mirror ? InHerMirror : Behind)[(int)zone];

    private static string Shape(Zone zone, bool mirror)
    {
        var shapes = Shapes[zone];
        if (shapes.Length == 1)
        {
            var s = shapes[0];
            return Sector(s.From, s.To, s.Inner, s.Outer, mirror);
        }

        // A back quarter reaches out behind the ear: one outline round both of its sectors.
        var (quarter, behind) = (shapes[0], shapes[1]);
        bool left = quarter.From < 0;
        var path = new StringBuilder("M");
        if (left)
        {
            Arc(path, quarter.To, quarter.From, quarter.Inner, mirror);
            Arc(path, quarter.From, behind.From, quarter.Outer, mirror);
            Arc(path, behind.From, behind.To, behind.Outer, mirror);
        }
        else
        {
            Arc(path, quarter.From, quarter.To, quarter.Inner, mirror);
            Arc(path, quarter.To, behind.To, quarter.Outer, mirror);
            Arc(path, behind.To, behind.From, behind.Outer, mirror);
        }

        return path.Append('Z').ToString();
    }

    private static string Sector(double from, double to, double inner, double outer, bool mirror)
    {
        var path = new StringBuilder("M");
        Arc(path, from, to, outer, mirror);
        if (inner > 0)
        {
            Arc(path, to, from, inner, mirror);
        }

        return path.Append('Z').ToString();
    }

    private static void Arc(StringBuilder path, double from, double to, double radius, bool mirror)
    {
        int steps = Math.Max(2, (int)(Math.Abs(to - from) / 7));
        for (int i = 0; i <= steps; i++)
        {
            var (x, y) = Point(from + (to - from) * i / steps, radius, mirror);
            path.Append(path.Length == 1 ? "" : "L").Append(CultureInfo.InvariantCulture, $"{x:0.#} {y:0.#}");
        }
    }

    /// <summary>An egg: broader behind the ears than at the forehead.</summary>
    private static (double X, double Y) Point(double degrees, double radius, bool mirror)
    {
        double a = degrees * Math.PI / 180;
        double up = Math.Cos(a);
        double x = CentreX + 112 * radius * Math.Sin(a) * (1 - .07 * up);
        double y = CentreY - 132 * radius * up;
        return (x, mirror ? 320 - y : y);
    }
}
