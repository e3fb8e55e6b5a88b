using System.Globalization;
using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Web.Drawing;

/// <summary>The strand from scalp to ends, a lane for each thing put on: from where it begins on ordinary growth to the ends, which have seen it all.</summary>
public static class TimelineDrawing
{
    private const double Left = 236;
    private const double Wide = 900;
    private const double Lane = 30;
    private const double Top = 34;

    /// <summary>The drawing.</summary>
    /// <param name="timeline">What was put on, newest first.</param>
    /// <param name="lengthCm">Length of the hair; null where it has not been read.</param>
    public static string Draw(IReadOnlyList<(Remembered Put, PutOn Seen)> timeline, double? lengthCm)
    {
        double cm = lengthCm ?? Math.Clamp(timeline.Max(p => p.Seen.AtMm()) / 10 + 5, 20, 120);
        double height = Top + timeline.Count * Lane + 8;
        double X(double at) => Left + Math.Clamp(at / cm, 0, 1) * (Wide - Left - 20);
        var said = timeline.Select(p => $"{Words.Studio.Term(p.Put.What)}, {Words.Studio.When(p.Put.When)}: {Says(p.Seen, cm, lengthCm is not null)}");
        string ends = lengthCm is null ? "length not read" : string.Create(CultureInfo.InvariantCulture, $"ends, {cm:0} cm");
        var svg = new Svg()
            .Add($"<svg class=\"timeline\" viewBox=\"0 0 {Wide} {height}\" role=\"img\" aria-label=\"{string.Join("; ", said)}\">")
            .Add(
                $"<text class=\"tick-number\" x=\"{Left}\" y=\"14\">scalp</text><text class=\"tick-number\" x=\"{Wide - 20}\" y=\"14\" text-anchor=\"end\">{ends}</text>"
            );
        int step = cm > 60 ? 20 : 10;
        for (int at = step; at < cm - step / 2; at += step)
        {
            svg.Add(
                $"<line class=\"tick\" x1=\"{X(at)}\" x2=\"{X(at)}\" y1=\"20\" y2=\"{height - 6}\"/><text class=\"tick-number\" x=\"{X(at)}\" y=\"14\" text-anchor=\"middle\">{at}</text>"
            );
        }

        for (int i = 0; i < timeline.Count; i++)
        {
            var (put, seen) = timeline[i];
            double y = Top + i * Lane;
            svg.Add(
                $"<text class=\"lane-name\" x=\"0\" y=\"{y + 10}\">{Words.Sentence(Words.Studio.Term(put.What))}</text><text class=\"tick-number\" x=\"0\" y=\"{y + 24}\">{Words.Studio.When(put.When)}</text>"
            );
            if (lengthCm is not null && !seen.CanBeOn(cm))
            {
                svg.Add($"<text class=\"lane-minutes\" x=\"{Wide - 20}\" y=\"{y + 14}\" text-anchor=\"end\">grown out and cut off</text>");
                continue;
            }

            double from = X(seen.AtMm() / 10);
            string kind = seen.What is Treatment.Henna or Treatment.Metallic ? "put-on metal" : "put-on";
            svg.Add($"<line class=\"put-may\" x1=\"{X(seen.LeastGrownCm())}\" x2=\"{from}\" y1=\"{y + 9}\" y2=\"{y + 9}\"/>")
                .Add($"<rect class=\"{kind}\" x=\"{Math.Min(from, X(cm) - 3)}\" y=\"{y + 2}\" width=\"{Math.Max(3, X(cm) - from)}\" height=\"14\"/>");
        }

        return svg.Add($"</svg>").ToString();
    }

    private static string Says(PutOn put, double cm, bool read) =>
        read && !put.CanBeOn(cm) ? "grown out and cut off" : $"from about {Math.Min(cm, put.AtMm() / 10):0} cm to the ends";
}
