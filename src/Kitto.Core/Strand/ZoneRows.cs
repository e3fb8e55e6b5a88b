using Kitto.Core.Head;
using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>The stretches of one zone in any service but a gloss, from the scalp outwards.</summary>
internal sealed class ZoneRows(Case c, Zone zone, IReadOnlyList<FormulaPlan> formulas, LengthsPlan lengths, int? own, int? ownBand)
{
    private readonly ZoneReading read = c.Reading.Zones[(int)zone];
    private readonly bool painted = c.Reading.Zones[(int)zone].Include && !(c.Goal is { Service: Service.RootShadow, LeaveFrame: true } && zone.IsFrame());

    public IEnumerable<StrandRow> All()
    {
        double line = read.Regrowth.Value,
            ends = Math.Max(c.Reading.Hair.LengthCm * 10, line);
        double band = Math.Min(ends, line + (c.Reading.Hair.Band?.Length.Value ?? 0));
        double lengthsTo = Math.Max(band, ends - Values.EndsMm);
        var found = new List<StrandRow>();
        void Add(Stretch stretch, double from, double to, Does does, int? formula = null, Turn turn = Turn.First)
        {
            // Where nothing has grown out, or there are no lengths, the stretch still stands, of no length: it is what is coloured.
            if (to > from + 1e-9 || (formula is not null && stretch is Stretch.Scalp or Stretch.Ends && to >= from && does != Does.Blend))
            {
                found.Add(new StrandRow(from, to, stretch, does, formula) { Zone = zone, Turn = turn });
            }
        }

        Regrowth(line, Add);
        double tail = c.Goal.Service == Service.RootShadow && painted ? Tail(line, band, ends) : line;
        foreach (var (stretch, from, to) in new[] { (Stretch.Band, line, band), (Stretch.Lengths, band, lengthsTo), (Stretch.Ends, lengthsTo, ends) })
        {
            double split = Math.Clamp(tail, from, to);
            Add(stretch, from, split, Does.Blend, 0);
            var (does, formula, turn) = Past(stretch);
            Add(stretch, split, to, does, formula, turn);
        }

        return found;
    }

    /// <summary>The regrowth: scalp stretch and grown stretch, in two turns where the hair grown out is long (TM6).</summary>
    private void Regrowth(double line, Action<Stretch, double, double, Does, int?, Turn> add)
    {
        double warm = Math.Min(line, Values.ScalpStretchMm);
        if (!painted)
        {
            add(Stretch.Scalp, 0, warm, Does.Leave, null, Turn.First);
            add(Stretch.Grown, warm, line, Does.Leave, null, Turn.First);
            return;
        }

        bool twice = c.Reading.Hair.Roots is null && StrandPlan.Twice(c.Goal.Service, formulas[0].Line, line);
        add(Stretch.Scalp, 0, warm, Does.Colour, 0, twice ? Turn.Scalp : Turn.First);
        add(Stretch.Grown, warm, line, Does.Colour, 0, Turn.First);
        if (formulas.Count > 1 && formulas[1].Use == FormulaUse.Second)
        {
            add(Stretch.Scalp, 0, warm, Does.Tone, 1, Turn.Rinsed);
            add(Stretch.Grown, warm, line, Does.Tone, 1, Turn.Rinsed);
        }
    }

    /// <summary>Where a shadow's tail ends: over a band first; a longer band is painted to its end in the back, to its middle at the front (SV5).</summary>
    private double Tail(double line, double band, double ends)
    {
        double tail = c.Goal.TailAt(zone).Value,
            faded = band - line;
        bool front = zone.IsFrame() || zone is Zone.LeftFront or Zone.RightFront;
        return Math.Min(ends, line + (faded <= tail ? tail : Math.Max(tail, front ? faded / 2 : faded)));
    }

    /// <summary>What a stretch past the line gets, beyond a shadow's tail.</summary>
    private (Does Does, int? Formula, Turn Turn) Past(Stretch stretch)
    {
        // Zones that are not coloured keep out of the root mix; a gloss is combed through the whole head.
        if (!read.Include)
        {
            return (Does.Leave, null, Turn.First);
        }

        if (stretch == Stretch.Band && ownBand is { } band)
        {
            return (Does.Tone, band, Turn.Rinsed);
        }

        return (lengths.Does, own) switch
        {
            (Does.Tone, { } at) => (Does.Tone, at, Turn.Rinsed),
            (Does.PullThrough, _) => (Does.PullThrough, 0, Turn.Last),
            _ => (Does.Shield, null, Turn.First),
        };
    }
}
