using System.Reflection;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Contract;

#pragma warning disable CS1591 // a row says itself what it is

/// <summary>
/// Every fact of a case/1 document, once: its path, type, unit, range and default. The reader, the form, the script and a test of the schema go by it.
/// A new fact is a row here, its place in the record it belongs to (Head/Reading, Case), and a line in the reader.
/// </summary>
public static class CaseFields
{
    // The person

    public static readonly NumberField ClientAgeYears = new("client.ageYears", 0, 120, "years", Step: 1) { Needed = true };
    public static readonly FlagField ClientFirstKit = new("client.firstKit", true);
    public static readonly FlagField ClientReactions = new("client.reactions") { Typed = true };
    public static readonly FlagField ClientBlackHenna = new("client.blackHenna") { Typed = true };
    public static readonly FlagField ClientPregnant = new("client.pregnant") { Typed = true };
    public static readonly ChoiceField<Scalp> ClientScalp = new("client.scalp", Scalp.Sound) { Typed = true };
    public static readonly ListField ClientConditions = new("client.conditions", 30)
    {
        Typed = true,
        Note = $"Known: {string.Join(", ", Conditions.Known)}. Other words are kept and shown to the colourist (SA21).",
    };
    public static readonly FlagField ClientNewMedicine = new("client.newMedicine") { Typed = true };
    public static readonly NumberField ClientChemicalServiceDaysAgo = new("client.chemicalServiceDaysAgo", 0, 3650, "days", Step: 1) { Typed = true };
    public static readonly NumberField SkinTestDaysAgo = new("client.skinTest.daysAgo", 0, 3650, "days", Step: 1) { Needed = true };
    public static readonly ChoiceField<SkinResult> SkinTestResult = new("client.skinTest.result") { Needed = true };
    public static readonly TextField SkinTestLine = new("client.skinTest.line");
    public static readonly NumberField StrandTestDaysAgo = new("client.strandTest.daysAgo", 0, 3650, "days", Step: 1) { Needed = true };
    public static readonly ChoiceField<StrandResult> StrandTestResult = new("client.strandTest.result") { Needed = true };
    public static readonly NumberField StrandTestMinutes = new("client.strandTest.minutes", 0, 120, "min");

    // Her hair

    public static readonly ChoiceField<Texture> HairTexture = new("hair.texture", Texture.Medium) { Typed = true };
    public static readonly ChoiceField<Density> HairDensity = new("hair.density", Density.Medium) { Typed = true };
    public static readonly ChoiceField<Porosity> HairPorosity = new("hair.porosity", Porosity.Normal) { Typed = true };
    public static readonly NumberField HairNaturalLevel = new("hair.naturalLevel", 1, 10, Step: 0.5) { Needed = true, Typed = true };
    public static readonly NumberField HairLengthCm = new("hair.lengthCm", 1, 120, "cm", Default: 30) { Typed = true };
    public static readonly NumberField LengthsLevel = new("hair.lengths.level", 1, 12, Step: 0.5) { Typed = true, Note = "Default: the natural level." };
    public static readonly ToneField LengthsTone = new("hair.lengths.tone", "N") { Typed = true, Note = "A family, or a pair of which each takes half." };
    public static readonly ListField LengthsTimeline = new("hair.lengths.timeline", 40)
    {
        Note =
            "What was put on the hair and when. The worst that can still be there (hair grows at least 0.2 mm a day) counts, or the history where that is worse.",
    };
    public static readonly ChoiceField<LengthHistory> LengthsHistory = new("hair.lengths.history", LengthHistory.Unknown) { Typed = true };
    public static readonly FlagField LengthsHighlighted = new("hair.lengths.highlighted") { Typed = true };
    public static readonly ChoiceField<MetalTest> LengthsMetalTest = new("hair.lengths.metalTest")
    {
        Typed = true,
        Note = "What a lock of hair did in developer; left out: none was tried. Reacted is a stop (SA4).",
    };
    public static readonly ChoiceField<Treatment> PutOnWhat = new("hair.lengths.timeline[].what") { Needed = true };
    public static readonly NumberField PutOnDaysAgo = new("hair.lengths.timeline[].daysAgo", 0, 36500, "days", Step: 1)
    {
        Needed = true,
        Note = "Where it is not certain, the fewest days that can be.",
    };
    public static readonly NumberField BandLengthMm = new("hair.band.lengthMm", 0, 1200, "mm")
    {
        Needed = true,
        Typed = true,
        Note = "No longer than what the regrowth leaves of the hair.",
    };
    public static readonly NumberField BandLevel = new("hair.band.level", 1, 12, Step: 0.5) { Typed = true };
    public static readonly ToneField BandTone = new("hair.band.tone") { Typed = true, Note = "A family, or a pair of which each takes half." };
    public static readonly NumberField RootsLevel = new("hair.roots.level", 1, 12, Step: 0.5) { Needed = true, Typed = true };
    public static readonly ToneField RootsTone = new("hair.roots.tone", "G") { Typed = true };

