using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Colour;

/// <summary>How far dye and lift have come after so many minutes, and how well a fibre takes them (tables; ours).</summary>
public static class Kinetics
{
    /// <summary>What is reached at the line's own time.</summary>
    public const double AtFullTime = 0.95;

    /// <summary>Resistant white takes this much (colour).</summary>
    public const double Resistant = 0.7;

    /// <summary>Resistant white that was softened first (AP9).</summary>
    public const double Softened = 0.9;

    /// <summary>A mix past its working life deposits this much (SV9).</summary>
    public const double Old = 0.5;

    /// <summary>How much more it lifts there.</summary>
    public const double WarmLift = 1.15;

    /// <summary>A high-lift shade adds this many levels (DV4).</summary>
    public const double HighLift = 0.9;

    /// <summary>Levels lifted at full time on medium hair, by volume.</summary>
    private static readonly (double Volume, double Levels)[] Lifts = [(6, 0), (10, .3), (20, 1.2), (30, 2.3), (40, 3.2)];

    /// <summary>Share of the dye that is on after the minutes.</summary>
    public static double Taken(Minutes contact, Line line) => Course(contact, line, 3);

    /// <summary>Share of the lift that is reached after the minutes.</summary>
    public static double LiftReached(Minutes contact, Line line) => Course(contact, line, 3.5);

    /// <summary>How well hair takes dye (RD7).</summary>
    public static double Takes(Porosity porosity) =>
        porosity switch
        {
            Porosity.Low => .85,
            Porosity.Normal => 1,
            Porosity.High => 1.15,
            _ => throw new ArgumentOutOfRangeException(nameof(porosity)),
        };

    /// <summary>Levels a mix lifts virgin pigment in its full time on medium hair; demi and gloss lift nothing.</summary>
    public static double Levels(Line line, Volume developer)
    {
        if (!line.IsPermanent)
        {
            return 0;
        }

        double v = developer.Value;
        double levels = 0;
        for (int i = 1; i < Lifts.Length; i++)
        {
            var (from, to) = (Lifts[i - 1], Lifts[i]);
            if (v > from.Volume)
            {
                levels = from.Levels + (Math.Min(v, to.Volume) - from.Volume) / (to.Volume - from.Volume) * (to.Levels - from.Levels);
            }
        }

        return line.Kind == LineKind.HighLift && levels > 0 ? levels + HighLift : levels;
    }

    /// <summary>How readily a stretch of a zone lifts: texture, place on the head, and the warmth of the scalp.</summary>
    public static double LiftOf(Zone zone, ZoneReading read, Stretch stretch)
    {
        double place = zone switch
        {
            Zone.Crown => 1,
            Zone.LeftBack or Zone.RightBack or Zone.Nape => .97,
            _ => 1.05,
        };
        return LiftOf(read.Texture) * place * (stretch == Stretch.Scalp ? WarmLift : 1);
    }

    /// <summary>How readily a texture lifts (RD7).</summary>
    public static double LiftOf(Texture texture) =>
        texture switch
        {
            Texture.Fine => 1.25,
            Texture.Medium => 1,
            Texture.Coarse => .8,
            _ => throw new ArgumentOutOfRangeException(nameof(texture)),
        };

    private static double Course(Minutes contact, Line line, double rate) =>
        AtFullTime * (1 - Math.Exp(-rate * contact.Value / line.Process.Value)) / (1 - Math.Exp(-rate));
}
