using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>Stops, what is said aloud, what locks a kit and why a word is not taken: what of it reaches a client.</summary>
internal sealed partial class Norwegian
{
    private const string NeverByKit = "aldri med et sett hjemme. En lege og salongen avgjør det ansikt til ansikt.";

    private static string Of(StopReason reason)
    {
        return reason switch
        {
            ReactionBefore => $"Det har vært en reaksjon på hårfarge før. En slik allergi er som regel for livet: {NeverByKit}",
            BlackHenna => $"En tatovering med «svart henna», eller en reaksjon på en, kan bety allergi mot hårfarge for livet: {NeverByKit}",
            SkinTestReacted => "Hudtesten reagerte. Fra nå av aldri med et sett hjemme; en lege og salongen avgjør det ansikt til ansikt.",
            ReactionReported => "Det er meldt om en reaksjon. Fra nå av aldri med et sett hjemme; en lege og salongen avgjør det ansikt til ansikt.",
            KitWasStopped => "Dette settet ble stanset. Et sett som er stanset, brukes aldri igjen, uansett hva som sies senere.",
            StopOnRecord r => ByRule(r.By),
            TooYoung r => $"Du er {r.Age}. Hårfarge er ikke ment for noen under {Values.YoungestAge} år; lokale regler kan være strengere.",
            ScalpNotWell r => $"Hodebunnen er {Unwell(r.Scalp)}. Vent til den er leget.",
            HealsFirst r => $"Det er {Named(r.Condition)}. Vent til det er leget.",
            MetalSalts r =>
                $"{(r.Henna ? "Henna, som kan inneholde metallsalter," : "Farge med metallsalter, eller en som mørkner litt etter litt,")} er i håret.{Since(r)} Metallsalter reagerer med peroksid: ingen farge på dette håret, heller ikke på ettervekst.",
            LockReacted =>
                "En lokk av håret reagerte i fremkaller: det er metall i det. Ingen farge på dette håret, heller ikke på ettervekst; salongen avgjør det ansikt til ansikt.",
            StrandDamaged => "Prøven på en hårlokk skadet håret. Ingen farge nå; først pleie, og så salongen.",
            StraightenedLately r =>
                $"Håret ble rettet, permanentet eller glattet for {r.DaysAgo} dager siden. Vent til det har gått mer enn {Values.ChemicalServiceDays} dager.",
            HairShows r => $"Håret viser {Named(r.Condition)}. Ingen farge før salongen har sett det.",
            _ => throw NoWords(reason),
        };

        string Since(MetalSalts r) =>
            r.DaysAgo is { } days
                ? $" Det ble lagt på for {days} dager siden, og langsomt hår har bare vokst {r.GrownCm:0} av {r.LengthCm:0} cm siden da."
                : "";
    }

    /// <summary>What stands on record was written down in the studio's words; a client reads what its rule means.</summary>
    private static string ByRule(string rule) =>
        rule switch
        {
            "SA1" => $"En reaksjon på hårfarge eller «svart henna» står i journalen din: {NeverByKit}",
            "SA2" => $"Hårfarge er ikke ment for noen under {Values.YoungestAge} år.",
            "SA3" => "Hodebunnen må leges først.",
            "SA4" => "Det kan være metallsalter i håret, og de reagerer med peroksid.",
            "SA6" => "Prøven på en hårlokk gikk ikke bra, så håret tåler ikke farge nå.",
            "SA9" => "Håret er for skadet eller ble nylig behandlet, så det tåler ikke farge nå.",
            _ => "Koloristen din har stanset det.",
        } + $" ({rule})";

    private static string Unwell(Scalp scalp) =>
        scalp switch
        {
            Scalp.Sound => "fin",
            Scalp.Sensitive => "følsom",
            Scalp.Sunburnt => "solbrent",
            Scalp.Broken => "oppskrapt",
            Scalp.Inflamed => "betent",
            Scalp.Infected => "infisert",
            _ => throw NoWords(scalp),
        };

    /// <summary>What is said aloud; null for what only the studio reads.</summary>
    private static string? Of(CautionReason reason) =>
        reason switch
        {
            AskDoctorFirst =>
                "Gravid eller ammer: spør lege eller jordmor først. Mange venter til etter de tre første månedene; en glans, eller en skygge som ikke går inn til hodebunnen, berører mindre.",
            AirTheRoom => "Luft rommet; ta ut kontaktlinser, ta av smykker, hansker på hele tiden; ingen åpen flamme eller varm føner.",
            KeepFromChildren =>
                "Hold det unna barn og dyr. Rester av blandingen lukkes aldri inne og spares aldri: de lager oksygen og kan sprenge beholderen.",
            NeverOnBrows => "Aldri på bryn, vipper eller skjegg: det kan gi blindhet.",
            _ => null,
        };

