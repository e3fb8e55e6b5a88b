using System.Text.Json;
using System.Text.RegularExpressions;

namespace Kitto.Web.Bench;

/// <summary>A way in which scales write a reading: one line of text each.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Says">What it looks like.</param>
/// <param name="Example">An example.</param>
/// <param name="Pattern">The pattern that reads it.</param>
public sealed record LineForm(string Name, string Says, string Example, string Pattern);

/// <summary>How the bench reads a scale.</summary>
/// <param name="From">typed, stream or serial.</param>
/// <param name="Address">Where the stream is, on this machine.</param>
/// <param name="Baud">Speed of the serial line.</param>
/// <param name="Pattern">How a line is read.</param>
public sealed record ScaleSettings(string From = "typed", string Address = "", int Baud = 9600, string Pattern = "")
{
    /// <summary>Ways to read a scale, with what they are called.</summary>
    public static IReadOnlyList<(string Name, string Says)> Ways { get; } =
    [
        ("typed", "none: what the scale shows is typed"),
        ("serial", "on a serial line or USB of the bench's own browser"),
        ("stream", "the simulated scale that comes with Kitto (./kitto scale)"),
    ];

    /// <summary>Forms of line that scales of several makes write, in general terms.</summary>
    public static IReadOnlyList<LineForm> Forms { get; } =
    [
        new(
            "mark first",
            "two letters for steady or not, a comma, the number with its sign, the unit",
            "ST,NT,+  12.3 g",
            @"^(?:(?<steady>ST)|(?<moving>US)|(?<over>OL))[,\s]*(?:NT|GS)?[,\s]*(?<value>[+-]?\s*\d+(?:\.\d+)?)?\s*(?<unit>[a-zA-Z]+)?$"
        ),
        new(
            "letter and letter",
            "S and S for steady, S and D for moving, S and plus for too much, then number and unit",
            "S S      12.3 g",
            @"^S\s+(?:(?<steady>S)|(?<moving>D)|(?<over>[+I]))\s*(?<value>[+-]?\s*\d+(?:\.\d+)?)?\s*(?<unit>[a-zA-Z]+)?$"
        ),
        new(
            "unit when steady",
            "the number; its unit stands behind it only while it is steady",
            "+    12.3 g",
            @"^(?<value>[+-]?\s*\d+(?:\.\d+)?)\s*(?<steady>(?<unit>[a-zA-Z]+))?$"
        ),
        new(
            "question mark when moving",
            "the number and its unit, with a question mark while it moves",
            "    12.3 g ?",
            @"^(?<value>[+-]?\s*\d+(?:\.\d+)?)\s*(?<unit>[a-zA-Z]+)\s*(?<moving>\?)?$"
        ),
    ];

    /// <summary>Longest pattern, characters.</summary>
    public const int LongestPattern = 400;

    /// <summary>As it is kept; the usual ones where nothing is.</summary>
    public static ScaleSettings Of(string kept)
    {
        var read = JsonSerializer.Deserialize<ScaleSettings>(kept, JsonSerializerOptions.Web) ?? new ScaleSettings();
        return read with { Pattern = string.IsNullOrEmpty(read.Pattern) ? Forms[0].Pattern : read.Pattern };
    }

    /// <summary>As it is kept.</summary>
    public string Kept() => JsonSerializer.Serialize(this, JsonSerializerOptions.Web);

    /// <summary>What is wrong with a pattern; null where it can be used.</summary>
    public static string? WrongWith(string pattern)
    {
        if (pattern.Length is 0 or > LongestPattern)
        {
            return $"A pattern of 1 to {LongestPattern} characters.";
        }

        try
        {
            var names = new Regex(pattern, RegexOptions.None, TimeSpan.FromMilliseconds(50)).GetGroupNames();
            return names.Contains("value") ? null : "The pattern must have a group named value: (?<value>...).";
        }
        catch (ArgumentException wrong)
        {
            return $"This is no pattern: {wrong.Message}";
        }
    }

    /// <summary>What is wrong with the address of a stream; null where it is on this machine.</summary>
    public static string? WrongWithAddress(string address) =>
        Uri.TryCreate(address, UriKind.Absolute, out var uri) && uri.Scheme == "http" && uri.IsLoopback && uri.AbsolutePath == "/"
            ? null
            : "An address on this machine, such as http://127.0.0.1:5291.";
}
