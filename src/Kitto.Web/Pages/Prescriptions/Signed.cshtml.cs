using Kitto.Core.Contract;
using Kitto.Store;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Prescriptions;

/// <summary>A prescription as it was signed; for the chair it is the salon sheet.</summary>
public sealed class SignedModel(Kits kits, Studios studios, CurrentShelf shelves) : PageModel
{
    public SignedPrescription Signed { get; private set; } = null!;

    public Answer Answer { get; private set; } = null!;

    public Studio Studio { get; private set; } = null!;

    public async Task<IActionResult> OnGet(Guid id)
    {
        if (await kits.Frozen(id) is not { } signed)
        {
            return NotFound();
        }

        Signed = signed;
        Studio = (await studios.Get())!;
        Answer = new Answer(CaseReader.Kept(signed.CaseDocument), Json.ReadPrescription(signed.Document), [], await shelves.Kept(signed.ShelfHash));
        return Page();
    }

    /// <summary>The case as the console takes it.</summary>
    public async Task<IActionResult> OnGetCase(Guid id) => await Export(id, s => s.CaseDocument, "case");

    /// <summary>The answer as the console gives it.</summary>
    public async Task<IActionResult> OnGetAnswer(Guid id) => await Export(id, s => s.Document, "prescription");

    private async Task<IActionResult> Export(Guid id, Func<SignedPrescription, string> document, string name) =>
        await kits.Frozen(id) is { } signed
            ? File(System.Text.Encoding.UTF8.GetBytes(document(signed)), "application/json", $"{name}-{id.ToString("N")[^8..]}.json")
            : NotFound();
}
