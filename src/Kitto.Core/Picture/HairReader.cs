using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>
/// Reads the hair in the card's window: where the parting is, where the line of demarcation is, how much of the regrowth is white, which level the rest is.
/// Nothing is read of a picture that cannot bear it.
/// </summary>
public static class HairReader
{
    /// <summary>Limits beyond which a picture is refused (ours, from the study of drawn pictures).</summary>
    public const double MostTilt = 38,
        MostBendMm = 0.3,
        LeastPixelsPerMm = 5,
        WidestEdgeMm = 0.62,
        DarkestPaper = 0.12,
        MostClipped = 0.3,
        MostTurn = 0.28,
        LeastEven = 0.35,
        LeastFilled = 0.6,
        LeastStands = 4,
        LeastStrands = 0.18,
        MostLean = 0.8,
        ShortestMm = 4;

    /// <summary>A level that is less certain than this, standard deviation, is not told: among much white, or in shine, the few dark hairs say too little.</summary>
    public const double LevelToldTo = 0.4;

    /// <summary>Price of a further stretch of the profile (ours).</summary>
    private const double Price = 30;

    /// <summary>From here on hair covers the scalp, mm from the parting (ours).</summary>
    private const double CoveredFromMm = 6.5;

    /// <summary>Hair that is seen is rooted so far from the middle of the parting, on average, mm (ours, from the study).</summary>
    public const double RootedMm = 3;

    /// <summary>What stays uncertain of where hair leaves the scalp, mm; of the strands' lean, as a share of the length; of the lengths' colour, CIELAB units (ours).</summary>
    public const double RootSd = 1,
        LeanSd = 0.012,
        LengthsTurned = 1.8;

    /// <summary>How much wider bands are drawn than what is found says, so that they hold what they say (ours, from the study).</summary>
    public const double WhiteWider = 1.1,
        LevelWider = 1.5;

    /// <summary>What may be wrong with how a picture was taken, whatever the hair: a phone sees it, too.</summary>
    public static IReadOnlyList<PictureRefusal> OfTaking { get; } =
    [
        PictureRefusal.NoCard,
        PictureRefusal.NotFlat,
        PictureRefusal.TooTilted,
        PictureRefusal.Blurred,
        PictureRefusal.TooDark,
        PictureRefusal.TooBright,
        PictureRefusal.TwoLights,
        PictureRefusal.NoHair,
    ];

    /// <summary>Why a card as it lies is not measured from; null where it is.</summary>
    public static PictureRefusal? Refuses(CardSeen? card) =>
        card switch
        {
            null => PictureRefusal.NoCard,
            { TiltDegrees: > MostTilt } => PictureRefusal.TooTilted,
            { PixelsPerMm: < LeastPixelsPerMm } => PictureRefusal.Blurred,
            _ => null,
        };

    /// <summary>Reads a picture of a parting.</summary>
    /// <param name="picture">Flattened onto the card.</param>
    /// <param name="card">How the card lies in it.</param>
    /// <param name="scale">How true the card is printed.</param>
    public static PictureReading Read(FlatPicture picture, CardSeen card, CardScale scale)
    {
        if (Lit(picture, card, out var light, out double edge) is { } refused)
        {
            return new PictureReading(refused);
        }

        var parting = Parting.Of(picture, light);
        var profile = new HairProfile(picture, light, parting);
        // Skin has no strands, and the edge of a shadow runs across; where hair ends early, skin begins.
        var (runs, strands) = StrandDirection.Of(picture, Below(parting, 18, 20));
        strands = Math.Min(strands, StrandDirection.Of(picture, Below(parting, 32, 20)).Clarity);
        return strands < LeastStrands || Math.Abs(runs) > MostLean || profile.Filled.Average() < LeastFilled || profile.Filled.Length < HairProfile.Row(20)
                ? new PictureReading(PictureRefusal.NoHair)
            : parting.Stands < LeastStands ? new PictureReading(PictureRefusal.NoParting)
            : Hair(picture, light, parting, profile, scale, FibresPerEdge * edge) with
            {
                Roots = Darker(profile.Rows[HairProfile.Row(CoveredFromMm)..Math.Min(profile.Rows.Length, HairProfile.Row(RootsToMm))]),
            };
    }

    /// <summary>The hair next to the scalp reaches so far, mm from the parting: a zone that had less to paint tells nothing of what came out (ours).</summary>
    public const double RootsToMm = 12;

