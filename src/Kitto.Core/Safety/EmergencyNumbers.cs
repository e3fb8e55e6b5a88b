namespace Kitto.Core.Safety;

/// <summary>The number that calls an ambulance, by country. From memory; a studio sets its own where this is wrong.</summary>
public static class EmergencyNumbers
{
    /// <summary>Works from any mobile phone in Europe and many other places (ETSI TS 122 101; from memory).</summary>
    public const string Everywhere = "112";

    /// <summary>Longest number that is accepted, digits.</summary>
    public const int Longest = 6;

    private static readonly Dictionary<string, string> ByCountry = new()
    {
        ["AU"] = "000",
        ["CA"] = "911",
        ["CH"] = "144",
        ["GB"] = "999",
        ["IE"] = "112",
        ["IS"] = "112",
        ["NO"] = "113",
        ["NZ"] = "111",
        ["US"] = "911",
        ["ZA"] = "112",
    };

    /// <summary>Whether this is how a country is written: two capital letters (ISO 3166-1 alpha-2).</summary>
    public static bool IsCountry(string code) => code.Length == 2 && code.All(char.IsAsciiLetterUpper);

    /// <summary>Whether this is a short number that a phone dials: 2 to 6 digits.</summary>
    public static bool IsNumber(string text) => text.Length is >= 2 and <= Longest && text.All(char.IsAsciiDigit);

    /// <summary>The number of a country; 112 where it is not listed.</summary>
    /// <param name="country">ISO 3166-1 alpha-2.</param>
    public static string Of(string country) => ByCountry.GetValueOrDefault(country, Everywhere);

    /// <summary>The number for a client.</summary>
    /// <param name="clientCountry">The client's country; empty: the studio's.</param>
    /// <param name="studioCountry">The studio's country.</param>
    /// <param name="studioNumber">The number the studio has set for its own country; empty: the usual one.</param>
    public static string For(string clientCountry, string studioCountry, string studioNumber) =>
        clientCountry.Length > 0 && clientCountry != studioCountry ? Of(clientCountry)
        : studioNumber.Length > 0 ? studioNumber
        : Of(studioCountry);
}
