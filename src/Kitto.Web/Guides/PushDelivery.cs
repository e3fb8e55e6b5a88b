using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Text.Json;
using Kitto.Store;
using Kitto.Web.Delivery;
using Lib.Net.Http.WebPush;
using Lib.Net.Http.WebPush.Authentication;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.WebUtilities;

namespace Kitto.Web.Guides;

/// <summary>Brings a push to the push service of a browser: signed with this installation's keys, encrypted for the phone alone, and only to addresses of the open network.</summary>
public sealed class PushDelivery(PushRecord record, Studios studios, IDataProtectionProvider protection, IConfiguration settings, ILogger<PushDelivery> log)
{
    private readonly IDataProtector seal = protection.CreateProtector("Kitto.PushKey");

    /// <summary>Where the simulated push service of the tests and the demo is; null: only real ones are rung.</summary>
    private string? StandIn => settings["KITTO_PUSH_STANDIN"] is { Length: > 0 } at ? at.TrimEnd('/') + "/" : null;

    // Only addresses that the open network has: an endpoint comes from a browser, and must not make this server ask its own house.
    private static readonly HttpClient Outside = new(
        new SocketsHttpHandler
        {
            AllowAutoRedirect = false,
            UseProxy = false,
            ConnectCallback = async (context, stop) =>
            {
                var found = await Dns.GetHostAddressesAsync(context.DnsEndPoint.Host, stop);
                var open = found.FirstOrDefault(IsPublic) ?? throw new HttpRequestException("The address of this push service is not a public one.");
                var socket = new Socket(open.AddressFamily, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
                try
                {
                    await socket.ConnectAsync(open, context.DnsEndPoint.Port, stop);
                    return new NetworkStream(socket, ownsSocket: true);
                }
                catch
                {
                    socket.Dispose();
                    throw;
                }
            },
        }
    )
    {
        Timeout = TimeSpan.FromSeconds(10),
    };

    private static readonly HttpClient ToStandIn = new() { Timeout = TimeSpan.FromSeconds(10) };

    /// <summary>True for an address outside private, local and shared networks (RFC 6890).</summary>
    public static bool IsPublic(IPAddress address)
    {
        var plain = address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;
        byte[] b = plain.GetAddressBytes();
        return plain.AddressFamily == AddressFamily.InterNetwork
            ? !(
                b[0] is 0 or 10 or 127 or >= 224
                || (b[0] == 100 && b[1] is >= 64 and < 128)
                || (b[0] == 169 && b[1] == 254)
                || (b[0] == 172 && b[1] is >= 16 and < 32)
                || (b[0] == 192 && b[1] is 168 or 0)
                || (b[0] == 198 && b[1] is 18 or 19)
            )
            : (b[0] & 0xE0) == 0x20 && !(b[0] == 0x20 && b[1] is 0x01 or 0x02 && b[2] == 0);
    }

    /// <summary>True for an endpoint that may be rung: https on its usual port under a name, or the stand-in.</summary>
    public bool Accepts(string endpoint) =>
        endpoint.Length <= 600
        && (
            (StandIn is { } near && endpoint.StartsWith(near, StringComparison.Ordinal))
            || (
                Uri.TryCreate(endpoint, UriKind.Absolute, out var to)
                && to is { Scheme: "https", IsDefaultPort: true, HostNameType: UriHostNameType.Dns, UserInfo: "" }
                && to.Host.Contains('.', StringComparison.Ordinal)
            )
        );

    /// <summary>The public key that a browser subscribes with, base64url.</summary>
    public async Task<string> PublicKey() => (await Keys()).Public;

    private async Task<(string Public, string Private)> Keys()
    {
        for (int tries = 0; ; tries++)
        {
            if (await record.Keys() is { } kept && Sealing.Opened(() => seal.Unprotect(kept.Sealed)) is { } own)
            {
                return (kept.PublicKey, own);
            }

            if (tries > 0)
            {
                throw new InvalidOperationException("The keys that sign pushes cannot be opened.");
            }

            using var made = ECDsa.Create(ECCurve.NamedCurves.nistP256);
            var parts = made.ExportParameters(true);
            await record.Save(
                new PushKeys(WebEncoders.Base64UrlEncode([4, .. parts.Q.X!, .. parts.Q.Y!]), seal.Protect(WebEncoders.Base64UrlEncode(parts.D!)))
            );
        }
    }

    /// <summary>Rings one phone; one that is gone is forgotten.</summary>
    /// <returns>Whether its push service took it.</returns>
    public async Task<bool> Send(PushSubscriptionRow phone, PushWord word, CancellationToken stop)
    {
        var (open, own) = await Keys();
        bool near = StandIn is { } at && phone.Endpoint.StartsWith(at, StringComparison.Ordinal);
        var client = new PushServiceClient(near ? ToStandIn : Outside) { AutoRetryAfter = false };
        var subscription = new PushSubscription { Endpoint = phone.Endpoint };
        subscription.SetKey(PushEncryptionKeyName.P256DH, phone.P256dh);
        subscription.SetKey(PushEncryptionKeyName.Auth, phone.Auth);
        using var signed = new VapidAuthentication(open, own) { Subject = await Subject() };
        var message = new PushMessage(
            JsonSerializer.Serialize(
                new
                {
                    title = word.Title,
                    body = word.Body,
                    tag = word.Key,
                }
            )
        )
        {
            TimeToLive = word.Urgent ? 600 : 7200,
            Urgency = word.Urgent ? PushMessageUrgency.High : PushMessageUrgency.Normal,
        };
        try
        {
            await client.RequestPushMessageDeliveryAsync(subscription, message, signed, stop);
            return true;
        }
        catch (PushServiceClientException gone) when (gone.StatusCode is HttpStatusCode.Gone or HttpStatusCode.NotFound)
        {
            await record.Remove(phone.KitId, phone.Endpoint);
        }
        catch (Exception wrong) when (wrong is PushServiceClientException or HttpRequestException or TaskCanceledException or SocketException)
        {
            // The page, the e-mail and the kitchen timer are there all the same.
            WebLog.NotRung(log, wrong.Message);
        }

        return false;
    }

    /// <summary>Whom a push service may write to: the site, where it is known.</summary>
    private async Task<string> Subject() =>
        (await studios.Get())?.Address is { Length: > 0 } address && address.StartsWith("https:", StringComparison.Ordinal)
            ? address
            : "mailto:kitto@example.invalid";
}
