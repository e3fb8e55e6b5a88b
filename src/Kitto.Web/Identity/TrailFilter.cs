using Kitto.Store;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Identity;

/// <summary>Writes down who opened a page that shows what a client answered, whichever way they came to it.</summary>
public sealed class TrailFilter(Trail trail) : IAsyncPageFilter
{
    /// <summary>The pages that show it; the id in their address is the client's, the kit's or the prescription's.</summary>
    internal static IReadOnlySet<string> Shows { get; } =
        new HashSet<string>
        {
            "/Clients/Detail",
            "/Clients/Answers",
            "/Clients/Comparison",
            "/Clients/Pictures",
            "/Clients/Prescription",
            "/Clients/Edit",
            "/Clients/Data",
            "/Prescriptions/Signed",
            "/KitSheet/Sheet",
        };

    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (
            HttpMethods.IsGet(context.HttpContext.Request.Method)
            && context.ActionDescriptor is PageActionDescriptor { ViewEnginePath: var page }
            && Shows.Contains(page)
            && Guid.TryParse(context.RouteData.Values["id"] as string, out var id)
        )
        {
            await trail.Read(page, id);
        }

        await next();
    }
}
