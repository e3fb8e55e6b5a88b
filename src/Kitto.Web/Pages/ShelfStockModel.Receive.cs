using System.Globalization;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages;

/// <summary>What comes in, and what becomes of a tube.</summary>
public sealed partial class ShelfStockModel
{
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
}
