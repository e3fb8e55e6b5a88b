using Kitto.Core.Clock;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>Messages to a client about a kit.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string Label(string name) =>
        $"Professional formula for {name} only · skin test {Values.SkinTestHours} h before use · wear gloves · not for brows, lashes or beard · keep away from children";

    /// <inheritdoc/>
    public override (string Subject, string Body) Message(
        ClientMessage kind,
        string name,
        string studio,
        KitDays days,
        string? guide,
        string ambulance,
        string phone
    )
    {
        var (subject, says) = kind switch
        {
            ClientMessage.Posted => (
                "Your kit is in the post",
                $"It should arrive{(days.ArrivesOn is { } there ? $" on {Day(there)}" : " soon")}. Do the skin test as soon as it arrives. Your guide shows you how. Do not mix anything until both tests are clear."
            ),
            ClientMessage.BoxLate => (
                "Has your kit arrived?",
                $"It should have arrived{(days.ArrivesOn is { } late ? $" on {Day(late)}" : "")}. Open your guide and tell us whether you have it. If it has not come, we will find out where it is{(days.ColourOn is null ? "" : " and move your colour day")}."
            ),
            ClientMessage.PartSent => (
                "A new part for your kit is on its way",
                "We are sending you the part that was missing or damaged. Wait for it before you mix anything. Your guide tells you which part it is."
            ),
            ClientMessage.TestDue => (
                "Start your skin test today",
                $"Put it on today. Your guide shows you how. Then tell us in the guide that it is on. It takes {Values.SkinTestHours} hours, and your colour day depends on it."
            ),
            ClientMessage.TestOverdue => (
                "We have not had your skin test",
                $"Please start it today and tell us in your guide{(days.ColourOn is { } day ? $". Without it you cannot colour on {Day(day)}" : "")}. Has your kit not arrived? Tell us that in the guide too."
            ),
            ClientMessage.LookNow => (
                "Look at your skin test now",
                $"The {Values.SkinTestHours} hours are over. Look at the spot in good light and feel it. Then report it in your guide."
            ),
            ClientMessage.ColourTomorrow => (
                "Tomorrow is your colour day",
                "Both tests are clear. Read your guide through today. Lay everything out before you mix, and take your time."
            ),
            ClientMessage.ColourTomorrowWashed => (
                "Tomorrow is your colour day",
                "Both tests are clear. Wash your hair tonight, without conditioner. Read your guide through today. Lay everything out before you mix, and take your time."
            ),
            ClientMessage.NotTomorrow => (
                "Do not colour tomorrow",
                "A test is still missing, so your kit stays locked. Finish the tests in your guide. We will find a new day together."
            ),
            ClientMessage.DayPassed => (
                "Your colour day has passed",
                $"It was {(days.ColourOn is { } gone ? Day(gone) : "planned for earlier")}. Have you coloured? Then tell us in your guide how it went. If not, tell us, and we will find a new day. Do not mix anything before that."
            ),
            ClientMessage.ReportDue => (
                "How did it go?",
                "How does your hair look, dry and in daylight? How much was left over? Tell us in your guide: we make your next kit from it. Have you not coloured yet? Tell us that too."
            ),
            ClientMessage.DayMoved => (
                "Your colour day has moved",
                $"It is now {Day(days.ColourOn!.Value)}{(days.SkinOn is { } skin ? $", and the skin test is on {Day(skin)}" : "")}. Your guide and your calendar show the new days."
            ),
            ClientMessage.LotRecalled => (
                "Do not use your kit",
                "The manufacturer has recalled one of the products in your kit. Do not open or mix anything. Keep it out of everyone's reach until we tell you what to do. Is colour on your hair now? Rinse it out. Have you used it and something feels wrong? Report it in your guide or call us."
            ),
            ClientMessage.CalledOff => (
                "We have cancelled your kit",
                "Please do not use it, even if some of it has already arrived. Is colour on your hair now? Rinse it out. We will talk about what comes next."
            ),
            _ => throw NoWords(kind),
        };
        return (
            subject,
            $"Dear {name},\n\n{says}\n\n{(guide is null ? "Open your guide with the link or the code on the leaflet in the box." : $"Your guide: {guide}")}\n\nItching, burning or swelling? Rinse, do not colour, and call us{(phone.Length > 0 ? $": {phone}" : "")}. Trouble breathing, feeling faint, or a swelling face? Call an ambulance: {ambulance}.\n\n{studio}\n"
        );
    }
}
