using Kitto.Core.Trade;

namespace Kitto.Core.Head;

/// <summary>The nine zones of the head.</summary>
public enum Zone
{
    /// <summary>The front hairline.</summary>
    FrontHairline,

    /// <summary>Her left temple.</summary>
    LeftTemple,

    /// <summary>Her right temple.</summary>
    RightTemple,

    /// <summary>Left front quarter.</summary>
    LeftFront,

    /// <summary>Right front quarter.</summary>
    RightFront,

    /// <summary>The crown.</summary>
    Crown,

    /// <summary>Left back quarter.</summary>
    LeftBack,

    /// <summary>Right back quarter.</summary>
    RightBack,

    /// <summary>The nape.</summary>
    Nape,
}

/// <summary>What is the same on every head about a zone.</summary>
/// <param name="Zone">Which.</param>
/// <param name="HairShare">Its part of the head's hair, 0 to 1; the nine add up to one (ours).</param>
/// <param name="Seen">How much it is seen, before its hair share and normalising (ours, tables).</param>
/// <param name="ShadowTail">How far a root shadow is feathered past the line here (SV5; tables).</param>
public sealed record ZoneFacts(Zone Zone, Share HairShare, double Seen, Millimetres ShadowTail);

/// <summary>The nine zones in the order of the contract.</summary>
public static class Zones
{
    /// <summary>Facts of every zone, indexed by <see cref="Zone"/>.</summary>
    public static IReadOnlyList<ZoneFacts> All { get; } =
    [
        Make(Zone.FrontHairline, .08, 2, Values.TailFrontMm),
        Make(Zone.LeftTemple, .04, 2, Values.TailFrontMm),
        Make(Zone.RightTemple, .04, 2, Values.TailFrontMm),
        Make(Zone.LeftFront, .17, 1.3, Values.TailSideMm),
        Make(Zone.RightFront, .17, 1.3, Values.TailSideMm),
        Make(Zone.Crown, .14, 1.5, Values.TailSideMm),
        Make(Zone.LeftBack, .15, 1, Values.TailBackMm),
        Make(Zone.RightBack, .15, 1, Values.TailBackMm),
        Make(Zone.Nape, .06, .8, Values.TailBackMm),
    ];

    private static readonly double SeenTotal = All.Sum(z => z.Seen * z.HairShare.Value);

    /// <summary>The facts of one zone.</summary>
    public static ZoneFacts Facts(this Zone zone) => All[(int)zone];

    /// <summary>Whether it frames the face: the hairline and the temples, which may be left bright (SV5, SV16).</summary>
    public static bool IsFrame(this Zone zone) => zone is Zone.FrontHairline or Zone.LeftTemple or Zone.RightTemple;

    /// <summary>How much of what is seen lies in this zone; the nine add up to one.</summary>
    public static double SeenWeight(this Zone zone) => All[(int)zone].Seen * All[(int)zone].HairShare.Value / SeenTotal;

    private static ZoneFacts Make(Zone zone, double share, double seen, double tailMm) => new(zone, Share.Of(share), seen, Millimetres.Of(tailMm));
}
