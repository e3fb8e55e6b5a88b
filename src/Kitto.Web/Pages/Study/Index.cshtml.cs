using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Learning;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Study;

/// <summary>Where one learns on heads that cannot be hurt: what comes next, how one comes on, what comes back, rounds.</summary>
public sealed class IndexModel(LearningHeads heads, StudyRecord record, Studios studios, TimeProvider clock) : PageModel
{
    public Store.Studio Studio { get; private set; } = null!;

    public IReadOnlyList<SignedHead> Signed { get; private set; } = [];

    public IReadOnlyList<RuleStand> Stands { get; private set; } = [];

    public IReadOnlyList<StudyRound> Rounds { get; private set; } = [];

    public LeaveStand Leave { get; private set; } = new(0, 0, 0);

    /// <summary>A head that is begun and waits.</summary>
    public StoredHead? Open { get; private set; }

    public DateOnly Today { get; private set; }

    public string? Wrong { get; private set; }

    public string RoundName { get; private set; } = "";

    public Task OnGet() => Fill();

    /// <summary>Begins a head, or takes up the one that was begun.</summary>
    public async Task<IActionResult> OnPostBegin(string? purpose, string? kind)
    {
        var what = Json.Named<Purpose>(purpose) is { } named and not Purpose.Round ? named : Purpose.Practice;
        var wished = Json.Named<StudyKind>(kind);
        if (wished == StudyKind.Past && !SeesPast)
        {
            return new StatusCodeResult(StatusCodes.Status403Forbidden);
        }

        if (await heads.Begin(User.Id(), what, what == Purpose.Practice ? wished : null) is { } id)
        {
            return Redirect($"/study/heads/{id}");
        }

        Wrong =
            wished == StudyKind.Past
                ? "There is no head of this studio's past that you have not had, and that the shelf could still do."
                : LearningWords.NoHead;
        await Fill();
        return Page();
    }

    /// <summary>Opens a round for everybody.</summary>
    public async Task<IActionResult> OnPostRound(string? name)
    {
        RoundName = (name ?? "").Trim();
        if (RoundName.Length is < 1 or > 80 || RoundName.Any(char.IsControl))
        {
            Wrong = "The round's name is needed: 1 to 80 characters.";
            await Fill();
            return Page();
        }

        var id = Guid.CreateVersion7();
        await record.OpenRound(id, RoundName, Random.Shared.NextInt64(1, 1L << 40), User.Id(), clock.GetUtcNow().UtcDateTime);
        return Redirect($"/study/rounds/{id}");
    }

    private async Task Fill()
    {
        Studio = (await studios.Get())!;
        Today = Studio.Today(clock.GetUtcNow());
        Signed = await record.Signed(User.Id());
        Stands = await heads.Stands(User.Id(), Studio);
        Rounds = await record.Rounds();
        Leave = LearningHeads.Leave(Signed);
        Open = await record.Open(User.Id(), Json.Name(Purpose.Practice));
    }

    /// <summary>Heads of the past show what was answered, if without a name: whoever may not see that elsewhere does not see it here.</summary>
    public bool SeesPast => User.May("/Clients/Answers");

    /// <summary>What is to come back today: wrong ones first.</summary>
    public IReadOnlyList<RuleStand> Due => [.. Stands.Where(s => s.Due <= Today).OrderBy(s => s.InARow).ThenBy(s => s.Due).Take(6)];

    /// <summary>How often a kind was had, and how often it was safe.</summary>
    public (int Safe, int All) Of(StudyKind kind)
    {
        var had = Signed.Where(h => h.Kind == Json.Name(kind)).ToList();
        return (had.Count(h => h.Safe), had.Count);
    }
}
