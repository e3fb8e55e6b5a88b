using Kitto.Store;
using Kitto.Web.Bench;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.KitSheet;

/// <summary>What is put away: a report that was seen, a stop that was spoken of.</summary>
public sealed partial class SheetModel
{
    public async Task<IActionResult> OnPostSeen(Guid id)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        await reports.Seen(id, User.Id(), Now());
        return Redirect($"/clients/{Kit.ClientId}/prescription");
    }

    public async Task<IActionResult> OnPostPutAway(Guid id)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        await kits.CloseStopped(id);
        return Redirect($"/clients/{Kit.ClientId}");
    }

    /// <summary>A sachet or bottle inside the table of its formula, whose name stands above it.</summary>
    public static string Short(Core.Packing.Vessel vessel) =>
        Words.Studio.Names(vessel) is var name && name.IndexOf(" (", StringComparison.Ordinal) is > 0 and var at ? name[..at] : name;

    /// <summary>What was signed, with the grams that were really weighed.</summary>
    public Core.Prescription Weighed => KitAtBench.AsWeighed(Signed);
}
