using Kitto.Store;
using Microsoft.AspNetCore.Identity;

namespace Kitto.Web.Identity;

/// <summary>A password is judged by its length, by whether many people have it, and by whether it is made of the person's own name; never by kinds of letters (as NIST SP 800-63B advises).</summary>
public sealed class PasswordCheck : IPasswordValidator<Person>
{
    // Long ones that are tried first everywhere (from memory). What is put before or after them in digits and signs does not make them better.
    private static readonly HashSet<string> Common =
    [
        "password",
        "passwordpassword",
        "passw0rd",
        "iloveyou",
        "iloveyouforever",
        "letmein",
        "letmeinplease",
        "welcome",
        "qwertyuiop",
        "qwertyuiopas",
        "asdfghjkl",
        "zxcvbnm",
        "qazwsxedc",
        "qwerty",
        "qwertyqwerty",
        "abcdefghij",
        "abcdefghijkl",
        "administrator",
        "admin",
        "adminadmin",
        "superman",
        "football",
        "baseball",
        "basketball",
        "princess",
        "sunshine",
        "butterfly",
        "chocolate",
        "changeme",
        "changemeplease",
        "secret",
        "secretsecret",
        "trustno",
        "whatever",
        "michaeljackson",
        "liverpool",
        "manchester",
        "arsenal",
        "barcelona",
        "hairdresser",
        "haircolour",
        "haircolor",
        "salon",
        "mysalon",
        "colourist",
        "colorist",
        "kitto",
        "kittokitto",
        "correcthorsebatterystaple",
    ];

    public Task<IdentityResult> ValidateAsync(UserManager<Person> manager, Person user, string? password)
    {
        string plain = (password ?? "").ToLowerInvariant();
        string letters = plain.Trim([.. "0123456789 !?.,-_*#+$%&@"]);
        string wrong =
            letters.Length == 0 || Common.Contains(letters) || Common.Contains(plain)
                ? "Many people have this one, and it is tried first. Take four words of your own."
            : new[] { user.UserName, user.DisplayName }.Any(n => n.Length > 0 && Same(letters, n)) ? "Not your own name."
            : "";
        return Task.FromResult(wrong.Length == 0 ? IdentityResult.Success : IdentityResult.Failed(new IdentityError { Code = "Common", Description = wrong }));
    }

    /// <summary>Whether it is a name and no more, once or several times, spaces and signs left out.</summary>
    private static bool Same(string letters, string name)
    {
        static string Bare(string text) => new([.. text.ToLowerInvariant().Where(char.IsLetterOrDigit)]);
        return Bare(name) is { Length: > 0 } bare && Bare(letters).Replace(bare, "", StringComparison.Ordinal).Length == 0;
    }
}
