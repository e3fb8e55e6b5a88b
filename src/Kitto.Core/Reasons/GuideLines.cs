using Kitto.Core.Head;

namespace Kitto.Core.Reasons;

/// <summary>What is said to a client in the guide.</summary>
internal abstract record GuideLine : Saying;

/// <summary>A line or a title that holds no fact of this kit.</summary>
internal enum Tells
{
    // titles
    GetReady,
    SoftenTheWhite,
    LookAndWait,
    CombItThrough,
    NowTheLengths,
    Rinse,
    SecondStep,
    GlossOnBand,
    GlossOnLengths,
    RinseSecondStep,
    RinseGloss,
    Afterwards,

    // emergency
    RinseNow,
    RinsedAlready,
    WashTheSpot,
    DoNotColourAgain,
    InTheEye,
    SeeADoctor,

    // ticked one by one before anything is mixed
    CheckWindow,
    CheckChildren,
    CheckFlames,
    CheckLenses,
    CheckJewellery,
    CheckMetal,
    CheckBrows,
    CheckGloves,

    // what is in the box
    BoxTestSachets,
    BoxVial,
    BoxBowlAndBottle,
    BoxBowl,
    BoxBottle,
    BoxGlovesAndCape,
    BoxBudsAndCard,
    ProductComesFirst,

    // the skin test and the strand test
    TestGloves,
    KeepSpotDry,
    AnythingMeansStop,
    ClearIsNoPromise,
    StrandMix,
    StrandChoose,
    StrandRinse,
    StrandPull,

    // getting ready
    LayOut,
    WashAndDry,
    WashedYesterday,
    DampAndUnwashed,
    DryAndUnwashed,
    BarrierCream,
    NothingOnLengths,
    ConditionerOnLengths,
    FrameStaysBright,
    PartInFour,

    // stubborn white
    OpenTheVial,
    LeaveTenMinutes,
    LeaveAndGoOn,

    // mixing
    StirSmooth,
    ShakeEven,

    // painting
    RootToEnd,
    ScalpStretch,
    BeginOffTheScalp,
    UpToWhatIsOn,
    StopBeforeColoured,
    EnoughOnEveryHair,
    WhiteHere,
    SlantPartings,
    CombToTheEnd,
    CombNewHair,
    CombTheRoot,

    // waiting
    CoverDryHair,
    OpenOtherWay,
    WipeDrips,
    WipeEveryHalfMinute,
    WipeEveryFewMinutes,
    RootsLifted,
    LooksDarker,

    // the lengths, the second step, the gloss
    CombThroughTheRest,
    StirInConditioner,
    WorkWhatIsLeft,
    CombOnce,
    PaintSameHair,
    BandOnly,
    GlossThrough,
    MixSecondPair,
    UseAll,

    // rinsing
    ColourTakesStain,
    ShampooOnceCondition,
    ShampooTowelDry,
    ShampooTwiceCondition,
    RinseLukewarm,

    // afterwards
    KeepNothing,
    WeighWhatIsLeft,
    WaitWithShampoo,
    JudgeTomorrow,
    TintedShampoo,
    WhiterStaysLighter,
}

internal sealed record Tell(Tells What) : GuideLine;

/// <summary>A pair in the box; the use is named where there are several formulas.</summary>
internal sealed record BoxPair(FormulaUse? Use, string Pair) : GuideLine;

/// <summary>The local number to call when somebody cannot breathe.</summary>
internal sealed record CallAmbulance(string Number) : GuideLine;

/// <summary>Which sachet a skin test is done with: what its label says, and the colour range.</summary>
internal sealed record OpenSkinSachet(FormulaUse Use, string Line) : GuideLine;

/// <summary>Where a skin test goes: the first behind the left ear, a second behind the right one, a third on the arm.</summary>
internal sealed record DabOnSkin(int Place) : GuideLine;

internal sealed record WatchTheSpot() : GuideLine;

/// <summary>When to look at the strand: first after, and up to, minutes.</summary>
internal sealed record LookAtStrand(double FirstMinutes, double MostMinutes) : GuideLine;

internal sealed record DabOn(IReadOnlyList<Zone> Zones) : GuideLine;

internal sealed record MixThe(string Pair, FormulaUse? Use) : GuideLine;

internal sealed record EmptyBoth(string Pair, FormulaUse Use, bool Bowl) : GuideLine;

internal sealed record StartAtOnce(double WorksForMinutes, bool KeepReserve) : GuideLine;

/// <summary>A zone as a title, and which of its two turns.</summary>
internal sealed record AtZone(Zone Zone, Turns Turn) : GuideLine;

/// <summary>Which turn at a zone.</summary>
internal enum Turns
{
    Only,
    Grown,
    Scalp,
}

/// <summary>Where a gloss is worked in first; through to the ends, or kept there.</summary>
internal sealed record WorkIn(bool OnBand, bool Through) : GuideLine;

internal sealed record Partings(bool Wide, bool UndersideFirst) : GuideLine;

internal sealed record Feather(double Mm, bool OverBand) : GuideLine;

internal sealed record RinseClear(bool CoolLast) : GuideLine;

internal sealed record EndsLast() : GuideLine;

internal sealed record TowelDried(GuideLine Then) : GuideLine;
