using Kitto.Core.Shade;

namespace Kitto.Core.Head;

/// <summary>Thickness of the single hair.</summary>
public enum Texture
{
    /// <summary>About 58 µm.</summary>
    Fine,

    /// <summary>About 70 µm.</summary>
    Medium,

    /// <summary>About 86 µm.</summary>
    Coarse,
}

/// <summary>How many hairs stand on a square centimetre.</summary>
public enum Density
{
    /// <summary>About 135.</summary>
    Low,

    /// <summary>About 170.</summary>
    Medium,

    /// <summary>About 215.</summary>
    High,
}

/// <summary>How readily the fibre takes colour (RD7).</summary>
public enum Porosity
{
    /// <summary>Resists.</summary>
    Low,

    /// <summary>Neither.</summary>
    Normal,

    /// <summary>Takes fast and deep, fades fast.</summary>
    High,
}

/// <summary>State of the scalp (SA3, SA21).</summary>
public enum Scalp
{
    /// <summary>Sound.</summary>
    Sound,

    /// <summary>Sensitive: a caution.</summary>
    Sensitive,

    /// <summary>Broken: a stop.</summary>
    Broken,

    /// <summary>Inflamed: a stop.</summary>
    Inflamed,

    /// <summary>Sunburnt: a stop.</summary>
    Sunburnt,

    /// <summary>Infected: a stop.</summary>
    Infected,
}

/// <summary>What was put on the lengths before.</summary>
public enum LengthHistory
{
    /// <summary>Never coloured (RD2).</summary>
    Virgin,

    /// <summary>Permanent colour.</summary>
    Permanent,

    /// <summary>Demi-permanent colour.</summary>
    Demi,

    /// <summary>Gloss.</summary>
    Gloss,

    /// <summary>Lightened.</summary>
    Lightened,

    /// <summary>Colour from a shop box: what was in it is not known.</summary>
    BoxDye,

    /// <summary>Henna: a stop (SA4).</summary>
    Henna,

    /// <summary>Metallic salts or progressive dye: a stop (SA4).</summary>
    Metallic,

    /// <summary>Not known.</summary>
    Unknown,
}

/// <summary>Result of a skin test.</summary>
public enum SkinResult
{
    /// <summary>Nothing seen or felt in its full hours.</summary>
    Clear,

    /// <summary>Any reaction, however small.</summary>
    Reacted,
}

/// <summary>Result of a strand test.</summary>
public enum StrandResult
{
    /// <summary>As wished.</summary>
    Right,

    /// <summary>Too light.</summary>
    TooLight,

    /// <summary>Too dark.</summary>
    TooDark,

    /// <summary>Too warm.</summary>
    TooWarm,

    /// <summary>Too cool.</summary>
    TooCool,

    /// <summary>White hair still shows.</summary>
    GreyShows,

    /// <summary>Breakage, stretch without return, heat or strange colour: a stop (SA6).</summary>
    Damaged,
}

/// <summary>One zone as read.</summary>
/// <param name="Regrowth">Length of the regrowth, 0 to 300 mm.</param>
/// <param name="Grey">Share of white hairs.</param>
/// <param name="Resistant">Coarse, glassy white (RD4).</param>
/// <param name="Texture">Texture of this zone (RD13).</param>
/// <param name="Include">Whether it is coloured at all.</param>
public sealed record ZoneReading(Millimetres Regrowth, Share Grey, bool Resistant, Texture Texture, bool Include);

/// <summary>A lock laid in developer, to find metal (SA4).</summary>
public enum MetalTest
{
    /// <summary>Nothing happened in half an hour.</summary>
    Clear,

    /// <summary>Heat, bubbles, smell or another colour: metal.</summary>
    Reacted,
}

/// <summary>The lengths beyond the line of demarcation.</summary>
/// <param name="Level">Their level now.</param>
/// <param name="Tone">Their tone now.</param>
/// <param name="History">What was put on them.</param>
/// <param name="Highlighted">Whether there are lighter pieces in them.</param>
/// <param name="Metal">What a lock did in developer; null where none was tried.</param>
public sealed record Lengths(Level Level, Tone Tone, LengthHistory History, bool Highlighted, MetalTest? Metal = null)
{
    /// <summary>What was put on and when, as far as it was asked.</summary>
    public IReadOnlyList<PutOn> Timeline { get; init; } = [];

    /// <summary>Whether they carry artificial colour, which no oxidative colour makes lighter (SV4). Not known counts as coloured.</summary>
    public bool Coloured => History != LengthHistory.Virgin;

    /// <summary>Whether they are highlighted or lightened, and so left alone by a root mix (SV9).</summary>
    public bool Bright => Highlighted || History == LengthHistory.Lightened;
}

/// <summary>A faded or brassy stretch between regrowth and lengths (RD11).</summary>
/// <param name="Length">How long it is.</param>
/// <param name="Level">Its level.</param>
/// <param name="Tone">Its tone.</param>
public sealed record Band(Millimetres Length, Level Level, Tone Tone);