    // Every zone, and all of them at once

    public static readonly NumberField ZoneRegrowthMm = new("zones.*.regrowthMm", 0, 300, "mm") { Typed = true };
    public static readonly NumberField ZoneGreyPercent = new("zones.*.greyPercent", 0, 100, "%") { Typed = true, Note = "Default 0." };
    public static readonly FlagField ZoneResistant = new("zones.*.resistant") { Typed = true };
    public static readonly ChoiceField<Texture> ZoneTexture = new("zones.*.texture") { Typed = true, Note = "Default: the head's." };
    public static readonly FlagField ZoneInclude = new("zones.*.include", true) { Typed = true };

    // The wish

    public static readonly ChoiceField<Service> GoalService = new("goal.service") { Needed = true, Typed = true };
    public static readonly NumberField GoalLevel = new("goal.level", 1, 12, Step: 0.5)
    {
        Typed = true,
        Note = "For the roots; where the service is a gloss, for the lengths. Default: the lengths' level; for a root shadow the natural level or one lighter.",
    };
    public static readonly ToneField GoalTone = new("goal.tone") { Typed = true, Note = "Default: the lengths' tone." };
    public static readonly ChoiceField GoalLengthsCondition = new("goal.lengthsCondition", ["dry", "damp"])
    {
        Typed = true,
        Note = "Default: damp for a gloss, dry for a refresh.",
    };
    public static readonly ChoiceField<Frame> GoalFrame = new("goal.frame", Frame.Paint)
    {
        Typed = true,
        Note = "leaveOut, with rootShadow only: front hairline and temples are not painted (SV16).",
    };
    public static readonly ChoiceField<How> GoalHow = new("goal.how", How.Usual)
    {
        Typed = true,
        Note =
            "quickTone with a gloss: with as much clear, three minutes (SV18). twoSteps with rootTouchUp, rootAndRefresh or rootAndGloss: permanent, rinse, then a demi on the same hair (SV19).",
    };
    public static readonly NumberField GoalTailMm = new("goal.tailMm", 10, 100, "mm", Default: Values.TailBackMm)
    {
        Typed = true,
        Note = "How far a root shadow is feathered past the line at the back; in front in proportion.",
    };
    public static readonly NumberField GoalLengthsLevel = new("goal.lengths.level", 1, 12, Step: 0.5) { Typed = true };
    public static readonly ToneField GoalLengthsTone = new("goal.lengths.tone") { Typed = true };
    public static readonly FlagField GoalLengthsClear = new("goal.lengths.clear") { Typed = true };

    // The hands

