using System.Text;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Shelves;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The shelf: lines, shades and what is in stock; the search proposes only what is there.</summary>
public sealed class ShelfPageModel(CurrentShelf keeper) : PageModel
{
    /// <summary>A file may be so long.</summary>
    public const int MostBytes = 500_000;

    /// <summary>The shelf as this page read it, with the versions it was read at.</summary>
    private ShelfRead Read { get; set; } = keeper.Read;

    public Shelf Shelf => Read.Shelf;

    public IReadOnlyDictionary<string, int> Versions => Read.Versions;

    /// <summary>Lines that are kept and cannot be used, each with what is wrong.</summary>
    public IReadOnlyList<FieldError> SetAside => Read.SetAside;

    public string? Said { get; private set; }

    public IReadOnlyList<string> Wrong { get; private set; } = [];

    public void OnGet(string? said) => Said = said;

    /// <summary>One line's shades, ticked where they are in stock.</summary>
    public async Task<IActionResult> OnPostStock(string id, int version, string[] have)
    {
        if (Shelf.Find(id) is not { } line)
        {
            return NotFound();
        }

        return await Save(
            [(line with { Out = [.. line.Shades.Select(s => s.Code).Except(have)] }, version)],
            $"{line.Name}: {line.Shades.Count(s => have.Contains(s.Code))} of {line.Shades.Count} shades in stock."
        );
    }

    /// <summary>The invented lines, to try things with; a shelf that has any is left alone.</summary>
    public async Task<IActionResult> OnPostInvented()
    {
        await keeper.Open(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"));
        return RedirectToPage(new { said = "The invented lines are on the shelf. Each can be changed, and taken off again." });
    }

    /// <summary>A line/1 document or a CSV of shades.</summary>
    public async Task<IActionResult> OnPostImport(IFormFile? file)
    {
        if (file is null || file.Length == 0 || file.Length > MostBytes)
        {
            Wrong =
            [
                file is null || file.Length == 0
                    ? "Choose a file: a line as JSON, or shades as CSV."
                    : $"The file has {file.Length / 1000} kB. Allowed: up to {MostBytes / 1000} kB.",
            ];
            return Page();
        }

        using var reader = new StreamReader(file.OpenReadStream(), Encoding.UTF8);
        string text = await reader.ReadToEndAsync();
        if (!text.TrimStart().StartsWith('{'))
        {
            var (changed, errors) = ShelfCsv.Read(text, Shelf);
            Wrong = [.. errors.Select(e => $"Row {e.Row}: {e.Says}")];
            return Wrong.Count > 0
                ? Page()
                : await Save(
                    [.. changed.Select(l => (l, Versions[l.Id]))],
                    changed.Count == 0
                        ? "The file says what the shelf says already."
                        : $"Taken over from the file: {string.Join(", ", changed.Select(l => l.Name))}."
                );
        }

        var (line, complaints) = CatalogueReader.ReadLine(text);
        Wrong = [.. complaints.Select(e => $"{e.Path} {e.Says}. Allowed: {e.Range}.")];
        if (line is not null && Shelf.Find(line.Id) is { } held && held.Kind != line.Kind)
        {
            Wrong =
            [
                $"kind is {Json.Name(line.Kind)}, but {line.Id} is {Json.Name(held.Kind)} on this shelf. A line keeps its kind, because the rules of safety go by it; give the other one an id of its own.",
            ];
        }

        return Wrong.Count > 0 ? Page() : await Save([(line!, Versions.GetValueOrDefault(line!.Id))], $"{line!.Name} is on the shelf as the file says.");
    }

    /// <summary>All shades as CSV.</summary>
    public IActionResult OnGetCsv() => File(Encoding.UTF8.GetBytes(ShelfCsv.Write(Shelf)), "text/csv", "shelf.csv");

    /// <summary>One line as JSON.</summary>
    public IActionResult OnGetJson(string id) =>
        Shelf.Find(id) is { } line ? File(Encoding.UTF8.GetBytes(CatalogueReader.Write(line)), "application/json", $"{line.Id}.json") : NotFound();

    private async Task<IActionResult> Save((Line, int)[] changed, string said)
    {
        try
        {
            await keeper.Save(changed, User.Id());
        }
        catch (ConflictException conflict)
        {
            Wrong = [conflict.Message + " Nothing was changed; look again and repeat it."];
            await keeper.Refresh();
            Read = keeper.Read;
            return Page();
        }

        return RedirectToPage(new { said });
    }
}
