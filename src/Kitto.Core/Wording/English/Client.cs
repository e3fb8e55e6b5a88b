using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>What a client reads where the studio has a sentence of its own: stops, cautions, what a kit waits for, why something was not saved.</summary>
internal sealed partial class English
{
    /// <inheritdoc/>
    public override string ToClient(Saying saying) =>
        saying switch
        {
            StopReason r => ForClient(r),
            CautionReason r => ForClient(r),
            TestReason r => ForClient(r),
            NotTaken r => ForClient(r.For),
            _ => Says(saying),
        };

    private const string SeeDoctorFirst = "Please do not use a home kit. Speak to a doctor, then to us in person.";

    private static string ForClient(StopReason reason) =>
        reason switch
        {
            ReactionBefore => $"You told us that hair colour has caused a reaction before. An allergy like that usually lasts for life. {SeeDoctorFirst}",
            BlackHenna => $"You told us about a black henna tattoo. It can cause a lasting allergy to hair colour. {SeeDoctorFirst}",
            SkinTestReacted => $"Your skin test showed a reaction. {SeeDoctorFirst}",
            ReactionReported => $"You reported a reaction. {SeeDoctorFirst}",
            KitWasStopped => "We have stopped this kit. Please do not use any of it, even if your skin is fine now.",
            StopOnRecord r => ByRule(r.By),
            TooYoung => $"Hair colour is not meant for anyone under {Values.YoungestAge}. Please do not use this kit.",
            ScalpNotWell or HealsFirst => "Let your skin heal first. Please do not use this kit. Tell us when it has healed.",
            MetalSalts =>
                "There may be metal in your hair from an earlier product. It reacts with hair colour. Do not colour this hair at all, including the roots.",
            LockReacted => "A strand of your hair reacted to developer. Do not colour this hair at all, including the roots. We need to see you in the salon.",
            StrandDamaged => "The strand test damaged your hair. Please do not use this kit. We will call you with a plan to condition it.",
            StraightenedLately r =>
                $"Your hair was relaxed, permed or straightened {r.DaysAgo} days ago. Wait until more than {Values.ChemicalServiceDays} days have passed.",
            HairShows => "Your hair needs a look first. Please do not use this kit. We need to see you in the salon.",
            _ => throw NoWords(reason),
        };

    /// <summary>What a stop on record means, by its rule: it was written down in the studio's words.</summary>
    private static string ByRule(string rule) =>
        rule switch
        {
            "SA1" => $"A reaction to hair colour or to black henna is on your record. {SeeDoctorFirst}",
            "SA2" => $"Hair colour is not meant for anyone under {Values.YoungestAge}.",
            "SA3" => "Let your scalp heal first. Tell us when it has healed.",
            "SA4" =>
                "There may be metal in your hair from an earlier product. It reacts with hair colour. Do not colour this hair at all, including the roots.",
            "SA6" => "The strand test did not go well, so your hair cannot take colour now.",
            "SA9" => "Your hair is too damaged, or was treated too recently, to take colour now.",
            _ => "We have stopped this kit.",
        };

    private static string ForClient(CautionReason reason) =>
        reason switch
        {
            AskDoctorFirst => "Pregnant or breastfeeding? Ask your doctor or midwife before you colour.",
            AirTheRoom => "Open a window. Take out contact lenses and take off jewellery. Wear gloves the whole time. Stay away from flames and hairdryers.",
            KeepFromChildren => "Keep everything away from children and pets. Never seal or store leftover mix: it gives off gas and can burst.",
            NeverOnBrows => "Never colour eyebrows, eyelashes or a beard. It can make you blind.",
            _ => Of(reason),
        };

    private static string ForClient(TestReason reason) =>
        reason switch
        {
            KitIsOver { Cancelled: true } => "We have cancelled this kit.",
            KitIsOver { Reported: true } => "You have already reported this kit.",
            KitIsOver => "We have made a newer kit for you.",
            KitNotPosted => "We have not posted your kit yet. The tests use the sachets in it.",
            SkinLocks r => r.Stage switch
            {
                SkinStage.NotYet => "Do the skin test first.",
                SkinStage.Watching => $"Your skin test is in progress. It takes {Values.SkinTestHours} hours.",
                SkinStage.ToReport => "Look at your skin test and report how it is.",
                SkinStage.Expired => $"Your skin test is more than {r.LimitDays} days old. Do a new one.",
                SkinStage.Reacted => "You reported a reaction.",
                SkinStage.Withdrawn =>
                    "You reported a reaction to the skin test, then told us it was a mistake. We will call you first. Or do a new skin test.",
                SkinStage.Clear => "",
                _ => throw NoWords(r),
            },
            StrandLocks { Waits: true } => "Wait for your colourist to look at your strand test. Do not mix anything yet.",
            StrandLocks { Never: true } => "Do the strand test first.",
            StrandLocks => "The strand test has to be repeated.",
            _ => Of(reason),
        };

    private static string ForClient(RefusedFor why) =>
        why switch
        {
            RefusedFor.NoSuchTest => "This kit has no such test.",
            RefusedFor.TestStarted => "You have already started this test.",
            RefusedFor.NotPostedYet => "We have not posted this kit yet. Wait for the box: the test uses a sachet in it.",
            RefusedFor.KitIsOver => "This kit is no longer in use.",
            RefusedFor.BeforeItWasThere => "Your kit had not arrived by then. Please check the date and time.",
            RefusedFor.InTheFuture => "This time is in the future. Please check the date and time.",
            RefusedFor.ReactionStands => "You reported a reaction. Only your colourist can change that. Please call.",
            RefusedFor.ReportedAlready => "You have already reported this test.",
            RefusedFor.HoursNotOver =>
                $"The {Values.SkinTestHours} hours are not over yet. Check the spot a little longer. If you see or feel anything, report it at once.",
            RefusedFor.SkinComesFirst => "The skin test comes first.",
            RefusedFor.StrandTooShort =>
                "The strand cannot have had the colour on for that long. You can only mix it once the skin test is clear. Leave it on for its full time, then look.",
            RefusedFor.NothingToCorrect => "There is nothing to cancel here.",
            RefusedFor.TooLateForMistake => "That was too long ago to cancel here. Please call your colourist.",
            RefusedFor.ColouristAcceptsTest =>
                "You reported a reaction to this test, then told us it was a mistake. We will call you first. Or do a new skin test.",
            _ => Of(why),
        };
}
