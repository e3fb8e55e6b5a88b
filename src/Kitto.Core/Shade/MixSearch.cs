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
/// <param name="Simplest">The best single shade that keeps the rules; null where none does.</param>
/// <param name="LookedAt">How many mixes were looked at in the last round; the others could be dismissed unseen.</param>
public sealed record Ideas(IReadOnlyList<Found> Mixes, Found? Simplest, int LookedAt);

/// <summary>
/// Finds the best mixes of up to three shades of a line and one concentrate, in quarters, thirds and tenths (SH7): the true best over that grid.
/// What is returned are ideas: for every set of families its best mix, the best sets first. Mixes that cannot be among them are dismissed by <see cref="MixBounds"/>.
/// </summary>
public sealed class MixSearch
{
    private const double FirstBar = 1.2, Raise = 1.7, LastBar = 12;

    /// <summary>Shares that a concentrate can have beside two shades or more, or beside one.</summary>
    private static readonly double[] Concentrated = [.. Enumerable.Range(2, 3).SelectMany(MixGrid.Shares).Select(s => s[^1]).Where(s => s <= MixRules.MostConcentrate).Distinct().Order()];

    private readonly MixScorer scorer;
    private readonly MixRules rules;
    private readonly BestMixes best;
    private readonly string[] codes;
    private readonly int[] levels;
    private readonly Dictionary<(int Concentrate, double Share), Features> features = [];
    private int looked;
    private readonly bool tied;
    private readonly GridMix? right;
    private readonly Canvas canvas;
    private readonly Glance glance;
    private MixBounds? bounds;
    private Found? simplest;

    private MixSearch(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right, int ideas)
    {
        scorer = new MixScorer(canvas, rules);
        glance = new Glance(canvas, scorer);
        this.canvas = canvas;
        this.rules = rules;
        best = new BestMixes(scorer, ideas);
        codes = [.. scorer.Shades.Select(s => s.Shade.Code)];
        levels = [.. scorer.Shades.Select(s => s.Shade.Level)];
        tied = right is not null;
        this.right = right is null ? null : OnGrid(right, 0);
    }

    /// <summary>The best ideas, best first.</summary>
    /// <param name="canvas">What the mix meets, and the wish. Its line has shades with depth.</param>
    /// <param name="rules">The rules that each mix keeps.</param>
    /// <param name="right">A last formula that was reported right; to leave it costs.</param>
    /// <param name="ideas">How many, 1 or more.</param>
    /// <param name="near">Mixes that were good on a head like this one. What is found is the same with them or without; it is only found sooner.</param>
    public static Ideas Best(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right = null, int ideas = 4, IReadOnlyList<IReadOnlyList<MixPart>>? near = null)
    {
        var search = new MixSearch(canvas, rules, right, ideas);
        search.Run(near ?? []);
        return new Ideas(search.best.Found(), search.simplest, search.looked);
    }

    /// <summary>The worst that still gets in.</summary>
    private double Limit => best.Limit;

    /// <summary>
    /// Looks for mixes up to a bar first, and raises it until enough were found below it: a narrow sieve passes so little that the rounds before the last cost next to nothing.
    /// </summary>
    private void Run(IReadOnlyList<IReadOnlyList<MixPart>> near)
    {
        for (int i = 0; i < codes.Length; i++)
        {
            var mix = Single(i);
            Try(mix, Limit);
            double before = simplest?.Objective ?? double.MaxValue;
            if (rules.Allow(scorer.Sums(mix)) && scorer.Of(mix, Leaves(mix), before) is { } score && score.Objective < before)
            {
                simplest = new Found(scorer.Parts(mix), score.DeltaE, score.GreyContrast, score.Objective);
            }
        }

        foreach (var mix in near)
        {
            // As it was, and at the level that is wished now.
            int away = (int)Math.Round(rules.Wish.Value - Outcome.Adjust.MeanLevel(mix));
            foreach (int shift in away == 0 ? [0] : new[] { 0, away })
            {
                if (OnGrid(mix, shift) is { } known)
                {
                    Try(known, Limit);
                }
            }
        }

        // As many good mixes as are asked for are known from the start: one round is enough.
        if (Limit < double.MaxValue && near.Count > 0)
        {
            Round(Limit);
            return;
        }

        for (double bar = FirstBar; ; bar = bar > LastBar ? double.MaxValue : bar * Raise)
        {
            Round(bar);
            if (Limit <= bar)
            {
                return;
            }
        }
    }

