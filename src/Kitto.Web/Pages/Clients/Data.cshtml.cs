using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

/// <summary>All that is kept of a client: taken away as one file, or erased.</summary>
public sealed class DataModel(
    Store.Clients clients,
    ClientRights rights,
    Kits kits,
    Answers answers,
    PictureRecord heads,
    PictureSeal seal,
    CaseBuilder cases,
    Studios studios
) : PageModel
{
    public Client Client { get; private set; } = null!;

    public bool Reacted { get; private set; }

    public string? Wrong { get; private set; }

    public string? Typed { get; private set; }

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Everything, in one file.</summary>
    public async Task<IActionResult> OnGetEverything(Guid id)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (table, rows) in await rights.Everything(id))
            {
                await Add(zip, $"record/{table}.json", Encoding.UTF8.GetBytes(rows));
            }

            foreach (string schema in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "schemas"), "*.json"))
            {
                await Add(zip, $"schemas/{Path.GetFileName(schema)}", await System.IO.File.ReadAllBytesAsync(schema));
            }

            var pictures = await rights.Pictures(id);
            foreach (var (picture, at) in pictures.Select((p, i) => (p, i)))
            {
                await Add(zip, $"pictures/{at + 1:00}-{picture.Name}.jpg", seal.Open(picture.Kept) ?? []);
            }

            int count = pictures.Count;
            foreach (var head in await heads.Of(id))
            {
                if (await heads.Sealed(id, head.Id) is { } kept && seal.Open(kept) is { } jpeg)
                {
                    await Add(zip, $"pictures/{++count:00}-head-{head.Zone}-{head.TakenAt:yyyyMMdd-HHmmss}.jpg", jpeg);
                }
            }

            await Add(zip, "read-me.html", Encoding.UTF8.GetBytes(await Readable(count)));
        }

        return File(memory.ToArray(), "application/zip", $"kept-{DateTime.UtcNow:yyyy-MM-dd}.zip");
    }

    /// <summary>Forgets the client.</summary>
    public async Task<IActionResult> OnPost(Guid id, string? typed)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        Typed = typed;
        if (!string.Equals((typed ?? "").Trim(), Client.Name, StringComparison.OrdinalIgnoreCase))
        {
            Wrong = $"This is not the name: {Client.Name}.";
            return Page();
        }

        try
        {
            await rights.Erase(id);
            return Redirect("/clients");
        }
        catch (ConflictException conflict)
        {
            Wrong = conflict.Message;
            return Page();
        }
    }

    private async Task<bool> Load(Guid id)
    {
        if (await clients.Get(id) is not { } client)
        {
            return false;
        }

        Client = client;
        Reacted = (await cases.Load(id))?.Reacted == true;
        return true;
    }

    /// <summary>The page to read: who, what was answered, what was sent and how it came out.</summary>
    private async Task<string> Readable(int pictures)
    {
        static string H(string text) => WebUtility.HtmlEncode(text);
        var studio = (await studios.Get())!;
        var page = new StringBuilder()
            .Append("<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\">")
            .Append($"<title>{H(Client.Name)}</title><body style=\"font:1rem/1.5 sans-serif;max-width:45rem;margin:2rem auto;padding:0 1rem\">")
            .Append(
                $"<h1>What {H(studio.Name)} keeps of {H(Client.Name)}</h1><p>Born {Client.BirthDate:d MMMM yyyy}; {H(Client.Destination)}; {H(Client.Email ?? "no email")}; {H(Client.Phone.Length > 0 ? Client.Phone : "no telephone")}.</p>"
            );
        if (Client.Note.Length > 0)
        {
            page.Append($"<p>{H(Client.Note)}</p>");
        }

        page.Append("<h2>Kits</h2><ul>");
        foreach (var p in await kits.History(Client.Id))
        {
            var read = Json.ReadPrescription(p.Document);
            string mix = string.Join(
                "; ",
                read.Formulas.Select(f => $"{string.Join(" + ", f.Parts.Select(x => $"{x.Shade} {x.Grams}"))} + {f.Developer.Volume} {f.Developer.Grams}")
            );
            page.Append(
                $"<li>{studio.Local(p.SignedAt):d MMMM yyyy}, {H(Words.Of(p.Service))}, {H(p.Decision)}: {H(mix)}. Signed by {H(p.Signers.TrimEnd(','))}.</li>"
            );
        }

        page.Append("</ul><h2>Answers</h2>");
        foreach (var told in await answers.Of(Client.Id))
        {
            page.Append($"<h3>{studio.Local(told.AnsweredAt):d MMMM yyyy}</h3><ul>");
            using var document = JsonDocument.Parse(told.Document);
            foreach (var field in document.RootElement.EnumerateObject().Where(f => f.Name != "kitto"))
            {
                page.Append($"<li>{H(Words.Spaced(field.Name))}: {H(field.Value.ToString())}</li>");
            }

            page.Append("</ul>");
        }

        return page.Append(
                $"<p>{pictures} pictures lie beside this page; every row of the record as JSON under record/, with the schemas of case, prescription and answers under schemas/.</p></body></html>"
            )
            .ToString();
    }

    private static async Task Add(ZipArchive zip, string name, byte[] bytes)
    {
        await using var entry = await zip.CreateEntry(name, CompressionLevel.Fastest).OpenAsync();
        await entry.WriteAsync(bytes);
    }
}
