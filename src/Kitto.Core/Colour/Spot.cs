using Kitto.Core.Head;
using Kitto.Core.Strand;

namespace Kitto.Core.Colour;

/// <summary>A stretch of hair that a mix meets: white and pigmented fibres side by side.</summary>
/// <param name="Zone">Where it is; null past the line of demarcation, where zones differ by their minutes alone.</param>
/// <param name="Stretch">Which stretch.</param>
/// <param name="Weight">How much of what is seen lies there; all spots of a canvas add up to one.</param>
/// <param name="Grey">Share of white fibres.</param>
/// <param name="WhiteTakes">Share of a mix's dye that the white fibres have taken by the rinse.</param>
/// <param name="PigmentTakes">The same for pigmented fibres.</param>
/// <param name="White">The white fibre as the dye meets it.</param>
/// <param name="Pigmented">The pigmented fibre as the dye meets it, after lift.</param>
/// <param name="Lifts">Levels that it was lifted.</param>
public sealed record Spot(
    Zone? Zone,
    Stretch Stretch,
    double Weight,
    Share Grey,
    double WhiteTakes,
    double PigmentTakes,
    Fibre White,
    Fibre Pigmented,
    double Lifts
)
{
    private readonly double[] white = White.Absorption(),
        pigment = Pigmented.Absorption();
    private readonly double[]? warmth = Pigmented.Lightened ? Pigmented.Warmth() : null;

    /// <summary>Deeper than this L* no mix may take it (SV14); null where nothing forbids it.</summary>
    public double? Floor { get; init; }

    /// <summary>Whether it is regrowth.</summary>
    public bool Regrowth => Stretch is Stretch.Scalp or Stretch.Grown;

    /// <summary>The stretch as it is after the lift, without any dye.</summary>
    public Seen Bare => See(default, default);

    /// <summary>What it looks like with dyes on its two kinds of fibre, uptake not yet counted.</summary>
    internal Seen See(in Pigment onWhite, in Pigment onPigment)
    {
        double grey = Grey.Value;
        var one = grey > 0 ? Fibre.Look(white, onWhite * WhiteTakes) : default;
        var other = grey < 1 ? Fibre.Look(pigment, onPigment * PigmentTakes, warmth) : default;
        return new Seen(
            Lab.From(one * grey + other * (1 - grey), Colour.Light.White),
            grey > 0 ? Lab.From(one, Colour.Light.White) : null,
            grey < 1 ? Lab.From(other, Colour.Light.White) : null
        );
    }
}

/// <summary>What is seen of a spot: the blend, and its two kinds of fibre where they are there.</summary>
/// <param name="Blend">The area-weighted mean of their light.</param>
/// <param name="White">White fibres.</param>
/// <param name="Pigmented">Pigmented fibres.</param>
public readonly record struct Seen(Lab Blend, Lab? White, Lab? Pigmented)
{
    /// <summary>All of it moved by a difference.</summary>
    public Seen Moved(Lab by) => new(Blend + by, White + by, Pigmented + by);
}
