using Kitto.Core.Clock;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>Messages to a client about a kit.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string Label(string name) =>
        $"Professional formula for {name} only · skin test {Values.SkinTestHours} h before use · wear gloves · not on brows or lashes · keep from children";

    /// <inheritdoc/>
    public override (string Subject, string Body) Message(ClientMessage kind, string name, string studio, KitDays days, string? guide = null)
    {
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
            ClientMessage.DayMoved => (
                "Your colour day has moved",
                $"It is on {Day(days.ColourOn!.Value)} now{(days.SkinOn is { } skin ? $", and the skin test on {Day(skin)}" : "")}. Your guide and your calendar show the new days."
            ),
            ClientMessage.LotRecalled => (
                "Do not use your kit",
                "The maker has called back something that is in it. Open nothing, mix nothing; put it where nobody uses it. If colour is on your hair now, rinse it off. If you have used it and anything feels wrong, say so in your guide or call us at once."
            ),
            ClientMessage.CalledOff => (
                "Your kit has been called off",
                "Do not use it, also where a part of it is with you already. If colour is on your hair now, rinse it off. We will speak about what comes next."
            ),
            _ => throw NoWords(kind),
        };
        return (
            subject,
            $"Dear {name},\n\n{says}\n\n{(guide is null ? "Your guide opens by the link or the code on the paper in the box." : $"Your guide: {guide}")}\n\nIf anything itches, burns or swells: rinse, do not colour, call us; trouble breathing or a swelling face, call your emergency number.\n\n{studio}\n"
        );
    }
}
