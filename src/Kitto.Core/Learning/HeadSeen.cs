using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Strand;

namespace Kitto.Core.Learning;

/// <summary>One stretch of a strand as it looks today.</summary>
/// <param name="Stretch">Which: regrowth is told by its scalp stretch, however long.</param>
/// <param name="FromMm">Where it begins, from the scalp.</param>
/// <param name="ToMm">Where it ends.</param>
/// <param name="Grey">Share of white.</param>
/// <param name="Looks">What is seen, white and pigmented fibres for themselves.</param>
public sealed record SeenStretch(Stretch Stretch, double FromMm, double ToMm, Share Grey, Fibres Looks);

/// <summary>A head as it looks before anything is prescribed.</summary>
public static class HeadSeen
{
    /// <summary>The strand of a zone, from the scalp outwards.</summary>
    public static IReadOnlyList<SeenStretch> Of(Reading reading, Zone zone)
    {
        double regrowth = reading.Zones[(int)zone].Regrowth.Value,
            band = regrowth + (reading.Hair.Band?.Length.Value ?? 0),
            all = Math.Max(reading.Hair.LengthCm * 10, band + 1);
        var seen = new List<SeenStretch> { Seen(Stretch.Scalp, 0, regrowth), Seen(Stretch.Band, regrowth, band), Seen(Stretch.Lengths, band, all) };
        return [.. seen.Where(s => s.ToMm > s.FromMm)];

        SeenStretch Seen(Stretch stretch, double from, double to)
        {
            var state = HairState.Of(reading, zone, stretch);
            return new SeenStretch(stretch, from, to, state.Grey, HeadForecast.Fibres(HeadForecast.AsItIs(state, zone, stretch)));
        }
    }

    /// <summary>Natural hair of levels 1 to 10, for a screen, which is not a swatch.</summary>
    public static IReadOnlyList<string> Ladder { get; } = [.. Enumerable.Range(1, 10).Select(l => Srgb.Hex(Melanin.Natural(l).Lab))];
}
