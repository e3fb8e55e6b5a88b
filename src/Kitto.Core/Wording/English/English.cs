using System.Globalization;
using Kitto.Core.Reasons;

namespace Kitto.Core.Wording;

/// <summary>English, an area a file.</summary>
internal sealed partial class English : Language
{
    /// <inheritdoc/>
    public override string Tag => "en";

    /// <inheritdoc/>
    public override string Name => "English";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Months { get; } = CultureInfo.InvariantCulture.DateTimeFormat.MonthNames[..12];

    /// <inheritdoc/>
    public override string Day(DateOnly day, bool weekday = true) => day.ToString(weekday ? "dddd d MMMM" : "d MMMM", CultureInfo.InvariantCulture);

    /// <inheritdoc/>
    public override string Says(Saying saying) =>
        saying switch
        {
            ShadeReason r => Of(r),
            DeveloperReason r => Of(r),
            StrandReason r => Of(r),
            QuantityReason r => Of(r),
            ClockReason r => Of(r),
            PlanReason r => Of(r),
            StopReason r => Of(r),
            SalonReason r => Of(r),
            CautionReason r => Of(r),
            TestReason r => Of(r),
            OutcomeReason r => Of(r),
            GuideLine r => Of(r),
            RunSays r => Of(r),
            PackingReason r => Of(r),
            StudySays r => Of(r),
            TrialSays r => Of(r),
            NothingMissed r => Of(r),
            _ => Beside(saying),
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Used>? Numbers(Reason reason) =>
        reason switch
        {
            ShadeReason r => NumbersOf(r),
            StrengthChosen r => NumbersOf(r),
            QuantityReason r => NumbersOf(r),
            ClockReason r => NumbersOf(r),
            _ => null,
        };

    /// <summary>The rest of a switch over one kind of sayings.</summary>
    private static ArgumentOutOfRangeException NoWords(object saying) => new(nameof(saying), saying, "There are no words for this.");
}
