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
            PictureRefusal.NoCard => Say(text, "The card is not seen whole: at least three of its four marks must be in the picture, with nothing over them."),
            PictureRefusal.NotFlat => Say(text, "The card is bent. Lay it flat, or print it on stiffer paper."),
            PictureRefusal.TooTilted => Say(text, "It was taken too much from the side. Hold the phone straight above the card."),
            PictureRefusal.Blurred => Say(text, "It is blurred, or taken from too far away. Hold still, closer, and tap the card to focus."),
            PictureRefusal.TooDark => Say(text, "It is too dark. Go to a window."),
            PictureRefusal.TooBright => Say(text, "The paper is burnt out to white. Keep out of the sun, no flash."),
            PictureRefusal.TwoLights => Say(text, "Lights of two colours fall on it, or a hard shadow. Switch the lamp off, or leave the window."),
            PictureRefusal.NoHair => Say(text, "The window is not filled with hair, or not cut out."),
            PictureRefusal.NoParting => Say(
                text,
                "No parting is seen at the window's upper edge. Part the hair and lay the card so that scalp shows just inside it."
            ),
            PictureRefusal.NotClear => Say(
                text,
                "Where regrowth ends is not clear in it: shine, or two colours too much alike. Turn the light and take it again, or it is measured by eye."
            ),
            PictureRefusal.TooShort => Say(text, "Less than {0} mm have grown: that is measured by eye.", HairReader.ShortestMm),
            _ => throw new ArgumentOutOfRangeException(nameof(refused), refused, "no such refusal"),
        };

    /// <summary>Why a file is not taken.</summary>
    /// <param name="refused">The reason.</param>
    /// <param name="text">Words of a client's page; null: the studio's.</param>
    public static string Of(FileRefusal refused, IStringLocalizer? text = null) =>
        refused switch
        {
            FileRefusal.NotAPicture => Say(text, "This is no picture that is read here. Take a JPEG or a PNG."),
            FileRefusal.TooLarge => Say(text, "The file is larger than {0} MB.", PictureFile.MostBytes >> 20),
            FileRefusal.TooManyPixels => Say(text, "The picture has more than {0} million pixels. Send it smaller.", PictureFile.MostPixels / 1_000_000),
            FileRefusal.TooFewPixels => Say(text, "The picture is too small: {0} pixels at its short side at least.", PictureFile.LeastSide),
            FileRefusal.NotHere => Say(text, "Pictures cannot be opened on this machine: a library is missing (docs/photographs.md says which)."),
            _ => Say(text, "The file is broken, or took too long to open. Send the picture again."),
        };

    private static string Say(IStringLocalizer? text, string words, params object[] facts) =>
        text is null ? string.Format(CultureInfo.InvariantCulture, words, facts) : text[words, facts];
}
