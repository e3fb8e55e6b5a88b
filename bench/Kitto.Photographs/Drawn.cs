using Kitto.Camera;
using Kitto.Core.Picture;

namespace Kitto.Photographs;

/// <summary>One picture to be taken, and what it shows.</summary>
internal sealed record Drawn(DrawnHair Hair, DrawnCard Card, Shot Shot, PictureRefusal? Beyond)
{
    /// <summary>A picture within the stated limits, or with one thing beyond them.</summary>
    public static Drawn Of(int seed, PictureRefusal? beyond = null)
    {
        var random = new Random(seed);
        double Between(double from, double to) => from + random.NextDouble() * (to - from);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        double level = Between(1.5, 9);
        double white = random.Next(10) switch
        {
            0 => 0,
            < 5 => Between(0, 0.3),
            < 8 => Between(0.2, 0.7),
            _ => Between(0.6, 1),
        };
        // Lengths that were coloured before: some levels away, or another tone.
        double lengths = Math.Clamp(level + (random.Next(2) == 0 ? Between(-2.5, -0.8) : Between(0.8, 2.5)), 1.5, 9.5);
        var hair = new DrawnHair
        {
            RegrowthMm = Math.Exp(Between(Math.Log(5), Math.Log(80))),
            White = white,
            Level = level,
            LengthsLevel = lengths,
            LengthsTone = Between(-0.6, 1),
            BandMm = random.Next(6) == 0 ? Between(10, 25) : 0,
            FibreMm = random.Next(3) switch
            {
                0 => 0.058,
                1 => 0.07,
                _ => 0.086,
            },
            Scalp = Between(0.18, 0.72),
            LeanDegrees = Between(-14, 14),
            GrowthSd = Between(0.8, 2),
            Shine = Between(0.005, 0.1),
            FibresPerMm2 = Between(5, 7),
            PartingMm = Between(8, 11),
            PartingDegrees = Between(-4, 4),
        };
        var card = new DrawnCard
        {
            Scale = Between(0.97, 1.03),
            Paper = Between(0.82, 0.9),
            PaperYellow = Between(-0.02, 0.05),
            GreyTint = 0.06 * Normal(),
            GreyCurve = Between(0.9, 1.1),
            BendMm = Between(0, 0.8),
        };
        var shot = new Shot
        {
            Lamp = (Lamp)random.Next(4),
            TiltDegrees = Between(0, 35),
            TiltTo = Between(0, 360),
            TurnDegrees = Between(-25, 25),
            DistanceMm = Between(310, 390),
            BlurPixels = Between(0.5, 1.6),
            Exposure = Between(0.35, 0.85),
            Cast = 0.12 * Normal(),
            GreenCast = 0.03 * Normal(),
            Curve = Between(0.94, 1.06),
            FallX = Between(-0.3, 0.3),
            FallY = Between(-0.3, 0.3),
            Noise = Between(0.006, 0.03),
            Quality = random.Next(75, 96),
        };
        return beyond switch
        {
            PictureRefusal.NoCard => new(hair, card, shot with { MarkerCovered = true }, beyond),
            PictureRefusal.NotFlat => new(hair, card with { BendMm = Between(9, 20) }, shot with { TiltDegrees = Between(0, 25) }, beyond),
            PictureRefusal.TooTilted => new(hair, card, shot with { TiltDegrees = Between(43, 58) }, beyond),
            PictureRefusal.Blurred => new(hair, card, shot with { BlurPixels = Between(4.5, 9) }, beyond),
            PictureRefusal.TooDark => new(hair, card, shot with { Exposure = Between(0.02, 0.08) }, beyond),
            PictureRefusal.TooBright => new(hair, card, shot with { Exposure = Between(1.4, 2.5) }, beyond),
            PictureRefusal.TwoLights => new(hair, card, shot with { Second = (Lamp)(((int)shot.Lamp + 1 + random.Next(3)) % 4) }, beyond),
            PictureRefusal.NoHair => random.Next(2) == 0
                ? new(hair with { ReachMm = Between(4, 12) }, card, shot, beyond)
                : new(hair, card with { WindowCut = false }, shot, beyond),
            _ => new(hair, card, shot, null),
        };
    }
}
