using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core;

/// <summary>Which services fit this head and wish, and by which rules (SV).</summary>
public static class Advice
{
    /// <summary>Advice on all eight services.</summary>
    /// <param name="c">The case, regrowth as on the day.</param>
    /// <param name="wish">What is wished at the roots; for a gloss, on the lengths.</param>
    public static IReadOnlyList<ServiceAdvice> On(Case c, Wish wish)
    {
        var hair = c.Reading.Hair;
        var lengths = hair.Lengths;
        double lift = wish.Level.LighterThan(hair.NaturalLevel);
        double faded = lengths.Level.LighterThan(wish.Level);
        bool sameTone = lengths.Tone.SameAs(wish.Tone);
        bool atHome = Math.Abs(lift) <= Values.HomeLevels;
        bool lighterWish = lengths.Coloured && faded <= -Values.HalfLevel;
        bool grown = c.Reading.MeanRegrowth.Value >= Values.EarlyMm;
        double grey = c.Reading.DecisiveGrey.Value;
        var level = wish.Level;
        Condition home = new(atHome, "SV3", $"level {level} is {Math.Abs(lift):0.#} levels from her own; the salon does that in steps");
        Condition notLighter = new(
            !lighterWish,
            "SV4",
            $"colour cannot lighten her coloured lengths to level {level}; the salon would lift them or take colour out"
        );
        return
        [
            Say(
                Service.RootTouchUp,
                "covers what has grown out and leaves the lengths as they are",
                Cover,
                home,
                new(grown, "RD12", $"too little has grown out yet; from {Values.EarlyMm:0} mm on")
            ) with
            {
                Ways = TwoSteps(c),
            },
            Say(
                Service.RootAndRefresh,
                $"covers what has grown out and gives faded lengths back what they have lost",
                Cover,
                home,
                new(
                    !lengths.Bright && faded is >= Values.HalfLevel and <= 1 && sameTone,
                    "SV14",
                    lengths.Bright ? "root colour would paint her lightened lengths dark; a gloss of their own is kinder"
                        : !sameTone ? "another tone wants a formula of its own"
                        : faded > 1 ? "her lengths are too much lighter: say what they shall be"
                        : "her lengths have hardly faded"
                ),
                notLighter
            ),
            Say(
                Service.Gloss,
                grown
                    ? "tone and shine, no lift, gone in six to eight weeks"
                    : "between two kits: only the tone has gone, so a gloss alone freshens it until there is enough to cover",
                Soft,
                new(faded >= -Values.HalfLevel + 1e-9, "SH8", "a gloss never makes hair lighter"),
                notLighter,
                new(grey < .5 || !grown, "SV2", "a gloss only stains white hair; permanent covers it, demi blends it"),
                new(true, grown ? "SV2" : "SV20", ""),
                new(true, grown ? "SV2" : "SV8", "")
            ) with
            {
                Ways = QuickTone(c, wish),
            },
            Say(
                Service.RootAndGloss,
                "covers the roots and gives the lengths a gloss of their own; where permanent has covered once, demi or gloss is enough for the lengths",
                Cover,
                home,
                notLighter,
                new(!sameTone || lengths.Bright || faded >= Values.HalfLevel, "SV9", "her lengths have the wished tone and have hardly faded")
            ) with
            {
                Ways = TwoSteps(c),
            },
            Say(
                Service.RootShadow,
                "deeper roots melted into lighter lengths: no hard line while it grows",
                Soft,
                new Condition(
                    lengths.Level.LighterThan(hair.NaturalLevel) >= 1,
                    "SV5",
                    "her lengths are not lighter than her own level, so there is nothing to melt into"
                )
            ),
            Say(
                Service.BaseLift,
                "one to two levels of lift that soften a hard line; it warms, and a gloss is planned with it",
                Soft,
                new(lift is >= 1 and <= 2, "SV6", lift < 1 ? "the wish asks for no lift" : "more than two levels is salon work"),
                new(grey < .5, "SV7", "lift shades hardly cover white hair")
            ),
            Say(
                Service.GreyBlend,
                "softens the white without a hard line; never promised as full cover",
                Soft,
                new(grey >= Values.NoGrey, "SV7", "there is hardly any white to blend"),
                new(grey < .5 || c.House.Way<WhiteHair>() == WhiteHair.Blend, "SV7", "with so much white a blend leaves it showing; permanent covers it"),
                new(lift <= Values.HalfLevel, "DV2", "demi does not lift")
            ),
            Say(Service.Lighten, "", Soft, new Condition(false, "SA8", "lightener never goes into a kit; the salon lightens and watches it")),
        ];
    }

