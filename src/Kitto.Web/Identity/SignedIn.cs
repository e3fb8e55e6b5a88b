using System.Security.Claims;
using Kitto.Store;

namespace Kitto.Web.Identity;

/// <summary>Who is signed in.</summary>
internal static class SignedIn
{
    /// <summary>The claim that holds the name.</summary>
    internal const string NameClaim = "kitto:name";

    /// <summary>The person's name, for the record.</summary>
    public static string Name(this ClaimsPrincipal user) => user.FindFirstValue(NameClaim) ?? user.Identity?.Name ?? "studio";

    /// <summary>What the person is in the studio, as it stands now; null: nobody is signed in.</summary>
    public static Role? Role(this ClaimsPrincipal user) =>
        Enum.TryParse<Role>(user.FindFirstValue(ClaimTypes.Role), ignoreCase: true, out var role) ? role : null;

    /// <summary>The session the request belongs to.</summary>
    public static Guid? Session(this ClaimsPrincipal user) => Guid.TryParse(user.FindFirstValue(SessionCheck.Claim), out var id) ? id : null;

    /// <summary>The person's id; only on pages that nobody opens without signing in.</summary>
    public static Guid Id(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);
}
