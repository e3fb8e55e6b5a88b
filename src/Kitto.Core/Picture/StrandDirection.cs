namespace Kitto.Core.Picture;

/// <summary>Which way the hair lies, by the structure tensor of a region (Bigün and Granlund 1987, from memory).</summary>
public static class StrandDirection
{
    /// <summary>The direction.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="where">The region, mm.</param>
    /// <returns>Tangent of the angle to straight down, positive to the right, within one to one; and how clear it is, 0 (any way) to 1 (all one way).</returns>
    public static (double Slope, double Clarity) Of(FlatPicture picture, Patch where)
    {
        double xx = 0,
            yy = 0,
            xy = 0;
        int x0 = FlatPicture.Column(where.X) + 1,
            x1 = FlatPicture.Column(where.X + where.Width) - 1,
            y0 = FlatPicture.Row(where.Y) + 1,
            y1 = FlatPicture.Row(where.Y + where.Height) - 1;
        for (int y = y0; y < y1; y += 2)
        {
            for (int x = x0; x < x1; x++)
            {
                // In steps of lightness, so that a bright spot does not speak for all.
                double gx = Light(picture[x + 1, y]) - Light(picture[x - 1, y]),
                    gy = Light(picture[x, y + 1]) - Light(picture[x, y - 1]);
                (xx, yy, xy) = (xx + gx * gx, yy + gy * gy, xy + gx * gy);
            }
        }

        // The hair runs across the steepest change.
        double steepest = Math.Atan2(2 * xy, xx - yy) / 2,
            root = Math.Sqrt((xx - yy) * (xx - yy) + 4 * xy * xy);
        return (Math.Clamp(-Math.Tan(steepest), -1, 1), xx + yy > 0 ? root / (xx + yy) : 0);
    }

    private static double Light(Rgb c) => Math.Cbrt(c.Luminance);
}
