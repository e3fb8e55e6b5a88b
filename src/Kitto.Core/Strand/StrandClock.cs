using Kitto.Core.Trade;

namespace Kitto.Core.Strand;

/// <summary>When a stretch gets its formula and for how long: contact counts per stretch, and what is pulled through has its own clock (TM13).</summary>
internal static class StrandClock
{
    /// <summary>The row with its times.</summary>
    public static StrandRow Times(StrandRow row, Schedule clock, FormulaPlan formula)
    {
        double rinse = clock.RinseAtMinutes.Value;
        StrandRow Last(double minutes) => Set(row, Math.Max(0, rinse - minutes), Math.Min(minutes, rinse));
        if (row.Turn == Turn.Last || row.Does == Does.PullThrough)
        {
            double most = formula.OnRoots
                ? row.Stretch == Stretch.Ends
                    ? Values.EndsMinutes
                    : Values.PulledMinutes
                : Values.ThroughMinutes;
            return Last(Math.Min(most, clock.ProcessMinutes.Value));
        }

        var lanes = row.Turn == Turn.Scalp ? clock.Scalp ?? clock.Zones : clock.Zones;
        return lanes.FirstOrDefault(z => z.Zone == row.Zone) is { } lane ? Set(row, lane.PaintedAt.Value, lane.ContactMinutes.Value) : row;
    }

    private static StrandRow Set(StrandRow row, double at, double contact) =>
        row with
        {
            StartsAt = Minutes.Of(at).Tenths(),
            ContactMinutes = Minutes.Of(contact).Tenths(),
        };
}
