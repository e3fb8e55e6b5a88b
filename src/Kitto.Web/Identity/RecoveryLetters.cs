using System.Threading.Channels;
using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Today;
using MimeKit;

namespace Kitto.Web.Identity;

/// <summary>
/// Writes letters with a link to a new password. They do not go through the outbox, where others of the studio could read the link,
/// and whoever asks is answered before it is looked whether anybody bears the name.
/// </summary>
public sealed class RecoveryLetters(People people, Links links, Studios studios, PostSettings post, TimeProvider clock, ILogger<RecoveryLetters> log)
    : BackgroundService
{
    /// <summary>So many letters an hour to one person.</summary>
    private const int Most = 3;

    private readonly Channel<(string Name, string Site)> asked = Channel.CreateBounded<(string, string)>(
        new BoundedChannelOptions(100) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    /// <summary>Asks for one.</summary>
    /// <param name="normalName">The name, normalized.</param>
    /// <param name="site">The site it is asked through.</param>
    public void Ask(string normalName, string site) => asked.Writer.TryWrite((normalName, site));

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var (name, site) in asked.Reader.ReadAllAsync(stoppingToken))
        {
            try
            {
                await Write(name, site, stoppingToken);
            }
            catch (Exception wrong) when (wrong is not OperationCanceledException)
            {
                WebLog.NoRecoveryLetter(log, wrong);
            }
        }
    }

    private async Task Write(string name, string site, CancellationToken stop)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        using var stay = CurrentStudio.Enter(await people.StudioOf(name) ?? 0);
        if (
            CurrentStudio.Id == 0
            || await people.ByName(name) is not { Email: { } address, EndedAt: null } person
            || await people.Try($"letter {person.Id:N}", now, TimeSpan.FromHours(1)) > Most
        )
        {
            return;
        }

        var house = (await studios.Get())!;
        string studio = house.Name,
            under = house.Address.Length > 0 ? house.Address : site;
        var mail = new MimeMessage
        {
            Subject = "A new password",
            MessageId = $"{Guid.CreateVersion7():N}@kitto.invalid",
            Body = new TextPart("plain")
            {
                Text =
                    $"Somebody asked for a new password for {person.UserName} at {studio}.\n\n{under}/recover/{await links.ToRecover(person.Id, now)}\n\nThe link works for an hour, once. If it was not you, do nothing: your password stays as it is.\n",
            },
        };
        mail.From.Add(new MailboxAddress(studio, post.From));
        mail.To.Add(new MailboxAddress(person.DisplayName, address));
        await post.Post.Send(mail, stop);
    }
}
