namespace Kitto.Core.Picture;

/// <summary>Why a file is not taken.</summary>
public enum FileRefusal
{
    /// <summary>It is neither JPEG nor PNG.</summary>
    NotAPicture,

    /// <summary>The file is too large.</summary>
    TooLarge,

    /// <summary>It has more pixels than are looked at.</summary>
    TooManyPixels,

    /// <summary>It is too small to measure in.</summary>
    TooFewPixels,

    /// <summary>It says it is a picture and cannot be opened.</summary>
    Broken,

    /// <summary>This machine lacks what opens pictures.</summary>
    NotHere,
}

/// <summary>What is answered of one picture.</summary>
/// <param name="File">Why the file was not taken; null where it was.</param>
/// <param name="Reading">What was measured, or why not.</param>
/// <param name="Width">Its width, pixels, as it was looked at.</param>
/// <param name="Height">Its height.</param>
/// <param name="Card">From millimetres of the card to its pixels, row by row; null where no card was found.</param>
/// <param name="Jpeg">The picture made small, with nothing the camera wrote into its file; null where it was not opened.</param>
public sealed record PictureAnswer(FileRefusal? File, PictureReading? Reading, int Width, int Height, IReadOnlyList<double>? Card, byte[]? Jpeg);
