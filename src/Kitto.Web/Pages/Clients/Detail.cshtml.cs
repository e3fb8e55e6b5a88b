using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Quantity;
using Kitto.Store;
using Kitto.Web.Cases;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>One client: where she stands, and every kit beside its report.</summary>
public sealed class DetailModel(CaseBuilder cases) : PageModel
{
    public ClientRecord Record { get; private set; } = null!;

    /// <summary>Every signed prescription, newest first, with its answer and its report.</summary>
    public IReadOnlyList<(SignedPrescription Signed, Prescription Answer, OutcomeReport? Outcome)> Past { get; private set; } = [];

    /// <summary>Her hands as learned from her reports; null before the first.</summary>
    public Hands? Hands { get; private set; }

    /// <summary>The kits of those reports, oldest first.</summary>
    public IReadOnlyList<string> Kits { get; private set; } = [];

    public async Task<IActionResult> OnGet(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return NotFound();
        }

        Record = record;
        Past = [.. record.Prescriptions.Select(p => (p, Json.ReadPrescription(p.Document), record.Outcomes.FirstOrDefault(o => o.KitId == p.KitId)))];
        var reported = CaseBuilder.Past(record);
        if (reported.Count > 0)
        {
            string who = CaseBuilder.Begin(record).Values["hands.who"];
            Hands = new Hands(Enum.TryParse(who, true, out Who found) ? found : Who.Alone, true, [.. reported.Select(r => r.Used)]);
            Kits = [.. reported.OrderByDescending(r => r.Used.DaysAgo).Select(r => $"kit {r.Signed.KitNumber}")];
        }

        return Page();
    }
}
