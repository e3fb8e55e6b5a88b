using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>Which services fit this head and wish, and by which rules (SV).</summary>
public static class Advice
{
    /// <summary>Advice on all eight services.</summary>
    /// <param name="c">The case, regrowth as on the day.</param>
    /// <param name="aim">What is aimed at.</param>
    public static IReadOnlyList<ServiceAdvice> On(Case c, Aim aim)
    {
        var hair = c.Reading.Hair;
        var lengths = hair.Lengths;
        double lift = aim.LengthsLevel.LighterThan(hair.NaturalLevel);
        double faded = lengths.Level.LighterThan(aim.LengthsLevel);
        bool sameTone = lengths.Tone.SameAs(aim.Tone);
        bool atHome = Math.Abs(lift) <= SalonOnly.HomeLevels;
        bool lighterWish = lengths.Coloured && faded <= -Aim.HalfLevel;
        bool grown = c.Reading.MeanRegrowth.Value >= Cautions.EarlyMm;
        double grey = c.Reading.DecisiveGrey.Value;
        var level = aim.LengthsLevel;
        Condition home = new(atHome, "SV3", $"level {level} is {Math.Abs(lift):0.#} levels from her own; the salon does that in steps");
        Condition notLighter = new(!lighterWish, "SV4", $"colour cannot lighten her coloured lengths to level {level}; the salon would lift them or take colour out");
        return
        [
            Say(Service.RootTouchUp, "covers what has grown out and leaves the lengths as they are", Cover, home,
                new(grown, "RD12", $"too little has grown out yet; from {Cautions.EarlyMm:0} mm on")),
            Say(Service.RootAndRefresh, $"covers what has grown out and gives faded lengths back their {faded:0.#} levels", Cover, home,
                new(!lengths.Bright && faded >= Aim.HalfLevel && sameTone, "SV9", lengths.Bright ? "root colour would stain her lightened lengths; a gloss of their own is kinder" : sameTone ? "her lengths have hardly faded" : "another tone wants a formula of its own"), notLighter),
            Say(Service.Gloss, "tone and shine, no lift, gone in six to eight weeks", Soft,
                new(faded >= -Aim.HalfLevel + 1e-9, "SH8", "a gloss never makes hair lighter"), notLighter,
                new(grey < .5, "SV2", "a gloss only stains white hair; permanent covers it, demi blends it")),
            Say(Service.RootAndGloss, "covers the roots and gives the lengths a gloss of their own; where permanent has covered once, demi or gloss is enough for the lengths", Cover, home, notLighter,
                new(!sameTone || lengths.Bright || faded >= Aim.HalfLevel, "SV9", "her lengths have the wished tone and have hardly faded")),
            Say(Service.RootShadow, "deeper roots melted into lighter lengths: no hard line while it grows", Soft,
                new Condition(lengths.Level.LighterThan(hair.NaturalLevel) >= 1, "SV5", "her lengths are not lighter than her own level, so there is nothing to melt into")),
            Say(Service.BaseLift, "one to two levels of lift that soften a hard line; it warms, and a gloss is planned with it", Soft,
                new(lift is >= 1 and <= 2, "SV6", lift < 1 ? "the wish asks for no lift" : "more than two levels is salon work"),
                new(grey < .5, "SV7", "lift shades hardly cover white hair")),
            Say(Service.GreyBlend, "softens the white without a hard line; never promised as full cover", Soft,
                new(grey >= Developer.Choice.NoGrey, "SV7", "there is hardly any white to blend"),
                new(grey < .5 || c.House.School("SV7") == "blend", "SV7", "with so much white a blend leaves it showing; permanent covers it"),
                new(lift <= Aim.HalfLevel, "DV2", "demi does not lift")),
            Say(Service.Lighten, "", Soft, new Condition(false, "SA8", "lightener never goes into a kit; the salon lightens and watches it")),
        ];
    }

    /// <summary>Weeks until it wants doing again (SV11): opaque cover shows its line, soft colour grows out.</summary>
    internal static readonly int[] Cover = [4, 4], Soft = [6, 10];

    /// <summary>A condition, its rule, and what is said where it fails.</summary>
    private sealed record Condition(bool Holds, string Rule, string Else);

    /// <summary>A service fits when every condition holds; then all rules looked at are named, else those that failed, and why.</summary>
    private static ServiceAdvice Say(Service service, string does, int[] weeks, params Condition[] conditions)
    {
        bool fits = conditions.All(x => x.Holds);
        string says = fits ? does : string.Join("; ", conditions.Where(x => !x.Holds).Select(x => x.Else).Distinct());
        return new ServiceAdvice(service, fits, [.. conditions.Where(x => fits || !x.Holds).Select(x => x.Rule).Distinct()], says + ".", fits ? weeks : null);
    }
}
