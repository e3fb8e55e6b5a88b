using Kitto.Core.Clock;
using Kitto.Core.Head;

namespace Kitto.Core.Reasons;

/// <summary>Why this order and these times. Times in minutes.</summary>
internal abstract record ClockReason(string Rule, Topic About) : Reason(Rule, About);

/// <summary>Why an order may be used.</summary>
internal enum OrderFor
{
    WhiteIsTheReason,
    HouseStartsAtBack,
    Lift,
    Deep,
    Light,
}

/// <summary>The times a clock was set by.</summary>
internal readonly record struct ClockTimes(Minutes Paint, Minutes Process, Minutes LineShortest, Minutes LineLongest, Minutes LongestContact, Minutes Rinse);

internal sealed record OrderChosen(PaintOrder Order, OrderFor For, IReadOnlyList<PaintOrder> Worse) : ClockReason("TM5", Topic.Clock);

internal sealed record OrderWished(PaintOrder Order, PaintOrder ByNumbers, OrderFor For, double WeightedMinutesMore) : ClockReason("TM5", Topic.Clock);

internal sealed record HandsNeed(ClockTimes Times) : ClockReason("TM7", Topic.Clock);

internal sealed record ScalpAfterGrown(Minutes ScalpFrom) : ClockReason("TM6", Topic.Clock);

/// <summary>A shortened timer; for the scalp stretch it goes by the line's own time, else by the longest contact.</summary>
internal sealed record TimerShortened(Minutes From, Minutes LineTime, bool ForScalp, ClockTimes Times) : ClockReason("TM8", Topic.Clock);

internal sealed record TimedFromFirstStroke(Minutes Left) : ClockReason("TM2", Topic.Clock);

/// <summary>Where the time after the last stroke comes from.</summary>
internal enum TimeFrom
{
    QuickTone,
    Line,
    StrandTest,
    Wish,
}

internal sealed record TimedFromLastStroke(TimeFrom From, ClockTimes Times) : ClockReason("TM2", Topic.Clock);

internal sealed record ScalpTooLong(Zone Zone, Minutes Contact, Minutes Over) : ClockReason("TM6", Topic.Attention);

internal sealed record ZoneTooLong(Zone Zone, Minutes Contact, Minutes Over) : ClockReason("TM8", Topic.Clock);

internal sealed record ZoneTooShort(Zone Zone, Minutes Contact, Minutes Short) : ClockReason("TM1", Topic.Clock);

internal sealed record OnlyScalpOver() : ClockReason("TM6", Topic.Clock);

internal sealed record NothingFits() : ClockReason("TM8", Topic.Clock);

/// <summary>What a remedy would come to: painting time, longest time on the hair, and by how much a zone would still be over.</summary>
internal sealed record RemedyWould(RemedyKind Kind, Minutes Paint, Minutes Longest, Minutes Earlier, double OverMinutes)
    : ClockReason(Remedies.Rule(Kind), Topic.Clock);

internal sealed record MixedInBowls(Minutes WorkingLife, Minutes Paint, int Bowls, Stroke CutAfter, bool InTwoTurns) : ClockReason("AP8", Topic.Clock);

internal sealed record LengthsGetTheirs(Minutes After) : ClockReason("TM4", Topic.Clock);

internal sealed record FirstOnLonger(Zone First, Zone Last, double Minutes, double ByClockDeltaE, double DeltaE) : ClockReason("TM7", Topic.Clock);

/// <summary>Why the days are these.</summary>
internal abstract record PlanReason(string Rule, Topic About) : Reason(Rule, About);

internal sealed record TestsDoNotFit(DateOnly WantBy, DateOnly? First) : PlanReason("SA5", Topic.Plan);

internal sealed record Planned(DateOnly Post, DateOnly Arrives, DateOnly Strand, DateOnly Colour) : PlanReason("SA5", Topic.Plan);

internal sealed record PostInReserve(DateOnly Post) : PlanReason("SA5", Topic.Plan);

internal sealed record NoPostInReserve() : PlanReason("SA5", Topic.Plan);

/// <summary>What regrowth shows against.</summary>
internal enum ShowsOn
{
    Contrast,
    SoftLine,
    LittleContrast,
}

internal sealed record RegrowthShows(
    int Measured,
    double RateMmPerMonth,
    double LimitMm,
    ShowsOn On,
    int InDays,
    int EarliestInDays,
    int LatestInDays,
    DateOnly? DueOn
) : PlanReason("SV11", Topic.Plan);

/// <summary>Weeks until it looks plainly faded; null where its fading is not seen.</summary>
internal sealed record FadesIn(int? Weeks) : PlanReason("RD9", Topic.Colour);
