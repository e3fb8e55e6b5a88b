using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Picture;
using Kitto.Pictures;
using Kitto.Store;
using Kitto.Web.Guides;
using Kitto.Web.Sittings;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pictures;

/// <summary>How far a picture has come that a client sends.</summary>
/// <param name="Came">Bytes that are there.</param>
/// <param name="Done">Whether it is whole and kept.</param>
/// <param name="Wrong">Why it is not taken; null: it is.</param>
/// <param name="Says">What was seen of it once it is kept: that it was measured, or why it was not; null before.</param>
/// <param name="Again">Whether it is better taken again.</param>
public sealed record SentStand(int Came, bool Done, string? Wrong, string? Says = null, bool Again = false);

/// <summary>A picture that is asked for, with the one that was sent of it.</summary>
/// <param name="Wanted">What is asked for.</param>
/// <param name="Sent">The newest that came; null: none.</param>
public sealed record AskedPicture(WantedPicture Wanted, HeadPicture? Sent);

/// <summary>Pictures of their heads that clients send, through the questions or a guide: in pieces, measured when they are whole, taken away again by who sent them.</summary>
public sealed class SentPictures(
    PictureSending sending,
    PictureRecord pictures,
    PictureReader reader,
    PictureSeal seal,
    IStringLocalizer<ClientPages> text,
    TimeProvider clock
)
{
    /// <summary>What is asked for, with what came through this link or its kit.</summary>
    /// <param name="owner">Whose link.</param>
    public async Task<IReadOnlyList<AskedPicture>> Asked(LinkOwner owner)
    {
        var sent = (await pictures.Of(owner.ClientId))
            .Where(p => p.LinkId == owner.Link.Id || (p.KitId is { } kit && kit == owner.Kit?.Id))
            .ToLookup(p => new WantedPicture(p.Of, p.Shows));
        return [.. WantedPicture.All.Select(wanted => new AskedPicture(wanted, sent[wanted].FirstOrDefault()))];
    }

    /// <summary>Takes a picture or a piece of one.</summary>
    /// <param name="owner">Whose link it comes through.</param>
    /// <param name="form">The fields: id, kind, zone, from and size of a piece, rule.</param>
    /// <param name="file">The picture or the piece.</param>
    /// <param name="gone">When nobody waits any more.</param>
    public async Task<SentStand> Take(LinkOwner owner, IFormCollection form, IFormFile? file, CancellationToken gone)
    {
        bool whole = !form.ContainsKey("from");
        int from = whole ? 0 : Number(form["from"]),
            size = whole ? (int)Math.Min(int.MaxValue, file?.Length ?? 0) : Number(form["size"]);
        if (file is not { Length: > 0 } || !Guid.TryParse(form["id"], out var id) || id == Guid.Empty || Wanted(form) is not ({ } kind, { } zone))
        {
            return new SentStand(0, false, text["Choose a photo first."]);
        }

        if (size is < 1 or > PictureFile.MostBytes || from < 0 || file.Length > size)
        {
            return new SentStand(0, false, PictureWords.Of(FileRefusal.TooLarge, text));
        }

        double? print = null;
        if (!string.IsNullOrWhiteSpace(form["rule"]))
        {
            print = TypedNumber.Read(form["rule"], CardScale.LeastRead, CardScale.MostRead) is { } read ? CardScale.OutlineRead(read) : null;
            if (print is null)
            {
                return new SentStand(0, false, text["{0} to {1} mm, or leave it empty.", CardScale.LeastRead, CardScale.MostRead]);
            }
        }

        using var piece = new MemoryStream((int)file.Length);
        await file.CopyToAsync(piece, gone);
        var now = clock.GetUtcNow().UtcDateTime;
        var coming = new PictureOnItsWay(id, owner.ClientId, owner.Kit?.Id, owner.Link.Id, Json.Name(kind), Json.Name(zone), print, size);
        return await sending.Take(coming, from, (int)file.Length, seal.Seal(piece.ToArray()), now) switch
        {
            null => new SentStand(0, false, text["At most {0} photos with one link.", PictureSending.MostOfALink]),
            { Kept: true } => await Kept(owner, id, size),
            { Pieces: { } pieces } => await Read(coming, [.. pieces.SelectMany(p => seal.Open(p) ?? [])], now, gone),
            var came => new SentStand(came.Came, false, null),
        };
    }

    /// <summary>Takes away a picture that came through this link.</summary>
    public Task<int> Drop(LinkOwner owner, Guid id) => pictures.DropOfLink(owner.ClientId, owner.Link.Id, owner.Kit?.Id, id);

    /// <summary>What a client is told of a picture that is kept: that it is there, or why it cannot be measured.</summary>
    public string Says(HeadPicture picture) =>
        Refused(picture) is { } refused ? PictureWords.Of(refused, text)
        : picture.Of == PictureKind.Whole ? text["Your colourist has it."]
        : text["Your colourist has it, and it was measured."];

    /// <summary>Why it is better taken again; null: it is well as it is.</summary>
    public static PictureRefusal? Refused(HeadPicture picture) => picture.Of == PictureKind.Whole ? null : picture.Measured.Reading?.Refused;

    private async Task<SentStand> Kept(LinkOwner owner, Guid id, int size) =>
        (await pictures.Of(owner.ClientId)).FirstOrDefault(p => p.Id == id) is { } picture ? Stand(picture, size) : new SentStand(size, true, null);

    private SentStand Stand(HeadPicture picture, int size) => new(size, true, null, Says(picture), Refused(picture) is not null);

    private async Task<SentStand> Read(PictureOnItsWay coming, byte[] file, DateTime now, CancellationToken gone)
    {
        var answer = await reader.Read(file, CardScale.Of(coming.PrintMm), Json.Named<PictureKind>(coming.Kind)!.Value, gone);
        if (answer.File is { } refused || answer.Jpeg is null)
        {
            await sending.Drop(coming.ClientId, coming.Id);
            return new SentStand(coming.Size, false, PictureWords.Of(answer.File ?? FileRefusal.Broken, text));
        }

        var picture = new HeadPicture(
            coming.Id,
            coming.ClientId,
            coming.Zone,
            now,
            coming.PrintMm,
            JsonSerializer.Serialize(answer with { Jpeg = null }, Json.Options),
            coming.Kind,
            coming.KitId,
            coming.LinkId
        );
        await pictures.Keep(picture, seal.Seal(answer.Jpeg), null);
        return Stand(picture, coming.Size);
    }

    /// <summary>What is said to be shown; the whole head where nothing is said; null: nothing that is asked for.</summary>
    private static WantedPicture? Wanted(IFormCollection form) =>
        !form.ContainsKey("kind") ? new WantedPicture(PictureKind.Whole, Zone.Crown)
        : Json.Named<PictureKind>(form["kind"]) is { } kind && Json.Named<Zone>(form["zone"]) is { } zone && WantedPicture.All.Contains(new(kind, zone))
            ? new WantedPicture(kind, zone)
        : null;

    private static int Number(string? typed) => int.TryParse(typed, out int number) ? number : -1;
}
