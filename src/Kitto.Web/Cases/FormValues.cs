using System.Text.Json.Nodes;

namespace Kitto.Web.Cases;

/// <summary>
/// The facts of a reading as a form holds them: one text for each path of the contract. Whatever was typed stays as it was typed;
/// the contract's own reader says what is wrong with it.
/// </summary>
public sealed class FormValues
{
    private static readonly HashSet<string> Flags =
        ["reactions", "blackHenna", "pregnant", "newMedicine", "highlighted", "practised", "resistant", "include"];

    private static readonly HashSet<string> Numbers =
        ["chemicalServiceDaysAgo", "naturalLevel", "lengthCm", "level", "lengthMm", "regrowthMm", "greyPercent"];

    private static readonly string[] Places = ["client.", "hair.", "zones.", "goal.", "hands.", "line", "plan.wantBy", "painting."];

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
        foreach (var (path, text) in form.Where(f => Places.Any(p => f.Key.StartsWith(p, StringComparison.Ordinal))))
        {
            found[path] = text.Count > 1 ? string.Join(", ", text.ToArray()) : text.ToString();
        }

        // A box that stands for "no" when it is not ticked says so with a companion field (zones that are left out).
        foreach (string path in form.Keys.Where(k => k.StartsWith("off.", StringComparison.Ordinal)).Select(k => k[4..]).Where(p => !form.ContainsKey(p)))
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
            return text == "true" ? true : text == "false" ? false : JsonValue.Create(text);
        }

        if (Numbers.Contains(name) && TypedNumber.Read(text) is { } number)
        {
            return number;
        }

        return name is "conditions" or "sequence" ? new JsonArray([.. text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(c => JsonValue.Create(c))]) : text;
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
                case JsonArray list:
                    values[at] = string.Join(", ", list.Select(x => x?.ToString()));
                    break;
                case { } value when at != "kitto":
                    values[at] = value.ToString();
                    break;
            }
        }
    }
}
