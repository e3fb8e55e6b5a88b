namespace Kitto.Core.Picture;

/// <summary>How sharp a picture is, by the black edges of its markers.</summary>
internal static class Sharpness
{
    /// <summary>How wide an edge is drawn: its whole step divided by its steepest slope, mm; the middle of eight edges.</summary>
    public static double EdgeMm(FlatPicture picture) =>
        HairProfile.Median(MeasuringCard.Markers.SelectMany(m => new[] { Edge(picture, m, down: false), Edge(picture, m, down: true) }));

    private static double Edge(FlatPicture picture, Point corner, bool down)
    {
        const int Reach = 22;
        double[] profile = new double[2 * Reach];
        for (int i = 0; i < profile.Length; i++)
        {
            double across = (i - Reach) / FlatPicture.PerMm,
                sum = 0;
            for (double along = 3; along < MeasuringCard.Marker - 3; along += 0.2)
            {
                var c = down
                    ? picture[FlatPicture.Column(corner.X + along), FlatPicture.Row(corner.Y + across)]
                    : picture[FlatPicture.Column(corner.X + across), FlatPicture.Row(corner.Y + along)];
                sum += c.Luminance;
            }

            profile[i] = sum;
        }

        double step = profile.Take(6).Average() - profile.Skip(Reach + 8).Take(8).Average(),
            steepest = Enumerable.Range(1, profile.Length - 2).Max(i => (profile[i - 1] - profile[i + 1]) / 2 * FlatPicture.PerMm);
        return step <= 0 || steepest <= 0 ? 9 : step / steepest;
    }
}
