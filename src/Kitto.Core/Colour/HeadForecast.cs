using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Colour;

/// <summary>What the whole head will look like, today, after the lift, after the colour and at the next kit.</summary>
internal static class HeadForecast
{
    /// <summary>From this dE00 on the new colour looks plainly faded (ours).</summary>
    public const double ShowsFrom = 3;

    /// <summary>What fades later than this is not seen to fade (RD9): a gloss or demi is looked at again by then, a permanent has grown out.</summary>
    private const int LongestSoft = 8,
        LongestPermanent = 17;

    /// <summary>The forecast of the chosen formulas, and the strand with how each stretch looks.</summary>
    /// <param name="reading">Regrowth as on the day.</param>
    /// <param name="plan">The strand plan, with its times.</param>
    /// <param name="chosen">The formulas, in the plan's order.</param>
    /// <param name="schedule">The clock of the first.</param>
    /// <param name="pulled">What is pulled through past the line; null where nothing is.</param>
    /// <param name="next">Weeks to the next kit (SV11).</param>
    /// <param name="why">Reasons are added.</param>
    public static (Forecast Forecast, IReadOnlyList<ZoneStrand> Strand) Of(
        Reading reading,
        StrandPlan plan,
        IReadOnlyList<SelectedFormula> chosen,
        Schedule schedule,
        ApplicationTarget? pulled,
        int next,
        ICollection<Reason> why
    )
    {
        var looks = new Looks(reading, chosen, pulled);
        var strand = Zones.All.Select(z => new ZoneStrand(z.Zone, [.. plan.Rows.Where(r => r.Zone == z.Zone).Select(looks.Seen)])).ToList();
        var lead = plan
            .Rows.Where(r => r.OnLengths)
            .OrderByDescending(r => r.Formula is not null && r.Does != Does.Blend)
            .ThenByDescending(r => r.Does != Does.Blend)
            .ThenBy(r => r.Stretch)
            .FirstOrDefault();
        var band = plan.Rows.FirstOrDefault(r => r.Stretch == Stretch.Band && r.Does != Does.Blend) ?? plan.Rows.FirstOrDefault(r => r.Stretch == Stretch.Band);
        var (lengthsToday, lengths) = (lead is null ? null : Look(looks.Today(lead)), lead is null ? null : Look(looks.After(lead)));
        var (bandToday, bandAfter) = (band is null ? null : Look(looks.Today(band)), band is null ? null : Look(looks.After(band)));
        var first = chosen[0];
        if (first is not { ApplicationTarget: { } canvas, Mix: { } mix, MixForecast: { } looked })
        {
            return (Forecast.None with { LengthsToday = lengthsToday, Target = Look(first.Plan.Wish.Target) }, strand);
        }

        // What is left on the roots in the end, where they are coloured twice.
        var last = chosen.FirstOrDefault(c => c.Plan.Use == FormulaUse.Second) is { ApplicationTarget: not null } second ? second : first;
        bool roots = canvas.Spots[0].Regrowth;
        var own = chosen.FirstOrDefault(c => c.Plan.Use == FormulaUse.Lengths && c != first);
        int longest = first.Plan.Line.IsPermanent ? LongestPermanent : LongestSoft;
        var fresh = After(canvas, mix, 0);
        int? shows = Enumerable.Range(1, longest).Cast<int?>().FirstOrDefault(w => Difference2000.Between(After(canvas, mix, w!.Value), fresh) >= ShowsFrom);
        why.Add(new FadesIn(shows));
        var tail = canvas.Tail.Select(t => (int?)t.At).FirstOrDefault();
        return (
            new Forecast(
                roots ? Look(Mean(last.ApplicationTarget!, last.MixForecast!)) : null,
                lengths,
                Math.Round(last.MixForecast!.DeltaE, 2),
                roots ? [.. schedule.Zones.Select(z => ZoneOf(z.Zone, reading, last.ApplicationTarget!, last.MixForecast!, canvas))] : [],
                Look(canvas.Target),
                lengthsToday,
                bandAfter,
                bandToday,
                new Fade(
                    shows,
                    next,
                    roots ? Look(After(canvas, mix, next)) : null,
                    own is { ApplicationTarget: { } ends, Mix: { } gloss } ? Look(After(ends, gloss, next))
                        : roots ? lengths
                        : Look(After(canvas, mix, next))
                ),
                Green(chosen),
                tail is { } at ? Look(looked.Seen[at].Blend) : null
            )
            {
                LengthsTarget = own is null ? null : Look(own.Plan.Wish.Target),
                LengthsDeltaE = own?.MixForecast is { } l && !own.Plan.Wish.Clear ? Math.Round(l.DeltaE, 2) : null,
            },
            strand
        );
    }

