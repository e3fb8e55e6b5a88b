namespace Kitto.Core.Picture;

/// <summary>The line of demarcation in a profile.</summary>
/// <param name="Row">The row at which half of the hair has passed from one colour to the other.</param>
/// <param name="Regrowth">What is compared of the regrowth.</param>
/// <param name="Beyond">What is compared of what comes behind the line.</param>
/// <param name="BandTo">Where a band behind it ends, mm from the parting; null: none.</param>
internal sealed record Demarcation(double Row, double[] Regrowth, double[] Beyond, double? BandTo)
{
    /// <summary>Shadow and shine make light differ along hair of one colour by so much, ln; hue hardly (ours). Neighbouring rows share them: so many count as one.</summary>
    private static readonly double[] Along = [0.3, 0.13, 0.05];

    private const double Shared = 4;

    /// <summary>Regrowth and lengths that differ by less than this, noise by noise, show no line (ours).</summary>
    private const double Shows = 1.6;

    /// <summary>What each further part of the story costs (ours).</summary>
    private const double OfFade = 6,
        OfPassage = 2,
        OfPassageRow = 0.35,
        OfBand = 22;

    /// <summary>Stories that cost no more than this beyond the likeliest are told as well, and lines so far apart are not the same, mm (ours).</summary>
    private const double Doubt = 4,
        ElsewhereMm = 5;

    /// <summary>Longest passage from one colour to the other, and how far from the parting scalp may still be seen, mm (ours).</summary>
    private const double LongestPassageMm = 13,
        FadeToMm = 8;

    /// <summary>
    /// Tells the stretches of a profile as a story: scalp between the hairs, regrowth, the passage of the single hairs, a band perhaps, the lengths; of all ways to tell it the
    /// likeliest.
    /// </summary>
    /// <returns>The line, null where the story has none in it; and whether another story is as likely, so that neither is known.</returns>
    public static (Demarcation? Line, bool Doubtful) Of(IReadOnlyList<Plateau> cut, IReadOnlyList<double[]> rows)
    {
        int n = cut.Count;
        var stories = new List<(double Cost, Demarcation? Line)>();
        for (int fade = 0; fade < n && (fade == 0 || HairProfile.At(cut[fade - 1].To) <= FadeToMm); fade++)
        {
            double told = fade > 0 ? OfFade : 0;
            stories.Add((told + Scatter(cut, fade, n), null));
            for (int i = fade + 1; i < n; i++)
            {
                var a = Mean(cut, fade, i);
                for (int j = i; j < n; j++)
                {
                    double regrowth = told + Scatter(cut, fade, i);
                    if (Mean(cut, j, n) is var b && Differ(a, b) >= Shows && Passage(cut, i, j, a, b) is { } passed)
                    {
                        stories.Add((regrowth + passed + Scatter(cut, j, n), new Demarcation(Half(rows, cut[i - 1], cut[j], a, b), a, b, null)));
                    }

                    for (int k = j + 1; k < n; k++)
                    {
                        var band = Mean(cut, j, k);
                        if (Differ(a, band) < Shows || Passage(cut, i, j, a, band) is not { } first)
                        {
                            continue;
                        }

                        for (int l = k; l < n; l++)
                        {
                            if (Mean(cut, l, n) is var beyond && Differ(band, beyond) >= Shows && Passage(cut, k, l, band, beyond) is { } second)
                            {
                                stories.Add(
                                    (
                                        regrowth + first + OfBand + Scatter(cut, j, k) + second + Scatter(cut, l, n),
                                        new Demarcation(
                                            Half(rows, cut[i - 1], cut[j], a, band),
                                            a,
                                            band,
                                            HairProfile.At(Half(rows, cut[k - 1], cut[l], band, beyond))
                                        )
                                    )
                                );
                            }
                        }
                    }
                }
            }
        }

        var (least, best) = stories.MinBy(s => s.Cost);
        // Another story nearly as likely, with its line elsewhere or with none.
        bool doubtful = stories.Any(s =>
            s.Cost < least + Doubt
            && (
                (s.Line is null) != (best is null)
                || (s.Line is { } line && best is not null && Math.Abs(line.Row - best.Row) * HairProfile.RowMm > ElsewhereMm)
            )
        );
        return (best, doubtful);
    }

