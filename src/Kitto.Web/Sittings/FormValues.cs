using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Head;

namespace Kitto.Web.Sittings;

/// <summary>
/// The facts of a reading as a form holds them: one text for each path of the contract. Whatever was typed stays as it was typed;
/// the contract's own reader says what is wrong with it.
/// </summary>
public sealed class FormValues
{
    private static readonly HashSet<string> Flags =
    [
        "reactions",
        "blackHenna",
        "pregnant",
        "newMedicine",
        "highlighted",
        "practised",
        "resistant",
        "include",
        "clear",
    ];

    private static readonly HashSet<string> Numbers =
    [
        "chemicalServiceDaysAgo",
        "naturalLevel",
        "lengthCm",
        "level",
        "lengthMm",
        "regrowthMm",
        "greyPercent",
        "tailMm",
    ];

    /// <summary>The paths a sitting has; what a form holds beside them is none of its facts.</summary>
    private static readonly HashSet<string> Paths =
    [
        .. "reactions blackHenna pregnant scalp conditions newMedicine chemicalServiceDaysAgo".Split(' ').Select(f => "client." + f),
        .. "texture density porosity naturalLevel lengthCm lengths.level lengths.tone lengths.history lengths.highlighted lengths.metalTest band.lengthMm band.level band.tone roots.level roots.tone"
            .Split(' ')
            .Select(f => "hair." + f),
        .. Enum.GetValues<Zone>().SelectMany(z => "regrowthMm greyPercent resistant texture include".Split(' ').Select(f => $"zones.{Json.Name(z)}.{f}")),
        .. "service level tone lengthsCondition lengths.level lengths.tone lengths.clear frame how tailMm".Split(' ').Select(f => "goal." + f),
        "hands.who",
        "hands.practised",
        "line",
        "plan.wantBy",
        "painting.order",
        "painting.sequence",
    ];

    private readonly Dictionary<string, string> values = new(StringComparer.Ordinal);

    public string this[string path]
    {
        get => values.GetValueOrDefault(path, "");
        set => values[path] = value;
    }

    public bool On(string path) => this[path] == "true";

    /// <summary>What was posted. A box that is not ticked is not posted.</summary>
    public static FormValues From(IFormCollection form)
    {
        var found = new FormValues();
        foreach (var (path, text) in form.Where(f => Paths.Contains(f.Key)))
        {
            found[path] = text.Count > 1 ? string.Join(", ", text.ToArray()) : text.ToString();
        }

        // A box that stands for "no" when it is not ticked says so with a companion field (zones that are left out).
        foreach (
            string path in form
                .Keys.Where(k => k.StartsWith("off.", StringComparison.Ordinal))
                .Select(k => k[4..])
                .Where(p => Paths.Contains(p) && !form.ContainsKey(p))
        )
        {
            found[path] = "false";
        }

        return found;
    }

    /// <summary>The values of a stored reading.</summary>
    public static FormValues From(JsonObject document)
    {
        var found = new FormValues();
        found.Flatten(document, "");
        return found;
    }

    /// <summary>The values of a document as it is kept.</summary>
    public static FormValues Kept(string document) => From(JsonNode.Parse(document)!.AsObject());

    /// <summary>The same as a document of the contract, without what is derived from the record.</summary>
    public JsonObject ToJson()
    {
        var root = new JsonObject { ["kitto"] = "case/1" };
        foreach (var (path, typed) in values)
        {
            string text = typed.Trim();
            string[] steps = path.Split('.');
            string name = steps[^1];
            if (text.Length == 0)
            {
                continue;
            }

            var at = root;
            foreach (string step in steps[..^1])
            {
                at = (at[step] ??= new JsonObject()).AsObject();
            }

            at[name] = Value(name, text);
        }

        return root;
    }

    private static JsonNode Value(string name, string text)
    {
        if (Flags.Contains(name))
        {
            return text == "true" ? true
                : text == "false" ? false
                : JsonValue.Create(text);
        }

        if (Numbers.Contains(name) && TypedNumber.Read(text) is { } number)
        {
            return number;
        }

        return name is "conditions" or "sequence"
            ? new JsonArray([.. text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(c => JsonValue.Create(c))])
            : text;
    }

    private void Flatten(JsonObject from, string path)
    {
        foreach (var (name, node) in from)
        {
            string at = path.Length == 0 ? name : $"{path}.{name}";
            switch (node)
            {
                case JsonObject inner:
                    Flatten(inner, at);
                    break;
                case JsonArray list when Paths.Contains(at):
                    values[at] = string.Join(", ", list.Select(x => x?.ToString()));
                    break;
                case JsonValue value when Paths.Contains(at):
                    values[at] = value.ToString();
                    break;
            }
        }
    }
}
