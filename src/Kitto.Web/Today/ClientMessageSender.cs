using Kitto.Core.Clock;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Guides;
using MimeKit;

namespace Kitto.Web.Today;

/// <summary>Makes what is due to be said, and sends it: each once, and nothing is lost by a crash in between.</summary>
public sealed class ClientMessageSender(
    Messages messages,
    Kits kits,
    Clients clients,
    KitGate gate,
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

    /// <summary>Makes what is due now.</summary>
    public async Task Make()
    {
        if (await studios.Get() is not { } studio)
        {
            return;
        }

        var now = clock.GetUtcNow().UtcDateTime;
        var verdict = await gate.OfOpenKits();
        var due = new List<(string Key, Kit Kit, ClientMessage Kind)>();
        foreach (var kit in (await kits.Open()).Where(k => k.State == "posted"))
        {
            // Of a kit that a stop holds nothing is said but by a person.
            var stand = verdict(kit);
            if (!stand.MayGoOn)
            {
                continue;
            }

            due.AddRange(ClientMessages.Due(kit.Days, kit.Step, stand.Tests.Far, studio.Today(now)).Select(kind => (kit.MessageKey(kind), kit, kind)));
        }

        var there = await messages.There([.. due.Select(d => d.Key)]);
        foreach (var (key, kit, kind) in due.Where(d => !there.Contains(d.Key)))
        {
            await Say(kit, kind, studio, key);
        }
    }

    /// <summary>Makes one message about a kit, in the client's language.</summary>
    public async Task Say(Kit kit, ClientMessage kind) => await Say(kit, kind, (await studios.Get())!, kit.MessageKey(kind));

    private async Task Say(Kit kit, ClientMessage kind, Studio studio, string key)
    {
        var client = (await clients.Get(kit.ClientId))!;
        var (subject, body) = Language.Of(client.Language).Message(kind, client.Name.Split(' ')[0], studio.Name, kit.Days, await links.Newest(kit.Id));
        await messages.Make(key, client.Id, client.Email, subject, body, clock.GetUtcNow().UtcDateTime);
    }

    /// <summary>A stop is told to the studio at once, where it has an address for that; the marks on its pages stand beside it.</summary>
    private async Task Alarm(Studio studio, DateTime now)
    {
        if (studio.AlarmEmail.Length == 0)
        {
            return;
        }

        foreach (var stopped in await kits.Stopped())
        {
            await messages.Make(
                $"stop:{stopped.Id:N}:{stopped.Since.Ticks}",
                null,
                studio.AlarmEmail,
                $"Stopped: a kit of {stopped.Client}",
                $"A kit of {stopped.Client} was stopped on {studio.Local(stopped.Since):ddd d MMM, HH:mm}. Open Kitto, look what was said, and call the client.\n\n{studio.Name}\n",
                now
            );
        }
    }

    /// <summary>Tells the studio of stops and sends what waits, without waiting for the next round.</summary>
    public async Task AlarmNow(CancellationToken stop = default)
    {
        if (await studios.Get() is { } studio)
        {
            await Alarm(studio, clock.GetUtcNow().UtcDateTime);
            await Send(stop);
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

/// <summary>Looks every minute for what is due to be said, and every few seconds for stops.</summary>
public sealed class MessageRounds(ClientMessageSender sender, Studios studios, Nodes nodes, Trail trail, TimeProvider clock, ILogger<MessageRounds> log)
    : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(6);
    private const int Round = 10;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every);
        int turn = 0;
        do
        {
            try
            {
                // Of several nodes one makes them; what is made is sent by any.
                bool make = turn++ % Round == 0 && await nodes.Turn("messages", clock.GetUtcNow().UtcDateTime, Every * (Round - 1));
                foreach (int studio in await studios.All())
                {
                    await RoundOf(studio, make, stoppingToken);
                }
            }
            catch (Exception wrong) when (wrong is not OperationCanceledException)
            {
                // Whatever is wrong with the database, the pages go on without it.
                WebLog.NoMessages(log, wrong);
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>One studio's; what goes wrong with it is no other's.</summary>
    private async Task RoundOf(int studio, bool make, CancellationToken stop)
    {
        using var stay = CurrentStudio.Enter(studio);
        try
        {
            if (make)
            {
                await sender.Make();
                if (await nodes.Turn($"trail {studio}", clock.GetUtcNow().UtcDateTime, TimeSpan.FromDays(1)))
                {
                    await trail.Forget();
                }
            }

            await sender.AlarmNow(stop);
        }
        catch (Exception wrong) when (wrong is not OperationCanceledException)
        {
            WebLog.NoMessages(log, wrong);
        }
    }
}
