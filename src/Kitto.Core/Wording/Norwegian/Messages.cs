using Kitto.Core.Clock;
using Kitto.Core.Packing;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>Messages to a client about a kit.</summary>
internal sealed partial class Norwegian
{
    /// <inheritdoc/>
    public override string Label(string name) =>
        $"Profesjonell blanding bare til {name} · hudtest {Values.SkinTestHours} t før bruk · bruk hansker · ikke på bryn eller vipper · oppbevares utilgjengelig for barn";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Label(LabelFacts facts) =>
        [
            Sentences.Begin(Names(facts.Vessel)),
            $"{Of(facts.Grams)} · {string.Join(" + ", facts.Holds)} · {facts.Line}",
            facts.Lots.Count == 0 ? "parti ………………………" : $"parti {string.Join(", ", facts.Lots)}",
            $"fylt {Day(facts.FilledOn, weekday: false)} · brukes innen {Day(facts.UseBy, weekday: false)} {facts.UseBy.Year}",
            $"sett {facts.Kit} til {facts.Client}",
            Label(facts.Client),
            $"Innhold: se produsentens pakning, eller spør {facts.Studio}{(facts.Phone.Length > 0 ? ", " + facts.Phone : "")}.",
        ];

    /// <inheritdoc/>
    public override string Paper(string name) =>
        $"{name}, skann denne koden for å åpne guiden din. Gjør det før du åpner noe annet. Den begynner med hudtesten, {Values.SkinTestHours} timer før fargen.";

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
                "Settet ditt er i posten",
                $"Det skal komme{(days.ArrivesOn is { } there ? $" {Day(there)}" : " snart")}. Ta hudtesten så snart det er framme. Guiden din viser hvordan. Ikke bland noe før begge testene er uten utslag."
            ),
            ClientMessage.BoxLate => (
                "Har settet ditt kommet?",
                $"Det skulle ha kommet{(days.ArrivesOn is { } late ? $" {Day(late)}" : "")}. Åpne guiden og si om du har fått det. Har det ikke kommet, finner vi ut hvor det er{(days.ColourOn is null ? "" : " og flytter fargedagen din")}."
            ),
            ClientMessage.PartSent => (
                "En ny del til settet ditt er på vei",
                "Vi sender deg delen som manglet eller var skadet. Vent på den før du blander noe. Guiden din sier hvilken del det er."
            ),
            ClientMessage.TestDue => (
                "Ta hudtesten i dag",
                $"Begynn på den i dag. Guiden din viser hvordan. Si så fra i guiden at den er på. Den tar {Values.SkinTestHours} timer, og fargedagen din avhenger av den."
            ),
            ClientMessage.TestOverdue => (
                "Vi har ikke fått hudtesten din",
                $"Begynn på den i dag og si fra i guiden{(days.ColourOn is { } day ? $". Uten den kan du ikke farge {Day(day)}" : "")}. Har settet ikke kommet? Si fra om det i guiden også."
            ),
            ClientMessage.LookNow => (
                "Se på hudtesten nå",
                $"De {Values.SkinTestHours} timene er gått. Se på flekken i godt lys og kjenn på den. Meld så fra i guiden."
            ),
            ClientMessage.ColourTomorrow => (
                "I morgen er fargedagen din",
                "Begge testene er uten utslag. Les gjennom guiden i dag. Legg alt fram før du blander, og ta deg god tid."
            ),
            ClientMessage.ColourTomorrowWashed => (
                "I morgen er fargedagen din",
                "Begge testene er uten utslag. Vask håret i kveld, uten balsam. Les gjennom guiden i dag. Legg alt fram før du blander, og ta deg god tid."
            ),
            ClientMessage.NotTomorrow => (
                "Ikke farg i morgen",
                "En test mangler fortsatt, så settet er låst. Gjør testene ferdig i guiden. Vi finner en ny dag sammen."
            ),
            ClientMessage.DayPassed => (
                "Fargedagen din er over",
                $"Den var {(days.ColourOn is { } gone ? Day(gone) : "planlagt tidligere")}. Har du farget? Fortell i guiden hvordan det gikk. Hvis ikke, si fra, så finner vi en ny dag. Ikke bland noe før det."
            ),
            ClientMessage.ReportDue => (
                "Hvordan gikk det?",
                "Hvordan ser håret ut, tørt og i dagslys? Hvor mye ble til overs? Fortell det i guiden: vi lager neste sett ut fra det. Har du ikke farget ennå? Si fra om det også."
            ),
            ClientMessage.DayMoved => (
                "Fargedagen din er flyttet",
                $"Den er nå {Day(days.ColourOn!.Value)}{(days.SkinOn is { } skin ? $", og hudtesten er {Day(skin)}" : "")}. Guiden og kalenderen din viser de nye dagene."
            ),
            ClientMessage.LotRecalled => (
                "Ikke bruk settet ditt",
                "Produsenten har trukket tilbake et av produktene i settet ditt. Ikke åpne og ikke bland noe. Legg det der ingen får tak i det, til vi sier hva du skal gjøre. Har du farge i håret nå? Skyll den ut. Har du brukt det, og noe kjennes galt? Meld fra i guiden eller ring oss."
            ),
            ClientMessage.CalledOff => (
                "Vi har avlyst settet ditt",
                "Ikke bruk det, selv om noe av det allerede har kommet. Har du farge i håret nå? Skyll den ut. Vi snakkes om hva som skjer videre."
            ),
            _ => throw NoWords(kind),
        };
        return (
            subject,
            $"Kjære {name}\n\n{says}\n\n{(guide is null ? "Åpne guiden med lenken eller koden på arket i esken." : $"Guiden din: {guide}")}\n\nKlør, svir eller hovner noe opp? Skyll, ikke farg, og ring oss{(phone.Length > 0 ? $": {phone}" : "")}. Vansker med å puste, nær ved å besvime, eller hevelse i ansiktet? Ring {ambulance}.\n\n{studio}\n"
        );
    }
}