    /// <summary>What locks a kit; null for what only the studio reads.</summary>
    private static string? Of(TestReason reason) =>
        reason switch
        {
            KitIsOver { Reported: true } => "Dette settet er meldt tilbake og ferdig.",
            KitIsOver => "Et nyere sett har tatt plassen til dette.",
            KitNotPosted => "Dette settet er ikke sendt ennå; testene gjøres med settets egne poser.",
            SkinLocks r => r.Stage switch
            {
                SkinStage.NotYet => "Ingen hudtest ennå.",
                SkinStage.Watching => $"Hudtesten er på; de {Values.SkinTestHours} timene er ikke over.",
                SkinStage.ToReport => $"De {Values.SkinTestHours} timene med hudtest er over, og ingen har sagt hvordan det er.",
                SkinStage.Expired => $"Hudtesten er mer enn {r.LimitDays} dager gammel.",
                SkinStage.Reacted => "Det er meldt om en reaksjon.",
                SkinStage.Clear => "",
                _ => throw NoWords(r),
            },
            StrandLocks { Waits: true } => "En prøvelokk ble ikke riktig: koloristen ser på det før noe blandes.",
            StrandLocks { Never: true } => "Ingen prøvelokk ennå.",
            StrandLocks => "Prøvelokken gjøres en gang til.",
            _ => null,
        };

    private static string Of(RefusedFor why) =>
        why switch
        {
            RefusedFor.NoSuchTest => "Dette settet har ingen slik test.",
            RefusedFor.TestStarted => "Denne testen er allerede i gang.",
            RefusedFor.NotPostedYet => "Dette settet er ikke sendt ennå, og testen bruker settets egen pose. Vent til det er framme.",
            RefusedFor.KitIsOver => "Dette settet er over.",
            RefusedFor.BeforeItWasThere => "Det var før settet kan ha vært framme; testen bruker settets egen pose.",
            RefusedFor.InTheFuture => "Dette er fram i tid.",
            RefusedFor.ReactionStands => "Det er meldt om en reaksjon; den kan ikke tas tilbake her.",
            RefusedFor.ReportedAlready => "Denne testen er allerede meldt.",
            RefusedFor.HoursNotOver =>
                $"De {Values.SkinTestHours} timene er ikke over ennå. Følg med på stedet litt til; viser det seg noe, så si fra med en gang.",
            RefusedFor.SkinComesFirst => "Hudtesten kommer først.",
            RefusedFor.StrandTooShort => "Lokken kan ikke ha ligget så lenge: den blandes først når hudtesten er i orden. La den ligge tiden ut, og se så.",
            RefusedFor.NoStrand => "Det er ingen prøvelokk å se på.",
            RefusedFor.KitIsStopped => "Dette settet er stanset.",
            RefusedFor.NothingToCorrect => "Det er ingenting å rette her.",
            RefusedFor.ReasonMissing => $"Si hvorfor det var en feil: {KitLife.ShortestReason} til {KitLife.LongestSays} tegn.",
            RefusedFor.DoubtComesFirst => "Si først hvorfor det var en feil.",
            RefusedFor.AnotherConfirms => "En annen i studioet ser på det og bekrefter: den som sier at det var en feil, retter det ikke alene.",
            RefusedFor.TooLateForMistake => "Det er for lenge siden til å tas tilbake her. Koloristen din kan rette det: ring.",
            _ => throw NoWords(why),
        };

    private static string Of(RunSays says) =>
        says switch
        {
            RinseFirstNow r => $"Skyll nå ved {Of(r.Zones)}: fargen har vært på der så lenge den får. Hold resten tørt.",
            RinseFirstIn r => $"Skyll først ved {Of(r.Zones)}, om {r.Minutes:0} min, og hold resten tørt. Resten skylles {r.RestMinutesLater:0} min senere.",
            TimeIsUp { ForMinutes: < 1 } => "Tiden er ute: skyll nå.",
            TimeIsUp r => $"Tiden har vært ute i {r.ForMinutes:0} min: skyll nå.",
            MixIsOld r =>
                $"Denne blandingen er {r.Minutes:0} min gammel og virker ikke lenger som den skal: {(r.Reserve ? "bland den forseglede reserven fersk til det som er igjen" : "bruk den bare på det som betyr mest, og si det til koloristen din")}.",
            TimeShortened r => $"Tiden etter siste strøk er kortet ned til {r.ToMinutes:0} min, så ingenting ligger for lenge. Ingenting er ødelagt.",
            BehindPlan r => $"Du er {r.Minutes:0} min etter planen. Det gjør ingenting: fortsett som du gjør, skylletiden flytter seg med deg.",
            _ => throw NoWords(says),
        };
}
