using System.Globalization;
using Kitto.Core.Clock;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static string Of(ClockReason reason) =>
        reason switch
        {
            OrderChosen r =>
                $"{Sentences.Begin(Of(r.Order))}: {Of(r.For)}.{string.Concat(r.Worse.Select(o => $" {Sentences.Begin(Of(o))} would miss the contact times by more."))}",
            OrderWished r => $"{Sentences.Begin(Of(r.Order))}, because you want it so. The numbers would say {Of(r.ByNumbers)}: {Of(r.For)}."
                + (
                    Math.Abs(r.WeightedMinutesMore) < .005
                        ? " Contact times are kept as well either way."
                        : $" Yours misses the contact times by {Math.Abs(r.WeightedMinutesMore):0.0#} weighted min {(r.WeightedMinutesMore > 0 ? "more" : "less")}."
                ),
            HandsNeed r => $"These hands need about {r.Times.Paint} from first to last stroke.",
            ScalpAfterGrown r =>
                $"The hair grown out is long: its grown stretch is painted first over the whole head, the scalp stretch from {r.ScalpFrom} on, because the warm scalp goes faster.",
            TimerShortened r =>
                $"The timer is shortened from {r.From} to {r.Times.Process} after the last stroke, {(r.ForScalp ? $"because the scalp stretch is warm and goes by the line's {r.LineTime}" : $"so that no zone has the colour on longer than {r.Times.LongestContact}")}.",
            TimedFromFirstStroke r => $"The house times from the first stroke; {r.Left} are left after the last one.",
            TimedFromLastStroke r =>
                $"The timer starts at the last stroke and runs {r.Times.Process}, {r.From switch
                {
                    TimeFrom.QuickTone => $"no longer than {Minutes.Of(Values.QuickToneMinutes)}, watched on a wiped strand",
                    TimeFrom.Line => "the line's time",
                    TimeFrom.StrandTest => "at which the strand came right",
                    TimeFrom.Wish => "as it was set by hand",
                    _ => throw NoWords(r),
                }}.",
            ScalpTooLong r =>
                $"The scalp stretch of the {Of(r.Zone)} has the colour on for {r.Contact}, {r.Over} more than it should: quicker hands, or fewer zones at a time, make it less.",
            ZoneTooLong r => $"The {Of(r.Zone)} would have the colour on for {r.Contact}, {r.Over} over the most it may.",
            ZoneTooShort r => $"The {Of(r.Zone)} gets {r.Contact}, {r.Short} short of what its hair wants.",
            OnlyScalpOver => "Only the scalp stretch is over its time; it is rinsed where it was painted first as soon as the timer ends.",
            NothingFits => "Nothing that was tried brings every zone within its longest time: fewer zones, or the chair.",
            RemedyWould r => Of(r) + (r.OverMinutes <= 0 ? "" : $" It still is {r.OverMinutes:0.#} min too long somewhere."),
            MixedInBowls r =>
                $"A mix works for {r.WorkingLife}; painting takes {r.Paint}. So {r.Bowls} bowls are mixed, the next one when the first is on, cut after {(r.InTwoTurns ? TurnOf(r.CutAfter) : $"the {Of(r.CutAfter.Zone)}")}.",
            LengthsGetTheirs r => $"The lengths get theirs {r.After} after the first stroke, so that all is rinsed together; the ends last.",
            FirstOnLonger r =>
                $"The {Of(r.First)} has the colour on {r.Minutes:0.#} min longer than the {Of(r.Last)}: that alone makes {r.ByClockDeltaE:0.0} of the {r.DeltaE:0.0} between them{(r.ByClockDeltaE < 2 ? ", too little to be seen as uneven" : "; a helper or another order would even it out")}.",
            _ => throw NoWords(reason),
        };

    private static string Of(RemedyWould r) =>
        r.Kind switch
        {
            RemedyKind.WorstFirst => $"Worst first takes {r.Paint}: the longest time on the hair is then {r.Longest}.",
            RemedyKind.Helper => $"With a helper it takes about {r.Paint}, and the longest time on the hair is {r.Longest}: ask whether someone can.",
            RemedyKind.Halves => $"One half of the head one day, the other the next: about {r.Paint} of painting each, {r.Longest} at most on the hair.",
            RemedyKind.EarlyHalf =>
                $"The half painted first is rinsed first, {r.Earlier} before the rest, if the rest can be kept dry: {r.Longest} at most on the hair.",
            _ => throw NoWords(r),
        };

    private static IReadOnlyList<Used>? NumbersOf(ClockReason reason) =>
        reason switch
        {
            HandsNeed r => Times(r.Times),
            TimerShortened r => Times(r.Times),
            TimedFromLastStroke r => Times(r.Times),
            _ => null,
        };

    private static IReadOnlyList<Used> Times(ClockTimes t) =>
        [
            new("first to last stroke", t.Paint.Value, "min"),
            new("after the last stroke", t.Process.Value, "min"),
            new("the line's shortest", t.LineShortest.Value, "min"),
            new("its longest", t.LineLongest.Value, "min"),
            new("longest contact", t.LongestContact.Value, "min"),
            new("rinse", t.Rinse.Value, "min"),
        ];

    private static string Of(OrderFor what) =>
        what switch
        {
            OrderFor.WhiteIsTheReason => "white or resistant hair is the reason for this kit, so it gets the colour first",
            OrderFor.HouseStartsAtBack => "the house always starts at the back",
            OrderFor.Lift => "lift starts at the back, because the front is warmer and goes faster",
            OrderFor.Deep => "below level 7 the back comes first, so that the front does not go too dark",
            OrderFor.Light => "from level 7 up the front comes first, because light shades need longer to take",
            _ => throw NoWords(what),
        };

    private static string Of(PlanReason reason) =>
        reason switch
        {
            TestsDoNotFit r =>
                $"The tests do not fit before {Day(r.WantBy)}.{(r.First is { } first ? $" The first day that can be met is {Day(first)}." : " No post leaves often enough for filled sachets to keep.")}",
            Planned r =>
                $"Posted {Day(r.Post)}, there {Day(r.Arrives)}: the skin test is watched for {Values.SkinTestHours} hours before the strand test on {Day(r.Strand)} and the colour on {Day(r.Colour)}.",
            PostInReserve r => $"If that post is missed, {Day(r.Post)} still leaves time for both tests.",
            NoPostInReserve => "There is no later post day in reserve: if this one is missed, the day cannot be kept.",
            RegrowthShows r =>
                $"{(r.Measured == 0 ? "Hair grows about" : $"Measured {(r.Measured == 1 ? "once" : $"{r.Measured} times")}, this hair grows")} {r.RateMmPerMonth:0.0} mm a month: {r.LimitMm:0} mm, which show on {r.On switch
                {
                    ShowsOn.Contrast => "such a contrast",
                    ShowsOn.SoftLine => "so soft a line",
                    ShowsOn.LittleContrast => "so little contrast",
                    _ => throw NoWords(r),
                }}, are there {r.InDays} days after the colour ({r.EarliestInDays} to {r.LatestInDays}){(r.DueOn is { } on ? $", about {Day(on)}." : ".")}",
            FadesIn { Weeks: { } weeks } => $"Dye leaves with washes: in about {weeks} week{(weeks == 1 ? "" : "s")} this looks plainly faded.",
            FadesIn => "It changes so little that its fading will not be seen: shine and tone last six to eight weeks.",
            _ => throw NoWords(reason),
        };

    private static string Day(DateOnly date) => date.ToString("ddd d MMM yyyy", CultureInfo.InvariantCulture);
}
