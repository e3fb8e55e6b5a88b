using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Bench.Fuzz;

/// <summary>What came of a run of bad and good input: counts, and every fault with the input that made it.</summary>
public sealed class Judged
{
    /// <summary>How many answers were looked at.</summary>
    public int Looked { get; private set; }

    /// <summary>Kits among them.</summary>
    public int Kits { get; private set; }

    /// <summary>Salon sheets and stops among them.</summary>
    public int NotAtHome { get; private set; }

    /// <summary>Refusals with a named field.</summary>
    public int Refused { get; private set; }

    /// <summary>What is wrong; the first few with their input.</summary>
    public List<string> Faults { get; } = [];

    /// <summary>Looks at one answer of the engine: well formed, a refusal that names a field, or a prescription that may be what it says it is.</summary>
    /// <param name="input">What was asked.</param>
    /// <param name="document">What came back.</param>
    public void Look(string input, string document)
    {
        Looked++;
        try
        {
            using var answer = JsonDocument.Parse(document);
            var root = answer.RootElement;
            if (root.TryGetProperty("error", out var error))
            {
                Refused++;
                var fields = error.GetProperty("fields");
                if (
                    fields.GetArrayLength() == 0
                    || fields
                        .EnumerateArray()
                        .Any(f =>
                            f.GetProperty("path").GetString() is ""
                            || f.GetProperty("says").GetString()!.Contains("a fault of Kitto's", StringComparison.Ordinal)
                        )
                )
                {
                    Fault("a fault, or a refusal without a field", input, document);
                }

                return;
            }

            string decision = root.GetProperty("decision").GetString()!;
            (Kits, NotAtHome) = decision == "kit" ? (Kits + 1, NotAtHome) : (Kits, NotAtHome + 1);
            if (document.Contains("NaN", StringComparison.Ordinal) || document.Contains("Infinity", StringComparison.Ordinal))
            {
                Fault("not a number", input, document);
            }

            if (decision != "kit")
            {
                return;
            }

            foreach (var formula in root.GetProperty("formulas").EnumerateArray())
            {
                var developer = formula.GetProperty("developer");
                double strongest = Math.Max(
                    developer.GetProperty("volume").GetDouble(),
                    developer.GetProperty("blend").EnumerateArray().Select(b => b.GetProperty("volume").GetDouble()).DefaultIfEmpty(0).Max()
                );
                if (strongest > Values.KitLimitVolume)
                {
                    Fault($"{strongest} vol in a kit", input, document);
                }

                if (formula.GetProperty("parts").EnumerateArray().Any(p => p.GetProperty("shade").GetString() == ShadeOf.Lightener))
                {
                    Fault("lightener in a kit", input, document);
                }

                if (formula.GetProperty("mixGrams").GetDouble() is <= 0 or > 10_000)
                {
                    Fault("no amount anybody can send", input, document);
                }
            }

            if (root.GetProperty("formulas").GetArrayLength() == 0)
            {
                Fault("a kit with nothing in it", input, document);
            }
        }
        catch (Exception odd) when (odd is JsonException or KeyNotFoundException or InvalidOperationException)
        {
            Fault($"no document: {odd.Message}", input, document);
        }
    }

    /// <summary>Counts something that was looked at elsewhere.</summary>
    public void Seen() => Looked++;

    /// <summary>Notes a fault.</summary>
    public void Fault(string what, string input, string answer) => Faults.Add($"{what}\n   of {Short(input, 1500)}\n   -> {Short(answer, 300)}");

    /// <summary>In one line.</summary>
    public override string ToString() =>
        $"{Looked} looked at: {Kits} kits, {NotAtHome} for the chair or stopped, {Refused} refused by name; {Faults.Count} faults";

    private static string Short(string text, int most) => text.Length > most ? text[..most] + "..." : text;

    /// <summary>Mutated and legal cases on a shelf: two thirds broken, a third legal.</summary>
    public static IEnumerable<string> Cases(int seed, int count, Shelf shelf)
    {
        var made = new Mutated(seed);
        string[] lines = [.. shelf.Lines.Select(l => l.Id)],
            shades = [.. shelf.Lines.SelectMany(l => l.Shades).Select(s => s.Code).Distinct()];
        for (int i = 0; i < count; i++)
        {
            var legal = made.Legal(lines, shades);
            yield return i % 3 == 0 ? legal.ToJsonString(Json.Options) : made.Broken(legal);
        }
    }

    /// <summary>Random lines, each on a shelf of one to three, each asked for three legal cases.</summary>
    public static Judged Lines(int seed, int count)
    {
        var (made, judged) = (new Mutated(seed), new Judged());
        for (int i = 0; i < count; i++)
        {
            var files = Enumerable.Range(0, 1 + made.Below(3)).Select(n => ($"{n}.json", made.AnyLine("line-" + n).ToJsonString(Json.Options))).ToList();
            var (shelf, errors) = CatalogueReader.ReadAll(files);
            if (shelf.Lines.Count == 0)
            {
                judged.Look(files[0].Item2, Json.WriteErrors(errors));
                continue;
            }

            string[] shades = [.. shelf.Lines.SelectMany(l => l.Shades).Select(s => s.Code).Distinct()];
            for (int n = 0; n < 3; n++)
            {
                string asked = made.Legal([.. shelf.Lines.Select(l => l.Id)], shades).ToJsonString(Json.Options);
                judged.Look(asked + "\n   on " + string.Join(" ", files.Select(f => f.Item2)), Documents.Answer(asked, shelf, false).Document);
            }
        }

        return judged;
    }

    /// <summary>Cases on a shelf, in this process.</summary>
    public static Judged InProcess(int seed, int count, Shelf shelf)
    {
        var judged = new Judged();
        foreach (string asked in Cases(seed, count, shelf))
        {
            judged.Look(asked, Documents.Answer(asked, shelf, false).Document);
        }

        return judged;
    }
}
