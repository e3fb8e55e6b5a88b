using Microsoft.Extensions.DependencyInjection;

namespace Kitto.Web.Tests;

/// <summary>Plain requests beside a visitor's pages: files, and pieces of files.</summary>
internal sealed class HttpClientOf(Studio studio, HttpClient? client = null)
{
    private readonly HttpClient http = client ?? studio.CreateClient();

    public Task<string> Text(string path) => http.GetStringAsync(path);

    /// <summary>Sends a piece of a picture and gives the answer as it came.</summary>
    public async Task<string> Piece(string to, Guid id, int from, int size, byte[] piece, params (string Name, string Value)[] more)
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(id.ToString()), "id" },
            { new StringContent(from.ToString()), "from" },
            { new StringContent(size.ToString()), "size" },
            { new ByteArrayContent(piece), "photo", "piece" },
        };
        foreach (var (name, value) in more)
        {
            form.Add(new StringContent(value), name);
        }

        return await (await http.PostAsync(to, form)).Content.ReadAsStringAsync();
    }
}

/// <summary>Services by type, said shorter.</summary>
internal static class ServicesOf
{
    public static T GetRequired<T>(this IServiceProvider services)
        where T : notnull => services.GetRequiredService<T>();
}
