using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>What is happening on the head.</summary>
/// <param name="Actual">Zones as they were painted, and as the rest will be at her own speed; the rinse as it now must be.</param>
/// <param name="NowMinutes">Minutes since the first stroke.</param>
/// <param name="Begun">How many zones have been begun.</param>
/// <param name="Painted">Whether the last stroke is done.</param>
/// <param name="BehindMinutes">Minutes behind the plan (ahead where negative).</param>
/// <param name="FirstOff">Zones that must be rinsed before the rest, because their longest time ends before the others have had enough; empty where all are rinsed together.</param>
/// <param name="FirstOffAt">When they must, minutes since the first stroke; null where there are none.</param>
/// <param name="Says">What to tell her now; null where all goes as planned.</param>
public sealed record RunStand(
    Schedule Actual,
    double NowMinutes,
    int Begun,
    bool Painted,
    double BehindMinutes,
    IReadOnlyList<Zone> FirstOff,
    double? FirstOffAt,
    Saying? Says
);

/// <summary>Runs the plan against what really happens: strokes move the lanes, the rinse is reckoned anew, being late has an answer (clock).</summary>
public static class Run
{
    /// <summary>The stand of a run.</summary>
    /// <param name="plan">The schedule that was signed.</param>
    /// <param name="begun">Strokes in the order they were begun, with minutes since the first stroke; the first is 0.</param>
    /// <param name="lastStroke">Minutes at which the last zone was done; null while she paints.</param>
    /// <param name="now">Minutes since the first stroke, not before the last of them.</param>
    /// <param name="reading">The head, for the windows.</param>
    /// <param name="service">The service.</param>
    /// <param name="line">The line of the roots.</param>
    /// <param name="reserve">Whether there is a sealed pair left to mix.</param>
    /// <param name="rinsed">Whether the rinse was begun: from then on this clock has nothing to say.</param>
    public static RunStand Stand(
        Schedule plan,
        IReadOnlyList<(Stroke Stroke, double At)> begun,
        double? lastStroke,
        double now,
        Reading reading,
        Service service,
        Line line,
        bool reserve,
        bool rinsed = false
    )
    {
        var lanes = Lanes(plan, begun, lastStroke, now, out double end);
        ContactWindow Window(Stroke s) =>
            s.Scalp ? ContactWindow.OfScalp(reading.Zones[(int)s.Zone], line, service) : ContactWindow.Of(s.Zone, reading.Zones[(int)s.Zone], line, service);
        var windows = lanes.Select(z => (z.Stroke.Zone, z.At, Latest: z.At + Window(z.Stroke).To.Value)).ToList();
        double wanted = end + plan.ProcessMinutes.Value;
        double least = end + Math.Min(plan.ProcessMinutes.Value, line.ProcessMin.Value);
        // Where no zone may have it on until then, the whole head comes off when the last of them must.
        double rinse = Math.Min(Math.Max(least, Math.Min(wanted, windows.Min(w => w.Latest))), windows.Max(w => w.Latest));
        var first = windows.Where(w => w.Latest < rinse - 1e-6).ToList();
        double behind = end - plan.PaintMinutes.Value;
        var actual = plan with
        {
            PaintMinutes = Minutes.Of(end).Tenths(),
            ProcessMinutes = Minutes.Of(Math.Max(0, rinse - end)).Tenths(),
            RinseAtMinutes = Minutes.Of(rinse).Tenths(),
            Zones = Times(false),
            Scalp = plan.Scalp is null ? null : Times(true),
            Remedies = null,
        };
        IReadOnlyList<ZoneTime> Times(bool scalp) =>
            [
                .. lanes
                    .Where(z => z.Stroke.Scalp == scalp)
                    .Select(z => new ZoneTime(
                        z.Stroke.Zone,
                        Minutes.Of(z.At).Tenths(),
                        Minutes.Of(Math.Max(0, rinse - z.At)).Tenths(),
                        plan.Strokes.Where(p => p.Stroke == z.Stroke).Select(p => p.Time.Batch).DefaultIfEmpty(1).First()
                    )),
            ];
        double? firstAt = first.Count == 0 ? null : first.Min(w => w.Latest);
        return new RunStand(
            actual,
            now,
            begun.Count,
            lastStroke is not null,
            Math.Round(behind, 1),
            [.. first.Select(w => w.Zone).Distinct()],
            firstAt,
            rinsed
                ? null
                : Says(actual, begun, lastStroke is not null, now, wanted - rinse, behind, [.. first.Select(w => w.Zone).Distinct()], firstAt, line, reserve)
        );
    }

    /// <summary>Begun strokes where they were begun; the rest in the order of the plan, at the speed she has shown so far.</summary>
    private static List<(Stroke Stroke, double At)> Lanes(
        Schedule plan,
        IReadOnlyList<(Stroke Stroke, double At)> begun,
        double? lastStroke,
        double now,
        out double end
    )
    {
        var planned = plan.Strokes;
        double Planned(Stroke stroke)
        {
            int i = planned.Select((s, at) => (s.Stroke, at)).First(x => x.Stroke == stroke).at;
            double until = i + 1 < planned.Count ? planned[i + 1].Time.PaintedAt.Value : plan.PaintMinutes.Value;
            return until - planned[i].Time.PaintedAt.Value;
        }

        var lanes = begun.ToList();
        if (lastStroke is { } done)
        {
            end = done;
            return lanes;
        }

        double took = begun.Count > 1 ? begun[^1].At - begun[0].At : 0;
        double should = begun.Take(Math.Max(0, begun.Count - 1)).Sum(z => Planned(z.Stroke));
        double speed = should > 0.5 ? Math.Clamp(took / should, 0.5, 3) : 1;
        double at = begun.Count == 0 ? 0 : Math.Max(now, begun[^1].At + Planned(begun[^1].Stroke) * speed);
        foreach (var stroke in planned.Select(s => s.Stroke).Except(begun.Select(z => z.Stroke)))
        {
            // The scalp is not begun before its time, however quick she was (TM6).
            at = stroke.Scalp ? Math.Max(at, Values.ScalpAfterMinutes) : at;
            lanes.Add((stroke, at));
            at += Planned(stroke) * speed;
        }

        end = at;
        return lanes;
    }

    private static RunSays? Says(
        Schedule actual,
        IReadOnlyList<(Stroke Stroke, double At)> begun,
        bool painted,
        double now,
        double shortened,
        double behind,
        IReadOnlyList<Zone> firstOff,
        double? firstAt,
        Line line,
        bool reserve
    )
    {
        if (begun.Count == 0)
        {
            return null;
        }

        if (firstAt is { } at)
        {
            return now >= at ? new RinseFirstNow(firstOff) : new RinseFirstIn(firstOff, at - now, actual.RinseAtMinutes.Value - at);
        }

        if (painted && now >= actual.RinseAtMinutes.Value)
        {
            return new TimeIsUp(now - actual.RinseAtMinutes.Value);
        }

        if (!painted)
        {
            int Bowl(Stroke stroke) => actual.Strokes.First(a => a.Stroke == stroke).Time.Batch;
            double mixed = begun.First(z => Bowl(z.Stroke) == Bowl(begun[^1].Stroke)).At;
            if (now - mixed > line.WorkingLife.Value)
            {
                return new MixIsOld(now - mixed, reserve);
            }
        }

        if (shortened >= 0.5)
        {
            return new TimeShortened(actual.ProcessMinutes.Value);
        }

        return behind > Values.BehindMinutes ? new BehindPlan(behind) : null;
    }
}
