using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Clock;

/// <summary>The clock of one head: order, contact times, batches.</summary>
/// <param name="Schedule">What is shown.</param>
/// <param name="Batches">The zones of each batch, in the order of painting.</param>
public sealed record Timed(Schedule Schedule, IReadOnlyList<IReadOnlyList<Zone>> Batches);

/// <summary>Plans the clock on the head (clock).</summary>
public static class Timing
{
    /// <summary>A mix must be on this long before it stops working, minutes.</summary>
    public const double Spare = 3;

    /// <summary>The time after the last stroke: the line's, or the one at which her strand came right, within the line's range (SA12).</summary>
    public static Minutes Process(Reading reading, Line line) => reading.Client.StrandTest is { Result: StrandResult.Right, Minutes: { } right }
        ? Minutes.Of(Math.Clamp(right, line.ProcessMin.Value, line.ProcessMax.Value))
        : line.Process;

    /// <summary>The same schedule with another time after the last stroke: the rinse and every contact move with it.</summary>
    public static Schedule Set(Schedule schedule, Minutes process)
    {
        double by = process.Value - schedule.ProcessMinutes.Value;
        return schedule with
        {
            ProcessMinutes = process,
            RinseAtMinutes = Minutes.Of(schedule.RinseAtMinutes.Value + by).Tenths(),
            Zones = [.. schedule.Zones.Select(z => z with { ContactMinutes = Minutes.Of(Math.Max(0, z.ContactMinutes.Value + by)).Tenths() })],
        };
    }

    /// <summary>Times one order.</summary>
    public static Schedule Of(PaintOrder order, Reading reading, Hands hands, Service service, Line line, House house) =>
        Of(order, PaintOrders.Sequence(order, reading, house), reading, hands, service, line, house);

