using Kitto.Core.Clock;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>What each day of a week asks of the studio and of its clients.</summary>
public sealed class WeekModel(PublicAddress site, StandRecord stands, KitLooks looks, Studios studios, Links links, TimeProvider clock) : PageModel
{
    /// <summary>So many are named for one thing of one day; the rest are counted.</summary>
    public const int Named = 8;

    public DateOnly Monday { get; private set; }

    public DateOnly Today { get; private set; }

    /// <summary>For each day and each thing, how often.</summary>
    public IReadOnlyDictionary<(DateOnly On, DayKind Kind), int> Days { get; private set; } = null!;

    /// <summary>Whose, the first of them.</summary>
    public ILookup<(DateOnly On, DayKind Kind), NamedDay> Whose { get; private set; } = null!;

    public Link? Link { get; private set; }

    /// <summary>The address of a link made this moment; it is never shown again.</summary>
    public string? FreshAddress { get; private set; }

    /// <summary>What is shown of a day, the studio's own work first.</summary>
    public static IReadOnlyList<(DayKind Kind, string Says, bool Ours)> Kinds { get; } =
    [
        (DayKind.Pack, "pack", true),
        (DayKind.Post, "post", true),
        (DayKind.NextKit, "next kit due", true),
        (DayKind.Report, "report due", true),
        (DayKind.Arrives, "should arrive", false),
        (DayKind.SkinTest, "skin test", false),
        (DayKind.StrandTest, "strand test", false),
        (DayKind.Colour, "colour day", false),
    ];

    public async Task OnGet(DateOnly? of) => await Load(of);

    /// <summary>Makes the secret address for calendar programs.</summary>
    public async Task<IActionResult> OnPostLink(DateOnly? of)
    {
        string token = await links.ToCalendar(clock.GetUtcNow().UtcDateTime);
        FreshAddress = $"{await site.Of(Request)}/calendar/{token}.ics";
        await Load(of);
        return Page();
    }

    public async Task<IActionResult> OnPostClose(DateOnly? of)
    {
        await links.RevokeCalendar(clock.GetUtcNow().UtcDateTime);
        return RedirectToPage(new { of = of?.ToString("yyyy-MM-dd") });
    }

    private async Task Load(DateOnly? of)
    {
        Today = (await studios.Get())!.Today(clock.GetUtcNow());
        var day = of is { Year: >= 2000 and <= 2200 } asked ? asked : Today;
        Monday = day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
        await looks.Look();
        Days = await stands.Days(Monday, Monday.AddDays(6));
        Whose = await stands.Named(Days.Keys, Named);
        Link = await links.OfCalendar();
    }
}
