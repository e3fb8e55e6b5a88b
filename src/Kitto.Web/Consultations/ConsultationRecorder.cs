using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Sittings;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Consultations;

/// <summary>Takes in a client's answers, from herself or from the studio; what stops in them stops her open kits at once.</summary>
public sealed class ConsultationRecorder(SittingCommands commands, Clients clients, Links links, IStringLocalizer<ClientPages> text, TimeProvider clock)
{
    /// <summary>What a link to the questions opens; else why not, in words for a plain page.</summary>
    public async Task<(Link? Link, Client? Client, string? Closed)> Open(string token) =>
        await links.Open("ask", token) switch
        {
            null => (null, null, text["We do not know this address. Check that you copied all of it."]),
            { RevokedAt: not null } => (
                null,
                null,
                text["You have already answered these questions, or we have sent you newer ones. Ask for a new link if something has changed."]
            ),
            { ExpiresAt: var ends } when ends <= Now() => (null, null, text["This link has expired. Ask your colourist for a new one."]),
            var link => (link, await clients.Get(link.ClientId!.Value), null),
        };

    /// <summary>Keeps a version.</summary>
    /// <param name="record">Whose, and what was said before.</param>
    /// <param name="begunFrom">The version it was begun from; 0: none.</param>
    /// <param name="told">The answers.</param>
    /// <param name="by">Who of the studio took them down; null: herself.</param>
    /// <param name="byName">The name of that person.</param>
    /// <param name="link">The link they came by; it is used up.</param>
    /// <returns>The stops in them, and in what she told before.</returns>
    /// <exception cref="ConflictException">Others came in meanwhile.</exception>
    public async Task<IReadOnlyList<Reason>> Keep(
        ClientRecord record,
        long begunFrom,
        Consultation told,
        Guid? by,
        string byName = Speaker.Client,
        Guid? link = null
    )
    {
        var kept = Kept(record, begunFrom, told);
        await commands.Answer(record.Client.Id, kept, Now(), by, byName, link);
        return Stops(record, told);
    }

    /// <summary>Answers with the stops that are in them once all that was told before is counted too.</summary>
    public static KeptAnswers Kept(ClientRecord record, long begunFrom, Consultation told) =>
        new(begunFrom, ConsultationReader.Write(told), told.AsksForNewSkinTest, Words.Studio.Because(Stops(record, told)));

    /// <summary>The stops in some answers, and in what was said before.</summary>
    public static List<Reason> Stops(ClientRecord record, Consultation told) => [.. record.Joined(told).Stops(record.Today, record.LengthCm)];

    /// <summary>She was asked and nothing else is new: the last answers hold for the kit that comes.</summary>
    /// <exception cref="InvalidOperationException">She was never asked.</exception>
    public static KeptAnswers Confirmed(ClientRecord record)
    {
        var told = record.Last ?? throw new InvalidOperationException("There are no answers to confirm.");
        // What was new the last time is not new again.
        return Kept(record, record.Answers[0].Id, told with { NewMedicine = false, Conditions = [.. told.Conditions.Where(c => Conditions.Rule(c) != "SA5")] });
    }

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;
}
