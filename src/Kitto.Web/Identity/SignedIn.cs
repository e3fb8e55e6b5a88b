using System.Security.Claims;

namespace Kitto.Web.Identity;

/// <summary>Who is signed in.</summary>
internal static class SignedIn
{
    /// <summary>The claim that holds the name.</summary>
    internal const string NameClaim = "kitto:name";

    /// <summary>The person's name, for the record.</summary>
    public static string Name(this ClaimsPrincipal user) => user.FindFirstValue(NameClaim) ?? user.Identity?.Name ?? "studio";

    /// <summary>The person's id; only on pages that nobody opens without signing in.</summary>
    public static Guid Id(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);
}
