using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Store;
using Kitto.Store.Commands;
using Kitto.Web.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

public sealed class EditModel(Store.Clients clients, SittingCommands commands, Studios studios, TimeProvider clock) : PageModel
{
    public ClientInput Input { get; private set; } = new();

    public string Heading { get; private set; } = "";

    public Guid Id { get; private set; }

    public async Task<IActionResult> OnGet(Guid id)
    {
        if (await clients.Get(id) is not { } client)
        {
            return NotFound();
        }

        (Id, Heading) = (id, client.Name);
        Input = new ClientInput
        {
            Name = client.Name,
            BirthDate = client.BirthDate.ToString("yyyy-MM-dd"),
            DestinationId = client.DestinationId,
            Note = client.Note,
            Email = client.Email,
            Phone = client.Phone,
            Country = client.Country,
            Language = client.Language,
            SpokenOf = client.SpokenOf,
            Version = client.Version,
            Destinations = await studios.Destinations(),
        };
        return Page();
    }

    public async Task<IActionResult> OnPost(Guid id, [FromForm] ClientInput input)
    {
        if (await clients.Get(id) is not { } stored)
        {
            return NotFound();
        }

        (Id, Heading, Input) = (id, stored.Name, input);
        Input.Destinations = await studios.Destinations();
        var now = clock.GetUtcNow();
        var today = (await studios.Get())!.Today(now);
        if (Input.Read(id, today, now.UtcDateTime) is not { } client)
        {
            return Page();
        }

        try
        {
            int age = client.AgeOn(today);
            await commands.Save(client, age < Values.YoungestAge ? [Words.Studio.Because(Stops.TooYoung(age))] : [], now.UtcDateTime, User.Name());
            return Redirect($"/clients/{id}");
        }
        catch (ConflictException conflict)
        {
            Input.Conflict = conflict.Message;
            Input.Version = stored.Version;
            ModelState.Clear();
            return Page();
        }
    }
}
