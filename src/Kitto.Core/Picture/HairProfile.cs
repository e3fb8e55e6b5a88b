using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>Hair in the card's window, strip by strip, from the parting down: its colour, and how much of the window it fills.</summary>
internal sealed class HairProfile
{
    /// <summary>Height of a row, mm.</summary>
    public const double RowMm = 0.5;

    /// <summary>Where the first row begins, mm from the middle of the parting.</summary>
    public const double FromMm = 3;

    /// <summary>Share of the window that may be hair, by row: what is not the window's own tint.</summary>
    public double[] Filled { get; }

    /// <summary>Light of each row, the median of the strips.</summary>
    public Rgb[] Rows { get; }

    /// <summary>Light of each strip's rows.</summary>
    public Rgb[][] ByStrip { get; }

    /// <summary>Reads it.</summary>
    public HairProfile(FlatPicture picture, CardLight light, Parting parting)
    {
        double below =
            MeasuringCard.Window.Y
            + MeasuringCard.Window.Height
            - 1
            - Math.Max(parting.At(MeasuringCard.Window.X), parting.At(MeasuringCard.Window.X + MeasuringCard.Window.Width));
        int rows = Math.Max(1, (int)((below - FromMm) / RowMm));
        (Filled, Rows) = (new double[rows], new Rgb[rows]);
        ByStrip = [.. Enumerable.Range(0, MeasuringCard.Strips).Select(_ => new Rgb[rows])];
        double width = MeasuringCard.Inside.Width / MeasuringCard.Strips;
        for (int r = 0; r < rows; r++)
        {
            int all = 0,
                hair = 0;
            for (int s = 0; s < MeasuringCard.Strips; s++)
            {
                double x = MeasuringCard.Inside.X + s * width,
                    y = parting.At(x + width / 2) + At(r);
                var (sum, count, seen) = Cell(picture, light, new Patch(x, y, width, RowMm));
                (all, hair) = (all + seen, hair + count);
                ByStrip[s][r] =
                    count * 5 > seen ? sum * (1.0 / count)
                    : r > 0 ? ByStrip[s][r - 1]
                    : new Rgb(0.1, 0.1, 0.1);
            }

            Filled[r] = (double)hair / all;
            Rows[r] = new Rgb(Median(ByStrip.Select(s => s[r].R)), Median(ByStrip.Select(s => s[r].G)), Median(ByStrip.Select(s => s[r].B)));
        }
    }

    /// <summary>Where a row begins, mm from the parting.</summary>
    public static double At(double row) => FromMm + row * RowMm;

    /// <summary>The row of a place.</summary>
    public static int Row(double mm) => (int)Math.Round((mm - FromMm) / RowMm);

    /// <summary>What is compared of a row: its light, which shadow and shine change; red over blue taken apart from shine, which adds the same to both; and its hue, which neither changes.</summary>
    public static double[] Features(Rgb c)
    {
        double colour = Math.Max(1e-3, c.R - c.B);
        return [Math.Log(Math.Max(0, c.Luminance) + 0.04), Math.Log(colour + 0.02), Math.Clamp((c.R - c.G) / (colour + 0.03), -0.5, 1.5)];
    }

    /// <summary>How much each of them differs where the hair is the same: by shadow and shine, by noise (ours).</summary>
    public static IReadOnlyList<double> Noise { get; } = [0.17, 0.11, 0.045];

    /// <summary>The window's tint, which no hair has.</summary>
    public static bool Tinted(Rgb c) => c.G > 1.25 * c.R && c.B > 1.1 * c.R;

    /// <summary>The middle one.</summary>
    public static double Median(IEnumerable<double> values)
    {
        double[] sorted = [.. values.Order()];
        return sorted.Length == 0 ? 0 : (sorted[(sorted.Length - 1) / 2] + sorted[sorted.Length / 2]) / 2;
    }

    private static (Rgb Sum, int Hair, int Seen) Cell(FlatPicture picture, CardLight light, Patch where)
    {
        var (sum, fallen) = (default(Rgb), light.At(where.Middle));
        int hair = 0,
            seen = 0;
        int x1 = FlatPicture.Column(where.X + where.Width),
            y1 = Math.Max(FlatPicture.Row(where.Y) + 1, FlatPicture.Row(where.Y + where.Height));
        for (int y = FlatPicture.Row(where.Y); y < y1; y++)
        {
            for (int x = FlatPicture.Column(where.X); x < x1; x++)
            {
                seen++;
                var c = light.Undone(picture[x, y], fallen);
                if (!Tinted(c))
                {
                    sum += c;
                    hair++;
                }
            }
        }

        return (sum, hair, seen);
    }
}
