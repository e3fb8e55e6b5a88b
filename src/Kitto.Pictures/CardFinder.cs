using System.Runtime.InteropServices;
using Kitto.Core.Picture;
using OpenCvSharp;
using OpenCvSharp.Aruco;

namespace Kitto.Pictures;

/// <summary>Opens a picture, finds the card in it, and lays its plane flat. All that knows the image library is here.</summary>
public static class CardFinder
{
    /// <summary>Longest side a picture is looked at with, pixels.</summary>
    public const int LongestSide = 2400;

    /// <summary>Opens a file.</summary>
    /// <returns>Null where it cannot be opened.</returns>
    public static Mat? Open(byte[] file)
    {
        try
        {
            var picture = Cv2.ImDecode(file, ImreadModes.Color);
            if (picture.Empty())
            {
                picture.Dispose();
                return null;
            }

            return Smaller(picture);
        }
        catch (OpenCVException)
        {
            return null;
        }
    }

    /// <summary>From bytes as a camera writes them.</summary>
    public static Mat Of(int width, int height, byte[] bgr)
    {
        var picture = new Mat(height, width, MatType.CV_8UC3);
        Marshal.Copy(bgr, 0, picture.Data, bgr.Length);
        return picture;
    }

    /// <summary>Packs a picture as JPEG.</summary>
    public static byte[] Jpeg(Mat picture, int quality)
    {
        Cv2.ImEncode(".jpg", picture, out byte[] file, new ImageEncodingParam(ImwriteFlags.JpegQuality, quality));
        return file;
    }

    /// <summary>Packs a picture as PNG.</summary>
    public static byte[] Png(Mat picture)
    {
        Cv2.ImEncode(".png", picture, out byte[] file);
        return file;
    }

    private static Mat Smaller(Mat picture)
    {
        int longest = Math.Max(picture.Width, picture.Height);
        if (longest <= LongestSide)
        {
            return picture;
        }

        double by = (double)LongestSide / longest;
        var small = new Mat();
        Cv2.Resize(picture, small, default, by, by, InterpolationFlags.Area);
        picture.Dispose();
        return small;
    }

    /// <summary>How the card lies in a picture; null where not enough of it is seen. A blurred one is found when it is made small, so that it is refused for its blur.</summary>
    public static CardSeen? Find(Mat picture)
    {
        using var grey = new Mat();
        Cv2.CvtColor(picture, grey, ColorConversionCodes.BGR2GRAY);
        for (int smaller = 1; smaller <= 8; smaller *= 2)
        {
            using var small = new Mat();
            Cv2.Resize(grey, small, default, 1.0 / smaller, 1.0 / smaller, InterpolationFlags.Area);
            if (CardSeen.Of(Markers(small, smaller)) is { } seen)
            {
                return seen;
            }
        }

        return null;
    }

    private static Dictionary<int, IReadOnlyList<Core.Picture.Point>> Markers(Mat grey, int times)
    {
        using var words = CvAruco.GetPredefinedDictionary(PredefinedDictionaryType.Dict4X4_50);
        using var detector = new ArucoDetector(
            words,
            new DetectorParameters
            {
                CornerRefinementMethod = CornerRefineMethod.Subpix,
                CornerRefinementWinSize = 5,
                AdaptiveThreshWinSizeMin = 5,
                AdaptiveThreshWinSizeMax = 45,
                AdaptiveThreshWinSizeStep = 20,
                MinMarkerPerimeterRate = 0.04,
            },
            new RefineParameters()
        );
        detector.DetectMarkers(grey, out var corners, out int[] ids, out _);
        var found = new Dictionary<int, IReadOnlyList<Core.Picture.Point>>();
        for (int i = 0; i < ids.Length; i++)
        {
            if (ids[i] < MeasuringCard.Markers.Count)
            {
                found[ids[i]] = [.. corners[i].Select(c => new Core.Picture.Point((c.X + 0.5) * times - 0.5, (c.Y + 0.5) * times - 0.5))];
            }
        }

        return found;
    }

    /// <summary>The plane of the card, laid flat.</summary>
    public static FlatPicture Flat(Mat picture, CardSeen card)
    {
        // From a pixel of the flat picture to one of the picture: pixels to millimetres, then as the card lies.
        double[] h = [.. card.ToPicture.Entries];
        double s = 1 / FlatPicture.PerMm,
            ox = FlatPicture.FromX + s / 2,
            oy = FlatPicture.FromY + s / 2;
        double[] m = new double[9];
        for (int r = 0; r < 3; r++)
        {
            (m[3 * r], m[3 * r + 1], m[3 * r + 2]) = (h[3 * r] * s, h[3 * r + 1] * s, h[3 * r] * ox + h[3 * r + 1] * oy + h[3 * r + 2]);
        }

        using var map = Mat.FromPixelData(3, 3, MatType.CV_64FC1, m);
        using var flat = new Mat();
        Cv2.WarpPerspective(
            picture,
            flat,
            map,
            new Size(FlatPicture.Columns, FlatPicture.Rows),
            InterpolationFlags.Linear | InterpolationFlags.WarpInverseMap,
            BorderTypes.Replicate
        );
        byte[] bytes = new byte[FlatPicture.Columns * FlatPicture.Rows * 3];
        Marshal.Copy(flat.Data, bytes, 0, bytes.Length);
        return new FlatPicture(bytes);
    }

    /// <summary>Reads a picture that was opened.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="scale">How true the card is printed.</param>
    /// <param name="kind">What it shows.</param>
    public static PictureReading Read(Mat picture, CardScale scale, PictureKind kind = PictureKind.Parting) => Read(picture, Find(picture), scale, kind);

    /// <summary>The same where the card was found.</summary>
    internal static PictureReading Read(Mat picture, CardSeen? card, CardScale scale, PictureKind kind) =>
        HairReader.Refuses(card) is { } refused ? new PictureReading(refused)
        : kind == PictureKind.Lock ? HairReader.ReadLock(Flat(picture, card!), card!)
        : HairReader.Read(Flat(picture, card!), card!, scale);
}
