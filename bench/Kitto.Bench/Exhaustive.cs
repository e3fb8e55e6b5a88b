using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Bench;

/// <summary>The plain search: every mix of the grid forecast in full through the public model, and the rules of the trade applied to the list afterwards. Slow; what the search is held against.</summary>
public static class Exhaustive
{
    private sealed record Seen(MixPart[] Parts, double DeltaE, Breach Breach, double Outside, double Away, string Codes)
    {
        public double Earns { get; init; }
    }

    /// <summary>The mix to propose (SH16 to SH22); null where there is none; and how many were looked at.</summary>
    public static (Found? Best, int LookedAt) Best(ApplicationTarget canvas, MixRules rules, IReadOnlyList<MixPart>? last = null)
    {
        var shades = rules.Near(canvas.Line).ToList();
        var all = new List<Seen>();
        for (int parts = 1; parts <= 3; parts++)
        {
            Each([], 0, parts);
        }

        // The best of each number of parts: least broken, then within half a dE00 the level, then hers, then the nearer.
        Seen? Of(int parts)
        {
            var some = all.Where(s => s.Parts.Length == parts).ToList();
            if (some.Count == 0)
            {
                return null;
            }

            var least = some.Min(s => (s.Breach, s.Outside));
            var alike = some.Where(s => (s.Breach, s.Outside) == least).ToList();
            double to = alike.Min(s => s.DeltaE) + Values.AlikeDeltaE;
            Seen First(IReadOnlyList<MixPart>? had) =>
                alike
                    .Where(s => s.DeltaE <= to)
                    .OrderBy(s => s.Away)
                    .ThenBy(s => had is null || !Same(s.Parts, had))
                    .ThenBy(s => s.DeltaE)
                    .ThenBy(s => s.Codes, StringComparer.Ordinal)
                    .First();
            // Whether its parts earn their place is told by what would be taken without a mix of last time.
            return First(last) with { Earns = First(null).DeltaE };
        }

        // Each part more has to bring it nearer by more than 1.5, or break less.
        Seen? best = null;
        for (int parts = 1; parts <= 3; parts++)
        {
            if (
                Of(parts) is { } more
                && (
                    best is null
                    || more.Breach < best.Breach
                    || (more.Breach == best.Breach && best.Earns - more.Earns > Values.PartEarnsDeltaE * (more.Parts.Length - best.Parts.Length))
                )
            )
            {
                best = more;
            }
        }

        return (best is null ? null : new Found([.. best.Parts.OrderByDescending(p => p.Share.Value)], best.DeltaE, best.Breach), all.Count);

        void Each(ShadeOf[] of, int from, int parts)
        {
            if (of.Length == parts)
            {
                foreach (double[] shares in MixGrid.Shares(parts))
                {
                    Look([.. of.Select((s, i) => new MixPart(s.Code, Share.Of(shares[i])))]);
                }

                return;
            }

            for (int i = from; i < shades.Count; i++)
            {
                Each([.. of, shades[i]], i + 1, parts);
            }
        }

        void Look(MixPart[] parts)
        {
            var breach = rules.Of(parts, canvas.Line);
            if (breach >= Breach.Concentrate)
            {
                return;
            }

            var seen = canvas.Look(new Mixture(canvas.Line, canvas.Developer, parts));
            var deep = parts.Select(p => (ShadeOf.Parse(p.Shade)!.Level, p.Share.Value)).Where(p => p.Level > 0).ToList();
            double mean = deep.Sum(p => p.Level * p.Value) / deep.Sum(p => p.Value);
            bool free = rules.Each is null;
            all.Add(
                new Seen(
                    parts,
                    seen.DeltaE,
                    breach | rules.Of(canvas, seen),
                    free ? 0 : Math.Round(rules.Off(mean), 6),
                    free ? 0 : Math.Round(Math.Abs(mean - rules.Wish.Level.Value), 6),
                    string.Join(' ', parts.OrderBy(p => ShadeOf.Parse(p.Shade)!.Concentrate).ThenBy(p => p.Shade, StringComparer.Ordinal).Select(p => p.Shade))
                )
            );
        }
    }

    private static bool Same(MixPart[] one, IReadOnlyList<MixPart> two) =>
        one.Length == two.Count && one.All(p => two.Any(q => q.Shade == p.Shade && Math.Abs(q.Share.Value - p.Share.Value) < .005));
}
