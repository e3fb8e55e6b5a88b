using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>The parting in the card's window: a straight line of scalp.</summary>
/// <param name="Middle">Where it runs in the middle of the card, mm from the upper edge.</param>
/// <param name="Slope">How it runs askew, tangent.</param>
/// <param name="Stands">How far it stands out from the hair on both sides, CIEDE2000.</param>
public sealed record Parting(double Middle, double Slope, double Stands)
{
    /// <summary>It is looked for so far from the window's upper edge, mm, and so much askew at most.</summary>
    private const double From = 2.2,
        To = 6.8,
        MostSlope = 0.12;

    /// <summary>Where it runs at a place across the card, mm.</summary>
    public double At(double x) => Middle + Slope * (x - MeasuringCard.Width / 2);

    /// <summary>The line along which a narrow band differs most from what lies on both sides of it.</summary>
    internal static Parting Of(FlatPicture picture, CardLight light)
    {
        // Means of small cells once; every line is tried on them.
        const double Across = 4,
            Down = 0.25;
        int columns = (int)(MeasuringCard.Inside.Width / Across),
            rows = (int)((To + 12) / Down);
        var cells = new Rgb[columns, rows];
        for (int i = 0; i < columns; i++)
        {
            for (int j = 0; j < rows; j++)
            {
                var cell = new Patch(MeasuringCard.Inside.X + i * Across, MeasuringCard.Window.Y + j * Down, Across, Down);
                cells[i, j] = light.Undone(picture.Over(cell).Mean, light.At(cell.Middle));
            }
        }

        var best = new Parting(MeasuringCard.Window.Y + 4, 0, 0);
        for (double slope = -MostSlope; slope <= MostSlope; slope += 0.02)
        {
            for (double at = From; at <= To; at += Down)
            {
                Lab Band(double from, double to)
                {
                    var sum = default(Rgb);
                    int count = 0;
                    for (int i = 0; i < columns; i++)
                    {
                        double line = at + slope * (MeasuringCard.Inside.X + (i + 0.5) * Across - MeasuringCard.Width / 2);
                        for (int j = Math.Max(0, (int)((line + from) / Down)); j < Math.Min(rows, (int)((line + to) / Down)); j++)
                        {
                            sum += cells[i, j];
                            count++;
                        }
                    }

                    return count == 0 ? default : (sum * (1.0 / count)).Lab;
                }

                var scalp = Band(-0.6, 0.6);
                double stands = Math.Min(Difference2000.Between(scalp, Band(3.5, 6)), Difference2000.Between(scalp, Band(Math.Max(-4.5, 0.4 - at), -1.8)) + 2);
                // The scalp is at its brightest, or darkest, in the middle of the parting.
                stands += 0.5 * Math.Min(Difference2000.Between(scalp, Band(1.2, 2.2)), Difference2000.Between(scalp, Band(-2.2, -1.2)));
                best = stands > best.Stands ? new Parting(MeasuringCard.Window.Y + at, slope, stands) : best;
            }
        }

        return best;
    }
}
