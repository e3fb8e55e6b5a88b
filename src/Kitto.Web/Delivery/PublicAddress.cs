using Kitto.Store;

namespace Kitto.Web.Delivery;

/// <summary>The address this site is reached at from outside: what the house says, else the one it was asked through, which the host filter let pass.</summary>
public sealed class PublicAddress(Studios studios)
{
    /// <summary>Where links begin, without a slash at the end.</summary>
    public async Task<string> Of(HttpRequest request) => (await studios.Get())?.Address is { Length: > 0 } said ? said : Asked(request);

    /// <summary>The address a request came through.</summary>
    public static string Asked(HttpRequest request) => $"{request.Scheme}://{request.Host}";

    /// <summary>What an address may be.</summary>
    public const string Range = "An address such as https://kitto.example.org, without anything after it; or nothing.";

    /// <summary>The address as it is kept; null where it is none.</summary>
    public static string? Read(string? typed)
    {
        string text = (typed ?? "").Trim().TrimEnd('/');
        return text.Length == 0 ? ""
            : text.Length <= 200
            && Uri.TryCreate(text, UriKind.Absolute, out var uri)
            && (uri.Scheme == Uri.UriSchemeHttps || (uri.Scheme == Uri.UriSchemeHttp && uri.IsLoopback))
            && uri is { PathAndQuery: "/", UserInfo: "", Fragment: "" }
                ? uri.GetLeftPart(UriPartial.Authority)
            : null;
    }
}
