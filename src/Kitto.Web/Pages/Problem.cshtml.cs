using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

[IgnoreAntiforgeryToken]
public sealed class ProblemModel : PageModel
{
    public string Title { get; private set; } = "";

    public string Says { get; private set; } = "";

    public void OnGet(int code) => Fill(code);

    public void OnPost(int code) => Fill(code);

    private void Fill(int code) => (Title, Says) = code switch
    {
        404 => ("Not here", "There is nothing at this address. It may have been mistyped."),
        400 => ("Not taken", "The page was open too long or in another browser. Go back, reload it, and send again; what you typed should still be there."),
        _ => ("Something broke", "Nothing you saved is lost. Go back and try again; if it happens twice, look at the log of the application."),
    };
}
