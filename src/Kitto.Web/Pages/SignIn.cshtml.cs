using System.ComponentModel.DataAnnotations;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

public sealed class SignInModel(SignInManager<Person> signIn, Studios studios, People people, ILogger<SignInModel> log) : PageModel
{
    [BindProperty, Required(ErrorMessage = "Type your name.")]
    public string? UserName { get; set; }

    [BindProperty, Required(ErrorMessage = "Type your password.")]
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

        // Whose name it is says which studio is entered.
        int studio = await people.StudioOf(signIn.UserManager.NormalizeName(UserName!.Trim())!) ?? 0;
        using var stay = CurrentStudio.Enter(studio);
        var person = studio == 0 ? null : await signIn.UserManager.FindByNameAsync(UserName!.Trim());
        var result = person is null
            ? Microsoft.AspNetCore.Identity.SignInResult.Failed
            : await signIn.PasswordSignInAsync(person, Password!, isPersistent: false, lockoutOnFailure: true);
        if (result.Succeeded)
        {
            WebLog.SignedIn(log, person!.Id);
            return LocalRedirect(Url.IsLocalUrl(to) ? to! : "/");
        }

        WebLog.NotSignedIn(log, HttpContext.Connection.RemoteIpAddress?.ToString(), result.IsLockedOut);
        ModelState.AddModelError(nameof(Password), result.IsLockedOut ? "Too many tries. Wait five minutes." : "Name and password do not belong together.");
        return Page();
    }

    /// <summary>Whether this installation shows the demo, which is its first studio.</summary>
    private async Task<bool> IsDemo()
    {
        using var stay = CurrentStudio.Enter(CurrentStudio.First);
        return (await studios.Get())?.IsDemo == true;
    }
}
