using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core.Head;
using Kitto.Core.Trade;

namespace Kitto.Core.Contract;

/// <summary>The JSON Schema of a case/1 document, made from the table of its facts.</summary>
public static class CaseSchema
{
    private static readonly string Family = $"({string.Join('|', ToneField.Families)})",
        TonePattern = $"^{Family}([/+ ]?{Family})?$",
        ShadePattern = $"^((1[0-2]|[1-9]){Family}|0R|0G|0B|0V|00|LT)$";

    /// <summary>The schema, draft 7, laid out for people.</summary>
    public static string Write()
    {
        var root = Shape("");
        var schema = new JsonObject
        {
            ["$schema"] = "http://json-schema.org/draft-07/schema#",
            ["$id"] = "case-1.schema.json",
            ["title"] = "A case for kitto prescribe, case/1",
            ["description"] =
                "Unknown fields are an error. A field that is null counts as left out. Regrowth must be given for every included zone, in the zone or in allZones, except for a gloss.",
        };
        foreach (var (name, node) in root)
        {
            schema[name] = node!.DeepClone();
        }

        var properties = schema["properties"]!.AsObject();
        properties.Insert(0, "kitto", new JsonObject { ["const"] = "case/1" });
        schema["required"] = new JsonArray("kitto", "client", "hair", "goal");
        schema["anyOf"] = new JsonArray(new JsonObject { ["required"] = new JsonArray("allZones") }, new JsonObject { ["required"] = new JsonArray("zones") });
        var zone = Shape("zones.*.");
        schema["definitions"] = new JsonObject { ["zone"] = zone, ["formula"] = properties["formula"]!.DeepClone() };
        properties["zones"] = new JsonObject
        {
            ["type"] = "object",
            ["additionalProperties"] = false,
            ["properties"] = new JsonObject(Enum.GetValues<Zone>().Select(z => KeyValuePair.Create(Json.Name(z), (JsonNode?)Reference("zone")))),
        };
        properties["allZones"] = Reference("zone");
        properties["formula"] = Reference("formula");
        // Of a kit that was not mixed by a formula of ours there is an empty one.
        properties["last"]!["properties"]!.AsObject()["formula"] = new JsonObject
        {
            ["anyOf"] = new JsonArray(new JsonObject { ["type"] = "object", ["maxProperties"] = 0 }, Reference("formula")),
        };
        properties["house"]!["properties"]!.AsObject()["schools"] = new JsonObject
        {
            ["type"] = "object",
            ["additionalProperties"] = false,
            ["properties"] = new JsonObject(Schools.Options.Select(s => KeyValuePair.Create(s.Key, (JsonNode?)Choice(s.Value, s.Value[0])))),
        };
        return schema.ToJsonString(Json.Indented);
    }

    private static JsonObject Reference(string definition) => new() { ["$ref"] = $"#/definitions/{definition}" };

    /// <summary>An object with all facts whose path begins so.</summary>
    private static JsonObject Shape(string under)
    {
        var (properties, required) = (new JsonObject(), new JsonArray());
        foreach (var group in CaseFields.All.Where(f => f.Path.StartsWith(under, StringComparison.Ordinal)).GroupBy(f => First(f.Path[under.Length..])))
        {
            string path = under + group.Key;
            var field = group.FirstOrDefault(f => f.Path == path);
            var node = field is null ? Shape(path + ".") : Leaf(field);
            if (field is null && CaseFields.Objects.TryGetValue(path, out string? said))
            {
                node["description"] = said;
            }

            if (group.Any(f => f.Path.StartsWith(path + "[].", StringComparison.Ordinal)))
            {
                node["items"] = Shape(path + "[].");
            }

            properties[group.Key] = node;
            if (field?.Needed == true)
            {
                required.Add(group.Key);
            }
        }

        var shape = new JsonObject
        {
            ["type"] = "object",
            ["additionalProperties"] = false,
            ["properties"] = properties,
        };
        if (required.Count > 0)
        {
            shape["required"] = required;
        }

        return shape;
    }

    private static string First(string path) => path.Split('.', '[')[0];

    private static JsonObject Leaf(CaseField field)
    {
        var node = field switch
        {
            NumberField n => Number(n),
            FlagField f => Usual(new JsonObject { ["type"] = "boolean" }, f.Default),
            ChoiceField c => Choice(c.Names, c.Default),
            ToneField t => Usual(new JsonObject { ["type"] = "string", ["pattern"] = TonePattern }, t.Default),
            ColourField => Colour(),
            DateField => new JsonObject { ["type"] = "string", ["format"] = "date" },
            ListField l => List(l),
            TextField t => Text(t),
            _ => throw new ArgumentOutOfRangeException(nameof(field)),
        };
        if (field.Note.Length > 0)
        {
            node["description"] = field.Note;
        }

        return node;
    }

    private static JsonObject Number(NumberField field)
    {
        var node = new JsonObject
        {
            ["type"] = field.Step == 1 ? "integer" : "number",
            ["minimum"] = field.Least,
            ["maximum"] = field.Most,
        };
        if (field.Step == .5)
        {
            node["multipleOf"] = .5;
        }

        return Usual(node, field.Default);
    }

    private static JsonObject Text(TextField field)
    {
        var node = new JsonObject { ["type"] = "string" };
        if (field == CaseFields.PartShade)
        {
            node["pattern"] = ShadePattern;
            return node;
        }

        node["minLength"] = 1;
        node["maxLength"] = field.Longest;
        return node;
    }

    private static JsonObject List(ListField field)
    {
        var node = new JsonObject { ["type"] = "array", ["maxItems"] = field.Most };
        if (field == CaseFields.ClientConditions)
        {
            node["items"] = Text(new TextField("condition"));
        }
        else if (field == CaseFields.PaintingSequence)
        {
            node["uniqueItems"] = true;
            node["items"] = Choice([.. Enum.GetValues<Zone>().Select(Json.Name)], null);
        }
        else if (field == CaseFields.PlanPostDays)
        {
            node["minItems"] = 1;
            node["items"] = Choice([.. Enum.GetValues<DayOfWeek>().Select(Json.Name)], null);
        }
        else if (field == CaseFields.FormulaParts)
        {
            node["minItems"] = 1;
        }

        return node;
    }

    private static JsonObject Choice(IReadOnlyList<string> names, string? usual) =>
        Usual(new JsonObject { ["enum"] = new JsonArray([.. names.Select(n => (JsonNode?)n)]) }, usual);

    /// <summary>A colour as [L*, a*, b*].</summary>
    private static JsonObject Colour()
    {
        static JsonObject Between(int least, int most) =>
            new()
            {
                ["type"] = "number",
                ["minimum"] = least,
                ["maximum"] = most,
            };
        return new JsonObject
        {
            ["type"] = "array",
            ["items"] = new JsonArray(Between(0, 100), Between(-128, 128), Between(-128, 128)),
            ["minItems"] = 3,
            ["maxItems"] = 3,
        };
    }

    private static JsonObject Usual<T>(JsonObject node, T? usual)
    {
        if (usual is not null)
        {
            node["default"] = JsonSerializer.SerializeToNode(usual, Json.Options);
        }

        return node;
    }
}
