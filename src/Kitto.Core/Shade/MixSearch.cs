using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>A mix that the search found.</summary>
/// <param name="Parts">Shades and shares, greatest first.</param>
/// <param name="DeltaE">Weighted dE00 to the target.</param>
/// <param name="GreyContrast">Weighted dE00 between white and pigmented fibres.</param>
/// <param name="Objective">What the search makes least (tables).</param>
public sealed record Found(IReadOnlyList<MixPart> Parts, double DeltaE, double GreyContrast, double Objective);

/// <summary>What a search came to.</summary>
/// <param name="Mixes">The best mix of each idea, best first.</param>
/// <param name="LookedAt">How many mixes were looked at; the others could be dismissed unseen.</param>
public sealed record Ideas(IReadOnlyList<Found> Mixes, int LookedAt);

/// <summary>
/// Finds the best mixes of up to three shades of a line and one concentrate, in quarters, thirds and tenths (SH7): the true best over that grid.
/// What is returned are ideas: for every set of families its best mix, the best sets first. Mixes that cannot be among them are dismissed by <see cref="MixBounds"/>.
/// </summary>
public sealed class MixSearch
{
    private const double StepShare = 0.21;

    private readonly MixScorer scorer;
    private readonly MixRules rules;
    private readonly bool leaves;
    private readonly (int Families, GridMix Mix, Score Score)[] best;
    private readonly string[] codes;
    private readonly int[] levels;
    private int found;

    private MixSearch(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right, int ideas)
    {
        scorer = new MixScorer(canvas, rules);
        this.rules = rules;
        leaves = right is not null;
        Right = right;
        best = new (int, GridMix, Score)[ideas];
        codes = [.. scorer.Shades.Select(s => s.Shade.Code)];
        levels = [.. scorer.Shades.Select(s => s.Shade.Level)];
    }

    private IReadOnlyList<MixPart>? Right { get; }

    private int lookedAt;

    /// <summary>The best ideas, best first.</summary>
    /// <param name="canvas">What the mix meets, and the wish. Its line has shades with depth.</param>
    /// <param name="rules">The rules that each mix keeps.</param>
    /// <param name="right">A last formula that was reported right; to leave it costs.</param>
    /// <param name="ideas">How many, 1 or more.</param>
    public static Ideas Best(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right = null, int ideas = 4)
    {
        var search = new MixSearch(canvas, rules, right, ideas);
        search.Run(canvas);
        return search.Result();
    }

    /// <summary>The same by looking at every mix of the grid: slow, kept to check the search against.</summary>
    public static Ideas BestOfAll(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right = null, int ideas = 4)
    {
        var search = new MixSearch(canvas, rules, right, ideas);
        search.Every((in GridMix mix) => search.Try(mix, double.MaxValue));
        return search.Result();
    }

    private Ideas Result() =>
        new([.. best.Take(found).Select(b => new Found(scorer.Parts(b.Mix), b.Score.DeltaE, b.Score.GreyContrast, b.Score.Objective))], lookedAt);

    private delegate void Visit(in GridMix mix);

    private void Every(Visit visit)
    {
        int n = scorer.Shades.Length;
        for (int c = -1; c < scorer.Concentrates.Length; c++)
        {
            int more = c < 0 ? 0 : 1;
            for (int i = 0; i < n; i++)
            {
                Each(new GridMix(i, -1, -1, c, []), 1 + more);
                for (int j = i + 1; j < n; j++)
                {
                    Each(new GridMix(i, j, -1, c, []), 2 + more);
                    for (int k = j + 1; k < n; k++)
                    {
                        Each(new GridMix(i, j, k, c, []), 3 + more);
                    }
                }
            }
        }

        void Each(in GridMix mix, int parts)
        {
            foreach (double[] shares in MixGrid.Shares(parts))
            {
                if (mix.Concentrate < 0 || shares[^1] <= MixRules.MostConcentrate)
                {
                    visit(mix with { Shares = shares });
                }
            }
        }
    }

    /// <summary>The worst that still gets in.</summary>
    private double Limit => found < best.Length ? double.MaxValue : best[^1].Score.Objective;

    private void Run(Canvas canvas)
    {
        for (int i = 0; i < codes.Length; i++)
        {
            Try(new GridMix(i, -1, -1, -1, MixGrid.Shares(1)[0]), Limit);
        }

        Pass(canvas, -1, 0, 2);
        for (int c = 0; c < scorer.Concentrates.Length; c++)
        {
            for (int i = 0; i < codes.Length; i++)
            {
                foreach (double[] shares in MixGrid.Shares(2).Where(s => s[^1] <= MixRules.MostConcentrate))
                {
                    Try(new GridMix(i, -1, -1, c, shares), Limit);
                }
            }
        }

        // Good mixes early make a narrow sieve: what neighbours of the best come to is looked at first.
        Step();
        Step();
        Pass(canvas, -1, 0, 3);
        for (int c = 0; c < scorer.Concentrates.Length; c++)
        {
            foreach (double share in MixGrid.Shares(3).Concat(MixGrid.Shares(4)).Select(s => s[^1]).Where(s => s <= MixRules.MostConcentrate).Distinct().Order())
            {
                Pass(canvas, c, share, 2);
                Pass(canvas, c, share, 3);
            }
        }
    }

