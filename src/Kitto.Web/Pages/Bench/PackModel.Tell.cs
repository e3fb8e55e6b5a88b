using System.Globalization;
using Kitto.Core.Contract;
using Kitto.Core.Packing;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.Bench;

/// <summary>What is told at the bench, and how it is taken down.</summary>
public sealed partial class PackModel
{
    /// <summary>What is told, as it comes from the page.</summary>
    public sealed class TellForm
    {
        /// <summary>Named by the page, so that telling it twice is telling it once.</summary>
        public Guid Event { get; set; }
        public string Kind { get; set; } = "poured";
        public string? Vessel { get; set; }
        public string? Item { get; set; }

        /// <summary>What the scale shows, all that is in the vessel.</summary>
        public string? Shows { get; set; }
        public Guid? Tube { get; set; }
        public bool Typed { get; set; }
        public Guid? Of { get; set; }
        public string? Factor { get; set; }
        public string? Says { get; set; }
        public int Seen { get; set; }
    }

    /// <summary>Something is told: a pour, a decision, a mistake.</summary>
    public async Task<IActionResult> OnPostTell(Guid id, [FromForm] TellForm form)
    {
        if (!await Load(id, form.Vessel))
        {
            return NotFound();
        }

        // Told again because its answer was lost: it is taken down already.
        if (At.Told.Any(e => e.Id == form.Event))
        {
            return RedirectToPage(new { id });
        }

        Typed = form;
        var (said, wrong) = Stopped is null ? Read(form) : (null, Stopped);
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

        if (Stopped is not null)
        {
            return Page();
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
            decimal there = At.Stand.Find(form.Vessel ?? "")?.Grams ?? 0;
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
            new PackingEvent(
                form.Event,
                kind,
                form.Vessel ?? "",
                form.Item ?? "",
                grams,
                form.Tube,
                form.Typed,
                form.Of,
                factor,
                (form.Says ?? "").Trim(),
                User.Name(),
                Now
            ),
            null
        );
    }
}
