using Kitto.Core;
using Kitto.Core.Comparison;
using Kitto.Core.Contract;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>Two versions of a client's prescription beside each other: two signed ones, or a signed one and the sitting as it stands.</summary>
public sealed class ComparisonModel(CaseBuilder cases, Drafts drafts) : PageModel
{
    /// <summary>What stands for the sitting.</summary>
    public const string Sitting = "sitting";

    /// <summary>One version.</summary>
    /// <param name="Id">As the address names it.</param>
    /// <param name="Says">When and by whom.</param>
    /// <param name="Case">The case; null where it can no longer be read.</param>
    /// <param name="Answer">What was prescribed.</param>
    public sealed record Version(string Id, string Says, Case? Case, Prescription? Answer);

    public ClientRecord Record { get; private set; } = null!;

    /// <summary>Every version, newest first: id and words.</summary>
    public IReadOnlyList<(string Id, string Says)> All { get; private set; } = [];

    public Version? Then { get; private set; }

    public Version? Now { get; private set; }

    public IReadOnlyList<Compared> Heads { get; private set; } = [];

    public IReadOnlyList<Compared> Answers { get; private set; } = [];

    public IReadOnlyList<Because> Gone { get; private set; } = [];

    public IReadOnlyList<Because> Come { get; private set; } = [];

    public async Task<IActionResult> OnGet(Guid id, string? then, string? now)
    {
        if (await cases.Load(id) is not { } record)
        {
            return NotFound();
        }

        Record = record;
        All =
        [
            (Sitting, "the sitting as it stands"),
            .. record.Prescriptions.Select(p =>
                (
                    p.Id.ToString(),
                    $"{record.Studio.Local(p.SignedAt):d MMM yyyy HH:mm}, {(p.KitNumber is { } n ? $"kit {n}" : p.Decision == "stop" ? "stop" : "for the salon")}"
                )
            ),
        ];
        // The newest signed one and the sitting, where nothing else is asked for.
        Then = await Find(then ?? (All.Count > 1 ? All[1].Id : Sitting));
        Now = await Find(now ?? Sitting);
        if (Then is null || Now is null)
        {
            return NotFound();
        }

        if (Then.Answer is { } before && Now.Answer is { } after)
        {
            Answers = Compare.Answers(before, after);
            (Gone, Come) = Compare.Reasons(before, after);
        }

        if (Then.Case is { } headThen && Now.Case is { } headNow)
        {
            Heads = Compare.Heads(headThen, headNow);
        }

        return Page();
    }

    private async Task<Version?> Find(string id)
    {
        if (id == Sitting)
        {
            var sitting = await Sittings.Sitting.Of(Record, drafts, User.Id());
            var (found, prescription, _, _) = cases.Prescribe(sitting.Values, Record, sitting.Mix);
            return new Version(id, "the sitting as it stands", found, prescription);
        }

        return Record.Prescriptions.FirstOrDefault(p => p.Id.ToString() == id) is { } signed
            ? new Version(
                id,
                $"signed by {signed.Signers.TrimEnd(',')}, {Record.Studio.Local(signed.SignedAt):d MMM yyyy HH:mm}",
                CaseReader.Kept(signed.CaseDocument),
                Json.ReadPrescription(signed.Document)
            )
            : null;
    }
}
