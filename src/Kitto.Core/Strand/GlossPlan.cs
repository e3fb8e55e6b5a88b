using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>A gloss aims at what is off, not at what is right already (SV17).</summary>
internal static class GlossPlan
{
    /// <summary>Decides for a whole head.</summary>
    public static StrandPlan Of(Case c, Wish wish, Line line, Shelf shelf, ICollection<Reason> why)
    {
        var zone = c.Reading.Included.Select(z => z.Zone).FirstOrDefault();
        HairState At(Stretch stretch) => HairState.Of(c.Reading, zone, stretch);
        // What is off, the lengths before the others: they are most of the hair.
        var there = new List<Stretch> { Stretch.Lengths };
        if (c.Reading.Hair.Band is not null)
        {
            there.Add(Stretch.Band);
        }

        if (c.Reading.Hair.Roots is not null)
        {
            there.Add(Stretch.Scalp);
        }

        var off = there.Where(s => At(s).Off(wish)).ToList();
        var formulas = new List<FormulaPlan>();
        FormulaPlan Make(FormulaUse use, Stretch stretch, Wish of) =>
            FormulaPlan.Of(c, use, line, of, At(stretch), shelf, why) with
            {
                Quick = c.Goal.How == How.QuickTone,
            };
        var takes = new Dictionary<Stretch, int>();
        if (off.Count == 0)
        {
            why.Add(new NothingOff(wish.Level, wish.Tone));
            formulas.Add(Make(FormulaUse.Lengths, Stretch.Lengths, wish with { Clear = true }));
        }
        else
        {
            foreach (var stretch in off)
            {
                var reach = Bands.Reach(At(stretch), wish);
                int at = formulas.FindIndex(f =>
                    f.Wish == reach && OneServes(c, f, At(stretch), takes.Where(t => t.Value == formulas.IndexOf(f)).Select(t => At(t.Key)))
                );
                if (at < 0)
                {
                    at = formulas.Count;
                    formulas.Add(
                        Make(
                            formulas.Count == 0 ? FormulaUse.Lengths : FormulaUse.Band,
                            stretch,
                            formulas.Count == 0 && stretch == Stretch.Lengths ? wish : reach
                        )
                    );
                }

                takes[stretch] = at;
            }

            Say(off, takes, formulas, wish, why);
        }

        if (c.Formula is { } given && formulas.All(m => m.Use != given.Use))
        {
            why.Add(new FormulaUnused(given.Use));
        }

        return new StrandPlan(formulas, [.. Zones.All.SelectMany(z => Rows(c, z.Zone, off, takes))], Diluted: false);
    }

    private static IEnumerable<StrandRow> Rows(Case c, Zone zone, List<Stretch> off, Dictionary<Stretch, int> takes)
    {
        var read = c.Reading.Zones[(int)zone];
        double line = read.Regrowth.Value,
            ends = Math.Max(c.Reading.Hair.LengthCm * 10, line),
            band = Math.Min(ends, line + (c.Reading.Hair.Band?.Length.Value ?? 0));
        double to = Math.Max(band, ends - Values.EndsMm),
            warm = Math.Min(line, Values.ScalpStretchMm);
        foreach (
            var (stretch, from, until) in new[]
            {
                (Stretch.Scalp, 0, warm),
                (Stretch.Grown, warm, line),
                (Stretch.Band, line, band),
                (Stretch.Lengths, band, to),
                (Stretch.Ends, to, ends),
            }
        )
        {
            // Hair without lengths still has ends, of no length.
            if (until <= from + 1e-9 && !(stretch == Stretch.Ends && band >= ends - 1e-9))
            {
                continue;
            }

            var kind = stretch switch
            {
                Stretch.Grown => Stretch.Scalp,
                Stretch.Ends => Stretch.Lengths,
                var s => s,
            };
            bool left = !read.Include || (kind == Stretch.Scalp && c.Reading.Hair.Roots is null);
            // What is right gets the last minutes of it, combed through; where nothing is off, all get it alike.
            var (formula, turn) = takes.TryGetValue(kind, out int own) ? (own, Turn.First) : (0, off.Count == 0 ? Turn.First : Turn.Last);
            yield return new StrandRow(from, until, stretch, left ? Does.Leave : Does.Tone, left ? null : formula)
            {
                Zone = zone,
                Turn = left ? Turn.First : turn,
            };
        }
    }

    /// <summary>Whether the best mix for stretches together does for each what its own would do, within what is not seen.</summary>
    private static bool OneServes(Case c, FormulaPlan formula, HairState other, IEnumerable<HairState> served)
    {
        if (formula.Given is not null)
        {
            return true;
        }

        var states = served.Append(other).ToList();
        var rules = MixRules.For(formula, Share.Of(0), states, 0);
        ApplicationTarget On(IReadOnlyList<HairState> some) => ApplicationTarget.OfStates(some, c.Reading, formula);
        var joint = MixSearch.Best(On(states), rules).Best;
        return joint is not null
            && states
                .Select(
                    (s, i) =>
                        (
                            Own: MixSearch.Best(On([s]), rules).Best,
                            Together: Difference2000.Between(
                                On([s]).Look(new Mixture(formula.Line, formula.Developer, joint.Parts)).Seen[0].Blend,
                                formula.Wish.Target
                            )
                        )
                )
                .All(x => x.Own is null || x.Together <= x.Own.DeltaE + Values.OneMixServesDeltaE);
    }

    private static void Say(List<Stretch> off, Dictionary<Stretch, int> takes, List<FormulaPlan> formulas, Wish wish, ICollection<Reason> why)
    {
        if (formulas.Count > 1)
        {
            why.Add(
                new NotOneMix([.. takes.GroupBy(t => t.Value).Select(g => ((IReadOnlyList<Stretch>)[.. g.Select(t => t.Key)], formulas[g.Key].Wish.Level))])
            );
        }

        if (!off.Contains(Stretch.Lengths))
        {
            why.Add(new GlossForWhatIsOff(off));
        }
        else if (formulas.Count == 1 && off.Count > 1)
        {
            why.Add(new GlossFirstWhereFurthest([.. off.Skip(1)], wish.Level, wish.Tone));
        }
    }
}
