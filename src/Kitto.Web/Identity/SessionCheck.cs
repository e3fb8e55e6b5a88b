using System.Security.Claims;
using Kitto.Store;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace Kitto.Web.Identity;

/// <summary>
/// Asks at every request whether the session of a cookie still stands. A session that was ended, a password that was changed, somebody who works here
/// no longer: the cookie is worth nothing from then on, wherever it was copied to. The role is taken as it stands now.
/// </summary>
public sealed class SessionCheck(People people, TimeProvider clock, IOptions<IdentityOptions> identity) : CookieAuthenticationEvents
{
    /// <summary>The claim that holds the session.</summary>
    internal const string Claim = "kitto:session";

    /// <summary>How often it is written down that a session is used.</summary>
    private static readonly TimeSpan Notes = TimeSpan.FromMinutes(5);

    public override async Task ValidatePrincipal(CookieValidatePrincipalContext context)
    {
        var user = context.Principal;
        using var stay = CurrentStudio.Enter(StudioAtHand.Of(user?.FindFirstValue(StudioAtHand.Claim)));
        if (
            user?.Session() is not { } session
            || await people.Stands(session, clock.GetUtcNow().UtcDateTime) is not { } stands
            || stands.SecurityStamp != user.FindFirstValue(identity.Value.ClaimsIdentity.SecurityStampClaimType)
        )
        {
            context.RejectPrincipal();
            await context.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }

        var now = clock.GetUtcNow().UtcDateTime;
        if (now - stands.SeenAt > Notes)
        {
            await people.Seen(session, now);
        }

        var who = (ClaimsIdentity)user.Identity!;
        foreach (var old in who.FindAll(c => c.Type is ClaimTypes.Role or Identity.SignedIn.NameClaim).ToList())
        {
            who.RemoveClaim(old);
        }

        who.AddClaim(new Claim(ClaimTypes.Role, stands.Role));
        who.AddClaim(new Claim(Identity.SignedIn.NameClaim, stands.DisplayName));
    }
}
