using System.Globalization;
using Kitto.Core.Head;
using Kitto.Core.Picture;
using Kitto.Store;

namespace Kitto.Web.Pictures;

/// <summary>What a picture proposes for a zone of a reading.</summary>
/// <param name="Picture">The picture.</param>
/// <param name="RegrowthMm">Regrowth to be typed, whole mm; null: none.</param>
/// <param name="GreyPercent">White share to be typed, whole %; null: none.</param>
/// <param name="Says">It in words, with its bands.</param>
public sealed record Measures(Guid Picture, int? RegrowthMm, int? GreyPercent, string Says)
{
    /// <summary>The newest measured picture of each zone that was taken after the last reading.</summary>
    /// <param name="pictures">The client's, the newest first.</param>
    /// <param name="since">When the head was last read, UTC; null: never.</param>
    public static IReadOnlyDictionary<Zone, Measures> Newest(IReadOnlyList<HeadPicture> pictures, DateTime? since)
    {
        var found = new Dictionary<Zone, Measures>();
        foreach (var picture in pictures.Where(p => p.Of == PictureKind.Parting && (since is null || p.TakenAt > since)))
        {
            if (picture.Measured.Reading is { Refused: null } reading)
            {
                found.TryAdd(picture.Shows, Of(picture.Id, reading));
            }
        }

        return found;
    }

    private static Measures Of(Guid id, PictureReading reading)
    {
        var says = new List<string>();
        int? Whole(Measured? m, double times, string unit, string what)
        {
            if (m is null)
            {
                return null;
            }

            int Round(double v) => (int)Math.Round(v * times, MidpointRounding.AwayFromZero);
            says.Add(string.Create(CultureInfo.InvariantCulture, $"{what}{Round(m.Value)} {unit} ({Round(m.Low)} to {Round(m.High)})"));
            return Round(m.Value);
        }

        var (regrowth, white) = (Whole(reading.RegrowthMm, 1, "mm", ""), Whole(reading.White, 100, "%", "white "));
        if (reading.Level is { } level)
        {
            says.Add(string.Create(CultureInfo.InvariantCulture, $"level {level.Value:0.0} ({level.Low:0.0} to {level.High:0.0})"));
        }

        return new Measures(id, regrowth, white, string.Join(", ", says));
    }
}
