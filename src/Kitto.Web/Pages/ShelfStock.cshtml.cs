using System.Globalization;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Tubes and bottles: what is there, what came in, what the coming weeks take.</summary>
public sealed partial class ShelfStockModel(
    StockRecord stock,
    StockCommands changes,
    FreeStock free,
    ShoppingList shopping,
    CurrentShelf shelves,
    Studios studios,
    TimeProvider clock
) : PageModel
{
    /// <summary>How far ahead is looked.</summary>
    public static IReadOnlyList<int> Spans { get; } = [2, 4, 6, 10];

    public Studio Studio { get; private set; } = null!;

    public Shelf Shelf => shelves.Now;

    public DateOnly Today { get; private set; }

    /// <summary>Items with what is there of them.</summary>
    public IReadOnlyList<AtHand> Items { get; private set; } = [];

    /// <summary>Grams that no signed kit waits for.</summary>
    public IReadOnlyDictionary<(string Line, string Item), decimal> Free { get; private set; } = new Dictionary<(string, string), decimal>();

    /// <summary>What the coming weeks take.</summary>
    public IReadOnlyList<ToBuy> Buy { get; private set; } = [];

    /// <summary>Weeks that are looked ahead.</summary>
    public int Weeks { get; private set; } = 6;

    /// <summary>The item that is looked at.</summary>
    public (string Line, string Item)? At { get; private set; }

    /// <summary>Its tubes.</summary>
    public IReadOnlyList<Tube> Tubes { get; private set; } = [];

    /// <summary>Codes on packages of it.</summary>
    public IReadOnlyList<string> Codes { get; private set; } = [];

    public string? Said { get; private set; }

    /// <summary>Complaints by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>What was typed.</summary>
    public ReceiveForm Typed { get; private set; } = new();

    /// <summary>Items of a line that can be stocked: its shades, then its strengths.</summary>
    public static IEnumerable<string> ItemsOf(Line line) => line.Shades.Select(s => s.Code).Concat(line.Developers.Select(d => d.Volume.ToString()));

    public async Task OnGet(string? line, string? item, int? weeks, string? said)
    {
        Said = said;
        await Load(line, item, weeks);
    }

    /// <summary>The shopping list as CSV.</summary>
    public async Task<IActionResult> OnGetList(int? weeks)
    {
        await Load(null, null, weeks);
        return File(
            Csv.Write(
                ["line", "item", "signed_g", "due_g", "may_be_g", "there_g", "pack_g", "packs_to_buy"],
                Buy.Select(b =>
                    (IReadOnlyList<object?>)
                        [
                            Shelf.Find(b.Demand.Line)?.Name ?? b.Demand.Line,
                            b.Demand.Item,
                            b.Demand.Signed,
                            b.Demand.Due,
                            b.Demand.Most,
                            b.There,
                            b.Pack,
                            b.Packs,
                        ]
                )
            ),
            "text/csv",
            "shopping-list.csv"
        );
    }

    /// <summary>Everything that is there, tube by tube, as CSV.</summary>
    public async Task<IActionResult> OnGetTubes() =>
        File(
            Csv.Write(
                ["line", "item", "lot", "code", "opened_on", "use_by", "grams", "pack_grams", "price", "recalled"],
                (await stock.Tubes()).Select(t =>
                    (IReadOnlyList<object?>)
                        [t.Line, t.Item, t.Number, t.Code, t.OpenedOn, t.ExpiresOn, t.Grams, t.PackGrams, t.Price, t.RecalledAt is null ? "no" : "yes"]
                )
            ),
            "text/csv",
            "tubes.csv"
        );

    private async Task Load(string? line, string? item, int? weeks)
    {
        Studio = (await studios.Get())!;
        Today = Studio.Today(clock.GetUtcNow());
        Weeks = weeks is { } asked && Spans.Contains(asked) ? asked : 6;
        // As on a shelf: by level, then by family; strengths behind the shades.
        Items =
        [
            .. (await stock.AtHand(Today))
                .OrderBy(i => i.Line, StringComparer.Ordinal)
                .ThenBy(i => ShadeOf.Parse(i.Item) is null)
                .ThenBy(i => ShadeOf.Parse(i.Item)?.Level)
                .ThenBy(i => i.Item, StringComparer.Ordinal),
        ];
        Free = await free.Of(Today);
        Buy = await shopping.Until(Today, Today.AddDays(7 * Weeks));
        if (Shelf.Find(line ?? "") is { } of && ItemsOf(of).Contains(item))
        {
            At = (of.Id, item!);
            Tubes = await stock.Tubes(of.Id, item!);
            Codes = [.. (await stock.Codes()).Where(c => (c.Line, c.Item) == At).Select(c => c.Code)];
            Typed.Line ??= of.Id;
            Typed.Item ??= item;
            Typed.PackGrams ??= (
                Tubes is [var first, ..] ? first.PackGrams : (item!.EndsWith(" vol", StringComparison.Ordinal) ? 1000 : (decimal)of.Tube.Value)
            ).ToString("0.##", CultureInfo.InvariantCulture);
        }
    }
}
