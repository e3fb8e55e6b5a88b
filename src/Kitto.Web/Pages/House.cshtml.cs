using System.Globalization;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Pages.Clients;
using Kitto.Web.Sittings;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The house's values for the amount.</summary>
public sealed class HouseModel(Studios studios, PostSettings settings, Shelf shelf) : PageModel
{
    /// <summary>How messages leave, and what is wrong with it.</summary>
    public PostSettings Settings => settings;

    /// <summary>Kinds of which the shelf has more than one line, so that the house has a choice.</summary>
    public IReadOnlyList<IGrouping<LineKind, Line>> Choices => [.. shelf.Lines.GroupBy(l => l.Kind).Where(g => g.Count() > 1).OrderBy(g => g.Key)];

    private readonly Dictionary<string, string> wrong = [];

    public HouseForm Input { get; private set; } = new();

    public string? Said { get; private set; }

    /// <summary>The level that the costs ask for.</summary>
    public double? FromCosts { get; private set; }

    public string Wrong(string field) => wrong.GetValueOrDefault(field, "");

    /// <summary>The usual emergency number of the studio's country.</summary>
    public string Usual => EmergencyNumbers.Of((Input.Country ?? "").Trim().ToUpperInvariant());

    /// <summary>When the last good backup was made, by the studio's clock.</summary>
    public DateTime? Backup { get; private set; }

    public override async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (await studios.LastBackup() is { } at)
        {
            Backup = (await studios.Get())!.Local(at);
        }

        await next();
    }

    public async Task OnGet() => Show((await studios.Get())!);

    public async Task<IActionResult> OnPost([FromForm] HouseForm input)
    {
        Input = input;
        var stored = (await studios.Get())!;
        FromCosts = stored.CostShort is null ? null : stored.House().Quantile;
        string name = (input.Name ?? "").Trim();
        if (name.Length is 0 or > 80)
        {
            wrong["Name"] = "1 to 80 characters.";
        }

        string phone = (input.Phone ?? "").Trim();
        if (!Studio.IsPhone(phone))
        {
            wrong["Phone"] = SetupModel.PhoneRange;
        }

        string country = (input.Country ?? "").Trim().ToUpperInvariant();
        if (!EmergencyNumbers.IsCountry(country))
        {
            wrong["Country"] = "Two letters, such as GB or NO.";
        }

        string emergency = (input.Emergency ?? "").Trim();
        if (emergency.Length > 0 && !EmergencyNumbers.IsNumber(emergency))
        {
            wrong["Emergency"] = $"2 to {EmergencyNumbers.Longest} digits; or leave it empty.";
        }

        string alarm = (input.AlarmEmail ?? "").Trim();
        if (alarm.Length > 0 && !ClientInput.IsAddress(alarm))
        {
            wrong["AlarmEmail"] = ClientInput.AddressRange;
        }

        string? address = PublicAddress.Read(input.Address);
        if (address is null)
        {
            wrong["Address"] = PublicAddress.Range;
        }

        double? trail = Number("TrailYears", input.TrailYears, 1, 20);
        double? keep = Number("KeepYears", input.KeepYears, 0, 30);
        if (keep is { } years && years != Math.Floor(years))
        {
            wrong["KeepYears"] = "A whole number, 0 to 30.";
        }

        double? level = Number("Level", input.Level, 100 * Values.LeastServiceLevel, 100 * Values.GreatestServiceLevel);
        double? step = Number("ScaleStep", input.ScaleStep, 0.01, 5);
        bool costs = !string.IsNullOrWhiteSpace(input.CostShort) || !string.IsNullOrWhiteSpace(input.CostLeft);
        double? missing = costs ? Number("CostShort", input.CostShort, 0.01, 10_000) : null;
        double? left = costs ? Number("CostLeft", input.CostLeft, 0.01, 10_000) : null;
        foreach (var (kind, id) in input.Lines.Where(l => !string.IsNullOrEmpty(l.Value) && shelf.Find(l.Value!)?.Kind != l.Key))
        {
            wrong[$"Lines[{kind}]"] = $"{id} is no such line of the shelf: {string.Join(", ", shelf.Lines.Where(l => l.Kind == kind).Select(l => l.Name))}.";
        }

        if (wrong.Count > 0)
        {
            return Page();
        }

        try
        {
            await studios.Save(
                stored.With(Own(stored, input)) with
                {
                    Name = name,
                    Phone = phone,
                    Country = country,
                    Emergency = emergency,
                    AlarmEmail = alarm,
                    Address = address!,
                    KeepYears = (int)keep!.Value,
                    TrailDays = (int)Math.Round(trail!.Value * 365),
                    ServiceLevel = level!.Value / 100,
                    ScaleStep = step!.Value,
                    CostShort = missing,
                    CostLeft = left,
                    Version = input.Version,
                }
            );
            ModelState.Clear();
            Show((await studios.Get())!);
            Said = "Saved. Kits signed from now on reckon with this; what was signed stays as it was.";
        }
        catch (ConflictException conflict)
        {
            Said = $"{conflict.Message} What you typed is still here: save again to put it over theirs.";
            Input.Version = stored.Version;
            ModelState.Clear();
        }

        return Page();
    }

    /// <summary>What was chosen; a kind that was not asked about stays as it was.</summary>
    private static Dictionary<LineKind, string> Own(Studio stored, HouseForm input) =>
        stored
            .OwnLines()
            .Where(l => !input.Lines.ContainsKey(l.Key))
            .Concat(input.Lines.Where(l => !string.IsNullOrEmpty(l.Value)).Select(l => KeyValuePair.Create(l.Key, l.Value!)))
            .ToDictionary();

    private void Show(Studio studio)
    {
        string Say(double? number) => number?.ToString("0.##", CultureInfo.InvariantCulture) ?? "";
        var house = studio.House();
        FromCosts = house.Costs is null ? null : house.Quantile;
        Input = new HouseForm
        {
            Name = studio.Name,
            Phone = studio.Phone,
            Country = studio.Country,
            Emergency = studio.Emergency,
            AlarmEmail = studio.AlarmEmail,
            Address = studio.Address,
            KeepYears = Say(studio.KeepYears),
            TrailYears = Say(studio.TrailDays / 365.0),
            Level = Say(studio.ServiceLevel * 100),
            CostShort = Say(studio.CostShort),
            CostLeft = Say(studio.CostLeft),
            ScaleStep = Say(studio.ScaleStep),
            Lines = studio.OwnLines().ToDictionary(l => l.Key, l => (string?)l.Value),
            Version = studio.Version,
        };
    }

    private double? Number(string field, string? text, double min, double max)
    {
        if (TypedNumber.Read(text, min, max) is { } number)
        {
            return number;
        }

        wrong[field] = string.Create(CultureInfo.InvariantCulture, $"A number, {min} to {max}.");
        return null;
    }
}
