using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Trade;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Guides;
using MimeKit;

namespace Kitto.Web.Today;

/// <summary>Makes messages and sends them: each once, and nothing is lost by a crash in between.</summary>
public sealed class ClientMessageSender(
    Messages messages,
    Clients clients,
    Kits kits,
    GuideLinks links,
    Studios studios,
    PostSettings settings,
    TimeProvider clock,
    ILogger<ClientMessageSender> log
)
{
    private readonly IPost post = settings.Post;

    /// <summary>Something begun this long ago and not marked as sent has met a crash.</summary>
    public static readonly TimeSpan Crashed = TimeSpan.FromMinutes(10);

    /// <summary>Where the outbox goes to, in words.</summary>
    public string Says => post.Says;

    /// <summary>Makes one message about a kit, in the client's language.</summary>
    public async Task Say(Kit kit, ClientMessage kind) => await Say(kit, kind, (await studios.Get())!, kit.MessageKey(kind));

    /// <summary>Makes one message about a kit, under a key.</summary>
    internal async Task Say(Kit kit, ClientMessage kind, Studio studio, string key)
    {
        var client = (await clients.Get(kit.ClientId))!;
        var (subject, body) = Language
            .Of(client.Language)
            .Message(
                kind == ClientMessage.ColourTomorrow && await WashesBefore(kit) ? ClientMessage.ColourTomorrowWashed : kind,
                client.Name.Split(' ')[0],
                studio.Name,
                kit.Days,
                await links.Newest(kit.Id),
                studio.Ambulance(client.Country),
                studio.Phone
            );
        await messages.Make(key, client.Id, client.Email, subject, body, clock.GetUtcNow().UtcDateTime);
    }

    /// <summary>Whether the guide of a kit asks for hair that was washed the day before.</summary>
    private async Task<bool> WashesBefore(Kit kit) =>
        await kits.Frozen(kit.PrescriptionId) is { } signed && CaseReader.Kept(signed.CaseDocument).House.Way<Washing>() == Washing.WashedDayBefore;

    /// <summary>A stop is told to the studio at once, where it has an address for that; the marks on its pages stand beside it.</summary>
    internal async Task Alarm(Kit kit, DateTime since, Studio studio, DateTime now)
    {
        if (studio.AlarmEmail.Length > 0)
        {
            await messages.Make(
                $"stop:{kit.Id:N}:{since.Ticks}",
                null,
                studio.AlarmEmail,
                $"Stopped: a kit of {kit.ClientName}",
                $"A kit of {kit.ClientName} was stopped on {studio.Local(since):ddd d MMM, HH:mm}. Open Kitto, look what was said, and call the client.\n\n{studio.Name}\n",
                now
            );
        }
    }

    /// <summary>Sends everything that is due.</summary>
    /// <returns>How many went.</returns>
    public async Task<int> Send(CancellationToken stop = default)
    {
        int went = 0;
        while (!stop.IsCancellationRequested)
        {
            var now = clock.GetUtcNow().UtcDateTime;
            if (await messages.Claim(now, post.Repeatable ? now - Crashed : null) is not { } message)
            {
                break;
            }

            try
            {
                await post.Send(await Written(message), stop);
                await messages.Sent(message.Id, clock.GetUtcNow().UtcDateTime);
                WebLog.MessageSent(log, message.Id);
                went++;
            }
            catch (NotSentException not)
            {
                WebLog.MessageNotSent(log, message.Id, message.Attempts);
                // Later each time, an hour at most.
                await messages.Failed(message.Id, not.Message, now.AddMinutes(Math.Min(60, Math.Pow(2, message.Attempts))));
            }
            catch (Exception wrong) when (wrong is IOException or MailKit.ProtocolException or System.Net.Sockets.SocketException)
            {
                await messages.Unclear(message.Id, $"The line broke while it was sent ({wrong.Message}). Whether it went is not known.");
            }
        }

        return went;
    }

    private async Task<MimeMessage> Written(Message message)
    {
        string studio = (await studios.Get())!.Name;
        var mail = new MimeMessage
        {
            Subject = message.Subject,
            MessageId = $"{message.Id:N}@kitto.invalid",
            Date = new DateTimeOffset(DateTime.SpecifyKind(message.MadeAt, DateTimeKind.Utc)),
            Body = new TextPart("plain") { Text = message.Body },
        };
        mail.From.Add(new MailboxAddress(studio, settings.From));
        mail.To.Add(new MailboxAddress(message.ClientName ?? studio, message.Recipient!));
        return mail;
    }
}
