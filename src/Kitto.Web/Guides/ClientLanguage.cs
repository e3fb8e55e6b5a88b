using System.Globalization;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Identity;

namespace Kitto.Web.Guides;

/// <summary>Answers a client's address in the client's language. Only what is read is in it: numbers and dates in files and drawings stay as they are.</summary>
public sealed class ClientLanguage(RequestDelegate next, Links links)
{
    private static readonly Dictionary<string, CultureInfo> Cultures = Language.All.ToDictionary(l => l.Tag, l => new CultureInfo(l.Tag));

    /// <summary>Sets the language for what follows of this request.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        if (StudioAtHand.Asked(context) is ["g" or "ask", var token, ..])
        {
            CultureInfo.CurrentUICulture = Cultures[await Of(token, context.Request)];
        }

        await next(context);
    }

    /// <summary>The language of what a token opens; where the database cannot say, the one the browser asks for.</summary>
    private async Task<string> Of(string token, HttpRequest request)
    {
        try
        {
            if (await links.Language(token) is { } tag)
            {
                return Language.Of(tag).Tag;
            }
        }
        catch (Npgsql.NpgsqlException)
        {
            // The page itself says that something broke.
        }

        string wanted = request.Headers.AcceptLanguage.ToString();
        return wanted.StartsWith("nb", StringComparison.Ordinal) || wanted.StartsWith("no", StringComparison.Ordinal)
            ? Language.Norwegian.Tag
            : Language.English.Tag;
    }
}
