using System.Globalization;
using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Ledger;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Ledger;

/// <summary>The ledger: what kits cost and brought, and how true what was reckoned of them was.</summary>
public sealed class IndexModel(LedgerRecord ledger, Studios studios, Shelf shelf, TimeProvider clock) : PageModel
{
    public DateOnly From { get; private set; }

    public DateOnly To { get; private set; }

    public string Currency { get; private set; } = "";

    public IReadOnlyList<LedgerSum> Months { get; private set; } = [];

    public IReadOnlyList<LedgerSum> Services { get; private set; } = [];

    public IReadOnlyList<LedgerSum> Clients { get; private set; } = [];

    public IReadOnlyList<(string Line, long Kits, decimal Goods, decimal Lost)> Lines { get; private set; } = [];

    /// <summary>What was thrown away of tubes, by no kit.</summary>
    public decimal ThrownAway { get; private set; }

    public IReadOnlyList<TruthLine> Held { get; private set; } = [];

    /// <summary>What is wrong with the span; null where nothing is.</summary>
    public string? Wrong { get; private set; }

    /// <summary>The whole span.</summary>
    public LedgerSum All =>
        new(
            "all",
            Months.Sum(m => m.Kits),
            Months.Sum(m => m.Goods),
            Months.Sum(m => m.Lost),
            Months.Sum(m => m.Rest),
            Months.Sum(m => m.Price),
            Months.Sum(m => m.Left),
            Months.Sum(m => m.Unknown)
        );

    /// <summary>A line by its name; its id where it is on the shelf no longer.</summary>
    public string Name(string line) => shelf.Find(line)?.Name ?? line;

    public async Task OnGet(string? from, string? to)
    {
        await Span(from, to);
        // Each looks at every kit of the span; they look at the same time.
        var (groups, clients, lines, thrown, grown) = (
            ledger.Groups(From, To),
            ledger.ByClient(From, To, 20),
            ledger.ByLine(From, To),
            ledger.ThrownAway(Utc(From), Utc(To.AddDays(1))),
            ledger.Grown(From, To)
        );
        var all = await groups;
        Months = ByMonth(all);
        Services = [.. LedgerGroup.By(all, g => g.Service).OrderByDescending(s => s.Price)];
        (Clients, Lines, ThrownAway) = (await clients, await lines, await thrown);
        Held = Truth.Of(LedgerGroup.Truth(all, await grown));
    }

    private static IReadOnlyList<LedgerSum> ByMonth(IReadOnlyList<LedgerGroup> groups) =>
        [.. LedgerGroup.By(groups, g => g.Month).OrderByDescending(m => m.Name, StringComparer.Ordinal)];

    /// <summary>Kit by kit, as CSV.</summary>
    public async Task<IActionResult> OnGetCsv(string? from, string? to)
    {
        await Span(from, to);
        return File(
            Csv.Write(
                [
                    "booked_on",
                    "client",
                    "kit",
                    "service",
                    "goods",
                    "lost",
                    "containers",
                    "postage",
                    "labour",
                    "minutes",
                    "cost",
                    "price",
                    "margin",
                    "left_at_client",
                    "prices_known",
                    "currency",
                ],
                (await ledger.Kits(From, To)).Select(k =>
                    (IReadOnlyList<object?>)
                        [
                            k.BookedOn,
                            k.Client,
                            k.Number,
                            k.Service,
                            k.Goods,
                            k.Lost,
                            k.Containers,
                            k.Postage,
                            k.Labour,
                            k.Minutes,
                            k.Cost,
                            k.Price,
                            k.Price - k.Cost,
                            k.Left,
                            k.Known ? "yes" : "no",
                            Currency,
                        ]
                )
            ),
            "text/csv",
            $"ledger-{From:yyyy-MM-dd}-{To:yyyy-MM-dd}.csv"
        );
    }

    /// <summary>The same as JSON, with the sums by month.</summary>
    public async Task<IActionResult> OnGetJson(string? from, string? to)
    {
        await Span(from, to);
        return File(
            JsonSerializer.SerializeToUtf8Bytes(
                new
                {
                    kitto = "ledger/1",
                    from = From,
                    to = To,
                    currency = Currency,
                    months = ByMonth(await ledger.Groups(From, To)),
                    kits = await ledger.Kits(From, To),
                },
                Json.Indented
            ),
            "application/json",
            $"ledger-{From:yyyy-MM-dd}-{To:yyyy-MM-dd}.json"
        );
    }

    private Studio studio = null!;

    private DateTime Utc(DateOnly day) => studio.Utc(day.ToDateTime(TimeOnly.MinValue));

    private async Task Span(string? from, string? to)
    {
        studio = (await studios.Get())!;
        Currency = studio.Reckons().Currency;
        var today = studio.Today(clock.GetUtcNow());
        DateOnly? Read(string? day) =>
            DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var read) && read.Year is >= 2000 and <= 2200
                ? read
                : null;
        (From, To) = (Read(from) ?? new DateOnly(today.Year, today.Month, 1).AddMonths(-11), Read(to) ?? today);
        if ((!string.IsNullOrEmpty(from) && Read(from) is null) || (!string.IsNullOrEmpty(to) && Read(to) is null) || From > To)
        {
            Wrong = "Give a first and a last day, the first before the last; years 2000 to 2200.";
            (From, To) = (today.AddYears(-1), today);
        }
    }
}
