using System.ComponentModel.DataAnnotations;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Kitto.Web.Pages.Clients;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Comes into a studio by an invitation.</summary>
public sealed class JoinModel(Links links, Studios studios, PeopleCommands commands, SignIns signIns, UserManager<Person> users, TimeProvider clock) : PageModel
{
    [BindProperty, Required(ErrorMessage = "Type your name."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string? DisplayName { get; set; }

    [
        BindProperty,
        Required(ErrorMessage = "Choose a name to sign in with."),
        RegularExpression("[A-Za-z0-9._@+-]{2,40}", ErrorMessage = "2 to 40 letters, digits or . _ @ + -")
    ]
    public string? UserName { get; set; }

    [BindProperty, Required(ErrorMessage = "Choose a password."), StringLength(200, MinimumLength = 10, ErrorMessage = "10 to 200 characters.")]
    public string? Password { get; set; }

    [BindProperty]
    public string? Email { get; set; }

    /// <summary>The invitation; null: it is none, or no longer.</summary>
    public Link? Invitation { get; private set; }

    public string Studio { get; private set; } = "";

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    public Task OnGet(string token) => Fill(token);

    public async Task<IActionResult> OnPost(string token)
    {
        await Fill(token);
        if (Invitation is null)
        {
            return Page();
        }

        if (!string.IsNullOrWhiteSpace(Email) && !ClientInput.IsAddress(Email.Trim()))
        {
            ModelState.AddModelError(nameof(Email), "An address such as freya@example.org, or nothing.");
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var person = new Person
        {
            UserName = UserName!,
            NormalName = users.NormalizeName(UserName)!,
            DisplayName = DisplayName!.Trim(),
            CreatedAt = Now,
            Role = Invitation.Role!,
            Email = string.IsNullOrWhiteSpace(Email) ? null : Email.Trim(),
        };
        foreach (string wrong in await signIns.Wrong(person, Password))
        {
            ModelState.AddModelError(nameof(Password), wrong);
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        signIns.Choose(person, Password!);
        try
        {
            await commands.Join(Invitation, person, Now);
        }
        catch (ConflictException conflict)
        {
            ModelState.AddModelError(nameof(UserName), conflict.Message);
            return Page();
        }

        await signIns.Begin(person, HttpContext);
        return Redirect("/");
    }

    private async Task Fill(string token)
    {
        Invitation = await links.Open("invite", token) is { } link && link.ClosedAt(Now) is null ? link : null;
        Studio = (await studios.Get())?.Name ?? "";
    }
}
