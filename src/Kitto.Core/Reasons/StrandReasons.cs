using Kitto.Core.Shade;
using Kitto.Core.Strand;

namespace Kitto.Core.Reasons;

/// <summary>Why a stretch of the strand gets what it gets. Levels in levels.</summary>
internal abstract record StrandReason(string Rule, Topic About) : Reason(Rule, About);

internal sealed record LengthsClearAsWished() : StrandReason("SV13", Topic.Lengths);

internal sealed record LengthsPulledAsWished(Level Level, Tone Tone) : StrandReason("SV13", Topic.Lengths);

internal sealed record LengthsOwnWish(Level Level, Tone Tone) : StrandReason("SV13", Topic.Lengths);

internal sealed record BrightGetClear() : StrandReason("SV15", Topic.Lengths);

internal sealed record RightGetClear() : StrandReason("SV15", Topic.Lengths);

internal sealed record OtherToneGetsClear(Tone Tone) : StrandReason("SV15", Topic.Lengths);

internal sealed record HalfALevelBack(double FadedLevels, double BackTo) : StrandReason("SV15", Topic.Lengths);

internal sealed record FadedGetTheirsBack(double FadedLevels) : StrandReason("SV15", Topic.Lengths);

internal sealed record NothingToFreshen(Level Lengths, Level Wish) : StrandReason("SV9", Topic.Lengths);

internal sealed record HouseLeavesLengths() : StrandReason("SV9", Topic.Lengths);

internal sealed record HouseOwnFormula() : StrandReason("SV9", Topic.Lengths);

internal sealed record HouseDilutes() : StrandReason("SV9", Topic.Lengths);

internal sealed record PorousGetDiluted(double FadedLevels) : StrandReason("SV9", Topic.Lengths);

internal sealed record FadedPulledThrough(double FadedLevels) : StrandReason("SV9", Topic.Lengths);

internal sealed record FadedLeftAlone(double FadedLevels) : StrandReason("SV9", Topic.Lengths);

internal sealed record LengthsUnderMask() : StrandReason("SV9", Topic.Lengths);

internal sealed record LengthsLeftAlone() : StrandReason("SV9", Topic.Lengths);

internal sealed record BrightNotRefreshed() : StrandReason("SV14", Topic.Attention);

internal sealed record OtherToneNotRefreshed(Tone Lengths, Tone Roots) : StrandReason("SV14", Topic.Attention);

internal sealed record TooFadedToRefresh(double Levels) : StrandReason("SV14", Topic.Attention);

internal sealed record TwoStepsInOne(string Line) : StrandReason("SV19", Topic.Service);

internal sealed record NoClearInStock() : StrandReason("SH24", Topic.Attention);

/// <summary>What a band gets that has no gloss of its own.</summary>
internal enum BandGets
{
    ShadowTail,
    NoLift,
    LightenerUpToIt,
    SameGloss,
    PulledThrough,
    Nothing,
}

internal sealed record BandGetsThat(BandGets What) : StrandReason("RD11", Topic.Lengths);

internal sealed record BandOwnGloss(Level Level, Tone Tone, Level Wish, Tone WishTone, Level At) : StrandReason("SV17", Topic.Lengths);

internal sealed record NothingOff(Level Level, Tone Tone) : StrandReason("SH24", Topic.Lengths);

internal sealed record NotOneMix(IReadOnlyList<(IReadOnlyList<Stretch> On, Level Level)> Mixes) : StrandReason("SV17", Topic.Lengths);

internal sealed record GlossForWhatIsOff(IReadOnlyList<Stretch> Off) : StrandReason("SV17", Topic.Lengths);

internal sealed record GlossFirstWhereFurthest(IReadOnlyList<Stretch> First, Level Level, Tone Tone) : StrandReason("SV17", Topic.Lengths);

internal sealed record ShadowLies(double Level, double DeeperLevels, Millimetres TailFront, Millimetres TailBack) : StrandReason("SV5", Topic.Shade);

internal sealed record ShadowReadsBadly(double Level, double DeeperLevels, double BelowNatural) : StrandReason("SV5", Topic.Shade);

internal sealed record BlendedNotCovered(string Line) : StrandReason("SV7", Topic.Service);

internal sealed record DemiBlendsWhite() : StrandReason("SV7", Topic.Service);

internal sealed record PermanentCovers() : StrandReason("SV7", Topic.Service);

internal sealed record DemiWouldBeGentler() : StrandReason("SV7", Topic.Service);

internal sealed record DecidedInSpite(string By, string Reason, string Person, DateOnly On) : StrandReason(By, Topic.Hers);

internal sealed record DecidedOtherwise(string By, string Way, string House, string Reason, string Person, DateOnly On) : StrandReason(By, Topic.Hers);
