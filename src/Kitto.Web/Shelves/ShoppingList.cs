using Kitto.Core.Packing;
using Kitto.Core.Quantity;
using Kitto.Store;
using Kitto.Web.Bench;

namespace Kitto.Web.Shelves;

/// <summary>What the coming weeks take, against what is there.</summary>
/// <param name="Demand">What is taken.</param>
/// <param name="There">Grams at hand.</param>
/// <param name="Pack">Grams in a pack.</param>
/// <param name="Packs">Packs to buy.</param>
public sealed record ToBuy(Demand Demand, decimal There, decimal Pack, int Packs);

/// <summary>Reckons the shopping list.</summary>
public sealed class ShoppingList(Kits kits, BenchKits bench, Reports reports, StockRecord stock, CurrentShelf shelves)
{
    /// <summary>Most clients whose next kit is looked at.</summary>
    private const int Most = 300;

    /// <summary>What is wanted until a day, everything that is wanted more than it is there first.</summary>
    public async Task<IReadOnlyList<ToBuy>> Until(DateOnly today, DateOnly until)
    {
        var signed = (await bench.Waiting()).Select(w => w.Takes);
        var due = new List<(IReadOnlyList<Need>, double, double)>();
        var dues = await kits.Due(until, Most);
        var outcomes = await reports.OutcomesOf(dues.Select(d => d.KitId));
        foreach (var last in dues)
        {
            if (await bench.Last(last.KitId, last.PrescriptionId) is not { } known)
            {
                continue;
            }

            var report = outcomes.TryGetValue(last.KitId, out var o)
                ? new UsedBefore(
                    known.Quantity.BaseGrams,
                    known.Quantity.SendGrams,
                    known.Quantity.ResidueGrams,
                    Core.Grams.Of(o.LeftGrams),
                    o.RanOut,
                    o.Weighed,
                    Math.Max(0, today.DayNumber - o.AppliedOn.DayNumber)
                )
                : null;
            var (factor, sd) = Demand.Learned(known.Hands, report, known.Quantile);
            due.Add((await bench.Takes(last.PrescriptionId), factor, sd));
        }

        var there = (await stock.AtHand(today)).ToDictionary(a => (a.Line, a.Item), a => a.Grams);
        var packs = (await stock.Lots()).GroupBy(l => (l.Line, l.Item)).ToDictionary(g => g.Key, g => g.First().PackGrams);
        return
        [
            .. Demand
                .Of(signed, due)
                .Select(d =>
                {
                    decimal at = there.GetValueOrDefault((d.Line, d.Item));
                    decimal pack =
                        packs.TryGetValue((d.Line, d.Item), out decimal known) ? known
                        : d.Item.EndsWith(" vol", StringComparison.Ordinal) ? 1000
                        : (decimal)(shelves.Now.Find(d.Line)?.Tube.Value ?? 60);
                    return new ToBuy(d, at, pack, d.Buy(at, pack));
                })
                .OrderByDescending(b => b.Packs > 0)
                .ThenBy(b => b.Demand.Line, StringComparer.Ordinal)
                .ThenBy(b => b.Demand.Item, StringComparer.Ordinal),
        ];
    }
}
