using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static string Of(OutcomeReason reason) =>
        reason switch
        {
            SameAsBefore r => $"The same shades in the same shares as {Before(r.DaysAgo)} give the same result.",
            ReportAsks r => $"The report on {Before(r.DaysAgo)}: {Of(r.Step)}",
            OneAtATime => "More than one thing was not right; one is changed at a time, the rest is looked at next time.",
            StrandAsks r => $"The strand at {r.AfterMinutes:0} min: {Of(r.Step)}",
            StrandSetsTime r =>
                $"Right after {r.AfterMinutes:0} min: the time is set to {r.ToMinutes:0} min{(r.ToMinutes > r.AfterMinutes ? ", the least the line allows" : r.ToMinutes < r.AfterMinutes ? ", the most the line allows" : "")}.",
            StrandStaysLonger r => $"Too light after {r.AfterMinutes:0} min: the same mix stays on longer, up to {r.UpTo}.",
            StrandComesSooner r => $"Too dark after {r.AfterMinutes:0} min: the same mix comes off sooner, after {r.ToMinutes:0} min.",
            StrandWantsFullTime r => $"White shows after {r.AfterMinutes:0} min: white wants the full {r.Time}, softened first.",
            _ => throw NoWords(reason),
        };

    private static string Before(int? daysAgo) => daysAgo is { } days ? $"the kit of {days} days ago" : "last time";

    private static string Of(MixStep s) =>
        s.Kind switch
        {
            MixStepKind.CameRight => "it came out right, so shades and shares stay as they were.",
            MixStepKind.WhiteToPlain => $"white hair showed, so a step of {s.From} becomes {s.To}, the white is softened first and gets the full time.",
            MixStepKind.WhiteToCover => $"white hair showed, so {s.To} takes a step of {s.From}, the white is softened first and gets the full time.",
            MixStepKind.WhiteNoStepLeft => "white hair showed: the mix is as neutral as it can be, so the white is softened first and gets the full time.",
            MixStepKind.PatchesNotShade => "patches want thinner partings, enough on the brush and a helper, not another shade.",
            MixStepKind.WarmAndLight =>
                $"roots lighter and warmer than the lengths, so half a step deeper: {s.To} joins {s.From}; a weaker developer would do it too.",
            MixStepKind.TooDark => $"too dark, so half a step lighter: {s.To} joins {s.From}.",
            MixStepKind.TooLight => $"too light, so half a step deeper: {s.To} joins {s.From}.",
            MixStepKind.TooWarm => $"too warm, so {Parts.Say(Values.ToneStep)} of its opposite, {s.To}, goes in.",
            MixStepKind.TooCool => $"too cool, so {Parts.Say(Values.ToneStep)} of {s.To} goes in.",
            MixStepKind.GreenCast => $"a green cast, so {Parts.Say(Values.ToneStep)} of {s.To} goes in. If it was more than slight, the salon puts it right.",
            MixStepKind.NoStep => "this line has no step for the change; the formula stays, and a colourist decides.",
            _ => throw NoWords(s),
        };

    private static string Of(ServiceDoes r) =>
        r.Service switch
        {
            Service.RootTouchUp => "covers what has grown out and leaves the lengths as they are",
            Service.RootAndRefresh => "covers what has grown out and gives faded lengths back what they have lost",
            Service.Gloss when r.Grown => "tone and shine, no lift, gone in six to eight weeks",
            Service.Gloss => "between two kits: only the tone has gone, so a gloss alone freshens it until there is enough to cover",
            Service.RootAndGloss =>
                "covers the roots and gives the lengths a gloss of their own; where permanent has covered once, demi or gloss is enough for the lengths",
            Service.RootShadow => "deeper roots melted into lighter lengths: no hard line while it grows",
            Service.BaseLift => "one to two levels of lift that soften a hard line; it warms, and a gloss is planned with it",
            Service.GreyBlend => "softens the white without a hard line; never promised as full cover",
            Service.Lighten => "",
            _ => throw NoWords(r),
        };

    private static string Of(Unfit r) =>
        r.For switch
        {
            UnfitFor.TooFarFromNatural => $"level {r.Wish} is {r.Levels:0.#} levels from the natural level; the salon does that in steps",
            UnfitFor.CannotLighten => $"colour cannot lighten coloured lengths to level {r.Wish}; the salon would lift them or take colour out",
            UnfitFor.TooLittleGrown => $"too little has grown out yet; from {Values.EarlyMm:0} mm on",
            UnfitFor.BrightWouldGoDark => "root colour would paint lightened lengths dark; a gloss of their own is kinder",
            UnfitFor.OtherTone => "another tone wants a formula of its own",
            UnfitFor.FadedTooMuch => "the lengths are too much lighter: say what they shall be",
            UnfitFor.HardlyFaded => "the lengths have hardly faded",
            UnfitFor.GlossNotLighter => "a gloss never makes hair lighter",
            UnfitFor.GlossOnlyStains => "a gloss only stains white hair; permanent covers it, demi blends it",
            UnfitFor.LengthsAreRight => "the lengths have the wished tone and have hardly faded",
            UnfitFor.NothingToMeltInto => "the lengths are not lighter than the natural level, so there is nothing to melt into",
            UnfitFor.NoLiftAsked => "the wish asks for no lift",
            UnfitFor.LiftTooFar => "more than two levels is salon work",
            UnfitFor.LiftHardlyCovers => "lift shades hardly cover white hair",
            UnfitFor.NoWhiteToBlend => "there is hardly any white to blend",
            UnfitFor.BlendLeavesWhite => "with so much white a blend leaves it showing; permanent covers it",
            UnfitFor.DemiDoesNotLift => "demi does not lift",
            UnfitFor.LightenerStaysInSalon => "lightener never goes into a kit; the salon lightens and watches it",
            _ => throw NoWords(r),
        };
}
