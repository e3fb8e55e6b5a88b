using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>
/// Reads the hair that is combed over the card: where it leaves the scalp, where the line of demarcation is, how much of the regrowth is white, which level the rest is.
/// Nothing is read of a picture that cannot bear it.
/// </summary>
public static class HairReader
{
    /// <summary>Limits beyond which a picture is refused (ours, from the study of drawn pictures).</summary>
    public const double MostTilt = 38,
        MostBendMm = 0.45,
        LeastPixelsPerMm = 5,
        WidestEdgeMm = 0.62,
        DarkestPaper = 0.12,
        MostClipped = 0.3,
        MostTurn = 0.28,
        LeastEven = 0.35,
        LeastCovered = 0.6,
        ShortestMm = 4;

    /// <summary>Price of a further stretch of the profile (ours).</summary>
    private const double Price = 60;

    /// <summary>Colours closer than this are one stretch, CIEDE2000 (ours).</summary>
    private const double SameColour = 3.2;

    /// <summary>Why a card as it lies is not measured from; null where it is.</summary>
    public static PictureRefusal? Refuses(CardSeen? card) =>
        card switch
        {
            null => PictureRefusal.NoCard,
            { TiltDegrees: > MostTilt } => PictureRefusal.TooTilted,
            { MissesMm: > MostBendMm } => PictureRefusal.NotFlat,
            { PixelsPerMm: < LeastPixelsPerMm } => PictureRefusal.Blurred,
            _ => null,
        };

    /// <summary>Reads a picture.</summary>
    /// <param name="picture">Flattened onto the card.</param>
    /// <param name="card">How the card lies in it.</param>
    /// <param name="scale">How true the card is printed.</param>
    public static PictureReading Read(FlatPicture picture, CardSeen card, CardScale scale)
    {
        if (Refuses(card) is { } refused)
        {
            return new PictureReading(refused);
        }

        var light = CardLight.Of(picture);
        if (light is null || light.Brightness < DarkestPaper)
        {
            return new PictureReading(PictureRefusal.TooDark);
        }

        if (Refuses(picture, light) is { } unlit)
        {
            return new PictureReading(unlit);
        }

        var profile = new HairProfile(picture, light);
        int covered = HairProfile.Row(2);
        if (profile.Covered.Skip(covered).Take(HairProfile.Row(30) - covered).Average() < LeastCovered)
        {
            return new PictureReading(PictureRefusal.NoHair);
        }

        return Hair(picture, light, profile, scale);
    }

    private static PictureRefusal? Refuses(FlatPicture picture, CardLight light) =>
        light.Clipped > MostClipped ? PictureRefusal.TooBright
        : light.Turns > MostTurn || light.Evenness < LeastEven ? PictureRefusal.TwoLights
        : Sharpness.EdgeMm(picture) > WidestEdgeMm ? PictureRefusal.Blurred
        : null;

    private static PictureReading Hair(FlatPicture picture, CardLight light, HairProfile profile, CardScale scale)
    {
        // As far as hair lies on the card.
        int end = profile.Covered.Length;
        int first = HairProfile.Row(20);
        for (int r = first; r < end; r++)
        {
            if (profile.Covered[r] < 0.5)
            {
                end = r;
            }
        }

        var rows = profile.Rows.Take(end).ToList();
        double[] noise = [.. ((double[])[1.6, 0.9, 0.9]).Select((least, c) => Math.Max(least, ChangePoints.Noise([.. rows.Select(r => r[c])])))];
        var levels = Merged(ChangePoints.Cut(rows, noise, 3, Price));
        var (root, from) = Root(levels);
        var (slope, _) = StrandDirection.Of(picture, new Patch(MeasuringCard.Field.X + 4, Math.Max(1, root + 1), MeasuringCard.Field.Width - 8, 28));
        double along = Math.Sqrt(1 + slope * slope);
        var hair = levels.Skip(from).ToList();
        if (hair.Count < 2)
        {
            // No line as far as the card reaches: all of it is regrowth, or never coloured.
            var whole = Mixture(picture, light, root + 2, HairProfile.At(end) - 2, slope);
            return new PictureReading(null, null, White(whole), LevelOf(whole), RootAt: root, Slope: slope);
        }

        var (line, band) = Line(hair);
        double[] lines = [.. profile.ByStrip.Select(s => Split(s, HairProfile.Row(root + 1), line, end)).Select(HairProfile.At)];
        double middle = HairProfile.Median(lines),
            spread = 1.4826 * HairProfile.Median(lines.Select(l => Math.Abs(l - middle)));
        double length = (middle - root) * along * scale.Factor;
        if (length < ShortestMm)
        {
            return new PictureReading(PictureRefusal.TooShort);
        }

        double sd = Math.Sqrt(
            spread * spread / HairProfile.Strips * 1.6 + RootSd * RootSd + length * scale.Sd * (length * scale.Sd) + length * along * LeanSd * (length * along * LeanSd)
        );
        double keep = Math.Min(3, Math.Max(0.8, 0.12 * length));
        var found = Mixture(picture, light, root + Math.Min(1.5, 0.2 * length), middle - keep, slope);
        var lengths = Rows(profile, HairProfile.Row((band ?? middle) + 3), Math.Min(end, HairProfile.Row((band ?? middle) + 40)));
        return new PictureReading(
            null,
            Measured.Of(length, sd, 0, 300),
            White(found),
            LevelOf(found),
            lengths,
            LengthsTurned,
            root,
            lines,
            band,
            slope
        );
    }

