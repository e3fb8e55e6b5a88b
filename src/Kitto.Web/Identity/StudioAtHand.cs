using System.Globalization;
using Kitto.Store;
using Microsoft.AspNetCore.Diagnostics;

namespace Kitto.Web.Identity;

/// <summary>Enters the studio a request is for: the one a secret address belongs to, else the one whose person is signed in.</summary>
public sealed class StudioAtHand(RequestDelegate next)
{
    /// <summary>The claim that holds the number of the person's studio.</summary>
    internal const string Claim = "kitto:studio";

    /// <summary>Enters it for what follows of this request.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        int id = Asked(context) switch
        {
            ["g" or "ask" or "join" or "recover", var token, ..] => Links.StudioOf(token),
            ["calendar", var file] => Links.StudioOf(Path.GetFileNameWithoutExtension(file)),
            _ => Of(context.User.FindFirst(Claim)?.Value),
        };
        bool own = context.User.Role() is not null && id == Of(context.User.FindFirst(Claim)?.Value);
        using (own ? CurrentStudio.Enter(id, context.User.Id(), context.User.Name()) : CurrentStudio.Enter(id))
        {
            await next(context);
        }
    }

    /// <summary>The number in a claim; 0 where there is none.</summary>
    internal static int Of(string? claim) => int.TryParse(claim, NumberStyles.None, CultureInfo.InvariantCulture, out int id) ? id : 0;

    /// <summary>The address that was asked for, in its parts. A page that says what went wrong is asked for under an address of its own.</summary>
    internal static string[] Asked(HttpContext context) =>
        (
            context.Features.Get<IExceptionHandlerPathFeature>()?.Path
            ?? context.Features.Get<IStatusCodeReExecuteFeature>()?.OriginalPath
            ?? context.Request.Path.Value
            ?? ""
        ).Split('/', StringSplitOptions.RemoveEmptyEntries);
}
