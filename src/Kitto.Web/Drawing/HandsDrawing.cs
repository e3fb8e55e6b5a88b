using Kitto.Core.Quantity;

namespace Kitto.Web.Drawing;

/// <summary>Kit after kit: what was sent as an outline, what was used filled in, and the learned factor with its narrowing band below.</summary>
public static class HandsDrawing
{
    private const double Height = 190;
    private const double Step = 74;
    private const double Left = 46;

    /// <summary>Draws a history; oldest kit on the left.</summary>
    /// <param name="hands">The hands and their reports.</param>
    /// <param name="says">A short name for each report, oldest first.</param>
    public static string Draw(Hands hands, IReadOnlyList<string> says)
    {
        var reports = hands.History.OrderByDescending(h => h.DaysAgo).ToList();
        var course = HandFactor.Course(hands);
        double most = reports.Max(r => r.Sent.Value) * 1.08;
        double width = Left + Step * (reports.Count + 1);
        double Y(double grams) => 96 - 84 * grams / most;
        // The factor's scale takes in every band shown.
        double low = course.Min(f => f.Quantile(.1)) * .95;
        double high = course.Max(f => f.Quantile(.9)) * 1.05;
        double F(double factor) => Height - 18 - 46 * (Math.Log(factor) - Math.Log(low)) / (Math.Log(high) - Math.Log(low));
        var svg = new Svg();
        svg.Add($"<svg class=\"hands\" viewBox=\"0 0 {width} {Height}\" width=\"{width}\" role=\"img\" aria-label=\"{Describe(hands, says)}\">");
        svg.Add(
            $"<line class=\"hands-floor\" x1=\"{Left}\" y1=\"96\" x2=\"{width}\" y2=\"96\"/><text class=\"hands-name\" x=\"0\" y=\"60\">grams</text><text class=\"hands-name\" x=\"0\" y=\"{F(1) + 4}\">× 1</text>"
        );
        svg.Add($"<line class=\"hands-one\" x1=\"{Left - 14}\" y1=\"{F(1)}\" x2=\"{width}\" y2=\"{F(1)}\"/>");
        for (int i = 0; i < reports.Count; i++)
        {
            double x = Left + Step * i + 12;
            var r = reports[i];
            svg.Add($"<rect class=\"hands-sent\" x=\"{x}\" y=\"{Y(r.Sent.Value)}\" width=\"34\" height=\"{96 - Y(r.Sent.Value)}\"/>");
            svg.Add(
                $"<rect class=\"hands-used{(r.RanOut ? " out" : "")}\" x=\"{x + 3}\" y=\"{Y(r.UsedGrams)}\" width=\"28\" height=\"{96 - Y(r.UsedGrams)}\"/>"
            );
            svg.Add(
                $"<text class=\"hands-grams\" x=\"{x + 17}\" y=\"{Y(r.Sent.Value) - 3}\" text-anchor=\"middle\">{r.UsedGrams.ToString("0", System.Globalization.CultureInfo.InvariantCulture)}{(r.RanOut ? "+" : "")} of {r.Sent.Value.ToString("0", System.Globalization.CultureInfo.InvariantCulture)}</text>"
            );
            svg.Add($"<text class=\"hands-name\" x=\"{x + 17}\" y=\"109\" text-anchor=\"middle\">{says[i]}</text>");
        }

        for (int i = 0; i < course.Count; i++)
        {
            double x = Left + Step * i;
            svg.Add(
                $"<rect class=\"hands-band\" x=\"{x}\" y=\"{F(course[i].Quantile(.9))}\" width=\"{Step - 4}\" height=\"{F(course[i].Quantile(.1)) - F(course[i].Quantile(.9))}\"/>"
            );
            svg.Add($"<line class=\"hands-mean\" x1=\"{x}\" y1=\"{F(Math.Exp(course[i].Mean))}\" x2=\"{x + Step - 4}\" y2=\"{F(Math.Exp(course[i].Mean))}\"/>");
            svg.Add(
                $"<text class=\"hands-grams\" x=\"{x + Step / 2 - 2}\" y=\"{Height - 3}\" text-anchor=\"middle\">× {Math.Exp(course[i].Mean).ToString("0.00", System.Globalization.CultureInfo.InvariantCulture)}</text>"
            );
        }

        return svg.Add($"</svg>").ToString();
    }

    /// <summary>The drawing in words.</summary>
    public static string Describe(Hands hands, IReadOnlyList<string> says)
    {
        var now = HandFactor.Learned(hands);
        return string.Join(
                ". ",
                hands
                    .History.OrderByDescending(h => h.DaysAgo)
                    .Select((r, i) => $"{says[i]}: sent {r.Sent}, used {(r.RanOut ? "at least " : "")}{r.UsedGrams:0.0} g")
            )
            + FormattableString.Invariant(
                $". These hands now: {Math.Exp(now.Mean):0.00} times a trained hand, eight times in ten between {now.Quantile(.1):0.00} and {now.Quantile(.9):0.00}."
            );
    }
}
