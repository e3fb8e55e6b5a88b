using Kitto.Store;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Bench;

/// <summary>The bench: kits that are to be packed, by the day they are filled.</summary>
public sealed class QueueModel(BenchRecord record, Studios studios, TimeProvider clock) : PageModel
{
    public Studio Studio { get; private set; } = null!;

    /// <summary>Kits by when they are due.</summary>
    public IReadOnlyList<(string Title, IReadOnlyList<QueuedKit> Kits)> Groups { get; private set; } = [];

    public async Task OnGet()
    {
        Studio = (await studios.Get())!;
        var today = Studio.Today(clock.GetUtcNow());
        var all = await record.Queue();
        IReadOnlyList<QueuedKit> Of(Func<QueuedKit, bool> which) => [.. all.Where(which)];
        Groups =
        [
            ("On the bench", Of(k => k.State == "signed" && k.Told > 0)),
            ("To be packed today", Of(k => k.State == "signed" && k.Told == 0 && (k.FillOn ?? today) <= today)),
            ("Later", Of(k => k.State == "signed" && k.Told == 0 && k.FillOn > today)),
            ("Packed, to be posted", Of(k => k.State == "packed")),
        ];
    }
}
