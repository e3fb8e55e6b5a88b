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
public sealed partial class ShelfStockModel(StockRecord stock, StockCommands changes, FreeStock free, ShoppingList shopping, CurrentShelf shelves, Studios studios, TimeProvider clock)
    : PageModel
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

    /// <summary>Tubes that come in, as typed.</summary>
    public sealed class ReceiveForm
    {
        public string? Line { get; set; }
        public string? Item { get; set; }
        public string? Number { get; set; }
        public string? ExpiresOn { get; set; }
        public string? PackGrams { get; set; }
        public string? Price { get; set; }
        public string? Count { get; set; }
        public string? Code { get; set; }
    }

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
                    (IReadOnlyList<object?>)[Shelf.Find(b.Demand.Line)?.Name ?? b.Demand.Line, b.Demand.Item, b.Demand.Signed, b.Demand.Due, b.Demand.Most, b.There, b.Pack, b.Packs]
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
                    (IReadOnlyList<object?>)[t.Line, t.Item, t.Number, t.Code, t.OpenedOn, t.ExpiresOn, t.Grams, t.PackGrams, t.Price, t.RecalledAt is null ? "no" : "yes"]
                )
            ),
            "text/csv",
            "tubes.csv"
        );

    /// <summary>Tubes or bottles come in.</summary>
    public async Task<IActionResult> OnPostReceive([FromForm] ReceiveForm form)
    {
        Typed = form;
        await Load(form.Line, form.Item, null);
        if (Read(form) is not { } read)
        {
            return Page();
        }

        try
        {
            var codes = await changes.Receive(read.Lot, read.Count, User.Name(), clock.GetUtcNow().UtcDateTime);
            if (!string.IsNullOrWhiteSpace(form.Code))
            {
                await changes.Means(form.Code.Trim(), read.Lot.Line, read.Lot.Item);
            }

            return RedirectToPage(
                new
                {
                    line = form.Line,
                    item = form.Item,
                    said = $"{read.Count} of {read.Lot.Item} taken in, lot {read.Lot.Number}. Write on them: {string.Join(", ", codes.Take(12))}{(codes.Count > 12 ? " …" : "")}",
                }
            );
        }
        catch (ConflictException conflict)
        {
            Wrong["Number"] = conflict.Message;
            return Page();
        }
    }

    /// <summary>A tube is counted, is empty, or is thrown away.</summary>
    public async Task<IActionResult> OnPostTube(string line, string item, Guid tube, string what, string? grams, string? why)
    {
        await Load(line, item, null);
        var at = clock.GetUtcNow().UtcDateTime;
        string field = $"tube-{tube}";
        switch (what)
        {
            case "count" when TypedNumber.Read(grams, 0, 5000) is { } counted:
                await changes.Count(tube, Math.Round((decimal)counted, 2), User.Name(), at, Today);
                break;
            case "count":
                Wrong[field] = "Grams that are in it: 0 to 5000.";
                return Page();
            case "throw" when (why ?? "").Trim().Length is < 3 or > 200:
                Wrong[field] = "Say why it is thrown away: 3 to 200 characters.";
                return Page();
            case "throw":
                await changes.Throw(tube, why!.Trim(), User.Name(), at, Today);
                break;
            default:
                await changes.End(tube, User.Name(), at, Today);
                break;
        }

        return RedirectToPage(new { line, item });
    }

    private (Lot Lot, int Count)? Read(ReceiveForm form)
    {
        if (Shelf.Find(form.Line ?? "") is not { } line)
        {
            Wrong["Line"] = "Choose a line of the shelf.";
            return null;
        }

        if (!ItemsOf(line).Contains(form.Item))
        {
            Wrong["Item"] = $"Choose a shade or a strength of {line.Name}.";
        }

        string number = (form.Number ?? "").Trim();
        if (number.Length is 0 or > 40)
        {
            Wrong["Number"] = "The lot's number as printed: 1 to 40 characters.";
        }

        DateOnly? expires = DateOnly.TryParseExact(form.ExpiresOn, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;
        if (!string.IsNullOrEmpty(form.ExpiresOn) && (expires is null || expires < Today))
        {
            Wrong["ExpiresOn"] = $"A day from {Today:d MMM yyyy} on, or leave it empty where none is printed.";
        }

        if (TypedNumber.Read(form.PackGrams, 1, 5000) is not { } pack)
        {
            Wrong["PackGrams"] = "Grams in a full one: 1 to 5000.";
            pack = 1;
        }

        decimal? price = null;
        if (!string.IsNullOrWhiteSpace(form.Price))
        {
            if (!Money.TryRead(form.Price, out decimal read))
            {
                Wrong["Price"] = Money.Range;
            }

            price = read;
        }

        if (TypedNumber.Read(form.Count, 1, StockCommands.MostTubes) is not { } count || count != Math.Floor(count))
        {
            Wrong["Count"] = $"How many: 1 to {StockCommands.MostTubes}.";
            count = 1;
        }

        if (!string.IsNullOrWhiteSpace(form.Code) && form.Code.Trim().Length is < 4 or > 40)
        {
            Wrong["Code"] = "The code on the package: 4 to 40 characters, or leave it empty.";
        }

        return Wrong.Count > 0
            ? null
            : (new Lot(Guid.CreateVersion7(), line.Id, form.Item!, number, expires, Math.Round((decimal)pack, 2), price, Today), (int)count);
    }

    private async Task Load(string? line, string? item, int? weeks)
    {
        Studio = (await studios.Get())!;
        Today = Studio.Today(clock.GetUtcNow());
        Weeks = weeks is { } asked && Spans.Contains(asked) ? asked : 6;
        Items = await stock.AtHand(Today);
        Free = await free.Of(Today);
        Buy = await shopping.Until(Today, Today.AddDays(7 * Weeks));
        if (Shelf.Find(line ?? "") is { } of && ItemsOf(of).Contains(item))
        {
            At = (of.Id, item!);
            Tubes = await stock.Tubes(of.Id, item!);
            Codes = [.. (await stock.Codes()).Where(c => (c.Line, c.Item) == At).Select(c => c.Code)];
            Typed.Line ??= of.Id;
            Typed.Item ??= item;
            Typed.PackGrams ??= (Tubes is [var first, ..] ? first.PackGrams : (item!.EndsWith(" vol", StringComparison.Ordinal) ? 1000 : (decimal)of.Tube.Value)).ToString("0.##", CultureInfo.InvariantCulture);
        }
    }
}
