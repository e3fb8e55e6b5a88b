using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>Stops, what is said aloud, what locks a kit and why a word is not taken: what of it reaches a client.</summary>
internal sealed partial class Norwegian
{
    private const string SeeDoctorFirst = "Ikke bruk et hjemmesett. Snakk med en lege, og så med oss i salongen.";

    private static string Of(StopReason reason) =>
        reason switch
        {
            ReactionBefore => $"Du har fortalt at hårfarge har gitt deg en reaksjon før. En slik allergi varer som regel livet ut. {SeeDoctorFirst}",
            BlackHenna => $"Du har fortalt om en tatovering med svart henna. Den kan gi varig allergi mot hårfarge. {SeeDoctorFirst}",
            SkinTestReacted => $"Hudtesten din ga utslag. {SeeDoctorFirst}",
            ReactionReported => $"Du har meldt om en reaksjon. {SeeDoctorFirst}",
            KitWasStopped => "Vi har stanset dette settet. Ikke bruk noe av det, selv om huden din er fin nå.",
            StopOnRecord r => ByRule(r.By),
            TooYoung => $"Hårfarge er ikke ment for noen under {Values.YoungestAge} år. Ikke bruk dette settet.",
            ScalpNotWell or HealsFirst => "La huden bli bra først. Ikke bruk dette settet. Si fra når den er bra.",
            MetalSalts =>
                "Det kan være metall i håret ditt fra et tidligere produkt. Det reagerer med hårfarge. Ikke farg dette håret i det hele tatt, heller ikke etterveksten.",
            LockReacted =>
                "En lokk av håret ditt reagerte på fremkaller. Ikke farg dette håret i det hele tatt, heller ikke etterveksten. Vi må se deg i salongen.",
            StrandDamaged => "Hårtesten skadet håret ditt. Ikke bruk dette settet. Vi ringer deg med en plan for å pleie det.",
            StraightenedLately r =>
                $"Håret ditt ble rettet eller permanentet for {r.DaysAgo} dager siden. Vent til det har gått mer enn {Values.ChemicalServiceDays} dager.",
            HairShows => "Vi må se på håret ditt først. Ikke bruk dette settet. Kom til oss i salongen.",
            _ => throw NoWords(reason),
        };

    /// <summary>What a stop on record means, by its rule: it was written down in the studio's words.</summary>
    private static string ByRule(string rule) =>
        rule switch
        {
            "SA1" => $"Du har meldt om en reaksjon på hårfarge eller svart henna. {SeeDoctorFirst}",
            "SA2" => $"Hårfarge er ikke ment for noen under {Values.YoungestAge} år.",
            "SA3" => "Hodebunnen må bli bra først. Si fra når den er det.",
            "SA4" =>
                "Det kan være metall i håret ditt fra et tidligere produkt. Det reagerer med hårfarge. Ikke farg dette håret i det hele tatt, heller ikke etterveksten.",
            "SA6" => "Hårtesten gikk ikke bra, så håret ditt tåler ikke farge nå.",
            "SA9" => "Håret ditt er for skadet eller nylig behandlet, så det tåler ikke farge nå.",
            _ => "Vi har stanset dette settet.",
        };

    /// <summary>What is said aloud; null for what only the studio reads.</summary>
    private static string? Of(CautionReason reason) =>
        reason switch
        {
            AskDoctorFirst => "Gravid eller ammer? Spør lege eller jordmor før du farger.",
            AirTheRoom => "Åpne et vindu. Ta ut kontaktlinser og ta av smykker. Ha hansker på hele tiden. Hold deg unna flammer og hårføner.",
            KeepFromChildren =>
                "Hold alt unna barn og dyr. Lukk aldri inne rester av blandingen og ta ikke vare på dem: de utvikler gass og kan sprenge beholderen.",
            NeverOnBrows => "Farg aldri øyenbryn, øyevipper eller skjegg. Du kan bli blind av det.",
            _ => null,
        };

