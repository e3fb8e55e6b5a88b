using SkiaSharp;

namespace Kitto.Pictures;

/// <summary>Takes in a picture that is looked at, not measured: turned upright, made small, and without anything the camera wrote into the file. JPEG, PNG or WebP.</summary>
public static class PlainPicture
{
    /// <summary>Longest side that is kept, pixels.</summary>
    public const int LongestSide = 1600;

    /// <summary>Most pixels of a picture that is read at all; its header says how many before anything is unpacked.</summary>
    public const long MostPixels = 50_000_000;

    /// <summary>Most pixels that are unpacked: a picture that cannot be unpacked at a smaller size must have no more.</summary>
    public const long MostUnpacked = 24_000_000;

    /// <summary>The picture as a small JPEG with its size; null where it is not one that can be read.</summary>
    public static (byte[] Jpeg, int Width, int Height)? Take(byte[] file)
    {
        if (file.Length is 0 or > PictureFile.MostBytes)
        {
            return null;
        }

        // Nothing is copied: the bytes stay where they are while the picture is read.
        using var pinned = new MemoryStream(file, writable: false);
        using var data = SKData.Create(pinned);
        using var codec = SKCodec.Create(data);
        if (codec is null || (long)codec.Info.Width * codec.Info.Height > MostPixels)
        {
            return null;
        }

        // A JPEG is unpacked at the smallest size that is still as long as what is kept.
        float wanted = Math.Clamp((float)LongestSide / Math.Max(codec.Info.Width, codec.Info.Height), 0.1f, 1);
        var size = codec.GetScaledDimensions(wanted);
        while (Math.Max(size.Width, size.Height) < LongestSide && wanted < 1)
        {
            wanted = Math.Min(1, wanted * 1.2f);
            size = codec.GetScaledDimensions(wanted);
        }

        if ((long)size.Width * size.Height > MostUnpacked)
        {
            return null;
        }

        using var read = SKBitmap.Decode(codec, new SKImageInfo(size.Width, size.Height));
        if (read is null)
        {
            return null;
        }

        // Nobody writes into it any more: the image below is the same memory, not a copy.
        read.SetImmutable();
        bool sideways = codec.EncodedOrigin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        float scale = Math.Min(1f, (float)LongestSide / Math.Max(read.Width, read.Height));
        int width = Math.Max(1, (int)Math.Round((sideways ? read.Height : read.Width) * scale));
        int height = Math.Max(1, (int)Math.Round((sideways ? read.Width : read.Height) * scale));
        using var small = SKSurface.Create(new SKImageInfo(width, height));
        var canvas = small.Canvas;
        canvas.Clear(SKColors.White);
        canvas.Concat(Upright(codec.EncodedOrigin, width, height));
        canvas.Scale(scale);
        using var image = SKImage.FromBitmap(read);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var done = small.Snapshot();
        using var jpeg = done.Encode(SKEncodedImageFormat.Jpeg, 82);
        return jpeg is null ? null : (jpeg.ToArray(), width, height);
    }

    /// <summary>From how the camera was held to how the picture is looked at.</summary>
    /// <summary>Packs what a stand-in camera has taken.</summary>
    /// <param name="width">Pixels across.</param>
    /// <param name="height">Pixels down.</param>
    /// <param name="bgr">Blue, green, red, row by row, sRGB.</param>
    public static byte[] Pack(int width, int height, byte[] bgr)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Bgra8888, SKAlphaType.Opaque);
        byte[] pixels = new byte[width * height * 4];
        for (int i = 0; i < width * height; i++)
        {
            bgr.AsSpan(3 * i, 3).CopyTo(pixels.AsSpan(4 * i));
            pixels[4 * i + 3] = 255;
        }

        System.Runtime.InteropServices.Marshal.Copy(pixels, 0, bitmap.GetPixels(), pixels.Length);
        using var packed = bitmap.Encode(SKEncodedImageFormat.Jpeg, 85);
        return packed.ToArray();
    }

    private static SKMatrix Upright(SKEncodedOrigin origin, int w, int h) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, w, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, w, -1, 0, h, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, h, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
}
