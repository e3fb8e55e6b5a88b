using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Delivery;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>The reading and what follows from it, on one page.</summary>
public sealed partial class PrescriptionModel(
    PublicAddress site,
    CaseBuilder cases,
    Store.Clients clients,
    SittingCommands commands,
    Drafts drafts,
    Shelf shelf,
    GuideLinks links,
    Kits kits,
    ClientMessageSender sender,
    FreeStock stock,
    PictureRecord pictures,
    PicturePairs pairs,
    Proposals proposals,
    LearningHeads learning,
    TimeProvider clock
) : PageModel
{
    public ClientRecord Record { get; private set; } = null!;

    public FormValues Values { get; private set; } = new();

    public Answer Answer { get; private set; } = null!;

    public string? Note { get; private set; }

    public string? Conflict { get; private set; }

    /// <summary>Whether this is a sitting that was left and is taken up again.</summary>
    public bool Drafted { get; private set; }

    /// <summary>Kits of before that are packed or with the client and not reported: a new one asks what becomes of them.</summary>
    public IReadOnlyList<SignedPrescription> Older => [.. Record.Prescriptions.Where(p => p.KitState is "packed" or "posted")];

    /// <summary>Whether that is to be said before this is signed.</summary>
    public bool Unsettled { get; private set; }

    /// <summary>What is missing of her answers; null where nothing is.</summary>
    public string? Unasked { get; private set; }

    /// <summary>Whether the colourist has asked her for this kit, and nothing else was new.</summary>
    public bool Confirmed { get; private set; }

    /// <summary>What she has said yes to in so many words.</summary>
    private IReadOnlyList<string> Said { get; set; } = [];

    /// <summary>The reading version this sitting began from.</summary>
    public int BegunFrom { get; private set; }

    /// <summary>The zone whose strand is shown.</summary>
    public Zone Look { get; private set; } = Zone.FrontHairline;

    /// <summary>A mix made by hand or taken from the tray, as posted; empty: the search's.</summary>
    public string Mix { get; private set; } = "";

    /// <summary>The number whose why is open; empty: none.</summary>
    public string Why { get; private set; } = "";

    public Shelf Shelf => shelf;

    public Fields Fields => new(Values, Tried ? Answer.Errors : []);

    /// <summary>Whether complaints are shown beside the fields: not on a page nobody has typed into yet.</summary>
    public bool Tried { get; private set; }

    public async Task<IActionResult> OnGet(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return NotFound();
        }

        Record = record;
        BegunFrom = record.Reading?.Version ?? 0;
        // A change that a strand test asked for comes along as a mix made by hand, into a fresh sitting.
        string asked = Request.Query["mix"].ToString().Trim();
        Proposed = await proposals.Of(id);
        var sitting =
            Proposed is { } proposed && Request.Query.ContainsKey("proposed")
                ? new Sitting(FormValues.Kept(proposed.Document), proposed.Mix, $"As {proposed.PersonName} proposes it", false)
            : asked.Length == 0 ? await Sitting.Of(record, drafts, User.Id())
            : Sitting.Begun(record) with { Mix = asked };
        (Values, Mix, Note, Drafted) = (sitting.Values, sitting.Mix, sitting.Note, sitting.Drafted);
        await Measure();
        Work();
        await LookAtStock();
        return Page();
    }

    /// <summary>Throws away what was not kept and begins from the record.</summary>
    public async Task<IActionResult> OnPostAfresh(Guid id)
    {
        await drafts.Drop(id, User.Id());
        return RedirectToPage(new { id });
    }

    /// <summary>The consequence of what stands in the form now; nothing is kept.</summary>
    public async Task<IActionResult> OnPostPreview(Guid id)
    {
        if (!await Read(id))
        {
            return NotFound();
        }

        var kept =
            Request.Form["touched"] == "1"
                ? drafts.Save(id, User.Id(), BegunFrom, Values.Document().Text(), Mix, clock.GetUtcNow().UtcDateTime)
                : Task.CompletedTask;
        Work();
        await LookAtStock();
        await kept;
        return Partial("_Consequence", this);
    }

    private string Document { get; set; } = "";

    private async Task<bool> Posted(Guid id)
    {
        if (!await Read(id))
        {
            return false;
        }

        Work();
        return true;
    }

    /// <summary>The record, and what stands in the form.</summary>
    private async Task<bool> Read(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return false;
        }

        Record = record;
        Values = FormValues.From(Request.Form);
        BegunFrom = int.TryParse(Request.Form["begunFrom"], out int version) ? version : 0;
        Tried = true;
        Look = Json.Named<Zone>(Request.Form["look"]) ?? Look;
        Mix = Request.Form["mix"].ToString().Trim();
        Proposed = Request.Form.ContainsKey("proposal") ? await proposals.Of(id) : null;
        Why = Request.Form["why"].ToString();
        Confirmed = Request.Form["confirmed"] == "true";
        Said = [.. Request.Form["confirm"].OfType<string>()];
        return true;
    }

    private void Work()
    {
        var (found, prescription, errors, document) = cases.Prescribe(Values, Record, Mix);
        Document = document;
        Answer = new Answer(found, prescription, errors, shelf)
        {
            Look = Look,
            Moves = true,
            Why = Json.Named<Topic>(Why),
            Record = Record,
            Confirmed = Said,
            SignAs = SignAs,
        };
    }
}
