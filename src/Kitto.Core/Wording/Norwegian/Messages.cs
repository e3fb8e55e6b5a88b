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
            $"Innhold som på produsentens pakning; spør {facts.Studio}{(facts.Phone.Length > 0 ? ", " + facts.Phone : "")}.",
        ];

    /// <inheritdoc/>
    public override string Paper(string name) =>
        $"{name}, guiden din ligger bak denne koden. Åpne den før du åpner noe annet: den begynner med hudtesten, {Values.SkinTestHours} timer før fargen.";

    /// <inheritdoc/>
    public override (string Subject, string Body) Message(ClientMessage kind, string name, string studio, KitDays days, string? guide = null)
    {
        var (subject, says) = kind switch
        {
            ClientMessage.Posted => (
                "Settet ditt er i posten",
                $"Det skal være hos deg{(days.ArrivesOn is { } there ? $" {Day(there)}" : " snart")}. Begynn med hudtesten så snart det er framme; guiden din sier hvordan. Ingenting blandes før begge testene er i orden."
            ),
            ClientMessage.TestDue => (
                "Det er tid for hudtesten",
                $"Sett den på i dag, slik guiden din sier, og si fra der når den er på. Den tar {Values.SkinTestHours} timer, og fargedagen din venter på den."
            ),
            ClientMessage.TestOverdue => (
                "Vi savner hudtesten din",
                $"Vi har ikke hørt noe om hudtesten din{(days.ColourOn is { } day ? $". Uten den kan ikke {Day(day)} holdes" : "")}. Sett den på i dag, eller si fra hvis settet ikke har kommet."
            ),
            ClientMessage.LookNow => (
                "Se på hudtesten nå",
                $"{Values.SkinTestHours} timer har gått. Se på stedet i godt lys, kjenn etter, og si i guiden din hvordan det er."
            ),
            ClientMessage.ColourTomorrow => (
                "I morgen er fargedagen din",
                "Begge testene er i orden. Legg alt fram før du blander, ta deg god tid, og ha guiden ved siden av deg."
            ),
            ClientMessage.NotTomorrow => (
                "Ikke farg i morgen ennå",
                "En test mangler fortsatt, så settet er låst. Åpne guiden din, gjør testene ferdig, så finner vi en ny dag sammen."
            ),
            ClientMessage.ReportDue => (
                "Hvordan gikk det?",
                "Tørt, i dagslys: hvordan ser det ut, og hva ble til overs? Neste sett lages ut fra det du sier i guiden din. Har du ikke farget ennå, så si fra."
            ),
            ClientMessage.DayMoved => (
                "Fargedagen din er flyttet",
                $"Den er nå {Day(days.ColourOn!.Value)}{(days.SkinOn is { } skin ? $", og hudtesten {Day(skin)}" : "")}. Guiden og kalenderen din viser de nye dagene."
            ),
            ClientMessage.LotRecalled => (
                "Ikke bruk settet ditt",
                "Produsenten har trukket tilbake noe som er i det. Ikke åpne og ikke bland noe; legg det der ingen bruker det. Er det farge i håret ditt nå, så skyll den ut. Har du brukt det og noe kjennes galt, så si fra i guiden din eller ring oss med en gang."
            ),
            ClientMessage.CalledOff => (
                "Settet ditt er avlyst",
                "Ikke bruk det, heller ikke om noe av det alt er hos deg. Er det farge i håret ditt nå, så skyll den ut. Vi snakkes om hva som skjer videre."
            ),
            _ => throw NoWords(kind),
        };
        return (
            subject,
            $"Kjære {name}\n\n{says}\n\n{(guide is null ? "Guiden din åpnes med lenken eller koden på papiret i esken." : $"Guiden din: {guide}")}\n\nHvis noe klør, svir eller hovner opp: skyll, ikke farg, ring oss; får du pustevansker eller hovner opp i ansiktet, ring nødnummeret.\n\n{studio}\n"
        );
    }
}
