using Kitto.Core.Colour;
using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>A mix that the search found.</summary>
/// <param name="Parts">Shades and shares, greatest first.</param>
/// <param name="DeltaE">Weighted dE00 to the wish.</param>
/// <param name="Breach">What of it a colourist would not sign; nothing where the line allows it.</param>
public sealed record Found(IReadOnlyList<MixPart> Parts, double DeltaE, Breach Breach);

/// <summary>What a search came to.</summary>
/// <param name="Best">The mix to propose; null where the line has nothing to mix.</param>
/// <param name="Others">The best of other kinds: another base family, one part fewer, one part more.</param>
/// <param name="LookedAt">How many mixes were forecast.</param>
public sealed record Ideas(Found? Best, IReadOnlyList<Found> Others, int LookedAt);

/// <summary>
/// The simplest mix that does (SH21): of all mixes of one, two and three parts in quarters, thirds and tenths. It looks at every one of them; what is passed over unseen
/// breaks a rule that another keeps, or is already further from the wish than one that goes before it.
/// </summary>
public sealed class MixSearch
{
    private readonly ApplicationTarget canvas;
    private readonly MixRules rules;
    private readonly IReadOnlyList<MixPart>? last;
    private readonly ShadeOf[] shades;
    private readonly MixSums nothing;
    private readonly MixSums[] sums;
    private readonly bool[,] fit;
    private readonly bool[] body;
    private readonly MixScorer scorer;
    private int looked;

    private MixSearch(ApplicationTarget canvas, MixRules rules, IReadOnlyList<MixPart>? last)
    {
        (this.canvas, this.rules, this.last) = (canvas, rules, last);
        shades = [.. rules.Near(canvas.Line).OrderBy(s => s.Concentrate).ThenBy(s => s.Code, StringComparer.Ordinal)];
        scorer = new MixScorer(canvas, shades);
        nothing = MixSums.Nothing(rules, canvas.Line);
        sums = [.. shades.Select(s => MixSums.Of(s, rules))];
        fit = new bool[shades.Length, shades.Length];
        for (int a = 0; a < shades.Length; a++)
        {
            for (int b = 0; b < shades.Length; b++)
            {
                // What two shades break together, they break in any shares; a tenth of each leaves out what depends on these.
                var two = nothing.With(sums[a], .1).With(sums[b], .1);
                fit[a, b] = (rules.Of(two) & (Breach.Neighbours | Breach.Concentrate | Breach.Opposites)) == 0 && !rules.Fights(two);
            }
        }

        // Without a shade of what is wished no mix is made of it, whatever the shares (SH18).
        body = [.. sums.Select(s => nothing.Have < 2 || (rules.Wish.Tone.IsNeutral ? s.Neutral : s.Family) > 0)];
    }

    /// <summary>The mix to propose and the best of other kinds.</summary>
    /// <param name="canvas">What the mix meets, and the wish.</param>
    /// <param name="rules">The rules it keeps; where the line has nothing that keeps them all, what breaks the least.</param>
    /// <param name="last">What she had last: among mixes that do alike it goes before others.</param>
    public static Ideas Best(ApplicationTarget canvas, MixRules rules, IReadOnlyList<MixPart>? last = null)
    {
        var search = new MixSearch(canvas, rules, last);
        if (search.shades.All(s => s.Level == 0))
        {
            return new Ideas(null, [], 0);
        }

        Candidate? one = search.Of(1),
            two = search.Of(2),
            three = null,
            best = Better(one, two);
        if (best is { } so)
        {
            // A third part is looked for where it could earn its place, or be shown as one part more.
            double limit = so.Parts == 2 ? so.Earns : so.Earns - 2 * Values.PartEarnsDeltaE;
            if (so.Breach != 0 || limit > 0)
            {
                three = search.Of(3, so.Breach != 0 ? double.MaxValue : limit, most: so.Breach);
                best = Better(best, three);
            }
        }

        if (best is not { } chosen)
        {
            return new Ideas(null, [], search.looked);
        }

        var others = new[]
        {
            chosen.Parts > 1 ? Kept(new[] { one, two }[chosen.Parts - 2]) : null,
            chosen.Parts < Values.MostParts ? Kept(new[] { two, three }[chosen.Parts - 1]) : null,
        }
            .Append(search.OtherBase(chosen))
            .OfType<Candidate>()
            .Where(o => o.Breach <= chosen.Breach)
            .Select(search.Say)
            .DistinctBy(f => MixPart.Written(f.Parts));
        return new Ideas(search.Say(chosen), [.. others], search.looked);

        Candidate? Kept(Candidate? c) => c is { } other && other.Breach <= chosen.Breach ? c : null;
    }

    // Whether more parts earn their place beside fewer.
    private static Candidate? Better(Candidate? fewer, Candidate? more) =>
        (fewer, more) switch
        {
            ({ } a, { } b) => b.Breach != a.Breach
                ? b.Breach < a.Breach
                    ? b
                    : a
                : a.Earns - b.Earns > Values.PartEarnsDeltaE * (b.Parts - a.Parts)
                    ? b
                    : a,
            _ => fewer ?? more,
        };

