namespace Kitto.Core.Picture;

/// <summary>
/// The light that fell on a card, found from its paper, and undone: gains for each channel that change evenly over the card, and the camera's own curve from the greys.
/// What the printer got wrong is told apart as far as it can be: paper is taken as neutral, so that greys that are tinted against it are the printer's.
/// </summary>
public sealed class CardLight
{
    /// <summary>How far greys are believed over the standard curve: printers and cameras are about as often to blame (ours).</summary>
    public const double GreysBelieved = 0.6;

    private readonly double[] level = new double[3],
        acrossX = new double[3],
        acrossY = new double[3];

    /// <summary>Exponent that makes the greys what they are; 1 where camera and printer keep to the standard.</summary>
    public double Curve { get; private set; } = 1;

    /// <summary>Luminance of the paper in the picture, 0 to 1, at the middle of the window.</summary>
    public double Brightness { get; private set; }

    /// <summary>The darkest and the brightest the paper gets over the card, one divided by the other.</summary>
    public double Evenness { get; private set; }

    /// <summary>How much the colour of the light changes over the card: ln of red over blue, from one end to the other.</summary>
    public double Turns { get; private set; }

    /// <summary>Share of paper that is clipped to white.</summary>
    public double Clipped { get; private set; }

    private CardLight() { }

    /// <summary>Finds the light.</summary>
    /// <returns>Null where there is no paper to be seen where it should be.</returns>
    public static CardLight? Of(FlatPicture picture)
    {
        var light = new CardLight();
        var paper = MeasuringCard.Paper.Select(p => (At: p.Middle, Seen: picture.Over(p.Inner(0.9)))).ToList();
        if (paper.Any(p => p.Seen.Mean is not { R: > 0.002, G: > 0.002, B: > 0.002 }))
        {
            return null;
        }

        light.Clipped = paper.Average(p => p.Seen.Clipped);
        for (int c = 0; c < 3; c++)
        {
            (light.level[c], light.acrossX[c], light.acrossY[c]) = Plane([.. paper.Select(p => (p.At, Math.Log(Channel(p.Seen.Mean, c))))]);
        }

        var gains = paper.Select(p => light.At(p.At)).ToList();
        light.Brightness = light.At(MeasuringCard.Window.Middle).Luminance;
        light.Evenness = gains.Min(x => x.Luminance) / gains.Max(x => x.Luminance);
        // By the paper itself, not by the plane laid through it: two lights need not change evenly.
        var turns = paper.Select(p => Math.Log(p.Seen.Mean.R / p.Seen.Mean.B)).ToList();
        light.Turns = turns.Max() - turns.Min();
        light.FitCurve(picture);
        return light;
    }

    /// <summary>The light at a place of the card: what paper would show there.</summary>
    public Rgb At(Point p) => new(Fallen(0, p), Fallen(1, p), Fallen(2, p));

    /// <summary>What something reflects, beside a perfect reflector, from what the picture shows of it.</summary>
    /// <param name="seen">What the picture shows.</param>
    /// <param name="fallen">The light there, as <see cref="At"/> gives it.</param>
    public Rgb Undone(Rgb seen, Rgb fallen)
    {
        var share = seen / fallen;
        return new Rgb(Bent(share.R), Bent(share.G), Bent(share.B)) * MeasuringCard.PaperLuminance;
    }

    private double Bent(double share) => share <= 0 ? 0 : Math.Pow(share, 1 / Curve);

    private double Fallen(int c, Point p) => Math.Exp(level[c] + acrossX[c] * p.X + acrossY[c] * p.Y);

    private void FitCurve(FlatPicture picture)
    {
        var greys = MeasuringCard
            .GreyPatches.Select(g =>
                (Share: picture.Over(g.Where.Inner(2)).Mean / At(g.Where.Middle), True: Luminance(g.Lightness) / MeasuringCard.PaperLuminance)
            )
            .ToList();
        // Through white: the exponent alone.
        double found = greys.Sum(g => Math.Log(g.True) * Math.Log(Math.Max(1e-4, g.Share.Luminance))) / greys.Sum(g => Math.Log(g.True) * Math.Log(g.True));
        Curve = Math.Clamp(1 + GreysBelieved * (found - 1), 0.7, 1.4);
    }

    /// <summary>Luminance of an L*.</summary>
    internal static double Luminance(double lightness) => lightness > 8 ? Math.Pow((lightness + 16) / 116, 3) : lightness * 27 / 24389;

    private static double Channel(Rgb c, int channel) =>
        channel switch
        {
            0 => c.R,
            1 => c.G,
            _ => c.B,
        };

    /// <summary>The plane through values at places, by least squares.</summary>
    private static (double At, double X, double Y) Plane(IReadOnlyList<(Point At, double Value)> points)
    {
        double mx = points.Average(p => p.At.X),
            my = points.Average(p => p.At.Y),
            mean = points.Average(p => p.Value);
        double xx = points.Sum(p => (p.At.X - mx) * (p.At.X - mx)),
            yy = points.Sum(p => (p.At.Y - my) * (p.At.Y - my)),
            xy = points.Sum(p => (p.At.X - mx) * (p.At.Y - my)),
            xv = points.Sum(p => (p.At.X - mx) * (p.Value - mean)),
            yv = points.Sum(p => (p.At.Y - my) * (p.Value - mean)),
            det = xx * yy - xy * xy;
        double x = (xv * yy - yv * xy) / det,
            y = (yv * xx - xv * xy) / det;
        return (mean - x * mx - y * my, x, y);
    }
}