    public static readonly ChoiceField<Who> HandsWho = new("hands.who", Who.Alone) { Typed = true };
    public static readonly FlagField HandsPractised = new("hands.practised") { Typed = true };
    public static readonly ListField HandsHistory = new("hands.history", 200);
    public static readonly NumberField UsedBaseGrams = new("hands.history[].baseGrams", 0.1, 5000, "g") { Needed = true };
    public static readonly NumberField UsedSentGrams = new("hands.history[].sentGrams", 0.1, 5000, "g") { Needed = true };
    public static readonly NumberField UsedResidueGrams = new("hands.history[].residueGrams", 0, 500, "g", Default: 0);
    public static readonly NumberField UsedLeftGrams = new("hands.history[].leftGrams", 0, 5000, "g", Default: 0);
    public static readonly FlagField UsedRanOut = new("hands.history[].ranOut");
    public static readonly FlagField UsedWeighed = new("hands.history[].weighed", true);
    public static readonly NumberField UsedDaysAgo = new("hands.history[].daysAgo", 0, 3650, "days", Step: 1, Default: 0);
    public static readonly ChoiceField<PaintOrder> PaintingOrder = new("painting.order") { Typed = true };
    public static readonly ListField PaintingSequence = new("painting.sequence", 9)
    {
        Typed = true,
        Note = "Zones in the order of painting; included ones that are not named come last.",
    };

    // What was before

    public static readonly NumberField LastDaysAgo = new("last.daysAgo", 0, 3650, "days", Step: 1);
    public static readonly ChoiceField<Coverage> OutcomeCoverage = new("last.outcome.coverage", Coverage.Full);
    public static readonly ChoiceField<Depth> OutcomeDepth = new("last.outcome.depth", Depth.Right);
    public static readonly ChoiceField<ToneOutcome> OutcomeTone = new("last.outcome.tone", ToneOutcome.Right);
    public static readonly NumberField ReportDaysAgo = new("reports[].daysAgo", 0, 3650, "days", Step: 1) { Needed = true };
    public static readonly ChoiceField<Depth> ReportDepth = new("reports[].depth", Depth.Right);
    public static readonly ChoiceField<ToneOutcome> ReportTone = new("reports[].tone", ToneOutcome.Right);
    public static readonly NumberField ReportSeenSd = new("reports[].seenSd", 0.5, 20, "CIELAB units")
    {
        Note = "How uncertain the colour is that was measured on a card, along each axis. Needed with it.",
    };
    public static readonly ColourField ReportForecast = new("reports[].forecast") { Needed = true };
    public static readonly ColourField ReportWish = new("reports[].wish") { Needed = true };
    public static readonly ColourField ReportSeen = new("reports[].seen");
    public static readonly NumberField GrownMm = new("grown[].mm", 0, 300, "mm") { Needed = true };
    public static readonly NumberField GrownDays = new("grown[].days", GrowthRate.LeastDays, 3650, "days", Step: 1) { Needed = true };
    public static readonly ListField Reports = new("reports", 50)
    {
        Note = "How earlier kits came out against their forecast; they shift the forecast of this one. CIELAB under D65.",
    };
    public static readonly ListField GrownList = new("grown", 50)
    {
        Note = "Regrowth measured at known times after the colour, from which the rate is learned.",
    };

    // A formula that is given

    public static readonly ChoiceField<FormulaUse> FormulaUse = new("formula.use", Core.FormulaUse.Roots);
    public static readonly ListField FormulaParts = new("formula.parts", 8)
    {
        Needed = true,
        Note = "Shares add up to 1 (within 0.011, so that thirds may be written short).",
    };
    public static readonly NumberField FormulaDeveloperVolume = new("formula.developerVolume", 0, 40, "vol")
    {
        Note = "Left out: chosen by the rules. Above 40 (12 %) nothing is made.",
    };
    public static readonly FlagField FormulaHandMade = new("formula.handMade")
    {
        Note = "Made by hand for this wish, not repeated from a record: the wish is judged as without it (salon decisions hold).",
    };
    public static readonly TextField PartShade = new("formula.parts[].shade", 6) { Needed = true };
    public static readonly NumberField PartShare = new("formula.parts[].share", 0.001, 1) { Needed = true };
    public static readonly TextField Line = new("line")
    {
        Typed = true,
        Note = "Id of a line on the shelf. Left out: the house's of the kind that the service asks for; lightener for lighten whatever is said.",
    };

