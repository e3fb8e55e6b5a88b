using Kitto.Store;
using Kitto.Web.Today;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>What is due to be said to whom, what has gone, and what waits for a person.</summary>
public sealed class OutboxModel(Messages messages, ClientMessageSender sender, KitLooks looks, Studios studios, TimeProvider clock) : PageModel
{
    /// <summary>Most that are shown.</summary>
    public const int Most = 200;

    public IReadOnlyList<Message> All { get; private set; } = [];

    public Studio Studio { get; private set; } = null!;

    public string Goes => sender.Says;

    public DateTime Now { get; } = clock.GetUtcNow().UtcDateTime;

    public async Task OnGet()
    {
        await looks.Look();
        All = await messages.List(Most);
        Studio = (await studios.Get())!;
    }

    /// <summary>How a message stands.</summary>
    public string Stand(Message m) =>
        m switch
        {
            { SentAt: { } sent } => $"{(m.Recipient is null ? "told" : "sent")} {Studio.Local(sent):d MMM, HH:mm}",
            { Recipient: null } => "no address: tell the client yourself",
            { ClaimedAt: not null, Failure: not null } => "may have gone",
            { ClaimedAt: { } begun } => Now - begun > ClientMessageSender.Crashed ? "may have gone" : "being sent",
            { Failure: not null } => $"tried {m.Attempts} times, again {Studio.Local(m.DueAt):HH:mm}",
            _ => "goes within a minute",
        };

    /// <summary>Whether a person has to decide.</summary>
    public bool Asks(Message m) => m.SentAt is null && (m.Recipient is null || Stand(m) == "may have gone");

    public async Task<IActionResult> OnPostTold(Guid id)
    {
        await messages.Sent(id, clock.GetUtcNow().UtcDateTime);
        return RedirectToPage();
    }

    public async Task<IActionResult> OnPostAgain(Guid id)
    {
        await messages.Again(id, clock.GetUtcNow().UtcDateTime);
        return RedirectToPage();
    }
}
