using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Quantity;

/// <summary>What a trained hand would use. Constants ours (quantity 2, tables).</summary>
public static class Use
{
    /// <summary>Film left on scalp and partings, g/cm².</summary>
    public const double Film = 0.022;

    /// <summary>Mix held by a gram of regrowth, painted.</summary>
    public const double Painted = 4.6;

    /// <summary>The same for lightener, painted thick (salon sheet only).</summary>
    public const double Soaked = 5.0;

    /// <summary>Mix held by a gram of dry lengths, combed through.</summary>
    public const double CombedDry = 1.1;

    /// <summary>Mix held by a gram of damp lengths (DO7).</summary>
    public const double CombedDamp = 0.75;

    /// <summary>Lengths taper: not every hair reaches the ends.</summary>
    public const double Taper = 0.6;

    /// <summary>The feathered tail of a root shadow is painted at this part of the full coat.</summary>
    public const double TailCoat = 0.5;

    /// <summary>Paint on the regrowth of the given zones.</summary>
    /// <param name="reading">The reading; regrowth as on the day.</param>
    /// <param name="thickness">Of the mix.</param>
    /// <param name="zones">The zones painted.</param>
    /// <param name="shadow">Whether a tail is feathered past the line (SV5).</param>
    /// <param name="soak">Whether it is lightener.</param>
    public static Grams Paint(Reading reading, Thickness thickness, IEnumerable<Zone> zones, bool shadow = false, bool soak = false)
    {
        double film = Film * HairMass.ScalpCm2 * Math.Sqrt(HairMass.HairsPerCm2(reading.Hair.Density) / 170);
        double held = (soak ? Soaked : Painted) * Consistency(thickness) * Takes(reading.Hair.Porosity);
        double grams = 0;
        foreach (var zone in zones)
        {
            var read = reading.Zones[(int)zone];
            double length = read.Regrowth.Centimetres + (shadow ? TailCoat * zone.Facts().ShadowTail.Centimetres : 0);
            double coat = 0.9 + 0.2 * read.Grey.Value;
            grams += zone.Facts().HairShare.Value * (film + held * coat * HairMass.GramsPerCm(reading.Hair.Density, read.Texture) * length);
        }

        return Grams.Of(grams);
    }

    /// <summary>Comb through the lengths of the given zones: hair length less regrowth.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="thickness">Of the mix.</param>
    /// <param name="zones">The zones combed.</param>
    /// <param name="damp">Whether the lengths are damp.</param>
    public static Grams Comb(Reading reading, Thickness thickness, IEnumerable<Zone> zones, bool damp)
    {
        double held = (damp ? CombedDamp : CombedDry) * Taper * Consistency(thickness) * Takes(reading.Hair.Porosity);
        double grams = 0;
        foreach (var zone in zones)
        {
            var read = reading.Zones[(int)zone];
            double length = Math.Max(0, reading.Hair.LengthCm - read.Regrowth.Centimetres);
            grams += zone.Facts().HairShare.Value * held * HairMass.GramsPerCm(reading.Hair.Density, read.Texture) * length;
        }

        return Grams.Of(grams);
    }

    private static double Consistency(Thickness thickness) => thickness switch
    {
        Thickness.Cream => 1,
        Thickness.Gel => 0.9,
        Thickness.Liquid => 0.8,
        _ => throw new ArgumentOutOfRangeException(nameof(thickness)),
    };

    private static double Takes(Porosity porosity) => porosity switch
    {
        Porosity.Low => 0.95,
        Porosity.Normal => 1,
        Porosity.High => 1.12,
        _ => throw new ArgumentOutOfRangeException(nameof(porosity)),
    };
}
