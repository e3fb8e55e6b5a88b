using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The plain search: every mix of the grid looked at through the public forecast, the best of every set of families kept. Slow; what the fast search is held against.</summary>
public static class Exhaustive
{
    /// <summary>The best ideas, best first, and how many mixes were looked at.</summary>
    public static Ideas Best(Canvas canvas, MixRules rules, IReadOnlyList<MixPart>? right = null, int ideas = 4)
    {
        var shades = rules.Near(canvas.Line).OrderBy(s => s.Code, StringComparer.Ordinal).ToList();
        var plain = shades.Where(s => !s.Concentrate).ToList();
        var best = new Dictionary<string, (Found Found, string Codes)>();
        int lookedAt = 0;
        for (int i = 0; i < plain.Count; i++)
        {
            With([plain[i]]);
            for (int j = i + 1; j < plain.Count; j++)
            {
                With([plain[i], plain[j]]);
                for (int k = j + 1; k < plain.Count; k++)
                {
                    With([plain[i], plain[j], plain[k]]);
                }
            }
        }

        return new Ideas([.. best.Values.OrderBy(b => b.Found.Objective).ThenBy(b => b.Found.Parts.Count).ThenBy(b => b.Codes, StringComparer.Ordinal).Take(ideas).Select(b => b.Found)], null, lookedAt);

        void With(ShadeOf[] of)
        {
            Each(of);
            foreach (var concentrate in shades.Where(s => s.Concentrate))
            {
                Each([.. of, concentrate]);
            }
        }

        void Each(ShadeOf[] of)
        {
            foreach (double[] shares in MixGrid.Shares(of.Length))
            {
                MixPart[] parts = [.. of.Select((s, n) => new MixPart(s.Code, Share.Of(shares[n])))];
                if ((!of[^1].Concentrate || shares[^1] <= MixRules.MostConcentrate) && rules.Allow(MixSums.Of(parts, rules)))
                {
                    Look(of, parts);
                }
            }
        }

        void Look(ShadeOf[] of, MixPart[] parts)
        {
            lookedAt++;
            var seen = canvas.Look(new Mixture(canvas.Line, canvas.Developer, parts));
            bool leaves = right is not null && !(right.Count == parts.Length && right.All(r => parts.Any(p => p.Shade == r.Shade && Math.Abs(p.Share.Value - r.Share.Value) < .005)));
            double cost = seen.DeltaE + Canvas.Contrast * seen.GreyContrast + .4 * (parts.Length - 1) + (leaves ? .6 : 0);
            string families = string.Join(' ', of.Select(s => $"{s.Family}{(s.Concentrate ? "+" : "")}").Distinct().Order(StringComparer.Ordinal));
            string codes = string.Join(' ', of.Select(s => s.Code).Order(StringComparer.Ordinal));
            var found = new Found([.. parts.OrderByDescending(p => p.Share.Value)], seen.DeltaE, seen.GreyContrast, cost);
            if (!best.TryGetValue(families, out var held) || (cost, parts.Length).CompareTo((held.Found.Objective, held.Found.Parts.Count)) is var order
                && (order < 0 || (order == 0 && string.CompareOrdinal(codes, held.Codes) < 0)))
            {
                best[families] = (found, codes);
            }
        }
    }
}