    /// <summary>Reads a picture of a lock that lies on the card: its colour alone.</summary>
    /// <param name="picture">Flattened onto the card.</param>
    /// <param name="card">How the card lies in it.</param>
    public static PictureReading ReadLock(FlatPicture picture, CardSeen card) =>
        Lit(picture, card, out var light, out _) is { } refused ? new PictureReading(refused)
        : LockColour.Of(picture, light) is { } lab ? new PictureReading(null, Lengths: lab, LengthsSd: LockColour.Sd)
        : new PictureReading(PictureRefusal.NoHair);

    /// <summary>Why nothing can be read of a picture as it was taken; null where it can: then its light, and how wide an edge is drawn, mm.</summary>
    private static PictureRefusal? Lit(FlatPicture picture, CardSeen card, out CardLight light, out double edge)
    {
        (light, edge) = (null!, 0);
        if (Refuses(card) is { } refused)
        {
            return refused;
        }

        // A blurred card's corners are not where they seem: blur is told first.
        edge = Sharpness.EdgeMm(picture);
        if (edge > WidestEdgeMm)
        {
            return PictureRefusal.Blurred;
        }

        if (card.MissesMm > MostBendMm)
        {
            return PictureRefusal.NotFlat;
        }

        if (CardLight.Of(picture) is not { Brightness: >= DarkestPaper } seen)
        {
            return PictureRefusal.TooDark;
        }

        light = seen;
        return Refuses(light);
    }

    /// <summary>The window from so far below the parting, so high, mm.</summary>
    private static Patch Below(Parting parting, double from, double height) =>
        new(MeasuringCard.Inside.X, parting.Middle + from, MeasuringCard.Inside.Width, height);

    private static PictureRefusal? Refuses(CardLight light) =>
        light.Turns > MostTurn || light.Evenness < LeastEven ? PictureRefusal.TwoLights
        : light.Clipped > MostClipped ? PictureRefusal.TooBright
        : null;

    private static PictureReading Hair(FlatPicture picture, CardLight light, Parting parting, HairProfile profile, CardScale scale, double fibres)
    {
        var rows = profile.Rows.Select(HairProfile.Features).ToList();
        var (line, doubtful) = Demarcation.Of(ChangePoints.Cut(rows, HairProfile.Noise, 4, Price), rows);
        if (doubtful)
        {
            return new PictureReading(PictureRefusal.NotClear);
        }

        var (slope, _) = StrandDirection.Of(picture, Below(parting, 4, 30));
        if (line is null)
        {
            // No line as far as the window reaches: all of it is regrowth, or never coloured.
            var whole = WhiteMixture.Of(
                Places.Of(picture, light, parting, CoveredFromMm, HairProfile.At(rows.Count) - 1, slope),
                fibres,
                UsualShadow,
                Shine(HairProfile.At(rows.Count))
            );
            var white = White(whole, HairProfile.At(rows.Count));
            return new PictureReading(null, null, white, LevelOf(whole, white), Parting: parting, Slope: slope);
        }

        double[] lines = [.. profile.ByStrip.Select(s => Demarcation.InStrip([.. s.Select(HairProfile.Features)], line)).Select(HairProfile.At)];
        double middle = HairProfile.Median(lines),
            spread = 1.4826 * HairProfile.Median(lines.Select(l => Math.Abs(l - middle))),
            along = Math.Sqrt(1 + slope * slope),
            length = (middle - RootedMm) * along * scale.Factor;
        if (length < ShortestMm)
        {
            return new PictureReading(PictureRefusal.TooShort);
        }

        double sd = Math.Sqrt(
            spread * spread / MeasuringCard.Strips * 1.6 + RootSd * RootSd + length * scale.Sd * (length * scale.Sd) + length * LeanSd * (length * LeanSd)
        );
        // Where regrowth is too short for it, scalp and lengths show between its hairs: nothing is told of its colour.
        double keep = Math.Min(4, Math.Max(1.5, 0.18 * length)),
            behind = (line.BandTo ?? middle) + 5;
        var found =
            length < ToldFromMm
                ? null
                : WhiteMixture.Of(
                    Places.Of(picture, light, parting, Math.Min(CoveredFromMm, 0.55 * middle), middle - keep, slope),
                    fibres,
                    HairProfile.At(rows.Count) - behind < 6
                        ? UsualShadow
                        : Shadow(Places.Of(picture, light, parting, behind, Math.Min(behind + 30, HairProfile.At(rows.Count)), slope)),
                    Shine(length)
                );
        var share = found is null ? null : White(found, length);
        return new PictureReading(
            null,
            Measured.Of(length, sd, 0, 300),
            share,
            found is null ? null : LevelOf(found, share),
            Lengths(profile, HairProfile.Row((line.BandTo ?? middle) + 5)),
            LengthsTurned,
            parting,
            lines,
            line.BandTo,
            slope
        );
    }

