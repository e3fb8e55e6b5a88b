namespace Kitto.Core.Reasons;

/// <summary>Why the next formula is what it is: what last time says.</summary>
internal abstract record OutcomeReason(string Rule) : Reason(Rule, Topic.Shade);

/// <summary>The same as a kit of so many days ago; null: last time.</summary>
internal sealed record SameAsBefore(int? DaysAgo) : OutcomeReason("SH1");

internal sealed record ReportAsks(int? DaysAgo, MixStep Step) : OutcomeReason(Step.Rule);

internal sealed record OneAtATime() : OutcomeReason("OU1");

/// <summary>What a strand asks for, looked at after so many minutes.</summary>
internal sealed record StrandAsks(double AfterMinutes, MixStep Step) : OutcomeReason(Step.Rule);

internal sealed record StrandSetsTime(double AfterMinutes, double ToMinutes) : OutcomeReason("SA12");

internal sealed record StrandStaysLonger(double AfterMinutes, Minutes UpTo) : OutcomeReason("TM1");

internal sealed record StrandComesSooner(double AfterMinutes, double ToMinutes) : OutcomeReason("TM1");

internal sealed record StrandWantsFullTime(double AfterMinutes, Minutes Time) : OutcomeReason("TM1");

/// <summary>What one known step does to a mix.</summary>
internal enum MixStepKind
{
    CameRight,
    WhiteToPlain,
    WhiteToCover,
    WhiteNoStepLeft,
    PatchesNotShade,
    WarmAndLight,
    TooDark,
    TooLight,
    TooWarm,
    TooCool,
    GreenCast,
    NoStep,
}

/// <summary>A step of a formula: its rule, the shade that gives way, the shade that comes.</summary>
internal sealed record MixStep(string Rule, MixStepKind Kind, string From = "", string To = "") : Saying;

/// <summary>Why a service does not fit.</summary>
internal enum UnfitFor
{
    TooFarFromNatural,
    CannotLighten,
    TooLittleGrown,
    BrightWouldGoDark,
    OtherTone,
    FadedTooMuch,
    HardlyFaded,
    GlossNotLighter,
    GlossOnlyStains,
    LengthsAreRight,
    NothingToMeltInto,
    NoLiftAsked,
    LiftTooFar,
    LiftHardlyCovers,
    NoWhiteToBlend,
    BlendLeavesWhite,
    DemiDoesNotLift,
    LightenerStaysInSalon,
}

/// <summary>Why a service does not fit, with the level wished and how many levels it is off.</summary>
internal sealed record Unfit(UnfitFor For, Level Wish, double Levels) : Saying;

/// <summary>What a service would do; a gloss does another thing where enough has grown.</summary>
internal sealed record ServiceDoes(Service Service, bool Grown) : Saying;

internal sealed record TwoStepsOffered(bool WhiteShowed) : Saying;

internal sealed record QuickToneOffered(double DeltaE) : Saying;
