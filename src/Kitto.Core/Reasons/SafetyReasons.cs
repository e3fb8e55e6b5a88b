using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Reasons;

/// <summary>No colour, whatever else.</summary>
internal abstract record StopReason(string Rule) : Reason(Rule, Topic.Stop);

internal sealed record ReactionBefore() : StopReason("SA1");

internal sealed record BlackHenna() : StopReason("SA1");

internal sealed record SkinTestReacted() : StopReason("SA1");

/// <summary>A reaction, with what was said of it, as it was said.</summary>
internal sealed record ReactionReported(string Said) : StopReason("SA1");

internal sealed record KitWasStopped() : StopReason("SA1");

/// <summary>A stop that stands in the record, in the words that were written down with it.</summary>
internal sealed record StopOnRecord(string By, string Said) : StopReason(By);

internal sealed record TooYoung(int Age) : StopReason("SA2");

internal sealed record ScalpNotWell(Scalp Scalp) : StopReason("SA3");

internal sealed record HealsFirst(string Condition) : StopReason("SA3");

/// <summary>Henna or metallic dye that can still be on the hair; when it was put on, and what slow hair has grown since.</summary>
internal sealed record MetalSalts(bool Henna, int? DaysAgo, double GrownCm, double LengthCm) : StopReason("SA4");

internal sealed record LockReacted() : StopReason("SA4");

internal sealed record StrandDamaged() : StopReason("SA6");

internal sealed record StraightenedLately(int DaysAgo) : StopReason("SA9");

internal sealed record HairShows(string Condition) : StopReason("SA9");

/// <summary>Only in the salon.</summary>
internal abstract record SalonReason(string Rule) : Reason(Rule, Topic.Salon);

internal sealed record LightenerInTheChair() : SalonReason("SA8");

internal sealed record TooStrongForKit(Volume Volume) : SalonReason("SA7");

internal sealed record NotPosted(Volume Volume) : SalonReason("SA11");

internal sealed record TooFarFromNatural(Level Wish, double Levels, Level Natural) : SalonReason("SV3");

internal sealed record LiftWantsMore(double Levels) : SalonReason("DV4");

internal sealed record RootsStillWarm(Level At, Level Wish) : SalonReason("SH9");

internal sealed record RedWantsPushing(double Levels) : SalonReason("SH12");

internal sealed record TooDeepOnLengths(Level Wish, Level Lengths) : SalonReason("SV3");

internal sealed record ColouredNotLightened(Level Lengths, Level Wish) : SalonReason("SV4");

internal sealed record LengthsStillWarm(Level At, Level Wish) : SalonReason("SH9");

/// <summary>Said aloud and acknowledged, though a kit is allowed.</summary>
/// <param name="Rule">Id of the rule.</param>
internal abstract record CautionReason(string Rule) : Reason(Rule, Topic.Caution)
{
    /// <summary>Said to everyone, or only a second look: it stands after what was decided.</summary>
    public virtual bool Later => false;
}

internal sealed record AskDoctorFirst() : CautionReason("SA20");

/// <summary>What is on record that a colourist decides on, by the names of the conditions.</summary>
internal sealed record OnRecord(IReadOnlyList<string> Conditions) : CautionReason("SA21");

internal sealed record SeesOrReadsPoorly() : CautionReason("SA24");

internal sealed record AloneFirstTime() : CautionReason("SA24");

internal sealed record LengthsUncertain() : CautionReason("SA4");

internal sealed record CutOffSince(Treatment What, int DaysAgo, double GrownCm, double LengthCm) : CautionReason("SA4");

internal sealed record TooShortToStayInside(double RegrowthMm, int Days, double LimitMm) : CautionReason("RD12");

internal sealed record BackGrownLonger(double BackMm, double FrontMm) : CautionReason("RD6")
{
    public override bool Later => true;
}

internal sealed record WhiteReadAlike(Share White) : CautionReason("RD3")
{
    public override bool Later => true;
}

internal sealed record GrowthDoesNotFit(bool Measured, double RateMmPerMonth, int Days, double ExpectedMm, double SeenMm) : CautionReason("RD5");

internal sealed record WishFarFromNatural() : CautionReason("SH11");

/// <summary>What is said to everyone, every time.</summary>
internal abstract record EverydayCaution(string Rule) : CautionReason(Rule)
{
    public override bool Later => true;
}

internal sealed record AirTheRoom() : EverydayCaution("SA22");

internal sealed record KeepFromChildren() : EverydayCaution("SA23");

internal sealed record NeverOnBrows() : EverydayCaution("SA10");

/// <summary>Where the skin and the strand test stand.</summary>
internal abstract record TestReason(string Rule) : Reason(Rule, Topic.Tests);

internal sealed record SkinCameClear(int DaysAgo) : TestReason("SA5");

/// <summary>Why the last skin test does not count.</summary>
internal enum SkinMissing
{
    NoneOnRecord,
    NotWatched,
    TooOld,
    OtherLine,
    SomethingNew,
}

/// <summary>A skin test that is wanted; the age and the limit in days, the lines not tested, or the condition that is new.</summary>
internal sealed record SkinWanted(bool Kit, SkinMissing Missing, int AgeDays, int LimitDays, IReadOnlyList<string> Lines, string? New) : TestReason("SA5");

internal sealed record StrandCameRight(double? Minutes) : TestReason("SA12");

internal sealed record StrandCameOut(StrandResult Result) : TestReason("SA12");

internal sealed record StrandWanted(bool FirstKit, bool Kit) : TestReason("SA12");

internal sealed record StrandOffered() : TestReason("SA12");

internal sealed record WhiteTouchedFirst(bool TenMinutes) : TestReason("AP9");

internal sealed record KitIsOver(bool Reported, bool Cancelled = false) : TestReason("SA5");

internal sealed record KitNotPosted() : TestReason("SA5");

internal sealed record SkinLocks(SkinStage Stage, int LimitDays) : TestReason("SA5");

/// <summary>Why the strand locks: it waits for the colourist, it was never done, or it is done again.</summary>
internal sealed record StrandLocks(bool Waits, bool Never) : TestReason("SA12");
