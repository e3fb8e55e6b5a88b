using System.Globalization;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Picture;
using Kitto.Store;
using Kitto.Web.Sittings;

namespace Kitto.Web.Pictures;

/// <summary>What a picture proposes for a zone of a reading.</summary>
/// <param name="Picture">The picture.</param>
/// <param name="Reading">What was measured, before any correction.</param>
/// <param name="RegrowthMm">Regrowth to be typed, whole mm; null: none.</param>
/// <param name="GreyPercent">White share to be typed, whole %; null: none.</param>
/// <param name="Says">It in words, with its bands.</param>
public sealed record Measures(Guid Picture, PictureReading Reading, int? RegrowthMm, int? GreyPercent, string Says)
{
    /// <summary>Pictures that tell of the head as it is to be read now: taken after the last reading, and not in the days after a colour, when nothing has grown and a line is not regrowth's.</summary>
    /// <param name="pictures">The client's, the newest first.</param>
    /// <param name="record">What is known of the client.</param>
    public static IReadOnlyList<HeadPicture> Fresh(IReadOnlyList<HeadPicture> pictures, ClientRecord record)
    {
        DateOnly? grown = record.Outcomes.Count == 0 ? null : record.Outcomes.Max(o => o.AppliedOn).AddDays(SeenAfter.Days);
        return
        [
            .. pictures.Where(p => (record.Reading is not { } last || p.TakenAt > last.TakenAt) && (grown is null || record.Studio.Today(p.TakenAt) > grown)),
        ];
    }

    /// <summary>What the newest measured picture of each zone proposes.</summary>
    /// <param name="fresh">Pictures that tell of the head now, the newest first.</param>
    /// <param name="corrections">What the studio's own pairs correct.</param>
    public static IReadOnlyDictionary<Zone, Measures> Newest(IReadOnlyList<HeadPicture> fresh, IReadOnlyDictionary<PictureValue, StudioBias> corrections)
    {
        var found = new Dictionary<Zone, Measures>();
        foreach (var picture in fresh.Where(p => p.Of == PictureKind.Parting))
        {
            if (picture.Measured.Reading is { Refused: null } reading)
            {
                found.TryAdd(picture.Shows, Of(picture.Id, reading, corrections));
            }
        }

        return found;
    }

    /// <summary>What was signed beside what was measured.</summary>
    /// <param name="zone">The zone as it was signed.</param>
    public IEnumerable<KeptPair> Signed(ZoneReading zone)
    {
        if (Reading.RegrowthMm is { } mm)
        {
            yield return new KeptPair(Picture, Json.Name(PictureValue.Regrowth), mm.Value, mm.Low, mm.High, zone.Regrowth.Value);
        }

        if (Reading.White is { } white)
        {
            yield return new KeptPair(Picture, Json.Name(PictureValue.White), white.Value, white.Low, white.High, zone.Grey.Value);
        }
    }

    private static Measures Of(Guid id, PictureReading reading, IReadOnlyDictionary<PictureValue, StudioBias> corrections)
    {
        var says = new List<string>();
        int? Whole(PictureValue value, Measured? measured, double most, double times, string unit, string what)
        {
            if (measured is null)
            {
                return null;
            }

            var bias = corrections.GetValueOrDefault(value) is { Corrects: true } found ? found : null;
            var m = bias?.Correct(measured, 0, most) ?? measured;
            int Round(double v) => (int)Math.Round(v * times, MidpointRounding.AwayFromZero);
            string own = bias is null ? "" : string.Create(CultureInfo.InvariantCulture, $", {Round(measured.Value)} before your {bias.Pairs} pairs");
            says.Add(string.Create(CultureInfo.InvariantCulture, $"{what}{Round(m.Value)} {unit} ({Round(m.Low)} to {Round(m.High)}{own})"));
            return Round(m.Value);
        }

        var (regrowth, white) = (
            Whole(PictureValue.Regrowth, reading.RegrowthMm, CaseFields.ZoneRegrowthMm.Most, 1, "mm", ""),
            Whole(PictureValue.White, reading.White, 1, 100, "%", "white ")
        );
        if (reading.Level is { } level)
        {
            says.Add(string.Create(CultureInfo.InvariantCulture, $"level {level.Value:0.0} ({level.Low:0.0} to {level.High:0.0})"));
        }

        return new Measures(id, reading, regrowth, white, string.Join(", ", says));
    }
}
