using System.Security.Cryptography;
using System.Text;

namespace Kitto.Web.Delivery;

/// <summary>What goes to the browser beside the pages, and on which terms.</summary>
public sealed class FrontEnd(IWebHostEnvironment site)
{
    /// <summary>The folder of fonts; their names hold what is in them, so they can be kept for good.</summary>
    public const string Fonts = "/lib/fonts";

    /// <summary>
    /// Stands in the head of every page: what only scripts can show is laid out for them before anything is painted, and a script that does not come takes that back.
    /// </summary>
    public const string MarkScripts =
        "document.documentElement.classList.add('js');addEventListener('error',e=>{if(e.target.tagName==='SCRIPT')document.documentElement.classList.remove('js')},true)";

    /// <summary>What keeps a client's guide without a network; it may do so for guides alone.</summary>
    public const string Worker = "/lib/worker.js";

    /// <summary>How the same worker is asked for where it keeps the questions.</summary>
    public const string QuestionsWorker = "?ask";

    /// <summary>Content security policy: all from here, and of inline scripts that one alone.</summary>
    public static string Policy { get; } =
        $"default-src 'self'; script-src 'self' 'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(MarkScripts)))}'; img-src 'self' data:; object-src 'none'; base-uri 'self'; frame-ancestors 'none'; form-action 'self'";

    /// <summary>What a page may ask the browser for: its camera and its serial port at the bench, a screen that stays on for the guide, passkeys. Nothing else.</summary>
    public const string Permissions =
        "camera=(self), serial=(self), hid=(self), screen-wake-lock=(self), publickey-credentials-get=(self), publickey-credentials-create=(self), accelerometer=(), display-capture=(), encrypted-media=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=(), bluetooth=(), xr-spatial-tracking=()";

    /// <summary>The same for the bench: it reads a simulated scale on this machine, and compiles the reader of codes where the browser has none.</summary>
    public static string BenchPolicy { get; } =
        Policy.Replace("script-src 'self'", "script-src 'self' 'wasm-unsafe-eval'", StringComparison.Ordinal)
        + "; connect-src 'self' http://127.0.0.1:* http://localhost:*";

    /// <summary>Addresses of the fonts that every page needs at once.</summary>
    public IReadOnlyList<string> FirstFonts { get; } =
    [
        .. site
            .WebRootFileProvider.GetDirectoryContents(Fonts)
            .Select(f => f.Name)
            .Where(n => n.Contains("-core-", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)
            .Select(n => $"{Fonts}/{n}"),
    ];

    /// <summary>
    /// Whether a page may be compressed. Its length could tell another site of what stands in it, if that site could make her browser ask for it with words of its own choosing:
    /// so only where the browser says that no other site asks, or where the address itself is the secret and no cookie is needed.
    /// </summary>
    public static bool MayCompress(HttpRequest request) =>
        request.Headers["Sec-Fetch-Site"] is ["same-origin" or "none"] || request.Path.StartsWithSegments("/g") || request.Path.StartsWithSegments("/ask");
}
