using System.Text;
using Kitto.Store;

namespace Kitto.Web.Drawing;

/// <summary>How somebody came on: the points of the last heads, and their running mean.</summary>
public static class CurveDrawing
{
    private const double Width = 620,
        Height = 150,
        Left = 30,
        Top = 10,
        Bottom = 126;

    /// <summary>Heads that are shown.</summary>
    public const int Most = 40;

    /// <summary>Heads a mean is taken over.</summary>
    private const int Over = 8;

    /// <summary>Draws the last heads, oldest first.</summary>
    public static string Draw(IReadOnlyList<SignedHead> signed)
    {
        var shown = signed.TakeLast(Most).ToList();
        double X(int i) => Left + 10 + (Width - Left - 20) * (shown.Count == 1 ? .5 : i / (double)(shown.Count - 1));
        double Y(double score) => Bottom - (Bottom - Top) * score / 100;
        var svg = new Svg();
        svg.Add($"<svg class=\"curve\" viewBox=\"0 0 {Width} {Height}\" role=\"img\" aria-label=\"{Describe(shown)}\">");
        foreach (int at in new[] { 0, 50, 100 })
        {
            svg.Add(
                $"<line class=\"tick\" x1=\"{Left}\" y1=\"{Y(at)}\" x2=\"{Width}\" y2=\"{Y(at)}\"/><text class=\"tick-number\" x=\"{Left - 5}\" y=\"{Y(at) + 4}\" text-anchor=\"end\">{at}</text>"
            );
        }

        var mean = new StringBuilder();
        for (int i = 0; i < shown.Count; i++)
        {
            double here = shown.Take(i + 1).TakeLast(Over).Average(h => h.Score);
            Svg.Number(Svg.Number(mean.Append(i == 0 ? 'M' : 'L'), X(i)).Append(' '), Y(here));
            svg.Add($"<circle class=\"{(shown[i].Safe ? "head-safe" : "head-unsafe")}\" cx=\"{X(i)}\" cy=\"{Y(shown[i].Score)}\" r=\"4\"/>");
        }

        return svg.Add(
                $"<path class=\"curve-mean\" d=\"{mean.ToString()}\"/><text class=\"tick-number\" x=\"{Left + 10}\" y=\"{Height - 6}\">the last {shown.Count} heads: filled, safe; open, to put right; the line, their mean over eight</text></svg>"
            )
            .ToString();
    }

    private static string Describe(List<SignedHead> shown) =>
        shown.Count == 0
            ? "No head signed yet."
            : $"{shown.Count} heads, {shown.Count(h => h.Safe)} safe. The first {Math.Min(Over, shown.Count)} had {shown.Take(Over).Average(h => h.Score):0} points on average, the last {shown.TakeLast(Over).Average(h => h.Score):0}.";
}
