using Kitto.Core.Learning;
using Kitto.Core.Rules;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Study;

/// <summary>Which rules one knows, with the evidence.</summary>
public sealed class RulesModel(LearningHeads heads, Studios studios, TimeProvider clock) : PageModel
{
    /// <summary>Rules that were asked, by their area, in the order of the book.</summary>
    public IReadOnlyList<IGrouping<string, (Rule Rule, RuleStand Stand)>> Areas { get; private set; } = [];

    public int Known { get; private set; }

    public int Asked { get; private set; }

    public DateOnly Today { get; private set; }

    public async Task OnGet()
    {
        var studio = (await studios.Get())!;
        Today = studio.Today(clock.GetUtcNow());
        var stands = (await heads.Stands(User.Id(), studio)).ToDictionary(s => s.Rule);
        (Known, Asked) = (stands.Values.Count(s => s.Known), stands.Count);
        Areas = [.. RuleBook.All.Where(r => stands.ContainsKey(r.Id)).Select(r => (Rule: r, Stand: stands[r.Id])).GroupBy(x => x.Rule.Area)];
    }
}
