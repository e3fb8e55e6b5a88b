using Kitto.Web.Guides;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>Pictures of how it came out: each by itself, in pieces where the line is slow, going on where it was cut off.</summary>
public sealed partial class GuideModel
{
    /// <summary>How far a picture has come.</summary>
    /// <param name="Came">Bytes that are there.</param>
    /// <param name="Done">Whether it is whole and kept.</param>
    /// <param name="Wrong">What is wrong with it; null: nothing.</param>
    public sealed record PhotoStand(int Came, bool Done, string? Wrong);

    /// <summary>Takes a picture, or a piece of one.</summary>
    /// <param name="token">The guide's token.</param>
    /// <param name="id">Its id: sent again it goes on.</param>
    /// <param name="from">Where the piece begins, bytes; none: this is all of it.</param>
    /// <param name="size">The whole size, bytes.</param>
    /// <param name="photo">The picture or the piece.</param>
    public async Task<IActionResult> OnPostPhoto(string token, Guid id, int? from, int? size, IFormFile? photo)
    {
        if (!await Load(token))
        {
            return Page410();
        }

        var stand = await Piece(id, from ?? 0, size ?? (int)Math.Min(int.MaxValue, photo?.Length ?? 0), photo);
        if (from is not null)
        {
            return new JsonResult(stand);
        }

        if (stand.Done)
        {
            return Redirect($"/g/{Token}#photos");
        }

        Wrong["photos"] = stand.Wrong ?? text["Choose a picture first."];
        return Page();
    }

    /// <summary>What is said of a picture that cannot be read.</summary>
    private string Unread =>
        text[
            "This picture cannot be read. It must be a JPEG, PNG or WebP picture of at most {0} MB and {1} megapixels; or send your report without one.",
            Photo.MostBytes >> 20,
            Photo.MostPixels / 1_000_000
        ];

    private async Task<PhotoStand> Piece(Guid id, int from, int size, IFormFile? photo)
    {
        if (photo is not { Length: > 0 } || id == Guid.Empty || Open!.Kit.PostedAt is null)
        {
            return new PhotoStand(0, false, text["Choose a picture first."]);
        }

        if (size is < 1 or > Photo.MostBytes || from < 0 || photo.Length > size)
        {
            return new PhotoStand(0, false, Unread);
        }

        using var piece = new MemoryStream((int)photo.Length);
        await photo.CopyToAsync(piece, HttpContext.RequestAborted);
        var now = clock.GetUtcNow().UtcDateTime;
        if (await reports.TakePiece(Open.Kit.Id, id, size, from, piece.ToArray(), now) is not { } taken)
        {
            return new PhotoStand(0, false, text["At most {0} pictures of one kit.", Store.Reports.MostPhotos]);
        }

        if (taken.Whole is not { } whole)
        {
            return new PhotoStand(taken.Came, taken.Came == size, null);
        }

        byte[]? jpeg = await Photo.TakeInTurn(whole, HttpContext.RequestAborted);
        await reports.Keep(Open.Kit.Id, id, jpeg, now);
        return new PhotoStand(size, jpeg is not null, jpeg is null ? Unread : null);
    }
}
