using System.Buffers.Binary;
using Kitto.Core.Picture;

namespace Kitto.Pictures;

/// <summary>What a picture's file says of itself, read before anything is unpacked.</summary>
public static class PictureFile
{
    /// <summary>Largest file, bytes.</summary>
    public const int MostBytes = 20 << 20;

    /// <summary>Most pixels.</summary>
    public const long MostPixels = 40_000_000;

    /// <summary>Shortest side that is measured in, pixels.</summary>
    public const int LeastSide = 600;

    /// <summary>Why a file is not taken; null where its head is in order.</summary>
    public static FileRefusal? Refuses(ReadOnlySpan<byte> file)
    {
        if (file.Length > MostBytes)
        {
            return FileRefusal.TooLarge;
        }

        if (Kind(file) == 0)
        {
            return FileRefusal.NotAPicture;
        }

        return Size(file) is not { } size ? FileRefusal.Broken
            : (long)size.Width * size.Height > MostPixels ? FileRefusal.TooManyPixels
            : Math.Min(size.Width, size.Height) < LeastSide ? FileRefusal.TooFewPixels
            : null;
    }

    private static int Kind(ReadOnlySpan<byte> file) =>
        file.StartsWith((ReadOnlySpan<byte>)[0xff, 0xd8, 0xff]) ? 1
        : file.StartsWith((ReadOnlySpan<byte>)[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]) ? 2
        : 0;

    /// <summary>Size by its head: IHDR of PNG (ISO/IEC 15948), start of frame of JPEG (ITU-T T.81); null where there is none.</summary>
    public static (int Width, int Height)? Size(ReadOnlySpan<byte> file)
    {
        if (Kind(file) == 2)
        {
            return file.Length < 24 || !file[12..16].SequenceEqual("IHDR"u8) ? null
                : (BinaryPrimitives.ReadInt32BigEndian(file[16..]), BinaryPrimitives.ReadInt32BigEndian(file[20..])) is { Item1: > 0, Item2: > 0 } size ? size
                : null;
        }

        for (int at = 2; at + 9 < file.Length; )
        {
            if (file[at] != 0xff)
            {
                return null;
            }

            byte marker = file[at + 1];
            if (marker is 0xff or 0x01 or (>= 0xd0 and <= 0xd7))
            {
                at += marker == 0xff ? 1 : 2;
                continue;
            }

            if (marker is >= 0xc0 and <= 0xcf and not 0xc4 and not 0xc8 and not 0xcc)
            {
                var (height, width) = (BinaryPrimitives.ReadUInt16BigEndian(file[(at + 5)..]), BinaryPrimitives.ReadUInt16BigEndian(file[(at + 7)..]));
                return width > 0 && height > 0 ? (width, height) : null;
            }

            int length = BinaryPrimitives.ReadUInt16BigEndian(file[(at + 2)..]);
            if (length < 2 || marker == 0xda)
            {
                return null;
            }

            at += 2 + length;
        }

        return null;
    }
}
