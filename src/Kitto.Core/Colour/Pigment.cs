namespace Kitto.Core.Colour;

/// <summary>What dye adds to a fibre: depth, which absorbs like melanin, and six tones with a band each. In units of eumelanin at 550 nm; no value is negative.</summary>
/// <param name="Depth">Depth.</param>
/// <param name="Green">Green base.</param>
/// <param name="Blue">Blue base.</param>
/// <param name="Violet">Violet.</param>
/// <param name="Red">Red.</param>
/// <param name="Copper">Copper.</param>
/// <param name="Gold">Gold.</param>
public readonly record struct Pigment(double Depth, double Green, double Blue, double Violet, double Red, double Copper, double Gold)
{
    /// <summary>Dyes add up.</summary>
    public static Pigment operator +(Pigment a, Pigment b) => new(
        a.Depth + b.Depth, a.Green + b.Green, a.Blue + b.Blue, a.Violet + b.Violet, a.Red + b.Red, a.Copper + b.Copper, a.Gold + b.Gold);

    /// <summary>So much of it.</summary>
    public static Pigment operator *(Pigment a, double times) => a.Faded(times, times);

    /// <summary>The sum of products, dye by dye.</summary>
    internal double Dot(in Pigment o) =>
        Depth * o.Depth + Green * o.Green + Blue * o.Blue + Violet * o.Violet + Red * o.Red + Copper * o.Copper + Gold * o.Gold;

    /// <summary>Depth and tones kept in different shares.</summary>
    public Pigment Faded(double depth, double tones) => new(
        Depth * depth, Green * tones, Blue * tones, Violet * tones, Red * tones, Copper * tones, Gold * tones);
}
