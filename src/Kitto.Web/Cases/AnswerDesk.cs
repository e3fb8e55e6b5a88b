using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Store;

namespace Kitto.Web.Cases;

/// <summary>Takes in a client's answers, from herself or from the studio; what stops in them stops her open kits at once.</summary>
public sealed class AnswerDesk(Answers answers, Kits kits, Clients clients, Links links, Studios studios, TimeProvider clock)
{
    /// <summary>What a link to the questions opens; else why not, in words for a plain page.</summary>
    public async Task<(Link? Link, Client? Client, string? Closed)> Open(string token) => await links.Open("ask", token) switch
    {
        null => (null, null, "This address is not one of ours. Check that all of it was copied."),
        { RevokedAt: not null } => (null, null, "These questions have been answered, or your colourist has sent newer ones. Ask for a new link if something has changed."),
        { ExpiresAt: var ends } when ends <= Now() => (null, null, "This link has run out. Ask your colourist for a new one."),
        var link => (link, await clients.Get(link.ClientId!.Value), null),
    };

    /// <summary>Keeps a version.</summary>
    /// <param name="clientId">Whose.</param>
    /// <param name="begunFrom">The version it was begun from; 0: none.</param>
    /// <param name="told">The answers.</param>
    /// <param name="by">Who of the studio took them down; null: herself.</param>
    /// <returns>The stops in them.</returns>
    /// <exception cref="ConflictException">Others came in meanwhile.</exception>
    public async Task<IReadOnlyList<Because>> Keep(Guid clientId, long begunFrom, Consultation told, Guid? by)
    {
        var at = Now();
        await answers.Add(clientId, begunFrom, ConsultationReader.Write(told), told.AsksForNewSkinTest, at, by);
        double? length = ClientRecord.LengthOf(await clients.LatestReading(clientId));
        var stops = told.Stops((await studios.Get())!.Today(at), length).ToList();
        if (stops.Count > 0)
        {
            await kits.StopAll(clientId, $"{stops[0].Rule}: {(by is null ? "she answered so" : "her answers say so")}. {stops[0].Says}", at);
        }

        return stops;
    }

    /// <summary>She was asked and nothing else is new: the last answers hold for the kit that comes.</summary>
    /// <exception cref="InvalidOperationException">She was never asked.</exception>
    public Task Confirm(ClientRecord record, Guid by)
    {
        var told = record.Told ?? throw new InvalidOperationException("There are no answers to confirm.");
        // What was new the last time is not new again.
        var still = told with { NewMedicine = false, Conditions = [.. told.Conditions.Where(c => Conditions.Rule(c) != "SA5")] };
        return Keep(record.Client.Id, record.Answers[0].Id, still, by);
    }

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;
}
