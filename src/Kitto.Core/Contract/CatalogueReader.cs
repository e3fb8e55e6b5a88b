using System.Text.Json;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Contract;

/// <summary>Reads line/1 documents: the open files of the catalogue, one a line.</summary>
public static class CatalogueReader
{
    /// <summary>Reads all lines.</summary>
    /// <param name="documents">Name of each file and its text.</param>
    /// <exception cref="FormatException">A file is wrong; the message names the file, the field and the range.</exception>
    public static Shelf Read(IEnumerable<(string Name, string Json)> documents) =>
        ReadAll(documents) switch
        {
            { Errors: [] } read => read.Shelf,
            var read => throw new FormatException(string.Join("; ", read.Errors.Select(e => $"{e.Path} {e.Says} ({e.Range})"))),
        };

    /// <summary>Reads all lines that can be read, and lists every complaint about the others, each beginning with the name of its file.</summary>
    public static (Shelf Shelf, IReadOnlyList<FieldError> Errors) ReadAll(IEnumerable<(string Name, string Json)> documents)
    {
        var (lines, errors) = (new List<Line>(), new List<FieldError>());
        foreach (var (name, json) in documents.OrderBy(d => d.Name, StringComparer.Ordinal))
        {
            var (line, wrong) = ReadLine(json);
            errors.AddRange(wrong.Select(e => e with { Path = $"{name}: {e.Path}" }));
            if (line is not null && lines.Any(l => l.Id == line.Id))
            {
                errors.Add(new FieldError($"{name}: id", $"is \"{line.Id}\", which another file has already", "each line once"));
            }
            else if (line is not null)
            {
                lines.Add(line);
            }
        }

        return (new Shelf(lines), errors);
    }

    /// <summary>Reads one line; on any complaint the line is null and every complaint is listed.</summary>
    public static (Line? Line, IReadOnlyList<FieldError> Errors) ReadLine(string json) =>
        ObjectReader.Document(json, "{ \"kitto\": \"line/1\", ... }", r => Line(r, check: true));

    /// <summary>The shelf as it was kept with something signed: a list of line/1 documents, taken as they were.</summary>
    public static Shelf Kept(string json)
    {
        using var documents = JsonDocument.Parse(json);
        return new([
            .. documents
                .RootElement.EnumerateArray()
                .Select(d => ObjectReader.Document(d.GetRawText(), "line/1", r => Line(r, check: false)).Found)
                .OfType<Line>(),
        ]);
    }

    /// <summary>A shelf as one document, for keeping it with what is signed.</summary>
    public static string Keep(Shelf shelf) => $"[{string.Join(",", shelf.Lines.OrderBy(l => l.Id, StringComparer.Ordinal).Select(Write))}]";

    /// <summary>Writes one line as a line/1 document that reads back to the same.</summary>
    public static string Write(Line line) =>
        JsonSerializer.Serialize(
            new
            {
                kitto = "line/1",
                id = line.Id,
                name = line.Name,
                kind = line.Kind,
                thickness = line.Thickness,
                developerPerColour = line.DeveloperPerColour,
                lengthsDeveloperPerColour = line.LengthsDeveloperPerColour,
                developers = line.Developers.Select(d => new { volume = d.Volume, chairOnly = d.ChairOnly }),
                processMinutes = line.Process,
                processMin = line.ProcessMin,
                processMax = line.ProcessMax,
                workingLifeMinutes = line.WorkingLife,
                longestContactMinutes = line.LongestContact,
                tubeGrams = line.Tube,
                skinTestMonths = line.SkinTestMonths,
                shades = line.Shades.Select(s => s.Code),
                outOfStock = line.Out,
            },
            Json.Indented
        );

    private static Line Line(ObjectReader r, bool check)
    {
        if (r.Text("kitto") != "line/1")
        {
            r.Fail("kitto", "is not line/1", "\"line/1\"");
        }

        double Minutes(string field) => r.Require(field, r.Number(field, 0, 120), "0 to 120");
        var shades = (r.List("shades", 500) ?? [])
            .Select(s => s.ValueKind == JsonValueKind.String ? s.GetString()! : "")
            .Select(
                (code, i) =>
                {
                    var shade = ShadeOf.Parse(code);
                    if (shade is null)
                    {
                        r.Fail($"shades[{i}]", $"is \"{code}\", which is not a shade code", "a level and a family such as 6N, or 0R, 0G, 0B, 0V, 00, LT");
                    }

                    return shade;
                }
            )
            .OfType<ShadeOf>()
            .ToList();
        string[] gone = [.. (r.List("outOfStock", 500) ?? []).Select(s => s.ValueKind == JsonValueKind.String ? s.GetString()! : "")];
        foreach (string code in gone.Where(code => shades.All(s => s.Code != code)))
        {
            r.Fail("outOfStock", $"names \"{code}\", which the line does not have", "codes of its shades");
        }

        var developers = new List<Stocked>();
        foreach (var d in r.Objects("developers", 10))
        {
            developers.Add(new Stocked(Volume.Of(d.Require("volume", d.Number("volume", 1, 40), "1 to 40")), d.Flag("chairOnly") ?? false));
            d.Done();
        }

        var line = new Line(
            r.Text("id") ?? "",
            r.Text("name") ?? "",
            r.Require("kind", r.OneOf<LineKind>("kind"), "permanent, highLift, demi, gloss, lightener"),
            r.Require("thickness", r.OneOf<Thickness>("thickness"), "cream, gel, liquid"),
            r.Require("developerPerColour", r.Number("developerPerColour", .5, 3), "0.5 to 3"),
            r.Number("lengthsDeveloperPerColour", .5, 3),
            developers,
            Core.Minutes.Of(Minutes("processMinutes")),
            Core.Minutes.Of(Minutes("processMin")),
            Core.Minutes.Of(Minutes("processMax")),
            Core.Minutes.Of(Minutes("workingLifeMinutes")),
            Core.Minutes.Of(Minutes("longestContactMinutes")),
            Grams.Of(r.Require("tubeGrams", r.Number("tubeGrams", 1, 2000), "1 to 2000")),
            shades,
            gone
        )
        {
            SkinTestMonths = r.Whole("skinTestMonths", 0, Values.SkinTestMostMonths) ?? 0,
        };
        r.Done();
        if (check && r.Errors.Count == 0)
        {
            foreach (var wrong in LineCheck.Of(line))
            {
                r.Fail(wrong.Path, wrong.Says, wrong.Range);
            }
        }

        return line;
    }
}
