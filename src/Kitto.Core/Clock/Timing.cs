using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>The clock of one head: order, contact times, batches.</summary>
/// <param name="Schedule">What is shown.</param>
/// <param name="Batches">The strokes of each batch, in the order of painting.</param>
public sealed record Timed(Schedule Schedule, IReadOnlyList<IReadOnlyList<Stroke>> Batches);

/// <summary>Plans the clock on the head (clock).</summary>
public static class Timing
{
    /// <summary>No set of zones.</summary>
    private static readonly IReadOnlySet<Zone> None = new HashSet<Zone>();

    /// <summary>The time after the last stroke: the line's, or the one at which her strand came right, within the line's range (SA12).</summary>
    public static Minutes Process(Reading reading, Line line) =>
        reading.Client.StrandTest is { Result: StrandResult.Right, Minutes: { } right }
            ? Minutes.Of(Math.Clamp(right, line.ProcessMin.Value, line.ProcessMax.Value))
            : line.Process;

    /// <summary>Times one order.</summary>
    public static Schedule Of(PaintOrder order, Reading reading, Hands hands, Service service, Line line, House house, IReadOnlySet<Zone>? inTwo = null) =>
        Of(order, PaintOrders.Sequence(order, reading, house), reading, hands, service, line, house, inTwo ?? None, null);

    /// <summary>Times a path over the head.</summary>
    private static Schedule Of(
        PaintOrder order,
        IReadOnlyList<Zone> path,
        Reading reading,
        Hands hands,
        Service service,
        Line line,
        House house,
        IReadOnlySet<Zone> inTwo,
        Minutes? timer
    )
    {
        double whole = Painting.WholeHead(hands, reading.Hair.Density, service, order);
        double process = (timer ?? Process(reading, line)).Value;
        var (strokes, paint) = Lay(path, whole, inTwo);
        double rinse = house.Way<TimerStart>() == TimerStart.FirstStroke ? Math.Max(process, paint + line.ProcessMin.Value) : paint + process;
        // Contacts are differences of the shown times, so that they add up on the page.
        Minutes shownRinse = Minutes.Of(rinse).Tenths(),
            shownPaint = Minutes.Of(paint).Tenths();
        List<ZoneTime> Timed(bool scalp) =>
            [
                .. strokes
                    .Where(s => s.Stroke.Scalp == scalp)
                    .Select(s => (s.Stroke.Zone, Painted: Minutes.Of(s.At).Tenths()))
                    .Select(z => new ZoneTime(z.Zone, z.Painted, Minutes.Of(Math.Max(0, shownRinse.Value - z.Painted.Value)).Tenths(), 1)),
            ];
        return new Schedule(order, shownPaint, Minutes.Of(Math.Max(0, shownRinse.Value - shownPaint.Value)).Tenths(), shownRinse, Timed(false), null)
        {
            Scalp = inTwo.Count > 0 ? Timed(true) : null,
        };
    }