    /// <summary>White share and level are told of regrowth from this length on, mm.</summary>
    public const double ToldFromMm = 10;

    /// <summary>Fibres that a place shows, by how wide an edge is drawn: a blur of that width over fibres of 0.07 mm, one layer seen through another (ours, from the study).</summary>
    public const double FibresPerEdge = 32;

    /// <summary>Shine that is left on the darkest half of so much hair: it lies in bands of a centimetre or two, so that of much hair half lies beside them (ours).</summary>
    private static double Shine(double length) => 0.025 + 0.01 * Math.Exp(-length / 12);

    /// <summary>Light and shadow of a lock from place to place where no lengths tell it, ln of light (ours).</summary>
    private const double UsualShadow = 0.18;

    /// <summary>Light and shadow from place to place on lengths that were coloured alike: half of the middle half's width, as a standard deviation.</summary>
    private static double Shadow(IReadOnlyList<Rgb> lengths)
    {
        double[] light = [.. lengths.Select(p => Math.Log(Math.Max(1e-4, p.Luminance))).Order()];
        return light.Length < 100 ? UsualShadow : Math.Clamp((light[light.Length * 3 / 4] - light[light.Length / 4]) / 1.349, 0.06, 0.4);
    }

    /// <summary>A white share that is less certain than this, standard deviation, is not told: light hair and white hair look too much alike, or too little has grown.</summary>
    public const double WhiteToldTo = 0.075;

    private static Measured? White(WhiteFound f, double length)
    {
        // Near the root scalp shows between the hairs; and the lighter the others are, the less white ones stand out.
        double stands = Math.Log(Fibre.White.Look().Y / Melanin.Natural(Math.Clamp(f.Level, 1, 10)).Look().Y),
            sd = Math.Sqrt(
                f.WhiteSd * f.WhiteSd
                    + 0.02 * 0.02
                    + Math.Pow(0.6 / length * f.White, 2)
                    + Math.Pow(0.06 / Math.Pow(Math.Max(0.3, stands), 1.5), 2) * f.White * (1 - 0.5 * f.White)
            );
        return sd > WhiteToldTo ? null : Measured.Of(f.White, sd * WhiteWider, 0, 1);
    }

    /// <summary>What of a lock's shine stays unseen, share of the light (ours): on dark hair it is a good part of all that comes back.</summary>
    private const double UnseenShine = 0.002;

    /// <summary>From one level to the next light grows by so much, ln (ours, from the ladder's middle).</summary>
    private const double LevelStep = 0.4;

    /// <summary>The level, where it can be told; where white cannot be told apart neither can it.</summary>
    private static Measured? LevelOf(WhiteFound f, Measured? white)
    {
        double shine = UnseenShine / Melanin.Natural(Math.Clamp(f.Level, 1, 10)).Look().Y / LevelStep,
            sd = Math.Sqrt(f.LevelSd * f.LevelSd + shine * shine);
        return white is null || sd > LevelToldTo ? null : Measured.Of(f.Level, sd * LevelWider, 1, 10);
    }

    /// <summary>Colour of the lengths, from a row on.</summary>
    private static Lab Lengths(HairProfile profile, int from) => Darker([.. profile.Rows.Skip(Math.Clamp(from, 0, profile.Rows.Length - 1)).Take(70)]);

    /// <summary>Colour of some rows: of the darker half, shine lies on the others.</summary>
    private static Lab Darker(Rgb[] rows)
    {
        var half = rows.OrderBy(r => r.Luminance).Take(Math.Max(1, rows.Length / 2)).ToList();
        return new Rgb(HairProfile.Median(half.Select(r => r.R)), HairProfile.Median(half.Select(r => r.G)), HairProfile.Median(half.Select(r => r.B))).Lab;
    }
}
