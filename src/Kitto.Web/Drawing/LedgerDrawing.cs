using System.Globalization;
using System.Net;
using System.Text;
using Kitto.Core.Ledger;
using Kitto.Store;
using Kitto.Web.Delivery;

namespace Kitto.Web.Drawing;

/// <summary>Charts of the ledger; each stands beside its table.</summary>
public static class LedgerDrawing
{
    /// <summary>Months side by side: what was asked as an outline, what it cost as a bar in it, by what it cost for.</summary>
    /// <param name="months">Months, the newest first.</param>
    public static string Months(IReadOnlyList<LedgerSum> months)
    {
        var shown = months.Take(12).Reverse().ToList();
        decimal most = shown.Max(m => Math.Max(m.Price, m.Cost)) is > 0 and var top ? top : 1;
        const double width = 1000,
            height = 190,
            foot = 22;
        double each = width / Math.Max(6, shown.Count);
        double H(decimal sum) => (double)(sum / most) * (height - 30);
        string N(double v) => v.ToString("0.#", CultureInfo.InvariantCulture);
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"ledger-months\" viewBox=\"0 0 {width} {height + foot}\" role=\"img\" aria-label=\"Cost and price by month; the table below holds the sums\">"
        );
        foreach (var (m, i) in shown.Select((m, i) => (m, i)))
        {
            double x = i * each + each * .14,
                w = each * .6,
                y = height;
            foreach (var (sum, name) in new[] { (m.Goods, "goods"), (m.Rest, "rest"), (m.Lost, "lost") })
            {
                double h = H(sum);
                y -= h;
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<rect class=\"month-{name}\" x=\"{N(x)}\" y=\"{N(y)}\" width=\"{N(w)}\" height=\"{N(h)}\"><title>{m.Name}: {name} {Money.Show(sum)}</title></rect>"
                );
            }

            double price = H(m.Price);
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<rect class=\"month-price\" x=\"{N(x - 5)}\" y=\"{N(height - price)}\" width=\"{N(w + 10)}\" height=\"{N(price)}\"/><text class=\"month-sum\" x=\"{N(x + w / 2)}\" y=\"{N(Math.Max(12, height - Math.Max(price, H(m.Cost)) - 6))}\">{Money.Show(m.Price)}</text><text class=\"month-name\" x=\"{N(x + w / 2)}\" y=\"{N(height + 17)}\">{WebUtility.HtmlEncode(m.Name)}</text>"
            );
        }

        svg.Append(CultureInfo.InvariantCulture, $"<line class=\"month-foot\" x1=\"0\" x2=\"{width}\" y1=\"{height}\" y2=\"{height}\"/></svg>");
        return svg.ToString();
    }

    /// <summary>An interval with what was reckoned: a bar from end to end, a dot at the estimate, a line where it should be.</summary>
    /// <param name="line">What is held against what.</param>
    public static string Held(TruthLine line)
    {
        if (line.Came is not { } came)
        {
            return "";
        }

        var (least, most) = line.Unit switch
        {
            "share" => (0.0, 1.0),
            "times" => (Math.Min(.5, came.Low), Math.Max(1.6, came.High)),
            _ => (Math.Min(8, came.Low), Math.Max(17, came.High)),
        };
        string X(double v) => (10 + (Math.Clamp(v, least, most) - least) / (most - least) * 220).ToString("0.#", CultureInfo.InvariantCulture);
        string reckoned = double.IsNaN(line.Reckoned)
            ? ""
            : $"<line class=\"held-reckoned\" x1=\"{X(line.Reckoned)}\" x2=\"{X(line.Reckoned)}\" y1=\"3\" y2=\"23\"/>";
        return $"<svg class=\"held\" viewBox=\"0 0 240 26\" aria-hidden=\"true\"><line class=\"held-ground\" x1=\"10\" x2=\"230\" y1=\"13\" y2=\"13\"/><line class=\"held-band\" x1=\"{X(came.Low)}\" x2=\"{X(came.High)}\" y1=\"13\" y2=\"13\"/>{reckoned}<circle class=\"held-came\" cx=\"{X(came.Value)}\" cy=\"13\" r=\"5\"/></svg>";
    }
}
