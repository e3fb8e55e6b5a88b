using System.Globalization;
using System.Net;
using System.Threading.RateLimiting;
using Kitto.Web.Guides;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.RateLimiting;

namespace Kitto.Web.Delivery;

/// <summary>What stands between the world and the pages: which hosts and proxies are believed, how often somebody may ask, and that nothing private is kept on the way.</summary>
public static class FrontDoor
{
    /// <summary>Sets it up from KITTO_HOSTS, KITTO_PROXIES and KITTO_LIMITS.</summary>
    /// <exception cref="InvalidOperationException">A setting is wrong; the message names it and what it may be.</exception>
    public static void Add(WebApplicationBuilder builder)
    {
        string[] hosts = Listed(builder.Configuration["KITTO_HOSTS"]);
        if (hosts.Any(h => Uri.CheckHostName(h.Trim('[', ']')) == UriHostNameType.Unknown))
        {
            throw new InvalidOperationException("KITTO_HOSTS must be names of hosts, comma between, such as kitto.example.org; no port, no scheme.");
        }

        // A host nobody named never lands in a link, a mail or a redirect.
        builder.Services.Configure<HostFilteringOptions>(o => (o.AllowedHosts, o.AllowEmptyHosts) = ([.. hosts, "localhost", "127.0.0.1", "[::1]"], false));
        string[] proxies = Listed(builder.Configuration["KITTO_PROXIES"]);
        builder.Services.Configure<ForwardedHeadersOptions>(o =>
        {
            o.ForwardedHeaders = proxies.Length > 0 ? ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto : ForwardedHeaders.None;
            o.KnownProxies.Clear();
            o.KnownIPNetworks.Clear();
            foreach (string proxy in proxies)
            {
                if (IPAddress.TryParse(proxy, out var address))
                {
                    o.KnownProxies.Add(address);
                }
                else
                {
                    o.KnownIPNetworks.Add(System.Net.IPNetwork.Parse(proxy));
                }
            }
        });
        if (proxies.FirstOrDefault(p => !IPAddress.TryParse(p, out _) && !System.Net.IPNetwork.TryParse(p, out _)) is { } wrong)
        {
            throw new InvalidOperationException(
                $"KITTO_PROXIES holds \"{wrong}\": it must be addresses or networks, comma between, such as 10.0.0.7,10.1.0.0/16."
            );
        }

        builder.Services.AddHsts(o => o.MaxAge = TimeSpan.FromDays(365));
        Limit(builder);
    }

    /// <summary>Requests by the kind of what is asked for, a minute and address.</summary>
    private static readonly Dictionary<string, int> AMinute = new()
    {
        ["sign-in"] = 30, // sign-in, a new password, an invitation: each tries a secret
        ["client"] = 600, // a guide and its run, questions, calendars: a household behind one address
        ["picture"] = 240, // pieces of photographs
        ["body"] = 600, // what is told about a body has a measure of its own, so that nothing else can use it up
    };

    private static void Limit(WebApplicationBuilder builder)
    {
        double times = 1;
        if (
            builder.Configuration["KITTO_LIMITS"] is { } set
            && (!double.TryParse(set, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out times) || times is < 0.1 or > 1000)
        )
        {
            throw new InvalidOperationException("KITTO_LIMITS must be a number, 0.1 to 1000: how many times the usual measure of requests is let through.");
        }

        builder.Services.AddRateLimiter(o =>
        {
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.OnRejected = (context, _) =>
            {
                context.HttpContext.Response.Headers.RetryAfter = "30";
                return ValueTask.CompletedTask;
            };
            o.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
                Kind(context.Request) is { } kind
                    ? RateLimitPartition.GetTokenBucketLimiter(
                        $"{kind} {Whose(context.Connection.RemoteIpAddress)}",
                        _ => new TokenBucketRateLimiterOptions
                        {
                            TokenLimit = (int)Math.Ceiling(AMinute[kind] * times),
                            TokensPerPeriod = (int)Math.Ceiling(AMinute[kind] * times / 6),
                            ReplenishmentPeriod = TimeSpan.FromSeconds(10),
                            QueueLimit = 0,
                        }
                    )
                    : RateLimitPartition.GetNoLimiter("")
            );
        });
    }

    /// <summary>What kind of thing is asked for; null: such as is not limited here.</summary>
    internal static string? Kind(HttpRequest request)
    {
        string handler = request.Query["handler"].ToString().ToLowerInvariant();
        return request.Path.Value?.Split('/', StringSplitOptions.RemoveEmptyEntries) is [var first, ..]
            ? first.ToLowerInvariant() switch
            {
                "signin" or "setup" or "join" or "recover" => HttpMethods.IsPost(request.Method) ? "sign-in" : null,
                "g" or "ask" when handler is "photo" or "picture" => "picture",
                "g" when HttpMethods.IsPost(request.Method) && ClientForm.OfTheBody.Contains(handler) => "body",
                "g" or "ask" or "calendar" => "client",
                _ => null,
            }
            : null;
    }

    /// <summary>An address as one household has it: of version 6 the first half.</summary>
    private static string Whose(IPAddress? address)
    {
        if (address is null)
        {
            return "";
        }

        address = address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;
        return address.AddressFamily == System.Net.Sockets.AddressFamily.InterNetworkV6
            ? Convert.ToHexString(address.GetAddressBytes(), 0, 8)
            : address.ToString();
    }

    /// <summary>Before anything else: who really asks, by which scheme, and whether this host is ours.</summary>
    public static void Use(WebApplication app)
    {
        app.UseForwardedHeaders();
        app.UseHostFiltering();
        app.UseHsts();
    }

    /// <summary>Whatever is not made for everybody is kept by nobody on the way.</summary>
    public static void KeepPrivate(HttpContext context) =>
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            if (!headers.CacheControl.ToString().Contains("max-age", StringComparison.Ordinal) || context.Response.StatusCode >= 400)
            {
                headers.CacheControl = "no-store";
            }

            return Task.CompletedTask;
        });

    private static string[] Listed(string? setting) => (setting ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
