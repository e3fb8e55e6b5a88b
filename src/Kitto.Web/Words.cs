using System.Globalization;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Wording;
using Microsoft.Extensions.Localization;

namespace Kitto.Web;

/// <summary>The trade's words for the contract's names.</summary>
public static class Words
{
    /// <summary>What the studio's pages are written in.</summary>
    public static Language Studio => Language.English;

    /// <summary>What the page that is asked for is written in for its client: a guide in the language it was signed in, questions in the client's own.</summary>
    public static Language Client => Language.Of(CultureInfo.CurrentUICulture.Name);

    /// <summary>Services by name.</summary>
    public static IReadOnlyDictionary<string, string> Services { get; } =
        new Dictionary<string, string>
        {
            ["rootTouchUp"] = "root touch-up",
            ["rootAndRefresh"] = "roots and refresh",
            ["gloss"] = "gloss",
            ["rootAndGloss"] = "roots and gloss",
            ["rootShadow"] = "root shadow",
            ["baseLift"] = "base lift",
            ["greyBlend"] = "grey blend",
            ["lighten"] = "lighten",
        };

    /// <summary>The words for a name; the name itself, spaced, where there are none.</summary>
    public static string Of(string name) => Services.GetValueOrDefault(name) ?? Spaced(name);

    /// <summary>The contract's name of a choice.</summary>
    public static string Name<T>(T value)
        where T : struct, Enum => Json.Name(value);

    /// <summary>The words for a service.</summary>
    public static string Of(Service service) => Of(Json.Name(service));

    /// <summary>"boxDye" becomes "box dye".</summary>
    public static string Spaced(string name) => Json.Spaced(name);

    /// <summary>A fact as a page speaks of it, by its path: "zones.crown.regrowthMm" becomes "crown, regrowth".</summary>
    public static string Field(string path)
    {
        string[] steps = path.Split('.');
        string last = Spaced(steps[^1]).Replace("grey percent", "white", StringComparison.Ordinal);
        foreach (string unit in (string[])[" mm", " cm", " days ago"])
        {
            last = last.EndsWith(unit, StringComparison.Ordinal) ? last[..^unit.Length] : last;
        }

        var places = steps[..^1].Where(s => s != "zones").Select(s => s == "goal" ? "wish" : Spaced(s));
        return string.Join(", ", [.. places, last]);
    }

    /// <summary>How a kit came out, in a few words.</summary>
    /// <param name="o">The report.</param>
    /// <param name="text">Words of a client's page; null: the studio's.</param>
    public static string Result(Kitto.Store.OutcomeReport o, IStringLocalizer? text = null)
    {
        // The same words as the report asks for, small.
        string Say(string words) => (text is null ? words : text[words].Value).ToLowerInvariant();
        string?[] wrong =
        [
            o.Coverage switch
            {
                "patchy" => Say("Patches"),
                "greyShows" => Say("Grey shows"),
                _ => null,
            },
            o.Depth switch
            {
                "tooDark" => Say("Too dark"),
                "tooLight" => Say("Too light"),
                _ => null,
            },
            o.Tone switch
            {
                "tooWarm" => Say("Too warm"),
                "tooCool" => Say("Too cool"),
                "green" => Say("Greenish"),
                _ => null,
            },
        ];
        string said = string.Join(", ", wrong.OfType<string>());
        return said.Length == 0 ? Say("came out right") : said;
    }

    /// <summary>First letter large.</summary>
    public static string Sentence(string words) => Sentences.Begin(words);
}
