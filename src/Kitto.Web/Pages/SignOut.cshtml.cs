using Kitto.Store;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

public sealed class SignOutModel(SignInManager<Person> signIn) : PageModel
{
    public IActionResult OnGet() => Redirect("/");

    public async Task<IActionResult> OnPost()
    {
        await signIn.SignOutAsync();
        return Redirect("/signin");
    }
}
