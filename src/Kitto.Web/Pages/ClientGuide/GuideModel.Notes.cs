using Kitto.Core.Contract;
using Kitto.Store;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>What a client says of the box, and whether the phone is to ring.</summary>
public sealed partial class GuideModel
{
    /// <summary>What a client says of the box: it is late, something is missing, a new day is wanted.</summary>
    public async Task<IActionResult> OnPostNote(string token, string? kind, string? says)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        if (Json.Named<KitNoteKind>(kind) is not { } sort)
        {
            return Again(null, text["Choose what is wrong with the box."]);
        }

        string said = (says ?? "").Trim();
        Typed["says"] = said;
        if (sort == KitNoteKind.PartMissing && said.Length == 0)
        {
            return Again("says", text["Say what is missing or damaged, in a few words."]);
        }

        await notes.Add(Who().Id, Open!.Kit.Id, sort, said.Length > KitNote.Longest ? said[..KitNote.Longest] : said, clock.GetUtcNow().UtcDateTime);
        return Redirect($"/g/{Token}?noted=1");
    }

    /// <summary>Whether a note was just sent.</summary>
    [BindProperty(SupportsGet = true, Name = "noted")]
    public int Noted { get; set; }

    /// <summary>The key a browser subscribes with.</summary>
    public Task<string> PushKey() => delivery.PublicKey();

    /// <summary>This phone wants to be rung, or does not want to any more.</summary>
    public async Task<IActionResult> OnPostPush(string token, string? endpoint, string? p256dh, string? auth, bool off)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        if (off)
        {
            await pushes.Remove(Open!.Kit.Id, endpoint ?? "");
            return new NoContentResult();
        }

        return await pushes.Add(Open!.Kit.Id, endpoint, p256dh, auth) ? new NoContentResult() : new BadRequestResult();
    }
}
