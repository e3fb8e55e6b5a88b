using Kitto.Core.Wording;
using Kitto.Store;

namespace Kitto.Web.Pages.Clients;

/// <summary>What is typed about a person, as typed.</summary>
public sealed class ClientInput
{
    public string? Name { get; set; }
    public string? BirthDate { get; set; }
    public int DestinationId { get; set; }
    public string? Note { get; set; }
    public string? Email { get; set; }
    public string? Phone { get; set; }
    public string? Country { get; set; }
    public string Language { get; set; } = "en";
    public string SpokenOf { get; set; } = Pronouns.Choices[0];
    public int Version { get; set; }
    public string? Conflict { get; set; }
    public IReadOnlyList<Destination> Destinations { get; set; } = [];
    public Dictionary<string, string> Errors { get; } = [];

    /// <summary>What an address may be.</summary>
    public const string AddressRange = "One address such as name@example.org, at most 254 characters; or leave it empty.";

    /// <summary>Whether this is one mail address and nothing else.</summary>
    public static bool IsAddress(string text) =>
        text.Length <= 254 && MimeKit.MailboxAddress.TryParse(text, out var parsed) && parsed.Address == text && text.Contains('@', StringComparison.Ordinal);

    /// <summary>The client these words describe; null with errors where they do not.</summary>
    public Client? Read(Guid id, DateOnly today, DateTime now)
    {
        string name = (Name ?? "").Trim();
        if (name.Length is 0 or > 80)
        {
            Errors["Name"] = name.Length == 0 ? "Type a name, 1 to 80 characters." : $"{name.Length} characters; at most 80.";
        }

        if (!DateOnly.TryParseExact(BirthDate, "yyyy-MM-dd", out var born))
        {
            Errors["BirthDate"] = "Give the day of birth; ages 0 to 120 are taken.";
        }
        else if (born > today || born < today.AddYears(-120))
        {
            Errors["BirthDate"] = born > today ? "This day is in the future." : "That would be more than 120 years ago.";
        }

        if (Destinations.All(d => d.Id != DestinationId))
        {
            Errors["DestinationId"] = "Choose where kits are posted to.";
        }

        string email = (Email ?? "").Trim();
        if (email.Length > 0 && !IsAddress(email))
        {
            Errors["Email"] = AddressRange;
        }

        string phone = (Phone ?? "").Trim();
        if (!Studio.IsPhone(phone))
        {
            Errors["Phone"] = SetupModel.PhoneRange;
        }

        string country = (Country ?? "").Trim().ToUpperInvariant();
        if (country.Length > 0 && !Core.Safety.EmergencyNumbers.IsCountry(country))
        {
            Errors["Country"] = "Two letters, such as GB or NO; or leave it empty.";
        }

        if (Core.Wording.Language.All.All(l => l.Tag != Language))
        {
            Errors["Language"] = $"One of {string.Join(", ", Core.Wording.Language.All.Select(l => l.Name))}.";
        }

        if (!Pronouns.Choices.Contains(SpokenOf))
        {
            Errors["SpokenOf"] = "Choose she, he, they, or the name.";
        }

        if ((Note ?? "").Length > 2000)
        {
            Errors["Note"] = "At most 2000 characters.";
        }

        return Errors.Count > 0
            ? null
            : new Client(
                id,
                name,
                born,
                DestinationId,
                "",
                (Note ?? "").Trim(),
                now,
                Version,
                email.Length == 0 ? null : email,
                Language,
                SpokenOf,
                phone,
                country
            );
    }
}
