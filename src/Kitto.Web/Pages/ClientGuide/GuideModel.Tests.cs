using System.Globalization;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Pictures;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>The skin and the strand test, as they are told.</summary>
public sealed partial class GuideModel
{
    /// <summary>She has put a skin test on: the moment from her phone with its offset, else as typed on the studio's clock.</summary>
    public async Task<IActionResult> OnPostPutOn(string token, string? line, string? at, string? moment)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        Typed["at"] = at ?? "";
        if (Instant(moment, at) is not { } utc)
        {
            return Again("at", text["Give the day and the time you put it on."]);
        }

        return await Take(await commands.Say(Open!.Kit, (record, kit) => KitLife.PutOn(record, kit, line ?? "", utc, Who())));
    }

    /// <summary>How a skin test is. A reaction is taken at once, whatever came with it and whatever stands of the test.</summary>
    public async Task<IActionResult> OnPostSkin(string token, Guid? test, string? result, IFormFile? photo)
    {
        if (result == "reacted")
        {
            var taken = await reactions.Take(token, Posted, "with a skin test");
            // The picture is kept with it where it can be; it stands in the way of nothing.
            if (taken is { } id && await Load(token) && await Picture(photo) is { } seen)
            {
                await commands.Say(Open!.Kit, (_, _) => Taken.Before, (id, seen, clock.GetUtcNow().UtcDateTime));
            }

            return await Told(token, taken is not null);
        }

        if (!await Load(token))
        {
            return Page410();
        }

        var picture = await Picture(photo);
        if (Wrong.ContainsKey("photo"))
        {
            return Page();
        }

        var on = test ?? Open!.Tests.Skin.Select(s => s.On?.Id).FirstOrDefault();
        return result != "clear"
            ? Again(null, text["Say how the place is."])
            : await Take(
                await commands.Say(
                    Open!.Kit,
                    (record, kit) => KitLife.SkinClear(record, kit, on ?? Guid.Empty, Who()),
                    picture is null || on is null ? null : (on.Value, picture, clock.GetUtcNow().UtcDateTime)
                )
            );
    }

    /// <summary>A reaction was tapped by mistake: taken back within minutes, kept in the record, and shown to the colourist.</summary>
    public async Task<IActionResult> OnPostMistake(string token, Guid what)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        return await Take(await commands.Mistaken(Open!.Kit.ClientId, what, Who()));
    }

    public async Task<IActionResult> OnPostStrand(string token, string? result, string? minutes, IFormFile? photo)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        (Typed["result"], Typed["minutes"]) = (result ?? "", minutes ?? "");
        if (Json.Named<StrandResult>(result) is not { } came)
        {
            return Again("result", text["Say how the strand came out."]);
        }

        bool number = ReportForm.TryNumber(minutes, 1, 120, out double? took);
        var picture = await Picture(photo);
        // What is not right is taken whatever is wrong with the rest.
        if (came == StrandResult.Right && (!number || Wrong.ContainsKey("photo")))
        {
            return number ? Page() : Again("minutes", text["{0} to {1} minutes, or leave it empty.", 1, 120]);
        }

        var who = Who();
        return await Take(
            await commands.Say(
                Open!.Kit,
                (record, kit) => KitLife.Strand(record, kit, came, number ? took : null, who),
                picture is null ? null : (who.Id, picture, who.Now)
            )
        );
    }

    /// <summary>The moment her phone says, with its offset; else what was typed, on the studio's clock.</summary>
    private DateTime? Instant(string? moment, string? typed) =>
        DateTimeOffset.TryParseExact(
            moment,
            ["yyyy-MM-ddTHH:mm:sszzz", "yyyy-MM-ddTHH:mmzzz"],
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var instant
        )
            ? instant.UtcDateTime
        : DateTime.TryParseExact(typed, "yyyy-MM-ddTHH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var local) && local.Year is > 2000 and < 2200
            ? Open!.Studio.Utc(local)
        : null;

    /// <summary>The picture that came with a test, encrypted; none is no complaint.</summary>
    private async Task<byte[]?> Picture(IFormFile? photo)
    {
        if (photo is not { Length: > 0 })
        {
            return null;
        }

        if (await reader.Plain(photo, HttpContext.RequestAborted) is { } taken)
        {
            return seal.Seal(taken);
        }

        Wrong["photo"] = text[
            "This picture cannot be read. It must be a JPEG, PNG or WebP picture of at most {0} MB and {1} megapixels; or send your report without one.",
            PictureFile.MostBytes >> 20,
            PlainPicture.MostPixels / 1_000_000
        ];
        return null;
    }
}
