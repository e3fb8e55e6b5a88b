using System.Text.Json;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Study;

/// <summary>One head to learn on: as a colourist meets it until it is signed, then what would come of it.</summary>
public sealed class HeadModel(LearningHeads heads, StudyRecord record, Studios studios, HeadCamera pictures, Shelf shelf) : PageModel
{
    public StoredHead Stored { get; private set; } = null!;

    public StudyHead Head { get; private set; } = null!;

    public Shelf Shelf => shelf;

    public FormValues Values { get; private set; } = new();

    public Fields Fields => new(Values, errors);

    private IReadOnlyList<FieldError> errors = [];

    /// <summary>Every complaint, in the order of the form.</summary>
    public IReadOnlyList<FieldError> Errors => errors;

    /// <summary>What would come of it; null until it is signed.</summary>
    public TrialVerdict? Verdict { get; private set; }

    /// <summary>What was prescribed, as far as it still reads by the shelf of today.</summary>
    public Trial? Trial { get; private set; }

    public StudyRound? Round { get; private set; }

    /// <summary>How many heads in a row the house asks for; null: it asks for none.</summary>
    public int? Asked { get; private set; }

    public LeaveStand? Leave { get; private set; }

    public bool Mine => Stored.PersonId == User.Id();

    /// <summary>Heads begun and not signed are their owner's alone; what was signed the studio may look at.</summary>
    private async Task<bool> Find(Guid id)
    {
        if (
            await record.Get(id) is not { } stored
            || (stored.SignedAt is null && stored.PersonId != User.Id())
            || (stored.ClientId is not null && !User.May("/Clients/Answers"))
        )
        {
            return false;
        }

        Stored = stored;
        Round = stored.RoundId is { } round ? await record.Round(round) : null;
        Asked = stored.Purpose == Json.Name(Purpose.Leave) ? (await studios.Get())!.CountersignUntil : null;
        Leave = stored.Purpose == Json.Name(Purpose.Leave) ? await heads.Leave(stored.PersonId) : null;
        if (heads.Read(stored) is not { } head)
        {
            return false;
        }

        Head = head;
        if (stored is { Verdict: { } verdict, Trial: { } typed })
        {
            Verdict = JsonSerializer.Deserialize<TrialVerdict>(verdict, Json.Options);
            Values = TrialForm.Kept(JsonSerializer.Deserialize<Dictionary<string, string>>(typed, Json.Options)!);
            Trial = TrialForm.Read(Values, shelf).Trial;
        }

        return true;
    }

    public async Task<IActionResult> OnGet(Guid id) => await Find(id) ? Page() : NotFound();

    /// <summary>A picture of the parting.</summary>
    public async Task<IActionResult> OnGetPicture(Guid id)
    {
        if (!await Find(id))
        {
            return NotFound();
        }

        Response.Headers.CacheControl = "private, max-age=86400";
        return File(await pictures.Of(id, Stored.Seed, Head.Case.Reading, HttpContext.RequestAborted), "image/jpeg");
    }

    /// <summary>Signs what was typed: only now is anything said of it.</summary>
    public async Task<IActionResult> OnPost(Guid id)
    {
        if (!await Find(id) || !Mine)
        {
            return NotFound();
        }

        if (Stored.SignedAt is not null)
        {
            return RedirectToPage(new { id });
        }

        Values = TrialForm.Posted(Request.Form);
        (var trial, errors) = TrialForm.Read(Values, shelf);
        if (trial is null)
        {
            return Page();
        }

        try
        {
            await heads.Sign(Stored, Head, trial, Values);
            return RedirectToPage(new { id });
        }
        catch (InvalidOperationException)
        {
            // Such as lightening where no lightener is on the shelf.
            errors = [new FieldError("service", "takes a line that the shelf does not have", "what the shelf can do")];
            return Page();
        }
    }

    /// <summary>What was typed of a field and has something wrong with it, for fields that are drawn by the page itself.</summary>
    public string? Wrong(string name) => errors.FirstOrDefault(e => e.Path == name) is { } error ? Fields.Say(error) : null;

    /// <summary>What a formula and its clock are drawn by.</summary>
    public Answer Would(Prescription p, Service service) => new(Head.Case with { Goal = Head.Case.Goal with { Service = service } }, p, [], shelf);
}
