using Kitto.Store;
using Kitto.Store.Commands;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>Clients of whom nothing happened for as long as the house keeps: proposed to be erased, never erased by itself.</summary>
public sealed class HouseKeepModel(ClientRights rights, Studios studios) : PageModel
{
    private const int Most = 100;

    public Studio Studio { get; private set; } = null!;

    public IReadOnlyList<Unseen> Left { get; private set; } = [];

    public string? Said { get; private set; }

    public async Task OnGet(int? erased)
    {
        (Studio, Left) = ((await studios.Get())!, await rights.Left(Most));
        Said = erased is { } n ? $"{n} erased." : null;
    }

    /// <summary>Erases those of the proposed that were ticked.</summary>
    public async Task<IActionResult> OnPost(Guid[] ids)
    {
        int erased = 0;
        foreach (var left in (await rights.Left(Most)).Where(l => ids.Contains(l.Id)))
        {
            await rights.Erase(left.Id);
            erased++;
        }

        return RedirectToPage(new { erased });
    }
}
