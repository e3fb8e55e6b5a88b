using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Shelves;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>One line of the shelf as its leaflet has it: made, changed, taken off.</summary>
public sealed partial class ShelfLineModel(CurrentShelf shelves) : PageModel
{
    /// <summary>Numbers of a line, as the document names them.</summary>
    public static IReadOnlyList<(string Name, string Label, string Unit, string Hint)> Numbers { get; } =
    [
        ("developerPerColour", "Developer to one gram of colour", "g", "1 for 1:1, 1.5, 2 (DV9)"),
        ("lengthsDeveloperPerColour", "On the lengths, where it is another", "g", "empty: the same"),
        ("processMinutes", "Time after the last stroke", "min", ""),
        ("processMin", "Shortest", "min", ""),
        ("processMax", "Longest", "min", ""),
        ("workingLifeMinutes", "A mix works for", "min", ""),
        ("longestContactMinutes", "Never on longer than", "min", "anywhere on the head (TM8)"),
        ("tubeGrams", "Grams in a tube", "g", ""),
        ("skinTestMonths", "A clear skin test counts for", "months", "0: a new one for every kit; only where the leaflet allows more (SA5)"),
    ];

    /// <summary>Shades without a level, with what they are.</summary>
    public static IReadOnlyList<(string Code, string Says)> Without { get; } =
    [("0R", "red"), ("0G", "green"), ("0B", "blue"), ("0V", "violet"), (ShadeOf.Clear, "clear"), (ShadeOf.Lightener, "lightener")];

    /// <summary>Whether this is a new line.</summary>
    public bool New { get; private set; }

    public string Id { get; private set; } = "";

    public int Version { get; private set; }

    /// <summary>What stands in the fields.</summary>
    public Dictionary<string, string> Typed { get; private set; } = [];

    /// <summary>Shades that are ticked.</summary>
    public IReadOnlySet<string> Shades { get; private set; } = new HashSet<string>();

    /// <summary>Complaints by field.</summary>
    public ILookup<string, string> Wrong { get; private set; } = Enumerable.Empty<FieldError>().ToLookup(e => e.Path, e => e.Says);

    public string? Conflict { get; private set; }

    public IActionResult OnGet(string? id)
    {
        New = id is null;
        if (id is null)
        {
            Typed = new()
            {
                ["kind"] = "permanent",
                ["thickness"] = "cream",
                ["developerPerColour"] = "1",
                ["tubeGrams"] = "60",
                ["skinTestMonths"] = "0",
            };
            return Page();
        }

        if (shelves.Now.Find(id) is not { } line)
        {
            return NotFound();
        }

        (Id, Version) = (id, shelves.Read.Versions[id]);
        var document = JsonNode.Parse(CatalogueReader.Write(line))!.AsObject();
        Typed = document.Where(p => p.Value is JsonValue).ToDictionary(p => p.Key, p => p.Value!.ToString());
        Typed["developers"] = string.Join(", ", line.Developers.Where(d => !d.ChairOnly).Select(d => d.Volume.Value));
        Typed["chairOnly"] = string.Join(", ", line.Developers.Where(d => d.ChairOnly).Select(d => d.Volume.Value));
        Shades = line.Shades.Select(s => s.Code).ToHashSet();
        return Page();
    }

    public async Task<IActionResult> OnPost(string? id, int version, string[] shade)
    {
        var held = id is null ? null : shelves.Now.Find(id);
        if (id is not null && held is null)
        {
            return NotFound();
        }

        (New, Id, Version, Shades) = (id is null, id ?? "", version, shade.ToHashSet());
        Typed = Request
            .Form.Where(f => f.Key is not ("shade" or "version" or "__RequestVerificationToken"))
            .ToDictionary(f => f.Key, f => f.Value.ToString().Trim());
        string own = id ?? Slug(Typed.GetValueOrDefault("name", ""));
        var (line, errors) = CatalogueReader.ReadLine(Document(own, held).ToJsonString());
        var all = errors.ToList();
        if (id is null && shelves.Now.Find(own) is not null)
        {
            all.Add(new FieldError("name", "is the name of a line that is on the shelf already", "another name"));
        }

        if (held is not null && line is not null && line.Kind != held.Kind)
        {
            all.Add(
                new FieldError(
                    "kind",
                    "cannot be changed: the rules of safety go by it",
                    $"{Words.Spaced(Json.Name(held.Kind))}; make the other a line of its own"
                )
            );
        }

        if (line is null || all.Count > 0)
        {
            Wrong = all.ToLookup(e => Field(e.Path), e => $"{e.Says}. Allowed: {e.Range}.");
            return Page();
        }

        try
        {
            await shelves.Save([(line, id is null ? 0 : version)], User.Id());
            return Redirect("/shelf?said=" + Uri.EscapeDataString($"{line.Name} is on the shelf. Kits signed from now on are made from it as it stands."));
        }
        catch (ConflictException conflict)
        {
            await shelves.Refresh();
            Conflict = $"{conflict.Message} What you typed is still here: save again to put it over theirs.";
            Version = shelves.Read.Versions.GetValueOrDefault(own);
            ModelState.Clear();
            return Page();
        }
    }

    /// <summary>Off the shelf.</summary>
    public async Task<IActionResult> OnPostRemove(string id, int version)
    {
        if (shelves.Now.Find(id) is not { } line)
        {
            return NotFound();
        }

        try
        {
            await shelves.Remove(id, version);
            return Redirect("/shelf?said=" + Uri.EscapeDataString($"{line.Name} is off the shelf. What was signed with it stays as it was."));
        }
        catch (ConflictException conflict)
        {
            await shelves.Refresh();
            OnGet(id);
            Conflict = conflict.Message;
            return Page();
        }
    }
}
