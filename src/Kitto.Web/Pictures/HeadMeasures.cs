using System.Globalization;
using Kitto.Core.Colour;
using Kitto.Core.Outcome;
using Kitto.Core.Picture;
using Kitto.Store;

namespace Kitto.Web.Pictures;

/// <summary>What pictures propose for the whole head: the natural level, and what the lengths look like.</summary>
/// <param name="Level">Natural level to be typed, by halves; null: none.</param>
/// <param name="LevelSays">It in words.</param>
/// <param name="Lengths">The nearest look of the lengths; null: none was seen.</param>
/// <param name="LengthsSays">It in words.</param>
public sealed record HeadMeasures(double? Level, string LevelSays, NearestLook? Lengths, string LengthsSays)
{
    /// <summary>A family is named while no more than so many others look as near.</summary>
    private const int MostOthers = 3;

    /// <summary>From pictures that tell of the head now.</summary>
    /// <param name="fresh">They, the newest first.</param>
    /// <param name="zones">What they say by zone.</param>
    public static HeadMeasures Of(IReadOnlyList<HeadPicture> fresh, IEnumerable<Measures> zones)
    {
        var read = zones.Select(z => z.Reading).ToList();
        var level = Joined([.. read.Select(r => r.Level).OfType<Measured>()]);
        // A lock lies flat in one light: where one was sent it tells the lengths.
        var locked = fresh.Where(p => p.Of == PictureKind.Lock).Select(p => p.Measured.Reading).FirstOrDefault(r => r?.Lengths is not null);
        var look =
            locked is not null ? NearestLook.Of(locked.Lengths!.Value, locked.LengthsSd)
            : SeenColour.Of([.. read.Select(r => r.Lengths).OfType<Lab>()]) is { } seen ? NearestLook.Of(seen.Colour, seen.Sd)
            : null;
        return new HeadMeasures(
            level is null ? null : Math.Round(level.Value * 2, MidpointRounding.AwayFromZero) / 2,
            level is null ? "" : string.Create(CultureInfo.InvariantCulture, $"level {level.Value:0.0} ({level.Low:0.0} to {level.High:0.0})"),
            look,
            look is null ? "" : Say(look)
        );
    }

    /// <summary>A look in words: the level with its band, and the families that look as near where they are few.</summary>
    public static string Say(NearestLook look) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"level {look.Level:0.#} ({look.Low:0.#} to {look.High:0.#}), {(look.Or.Count == 0 ? look.Family.ToString()
                : look.Or.Count <= MostOthers ? $"{look.Family}, or as near {string.Join(", ", look.Or)}"
                : "its tone cannot be told")}"
        );

    /// <summary>Several measures of one value, each by how certain it is; null where there are none.</summary>
    private static Measured? Joined(IReadOnlyList<Measured> all)
    {
        if (all.Count == 0)
        {
            return null;
        }

        // What one camera gets wrong it gets wrong in all of them: the band does not shrink below the best one's.
        double value = all.Sum(m => m.Value * Weight(m)) / all.Sum(Weight),
            half = all.Min(m => m.High - m.Low) / 2;
        return new Measured(value, value - half, value + half);
    }

    private static double Weight(Measured m) => 1 / Math.Max(0.01, (m.High - m.Low) * (m.High - m.Low));
}
