using System.Text.Json;
using Kitto.Core.Rules;
using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The book of rules: read, searched, and the schools of the house set. A stop has no switch.</summary>
public sealed class RulesPageModel(Studios studios, TimeProvider clock) : PageModel
{
    public string Search { get; private set; } = "";

    public IReadOnlyList<Rule> Found { get; private set; } = [];

    public IReadOnlyDictionary<string, string> Chosen { get; private set; } = new Dictionary<string, string>();

    public int Version { get; private set; }

    public string? Said { get; private set; }

    public string? Wrong { get; private set; }

    public async Task OnGet(string? find, string? said)
    {
        Search = (find ?? "").Trim();
        Said = said;
        await Load();
    }

    public async Task<IActionResult> OnPost(int version, string? find)
    {
        Search = (find ?? "").Trim();
        var studio = (await studios.Get())!;
        var house = studio.House();
        var schools = new Dictionary<string, string>(house.Schools);
        var changed = new List<(string Rule, string Way)>();
        foreach (var (rule, options) in Schools.Options)
        {
            // Only what stands on the page was posted; the rest stays.
            if (Request.Form["school." + rule].ToString() is not { Length: > 0 } chosen)
            {
                continue;
            }

            if (!options.Contains(chosen))
            {
                Wrong = $"{rule} has no way \"{chosen}\". Allowed: {string.Join(", ", options)}. Nothing was changed.";
                await Load();
                return Page();
            }

            if (chosen != house.Usual(rule))
            {
                changed.Add((rule, chosen));
            }

            schools[rule] = chosen;
            if (chosen == options[0])
            {
                schools.Remove(rule);
            }
        }

        try
        {
            await studios.Save(
                studio with
                {
                    Schools = JsonSerializer.Serialize(schools),
                    Version = version,
                },
                changed,
                User.Id(),
                clock.GetUtcNow().UtcDateTime
            );
        }
        catch (ConflictException conflict)
        {
            Wrong = conflict.Message + " Nothing was changed; look again and repeat it.";
            await Load();
            return Page();
        }

        return RedirectToPage(
            new { find = Search.Length > 0 ? Search : null, said = "Kept. Prescriptions from now on go by it; signed ones stay as they are." }
        );
    }

    private async Task Load()
    {
        var studio = (await studios.Get())!;
        Version = studio.Version;
        Chosen = studio.House().Schools;
        Found = [.. RuleBook.Search(Search)];
    }
}
