using System.Globalization;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>
/// The client's own page: tests, reading ahead, the run, the report. What is locked is not in the page at all; what is shown is what the gate says.
/// The address is the key to it, so no cookie is asked for: a page that stood open for days, or without scripts, still takes a reaction.
/// </summary>
[IgnoreAntiforgeryToken]
public sealed class GuideModel(GuideAccess guides, SafetyCommands commands, ReactionRecorder reactions, RunRecorder run, TimeProvider clock) : PageModel
{
    public OpenGuide? Open { get; private set; }

    public string Token { get; private set; } = "";

    public string Closed { get; private set; } = "";

    /// <summary>Whether the link, closed or not, is or was one of ours, so that a reaction can be told through it.</summary>
    public bool TakesReactions { get; private set; }

    /// <summary>The id of the next thing she says from this page; sent twice it is one.</summary>
    public Guid NextId { get; } = Guid.CreateVersion7();

    /// <summary>What was typed, to be given back.</summary>
    public Dictionary<string, string> Typed { get; } = [];

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Said { get; private set; }

    /// <summary>Whether a reaction was taken down with what was just sent.</summary>
    public bool Reacted { get; private set; }

    public DateOnly Today { get; private set; }

    public string Now => Open!.Studio.Local(clock.GetUtcNow().UtcDateTime).ToString("yyyy-MM-ddTHH:mm");

    /// <summary>Whether a run was begun long ago and never said to be over.</summary>
    public bool Forgotten => Open!.Run.Forgotten(clock.GetUtcNow().UtcDateTime);

    /// <summary>Which part of the page she is in: by the gate, and nothing else.</summary>
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

    /// <summary>Whether the report is asked for: not while colour is on the head.</summary>
    public bool AsksReport => Open is { MayReport: true, Outcome: null } && Part is "reading" or "tests" or "over" || Typed.ContainsKey("appliedOn");

    public async Task<IActionResult> OnGet(string token) => await Load(token) ? Page() : Page410();

    /// <summary>She has put a skin test on: the moment from her phone with its offset, else as typed on the studio's clock.</summary>
    public async Task<IActionResult> OnPostPutOn(string token, string? line, string? at, string? moment)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        Typed["at"] = at ?? "";
        if (Instant(moment, at) is not { } utc)
        {
            return Again("at", "Give the day and the time you put it on.");
        }

