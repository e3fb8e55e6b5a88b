using Kitto.Core.Head;
using Kitto.Core.Shade;

namespace Kitto.Core.Colour;

/// <summary>What the whole head will look like, today, after the lift, after the colour and at the next kit.</summary>
internal static class Outlook
{
    /// <summary>From this dE00 on the new colour looks plainly faded (ours).</summary>
    public const double ShowsFrom = 3;

    /// <summary>A pulled-through mix is on the lengths for so long at most (SV9).</summary>
    public const double PulledMinutes = 10;

    /// <summary>Equal parts of conditioner halve what an old mix still does (SV9).</summary>
    public const double Diluted = Kinetics.Old / 2;

    private const int LongestWeeks = 52;

    /// <summary>The forecast of the chosen formulas.</summary>
    /// <param name="reading">Regrowth as on the day.</param>
    /// <param name="aim">What is aimed at.</param>
    /// <param name="way">What the lengths get.</param>
    /// <param name="chosen">The formulas, the roots' first.</param>
    /// <param name="schedule">The clock.</param>
    /// <param name="why">Reasons are added.</param>
    public static Forecast Of(Reading reading, Aim aim, LengthsWay way, IReadOnlyList<Chosen> chosen, Schedule schedule, ICollection<Because> why)
    {
        var today = Canvas.LengthsOf(reading);
        var lengthsToday = today.Bare.Blend;
        var bandToday = reading.Hair.Band is { } band ? Dye.Look(band.Level.Value, band.Tone).Lab : (Lab?)null;
        var first = chosen[0];
        if (first is not { Canvas: { } canvas, Mix: { } mix, Looked: { } looked })
        {
            return Forecast.None with { LengthsToday = Look(lengthsToday), Target = Look(Dye.Look(aim.RootLevel.Value, aim.Tone).Lab) };
        }

        var roots = first.Wanted.OnLengths ? null : Look(Mean(canvas, looked));
        var (ends, seen) = OnLengths(reading, way, chosen, schedule);
        var lengths = seen is null ? lengthsToday : seen.Seen[0].Blend;
        if (reading.Hair.Band is not null && way == LengthsWay.LeaveAlone)
        {
            why.Add(new Because("RD11", "The faded band is left as it is: the root mix stays off it, and it may show between the new roots and the lengths.", "lengths"));
        }

        int next = (int)(first.Wanted.Line.IsPermanent && !first.Wanted.OnLengths ? Advice.Cover : Advice.Soft).Average();
        var fresh = After(canvas, mix, 0);
        int? shows = Enumerable.Range(1, LongestWeeks).Cast<int?>().FirstOrDefault(w => Difference2000.Between(After(canvas, mix, w!.Value), fresh) >= ShowsFrom);
        why.Add(new Because("RD9", shows is { } weeks
            ? $"Dye leaves with washes: in about {weeks} week{(weeks == 1 ? "" : "s")} this looks plainly faded."
            : "Dye leaves with washes, but so little of it that this hardly looks faded within a year.", "colour"));
        return new Forecast(
            roots, Look(lengths), Math.Round(looked.DeltaE, 2),
            first.Wanted.OnLengths ? [] : [.. schedule.Zones.Select(z => ZoneOf(z.Zone, reading, canvas, looked))],
            Look(canvas.Target), Look(lengthsToday),
            bandToday is null ? null : Look(seen is { Seen.Count: > 1 } ? seen.Seen[1].Blend : bandToday.Value), bandToday is { } b ? Look(b) : null,
            new Fade(shows, next, first.Wanted.OnLengths ? null : Look(After(canvas, mix, next)), ends is { } on ? Look(After(on.Canvas, on.Mix, next)) : Look(lengthsToday)),
            MixWords.Green(canvas, looked), canvas.Tail is null ? null : Look(looked.Seen[^1].Blend));
    }

