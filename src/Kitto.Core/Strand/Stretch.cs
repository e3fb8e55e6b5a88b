using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>The stretches of a strand, from the scalp outwards (RD11, TM6).</summary>
public enum Stretch
{
    /// <summary>The first 12 mm of the regrowth, warmed by the scalp.</summary>
    Scalp,

    /// <summary>The regrowth from there to the line of demarcation.</summary>
    Grown,

    /// <summary>A faded or brassy stretch past the line.</summary>
    Band,

    /// <summary>The lengths, to the last 80 mm.</summary>
    Lengths,

    /// <summary>The last 80 mm.</summary>
    Ends,
}

/// <summary>What is done to a stretch.</summary>
public enum Does
{
    /// <summary>Coloured, painted.</summary>
    Colour,

    /// <summary>Toned or glossed.</summary>
    Tone,

    /// <summary>The tail of a shadow is feathered over it.</summary>
    Blend,

    /// <summary>The root mix is pulled through for the last minutes.</summary>
    PullThrough,

    /// <summary>Kept free of colour.</summary>
    Shield,

    /// <summary>Left as it is; nothing comes near it.</summary>
    Leave,
}

/// <summary>When a stretch gets its formula.</summary>
public enum Turn
{
    /// <summary>In its zone's turn.</summary>
    First,

    /// <summary>The scalp stretch, after the grown hair of the whole head (TM6).</summary>
    Scalp,

    /// <summary>In the last minutes before the rinse (TM4).</summary>
    Last,

    /// <summary>After the roots are rinsed, on its formula's own clock.</summary>
    Rinsed,
}

/// <summary>What kind of hair a stretch is.</summary>
public enum HairKind
{
    /// <summary>Never coloured (RD2).</summary>
    Natural,

    /// <summary>Carries artificial colour; no oxidative colour makes it lighter (SV4).</summary>
    Coloured,

    /// <summary>Lightened or highlighted: porous, takes at once.</summary>
    Lightened,
}

/// <summary>A stretch as it is before anything is done.</summary>
/// <param name="Kind">What kind of hair.</param>
/// <param name="Level">Its level.</param>
/// <param name="Tone">Its tone.</param>
/// <param name="Grey">Share of white fibres.</param>
public readonly record struct HairState(HairKind Kind, Level Level, Tone Tone, Share Grey)
{
    /// <summary>Its pigmented fibre.</summary>
    public Fibre Fibre =>
        Kind switch
        {
            HairKind.Natural => Melanin.Natural(Level.Value),
            HairKind.Coloured => Dye.Look(Level.Value, Tone),
            HairKind.Lightened => Dye.Lightened(Level.Value, Tone),
            _ => throw new InvalidOperationException(),
        };

    /// <summary>Whether it is off a wish by half a level or more, or by a family (SV17).</summary>
    public bool Off(Wish wish) => Math.Abs(Level.LighterThan(wish.Level)) >= Values.HalfLevel || !Tone.SameAs(wish.Tone);

    /// <summary>A stretch of a head.</summary>
    public static HairState Of(Reading reading, Zone zone, Stretch stretch)
    {
        var (hair, read) = (reading.Hair, reading.Zones[(int)zone]);
        var lengths = hair.Lengths;
        return (stretch, hair.Roots, hair.Band) switch
        {
            (Stretch.Scalp or Stretch.Grown, { } roots, _) => new HairState(HairKind.Lightened, roots.Level, roots.Tone, read.Grey),
            (Stretch.Scalp or Stretch.Grown, _, _) => new HairState(HairKind.Natural, hair.NaturalLevel, Tone.Neutral, read.Grey),
            // What is brassy on lightened hair is the warmth that the lightening left.
            (Stretch.Band, _, { } band) => new HairState(lengths.Bright ? HairKind.Lightened : HairKind.Coloured, band.Level, band.Tone, Share.Of(0)),
            _ when lengths.Bright => new HairState(HairKind.Lightened, lengths.Level, lengths.Tone, Share.Of(0)),
            _ when lengths.Coloured => new HairState(HairKind.Coloured, lengths.Level, lengths.Tone, Share.Of(0)),
            // Never coloured, it has her own tone and her own white.
            _ => new HairState(HairKind.Natural, lengths.Level, Tone.Neutral, read.Grey),
        };
    }
}

/// <summary>What a stretch shall become (SV13).</summary>
/// <param name="Level">Wished level.</param>
/// <param name="Tone">Wished tone.</param>
/// <param name="Clear">Nothing but shine (SH24); level and tone are then what is there.</param>
public sealed record Wish(Level Level, Tone Tone, bool Clear = false)
{
    /// <summary>The wished colour.</summary>
    public Colour.Lab Target => Dye.Look(Level.Value, Tone).Lab;
}
