using CsCheck;
using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Shade;

/// <summary>What the search rests on: that nothing good is ever ruled out unseen.</summary>
public sealed class BoundsTests
{
    private static readonly Line Cream = Bench.Shelf.Find("lantern-cream")!;

    private static readonly int[] Steps = [4, 3, 10];

    private static readonly double[] Between = [.1, .35, .5, .8];

    private static Gen<(Canvas Canvas, MixRules Rules, MixScorer Scorer, GridMix Near, GridMix Mix)> Any =>
        from c in Bench.Cases
        from a in Gen.Int[0, 10_000].Array[8]
        from residual in Gen.Double[-3, 3].Array[3]
        select Make(c, a, residual);

    [Fact]
    public void No_mix_within_a_limit_is_held_back_by_the_sieve_of_that_limit() => Any.Sample(x =>
    {
        var full = x.Scorer.Of(x.Mix, false, double.MaxValue)!.Value;
        var (concentrate, share) = (x.Mix.Concentrate, x.Mix.Concentrate < 0 ? 0 : x.Mix.Shares[^1]);
        var bounds = new MixBounds(x.Canvas, x.Scorer, new Glance(x.Canvas, x.Scorer), x.Near);
        // Just as much as the mix needs: were the bounds a hair too tight, it would be lost.
        var sieve = bounds.For(bounds.Of(concentrate, share), full.DeltaE + Canvas.Contrast * full.GreyContrast + 1e-6, x.Rules, concentrate, share);
        if (!x.Rules.Allow(x.Scorer.Sums(x.Mix)))
        {
            return;
        }

        Assert.True(sieve.Any);
        float[] none = new float[sieve.Width], one = new float[sieve.Width], two = new float[sieve.Width];
        double whole = 1 - share;
        Assert.True(sieve.Add(none, x.Mix.First, (float)(x.Mix.Shares[0] / whole), (float)(1 - x.Mix.Shares[0] / whole), one));
        Assert.True(sieve.Add(one, x.Mix.Second, (float)(x.Mix.Shares[1] / whole), (float)(x.Mix.Shares[2] / whole), two));
        int[] passed = new int[x.Scorer.Shades.Length];
        int count = sieve.Pass(two, (float)(x.Mix.Shares[2] / whole), 0, passed);
        Assert.Contains(x.Mix.Third, passed.Take(count));
    }, iter: 1500);

    [Fact]
    public void What_a_mix_is_said_to_cost_at_least_it_costs() => Any.Sample(x =>
    {
        var (concentrate, share) = (x.Mix.Concentrate, x.Mix.Concentrate < 0 ? 0 : x.Mix.Shares[^1]);
        var features = new MixBounds(x.Canvas, x.Scorer, new Glance(x.Canvas, x.Scorer), x.Near).Of(concentrate, share);
        double floor = Enumerable.Range(0, x.Mix.Shades).Sum(i => features.Floor[x.Mix.Shade(i)] * x.Mix.Shares[i] / (1 - share));
        // All of the contrast, and the blend of every spot that is not among those most alike.
        var look = x.Canvas.Look(new Mixture(x.Canvas.Line, x.Canvas.Developer, x.Scorer.Parts(x.Mix)));
        var alike = MixBounds.MostAlike(x.Canvas.Spots);
        double others = Enumerable.Range(0, x.Canvas.Spots.Count).Except(alike).Sum(i => x.Canvas.Spots[i].Weight * Difference2000.Between(look.Seen[i].Blend, x.Canvas.Target));
        Assert.True(floor <= others + Canvas.Contrast * look.GreyContrast + 1e-6, $"{floor} above {others} and {Canvas.Contrast * look.GreyContrast}");
    }, iter: 1000);

    [Fact]
    public void A_few_columns_tell_all_of_them()
    {
        var random = new Random(7);
        // Nine columns that are sums of three, and a trace of something else.
        double[][] three = [.. Enumerable.Range(0, 3).Select(_ => Enumerable.Range(0, 40).Select(_ => random.NextDouble()).ToArray())];
        double[][] nine = [.. Enumerable.Range(0, 9).Select(_ => (A: random.NextDouble(), B: random.NextDouble(), C: random.NextDouble()))
            .Select(w => Enumerable.Range(0, 40).Select(r => w.A * three[0][r] + w.B * three[1][r] + w.C * three[2][r] + 1e-5 * random.NextDouble()).ToArray())];
        var few = FewForMany.Of([.. nine.Select(c => (double[])c.Clone())], 1e-3);
        Assert.Equal(3, few.Kept.Count);
        for (int i = 0; i < 9; i++)
        {
            Assert.All(Enumerable.Range(0, 40), r => Assert.Equal(nine[i][r], few.Kept.Select((kept, n) => nine[kept][r] * few.Counts[n][i]).Sum(), 1e-3 * nine[i][r]));
        }

        Assert.Equal([0], FewForMany.Of([[0.0, 0]], 1e-3).Kept);
    }

