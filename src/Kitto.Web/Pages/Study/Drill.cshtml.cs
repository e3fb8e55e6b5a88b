using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Core.Shade;
using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Study;

/// <summary>A short drill: one question, answered, and the next.</summary>
public sealed class DrillModel(StudyRecord record, Studios studios, Shelf shelf, TimeProvider clock) : PageModel
{
    public DrillKind Kind { get; private set; }

    public long Seed { get; private set; }

    /// <summary>The question; null where the shelf has nothing to ask about.</summary>
    public Drill? Drill { get; private set; }

    /// <summary>What was answered; null: not yet.</summary>
    public string? Answered { get; private set; }

    public string? Wrong { get; private set; }

    /// <summary>Right and asked in this sitting, as the page carries them along.</summary>
    public (int Right, int Asked) Run { get; private set; }

    public bool Right => Answered == Drill?.Right;

    private async Task<Drill?> Of(DrillKind kind, long seed) => Drills.Of(kind, seed, shelf, RecordFacts.House((await studios.Get())!, shelf));

    public async Task<IActionResult> OnGet(string kind, int right, int asked)
    {
        if (Json.Named<DrillKind>(kind) is not { } named)
        {
            return NotFound();
        }

        (Kind, Seed, Run) = (named, Random.Shared.NextInt64(1, 1L << 40), (Math.Clamp(right, 0, 999), Math.Clamp(asked, 0, 999)));
        Drill = await Of(named, Seed);
        return Page();
    }

    /// <summary>Takes an answer: it counts once, as it was given.</summary>
    public async Task<IActionResult> OnPost(string kind, long seed, string? answer, int right, int asked)
    {
        if (Json.Named<DrillKind>(kind) is not { } named)
        {
            return NotFound();
        }

        (Kind, Seed, Run) = (named, seed, (Math.Clamp(right, 0, 999), Math.Clamp(asked, 0, 999)));
        Drill = await Of(named, seed);
        if (Drill is null)
        {
            return Page();
        }

        if (Drill.Options.All(o => o.Name != answer))
        {
            Wrong = $"Choose one of the {Drill.Options.Count} answers.";
            return Page();
        }

        Answered = answer;
        Run = (Run.Right + (Right ? 1 : 0), Run.Asked + 1);
        await record.Show(User.Id(), Drill.Rule, Right, Json.Name(named), clock.GetUtcNow().UtcDateTime);
        return Page();
    }
}
