using Kitto.Store;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Bench;

/// <summary>The bench: kits that are to be packed, by the day they are filled.</summary>
public sealed class QueueModel(BenchRecord record, Studios studios, TimeProvider clock) : PageModel
{
    public Studio Studio { get; private set; } = null!;

    /// <summary>So many of each sort are shown together.</summary>
    public const int First = 30;

    /// <summary>Kits by when they are due: how many, and those that are shown.</summary>
    public IReadOnlyList<(string Title, int Count, IReadOnlyList<QueuedKit> Kits)> Groups { get; private set; } = [];

    private static readonly string[] Titles = ["On the bench", "To be packed today", "Later", "Packed, to be posted"];

    public async Task OnGet(bool all)
    {
        Studio = (await studios.Get())!;
        var kits = (await record.Queue(Studio.Today(clock.GetUtcNow()), all ? int.MaxValue : First)).ToLookup(k => k.Sort);
        Groups = [.. Titles.Select((title, sort) => (title, kits[sort].FirstOrDefault()?.OfSort ?? 0, (IReadOnlyList<QueuedKit>)[.. kits[sort]]))];
    }
}
