using System.Globalization;
using Kitto.Core.Picture;
using Kitto.Store;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The measuring card, to be printed, and how the studio reads beside what is measured with it.</summary>
public sealed class CardModel(Studios studios, PicturePairs pairs, TimeProvider clock) : PageModel
{
    public Studio Studio { get; private set; } = null!;

    /// <summary>What tells this print from others: the day it was made.</summary>
    public string Number { get; private set; } = "";

    /// <summary>How the studio reads beside its pictures; empty: nothing that was measured was signed yet.</summary>
    public IReadOnlyList<StudioBias> Biases { get; private set; } = [];

    public async Task OnGet()
    {
        Studio = (await studios.Get())!;
        Number = $"card of {Studio.Today(clock.GetUtcNow()):yyyy-MM-dd}";
        Biases = [.. PicturePairs.Biases(await pairs.Latest()).Values];
    }

    /// <summary>Switches what was learned on or off.</summary>
    public async Task<IActionResult> OnPost(bool corrected)
    {
        await studios.CorrectPictures(corrected);
        return RedirectToPage();
    }

    /// <summary>A shift as a colourist reads it.</summary>
    public static string Text(StudioBias bias, double shift) =>
        !double.IsFinite(shift) ? "?"
        : bias.Value == PictureValue.Regrowth ? shift.ToString("+0.0;−0.0;0", CultureInfo.InvariantCulture) + " mm"
        : (100 * shift).ToString("+0;−0;0", CultureInfo.InvariantCulture) + " points";

    /// <summary>What follows from it.</summary>
    public string Does(StudioBias bias) =>
        bias.Pairs < StudioBias.Least ? $"nothing yet: corrects from {StudioBias.Least} pairs on"
        : !bias.Corrects ? "nothing: what was signed and what was measured agree"
        : Studio.PicturesCorrected ? $"{Text(bias, bias.Shift)} on what is proposed"
        : "switched off";
}