        return await Take(await commands.Say(Open!.Kit, (record, kit) => KitLife.PutOn(record, kit, line ?? "", utc, Who())));
    }

    /// <summary>How a skin test is. A reaction is taken at once, whatever came with it and whatever stands of the test.</summary>
    public async Task<IActionResult> OnPostSkin(string token, Guid? test, string? result, IFormFile? photo)
    {
        if (result == "reacted")
        {
            var taken = await reactions.Take(token, Posted, "with a skin test");
            // The picture is kept with it where it can be; it stands in the way of nothing.
            if (taken is { } id && await Load(token) && await Picture(photo) is { } seen)
            {
                await commands.Say(Open!.Kit, (_, _) => Taken.Before, (id, seen, clock.GetUtcNow().UtcDateTime));
            }

            return await Told(token, taken is not null);
        }

        if (!await Load(token))
        {
            return Page410();
        }

        var picture = await Picture(photo);
        if (Wrong.ContainsKey("photo"))
        {
            return Page();
        }

        var on = test ?? Open!.Tests.Skin.Select(s => s.On?.Id).FirstOrDefault();
        return result != "clear"
            ? Again(null, "Say how the place is.")
            : await Take(
                await commands.Say(
                    Open!.Kit,
                    (record, kit) => KitLife.SkinClear(record, kit, on ?? Guid.Empty, Who()),
                    picture is null || on is null ? null : (on.Value, picture, clock.GetUtcNow().UtcDateTime)
                )
            );
    }

    public async Task<IActionResult> OnPostStrand(string token, string? result, string? minutes, IFormFile? photo)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        (Typed["result"], Typed["minutes"]) = (result ?? "", minutes ?? "");
        if (Json.Named<StrandResult>(result) is not { } came)
        {
            return Again("result", "Say how the strand came out.");
        }

        bool number = ReportForm.TryNumber(minutes, 1, 120, out double? took);
        var picture = await Picture(photo);
        // What is not right is taken whatever is wrong with the rest.
        if (came == StrandResult.Right && (!number || Wrong.ContainsKey("photo")))
        {
            return number ? Page() : Again("minutes", "1 to 120 minutes, or leave it empty.");
        }

        var who = Who();
        return await Take(
            await commands.Say(
                Open!.Kit,
                (record, kit) => KitLife.Strand(record, kit, came, number ? took : null, who),
                picture is null ? null : (who.Id, picture, who.Now)
            )
        );
    }

    /// <summary>She starts now: gloves on, nothing mixed. Reading has told nothing; from here on steps count.</summary>
    public async Task<IActionResult> OnPostStart(string token) => await Tell(token, RunWord.Start);

    /// <summary>It is over: all is rinsed off, or nothing was put on.</summary>
    public async Task<IActionResult> OnPostEnd(string token) => await Tell(token, RunWord.End);

    /// <summary>Where the run stands: for a reload, another device, or the next moment.</summary>
    public async Task<IActionResult> OnGetRun(string token) => await Load(token) ? new JsonResult(run.Stand(Open!, Part)) : Page410();

    /// <summary>Words of the run as they were done, however late they come.</summary>
    public async Task<IActionResult> OnPostRun(string token, string? steps)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        if (await run.Tell(Open!, RunRecorder.Read(steps ?? "", Open!.Guide.Steps.Count + 1)) > 0)
        {
            await Load(token);
        }

        return new JsonResult(run.Stand(Open!, Part));
    }

    /// <summary>The one button on every page of hers: taken through any link that ever was hers, in any state of the kit, with or without scripts.</summary>
    public async Task<IActionResult> OnPostBurns(string token) => await Told(token, await reactions.Take(token, Posted, "with the stop button") is not null);

    /// <summary>What she sees after a reaction: her page as it is now, or what to do where her link is closed.</summary>
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

    public async Task<IActionResult> OnPostReport(string token)
    {
        bool reacted = Posted["comfort"] == "reacted";
        if (!await Load(token))
        {
            Reacted = reacted && await reactions.Take(token, Posted, "in the report of a kit") is not null;
            return Page410();
        }

        foreach (var (name, value) in Posted)
        {
            Typed[name] = value.ToString();
        }

        var report = Open!.MayReport && Open.Outcome is null ? ReportForm.Read(Open, Typed, Wrong, Today, clock.GetUtcNow().UtcDateTime) : null;
        var felt = reacted
            ? KitLife.React(
                Who(),
                Open.Kit.Id,
                $"in the report of a kit{(Typed.GetValueOrDefault("note", "").Trim() is { Length: > 0 } note ? ": " + note : "")}"
            )
            : null;
        string? refused = report is not null || felt is not null ? await commands.Report(Open.Kit, report, felt) : null;
        if (report is not null && refused is null)
        {
            return Redirect($"/g/{Token}");
        }

        Reacted = felt is not null;
        if (Reacted)
        {
            await Load(token);
        }

        return Open.Outcome is { } earlier
                ? Again(
                    null,
                    $"This kit was reported on {Open.Studio.Local(earlier.ReportedAt):d MMM, HH:mm}. Your colourist has that report; call if it was wrong."
                )
            : refused is not null ? Again(null, refused)
            : !Open.MayReport ? Again(null, "A report is taken once both tests are clear.")
            : Page();
    }

    private async Task<IActionResult> Tell(string token, RunWord word)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        var who = Who();
        int taken = await run.Tell(Open!, [new RunLine(who.Id, word, 0, who.Now)]);
        return taken > 0 || Part == "doing"
            ? Redirect($"/g/{Token}")
            : Again(null, word == RunWord.Start ? "This kit is not open now. What stands below says why." : "Nothing is running.");
    }

    /// <summary>The moment her phone says, with its offset; else what was typed, on the studio's clock.</summary>
    private DateTime? Instant(string? moment, string? typed) =>
        DateTimeOffset.TryParseExact(
            moment,
            ["yyyy-MM-ddTHH:mm:sszzz", "yyyy-MM-ddTHH:mmzzz"],
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var instant
        )
            ? instant.UtcDateTime
        : DateTime.TryParseExact(typed, "yyyy-MM-ddTHH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var local) && local.Year is > 2000 and < 2200
            ? Open!.Studio.Utc(local)
        : null;

    /// <summary>What was posted; nothing where it was no form.</summary>
    private IFormCollection Posted => Request.HasFormContentType ? Request.Form : FormCollection.Empty;

    private Speaker Who() => ReactionRecorder.Who(Posted, clock.GetUtcNow().UtcDateTime);

    private async Task<IActionResult> Take(Refusal? refused)
    {
        if (refused is null)
        {
            return Redirect($"/g/{Token}");
        }

        string Local(DateTime at) => Open!.Studio.Local(at).ToString("ddd d MMM, HH:mm");
        string range = (refused.From, refused.To) switch
        {
            ({ } from, { } to) => $" Allowed: {Local(from)} to {Local(to)}.",
            ({ } from, null) => $" From {Local(from)} on.",
            _ => "",
        };
        await Load(Token);
        return Again(refused.Field.Length > 0 ? refused.Field : null, Words.Client.Says(refused.Says) + range);
    }

    /// <summary>The picture that came with a test; none is no complaint.</summary>
    private async Task<byte[]?> Picture(IFormFile? photo)
    {
        if (photo is not { Length: > 0 })
        {
            return null;
        }

        byte[]? taken = await Photo.Take(photo, HttpContext.RequestAborted);
        if (taken is null)
        {
            Wrong["photo"] = $"This picture cannot be read. It must be {Photo.Range}; or send your report without one.";
        }

        return taken;
    }

    private PageResult Again(string? field, string says)
    {
        if (field is null)
        {
            Said = says;
        }
        else
        {
            Wrong[field] = says;
        }

        return Page();
    }

    private async Task<bool> Load(string token)
    {
        Token = token;
        Response.Headers.CacheControl = "no-store";
        (Open, string? closed) = await guides.Open(token);
        Closed = closed ?? "";
        TakesReactions = Open is not null || await guides.Owner(token) is not null;
        Today = Open?.Studio.Today(clock.GetUtcNow()) ?? default;
        return Open is not null;
    }

    private PageResult Page410()
    {
        Response.StatusCode = StatusCodes.Status410Gone;
        return Page();
    }
}