    [Fact]
    public void Every_second_band_tells_the_light_of_all_to_half_of_what_is_allowed_for() => Any.Sample(x =>
    {
        var spot = x.Canvas.Spots[0];
        foreach (var (bare, dye) in new[] { (Fibre.Keratin, x.Scorer.Mix(x.Mix, x.Scorer.OnWhite) * spot.WhiteTakes), (spot.Pigment, x.Scorer.Mix(x.Mix, x.Scorer.OnPigment[0]) * spot.PigmentTakes) })
        {
            var (all, half) = (Fibre.Look(bare, dye), Swift.See(Swift.Bands(bare) + Swift.Absorbs(dye)));
            Assert.Equal(1, half.X * Light.White.X / all.X, Swift.Miss / 2);
            Assert.Equal(1, half.Y * Light.White.Y / all.Y, Swift.Miss / 2);
            Assert.Equal(1, half.Z * Light.White.Z / all.Z, Swift.Miss / 2);
        }
    }, iter: 2000);

    [Fact]
    public void Few_spots_tell_the_light_of_all_within_what_the_bounds_allow_for() => Any.Sample(x =>
    {
        var (_, white, pigmented) = new Glance(x.Canvas, x.Scorer).See(x.Mix);
        for (int i = 0; i < x.Canvas.Spots.Count; i++)
        {
            var spot = x.Canvas.Spots[i];
            if (spot.Grey.Value is > 0 and < 1)
            {
                Assert.Equal(1, white.Y[i] * Light.White.Y / Fibre.Look(Fibre.Keratin, x.Scorer.Mix(x.Mix, x.Scorer.OnWhite) * spot.WhiteTakes).Y, Swift.Miss + 3 * FibresSeen.Miss);
                Assert.Equal(1, pigmented.Y[i] * Light.White.Y / Fibre.Look(spot.Pigment, x.Scorer.Mix(x.Mix, x.Scorer.OnPigment[i]) * spot.PigmentTakes).Y, Swift.Miss + 3 * FibresSeen.Miss);
            }
        }
    }, iter: 1000);

    [Fact]
    public void A_sieve_of_a_narrow_limit_holds_most_mixes_back()
    {
        var (canvas, rules, scorer, _, _) = Make(Bench.Case(), [1, 2, 3, 4, 5, 6, 7, 8], [0, 0, 0]);
        int n = scorer.Shades.Length;
        int plain = Enumerable.Range(0, n).First(k => scorer.Shades[k].Shade.Code == "5N");
        var bounds = new MixBounds(canvas, scorer, new Glance(canvas, scorer), new GridMix(plain, -1, -1, -1, [1.0]));
        var sieve = bounds.For(bounds.Of(-1, 0), 1, rules, -1, 0);
        float[] none = new float[sieve.Width], one = new float[sieve.Width];
        int[] passed = new int[n];
        int through = Enumerable.Range(0, n).Sum(k => sieve.Add(none, k, .5f, .5f, one) ? sieve.Pass(one, .5f, 0, passed) : 0);
        Assert.InRange(through, 1, n * n / 5);
    }

    [Fact]
    public void Absorption_of_a_mix_lies_between_its_shades_mean_and_the_tangent() => Any.Sample(x =>
    {
        // The claim itself, by the definition: effective absorption is concave in the shares.
        var spot = x.Canvas.Spots[0];
        double Effective(Pigment white, Pigment pigment) => Math.Pow(Math.Log((spot.Light(white, pigment).Y - Fibre.Surface) / (1 - Fibre.Surface)) / Fibre.Law, 2);
        double Of(double t, int a, int b) => Effective(
            x.Scorer.OnWhite.Dye[a] * (1 - t) + x.Scorer.OnWhite.Dye[b] * t, x.Scorer.OnPigment[0].Dye[a] * (1 - t) + x.Scorer.OnPigment[0].Dye[b] * t);
        var (a, b) = (x.Mix.First, x.Mix.Second);
        foreach (double t in Between)
        {
            Assert.True(Of(t, a, b) >= (1 - t) * Of(0, a, b) + t * Of(1, a, b) - 1e-9);
        }
    }, iter: 400);

