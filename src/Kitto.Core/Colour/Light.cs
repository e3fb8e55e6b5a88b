namespace Kitto.Core.Colour;

/// <summary>Thirty-one bands of light, 400 to 700 nm by 10, daylight and the standard observer.</summary>
public static class Light
{
    /// <summary>How many bands.</summary>
    public const int Bands = 31;

    /// <summary>Bands padded to whole vectors; the padding carries no weight.</summary>
    internal const int Width = 32;

    /// <summary>Relative power of daylight D65 in each band (CIE 15, from memory).</summary>
    public static IReadOnlyList<double> Daylight { get; } =
    [
        82.75,
        91.49,
        93.43,
        86.68,
        104.86,
        117.01,
        117.81,
        114.86,
        115.92,
        108.81,
        109.35,
        107.80,
        104.79,
        107.69,
        104.41,
        104.05,
        100.00,
        96.33,
        95.79,
        88.69,
        90.01,
        89.60,
        87.70,
        83.29,
        83.70,
        80.03,
        80.21,
        82.28,
        78.28,
        69.72,
        71.61,
    ];

    /// <summary>Wavelength of a band in nanometres.</summary>
    public static double Wavelength(int band) => 400 + 10 * band;

    /// <summary>The CIE 1931 2 degree observer by the multi-lobe fit of Wyman, Sloan and Shirley (JCGT 2013).</summary>
    /// <param name="nm">Wavelength in nanometres.</param>
    public static Xyz Observer(double nm) =>
        new(
            1.056 * Lobe(nm, 599.8, 37.9, 31.0) + 0.362 * Lobe(nm, 442.0, 16.0, 26.7) - 0.065 * Lobe(nm, 501.1, 20.4, 26.2),
            0.821 * Lobe(nm, 568.8, 46.9, 40.5) + 0.286 * Lobe(nm, 530.9, 16.3, 31.1),
            1.217 * Lobe(nm, 437.0, 11.8, 36.0) + 0.681 * Lobe(nm, 459.0, 26.0, 13.8)
        );

    /// <summary>Per band: observer times daylight, scaled so that a perfect reflector has Y = 1.</summary>
    internal static readonly double[] X = Weights(o => o.X),
        Y = Weights(o => o.Y),
        Z = Weights(o => o.Z);

    /// <summary>A perfect reflector in this light.</summary>
    public static Xyz White { get; } = new(X.Sum(), Y.Sum(), Z.Sum());

    /// <summary>A value for every band, padded with zero.</summary>
    internal static double[] PerBand(Func<double, double> at)
    {
        double[] bands = new double[Width];
        for (int i = 0; i < Bands; i++)
        {
            bands[i] = at(Wavelength(i));
        }

        return bands;
    }

    private static double[] Weights(Func<Xyz, double> of)
    {
        double[] y = PerBand(nm => Observer(nm).Y);
        double full = Enumerable.Range(0, Bands).Sum(i => y[i] * Daylight[i]);
        return PerBand(nm => of(Observer(nm)) * Daylight[(int)((nm - 400) / 10)] / full);
    }

    private static double Lobe(double nm, double middle, double below, double above)
    {
        double t = (nm - middle) / (nm < middle ? below : above);
        return Math.Exp(-.5 * t * t);
    }
}
