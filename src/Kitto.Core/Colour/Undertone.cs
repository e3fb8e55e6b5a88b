namespace Kitto.Core.Colour;

/// <summary>The warmth that lifting lays bare, in the trade's words (SH2).</summary>
public static class Undertone
{
    /// <summary>By the level reached, 1 to 12.</summary>
    public static string At(double level) =>
        Math.Round(level) switch
        {
            <= 2 => "dark red-brown",
            3 => "red-brown",
            4 => "red",
            5 => "red-orange",
            6 => "orange",
            7 => "yellow-orange",
            8 => "yellow-gold",
            9 => "yellow",
            _ => "pale yellow",
        };

    /// <summary>By the lightness of the lifted hair: the level of the natural ladder nearest to it.</summary>
    /// <param name="lightness">L*, 0 to 100.</param>
    public static string Of(double lightness) => At(1 + Enumerable.Range(0, Melanin.Ladder.Count).MinBy(i => Math.Abs(Melanin.Ladder[i] - lightness)));
}
