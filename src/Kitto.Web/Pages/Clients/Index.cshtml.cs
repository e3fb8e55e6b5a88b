using Kitto.Store;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages.Clients;

public sealed class ClientsModel(Store.Clients clients) : PageModel
{
    public string Text { get; private set; } = "";

    public IReadOnlyList<ClientRow> Rows { get; private set; } = [];

    public async Task OnGet(string? find)
    {
        Text = (find ?? "").Trim();
        Rows = await clients.Find(Text);
    }

    public async Task<IActionResult> OnGetRows(string? find)
    {
        await OnGet(find);
        return Partial("_Found", this);
    }

    /// <summary>Where a client stands, in a few words.</summary>
    public static string Says(ClientRow row) =>
        row.Decision switch
        {
            null => "not read yet",
            "stop" => "no colour: see the stop",
            "salon" => $"{Words.Of(row.Service!)}, only in the salon",
            _ =>
                $"{Words.Of(row.Service!)}, kit {row.Kits}, {row.KitState switch { "signed" => "to be packed", "packed" => "to be posted", "posted" => "with the client", "reported" => "reported", "stopped" => "stopped", _ => "done" }}",
        };
}