    // The days

    public static readonly DateField PlanToday = new("plan.today") { Needed = true };
    public static readonly DateField PlanWantBy = new("plan.wantBy") { Needed = true, Typed = true };
    public static readonly ListField PlanPostDays = new("plan.postDays", 7);
    public static readonly NumberField PlanTransitDays = new("plan.transitDays", 0, Values.MostTransitDays, "days", Step: 1, Default: 2);

    // The house

    public static readonly NumberField HouseServiceLevel = new(
        "house.serviceLevel",
        Values.LeastServiceLevel,
        Values.GreatestServiceLevel,
        Default: Values.UsualServiceLevel
    );
    public static readonly NumberField HouseScaleStepGrams = new("house.scaleStepGrams", 0.01, 5, "g", Default: Values.UsualScaleStepGrams);

    /// <summary>The line of each kind that the house takes.</summary>
    public static readonly IReadOnlyDictionary<LineKind, TextField> HouseLines = Enum.GetValues<LineKind>()
        .ToDictionary(kind => kind, kind => new TextField($"house.lines.{Json.Name(kind)}", 40));

    public static readonly ListField HouseForHer = new("house.forHer", 40)
    {
        Note = "Where the colourist departs from the house for this client: a rule with schools, or a caution (way: taken). Shown wherever the result is.",
    };
    public static readonly NumberField CostsShortPerGram = new("house.costs.shortPerGram", 0.01, 10000) { Needed = true };
    public static readonly NumberField CostsLeftPerGram = new("house.costs.leftPerGram", 0.01, 10000) { Needed = true };
    public static readonly TextField HerWayReason = new("house.forHer[].reason", 300) { Needed = true };
    public static readonly TextField HerWayRule = new("house.forHer[].rule") { Needed = true };
    public static readonly TextField HerWayWay = new("house.forHer[].way") { Needed = true };
    public static readonly TextField HerWayBy = new("house.forHer[].by") { Needed = true };
    public static readonly DateField HerWayOn = new("house.forHer[].on") { Needed = true };

    /// <summary>What is said of the objects the facts stand in.</summary>
    public static IReadOnlyDictionary<string, string> Objects { get; } =
        new Dictionary<string, string>
        {
            ["hair.roots"] = "The regrowth was lightened lately and waits for its tone: nothing to lift, takes at once. Lighter than the natural level.",
            ["goal.lengths"] =
                "The lengths' own wish, with any root service (SV13). Level and tone default to what the lengths are; clear: true is shine alone and stands without them.",
            ["painting"] = "How the colourist wants it painted, whatever the numbers would choose. A sequence goes before an order.",
            ["house.lines"] = "The line of each kind that the house takes. Left out: the first on the shelf of that kind that can be mixed from.",
            ["house.costs"] = "The house's own costs of both mistakes; where given they set the service level, kept within 0.8 to 0.98.",
        };

    /// <summary>All of them.</summary>
    public static IReadOnlyList<CaseField> All { get; } =
    [.. typeof(CaseFields).GetFields(BindingFlags.Static | BindingFlags.Public).Select(f => f.GetValue(null)).OfType<CaseField>().Concat(HouseLines.Values)];

    /// <summary>The paths of the form, a zone's for each of the nine, with their fields.</summary>
    public static IReadOnlyDictionary<string, CaseField> Typed { get; } =
        All.Where(f => f.Typed)
            .SelectMany(f =>
                f.Path.StartsWith("zones.*.", StringComparison.Ordinal) ? Enum.GetValues<Zone>().Select(z => (Path: CaseDocument.In(z, f), f)) : [(f.Path, f)]
            )
            .ToDictionary(x => x.Item1, x => x.f);
}
