using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Picture;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pictures;

/// <summary>What a client's page needs to ask for pictures.</summary>
/// <param name="Address">The page's address.</param>
/// <param name="Sent">Says what was seen.</param>
/// <param name="Asked">What is asked for.</param>
/// <param name="Wrong">What is wrong with the one just sent; null: nothing.</param>
public sealed record HeadPicturesView(string Address, SentPictures Sent, IReadOnlyList<AskedPicture> Asked, string? Wrong)
{
    /// <summary>What the phone looks at before it sends: the card as it should be, the limits, and the words for what it finds.</summary>
    /// <param name="text">Words of the page.</param>
    public static string Look(IStringLocalizer text) =>
        JsonSerializer.Serialize(
            new
            {
                size = MeasuringCard.Marker,
                cells = MeasuringCard.MarkerCells,
                markers = MeasuringCard.Markers.Select(m => new[] { m.X, m.Y }),
                paper = MeasuringCard.Paper.Select(p => p.Inner(0.9)).Select(Corners),
                window = Corners(MeasuringCard.Inside.Inner(4)),
                limits = new
                {
                    tilt = HairReader.MostTilt,
                    bend = HairReader.MostBendMm,
                    edge = HairReader.WidestEdgeMm,
                    fine = HairReader.LeastPixelsPerMm,
                    dark = HairReader.DarkestPaper,
                    clipped = HairReader.MostClipped,
                    turn = HairReader.MostTurn,
                    even = HairReader.LeastEven,
                },
                says = HairReader.OfTaking.ToDictionary(r => Json.Name(r), r => PictureWords.Of(r, text)),
            },
            Json.Options
        );

    private static double[] Corners(Patch p) => [p.X, p.Y, p.X + p.Width, p.Y + p.Height];
}
