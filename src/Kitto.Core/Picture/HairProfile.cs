using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>Hair over the card's field, strip by strip, from above the root down: its colour, and how much of the field it covers.</summary>
internal sealed class HairProfile
{
    /// <summary>Strips across the field.</summary>
    public const int Strips = 12;

    /// <summary>Height of a row, mm.</summary>
    public const double RowMm = 0.5;

    /// <summary>Where the first row begins: in the parting, mm.</summary>
    public const double FromMm = -5.5;

    /// <summary>Share of the field that hair covers, by row.</summary>
    public double[] Covered { get; }

    /// <summary>Colour of each row: the median of the strips.</summary>
    public double[][] Rows { get; }

    /// <summary>Colour of each strip's rows.</summary>
    public double[][][] ByStrip { get; }

    /// <summary>Reads it.</summary>
    public HairProfile(FlatPicture picture, CardLight light)
    {
        int rows = (int)((MeasuringCard.Field.Height - 1 - FromMm) / RowMm);
        (Covered, Rows) = (new double[rows], new double[rows][]);
        ByStrip = [.. Enumerable.Range(0, Strips).Select(_ => new double[rows][])];
        double width = (MeasuringCard.Field.Width - 2) / Strips;
        for (int r = 0; r < rows; r++)
        {
            double y = FromMm + r * RowMm;
            int all = 0,
                hair = 0;
            for (int s = 0; s < Strips; s++)
            {
                double x = MeasuringCard.Field.X + 1 + s * width;
                var (sum, count, seen) = Cell(picture, light, new Patch(x, y, width, RowMm));
                (all, hair) = (all + seen, hair + count);
                var lab = count > 0 ? (sum * (1.0 / count)).Lab : default;
                ByStrip[s][r] = count * 5 > seen ? [lab.L, lab.A, lab.B] : r > 0 ? ByStrip[s][r - 1] : [50, 0, 0];
            }

            Covered[r] = (double)hair / all;
            Rows[r] = [.. Enumerable.Range(0, 3).Select(c => Median(ByStrip.Select(s => s[r][c])))];
        }
    }

    /// <summary>Where a row begins, mm.</summary>
    public static double At(double row) => FromMm + row * RowMm;

    /// <summary>The row of a place.</summary>
    public static int Row(double mm) => (int)Math.Round((mm - FromMm) / RowMm);

    /// <summary>The field's tint, which no hair has: more green and blue than red.</summary>
    public static bool Tinted(Rgb c) => c.G > 1.3 * c.R && c.B > 1.2 * c.R;

    /// <summary>The middle one.</summary>
    public static double Median(IEnumerable<double> values)
    {
        double[] sorted = [.. values.Order()];
        return sorted.Length == 0 ? 0 : (sorted[(sorted.Length - 1) / 2] + sorted[sorted.Length / 2]) / 2;
    }

    private static (Rgb Sum, int Hair, int Seen) Cell(FlatPicture picture, CardLight light, Patch where)
    {
        var sum = default(Rgb);
        int hair = 0,
            seen = 0;
        int x1 = FlatPicture.Column(where.X + where.Width),
            y1 = Math.Max(FlatPicture.Row(where.Y) + 1, FlatPicture.Row(where.Y + where.Height));
        for (int y = FlatPicture.Row(where.Y); y < y1; y++)
        {
            for (int x = FlatPicture.Column(where.X); x < x1; x++)
            {
                seen++;
                var c = light.Undone(picture[x, y], where.Middle);
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
