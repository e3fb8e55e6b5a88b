using Kitto.Store;
using Kitto.Web.Delivery;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Who works in the studio, what they may do, and who is asked in.</summary>
public sealed class HousePeopleModel(PublicAddress site, People people, Links links, Studios studios, TimeProvider clock) : PageModel
{
    public IReadOnlyList<Person> All { get; private set; } = [];

    public IReadOnlyList<Link> Invitations { get; private set; } = [];

    public Studio Studio { get; private set; } = null!;

    /// <summary>The address of an invitation that was just made; it is shown once.</summary>
    public string? Address { get; private set; }

    public string? Said { get; private set; }

    public string? Wrong { get; private set; }

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>What each role may do, in a sentence.</summary>
    public static IReadOnlyDictionary<Role, string> May { get; } =
        new Dictionary<Role, string>
        {
            [Role.Owner] = "runs the studio: all a colourist may, and the house, its people, prices and ledger",
            [Role.Colourist] = "reads heads, prescribes, signs, sees what clients answer",
            [Role.Learner] = "looks on, tries and studies; signs only where the house lets it",
            [Role.Bench] = "weighs, packs, posts and counts; does not see what clients answer",
        };

    public Task OnGet(string? said)
    {
        Said = said switch
        {
            "kept" => "Kept. It counts from the next page they open.",
            "closed" => "That invitation is closed.",
            "countersign" => "Kept. It counts from the next signature.",
            _ => null,
        };
        return Fill();
    }

    /// <summary>Asks somebody in.</summary>
    public async Task<IActionResult> OnPostInvite(Role? role)
    {
        if (role is { } given && Enum.IsDefined(given))
        {
            Address = $"{await site.Of(Request)}/join/{await links.ToInvite(given, Now)}";
        }
        else
        {
            Wrong = "Choose what they are asked in as: owner, colourist, learner or bench.";
        }

        await Fill();
        return Page();
    }

    /// <summary>Takes an invitation back.</summary>
    public async Task<IActionResult> OnPostClose(Guid link)
    {
        await links.CloseInvitation(link, Now);
        return RedirectToPage(new { said = "closed" });
    }

    /// <summary>Gives somebody another role, or says that they work here no longer, or do again.</summary>
    public async Task<IActionResult> OnPostChange(Guid person, Role? role, bool ended)
    {
        await Fill();
        if (All.FirstOrDefault(p => p.Id == person) is not { } who || role is not { } given || !Enum.IsDefined(given))
        {
            Wrong = "Choose a role: owner, colourist, learner or bench.";
            return Page();
        }

        try
        {
            await people.Change(person, given, ended ? who.EndedAt ?? Now : null, Now);
            return RedirectToPage(new { said = "kept" });
        }
        catch (ConflictException conflict)
        {
            Wrong = conflict.Message;
            return Page();
        }
    }

    /// <summary>Whether who learns may sign, and until when somebody countersigns.</summary>
    public async Task<IActionResult> OnPostCountersign(string? heads)
    {
        HeadsTyped = (heads ?? "").Trim();
        if (HeadsTyped.Length > 0 && (TypedNumber.Read(HeadsTyped, 1, Store.Studio.MostCountersigned) is not { } number || number % 1 != 0))
        {
            Wrong = $"Heads in a row: a whole number, 1 to {Store.Studio.MostCountersigned}, or nothing where who learns signs nothing.";
            await Fill();
            return Page();
        }

        await studios.Countersign(HeadsTyped.Length == 0 ? null : (int)TypedNumber.Read(HeadsTyped)!);
        return RedirectToPage(new { said = "countersign" });
    }

    /// <summary>What was typed for the heads in a row; null: nothing yet.</summary>
    public string? HeadsTyped { get; private set; }

    private async Task Fill() => (All, Invitations, Studio) = (await people.All(), await links.Invitations(Now), (await studios.Get())!);
}
