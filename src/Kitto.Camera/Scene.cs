using Kitto.Core.Colour;

namespace Kitto.Camera;

/// <summary>Light that falls on a scene.</summary>
public enum Lamp
{
    /// <summary>Daylight, D65.</summary>
    Daylight,

    /// <summary>A bulb with a filament, 2 856 K.</summary>
    Incandescent,

    /// <summary>A tube with three lines.</summary>
    Fluorescent,

    /// <summary>A white light-emitting diode.</summary>
    Led,
}

/// <summary>The hair that is drawn: what a reader is to find.</summary>
public sealed record DrawnHair
{
    /// <summary>Length of the regrowth along the strand, mm; 0 or less: never coloured.</summary>
    public double RegrowthMm { get; init; } = 20;

    /// <summary>Share of white fibres.</summary>
    public double White { get; init; } = 0.3;

    /// <summary>Natural level of the others.</summary>
    public double Level { get; init; } = 6;

    /// <summary>Level of the lengths.</summary>
    public double LengthsLevel { get; init; } = 5;

    /// <summary>How red or ashen the lengths are: -1 ash, 0 neutral, 1 copper.</summary>
    public double LengthsTone { get; init; }

    /// <summary>Length of a band beyond the regrowth, mm; 0: none.</summary>
    public double BandMm { get; init; }

    /// <summary>Thickness of a fibre, mm.</summary>
    public double FibreMm { get; init; } = 0.07;

    /// <summary>Reflectance of the scalp in red light; green and blue follow.</summary>
    public double Scalp { get; init; } = 0.5;

    /// <summary>Lean of the strands, degrees to straight down.</summary>
    public double LeanDegrees { get; init; }

    /// <summary>How much growth differs from fibre to fibre, mm.</summary>
    public double GrowthSd { get; init; } = 1.5;

    /// <summary>Strength of the shine, share of the light.</summary>
    public double Shine { get; init; } = 0.06;

    /// <summary>How far hair reaches from its root, mm.</summary>
    public double ReachMm { get; init; } = 200;

    /// <summary>Fibres to a square millimetre: what is drawn is the hair that lies flat, so that it is more than grows.</summary>
    public double FibresPerMm2 { get; init; } = 6;

    /// <summary>How deep the roots are that lie open on either side of the parting, mm.</summary>
    public double RootsMm { get; init; } = 10;

    /// <summary>Where the parting runs in the middle of the card, mm from its upper edge.</summary>
    public double PartingMm { get; init; } = 9;

    /// <summary>How it runs askew, degrees.</summary>
    public double PartingDegrees { get; init; }

    /// <summary>What a fibre of the lengths reflects.</summary>
    internal double[] LengthsReflect()
    {
        double depth = Melanin.Of(LengthsLevel);
        return Spectra.Reflectance(depth, LengthsTone > 0 ? LengthsTone * depth * 0.6 : 0, LengthsTone < 0 ? -LengthsTone * depth * 0.5 : 0);
    }

    /// <summary>The colour of the lengths by daylight, without shadow or shine.</summary>
    public Lab LengthsColour => Spectra.Colour(LengthsReflect());

    /// <summary>Where it runs at a place across the card, mm.</summary>
    public double PartingAt(double x) => PartingMm + Math.Tan(PartingDegrees * Math.PI / 180) * (x - 46);
}

/// <summary>What a home printer made of the card.</summary>
public sealed record DrawnCard
{
    /// <summary>Real size divided by what it should be.</summary>
    public double Scale { get; init; } = 1;

    /// <summary>Reflectance of the paper.</summary>
    public double Paper { get; init; } = 0.86;

    /// <summary>How yellow the paper is: less blue by this share.</summary>
    public double PaperYellow { get; init; }

    /// <summary>How much the greys are tinted: ln of red over blue.</summary>
    public double GreyTint { get; init; }

    /// <summary>Exponent the printer puts on its greys.</summary>
    public double GreyCurve { get; init; } = 1;

    /// <summary>Whether its window was cut out.</summary>
    public bool WindowCut { get; init; } = true;

    /// <summary>Whether a lock of the lengths lies across the place for it.</summary>
    public bool Lock { get; init; }

    /// <summary>How far its middle bends up, mm.</summary>
    public double BendMm { get; init; }
}

/// <summary>How the picture is taken.</summary>
public sealed record Shot
{
    /// <summary>Size of the picture, pixels.</summary>
    public int Width { get; init; } = 1800;

    /// <summary>Its height.</summary>
    public int Height { get; init; } = 2400;

    /// <summary>The lamp.</summary>
    public Lamp Lamp { get; init; }

    /// <summary>A second lamp from the right; null: none.</summary>
    public Lamp? Second { get; init; }

    /// <summary>How much darker one end of the card is: ln of light, left to right and from above down.</summary>
    public double FallX { get; init; }

    /// <summary>From above down.</summary>
    public double FallY { get; init; }

    /// <summary>From how far aside it is taken, degrees.</summary>
    public double TiltDegrees { get; init; }

    /// <summary>To which side, degrees.</summary>
    public double TiltTo { get; init; }

    /// <summary>Turned about the line of sight, degrees.</summary>
    public double TurnDegrees { get; init; }

    /// <summary>From how far, mm.</summary>
    public double DistanceMm { get; init; } = 330;

    /// <summary>Blur, standard deviation in pixels.</summary>
    public double BlurPixels { get; init; } = 0.8;

    /// <summary>What white paper of 0.86 comes to, 0 to 1, linear.</summary>
    public double Exposure { get; init; } = 0.7;

    /// <summary>What is left of the lamp's colour after the camera's balance, ln of red over blue.</summary>
    public double Cast { get; init; }

    /// <summary>What is left towards green, ln.</summary>
    public double GreenCast { get; init; }

    /// <summary>Exponent of the camera's own curve beyond the standard.</summary>
    public double Curve { get; init; } = 1;

    /// <summary>Noise at middle grey, share.</summary>
    public double Noise { get; init; } = 0.012;

    /// <summary>Quality of the JPEG, 1 to 100.</summary>
    public int Quality { get; init; } = 88;

    /// <summary>Whether a hand covers two markers.</summary>
    public bool MarkerCovered { get; init; }
}
