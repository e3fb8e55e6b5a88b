using Kitto.Core.Head;
using Kitto.Core.Reasons;
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
        Condition home = new(atHome, "SV3", UnfitFor.TooFarFromNatural);
        Condition notLighter = new(!lighterWish, "SV4", UnfitFor.CannotLighten);
        ServiceAdvice Say(Service service, int[] weeks, params Condition[] conditions) => On(service, grown, c.House, wish, Math.Abs(lift), weeks, conditions);
        return
        [
            Say(Service.RootTouchUp, Cover, home, new(grown, "RD12", UnfitFor.TooLittleGrown)) with
            {
                Ways = TwoSteps(c),
            },
            Say(
                Service.RootAndRefresh,
                Cover,
                home,
                new(
                    !lengths.Bright && faded is >= Values.HalfLevel and <= 1 && sameTone,
                    "SV14",
                    lengths.Bright ? UnfitFor.BrightWouldGoDark
                        : !sameTone ? UnfitFor.OtherTone
                        : faded > 1 ? UnfitFor.FadedTooMuch
                        : UnfitFor.HardlyFaded
                ),
                notLighter
            ),
            Say(
                Service.Gloss,
                Soft,
                new(faded >= -Values.HalfLevel + 1e-9, "SH8", UnfitFor.GlossNotLighter),
                notLighter,
                new(grey < .5 || !grown, "SV2", UnfitFor.GlossOnlyStains),
                new(true, grown ? "SV2" : "SV20", default),
                new(true, grown ? "SV2" : "SV8", default)
            ) with
            {
                Ways = QuickTone(c, wish),
            },
            Say(
                Service.RootAndGloss,
                Cover,
                home,
                notLighter,
                new(!sameTone || lengths.Bright || faded >= Values.HalfLevel, "SV9", UnfitFor.LengthsAreRight)
            ) with
            {
                Ways = TwoSteps(c),
            },
            Say(Service.RootShadow, Soft, new Condition(lengths.Level.LighterThan(hair.NaturalLevel) >= 1, "SV5", UnfitFor.NothingToMeltInto)),
            Say(
                Service.BaseLift,
                Soft,
                new(lift is >= 1 and <= 2, "SV6", lift < 1 ? UnfitFor.NoLiftAsked : UnfitFor.LiftTooFar),
                new(grey < .5, "SV7", UnfitFor.LiftHardlyCovers)
            ),
            Say(
                Service.GreyBlend,
                Soft,
                new(grey >= Values.NoGrey, "SV7", UnfitFor.NoWhiteToBlend),
                new(grey < .5 || c.House.Way<WhiteHair>() == WhiteHair.Blend, "SV7", UnfitFor.BlendLeavesWhite),
                new(lift <= Values.HalfLevel, "DV2", UnfitFor.DemiDoesNotLift)
            ),
            Say(Service.Lighten, Soft, new Condition(false, "SA8", UnfitFor.LightenerStaysInSalon)),
        ];
    }

    /// <summary>Two steps in one sitting, where white is stubborn or showed in spite of full time (SV12, SV19).</summary>
    private static IReadOnlyList<WayOffered>? TwoSteps(Case c)
    {
        bool stubborn = c.Reading.Included.Any(z => z.Read.Resistant && z.Read.Grey.Value >= Values.TwoStepsFrom),
            shows = c.Reading.Last is { Result.Coverage: Outcome.Coverage.GreyShows };
        return !stubborn && !shows ? null : [new WayOffered(How.TwoSteps, "SV19", c.House.Language.Says(new TwoStepsOffered(shows)))];
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
            : [new WayOffered(How.QuickTone, "SV18", c.House.Language.Says(new QuickToneOffered(off)))];
    }

    /// <summary>Weeks until it wants doing again (SV11): opaque cover shows its line, soft colour grows out.</summary>
    private static readonly int[] Cover = [Values.CoverWeeks, Values.CoverWeeks],
        Soft = [Values.SoftWeeksFrom, Values.SoftWeeksTo];

    /// <summary>A condition, its rule, and why the service does not fit where it fails.</summary>
    private sealed record Condition(bool Holds, string Rule, UnfitFor Else);

    /// <summary>A service fits when every condition holds; then all rules looked at are named, else those that failed, and why.</summary>
    private static ServiceAdvice On(Service service, bool grown, House house, Wish wish, double levels, int[] weeks, Condition[] conditions)
    {
        var failed = conditions.Where(x => !x.Holds).ToList();
        bool fits = failed.Count == 0;
        IEnumerable<string> says = fits
            ? [house.Language.Says(new ServiceDoes(service, grown))]
            : failed.Select(x => house.Language.Says(new Unfit(x.Else, wish.Level, levels)));
        return new ServiceAdvice(
            service,
            fits,
            [.. conditions.Where(x => fits || !x.Holds).Select(x => x.Rule).Distinct()],
            string.Join("; ", says.Distinct()) + ".",
            fits ? weeks : null
        );
    }

    /// <summary>What the line does with white hair (SV7).</summary>
    internal static void SayGrey(Case c, Line line, List<Reason> why)
    {
        var grey = c.Reading.DecisiveGrey;
        if (c.Goal.Service is Service.Lighten or Service.BaseLift or Service.Gloss || grey.Value < Values.NoGrey)
        {
            return;
        }

        var school = c.House.Way<WhiteHair>();
        why.Add(
            line.IsPermanent
                ? school == WhiteHair.Cover || (school == WhiteHair.ByShare && grey.Value >= .3)
                    ? new PermanentCovers()
                    : new DemiWouldBeGentler()
                : c.LineId is null && school == WhiteHair.Blend && c.Goal.Service is Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss
                    ? new BlendedNotCovered(line.Name)
                    : new DemiBlendsWhite()
        );
    }
}
