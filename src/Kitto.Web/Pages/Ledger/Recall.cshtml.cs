using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Ledger;

/// <summary>A lot in; every kit, client, state and telephone number out (BE9).</summary>
public sealed class RecallModel(
    StockRecord stock,
    StockCommands changes,
    ClientMessageSender sender,
    Kits kits,
    KitCommands moves,
    Studios studios,
    Shelf shelf,
    TimeProvider clock
) : PageModel
{
    public string Number { get; private set; } = "";

    public Studio Studio { get; private set; } = null!;

    /// <summary>Lots of that number.</summary>
    public IReadOnlyList<Lot> Lots { get; private set; } = [];

    /// <summary>Kits that hold something of them.</summary>
    public IReadOnlyList<LotUse> Uses { get; private set; } = [];

    /// <summary>Tubes of them that are not empty.</summary>
    public IReadOnlyList<Tube> Tubes { get; private set; } = [];

    public string? Wrong { get; private set; }

    public string Typed { get; private set; } = "";

    public string? Said { get; private set; }

    public string Line(string id) => shelf.Find(id)?.Name ?? id;

    public async Task OnGet(string? lot, string? said)
    {
        Said = said;
        await Load(lot);
    }

    /// <summary>Who has it, as CSV.</summary>
    public async Task<IActionResult> OnGetCsv(string? lot)
    {
        await Load(lot);
        return File(
            Csv.Write(
                ["client", "telephone", "email", "kit", "state", "colour_day", "shade", "grams", "weighed_at"],
                Uses.Select(u => (IReadOnlyList<object?>)[u.Client, u.Phone, u.Email, u.KitNumber, u.State, u.ColourOn, u.Item, u.Grams, u.LastAt])
            ),
            "text/csv",
            "recall.csv"
        );
    }

    /// <summary>Nothing of it is poured from now on; clients who may still use it are written to.</summary>
    public async Task<IActionResult> OnPost(string? lot, string? why, bool write, bool off)
    {
        await Load(lot);
        Typed = (why ?? "").Trim();
        if (Lots.Count == 0 || !WrittenReason.Is(Typed))
        {
            Wrong = Lots.Count == 0 ? "There is no such lot." : $"Say why it is recalled: {WrittenReason.Range}. The client reads it.";
            return Page();
        }

        var at = clock.GetUtcNow().UtcDateTime;
        await changes.Recall(Lots.Select(l => l.Id), Typed, User.Name(), at);
        int told = 0,
            called = 0;
        foreach (var use in Uses.DistinctBy(u => u.KitId).Where(u => u.State is "packed" or "posted"))
        {
            if (await kits.Get(use.KitId) is not { } kit)
            {
                continue;
            }

            if (write && kit.State == "posted")
            {
                await sender.Say(kit, ClientMessage.LotRecalled);
                told++;
            }

            if (off)
            {
                try
                {
                    await moves.CallOff(kit, $"Lot {Number} was recalled: {Typed}", User.Name(), at);
                    called++;
                }
                catch (ConflictException)
                {
                    // Somebody moved it on just now: it stands in the list, and is called about.
                }
            }
        }

        return RedirectToPage(
            new
            {
                lot = Number,
                said = $"Lot {Number} is recalled. {called} kit{(called == 1 ? "" : "s")} called off, {told} message{(told == 1 ? "" : "s")} in the outbox. Call whoever has it.",
            }
        );
    }

    private async Task Load(string? lot)
    {
        Studio = (await studios.Get())!;
        Number = (lot ?? "").Trim();
        if (Number.Length == 0)
        {
            return;
        }

        Lots = await stock.LotsOf(Number);
        // A code of a tube leads to its lot.
        if (Lots.Count == 0 && await stock.Find(Number) is { } tube)
        {
            (Number, Lots) = (tube.Number, await stock.LotsOf(tube.Number));
        }

        Uses = await stock.UsesOf(Lots.Select(l => l.Id));
        Tubes = [.. (await stock.Tubes()).Where(t => Lots.Any(l => l.Id == t.LotId))];
    }
}
