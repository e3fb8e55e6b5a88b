using System.ComponentModel.DataAnnotations;
using Kitto.Store;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Makes the studio and its first account; open only while nobody works here.</summary>
public sealed class SetupModel(People people, Studios studios, UserManager<Person> users, SignInManager<Person> signIn) : PageModel
{
    [BindProperty, Required(ErrorMessage = "Name the studio."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string? Studio { get; set; }

    [BindProperty, Required(ErrorMessage = "Say which time zone.")]
    public string? TimeZone { get; set; } = "Europe/London";

    [BindProperty, Required(ErrorMessage = "Name at least one place."), StringLength(80, ErrorMessage = "At most 80 characters.")]
    public string? Destination { get; set; }

    [BindProperty, Required(ErrorMessage = "Type a name."), RegularExpression("[A-Za-z0-9._@+-]{2,40}", ErrorMessage = "2 to 40 letters, digits or . _ @ + -")]
    public string? UserName { get; set; }

    [BindProperty, Required(ErrorMessage = "Choose a password."), StringLength(200, MinimumLength = 10, ErrorMessage = "10 to 200 characters.")]
    public string? Password { get; set; }

    public async Task<IActionResult> OnGet() => await people.Any() ? Redirect("/signin") : Page();

    public async Task<IActionResult> OnPost()
    {
        if (await people.Any())
        {
            return Redirect("/signin");
        }

        if (TimeZone is not null && !TimeZoneInfo.TryFindSystemTimeZoneById(TimeZone, out _))
        {
            ModelState.AddModelError(nameof(TimeZone), "No such time zone. Write it as Area/City.");
        }

        if (!ModelState.IsValid)
        {
            return Page();
        }

        var person = new Person { UserName = UserName!, DisplayName = UserName! };
        var made = await users.CreateAsync(person, Password!);
        if (!made.Succeeded)
        {
            ModelState.AddModelError(nameof(Password), string.Join(" ", made.Errors.Select(e => e.Description)));
            return Page();
        }

        await studios.Create(Studio!.Trim(), TimeZone!, demo: false);
        await studios.AddDestination(Destination!.Trim(), [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday], 2);
        await signIn.SignInAsync(person, isPersistent: false);
        return Redirect("/");
    }
}
