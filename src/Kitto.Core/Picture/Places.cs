namespace Kitto.Core.Picture;

/// <summary>Places of a stretch of hair: each the mean over a short piece along the strands, so that noise goes and fibres stay apart.</summary>
internal static class Places
{
    /// <summary>Length of a piece, mm.</summary>
    private const double PieceMm = 2;

    /// <summary>From one piece to the next, across and along, mm.</summary>
    private const double AcrossMm = 0.2,
        AlongMm = 1.5;

    /// <summary>Of the rows so many are read, the darkest: the others may lie in shine (ours).</summary>
    private const double Read = 0.5;

    /// <summary>Reflectance of the places between two distances from the parting, rows in shine left out.</summary>
    public static IReadOnlyList<Rgb> Of(FlatPicture picture, CardLight light, Parting parting, double from, double to, double slope)
    {
        double piece = Math.Min(PieceMm, to - from);
        int rows = Math.Max(1, (int)((to - from - piece) / AlongMm) + 1);
        var found = new List<List<Rgb>>();
        for (int i = 0; i < rows; i++)
        {
            double y = rows == 1 ? from : from + i * (to - from - piece) / (rows - 1);
            var row = new List<Rgb>();
            for (double x = MeasuringCard.Inside.X; x < MeasuringCard.Inside.X + MeasuringCard.Inside.Width; x += AcrossMm)
            {
                if (Piece(picture, light, x, parting.At(x) + y, piece, slope) is { } place)
                {
                    row.Add(place);
                }
            }

            if (row.Count > 20)
            {
                found.Add(row);
            }
        }

        return [.. found.OrderBy(r => r.Average(p => Math.Log(Math.Max(1e-4, p.Luminance)))).Take((int)Math.Ceiling(found.Count * Read)).SelectMany(r => r)];
    }

    private static Rgb? Piece(FlatPicture picture, CardLight light, double x, double y, double piece, double slope)
    {
        var sum = default(Rgb);
        int count = 0,
            tinted = 0;
        for (double t = 0; t < piece; t += 1 / FlatPicture.PerMm)
        {
            var c = light.Undone(picture[FlatPicture.Column(x + slope * (t - piece / 2)), FlatPicture.Row(y + t)], light.At(new Point(x, y + t)));
            if (HairProfile.Tinted(c))
            {
                tinted++;
            }
            else
            {
                sum += c;
                count++;
            }
        }

        return tinted * 5 > count ? null : sum * (1.0 / count);
    }
}
