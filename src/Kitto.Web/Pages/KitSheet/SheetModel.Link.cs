using Kitto.Store;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;
using QRCoder;

namespace Kitto.Web.Pages.KitSheet;

/// <summary>The client's link, and the pictures that came through it.</summary>
public sealed partial class SheetModel
{
    /// <summary>One more link; nothing that is open is closed by it.</summary>
    public async Task<IActionResult> OnPostLink(Guid id)
    {
        if (!await Load(id) || Kit.State is "stopped" or "closed")
        {
            return NotFound();
        }

        await links.Make(id, await site.Of(Request));
        return Redirect($"/kits/{id}#link");
    }

    /// <summary>Closes the one link that is meant; a run with colour on the head goes on through it until it is rinsed.</summary>
    public async Task<IActionResult> OnPostClose(Guid id, Guid link)
    {
        await links.Close(id, link);
        return Redirect($"/kits/{id}#link");
    }

    /// <summary>The picture of a test, for the studio alone.</summary>
    public async Task<IActionResult> OnGetPhoto(Guid id, Guid test) => Shown(await reports.Photo(id, test));

    /// <summary>A picture of how it came out, for the studio alone.</summary>
    public async Task<IActionResult> OnGetResult(Guid id, Guid picture) =>
        Shown(await reports.ReportPhoto(id, picture) ?? await pictures.SealedOfKit(id, picture));

    private ActionResult Shown(byte[]? kept) => kept is not null && seal.Open(kept) is { } jpeg ? File(jpeg, "image/jpeg") : NotFound();

    /// <summary>The link as a picture to scan.</summary>
    public static string Qr(string address)
    {
        using var generator = new QRCodeGenerator();
        using var data = generator.CreateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return code.GetGraphic(4, "#111111", "#ffffff", true, SvgQRCode.SizingMode.ViewBoxAttribute);
    }
}
