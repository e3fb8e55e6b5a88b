using System.Globalization;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Core.Wording;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages.KitSheet;

/// <summary>What can change of a kit on its way: packing and posting, and back; its day; a part that is sent once more; that it is called off.</summary>
public sealed partial class SheetModel
{
    /// <summary>What was typed into the form that was not taken.</summary>
    public string Typed { get; private set; } = "";

    /// <summary>Which form that was.</summary>
    public string Changing { get; private set; } = "";

    /// <summary>Whether packing or posting can be taken back.</summary>
    public bool MayTakeBack => Kit.Step is KitStep.Packed or KitStep.Posted && Kit.OpenedAt is null;

    private IActionResult? Older =>
        ReadAgain
            ? Refused(
                $"The head was read again after this was signed (reading {Record.Reading!.Version}, this kit is of reading {Signed.ReadingVersion}). Sign the new reading; nothing is packed or posted from the old one."
            )
            : null;

    /// <summary>On its way.</summary>
    public async Task<IActionResult> OnPostMove(Guid id, int version)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        // The paper in the box bears the link, or nobody finds the guide.
        return Older
            ?? (
                Open.All(l => l.Address is null)
                    ? Refused("There is no link to its guide that could stand on the paper in the box. Make one below, print the paper, then post it.")
                    : await Do(version, seen => changes.Post(seen, Record.Today, Now()))
            );
    }

    /// <summary>Weighed by the paper, not at the bench: for a reason.</summary>
    public async Task<IActionResult> OnPostPackWithout(Guid id, string? why, int version, [FromServices] BenchCommands commands)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Changing, Typed) = ("without", why ?? "");
        return Older
            ?? (
                !WrittenReason.Is(Typed)
                    ? Refused($"Say why it was not weighed at the bench: {WrittenReason.Range}. It stands in the record.")
                    : await Do(version, seen => commands.PackWithout(seen, Bench.Plan, Typed.Trim(), Bench.Packed, Record.Today, User.Name(), Now()))
            );
    }

    /// <summary>It was tapped too early: not packed, or not posted after all.</summary>
    public async Task<IActionResult> OnPostTakeBack(Guid id, int version) => await Load(id) ? await Do(version, changes.TakeBack) : NotFound();

    /// <summary>Another colour day: all days, reminders and calendars go with it.</summary>
    public async Task<IActionResult> OnPostDay(Guid id, string? day, int version)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Changing, Typed) = ("day", day ?? "");
        if (!DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var colour) || colour <= Record.Today)
        {
            return Refused($"Give the new colour day, from {Record.Today.AddDays(1):d MMM yyyy} on.");
        }

        var wish = new PlanWish(Record.Today, colour, Record.Destination.Days(), Record.Destination.TransitDays);
        var skin = Tests.Skin.All(s => s.Stage is SkinStage.Watching or SkinStage.ToReport or SkinStage.Clear)
            ? Tests.Skin.Min(s => Record.Studio.Today(s.On!.At))
            : (DateOnly?)null;
        // A kit without a plan was filled on the day it was packed.
        var filled = Kit.Days with
        {
            FillOn = Kit.FillOn ?? (Kit.PackedAt is { } packed ? Record.Studio.Today(packed) : null),
        };
        if (filled.Moved(colour, Kit.PostedAt is not null, skin, Kit.SkinDays, wish) is not { } days)
        {
            return Refused(
                Kit.PostedAt is null
                    ? $"Post and tests do not fit before {colour:ddd d MMM}; {Record.Destination.Name} has post on {Record.Destination.PostDays.Replace(",", ", ")}."
                    : $"On {colour:ddd d MMM} the tests do not fit, or what was filled on {filled.FillOn:d MMM} would be too old: it keeps {Kitto.Core.Trade.Values.ShelfLifeDays} days."
            );
        }

        return await Do(
            version,
            async seen =>
            {
                await changes.MoveDays(seen, days);
                if (seen.PostedAt is not null)
                {
                    await sender.Say(seen with { ColourOn = days.ColourOn, SkinOn = days.SkinOn == Kit.SkinOn ? null : days.SkinOn }, ClientMessage.DayMoved);
                }
            }
        );
    }

    /// <summary>It is not to be used.</summary>
    public async Task<IActionResult> OnPostCallOff(Guid id, string? why, int version)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Changing, Typed) = ("off", why ?? "");
        return !WrittenReason.Is(Typed)
            ? Refused($"Say why it is called off: {WrittenReason.Range}. It stands in the record.")
            : await Do(
                version,
                async seen =>
                {
                    await changes.CallOff(seen, Typed.Trim(), User.Name(), Now());
                    if (seen.PostedAt is not null)
                    {
                        await sender.Say(seen, ClientMessage.CalledOff);
                    }
                }
            );
    }

    /// <summary>A part is sent once more: it leaked, broke or is missing.</summary>
    public async Task<IActionResult> OnPostReplace(Guid id, string? part, string? why, int version)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Changing, Typed) = ("part", why ?? "");
        return Guide?.Box.Contains(part ?? "") != true ? Refused("Choose the part that is sent once more.")
            : !WrittenReason.Is(Typed) ? Refused($"Say why it is sent once more: {WrittenReason.Range}.")
            : await Do(
                version,
                async seen =>
                {
                    await changes.Replace(seen, part!, Typed.Trim(), User.Name(), Now());
                    if (seen.PostedAt is not null)
                    {
                        await sender.Say(seen, ClientMessage.PartSent, Record.Studio, $"{seen.MessageKey(ClientMessage.PartSent)}:{Now().Ticks}");
                    }
                }
            );
    }

    /// <summary>A part that was sent once more is there.</summary>
    public async Task<IActionResult> OnPostArrived(Guid id, Guid what)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        await changes.Arrived(Kit, what, Now());
        return RedirectToPage(new { id });
    }

    /// <summary>Somebody has dealt with what the client said of the box.</summary>
    public async Task<IActionResult> OnPostNoted(Guid id, Guid note)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        await notes.Seen(note, id, User.Name(), Now());
        return RedirectToPage(new { id });
    }

    /// <summary>The colourist has spoken to a client who withdrew a reaction to a skin test, and accepts the test.</summary>
    public async Task<IActionResult> OnPostAcceptSkin(Guid id, Guid test, string? why)
    {
        if (!await Load(id))
        {
            return NotFound();
        }

        (Changing, Typed) = ("skin", why ?? "");
        var refused = await commands.Say(
            Kit,
            (record, kit) => KitLife.AcceptSkin(record, kit, test, Typed, new Speaker(Guid.CreateVersion7(), Now(), User.Name()))
        );
        return refused is null ? RedirectToPage(new { id }) : Refused(Words.Studio.Says(refused.Says));
    }

    private async Task<IActionResult> Do(int version, Func<Kit, Task> change)
    {
        try
        {
            await change(Kit with { Version = version });
            return RedirectToPage(new { id = Kit.Id });
        }
        catch (ConflictException conflict)
        {
            return Refused(conflict.Message);
        }
    }
}
