using System.Globalization;
using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Picture;
using Kitto.Pictures;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>Pictures of a client's head with the measuring card, and what was measured in them.</summary>
[RequestSizeLimit(MostBytes)]
[RequestFormLimits(MultipartBodyLengthLimit = MostBytes)]
public sealed class PicturesModel(
    Store.Clients clients,
    Studios studios,
    PictureRecord pictures,
    PicturePairs pairs,
    PictureReader reader,
    PictureSeal seal,
    TimeProvider clock
) : PageModel
{
    /// <summary>Largest post, bytes: the largest file and its form.</summary>
    private const int MostBytes = PictureFile.MostBytes + (1 << 20);

    public Client Client { get; private set; } = null!;

    public Studio Studio { get; private set; } = null!;

    public IReadOnlyList<(HeadPicture Picture, PictureAnswer Answer)> All { get; private set; } = [];

    /// <summary>What was signed of each.</summary>
    public ILookup<Guid, KeptPair> Signed { get; private set; } = Array.Empty<KeptPair>().ToLookup(p => p.PictureId);

    /// <summary>What was chosen and typed.</summary>
    public string? Zone { get; private set; }

    /// <summary>The outline's length as typed.</summary>
    public string? Print { get; private set; }

    /// <summary>What is wrong, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>The picture itself.</summary>
    public async Task<IActionResult> OnGetImage(Guid id, Guid picture) =>
        await pictures.Sealed(id, picture) is { } kept && seal.Open(kept) is { } jpeg ? File(jpeg, "image/jpeg") : NotFound();

    /// <summary>Takes one in and measures it.</summary>
    public async Task<IActionResult> OnPost(Guid id, string? zone, IFormFile? picture, string? print)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Zone, Print) = (zone, print?.Trim());
        if (Json.Named<Zone>(zone) is null)
        {
            Wrong["zone"] = "Choose a zone.";
        }

        double? outline = null;
        if (!string.IsNullOrEmpty(Print))
        {
            outline = TypedNumber.Read(Print, 75, 95);
            if (outline is null)
            {
                Wrong["print"] = "75 to 95 mm, or nothing.";
            }
        }

        if (picture is null or { Length: 0 })
        {
            Wrong["picture"] = "Choose a picture, JPEG or PNG.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        using var bytes = new MemoryStream();
        await picture!.CopyToAsync(bytes);
        var answer = await reader.Read(bytes.ToArray(), CardScale.Of(outline), PictureKind.Parting, HttpContext.RequestAborted);
        if (answer.File is { } refused || answer.Jpeg is null)
        {
            Wrong["picture"] = PictureWords.Of(answer.File ?? FileRefusal.Broken);
            return Page();
        }

        await pictures.Keep(
            new HeadPicture(
                Guid.CreateVersion7(),
                id,
                zone!,
                clock.GetUtcNow().UtcDateTime,
                outline,
                JsonSerializer.Serialize(answer with { Jpeg = null }, Json.Options)
            ),
            seal.Seal(answer.Jpeg),
            User.Id()
        );
        return RedirectToPage(new { id });
    }

    /// <summary>Takes one away.</summary>
    public async Task<IActionResult> OnPostDrop(Guid id, Guid picture)
    {
        await pictures.Drop(id, picture);
        return RedirectToPage(new { id });
    }

    /// <summary>What was signed of a value of a picture, in words; empty where nothing was.</summary>
    public string Used(Guid picture, PictureValue value, double times, string unit) =>
        Signed[picture].FirstOrDefault(p => p.Value == Json.Name(value)) is { } pair
            ? string.Create(CultureInfo.InvariantCulture, $"; signed {pair.Used * times:0}{unit}")
            : "";

    /// <summary>The colour of lengths by name.</summary>
    public static string Named(PictureReading reading) => HeadMeasures.Say(NearestLook.Of(reading.Lengths!.Value, reading.LengthsSd));

    /// <summary>A value with its band, as a colourist reads it.</summary>
    public static string Text(Measured? m, double times, string format, string unit, string none)
    {
        string Number(double v) => (v * times).ToString(format, CultureInfo.InvariantCulture);
        return m is null ? none : $"{Number(m.Value)}{unit}, {Number(m.Low)} to {Number(m.High)}";
    }

    private async Task<bool> Load(Guid id)
    {
        if (await clients.Get(id) is not { } client)
        {
            return false;
        }

        (Client, Studio) = (client, (await studios.Get())!);
        All = [.. (await pictures.Of(id)).Select(p => (p, p.Measured))];
        Signed = await pairs.Of(All.Select(p => p.Picture.Id));
        Print ??= All.Select(p => p.Picture.PrintMm).FirstOrDefault(p => p is not null)?.ToString(CultureInfo.InvariantCulture);
        return true;
    }
}
