using System.Text.RegularExpressions;
using Kitto.Store;
using Kitto.Web.Bench;
using Kitto.Web.Sittings;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Kitto.Web.Pages;

/// <summary>How the bench reads its scale.</summary>
public sealed class HouseScaleModel(Studios studios) : PageModel
{
    /// <summary>Slowest and fastest serial line, bits a second.</summary>
    public const int LeastBaud = 300,
        MostBaud = 921_600;

    /// <summary>The values as typed.</summary>
    public sealed class ScaleForm
    {
        public string From { get; set; } = "typed";
        public string? Address { get; set; }
        public string? Baud { get; set; }

        /// <summary>Number of a form that is known, or empty for a pattern of one's own.</summary>
        public string? Form { get; set; }
        public string? Pattern { get; set; }
        public string? Try { get; set; }
        public int Version { get; set; }
    }

    public ScaleForm Input { get; private set; } = new();

    /// <summary>Complaints by field.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    public string? Said { get; private set; }

    /// <summary>What a tried line says; null where none was.</summary>
    public string? Tried { get; private set; }

    public async Task OnGet() => Show((await studios.Get())!);

    public async Task<IActionResult> OnPost([FromForm] ScaleForm input)
    {
        Input = input;
        var stored = (await studios.Get())!;
        if (ScaleSettings.Ways.All(w => w.Name != input.From))
        {
            Wrong["From"] = "Choose one of them.";
        }

        string pattern =
            int.TryParse(input.Form, out int known) && known >= 0 && known < ScaleSettings.Forms.Count
                ? ScaleSettings.Forms[known].Pattern
                : (input.Pattern ?? "").Trim();
        if (ScaleSettings.WrongWith(pattern) is { } wrong)
        {
            Wrong["Pattern"] = wrong;
        }
        else if (!string.IsNullOrWhiteSpace(input.Try))
        {
            Tried = Read(pattern, input.Try.Trim());
        }

        string address = (input.Address ?? "").Trim().TrimEnd('/');
        if (input.From == "stream" && ScaleSettings.WrongWithAddress(address) is { } not)
        {
            Wrong["Address"] = not;
        }

        double baud = TypedNumber.Read(input.Baud ?? "9600", LeastBaud, MostBaud) ?? 0;
        if (baud == 0 && input.From == "serial")
        {
            Wrong["Baud"] = $"{LeastBaud} to {MostBaud}; 9600 is usual.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        try
        {
            await studios.Save(
                stored with
                {
                    Scale = new ScaleSettings(input.From, address, baud == 0 ? 9600 : (int)baud, pattern).Kept(),
                    Version = input.Version,
                }
            );
            ModelState.Clear();
            Show((await studios.Get())!, input.Try);
            Said = "Saved. The bench reads it from now on.";
        }
        catch (ConflictException conflict)
        {
            Said = $"{conflict.Message} What you typed is still here: save again to put it over theirs.";
            Input.Version = stored.Version;
            ModelState.Clear();
        }

        return Page();
    }

    private static string Read(string pattern, string line)
    {
        var match = Regex.Match(line, pattern, RegexOptions.None, TimeSpan.FromMilliseconds(50));
        return !match.Success ? "That line is no reading by this pattern."
            : match.Groups["over"].Success ? "That line says: too much on the scale."
            : $"That line says {match.Groups["value"].Value.Replace(" ", "", StringComparison.Ordinal)} {match.Groups["unit"].Value}{(match.Groups["steady"].Success ? ", steady" : match.Groups["moving"].Success ? ", moving" : "")}.";
    }

    private void Show(Studio studio, string? tried = null)
    {
        var scale = ScaleSettings.Of(studio.Scale);
        int form = ScaleSettings.Forms.ToList().FindIndex(f => f.Pattern == scale.Pattern);
        Input = new ScaleForm
        {
            From = scale.From,
            Address = scale.Address,
            Baud = scale.Baud.ToString(System.Globalization.CultureInfo.InvariantCulture),
            Form = form >= 0 ? form.ToString(System.Globalization.CultureInfo.InvariantCulture) : "",
            Pattern = form >= 0 ? "" : scale.Pattern,
            Try = tried,
            Version = studio.Version,
        };
    }
}
