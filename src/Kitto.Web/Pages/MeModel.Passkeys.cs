using Kitto.Store;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;

namespace Kitto.Web.Pages;

/// <summary>The passkeys of one's own account.</summary>
public sealed partial class MeModel
{
    /// <summary>Those there are.</summary>
    public IReadOnlyList<Passkey> Mine { get; private set; } = [];

    /// <summary>What the browser is asked, while one is being made.</summary>
    public PasskeyQuestion? Question { get; private set; }

    /// <summary>What it is to be called.</summary>
    public string Called { get; private set; } = "";

    /// <summary>Begins: the password first, so that nobody makes one in a session that was left open.</summary>
    public async Task<IActionResult> OnPostPasskey(string? called, string? sure)
    {
        await Fill();
        Called = (called ?? "").Trim();
        if (Called.Length is 0 or > Passkeys.LongestName)
        {
            Wrong["called"] = $"1 to {Passkeys.LongestName} characters, such as: my phone.";
        }

        if (Mine.Count >= Passkeys.Most)
        {
            Wrong["called"] = $"{Passkeys.Most} at most: take one away first.";
        }

        if (await Sure("passkeySure", sure) && Wrong.Count == 0)
        {
            Question = await passkeys.ToMake(Me, HttpContext);
        }

        return Page();
    }

    /// <summary>The browser has made one.</summary>
    public async Task<IActionResult> OnPostKeepPasskey(string? called, string? state, string? credential)
    {
        await Fill();
        Called = called ?? "";
        if (await passkeys.Make(Me, called, state, credential, HttpContext))
        {
            return RedirectToPage(new { said = "passkey" });
        }

        Wrong["called"] = "The browser gave none that can be kept, or it took longer than five minutes. Begin again.";
        return Page();
    }

    /// <summary>Takes one away.</summary>
    public async Task<IActionResult> OnPostDropPasskey(string? id)
    {
        await Fill();
        await passkeys.Drop(Me, id);
        return RedirectToPage(new { said = "dropped" });
    }
}
