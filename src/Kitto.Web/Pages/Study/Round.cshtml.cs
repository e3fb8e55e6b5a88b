using Kitto.Core.Learning;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Study;

/// <summary>A round: the same ten heads for everybody of the studio, and how each did, side by side.</summary>
public sealed class RoundModel(LearningHeads heads, StudyRecord record, Studios studios) : PageModel
{
    public StudyRound Round { get; private set; } = null!;

    public Store.Studio Studio { get; private set; } = null!;

    /// <summary>Everybody who has signed a head of it, with theirs by place.</summary>
    public IReadOnlyList<(string Name, Guid Id, IReadOnlyDictionary<int, SignedHead> Heads)> People { get; private set; } = [];

    /// <summary>How many of its heads one has signed.</summary>
    public int Done { get; private set; }

    public string? Wrong { get; private set; }

    private async Task<bool> Find(Guid id)
    {
        if (await record.Round(id) is not { } round)
        {
            return false;
        }

        (Round, Studio) = (round, (await studios.Get())!);
        var signed = await record.OfRound(id);
        Done = signed.Count(s => s.PersonId == User.Id());
        People =
        [
            .. signed
                .GroupBy(s => (s.PersonName, s.PersonId))
                .Select(g => (g.Key.PersonName, g.Key.PersonId, (IReadOnlyDictionary<int, SignedHead>)g.ToDictionary(h => h.Place)))
                .OrderByDescending(p => p.Item3.Values.Sum(h => h.Score)),
        ];
        return true;
    }

    public async Task<IActionResult> OnGet(Guid id) => await Find(id) ? Page() : NotFound();

    /// <summary>Begins one's next head of it.</summary>
    public async Task<IActionResult> OnPostBegin(Guid id)
    {
        if (!await Find(id))
        {
            return NotFound();
        }

        if (Done >= LearningHeads.OfARound)
        {
            return RedirectToPage(new { id });
        }

        if (await heads.Begin(User.Id(), Purpose.Round, round: Round) is { } head)
        {
            return Redirect($"/study/heads/{head}");
        }

        Wrong = LearningWords.NoHead;
        return Page();
    }

    /// <summary>What a head of it asks, which is told once one has signed it.</summary>
    public string Asks(int place) => Done > place ? LearningWords.Of(StudyHeads.KindAt(Round.Seed, place)) : "not yet yours to see";
}
