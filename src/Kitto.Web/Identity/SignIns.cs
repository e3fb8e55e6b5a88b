using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>How a try to sign in ended.</summary>
public enum SignInEnd
{
    Done,
    Wrong,
    TooMany,

    /// <summary>The password is right; a code is asked for.</summary>
    Code,
}

/// <summary>Signs people in and out: every try is counted before it is looked at, a name nobody bears is answered as any other, and each sign-in is a session that can be ended.</summary>
public sealed class SignIns(
    SignInManager<Person> signIn,
    UserManager<Person> users,
    People people,
    Trail trail,
    SecondStep step,
    IDataProtectionProvider keys,
    TimeProvider clock,
    ILogger<SignIns> log
)
{
    /// <summary>So many tries under one name, or from one device that signed in before, are looked at within the window.</summary>
    public const int Tries = 8;

    /// <summary>How long tries are counted together.</summary>
    public static readonly TimeSpan Window = TimeSpan.FromMinutes(5);

    /// <summary>How long a device that signed in is known again.</summary>
    private static readonly TimeSpan DeviceLife = TimeSpan.FromDays(365);

    private const string DeviceCookie = "kitto-device";

    private readonly ITimeLimitedDataProtector devices = keys.CreateProtector("Kitto.Device").ToTimeLimitedDataProtector();

    // A hash nobody's password has: a name that is nobody's takes as long as one that is.
    private static readonly Lazy<string> Nobody = new(() =>
        new PasswordHasher<Person>().HashPassword(new Person(), Convert.ToHexString(RandomNumberGenerator.GetBytes(16)))
    );

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Tries a name and a password; where they belong together, a session begins.</summary>
    public async Task<SignInEnd> Try(string name, string password, HttpContext http)
    {
        string normal = users.NormalizeName(name)!;
        // Whose name it is says which studio is entered; one of nobody is looked for in the first, as any other.
        using var stay = CurrentStudio.Enter(await people.StudioOf(normal) ?? CurrentStudio.First);
        var person = await people.ByName(normal);
        // A device that signed in under this name before counts for itself: nobody else can lock it out.
        string counted = Device(http, person) is { } device ? $"device {device}" : $"name {Hashed(normal)}";
        if (await people.Try(counted, Now, Window) > Tries)
        {
            await Refused(person, http, lockedOut: true);
            return SignInEnd.TooMany;
        }

        bool right =
            users.PasswordHasher.VerifyHashedPassword(person ?? new Person(), person?.PasswordHash ?? Nobody.Value, password)
            != PasswordVerificationResult.Failed;
        if (person is null || !right || person.EndedAt is not null)
        {
            await Refused(person, http, lockedOut: false);
            return SignInEnd.Wrong;
        }

        await people.Tried(counted, Now, Window);
        if (person.TotpAt is not null)
        {
            step.Remember(person, http);
            return SignInEnd.Code;
        }

        await Begin(person, http);
        return SignInEnd.Done;
    }

    private async Task Refused(Person? person, HttpContext http, bool lockedOut)
    {
        string from = http.Connection.RemoteIpAddress?.ToString() ?? "";
        WebLog.NotSignedIn(log, from, lockedOut);
        // A line is written for a name of nobody, too: it takes as long.
        await trail.Door(
            lockedOut ? "signIn.tooMany" : "signIn.refused",
            person?.Id,
            "",
            person is null ? $"a name of nobody, from {from}" : $"{person.UserName}, from {from}"
        );
    }

    /// <summary>Begins a session of a person of the studio at hand, and knows the device from then on.</summary>
    public async Task Begin(Person person, HttpContext http)
    {
        string device = DeviceName(http);
        var session = await people.Begin(person.Id, device, Now);
        await signIn.SignInWithClaimsAsync(person, isPersistent: false, [new Claim(SessionCheck.Claim, session.ToString())]);
        DoorCookie.Set(http, DeviceCookie, devices.Protect($"{person.Id:N} {session:N}", DeviceLife), DeviceLife);
        WebLog.SignedIn(log, person.Id);
        await trail.Door("signIn.done", person.Id, person.DisplayName, $"{device}, from {http.Connection.RemoteIpAddress}");
    }

    /// <summary>Ends the session: its cookie is worth nothing any more, wherever it was copied to.</summary>
    public async Task End(ClaimsPrincipal user)
    {
        if (user.Session() is { } session)
        {
            await people.End(user.Id(), Now, only: session);
            await trail.Door("signIn.ended", user.Id(), user.Name(), "");
        }

        await signIn.SignOutAsync();
    }

    /// <summary>What is wrong with a password to be; empty: nothing.</summary>
    public async Task<IReadOnlyList<string>> Wrong(Person person, string? password)
    {
        var wrong = new List<string>();
        foreach (var check in users.PasswordValidators)
        {
            wrong.AddRange((await check.ValidateAsync(users, person, password)).Errors.Select(e => e.Description));
        }

        return wrong;
    }

    /// <summary>Gives a person a password; cookies from before are worth nothing any more.</summary>
    public void Choose(Person person, string password) =>
        (person.PasswordHash, person.SecurityStamp) = (users.PasswordHasher.HashPassword(person, password), Guid.NewGuid().ToString("N"));

    /// <summary>Whether a password is a person's.</summary>
    public bool Is(Person person, string? password) =>
        person.PasswordHash is { } hash && users.PasswordHasher.VerifyHashedPassword(person, hash, password ?? "") != PasswordVerificationResult.Failed;

    /// <summary>The device, where it signed in as this person before; null otherwise.</summary>
    private string? Device(HttpContext http, Person? person) =>
        person is not null
        && http.Request.Cookies[DeviceCookie] is { } cookie
        && Sealing.Opened(() => devices.Unprotect(cookie))?.Split(' ') is [var whose, var device]
        && whose == person.Id.ToString("N")
            ? device
            : null;

    private static string Hashed(string name) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(name)))[..32];

    /// <summary>A browser in a few words, so that its owner knows it again.</summary>
    private static string DeviceName(HttpContext http)
    {
        string agent = http.Request.Headers.UserAgent.ToString();
        string? Of(params (string Mark, string Name)[] known) => known.FirstOrDefault(k => agent.Contains(k.Mark, StringComparison.Ordinal)).Name;
        string browser = Of(("Firefox", "Firefox"), ("Edg/", "Edge"), ("Chrome", "Chrome"), ("Safari", "Safari")) ?? "a browser";
        return Of(("Android", "Android"), ("iPhone", "iPhone"), ("iPad", "iPad"), ("Windows", "Windows"), ("Mac OS", "a Mac"), ("Linux", "Linux")) is { } on
            ? $"{browser} on {on}"
            : browser;
    }
}
