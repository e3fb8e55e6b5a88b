using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Shade;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core;

/// <summary>What is to be done (SV).</summary>
public enum Service
{
    /// <summary>Regrowth only (SV1).</summary>
    RootTouchUp,

    /// <summary>Regrowth, and the faded lengths freshened (SV9).</summary>
    RootAndRefresh,

    /// <summary>Tone and shine on the lengths (SV2).</summary>
    Gloss,

    /// <summary>Regrowth, then a separate gloss on the lengths.</summary>
    RootAndGloss,

    /// <summary>Deeper roots melted into lighter lengths (SV5).</summary>
    RootShadow,

    /// <summary>One to two levels of lift on virgin regrowth (SV6).</summary>
    BaseLift,

    /// <summary>Translucent cover (SV7).</summary>
    GreyBlend,

    /// <summary>Lightener: salon only (SA8).</summary>
    Lighten,
}

/// <summary>What is wished for.</summary>
/// <param name="Service">The service.</param>
/// <param name="Level">Wished level, 1 to 12; null: the lengths' level.</param>
/// <param name="Tone">Wished tone; null: the lengths' tone.</param>
/// <param name="DampLengths">Whether lengths are damp when they get theirs; null: the service's own way.</param>
public sealed record Goal(Service Service, Level? Level, Tone? Tone, bool? DampLengths)
{
    /// <summary>The lengths' own wish (SV13); null where nothing is wished for them.</summary>
    public LengthsGoal? Lengths { get; init; }

    /// <summary>Face-framing pieces are left bright in a shadow (SV16).</summary>
    public bool LeaveFrame { get; init; }

    /// <summary>How the service is done.</summary>
    public How How { get; init; }

    /// <summary>How far a shadow's tail is feathered past the line at the back, 10 to 100 mm; in front in proportion. Null: the usual 50.</summary>
    public Millimetres? Tail { get; init; }

    /// <summary>How far a shadow's tail is feathered past the line in a zone (SV5).</summary>
    public Millimetres TailAt(Zone zone) => Millimetres.Of(zone.Facts().ShadowTail.Value * (Tail?.Value ?? Values.TailBackMm) / Values.TailBackMm);
}

/// <summary>What the lengths shall be (SV13).</summary>
/// <param name="Level">Wished level, 1 to 12; null: as they are.</param>
/// <param name="Tone">Wished tone; null: as they are.</param>
/// <param name="Clear">Nothing but shine; then neither level nor tone.</param>
public sealed record LengthsGoal(Level? Level, Tone? Tone, bool Clear = false);

/// <summary>Ways of doing a service that are offered where they fit (SV18, SV19).</summary>
public enum How
{
    /// <summary>The usual way.</summary>
    Usual,

    /// <summary>A gloss with an equal part of clear, watched, one to three minutes (SV18).</summary>
    QuickTone,

    /// <summary>Permanent, rinse, then a demi of the same level and family on the same hair (SV19).</summary>
    TwoSteps,
}

/// <summary>What the two mistakes cost the house; any money, only their proportion matters (Arrow, Harris and Marschak 1951).</summary>
/// <param name="ShortPerGram">A gram that was missing, above 0.</param>
/// <param name="LeftPerGram">A gram that was left over, above 0.</param>
public sealed record Costs(double ShortPerGram, double LeftPerGram);

/// <summary>Where a colourist departs from the house for one client: a school, or a caution that she takes on herself. Never a stop.</summary>
/// <param name="Rule">Id of a rule with schools, or of a caution.</param>
/// <param name="Way">The way of the school; <see cref="Taken"/> for a caution.</param>
/// <param name="Reason">Her reason, 1 to 300 characters.</param>
/// <param name="By">Her name.</param>
/// <param name="On">The day.</param>
public sealed record HerWay(string Rule, string Way, string Reason, string By, DateOnly On)
{
    /// <summary>What stands for a caution that was taken on.</summary>
    public const string Taken = "taken";
}

