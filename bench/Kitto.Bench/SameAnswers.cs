using System.Text.Json;
using Kitto.Bench.Fuzz;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Wording;

namespace Kitto.Bench;

/// <summary>
/// Holds the answers to 2 000 generated cases against answers kept before a change, byte by byte. A change that means to keep what the engine says shows here that it does.
/// </summary>
public static class SameAnswers
{
    private const int Seed = 20_270_415,
        Anything = 1_300,
        Ordinary = 500,
        Wrong = 200,
        Shown = 5;

    /// <summary>Cases that are legal in every field over its whole range, ordinary heads spread over their grid, and documents with something wrong in them.</summary>
    public static IEnumerable<string> Cases()
    {
        var shelf = ColourSpeed.Shelf;
        string[] lines = [.. shelf.Lines.Select(l => l.Id)],
            shades = [.. shelf.Lines.SelectMany(l => l.Shades).Select(s => s.Code).Distinct()];
        var make = new Mutated(Seed);
        for (int i = 0; i < Anything; i++)
        {
            yield return make.Legal(lines, shades).ToJsonString(Json.Options);
        }

        var heads = Signable.Heads().Select(h => h.Case).ToList();
        for (int i = 0; i < Ordinary; i++)
        {
            yield return heads[i * heads.Count / Ordinary];
        }

        for (int i = 0; i < Wrong; i++)
        {
            yield return make.Broken(make.Legal(lines, shades));
        }
    }

    /// <summary>--keep FILE writes the answers, one a line; --against FILE compares with them.</summary>
    /// <returns>0 where all are the same, 1 where one is not, 2 where it was not said what to do.</returns>
    public static int Run(TextWriter output, string[] args)
    {
        if (args is not [("--keep" or "--against") and var what, var file])
        {
            output.WriteLine("same wants --keep FILE, or --against FILE");
            return 2;
        }

        var cases = Cases().ToList();
        var answers = cases.AsParallel().AsOrdered().Select(Answer).ToList();
        output.WriteLine($"{answers.Count} cases: {string.Join(", ", answers.GroupBy(a => a.Kind).OrderBy(g => g.Key).Select(g => $"{g.Count()} {g.Key}"))}");
        if (what == "--keep")
        {
            File.WriteAllLines(file, answers.Select(a => a.Document));
            return 0;
        }

        string[] before = File.ReadAllLines(file);
        var other = Enumerable
            .Range(0, Math.Max(before.Length, answers.Count))
            .Where(i => i >= before.Length || i >= answers.Count || before[i] != answers[i].Document)
            .ToList();
        output.WriteLine($"{other.Count} answers are other than before");
        foreach (int i in other.Where(i => i < before.Length && i < answers.Count).Take(Shown))
        {
            var (was, now) = (before[i], answers[i].Document);
            int at = Math.Max(0, was.Zip(now).TakeWhile(x => x.First == x.Second).Count() - 60);
            string Around(string text) => text[Math.Min(at, text.Length)..Math.Min(at + 160, text.Length)];
            output.WriteLine($"line {i + 1}: {cases[i]}\n  before ...{Around(was)}\n  now    ...{Around(now)}");
        }

        return other.Count == 0 ? 0 : 1;
    }

    /// <summary>The answer to a case and, where it is a kit, the client's guide after it.</summary>
    private static (AnswerKind Kind, string Document) Answer(string text)
    {
        var (kind, document) = Documents.Answer(text, ColourSpeed.Shelf, indented: false);
        return kind == AnswerKind.Prescription && CaseReader.Read(text, ColourSpeed.Shelf).Case is { } c
            ? (
                kind,
                $"{document} {JsonSerializer.Serialize(Guide.For(c, Prescriber.Prescribe(c, ColourSpeed.Shelf), ColourSpeed.Shelf, Language.English), Json.Options)}"
            )
            : (kind, document);
    }
}
