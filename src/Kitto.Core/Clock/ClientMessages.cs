using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>What can be due to be said to a client about her kit.</summary>
public enum ClientMessage
{
    /// <summary>The kit is in the post.</summary>
    Posted,

    /// <summary>The skin test is due.</summary>
    TestDue,

    /// <summary>It should have been put on days ago.</summary>
    TestOverdue,

    /// <summary>The hours of the skin test are over: look, and say how it is.</summary>
    LookNow,

    /// <summary>Colour day is tomorrow, and both tests are clear.</summary>
    ColourTomorrow,

    /// <summary>Colour day is tomorrow, and a test is missing: not yet.</summary>
    NotTomorrow,

    /// <summary>The report is due.</summary>
    ReportDue,
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
    /// <param name="tests">How far she is with the tests.</param>
    /// <param name="today">The day in the studio.</param>
    public static IEnumerable<ClientMessage> Due(KitDays days, KitStep step, TestsStand tests, DateOnly today)
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

        if (tests == TestsStand.None && days.SkinOn <= today && !over)
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

        if (days.ColourOn?.AddDays(Values.ReportDays) <= today)
        {
            yield return ClientMessage.ReportDue;
        }
    }

    /// <summary>The words: a subject and a few sentences.</summary>
    /// <param name="kind">What.</param>
    /// <param name="name">Her first name.</param>
    /// <param name="studio">The studio.</param>
    /// <param name="days">The days of the kit.</param>
    public static (string Subject, string Body) Words(ClientMessage kind, string name, string studio, KitDays days)
    {
        string Day(DateOnly? day) => day?.ToString("dddd d MMMM", System.Globalization.CultureInfo.InvariantCulture) ?? "";
        var (subject, says) = kind switch
        {
            ClientMessage.Posted => (
                "Your kit is in the post",
                $"It should be with you{(days.ArrivesOn is { } there ? $" on {Day(there)}" : " soon")}. Start with the skin test as soon as it is there; your guide says how. Nothing is mixed before both tests are clear."
            ),
            ClientMessage.TestDue => (
                "Your skin test is due",
                $"Put it on today, as your guide says, and tell us there when it is on. It takes {Values.SkinTestHours} hours, and your colour day waits for it."
            ),
            ClientMessage.TestOverdue => (
                "Your skin test is missing",
                $"We have not heard of your skin test{(days.ColourOn is { } day ? $". Without it {Day(day)} cannot be kept" : "")}. Put it on today, or tell us if the kit has not come."
            ),
            ClientMessage.LookNow => (
                "Look at your skin test now",
                $"{Values.SkinTestHours} hours are over. Look at the place in good light, feel it, and say in your guide how it is."
            ),
            ClientMessage.ColourTomorrow => (
                "Tomorrow is your colour day",
                "Both tests are clear. Lay everything out before mixing, take your time, and keep the guide beside you."
            ),
            ClientMessage.NotTomorrow => (
                "Do not colour tomorrow yet",
                "A test is still missing, so your kit stays locked. Open your guide, finish the tests, and we find a new day together."
            ),
            ClientMessage.ReportDue => (
                "How did it go?",
                "Dry, in daylight: how does it look, and what was left over? Your next kit is made from what you say in your guide. If you have not coloured yet, tell us."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
        return (
            subject,
            $"Dear {name},\n\n{says}\n\nIf anything itches, burns or swells: rinse, do not colour, call us; trouble breathing or a swelling face, call your emergency number.\n\n{studio}\n"
        );
    }
}
