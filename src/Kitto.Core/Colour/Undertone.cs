namespace Kitto.Core.Colour;

/// <summary>The warmth that lifting lays bare (SH2), from the deepest level to the lightest.</summary>
public enum Undertone
{
    /// <summary>To level 2.</summary>
    DarkRedBrown = 2,

    /// <summary>Level 3.</summary>
    RedBrown,

    /// <summary>Level 4.</summary>
    Red,

    /// <summary>Level 5.</summary>
    RedOrange,

    /// <summary>Level 6.</summary>
    Orange,

    /// <summary>Level 7.</summary>
    YellowOrange,

    /// <summary>Level 8.</summary>
    YellowGold,

    /// <summary>Level 9.</summary>
    Yellow,

    /// <summary>From level 10.</summary>
    PaleYellow,
}

/// <summary>Finds the warmth that is laid bare.</summary>
public static class Undertones
{
    /// <summary>By the level reached, 1 to 12.</summary>
    public static Undertone At(double level) => (Undertone)Math.Clamp((int)Math.Round(level), (int)Undertone.DarkRedBrown, (int)Undertone.PaleYellow);

    /// <summary>By the lightness of the lifted hair: the level of the natural ladder nearest to it.</summary>
    /// <param name="lightness">L*, 0 to 100.</param>
    public static Undertone Of(double lightness) => At(1 + Enumerable.Range(0, Melanin.Ladder.Count).MinBy(i => Math.Abs(Melanin.Ladder[i] - lightness)));
}
