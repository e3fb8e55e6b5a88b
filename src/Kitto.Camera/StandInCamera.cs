namespace Kitto.Camera;

/// <summary>A picture as a camera writes it, before it is packed.</summary>
/// <param name="Width">Pixels across.</param>
/// <param name="Height">Pixels down.</param>
/// <param name="Bgr">Blue, green, red, row by row, sRGB.</param>
public sealed record RawPicture(int Width, int Height, byte[] Bgr);

/// <summary>
/// A stand-in for a phone's camera: draws a parting of a known head with the card under its hair, from the side, in some light, blurred and noisy.
/// Its geometry, its lamps and its sensors are its own; of the engine it has the amount of melanin of a level alone.
/// </summary>
public static class StandInCamera
{
    /// <summary>Takes the picture. The same seed gives the same picture.</summary>
    public static RawPicture Take(DrawnHair hair, DrawnCard card, Shot shot, int seed)
    {
        var drawing = Head(hair, shot.Lamp, seed).Under(card, hair, shot.Lamp, shot.MarkerCovered, seed);
        var second = shot.Second is { } lamp ? Head(hair, lamp, seed).Under(card, hair, lamp, shot.MarkerCovered, seed) : null;
        float[] plane = Project(drawing, second, card, shot);
        Blur(plane, shot);
        return new RawPicture(shot.Width, shot.Height, Develop(plane, shot, new Random(seed + 2)));
    }

    /// <summary>So many heads stay drawn.</summary>
    private const int Most = 3;

    private static readonly Lock Turn = new();
    private static readonly List<((DrawnHair, Lamp, int) Of, Drawing Drawing)> Drawn = [];

    /// <summary>The head before the camera; taken again, from elsewhere or under another card, it is not drawn again.</summary>
    private static Drawing Head(DrawnHair hair, Lamp lamp, int seed)
    {
        var asked = (hair, lamp, seed);
        lock (Turn)
        {
            if (Drawn.Find(d => d.Of == asked) is { Drawing: { } kept })
            {
                return kept;
            }
        }

        var drawing = Drawing.Of(hair, lamp, seed);
        lock (Turn)
        {
            Drawn.Add((asked, drawing));
            if (Drawn.Count > Most)
            {
                Drawn.RemoveAt(0);
            }
        }

        return drawing;
    }

    /// <summary>Every pixel's line of sight meets the plane of the card; two lines a pixel.</summary>
    private static float[] Project(Drawing drawing, Drawing? second, DrawnCard card, Shot shot)
    {
        float[] plane = new float[shot.Width * shot.Height * 3];
        double tilt = shot.TiltDegrees * Math.PI / 180,
            to = shot.TiltTo * Math.PI / 180,
            turn = shot.TurnDegrees * Math.PI / 180;
        // The eye looks at the middle of the card, from aside by the tilt; as far as the card fills four fifths of the width at 330 mm.
        const double MiddleX = 46,
            MiddleY = 58;
        double focal = shot.Width * 2.35;
        double[] eye = [Math.Sin(tilt) * Math.Cos(to) * shot.DistanceMm, Math.Sin(tilt) * Math.Sin(to) * shot.DistanceMm, Math.Cos(tilt) * shot.DistanceMm],
            ahead = [-eye[0] / shot.DistanceMm, -eye[1] / shot.DistanceMm, -eye[2] / shot.DistanceMm];
        // Right and down on the picture, as near to those of the card as the tilt lets them.
        double dot = ahead[0];
        double[] right = Unit([1 - dot * ahead[0], -dot * ahead[1], -dot * ahead[2]]),
            below = [ahead[1] * right[2] - ahead[2] * right[1], ahead[2] * right[0] - ahead[0] * right[2], ahead[0] * right[1] - ahead[1] * right[0]];
        if (below[1] < 0)
        {
            below = [-below[0], -below[1], -below[2]];
        }

        double[] r = [.. right.Select((v, i) => v * Math.Cos(turn) + below[i] * Math.Sin(turn))],
            d = [.. below.Select((v, i) => v * Math.Cos(turn) - right[i] * Math.Sin(turn))];
        Parallel.For(
            0,
            shot.Height,
            row =>
            {
                Span<double> one = stackalloc double[3],
                    other = stackalloc double[3];
                for (int column = 0; column < shot.Width; column++)
                {
                    double red = 0,
                        green = 0,
                        blue = 0;
                    for (int s = 0; s < 2; s++)
                    {
                        double u = (column + 0.25 + 0.5 * s - shot.Width / 2.0) / focal,
                            v = (row + 0.25 + 0.5 * s - shot.Height / 2.0) / focal;
                        double dx = ahead[0] + r[0] * u + d[0] * v,
                            dy = ahead[1] + r[1] * u + d[1] * v,
                            dz = ahead[2] + r[2] * u + d[2] * v;
                        double far = -eye[2] / dz,
                            x = MiddleX + eye[0] + dx * far,
                            y = MiddleY + eye[1] + dy * far;
                        if (card.BendMm != 0 && y > 0)
                        {
                            // The middle bends up to the eye: the line of sight meets it earlier.
                            double height = card.BendMm * Math.Max(0, 1 - Math.Pow((y - 65) / 65, 2));
                            far = (height - eye[2]) / dz;
                            (x, y) = (MiddleX + eye[0] + dx * far, MiddleY + eye[1] + dy * far);
                        }

                        drawing.At(x, y, one);
                        if (second is not null)
                        {
                            second.At(x, y, other);
                            double share = 1 / (1 + Math.Exp(-(x - 46) / 18));
                            // The second lamp is not the one the camera is balanced to.
                            (one[0], one[1], one[2]) = (
                                one[0] * (1 - share) + other[0] * share * 1.5,
                                one[1] * (1 - share) + other[1] * share,
                                one[2] * (1 - share) + other[2] * share * 0.55
                            );
                        }

                        double lit = Math.Exp(shot.FallX * (x - 46) / 92 + shot.FallY * (y - 65) / 130);
                        (red, green, blue) = (red + one[0] * lit, green + one[1] * lit, blue + one[2] * lit);
                    }

                    double edge = Math.Pow(column / (double)shot.Width - 0.5, 2) + Math.Pow(row / (double)shot.Height - 0.5, 2),
                        dim = (1 - 0.18 * edge / 0.5) / 2;
                    int at = (row * shot.Width + column) * 3;
                    (plane[at], plane[at + 1], plane[at + 2]) = ((float)(red * dim), (float)(green * dim), (float)(blue * dim));
                }
            }
        );
        return plane;
    }

