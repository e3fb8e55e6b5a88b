using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Consultations;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pages.Clients;

/// <summary>What a client answered, what changed, what lies where on her hair; the link that asks her, and the form to take it down oneself.</summary>
public sealed class AnswersModel(
    CaseBuilder cases,
    Answers answers,
    ConsultationRecorder recorder,
    Links links,
    IStringLocalizer<ClientPages> text,
    TimeProvider clock
) : PageModel
{
    public ClientRecord Record { get; private set; } = null!;

    public AnswersForm Form { get; private set; } = null!;

    public Link? Link { get; private set; }

    /// <summary>The address of a link made this moment; it is never shown again.</summary>
    public string? FreshAddress { get; private set; }

    public string? Said { get; private set; }

    /// <summary>Whether the form stands open.</summary>
    public bool Taking { get; private set; }

    /// <summary>What was answered otherwise than for the last kit.</summary>
    public IReadOnlyList<(Question Question, string Before, string Now)> Changes =>
        Record is { Told: { } told, ToldBefore: { } before } ? [.. told.Changes(ConsultationReader.Kept(before.Document))] : [];

    public IReadOnlyList<(Remembered Put, PutOn Seen)> Timeline =>
        Record.Told is { } told ? [.. told.PutOn.Zip(told.Timeline(Record.Today)).OrderBy(p => p.Second.DaysAgo)] : [];

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    public async Task<IActionResult> OnPostAsk(Guid id)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        string token = await links.ToAsk(id, Now());
        FreshAddress = $"{Request.Scheme}://{Request.Host}/ask/{token}";
        Link = await links.Asking(id);
        return Page();
    }

    public async Task<IActionResult> OnPostSeen(Guid id, long upTo)
    {
        await answers.Seen(id, upTo, User.Id(), Now());
        return RedirectToPage(new { id });
    }

    public async Task<IActionResult> OnPostTake(Guid id)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        Form = AnswersForm.Posted(Request.Form, Record.Told);
        Taking = true;
        if (Form.Read(Record.Today, text) is not { } told)
        {
            Said = $"{(Form.Wrong.Count == 1 ? "One question is" : $"{Form.Wrong.Count} questions are")} still open.";
            return Page();
        }

        try
        {
            await recorder.Keep(Record, Form.BegunFrom, told, User.Id(), User.Name());
            return RedirectToPage(new { id });
        }
        catch (ConflictException conflict)
        {
            Said = conflict.Message;
            return Page();
        }
    }

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;

    private async Task<bool> Load(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return false;
        }

        Record = record;
        Form = AnswersForm.Begin(record);
        Link = await links.Asking(id);
        Taking = record.Told is null;
        return true;
    }
}
