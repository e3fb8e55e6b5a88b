using Kitto.Core.Head;

namespace Kitto.Core.Quantity;

/// <summary>How much hair a head carries. Constants ours, calibrated on mixed amounts (quantity 1), unless named.</summary>
public static class HairMass
{
    /// <summary>Hair-bearing scalp, cm².</summary>
    public const double ScalpCm2 = 600;

    /// <summary>Density of keratin, g/cm³: Robbins, Chemical and Physical Behavior of Human Hair (from memory).</summary>
    public const double Keratin = 1.32;

    /// <summary>Hairs on a square centimetre.</summary>
    public static double HairsPerCm2(Density density) =>
        density switch
        {
            Density.Low => 135,
            Density.Medium => 170,
            Density.High => 215,
            _ => throw new ArgumentOutOfRangeException(nameof(density)),
        };

    /// <summary>Diameter of a fibre, cm.</summary>
    public static double DiameterCm(Texture texture) =>
        texture switch
        {
            Texture.Fine => 58e-4,
            Texture.Medium => 70e-4,
            Texture.Coarse => 86e-4,
            _ => throw new ArgumentOutOfRangeException(nameof(texture)),
        };

    /// <summary>Mass of the whole head's hair per centimetre of its length, g/cm.</summary>
    public static double GramsPerCm(Density density, Texture texture)
    {
        double d = DiameterCm(texture);
        return ScalpCm2 * HairsPerCm2(density) * Math.PI / 4 * d * d * Keratin;
    }
}