    /// <summary>The best admissible order by weighted deviation from the windows, or the one the colourist wants; then the remedies that change least (clock).</summary>
    /// <param name="reading">The head on the day.</param>
    /// <param name="hands">Who paints.</param>
    /// <param name="service">The service.</param>
    /// <param name="line">The line of the roots.</param>
    /// <param name="targetLevel">The wished level.</param>
    /// <param name="house">The house.</param>
    /// <param name="why">Reasons are added.</param>
    /// <param name="own">How the colourist wants it painted; null: as the numbers say.</param>
    /// <param name="inTwo">Zones that are painted in two turns (TM6); null: none.</param>
    /// <param name="timer">Time after the last stroke; null: the line's, or what her strand came right at.</param>
    public static Timed Choose(
        Reading reading,
        Hands hands,
        Service service,
        Line line,
        double targetLevel,
        House house,
        ICollection<Reason> why,
        PaintWish? own = null,
        IReadOnlySet<Zone>? inTwo = null,
        Minutes? timer = null
    )
    {
        var twice = inTwo ?? None;
        var (orders, reason) = PaintOrders.Admissible(reading, service, line, targetLevel, house);
        var windows = new ContactWindow[reading.Zones.Count];
        for (int i = 0; i < windows.Length; i++)
        {
            windows[i] = Window((Zone)i, reading, service, line);
        }

        // How much is seen times minutes outside the window, over all zones.
        double Off(Schedule s) =>
            s.Zones.Sum(z => z.Zone.SeenWeight() * Math.Abs(windows[(int)z.Zone].Miss(z.ContactMinutes)))
            + (s.Scalp ?? []).Sum(z => z.Zone.SeenWeight() * Math.Abs(ContactWindow.OfScalp(reading.Zones[(int)z.Zone], line, service).Miss(z.ContactMinutes)));
        Schedule Along(PaintOrder order, IReadOnlyList<Zone> path) => Of(order, path, reading, hands, service, line, house, twice, timer);
        var tried = orders.Select(o => Along(o, PaintOrders.Sequence(o, reading, house))).Select(s => (Schedule: s, Off: Off(s))).ToList();
        var (best, least) = tried.MinBy(s => Math.Round(s.Off, 9))!;
        if (own is null)
        {
            why.Add(new OrderChosen(best.Order, reason, [.. tried.Where(s => s.Off > least + 1e-9).Select(s => s.Schedule.Order)]));
        }
        else
        {
            var wished = own.Sequence is { } path
                ? Along(PaintOrder.Own, [.. path.Where(z => reading.Zones[(int)z].Include), .. reading.Included.Select(z => z.Zone).Except(path)])
                : Along(own.Order, PaintOrders.Sequence(own.Order, reading, house));
            double more = Off(wished) - least;
            why.Add(new OrderWished(wished.Order, best.Order, reason, more));
            best = wished;
        }

        why.Add(new HandsNeed(Times(best, line)));

        if (best.Scalp is { Count: > 0 } scalp)
        {
            why.Add(new ScalpAfterGrown(scalp[0].PaintedAt));
        }

        double ScalpOver(ZoneTime z) => ContactWindow.OfScalp(reading.Zones[(int)z.Zone], line, service).Miss(z.ContactMinutes);
        // The grown hair may stay to the longest contact; where a lift is shortened all the same, it is for the scalp.
        bool ForScalp(Schedule s) => s.Scalp is { } turn && turn.Max(ScalpOver) > s.Zones.Max(z => windows[(int)z.Zone].Miss(z.ContactMinutes));
        var fitted = own?.Process is { } set ? best.With(set) : Shorten(best, reading, service, line);
        if (own?.Process is not null)
        {
            why.Add(new TimedFromLastStroke(TimeFrom.Wish, Times(fitted, line)));
        }
        else if (fitted.RinseAtMinutes.Value < best.RinseAtMinutes.Value)
        {
            why.Add(new TimerShortened(best.ProcessMinutes, line.Process, ForScalp(best), Times(fitted, line)));
        }
        else if (house.Way<TimerStart>() == TimerStart.FirstStroke)
        {
            why.Add(new TimedFromFirstStroke(fitted.ProcessMinutes));
        }
        else
        {
            why.Add(
                new TimedFromLastStroke(
                    timer is not null ? TimeFrom.QuickTone
                        : Process(reading, line) == line.Process ? TimeFrom.Line
                        : TimeFrom.StrandTest,
                    Times(fitted, line)
                )
            );
        }

        if (fitted.Scalp is { } warm && warm.MaxBy(ScalpOver) is { } worst && ScalpOver(worst) > 0)
        {
            why.Add(new ScalpTooLong(worst.Zone, worst.ContactMinutes, Minutes.Of(ScalpOver(worst)).Tenths()));
        }

        foreach (var zone in fitted.Zones)
        {
            double miss = windows[(int)zone.Zone].Miss(zone.ContactMinutes);
            if (miss > 0)
            {
                why.Add(new ZoneTooLong(zone.Zone, zone.ContactMinutes, Minutes.Of(miss)));
            }
            else if (miss < 0)
            {
                why.Add(new ZoneTooShort(zone.Zone, zone.ContactMinutes, Minutes.Of(-miss)));
            }
        }

        if (Remedies.Over(fitted, reading, service, line) > 0)
        {
            var remedies = Remedies.Of(fitted, reading, hands, service, line, house);
            fitted = fitted with { Remedies = remedies };
            var first = remedies.FirstOrDefault(r => r.Fits);
            why.Add(
                first is null && fitted.Zones.All(z => windows[(int)z.Zone].Miss(z.ContactMinutes) <= 0) ? new OnlyScalpOver()
                : first is null ? new NothingFits()
                : first.Why!
            );
        }

        var batches = Batch(fitted, line);
        if (batches.Count > 1)
        {
            why.Add(new MixedInBowls(line.WorkingLife, fitted.PaintMinutes, batches.Count, batches[0][^1], InTwoTurns: fitted.Scalp is not null));
        }

        IReadOnlyList<ZoneTime> Numbered(IReadOnlyList<ZoneTime> zones, bool second) =>
            [.. zones.Select(z => z with { Batch = batches.Select((b, i) => (b, i)).First(x => x.b.Contains(new Stroke(z.Zone, second))).i + 1 })];
        return new Timed(fitted with { Zones = Numbered(fitted.Zones, false), Scalp = fitted.Scalp is { } turn ? Numbered(turn, true) : null }, batches);
    }

