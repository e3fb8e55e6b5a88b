using System.Globalization;
using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Web.Drawing;

/// <summary>The bowl from above: colour parts true to area, developer as the ring round them, what hands use marked on the wall.</summary>
public static class BowlDrawing
{
    private const double Centre = 110;
    private const double Rim = 100;

    /// <summary>A mix in one line, as the form posts it: "5N:0.8 5AG:0.2".</summary>
    public static string Written(IEnumerable<MixPart> parts) =>
        string.Join(' ', parts.Select(p => FormattableString.Invariant($"{p.Shade}:{Math.Round(p.Share.Value, 3)}")));

    /// <summary>Draws what is sent: a formula for the roots and one for the lengths stand in a bowl with a wall across, for they are never mixed.</summary>
    /// <param name="p">The prescription.</param>
    /// <param name="move">Whether the borders between the parts of the first formula can be moved.</param>
    public static string Draw(Prescription p, bool move = false)
    {
        if (p.Quantity is not { } q || p.Formulas.Count == 0)
        {
            return "";
        }

        // Area is grams: the outermost mark, the greater of what is sent and what may be used, reaches the wall.
        double full = Math.Max(q.SendGrams.Value, q.UseHighGrams.Value + q.ResidueGrams.Value) * 1.06;
        double Radius(double grams) => Rim * Math.Sqrt(Math.Max(0, grams) / full);
        double sent = q.SendGrams.Value,
            all = p.Formulas.Sum(f => f.MixGrams.Value),
            outer = Radius(sent - q.ResidueGrams.Value);
        double Turn(Formula f) => f.MixGrams.Value / all;
        double Inner(Formula f) => outer * Math.Sqrt(Colour(f) / f.MixGrams.Value);
        Svg svg = new(),
            walls = new();
        svg.Add(
            $"<svg class=\"bowl{(p.Formulas.Count > 1 ? " two" : "")}\" viewBox=\"0 0 220 220\" role=\"{(move ? "group" : "img")}\" aria-label=\"{Describe(p)}\" data-whole=\"{Turn(p.Formulas[0]).ToString("0.0000", CultureInfo.InvariantCulture)}\">"
        );
        svg.Add(
            $"<circle class=\"bowl-wall\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{Rim + 6}\"/><circle class=\"bowl-inside\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{Rim}\"/>"
        );
        svg.Add(
            $"<circle class=\"bowl-rest\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{Radius(sent)}\"/><circle class=\"bowl-developer\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{outer}\"/>"
        );
        double begin = 0;
        foreach (var f in p.Formulas)
        {
            Parts(svg, f, begin, Turn(f), Inner(f));
            // One developer is named below; two stand each in the middle of its own.
            var (x, y) = On(p.Formulas.Count == 1 ? .5 : begin + Turn(f) / 2, (Inner(f) + outer) / 2);
            svg.Add($"<text class=\"bowl-volume\" x=\"{x}\" y=\"{y + 4.5}\" text-anchor=\"middle\">{f.Developer.Volume.ToString()}</text>");
            var (wallX, wallY) = On(begin, Rim);
            walls.Add($"<line class=\"bowl-across\" x1=\"{Centre}\" y1=\"{Centre}\" x2=\"{wallX}\" y2=\"{wallY}\"/>");
            begin += Turn(f);
        }

        if (p.Formulas.Count > 1)
        {
            svg.Add(walls);
        }

        svg.Add($"<circle class=\"bowl-use\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{Radius(q.UseLowGrams.Value + q.ResidueGrams.Value)}\"/>");
        svg.Add($"<circle class=\"bowl-use\" cx=\"{Centre}\" cy=\"{Centre}\" r=\"{Radius(q.UseHighGrams.Value + q.ResidueGrams.Value)}\"/>");
        if (move)
        {
            Handles(svg, p.Formulas[0].Mix(), Turn(p.Formulas[0]), Inner(p.Formulas[0]));
        }

        return svg.Add($"</svg>").ToString();
    }

    private static double Colour(Formula f) => f.Parts.Sum(part => part.Grams.Value);

