using System.Text.Json.Nodes;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;

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

    /// <summary>Each in its own document, beside one that is plain: what is written by the table is known to the reader, in the head and in entries of lists.</summary>
    [Fact]
    public void What_is_set_by_its_field_stands_where_the_reader_looks_for_it_and_is_taken_away_by_nothing() =>
        Assert.All(
            CaseFields.All,
            field =>
            {
                var whole = new CaseDocument();
                foreach (var (name, node) in Bench.PlainJson())
                {
                    whole.Put(name, node?.DeepClone());
                }

                if (field.Path.Split("[].") is [var list, _])
                {
                    var entries = CaseFields.All.OfType<ListField>().Single(f => f.Path == list);
                    whole.Set(entries, [Set(CaseDocument.EntryOf(entries), field)]);
                }
                else
                {
                    Set(whole, field);
                }

                var (_, errors) = CaseReader.Read(whole.Text(), Bench.Shelf);
                Assert.DoesNotContain(errors, e => e.Says.Contains("not a field", StringComparison.Ordinal));
                if (!field.Path.Contains('*', StringComparison.Ordinal) && !field.Path.Contains('[', StringComparison.Ordinal))
                {
                    Assert.NotNull(whole.At(field.Path));
                    Assert.Null(whole.Put(field.Path, null).At(field.Path));
                }
            }
        );

    private static CaseDocument Set(CaseDocument c, CaseField field) =>
        field switch
        {
            NumberField f when f.Path.StartsWith("zones.", StringComparison.Ordinal) => c.Set(Zone.Crown, f, f.Least),
            FlagField f when f.Path.StartsWith("zones.", StringComparison.Ordinal) => c.Set(Zone.Crown, f, true),
            ChoiceField f when f.Path.StartsWith("zones.", StringComparison.Ordinal) => c.Put(CaseDocument.In(Zone.Crown, f), f.Names[0]),
            NumberField f => c.Set(f, f.Least),
            FlagField f => c.Set(f, true),
            ChoiceField f => c.Put(f.Path, f.Names[0]),
            ToneField f => c.Set(f, ToneField.Families[0]),
            DateField f => c.Set(f, new DateOnly(2027, 1, 12)),
            ColourField f => c.Set(f, new Lab(50, 1, 2)),
            ListField f => c.Set(f, Array.Empty<string>()),
            TextField f => c.Set(f, "x"),
            _ => throw new ArgumentOutOfRangeException(nameof(field)),
        };
}
