using Kitto.Core.Colour;
using Kitto.Core.Picture;

namespace Kitto.Camera;

/// <summary>The plane of a card with hair over it, drawn fibre by fibre in one lamp's light as a camera's sensors see it.</summary>
internal sealed partial class Drawing
{
    /// <summary>Pixels to a millimetre.</summary>
    public const double PerMm = 12;

    /// <summary>What is drawn of the plane, mm.</summary>
    public const double FromX = -45,
        FromY = -55,
        ToX = 137,
        ToY = 185;

    /// <summary>Its size, pixels.</summary>
    public const int Columns = (int)((ToX - FromX) * PerMm),
        Rows = (int)((ToY - FromY) * PerMm);

    private readonly float[] pixels;

    private Drawing(float[] pixels) => this.pixels = pixels;

    /// <summary>Draws the head; the same seed lays the same fibres whatever the lamp.</summary>
    public static Drawing Of(DrawnHair hair, Lamp lamp, int seed)
    {
        var drawing = new Drawing(new float[Columns * Rows * 3]);
        double[] power = Spectra.Of(lamp);
        drawing.Ground(hair, power, new Random(seed));
        drawing.Hair(hair, power, new Random(seed + 1));
        return drawing;
    }

    /// <summary>The same head with the card laid over it.</summary>
    public Drawing Under(DrawnCard card, DrawnHair hair, Lamp lamp, bool covered, int seed)
    {
        var drawing = new Drawing([.. pixels]);
        drawing.Card(card, Spectra.Of(lamp), covered);
        if (card.Lock)
        {
            drawing.Lock(hair, Spectra.Of(lamp), new Random(seed + 3));
        }

        return drawing;
    }

    /// <summary>Lays so much of a fibre over a pixel.</summary>
    private void Mix(int at, double[] colour, double shadow, double spark, double[] lit, float cover)
    {
        for (int c = 0; c < 3; c++)
        {
            float own = (float)(colour[c] * shadow + spark * lit[c]);
            pixels[at + c] += (own - pixels[at + c]) * cover;
        }
    }

    /// <summary>A place, between its pixels.</summary>
    public void At(double x, double y, Span<double> rgb)
    {
        double px = Math.Clamp((x - FromX) * PerMm - 0.5, 0, Columns - 1.001),
            py = Math.Clamp((y - FromY) * PerMm - 0.5, 0, Rows - 1.001);
        int ix = (int)px,
            iy = (int)py;
        double fx = px - ix,
            fy = py - iy;
        int at = (iy * Columns + ix) * 3;
        for (int c = 0; c < 3; c++)
        {
            rgb[c] =
                (pixels[at + c] * (1 - fx) + pixels[at + 3 + c] * fx) * (1 - fy)
                + (pixels[at + Columns * 3 + c] * (1 - fx) + pixels[at + Columns * 3 + 3 + c] * fx) * fy;
        }
    }

    /// <summary>Scalp along the parting and, where hair ends, on; shaded by the hair beside it.</summary>
    private void Ground(DrawnHair hair, double[] power, Random random)
    {
        double[] skin = Spectra.Seen([.. Enumerable.Range(0, Light.Bands).Select(i => Skin(hair.Scalp, Light.Wavelength(i)))], power);
        for (int y = 0; y < Rows; y++)
        {
            for (int x = 0; x < Columns; x++)
            {
                double far = Math.Abs(FromY + y / PerMm - hair.PartingAt(FromX + x / PerMm)),
                    lit = (far < 1 || far > hair.ReachMm ? 1 : Math.Max(0.12, 1 - 0.28 * (far - 1))) * (1 + 0.06 * (random.NextDouble() - 0.5));
                for (int c = 0; c < 3; c++)
                {
                    pixels[(y * Columns + x) * 3 + c] = (float)(skin[c] * lit);
                }
            }
        }
    }

    /// <summary>Skin: blood takes green and a little blue, melanin takes most from blue.</summary>
    private static double Skin(double red, double nm) =>
        red
        * (1 - (1 - red * 0.9) * 0.5 * (700 - nm) / 300)
        * (1 - 0.22 * Math.Exp(-(nm - 545) * (nm - 545) / (2 * 28 * 28)))
        * (nm < 480 ? 1 - 0.15 * (480 - nm) / 80 : 1);