    /// <summary>The colour parts of one formula, over its share of the turn.</summary>
    private static void Parts(Svg svg, Formula f, double begin, double turn, double radius)
    {
        double colour = Colour(f),
            at = begin;
        var names = new Svg();
        foreach (var part in f.Parts)
        {
            double to = at + turn * part.Grams.Value / colour;
            svg.Add($"<path class=\"bowl-part\" fill=\"{Shown(part.Shade)}\" d=\"{Wedge(at, to, radius)}\"/>");
            if (to - at > .07)
            {
                var (x, y) = On((at + to) / 2, to - at > .9999 ? 0 : radius * .58);
                names.Add($"<text class=\"bowl-name\" x=\"{x}\" y=\"{y + 4}\" text-anchor=\"middle\">{part.Shade}</text>");
            }

            at = to;
        }

        svg.Add(names);
    }

    private static (double X, double Y) On(double turn, double radius) =>
        (Centre + radius * Math.Sin(turn * 2 * Math.PI), Centre - radius * Math.Cos(turn * 2 * Math.PI));

    /// <summary>A handle on each border between two parts, at the rim of the colour.</summary>
    private static void Handles(Svg svg, IReadOnlyList<MixPart> parts, double whole, double radius)
    {
        double at = 0;
        for (int i = 0; i < parts.Count - 1; i++)
        {
            at += parts[i].Share.Value;
            var (x, y) = On(at * whole, radius);
            svg.Add(
                $"<g class=\"part-handle\" id=\"hand-{i}\" role=\"slider\" tabindex=\"0\" data-at=\"{i}\" aria-label=\"between {parts[i].Shade} and {parts[i + 1].Shade}\" aria-valuemin=\"0\" aria-valuemax=\"100\" aria-valuenow=\"{Math.Round(at * 100)}\" aria-valuetext=\"{parts[i].Share.ToString()} {parts[i].Shade}, {parts[i + 1].Share.ToString()} {parts[i + 1].Shade}\"><line x1=\"{Centre}\" y1=\"{Centre}\" x2=\"{x}\" y2=\"{y}\"/><circle class=\"part-reach\" cx=\"{x}\" cy=\"{y}\" r=\"20\"/><circle class=\"part-grip\" cx=\"{x}\" cy=\"{y}\" r=\"9\"/></g>"
            );
        }
    }

    /// <summary>A bowl from the side, so full: a picture to tap.</summary>
    public static string Level(double full)
    {
        double y = 46 - 36 * full;
        double inset = 4 + 12 * (1 - full);
        var svg = new Svg();
        svg.Add($"<svg class=\"bowl-level\" viewBox=\"0 0 80 54\" aria-hidden=\"true\"><path class=\"bowl-side\" d=\"M4 8 L18 48 H62 L76 8\"/>");
        if (full > 0)
        {
            svg.Add($"<path class=\"bowl-fill\" d=\"M{inset + 1} {y} L18 47 H62 L{79 - inset} {y} Z\"/>");
        }

        return svg.Add($"</svg>").ToString();
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(Prescription p) =>
        p.Quantity is not { } q
            ? "Nothing is mixed."
            : $"Bowl with {string.Join(", ", p.Formulas.SelectMany(f => f.Parts.Select(x => $"{x.Grams} of {x.Shade}").Append($"{f.Developer.Grams} of {f.Developer.Volume}")))}. Sent {q.SendGrams}; these hands use {q.UseLowGrams} to {q.UseHighGrams}; {q.ResidueGrams} stays behind.";

    private static string Shown(string code) => ShadeOf.Parse(code) is { } shade ? Srgb.Hex(Swatch.Of(shade)) : "#8c8c8c";

    private static string Wedge(double from, double to, double radius)
    {
        if (to - from > .9999)
        {
            return FormattableString.Invariant($"M{Centre} {Centre - radius:0.##}A{radius:0.##} {radius:0.##} 0 1 1 {Centre - .01} {Centre - radius:0.##}Z");
        }

        var (x1, y1) = On(from, radius);
        var (x2, y2) = On(to, radius);
        return FormattableString.Invariant(
            $"M{Centre} {Centre}L{x1:0.##} {y1:0.##}A{radius:0.##} {radius:0.##} 0 {(to - from > .5 ? 1 : 0)} 1 {x2:0.##} {y2:0.##}Z"
        );
    }
}
