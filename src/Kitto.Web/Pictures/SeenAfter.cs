using System.Globalization;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Picture;
using Kitto.Store;
using Kitto.Web.Sittings;

namespace Kitto.Web.Pictures;

/// <summary>How a kit came out, as it was measured on the card: the hair next to the scalp, zone by zone, in pictures of the days after.</summary>
/// <param name="Zones">The zones that were measured.</param>
/// <param name="Colour">All of them together.</param>
/// <param name="Before">The same zones before the kit; null where no picture of them was taken then.</param>
public sealed record SeenAfter(IReadOnlyList<Zone> Zones, SeenColour Colour, SeenColour? Before)
{
    /// <summary>Later than this a colour has begun to fade, days (ours).</summary>
    public const int Days = 10;

    /// <summary>From a client's pictures; null where none shows it.</summary>
    /// <param name="pictures">The client's, the newest first.</param>
    /// <param name="kit">A kit that was reported.</param>
    /// <param name="studio">On whose calendar.</param>
    public static SeenAfter? Of(IReadOnlyList<HeadPicture> pictures, Reported kit, Studio studio)
    {
        var partings = pictures.Where(p => p.Of == PictureKind.Parting && p.Measured.Reading?.Roots is not null).ToList();
        var (id, applied) = (kit.Outcome.KitId, kit.Outcome.AppliedOn);
        // Where less had grown than is looked at, what is seen is not what was painted.
        var after = Newest(
            partings.Where(p =>
                p.KitId == id
                && studio.Today(p.TakenAt) is var day
                && day >= applied
                && day <= applied.AddDays(Days)
                && kit.Head.Zones[(int)p.Shows] is { Include: true } zone
                && zone.Regrowth.Value >= HairReader.RootsToMm
            )
        );
        var before = Newest(partings.Where(p => p.KitId != id && studio.Today(p.TakenAt) < applied && after.ContainsKey(p.Shows)));
        return SeenColour.Of([.. after.Values]) is not { } colour ? null : new SeenAfter([.. after.Keys.Order()], colour, SeenColour.Of([.. before.Values]));
    }

    /// <summary>It in words: how far from what was forecast, how far from before, each with its band, dE00.</summary>
    /// <param name="forecast">L*, a*, b* of the roots as forecast; null: none was.</param>
    public string Says(IReadOnlyList<double>? forecast)
    {
        static string Text(Measured m) => string.Create(CultureInfo.InvariantCulture, $"{m.Value:0.0} ({m.Low:0.0} to {m.High:0.0})");
        var says = new List<string> { string.Join(", ", Zones.Select(Words.Studio.Term)) };
        if (forecast is [var l, var a, var b])
        {
            says.Add($"dE00 from the forecast {Text(Colour.From(new Lab(l, a, b)))}");
        }

        if (Before is { } before)
        {
            says.Add($"from before {Text(Colour.From(before.Colour, before.Sd))}");
        }

        return string.Join("; ", says);
    }

    private static Dictionary<Zone, Lab> Newest(IEnumerable<HeadPicture> pictures)
    {
        var found = new Dictionary<Zone, Lab>();
        foreach (var picture in pictures)
        {
            found.TryAdd(picture.Shows, picture.Measured.Reading!.Roots!.Value);
        }

        return found;
    }
}
