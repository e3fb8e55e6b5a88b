using System.Globalization;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Pictures;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>The skin and the strand test, as they are told.</summary>
public sealed partial class GuideModel
{
    /// <summary>A skin test was put on: the moment from the phone with its offset, else as typed on the studio's clock.</summary>
    public async Task<IActionResult> OnPostPutOn(string token, string? line, string? at, string? moment)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        string under = $"at.{line}";
        Typed[under] = at ?? "";
        if (Instant(moment, at) is not { } utc)
        {
            return Again(under, text["Type the day and the time you put it on."]);
        }

        return await Take(await commands.Say(Open!.Kit, (record, kit) => KitLife.PutOn(record, kit, line ?? "", utc, Who())), under);
    }

    /// <summary>How a skin test is. A reaction is taken at once, whatever came with it and whatever stands of the test.</summary>
    public async Task<IActionResult> OnPostSkin(string token, Guid? test, string? result, IFormFile? photo)
    {
        if (result == "reacted")
        {
            // The test that is on, also where an old page does not say which.
            var tested = await Load(token) && test is null ? Open!.Tests.Skin.Select(s => s.On?.Id).FirstOrDefault(i => i is not null) : test;
            var taken = await reactions.Take(token, Posted, "with a skin test", tested);
            // The picture is kept with it where it can be; it stands in the way of nothing.
            if (taken is { } id && await Load(token) && await Picture(photo, "photo") is { } seen)
            {
                await commands.Say(Open!.Kit, (_, _) => Taken.Before, (id, seen, clock.GetUtcNow().UtcDateTime));
            }

            return await Told(token, taken is not null);
        }

        if (!await Load(token))
        {
            return Page410();
        }

        var on = test ?? Open!.Tests.Skin.Select(s => s.On?.Id).FirstOrDefault();
        string under = $"skin.{on}";
        var picture = await Picture(photo, under);
        if (Wrong.ContainsKey(under))
        {
            return Page();
        }

        return result != "clear"
            ? Again(under, text["Say how the spot is."])
            : await Take(
                await commands.Say(
                    Open!.Kit,
                    (record, kit) => KitLife.SkinClear(record, kit, on ?? Guid.Empty, Who()),
                    picture is null || on is null ? null : (on.Value, picture, clock.GetUtcNow().UtcDateTime)
                ),
                under
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
        var picture = await Picture(photo, "photo");
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
            ),
            "strand"
        );
    }

    /// <summary>Answers what was sent.</summary>
    /// <param name="refused">Why it was not saved; null: it was.</param>
    /// <param name="under">The test it is about, so that the answer is shown there and nowhere else.</param>
    private async Task<IActionResult> Take(Refusal? refused, string? under = null)
    {
        if (refused is null)
        {
            return Redirect($"/g/{Token}");
        }

        string range = (refused.From, refused.To) switch
        {
            ({ } from, { } to) => " " + text["It has to be between {0} and {1}.", ClientMoments.Mark(from), ClientMoments.Mark(to)],
            ({ } from, null) => " " + text["You can report it from {0}.", ClientMoments.Mark(from)],
            _ => "",
        };
        await Load(Token);
        return Again(
            under is not null && IsShown(under) ? under
                : refused.Field == "minutes" && IsShown("strand") ? "minutes"
                : null,
            Words.Client.ToClient(refused.Says) + range
        );
    }

    /// <summary>Whether the page has the field at all: a stale page may send what is not asked any more.</summary>
    private bool IsShown(string under) =>
        Part == "tests"
        && (
            under == "strand"
                ? Open!.Tests.SkinClear
                : Open!.Tests.Skin.Any(s =>
                    s.Stage is SkinStage.Watching or SkinStage.ToReport
                        ? under == $"skin.{s.On!.Id}"
                        : s.Stage is not SkinStage.Clear && !Open.Verdict.Has(LockKind.InStudio) && under == $"at.{s.Line}"
                )
        );

    private PageResult Again(string? field, string says)
    {
        if (field is null)
        {
            Said = says;
        }
        else
        {
            Wrong[field] = says;
        }

        return Page();
    }

    /// <summary>The moment the phone says, with its offset; else what was typed, on the studio's clock.</summary>
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
    private async Task<byte[]?> Picture(IFormFile? photo, string under)
    {
        if (photo is not { Length: > 0 })
        {
            return null;
        }

        if (await reader.Plain(photo, HttpContext.RequestAborted) is { } taken)
        {
            return seal.Seal(taken);
        }

        Wrong[under] = text[
            "This photo cannot be read. Use a JPEG, PNG or WebP photo of at most {0} MB and {1} megapixels, or report without a photo.",
            PictureFile.MostBytes >> 20,
            PlainPicture.MostPixels / 1_000_000
        ];
        return null;
    }
}