    private void Hair(DrawnHair hair, double[] power, Random random)
    {
        const int Kinds = 7;
        double[][] grown =
        [
            .. Enumerable
                .Range(0, Kinds)
                .Select(i => Spectra.Seen(Spectra.Reflectance(Melanin.Of(Math.Clamp(hair.Level + (i - 3) * 0.12, 1, 11)), 0, 0), power)),
        ];
        double[] white = Spectra.Seen(Spectra.Reflectance(0, 0, 0), power),
            lit = Spectra.Seen([.. Enumerable.Repeat(1.0, Light.Bands)], power);
        double bandDepth = Melanin.Of(Math.Clamp(hair.LengthsLevel + 1.6, 1, 10));
        double[] lengths = Spectra.Seen(hair.LengthsReflect(), power),
            band = Spectra.Seen(Spectra.Reflectance(bandDepth, bandDepth * 0.5, 0), power);
        double[,] shade = Drape(random);
        double lean = Math.Tan(hair.LeanDegrees * Math.PI / 180);
        double shineAt = 10 + random.NextDouble() * 50,
            shineSd = 5 + random.NextDouble() * 5;

        void Fibre(double x0, double y0, int down, double slope, double reach)
        {
            bool isWhite = random.NextDouble() < hair.White;
            double[] root = isWhite ? white : grown[random.Next(Kinds)];
            double growth = hair.RegrowthMm <= 0
                    ? double.PositiveInfinity
                    : Math.Max(0.5, hair.RegrowthMm * (1 + 0.03 * Normal(random)) + hair.GrowthSd * Normal(random)),
                bandEnd = growth + (hair.BandMm > 0 ? Math.Max(0, hair.BandMm + Normal(random)) : 0);
            double own = Math.Exp(0.16 * Normal(random)),
                glint = 0.3 + 1.4 * random.NextDouble(),
                wave = 0.25 * random.NextDouble(),
                wavelength = 25 + 40 * random.NextDouble(),
                phase = 6.28 * random.NextDouble();
            slope += 0.03 * Normal(random);
            double along = Math.Sqrt(1 + slope * slope),
                width = hair.FibreMm * PerMm * (0.85 + 0.3 * random.NextDouble());
            for (int step = 0; ; step++)
            {
                double t = step / PerMm,
                    y = y0 + down * t,
                    x = x0 + slope * t + wave * Math.Sin(t / wavelength * 6.28 + phase);
                if (t > reach || y < FromY + 1 || y > ToY - 1)
                {
                    return;
                }

                double[] colour =
                    t * along < growth ? root
                    : t * along < bandEnd ? band
                    : lengths;
                double shadow =
                        own
                        * shade[Math.Clamp((int)((x - FromX) / 2), 0, shade.GetLength(0) - 1), Math.Clamp((int)((y - FromY) / 2), 0, shade.GetLength(1) - 1)],
                    spark = down > 0 ? hair.Shine * glint * Math.Exp(-(y - shineAt) * (y - shineAt) / (2 * shineSd * shineSd)) : 0;
                Put((x - FromX) * PerMm, (int)((y - FromY) * PerMm), width, colour, shadow, spark, lit);
            }
        }

        // On both sides of the parting; what is rooted farther from it lies below what is rooted nearer.
        const double FromHere = 8,
            ToHere = 84;
        for (int side = -1; side <= 1; side += 2)
        {
            double[] depths =
            [
                .. Enumerable
                    .Range(0, (int)((ToHere - FromHere) * hair.RootsMm * hair.FibresPerMm2))
                    .Select(_ => 0.5 + random.NextDouble() * hair.RootsMm)
                    .OrderDescending(),
            ];
            foreach (double rooted in depths)
            {
                double x = FromHere + random.NextDouble() * (ToHere - FromHere);
                Fibre(
                    x,
                    hair.PartingAt(x) + side * rooted,
                    side,
                    side > 0 ? lean : 0.1 * Normal(random),
                    side > 0 ? hair.ReachMm * (0.97 + 0.06 * random.NextDouble()) : 25
                );
            }
        }
    }

    /// <summary>A piece of a fibre over one row: it hides what lies below by as much as it covers of a pixel.</summary>
    private void Put(double x, int row, double width, double[] colour, double shadow, double spark, double[] lit)
    {
        double from = x - width / 2,
            to = x + width / 2;
        for (int column = (int)from; column <= (int)to; column++)
        {
            if (column < 0 || column >= Columns)
            {
                continue;
            }

            float cover = (float)Math.Clamp(Math.Min(to, column + 1) - Math.Max(from, column), 0, 1);
            Mix((row * Columns + column) * 3, colour, shadow, spark, lit, cover);
        }
    }

    /// <summary>Light and shadow of the lock as it drapes, by 2 mm, smooth over a centimetre or two.</summary>
    private static double[,] Drape(Random random)
    {
        const int Coarse = 9;
        int columns = (int)((ToX - FromX) / 2) + 1,
            rows = (int)((ToY - FromY) / 2) + 1;
        double whole = 0.05 * Normal(random);
        double[,] knots = new double[columns / Coarse + 3, rows / Coarse + 3],
            shade = new double[columns, rows];
        for (int i = 0; i < knots.GetLength(0); i++)
        {
            for (int j = 0; j < knots.GetLength(1); j++)
            {
                knots[i, j] = 0.09 * Normal(random);
            }
        }

        for (int x = 0; x < columns; x++)
        {
            for (int y = 0; y < rows; y++)
            {
                int i = x / Coarse,
                    j = y / Coarse;
                double fx = (double)x / Coarse - i,
                    fy = (double)y / Coarse - j;
                (fx, fy) = (fx * fx * (3 - 2 * fx), fy * fy * (3 - 2 * fy));
                double v = (knots[i, j] * (1 - fx) + knots[i + 1, j] * fx) * (1 - fy) + (knots[i, j + 1] * (1 - fx) + knots[i + 1, j + 1] * fx) * fy;
                shade[x, y] = Math.Exp(whole + v);
            }
        }

        return shade;
    }

    internal static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
