using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>The run, and the report after it.</summary>
public sealed partial class GuideModel
{
    /// <summary>
    /// The client starts now. Whoever has colour on already says since when: then the clock runs from there, whatever the gate says,
    /// because colour that is on a head is never off the record.
    /// </summary>
    public async Task<IActionResult> OnPostStart(string token, string? colour, string? since, string? moment)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        if (colour is not ("yes" or "no"))
        {
            return Again("colour", text["Say whether there is colour on your hair now."]);
        }

        var who = Who();
        if (colour == "no")
        {
            return await Tell(token, RunWord.Start);
        }

        (Typed["colour"], Typed["since"]) = (colour, since ?? "");
        if (Instant(moment, since) is not { } on || on > who.Now + KitLife.Ahead || on < who.Now.AddHours(-Values.RunLapsesHours))
        {
            return Again(
                "since",
                text["It has to be between {0} and {1}.", ClientMoments.Mark(who.Now.AddHours(-Values.RunLapsesHours)), ClientMoments.Mark(who.Now)]
            );
        }

        await run.Tell(Open!, RunRecorder.OnAlready(Open!, who.Id, on < who.Now ? on : who.Now, who.Now));
        return Redirect($"/g/{Token}");
    }

    /// <summary>It is over: all is rinsed off, or nothing was put on.</summary>
    public async Task<IActionResult> OnPostEnd(string token) => await Tell(token, RunWord.End);

    /// <summary>Where the run stands: for a reload, another device, or the next moment.</summary>
    public async Task<IActionResult> OnGetRun(string token) => await Load(token) ? new JsonResult(run.Stand(Open!, Part)) : Page410();

    /// <summary>Where the run is, as the page is written with it: a phone that remembers nothing shows the right step at once. Null where none is being done.</summary>
    public RunNow? RunNow => Part == "doing" ? run.Stand(Open!, Part) with { Lanes = null } : null;

    /// <summary>Words of the run as they were done, however late they come.</summary>
    public async Task<IActionResult> OnPostRun(string token, string? steps)
    {
        // What was done while the link was open is taken, however late it comes and whatever has become of the link.
        var (told, _) = await guides.Open(token, evenClosed: true);
        if (told is null)
        {
            return await Load(token) ? new JsonResult(run.Stand(Open!, Part)) : Page410();
        }

        var words = RunRecorder.Read(steps ?? "", told.Guide.Steps.Count + 1).ToLookup(w => !(w.At > told.ClosedAt));
        await run.Tell(told, words[true]);
        if (!await Load(token))
        {
            return Page410();
        }

        // With colour on the head the guide is open again, and so is the rest.
        if (await run.Tell(Open!, words[false]) > 0)
        {
            await Load(token);
        }

        return new JsonResult(run.Stand(Open!, Part));
    }

    /// <summary>Minutes from the first stroke to the last, as the run recorded them; null where it did not get so far.</summary>
    public double? Painted =>
        Open is { } g && RunRecorder.Of(g.Guide, g.Prescription, g.Case, g.Shelf, g.Run.Steps, clock.GetUtcNow().UtcDateTime, out _) is { Painted: true } ran
            ? Math.Round(ran.Actual.PaintMinutes.Value)
            : null;

    public async Task<IActionResult> OnPostReport(string token)
    {
        bool reacted = ReportForm.Reacted(Posted);
        if (!await Load(token))
        {
            Reacted = reacted && await reactions.Take(token, Posted, "in the report of a kit") is not null;
            return Page410();
        }

        foreach (var (name, value) in Posted)
        {
            Typed[name] = value.ToString();
        }

        var report = Open!.MayReport && Open.Outcome is null ? ReportForm.Read(Open, Typed, Wrong, Today, clock.GetUtcNow().UtcDateTime, text) : null;
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
                    text["You reported this kit on {0}. Call your colourist if something in that report is wrong.", ClientMoments.Mark(earlier.ReportedAt)]
                )
            : refused is not null ? Again(null, text["You have already reported this kit. Call your colourist if something in that report is wrong."])
            : !Open.MayReport ? Again(null, text["You can report once both tests are clear."])
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
        await Load(token);
        return taken > 0 || Part is "doing" or "rinse"
            ? Redirect($"/g/{Token}")
            : Again(null, word == RunWord.Start ? text["You cannot start now. This page says why."] : text["No session is running."]);
    }
}
