using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using Kitto.Store;
using Microsoft.AspNetCore.Html;

namespace Kitto.Web.Guides;

/// <summary>Moments inside a client's sentences: written on the studio's clock, and shown on the phone's own, so that a page has one zone of time.</summary>
public static partial class ClientMoments
{
    /// <summary>A moment as it stands inside a sentence until the page is written.</summary>
    public static string Mark(DateTime utc) => $"\u27E6{DateTime.SpecifyKind(utc, DateTimeKind.Utc):yyyy-MM-ddTHH:mm:ssZ}\u27E7";

    /// <summary>A moment as the page has it.</summary>
    /// <param name="utc">The moment, UTC.</param>
    /// <param name="studio">Whose clock is meant where the phone runs no scripts.</param>
    /// <param name="brief">The hour alone.</param>
    public static HtmlString Html(DateTime utc, Studio studio, bool brief = false)
    {
        var local = studio.Local(utc);
        string words = brief ? local.ToString("HH:mm", CultureInfo.InvariantCulture) : Words.Client.Moment(local);
        return new HtmlString(
            $"<time{(brief ? " data-short" : "")} datetime=\"{DateTime.SpecifyKind(utc, DateTimeKind.Utc):yyyy-MM-ddTHH:mm:ssZ}\">{WebUtility.HtmlEncode(words)}</time>"
        );
    }

    /// <summary>A sentence with its marked moments.</summary>
    public static HtmlString Html(string says, Studio studio) =>
        new(
            Marked()
                .Replace(
                    WebUtility.HtmlEncode(says).Replace("&#10214;", "\u27E6", StringComparison.Ordinal).Replace("&#10215;", "\u27E7", StringComparison.Ordinal),
                    m => Html(DateTime.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture, DateTimeStyles.AdjustToUniversal), studio).Value!
                )
        );

    [GeneratedRegex("\u27E6([0-9TZ:-]+)\u27E7")]
    private static partial Regex Marked();
}
