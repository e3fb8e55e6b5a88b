using System.Text.Json.Nodes;
using Kitto.Core.Shade;
using Kitto.Web.Sittings;

namespace Kitto.Web.Pages;

/// <summary>The line/1 document of what was typed: the same reader takes it as takes a file.</summary>
public sealed partial class ShelfLineModel
{
    private JsonObject Document(string id, Line? held)
    {
        var document = new JsonObject
        {
            ["kitto"] = "line/1",
            ["id"] = id,
            ["name"] = Typed.GetValueOrDefault("name", ""),
            ["kind"] = Typed.GetValueOrDefault("kind", ""),
            ["thickness"] = Typed.GetValueOrDefault("thickness", ""),
        };
        foreach (var (name, _, _, _) in Numbers)
        {
            string text = Typed.GetValueOrDefault(name, "");
            if (text.Length > 0)
            {
                // What is no number goes on as it was typed, and is named by the reader.
                document[name] = TypedNumber.Read(text) is { } number ? number : text;
            }
        }

        JsonArray Strengths(string field, bool chair) =>
            new([
                .. Typed
                    .GetValueOrDefault(field, "")
                    .Split([' ', ';', '\t'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Select(s => s.TrimEnd(','))
                    .SelectMany(s => s.Contains(',', StringComparison.Ordinal) ? s.Split(',', StringSplitOptions.RemoveEmptyEntries) : [s])
                    .Select(s => new JsonObject { ["volume"] = TypedNumber.Read(s) is { } volume ? volume : s, ["chairOnly"] = chair }),
            ]);
        document["developers"] = new JsonArray([.. Strengths("developers", false).Concat(Strengths("chairOnly", true)).Select(n => n!.DeepClone())]);
        document["shades"] = new JsonArray([.. Ordered().Select(c => JsonValue.Create(c))]);
        document["outOfStock"] = new JsonArray([.. (held?.Out ?? []).Where(Shades.Contains).Select(c => JsonValue.Create(c))]);
        return document;
    }

    /// <summary>Ticked shades, family by family, the deepest first.</summary>
    private IEnumerable<string> Ordered() =>
        Shades
            .OrderBy(c => ShadeOf.Parse(c) is { Level: > 0 } s ? (int)s.Family! : 99)
            .ThenBy(c => ShadeOf.Parse(c)?.Level)
            .ThenBy(c => c, StringComparer.Ordinal);

    /// <summary>The field a complaint is shown beside.</summary>
    private static string Field(string path) =>
        path.StartsWith("developers", StringComparison.Ordinal) ? "developers"
        : path.StartsWith("shades", StringComparison.Ordinal) ? "shades"
        : path is "id" ? "name"
        : path;

    private static string Slug(string name) =>
        string.Join(
            '-',
            new string([.. name.ToLowerInvariant().Select(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) ? c : ' ')]).Split(
                ' ',
                StringSplitOptions.RemoveEmptyEntries
            )
        )
            is var slug
        && slug.Length > LineCheck.LongestId
            ? slug[..LineCheck.LongestId].Trim('-')
            : slug;
}