    /// <summary>Two steps in one sitting, where white is stubborn or showed in spite of full time (SV12, SV19).</summary>
    private static IReadOnlyList<WayOffered>? TwoSteps(Case c)
    {
        bool stubborn = c.Reading.Included.Any(z => z.Read.Resistant && z.Read.Grey.Value >= Values.TwoStepsFrom),
            shows = c.Reading.Last is { Result.Coverage: Outcome.Coverage.GreyShows };
        return !stubborn && !shows
            ? null
            :
            [
                new WayOffered(
                    How.TwoSteps,
                    "SV19",
                    $"Two steps in one sitting: permanent, rinse, then a demi of the same level and family for 10 to 20 minutes: {(shows ? "white showed last time in spite of full time" : "stubborn white of three quarters and more")}."
                ),
            ];
    }

    /// <summary>A quick tone, where the level is right and the tone is off by little (SV18).</summary>
    private static IReadOnlyList<WayOffered>? QuickTone(Case c, Wish wish)
    {
        var state = HairState.Of(c.Reading, Zone.Crown, Stretch.Lengths);
        double off = Colour.Difference2000.Between(state.Fibre.Lab, wish.Target);
        return
            state.Kind != HairKind.Lightened
            || Math.Abs(state.Level.LighterThan(wish.Level)) >= Values.HalfLevel
            || off >= Values.QuickToneBelowDeltaE
            || !state.Off(wish)
            ? null
            :
            [
                new WayOffered(
                    How.QuickTone,
                    "SV18",
                    $"A quick tone: the gloss with as much clear, one to three minutes, watched on a wiped strand. The level is right and the tone is off by {off:0.0} only."
                ),
            ];
    }

    /// <summary>Weeks until it wants doing again (SV11): opaque cover shows its line, soft colour grows out.</summary>
    private static readonly int[] Cover = [Values.CoverWeeks, Values.CoverWeeks],
        Soft = [Values.SoftWeeksFrom, Values.SoftWeeksTo];

    /// <summary>A condition, its rule, and what is said where it fails.</summary>
    private sealed record Condition(bool Holds, string Rule, string Else);

    /// <summary>A service fits when every condition holds; then all rules looked at are named, else those that failed, and why.</summary>
    private static ServiceAdvice Say(Service service, string does, int[] weeks, params Condition[] conditions)
    {
        bool fits = conditions.All(x => x.Holds);
        string says = fits ? does : string.Join("; ", conditions.Where(x => !x.Holds).Select(x => x.Else).Distinct());
        return new ServiceAdvice(service, fits, [.. conditions.Where(x => fits || !x.Holds).Select(x => x.Rule).Distinct()], says + ".", fits ? weeks : null);
    }

    /// <summary>What the line does with white hair (SV7).</summary>
    internal static void SayGrey(Case c, Line line, List<Because> why)
    {
        var grey = c.Reading.DecisiveGrey;
        if (c.Goal.Service is Service.Lighten or Service.BaseLift or Service.Gloss || grey.Value < Values.NoGrey)
        {
            return;
        }

        var school = c.House.Way<WhiteHair>();
        why.Add(
            new Because(
                "SV7",
                !line.IsPermanent
                    ? c.LineId is null && school == WhiteHair.Blend && c.Goal.Service is Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss
                        ? $"The house blends white rather than covering it, so {line.Name} is taken: soft, no hard line, faded in six to eight weeks. It is never promised as full cover."
                        : "Demi blends the white softly and fades; it is never promised as full cover."
                    : school == WhiteHair.Cover || (school == WhiteHair.ByShare && grey.Value >= .3)
                        ? "Permanent colour covers the white; the line shows again after about four weeks."
                        : "Little white or a soft wish: a blend in demi would be gentler and leave no hard line; permanent covers it.",
                Topic.Service
            )
        );
    }
}
