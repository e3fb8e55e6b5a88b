using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Where kits are posted to, on which days post leaves for there, and how long it takes. Plans made from now on go by it.</summary>
public sealed class PostDaysModel(Studios studios) : PageModel
{
    public static readonly IReadOnlyList<DayOfWeek> Week =
    [
        DayOfWeek.Monday,
        DayOfWeek.Tuesday,
        DayOfWeek.Wednesday,
        DayOfWeek.Thursday,
        DayOfWeek.Friday,
        DayOfWeek.Saturday,
        DayOfWeek.Sunday,
    ];

    public IReadOnlyList<Destination> All { get; private set; } = [];

    /// <summary>The place whose form has a complaint; 0: the new one.</summary>
    public int? At { get; private set; }

    public string? Wrong { get; private set; }

    /// <summary>What was typed into that form.</summary>
    public (string Name, IReadOnlyList<DayOfWeek> Days, string Transit) Typed { get; private set; } = ("", [], "");

    public string? Said { get; private set; }

    public async Task OnGet(string? kept)
    {
        All = await studios.Destinations();
        Said = kept is null ? null : "Kept. Plans that are signed already stay as they are.";
    }

    public async Task<IActionResult> OnPost(int id, string? name, string[] days, string? transit)
    {
        All = await studios.Destinations();
        var chosen = Week.Where(d => days.Contains(d.ToString())).ToList();
        (At, Typed) = (id, ((name ?? "").Trim(), chosen, transit ?? ""));
        double? way = TypedNumber.Read(transit, 0, Values.MostTransitDays);
        Wrong =
            Typed.Name.Length is 0 or > 80 ? "A name of 1 to 80 characters."
            : chosen.Count == 0 ? "Tick at least one day on which post leaves."
            : way is not { } whole || whole != Math.Floor(whole) ? $"Days on the way: a whole number, 0 to {Values.MostTransitDays}."
            : id != 0 && All.All(d => d.Id != id) ? "This place is gone; look again."
            : null;
        if (Wrong is not null)
        {
            return Page();
        }

        try
        {
            if (id == 0)
            {
                await studios.AddDestination(Typed.Name, chosen, (int)way!.Value);
            }
            else
            {
                await studios.SaveDestination(id, Typed.Name, chosen, (int)way!.Value);
            }

            return RedirectToPage(new { kept = "yes" });
        }
        catch (ConflictException conflict)
        {
            Wrong = conflict.Message;
        }

        return Page();
    }
}
