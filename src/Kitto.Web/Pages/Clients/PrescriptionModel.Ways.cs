using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.Clients;

/// <summary>Other ways, and weeks on: looked at, never kept.</summary>
public sealed partial class PrescriptionModel
{
    /// <summary>What another developer, order or school would come to, for the number whose why is open.</summary>
    public async Task<IActionResult> OnPostWhatIf(Guid id)
    {
        return !await Posted(id)
            ? NotFound()
            : Partial("_WhatIf", Answer is { Case: { } c, Prescription: { } p, Why: { } about } ? WhatIfGroup.Of(about, c, shelf, p) : []);
    }

    /// <summary>Last time's head, so many weeks after that colour.</summary>
    /// <param name="weeks">1 to 52.</param>
    public async Task<IActionResult> OnGetWeeksOn(Guid id, int weeks)
    {
        return weeks is < 1 or > 52 ? BadRequest("weeks: 1 to 52")
            : await cases.Load(id) is { } record && SittingStart.WeeksOn(record, weeks) is { } head ? new JsonResult(head)
            : NotFound();
    }
}
