using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>A new password for who forgot theirs: a letter with a link, then the password.</summary>
public sealed class RecoverModel(
    Links links,
    People people,
    PeopleCommands commands,
    SignIns signIns,
    RecoveryLetters letters,
    UserManager<Person> users,
    TimeProvider clock
) : PageModel
{
    /// <summary>Whether a link was followed, open or not.</summary>
    public bool Followed { get; private set; }

    /// <summary>Whether the link that was followed is open.</summary>
    public bool Usable { get; private set; }

    public bool Asked { get; private set; }

    public string? Typed { get; private set; }

    public string? Wrong { get; private set; }

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    public Task OnGet(string? token) => Fill(token);

    /// <summary>Asks for the letter. What is answered, and how fast, does not depend on whether anybody bears the name.</summary>
    public IActionResult OnPostAsk(string? userName)
    {
        Typed = (userName ?? "").Trim();
        if (Typed.Length is 0 or > 100)
        {
            Wrong = "Type the name you sign in with, at most 100 characters.";
            return Page();
        }

        letters.Ask(users.NormalizeName(Typed)!, PublicAddress.Asked(Request));
        Asked = true;
        return Page();
    }

    /// <summary>The new password.</summary>
    public async Task<IActionResult> OnPost(string? token, string? password)
    {
        if (await Fill(token) is not { } link)
        {
            return Page();
        }

        var person = (await people.ById(link.PersonId!.Value))!;
        Wrong =
            password is null || password.Length is < 10 or > 200 ? "10 to 200 characters."
            : await signIns.Wrong(person, password) is [var wrong, ..] ? wrong
            : null;
        if (Wrong is not null || person.EndedAt is not null)
        {
            return Page();
        }

        signIns.Choose(person, password!);
        try
        {
            await commands.Recover(link, person, Now);
        }
        catch (ConflictException)
        {
            Usable = false;
            return Page();
        }

        if (person.TotpAt is not null)
        {
            // A letter is not the phone: the code is asked for as at the door.
            return Redirect("/signin");
        }

        await signIns.Begin(person, HttpContext);
        return Redirect("/");
    }

    private async Task<Link?> Fill(string? token)
    {
        Followed = token is not null;
        var link = token is null ? null : await links.Open("recover", token);
        Usable = link is not null && link.ClosedAt(Now) is null;
        return Usable ? link : null;
    }
}
