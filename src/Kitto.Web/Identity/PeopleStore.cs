using Kitto.Store;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>Lets ASP.NET Core Identity keep people through Dapper.</summary>
public sealed class PeopleStore(People people, IDataProtectionProvider keys)
    : IUserPasswordStore<Person>,
        IUserSecurityStampStore<Person>,
        IUserAuthenticatorKeyStore<Person>
{
    public Task<string> GetUserIdAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.Id.ToString());

    public Task<string?> GetUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.UserName);

    public Task SetUserNameAsync(Person user, string? userName, CancellationToken cancellationToken) => Set(() => user.UserName = userName ?? "");

    public Task<string?> GetNormalizedUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.NormalName);

    public Task SetNormalizedUserNameAsync(Person user, string? normalizedName, CancellationToken cancellationToken) =>
        Set(() => user.NormalName = normalizedName ?? "");

    public Task<IdentityResult> CreateAsync(Person user, CancellationToken cancellationToken) =>
        throw new NotSupportedException("People come in with a studio or by an invitation.");

    public async Task<IdentityResult> UpdateAsync(Person user, CancellationToken cancellationToken) =>
        await people.Save(user) == 1 ? IdentityResult.Success : IdentityResult.Failed(new IdentityError { Description = "This account is gone." });

    public Task<IdentityResult> DeleteAsync(Person user, CancellationToken cancellationToken) =>
        throw new NotSupportedException("People are kept: what they signed stays signed by someone.");

    public Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        Guid.TryParse(userId, out var id) ? people.ById(id) : Task.FromResult<Person?>(null);

    public Task<Person?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) => people.ByName(normalizedUserName);

    public Task SetPasswordHashAsync(Person user, string? passwordHash, CancellationToken cancellationToken) => Set(() => user.PasswordHash = passwordHash);

    public Task<string?> GetPasswordHashAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash);

    public Task<bool> HasPasswordAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash is not null);

    public Task SetSecurityStampAsync(Person user, string stamp, CancellationToken cancellationToken) => Set(() => user.SecurityStamp = stamp);

    public Task<string?> GetSecurityStampAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.SecurityStamp);

    /// <summary>What encrypts keys of the second step.</summary>
    internal static IDataProtector Keeper(IDataProtectionProvider keys) => keys.CreateProtector("Kitto.Totp");

    public Task SetAuthenticatorKeyAsync(Person user, string key, CancellationToken cancellationToken) => Set(() => user.TotpKey = key);

    public Task<string?> GetAuthenticatorKeyAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult(user.TotpKey ?? (user.TotpSealed is { } kept ? Keeper(keys).Unprotect(kept) : null));

    public void Dispose()
    {
        // Nothing is held.
    }

    private static Task Set(Action set)
    {
        set();
        return Task.CompletedTask;
    }
}
