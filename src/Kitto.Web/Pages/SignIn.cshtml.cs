using System.ComponentModel.DataAnnotations;
using Kitto.Store;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

public sealed class SignInModel(SignIns signIns, Passkeys passkeys, Studios studios, People people) : PageModel
{
    [BindProperty, Required(ErrorMessage = "Type your name."), StringLength(100, ErrorMessage = "At most 100 characters.")]
    public string? UserName { get; set; }

    [BindProperty, Required(ErrorMessage = "Type your password."), StringLength(200, ErrorMessage = "At most 200 characters.")]
    public string? Password { get; set; }

    public bool Demo { get; private set; }

    public async Task<IActionResult> OnGet()
    {
        Demo = await IsDemo();
        return await people.Any() ? Page() : RedirectToPage("/Setup");
    }

    public async Task<IActionResult> OnPost(string? to)
    {
        Demo = await IsDemo();
        if (!ModelState.IsValid)
        {
            return Page();
        }

        switch (await signIns.Try(UserName!.Trim(), Password!, HttpContext))
        {
            case SignInEnd.Done:
                return LocalRedirect(Url.IsLocalUrl(to) ? to! : "/");
            case SignInEnd.Code:
                return RedirectToPage("/SignInCode", new { to });
            case SignInEnd.TooMany:
                ModelState.AddModelError(nameof(Password), "Too many tries. Wait five minutes.");
                return Page();
            default:
                ModelState.AddModelError(nameof(Password), "Name and password do not belong together.");
                return Page();
        }
    }

    /// <summary>What the browser is asked when somebody signs in with a passkey.</summary>
    public async Task<IActionResult> OnGetPasskey()
    {
        var question = await passkeys.ToSignIn(HttpContext);
        return new JsonResult(new { options = question.Options, state = question.State });
    }

    /// <summary>The browser's answer.</summary>
    public async Task<IActionResult> OnPostPasskey(string? state, string? credential, string? to)
    {
        if (await passkeys.SignIn(state, credential, HttpContext))
        {
            return LocalRedirect(Url.IsLocalUrl(to) ? to! : "/");
        }

        Demo = await IsDemo();
        ModelState.Clear();
        ModelState.AddModelError("passkey", "This passkey is not known here. Try again, or sign in with name and password.");
        return Page();
    }

    /// <summary>Whether this installation shows the demo, which is its first studio.</summary>
    private async Task<bool> IsDemo()
    {
        using var stay = CurrentStudio.Enter(CurrentStudio.First);
        return (await studios.Get())?.IsDemo == true;
    }
}
