using System.Text.Json.Serialization;
using Kitto.Core.Clock;
using Kitto.Core.Head;

namespace Kitto.Core;

/// <summary>When a zone is painted and how long the colour is on it.</summary>
/// <param name="Zone">Which.</param>
/// <param name="PaintedAt">Minutes after the first stroke of the plan.</param>
/// <param name="ContactMinutes">Until the rinse.</param>
/// <param name="Batch">1 or 2.</param>
public sealed record ZoneTime(Zone Zone, Minutes PaintedAt, Minutes ContactMinutes, int Batch);

/// <summary>The clock.</summary>
/// <param name="Order">Name of the order.</param>
/// <param name="PaintMinutes">First stroke to last.</param>
/// <param name="ProcessMinutes">Timer after the last stroke.</param>
/// <param name="RinseAtMinutes">Minutes after the first stroke.</param>
/// <param name="Zones">In the order of painting.</param>
/// <param name="SpreadDeltaE">Colour difference between first and last zone; null until forecast.</param>
/// <param name="Remedies">What can be done where a zone would have the colour on too long, what changes least first; null where all fits.</param>
public sealed record Schedule(
    PaintOrder Order,
    Minutes PaintMinutes,
    Minutes ProcessMinutes,
    Minutes RinseAtMinutes,
    IReadOnlyList<ZoneTime> Zones,
    double? SpreadDeltaE,
    IReadOnlyList<Remedy>? Remedies = null
)
{
    /// <summary>The scalp stretch of zones that are painted in two turns, in the order of painting; null where none is (TM6). Their grown stretch stands among <see cref="Zones"/>.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<ZoneTime>? Scalp { get; init; }

    /// <summary>Every stroke in the order of painting: a zone, or its grown stretch and later its scalp stretch.</summary>
    [JsonIgnore]
    public IReadOnlyList<(Stroke Stroke, ZoneTime Time)> Strokes =>
        [
            .. Zones
                .Select(z => (new Stroke(z.Zone, false), z))
                .Concat((Scalp ?? []).Select(z => (new Stroke(z.Zone, true), z)))
                .OrderBy(x => x.z.PaintedAt.Value),
        ];

    /// <summary>The same with another time after the last stroke: the rinse and every contact move with it.</summary>
    public Schedule With(Minutes process)
    {
        double by = process.Value - ProcessMinutes.Value;
        IReadOnlyList<ZoneTime> Moved(IReadOnlyList<ZoneTime> zones) =>
            [.. zones.Select(z => z with { ContactMinutes = Minutes.Of(Math.Max(0, z.ContactMinutes.Value + by)).Tenths() })];
        return this with
        {
            ProcessMinutes = process,
            RinseAtMinutes = Minutes.Of(RinseAtMinutes.Value + by).Tenths(),
            Zones = Moved(Zones),
            Scalp = Scalp is { } scalp ? Moved(scalp) : null,
        };
    }

    /// <summary>Whether a zone is painted in two turns.</summary>
    public bool InTwo(Zone zone) => Scalp?.Any(z => z.Zone == zone) ?? false;
}

/// <summary>One turn at one zone.</summary>
/// <param name="Zone">Which.</param>
/// <param name="Scalp">Its scalp stretch, where the grown hair was painted before; else all of it, or the grown stretch.</param>
public readonly record struct Stroke(Zone Zone, bool Scalp);
