using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The whole way through, from a case document to a prescription, medians on one thread. A file of several cases, one a line, is taken case by case.</summary>
public static class CaseSpeed
{
    public static int Run(TextWriter to, IReadOnlyList<string> files)
    {
        var shelf = ColourSpeed.Shelf;
        string[] paths = files.Count > 0 ? [.. files] : [Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")];
        var cases = paths
            .SelectMany(p =>
                p.EndsWith(".jsonl", StringComparison.Ordinal)
                    ? File.ReadLines(p)
                        .Where(l => l.Length > 0)
                        .Select((l, i) => (Name: $"{Path.GetFileNameWithoutExtension(p)} {i + 1}", Case: Read(l, shelf)))
                    : [(Name: Path.GetFileNameWithoutExtension(p), Case: Read(File.ReadAllText(p), shelf))]
            )
            .ToList();
        to.WriteLine("| case | ms | mix |");
        to.WriteLine("|---|---|---|");
        foreach (var (name, read) in cases)
        {
            var answer = Prescriber.Prescribe(read, shelf);
            double ms = ColourSpeed.Median(() => Prescriber.Prescribe(read, shelf));
            to.WriteLine(
                $"| {name} | {ms:0.0} | {string.Join("; ", answer.Formulas.Select(f => string.Join(" + ", f.Parts.Select(x => $"{x.Shade} {x.Share}"))))} |"
            );
        }

        return 0;
    }

    private static Case Read(string text, Shelf shelf)
    {
        var (read, errors) = CaseReader.Read(text, shelf);
        return read ?? throw new InvalidDataException(string.Join("; ", errors.Select(e => $"{e.Path} {e.Says}")));
    }
}
