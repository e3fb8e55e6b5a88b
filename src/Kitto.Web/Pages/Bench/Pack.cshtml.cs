using System.Globalization;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Bench;

/// <summary>One kit at the bench: one part of one vessel at a time, each kept the moment it is steady.</summary>
public sealed partial class PackModel(
    BenchKits bench,
    BenchCommands commands,
    StockRecord stock,
    Store.Clients clients,
    Studios studios,
    KitGate gate,
    TimeProvider clock
) : PageModel
{
    public KitAtBench At { get; private set; } = null!;

    public Studio Studio { get; private set; } = null!;

    public ScaleSettings Scale { get; private set; } = null!;

    /// <summary>The vessel that is worked on; null where all are done.</summary>
    public VesselStand? Vessel { get; private set; }

    /// <summary>The part that is poured; null where the vessel is to be closed.</summary>
    public PartStand? Part => Vessel?.Now;

    /// <summary>Tubes of what is poured, the one to take first in front.</summary>
    public IReadOnlyList<Tube> Tubes { get; private set; } = [];

    /// <summary>The tube that is poured from.</summary>
    public Tube? Tube { get; private set; }

    /// <summary>Tubes that were poured from, by id.</summary>
    public IReadOnlyDictionary<Guid, Tube> Used { get; private set; } = new Dictionary<Guid, Tube>();

    /// <summary>Ways out of a pour that is not right.</summary>
    public IReadOnlyList<Way> Ways { get; private set; } = [];

    /// <summary>What was poured against what was prescribed, once all is weighed.</summary>
    public Judgement? Judged { get; private set; }

    /// <summary>Why something was not taken down.</summary>
    public string? Refused { get; private set; }

    /// <summary>What was typed that was not taken.</summary>
    public TellForm Typed { get; private set; } = new();

    /// <summary>The stop that holds, in words; null where none does.</summary>
    public string? Stopped { get; private set; }

    /// <summary>Whether the tube of this part ended: ways out are shown.</summary>
    public bool Ended { get; private set; }

    public async Task<IActionResult> OnGet(Guid id, string? vessel, string? code, bool ended)
    {
        if (!await Load(id, vessel))
        {
            return NotFound();
        }

        Ended = ended;
        await Choose(code);
        if (Part is { } part && (part.State == PartState.Over || ended))
        {
            var atHand = (await stock.AtHand(Today)).ToDictionary(a => (a.Line, a.Item), a => a.Grams);
            Ways = Rescue.Ways(
                At.Case,
                At.Prescription,
                At.Shelf,
                At.Plan,
                At.Told,
                Vessel!.Vessel.Key,
                part.Part.Item,
                // A line of which nothing is counted is taken to have enough.
                (line, item) => atHand.Keys.Any(k => k.Line == line) ? atHand.GetValueOrDefault((line, item)) : 10_000
            );
        }

        return Page();
    }

    /// <summary>Where it stands: another bench asks every two seconds whether anything was told here, and nothing is read for that.</summary>
    public async Task<IActionResult> OnGetTold(Guid id, [FromServices] BenchRecord record) => await record.Mark(id) is { } mark ? Content(mark) : NotFound();

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    private DateOnly Today => Studio.Today(Now);

    private async Task<bool> Load(Guid id, string? vessel)
    {
        if (await bench.Open(id) is not { } at)
        {
            return false;
        }

        (At, Studio) = (at, (await studios.Get())!);
        Scale = ScaleSettings.Of(Studio.Scale);
        // A vessel that was asked for, as long as something is to be done for it.
        Vessel = vessel is not null && at.Stand.Find(vessel) is { Done: false } asked && at.Stand.Ready(asked) ? asked : at.Stand.Now;
        Used = (await stock.Of(at.Tubes)).ToDictionary(t => t.Id);
        var verdict = (await gate.Of(at.Kit)).Verdict;
        Stopped =
            !verdict.MayGoOn ? $"{verdict.Stops[0].Rule}: {Words.Studio.Says(verdict.Stops[0])}"
            : at.Kit.State == "signed" && (await clients.LatestReading(at.Kit.ClientId))?.Version > at.Signed.ReadingVersion
                ? "The head was read again since this was signed: the new reading is signed first."
            : null;
        Judged = at.Stand.Done ? at.Judge() : null;
        return true;
    }
}
