using System.Text.Json;
using System.Text.Json.Serialization;
using Kitto.Core.Trade;

namespace Kitto.Core.Rules;

/// <summary>What a rule may do to a kit.</summary>
public enum RuleKind
{
    /// <summary>No kit, whatever else. It has no switch.</summary>
    Stop,

    /// <summary>The kit may be made; its main sachets may not be mixed until cleared.</summary>
    Hold,

    /// <summary>Said aloud and acknowledged; the kit is allowed.</summary>
    Caution,

    /// <summary>Practitioners disagree: the house chooses.</summary>
    School,

    /// <summary>How the trade works.</summary>
    Rule,
}

/// <summary>One way of a school.</summary>
/// <param name="Name">As documents write it.</param>
/// <param name="Says">In words.</param>
public sealed record SchoolOption(string Name, string Says);

/// <summary>A rule of the trade (common practice, unless its sentence names a source).</summary>
/// <param name="Id">Its id, such as DV3.</param>
/// <param name="Area">What it is about.</param>
/// <param name="Kind">What it may do.</param>
/// <param name="Says">The sentence.</param>
/// <param name="Options">The ways of a school, the default first; null where there is one way.</param>
/// <param name="Because">Why the default is the default.</param>
public sealed record Rule(string Id, string Area, RuleKind Kind, string Says, IReadOnlyList<SchoolOption>? Options = null, string? Because = null);

/// <summary>The book of rules, as data: book.json beside this file, its numbers filled in from <see cref="Values"/>.</summary>
public static class RuleBook
{
    private static readonly JsonSerializerOptions Options = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>All rules: safety first, then in the order of the work.</summary>
    public static IReadOnlyList<Rule> All { get; } = Read();

    private static readonly Dictionary<string, Rule> ById = All.ToDictionary(r => r.Id);

    /// <summary>The rule of that id, if there is one.</summary>
    public static Rule? Find(string id) => ById.GetValueOrDefault(id);

    /// <summary>Rules whose id, area or words hold every word of a search.</summary>
    public static IEnumerable<Rule> Search(string text)
    {
        string[] words = text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        return All.Where(r => words.All(w => $"{r.Id} {r.Area} {r.Kind} {r.Says}".Contains(w, StringComparison.OrdinalIgnoreCase)));
    }

    private static Rule[] Read()
    {
        using var book =
            typeof(RuleBook).Assembly.GetManifestResourceStream("Kitto.Core.Rules.book.json")
            ?? throw new InvalidOperationException("The book of rules is missing.");
        return
        [
            .. JsonSerializer
                .Deserialize<Rule[]>(book, Options)!
                .Select(r => r with { Says = Number.Fill(r.Says), Options = r.Options?.Select(o => o with { Says = Number.Fill(o.Says) }).ToList() }),
        ];
    }
}
