using Kitto.Core.Colour;

namespace Kitto.Camera;

/// <summary>Lamps, reflectances and a camera's three sensors, by 10 nm. All of it invented for the drawing; only the fibres are those of the engine.</summary>
internal static class Spectra
{
    private static double Nm(int band) => Light.Wavelength(band);

    private static double Bell(double nm, double middle, double sd) => Math.Exp(-(nm - middle) * (nm - middle) / (2 * sd * sd));

    /// <summary>Sensors of a camera, as wide as real ones.</summary>
    private static readonly double[][] Sensors =
    [
        [.. Enumerable.Range(0, Light.Bands).Select(i => Bell(Nm(i), 603, 36) + 0.04 * Bell(Nm(i), 440, 20))],
        [.. Enumerable.Range(0, Light.Bands).Select(i => Bell(Nm(i), 540, 38))],
        [.. Enumerable.Range(0, Light.Bands).Select(i => Bell(Nm(i), 460, 28))],
    ];

    /// <summary>Power of a lamp by band.</summary>
    public static double[] Of(Lamp lamp) =>
        lamp switch
        {
            Lamp.Daylight => [.. Light.Daylight],
            // Planck's law with the second radiation constant 1.4388e7 nm K.
            Lamp.Incandescent => [.. Enumerable.Range(0, Light.Bands).Select(i => Math.Pow(Nm(i) / 560, -5) / (Math.Exp(1.4388e7 / (Nm(i) * 2856)) - 1) * 8e3)],
            Lamp.Fluorescent =>
            [
                .. Enumerable
                    .Range(0, Light.Bands)
                    .Select(i =>
                        12
                        + 60 * Bell(Nm(i), 436, 7)
                        + 120 * Bell(Nm(i), 546, 8)
                        + 100 * Bell(Nm(i), 611, 8)
                        + 25 * Bell(Nm(i), 490, 12)
                        + 20 * Bell(Nm(i), 585, 12)
                    ),
            ],
            _ => [.. Enumerable.Range(0, Light.Bands).Select(i => 70 * Bell(Nm(i), 450, 11) + 95 * Bell(Nm(i), 565, 58))],
        };

    /// <summary>What a fibre seen as a mass reflects, by band: the engine's law, written down again here so that a mistake in one is not hidden by the other.</summary>
    public static double[] Reflectance(double melanin, double red, double blue) =>
        [
            .. Enumerable
                .Range(0, Light.Bands)
                .Select(i => Nm(i))
                .Select(nm =>
                    0.012
                    + 0.988
                        * Math.Exp(
                            -5.9
                                * Math.Sqrt(
                                    0.0055 * Math.Pow(550 / nm, 3) + melanin * Math.Pow(550 / nm, 3.33) + red * Bell(nm, 500, 38) + blue * Bell(nm, 620, 42)
                                )
                        )
                ),
        ];

    /// <summary>What a camera's sensors make of a reflectance in a lamp, balanced to the lamp and turned to the primaries of sRGB.</summary>
    public static double[] Seen(double[] reflectance, double[] lamp)
    {
        double[] raw = Raw(reflectance, lamp),
            white = Raw([.. Enumerable.Repeat(1.0, Light.Bands)], lamp);
        double[] balanced = [raw[0] / white[0], raw[1] / white[1], raw[2] / white[2]];
        return [.. Enumerable.Range(0, 3).Select(r => Matrix[r, 0] * balanced[0] + Matrix[r, 1] * balanced[1] + Matrix[r, 2] * balanced[2])];
    }

    private static double[] Raw(double[] reflectance, double[] lamp) =>
        [.. Sensors.Select(s => Enumerable.Range(0, Light.Bands).Sum(i => s[i] * lamp[i] * reflectance[i]))];

    /// <summary>From the sensors to the primaries of sRGB, as its maker would set it: fitted in daylight to hair, skin and greys, whites kept.</summary>
    private static readonly double[,] Matrix = Fitted();

    private static double[,] Fitted()
    {
        double[] day = Of(Lamp.Daylight);
        List<(double[] Raw, double[] Want)> pairs = [];
        double[] white = Raw([.. Enumerable.Repeat(1.0, Light.Bands)], day);
        void Add(double[] reflectance)
        {
            double[] raw = Raw(reflectance, day);
            double x = 0,
                y = 0,
                z = 0,
                full = 0;
            for (int i = 0; i < Light.Bands; i++)
            {
                var o = Light.Observer(Nm(i));
                (x, y, z, full) = (
                    x + o.X * day[i] * reflectance[i],
                    y + o.Y * day[i] * reflectance[i],
                    z + o.Z * day[i] * reflectance[i],
                    full + o.Y * day[i]
                );
            }

            (x, y, z) = (x / full, y / full, z / full);
            pairs.Add(
                (
                    [raw[0] / white[0], raw[1] / white[1], raw[2] / white[2]],
                    [3.2404542 * x - 1.5371385 * y - 0.4985314 * z, -0.969266 * x + 1.8760108 * y + 0.041556 * z, 0.0556434 * x - 0.2040259 * y + 1.0572252 * z]
                )
            );
        }

        Add([.. Enumerable.Repeat(1.0, Light.Bands)]);
        Add([.. Enumerable.Repeat(0.3, Light.Bands)]);
        foreach (double m in (double[])[0, 0.003, 0.01, 0.03, 0.1, 0.3])
        {
            Add(Reflectance(m, 0, 0));
            Add(Reflectance(m, 0.02, 0));
            Add(Reflectance(m, 0, 0.02));
        }

        double[,] matrix = new double[3, 3];
        for (int r = 0; r < 3; r++)
        {
            // Rows add to one, so that white stays white: least squares for the first two, the third is what is left.
            double aa = 0,
                ab = 0,
                bb = 0,
                at = 0,
                bt = 0;
            foreach (var (raw, want) in pairs)
            {
                double a = raw[0] - raw[2],
                    b = raw[1] - raw[2],
                    t = want[r] - raw[2];
                (aa, ab, bb, at, bt) = (aa + a * a, ab + a * b, bb + b * b, at + a * t, bt + b * t);
            }

            double det = aa * bb - ab * ab;
            matrix[r, 0] = (at * bb - bt * ab) / det;
            matrix[r, 1] = (bt * aa - at * ab) / det;
            matrix[r, 2] = 1 - matrix[r, 0] - matrix[r, 1];
        }

        return matrix;
    }

    /// <summary>What a reflectance looks like under daylight, without any camera (CIE 15, the 2 degree observer under D65).</summary>
    public static Lab Colour(double[] reflectance)
    {
        Xyz sum = default,
            white = default;
        for (int i = 0; i < Light.Bands; i++)
        {
            var lit = Light.Observer(Light.Wavelength(i)) * Light.Daylight[i];
            (sum, white) = (sum + lit * reflectance[i], white + lit);
        }

        return Lab.From(sum, white);
    }
}
