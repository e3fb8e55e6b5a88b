using Kitto.Core.Colour;

namespace Kitto.Core.Shade;

/// <summary>A mix of the grid by the numbers of its shades.</summary>
/// <param name="First">Number of the first shade.</param>
/// <param name="Second">Of the second; -1 for none.</param>
/// <param name="Third">Of the third; -1 for none.</param>
/// <param name="Concentrate">Of the concentrate; -1 for none.</param>
/// <param name="Shares">Shares of shades in that order, the concentrate's last.</param>
internal readonly record struct GridMix(int First, int Second, int Third, int Concentrate, double[] Shares)
{
    public int Parts => Shares.Length;

    public int Shades => Third >= 0 ? 3 : Second >= 0 ? 2 : 1;

    public int Shade(int place) => place switch { 0 => First, 1 => Second, _ => Third };
}

/// <summary>How good a mix is (tables).</summary>
/// <param name="DeltaE">Weighted dE00 to the target.</param>
/// <param name="GreyContrast">Weighted dE00 between white and pigmented fibres.</param>
/// <param name="Parts">How many parts.</param>
/// <param name="Leaves">Whether it leaves a last formula that was reported right.</param>
internal readonly record struct Score(double DeltaE, double GreyContrast, int Parts, bool Leaves)
{
    /// <summary>Each part more has to earn this much.</summary>
    public const double PartCost = 0.4;

    /// <summary>Leaving what is known to be right has to earn this much.</summary>
    public const double LeavingCost = 0.6;

    public double Objective => DeltaE + Canvas.Contrast * GreyContrast + Cost(Parts, Leaves);

    public static double Cost(int parts, bool leaves) => PartCost * (parts - 1) + (leaves ? LeavingCost : 0);
}

/// <summary>Scores mixes of a line's shades on one canvas: what each shade deposits in each spot is reckoned once.</summary>
internal sealed class MixScorer
{
    private readonly Canvas canvas;
    private readonly MixSums[] sums;
    private readonly int[] order;
    private readonly (double Difference, double Contrast)[] parts;

    public MixScorer(Canvas canvas, MixRules rules)
    {
        this.canvas = canvas;
        var all = rules.Near(canvas.Line).OrderBy(s => s.Code, StringComparer.Ordinal).Select(s => new Colourant(s, canvas.Line, canvas.Developer)).ToList();
        Shades = [.. all.Where(s => !s.Shade.Concentrate)];
        Concentrates = [.. all.Where(s => s.Shade.Concentrate)];
        sums = [.. Shades.Concat(Concentrates).Select(s => default(MixSums).With(s.Shade, 1, rules.Foreign(s.Shade)))];
        order = [.. Enumerable.Range(0, canvas.Spots.Count)];
        parts = new (double, double)[order.Length];
        OnWhite = new Deposits(Shades, 0);
        OnPigment = [.. canvas.Spots.Select(s => new Deposits(Shades, s.Pigmented.Melanin))];
    }

    /// <summary>What every shade deposits on one kind of fibre, and what depth it gives a concentrate to go by.</summary>
    internal sealed class Deposits
    {
        public Deposits(Colourant[] shades, double melanin)
        {
            Dye = [.. shades.Select(s => s.On(melanin))];
            Feeds = [.. shades.Select(s => s.Feeds(melanin))];
        }

        public Pigment[] Dye { get; }

        public double[] Feeds { get; }
    }

    public Colourant[] Shades { get; }

    public Colourant[] Concentrates { get; }

    public Deposits OnWhite { get; }

    public Deposits[] OnPigment { get; }

    /// <summary>Looks first where a mix costs most: what is worse than it is then found out soonest.</summary>
    public void LookFirstWhereItCosts(in GridMix mix)
    {
        double[] costs = new double[order.Length];
        var onWhite = Mix(mix, OnWhite);
        for (int i = 0; i < costs.Length; i++)
        {
            var (difference, contrast) = At(i, onWhite, mix);
            costs[i] = -difference - contrast;
            order[i] = i;
        }

        Array.Sort(costs, order);
    }

