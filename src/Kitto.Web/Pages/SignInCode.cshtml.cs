using Kitto.Store;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The second step: the password was right, the code is asked for.</summary>
public sealed class SignInCodeModel(SecondStep step, SignIns signIns, People people) : PageModel
{
    public string? Wrong { get; private set; }

    public IActionResult OnGet() => step.Waiting(HttpContext) is null ? Redirect("/signin") : Page();

    public async Task<IActionResult> OnPost(string? code, string? to)
    {
        if (step.Waiting(HttpContext) is not { } waiting)
        {
            return Redirect("/signin");
        }

        using var stay = CurrentStudio.Enter(waiting.Studio);
        if (await people.ById(waiting.Person) is not { EndedAt: null } person)
        {
            return Redirect("/signin");
        }

        switch (await step.Try(person, code))
        {
            case SignInEnd.Done:
                SecondStep.Forget(HttpContext);
                await signIns.Begin(person, HttpContext);
                return LocalRedirect(Url.IsLocalUrl(to) ? to! : "/");
            case SignInEnd.TooMany:
                Wrong = "Too many tries. Wait five minutes.";
                return Page();
            default:
                Wrong = "This code does not fit, or was used before. The next one comes within half a minute.";
                return Page();
        }
    }
}