    /// <summary>Times a path over the head.</summary>
    public static Schedule Of(PaintOrder order, IReadOnlyList<Zone> path, Reading reading, Hands hands, Service service, Line line, House house)
    {
        double whole = Painting.WholeHead(hands, reading.Hair.Density, service, order);
        double process = Process(reading, line).Value;
        double paint = path.Sum(z => whole * z.Facts().HairShare.Value);
        double rinse = house.School("TM2") == "firstStroke"
            ? Math.Max(process, paint + line.ProcessMin.Value)
            : paint + process;
        return Lay(order, path, whole, paint, rinse);
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
    public static Timed Choose(Reading reading, Hands hands, Service service, Line line, double targetLevel, House house, ICollection<Because> why, PaintWish? own = null)
    {
        var (orders, reason) = PaintOrders.Admissible(reading, service, targetLevel, house);
        var windows = new ContactWindow[reading.Zones.Count];
        for (int i = 0; i < windows.Length; i++)
        {
            windows[i] = Window((Zone)i, reading, service, line);
        }

        // How much is seen times minutes outside the window, over all zones.
        double Off(Schedule s) => s.Zones.Sum(z => z.Zone.SeenWeight() * Math.Abs(windows[(int)z.Zone].Miss(z.ContactMinutes)));
        var tried = orders.Select(o => Of(o, reading, hands, service, line, house)).Select(s => (Schedule: s, Off: Off(s))).ToList();
        var (best, least) = tried.MinBy(s => Math.Round(s.Off, 9))!;
        if (own is null)
        {
            string compared = string.Concat(tried.Where(s => s.Off > least + 1e-9).Select(s => $" {Sentence(s.Schedule.Order.Says())} would miss the contact times by more."));
            why.Add(new Because("TM5", $"{Sentence(best.Order.Says())}: {reason}.{compared}", "clock"));
        }
        else
        {
            var wished = own.Sequence is { } path
                ? Of(PaintOrder.Own, [.. path.Where(z => reading.Zones[(int)z].Include), .. reading.Included.Select(z => z.Zone).Except(path)], reading, hands, service, line, house)
                : Of(own.Order, reading, hands, service, line, house);
            double more = Off(wished) - least;
            why.Add(new Because("TM5", $"{Sentence(wished.Order.Says())}, because you want it so. The numbers would say {best.Order.Says()}: {reason}."
                + (Math.Abs(more) < .005 ? " Contact times are kept as well either way." : $" Yours misses the contact times by {Math.Abs(more):0.0#} weighted min {(more > 0 ? "more" : "less")}."), "clock"));
            best = wished;
        }

        why.Add(new Because("TM7", $"These hands need about {best.PaintMinutes} from first to last stroke.", "clock", Times(best, line)));

        var fitted = Shorten(best, reading, service, line);
        if (fitted.RinseAtMinutes.Value < best.RinseAtMinutes.Value)
        {
            why.Add(new Because("TM8", $"The timer is shortened from {best.ProcessMinutes} to {fitted.ProcessMinutes} after the last stroke, so that no zone has the colour on longer than {line.LongestContact}.", "clock", Times(fitted, line)));
        }
        else if (house.School("TM2") == "firstStroke")
        {
            why.Add(new Because("TM2", $"The house times from the first stroke; {fitted.ProcessMinutes} are left after the last one.", "clock"));
        }
        else
        {
            why.Add(new Because("TM2", $"The timer starts at the last stroke and runs {fitted.ProcessMinutes}, {(Process(reading, line) == line.Process ? "the line's time" : "at which her strand came right")}.", "clock", Times(fitted, line)));
        }

        foreach (var zone in fitted.Zones)
        {
            double miss = windows[(int)zone.Zone].Miss(zone.ContactMinutes);
            if (miss > 0)
            {
                why.Add(new Because("TM8", $"The {zone.Zone.Facts().Says} would have the colour on for {zone.ContactMinutes}, {Minutes.Of(miss)} over the most it may.", "clock"));
            }
            else if (miss < 0)
            {
                why.Add(new Because("TM1", $"The {zone.Zone.Facts().Says} gets {zone.ContactMinutes}, {Minutes.Of(-miss)} short of what its hair wants.", "clock"));
            }
        }

        if (Remedies.Over(fitted, reading, service, line) > 0)
        {
            var remedies = Remedies.Of(fitted, reading, hands, service, line, house);
            fitted = fitted with { Remedies = remedies };
            var first = remedies.FirstOrDefault(r => r.Fits);
            why.Add(first is null
                ? new Because("TM8", "Nothing that was tried brings every zone within its longest time: fewer zones, or the chair.", "clock")
                : new Because(first.Rule, first.Says, "clock"));
        }

        var batches = Batch(fitted, line);
        if (batches.Count > 1)
        {
            why.Add(new Because("AP8", $"A mix works for {line.WorkingLife}; painting takes {fitted.PaintMinutes}. So {batches.Count} bowls are mixed, the next one when the first is on, cut after the {batches[0][^1].Facts().Says}.", "clock"));
        }

        var numbered = fitted.Zones.Select(z => z with { Batch = batches.Select((b, i) => (b, i)).First(x => x.b.Contains(z.Zone)).i + 1 });
        return new Timed(fitted with { Zones = [.. numbered] }, batches);
    }

    internal static ContactWindow Window(Zone zone, Reading reading, Service service, Line line) =>
        ContactWindow.Of(zone, reading.Zones[(int)zone], line, service);

    /// <summary>Takes the overrun off the timer, never below the line's shortest time.</summary>
    internal static Schedule Shorten(Schedule schedule, Reading reading, Service service, Line line)
    {
        double over = Remedies.Over(schedule, reading, service, line);
        double cut = Math.Min(over, Math.Max(0, schedule.ProcessMinutes.Value - line.ProcessMin.Value));
        return cut <= 0 ? schedule : Set(schedule, Minutes.Of(schedule.ProcessMinutes.Value - cut).Tenths());
    }

    /// <summary>Zones by bowl: each is painted while its mix still works, and the cut lies as near the middle as it can.</summary>
    private static List<IReadOnlyList<Zone>> Batch(Schedule schedule, Line line)
    {
        double life = line.WorkingLife.Value - Spare;
        var zones = schedule.Zones;
        double total = schedule.PaintMinutes.Value;
        if (total <= life || zones.Count < 2)
        {
            return [[.. zones.Select(z => z.Zone)]];
        }

        var cuts = zones.Skip(1).Select((z, i) => (At: z.PaintedAt.Value, Index: i + 1)).ToList();
        var fits = cuts.Where(c => c.At <= life && total - c.At <= life).ToList();
        var (_, index) = (fits.Count > 0 ? fits : cuts).MinBy(c => Math.Abs(c.At - total / 2));
        return [[.. zones.Take(index).Select(z => z.Zone)], [.. zones.Skip(index).Select(z => z.Zone)]];
    }

    private static Schedule Lay(PaintOrder order, IReadOnlyList<Zone> path, double whole, double paint, double rinse)
    {
        // Contacts are differences of the shown times, so that they add up on the page.
        double at = 0;
        var shownRinse = Minutes.Of(rinse).Tenths();
        var zones = new List<ZoneTime>();
        foreach (var zone in path)
        {
            var painted = Minutes.Of(at).Tenths();
            zones.Add(new ZoneTime(zone, painted, Minutes.Of(Math.Max(0, shownRinse.Value - painted.Value)).Tenths(), 1));
            at += whole * zone.Facts().HairShare.Value;
        }

        var shownPaint = Minutes.Of(paint).Tenths();
        return new Schedule(order, shownPaint, Minutes.Of(Math.Max(0, shownRinse.Value - shownPaint.Value)).Tenths(), shownRinse, zones, null);
    }

    private static IReadOnlyList<Used> Times(Schedule s, Line line) =>
    [
        new("first to last stroke", s.PaintMinutes.Value, "min"), new("after the last stroke", s.ProcessMinutes.Value, "min"), new("the line's shortest", line.ProcessMin.Value, "min"),
        new("its longest", line.ProcessMax.Value, "min"), new("longest contact", line.LongestContact.Value, "min"), new("rinse", s.RinseAtMinutes.Value, "min"),
    ];

    private static string Sentence(string words) => char.ToUpperInvariant(words[0]) + words[1..];
}
