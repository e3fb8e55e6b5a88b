using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Quantity;
using Kitto.Core.Rules;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>One client: where she stands, and every kit beside its report.</summary>
public sealed class DetailModel(CaseBuilder cases, Ways ways, SafetyCommands commands, People people, TimeProvider clock) : PageModel
{
    public ClientRecord Record { get; private set; } = null!;

    /// <summary>Every signed prescription, newest first, with its answer and its report.</summary>
    public IReadOnlyList<(SignedPrescription Signed, Prescription Answer, OutcomeReport? Outcome)> Past { get; private set; } = [];

    /// <summary>Her hands as learned from her reports; null before the first.</summary>
    public Hands? Hands { get; private set; }

    /// <summary>The kits of those reports, oldest first.</summary>
    public IReadOnlyList<string> Kits { get; private set; } = [];

    /// <summary>What was typed for her own way, and what is wrong with it.</summary>
    public string Way { get; private set; } = "";

    public string Reason { get; private set; } = "";

    public string? Wrong { get; private set; }

    /// <summary>Everything a colourist may decide otherwise for one client: schools way by way, and cautions. No stop is among them.</summary>
    public static IEnumerable<(string Value, string Area, string Says)> Choices =>
        RuleBook
            .All.Where(r => r.Options is not null)
            .SelectMany(r => r.Options!.Select(o => ($"{r.Id}:{o.Name}", r.Area, $"{r.Id} {o.Says}")))
            .Concat(
                RuleBook
                    .All.Where(r => r.Kind == RuleKind.Caution)
                    .Select(r => ($"{r.Id}:{HerWay.Taken}", "Cautions", $"{r.Id} {(r.Says.Length > 70 ? r.Says[..70] + "..." : r.Says)}"))
            );

    /// <summary>What a decision says.</summary>
    public static string Says(ClientWay way) =>
        RuleBook.Find(way.Rule) is { Options: { } options }
            ? options.FirstOrDefault(o => o.Name == way.Way)?.Says ?? way.Way!
            : "caution taken on: " + RuleBook.Find(way.Rule)?.Says;

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Decides a school or a caution otherwise for her, or gives it back to the house.</summary>
    public async Task<IActionResult> OnPostWay(Guid id, string? way, string? reason, string? back)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Way, Reason) = (way ?? "", reason ?? "");
        string[] parts = Way.Split(':');
        bool known = back is not null ? Record.Ways.Any(w => w.Rule == back) : Choices.Any(c => c.Value == Way);
        Wrong =
            !known ? "Choose what is to be different for this client."
            : back is null && (Reason.Trim().Length == 0 || Reason.Trim().Length > CaseFields.HerWayReason.Longest)
                ? $"Say why: 1 to {CaseFields.HerWayReason.Longest} characters. The reason stands wherever the result is shown."
            : null;
        if (Wrong is not null)
        {
            return Page();
        }

        await ways.Decide(
            id,
            back ?? parts[0],
            back is null ? parts[1] : null,
            back is null ? Reason : "given back to the house",
            User.Id(),
            clock.GetUtcNow().UtcDateTime
        );
        return RedirectToPage(new { id });
    }

    /// <summary>What was said that stops, newest first, and how far its correction is.</summary>
    public IEnumerable<(SafetyEvent Said, SafetyEvent? Doubt, bool Corrected)> Said =>
        Record.Safety.Events.Where(e => e.Stops).Reverse().Select(e => (e, Record.Safety.Doubt(e.Id), Record.Safety.IsCorrected(e.Id)));

    /// <summary>What is wrong with a correction, and what was typed for it.</summary>
    public (Guid Of, string Says, string Typed)? NotCorrected { get; private set; }

    /// <summary>First step of a correction: why it was a mistake. Nothing follows from it yet.</summary>
    public Task<IActionResult> OnPostDoubt(Guid id, Guid what, string? reason) =>
        Correct(id, what, reason ?? "", (record, who) => KitLife.Doubt(record, what, reason ?? "", who));

    /// <summary>Second step: it counts no longer for kits that are signed from now on.</summary>
    public async Task<IActionResult> OnPostCorrect(Guid id, Guid what)
    {
        bool more = await people.Several();
        return await Correct(id, what, "", (record, who) => KitLife.Correct(record, what, who, more));
    }

    private async Task<IActionResult> Correct(Guid id, Guid what, string typed, Func<SafetyRecord, Speaker, Taken> rule)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        if (await commands.Say(id, record => rule(record, new Speaker(Guid.CreateVersion7(), clock.GetUtcNow().UtcDateTime, User.Name()))) is { } refused)
        {
            NotCorrected = (what, Words.Studio.Says(refused.Says), typed);
            return Page();
        }

        return Redirect($"/clients/{id}#safety");
    }

    private async Task<bool> Load(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return false;
        }

        Record = record;
        Past = [.. record.Prescriptions.Select(p => (p, Json.ReadPrescription(p.Document), record.Outcomes.FirstOrDefault(o => o.KitId == p.KitId)))];
        var reported = CaseBuilder.Past(record);
        if (reported.Count > 0)
        {
            string who = SittingStart.Begin(record).Values[CaseFields.HandsWho.Path];
            Hands = new Hands(Json.Named<Who>(who) ?? Who.Alone, true, [.. reported.Select(r => r.Used)]);
            Kits = [.. reported.OrderByDescending(r => r.Used.DaysAgo).Select(r => $"kit {r.Signed.KitNumber}")];
        }

        return true;
    }
}
