namespace Kitto.Web.Identity;

/// <summary>Cookies that only the door reads: no script sees them, no other page gets them.</summary>
internal static class DoorCookie
{
    private const string Path = "/signin";

    /// <summary>Sets one.</summary>
    /// <param name="http">The request.</param>
    /// <param name="name">Its name.</param>
    /// <param name="value">What it holds, sealed.</param>
    /// <param name="life">How long the browser keeps it.</param>
    public static void Set(HttpContext http, string name, string value, TimeSpan life) =>
        http.Response.Cookies.Append(
            name,
            value,
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = http.Request.IsHttps,
                MaxAge = life,
                Path = Path,
            }
        );

    /// <summary>Takes one away.</summary>
    public static void Drop(HttpContext http, string name) => http.Response.Cookies.Delete(name, new CookieOptions { Path = Path });
}
