using System.Text.Json.Serialization;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;
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

/// <summary>Grams of one shade, and with what its sachet keeps.</summary>
/// <param name="Shade">Code.</param>
/// <param name="Grams">Grams that go on the head.</param>
/// <param name="FillGrams">Grams weighed into the sachet (DO11).</param>
/// <param name="Share">Its share of the colour, in a formula; null in a pair, whose shares are the formula's.</param>
public sealed record PartGrams(
    string Shade,
    Grams Grams,
    Grams FillGrams,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Share? Share = null
);

/// <summary>Grams of one strength.</summary>
/// <param name="Volume">Strength.</param>
/// <param name="Grams">Grams.</param>
public sealed record StrengthGrams(Volume Volume, Grams Grams);

/// <summary>Colour and developer, sealed apart, that are mixed together.</summary>
/// <param name="Name">main and reserve, or A and B where there are two batches.</param>
/// <param name="ColourGrams">Colour.</param>
/// <param name="DeveloperGrams">Developer.</param>
/// <param name="Parts">The colour's parts.</param>
/// <param name="Strengths">The developer's strengths.</param>
/// <param name="ColourFillGrams">Colour weighed into the sachet (DO11).</param>
/// <param name="DeveloperFillGrams">Developer weighed into the bottle (DO11).</param>
public sealed record Pair(
    string Name,
    Grams ColourGrams,
    Grams DeveloperGrams,
    IReadOnlyList<PartGrams> Parts,
    IReadOnlyList<StrengthGrams> Strengths,
    Grams ColourFillGrams,
    Grams DeveloperFillGrams
)
{
    /// <summary>The name of the pair that is mixed first (DO10).</summary>
    public const string Main = "main";

    /// <summary>The name of the sealed pair (DO10).</summary>
    public const string Reserve = "reserve";

    /// <summary>Whether it stays sealed until the main pair runs short.</summary>
    [JsonIgnore]
    public bool IsReserve => Name == Reserve;
}

/// <summary>The developer of a formula.</summary>
/// <param name="Volume">Strength.</param>
/// <param name="Percent">The same in percent of hydrogen peroxide.</param>
/// <param name="Grams">Grams, all pairs.</param>
/// <param name="Blend">The stocked strengths it is blended from.</param>
public sealed record DeveloperPart(Volume Volume, double Percent, Grams Grams, IReadOnlyList<StrengthGrams> Blend);

