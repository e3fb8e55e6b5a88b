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
public sealed partial class PackModel(BenchKits bench, BenchCommands commands, StockRecord stock, Studios studios, KitGate gate, TimeProvider clock) : PageModel
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

    /// <summary>What is told, as it comes from the page.</summary>
    public sealed class TellForm
    {
        /// <summary>Named by the page, so that telling it twice is telling it once.</summary>
        public Guid Event { get; set; }
        public string Kind { get; set; } = "poured";
        public string Vessel { get; set; } = "";
        public string Item { get; set; } = "";

        /// <summary>What the scale shows, all that is in the vessel.</summary>
        public string? Shows { get; set; }
        public Guid? Tube { get; set; }
        public bool Typed { get; set; }
        public Guid? Of { get; set; }
        public string? Factor { get; set; }
        public string? Says { get; set; }
        public int Seen { get; set; }
    }

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

    /// <summary>How many lines there are: another bench asks whether anything was told here.</summary>
    public async Task<IActionResult> OnGetTold(Guid id) => await bench.Open(id) is { } at ? Content(Mark(at)) : NotFound();

    private static string Mark(KitAtBench at) => $"{at.Told.Count} {at.Kit.State} {at.Kit.Version}";

    /// <summary>Something is told: a pour, a decision, a mistake.</summary>
    public async Task<IActionResult> OnPostTell(Guid id, [FromForm] TellForm form)
    {
        if (!await Load(id, form.Vessel))
        {
            return NotFound();
        }

        Typed = form;
        var (said, wrong) = Read(form);
        if (wrong is null)
        {
            try
            {
                wrong = await commands.Tell(At.Kit, At.Plan, form.Seen, said!, Today);
                if (wrong is null)
                {
                    // The next part of the same vessel first; what is done goes on by itself.
                    return RedirectToPage(new { id });
                }
            }
            catch (ConflictException conflict)
            {
                wrong = conflict.Message;
            }
        }

        await Load(id, form.Vessel);
        await Choose(null, form.Tube);
        Refused = wrong;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>A part of another tube: what was left in the one before is gone.</summary>
    public async Task<IActionResult> OnPostEmpty(Guid id, Guid tube, [FromServices] StockCommands changes)
    {
        await changes.End(tube, User.Name(), Now, (await studios.Get())!.Today(Now));
        return RedirectToPage(new { id });
    }

    /// <summary>Into the box: everything is weighed and labelled, or a reason says why not.</summary>
    public async Task<IActionResult> OnPostPack(Guid id, int version, int told)
    {
        if (!await Load(id, null))
        {
            return NotFound();
        }

        try
        {
            await commands.Pack(At.Kit with { Version = version }, At.Plan, told, At.Packed(At.Stand), Today, User.Name(), Now);
            return Redirect($"/kits/{id}");
        }
        catch (ConflictException conflict)
        {
            Refused = conflict.Message;
            return Page();
        }
    }

    private (PackingEvent? Said, string? Wrong) Read(TellForm form)
    {
        if (Json.Named<PackingKind>(form.Kind) is not { } kind || form.Event == Guid.Empty)
        {
            return (null, "This page is not of this version; open it again.");
        }

        decimal grams = 0;
        if (kind == PackingKind.Poured)
        {
            decimal there = Vessel?.Grams ?? 0;
            if (TypedNumber.Read(form.Shows, 0, (double)PackingRules.MostGrams) is not { } shows)
            {
                return (null, $"What the scale shows: a number, {there:0.##} to {PackingRules.MostGrams:0} g.");
            }

            grams = Math.Round((decimal)shows, 2) - there;
            if (grams <= 0)
            {
                return (null, $"{there:0.0##} g is in it already. What the scale shows with the new pour in it is more than that.");
            }
        }

        double factor = double.TryParse(form.Factor, NumberStyles.Float, CultureInfo.InvariantCulture, out double f) ? f : 1;
        return (
            new PackingEvent(form.Event, kind, form.Vessel, form.Item, grams, form.Tube, form.Typed, form.Of, factor, (form.Says ?? "").Trim(), User.Name(), Now),
            null
        );
    }

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
        Stopped = verdict.MayGoOn ? null : $"{verdict.Stops[0].Rule}: {Words.Studio.Says(verdict.Stops[0])}";
        Judged = at.Stand.Done ? at.Judge() : null;
        return true;
    }

    /// <summary>The tube: the one whose code was scanned or typed, the one named, else the one to be used up first.</summary>
    private async Task Choose(string? code, Guid? named = null)
    {
        if (Part is not { Part: { From: null } part })
        {
            return;
        }

        string line = Vessel!.Vessel.Line;
        Tubes = await stock.Tubes(line, part.Item);
        Tube = Tubes.FirstOrDefault(t => t.Id == named) ?? Tubes.FirstOrDefault(t => t.Refused(Today) is null);
        if (string.IsNullOrWhiteSpace(code))
        {
            return;
        }

        code = code.Trim();
        if (Tubes.FirstOrDefault(t => string.Equals(t.Code, code, StringComparison.OrdinalIgnoreCase) || string.Equals(t.Number, code, StringComparison.OrdinalIgnoreCase)) is { } own)
        {
            Refused = own.Refused(Today);
            Tube = Refused is null ? own : Tube;
        }
        else if (await stock.Find(code) is { } other)
        {
            Refused = other.EndedAt is not null ? other.Refused(Today) : $"{other.Code} is {other.Item}; {part.Item} is wanted here.";
        }
        else if (await stock.Means(code) is { } means)
        {
            Refused = (means.Line, means.Item) == (line, part.Item) ? Tube is null ? $"No tube of {part.Item} is at hand." : null : $"{code} is {means.Item}; {part.Item} is wanted here.";
        }
        else if (await stock.LotsOf(code) is [var lot, ..])
        {
            Refused = lot.Item == part.Item ? $"Nothing of lot {lot.Number} is left." : $"Lot {lot.Number} is {lot.Item}; {part.Item} is wanted here.";
        }
        else
        {
            Refused = $"Nobody has said what {code} is. Take it in at the stock, or choose a tube.";
        }
    }
}
