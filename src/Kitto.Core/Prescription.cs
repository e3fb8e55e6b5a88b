using System.Text.Json.Serialization;
using Kitto.Core.Clock;
using Kitto.Core.Strand;

namespace Kitto.Core;

/// <summary>What is to happen.</summary>
public enum Decision
{
    /// <summary>A kit may be made.</summary>
    Kit,

    /// <summary>Only in the salon; what can be reckoned for the chair is.</summary>
    Salon,

    /// <summary>No colour, whatever else.</summary>
    Stop,
}

/// <summary>How much, over all formulas.</summary>
/// <param name="BaseGrams">What a trained hand would use.</param>
/// <param name="UseGrams">What these hands are likely to use.</param>
/// <param name="UseLowGrams">Nine times in ten more than this.</param>
/// <param name="UseHighGrams">Nine times in ten less than this.</param>
/// <param name="ResidueGrams">What stays on the vessels.</param>
/// <param name="SendGrams">What is sent.</param>
/// <param name="Batches">How often is mixed.</param>
/// <param name="RunsOutShare">Chance that it runs out.</param>
/// <param name="LeftGrams">Left over on average.</param>
public sealed record Quantities(
    Grams BaseGrams,
    Grams UseGrams,
    Grams UseLowGrams,
    Grams UseHighGrams,
    Grams ResidueGrams,
    Grams SendGrams,
    int Batches,
    Share RunsOutShare,
    Grams LeftGrams
);

/// <summary>How one service would suit this head and wish.</summary>
/// <param name="Service">Which.</param>
/// <param name="Fits">Whether it does.</param>
/// <param name="Because">Ids of the rules.</param>
/// <param name="Says">What it would do for her, or why not and what the salon would do instead.</param>
/// <param name="EveryWeeks">How often it wants doing again, weeks from and to (SV11); null where it does not fit.</param>
public sealed record ServiceAdvice(Service Service, bool Fits, IReadOnlyList<string> Because, string? Says = null, IReadOnlyList<int>? EveryWeeks = null)
{
    /// <summary>Other ways of doing it that are offered here; null where there is none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<WayOffered>? Ways { get; init; }
}

/// <summary>Another way of doing a service, offered and not taken by itself.</summary>
/// <param name="How">Which.</param>
/// <param name="Rule">The rule it comes from.</param>
/// <param name="Says">What it is and why it is offered.</param>
public sealed record WayOffered(How How, string Rule, string Says);

/// <summary>Where the skin test stands.</summary>
public enum SkinState
{
    /// <summary>Still to be done for some line of the kit.</summary>
    Required,

    /// <summary>Clear for every line of the kit.</summary>
    Clear,

    /// <summary>She reacted: SA1.</summary>
    Reacted,
}

/// <summary>Where the strand test stands.</summary>
public enum StrandState
{
    /// <summary>Must be done.</summary>
    Required,

    /// <summary>Same formula as before: a good idea, not a lock.</summary>
    Offered,

    /// <summary>Right.</summary>
    Clear,

    /// <summary>Failed: SA6.</summary>
    Failed,
}

/// <summary>The tests and their portions, which are sachets of their own.</summary>
/// <param name="SkinTest">Skin test.</param>
/// <param name="StrandTest">Strand test.</param>
/// <param name="SkinTestHours">Full hours to wait.</param>
/// <param name="SkinTestGrams">Colour for it, for each line.</param>
/// <param name="StrandTestGrams">Mix for it.</param>
/// <param name="PreSoftenGrams">Undiluted developer for resistant white (AP9).</param>
public sealed record KitTests(SkinState SkinTest, StrandState StrandTest, int SkinTestHours, Grams SkinTestGrams, Grams StrandTestGrams, Grams PreSoftenGrams);

/// <summary>Something the colourist confirms before she signs.</summary>
/// <param name="What">A path of the case that was assumed and moves the answer, or the use of a formula that comes out far from its wish.</param>
/// <param name="Says">What she says yes to.</param>
public sealed record Confirmation(string What, string Says);

/// <summary>The one value that page, guide, bench, console and record all show.</summary>
/// <param name="Kitto">Kind and version of the document.</param>
/// <param name="Decision">What is to happen.</param>
/// <param name="Holds">What still locks the main sachets.</param>
/// <param name="Because">Why, decision by decision.</param>
/// <param name="Advice">How each service would suit.</param>
/// <param name="Formulas">What to weigh.</param>
/// <param name="Quantity">How much; null on a stop.</param>
/// <param name="Clock">When; null on a stop.</param>
/// <param name="Forecast">What it will look like.</param>
/// <param name="Alternatives">Other mixes.</param>
/// <param name="Tests">The tests.</param>
/// <param name="Plan">Dates, if asked for; null on a stop.</param>
/// <param name="Next">When the next kit is due; null on a stop and for a gloss.</param>
public sealed record Prescription(
    string Kitto,
    Decision Decision,
    IReadOnlyList<string> Holds,
    IReadOnlyList<Because> Because,
    IReadOnlyList<ServiceAdvice> Advice,
    IReadOnlyList<Formula> Formulas,
    Quantities? Quantity,
    Schedule? Clock,
    Forecast Forecast,
    IReadOnlyList<Alternative> Alternatives,
    KitTests Tests,
    KitPlan? Plan,
    NextKit? Next = null
)
{
    /// <summary>Every stretch of every zone, with what is done to it; empty on a stop.</summary>
    public IReadOnlyList<ZoneStrand> Strand { get; init; } = [];

    /// <summary>Facts that nobody said and a usual value stands for, by their paths.</summary>
    public IReadOnlyList<string> Assumed { get; init; } = [];

    /// <summary>What the colourist says yes to in so many words before she signs; empty where there is nothing.</summary>
    public IReadOnlyList<Confirmation> Confirm { get; init; } = [];

    /// <summary>The stretches a formula goes on, each with its zone and turn; empty for what was signed before strands were kept.</summary>
    public IReadOnlyList<StrandRow> RowsOf(int formula) =>
        [
            .. from zone in Strand
            from row in zone.Stretches
            where row.Formula == formula
            select row with
            {
                Zone = zone.Zone,
                Turn =
                    row is { Does: Does.Colour, Stretch: Stretch.Scalp } && Clock!.InTwo(zone.Zone) ? Turn.Scalp
                    : row.Does == Does.PullThrough ? Turn.Last
                    : Turn.First,
            },
        ];

    /// <summary>The document this is written as.</summary>
    public const string Version = "prescription/1";
}
