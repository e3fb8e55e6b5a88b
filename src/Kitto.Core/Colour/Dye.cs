using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>What a shade deposits on a fibre (all constants ours).</summary>
public static class Dye
{
    /// <summary>Depth of a shade against the melanin of its level.</summary>
    public const double DepthShare = 0.95;

    /// <summary>How much of the depth is held back where the fibre holds it already.</summary>
    public const double DepthFill = 0.75;

    /// <summary>The same for the tone.</summary>
    public const double ToneFill = 0.3;

    /// <summary>Tone of a concentrate, times the mean depth of the rest of its mix (tables).</summary>
    public const double Concentrated = 5.0;

    /// <summary>Tone of hair that was coloured, and of a wish (tables).</summary>
    public const double LookTone = 0.5;

    /// <summary>Up to this strength the deposit is a little deeper (DV14).</summary>
    public const double WeakVolume = 10;

    /// <summary>How much deeper.</summary>
    public const double WeakFactor = 1.08;

    /// <summary>Tone weights of a shade of a family, before its depth (tables).</summary>
    public static Pigment Tone(Family family) => family switch
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

    /// <summary>What a whole portion of one shade deposits on a fibre with so much melanin left after lift; nothing for clear and concentrates.</summary>
    public static Pigment Deposit(ShadeOf shade, double strength, double melanin) => new Colourant(shade, strength).On(melanin);

    /// <summary>Hair that looks like a level and a tone: coloured lengths, a faded band, or the target (tables).</summary>
    public static Fibre Look(double level, Tone tone)
    {
        var natural = Melanin.Natural(level);
        var dye = tone.Families.Aggregate(default(Pigment), (sum, f) => sum + Band(f) * (natural.Melanin * LookTone / tone.Families.Count));
        return natural with { Dye = dye };
    }

    /// <summary>The bands of a family with weight one together.</summary>
    internal static Pigment Band(Family family)
    {
        var t = Tone(family);
        double all = t.Green + t.Blue + t.Violet + t.Red + t.Copper + t.Gold;
        return all == 0 ? t : t * (1 / all);
    }
}