    /// <summary>Scores a mix; null as soon as it is certain that it costs more than the limit.</summary>
    public Score? Of(in GridMix mix, bool leaves, double limit)
    {
        double left = limit - Score.Cost(mix.Parts, leaves) + 1e-9, cost = 0;
        var onWhite = Mix(mix, OnWhite);
        for (int n = 0; n < order.Length; n++)
        {
            int i = order[n];
            parts[i] = At(i, onWhite, mix);
            cost += parts[i].Difference + parts[i].Contrast * Canvas.Contrast;
            if (cost > left)
            {
                return null;
            }
        }

        // Summed in the canvas's own order, so that a mix scores the same whichever way it was looked at.
        double difference = 0, contrast = 0;
        for (int i = 0; i < parts.Length; i++)
        {
            difference += parts[i].Difference;
            contrast += parts[i].Contrast;
        }

        var score = new Score(difference, contrast, mix.Parts, leaves);
        return score.Objective > limit ? null : score;
    }

    private (double Difference, double Contrast) At(int i, in Pigment onWhite, in GridMix mix)
    {
        var spot = canvas.Spots[i];
        var seen = spot.See(onWhite, Mix(mix, OnPigment[i]));
        return (spot.Weight * canvas.Miss(seen), spot.Weight * spot.Grey.Value * Canvas.GreyContrast(seen));
    }

    /// <summary>The dye of a mix, summed as <see cref="Mixture"/> sums it, so that both agree to the last bit.</summary>
    public Pigment Mix(in GridMix mix, Deposits deposits)
    {
        var sum = default(Pigment);
        double depth = 0, rest = 0;
        for (int i = 0; i < mix.Shades; i++)
        {
            int shade = mix.Shade(i);
            double share = mix.Shares[i];
            sum += deposits.Dye[shade] * share;
            depth += deposits.Feeds[shade] * share;
            rest += share;
        }

        return mix.Concentrate < 0 ? sum : sum + Concentrates[mix.Concentrate].Pure * (depth * (mix.Shares[^1] / rest));
    }

    /// <summary>The dye of one shade with so much of a concentrate beside it; -1 for none.</summary>
    public Pigment Dye(Deposits deposits, int shade, int concentrate, double share) =>
        concentrate < 0 ? deposits.Dye[shade] : deposits.Dye[shade] * (1 - share) + Concentrates[concentrate].Pure * (deposits.Feeds[shade] * share);

    public MixSums Sums(in GridMix mix)
    {
        double neutral = 0, extra = 0, cool = 0, warm = 0, clear = 0, foreign = 0;
        int deepest = int.MaxValue, lightest = 0;
        for (int i = 0; i < mix.Parts; i++)
        {
            ref readonly var one = ref sums[i < mix.Shades ? mix.Shade(i) : Shades.Length + mix.Concentrate];
            double share = mix.Shares[i];
            neutral += one.Neutral * share;
            extra += one.Extra * share;
            cool += one.Cool * share;
            warm += one.Warm * share;
            clear += one.Clear * share;
            foreign += one.Foreign * share;
            deepest = one.Deepest > 0 && one.Deepest < deepest ? one.Deepest : deepest;
            lightest = Math.Max(lightest, one.Lightest);
        }

        return new MixSums(neutral, extra, cool, warm, clear, foreign, deepest == int.MaxValue ? 0 : deepest, lightest);
    }

    /// <summary>The families of a mix, which make it one idea among others.</summary>
    public int Families(in GridMix mix)
    {
        int families = mix.Concentrate < 0 ? 0 : 1 << (16 + (int)Concentrates[mix.Concentrate].Shade.Family!.Value);
        for (int i = 0; i < mix.Shades; i++)
        {
            families |= 1 << (Shades[mix.Shade(i)].Shade.Family is { } f ? (int)f : 15);
        }

        return families;
    }

    public IReadOnlyList<MixPart> Parts(GridMix mix)
    {
        var parts = Enumerable.Range(0, mix.Shades).Select(i => new MixPart(Shades[mix.Shade(i)].Shade.Code, Share.Of(mix.Shares[i])));
        return [.. (mix.Concentrate < 0 ? parts : parts.Append(new MixPart(Concentrates[mix.Concentrate].Shade.Code, Share.Of(mix.Shares[^1])))).OrderByDescending(p => p.Share.Value)];
    }
}
