using Kitto.Store;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>Lets ASP.NET Core Identity keep people through Dapper.</summary>
public sealed class PeopleStore(People people, PasskeyRecord passkeys, IDataProtectionProvider keys)
    : IUserPasswordStore<Person>,
        IUserSecurityStampStore<Person>,
        IUserAuthenticatorKeyStore<Person>,
        IUserPasskeyStore<Person>
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
        // A passkey says the number of the studio first.
        Guid.TryParse(userId[(userId.IndexOf(':', StringComparison.Ordinal) + 1)..], out var id)
            ? people.ById(id)
            : Task.FromResult<Person?>(null);

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

    public async Task<IList<UserPasskeyInfo>> GetPasskeysAsync(Person user, CancellationToken cancellationToken) =>
        [.. (await passkeys.Of(user.Id)).Select(Info)];

    public async Task<UserPasskeyInfo?> FindPasskeyAsync(Person user, byte[] credentialId, CancellationToken cancellationToken) =>
        await passkeys.Of(user.Id, credentialId) is { } found ? Info(found) : null;

    public async Task<Person?> FindByPasskeyIdAsync(byte[] credentialId, CancellationToken cancellationToken) =>
        await passkeys.Whose(credentialId) is { } id ? await people.ById(id) : null;

    public Task AddOrUpdatePasskeyAsync(Person user, UserPasskeyInfo passkey, CancellationToken cancellationToken) =>
        throw new NotSupportedException("Passkeys are kept with the name their owner gives them.");

    public Task RemovePasskeyAsync(Person user, byte[] credentialId, CancellationToken cancellationToken) => passkeys.Drop(user.Id, credentialId);

    // A device that did not ask who holds it is not taken; how it proved what it is when the key was made is not kept.
    private static UserPasskeyInfo Info(Passkey p) =>
        new(p.CredentialId, p.PublicKey, p.MadeAt, (uint)p.SignCount, p.Transports, true, p.BackupEligible, p.BackedUp, [], []) { Name = p.Name };

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
