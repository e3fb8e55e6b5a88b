using System.Text;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Guides;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Today;

/// <summary>The calendars that calendar programs fetch by a secret link.</summary>
public static class Calendars
{
    /// <summary>How far back and ahead the studio's calendar reaches, days.</summary>
    private const int Back = 30;
    private const int Ahead = 180;

    /// <summary>The studio's days.</summary>
    public static async Task<IResult> Studio(string token, Links links, Kits kits, Studios studios, TimeProvider clock)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        if (await links.Open("studio", token) is not { } link || link.ClosedAt(now) is not null || await studios.Get() is not { } studio)
        {
            return Results.Text("This calendar is closed. Ask for a new link.", statusCode: StatusCodes.Status410Gone);
        }

        var today = studio.Today(now);
        return File(CalendarFile.Studio(studio, await kits.Between(today.AddDays(-Back), today.AddDays(Ahead)), now), "studio.ics");
    }

    /// <summary>The days of one kit, for the client who has its guide.</summary>
    public static async Task<IResult> Client(string token, GuideAccess guides, Kits kits, IStringLocalizer<ClientPages> text, TimeProvider clock)
    {
        if (await guides.Open(token) is not { Guide: { } open })
        {
            return Results.Text(text["This link is closed. Ask your colourist for a new one."], statusCode: StatusCodes.Status410Gone);
        }

        // Days of a kit that a stop holds are called off, also where nobody has looked at the stop yet.
        var dated = (await kits.Dated(open.Kit.ClientId)).Where(k => k.Id == open.Kit.Id).Select(k => open.Verdict.MayGoOn ? k : k with { State = "stopped" });
        var on = open
            .Tests.Skin.Select(s => s.On)
            .OfType<SafetyEvent>()
            .Where(t => t.Kit == open.Kit.Id && t.Kind == SafetyKind.SkinOn)
            .Select(t => (DateTime?)t.At)
            .Max();
        return File(
            CalendarFile.Client(
                open.Studio,
                dated,
                on is { } at ? new Dictionary<Guid, DateTime> { [open.Kit.Id] = at } : [],
                clock.GetUtcNow().UtcDateTime,
                text
            ),
            "kit.ics"
        );
    }

    private static IResult File(string text, string name) => Results.File(Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", name);
}
