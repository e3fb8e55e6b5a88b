using System.Text.Json.Nodes;
using Kitto.Core.Contract;

namespace Kitto.Core.Tests.Contract;

/// <summary>The table of facts against the schema that ships, and against the reader.</summary>
public sealed class CaseFieldsTests
{
    private static readonly string Schema = Path.Combine(Bench.Root, "docs", "formats", "case-1.schema.json");

    /// <summary>A browser test holds the schema against cases and wrong facts; here it is the one that the table makes.</summary>
    [Fact]
    public void The_schema_that_ships_is_the_one_the_table_makes() =>
        Assert.True(
            JsonNode.DeepEquals(JsonNode.Parse(File.ReadAllText(Schema)), JsonNode.Parse(CaseSchema.Write())),
            "docs/formats/case-1.schema.json is older than the table; ./kitto schema writes it"
        );

    [Fact]
    public void Every_fact_has_its_place_in_the_schema()
    {
        var schema = JsonNode.Parse(CaseSchema.Write())!;
        Assert.All(CaseFields.All, field => Assert.NotNull(At(schema, field.Path.Replace("zones.*", "zones.crown", StringComparison.Ordinal))));

        JsonNode? At(JsonNode? node, string path) =>
            path.Split('.')
                .Aggregate(
                    node,
                    (at, step) =>
                        step.Split("[]") is [var name, _] ? Followed(Followed(at)?["properties"]?[name])?["items"] : Followed(at)?["properties"]?[step]
                );
        JsonNode? Followed(JsonNode? at) => at?["$ref"] is { } reference ? schema["definitions"]![reference.GetValue<string>().Split('/')[^1]] : at;
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
}