    /// <summary>Finds every mix of several parts that costs no more than the bar, or than the worst idea.</summary>
    private void Round(double bar)
    {
        looked = 0;
        for (int c = -1; c < scorer.Concentrates.Length; c++)
        {
            foreach (double share in c < 0 ? [0] : Concentrated)
            {
                if (c >= 0)
                {
                    Singles(c, share, bar);
                }

                if (Math.Min(Limit, bar) > Score.Cost(c < 0 ? 2 : 3, tied))
                {
                    // Tangents touch at the best mix so far: the nearer to what is looked for, the tighter.
                    var near = best.First ?? Single(0);
                    if (bounds is null || bounds.Near != near)
                    {
                        bounds = new MixBounds(canvas, scorer, glance, near);
                        features.Clear();
                        scorer.LookFirstWhereItCosts(near);
                    }

                    if (!features.TryGetValue((c, share), out var of))
                    {
                        features[(c, share)] = of = bounds.Of(c, share);
                    }

                    Pass(bounds, of, bar, c, share, 2);
                    Pass(bounds, of, bar, c, share, 3);
                }
            }
        }
    }

    private void Singles(int concentrate, double share, double bar)
    {
        for (int i = 0; i < codes.Length; i++)
        {
            foreach (double[] shares in MixGrid.Shares(2).Where(s => s[^1] == share))
            {
                Try(new GridMix(i, -1, -1, concentrate, shares), Math.Min(Limit, bar));
            }
        }
    }

    /// <summary>Every mix of two or three shades, with so much concentrate beside it, that the bounds let through.</summary>
    private void Pass(MixBounds bounds, Features features, double bar, int concentrate, double share, int shades)
    {
        int parts = shades + (concentrate < 0 ? 0 : 1);
        double left = Math.Min(Limit, bar) - Score.Cost(parts, tied);
        var sieve = left <= 0 ? null : bounds.For(features, left, rules, concentrate, share);
        if (sieve is not { Any: true })
        {
            return;
        }

        Span<int> passed = stackalloc int[codes.Length];
        Span<float> none = stackalloc float[sieve.Width], one = stackalloc float[sieve.Width], two = stackalloc float[sieve.Width];
        none.Clear();
        double whole = 1 - share;
        foreach (var (shares, orders) in MixGrid.Sorted(shades, concentrate < 0 ? null : share))
        {
            // The largest share first: where it fits nothing, nothing smaller can help.
            float a = (float)(shares[0] / whole), b = (float)(shares[1] / whole), c = shades == 3 ? (float)(shares[2] / whole) : 0;
            for (int i = 0; i < codes.Length; i++)
            {
                if (!sieve.Add(none, i, a, 1 - a, one))
                {
                    continue;
                }

                if (shades == 2)
                {
                    int count = sieve.Pass(one, b, shares[1] == shares[0] ? i + 1 : 0, passed);
                    for (int p = 0; p < count; p++)
                    {
                        if (passed[p] != i)
                        {
                            Try(InOrder(orders, concentrate, i, passed[p]), Math.Min(Limit, bar));
                        }
                    }

                    continue;
                }

                for (int j = shares[1] == shares[0] ? i + 1 : 0; j < codes.Length; j++)
                {
                    if (j == i || Math.Abs(levels[i] - levels[j]) > MixRules.LevelsApart && levels[i] * levels[j] > 0 || !sieve.Add(one, j, b, c, two))
                    {
                        continue;
                    }

                    int count = sieve.Pass(two, c, shares[2] == shares[1] ? j + 1 : 0, passed);
                    for (int p = 0; p < count; p++)
                    {
                        if (passed[p] != i && passed[p] != j)
                        {
                            Try(InOrder(orders, concentrate, i, j, passed[p]), Math.Min(Limit, bar));
                        }
                    }
                }
            }
        }
    }

