using Kitto.Store;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

public sealed class NewModel(Store.Clients clients, Studios studios, TimeProvider clock) : PageModel
{
    public ClientInput Input { get; private set; } = new();

    public async Task OnGet() => Input.Destinations = await studios.Destinations();

    public async Task<IActionResult> OnPost([FromForm] ClientInput input)
    {
        Input = input;
        Input.Destinations = await studios.Destinations();
        var now = clock.GetUtcNow();
        var studio = (await studios.Get())!;
        if (Input.Read(Guid.CreateVersion7(), studio.Today(now), now.UtcDateTime) is not { } client)
        {
            return Page();
        }

        await clients.Add(client);
        return Redirect($"/clients/{client.Id}/prescription");
    }
}