    /// <summary>The greenest a* that is forecast of any formula; null where nothing comes out green (SH22).</summary>
    private static double? Green(IReadOnlyList<SelectedFormula> chosen) =>
        chosen.Where(c => c.ApplicationTarget is not null).Select(c => (double?)Math.Round(c.ApplicationTarget!.Greenest(c.MixForecast!), 2)).Min()
            is < 0
                and var green
            ? green
            : null;

    /// <summary>dE00 between the zones painted first and last, and how much of it the clock alone makes.</summary>
    public static double? Spread(SelectedFormula roots, Schedule schedule, ICollection<Reason> why)
    {
        if (roots is not { ApplicationTarget: { } canvas, Mix: { } mix, MixForecast: { } looked } || !canvas.Spots[0].Regrowth || schedule.Zones.Count < 2)
        {
            return null;
        }

        var (first, last) = (schedule.Zones[0], schedule.Zones[^1]);
        Lab Seen(Zone zone) => Mean(canvas, looked, zone);
        double spread = Difference2000.Between(Seen(first.Zone), Seen(last.Zone));
        // The last zone as it would be with the first one's minutes: what is left between both is the hair's own.
        double longer = Kinetics.Taken(first.ContactMinutes, canvas.Line) / Math.Max(1e-9, Kinetics.Taken(last.ContactMinutes, canvas.Line));
        var own = canvas
            .Spots.Where(s => s.Zone == last.Zone)
            .Select(s => s with { WhiteTakes = s.WhiteTakes * longer, PigmentTakes = s.PigmentTakes * longer })
            .ToList();
        var same = canvas with { Spots = own };
        double clock = Difference2000.Between(Mean(same, same.Look(mix), last.Zone), Seen(last.Zone));
        why.Add(new FirstOnLonger(first.Zone, last.Zone, first.ContactMinutes.Value - last.ContactMinutes.Value, clock, spread));
        return Math.Round(spread, 2);
    }

    /// <summary>A colour for the answer, rounded as it is written.</summary>
    public static Look Look(Lab colour) => new(Rounded(colour), Srgb.Hex(colour));

    /// <summary>The mean of what is seen of the hair that a mix is for, without a shadow's tail.</summary>
    public static Lab Mean(ApplicationTarget canvas, MixForecast looked) =>
        canvas.Own.Aggregate(default(Lab), (sum, s) => sum + looked.Seen[s.At].Blend * s.Weight);

    /// <summary>The mean of what is seen after so many weeks; what fades is the new dye.</summary>
    private static Lab After(ApplicationTarget canvas, Mixture mix, double weeks) =>
        canvas.Own.Aggregate(
            default(Lab),
            (sum, s) =>
            {
                var white = Fading.After(mix.On(s.Spot.White), canvas.Line.Kind, weeks, white: true);
                var pigmented = Fading.After(mix.On(s.Spot.Pigmented), canvas.Line.Kind, weeks, white: false);
                return sum + (s.Spot.See(white, pigmented).Blend + canvas.Residual) * s.Weight;
            }
        );

