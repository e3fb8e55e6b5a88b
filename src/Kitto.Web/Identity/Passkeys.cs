using System.Buffers.Text;
using System.Net;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>What a browser is asked, and what comes back with its answer, sealed: it counts for five minutes.</summary>
/// <param name="Options">What the browser is asked (JSON of WebAuthn, level 3).</param>
/// <param name="State">What the answer is held against.</param>
public sealed record PasskeyQuestion(string Options, string State);

/// <summary>Passkeys (WebAuthn): made on one's own device, which asks for a finger, a face or its own code; they take the place of password and second step.</summary>
public sealed class Passkeys(
    IPasskeyHandler<Person> handler,
    PasskeyRecord record,
    People people,
    SignIns signIns,
    Trail trail,
    IDataProtectionProvider keys,
    TimeProvider clock
)
{
    /// <summary>So many one person may have.</summary>
    public const int Most = 10;

    /// <summary>Longest name of one, characters.</summary>
    public const int LongestName = 60;

    private static readonly TimeSpan Wait = TimeSpan.FromMinutes(5);

    private readonly ITimeLimitedDataProtector waiting = keys.CreateProtector("Kitto.Passkey").ToTimeLimitedDataProtector();

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Whether a browser can keep one for the address it stands on: a name, not a number, and by an encrypted line unless it is this machine.</summary>
    public static bool Possible(HttpRequest request) =>
        !IPAddress.TryParse(request.Host.Host.Trim('[', ']'), out _) && (request.IsHttps || request.Host.Host == "localhost");

    /// <summary>
    /// How passkeys are asked for: kept on the device, which looks who holds it. An answer must be made on this very address; pages say no referrer,
    /// so that the header Origin of a form says nothing, and the address asked for is held against it instead.
    /// </summary>
    public static void Settings(IdentityPasskeyOptions o)
    {
        (o.UserVerificationRequirement, o.ResidentKeyRequirement) = ("required", "required");
        o.ValidateOrigin = context =>
            ValueTask.FromResult(!context.CrossOrigin && context.Origin == $"{context.HttpContext.Request.Scheme}://{context.HttpContext.Request.Host}");
    }

    /// <summary>What a browser is asked to make one for a person.</summary>
    public async Task<PasskeyQuestion> ToMake(Person person, HttpContext http)
    {
        var entity = new PasskeyUserEntity
        {
            Id = $"{CurrentStudio.Id}:{person.Id:N}",
            Name = person.UserName,
            DisplayName = person.DisplayName,
        };
        var made = await handler.MakeCreationOptionsAsync(entity, http);
        return new PasskeyQuestion(made.CreationOptionsJson, Seal($"make {person.Id:N}", made.AttestationState));
    }

    /// <summary>Keeps one that a browser made for a person.</summary>
    /// <returns>Whether it is what was asked for.</returns>
    public async Task<bool> Make(Person person, string? name, string? state, string? credential, HttpContext http)
    {
        if (credential is null || Open($"make {person.Id:N}", state) is not { } asked || (await record.Of(person.Id)).Count >= Most)
        {
            return false;
        }

        var result = await handler.PerformAttestationAsync(
            new PasskeyAttestationContext
            {
                CredentialJson = credential,
                HttpContext = http,
                AttestationState = asked,
            }
        );
        string called = (name ?? "").Trim() is { Length: > 0 } given ? given : "A device";
        if (
            !result.Succeeded
            || await record.Add(
                new Passkey
                {
                    CredentialId = result.Passkey.CredentialId,
                    PersonId = person.Id,
                    PublicKey = result.Passkey.PublicKey,
                    Name = called[..Math.Min(called.Length, LongestName)],
                    MadeAt = Now,
                    SignCount = result.Passkey.SignCount,
                    Transports = result.Passkey.Transports ?? [],
                    BackupEligible = result.Passkey.IsBackupEligible,
                    BackedUp = result.Passkey.IsBackedUp,
                }
            ) != 1
        )
        {
            return false;
        }

        await trail.Door("passkey.made", person.Id, person.DisplayName, called);
        return true;
    }

    /// <summary>Takes one of a person's away.</summary>
    public async Task Drop(Person person, string? id)
    {
        if (Bytes(id) is { } credential && await record.Of(person.Id, credential) is { } there && await record.Drop(person.Id, credential) == 1)
        {
            await trail.Door("passkey.dropped", person.Id, person.DisplayName, there.Name);
        }
    }

    /// <summary>What a browser is asked so that somebody signs in; it is the same for everybody.</summary>
    public async Task<PasskeyQuestion> ToSignIn(HttpContext http)
    {
        var made = await handler.MakeRequestOptionsAsync(null!, http);
        return new PasskeyQuestion(made.RequestOptionsJson, Seal("sign in", made.AssertionState));
    }

    /// <summary>Signs in whose passkey it is; a session begins.</summary>
    public async Task<bool> SignIn(string? state, string? credential, HttpContext http)
    {
        if (credential is null || Open("sign in", state) is not { } asked || Handle(credential) is not [var studio, _])
        {
            return false;
        }

        // Whose it says it is tells which studio is entered; whether it is so, the signature tells.
        using var stay = CurrentStudio.Enter(StudioAtHand.Of(studio));
        var result = await handler.PerformAssertionAsync(
            new PasskeyAssertionContext
            {
                CredentialJson = credential,
                HttpContext = http,
                AssertionState = asked,
            }
        );
        if (!result.Succeeded || await people.ById(result.User.Id) is not { EndedAt: null, PasswordHash: not null } person)
        {
            await trail.Door("signIn.refused", null, "", $"a passkey, from {http.Connection.RemoteIpAddress}");
            return false;
        }

        // An answer counts once, also where the device counts nothing.
        if (!await people.UseOnce($"passkey {Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(asked)))}", Now, Now + Wait))
        {
            await trail.Door("signIn.refused", person.Id, "", $"a passkey's answer that was used before, from {http.Connection.RemoteIpAddress}");
            return false;
        }

        await record.Used(result.Passkey.CredentialId, result.Passkey.SignCount, result.Passkey.IsBackedUp, Now);
        await signIns.Begin(person, http);
        return true;
    }

    /// <summary>A passkey's number as text, and back; null where it is not one.</summary>
    public static string Text(byte[] id) => Base64Url.EncodeToString(id);

    private static byte[]? Bytes(string? text) => text is { Length: > 0 and <= 1400 } && Base64Url.IsValid(text) ? Base64Url.DecodeFromChars(text) : null;

    /// <summary>The studio and the person that an answer says it is of.</summary>
    private static string[]? Handle(string credential)
    {
        try
        {
            return JsonNode.Parse(credential)?["response"]?["userHandle"]?.GetValue<string>() is { } handle && Bytes(handle) is { } bytes
                ? Encoding.UTF8.GetString(bytes).Split(':')
                : null;
        }
        catch (Exception wrong) when (wrong is JsonException or InvalidOperationException)
        {
            return null;
        }
    }

    private string Seal(string what, string? state) => waiting.Protect($"{what}\n{state}", Wait);

    private string? Open(string what, string? kept) =>
        Sealing.Opened(() => waiting.Unprotect(kept ?? ""))?.Split('\n', 2) is [var about, var state] && about == what ? state : null;
}
