using Kitto.Core.Clock;

namespace Kitto.Core.Strand;

/// <summary>When a stretch gets its formula and for how long: contact counts per stretch, and what is pulled through has its own clock (TM13).</summary>
internal static class StrandClock
{
    /// <summary>A pulled-through mix is on the lengths for so long at most (SV9).</summary>
    public const double PulledMinutes = 10;

    /// <summary>On the ends so long at most: they were coloured before or are porous (SV10).</summary>
    public const double EndsMinutes = 5;

    /// <summary>A quick tone is on for so long at most (SV18).</summary>
    public const double QuickMinutes = 3;

    /// <summary>The row with its times.</summary>
    public static StrandRow Times(StrandRow row, Schedule clock, FormulaPlan formula)
    {
        double rinse = clock.RinseAtMinutes.Value;
        StrandRow Last(double minutes) => Set(row, Math.Max(0, rinse - minutes), Math.Min(minutes, rinse));
        if (row.Turn == Turn.Last || row.Does == Does.PullThrough)
        {
            double most = formula.OnRoots ? row.Stretch == Stretch.Ends ? EndsMinutes : PulledMinutes : GlossPlan.ThroughMinutes;
            return Last(Math.Min(most, clock.ProcessMinutes.Value));
        }

        var lanes = row.Turn == Turn.Scalp ? clock.Scalp ?? clock.Zones : clock.Zones;
        return lanes.FirstOrDefault(z => z.Zone == row.Zone) is { } lane ? Set(row, lane.PaintedAt.Value, lane.ContactMinutes.Value) : row;
    }

    private static StrandRow Set(StrandRow row, double at, double contact) => row with { StartsAt = Minutes.Of(at).Tenths(), ContactMinutes = Minutes.Of(contact).Tenths() };
}
