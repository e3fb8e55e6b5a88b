using System.Text;
using Kitto.Core.Contract;
using Kitto.Store;
using Kitto.Web.Guides;
using Kitto.Web.Shelves;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Extensions.Primitives;

namespace Kitto.Web.Delivery;

/// <summary>
/// Before any page: characters nobody can type or print are taken out of what was sent, so that no page and no query meets them;
/// a form that cannot be read is refused; a client's is read before, as far as it can be. The shelf is looked at, in case another process has changed it.
/// </summary>
public sealed class CleanText(RequestDelegate next, CurrentShelf shelf)
{
    /// <summary>A form without files has no more than this, bytes.</summary>
    private const int LongestForm = 2_000_000;

    public async Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (request.QueryString.HasValue && request.Query.Any(q => Dirty(q.Key, q.Value)))
        {
            request.Query = new QueryCollection(Cleaned(request.Query));
        }

        if (HttpMethods.IsPost(request.Method) && request.HasFormContentType && !await Readable(context))
        {
            context.Response.StatusCode = StatusCodes.Status400BadRequest;
            return;
        }

        if (CurrentStudio.Id != 0)
        {
            await shelf.Refresh();
        }

        await next(context);
    }

    private static async Task<bool> Readable(HttpContext context)
    {
        var request = context.Request;
        bool plain =
            request.ContentType?.StartsWith("application/x-www-form-urlencoded", StringComparison.OrdinalIgnoreCase) == true
            && request.ContentLength <= LongestForm;
        if (plain)
        {
            request.EnableBuffering();
        }

        try
        {
            var form = await request.ReadFormAsync(context.RequestAborted);
            if (form.Any(f => Dirty(f.Key, f.Value)))
            {
                request.Form = new FormCollection(Cleaned(form), form.Files);
            }

            return true;
        }
        catch (Exception unreadable) when (ClientForm.IsUnreadable(unreadable, context.RequestAborted))
        {
            if (plain)
            {
                // The framework refuses a whole form for one escaped null; what is around it is what somebody wrote.
                request.Body.Position = 0;
                using var reader = new StreamReader(request.Body, Encoding.UTF8, leaveOpen: true);
                request.Form = new FormCollection(
                    Cleaned(QueryHelpers.ParseQuery((await reader.ReadToEndAsync(context.RequestAborted)).Replace("%00", "", StringComparison.Ordinal)))
                );
                return true;
            }

            return false;
        }
    }

    private static bool Dirty(string key, StringValues values) =>
        key.Any(ObjectText.IsControl) || values.Any(v => v is not null && v.Any(ObjectText.IsControl));

    private static Dictionary<string, StringValues> Cleaned(IEnumerable<KeyValuePair<string, StringValues>> from) =>
        from.GroupBy(f => Clean(f.Key), StringComparer.OrdinalIgnoreCase)
            .ToDictionary(
                g => g.Key,
                g => new StringValues([.. g.SelectMany(f => f.Value.ToArray()).Select(v => Clean(v ?? ""))]),
                StringComparer.OrdinalIgnoreCase
            );

    private static string Clean(string text) => string.Concat(text.Where(c => !ObjectText.IsControl(c)));
}
