using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using QRCoder;

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
}
