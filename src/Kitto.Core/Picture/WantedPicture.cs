using Kitto.Core.Head;

namespace Kitto.Core.Picture;

/// <summary>What a picture of a head shows.</summary>
public enum PictureKind
{
    /// <summary>A parting with the card over the hair beside it: regrowth, white and level are measured.</summary>
    Parting,

    /// <summary>A lock of the lengths laid on the card: their colour is measured.</summary>
    Lock,

    /// <summary>The whole head by a window, without the card: it is looked at.</summary>
    Whole,
}

/// <summary>A picture that a client is asked for. Zone is the crown where the whole head is meant.</summary>
public readonly record struct WantedPicture(PictureKind Kind, Zone Zone)
{
    /// <summary>All that are asked for, what decides most first: the hairline and the temples are seen by everybody and hold most of the white (common practice).</summary>
    public static IReadOnlyList<WantedPicture> All { get; } =
    [
        new(PictureKind.Parting, Zone.FrontHairline),
        new(PictureKind.Parting, Zone.LeftTemple),
        new(PictureKind.Parting, Zone.RightTemple),
        new(PictureKind.Parting, Zone.Crown),
        new(PictureKind.Parting, Zone.Nape),
        new(PictureKind.Lock, Zone.Crown),
        new(PictureKind.Whole, Zone.Crown),
    ];
}
