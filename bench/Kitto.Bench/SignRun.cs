using Kitto.Core;
using Kitto.Core.Contract;

namespace Kitto.Bench;

/// <summary>Counts what a colourist would not sign over the grid of ordinary heads.</summary>
public static class SignRun
{
    /// <summary>At most so many of a hundred may break a rule, each because the shelf has nothing better and saying so.</summary>
    private const double Most = 2;

    public static int Run(TextWriter to, bool list)
    {
        var shelf = ColourSpeed.Shelf;
        int heads = 0,
            bad = 0,
            unsaid = 0,
            spoiled = 0,
            confirm = 0;
        var rules = new Dictionary<string, int>();
        foreach (var (says, text) in Signable.Heads())
        {
            var c = CaseReader.Read(text, shelf).Case ?? throw new InvalidDataException(text);
            var p = Prescriber.Prescribe(c, shelf);
            if (p.Decision == Decision.Stop)
            {
                continue;
            }

            heads++;
            confirm += p.Confirm.Count > 0 ? 1 : 0;
            var broken = Signable.Broken(c, p, shelf);
            bad += broken.Count > 0 ? 1 : 0;
            spoiled += broken.Contains("SV14") ? 1 : 0;
            foreach (string rule in broken)
            {
                rules[rule] = rules.GetValueOrDefault(rule) + 1;
                unsaid += p.Because.Any(b => b.About == Topic.Attention && b.Rule == rule) ? 0 : 1;
            }

            if (list && broken.Count > 0)
            {
                to.WriteLine(
                    $"{says}: {string.Join(" ", broken)}: {string.Join("; ", p.Formulas.Select(f => $"{f.Use} {string.Join(" + ", f.Parts.Select(x => $"{x.Shade} {x.Share}"))} @{f.Developer.Volume}"))}"
                );
            }
        }

        to.WriteLine(
            $"{heads} heads; {bad} proposals break a rule ({100.0 * bad / heads:0.00} of 100, at most {Most} wanted): {string.Join(", ", rules.OrderBy(r => r.Key).Select(r => $"{r.Key} {r.Value}"))}"
        );
        to.WriteLine(
            $"breaches that are not said: {unsaid}; lengths spoiled (SV14): {spoiled}; proposals that ask for a yes because they come out far from the wish: {confirm}"
        );
        return 100.0 * bad / heads <= Most && unsaid == 0 && spoiled == 0 ? 0 : 1;
    }
}