    /// <summary>What locks a kit; null for what only the studio reads.</summary>
    private static string? Of(TestReason reason) =>
        reason switch
        {
            KitIsOver { Cancelled: true } => "Vi har avlyst dette settet.",
            KitIsOver { Reported: true } => "Du har allerede sendt rapport om dette settet.",
            KitIsOver => "Vi har laget et nyere sett til deg.",
            KitNotPosted => "Vi har ikke sendt settet ditt ennå. Testene bruker posene i det.",
            SkinLocks r => r.Stage switch
            {
                SkinStage.NotYet => "Ta hudtesten først.",
                SkinStage.Watching => $"Hudtesten din er i gang. Den tar {Values.SkinTestHours} timer.",
                SkinStage.ToReport => "Se på hudtesten og meld hvordan den er.",
                SkinStage.Expired => $"Hudtesten din er mer enn {r.LimitDays} dager gammel. Ta en ny.",
                SkinStage.Reacted => "Du har meldt om en reaksjon.",
                SkinStage.Withdrawn => "Du meldte om en reaksjon på hudtesten og sa så at det var en feil. Vi ringer deg først. Eller ta en ny hudtest.",
                SkinStage.Clear => "",
                _ => throw NoWords(r),
            },
            StrandLocks { Waits: true } => "Vent til frisøren har sett på hårtesten. Ikke bland noe ennå.",
            StrandLocks { Never: true } => "Ta hårtesten først.",
            StrandLocks => "Hårtesten må tas på nytt.",
            _ => null,
        };

    private static string Of(RefusedFor why) =>
        why switch
        {
            RefusedFor.NoSuchTest => "Dette settet har ingen slik test.",
            RefusedFor.TestStarted => "Du har allerede begynt på denne testen.",
            RefusedFor.NotPostedYet => "Vi har ikke sendt settet ennå. Vent på esken: testen bruker en pose i den.",
            RefusedFor.KitIsOver => "Dette settet er ikke lenger i bruk.",
            RefusedFor.BeforeItWasThere => "Settet ditt var ikke kommet da. Sjekk dag og klokkeslett.",
            RefusedFor.InTheFuture => "Dette tidspunktet er ikke kommet ennå. Sjekk dag og klokkeslett.",
            RefusedFor.ReactionStands => "Du har meldt om en reaksjon. Bare frisøren kan endre det. Ring.",
            RefusedFor.ReportedAlready => "Du har allerede meldt denne testen.",
            RefusedFor.HoursNotOver =>
                $"De {Values.SkinTestHours} timene er ikke gått ennå. Følg med på flekken litt til. Ser eller kjenner du noe, så meld fra med en gang.",
            RefusedFor.SkinComesFirst => "Hudtesten kommer først.",
            RefusedFor.StrandTooShort =>
                "Fargen kan ikke ha vært så lenge på hårlokken. Du kan først blande når hudtesten er uten utslag. La den sitte tiden ut, og se så.",
            RefusedFor.NoStrand => "Det er ingen hårtest å se på.",
            RefusedFor.KitIsStopped => "Dette settet er stanset.",
            RefusedFor.NothingToCorrect => "Det er ingenting å trekke tilbake her.",
            RefusedFor.ReasonMissing => $"Skriv hvorfor det var en feil: {KitLife.ShortestReason} til {KitLife.LongestSays} tegn.",
            RefusedFor.DoubtComesFirst => "Skriv først hvorfor det var en feil.",
            RefusedFor.AnotherConfirms => "En annen i salongen må bekrefte det.",
            RefusedFor.TooLateForMistake => "Det er for lenge siden til å trekke tilbake her. Ring frisøren.",
            RefusedFor.ColouristAcceptsTest =>
                "Du meldte om en reaksjon på denne testen og sa så at det var en feil. Vi ringer deg først. Eller ta en ny hudtest.",
            _ => throw NoWords(why),
        };

    private static string Of(RunSays says) =>
        says switch
        {
            RinseFirstNow r => $"Skyll {Of(r.Zones)} nå. Fargen har vært der så lenge det er lov. Hold resten av håret tørt.",
            RinseFirstIn r => $"Om {r.Minutes:0} min: skyll bare {Of(r.Zones)}. Hold resten tørt. Skyll alt annet {r.RestMinutesLater:0} min senere.",
            TimeIsUp { ForMinutes: < 1 } => "Skyll nå. Tiden er ute.",
            TimeIsUp r => $"Skyll nå. Tiden var ute for {r.ForMinutes:0} min siden.",
            MixIsOld { Reserve: true } r =>
                $"Blandingen er {r.Minutes:0} min gammel og for svak nå. Bland den forseglede reserven i en ren skål, og bruk den på håret du ikke har tatt ennå.",
            MixIsOld r => $"Blandingen er {r.Minutes:0} min gammel og for svak nå. Bruk den bare på hårfestet og skillen, og si så fra til frisøren.",
            TimeShortened r => $"Kortere ventetid: {r.ToMinutes:0} min etter siste seksjon, så fargen ikke sitter for lenge noe sted.",
            BehindPlan r => $"Du ligger {r.Minutes:0} min etter. Det gjør ingenting. Fortsett: skylletiden flytter seg med deg.",
            _ => throw NoWords(says),
        };
}