    /// <summary>A mix by the numbers of its shades, so many levels from them; null where a shade is not at hand or a share is not on the grid.</summary>
    private GridMix? OnGrid(IReadOnlyList<MixPart> mix, int shift)
    {
        int Number(string code) => shift == 0 || ShadeOf.Parse(code) is not { Level: > 0 } shade
            ? Array.IndexOf(codes, code)
            : Array.FindIndex(scorer.Shades, s => s.Shade.Family == shade.Family && s.Shade.Level == shade.Level + shift);
        var parts = mix.Select(p => (Number: Number(p.Shade), Beside: Array.FindIndex(scorer.Concentrates, c => c.Shade.Code == p.Shade), Share: p.Share.Value))
            .OrderBy(p => p.Beside).ThenBy(p => p.Number).ToList();
        int shades = parts.Count(p => p.Number >= 0), beside = parts.Count(p => p.Beside >= 0);
        if (shades is 0 or > MixGrid.MostShades || beside > 1 || shades + beside != parts.Count)
        {
            return null;
        }

        double[]? shares = MixGrid.Shares(parts.Count).FirstOrDefault(s => parts.Select((p, i) => Math.Abs(p.Share - s[i])).All(apart => apart < Chosen.Weighed));
        return shares is null ? null : new GridMix(parts[0].Number, shades > 1 ? parts[1].Number : -1, shades > 2 ? parts[2].Number : -1, beside == 1 ? parts[^1].Beside : -1, shares);
    }

    private static GridMix Single(int shade) => new(shade, -1, -1, -1, MixGrid.Shares(1)[0]);

    private static GridMix InOrder(double[][] orders, int concentrate, int one, int two) =>
        one < two ? new GridMix(one, two, -1, concentrate, orders[0]) : new GridMix(two, one, -1, concentrate, orders[1]);

    /// <summary>Shades by number again; the shares go with them.</summary>
    private static GridMix InOrder(double[][] orders, int concentrate, int one, int two, int three)
    {
        // Orders: which of the largest, middle and smallest share comes first, second, third.
        var (a, b, c, order) = (one < two, one < three, two < three) switch
        {
            (true, true, true) => (one, two, three, 0),
            (true, true, false) => (one, three, two, 1),
            (false, true, true) => (two, one, three, 2),
            (false, false, true) => (two, three, one, 3),
            (true, false, false) => (three, one, two, 4),
            _ => (three, two, one, 5),
        };
        return new GridMix(a, b, c, concentrate, orders[order]);
    }

    private void Try(in GridMix mix, double limit)
    {
        if (!rules.Allow(scorer.Sums(mix)))
        {
            return;
        }

        bool leaving = Leaves(mix);
        double parts = Score.Cost(mix.Parts, leaving);
        float cost = glance.Cost(mix, (limit - parts + Glance.Slack) / (1 - Glance.Slack));
        looked++;
        // Where the glance has no answer it is not a number, and the mix is looked at properly.
        if (!(cost + parts > limit + Glance.Slack * (1 + cost)) && scorer.Of(mix, leaving, limit) is { } score)
        {
            best.Keep(mix, score);
        }
    }

    /// <summary>Whether it leaves a last formula that was right.</summary>
    private bool Leaves(in GridMix mix) => tied && !(right is { } r && r.First == mix.First && r.Second == mix.Second && r.Third == mix.Third && r.Concentrate == mix.Concentrate && r.Shares.AsSpan().SequenceEqual(mix.Shares));
}