    /// <summary>A mix by the numbers of its shades.</summary>
    private readonly record struct Candidate(int[] Shades, double[] Shares, Breach Breach, double Outside, double Away, double DeltaE)
    {
        /// <summary>The forecast that tells whether the parts earn their place: of the mix that would be taken had the client had none before. A mix of last time that does a little less well costs no part.</summary>
        public double Earns { get; init; } = DeltaE;

        public int Parts => Shades.Length;
    }

    /// <summary>The best mix of so many parts: what breaks least, then within half a dE00 of the nearest the level nearest to the wish, then what she had last, then the nearer (SH21).</summary>
    /// <param name="parts">1 to 3.</param>
    /// <param name="limit">Null is returned where even the nearest is further than this.</param>
    /// <param name="other">Leaves out mixes of this base family.</param>
    /// <param name="most">Leaves out mixes that break more.</param>
    private Candidate? Of(int parts, double limit = double.MaxValue, Family? other = null, Breach most = (Breach)int.MaxValue)
    {
        var found = new List<Candidate>();
        // What forecasts add outweighs what parts tell, so mixes are taken by what their parts break until some break no more than that.
        foreach (var group in Mixes(parts, other, most).GroupBy(m => (m.Breach, m.Outside)).OrderBy(g => g.Key))
        {
            double nearest = limit;
            foreach (var (of, shares, breach, outside, away) in group)
            {
                looked++;
                if (scorer.Of(rules, of, shares, nearest + Values.AlikeDeltaE) is not { } seen)
                {
                    continue;
                }

                found.Add(new Candidate(of, shares, breach | seen.Breach, outside, away, seen.DeltaE));
                nearest = seen.Breach == 0 ? Math.Min(nearest, seen.DeltaE) : nearest;
            }

            if (found.Any(f => f.Breach == group.Key.Breach))
            {
                break;
            }
        }

        if (found.Count == 0)
        {
            return null;
        }

        var (least, outsideLeast) = found.Min(f => (f.Breach, f.Outside));
        var keep = found.Where(f => f.Breach == least && f.Outside == outsideLeast).ToList();
        double to = keep.Min(f => f.DeltaE) + Values.AlikeDeltaE;
        if (to - Values.AlikeDeltaE > limit)
        {
            return null;
        }

        var alike = keep.Where(f => f.DeltaE <= to)
            .OrderBy(f => f.Away)
            .ThenBy(f => f.DeltaE)
            .ThenBy(f => string.Join(' ', f.Shades.Select(s => shades[s].Code)), StringComparer.Ordinal)
            .ToList();
        return alike.OrderBy(f => f.Away).ThenBy(f => !IsLast(f)).First() with { Earns = alike[0].DeltaE };
    }

    /// <summary>Every mix of so many parts on the grid, with what its parts tell of it.</summary>
    private IEnumerable<(int[] Shades, double[] Shares, Breach Breach, double Outside, double Away)> Mixes(int parts, Family? other, Breach most)
    {
        foreach (int[] of in Sets(parts, [], most))
        {
            foreach (double[] shares in MixGrid.Shares(parts))
            {
                var mix = nothing;
                for (int i = 0; i < parts; i++)
                {
                    mix = mix.With(sums[of[i]], shares[i]);
                }

                var breach = rules.Of(mix);
                // What no line is too poor to avoid is never proposed.
                if (breach <= most && breach < Breach.Concentrate && (other is null || Base(of, shares) != other))
                {
                    double outside = rules.Each is null ? 0 : Math.Round(rules.Off(mix.MeanLevel), 6),
                        away = rules.Each is null ? 0 : Math.Round(Math.Abs(mix.MeanLevel - rules.Wish.Level.Value), 6);
                    yield return (of, shares, breach, outside, away);
                }
            }
        }
    }

    /// <summary>Every set of so many shades; where a mix must break nothing, without those that cannot stand together.</summary>
    private IEnumerable<int[]> Sets(int parts, int[] begun, Breach most)
    {
        for (int i = begun.Length == 0 ? 0 : begun[^1] + 1; i < shades.Length; i++)
        {
            if (most == Breach.None && begun.Any(b => !fit[b, i]))
            {
                continue;
            }

            if (most == Breach.None && parts == 1 && !body[i] && !begun.Any(b => body[b]))
            {
                continue;
            }

            int[] set = [.. begun, i];
            foreach (int[] whole in parts == 1 ? [set] : Sets(parts - 1, set, most))
            {
                yield return whole;
            }
        }
    }

    private IReadOnlyList<MixPart> Parts(int[] of, double[] shares) =>
        [.. of.Select((s, i) => new MixPart(shades[s].Code, Share.Of(shares[i]))).OrderByDescending(p => p.Share.Value)];

    private Found Say(Candidate c) => new(Parts(c.Shades, c.Shares), c.DeltaE, c.Breach);

    private bool IsLast(Candidate c) => last is not null && SelectedFormula.Same(last, Parts(c.Shades, c.Shares));

    /// <summary>The best of another base family, of no more parts than the chosen one.</summary>
    private Candidate? OtherBase(Candidate chosen)
    {
        var family = Base(chosen.Shades, chosen.Shares);
        return Better(Of(1, other: family), chosen.Parts > 1 ? Of(2, other: family) : null);
    }

    private Family? Base(int[] of, double[] shares) => shades[of[Array.IndexOf(shares, shares.Max())]].Family;
}
