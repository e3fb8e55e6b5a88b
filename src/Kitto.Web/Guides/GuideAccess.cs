using System.Text.Json;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Web.Bench;
using Kitto.Web.Shelves;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Guides;

/// <summary>What a guide link opens.</summary>
public sealed record OpenGuide(
    Kit Kit,
    Client Client,
    SignedPrescription Signed,
    Prescription Prescription,
    Case Case,
    Guide Guide,
    Shelf Shelf,
    Verdict Verdict,
    RunState Run,
    SafetyRecord Record,
    OutcomeReport? Outcome,
    Studio Studio
)
{
    /// <summary>When its link was closed or ran out, UTC; null: it is open.</summary>
    public DateTime? ClosedAt { get; init; }

    /// <summary>The tests of this kit.</summary>
    public TestStand Tests => Verdict.Tests;

    /// <summary>Whether a report can be taken: the kit was used, or could have been.</summary>
    public bool MayReport =>
        Kit.PostedAt is not null
        && (
            Verdict.State is GateState.Stopped
            || Run.BegunAt is not null
            || (Tests.StrandClear && Tests.Skin.All(s => s.Stage is SkinStage.Clear or SkinStage.Expired))
        );
}

/// <summary>Whose link it is, whatever has become of it: what is said of a reaction is taken through any link that ever was the client's.</summary>
/// <param name="ClientId">Who.</param>
/// <param name="Kit">The kit of a guide; null for questions.</param>
/// <param name="Link">The link.</param>
public sealed record LinkOwner(Guid ClientId, Kit? Kit, Link Link);

/// <summary>Opens guide links: the one way from an address to a kit.</summary>
public sealed class GuideAccess(
    Links links,
    Kits kits,
    Clients clients,
    Reports reports,
    Studios studios,
    KitGate gate,
    CurrentShelf shelves,
    IStringLocalizer<ClientPages> text,
    TimeProvider clock
)
{
    /// <summary>A reaction is taken through a link for so long after it was made, days.</summary>
    public const int ReactionDays = 730;

    /// <summary>The kit behind a token; else why not, in words for a plain page.</summary>
    /// <param name="token">The token.</param>
    /// <param name="evenClosed">Whether a link that is closed opens all the same: what was done while it was open may arrive late.</param>
    public async Task<(OpenGuide? Guide, string? Closed)> Open(string token, bool evenClosed = false)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        if (await links.Open("guide", token) is not { } link)
        {
            return (null, text["We do not know this address. Check that you copied all of it."]);
        }

        var kit = (await kits.Get(link.KitId!.Value))!;
        var (verdict, run, record) = await gate.Of(kit);
        // With colour on the head the guide stays, whatever has become of its link.
        var closedAt = link.ClosedAt(now);
        if (closedAt is not null && verdict.State != GateState.SeeThrough && !evenClosed)
        {
            return (
                null,
                link.RevokedAt is not null
                    ? text["Your colourist has closed this link. Ask for a new one."]
                    : text["This link was for one kit and has expired. Ask your colourist for a new one."]
            );
        }

        return (await Of(kit, verdict, run, record, closedAt), null);
    }

    /// <summary>The guide of a kit as it is now, without anybody having opened it.</summary>
    public async Task<OpenGuide> Of(Kit kit)
    {
        var (verdict, run, record) = await gate.Of(kit);
        return await Of(kit, verdict, run, record, null);
    }

    private async Task<OpenGuide> Of(Kit kit, Verdict verdict, RunState run, SafetyRecord record, DateTime? closedAt)
    {
        var signed = (await kits.Frozen(kit.PrescriptionId))!;
        var shelf = await shelves.Kept(signed.ShelfHash);
        var (prescription, read) = (KitAtBench.AsWeighed(signed), CaseReader.Kept(signed.CaseDocument));
        var guide = JsonSerializer.Deserialize<Guide>(signed.Guide!, Json.Options)!;
        if (kit.AgreedMinutes is { } minutes)
        {
            prescription = prescription with { Clock = prescription.Clock!.With(Minutes.Of(minutes)) };
            guide = Guide.For(read, prescription, shelf, Language.Of(signed.Language)) ?? guide;
        }

        return new OpenGuide(
            kit,
            (await clients.Get(kit.ClientId))!,
            signed,
            prescription,
            read,
            guide,
            shelf,
            verdict,
            run,
            record,
            await reports.OutcomeOf(kit.Id),
            (await studios.Get())!
        )
        {
            ClosedAt = closedAt,
        };
    }

    /// <summary>The emergency number for whoever has a link; the one that works nearly everywhere where nobody is known by it.</summary>
    public async Task<string> Ambulance(string token) =>
        await studios.Get() is { } studio
            ? studio.Ambulance(await Owner(token) is { } owner && await clients.Get(owner.ClientId) is { } client ? client.Country : "")
            : EmergencyNumbers.Everywhere;

    /// <summary>Whose a token is, or was within two years; null where it never was one of ours.</summary>
    public async Task<LinkOwner?> Owner(string token)
    {
        if (
            (await links.Open("guide", token) ?? await links.Open("ask", token)) is not { } link
            || link.CreatedAt < clock.GetUtcNow().UtcDateTime.AddDays(-ReactionDays)
        )
        {
            return null;
        }

        if (link.KitId is { } id)
        {
            var kit = (await kits.Get(id))!;
            return new LinkOwner(kit.ClientId, kit, link);
        }

        return new LinkOwner(link.ClientId!.Value, null, link);
    }
}
