using System.Globalization;
using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Delivery;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Guides;

/// <summary>What a phone is rung for.</summary>
/// <param name="Key">The same thing rings once.</param>
/// <param name="Title">In a few words.</param>
/// <param name="Body">What to do.</param>
/// <param name="Urgent">Colour is on the head, or nothing of the kit may be used.</param>
public sealed record PushWord(string Key, string Title, string Body, bool Urgent);

/// <summary>
/// Rings a client's locked phone by Web Push (RFC 8030, 8291, 8292), where the client asked for it and the browser has it.
/// A push only says "look": what is to be done is on the page, and a kitchen timer is asked for all the same.
/// </summary>
public sealed class PushSender(PushRecord record, PushDelivery delivery, Kits kits, GuideAccess guides, IStringLocalizer<ClientPages> text, TimeProvider clock)
{
    /// <summary>So long before the rinse a phone is rung the first time, minutes (ours).</summary>
    private const double BeforeRinse = 2;

    /// <summary>A phone wants to be rung.</summary>
    /// <returns>False where it gives no address that can be rung.</returns>
    public async Task<bool> Add(Guid kit, string? endpoint, string? p256dh, string? auth)
    {
        static bool Key(string? text, int bytes)
        {
            try
            {
                return text is not null && WebEncoders.Base64UrlDecode(text).Length == bytes;
            }
            catch (FormatException)
            {
                return false;
            }
        }

        return endpoint is not null
            && delivery.Accepts(endpoint)
            && Key(p256dh, 65)
            && Key(auth, 16)
            && await record.Add(kit, endpoint, p256dh!, auth!, clock.GetUtcNow().UtcDateTime) > 0;
    }

    /// <summary>A phone does not want to be rung any more.</summary>
    public Task<int> Remove(Guid kit, string endpoint) => record.Remove(kit, endpoint);

    /// <summary>Rings every phone of the current studio for which something is due.</summary>
    /// <returns>How many rang.</returns>
    public async Task<int> Round(CancellationToken stop = default)
    {
        int rang = 0;
        foreach (var phones in (await record.All()).GroupBy(p => p.KitId))
        {
            if (await kits.Get(phones.Key) is not { } kit)
            {
                continue;
            }

            var open = await guides.Of(kit);
            var before = CultureInfo.CurrentUICulture;
            try
            {
                CultureInfo.CurrentUICulture = new CultureInfo(Language.Of(open.Signed.Language).Tag);
                if (Due(open) is not { } word)
                {
                    continue;
                }

                foreach (var phone in phones.Where(p => p.Rung != word.Key))
                {
                    if (await record.Ring(phone, word.Key) && await delivery.Send(phone, word, stop))
                    {
                        rang++;
                    }
                }
            }
            finally
            {
                CultureInfo.CurrentUICulture = before;
            }
        }

        return rang;
    }

    /// <summary>What a client's phone is to be rung for now; null: nothing. The most pressing first.</summary>
    public PushWord? Due(OpenGuide open)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        if (open.Verdict.RinseNow)
        {
            return new PushWord("rinse-now", text["Rinse now"], text["Rinse out all the colour now, then open your guide."], true);
        }

        if (open.Verdict.OnHead)
        {
            var timer = RunRecorder.At(open, now).Clock;
            string run = $"{open.Run.BegunAt:yyyyMMddHHmm}";
            return timer switch
            {
                { PartNow: true, Says: { } says } => new PushWord($"first:{run}", text["Rinse now"], Words.Client.ToClient(says), true),
                { RinseAt: { } rinse } when now >= rinse => new PushWord(
                    $"up:{run}:{rinse:HHmm}",
                    text["Rinse now"],
                    text["The time is up. Open your guide."],
                    true
                ),
                { RinseAt: { } rinse } when now >= rinse.AddMinutes(-BeforeRinse) => new PushWord(
                    $"soon:{run}",
                    text["Rinse in {0} minutes", BeforeRinse],
                    text["Get ready to rinse. Open your guide."],
                    true
                ),
                _ => null,
            };
        }

        if (open.Verdict.State == GateState.Stopped || open.Kit.CancelledAt is not null)
        {
            return new PushWord("stopped", text["Do not use your kit"], text["Open your guide: it says what to do."], true);
        }

        var skin = open.Tests.Skin.FirstOrDefault(s => s.Stage is SkinStage.Watching or SkinStage.ToReport);
        return skin switch
        {
            { Stage: SkinStage.ToReport, On: { } on } => new PushWord(
                $"look:{on.Id:N}",
                text["Look at your skin test now"],
                text["The {0} hours are over. Report it in your guide.", Values.SkinTestHours],
                false
            ),
            { On: { } on } when now >= on.At.AddMinutes(Values.SkinTestOnMinutes) && now < on.At.AddHours(6) => new PushWord(
                $"wipe:{on.Id:N}",
                text["Wipe off the skin test"],
                text["The {0} minutes are over.", Values.SkinTestOnMinutes],
                false
            ),
            _ => null,
        };
    }
}

/// <summary>Checks every few seconds whether a phone has to be rung.</summary>
public sealed class PushRounds(PushSender pushes, Studios studios, ILogger<PushRounds> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(5);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                foreach (int studio in await studios.All())
                {
                    using var stay = CurrentStudio.Enter(studio);
                    await pushes.Round(stoppingToken);
                }
            }
            catch (Exception wrong) when (wrong is not OperationCanceledException)
            {
                WebLog.NotRung(log, wrong.Message);
            }
        }
    }
}