/// <summary>One formula, weighed out.</summary>
/// <param name="Use">roots, shadow, lengths, band (a gloss of its own) or second (the second step on the roots, SV19).</param>
/// <param name="Line">Id of the line.</param>
/// <param name="Parts">Its shades.</param>
/// <param name="Developer">Its developer.</param>
/// <param name="Ratio">Colour to developer.</param>
/// <param name="MixGrams">Sum of parts and developer.</param>
/// <param name="Pairs">The sealed pairs it is sent in.</param>
public sealed record Formula(
    string Use,
    string Line,
    IReadOnlyList<PartGrams> Parts,
    DeveloperPart Developer,
    string Ratio,
    Grams MixGrams,
    IReadOnlyList<Pair> Pairs
)
{
    /// <summary>The colour weighed as one blend for all sachets, the tests' too; null where there is one shade, or it is mixed in the chair.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity.Stock? Stock { get; init; }

    /// <summary>Its shades and shares; a formula signed before shares were written has them in its grams.</summary>
    public IReadOnlyList<MixPart> Mix()
    {
        double colour = Parts.Sum(p => p.Grams.Value);
        return [.. Parts.Select(p => new MixPart(p.Shade, p.Share ?? Share.Of(p.Grams.Value / colour)))];
    }
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

/// <summary>When a zone is painted and how long the colour is on it.</summary>
/// <param name="Zone">Which.</param>
/// <param name="PaintedAt">Minutes after the first stroke of the plan.</param>
/// <param name="ContactMinutes">Until the rinse.</param>
/// <param name="Batch">1 or 2.</param>
public sealed record ZoneTime(Zone Zone, Minutes PaintedAt, Minutes ContactMinutes, int Batch);

/// <summary>The clock.</summary>
/// <param name="Order">Name of the order.</param>
/// <param name="PaintMinutes">First stroke to last.</param>
/// <param name="ProcessMinutes">Timer after the last stroke.</param>
/// <param name="RinseAtMinutes">Minutes after the first stroke.</param>
/// <param name="Zones">In the order of painting.</param>
/// <param name="SpreadDeltaE">Colour difference between first and last zone; null until forecast.</param>
/// <param name="Remedies">What can be done where a zone would have the colour on too long, what changes least first; null where all fits.</param>
public sealed record Schedule(
    PaintOrder Order,
    Minutes PaintMinutes,
    Minutes ProcessMinutes,
    Minutes RinseAtMinutes,
    IReadOnlyList<ZoneTime> Zones,
    double? SpreadDeltaE,
    IReadOnlyList<Remedy>? Remedies = null
)
{
    /// <summary>The scalp stretch of zones that are painted in two turns, in the order of painting; null where none is (TM6). Their grown stretch stands among <see cref="Zones"/>.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<ZoneTime>? Scalp { get; init; }

    /// <summary>Every stroke in the order of painting: a zone, or its grown stretch and later its scalp stretch.</summary>
    [JsonIgnore]
    public IReadOnlyList<(Stroke Stroke, ZoneTime Time)> Strokes =>
        [
            .. Zones
                .Select(z => (new Stroke(z.Zone, false), z))
                .Concat((Scalp ?? []).Select(z => (new Stroke(z.Zone, true), z)))
                .OrderBy(x => x.z.PaintedAt.Value),
        ];

    /// <summary>Whether a zone is painted in two turns.</summary>
    public bool InTwo(Zone zone) => Scalp?.Any(z => z.Zone == zone) ?? false;
}

/// <summary>One turn at one zone.</summary>
/// <param name="Zone">Which.</param>
/// <param name="Scalp">Its scalp stretch, where the grown hair was painted before; else all of it, or the grown stretch.</param>
public readonly record struct Stroke(Zone Zone, bool Scalp);

/// <summary>A forecast colour.</summary>
/// <param name="Lab">CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
public sealed record Look(IReadOnlyList<double> Lab, string Hex);

/// <summary>One stretch of hair as it looks: what is seen from a step away, and its two kinds of fibre where they are there.</summary>
/// <param name="Lab">Their mean, CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
/// <param name="White">White fibres.</param>
/// <param name="Pigmented">Pigmented fibres.</param>
public sealed record Fibres(IReadOnlyList<double> Lab, string Hex, Look? White, Look? Pigmented);

/// <summary>The forecast of one zone, step by step.</summary>
/// <param name="Zone">Which.</param>
/// <param name="Lab">As it will look, CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
/// <param name="DeltaE">dE00 to the wish.</param>
/// <param name="Grey">Share of white.</param>
/// <param name="Lifts">Levels that the developer lifts its pigment.</param>
/// <param name="Today">As it is now.</param>
/// <param name="Lifted">After the lift alone: what the dye has to counter (SH2).</param>
/// <param name="After">After lift and dye.</param>
public sealed record ZoneForecast(
    Zone Zone,
    IReadOnlyList<double> Lab,
    string Hex,
    double DeltaE,
    Share Grey,
    double Lifts,
    Fibres Today,
    Fibres Lifted,
    Fibres After
);

/// <summary>How the colour leaves again (RD9).</summary>
/// <param name="ShowsInWeeks">Weeks until the new colour looks plainly faded; null: not within a year.</param>
/// <param name="NextKitWeeks">Weeks to the next kit (SV11).</param>
/// <param name="Roots">The new colour then; null where the roots get none.</param>
/// <param name="Lengths">The lengths then.</param>
public sealed record Fade(int? ShowsInWeeks, int NextKitWeeks, Look? Roots, Look? Lengths);

/// <summary>What the hair will look like. A forecast for planning: the strand test decides.</summary>
/// <param name="Roots">Roots, the mean of what is seen; null where they get no dye.</param>
/// <param name="Lengths">Lengths.</param>
/// <param name="DeltaE">dE00 to the wish, the mean of what is seen.</param>
/// <param name="PerZone">Zone by zone, in the order of painting.</param>
/// <param name="Target">The wish.</param>
/// <param name="LengthsToday">The lengths now.</param>
/// <param name="Band">The faded band afterwards (RD11).</param>
/// <param name="BandToday">The faded band now.</param>
/// <param name="Fading">How it leaves again.</param>
/// <param name="GreenA">The greenest a* forecast anywhere, below zero; null where nothing comes out green (SH6).</param>
/// <param name="Tail">A root shadow's tail afterwards, just past the line (SV5).</param>
public sealed record Forecast(
    Look? Roots,
    Look? Lengths,
    double? DeltaE,
    IReadOnlyList<ZoneForecast> PerZone,
    Look? Target = null,
    Look? LengthsToday = null,
    Look? Band = null,
    Look? BandToday = null,
    Fade? Fading = null,
    double? GreenA = null,
    Look? Tail = null
)
{
    /// <summary>What the lengths shall be, where they have a formula of their own beside the roots' (SV13).</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Look? LengthsTarget { get; init; }

    /// <summary>dE00 of the lengths to their own wish; null where they have none, or get clear alone.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double? LengthsDeltaE { get; init; }

    /// <summary>No forecast.</summary>
    public static Forecast None { get; } = new(null, null, null, []);
}

/// <summary>Another mix worth considering.</summary>
/// <param name="Parts">Its shades; their grams add up to the colour of the first formula.</param>
/// <param name="DeltaE">dE00 to the wish.</param>
/// <param name="Hex">What the roots would look like, for a screen.</param>
/// <param name="Why">What speaks for it and against it.</param>
public sealed record Alternative(IReadOnlyList<AlternativePart> Parts, double DeltaE, string? Hex = null, string? Why = null);

/// <summary>A part of another mix.</summary>
/// <param name="Shade">Code.</param>
/// <param name="Grams">Grams.</param>
/// <param name="Share">Its share of the colour.</param>
public sealed record AlternativePart(string Shade, Grams Grams, Share Share);

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
