using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Guides;
using Kitto.Web.Pictures;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>
/// The client's own page: tests, reading ahead, the run, the report. What is locked is not in the page at all; what is shown is what the gate says.
/// The address is the key to it, so no cookie is asked for: a page that stood open for days, or without scripts, still takes a reaction.
/// </summary>
[IgnoreAntiforgeryToken]
public sealed partial class GuideModel(
    GuideAccess guides,
    SafetyCommands commands,
    ReactionRecorder reactions,
    RunRecorder run,
    KitCommands changes,
    KitNotes notes,
    PushSender pushes,
    PushDelivery delivery,
    SentPictures sent,
    PictureReader reader,
    PictureSeal seal,
    IStringLocalizer<ClientPages> text,
    TimeProvider clock
) : PageModel
{
    public OpenGuide? Open { get; private set; }

    public string Token { get; private set; } = "";

    public string Closed { get; private set; } = "";

    /// <summary>Whether the link, closed or not, is or was one of ours, so that a reaction can be reported through it.</summary>
    public bool TakesReactions { get; private set; }

    /// <summary>The id of what a form of this page says, one a form; sent twice it is one.</summary>
    public Guid NextId => Guid.CreateVersion7();

    /// <summary>What was typed, to be given back.</summary>
    public Dictionary<string, string> Typed { get; } = [];

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Said { get; private set; }

    /// <summary>Whether a reaction was taken down with what was just sent.</summary>
    public bool Reacted { get; private set; }

    public DateOnly Today { get; private set; }

    /// <summary>A moment as the page has it.</summary>
    /// <param name="utc">The moment, UTC.</param>
    /// <param name="brief">The hour alone.</param>
    public HtmlString Moment(DateTime utc, bool brief = false) => ClientMoments.Html(utc, Open!.Studio, brief);

    /// <summary>What is wrong with a field, with its moments on the phone's own clock.</summary>
    public HtmlString Complaint(string field) => ClientMoments.Html(Wrong.GetValueOrDefault(field, ""), Open!.Studio);

    /// <summary>The local emergency number.</summary>
    public string Ambulance { get; private set; } = EmergencyNumbers.Everywhere;

    public string Now => Open!.Studio.Local(clock.GetUtcNow().UtcDateTime).ToString("yyyy-MM-ddTHH:mm");

    /// <summary>Minutes of getting ready and mixing, and of rinsing afterwards, that are reckoned beside the clock (ours).</summary>
    private const double Around = 25;

    /// <summary>How long it takes, in minutes, to five: all of it, painting, waiting.</summary>
    public (int All, int Paint, int Wait) Takes
    {
        get
        {
            static int Five(double minutes) => (int)(Math.Ceiling(minutes / 5) * 5);
            var clock = Open!.Prescription.Clock!;
            return (
                Five(clock.RinseAtMinutes.Value + Around + Open.Guide.Steps.Where(s => s.Kind == StepKind.Lengths).Sum(s => s.Minutes?.Value ?? 0)),
                Five(clock.PaintMinutes.Value),
                Five(clock.RinseAtMinutes.Value - clock.PaintMinutes.Value)
            );
        }
    }

    /// <summary>Whether a run was begun long ago and never said to be over.</summary>
    public bool Forgotten => Open!.Run.Forgotten(clock.GetUtcNow().UtcDateTime);

    /// <summary>Which part of the page is shown: by the gate, and nothing else.</summary>
    public string Part =>
        Open switch
        {
            null => "closed",
            { Verdict.RinseNow: true } => "rinse",
            { Verdict.State: GateState.SeeThrough } => "doing",
            { Verdict.State: GateState.Stopped } => "stopped",
            { Outcome: not null } => "reported",
            { Verdict.State: GateState.Open } => "reading",
            { } open when open.Verdict.Has(LockKind.Over) => "over",
            _ => "tests",
        };

    /// <summary>The reaction that can still be taken back as tapped by mistake; null where none can.</summary>
    public SafetyEvent? Mistakable => Open?.Record.Stops.LastOrDefault() is { } told && KitLife.MayTakeBack(told, clock.GetUtcNow().UtcDateTime) ? told : null;

    /// <summary>Whether the report is asked for: not while colour is on the head.</summary>
    public bool AsksReport => Open is { MayReport: true, Outcome: null } && Part is "reading" or "tests" or "over" || Typed.ContainsKey("appliedOn");

    public async Task<IActionResult> OnGet(string token)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        // Whoever looks from the studio has not received the kit.
        if (Open is { Kit: { OpenedAt: null, PostedAt: not null } } && User.Identity?.IsAuthenticated != true)
        {
            await changes.Opened(Open.Kit.Id, clock.GetUtcNow().UtcDateTime);
        }

        return Page();
    }

    /// <summary>The one button on every page of the client's: taken through any link that ever was theirs, in any state of the kit, with or without scripts.</summary>
    public async Task<IActionResult> OnPostBurns(string token)
    {
        var taken = await reactions.Take(token, Posted, "with the stop button");
        // Whoever has rinsed already is not asked to rinse.
        if (taken is { } id && Posted["felt"] == Words.Name(FeltWhen.Rinsed) && await Load(token))
        {
            await run.Tell(Open!, [new RunLine(KitLife.Next(id, 7), RunWord.End, 0, clock.GetUtcNow().UtcDateTime)]);
        }

        return await Told(token, taken is not null);
    }

    /// <summary>What the client sees after a reaction: the page as it is now, or what to do where the link is closed.</summary>
    private async Task<IActionResult> Told(string token, bool taken)
    {
        if (await Load(token))
        {
            return Redirect($"/g/{token}");
        }

        // A link that is closed shows what to do all the same, and that it was told.
        Reacted = taken;
        return Page410();
    }

    /// <summary>What was posted; nothing where it was no form.</summary>
    private IFormCollection Posted => Request.HasFormContentType ? Request.Form : FormCollection.Empty;

    private Speaker Who() => ReactionRecorder.Who(Posted, clock.GetUtcNow().UtcDateTime);

    private async Task<bool> Load(string token)
    {
        Token = token;
        (Open, string? closed) = await guides.Open(token);
        Closed = closed ?? "";
        TakesReactions = Open is not null || await guides.Owner(token) is not null;
        Today = Open?.Studio.Today(clock.GetUtcNow()) ?? default;
        Ambulance = Open is { } at ? at.Studio.Ambulance(at.Client.Country) : await guides.Ambulance(token);
        return Open is not null;
    }

    private PageResult Page410()
    {
        Response.StatusCode = StatusCodes.Status410Gone;
        return Page();
    }
}
