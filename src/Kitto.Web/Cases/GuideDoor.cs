using System.Text.Json;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Store;

namespace Kitto.Web.Cases;

/// <summary>What a guide link opens.</summary>
public sealed record OpenGuide(Kit Kit, Client Client, SignedPrescription Signed, Prescription Prescription, Guide Guide, TestStand Tests, OutcomeReport? Outcome, Studio Studio);

/// <summary>Opens guide links: the one door from an address to a kit.</summary>
public sealed class GuideDoor(Links links, Kits kits, Clients clients, Reports reports, Answers answers, Studios studios, Shelf shelf, TimeProvider clock)
{
    /// <summary>The kit behind a token; else why not, in words for a plain page.</summary>
    public async Task<(OpenGuide? Guide, string? Closed)> Open(string token)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        if (await links.Open("guide", token) is not { } link)
        {
            return (null, "This address is not one of ours. Check that all of it was copied.");
        }

        if (link.RevokedAt is not null)
        {
            return (null, "Your colourist has closed this link. Ask for a new one.");
        }

        if (link.ExpiresAt <= now)
        {
            return (null, "This link was for one kit and has run out. Ask your colourist for a new one.");
        }

        var kit = (await kits.Get(link.KitId!.Value))!;
        var signed = (await kits.Frozen(kit.PrescriptionId))!;
        var prescription = Json.ReadPrescription(signed.Document);
        var guide = JsonSerializer.Deserialize<Guide>(signed.Guide!, Json.Options)!;
        if (kit.AgreedMinutes is { } minutes && CaseReader.Read(signed.CaseDocument, shelf).Case is { } read)
        {
            prescription = prescription with { Clock = Timing.Set(prescription.Clock!, Minutes.Of(minutes)) };
            guide = Guide.For(read, prescription, shelf) ?? guide;
        }

        var tests = TestDesk.Counting(kit.Id, await reports.TestsOfClient(kit.ClientId), await answers.TestsCountFrom(kit.ClientId));
        return (new OpenGuide(kit, (await clients.Get(kit.ClientId))!, signed, prescription, guide,
            TestDesk.Stand(kit, tests, now), await reports.OutcomeOf(kit.Id), (await studios.Get())!), null);
    }
}
