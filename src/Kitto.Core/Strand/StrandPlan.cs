using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>The spine of a prescription: every stretch of every zone with what is done to it, and the formulas that are. Amount, clock, mix, forecast, guide and drawing read it; none of them decides again which hair a formula goes on.</summary>
/// <param name="Formulas">The formulas, the roots' first.</param>
/// <param name="Rows">Zone by zone, from the scalp outwards.</param>
/// <param name="Diluted">Whether a pulled-through mix is stirred with conditioner first.</param>
internal sealed record StrandPlan(IReadOnlyList<FormulaPlan> Formulas, IReadOnlyList<StrandRow> Rows, bool Diluted)
{
    /// <summary>The rows of a formula.</summary>
    public IEnumerable<StrandRow> Of(int formula) => Rows.Where(r => r.Formula == formula);

    /// <summary>The zones that a formula is put on.</summary>
    public IReadOnlyList<Zone> ZonesOf(int formula) => [.. Of(formula).Select(r => r.Zone).Distinct()];

    /// <summary>Zones whose grown hair is painted before the scalp stretch of any (TM6).</summary>
    public IReadOnlySet<Zone> InTwo => Rows.Where(r => r.Turn == Turn.Scalp).Select(r => r.Zone).ToHashSet();

    /// <summary>Whether the root mix is pulled through the lengths.</summary>
    public bool Pulled => Rows.Any(r => r.Does == Does.PullThrough);

    /// <summary>What the lengths shall become; null where they are left.</summary>
    public Wish? LengthsWish =>
        Rows.FirstOrDefault(r => r is { OnLengths: true, Formula: not null, Does: Does.Tone or Does.PullThrough }) is { Formula: { } at }
            ? Formulas[at].Wish
            : null;

    /// <summary>Decides for a whole head.</summary>
    public static StrandPlan Of(Case c, Wish roots, Line line, Shelf shelf, ICollection<Reason> why)
    {
        if (c.Goal.Service == Service.Gloss)
        {
            return GlossPlan.Of(c, roots, line, shelf, why);
        }

        var formulas = new List<FormulaPlan>();
        var lead = c.Reading.Included.Select(z => z.Zone).FirstOrDefault();
        var rootState = HairState.Of(c.Reading, lead, Stretch.Scalp);
        bool shadow = c.Goal.Service == Service.RootShadow;
        formulas.Add(FormulaPlan.Of(c, shadow ? FormulaUse.Shadow : FormulaUse.Roots, line, roots, rootState, shelf, why));
        if (c.Goal.How == How.TwoSteps && shelf.Ready(LineKind.Demi, c.House) is { } demi)
        {
            why.Add(new TwoStepsInOne(demi.Name));
            formulas.Add(FormulaPlan.Of(c, FormulaUse.Second, demi, roots, rootState, shelf, why));
        }

        var lengths = LengthsPlan.Of(c, roots, why);
        int? own = null,
            ownBand = null;
        if (lengths is { Does: Does.Tone, Wish.Clear: true } && !shelf.ForLengths(c.Goal.Service, line, c.House).InStock.Any(s => s.Code == ShadeOf.Clear))
        {
            why.Add(new NoClearInStock());
            lengths = new LengthsPlan(Does.Shield, null);
        }

        if (lengths is { Does: Does.Tone, Wish: { } wish })
        {
            own = formulas.Count;
            formulas.Add(
                FormulaPlan.Of(
                    c,
                    FormulaUse.Lengths,
                    shelf.ForLengths(c.Goal.Service, line, c.House),
                    wish,
                    HairState.Of(c.Reading, lead, Stretch.Lengths),
                    shelf,
                    why
                ) with
                {
                    Asked = c.Goal.Lengths is not null || c.Goal.Service == Service.RootAndRefresh,
                }
            );
        }

        if (c.Reading.Hair.Band is { } band)
        {
            ownBand = Bands.Own(c, band, lengths, own, formulas, line, shelf, why);
            Bands.Say(c, lengths, own is not null, ownBand, why);
        }

        if (c.Formula is { } given && formulas.All(m => m.Use != given.Use))
        {
            why.Add(new FormulaUnused(given.Use));
        }

        return new StrandPlan(formulas, [.. Zones.All.SelectMany(z => new ZoneRows(c, z.Zone, formulas, lengths, own, ownBand).All())], lengths.Diluted);
    }

    /// <summary>Whether a zone's regrowth is painted in two turns.</summary>
    internal static bool Twice(Service service, Line line, double regrowthMm) =>
        regrowthMm
        > (
            service is Service.BaseLift or Service.Lighten ? Values.LiftInTwoMm
            : line.IsPermanent ? Values.AllOverMm
            : double.MaxValue
        );

    /// <summary>The rows with the times of the clock: each formula by its own first stroke.</summary>
    /// <param name="main">The clock of the first formula.</param>
    /// <param name="later">The clock of each later formula, by its number.</param>
    public StrandPlan Timed(Schedule main, IReadOnlyDictionary<int, Schedule> later) =>
        this with
        {
            Rows = [.. Rows.Select(r => r.Formula is not { } at ? r : StrandClock.Times(r, at == 0 ? main : later[at], Formulas[at]))],
        };
}
