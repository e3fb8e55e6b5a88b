using Kitto.Store;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>The measuring card, to be printed.</summary>
public sealed class CardModel(Studios studios, TimeProvider clock) : PageModel
{
    public Studio Studio { get; private set; } = null!;

    /// <summary>What tells this print from others: the day it was made.</summary>
    public string Number { get; private set; } = "";

    public async Task OnGet()
    {
        Studio = (await studios.Get())!;
        Number = $"card of {Studio.Today(clock.GetUtcNow()):yyyy-MM-dd}";
    }
}
