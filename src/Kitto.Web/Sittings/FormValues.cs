using System.Text.Json.Nodes;
using Kitto.Core.Contract;

namespace Kitto.Web.Sittings;

/// <summary>
/// The facts of a reading as a form holds them: one text for each typed field of the contract. Whatever was typed stays as it was typed;
/// the contract's own reader says what is wrong with it.
/// </summary>
public sealed class FormValues
{
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
        foreach (var (path, text) in form.Where(f => CaseFields.Typed.ContainsKey(f.Key)))
        {
            found[path] = text.Count > 1 ? string.Join(", ", text.ToArray()) : text.ToString();
        }

        // A box that stands for "no" when it is not ticked says so with a companion field (zones that are left out).
        foreach (
            string path in form
                .Keys.Where(k => k.StartsWith("off.", StringComparison.Ordinal))
                .Select(k => k[4..])
                .Where(p => CaseFields.Typed.ContainsKey(p) && !form.ContainsKey(p))
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
    public CaseDocument Document()
    {
        var document = new CaseDocument();
        foreach (var (path, typed) in values.Where(v => v.Value.Trim().Length > 0))
        {
            document.Put(path, Value(CaseFields.Typed.GetValueOrDefault(path), typed.Trim()));
        }

        return document;
    }

    /// <summary>What was typed as the field's type has it; what is none of it stays a text, and the reader says what is wrong.</summary>
    private static JsonNode Value(CaseField? field, string text) =>
        field switch
        {
            FlagField when text is "true" or "false" => text == "true",
            NumberField when TypedNumber.Read(text) is { } number => number,
            ListField => new JsonArray([
                .. text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(c => JsonValue.Create(c)),
            ]),
            _ => JsonValue.Create(text),
        };

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
                case JsonArray list when CaseFields.Typed.ContainsKey(at):
                    values[at] = string.Join(", ", list.Select(x => x?.ToString()));
                    break;
                case JsonValue value when CaseFields.Typed.ContainsKey(at):
                    values[at] = value.ToString();
                    break;
            }
        }
    }
}
