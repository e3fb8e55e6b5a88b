using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The whole way through, from a case document to a prescription, medians on one thread: alone, and beginning at the answer before.</summary>
public static class CaseSpeed
{
    public static int Run(TextWriter to, IReadOnlyList<string> files)
    {
        var shelf = ColourSpeed.Shelf;
        string[] paths = files.Count > 0 ? [.. files] : [Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")];
        var cases = paths.Select(p => (Name: Path.GetFileNameWithoutExtension(p), Case: Read(File.ReadAllText(p), shelf))).ToList();
        to.WriteLine("| case | ms alone | ms from the answer before | mix |");
        to.WriteLine("|---|---|---|---|");
        foreach (var (name, read) in cases)
        {
            // One fact is moved, as a colourist moves it, and the answer before is at hand.
            var answer = Prescriber.Prescribe(read, shelf);
            var moved = read with { Reading = read.Reading with { Zones = [.. read.Reading.Zones.Select((z, i) => i == (int)Zone.Crown ? z with { Grey = Share.Of(Math.Abs(z.Grey.Value - .05)) } : z)] } };
            double alone = ColourSpeed.Median(() => Prescriber.Prescribe(moved, shelf)), near = ColourSpeed.Median(() => Prescriber.Prescribe(moved, shelf, answer));
            to.WriteLine($"| {name} | {alone:0.0} | {near:0.0} | {string.Join("; ", answer.Formulas.Select(f => string.Join(" + ", f.Parts.Select(x => $"{x.Shade} {x.Share}"))))} |");
        }

        return 0;
    }

    private static Case Read(string text, Shelf shelf)
    {
        var (read, errors) = CaseReader.Read(text, shelf);
        return read ?? throw new InvalidDataException(string.Join("; ", errors.Select(e => $"{e.Path} {e.Says}")));
    }
}
