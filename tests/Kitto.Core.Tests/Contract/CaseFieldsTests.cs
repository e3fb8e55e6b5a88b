using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core.Contract;

namespace Kitto.Core.Tests.Contract;

/// <summary>The table of facts against the schema that ships, both ways, and against the reader.</summary>
public sealed class CaseFieldsTests
{
    private static readonly JsonObject Schema = JsonNode.Parse(File.ReadAllText(Path.Combine(Bench.Root, "docs", "formats", "case-1.schema.json")))!.AsObject();

    /// <summary>What the schema checks beside the fields: names of schools stand in the book, entries of lists of words or colours in the schema alone.</summary>
    private static readonly string[] Elsewhere =
    [
        "kitto",
        "house.schools.",
        "client.conditions[]",
        "painting.sequence[]",
        "plan.postDays[]",
        "reports[].forecast",
        "reports[].wish",
        "last.formula.",
    ];

    [Fact]
    public void The_schema_says_of_every_fact_what_the_table_says()
    {
        var said = Leaves(Schema, "").ToDictionary(l => l.Path);
        Assert.Equal(
            CaseFields.All.Select(f => f.Path).Order(StringComparer.Ordinal),
            said.Keys.Where(p => !Elsewhere.Any(e => p.StartsWith(e, StringComparison.Ordinal))).Order(StringComparer.Ordinal)
        );
        Assert.All(CaseFields.All, field => Assert.Equal(Written(field), Plain(said[field.Path].Node, said[field.Path].Needed)));
    }

    [Fact]
    public void Both_ends_of_every_number_are_allowed_and_what_lies_beyond_is_told_with_its_path_and_range() =>
        Assert.All(
            CaseFields
                .All.OfType<NumberField>()
                .Where(f => f.Path.StartsWith("hair.", StringComparison.Ordinal) && !f.Path.Contains('[', StringComparison.Ordinal)),
            field =>
            {
                string at = field.Path;
                foreach (double value in new[] { field.Least - 1, field.Most + 1 })
                {
                    var (_, errors) = CaseReader.Read(Bench.With(FormattableString.Invariant($"{at}={value}")), Bench.Shelf);
                    Assert.Contains(errors, e => e.Path == at && e.Range == field.Range);
                }

                foreach (double value in new[] { field.Least, field.Most })
                {
                    var (_, errors) = CaseReader.Read(Bench.With(FormattableString.Invariant($"{at}={value}")), Bench.Shelf);
                    Assert.DoesNotContain(errors, e => e.Path == at && e.Range == field.Range && e.Says.Contains("outside", StringComparison.Ordinal));
                }
            }
        );

    /// <summary>A field as a line: type, range, default, whether it is needed.</summary>
    private static string Written(CaseField field)
    {
        string type = field switch
        {
            NumberField n => FormattableString
                .Invariant($"{(n.Step == 1 ? "integer" : "number")} {n.Least}..{n.Most}{(n.Step == .5 ? " halves" : "")} {n.Default}")
                .TrimEnd(),
            FlagField f => $"boolean {(f.Default is { } d ? d ? "true" : "false" : "")}".TrimEnd(),
            ChoiceField c => $"enum {string.Join(',', c.Names)} {c.Default}".TrimEnd(),
            ToneField t => $"tone {t.Default}".TrimEnd(),
            DateField => "date",
            ListField l => $"list {l.Most}",
            TextField => "text",
            _ => throw new InvalidOperationException(),
        };
        return type + (field.Needed ? " needed" : "");
    }

    private static string Plain(JsonObject node, bool needed)
    {
        string usual = node["default"] is JsonValue v ? " " + v.ToJsonString().Trim('"') : "";
        string type =
            node["enum"] is JsonArray names ? $"enum {string.Join(',', names.Select(n => n!.GetValue<string>()))}{usual}"
            : node["pattern"] is { } pattern && !pattern.GetValue<string>().Contains("LT", StringComparison.Ordinal) ? $"tone{usual}"
            : node["format"]?.GetValue<string>() == "date" ? "date"
            : node["type"]!.GetValue<string>() switch
            {
                "array" => $"list {node["maxItems"]}",
                "string" => "text",
                "boolean" => $"boolean{usual}",
                var number => FormattableString.Invariant(
                    $"{number} {node["minimum"]}..{node["maximum"]}{(node["multipleOf"] is null ? "" : " halves")}{usual}"
                ),
            };
        return type + (needed ? " needed" : "");
    }

    /// <summary>Every leaf of the schema with its path as the table writes it; the nine zones and all of them at once are one.</summary>
    private static IEnumerable<(string Path, JsonObject Node, bool Needed)> Leaves(JsonObject at, string path)
    {
        string[] needed = [.. (at["required"] as JsonArray ?? []).Select(n => n!.GetValue<string>())];
        foreach (var (name, child) in at["properties"]!.AsObject())
        {
            var node = child!.AsObject();
            string here = path.Length == 0 ? name : $"{path}.{name}";
            if (here == "allZones" || (path == "zones" && name != "crown"))
            {
                Assert.True(
                    JsonNode.DeepEquals(node["properties"], Schema["properties"]!["zones"]!["properties"]!["crown"]!["properties"]),
                    $"{here} is other than the crown"
                );
                continue;
            }

            here = path == "zones" ? "zones.*" : here;
            if (node["properties"] is not null)
            {
                foreach (var leaf in Leaves(node, here))
                {
                    yield return leaf;
                }
            }
            else
            {
                yield return (node["anyOf"] is null ? here : here + ".", node, needed.Contains(name));
                if (node["items"] is JsonObject { } items && items["properties"] is not null)
                {
                    foreach (var leaf in Leaves(items, here + "[]"))
                    {
                        yield return leaf;
                    }
                }
            }
        }
    }
}