    internal static ContactWindow Window(Zone zone, Reading reading, Service service, Line line) =>
        ContactWindow.Of(zone, reading.Zones[(int)zone], line, service);

    /// <summary>Takes the overrun off the timer, never below the line's shortest time.</summary>
    internal static Schedule Shorten(Schedule schedule, Reading reading, Service service, Line line)
    {
        double over = Remedies.Over(schedule, reading, service, line);
        double cut = Math.Min(over, Math.Max(0, schedule.ProcessMinutes.Value - line.ProcessMin.Value));
        return cut <= 0 ? schedule : schedule.With(Minutes.Of(schedule.ProcessMinutes.Value - cut).Tenths());
    }

    /// <summary>Strokes by bowl: each is painted while its mix still works, and the cuts lie as evenly as they can; a second turn is a bowl of its own where one does not reach over both.</summary>
    private static List<IReadOnlyList<Stroke>> Batch(Schedule schedule, Line line)
    {
        double life = line.WorkingLife.Value - Values.SpareMinutes,
            total = schedule.PaintMinutes.Value;
        var strokes = schedule.Strokes;
        if (total <= life || strokes.Count < 2)
        {
            return
            [
                [.. strokes.Select(s => s.Stroke)],
            ];
        }

        int turn = schedule.Scalp is null ? 0 : strokes.TakeWhile(s => !s.Stroke.Scalp && schedule.InTwo(s.Stroke.Zone)).Count();
        if (turn > 0 && total - strokes[turn].Time.PaintedAt.Value <= life && strokes[turn].Time.PaintedAt.Value <= life)
        {
            return
            [
                [.. strokes.Take(turn).Select(s => s.Stroke)],
                [.. strokes.Skip(turn).Select(s => s.Stroke)],
            ];
        }

        int bowls = Math.Min(3, (int)Math.Ceiling(total / life - 1e-9));
        var cuts = new List<int> { 0 };
        for (int b = 1; b < bowls; b++)
        {
            double even = total * b / bowls;
            var later = strokes
                .Select((s, i) => (At: s.Time.PaintedAt.Value, Index: i))
                .Where(c => c.Index > cuts[^1] && c.Index <= strokes.Count - (bowls - b))
                .ToList();
            var fits = later.Where(c => c.At - strokes[cuts[^1]].Time.PaintedAt.Value <= life && total - c.At <= life * (bowls - b)).ToList();
            cuts.Add((fits.Count > 0 ? fits : later).MinBy(c => Math.Abs(c.At - even)).Index);
        }

        return
        [
            .. cuts.Append(strokes.Count)
                .Zip(cuts.Skip(1).Append(strokes.Count))
                .Take(bowls)
                .Select(c => (IReadOnlyList<Stroke>)[.. strokes.Skip(c.First).Take(c.Second - c.First).Select(s => s.Stroke)]),
        ];
    }

    /// <summary>When each stroke begins: one turn over the head, or the long grown hair first and the scalp stretch, with all that is short, after it (TM6).</summary>
    private static (List<(Stroke Stroke, double At)> Strokes, double Paint) Lay(IReadOnlyList<Zone> path, double whole, IReadOnlySet<Zone> inTwo)
    {
        double at = 0;
        var strokes = new List<(Stroke, double)>();
        foreach (var zone in path.Where(z => inTwo.Count == 0 || inTwo.Contains(z)))
        {
            strokes.Add((new Stroke(zone, false), at));
            at += whole * zone.Facts().HairShare.Value;
        }

        if (inTwo.Count > 0)
        {
            at = Math.Max(at, Values.ScalpAfterMinutes);
            foreach (var zone in path)
            {
                strokes.Add((new Stroke(zone, inTwo.Contains(zone)), at));
                at += whole * zone.Facts().HairShare.Value * (inTwo.Contains(zone) ? Values.SecondTurn : 1);
            }
        }

        return (strokes, at);
    }

    private static ClockTimes Times(Schedule s, Line line) =>
        new(s.PaintMinutes, s.ProcessMinutes, line.ProcessMin, line.ProcessMax, line.LongestContact, s.RinseAtMinutes);
}