    /// <summary>Gives a step of each of the best mixes to every other shade and concentrate in turn.</summary>
    private void Step()
    {
        foreach (var (_, mix, _) in best.Take(found).ToList())
        {
            int[] shades = [.. Enumerable.Range(0, mix.Shades).Select(mix.Shade)];
            for (int k = 0; k < codes.Length && mix.Shades < MixGrid.MostShades; k++)
            {
                if (!shades.Contains(k))
                {
                    int[] all = [.. shades.Append(k).Order()];
                    Some(new GridMix(all[0], all[1], all.Length > 2 ? all[2] : -1, mix.Concentrate, []), mix);
                }
            }

            for (int c = 0; c < scorer.Concentrates.Length && mix.Concentrate < 0; c++)
            {
                Some(mix with { Concentrate = c }, mix);
            }
        }

        void Some(in GridMix mix, in GridMix of)
        {
            foreach (double[] shares in MixGrid.Shares(mix.Shades + (mix.Concentrate < 0 ? 0 : 1)))
            {
                bool near = mix.Concentrate < 0 || shares[^1] <= MixRules.MostConcentrate;
                for (int i = 0; i < of.Shades && near; i++)
                {
                    int at = mix.First == of.Shade(i) ? 0 : mix.Second == of.Shade(i) ? 1 : 2;
                    near = Math.Abs(shares[at] - of.Shares[i]) <= StepShare;
                }

                if (near)
                {
                    Try(mix with { Shares = shares }, Limit);
                }
            }
        }
    }

    /// <summary>Every mix of two or three shades, with so much concentrate beside it, that the bounds let through.</summary>
    private void Pass(Canvas canvas, int concentrate, double share, int shades)
    {
        int parts = shades + (concentrate < 0 ? 0 : 1);
        double left = Limit - Score.Cost(parts, leaves);
        if (left <= 0)
        {
            return;
        }

        // Tangents touch at the best mix so far: the nearer to what is looked for, the tighter.
        var near = found > 0 ? best[0].Mix : new GridMix(0, -1, -1, -1, MixGrid.Shares(1)[0]);
        scorer.LookFirstWhereItCosts(near);
        var bounds = new MixBounds(canvas, scorer, near);
        var sieve = bounds.For(bounds.Of(concentrate, share), left, rules.LeastNeutral / (1 - share));
        if (!sieve.Any)
        {
            return;
        }

        Span<int> passed = stackalloc int[codes.Length];
        Span<float> none = stackalloc float[sieve.Conditions], one = stackalloc float[sieve.Conditions], two = stackalloc float[sieve.Conditions];
        none.Clear();
        foreach (double[] shares in MixGrid.Shares(parts).Where(s => concentrate < 0 || s[^1] == share))
        {
            double whole = 1 - share;
            float a = (float)(shares[0] / whole), b = (float)(shares[1] / whole), c = shades == 3 ? (float)(shares[2] / whole) : 0;
            for (int i = 0; i < codes.Length; i++)
            {
                if (!sieve.Add(none, i, a, 1 - a, one))
                {
                    continue;
                }

                if (shades == 2)
                {
                    int count = sieve.Pass(one, b, i + 1, passed);
                    for (int p = 0; p < count; p++)
                    {
                        Try(new GridMix(i, passed[p], -1, concentrate, shares), Limit);
                    }

                    continue;
                }

                for (int j = i + 1; j < codes.Length - 1; j++)
                {
                    if (Math.Abs(levels[i] - levels[j]) > MixRules.LevelsApart && levels[i] * levels[j] > 0 || !sieve.Add(one, j, b, c, two))
                    {
                        continue;
                    }

                    int count = sieve.Pass(two, c, j + 1, passed);
                    for (int p = 0; p < count; p++)
                    {
                        Try(new GridMix(i, j, passed[p], concentrate, shares), Limit);
                    }
                }
            }
        }
    }

    private void Try(in GridMix mix, double limit)
    {
        if (!rules.Allow(scorer.Sums(mix)))
        {
            return;
        }

        lookedAt++;
        if (scorer.Of(mix, leaves && !IsRight(mix), limit) is { } score)
        {
            Keep(mix, score);
        }
    }

    private bool IsRight(in GridMix mix)
    {
        if (Right!.Count != mix.Parts)
        {
            return false;
        }

        var parts = scorer.Parts(mix);
        return Right.All(r => parts.Any(p => p.Shade == r.Shade && Math.Abs(p.Share.Value - r.Share.Value) < .005));
    }

    /// <summary>Takes a mix in if it is the best of its families and among the best of all.</summary>
    private void Keep(in GridMix mix, in Score score)
    {
        int families = scorer.Families(mix), place = found;
        for (int i = 0; i < found; i++)
        {
            if (best[i].Families == families)
            {
                place = i;
            }
        }

        if (place < found ? !Before(mix, score, best[place]) : found == best.Length && !Before(mix, score, best[--place]))
        {
            return;
        }

        best[place] = (families, mix, score);
        found = Math.Max(found, place + 1);
        for (; place > 0 && Before(best[place].Mix, best[place].Score, best[place - 1]); place--)
        {
            (best[place], best[place - 1]) = (best[place - 1], best[place]);
        }
    }

    /// <summary>Less cost first; then fewer parts, then the lower codes (tables).</summary>
    private bool Before(in GridMix mix, in Score score, in (int Families, GridMix Mix, Score Score) other)
    {
        int order = score.Objective.CompareTo(other.Score.Objective);
        order = order != 0 ? order : mix.Parts.CompareTo(other.Mix.Parts);
        return order != 0 ? order < 0 : string.CompareOrdinal(Codes(mix), Codes(other.Mix)) < 0;
    }

    private string Codes(GridMix mix) => string.Join(' ', scorer.Parts(mix).Select(p => p.Shade).Order(StringComparer.Ordinal));
}
