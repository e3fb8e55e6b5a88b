using System.Security.Claims;
using Kitto.Store;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace Kitto.Web.Identity;

/// <summary>Who is signed in carries the name that stands in the record beside what was said and signed.</summary>
public sealed class PersonClaims(UserManager<Person> users, IOptions<IdentityOptions> options) : UserClaimsPrincipalFactory<Person>(users, options)
{
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        identity.AddClaim(new Claim(SignedIn.NameClaim, user.DisplayName));
        identity.AddClaim(new Claim(StudioAtHand.Claim, CurrentStudio.Id.ToString()));
        return identity;
    }
}
