using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Consultations;
using Kitto.Web.Guides;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.Clients;

/// <summary>What is kept: a reading, or a signed prescription with its kit.</summary>
public sealed partial class PrescriptionModel
{
    /// <summary>Keeps the reading as a new version.</summary>
    public async Task<IActionResult> OnPostKeep(Guid id)
    {
        if (!await Posted(id))
        {
            return NotFound();
        }

        if (Answer.Case is null)
        {
            return Page();
        }

        try
        {
            await commands.Keep(Reading());
        }
        catch (ConflictException conflict)
        {
            return await Lost(conflict);
        }

        return Redirect($"/clients/{id}");
    }

    /// <summary>Signs: the reading becomes a version, the prescription is frozen, a kit is opened where the decision is one.</summary>
    public async Task<IActionResult> OnPostSign(Guid id)
    {
        if (!await Posted(id))
        {
            return NotFound();
        }

        await Measure();
        if (Answer is not { Case: { } c, Prescription: { } p })
        {
            return Page();
        }

        if (Answer.Unconfirmed is [_, ..] open)
        {
            Conflict = $"Not signed yet: {(open.Count == 1 ? "one thing asks" : $"{open.Count} things ask")} for your yes, below the formula.";
            return Page();
        }

        var signs = await Signs(p);
        if (signs == Signature.None)
        {
            Conflict = "Not signed: in this house who learns signs nothing.";
            return Page();
        }

        bool asked = p.Decision != Decision.Kit || Record.AnswersStand == AnswersStand.Current;
        if (!asked && (Record.Told is null || !Confirmed))
        {
            Unasked = Record.Told is null
                ? "Ask the client first: no kit is signed without answers."
                : $"Ask again, or tick that you have: the answers are older than the last kit or than {Kitto.Core.Trade.Values.AnswersFreshDays} days.";
            return Page();
        }

        string older = Request.Form["older"].ToString();
        if (p.Decision == Decision.Kit && Older.Count > 0 && older is not ("keep" or "off"))
        {
            Unsettled = true;
            return Page();
        }

        if (signs == Signature.Proposes)
        {
            return await Propose();
        }

        try
        {
            var by = Countersigns ? Proposed : null;
            var (prescription, kit) = await commands.Sign(
                by is null ? Reading() : Reading() with { By = by.PersonId, ByName = by.PersonName },
                cases.Freeze(Record, c, p, Document, by?.PersonName ?? User.Name(), by is null ? null : User.Name()),
                asked ? null : ConsultationRecorder.Confirmed(Record),
                older == "off" ? [.. Older.Select(o => o.KitId!.Value)] : [],
                by is null ? null : User.Id()
            );
            await pairs.Keep(Measured.SelectMany(m => m.Value.Signed(c.Reading.Zones[(int)m.Key])), clock.GetUtcNow().UtcDateTime);
            foreach (var off in older == "off" ? Older.Where(o => o.KitState == "posted") : [])
            {
                await sender.Say((await kits.Get(off.KitId!.Value))!, Core.Clock.ClientMessage.CalledOff);
            }

            if (kit is { } fresh)
            {
                await links.Make(fresh, await site.Of(Request));
            }

            return Redirect(kit is { } made ? $"/kits/{made}" : $"/prescriptions/{prescription}");
        }
        catch (ConflictException conflict)
        {
            return await Lost(conflict);
        }
    }

    /// <summary>What is kept of this sitting; a fact that stops is kept with it, and what is out stops at once, signed or not.</summary>
    private KeptReading Reading() =>
        new(
            Record.Client.Id,
            BegunFrom,
            Values.Document().Text(),
            User.Id(),
            User.Name(),
            clock.GetUtcNow().UtcDateTime,
            SittingStart.Measured(Values, Record),
            Answer.Prescription is { Decision: Decision.Stop } stop ? [.. stop.Because.Where(b => b.About == Topic.Stop)] : []
        );

    /// <summary>Somebody was quicker: what was typed stands, and what follows from it is reckoned on the record as it is now.</summary>
    private async Task<IActionResult> Lost(ConflictException conflict)
    {
        Conflict = conflict.Message;
        BegunFrom = (await clients.LatestReading(Record.Client.Id))?.Version ?? 0;
        Record = await cases.Load(Record.Client.Id) ?? Record;
        Work();
        return Page();
    }
}
