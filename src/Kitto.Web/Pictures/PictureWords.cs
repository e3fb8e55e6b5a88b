using System.Globalization;
using Kitto.Core.Picture;
using Kitto.Pictures;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Pictures;

/// <summary>Why a picture is not measured or not taken, and what to do: the same words to the studio and, in their language, to the client.</summary>
public static class PictureWords
{
    /// <summary>Why a picture is not measured.</summary>
    /// <param name="refused">The reason.</param>
    /// <param name="text">Words of a client's page; null: the studio's.</param>
    public static string Of(PictureRefusal refused, IStringLocalizer? text = null) =>
        refused switch
        {
            PictureRefusal.NoCard => Say(text, "Part of the card is missing. At least three of its four marks must be in the photo, with nothing over them."),
            PictureRefusal.NotFlat => Say(text, "The card is bent. Lay it flat, or print it on thicker paper."),
            PictureRefusal.TooTilted => Say(text, "This photo was taken from the side. Hold the phone straight above the card."),
            PictureRefusal.Blurred => Say(text, "This photo is blurred, or too far away. Go closer, hold still and tap the card to focus."),
            PictureRefusal.TooDark => Say(text, "This photo is too dark. Go to a window."),
            PictureRefusal.TooBright => Say(text, "There is too much light on the paper. Stay out of the sun. No flash."),
            PictureRefusal.TwoLights => Say(text, "There is light of two colours on it, or a hard shadow. Switch the lamp off or move away from the window."),
            PictureRefusal.NoHair => Say(text, "There is no hair in the opening of the card, or it is not cut out."),
            PictureRefusal.NoParting => Say(
                text,
                "No parting shows at the top edge of the opening. Part the hair and lay the card so that you see scalp just inside it."
            ),
            PictureRefusal.NotClear => Say(
                text,
                "We cannot see where your new growth ends. Turn towards the light and take it again. Otherwise your colourist measures it by eye."
            ),
            PictureRefusal.TooShort => Say(text, "Less than {0} mm has grown. Your colourist measures that by eye.", HairReader.ShortestMm),
            _ => throw new ArgumentOutOfRangeException(nameof(refused), refused, "no such refusal"),
        };

    /// <summary>Why a file is not taken.</summary>
    /// <param name="refused">The reason.</param>
    /// <param name="text">Words of a client's page; null: the studio's.</param>
    public static string Of(FileRefusal refused, IStringLocalizer? text = null) =>
        refused switch
        {
            FileRefusal.NotAPicture => Say(text, "This file is not a photo we can read. Use a JPEG or a PNG."),
            FileRefusal.TooLarge => Say(text, "The file is larger than {0} MB.", PictureFile.MostBytes >> 20),
            FileRefusal.TooManyPixels => Say(text, "This photo has more than {0} million pixels. Send a smaller one.", PictureFile.MostPixels / 1_000_000),
            FileRefusal.TooFewPixels => Say(text, "This photo is too small. Its short side must have at least {0} pixels.", PictureFile.LeastSide),
            FileRefusal.NotHere => Say(text, "Pictures cannot be opened on this machine: a library is missing (docs/photographs.md says which)."),
            _ => Say(text, "The file is damaged, or took too long to open. Send the photo again."),
        };

    private static string Say(IStringLocalizer? text, string words, params object[] facts) =>
        text is null ? string.Format(CultureInfo.InvariantCulture, words, facts) : text[words, facts];
}