    private static double[] Unit(double[] v)
    {
        double length = Math.Sqrt(v.Sum(c => c * c));
        return [.. v.Select(c => c / length)];
    }

    private static void Blur(float[] plane, Shot shot)
    {
        int reach = (int)Math.Ceiling(3 * shot.BlurPixels);
        if (reach == 0)
        {
            return;
        }

        float[] bell = [.. Enumerable.Range(-reach, 2 * reach + 1).Select(i => (float)Math.Exp(-i * i / (2 * shot.BlurPixels * shot.BlurPixels)))];
        float sum = bell.Sum();
        float[] between = new float[plane.Length];
        void Pass(float[] from, float[] to, int step, int count, int lines, int line)
        {
            Parallel.For(
                0,
                lines,
                l =>
                {
                    for (int i = 0; i < count; i++)
                    {
                        for (int c = 0; c < 3; c++)
                        {
                            float v = 0;
                            for (int k = -reach; k <= reach; k++)
                            {
                                v += bell[k + reach] * from[l * line + Math.Clamp(i + k, 0, count - 1) * step + c];
                            }

                            to[l * line + i * step + c] = v / sum;
                        }
                    }
                }
            );
        }

        Pass(plane, between, 3, shot.Width, shot.Height, shot.Width * 3);
        Pass(between, plane, shot.Width * 3, shot.Height, shot.Width, 3);
    }

    /// <summary>Exposure, what is left of the lamp's colour, noise, the curve, bytes.</summary>
    private static byte[] Develop(float[] plane, Shot shot, Random random)
    {
        byte[] bytes = new byte[plane.Length];
        // Noise and curve from tables: a picture has thirteen million of each.
        float[] noise = [.. Enumerable.Range(0, 1 << 16).Select(_ => (float)Drawing.Normal(random))];
        byte[] coded = [.. Enumerable.Range(0, Steps + 1).Select(i => Coded(Math.Pow((double)i / Steps, shot.Curve)))];
        double[] gain =
        [
            shot.Exposure / 0.86 * Math.Exp(shot.Cast / 2),
            shot.Exposure / 0.86 * Math.Exp(shot.GreenCast),
            shot.Exposure / 0.86 * Math.Exp(-shot.Cast / 2),
        ];
        for (int i = 0; i < plane.Length; i += 3)
        {
            for (int c = 0; c < 3; c++)
            {
                double v = Math.Max(0, plane[i + c] * gain[c]);
                v += noise[random.Next(1 << 16)] * shot.Noise * Math.Sqrt(0.2 * v + 0.004);
                bytes[i + 2 - c] = coded[(int)(Math.Clamp(v, 0, 1) * Steps)];
            }
        }

        return bytes;
    }

    private const int Steps = 1 << 14;

    /// <summary>The standard curve (IEC 61966-2-1).</summary>
    private static byte Coded(double v) => (byte)Math.Round((v <= 0.0031308 ? 12.92 * v : 1.055 * Math.Pow(v, 1 / 2.4) - 0.055) * 255);
}
