using Kitto.Pictures;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Extensions.Primitives;
using Microsoft.Net.Http.Headers;

namespace Kitto.Web.Guides;

/// <summary>
/// Reads what a client sends piece by piece, in its order, and ends where it cannot be read any further: a photo that is too large, a line that broke off, too many fields.
/// The words before that are taken; forms have their words before their files. What is no form at all is refused, except where a reaction is reported.
/// </summary>
public sealed class ClientForm(RequestDelegate next)
{
    /// <summary>A form has at most so many fields (ours; the longest of ours has about a hundred).</summary>
    private const int MostFields = 1024;

    /// <summary>The fields of a form have at most so many bytes together (ours).</summary>
    private const int MostWords = 2_000_000;

    /// <summary>What nobody reads is taken off the line up to so many bytes, so that the answer still arrives (ours).</summary>
    private const int MostUnread = 100 << 20;

    /// <summary>Handlers by which a body can be heard of: they are answered whatever comes with them.</summary>
    public static IReadOnlySet<string> OfTheBody { get; } = new HashSet<string>(StringComparer.OrdinalIgnoreCase) { "Burns", "Skin", "Strand", "Report" };

    public async Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (!HttpMethods.IsPost(request.Method) || !(request.Path.StartsWithSegments("/g") || request.Path.StartsWithSegments("/ask")))
        {
            await next(context);
            return;
        }

        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
        {
            // Nothing beyond the largest photo is ever stored.
            size.MaxRequestBodySize = null;
        }

        if (!request.HasFormContentType && !OfTheBody.Contains(request.Query["handler"].ToString()))
        {
            context.Response.StatusCode = StatusCodes.Status400BadRequest;
            return;
        }

        request.Form = await Read(request, context.RequestAborted);
        await next(context);
    }

    /// <summary>Whether a body ended because it cannot be read, not because whoever asked has gone.</summary>
    public static bool IsUnreadable(Exception broken, CancellationToken gone) =>
        broken is IOException or InvalidDataException or BadHttpRequestException && !gone.IsCancellationRequested;

    private static async Task<FormCollection> Read(HttpRequest request, CancellationToken gone)
    {
        var words = new Dictionary<string, StringValues>(StringComparer.OrdinalIgnoreCase);
        var files = new FormFileCollection();
        try
        {
            if (MediaTypeHeaderValue.TryParse(request.ContentType, out var type) && type.MediaType == "multipart/form-data")
            {
                await Pieces(request, HeaderUtilities.RemoveQuotes(type.Boundary).ToString(), words, files, gone);
            }
            else if (request.HasFormContentType)
            {
                string text = await Words(request.Body, MostWords, gone);
                words = QueryHelpers
                    .ParseQuery(text.Replace("%00", "", StringComparison.Ordinal))
                    .Take(MostFields)
                    .ToDictionary(StringComparer.OrdinalIgnoreCase);
            }

            byte[] rest = new byte[1 << 16];
            for (int unread = 0, read; unread < MostUnread && (read = await request.Body.ReadAsync(rest, gone)) > 0; unread += read) { }
        }
        catch (Exception broken) when (IsUnreadable(broken, gone))
        {
            // What came before is what was said.
        }

        return new FormCollection(words, files);
    }

    private static async Task Pieces(
        HttpRequest request,
        string boundary,
        Dictionary<string, StringValues> words,
        FormFileCollection files,
        CancellationToken gone
    )
    {
        if (boundary.Length is 0 or > 200)
        {
            return;
        }

        var reader = new MultipartReader(boundary, request.Body);
        int left = MostWords;
        for (int fields = 0; fields < MostFields && await reader.ReadNextSectionAsync(gone) is { } section; fields++)
        {
            if (!ContentDispositionHeaderValue.TryParse(section.ContentDisposition, out var about))
            {
                continue;
            }

            string name = HeaderUtilities.RemoveQuotes(about.Name).ToString();
            if (about.IsFileDisposition())
            {
                if (!await TryFile(request, section, about, name, files, gone))
                {
                    return;
                }

                continue;
            }

            string value = await Words(section.Body, left, gone);
            words[name] = StringValues.Concat(words.GetValueOrDefault(name), value);
            if ((left -= value.Length) <= 0)
            {
                return;
            }
        }
    }

    /// <summary>Takes a file; one that is too large or broke off is there without what was in it, so that whoever sent it hears of it.</summary>
    private static async Task<bool> TryFile(
        HttpRequest request,
        MultipartSection section,
        ContentDispositionHeaderValue about,
        string name,
        FormFileCollection files,
        CancellationToken gone
    )
    {
        string fileName = HeaderUtilities.RemoveQuotes(about.FileName.HasValue ? about.FileName : about.FileNameStar).ToString();
        var headers = new HeaderDictionary(section.Headers ?? []);
        var content = new FileBufferingReadStream(section.Body, 1 << 16, PictureFile.MostBytes + 1L, Path.GetTempPath);
        request.HttpContext.Response.RegisterForDispose(content);
        try
        {
            await content.DrainAsync(gone);
        }
        catch (Exception broken) when (IsUnreadable(broken, gone))
        {
            files.Add(new FormFile(Stream.Null, 0, PictureFile.MostBytes + 1L, name, fileName) { Headers = headers });
            return false;
        }

        content.Position = 0;
        files.Add(new FormFile(content, 0, content.Length, name, fileName) { Headers = headers });
        return true;
    }

    /// <summary>The text of a stream, up to so many bytes.</summary>
    private static async Task<string> Words(Stream stream, int most, CancellationToken gone)
    {
        using var all = new MemoryStream();
        byte[] piece = new byte[1 << 13];
        for (int read; all.Length < most && (read = await stream.ReadAsync(piece, gone)) > 0; )
        {
            all.Write(piece, 0, (int)Math.Min(read, most - all.Length));
        }

        return System.Text.Encoding.UTF8.GetString(all.GetBuffer(), 0, (int)all.Length);
    }
}
