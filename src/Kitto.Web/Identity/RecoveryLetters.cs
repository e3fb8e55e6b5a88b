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

    /// <summary>So many are on their way at once: a mail server that hangs holds up its own letter only.</summary>
    private const int AtOnce = 4;

    /// <summary>So often a letter is tried, with pauses that grow, and so long each time.</summary>
    private const int Tries = 4;

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    private readonly Channel<Func<CancellationToken, Task<MimeMessage?>>> asked = Channel.CreateBounded<Func<CancellationToken, Task<MimeMessage?>>>(
        new BoundedChannelOptions(100) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    /// <summary>Asks for a link to a new password.</summary>
    /// <param name="normalName">The name, normalized.</param>
    /// <param name="site">The site it is asked through.</param>
    public void Ask(string normalName, string site) => asked.Writer.TryWrite(_ => ToRecover(normalName, site));

    /// <summary>Tells the old address that it is one no longer.</summary>
    /// <param name="person">Whose it was, moved already.</param>
    /// <param name="studio">The studio's name.</param>
    public void Moved(Person person, string studio)
    {
        if (person.EmailBefore is not { } before)
        {
            return;
        }

        string says =
            $"The email address of {person.UserName} at {studio} was changed, with the password.\n\nIf it was not you: ask for a new password within three days. The letter still comes to this address. Then change the password and the address.\n";
        asked.Writer.TryWrite(_ => Task.FromResult<MimeMessage?>(Letter(studio, person.DisplayName, before, "Your email address was changed", says)));
    }

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Parallel.ForEachAsync(
            asked.Reader.ReadAllAsync(stoppingToken),
            new ParallelOptions { MaxDegreeOfParallelism = AtOnce, CancellationToken = stoppingToken },
            async (write, stop) => await Send(write, stop)
        );

    private async Task Send(Func<CancellationToken, Task<MimeMessage?>> write, CancellationToken stop)
    {
        MimeMessage? letter = null;
        for (int tries = 1; tries <= Tries; tries++)
        {
            try
            {
                using var patience = CancellationTokenSource.CreateLinkedTokenSource(stop);
                patience.CancelAfter(Patience);
                letter ??= await write(patience.Token);
                if (letter is not null)
                {
                    await post.Post.Send(letter, patience.Token).WaitAsync(patience.Token);
                }

                return;
            }
            catch (Exception wrong) when (!stop.IsCancellationRequested)
            {
                WebLog.NoRecoveryLetter(log, wrong);
                if (tries < Tries)
                {
                    await Task.Delay(TimeSpan.FromSeconds(5 * Math.Pow(4, tries - 1)), stop);
                }
            }
        }
    }

    private async Task<MimeMessage?> ToRecover(string name, string site)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        using var stay = CurrentStudio.Enter(await people.StudioOf(name) ?? 0);
        if (
            CurrentStudio.Id == 0
            || await people.ByName(name) is not { EndedAt: null } person
            || person.RecoversAt(now) is not { } address
            || await people.Try($"letter {person.Id:N}", now, TimeSpan.FromHours(1)) > Most
        )
        {
            return null;
        }

        var house = (await studios.Get())!;
        string studio = house.Name,
            under = house.Address.Length > 0 ? house.Address : site;
        return Letter(
            studio,
            person.DisplayName,
            address,
            "A new password",
            $"Somebody asked for a new password for {person.UserName} at {studio}.\n\n{under}/recover/{await links.ToRecover(person.Id, now)}\n\nThe link works for an hour, once. If it was not you, do nothing: your password stays as it is.\n"
        );
    }

    private MimeMessage Letter(string studio, string name, string address, string subject, string says)
    {
        var mail = new MimeMessage
        {
            Subject = subject,
            MessageId = $"{Guid.CreateVersion7():N}@kitto.invalid",
            Body = new TextPart("plain") { Text = says },
        };
        mail.From.Add(new MailboxAddress(studio, post.From));
        mail.To.Add(new MailboxAddress(name, address));
        return mail;
    }
}
