using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages;

/// <summary>The second step of one's own account: begun, taken, given up.</summary>
public sealed partial class MeModel
{
    /// <summary>A key that is being set up; null: none is.</summary>
    public string? NewKey { get; private set; }

    /// <summary>The key as it comes back: sealed.</summary>
    public string? Sealed { get; private set; }

    /// <summary>The key as a drawing to scan.</summary>
    public string Code => KitSheet.SheetModel.Qr(Identity.SecondStep.Address(Me, Studio.Name, NewKey!));

    /// <summary>Codes for the paper, shown once.</summary>
    public IReadOnlyList<string> Papers { get; private set; } = [];

    /// <summary>How many codes on paper are not used yet.</summary>
    public int PapersLeft { get; private set; }

    /// <summary>Begins: shows a key to scan.</summary>
    public async Task<IActionResult> OnPostStep(string? sure)
    {
        await Fill();
        // One that is there is given up first, with a code.
        Sealed = Me.TotpAt is null && await Sure("stepSure", sure) ? step.NewKey(Me) : null;
        NewKey = step.KeyOf(Me, Sealed);
        return Page();
    }

    /// <summary>The first code of the phone: from now on one is asked for.</summary>
    public async Task<IActionResult> OnPostTake(string? key, string? code)
    {
        await Fill();
        if (Me.TotpAt is not null || step.KeyOf(Me, key) is not { } shown)
        {
            return RedirectToPage();
        }

        if (await step.Take(Me, shown, code) is not { } papers)
        {
            (Sealed, NewKey) = (key, shown);
            Wrong["code"] = "This code does not fit. Look at the phone's clock, and type the next one.";
            return Page();
        }

        await Fill();
        Papers = papers;
        return Page();
    }

    /// <summary>Gives it up, with a code.</summary>
    public async Task<IActionResult> OnPostGiveUp(string? code)
    {
        await Fill();
        if (Me.TotpAt is null || await step.Try(Me, code) is Identity.SignInEnd.Done)
        {
            await people.SetStep(Me.Id, null, null, []);
            return RedirectToPage(new { said = "noStep" });
        }

        Wrong["giveUp"] = "This code does not fit, or was used before.";
        return Page();
    }
}
