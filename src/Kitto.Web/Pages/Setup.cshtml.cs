using System.ComponentModel.DataAnnotations;
using Kitto.Core.Clock;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Makes a studio and its first account: the first of an empty installation, or a further one by leave of whoever keeps the installation.</summary>
public sealed class SetupModel(People people, FirstAccount first, UserManager<Person> users, SignIns signIns, TimeProvider clock) : PageModel
{
    [BindProperty, Required(ErrorMessage = "Name the studio."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string? Studio { get; set; }

    [BindProperty, Required(ErrorMessage = "Say which time zone.")]
    public string? TimeZone { get; set; } = "Europe/London";

    [BindProperty]
    public string? Phone { get; set; }

    [BindProperty, Required(ErrorMessage = "Name at least one place."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string? Destination { get; set; }

    [BindProperty, Required(ErrorMessage = "Type a name."), RegularExpression("[A-Za-z0-9._@+-]{2,40}", ErrorMessage = "2 to 40 letters, digits or . _ @ + -")]
    public string? UserName { get; set; }

    [BindProperty, Required(ErrorMessage = "Choose a password."), StringLength(200, MinimumLength = 10, ErrorMessage = "10 to 200 characters.")]
    public string? Password { get; set; }

    /// <summary>What a telephone number may be.</summary>
    public static readonly string PhoneRange =
        $"At least five digits, at most {Store.Studio.LongestPhone} characters: digits, spaces, brackets, hyphens, a plus in front.";

    /// <summary>Leave to make a further studio, from its address.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Leave { get; set; }

    private async Task<bool> Closed() => await people.Any() && !await first.HasLeave(Leave);

    public async Task<IActionResult> OnGet() => await Closed() ? Redirect("/signin") : Page();

    public async Task<IActionResult> OnPost()
    {
        if (await Closed())
        {
            return Redirect("/signin");
        }

        if (TimeZone is not null && !TimeZoneInfo.TryFindSystemTimeZoneById(TimeZone, out _))
        {
            ModelState.AddModelError(nameof(TimeZone), "No such time zone. Write it as Area/City.");
        }

        if (!Store.Studio.IsPhone((Phone ?? "").Trim()))
        {
            ModelState.AddModelError(nameof(Phone), PhoneRange);
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var person = new Person
        {
            UserName = UserName!,
            NormalName = users.NormalizeName(UserName)!,
            DisplayName = UserName!,
            CreatedAt = clock.GetUtcNow().UtcDateTime,
        };
        foreach (string wrong in await signIns.Wrong(person, Password))
        {
            ModelState.AddModelError(nameof(Password), wrong);
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        signIns.Choose(person, Password!);
        int made;
        try
        {
            made = await first.Make(
                person,
                Studio!.Trim(),
                TimeZone!,
                (Phone ?? "").Trim(),
                demo: false,
                [(Destination!.Trim(), PlanWish.UsualPostDays, 2)],
                Leave
            );
        }
        catch (ConflictException conflict)
        {
            if (await Closed())
            {
                return Redirect("/signin");
            }

            ModelState.AddModelError(nameof(UserName), conflict.Message);
            return Page();
        }

        using var stay = CurrentStudio.Enter(made);
        await signIns.Begin(person, HttpContext);
        return Redirect("/");
    }
}
