using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Wording;

namespace Kitto.Web;

/// <summary>The trade's words for the contract's names.</summary>
public static class Words
{
    /// <summary>What the studio's pages are written in.</summary>
    public static Language Studio => Language.English;

    /// <summary>What the client's pages and messages are written in.</summary>
    public static Language Client => Language.English;

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

    /// <summary>How a kit came out, in a few words.</summary>
    public static string Result(Kitto.Store.OutcomeReport o)
    {
        string?[] wrong =
        [
            o.Coverage switch
            {
                "patchy" => "patches",
                "greyShows" => "grey shows",
                _ => null,
            },
            o.Depth switch
            {
                "tooDark" => "too dark",
                "tooLight" => "too light",
                _ => null,
            },
            o.Tone switch
            {
                "tooWarm" => "too warm",
                "tooCool" => "too cool",
                "green" => "a green cast",
                _ => null,
            },
        ];
        string said = string.Join(", ", wrong.OfType<string>());
        return said.Length == 0 ? "came out right" : said;
    }

    /// <summary>First letter large.</summary>
    public static string Sentence(string words) => Sentences.Begin(words);
}
