using Kitto.Core.Contract;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Primitives;

namespace Kitto.Web.Cases;

/// <summary>
/// Before any page: characters nobody can type or print are taken out of what was sent, so that no page and no query meets them;
/// a form that cannot be read is refused, except where a reaction is told, which is taken without it. The shelf is looked at, in case another process has changed it.
/// </summary>
public sealed class CleanText(RequestDelegate next, ShelfKeeper shelf)
{
    public async Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (request.QueryString.HasValue && request.Query.Any(q => Dirty(q.Key, q.Value)))
        {
            request.Query = new QueryCollection(Cleaned(request.Query));
        }

        if (HttpMethods.IsPost(request.Method) && request.HasFormContentType)
        {
            try
            {
                var form = await request.ReadFormAsync(context.RequestAborted);
                if (form.Any(f => Dirty(f.Key, f.Value)))
                {
                    request.Form = new FormCollection(Cleaned(form), form.Files);
                }
            }
            catch (Exception unreadable) when (unreadable is InvalidDataException or BadHttpRequestException or IOException && !context.RequestAborted.IsCancellationRequested)
            {
                if (request.Query["handler"] != "Burns")
                {
                    context.Response.StatusCode = StatusCodes.Status400BadRequest;
                    return;
                }

                request.Form = FormCollection.Empty;
            }
        }

        await shelf.Refresh();
        await next(context);
    }

    private static bool Dirty(string key, StringValues values) => key.Any(ObjectText.IsControl) || values.Any(v => v is not null && v.Any(ObjectText.IsControl));

    private static Dictionary<string, StringValues> Cleaned(IEnumerable<KeyValuePair<string, StringValues>> from) =>
        from.GroupBy(f => Clean(f.Key)).ToDictionary(g => g.Key, g => new StringValues([.. g.SelectMany(f => f.Value.ToArray()).Select(v => Clean(v ?? ""))]));

    private static string Clean(string text) => string.Concat(text.Where(c => !ObjectText.IsControl(c)));
}