/// <summary>The salon's own values.</summary>
/// <param name="ServiceLevel">Share of kits that should not run out, 0.80 to 0.98 (quantity 4).</param>
/// <param name="ScaleStep">Step of the scale.</param>
/// <param name="Schools">Chosen schools by rule id; where nothing stands the default holds.</param>
/// <param name="Costs">The house's own costs of both mistakes; where given, they set the service level.</param>
/// <param name="ForHer">Where this client is treated otherwise.</param>
public sealed record House(
    double ServiceLevel,
    Grams ScaleStep,
    IReadOnlyDictionary<string, string> Schools,
    Costs? Costs = null,
    IReadOnlyList<HerWay>? ForHer = null
)
{
    /// <summary>The line of each kind that the house takes; where none is named, the first on the shelf that can be mixed from.</summary>
    public IReadOnlyDictionary<LineKind, string> Lines { get; init; } = new Dictionary<LineKind, string>();

    /// <summary>What the studio reads and writes; a client's guide has a language of its own.</summary>
    public Language Language { get; init; } = Language.English;

    /// <summary>Whether a line is the house's of its kind.</summary>
    public bool Takes(Line line) => Lines.TryGetValue(line.Kind, out string? id) && id == line.Id;

    /// <summary>The quantile that is sent: the newsvendor's from the house's costs, else the fixed level (quantity 4).</summary>
    public double Quantile =>
        Costs is { } c ? Math.Clamp(c.ShortPerGram / (c.ShortPerGram + c.LeftPerGram), Values.LeastServiceLevel, Values.GreatestServiceLevel) : ServiceLevel;

    /// <summary>The house as it comes: nine kits in ten do not run out, a scale of a tenth of a gram, every school at its default.</summary>
    public static House Default { get; } = new(Values.UsualServiceLevel, Grams.Of(Values.UsualScaleStepGrams), new Dictionary<string, string>());

    /// <summary>The chosen option of a school: hers, else the house's, else the usual one.</summary>
    public string School(string rule) => ForHer?.FirstOrDefault(w => w.Rule == rule)?.Way ?? Usual(rule);

    /// <summary>The house's own option of a school.</summary>
    public string Usual(string rule) => Schools.TryGetValue(rule, out string? chosen) ? chosen : Trade.Schools.Options[rule][0];
}

/// <summary>A formula that is given, not searched for.</summary>
/// <param name="Use">roots, shadow, lengths, band or second.</param>
/// <param name="Parts">Shade codes and shares that add up to one.</param>
/// <param name="Developer">Strength; null: chosen by the rules.</param>
/// <param name="HandMade">Made by hand for this wish, not repeated from a record: the wish is judged as without it.</param>
public sealed record GivenFormula(FormulaUse Use, IReadOnlyList<MixPart> Parts, Volume? Developer, bool HandMade = false);

/// <summary>One whole case: what was read, what is wished, the house's values.</summary>
/// <param name="Reading">What was read.</param>
/// <param name="Goal">What is wished.</param>
/// <param name="LineId">Line of the catalogue; null: the service's default.</param>
/// <param name="Formula">A formula to repeat or check.</param>
/// <param name="Plan">Dates to plan back from.</param>
/// <param name="House">The house's values.</param>
/// <param name="Reports">How earlier kits came out against their forecast.</param>
/// <param name="Painting">How the colourist wants it painted; null: as the numbers say.</param>
public sealed record Case(
    Reading Reading,
    Goal Goal,
    string? LineId,
    GivenFormula? Formula,
    PlanWish? Plan,
    House House,
    IReadOnlyList<ColourReport> Reports,
    PaintWish? Painting = null
)
{
    /// <summary>Facts that nobody said and a usual value stands for, by their paths.</summary>
    public IReadOnlyList<string> Assumed { get; init; } = [];
}
