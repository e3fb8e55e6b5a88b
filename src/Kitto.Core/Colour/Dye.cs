using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>What a shade deposits on a fibre (all constants ours; held to what practitioners mix and see by the model's tests).</summary>
public static class Dye
{
    /// <summary>Depth of a shade against the melanin of its level.</summary>
    public const double DepthShare = 0.95;

    /// <summary>How much of the depth is held back where natural pigment holds it already: nearly all, so that her own level on her own hair comes out her own level.</summary>
    public const double NaturalFill = 0.95;

    /// <summary>The same where earlier dye holds it: colour on colour still darkens (SV10).</summary>
    public const double DyedFill = 0.75;

    /// <summary>The same in lightened hair, which takes most (RD7).</summary>
    public const double LightenedFill = 0.5;

    /// <summary>How much of the tone is held back by natural pigment.</summary>
    public const double NaturalToneFill = 0.5;

    /// <summary>The same by earlier dye.</summary>
    public const double ToneFill = 0.3;

    /// <summary>From this level up a gloss carries the tone of this level, only its depth gets less: pale toners are tone before depth.</summary>
    public const double PaleToner = 8;

    /// <summary>How strongly a dye takes the place of the warmth that lightening left (SH3, SH9): a neutral of the hair's own level with 10 vol takes all of it.</summary>
    public const double Covers = 1.7;

    /// <summary>A shade this many times lighter than the hair still covers all it can; a paler one the less, the paler it is (SH8).</summary>
    public const double CoversTo = 1.7;

    /// <summary>Tone of a concentrate, times the mean depth of the rest of its mix (tables).</summary>
    public const double Concentrated = 5.0;

    /// <summary>Tone of hair that was coloured, and of a wish (tables).</summary>
    public const double LookTone = 0.5;

    /// <summary>Up to this strength the deposit is a little deeper (DV14).</summary>
    public const double WeakVolume = 10;

    /// <summary>How much deeper.</summary>
    public const double WeakFactor = 1.08;

    /// <summary>Tone weights of a shade of a family, before its depth (tables).</summary>
    public static Pigment Tone(Family family) =>
        family switch
        {
            Family.N or Family.NN => default,
            Family.AG => new(0, 1, 0, 0, 0, 0, 0),
            Family.AB => new(0, 0, 1, 0, 0, 0, 0),
            Family.V => new(0, 0, 0, 1, 0, 0, 0),
            Family.R => new(0, 0, 0, 0, 1.3, 0, 0),
            Family.C => new(0, 0, 0, 0, 0, 1.3, 0),
            Family.G => new(0, 0, 0, 0, 0, 0, 1.2),
            Family.B => new(0, 0, 0, .2, 0, 0, .3),
            _ => throw new ArgumentOutOfRangeException(nameof(family)),
        };

    /// <summary>How strongly a kind of colour deposits.</summary>
    public static double Strength(LineKind kind, Family? family, Volume developer)
    {
        double strength = (kind, family) switch
        {
            (LineKind.Lightener, _) or (_, null) => 0,
            (LineKind.HighLift, _) => .25,
            (LineKind.Demi, _) => .65,
            (LineKind.Gloss, _) => .35,
            (_, Family.NN) => 1.15,
            (_, Family.N) => 1,
            _ => .8,
        };
        return developer.Value <= WeakVolume ? strength * WeakFactor : strength;
    }

    /// <summary>What a whole portion of one shade deposits on a fibre; nothing for clear and concentrates.</summary>
    public static Pigment Deposit(ShadeOf shade, double strength, in Fibre fibre) => new Colourant(shade, strength).On(fibre);

    /// <summary>Hair that looks like a level and a tone: coloured lengths, a faded band, or the target (tables). Its depth is dye, not her own pigment.</summary>
    public static Fibre Look(double level, Tone tone)
    {
        double depth = Melanin.Of(level);
        return Fibre.White with { Dye = tone.Families.Aggregate(Pigment.OfDepth(depth), (sum, f) => sum + Band(f) * (depth * LookTone / tone.Families.Count)) };
    }

    /// <summary>Lightened hair of a level and a tone: gold, copper or red on it is the warmth that lightening left (SH2), any other tone is on it as dye.</summary>
    public static Fibre Lightened(double level, Tone tone)
    {
        double warm = tone.Families.Count(Warm) / (double)tone.Families.Count,
            depth = Melanin.Of(level);
        var ground = Melanin.Warmed(level, warm);
        var dye = tone
            .Families.Where(f => !Warm(f))
            .Aggregate(Pigment.OfDepth(ground.Melanin), (sum, f) => sum + Band(f) * (depth * LookTone / tone.Families.Count));
        return ground with { Melanin = 0, Dye = dye, Lightened = true };
    }

    /// <summary>Whether a family adds warmth; such a dye does not take the warmth of lightened hair away.</summary>
    internal static bool Warm(Family family) => family is Family.G or Family.C or Family.R;

    /// <summary>The bands of a family with weight one together.</summary>
    internal static Pigment Band(Family family)
    {
        var t = Tone(family);
        double all = t.Green + t.Blue + t.Violet + t.Red + t.Copper + t.Gold;
        return all == 0 ? t : t * (1 / all);
    }
}