/// <summary>The hair of the whole head.</summary>
/// <param name="Texture">Texture where a zone says nothing else.</param>
/// <param name="Density">Density.</param>
/// <param name="Porosity">Porosity.</param>
/// <param name="NaturalLevel">Natural level of the pigmented hair, 1 to 10.</param>
/// <param name="LengthCm">Length of the hair in centimetres, 1 to 120.</param>
/// <param name="Lengths">The lengths.</param>
/// <param name="Band">The faded band, where there is one.</param>
public sealed record Hair(Texture Texture, Density Density, Porosity Porosity, Level NaturalLevel, double LengthCm, Lengths Lengths, Band? Band)
{
    /// <summary>The regrowth, where it was lightened lately and waits for its tone; null where it is natural hair.</summary>
    public LightenedRoots? Roots { get; init; }
}

/// <summary>Regrowth that was lightened and waits for its tone: nothing to lift, takes at once.</summary>
/// <param name="Level">The level it was lightened to, above the natural one.</param>
/// <param name="Tone">Its tone, such as the gold or copper that lightening left.</param>
public sealed record LightenedRoots(Level Level, Tone Tone);

/// <summary>A skin test that was done (SA5).</summary>
/// <param name="DaysAgo">Days before today, 0 to 3650.</param>
/// <param name="Result">What came of it.</param>
/// <param name="Line">Id of the line it was done with; null when not said.</param>
public sealed record SkinTest(int DaysAgo, SkinResult Result, string? Line);

/// <summary>A strand test that was done (SA12).</summary>
/// <param name="DaysAgo">Days before today, 0 to 3650.</param>
/// <param name="Result">What came of it.</param>
/// <param name="Minutes">How long it was on.</param>
public sealed record StrandTest(int DaysAgo, StrandResult Result, double? Minutes);

/// <summary>The client, as far as safety asks.</summary>
/// <param name="AgeYears">0 to 120.</param>
/// <param name="FirstKit">Whether she has never had a kit.</param>
/// <param name="Reactions">Any earlier reaction to hair colour (SA1).</param>
/// <param name="BlackHenna">A reaction to, or a tattoo of, "black henna" (SA1).</param>
/// <param name="Pregnant">Pregnant or breastfeeding (SA20).</param>
/// <param name="Scalp">State of the scalp.</param>
/// <param name="Conditions">Conditions in her own or the trade's words; known ones are listed in <see cref="Safety.Conditions"/>.</param>
/// <param name="NewMedicine">A new medicine since the last test.</param>
/// <param name="ChemicalServiceDaysAgo">Days since relaxing, perming or straightening; null when never.</param>
/// <param name="SkinTest">The last skin test.</param>
/// <param name="StrandTest">The last strand test.</param>
public sealed record ClientFacts(
    int AgeYears,
    bool FirstKit,
    bool Reactions,
    bool BlackHenna,
    bool Pregnant,
    Scalp Scalp,
    IReadOnlyList<string> Conditions,
    bool NewMedicine,
    int? ChemicalServiceDaysAgo,
    SkinTest? SkinTest,
    StrandTest? StrandTest
);

/// <summary>Everything read off a client and her head.</summary>
/// <param name="Client">The person.</param>
/// <param name="Hair">The hair.</param>
/// <param name="Zones">The nine zones, indexed by <see cref="Zone"/>.</param>
/// <param name="Hands">Who applies it, and what those hands used before.</param>
/// <param name="Last">The last kit and how it came out.</param>
public sealed record Reading(ClientFacts Client, Hair Hair, IReadOnlyList<ZoneReading> Zones, Quantity.Hands Hands, Outcome.LastTime? Last)
{
    /// <summary>Regrowth measured at known times before, for her rate.</summary>
    public IReadOnlyList<Grown> Grown { get; init; } = [];

    /// <summary>How fast her hair grows, as far as is known.</summary>
    public GrowthRate Rate => GrowthRate.Learned(Grown);

    /// <summary>The zones that are coloured.</summary>
    public IEnumerable<(Zone Zone, ZoneReading Read)> Included => Zones.Select((read, i) => ((Zone)i, read)).Where(z => z.read.Include);

    /// <summary>The same reading with no zone coloured but these.</summary>
    public Reading Only(IReadOnlyCollection<Zone> zones) =>
        this with
        {
            Zones = [.. Zones.Select((z, i) => z with { Include = z.Include && zones.Contains((Zone)i) })],
        };

    /// <summary>Mean regrowth over the included hair; zero when nothing is included.</summary>
    public Millimetres MeanRegrowth
    {
        get
        {
            double hair = Included.Sum(z => z.Zone.Facts().HairShare.Value);
            return Millimetres.Of(hair == 0 ? 0 : Included.Sum(z => z.Zone.Facts().HairShare.Value * z.Read.Regrowth.Value) / hair);
        }
    }

    /// <summary>The greyest included zone of at least 4 % of the hair, which the grey rules go by (tables).</summary>
    public Share DecisiveGrey => Share.Of(Included.Where(z => z.Zone.Facts().HairShare.Value >= .04).Select(z => z.Read.Grey.Value).DefaultIfEmpty(0).Max());

    /// <summary>Whether grey is the reason for the kit: some included zone at 50 % or more, or resistant (tables, Clock).</summary>
    public bool GreyIsTheReason => Included.Any(z => z.Read.Grey.Value >= .5 || z.Read.Resistant);
}
