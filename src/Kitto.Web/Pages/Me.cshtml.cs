using Kitto.Store;
using Kitto.Web.Identity;
using Kitto.Web.Pages.Clients;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>What belongs to who is signed in: name, address, password, and the devices they are signed in on.</summary>
public sealed partial class MeModel(
    People people,
    Studios studios,
    SignIns signIns,
    SecondStep step,
    Passkeys passkeys,
    PasskeyRecord kept,
    RecoveryLetters letters,
    TimeProvider clock
) : PageModel
{
    /// <summary>A session not used for so long has run out by itself.</summary>
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(12);

    public Person Me { get; private set; } = null!;

    public IReadOnlyList<Session> Sessions { get; private set; } = [];

    public Studio Studio { get; private set; } = null!;

    public string? Said { get; private set; }

    /// <summary>What is wrong, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>What was typed.</summary>
    public (string Name, string Email) Typed { get; private set; }

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    public async Task OnGet(string? said)
    {
        await Fill();
        Said = said switch
        {
            "kept" => "Kept.",
            "password" => "The new password counts. Everywhere else you are signed out.",
            "ended" => "Signed out there.",
            "passkey" => "The passkey is kept. Sign in with it next time.",
            "dropped" => "This passkey opens nothing any more.",
            "noStep" => "No code is asked for any more.",
            _ => null,
        };
    }

    /// <summary>Name and address. Another address is where a new password would go, so it asks for the password, and a code where there is one.</summary>
    public async Task<IActionResult> OnPost(string? displayName, string? email, string? sure, string? code)
    {
        await Fill();
        Typed = ((displayName ?? "").Trim(), (email ?? "").Trim());
        if (Typed.Name.Length is 0 or > 80)
        {
            Wrong["displayName"] = "1 to 80 characters.";
        }

        if (Typed.Email.Length > 0 && !ClientInput.IsAddress(Typed.Email))
        {
            Wrong["email"] = "An address such as freya@example.org, or nothing.";
        }

        string? address = Typed.Email.Length > 0 ? Typed.Email : null;
        bool moves = address != Me.Email;
        if (Wrong.Count == 0 && moves && await Sure("emailSure", sure) && Me.TotpAt is not null && await step.Try(Me, code) is not SignInEnd.Done)
        {
            Wrong["emailCode"] = "This code does not fit, or was used before.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        Me.DisplayName = Typed.Name;
        if (moves)
        {
            Me.Move(address, Now);
            letters.Moved(Me, Studio.Name);
        }

        await people.Save(Me);
        return RedirectToPage(new { said = "kept" });
    }

    /// <summary>Another password: every other session ends.</summary>
    public async Task<IActionResult> OnPostPassword(string? now, string? next)
    {
        await Fill();
        await Sure("now", now);
        if (next is null || next.Length is < 10 or > 200)
        {
            Wrong["next"] = "10 to 200 characters.";
        }
        else if (await signIns.Wrong(Me, next) is [var wrong, ..])
        {
            Wrong["next"] = wrong;
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        signIns.Choose(Me, next!);
        await people.Save(Me);
        await people.End(Me.Id, Now);
        await signIns.Begin(Me, HttpContext);
        return RedirectToPage(new { said = "password" });
    }

    /// <summary>Signs out elsewhere: on one device, or on all others.</summary>
    public async Task<IActionResult> OnPostEnd(Guid? session)
    {
        await people.End(User.Id(), Now, only: session, but: session is null ? User.Session() : null);
        return RedirectToPage(new { said = "ended" });
    }

    /// <summary>Asks for the password before something that would outlast a stolen session. Tries are counted as they are at the door.</summary>
    private async Task<bool> Sure(string field, string? password)
    {
        string counted = $"password {Me.Id:N}";
        if (await people.Try(counted, Now, SignIns.Window) > SignIns.Tries)
        {
            Wrong[field] = "Too many tries. Wait five minutes.";
        }
        else if (!signIns.Is(Me, password))
        {
            Wrong[field] = "This is not your password.";
        }
        else
        {
            await people.Tried(counted, Now, SignIns.Window);
            return true;
        }

        return false;
    }

    private async Task Fill()
    {
        (Me, Studio) = ((await people.ById(User.Id()))!, (await studios.Get())!);
        Sessions = await people.Sessions(Me.Id, Now - Fresh);
        Typed = (Me.DisplayName, Me.Email ?? "");
        Mine = await kept.Of(Me.Id);
        PapersLeft = Me.TotpAt is null ? 0 : await people.PapersLeft(Me.Id);
    }
}
