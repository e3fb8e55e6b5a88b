using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

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

    /// <summary>What is combed through at the end, or stirred with conditioner, takes this part of what lengths take (ours).</summary>
    public const double CombedThrough = 0.5;

    /// <summary>Lengths taper: not every hair reaches the ends.</summary>
    public const double Taper = 0.6;

    /// <summary>The feathered tail of a root shadow is painted at this part of the full coat.</summary>
    public const double TailCoat = 0.5;

    /// <summary>Regrowth is painted for so long; what is longer is worked in with the hands, mm.</summary>
    public const double PaintedMm = 30;

    /// <summary>Up to here nearly every hair reaches, mm; beyond, regrowth tapers as lengths do.</summary>
    public const double UntaperedMm = 100;

    /// <summary>Mix held by a gram of long regrowth, worked in: so that what practitioners mixed for hair all over lies within 0.6 to 1.7 times of what is sent.</summary>
    public const double WorkedIn = 0.85;

    /// <summary>The same for lightener.</summary>
    public const double WorkedInSoaked = 1.3;

    /// <summary>What a trained hand uses of one formula on the stretches it goes on.</summary>
    /// <param name="reading">The reading; regrowth as on the day.</param>
    /// <param name="thickness">Of the mix.</param>
    /// <param name="rows">The stretches.</param>
    /// <param name="soak">Whether it is lightener.</param>
    /// <param name="damp">Whether what is combed through is damp (DO7).</param>
    /// <param name="diluted">Whether a pulled-through mix is stirred with as much conditioner.</param>
    internal static Grams Of(Reading reading, Thickness thickness, IEnumerable<StrandRow> rows, bool soak = false, bool damp = false, bool diluted = false)
    {
        double film = Film * HairMass.ScalpCm2 * Math.Sqrt(HairMass.HairsPerCm2(reading.Hair.Density) / 170),
            holds = Consistency(thickness) * Takes(reading.Hair.Porosity);
        double painted = soak ? Soaked : Painted,
            worked = soak ? WorkedInSoaked : WorkedIn,
            combed = (damp ? CombedDamp : CombedDry) * Taper;
        double grams = 0;
        foreach (var zone in rows.GroupBy(r => r.Zone))
        {
            var read = reading.Zones[(int)zone.Key];
            double coat = 0.9 + 0.2 * read.Grey.Value,
                held = 0;
            foreach (var row in zone)
            {
                double Cm(double from, double to) => Math.Max(0, Math.Min(row.ToMm, to) - Math.Max(row.FromMm, from)) / 10;
                held += row switch
                {
                    { Regrowth: true } => coat
                        * (painted * Cm(0, PaintedMm) + worked * (Cm(PaintedMm, UntaperedMm) + Taper * Cm(UntaperedMm, double.MaxValue))),
                    { Does: Does.Blend } => TailCoat * painted * coat * row.Centimetres,
                    // What is only combed through at the end has what is on already; what is stirred with conditioner is half of that.
                    _ => combed
                        * row.Centimetres
                        * ((row.Does == Does.PullThrough && diluted) || row is { Does: Does.Tone, Turn: Turn.Last } ? CombedThrough : 1),
                };
            }

            grams +=
                zone.Key.Facts().HairShare.Value
                * ((zone.Any(r => r.Regrowth) ? film : 0) + held * holds * HairMass.GramsPerCm(reading.Hair.Density, read.Texture));
        }

        return Grams.Of(grams);
    }

    private static double Consistency(Thickness thickness) =>
        thickness switch
        {
            Thickness.Cream => 1,
            Thickness.Gel => 0.9,
            Thickness.Liquid => 0.8,
            _ => throw new ArgumentOutOfRangeException(nameof(thickness)),
        };

    private static double Takes(Porosity porosity) =>
        porosity switch
        {
            Porosity.Low => 0.95,
            Porosity.Normal => 1,
            Porosity.High => 1.12,
            _ => throw new ArgumentOutOfRangeException(nameof(porosity)),
        };
}
