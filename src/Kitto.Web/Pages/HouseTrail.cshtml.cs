using System.Text.Json;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Who looked, who changed what, who signed in: searched and taken away as a file.</summary>
public sealed class HouseTrailModel(Trail trail, Studios studios) : PageModel
{
    private const int PageSize = 100,
        FileSize = 100_000;

    /// <summary>What can be looked for, by the beginning of what happened.</summary>
    public static IReadOnlyList<(string Kind, string Says)> Kinds { get; } =
    [
        ("answers.read", "a client's answers opened"),
        ("answers.", "answers"),
        ("client.", "clients"),
        ("reading.", "readings"),
        ("prescription.", "signings"),
        ("kit.", "kits"),
        ("link.", "links"),
        ("house.", "the house"),
        ("line.", "lines of the shelf"),
        ("place.", "post days"),
        ("school.", "ways of the house"),
        ("way.", "ways for one client"),
        ("person.", "people"),
        ("signIn.", "sign-ins"),
    ];

    /// <summary>What happened, in words.</summary>
    public static string Says(string kind) =>
        kind switch
        {
            "signIn.done" => "signed in",
            "signIn.ended" => "signed out",
            "signIn.refused" => "turned away",
            "signIn.tooMany" => "turned away: too many tries",
            "answers.read" => "answers opened",
            _ => Words.Spaced(kind.Replace('.', ' ')),
        };

    [BindProperty(SupportsGet = true)]
    public string? Who { get; set; }

    [BindProperty(SupportsGet = true)]
    public Guid? Client { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Kind { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? To { get; set; }

    [BindProperty(SupportsGet = true)]
    public long? Before { get; set; }

    public IReadOnlyList<TrailLine> Lines { get; private set; } = [];

    /// <summary>The number the next page begins before; null: this is the last.</summary>
    public long? Next { get; private set; }

    public Studio Studio { get; private set; } = null!;

    public string? Wrong { get; private set; }

    public async Task OnGet()
    {
        var search = await Search();
        if (Wrong is not null)
        {
            return;
        }

        var found = await trail.Find(search, PageSize + 1);
        Lines = [.. found.Take(PageSize)];
        Next = found.Count > PageSize ? Lines[^1].Seq : null;
    }

    /// <summary>The same as a file.</summary>
    public async Task<IActionResult> OnGetCsv()
    {
        var search = await Search();
        if (Wrong is not null)
        {
            return Page();
        }

        return File(
            Csv.Write(
                ["at", "who", "kind", "client", "about", "what"],
                (await trail.Find(search with { Before = null }, FileSize)).Select(l =>
                    (IReadOnlyList<object?>)[l.At, l.Who, l.Kind, l.Client ?? "", l.About, l.What]
                )
            ),
            "text/csv",
            "trail.csv"
        );
    }

    /// <summary>What was changed, a line each: field, was, is.</summary>
    public IEnumerable<(string Field, string Was, string Is)> Changes(string what)
    {
        using var read = JsonDocument.Parse(what);
        return [.. Under("", read.RootElement)];
    }

    private IEnumerable<(string Field, string Was, string Is)> Under(string path, JsonElement at)
    {
        foreach (var field in at.EnumerateObject())
        {
            string name = path.Length == 0 ? Words.Spaced(field.Name.Replace('_', ' ')) : $"{path}, {Words.Spaced(field.Name)}";
            if (field.Value.ValueKind == JsonValueKind.Array && field.Value.GetArrayLength() == 2)
            {
                // The name of a row says nothing to anybody here; the file has it.
                if (Guid.TryParse(field.Value[1].ToString(), out _) || Guid.TryParse(field.Value[0].ToString(), out _))
                {
                    continue;
                }

                yield return (name, Short(field.Value[0]), Short(field.Value[1]));
            }
            else if (field.Value.ValueKind == JsonValueKind.Object)
            {
                foreach (var deeper in Under(name, field.Value))
                {
                    yield return deeper;
                }
            }
        }
    }

    private string Short(JsonElement value)
    {
        string text =
            value.ValueKind is JsonValueKind.Null ? "nothing"
            : value.ValueKind is JsonValueKind.String
            && value.ToString() is [_, _, _, _, '-', _, _, '-', _, _, 'T', ..]
            && value.TryGetDateTimeOffset(out var at)
                ? Studio.Local(at.UtcDateTime).ToString("d MMM yyyy HH:mm")
            : value.ToString();
        return text.Length == 0 ? "nothing"
            : text.Length > 60 ? text[..59] + "…"
            : text;
    }

    private async Task<TrailSearch> Search()
    {
        Studio = (await studios.Get())!;
        DateTime? Day(string? typed, int plus)
        {
            if (string.IsNullOrWhiteSpace(typed))
            {
                return null;
            }

            if (DateOnly.TryParseExact(typed, "yyyy-MM-dd", out var day) && day.Year is > 1999 and < 3000)
            {
                return Studio.Utc(day.AddDays(plus).ToDateTime(TimeOnly.MinValue));
            }

            Wrong = "A day as 2026-11-30, from 2000 on.";
            return null;
        }

        string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
        return new TrailSearch(Text(Who), Client, Text(Kind), Day(From, 0), Day(To, 1), Before);
    }
}
