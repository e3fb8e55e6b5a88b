using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>Red, green and blue in proportion to light, 0 for none.</summary>
public readonly record struct Rgb(double R, double G, double B)
{
    /// <summary>Luminance by the primaries of sRGB (IEC 61966-2-1).</summary>
    public double Luminance => 0.2126 * R + 0.7152 * G + 0.0722 * B;

    /// <summary>As a colour under D65, white at 1.</summary>
    public Lab Lab =>
        Lab.From(
            new Xyz(
                0.41239079926595934 * R + 0.357584339383878 * G + 0.1804807884018343 * B,
                0.21263900587151027 * R + 0.715168678767756 * G + 0.07219231536073371 * B,
                0.01933081871559182 * R + 0.11919477979462598 * G + 0.9505321522496607 * B
            ),
            Xyz.D65
        );

    /// <summary>The sum.</summary>
    public static Rgb operator +(Rgb a, Rgb b) => new(a.R + b.R, a.G + b.G, a.B + b.B);

    /// <summary>So much of it.</summary>
    public static Rgb operator *(Rgb a, double times) => new(a.R * times, a.G * times, a.B * times);

    /// <summary>Channel by channel.</summary>
    public static Rgb operator /(Rgb a, Rgb b) => new(a.R / b.R, a.G / b.G, a.B / b.B);
}

/// <summary>A picture flattened onto the card's plane, in linear light.</summary>
public sealed class FlatPicture
{
    /// <summary>Pixels to a millimetre.</summary>
    public const double PerMm = 10;

    /// <summary>What is seen of the plane, mm: the card, the parting above it, a little beside.</summary>
    public const double FromX = -4,
        FromY = -12,
        ToX = 96,
        ToY = 134;

    /// <summary>Its size, pixels.</summary>
    public const int Columns = (int)((ToX - FromX) * PerMm),
        Rows = (int)((ToY - FromY) * PerMm);

    private static readonly float[] Decoded =
    [
        .. Enumerable.Range(0, 256).Select(v => v / 255.0).Select(v => (float)(v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4))),
    ];

    private readonly float[] r = new float[Columns * Rows],
        g = new float[Columns * Rows],
        b = new float[Columns * Rows];

    /// <summary>From bytes of sRGB (IEC 61966-2-1), row by row.</summary>
    /// <param name="bgr">Blue, green, red of each pixel.</param>
    /// <exception cref="ArgumentException">There are not as many as the plane has.</exception>
    public FlatPicture(ReadOnlySpan<byte> bgr)
    {
        if (bgr.Length != Columns * Rows * 3)
        {
            throw new ArgumentException($"{Columns} x {Rows} pixels of three bytes are wanted.", nameof(bgr));
        }

        for (int i = 0; i < r.Length; i++)
        {
            (b[i], g[i], r[i]) = (Decoded[bgr[3 * i]], Decoded[bgr[3 * i + 1]], Decoded[bgr[3 * i + 2]]);
        }
    }

    /// <summary>The column of a place, mm, kept within the picture.</summary>
    public static int Column(double x) => Math.Clamp((int)Math.Round((x - FromX) * PerMm - 0.5), 0, Columns - 1);

    /// <summary>The row of a place, mm, kept within the picture.</summary>
    public static int Row(double y) => Math.Clamp((int)Math.Round((y - FromY) * PerMm - 0.5), 0, Rows - 1);

    /// <summary>A pixel.</summary>
    public Rgb this[int column, int row]
    {
        get
        {
            int i = row * Columns + column;
            return new Rgb(r[i], g[i], b[i]);
        }
    }

    /// <summary>The mean over a rectangle, and the share of its pixels that the camera could not tell from full white.</summary>
    public (Rgb Mean, double Clipped) Over(Patch patch)
    {
        var sum = default(Rgb);
        int count = 0,
            clipped = 0;
        int x1 = Column(patch.X + patch.Width),
            y1 = Row(patch.Y + patch.Height);
        for (int y = Row(patch.Y); y <= y1; y++)
        {
            for (int x = Column(patch.X); x <= x1; x++)
            {
                var at = this[x, y];
                sum += at;
                count++;
                clipped += at.R > 0.97 || at.G > 0.97 || at.B > 0.97 ? 1 : 0;
            }
        }

        return (sum * (1.0 / count), (double)clipped / count);
    }
}
