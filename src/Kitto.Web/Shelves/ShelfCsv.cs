using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Kitto.Core.Shade;

namespace Kitto.Web.Shelves;

/// <summary>Shades and their stock as CSV: a row a shade.</summary>
public static class ShelfCsv
{
    private static readonly string[] Columns = ["line", "shade", "level", "family", "inStock"];

    private static CsvConfiguration Settings =>
        new(CultureInfo.InvariantCulture)
        {
            TrimOptions = TrimOptions.Trim,
            BadDataFound = null,
            MissingFieldFound = null,
            DetectDelimiter = true,
        };

    /// <summary>A complaint about a row.</summary>
    /// <param name="Row">Its number in the file; the heading is row 1.</param>
    /// <param name="Says">Which field, what is wrong with it, and what is allowed.</param>
    public sealed record RowError(int Row, string Says);

    /// <summary>All shades of a shelf.</summary>
    public static string Write(Shelf shelf)
    {
        using var text = new StringWriter();
        using var csv = new CsvWriter(text, Settings);
        foreach (string column in Columns)
        {
            csv.WriteField(column);
        }

        csv.NextRecord();
        foreach (var (line, shade) in shelf.Lines.SelectMany(l => l.Shades.Select(s => (l, s))))
        {
            csv.WriteField(line.Id);
            csv.WriteField(shade.Code);
            csv.WriteField(shade.Level);
            csv.WriteField(shade.Family?.ToString() ?? "");
            csv.WriteField(line.Out.Contains(shade.Code) ? "no" : "yes");
            csv.NextRecord();
        }

        csv.Flush();
        return text.ToString();
    }

    /// <summary>Reads shades into the lines of a shelf: new ones join their line, stock is set as the file says, what it does not name stays.</summary>
    /// <returns>The lines that change; none where there is any complaint.</returns>
    public static (IReadOnlyList<Line> Changed, IReadOnlyList<RowError> Errors) Read(string text, Shelf shelf)
    {
        var lines = shelf.Lines.ToDictionary(l => l.Id);
        var changed = new HashSet<string>();
        var seen = new HashSet<(string, string)>();
        var errors = new List<RowError>();
        using var csv = new CsvReader(new StringReader(text), Settings);
        if (!csv.Read() || !csv.ReadHeader() || Columns.Take(2).Append("inStock").Except(csv.HeaderRecord!).Any())
        {
            return ([], [new RowError(1, $"The heading must name the columns {string.Join(", ", Columns)}; level and family may be left out.")]);
        }

        while (csv.Read())
        {
            int row = csv.Parser.RawRow;
            string Field(string name) => csv.TryGetField(name, out string? value) ? value ?? "" : "";
            string code = Field("shade");
            var shade = ShadeOf.Parse(code);
            if (!lines.TryGetValue(Field("line"), out var line))
            {
                errors.Add(new RowError(row, $"line is \"{Field("line")}\", which is not on the shelf. Allowed: {string.Join(", ", lines.Keys)}."));
            }

            if (shade is null)
            {
                errors.Add(
                    new RowError(row, $"shade is \"{code}\", which is not a shade code. Allowed: a level and a family such as 6N, or 0R, 0G, 0B, 0V, 00, LT.")
                );
            }
            else if (Field("level") is { Length: > 0 } level && level != shade.Level.ToString(CultureInfo.InvariantCulture))
            {
                errors.Add(new RowError(row, $"level is {level}, but {code} has level {shade.Level}."));
            }
            else if (Field("family") is { Length: > 0 } family && family != shade.Family?.ToString())
            {
                errors.Add(new RowError(row, $"family is {family}, but {code} is of family {shade.Family?.ToString() ?? "none"}."));
            }

            bool? stock = Field("inStock").ToLowerInvariant() switch
            {
                "yes" or "true" or "1" => true,
                "no" or "false" or "0" => false,
                _ => null,
            };
            if (stock is null)
            {
                errors.Add(new RowError(row, $"inStock is \"{Field("inStock")}\". Allowed: yes, no."));
            }

            if (line is null || shade is null || stock is null)
            {
                continue;
            }

            if (!seen.Add((line.Id, code)))
            {
                errors.Add(new RowError(row, $"{code} of {line.Id} stands in the file twice."));
                continue;
            }

            var now = line with
            {
                Shades = line.Find(code) is null ? [.. line.Shades, shade] : line.Shades,
                Out = stock == true ? [.. line.Out.Where(c => c != code)] : [.. line.Out.Append(code).Distinct()],
            };
            if (now.Shades.Count != line.Shades.Count || now.Out.Count != line.Out.Count)
            {
                changed.Add(line.Id);
            }

            lines[line.Id] = now;
        }

        return errors.Count > 0 ? ([], errors) : ([.. changed.Select(id => lines[id])], []);
    }
}
