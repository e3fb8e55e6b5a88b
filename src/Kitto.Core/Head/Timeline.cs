namespace Kitto.Core.Head;

/// <summary>What can have been put on hair.</summary>
public enum Treatment
{
    /// <summary>Permanent colour.</summary>
    Permanent,

    /// <summary>Demi-permanent colour.</summary>
    Demi,

    /// <summary>Gloss.</summary>
    Gloss,

    /// <summary>Lightened all over.</summary>
    Lightened,

    /// <summary>Lightened in pieces.</summary>
    Highlights,

    /// <summary>Colour from a shop box.</summary>
    BoxDye,

    /// <summary>Henna.</summary>
    Henna,

    /// <summary>Metallic salts or progressive dye, the kind that darkens by and by.</summary>
    Metallic,

    /// <summary>Relaxed, permed or straightened.</summary>
    Straightened,

    /// <summary>Something, it is not known what.</summary>
    Unknown,
}

/// <summary>One entry of the timeline of a head of hair.</summary>
/// <param name="What">What was put on.</param>
/// <param name="DaysAgo">Days before today, 0 to 36500; where she is not sure, the fewest that can be.</param>
public sealed record PutOn(Treatment What, int DaysAgo);

/// <summary>What was put on the hair and when, and what of it can still be there: hair grows, and is cut.</summary>
public static class Timeline
{
    /// <summary>
    /// The slowest growth reckoned with, millimetres a day: below the least of the means of Loussouarn et al. 2005 (0.28 to 0.41 by population, from memory),
    /// because single heads fall below the mean. Ours, and on the safe side.
    /// </summary>
    public const double SlowestMmPerDay = 0.2;

    /// <summary>What an entry leaves the lengths as, worst first: the worst that is still there counts.</summary>
    private static readonly LengthHistory[] WorstFirst =
    [
        LengthHistory.Metallic,
        LengthHistory.Henna,
        LengthHistory.Unknown,
        LengthHistory.BoxDye,
        LengthHistory.Lightened,
        LengthHistory.Permanent,
        LengthHistory.Demi,
        LengthHistory.Gloss,
        LengthHistory.Virgin,
    ];

    /// <summary>Centimetres that have grown since, at the slowest.</summary>
    public static double LeastGrownCm(this PutOn put) => put.DaysAgo * SlowestMmPerDay / 10;

    /// <summary>Where it begins on the strand at ordinary growth, millimetres from the scalp.</summary>
    public static double AtMm(this PutOn put) => GrowthRate.Prior.Over(put.DaysAgo).Value;

    /// <summary>Whether it can still be on hair of this length.</summary>
    public static bool CanBeOn(this PutOn put, double lengthCm) => put.LeastGrownCm() < lengthCm;

    /// <summary>What of the timeline can still be on the hair.</summary>
    public static IEnumerable<PutOn> StillOn(this Hair hair) => hair.Lengths.Timeline.Where(p => p.CanBeOn(hair.LengthCm));

    /// <summary>The worse of two histories.</summary>
    public static LengthHistory Worse(LengthHistory a, LengthHistory b) => Array.IndexOf(WorstFirst, a) <= Array.IndexOf(WorstFirst, b) ? a : b;

    /// <summary>The history a timeline leaves on hair of this length.</summary>
    public static LengthHistory Left(IEnumerable<PutOn> timeline, double lengthCm) =>
        timeline.Where(p => p.CanBeOn(lengthCm)).Select(p => Leaves(p.What)).Aggregate(LengthHistory.Virgin, Worse);

    /// <summary>Days since the last relaxing, perming or straightening; null when there was none.</summary>
    public static int? LastStraightened(this Lengths lengths) =>
        lengths.Timeline.Where(p => p.What == Treatment.Straightened).Select(p => (int?)p.DaysAgo).Min();

    private static LengthHistory Leaves(Treatment what) =>
        what switch
        {
            Treatment.Permanent => LengthHistory.Permanent,
            Treatment.Demi => LengthHistory.Demi,
            Treatment.Gloss => LengthHistory.Gloss,
            Treatment.Lightened or Treatment.Highlights => LengthHistory.Lightened,
            Treatment.BoxDye => LengthHistory.BoxDye,
            Treatment.Henna => LengthHistory.Henna,
            Treatment.Metallic => LengthHistory.Metallic,
            Treatment.Straightened => LengthHistory.Virgin,
            Treatment.Unknown => LengthHistory.Unknown,
            _ => throw new ArgumentOutOfRangeException(nameof(what)),
        };
}
