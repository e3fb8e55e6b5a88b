using System.Collections.Concurrent;
using Kitto.Core.Packing;
using Kitto.Store;

namespace Kitto.Web.Bench;

/// <summary>What is on the shelf that no signed kit waits for.</summary>
public sealed class FreeStock(StockRecord stock, BenchKits bench)
{
    /// <summary>While somebody types, the stock is not asked again for this long, ms: a tube is not emptied between two keys.</summary>
    private const long Keeps = 3000;

    private sealed record Seen(long At, DateOnly Today, IReadOnlyList<AtHand> There, IReadOnlyList<(Guid Client, IReadOnlyList<Need> Takes)> Waiting);

    private readonly ConcurrentDictionary<int, Seen> seen = [];

    /// <summary>Grams at hand by line and item, less what kits that are signed and not packed still take of them. What is not counted is not in it.</summary>
    /// <param name="today">The studio's day.</param>
    /// <param name="but">A client whose open kits are left out of it: the one who is prescribed for.</param>
    /// <param name="typing">Whether somebody types meanwhile: then what was seen a moment ago will do.</param>
    public async Task<Dictionary<(string Line, string Item), decimal>> Of(DateOnly today, Guid? but = null, bool typing = false)
    {
        var now = seen.GetValueOrDefault(CurrentStudio.Id);
        if (!typing || now is null || now.Today != today || Environment.TickCount64 - now.At > Keeps)
        {
            now = seen[CurrentStudio.Id] = await Look(today);
        }

        var free = now.There.ToDictionary(a => (a.Line, a.Item), a => a.Grams);
        foreach (var need in now.Waiting.Where(w => w.Client != but).SelectMany(w => w.Takes).Where(_ => free.Count > 0))
        {
            free[(need.Line, need.Item)] = free.GetValueOrDefault((need.Line, need.Item)) - need.Grams;
        }

        return free;
    }

    private async Task<Seen> Look(DateOnly today) => new(Environment.TickCount64, today, await stock.AtHand(today), await bench.Waiting());
}
