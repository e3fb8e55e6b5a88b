using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>What can be due to be said to a client about her kit.</summary>
public enum ClientMessage
{
    /// <summary>The kit is in the post.</summary>
    Posted,

    /// <summary>The box should have arrived, and the guide was never opened.</summary>
    BoxLate,

    /// <summary>A part that was missing or damaged is sent again.</summary>
    PartSent,

    /// <summary>The skin test is due.</summary>
    TestDue,

    /// <summary>It should have been put on days ago.</summary>
    TestOverdue,

    /// <summary>The hours of the skin test are over: look, and say how it is.</summary>
    LookNow,

    /// <summary>Colour day is tomorrow, and both tests are clear.</summary>
    ColourTomorrow,

    /// <summary>The same, where hair is to be washed the day before.</summary>
    ColourTomorrowWashed,

    /// <summary>Colour day is tomorrow, and a test is missing: not yet.</summary>
    NotTomorrow,

    /// <summary>The colour day is over, and no run was begun.</summary>
    DayPassed,

    /// <summary>The report is due.</summary>
    ReportDue,

    /// <summary>The colour day was moved.</summary>
    DayMoved,

    /// <summary>The kit was called off.</summary>
    CalledOff,

    /// <summary>The maker has called something back that is in the kit (BE9).</summary>
    LotRecalled,
}

/// <summary>How far a client is with the tests of a kit.</summary>
public enum TestsStand
{
    /// <summary>Nothing was put on.</summary>
    None,

    /// <summary>The skin test is on.</summary>
    Watching,

    /// <summary>The hours of the skin test are over, and nothing was reported.</summary>
    ToReport,

    /// <summary>The skin test is clear, the strand test is to come.</summary>
    StrandToCome,

    /// <summary>All clear.</summary>
    Clear,
}

/// <summary>What is due to be said on a day; each is said once for a kit.</summary>
public static class ClientMessages
{
    /// <summary>What is due.</summary>
    /// <param name="days">The days of the kit.</param>
    /// <param name="step">Where it is.</param>
    /// <param name="tests">How far the client is with the tests.</param>
    /// <param name="today">The day in the studio.</param>
    /// <param name="sign">What was seen of the client.</param>
    public static IEnumerable<ClientMessage> Due(KitDays days, KitStep step, TestsStand tests, DateOnly today, ClientSign sign)
    {
        if (step != KitStep.Posted)
        {
            yield break;
        }

        bool over = days.ColourOn < today;
        if (!over)
        {
            yield return ClientMessage.Posted;
        }

        bool late = !sign.Opened && days.ArrivesOn?.AddDays(Values.BoxLateDays) <= today;
        if (late && tests == TestsStand.None && !over)
        {
            yield return ClientMessage.BoxLate;
        }
        else if (tests == TestsStand.None && days.SkinOn <= today && !over)
        {
            yield return today < days.SkinOn!.Value.AddDays(Values.OverdueDays) ? ClientMessage.TestDue : ClientMessage.TestOverdue;
        }

        if (tests == TestsStand.ToReport)
        {
            yield return ClientMessage.LookNow;
        }

        if (days.ColourOn?.AddDays(-1) == today)
        {
            yield return tests == TestsStand.Clear ? ClientMessage.ColourTomorrow : ClientMessage.NotTomorrow;
        }

        if (over && !sign.Begun && today < days.ColourOn!.Value.AddDays(Values.ReportDays))
        {
            yield return ClientMessage.DayPassed;
        }

        if (days.ColourOn?.AddDays(Values.ReportDays) <= today)
        {
            yield return ClientMessage.ReportDue;
        }
    }
}

/// <summary>What was seen of a client.</summary>
/// <param name="Opened">The guide was opened since the kit was posted.</param>
/// <param name="Begun">A run was begun.</param>
public readonly record struct ClientSign(bool Opened, bool Begun);
