namespace Kitto.Web.Tests;

/// <summary>Pictures as a camera writes them.</summary>
internal static class Camera
{
    /// <summary>A JPEG as a camera held sideways writes it: red left, blue right, orientation 6, and a place in its notes.</summary>
    public static byte[] Sideways()
    {
        using var surface = SkiaSharp.SKSurface.Create(new SkiaSharp.SKImageInfo(4000, 2000));
        surface.Canvas.Clear(SkiaSharp.SKColors.Red);
        surface.Canvas.DrawRect(2000, 0, 2000, 2000, new SkiaSharp.SKPaint { Color = SkiaSharp.SKColors.Blue });
        using var image = surface.Snapshot();
        byte[] plain = image.Encode(SkiaSharp.SKEncodedImageFormat.Jpeg, 90).ToArray();
        byte[] notes =
        [
            .. "Exif\0\0MM\0*"u8,
            0,
            0,
            0,
            8,
            0,
            2,
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            6,
            0,
            0,
            1,
            0x0E,
            0,
            2,
            0,
            0,
            0,
            15,
            0,
            0,
            0,
            0x26,
            0,
            0,
            0,
            0,
            .. "SECRET HARBOUR\0"u8,
        ];
        return [.. plain[..2], 0xFF, 0xE1, (byte)((notes.Length + 2) >> 8), (byte)(notes.Length + 2), .. notes, .. plain[2..]];
    }
}
