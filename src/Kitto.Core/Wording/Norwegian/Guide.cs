using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>The client's guide, read with gloves on and one thing at a time: short sentences, nothing but what to do.</summary>
internal sealed partial class Norwegian
{
    private static string Of(GuideLine line)
    {
        return line switch
        {
            Tell r => Of(r.What),
            CallAmbulance r => $"Vansker med å puste, nær ved å besvime, eller hevelse i ansiktet? Ring {r.Number} nå.",
            BoxPair r => Sentences.Begin($"{(r.Use is { } use ? Of(use) + ", " : "")}{Marked(r.Pair)}: en fargepose og en flaske med fremkaller"),
            OpenSkinSachet r => $"Åpne posen merket Hudtest ({Of(r.Use)}), {r.Line}. Ikke bland den med noe.",
            DabOnSkin r =>
                $"Ta en klatt på størrelse med en liten mynt på ren, tørr hud {r.Place switch { 0 => "bak venstre øre", 1 => "bak høyre øre", _ => "på innsiden av albuen" }}. Bruk en bomullspinne.",
            WatchTheSpot =>
                $"La den sitte i {Values.SkinTestOnMinutes} minutter, hvis ikke posen sier noe annet. Tørk den av. Følg med på flekken i {Values.SkinTestHours} hele timer, regnet fra da du tok den på.",
            LookAtStrand r =>
                $"Sjekk den etter {r.FirstMinutes:0} minutter og så hvert {Core.Guide.StrandLookMinutes:0}. minutt. La den aldri sitte i mer enn {r.MostMinutes:0} minutter til sammen.",
            DabOn r => $"Dupp på det grå håret ved {Of(r.Zones)}.",
            MixThe r => $"Bland {Bowl(r.Pair)}{(r.Use is { } use ? $" ({Of(use)})" : "")}",
            EmptyBoth r =>
                $"Ta fargeposen og flasken merket {Marked(r.Pair)} ({Of(r.Use)}). Klem alt fra begge ut i {(r.Bowl ? "skålen" : "påføringsflasken")}.",
            StartAtOnce r =>
                $"Begynn med en gang. Blandingen virker i {r.WorksForMinutes:0} minutter.{(r.KeepReserve ? " La reserven være forseglet. Bland den bare hvis det ikke er nok farge." : "")}",
            AtZone r => Sentences.Begin(Of(r.Zone))
                + r.Turn switch
                {
                    Turns.Scalp => ", nærmest hodebunnen",
                    Turns.Grown => ", lenger ned",
                    _ => "",
                },
            WorkIn { Through: true } r => $"Ta seksjoner på omtrent 2,5 cm. Arbeid fargen inn {First(r)}. Arbeid den så ut i tuppene og gre den.",
            WorkIn r => $"Ta seksjoner på omtrent 2,5 cm. Arbeid fargen inn {First(r)}. Ikke ta den lenger ut ennå.",
            Partings r =>
                $"{(r.Wide ? "Ta seksjoner på omtrent 12 mm." : "Ta tynne seksjoner, 3 til 6 mm.")} {(r.UndersideFirst ? "Påfør på undersiden, snu seksjonen, og påfør på oversiden." : "Påfør på oversiden, snu seksjonen, og påfør på undersiden.")}",
            Feather { OverBand: true } r =>
                $"Fortsett over den gule stripen, {r.Mm:0} mm forbi der den gamle fargen begynner, med mindre og mindre på penselen, så det ikke blir en skarp kant.",
            Feather r => $"Fortsett {r.Mm:0} mm forbi der den gamle fargen begynner, med mindre og mindre på penselen, så det ikke blir en skarp kant.",
            RinseClear r =>
                $"Len deg fram over vasken. Skyll med lunkent vann til det renner klart{(r.CoolLast ? ", og avslutt med kjølig vann" : "")}. La vannet renne bort fra lysere hår.",
            EndsLast => $"La de siste 8 cm være i fred først. Ta fargen ut i tuppene bare de siste {Values.EndsMinutes:0} minuttene: de er farget før.",
            TowelDried r => $"Håret er skylt og tørket med håndkle. {Of(r.Then)}",
            _ => throw NoWords(line),
        };

        static string First(WorkIn r) => r.OnBand ? "på den gule stripen først" : "på den lyse etterveksten først";
        static string Bowl(string name) =>
            name switch
            {
                Pair.Main => "hovedfargen",
                Pair.Reserve => "reserven",
                "A" => "den første skålen",
                "B" => "den andre skålen",
                "C" => "den tredje skålen",
                _ => Marked(name),
            };
    }

