using System.Text.Json;
using Kitto.Core.Ledger;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>What the house reckons a kit at, and what it asks for it.</summary>
public sealed class HousePricesModel(Studios studios) : PageModel
{
    /// <summary>The sums, with their labels.</summary>
    public static IReadOnlyList<(string Name, string Label, string Hint)> Sums { get; } =
    [
        ("PerHour", "An hour at the bench", "minutes are counted from the first pour to the last, pauses of over ten minutes left out"),
        ("UsualMinutes", "Minutes for a kit that was not weighed there", ""),
        ("Container", "A sachet or bottle", ""),
        ("Box", "Box, gloves, cape, paper", ""),
        ("Factor", "Asked: so many times what it costs", "1: what it costs"),
        ("Plus", "And so much more", ""),
        ("RoundTo", "Rounded up to", "0.01, 0.50, 1 ..."),
    ];

    /// <summary>What stands in the fields.</summary>
    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Destination> Places { get; private set; } = [];

    public int Version { get; private set; }

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Said { get; private set; }

    public async Task OnGet() => await Show();

    public async Task<IActionResult> OnPost(int version)
    {
        Typed = Request.Form.ToDictionary(f => f.Key, f => f.Value.ToString());
        Version = version;
        Places = await studios.Destinations();
        var studio = (await studios.Get())!;
        decimal Sum(string name, decimal most = Money.Most)
        {
            if (Money.TryRead(Typed.GetValueOrDefault(name), out decimal sum) && sum <= most)
            {
                return sum;
            }

            Wrong[name] = most == Money.Most ? Money.Range : $"A number from 0 to {most:0}, at most two decimals.";
            return 0;
        }

        string currency = Typed.GetValueOrDefault("Currency", "").Trim();
        if (currency.Length > 8)
        {
            Wrong["Currency"] = "Up to 8 characters, such as GBP.";
        }

        var prices = new Prices(
            currency,
            Sum("PerHour"),
            Sum("UsualMinutes", 600),
            Sum("Container"),
            Sum("Box"),
            Sum("Factor", 100),
            Sum("Plus"),
            Sum("RoundTo", 100)
        );
        if (!Wrong.ContainsKey("RoundTo") && prices.RoundTo < 0.01m)
        {
            Wrong["RoundTo"] = "From 0.01 to 100.";
        }

        var postage = new List<(int Id, decimal? Sum)>();
        foreach (var place in Places)
        {
            string name = $"Postage-{place.Id}";
            postage.Add((place.Id, string.IsNullOrWhiteSpace(Typed.GetValueOrDefault(name)) ? null : Sum(name)));
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        try
        {
            await studios.Save(studio with { Prices = JsonSerializer.Serialize(prices, JsonSerializerOptions.Web), Version = version });
            foreach (var (id, sum) in postage)
            {
                await studios.SavePostage(id, sum);
            }

            await Show();
            Said = "Saved. Kits packed from now on are booked with it; what was booked stays as it was.";
        }
        catch (ConflictException conflict)
        {
            Said = $"{conflict.Message} What you typed is still here: save again to put it over theirs.";
            Version = studio.Version;
        }

        ModelState.Clear();
        return Page();
    }

    private async Task Show()
    {
        var studio = (await studios.Get())!;
        var prices = studio.Reckons();
        Places = await studios.Destinations();
        Version = studio.Version;
        static string N(decimal sum) => sum.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture);
        Typed = new()
        {
            ["Currency"] = prices.Currency,
            ["PerHour"] = N(prices.PerHour),
            ["UsualMinutes"] = N(prices.UsualMinutes),
            ["Container"] = N(prices.Container),
            ["Box"] = N(prices.Box),
            ["Factor"] = N(prices.Factor),
            ["Plus"] = N(prices.Plus),
            ["RoundTo"] = N(prices.RoundTo),
        };
        foreach (var place in Places)
        {
            Typed[$"Postage-{place.Id}"] = place.Postage is { } sum ? N(sum) : "";
        }
    }
}
