using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core.Clock;

/// <summary>One thing that can be done when a zone would have the colour on too long.</summary>
/// <param name="Name">worstFirst, helper, halves or earlyHalf.</param>
/// <param name="Rule">The rule it comes from.</param>
/// <param name="Fits">Whether every zone is then within its longest time.</param>
/// <param name="OverMinutes">By how much the worst zone is still over; 0 where it fits.</param>
/// <param name="Says">The sentence, with its numbers.</param>
public sealed record Remedy(string Name, string Rule, bool Fits, Minutes OverMinutes, string Says)
{
    /// <summary>The same as data; null in what was read back.</summary>
    internal Reason? Why { get; init; }
}

/// <summary>What can be tried, what changes least first.</summary>
internal enum RemedyKind
{
    WorstFirst,
    Helper,
    Halves,
    EarlyHalf,
}

/// <summary>What to do when nothing fits, beginning with what changes least (clock). The timer has been shortened before, and a second bowl is mixed where the first would die.</summary>
public static class Remedies
{
    /// <summary>Minutes by which the worst zone is over its longest time; 0 where none is.</summary>
    public static double Over(Schedule schedule, Reading reading, Service service, Line line) =>
        schedule
            .Zones.Select(z => Timing.Window(z.Zone, reading, service, line).Miss(z.ContactMinutes))
            .Concat((schedule.Scalp ?? []).Select(z => ContactWindow.OfScalp(reading.Zones[(int)z.Zone], line, service).Miss(z.ContactMinutes)))
            .Append(0)
            .Max();

    /// <summary>All that can be tried, in the order of what changes least.</summary>
    /// <param name="taken">The schedule that does not fit, its timer shortened already.</param>
    /// <param name="reading">The head.</param>
    /// <param name="hands">Whose hands.</param>
    /// <param name="service">The service.</param>
    /// <param name="line">The line.</param>
    /// <param name="house">The house.</param>
    public static IReadOnlyList<Remedy> Of(Schedule taken, Reading reading, Hands hands, Service service, Line line, House house)
    {
        var found = new List<Remedy>();
        void Try(RemedyKind kind, Schedule s)
        {
            double over = Over(s, reading, service, line);
            var earlier = Minutes.Of(taken.RinseAtMinutes.Value - Math.Min(taken.RinseAtMinutes.Value, s.RinseAtMinutes.Value)).Tenths();
            var why = new RemedyWould(kind, s.PaintMinutes, Longest(s), earlier, over);
            found.Add(new Remedy(Contract.Json.Name(kind), why.Rule, over <= 0, Minutes.Of(over).Tenths(), house.Language.Says(why)) { Why = why });
        }

        Schedule Timed(PaintOrder order, Hands who) =>
            Timing.Shorten(Timing.Of(order, reading, who, service, line, house, taken.Scalp?.Select(z => z.Zone).ToHashSet()), reading, service, line);
        var order = taken.Order == PaintOrder.Own ? PaintOrder.BackFirst : taken.Order;
        if (taken.Order != PaintOrder.WorstFirst)
        {
            Try(RemedyKind.WorstFirst, Timed(PaintOrder.WorstFirst, hands));
        }

        if (hands.Who == Who.Alone)
        {
            Try(RemedyKind.Helper, Timed(order, hands with { Who = Who.Helper, Practised = false }));
        }

        Try(RemedyKind.Halves, Halved(taken, line));
        if (taken.Scalp is null)
        {
            Try(RemedyKind.EarlyHalf, EarlyHalf(taken, line));
        }

        return found;
    }

    /// <summary>The rule each comes from.</summary>
    internal static string Rule(RemedyKind kind) =>
        kind switch
        {
            RemedyKind.WorstFirst => "TM5",
            RemedyKind.Helper => "TM7",
            RemedyKind.Halves => "AP18",
            _ => "TM9",
        };

    private static Minutes Longest(Schedule s) => Minutes.Of(s.Zones.Max(z => z.ContactMinutes.Value));

    /// <summary>One half of the head: every zone takes half its time, or falls to one of the days.</summary>
    private static Schedule Halved(Schedule s, Line line)
    {
        double paint = s.PaintMinutes.Value / 2;
        double process = line.Process.Value;
        return s with
        {
            PaintMinutes = Minutes.Of(paint).Tenths(),
            ProcessMinutes = line.Process,
            RinseAtMinutes = Minutes.Of(paint + process).Tenths(),
            Zones = Half(s.Zones),
            Scalp = s.Scalp is { } scalp ? Half(scalp) : null,
        };

        IReadOnlyList<ZoneTime> Half(IReadOnlyList<ZoneTime> zones) =>
            [
                .. zones.Select(z =>
                    z with
                    {
                        PaintedAt = Minutes.Of(z.PaintedAt.Value / 2).Tenths(),
                        ContactMinutes = Minutes.Of(paint + process - z.PaintedAt.Value / 2).Tenths(),
                    }
                ),
            ];
    }

    /// <summary>The first half is rinsed as soon as its last zone has had the line's shortest time; the rest as planned. Its rinse stands for the early one.</summary>
    private static Schedule EarlyHalf(Schedule s, Line line)
    {
        double half = s.PaintMinutes.Value / 2;
        var early = s.Zones.Where(z => z.PaintedAt.Value < half).ToList();
        double until = s.Zones.SkipWhile(z => z.PaintedAt.Value < half).Select(z => z.PaintedAt.Value).DefaultIfEmpty(s.PaintMinutes.Value).First();
        double rinse = Math.Min(s.RinseAtMinutes.Value, until + line.ProcessMin.Value);
        return s with
        {
            RinseAtMinutes = Minutes.Of(rinse).Tenths(),
            Zones = [.. s.Zones.Select(z => early.Contains(z) ? z with { ContactMinutes = Minutes.Of(Math.Max(0, rinse - z.PaintedAt.Value)).Tenths() } : z)],
        };
    }
}
