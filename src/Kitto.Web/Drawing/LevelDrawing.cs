namespace Kitto.Web.Drawing;

/// <summary>A lock of one colour on the mat, to be judged by eye.</summary>
public static class LevelDrawing
{
    /// <summary>Draws it.</summary>
    /// <param name="hex">For a screen, which is not a swatch.</param>
    /// <param name="label">What it is, for who does not see it; empty where words stand beside it.</param>
    public static string Draw(string hex, string label = "")
    {
        var svg = new Svg();
        svg.Add(
            $"<svg class=\"level-lock\" viewBox=\"0 0 60 30\" aria-label=\"{label}\" aria-hidden=\"{(label.Length == 0 ? "true" : "false")}\" role=\"img\"><rect class=\"mat\" width=\"60\" height=\"30\"/>"
        );
        for (int i = 0; i < 11; i++)
        {
            double y = 4 + i * 2.2;
            svg.Add($"<path class=\"fibre\" stroke=\"{hex}\" stroke-width=\"1.9\" d=\"M4 {y} Q20 {y - .9 + .7 * (i % 3)} 32 {y} T56 {y + .4}\"/>");
        }

        return svg.Add($"</svg>").ToString();
    }
}
