using Kitto.Store;

namespace Kitto.Web.Bench;

/// <summary>What is on the shelf that no signed kit waits for.</summary>
public sealed class FreeStock(Stock stock, Kits kits, BenchKits bench, BenchRecord record)
{
    /// <summary>Grams at hand by line and item, less what kits that are signed and not packed take of them. What is not counted is not in it.</summary>
    /// <param name="today">The studio's day.</param>
    /// <param name="but">A client whose open kits are left out of it: the one who is prescribed for.</param>
    public async Task<Dictionary<(string Line, string Item), decimal>> Of(DateOnly today, Guid? but = null)
    {
        var free = (await stock.AtHand(today)).ToDictionary(a => (a.Line, a.Item), a => a.Grams);
        if (free.Count == 0)
        {
            return free;
        }

        foreach (var kit in (await kits.Open()).Where(k => k.State == "signed" && k.ClientId != but))
        {
            // What was poured for it is out of its tube already.
            var takes = await record.Told(kit.Id) > 0 && await bench.Open(kit) is { } begun
                ? Core.Packing.Stocks.StillTakes(begun.Stand)
                : await bench.Takes(kit.PrescriptionId);
            foreach (var need in takes)
            {
                free[(need.Line, need.Item)] = free.GetValueOrDefault((need.Line, need.Item)) - need.Grams;
            }
        }

        return free;
    }
}