    /// <summary>dE00 between the zones painted first and last, and how much of it the clock alone makes.</summary>
    public static double? Spread(Reading reading, Chosen roots, Schedule schedule, bool softened, ICollection<Because> why)
    {
        if (roots is not { Canvas: { } canvas, Mix: { } mix, Looked: { } looked } || roots.Wanted.OnLengths || schedule.Zones.Count < 2)
        {
            return null;
        }

        var (first, last) = (schedule.Zones[0], schedule.Zones[^1]);
        Lab Seen(Zone zone) => looked.Seen[Index(canvas, zone)].Blend;
        double spread = Difference2000.Between(Seen(first.Zone), Seen(last.Zone));
        // The last zone as it would be with the first one's minutes: what is left between both is the hair's own.
        var same = Canvas.OfRoots(reading, canvas.Line, canvas.Developer, schedule with { Zones = [last with { ContactMinutes = first.ContactMinutes }] }, softened, canvas.Target, canvas.Residual);
        double clock = Difference2000.Between(same.Look(mix).Seen[0].Blend, Seen(last.Zone));
        why.Add(new Because("TM7", $"The {first.Zone.Facts().Says} has the colour on {first.ContactMinutes.Value - last.ContactMinutes.Value:0.#} min longer than the {last.Zone.Facts().Says}: that alone makes {clock:0.0} of the {spread:0.0} between them{(clock < 2 ? ", too little to be seen as uneven" : "; a helper or another order would even it out")}.", "clock"));
        return Math.Round(spread, 2);
    }

    /// <summary>A colour for the answer, rounded as it is written.</summary>
    public static Look Look(Lab colour) => new(Rounded(colour), Srgb.Hex(colour));

    /// <summary>The mean of what is seen, without a shadow's tail.</summary>
    public static Lab Mean(Canvas canvas, Looked looked) => Mean(canvas, i => looked.Seen[i].Blend);

    private static Lab Mean(Canvas canvas, Func<int, Lab> of) => canvas.Own.Aggregate(default(Lab), (sum, s) => sum + of(s.At) * s.Weight);

    private static ((Canvas Canvas, Mixture Mix)? Ends, Looked? Seen) OnLengths(Reading reading, LengthsWay way, IReadOnlyList<Chosen> chosen, Schedule schedule)
    {
        if (chosen.FirstOrDefault(c => c.Wanted.OnLengths) is { Canvas: { } canvas, Mix: { } own, Looked: var seen })
        {
            return ((canvas, own), seen);
        }

        if (way is not (LengthsWay.SameMix or LengthsWay.Diluted) || chosen[0] is not { Canvas: { } roots, Mix: { } mix })
        {
            return (null, null);
        }

        double works = way == LengthsWay.Diluted ? Diluted : Kinetics.Old;
        var contact = Minutes.Of(Math.Min(PulledMinutes, schedule.RinseAtMinutes.Value));
        var ends = Canvas.OfLengths(reading, roots.Line, roots.Developer, contact, works, roots.Target, roots.Residual);
        return ((ends, mix), ends.Look(mix));
    }

    /// <summary>The mean of what is seen after so many weeks; what fades is the new dye.</summary>
    private static Lab After(Canvas canvas, Mixture mix, double weeks) => Mean(canvas, i =>
    {
        var white = Fading.After(mix.On(0), canvas.Line.Kind, weeks, white: true);
        var pigmented = Fading.After(mix.On(canvas.Spots[i].Pigmented.Melanin), canvas.Line.Kind, weeks, white: false);
        return canvas.Spots[i].See(white, pigmented).Blend + canvas.Residual;
    });

    private static ZoneForecast ZoneOf(Zone zone, Reading reading, Canvas canvas, Looked looked)
    {
        int i = Index(canvas, zone);
        var spot = canvas.Spots[i];
        var after = looked.Seen[i];
        return new ZoneForecast(zone, Rounded(after.Blend), Srgb.Hex(after.Blend), Math.Round(Difference2000.Between(after.Blend, canvas.Target), 2),
            spot.Grey, Math.Round(spot.Lifts, 2), Of(new Spot(zone, 1, spot.Grey, 0, 0, Melanin.Natural(reading.Hair.NaturalLevel.Value), 0).Bare), Of(spot.Bare), Of(after));
    }

    private static int Index(Canvas canvas, Zone zone)
    {
        for (int i = 0; i < canvas.Spots.Count; i++)
        {
            if (canvas.Spots[i].Zone == zone)
            {
                return i;
            }
        }

        throw new ArgumentOutOfRangeException(nameof(zone));
    }

    private static Fibres Of(Seen seen) => new(Rounded(seen.Blend), Srgb.Hex(seen.Blend), seen.White is { } w ? Look(w) : null, seen.Pigmented is { } p ? Look(p) : null);

    private static double[] Rounded(Lab c) => [Math.Round(c.L, 2), Math.Round(c.A, 2), Math.Round(c.B, 2)];
}