    /// <summary>What stays uncertain of where hair leaves the scalp, mm; of the strands' lean, as a share of the length; of the lengths' colour, CIELAB units (ours).</summary>
    public const double RootSd = 0.7,
        LeanSd = 0.012,
        LengthsTurned = 2.5;

    /// <summary>How much wider bands are drawn than what is found says, so that they hold what they say (ours, from the study).</summary>
    public const double WhiteWider = 1.0,
        LevelWider = 1.0;

    private static Measured White(WhiteFound f) => Measured.Of(f.White, Math.Sqrt(f.WhiteSd * f.WhiteSd + 0.02 * 0.02) * WhiteWider, 0, 1);

    private static Measured LevelOf(WhiteFound f) => Measured.Of(f.Level, f.LevelSd * LevelWider, 1, 10);

    /// <summary>Neighbours of one colour are one stretch, and one that is on the way between its neighbours is their passage.</summary>
    private static List<Plateau> Merged(IReadOnlyList<Plateau> cut)
    {
        var levels = cut.ToList();
        for (bool again = true; again; )
        {
            again = false;
            for (int i = 0; i + 1 < levels.Count && !again; i++)
            {
                // The scalp's own stretch is left alone.
                if (HairProfile.At(levels[i].To) > 4 && Difference(levels[i], levels[i + 1]) < SameColour)
                {
                    var (a, b) = (levels[i], levels[i + 1]);
                    double na = a.To - a.From,
                        nb = b.To - b.From;
                    levels[i] = new Plateau(a.From, b.To, [.. a.Mean.Zip(b.Mean, (x, y) => (x * na + y * nb) / (na + nb))]);
                    levels.RemoveAt(i + 1);
                    again = true;
                }
            }
        }

        return levels;
    }

    private static double Difference(Plateau a, Plateau b) => Difference2000.Between(Lab(a), Lab(b));

    private static Lab Lab(Plateau l) => new(l.Mean[0], l.Mean[1], l.Mean[2]);

    /// <summary>Where hair leaves the scalp: the greatest change near the card's edge; and the first stretch that is hair.</summary>
    private static (double At, int From) Root(List<Plateau> levels)
    {
        int best = -1;
        for (int i = 0; i + 1 < levels.Count; i++)
        {
            if (
                HairProfile.At(levels[i].To) is >= -4.5 and <= 3
                && Difference(levels[i], levels[i + 1]) > 5
                && (best < 0 || Difference(levels[i], levels[i + 1]) > Difference(levels[best], levels[best + 1]))
            )
            {
                best = i;
            }
        }

        return best < 0 ? (RootUnseen, 0) : (HairProfile.At(levels[best].To), best + 1);
    }

    /// <summary>Where the root is taken to be where scalp and hair look alike, mm from the card's edge (ours).</summary>
    public const double RootUnseen = -1.8;

    /// <summary>The row of the line, and where a band behind it ends, mm.</summary>
    private static (int Row, double? BandTo) Line(List<Plateau> hair)
    {
        if (hair.Count == 2)
        {
            return (hair[0].To, null);
        }

        var (a, b, c) = (hair[0], hair[1], hair[2]);
        double rows = b.To - b.From;
        // A short stretch whose colour lies between its neighbours' is the passage from one to the other.
        double way = Difference(a, c),
            detour = Difference(a, b) + Difference(b, c) - way;
        if (rows * HairProfile.RowMm < 12 && detour < 0.35 * way + 1.5)
        {
            double share = Difference(b, c) / (Difference(a, b) + Difference(b, c));
            return ((int)Math.Round(b.From + share * rows), null);
        }

        return (a.To, HairProfile.At(b.To));
    }

    /// <summary>The row at which one strip changes, near where the whole does: the cut into two means that fits best.</summary>
    private static double Split(double[][] strip, int from, int line, int end)
    {
        int first = Math.Max(from, line - 24),
            last = Math.Min(end, line + 24);
        double best = double.PositiveInfinity;
        int at = line;
        for (int t = Math.Max(first + 2, line - 16); t <= Math.Min(last - 2, line + 16); t++)
        {
            double cost = Spread(strip, first, t) + Spread(strip, t, last);
            (best, at) = cost < best ? (cost, t) : (best, at);
        }

        return at;
    }

    private static double Spread(double[][] strip, int from, int to)
    {
        double cost = 0;
        for (int c = 0; c < 3; c++)
        {
            double sum = 0,
                squares = 0;
            for (int r = from; r < to; r++)
            {
                (sum, squares) = (sum + strip[r][c], squares + strip[r][c] * strip[r][c]);
            }

            // Lightness takes its share of shine and shadow; hue does not.
            cost += (squares - sum * sum / (to - from)) * (c == 0 ? 0.4 : 1);
        }

        return cost;
    }

    private static Lab Rows(HairProfile profile, int from, int to) =>
        to - from < 4
            ? new Lab(profile.Rows[Math.Min(from, profile.Rows.Length - 1)][0], profile.Rows[^1][1], profile.Rows[^1][2])
            : new Lab(Channel(profile, from, to, 0), Channel(profile, from, to, 1), Channel(profile, from, to, 2));

    private static double Channel(HairProfile profile, int from, int to, int c) => HairProfile.Median(profile.Rows.Skip(from).Take(to - from).Select(r => r[c]));

    private static WhiteFound Mixture(FlatPicture picture, CardLight light, double from, double to, double slope) =>
        WhiteMixture.Of(Places.Of(picture, light, from, Math.Max(from + 1, to), slope));
}