    private static string Marked(string pair) =>
        pair == Pair.Main ? "hovedfarge"
        : pair == Pair.Reserve ? "reserve"
        : pair;

    private static string Of(Tells what) =>
        what switch
        {
            Tells.GetReady => "Gjør klart",
            Tells.SoftenTheWhite => "Myk opp gjenstridige grå hår",
            Tells.LookAndWait => "Sjekk, og la det virke",
            Tells.CombItThrough => "Gre den gjennom",
            Tells.NowTheLengths => "Så resten av håret",
            Tells.Rinse => "Skyll",
            Tells.SecondStep => "Andre farge i etterveksten",
            Tells.GlossOnBand => "Glans på den gule stripen",
            Tells.GlossOnLengths => "Glans i resten av håret",
            Tells.RinseSecondStep => "Skyll ut den andre fargen",
            Tells.RinseGloss => "Skyll ut glansen",
            Tells.Afterwards => "Etterpå",
            Tells.RinseNow => "Skyll håret nå med mye lunkent vann. Bruk så en mild sjampo. Ikke bruk noe mer fra dette settet.",
            Tells.RinsedAlready => "Svir, brenner eller klør det fortsatt? Skyll en gang til med mye lunkent vann. Ikke bruk noe mer fra dette settet.",
            Tells.WashTheSpot => "Vask flekken med lunkent vann og mild såpe. Ikke klø på den. Ikke bruk noe fra dette settet.",
            Tells.DoNotColourAgain => "Ikke bruk noe fra dette settet, og ikke farg håret med noe annet.",
            Tells.InTheEye =>
                "Har du fått farge i øyet? Skyll det straks med mye rent, lunkent vann i minst 15 minutter. Ta ut kontaktlinsene mens du skyller. Få så hjelp av lege.",
            Tells.SeeADoctor => "Er huden sår, hoven eller full av blemmer? Gå til lege eller apotek i dag. Ta med pakningsvedlegget fra esken.",
            Tells.CheckWindow => "Åpne et vindu.",
            Tells.CheckChildren => "Send barn og dyr ut av rommet.",
            Tells.CheckFlames => "Slukk stearinlys og andre flammer. Legg bort hårføneren.",
            Tells.CheckLenses => "Ta ut kontaktlinser.",
            Tells.CheckJewellery => "Ta av øredobber og andre smykker.",
            Tells.CheckMetal => "Legg bort skåler, skjeer og klemmer av metall. Bruk bare det som er i esken.",
            Tells.CheckBrows => "Farg aldri øyenbryn, øyevipper eller skjegg. Du kan bli blind av det.",
            Tells.CheckGloves => "Ta på hanskene. Ikke ta dem av før alt er skylt ut.",
            Tells.BoxTestSachets => "Poser til hudtest og hårtest",
            Tells.BoxVial => "Et lite glass med fremkaller til gjenstridige grå hår",
            Tells.BoxBowlAndBottle => "Skål, pensel med spisst skaft, påføringsflaske, kam, fire klemmer",
            Tells.BoxBowl => "Skål, pensel med spisst skaft, fire klemmer",
            Tells.BoxBottle => "Påføringsflaske, kam, fire klemmer",
            Tells.BoxGlovesAndCape => "To par hansker, kappe, beskyttelseskrem",
            Tells.BoxBudsAndCard => "Bomullspinner, flekkserviett, fargekort til bilder",
            Tells.ProductComesFirst =>
                "En utdannet frisør har laget dette settet til deg. Er anvisningen på et produkt eller de lokale reglene strengere, gjelder de.",
            Tells.TestGloves => "Ta på et par hansker.",
            Tells.KeepSpotDry => "Du kan dusje. Hold såpe, sjampo og krem unna flekken. Ikke klø på den.",
            Tells.AnythingMeansStop => "Kløe, svie, rødhet, hevelse eller blemmer, selv bare litt? Vask det av. Ikke farg. Meld fra her.",
            Tells.ClearIsNoPromise => "En test uten utslag gjør en reaksjon mindre sannsynlig. Den utelukker den ikke.",
            Tells.StrandMix => "Ta på et par hansker. Bland de to posene merket Hårtest i en skål som ikke er av metall.",
            Tells.StrandChoose =>
                "Velg en tynn hårlokk bak, omtrent 1 cm bred, der den ikke synes. Ikke klipp den av. Påfør på etterveksten og de første 2 cm av det fargede håret nedenfor.",
            Tells.StrandRinse => "Skyll den, tørk den, og se på den i dagslys ved siden av resten av håret.",
            Tells.StrandPull => "Dra forsiktig i den mens den er våt. Den skal sprette tilbake og ikke ryke.",
            Tells.LayOut => "Legg alt fram. Ha et gammelt håndkle rundt halsen. Dekk til gulvet og vasken.",
            Tells.WashAndDry => "Vask håret og tørk det med håndkle.",
            Tells.WashedYesterday => "Ikke vask håret i dag. (Vi ba deg vaske det i går, uten balsam.) Gre det forsiktig ut.",
            Tells.DampAndUnwashed => "Ikke bruk sjampo i dag. Fukt håret med rent vann og gre det ut.",
            Tells.DryAndUnwashed => "Ikke vask håret i dag. Det skal være tørt. Gre det forsiktig ut. Ikke skrubb hodebunnen.",
            Tells.BarrierCream => "Smør beskyttelseskrem på huden langs hårfestet og rundt ørene. Ikke få den i håret.",
            Tells.NothingOnLengths => "Ikke ha noe i resten av håret.",
            Tells.ConditionerOnLengths => "Ha litt balsam i hår som ikke skal ta farge.",
            Tells.FrameStaysBright =>
                "Hårfestet foran og tinningene skal forbli lyse. Gre dem fram, fest dem bort fra resten og ha litt balsam i dem. De skal ikke ha farge.",
            Tells.PartInFour => "Del håret i fire: fra pannen til nakken, og fra øre til øre over issen. Fest hver del.",
            Tells.OpenTheVial => "Det lille glasset inneholder fremkaller. Hold den unna hud og øyne. Dypp en bomullspinne i den.",
            Tells.LeaveTenMinutes => "La det sitte i ti minutter. Tørk det så av.",
            Tells.LeaveAndGoOn => "La det sitte. Ikke tørk det av. Gå til neste trinn etter ett til to minutter.",
            Tells.StirSmooth => "Rør til blandingen er glatt og tykk. Skrap i bunnen. Ikke bruk metall.",
            Tells.ShakeEven => "Hold en hanskekledd finger over tuten. Rist til blandingen er jevn.",
            Tells.RootToEnd => "Ta seksjoner på omtrent 2,5 cm. Arbeid fargen fra rot til tupp og gre den.",
            Tells.ScalpStretch => $"Påfør nå på de {Values.ScalpStretchMm:0} mm nærmest hodebunnen. Der virker fargen raskere fordi hodebunnen er varm.",
            Tells.BeginOffTheScalp =>
                $"Begynn {Values.ScalpStretchMm:0} mm fra hodebunnen. Arbeid fargen utover det nye håret med hendene. Hodebunnen kommer senere.",
            Tells.UpToWhatIsOn => "Påfør helt bort til der du allerede har farge. Trykk den inn. Ikke gni.",
            Tells.StopBeforeColoured => "Stopp 2 til 3 mm før den gamle fargen begynner. Trykk fargen inn. Ikke gni.",
            Tells.EnoughOnEveryHair => "Ha rikelig på hvert hår. Mindre farge er ikke mildere, bare flekkete.",
            Tells.WhiteHere => "Her er det mer grått hår. Påfør et tykt lag, så hvert hår blir dekket.",
            Tells.SlantPartings => "Legg seksjonene på skrå her. Få med de små hårene rett utenfor hårfestet.",
            Tells.CombToTheEnd => "Gre den gjennom én gang, fra roten til der fargen slutter.",
            Tells.CombNewHair => "Gre det nye håret én gang. Stopp før den gamle fargen begynner.",
            Tells.CombTheRoot => "Gre ved roten én gang, bort fra den gamle fargen.",
            Tells.CoverDryHair => "Se etter tørt hår. Dekk det du har glemt.",
            Tells.OpenOtherWay => "Del håret den andre veien og se etter grått eller tørt hår. Dekk det du har glemt.",
            Tells.WipeDrips => "Tørk bort drypp, også fra ørene, med en fuktig klut. Trykk, ikke skrubb.",
            Tells.WipeEveryHalfMinute => "Tørk én hårlokk ren hvert halve minutt og se på den. Skyll med en gang den er riktig.",
            Tells.WipeEveryFewMinutes => "Tørk én hårlokk ren hvert 3. til 5. minutt og se på den.",
            Tells.RootsLifted => "Hold håret løst ved roten, så luften slipper til. Ikke dekk til håret. Ikke bruk hårføner.",
            Tells.LooksDarker => "Det ser veldig mørkt ut nå. Det er normalt: det er ikke den ferdige fargen.",
            Tells.CombThroughTheRest => "Gre fargen én gang gjennom resten av håret, helt ut i tuppene.",
            Tells.StirInConditioner => "Rør først inn omtrent like mye balsam.",
            Tells.WorkWhatIsLeft => "Arbeid blandingen som er igjen i skålen, gjennom resten av håret med hendene.",
            Tells.CombOnce => "Gre én gang.",
            Tells.PaintSameHair => "Påfør den på det samme håret som før, seksjon for seksjon.",
            Tells.BandOnly => "Arbeid den bare inn i den gule stripen, seksjon for seksjon. Gå så rett til neste trinn.",
            Tells.GlossThrough => "Arbeid glansen gjennom resten av håret, seksjon for seksjon, og gre den gjennom.",
            Tells.MixSecondPair => "Hvis det ikke er nok farge, blander du den andre posen og flasken på samme måte.",
            Tells.UseAll => "Bruk alt.",
            Tells.ColourTakesStain => "Farge på huden? Gni litt av blandingen over flekken og tørk den av. Det virker bedre enn vann.",
            Tells.ShampooOnceCondition => "Vask forsiktig én gang med sjampo. Bruk så balsam.",
            Tells.ShampooTowelDry => "Vask forsiktig med sjampo til skummet er uten farge. Ikke bruk balsam ennå. Tørk med håndkle.",
            Tells.ShampooTwiceCondition => "Vask forsiktig med sjampo, som regel to ganger, til skummet er uten farge. Ha balsam i resten av håret.",
            Tells.RinseLukewarm => "Skyll med lunkent vann til det renner klart. Vask forsiktig én gang med sjampo. Bruk så balsam.",
            Tells.KeepNothing => "Skyll så bort rester. Lukk dem aldri inne i en flaske eller pose: de utvikler gass og kan sprenge den.",
            Tells.WeighWhatIsLeft => "Vei eller anslå hvor mye av blandingen som er igjen, før du kaster noe. Rapporten spør om det.",
            Tells.WaitWithShampoo => "Vent to til tre dager før du vasker med sjampo igjen. Bruk en mild sjampo uten sulfater, og lite varme fra tang.",
            Tells.JudgeTomorrow =>
                "Bedøm fargen i morgen, tørr og i dagslys. Små flekker jevner seg ofte ut etter en vask eller to. Lamper og kameraer endrer tonen.",
            Tells.TintedShampoo => "Blir etterveksten gyllen før neste sett, hjelper en toningssjampo litt. Følg etiketten på den.",
            Tells.WhiterStaysLighter => "Der du hadde mer grått hår, blir fargen lysere og blekner raskere. Det er normalt.",
            _ => throw NoWords(what),
        };
}
