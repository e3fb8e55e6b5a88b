using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Outcome;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Bench;
using Kitto.Web.Delivery;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.KitSheet;

/// <summary>One kit: the sheet to weigh and pack by, its link, its tests, its report.</summary>
public sealed partial class SheetModel(
    PublicAddress site,
    Kits kits,
    KitNotes notes,
    BenchKits benches,
    StockRecord stock,
    CaseBuilder cases,
    GuideLinks links,
    Reports reports,
    PictureRecord pictures,
    PictureSeal seal,
    RunRecorder run,
    KitGate gate,
    SafetyCommands commands,
    KitCommands changes,
    ClientMessageSender sender,
    TimeProvider clock
) : PageModel
{
    public Kit Kit { get; private set; } = null!;

    public ClientRecord Record { get; private set; } = null!;

    public SignedPrescription Signed { get; private set; } = null!;

    public Prescription Prescription { get; private set; } = null!;

    public Case Case { get; private set; } = null!;

    public Guide? Guide { get; private set; }

    /// <summary>What is in the box, as the studio reads it: line by line beside the guide's.</summary>
    public IReadOnlyList<string> Box { get; private set; } = [];

    private IReadOnlyList<string> BoxOf() =>
        Core.Guide.For(Case, Prescription, Shelf, Words.Studio)?.Box is { } own && own.Count == Guide?.Box.Count ? own : Guide?.Box ?? [];

    /// <summary>A part as the studio calls it.</summary>
    public string Part(string what) => Guide?.Box.ToList().IndexOf(what) is { } at and >= 0 ? Box[at] : what;

    /// <summary>What the gate says of it.</summary>
    public Verdict Verdict { get; private set; } = null!;

    public TestStand Tests => Verdict.Tests;

    public OutcomeReport? Outcome { get; private set; }

    /// <summary>What was painted when; null before the first stroke.</summary>
    public RunStand? Run { get; private set; }

    /// <summary>Pictures that came with her tests.</summary>
    public IReadOnlyList<(Guid TestId, string Kind, DateTime At)> Photos { get; private set; } = [];

    /// <summary>Pictures of how it came out.</summary>
    public IReadOnlyList<(Guid Id, DateTime At)> Results { get; private set; } = [];

    /// <summary>Parts that were sent once more.</summary>
    public IReadOnlyList<Replacement> Replaced { get; private set; } = [];

    /// <summary>What the client said of the box, the newest first.</summary>
    public IReadOnlyList<KitNote> Notes { get; private set; } = [];

    /// <summary>Links to its guide that are open, the newest first, with their addresses where they can be shown.</summary>
    public IReadOnlyList<(Link Link, string? Address)> Open { get; private set; } = [];

    public string? Conflict { get; private set; }

    /// <summary>Whether a newer reading was kept than this kit was signed from: it asks for a new sign-off.</summary>
    public bool ReadAgain => Record.Reading is { } reading && reading.Version > Signed.ReadingVersion;

    /// <summary>The shelf as it was when this was signed.</summary>
    public Shelf Shelf { get; private set; } = null!;

    /// <summary>What the strand test asks to be changed; null where nothing.</summary>
    public StrandProposal? Proposal
    {
        get
        {
            var formula = Prescription.Formulas[0];
            return Tests.Strand is { Result: { } result } strand && Shelf.Find(formula.Line) is { } line
                ? StrandAdvice.Of(result, strand.Minutes, formula.Mix(), line, Case.Goal.Level ?? Case.Reading.Hair.Lengths.Level)
                : null;
        }
    }

    public async Task<IActionResult> OnGet(Guid id) => await Load(id) ? Page() : NotFound();

    /// <summary>Takes the time that the strand test asks for.</summary>
    public async Task<IActionResult> OnPostAgree(Guid id, int version)
    {
        if (!await Load(id) || Proposal?.Minutes is not { } minutes)
        {
            return NotFound();
        }

        return version != Kit.Version
            ? Refused("This kit has been moved on by someone else meanwhile; look again.")
            : await Release(id, minutes.Value, $"the time is set to {minutes}");
    }

    /// <summary>The colourist has looked at a strand that was not right and lets it go on.</summary>
    public async Task<IActionResult> OnPostRelease(Guid id) => await Load(id) ? await Release(id, null, "looked at the strand") : NotFound();

    private async Task<IActionResult> Release(Guid id, double? minutes, string says)
    {
        var refused = await commands.Say(
            Kit,
            (record, kit) => KitLife.Release(record, kit, minutes, says, new Speaker(Guid.CreateVersion7(), Now(), User.Name()))
        );
        return refused is null ? RedirectToPage(new { id }) : Refused(Words.Studio.Says(refused.Says));
    }

    private PageResult Refused(string says)
    {
        Conflict = says;
        return Page();
    }

    /// <summary>What is weighed for it, and what was.</summary>
    public KitAtBench Bench { get; private set; } = null!;

    /// <summary>Tubes that it was weighed from, by id.</summary>
    public IReadOnlyDictionary<Guid, Tube> Tubes { get; private set; } = new Dictionary<Guid, Tube>();

    /// <summary>Lots of some pours, as printed.</summary>
    public string LotsOf(IEnumerable<Core.Packing.PackingEvent> pours) =>
        string.Join(", ", pours.Select(p => p.Tube).OfType<Guid>().Select(Tubes.GetValueOrDefault).OfType<Tube>().Select(t => t.Number).Distinct());

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;

    private async Task<bool> Load(Guid id)
    {
        if (await benches.Open(id) is not { } bench || await cases.Load(bench.Kit.ClientId) is not { } record)
        {
            return false;
        }

        var (kit, signed) = (bench.Kit, bench.Signed);
        (Kit, Signed, Record, Bench) = (kit, signed, record, bench);
        (Prescription, Shelf, Case) = (bench.Prescription, bench.Shelf, bench.Case);
        Tubes = (await stock.Of(bench.Tubes)).ToDictionary(t => t.Id);
        Guide = signed.Guide is null ? null : System.Text.Json.JsonSerializer.Deserialize<Guide>(signed.Guide, Json.Options);
        Box = BoxOf();
        Verdict = (await gate.Of(kit)).Verdict;
        Outcome = await reports.OutcomeOf(id);
        Run = Guide is null ? null : await run.Kept(kit, Guide, Prescription, Case, Shelf);
        string here = await site.Of(Request);
        Open = [.. (await links.Open(id)).Select(l => (l, links.Address(l, here)))];
        Photos = await reports.Photos(id);
        Results = [.. await reports.ReportPhotos(id), .. await pictures.OfKit(id)];
        Replaced = await kits.Replacements(id);
        Notes = await notes.Of(id);
        return true;
    }
}
