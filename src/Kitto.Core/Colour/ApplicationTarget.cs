using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Colour;

/// <summary>All that a mix meets on a head, and what is wished there. The mix itself is still open: what lift and time do is settled.</summary>
/// <param name="Line">The line of the mix.</param>
/// <param name="Developer">Its developer.</param>
/// <param name="Spots">The stretches it meets, regrowth before what lies past the line, most seen first.</param>
/// <param name="Target">The wished colour.</param>
/// <param name="Residual">How this client's hair has come out against the forecast so far (OU).</param>
public sealed record ApplicationTarget(Line Line, Volume Developer, IReadOnlyList<Spot> Spots, Lab Target, Lab Residual)
{
    /// <summary>What a formula meets on a head at the times of its rows. Every zone counts by how much of it is seen, its stretches by their length.</summary>
    /// <param name="formula">The formula.</param>
    /// <param name="at">Its number in the plan.</param>
    /// <param name="plan">The strand plan, with its times.</param>
    /// <param name="reading">The reading, regrowth as on the day.</param>
    /// <param name="softened">Whether resistant white is softened first (AP9).</param>
    /// <param name="residual">This client's own.</param>
    /// <param name="before">What an earlier formula made of the same hair; null where this is the first.</param>
    internal static ApplicationTarget Of(
        FormulaPlan formula,
        int at,
        StrandPlan plan,
        Reading reading,
        bool softened,
        Lab residual,
        (ApplicationTarget ApplicationTarget, Mixture Mix)? before = null
    )
    {
        var spots = new List<Spot>();
        var rows = plan.Of(at).ToList();
        double seen = plan.ZonesOf(at).Sum(z => z.SeenWeight()),
            levels = Kinetics.Levels(formula.Line, formula.Developer);
        foreach (var zone in rows.Where(r => r.Regrowth).GroupBy(r => r.Zone))
        {
            double length = zone.Sum(r => r.Centimetres);
            // What is painted in one turn is one spot, lifted by the mean of its stretches; the scalp stretch that comes later is another.
            foreach (var turn in zone.GroupBy(r => r.Turn))
            {
                double part = length > 0 ? turn.Sum(r => r.Centimetres) / length : 1.0 / zone.Count();
                spots.Add(OfRoot([.. turn], zone.Key.SeenWeight() / seen * part, formula, reading, levels, softened, before));
            }
        }

        double tail = formula.Use == FormulaUse.Shadow ? TailShare(rows, reading) : 0;
        if (tail > 0)
        {
            spots = [.. spots.Select(s => s with { Weight = s.Weight * (1 - tail) })];
        }

        // Past the line the zones differ by their minutes alone: one spot a stretch, at the mean of what is seen.
        var past = rows.Where(r => !r.Regrowth && (tail > 0 || r.Does != Does.PullThrough)).GroupBy(r => (r.Stretch, r.Turn)).ToList();
        // A gloss counts where it is aimed at; what it is only combed through counts for nothing but what it may not spoil (SV14).
        var aimed = past.Where(p => p.Key.Turn != Turn.Last).ToList();
        double roots =
            spots.Count == 0 ? 0
            : formula.Use == FormulaUse.Shadow ? 1 - tail
            : aimed.Count == 0 ? 1
            : .5;
        if (formula.Use != FormulaUse.Shadow && roots < 1)
        {
            spots = [.. spots.Select(s => s with { Weight = s.Weight * roots })];
        }

        foreach (var stretch in past)
        {
            double weight = stretch.Key.Turn == Turn.Last ? 0 : (1 - roots) * Part(stretch.Key.Stretch, [.. aimed.Select(p => p.Key.Stretch)]);
            spots.Add(OfPast(stretch.Key.Stretch, [.. stretch], weight, formula, reading, 1));
        }

        return new ApplicationTarget(
            formula.Line,
            formula.Developer,
            [.. spots.OrderByDescending(s => s.Regrowth).ThenByDescending(s => s.Weight)],
            formula.Wish.Target,
            residual
        );
    }

    /// <summary>The hair a pulled-through root mix meets past the line: it is old by then and works half as strongly, with conditioner a quarter (SV9).</summary>
    internal static ApplicationTarget Pulled(FormulaPlan formula, StrandPlan plan, Reading reading, Lab residual)
    {
        var rows = plan.Rows.Where(r => r.Does == Does.PullThrough).GroupBy(r => r.Stretch).ToList();
        return new ApplicationTarget(
            formula.Line,
            formula.Developer,
            [
                .. rows.Select(r =>
                    OfPast(r.Key, [.. r], Part(r.Key, [.. rows.Select(x => x.Key)]), formula, reading, plan.Diluted ? Kinetics.Old / 2 : Kinetics.Old)
                ),
            ],
            formula.Wish.Target,
            residual
        );
    }