    /// <summary>The row at which one strip passes, near where the whole does.</summary>
    public static double InStrip(double[][] strip, Demarcation whole)
    {
        int from = Math.Max(0, (int)whole.Row - 18),
            to = Math.Min(strip.Length, (int)whole.Row + 18);
        return Crossing([.. strip[from..to].Select(r => Way(r, whole.Regrowth, whole.Beyond))], from) ?? whole.Row;
    }

    /// <summary>What a passage of the stretches from i up to j costs, between two colours: each of them lies on the way from one to the other. Null where it would be too long.</summary>
    private static double? Passage(IReadOnlyList<Plateau> cut, int i, int j, double[] a, double[] b)
    {
        if (i == j)
        {
            return 0;
        }

        double rows = cut[j - 1].To - cut[i].From;
        if (rows * HairProfile.RowMm > LongestPassageMm)
        {
            return null;
        }

        double cost = OfPassage + OfPassageRow * rows;
        for (int k = i; k < j; k++)
        {
            double way = Math.Clamp(Way(cut[k].Mean, a, b), 0, 1);
            double[] on = [.. a.Zip(b, (x, y) => x + way * (y - x))];
            cost += (cut[k].To - cut[k].From) / Shared * Math.Pow(Differ(cut[k].Mean, on), 2);
        }

        return cost;
    }

    private static double[] Mean(IReadOnlyList<Plateau> cut, int from, int to)
    {
        double rows = 0;
        double[] sum = new double[Along.Length];
        for (int i = from; i < to; i++)
        {
            double n = cut[i].To - cut[i].From;
            rows += n;
            for (int c = 0; c < sum.Length; c++)
            {
                sum[c] += n * cut[i].Mean[c];
            }
        }

        return [.. sum.Select(s => s / rows)];
    }

    /// <summary>How unlike the stretches of one part of the story are.</summary>
    private static double Scatter(IReadOnlyList<Plateau> cut, int from, int to)
    {
        double[] mean = Mean(cut, from, to);
        double cost = 0;
        for (int i = from; i < to; i++)
        {
            cost += (cut[i].To - cut[i].From) / Shared * Math.Pow(Differ(cut[i].Mean, mean), 2);
        }

        return cost;
    }

    private static double Differ(double[] a, double[] b)
    {
        double sum = 0;
        for (int c = 0; c < Along.Length; c++)
        {
            sum += Math.Pow((a[c] - b[c]) / Along[c], 2);
        }

        return Math.Sqrt(sum);
    }

    /// <summary>The row at which half has passed, between the end of one part and the beginning of the next.</summary>
    private static double Half(IReadOnlyList<double[]> rows, Plateau before, Plateau after, double[] a, double[] b)
    {
        int from = Math.Max(before.From, before.To - 10),
            to = Math.Min(after.To, after.From + 10);
        return Crossing([.. rows.Skip(from).Take(to - from).Select(r => Way(r, a, b))], from) ?? (before.To + after.From) / 2.0;
    }

    /// <summary>How far a row is on its way from one colour to the other: 0 at the first, 1 at the second.</summary>
    private static double Way(double[] row, double[] a, double[] b)
    {
        double along = 0,
            all = 0;
        for (int c = 0; c < Along.Length; c++)
        {
            double w = (b[c] - a[c]) / (Along[c] * Along[c]);
            (along, all) = (along + (row[c] - a[c]) * w, all + (b[c] - a[c]) * w);
        }

        return along / all;
    }

    /// <summary>The row at which a way from 0 to 1 passes the half: the cut that leaves least on the wrong side.</summary>
    private static double? Crossing(double[] way, int from)
    {
        double best = double.PositiveInfinity,
            at = 0,
            cost = way.Sum(w => Math.Min(1.5, Math.Max(-0.5, w)) < 0.5 ? 0.5 - Math.Max(-0.5, w) : 0);
        // Before the first row all lies beyond; each row that is taken over to the regrowth costs what it is past the half.
        for (int t = 0; t <= way.Length; t++)
        {
            if (cost < best)
            {
                (best, at) = (cost, t);
            }

            if (t < way.Length)
            {
                cost += Math.Clamp(way[t], -0.5, 1.5) - 0.5;
            }
        }

        return way.Length == 0 || at == 0 || (int)at == way.Length ? null : from + at;
    }
}