    private static ZoneForecast ZoneOf(Zone zone, Reading reading, ApplicationTarget canvas, MixForecast looked, ApplicationTarget lift)
    {
        var spots = Of(canvas, zone).ToList();
        double lifts = Of(lift, zone).Sum(s => s.Weight * s.Spot.Lifts);
        var state = HairState.Of(reading, zone, Stretch.Scalp);
        var today = AsItIs(state, zone, Stretch.Scalp);
        var after = Blend(spots.Select(s => (looked.Seen[s.At], s.Weight)));
        return new ZoneForecast(
            zone,
            Rounded(after.Blend),
            Srgb.Hex(after.Blend),
            Math.Round(Difference2000.Between(after.Blend, canvas.Target), 2),
            state.Grey,
            Math.Round(lifts, 2),
            Fibres(today),
            Fibres(Blend(Of(lift, zone).Select(s => (s.Spot.Bare, s.Weight)))),
            Fibres(after)
        );
    }

    private static Lab Mean(ApplicationTarget canvas, MixForecast looked, Zone zone) =>
        Blend(Of(canvas, zone).Select(s => (looked.Seen[s.At], s.Weight))).Blend;

    /// <summary>The spots of a zone's regrowth, with their weights among these.</summary>
    private static IEnumerable<(int At, Spot Spot, double Weight)> Of(ApplicationTarget canvas, Zone zone)
    {
        double whole = canvas.Spots.Where(s => s.Zone == zone).Sum(s => s.Weight);
        return canvas.Spots.Select((s, i) => (i, s, s.Weight / whole)).Where(x => x.s.Zone == zone);
    }

    private static Seen Blend(IEnumerable<(Seen Seen, double Weight)> some) =>
        some.Aggregate(
            default(Seen),
            (sum, s) =>
                new Seen(
                    sum.Blend + s.Seen.Blend * s.Weight,
                    s.Seen.White is { } w ? (sum.White ?? default) + w * s.Weight : null,
                    s.Seen.Pigmented is { } p ? (sum.Pigmented ?? default) + p * s.Weight : null
                )
        );

    /// <summary>Hair as it looks before anything is put on it.</summary>
    internal static Seen AsItIs(HairState state, Zone zone, Stretch stretch) => new Spot(zone, stretch, 1, state.Grey, 0, 0, Fibre.White, state.Fibre, 0).Bare;

    internal static Fibres Fibres(Seen seen) =>
        new(Rounded(seen.Blend), Srgb.Hex(seen.Blend), seen.White is { } w ? Look(w) : null, seen.Pigmented is { } p ? Look(p) : null);

    private static double[] Rounded(Lab c) => [Math.Round(c.L, 2), Math.Round(c.A, 2), Math.Round(c.B, 2)];

    /// <summary>How each stretch looks, now and afterwards.</summary>
    private sealed class Looks(Reading reading, IReadOnlyList<SelectedFormula> chosen, ApplicationTarget? pulled)
    {
        private readonly MixForecast? through = pulled is not null && chosen[0].Mix is { } mix ? pulled.Look(mix) : null;
        private readonly Dictionary<HairState, Lab> known = [];

        public StrandRow Seen(StrandRow row) => row with { Today = Look(Today(row)), After = Look(After(row)) };

        public Lab Today(StrandRow row)
        {
            var state = HairState.Of(reading, row.Zone, row.Stretch);
            return known.TryGetValue(state, out var seen) ? seen : known[state] = AsItIs(state, row.Zone, row.Stretch).Blend;
        }

        public Lab After(StrandRow row)
        {
            var (canvas, looked) =
                row.Does == Does.PullThrough ? (pulled, through)
                : row.Formula is { } at ? (chosen[at].ApplicationTarget, chosen[at].MixForecast)
                : (null, null);
            if (canvas is null || looked is null)
            {
                return Today(row);
            }

            if (canvas.In(row) is { } i)
            {
                return looked.Seen[i].Blend;
            }

            return Today(row);
        }
    }
}
