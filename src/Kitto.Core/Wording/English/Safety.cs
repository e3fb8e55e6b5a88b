using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private const string NeverByKit = "never by kit. A doctor and the salon in person decide.";

    private static string Of(StopReason reason)
    {
        return reason switch
        {
            ReactionBefore => $"There was a reaction to hair colour before. Such an allergy is usually for life: {NeverByKit}",
            BlackHenna => $"A \"black henna\" tattoo, or a reaction to one, can mean an allergy to hair dye for life: {NeverByKit}",
            SkinTestReacted => "The skin test reacted. Never by kit from now on; a doctor and the salon in person decide.",
            ReactionReported r =>
                $"A reaction was reported{(r.Said.Length > 0 ? " " + r.Said : "")}. Never by kit from now on; a doctor and the salon in person decide.",
            KitWasStopped => "This kit was stopped. A kit that was stopped is never used again, whatever is said later.",
            StopOnRecord r => r.Said,
            TooYoung r => $"The client is {r.Age}. Hair colour is not intended for anyone below {Values.YoungestAge}; check your local code.",
            ScalpNotWell r => $"The scalp is {r.Scalp.ToString().ToLowerInvariant()}. Wait until it has healed.",
            HealsFirst r => $"There is {Named(r.Condition)}. Wait until it has healed.",
            MetalSalts r =>
                $"{(r.Henna ? "Henna, which may hold metal salts," : "Metallic or progressive dye")} is on the hair.{When(r)} Metal salts react with peroxide: no colour on this hair, roots too.",
            LockReacted => "A lock of this hair reacted in developer: there is metal on it. No colour on this hair, roots too; the salon decides in person.",
            StrandDamaged => "The strand test damaged the hair. No colour; a plan of conditioning, and the salon.",
            StraightenedLately r =>
                $"The hair was relaxed, permed or straightened {r.DaysAgo} days ago. Wait until more than {Values.ChemicalServiceDays} days have passed.",
            HairShows r => $"The hair shows {Named(r.Condition)}. No colour until the salon has seen it.",
            _ => throw NoWords(reason),
        };

        static string When(MetalSalts r) =>
            r.DaysAgo is { } days ? $" It was put on {Ago(days)}, and slow hair has grown only {r.GrownCm:0} of {r.LengthCm:0} cm since." : "";
    }

    private static string Of(SalonReason reason) =>
        reason switch
        {
            LightenerInTheChair => "Lightener never goes into a kit. This is a sheet for the chair.",
            TooStrongForKit r => $"{r.Volume} is a strength for the chair; a kit never holds more than {Values.KitLimitVolume} vol.",
            NotPosted r => $"{r.Volume} is {r.Volume.Percent} % peroxide; nothing above 6 % is posted. Check your carrier and law.",
            TooFarFromNatural r => $"Level {r.Wish} is {r.Levels:0.#} levels from the natural {r.Natural}; at home two is the limit.",
            LiftWantsMore r => $"A lift of {r.Levels:0.#} levels needs more than {Values.KitLimitVolume} vol, which only the chair has.",
            RootsStillWarm r =>
                $"Lightened roots at level {r.At} are still {Of(Undertones.At(r.At.Value))}; they cannot be toned to level {r.Wish}, and more violet is not the answer. Tone them at their own level and be content there, or lift more in the salon.",
            RedWantsPushing r => $"A red {r.Levels:0.#} levels lighter than the natural level wants pushing with strong developer: only in the salon.",
            TooDeepOnLengths r => $"Level {r.Wish} is more than two levels deeper than the lengths at {r.Lengths}; that is salon work.",
            ColouredNotLightened r =>
                $"The lengths are coloured and at level {r.Lengths}. Colour cannot make coloured hair lighter; level {r.Wish} on them is salon work.",
            LengthsStillWarm r =>
                $"Lightened hair at level {r.At} is still {Of(Undertones.At(r.At.Value))}; it cannot be glossed to a pale level {r.Wish}, and more violet is not the answer. Tone it at its own level and be content there, or lift more in the salon.",
            _ => throw NoWords(reason),
        };

    private static string Of(CautionReason reason) =>
        reason switch
        {
            AskDoctorFirst =>
                "Pregnant or breastfeeding: ask the doctor or midwife first. Many wait until after the first three months; a gloss or a shadow off the scalp touches less.",
            OnRecord r => $"On record: {string.Join(", ", r.Conditions.Select(Named))}. You decide, and your reason is kept.",
            SeesOrReadsPoorly => "Seeing or reading is hard for this client: larger type, steps read out, and a helper asked for.",
            AloneFirstTime => "Alone and for the first time: ask whether someone can help with the back.",
            LengthsUncertain =>
                "What is on the lengths is not known for certain. Ask for a lock and lay it in 20 vol developer for half an hour before anything is mixed: heat, bubbles, smell or another colour mean metal.",
            CutOffSince r =>
                $"{(r.What == Treatment.Henna ? "Henna" : "Metallic dye")} was put on {Ago(r.DaysAgo)}. Even slow hair has grown {r.GrownCm:0} cm since and this hair is {r.LengthCm:0} cm, so it has been cut off; if in doubt, lay a lock in developer.",
            TooShortToStayInside r =>
                $"Regrowth of {r.RegrowthMm:0.#} mm is too short to stay inside: every slip lands on coloured hair. In about {r.Days} days it will be {r.LimitMm:0} mm.",
            BackGrownLonger r => $"The back has grown out {r.BackMm:0} mm, the front {r.FrontMm:0}: it was done less often. Each is sized by its own.",
            WhiteReadAlike r => $"White was read as {r.White} all over. Hairline, temples and part line usually carry most, back and nape least: look at each.",
            GrowthDoesNotFit r =>
                $"{(r.Measured ? "This hair grows" : "Hair grows")} about {r.RateMmPerMonth:0.0} mm a month, so {r.Days} days make {r.ExpectedMm:0} mm; {r.SeenMm:0.#} mm was read. Measure again, or ask when it was last coloured.",
            WishFarFromNatural => "The wish is more than two levels off the natural depth. Ask whether brows and skin will carry it.",
            AirTheRoom => "Air the room; contact lenses out, jewellery off, gloves on the whole time; no flame or hot dryer.",
            KeepFromChildren => "Keep it from children and pets. Never seal or store leftover mix: it gives off gas and can burst.",
            NeverOnBrows => "Never on brows, lashes or beard: it can blind.",
            _ => throw NoWords(reason),
        };

    private static string Of(TestReason reason)
    {
        return reason switch
        {
            SkinCameClear r => $"The skin test of {r.DaysAgo} days ago came clear for this line. A clear test does not promise that nothing happens.",
            SkinWanted r =>
                $"{(r.Kit ? $"The main sachets are mixed only once a skin test with this kit's own sachet has come clear after {Values.SkinTestHours} hours." : $"Nothing is mixed before a skin test with this line has come clear after {Values.SkinTestHours} hours.")} {Missing(r)}",
            StrandCameRight r => $"The strand test came right{(r.Minutes is { } m ? $" at {m:0.#} minutes" : "")}.",
            StrandCameOut r => $"The strand test came out {Of(r.Result)}: it changes the formula, and the change is tested again.",
            StrandWanted r =>
                $"A strand test must come right first: {(r.FirstKit ? r.Kit ? "this is the first kit" : "nothing is on record yet" : "the formula is not the same as last time, or last time is not known")}.",
            StrandOffered => "Same formula as last time: a strand test is offered, not asked for.",
            WhiteTouchedFirst r =>
                $"Resistant white is touched with undiluted developer on a cotton bud {(r.TenMinutes ? "ten minutes before, and wiped" : "one to two minutes before")} the colour: {Values.PreSoftenGrams} g in its own vial.",
            KitIsOver { Cancelled: true } => "This kit was cancelled.",
            KitIsOver { Reported: true } => "This kit was reported and is done.",
            KitIsOver => "A newer kit has taken the place of this one.",
            KitNotPosted => "This kit has not been posted yet; tests are done with its own sachets.",
            SkinLocks r => r.Stage switch
            {
                SkinStage.NotYet => "No skin test yet.",
                SkinStage.Watching => $"The skin test is on; its {Values.SkinTestHours} hours are not over.",
                SkinStage.ToReport => $"The {Values.SkinTestHours} hours of the skin test are over and nobody has said how it is.",
                SkinStage.Expired => $"The skin test is more than {r.LimitDays} days old.",
                SkinStage.Reacted => "A reaction was reported.",
                SkinStage.Withdrawn => "The client reported a reaction, then withdrew it. Call, then accept the test or ask for a new one.",
                SkinStage.Clear => "",
                _ => throw NoWords(r),
            },
            StrandLocks { Waits: true } => "A strand came out otherwise than right: the colourist looks at it before anything is mixed.",
            StrandLocks { Never: true } => "No strand test yet.",
            StrandLocks => "The strand test has to be repeated.",
            _ => throw NoWords(reason),
        };

        static string Missing(SkinWanted r) =>
            r.Missing switch
            {
                SkinMissing.NoneOnRecord => "None is on record.",
                SkinMissing.NotWatched => $"The last one has not been watched for {Values.SkinTestHours} full hours.",
                SkinMissing.TooOld => $"The last will be {r.AgeDays} days old; it counts for {r.LimitDays}.",
                SkinMissing.OtherLine => $"The last one was not done with {string.Join(" or ", r.Lines)}.",
                SkinMissing.SomethingNew => $"There is {(r.New == Safety.Conditions.NewMedicine ? "a new medicine" : Named(r.New!))} since.",
                _ => throw NoWords(r),
            };
    }

    private static string Of(StrandResult result) =>
        result switch
        {
            StrandResult.Right => "right",
            StrandResult.TooLight => "too light",
            StrandResult.TooDark => "too dark",
            StrandResult.TooWarm => "too warm",
            StrandResult.TooCool => "too cool",
            StrandResult.GreyShows => "with white hair still showing",
            StrandResult.Damaged => "damaged",
            _ => throw NoWords(result),
        };

    private static string Of(RefusedFor why) =>
        why switch
        {
            RefusedFor.NoSuchTest => "This kit has no such test.",
            RefusedFor.TestStarted => "This test has been started already.",
            RefusedFor.NotPostedYet => "This kit has not been posted yet, and the test uses its own sachet. Wait until it is there.",
            RefusedFor.KitIsOver => "This kit is over.",
            RefusedFor.BeforeItWasThere => "That was before the kit can have been there; the test uses its own sachet.",
            RefusedFor.InTheFuture => "This is in the future.",
            RefusedFor.ReactionStands => "A reaction was reported; it is not taken back here.",
            RefusedFor.ReportedAlready => "This test has been reported already.",
            RefusedFor.HoursNotOver =>
                $"The {Values.SkinTestHours} hours are not over yet. Watch the place a little longer; if anything shows, report it at once.",
            RefusedFor.SkinComesFirst => "The skin test comes first.",
            RefusedFor.StrandTooShort =>
                "The strand cannot have been on so long: it is mixed only once the skin test is clear. Leave it on for its time, then look.",
            RefusedFor.NoStrand => "There is no strand test to look at.",
            RefusedFor.KitIsStopped => "This kit is stopped.",
            RefusedFor.NothingToCorrect => "There is nothing here to correct.",
            RefusedFor.ReasonMissing => $"Say why it was a mistake: {KitLife.ShortestReason} to {KitLife.LongestSays} characters.",
            RefusedFor.DoubtComesFirst => "Say first why it was a mistake.",
            RefusedFor.AnotherConfirms => "Somebody else of the studio looks at it and confirms: whoever says that it was a mistake does not correct it alone.",
            RefusedFor.ColouristAcceptsTest => "The client reported a reaction to this test and withdrew it. A colourist accepts it, or a new test is done.",
            RefusedFor.TooLateForMistake => "That is too long ago to be taken back here. Your colourist can correct it: call.",
            _ => throw NoWords(why),
        };
}
