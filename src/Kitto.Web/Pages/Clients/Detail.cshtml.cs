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

    public async Task<IActionResult> OnGet(Guid id)
    {
        if (await cases.Load(id) is not { } record)
        {
            return NotFound();
        }

        Record = record;
        Past = [.. record.Prescriptions.Select(p => (p, Json.ReadPrescription(p.Document), record.Outcomes.FirstOrDefault(o => o.KitId == p.KitId)))];
        return Page();
    }
}