    [Fact]
    public void Sorted_shares_are_all_shares_once_for_every_order()
    {
        for (int shades = 2; shades <= 3; shades++)
        {
            var every = MixGrid.Sorted(shades, null).SelectMany(s => s.Orders).Select(o => string.Join(' ', o)).ToHashSet();
            Assert.Equal(MixGrid.Shares(shades).Select(s => string.Join(' ', s)).Order(), every.Order());
        }

        foreach (double with in new[] { .1, .2, .25 })
        {
            Assert.All(MixGrid.Sorted(3, with), s => Assert.Equal(1, s.Shares.Sum(), 12));
            Assert.All(MixGrid.Sorted(3, with).SelectMany(s => s.Orders), o => Assert.Equal(with, o[^1]));
        }

        Assert.All(MixGrid.Shares(3), s => Assert.Contains(Steps, n => s.All(v => Math.Abs(v * n - Math.Round(v * n)) < 1e-9)));
    }

    [Theory]
    [InlineData(0.1, "5AG:1", true)]
    [InlineData(0.3, "5AG:1", false)]
    [InlineData(0.3, "5N:0.25 5AG:0.65 5R:0.1", true)]
    [InlineData(0.3, "5N:0.2 5AG:0.7 5R:0.1", false)]
    [InlineData(0.6, "5N:0.5 6C:0.5", true)]
    [InlineData(0.6, "5N:0.4 6C:0.6", false)]
    [InlineData(0.9, "5N:0.7 6C:0.3", false)]
    [InlineData(0.9, "5NN:0.5 6C:0.5", true)]
    [InlineData(0.1, "3N:0.5 6N:0.5", false)]
    [InlineData(0.1, "5N:0.4 00:0.6", false)]
    public void The_rules_of_white_hair_and_of_neighbouring_levels_decide_what_is_proposed(double grey, string mix, bool allowed)
    {
        MixPart[] parts = [.. mix.Split(' ').Select(p => p.Split(':')).Select(p => new MixPart(p[0], Share.Of(Bench.Number(p[1]))))];
        var rules = new MixRules(Share.Of(grey), Level.Of(5), null);
        Assert.Equal(allowed, rules.Allow(MixSums.Of(parts, rules)));
    }

    [Theory]
    [InlineData("N", "5N:0.75 6G:0.25", true)]
    [InlineData("N", "5N:0.6 5AB:0.2 5C:0.2", false)]
    [InlineData("AB", "5AG:0.6 5AB:0.3 5R:0.1", true)]
    [InlineData("AB", "6C:0.5 4NN:0.3 0B:0.2", false)]
    [InlineData("GC", "5G:0.5 5C:0.5", true)]
    public void Tones_foreign_to_the_wish_stay_small(string tone, string mix, bool allowed)
    {
        MixPart[] parts = [.. mix.Split(' ').Select(p => p.Split(':')).Select(p => new MixPart(p[0], Share.Of(Bench.Number(p[1]))))];
        var rules = new MixRules(Share.Of(0), Level.Of(5), Bench.Tone(tone));
        Assert.Equal(allowed, rules.Allow(MixSums.Of(parts, rules)));
    }

    private static (Canvas, MixRules, MixScorer, GridMix, GridMix) Make(Case c, int[] picks, double[] residual)
    {
        double level = Math.Clamp(c.Goal.Level?.Value ?? 5, 3, 8);
        var tone = c.Goal.Tone ?? new Tone(Family.N);
        var canvas = Bench.Canvas(c, Cream, level, tone, new Lab(residual[0], residual[1], residual[2]));
        var rules = new MixRules(c.Reading.DecisiveGrey, Level.Of(level), null);
        var scorer = new MixScorer(canvas, rules);
        int n = scorer.Shades.Length;
        int[] three = [.. picks.Take(6).Select(p => p % n).Distinct().Take(3).Order()];
        while (three.Length < 3)
        {
            three = [.. three.Append(Enumerable.Range(0, n).First(k => !three.Contains(k))).Order()];
        }

        int concentrate = picks[6] % (scorer.Concentrates.Length + 1) - 1;
        var grid = MixGrid.Shares(concentrate < 0 ? 3 : 4).Where(s => concentrate < 0 || s[^1] <= MixRules.MostConcentrate).ToList();
        return (canvas, rules, scorer, new GridMix(picks[7] % n, -1, -1, -1, [1.0]), new GridMix(three[0], three[1], three[2], concentrate, grid[picks[7] % grid.Count]));
    }
}