    /// <summary>Stretches side by side, all alike in weight, for the line's own time: for a first look at what one mix can do.</summary>
    internal static ApplicationTarget OfStates(IReadOnlyList<HairState> states, Reading reading, FormulaPlan formula)
    {
        double takes = Kinetics.Taken(formula.Line.Process, formula.Line) * Kinetics.Takes(reading.Hair.Porosity);
        return new ApplicationTarget(
            formula.Line,
            formula.Developer,
            [.. states.Select(s => new Spot(null, Stretch.Lengths, 1.0 / states.Count, s.Grey, takes, takes, Fibre.White, s.Fibre, 0))],
            formula.Wish.Target,
            default
        );
    }

    /// <summary>How much a shadow's tail counts beside the regrowth: by how much is painted there, at half the coat, and never more than the roots (ours).</summary>
    private static double TailShare(List<StrandRow> rows, Reading reading)
    {
        double painted = rows.Where(r => r.Regrowth).Sum(r => r.Zone.SeenWeight() * r.Centimetres);
        double tail = rows.Where(r => r.Does == Does.Blend).Sum(r => r.Zone.SeenWeight() * Use.TailCoat * r.Centimetres);
        return tail == 0 ? 0
            : painted == 0 ? 1
            : Math.Min(.5, tail / (tail + painted));
    }

    /// <summary>How much a stretch counts among those past the line: a band as much as all the rest (RD11), the ends a third of the lengths (ours).</summary>
    private static double Part(Stretch stretch, IReadOnlyList<Stretch> all)
    {
        double Of(Stretch s) =>
            s switch
            {
                Stretch.Band => all.Count > 1 ? 4 : 1,
                Stretch.Lengths => 3,
                _ => 1,
            };
        double whole = all.Distinct().Sum(Of);
        return whole == 0 ? 0 : Of(stretch) / whole;
    }

    private static Spot OfRoot(
        IReadOnlyList<StrandRow> rows,
        double weight,
        FormulaPlan formula,
        Reading reading,
        double levels,
        bool softened,
        (ApplicationTarget ApplicationTarget, Mixture Mix)? before
    )
    {
        var row = rows[0];
        var (read, state, contact) = (reading.Zones[(int)row.Zone], HairState.Of(reading, row.Zone, row.Stretch), row.ContactMinutes ?? Minutes.Of(0));
        double takes = Kinetics.Taken(contact, formula.Line) * Kinetics.Takes(reading.Hair.Porosity) * (formula.Dilutes ? .5 : 1);
        double stubborn = !read.Resistant ? 1
            : softened ? Kinetics.Softened
            : Kinetics.Resistant,
            length = rows.Sum(r => r.Centimetres);
        double ready =
            length > 0 ? rows.Sum(r => r.Centimetres * Kinetics.LiftOf(row.Zone, read, r.Stretch)) / length : Kinetics.LiftOf(row.Zone, read, row.Stretch);
        double lifted = state.Kind != HairKind.Natural ? 0 : levels * Kinetics.LiftReached(contact, formula.Line) * ready;
        var (white, pigmented) = (Fibre.White, lifted > 0 ? Melanin.Lifted(state.Level.Value, lifted) : state.Fibre);
        if (before is { } done && done.ApplicationTarget.In(row) is { } at)
        {
            var was = done.ApplicationTarget.Spots[at];
            white = was.White with { Dye = was.White.Dye + done.Mix.On(was.White) * was.WhiteTakes };
            pigmented = was.Pigmented with { Dye = was.Pigmented.Dye + done.Mix.On(was.Pigmented) * was.PigmentTakes };
        }

        return new Spot(row.Zone, row.Stretch, weight, state.Grey, takes * stubborn, takes, white, pigmented, lifted);
    }

    /// <summary>Which spot a stretch lies in: its own, or the one it shares with what is painted in the same turn; null where none does.</summary>
    internal int? In(StrandRow row)
    {
        int? shared = null;
        for (int i = 0; i < Spots.Count; i++)
        {
            var spot = Spots[i];
            if (spot.Stretch == row.Stretch && (spot.Zone == row.Zone || spot.Zone is null))
            {
                return i;
            }

            shared = row.Regrowth && spot.Zone == row.Zone ? i : shared;
        }

        return shared;
    }

