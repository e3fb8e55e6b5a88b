using System.Text.Json.Nodes;
using Kitto.Core.Colour;
using Kitto.Core.Head;

namespace Kitto.Core.Contract;

/// <summary>
/// A case/1 document while it is put together: facts are set by their fields, so that the name, the type and the place of one stand in <see cref="CaseFields"/> alone.
/// The objects they stand in come by themselves; a fact that is null is left out. What is set is not checked here: that is the reader's.
/// </summary>
public sealed class CaseDocument
{
    private readonly string under;

    /// <summary>An empty one.</summary>
    public CaseDocument()
        : this("", new JsonObject { ["kitto"] = CaseReader.Version }) { }

    private CaseDocument(string under, JsonObject root) => (this.under, Root) = (under, root);

    /// <summary>The document as it stands.</summary>
    public JsonObject Root { get; }

    /// <summary>One entry of a list, with the facts of such an entry.</summary>
    public static CaseDocument EntryOf(ListField list) => new(list.Path + "[].", []);

    /// <summary>An object that stands in several places, such as a formula.</summary>
    /// <param name="path">Where its facts stand in the table.</param>
    public static CaseDocument Part(string path) => new(path + ".", []);

    /// <summary>The document as text, as it is read, kept and found again.</summary>
    public string Text() => Root.ToJsonString(Json.Options);

    /// <summary>Sets a number.</summary>
    public CaseDocument Set(NumberField field, double? value) => Put(field.Path, value);

    /// <summary>Sets yes or no.</summary>
    public CaseDocument Set(FlagField field, bool? value) => Put(field.Path, value);

    /// <summary>Sets a choice.</summary>
    public CaseDocument Set<T>(ChoiceField<T> field, T? value)
        where T : struct, Enum => Put(field.Path, value is { } one ? Json.Name(one) : null);

    /// <summary>Sets words.</summary>
    public CaseDocument Set(TextField field, string? value) => Put(field.Path, value);

    /// <summary>Sets a tone.</summary>
    public CaseDocument Set(ToneField field, string? value) => Put(field.Path, value);

    /// <summary>Sets a day.</summary>
    public CaseDocument Set(DateField field, DateOnly? value) => Put(field.Path, value?.ToString("yyyy-MM-dd"));

    /// <summary>Sets a colour, to a hundredth.</summary>
    public CaseDocument Set(ColourField field, Lab? value) =>
        Put(field.Path, value is { } lab ? new JsonArray(Math.Round(lab.L, 2), Math.Round(lab.A, 2), Math.Round(lab.B, 2)) : null);

    /// <summary>Sets a list of names or words, as it is: an empty one is for the reader to say.</summary>
    public CaseDocument Set(ListField field, IEnumerable<string> values) => Put(field.Path, new JsonArray([.. values.Select(v => JsonValue.Create(v))]));

    /// <summary>Sets a list of entries; none at all is nothing said.</summary>
    public CaseDocument Set(ListField field, IEnumerable<CaseDocument> entries) =>
        Put(field.Path, entries.Select(e => e.Root).ToArray<JsonNode?>() is { Length: > 0 } all ? new JsonArray(all) : null);

    /// <summary>Sets a number of one zone.</summary>
    public CaseDocument Set(Zone zone, NumberField field, double value) => Put(In(zone, field), value);

    /// <summary>Sets yes or no of one zone.</summary>
    public CaseDocument Set(Zone zone, FlagField field, bool value) => Put(In(zone, field), value);

    /// <summary>Puts something where it belongs, whatever it is: what was typed and may be wrong, an object that is kept as it came.</summary>
    /// <param name="path">Where, as the table of facts has it.</param>
    /// <param name="value">What; null takes away what is there.</param>
    public CaseDocument Put(string path, JsonNode? value)
    {
        string[] steps = path[under.Length..].Split('.');
        var at = Root;
        foreach (string step in steps[..^1])
        {
            if (value is null && at[step] is null)
            {
                return this;
            }

            at = (at[step] ??= new JsonObject()).AsObject();
        }

        if (value is null)
        {
            at.Remove(steps[^1]);
        }
        else
        {
            at[steps[^1]] = value;
        }

        return this;
    }

    /// <summary>What stands at a path, as it is written; null: nothing.</summary>
    public JsonNode? At(string path)
    {
        JsonNode? at = Root;
        foreach (string step in path[under.Length..].Split('.'))
        {
            at = (at as JsonObject)?[step];
        }

        return at;
    }

    /// <summary>The path of a fact of one zone.</summary>
    public static string In(Zone zone, CaseField field) => $"zones.{Json.Name(zone)}.{field.Name}";
}
