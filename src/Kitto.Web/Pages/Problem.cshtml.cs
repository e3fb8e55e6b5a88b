using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

[IgnoreAntiforgeryToken]
public sealed class ProblemModel : PageModel
{
    public string Title { get; private set; } = "";

    public string Says { get; private set; } = "";

    /// <summary>Whether it happened on a page of a client's: it says what matters, whatever broke.</summary>
    public bool OfTheClient { get; private set; }

    /// <summary>Whatever the verb was, and whether or not it was known.</summary>
    public override void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        context.Result = context.HandlerMethod is null ? Page() : null;
        int code = int.TryParse(RouteData.Values["code"]?.ToString(), out int given) ? given : 500;
        string from =
            HttpContext.Features.Get<IStatusCodeReExecuteFeature>()?.OriginalPath ?? HttpContext.Features.Get<IExceptionHandlerPathFeature>()?.Path ?? "";
        OfTheClient = from.StartsWith("/g/", StringComparison.Ordinal) || from.StartsWith("/ask/", StringComparison.Ordinal);
        (Title, Says) = Words(code);
    }

    private static (string Title, string Says) Words(int code) =>
        code switch
        {
            405 => ("Not done here", "This address does not do what was asked of it. Nothing was changed."),
            404 => ("Not here", "There is nothing at this address. It may have been mistyped."),
            403 => ("Not yours to open", "Your role in this studio does not reach here. Whoever runs the studio can change that under House, People."),
            429 => ("Too often", "Too much was asked for from where you are. Wait half a minute and go back; what you typed should still be there."),
            400 => (
                "Not taken",
                "The page was open for too long, or in another browser. Go back, reload it and send again. What you typed should still be there."
            ),
            _ => ("Something went wrong", "Nothing you saved is lost. Go back and try again; if it happens twice, look at the log of the application."),
        };
}