    private static Spot OfPast(Stretch stretch, IReadOnlyList<StrandRow> rows, double weight, FormulaPlan formula, Reading reading, double works)
    {
        double seen = rows.Sum(r => r.Zone.SeenWeight());
        double Mean(Func<StrandRow, double> of) => rows.Sum(r => r.Zone.SeenWeight() * of(r)) / seen;
        var (state, contact) = (HairState.Of(reading, rows[0].Zone, stretch), Minutes.Of(Mean(r => (r.ContactMinutes ?? Minutes.Of(0)).Value)));
        // Lightened ends are a step more porous than the rest (RD7).
        double porous = stretch == Stretch.Ends && state.Kind == HairKind.Lightened ? Kinetics.Takes(Porosity.High) : 1;
        double takes = Math.Min(1, Kinetics.Taken(contact, formula.Line) * Kinetics.Takes(reading.Hair.Porosity) * porous) * works * (formula.Dilutes ? .5 : 1);
        double lifted =
            state.Kind != HairKind.Natural
                ? 0
                : Kinetics.Levels(formula.Line, formula.Developer) * Kinetics.LiftReached(contact, formula.Line) * Kinetics.LiftOf(reading.Hair.Texture);
        var grey = Share.Of(Math.Clamp(Mean(r => HairState.Of(reading, r.Zone, stretch).Grey.Value), 0, 1));
        bool shadow = rows[0].Does == Does.Blend;
        return new Spot(null, stretch, weight, grey, takes, takes, Fibre.White, lifted > 0 ? Melanin.Lifted(state.Level.Value, lifted) : state.Fibre, lifted)
        {
            Floor =
                shadow || stretch == Stretch.Band
                    ? null
                    : Dye.Look(
                        Math.Max(1, (formula.Asked ? Math.Min(state.Level.Value, formula.Wish.Level.Value) : state.Level.Value) - Values.HalfLevel),
                        formula.Wish.Tone
                    ).Lab.L,
        };
    }

    /// <summary>The tail of a root shadow; empty where there is none.</summary>
    public IEnumerable<(int At, Spot Spot)> Tail => Spots[0].Regrowth ? Spots.Select((s, i) => (i, s)).Where(x => !x.s.Regrowth && x.s.Floor is null) : [];

    /// <summary>The regrowth, where there is any, else all that the mix is for: where it stands among the spots, and its weight among these.</summary>
    public IEnumerable<(int At, Spot Spot, double Weight)> Own
    {
        get
        {
            bool roots = Spots[0].Regrowth;
            double own = Spots.Where(s => s.Regrowth == roots).Sum(s => s.Weight);
            return Spots.Select((s, i) => (i, s, s.Weight / own)).Where(x => x.s.Regrowth == roots);
        }
    }

    /// <summary>What a mix makes of every spot.</summary>
    public MixForecast Look(Mixture mix)
    {
        var seen = new Seen[Spots.Count];
        double difference = 0,
            contrast = 0;
        for (int i = 0; i < seen.Length; i++)
        {
            var spot = Spots[i];
            var forecast = spot.See(mix.On(spot.White), mix.On(spot.Pigmented));
            difference += spot.Weight * Miss(forecast);
            contrast += spot.Weight * spot.Grey.Value * GreyContrast(forecast);
            seen[i] = forecast.Moved(Residual);
        }

        return new MixForecast(seen, difference, contrast);
    }

    /// <summary>The greenest a* of a forecast: of every blend, and of white hair where it is a tenth or more (SH22).</summary>
    public double Greenest(MixForecast looked) => Spots.Zip(looked.Seen).Where(x => x.First.Weight > 0).Min(x => Green(x.First, x.Second));

    internal double Greenest(Spot spot, in Seen seen) => Green(spot, seen) + Residual.A;

    /// <summary>Whether a forecast takes some lengths deeper than they may be taken (SV14).</summary>
    public bool Spoils(MixForecast looked) => Spots.Zip(looked.Seen).Any(x => x.Second.Blend.L < x.First.Floor);

    internal bool Spoils(Spot spot, in Seen seen) => seen.Blend.L + Residual.L < spot.Floor;

    private static double Green(Spot spot, in Seen seen) =>
        Math.Min(seen.Blend.A, spot.Grey.Value >= .1 && seen.White is { } white ? white.A : double.MaxValue);

    /// <summary>dE00 of what is seen to the target, the client's own residual counted.</summary>
    internal double Miss(in Seen seen) => Difference2000.Between(seen.Blend + Residual, Target);

    internal static double GreyContrast(in Seen seen) => seen is { White: { } w, Pigmented: { } p } ? Difference2000.Between(w, p) : 0;
}

/// <summary>A forecast over a canvas.</summary>
/// <param name="Seen">Spot by spot, the client's own residual counted.</param>
/// <param name="DeltaE">Mean dE00 to the target, weighted by how much is seen.</param>
/// <param name="GreyContrast">Mean dE00 between white and pigmented fibres, weighted by what is seen and by the share of white.</param>
public sealed record MixForecast(IReadOnlyList<Seen> Seen, double DeltaE, double GreyContrast);
