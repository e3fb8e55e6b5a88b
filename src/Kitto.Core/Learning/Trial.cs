using Kitto.Core.Clock;
using Kitto.Core.Shade;

namespace Kitto.Core.Learning;

/// <summary>What was read off a head, as far as it was said.</summary>
/// <param name="Natural">Natural level.</param>
/// <param name="White">White where there is most of it, of a zone that counts.</param>
/// <param name="Regrowth">Length of the regrowth, the mean of the head.</param>
public sealed record TrialReading(Level? Natural, Share? White, Millimetres? Regrowth);

/// <summary>A kit as who learns would send it.</summary>
/// <param name="Service">The service.</param>
/// <param name="Line">Id of the line, which is on the shelf.</param>
/// <param name="Parts">Shades of it and their shares, which add up to one.</param>
/// <param name="Developer">Strength, 0 to 40 vol.</param>
/// <param name="Grams">Mix in all, developer included, above 0 g.</param>
/// <param name="Order">Order of painting.</param>
/// <param name="Process">Time after the last stroke.</param>
/// <param name="SkinTest">Whether a skin test comes first.</param>
/// <param name="StrandTest">Whether a strand test comes first.</param>
public sealed record TrialKit(
    Service Service,
    string Line,
    IReadOnlyList<MixPart> Parts,
    Volume Developer,
    Grams Grams,
    PaintOrder Order,
    Minutes Process,
    bool SkinTest,
    bool StrandTest
)
{
    /// <summary>What a prescription comes to, put as who learns puts it: its first formula.</summary>
    /// <param name="service">The service it is for.</param>
    /// <param name="p">A prescription with a formula and a clock.</param>
    public static TrialKit Of(Service service, Prescription p)
    {
        var f = p.Formulas[0];
        return new TrialKit(
            service,
            f.Line,
            f.Mix(),
            f.Developer.Volume,
            p.Quantity!.SendGrams,
            p.Clock!.Order,
            p.Clock.ProcessMinutes,
            p.Holds.Contains("SA5"),
            p.Holds.Contains("SA12")
        );
    }
}

/// <summary>A prescription that is tried out on a head to learn on.</summary>
/// <param name="Reading">What was read.</param>
/// <param name="Decision">Kit, salon or stop.</param>
/// <param name="Kit">What is sent; null unless the decision is a kit.</param>
public sealed record Trial(TrialReading Reading, Decision Decision, TrialKit? Kit)
{
    /// <summary>What the engine itself would answer, read without a mistake.</summary>
    public static Trial Of(StudyHead head)
    {
        var reading = head.Case.Reading;
        return new Trial(
            new TrialReading(reading.Hair.NaturalLevel, reading.DecisiveGrey, reading.MeanRegrowth),
            head.Best.Decision,
            head.Best.Decision == Decision.Kit ? TrialKit.Of(head.Case.Goal.Service, head.Best) : null
        );
    }
}

/// <summary>How grave something is that was found.</summary>
public enum Gravity
{
    /// <summary>Somebody could be hurt.</summary>
    Harm,

    /// <summary>It would have to be put right.</summary>
    Wrong,

    /// <summary>Thrown away, or troubled without need; nobody is the worse for it.</summary>
    Waste,
}

/// <summary>Something found in a prescription that was tried out.</summary>
/// <param name="Gravity">How grave.</param>
/// <param name="Rule">The rule it is told by.</param>
/// <param name="About">Which choice it comes from.</param>
/// <param name="Says">What would happen.</param>
/// <param name="Why">Why the house does otherwise, in the rule's words.</param>
/// <param name="Loss">Points of a hundred.</param>
public sealed record TrialFinding(Gravity Gravity, string Rule, Topic About, string Says, string Why, double Loss);

/// <summary>What is chosen for a kit.</summary>
public enum TrialChoice
{
    /// <summary>The service.</summary>
    Service,

    /// <summary>The line and its shades.</summary>
    Mix,

    /// <summary>The strength.</summary>
    Developer,

    /// <summary>How much.</summary>
    Grams,

    /// <summary>The order of painting.</summary>
    Order,

    /// <summary>The time after the last stroke.</summary>
    Time,
}

/// <summary>A choice that differs from the house's, and what putting it right alone would do.</summary>
/// <param name="Choice">Which choice.</param>
/// <param name="Yours">As it was chosen.</param>
/// <param name="House">As the house would.</param>
/// <param name="Then">What comes of yours.</param>
/// <param name="Now">What comes of yours with this one choice put right.</param>
public sealed record TrialDifference(TrialChoice Choice, string Yours, string House, TrialOutcome Then, TrialOutcome Now);

/// <summary>What comes of a kit.</summary>
/// <param name="Roots">How far the regrowth comes out from its wish, dE00.</param>
/// <param name="Lengths">How far lengths and band come out from theirs, dE00.</param>
/// <param name="RunsOut">Chance that it runs out.</param>
/// <param name="LeftGrams">Left over on average.</param>
/// <param name="MissedMinutes">Minutes outside its window, in the zone that misses it by most.</param>
/// <param name="WhiteStays">Whether white is stained only, which the forecast does not see.</param>
public sealed record TrialOutcome(double Roots, double Lengths, Share RunsOut, Grams LeftGrams, double MissedMinutes, bool WhiteStays)
{
    /// <summary>The further of roots and lengths, dE00.</summary>
    public double Colour => Math.Max(Roots, Lengths);
}

/// <summary>A rule that a head asked for, and whether it was known.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="Right">Whether what was chosen went by it.</param>
public sealed record RuleShown(string Rule, bool Right);

/// <summary>What the engine says of a prescription that was tried out.</summary>
/// <param name="Score">0 to 100: by consequence, never by likeness.</param>
/// <param name="Findings">What was found, gravest first.</param>
/// <param name="Differs">Every choice that differs from the house's.</param>
/// <param name="Rules">What this head showed of rule by rule.</param>
/// <param name="Says">In one sentence where nothing was found.</param>
/// <param name="Would">The prescription, forced through the engine; null where no kit was sent, or may be.</param>
public sealed record TrialVerdict(
    int Score,
    IReadOnlyList<TrialFinding> Findings,
    IReadOnlyList<TrialDifference> Differs,
    IReadOnlyList<RuleShown> Rules,
    string? Says,
    Prescription? Would
)
{
    /// <summary>Whether nobody is hurt and nothing has to be put right.</summary>
    public bool Safe => Findings.All(f => f.Gravity == Gravity.Waste);
}
