using Kitto.Core.Quantity;

namespace Kitto.Core.Packing;

/// <summary>What the coming weeks take of one item.</summary>
/// <param name="Line">Id of the line.</param>
/// <param name="Item">A shade's code or a strength.</param>
/// <param name="Signed">Grams that signed kits take: certain.</param>
/// <param name="Due">Grams that kits take which fall due, at what was learned of their hands.</param>
/// <param name="High">Grams of those, where each takes as much as one in ten does.</param>
public sealed record Demand(string Line, string Item, decimal Signed, decimal Due, decimal High)
{
    /// <summary>Grams that are likely wanted.</summary>
    public decimal Likely => Signed + Due;

    /// <summary>Grams that may be wanted.</summary>
    public decimal Most => Signed + High;

    /// <summary>Packs to buy so that what is likely wanted is there.</summary>
    /// <param name="there">Grams at hand.</param>
    /// <param name="pack">Grams in a pack, above 0.</param>
    public int Buy(decimal there, decimal pack) => (int)Math.Max(0, Math.Ceiling((Likely - Math.Max(0, there)) / pack));

    /// <summary>Sums what kits take.</summary>
    /// <param name="signed">What each signed kit still takes.</param>
    /// <param name="due">What each kit that falls due took last time, with how much more or less its hands take since and how they vary.</param>
    public static IReadOnlyList<Demand> Of(IEnumerable<IReadOnlyList<Need>> signed, IEnumerable<(IReadOnlyList<Need> Took, double Factor, double Sd)> due)
    {
        var all = signed
            .SelectMany(s => s.Select(n => (n.Line, n.Item, Signed: n.Grams, Due: 0m, High: 0m)))
            .Concat(
                due.SelectMany(d =>
                    d.Took.Select(n =>
                        (n.Line, n.Item, Signed: 0m, Due: n.Grams * (decimal)d.Factor, High: n.Grams * (decimal)(d.Factor * Math.Exp(OneInTen * d.Sd)))
                    )
                )
            );
        return
        [
            .. all.GroupBy(x => (x.Line, x.Item))
                .Select(g => new Demand(
                    g.Key.Line,
                    g.Key.Item,
                    Math.Round(g.Sum(x => x.Signed), 1),
                    Math.Round(g.Sum(x => x.Due), 1),
                    Math.Round(g.Sum(x => x.High), 1)
                ))
                .OrderBy(d => d.Line, StringComparer.Ordinal)
                .ThenBy(d => d.Item, StringComparer.Ordinal),
        ];
    }

    /// <summary>How much more these hands take than when their last kit was sized, from what they have reported since.</summary>
    /// <param name="before">What was known then.</param>
    /// <param name="report">What was reported since; null where nothing was.</param>
    /// <param name="quantile">Share of kits that shall not run out.</param>
    public static (double Factor, double Sd) Learned(Hands before, UsedBefore? report, double quantile)
    {
        var then = HandFactor.Learned(before);
        var now = report is null ? then : then.After(report);
        return (now.Quantile(quantile) / then.Quantile(quantile), now.PredictiveSd);
    }

    /// <summary>The quantile of nine in ten of a normal distribution.</summary>
    private const double OneInTen = 1.2816;
}
