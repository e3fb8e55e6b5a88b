using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Guides;

/// <summary>What a phone needs to put a guide on its home screen.</summary>
public static class HomeScreen
{
    /// <summary>One icon as the manifest names it.</summary>
    /// <param name="Src">Where it is.</param>
    /// <param name="Sizes">Its size.</param>
    /// <param name="Type">Its type.</param>
    /// <param name="Purpose">Whether a phone may cut it to its own shape.</param>
    public sealed record Icon(string Src, string Sizes, string Type, string Purpose);

    /// <summary>The web app manifest of one guide: it opens where the link opens, and nothing else.</summary>
    /// <param name="token">The guide's token.</param>
    /// <param name="text">Words of the client's pages.</param>
    public static JsonHttpResult<object> Manifest(string token, IStringLocalizer<ClientPages> text) =>
        TypedResults.Json<object>(
            new
            {
                name = text["Kitto guide"].Value,
                lang = Words.Client.Tag,
                short_name = "Kitto",
                id = $"/g/{token}",
                start_url = $"/g/{token}",
                scope = $"/g/{token}",
                display = "standalone",
                background_color = "#ffffff",
                theme_color = "#0f5b57",
                icons = new Icon[]
                {
                    new("/icon-192.png", "192x192", "image/png", "any maskable"),
                    new("/icon-512.png", "512x512", "image/png", "any maskable"),
                    new("/favicon.svg", "any", "image/svg+xml", "any"),
                },
            },
            contentType: "application/manifest+json"
        );
}
