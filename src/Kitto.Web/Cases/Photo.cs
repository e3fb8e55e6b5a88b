using SkiaSharp;

namespace Kitto.Web.Cases;

/// <summary>Takes in a photograph: turned upright, made small, and without anything the camera wrote into the file.</summary>
public static class Photo
{
    /// <summary>Largest file that is taken, bytes.</summary>
    public const int MostBytes = 12 * 1024 * 1024;

    /// <summary>Longest side that is kept, pixels.</summary>
    public const int LongestSide = 1600;

    /// <summary>Most pixels of a picture that is read at all.</summary>
    public const long MostPixels = 60_000_000;

    /// <summary>What is taken, in words.</summary>
    public const string Range = "a JPEG, PNG or WebP picture of at most 12 MB";

    /// <summary>The picture as a small JPEG; null where it is not one that can be read.</summary>
    public static byte[]? Take(byte[] file)
    {
        if (file.Length is 0 or > MostBytes)
        {
            return null;
        }

        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || (long)codec.Info.Width * codec.Info.Height > MostPixels)
        {
            return null;
        }

        using var read = SKBitmap.Decode(codec);
        if (read is null)
        {
            return null;
        }

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
        return jpeg?.ToArray();
    }

    /// <summary>From how the camera was held to how the picture is looked at.</summary>
    private static SKMatrix Upright(SKEncodedOrigin origin, int w, int h) => origin switch
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
