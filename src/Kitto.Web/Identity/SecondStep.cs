using System.Security.Cryptography;
using System.Text;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>The second step when signing in: a code that changes every half minute (RFC 6238), from an app on one's own phone, or one of ten codes on paper.</summary>
public sealed class SecondStep(UserManager<Person> users, People people, IDataProtectionProvider keys, TimeProvider clock)
{
    /// <summary>How many codes there are on paper.</summary>
    public const int Papers = 10;

    private const string Cookie = "kitto-step";

    /// <summary>So long the password counts while the code is looked up.</summary>
    private static readonly TimeSpan Wait = TimeSpan.FromMinutes(5);

    /// <summary>A code is taken for at most so long, before and after its own half minute.</summary>
    private static readonly TimeSpan Lasts = TimeSpan.FromMinutes(6);

    /// <summary>So long a key that was shown can be taken.</summary>
    private static readonly TimeSpan Shown = TimeSpan.FromMinutes(15);

    private readonly ITimeLimitedDataProtector waiting = keys.CreateProtector("Kitto.SecondStep").ToTimeLimitedDataProtector();
    private readonly ITimeLimitedDataProtector shown = keys.CreateProtector("Kitto.SecondStep.Key").ToTimeLimitedDataProtector();

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>A key for who has just given their password; sealed with the person and the moment, it goes to the page and comes back with the first code.</summary>
    public string NewKey(Person person) => shown.Protect($"{CurrentStudio.Id} {person.Id:N} {users.GenerateNewAuthenticatorKey()}", Shown);

    /// <summary>The key that was shown to a person, within the quarter of an hour; null: it is none of theirs, or no longer.</summary>
    public string? KeyOf(Person person, string? seal) =>
        seal is { Length: < 1000 }
        && Sealing.Opened(() => shown.Unprotect(seal))?.Split(' ') is [var studio, var whose, var key]
        && studio == $"{CurrentStudio.Id}"
        && whose == $"{person.Id:N}"
            ? key
            : null;

    /// <summary>What the phone's app reads: the address of the key, as such apps take it.</summary>
    public static string Address(Person person, string studio, string key) =>
        $"otpauth://totp/{Uri.EscapeDataString($"Kitto {studio}")}:{Uri.EscapeDataString(person.UserName)}?secret={key}&issuer={Uri.EscapeDataString($"Kitto {studio}")}&digits=6";

    /// <summary>Takes a key from its first code on.</summary>
    /// <returns>Codes for the paper, shown once; null: the code is not of this key.</returns>
    public async Task<IReadOnlyList<string>?> Take(Person person, string key, string? code)
    {
        person.TotpKey = key;
        if (!await Fits(person, code))
        {
            return null;
        }

        var papers = Enumerable.Range(0, Papers).Select(_ => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(5))).ToList();
        await people.SetStep(person.Id, PeopleStore.Keeper(keys).Protect(key), Now, [.. papers.Select(Hashed)]);
        return [.. papers.Select(p => $"{p[..5]}-{p[5..]}")];
    }

    /// <summary>Whether a code is of the person's phone or paper, and was not used before. Tries are counted.</summary>
    public async Task<SignInEnd> Try(Person person, string? code)
    {
        string counted = $"code {person.Id:N}";
        if (await people.Try(counted, Now, SignIns.Window) > SignIns.Tries)
        {
            return SignInEnd.TooMany;
        }

        string plain = new([.. (code ?? "").Where(char.IsAsciiLetterOrDigit).Select(char.ToLowerInvariant)]);
        bool right =
            plain.Length == 10
                ? await people.UsePaper(person.Id, Hashed(plain))
                : await Fits(person, plain) && await people.UseOnce($"code {person.Id:N} {Hashed(plain)}", Now, Now + Lasts);
        if (right)
        {
            await people.Tried(counted, Now, SignIns.Window);
        }

        return right ? SignInEnd.Done : SignInEnd.Wrong;
    }

    private async Task<bool> Fits(Person person, string? code)
    {
        string plain = new([.. (code ?? "").Where(char.IsAsciiDigit)]);
        return plain.Length == 6 && await users.VerifyTwoFactorTokenAsync(person, TokenOptions.DefaultAuthenticatorProvider, plain);
    }

    /// <summary>The password was right; the code is asked for next, on this browser, within five minutes.</summary>
    public void Remember(Person person, HttpContext http) => DoorCookie.Set(http, Cookie, waiting.Protect($"{CurrentStudio.Id} {person.Id:N}", Wait), Wait);

    /// <summary>Who is asked for a code on this browser, and the number of their studio; null: nobody, or no longer.</summary>
    public (int Studio, Guid Person)? Waiting(HttpContext http) =>
        http.Request.Cookies[Cookie] is { } cookie && Sealing.Opened(() => waiting.Unprotect(cookie))?.Split(' ') is [var studio, var person]
            ? (StudioAtHand.Of(studio), Guid.Parse(person))
            : null;

    /// <summary>The code was right, or it is begun again.</summary>
    public static void Forget(HttpContext http) => DoorCookie.Drop(http, Cookie);

    private static string Hashed(string code) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(code)));
}
