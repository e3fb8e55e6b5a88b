using Kitto.Core.Colour;
using Kitto.Core.Picture;

namespace Kitto.Camera;

/// <summary>The card over the hair, and a lock that is laid on it.</summary>
internal sealed partial class Drawing
{
    private void Card(DrawnCard card, double[] power, bool covered)
    {
        double[] flat = [.. Enumerable.Repeat(1.0, Light.Bands)];
        double[] white = [.. Spectra.Seen(flat, power).Select((v, c) => v * card.Paper * (c == 2 ? 1 - card.PaperYellow : 1))],
            black = [.. white.Select(v => v * 0.045)],
            tint = Spectra.Seen(
                [.. Enumerable.Range(0, Light.Bands).Select(i => 0.08 + 0.4 * Math.Exp(-Math.Pow((Light.Wavelength(i) - 495) / 45, 2) / 2))],
                power
            );
        void Fill(double x, double y, double width, double height, double[] colour)
        {
            // Everything on the paper is as much too large as the paper says.
            int x0 = (int)Math.Round((x * card.Scale - FromX) * PerMm),
                x1 = (int)Math.Round(((x + width) * card.Scale - FromX) * PerMm),
                y0 = (int)Math.Round((y * card.Scale - FromY) * PerMm),
                y1 = (int)Math.Round(((y + height) * card.Scale - FromY) * PerMm);
            for (int row = y0; row < y1; row++)
            {
                for (int column = x0; column < x1; column++)
                {
                    for (int c = 0; c < 3; c++)
                    {
                        pixels[(row * Columns + column) * 3 + c] = (float)colour[c];
                    }
                }
            }
        }

        var window = MeasuringCard.Window;
        if (card.WindowCut)
        {
            Fill(0, 0, MeasuringCard.Width, window.Y, white);
            Fill(0, window.Y, window.X, window.Height, white);
            Fill(window.X + window.Width, window.Y, MeasuringCard.Width - window.X - window.Width, window.Height, white);
            Fill(0, window.Y + window.Height, MeasuringCard.Width, MeasuringCard.Height - window.Y - window.Height, white);
        }
        else
        {
            Fill(0, 0, MeasuringCard.Width, MeasuringCard.Height, white);
            Fill(window.X, window.Y, window.Width, window.Height, tint);
        }

        foreach (var (where, lightness) in MeasuringCard.GreyPatches)
        {
            double share = Math.Pow(Math.Pow((lightness + 16) / 116, 3) / MeasuringCard.PaperLuminance, card.GreyCurve);
            Fill(
                where.X,
                where.Y,
                where.Width,
                where.Height,
                [
                    .. white.Select(
                        (v, c) =>
                            v
                            * share
                            * Math.Exp(
                                c == 0 ? card.GreyTint / 2
                                : c == 2 ? -card.GreyTint / 2
                                : 0
                            )
                    ),
                ]
            );
        }

        for (int mm = 5; mm <= 95; mm++)
        {
            Fill(
                MeasuringCard.Rule.X,
                mm - 0.1,
                mm % 10 == 0 ? 3
                    : mm % 5 == 0 ? 2
                    : 1.2,
                0.2,
                black
            );
        }

        const double Cell = MeasuringCard.Marker / MeasuringCard.Cells;
        for (int id = 0; id < 4; id++)
        {
            var at = MeasuringCard.Markers[id];
            Fill(at.X, at.Y, MeasuringCard.Marker, MeasuringCard.Marker, black);
            for (int i = 0; i < 16; i++)
            {
                if (MeasuringCard.MarkerCells[id][i] == '1')
                {
                    Fill(at.X + (1 + i % 4) * Cell, at.Y + (1 + i / 4) * Cell, Cell, Cell, white);
                }
            }
        }

        if (covered)
        {
            Fill(-5, 95, 110, 25, Spectra.Seen([.. Enumerable.Range(0, Light.Bands).Select(i => Skin(0.55, Light.Wavelength(i)))], power));
        }
    }

    /// <summary>A lock of the lengths, laid into the place for it from the left, over one marker: fibres over one another, with a band of shine somewhere along them.</summary>
    private void Lock(DrawnHair hair, double[] power, Random random)
    {
        var place = MeasuringCard.Lock;
        double[] lengths = Spectra.Seen(hair.LengthsReflect(), power),
            lit = Spectra.Seen([.. Enumerable.Repeat(1.0, Light.Bands)], power);
        double shineAt = place.X + random.NextDouble() * place.Width,
            shineSd = 4 + random.NextDouble() * 5;
        for (int i = 0; i < 2400; i++)
        {
            double y = place.Y + 0.5 + (place.Height - 1) * random.NextDouble(),
                own = Math.Exp(0.16 * Normal(random)) * Math.Exp(-0.25 * Math.Pow((y - place.Middle.Y) / (place.Height / 2), 2)),
                glint = 0.3 + 1.4 * random.NextDouble(),
                lean = 0.01 * Normal(random),
                width = hair.FibreMm * PerMm * (0.85 + 0.3 * random.NextDouble()),
                end = place.X + place.Width - 2 - 5 * random.NextDouble();
            for (int column = (int)((place.X - 22 - FromX) * PerMm); column < (int)((end - FromX) * PerMm); column++)
            {
                double x = FromX + column / PerMm,
                    middle = (y + lean * (x - place.Middle.X) - FromY) * PerMm,
                    spark = hair.Shine * glint * Math.Exp(-(x - shineAt) * (x - shineAt) / (2 * shineSd * shineSd));
                for (int row = (int)(middle - width / 2); row <= (int)(middle + width / 2); row++)
                {
                    double cover = Math.Clamp(Math.Min(middle + width / 2, row + 1) - Math.Max(middle - width / 2, row), 0, 1);
                    Mix((row * Columns + column) * 3, lengths, own, spark, lit, (float)cover);
                }
            }
        }
    }
}
