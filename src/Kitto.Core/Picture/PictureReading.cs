using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>Why a picture is not measured.</summary>
public enum PictureRefusal
{
    /// <summary>Fewer than three of the card's four markers are seen.</summary>
    NoCard,

    /// <summary>The card is bent.</summary>
    NotFlat,

    /// <summary>The picture is taken too much from the side.</summary>
    TooTilted,

    /// <summary>It is blurred, or taken from too far away.</summary>
    Blurred,

    /// <summary>It is too dark.</summary>
    TooDark,

    /// <summary>Paper is burnt out to white.</summary>
    TooBright,

    /// <summary>Lights of two colours fall on it, or a hard shadow.</summary>
    TwoLights,

    /// <summary>Hair does not fill the card's window, or the window is not cut out.</summary>
    NoHair,

    /// <summary>No parting is seen at the window's upper edge.</summary>
    NoParting,

    /// <summary>Where one colour passes into the other is not clear: two readings are as likely.</summary>
    NotClear,

    /// <summary>Regrowth is shorter than can be measured.</summary>
    TooShort,
}

/// <summary>A value with the band that holds it four times out of five.</summary>
/// <param name="Value">The value.</param>
/// <param name="Low">Lower end of the band.</param>
/// <param name="High">Upper end.</param>
public sealed record Measured(double Value, double Low, double High)
{
    /// <summary>Half of the normal distribution's width that holds 80 of 100.</summary>
    internal const double Eighty = 1.2816;

    /// <summary>From a standard deviation, cut to what is possible.</summary>
    internal static Measured Of(double value, double sd, double least, double most) =>
        new(Math.Clamp(value, least, most), Math.Clamp(value - Eighty * sd, least, most), Math.Clamp(value + Eighty * sd, least, most));
}

/// <summary>How a card lies in a picture.</summary>
/// <param name="ToPicture">From millimetres of the card to pixels.</param>
/// <param name="MissesMm">How far its corners miss their places, root of the mean square, mm.</param>
/// <param name="TiltDegrees">How far from straight above it is seen.</param>
/// <param name="PixelsPerMm">Pixels to a millimetre where it is drawn smallest.</param>
public sealed record CardSeen(Homography ToPicture, double MissesMm, double TiltDegrees, double PixelsPerMm)
{
    /// <summary>From the corners of the markers that were found.</summary>
    /// <param name="corners">By marker 0 to 3, four corners clockwise from the upper left, pixels.</param>
    /// <returns>Null where fewer than three markers are there, or the corners are not those of a flat card seen from anywhere.</returns>
    public static CardSeen? Of(IReadOnlyDictionary<int, IReadOnlyList<Point>> corners)
    {
        int[] found = [.. Enumerable.Range(0, MeasuringCard.Markers.Count).Where(id => corners.TryGetValue(id, out var c) && c.Count == 4)];
        if (found.Length < 3)
        {
            return null;
        }

        Point[] card = [.. found.SelectMany(MeasuringCard.Corners)],
            seen = [.. found.SelectMany(id => corners[id])];
        if (Homography.Fit(card, seen) is not { } to || Homography.Fit(seen, card) is not { } back)
        {
            return null;
        }

        var (longest, shortest) = to.Map.Scale(MeasuringCard.Window.Middle);
        return !(longest > 0) ? null : new CardSeen(to.Map, back.Misses, Math.Acos(Math.Clamp(shortest / longest, 0, 1)) * 180 / Math.PI, shortest);
    }
}

/// <summary>How true the printed card is.</summary>
/// <param name="Factor">Its real size divided by what it should be.</param>
/// <param name="Sd">How uncertain that is.</param>
public readonly record struct CardScale(double Factor, double Sd)
{
    /// <summary>Held against a bank card (ISO/IEC 7810 ID-1: 85.60 mm by 53.98 mm), to half a millimetre.</summary>
    public static CardScale Confirmed(double factor) => new(factor, 0.004);

    /// <summary>By the length of the bank card's outline as it was printed.</summary>
    /// <param name="outlineMm">Its long side, mm; null: never looked at.</param>
    public static CardScale Of(double? outlineMm) => outlineMm is { } mm ? Confirmed(mm / BankCardMm) : Unknown;

    /// <summary>Long side of a bank card, mm (ISO/IEC 7810 ID-1).</summary>
    public const double BankCardMm = 85.60;

    /// <summary>Short side, mm.</summary>
    public const double BankCardShortMm = 53.98;

    /// <summary>Where a bank card laid along the printed rule may end on it, mm: a print 10 % too large or too small.</summary>
    public const double LeastRead = 78,
        MostRead = 95;

    /// <summary>The length of the printed outline by where a bank card laid along the printed rule ends on it: a rule printed too large is read too short.</summary>
    /// <param name="readMm">What the rule says, mm.</param>
    public static double OutlineRead(double readMm) => BankCardMm * BankCardMm / readMm;

    /// <summary>Printed and never looked at: printers shrink to fit by some hundredths (common practice).</summary>
    public static CardScale Unknown => new(1, 0.02);
}

/// <summary>What was measured of the hair in a card's window.</summary>
/// <param name="Refused">Why nothing was measured; null where it was.</param>
/// <param name="RegrowthMm">Length of the regrowth along the strand, mm; null where the hair shows no line as far as the card reaches.</param>
/// <param name="White">Share of white hairs in it, 0 to 1; null where it is too short to tell.</param>
/// <param name="Level">Natural level of the others, 1 to 10; null where that is too uncertain.</param>
/// <param name="Lengths">Colour of the lengths; null where there is no line.</param>
/// <param name="LengthsSd">How uncertain that colour is, CIELAB units.</param>
/// <param name="Parting">Where the parting runs.</param>
/// <param name="LineAt">Where the line is, mm from the parting, by strips of the window from left to right.</param>
/// <param name="BandTo">Where a band between regrowth and lengths ends, mm from the parting; null: none was seen.</param>
/// <param name="Slope">How the strands lean, tangent to straight down.</param>
/// <param name="Roots">Colour of the hair next to the scalp, whatever it is: before a kit the regrowth's, after it the colour that came out; null where hair was not read.</param>
public sealed record PictureReading(
    PictureRefusal? Refused,
    Measured? RegrowthMm = null,
    Measured? White = null,
    Measured? Level = null,
    Lab? Lengths = null,
    double LengthsSd = 0,
    Parting? Parting = null,
    IReadOnlyList<double>? LineAt = null,
    double? BandTo = null,
    double Slope = 0,
    Lab? Roots = null
);
