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
            BoxPair r => Sentences.Begin($"{(r.Use is { } use ? Of(use) + ", " : "")}{Marked(r.Pair)}: en fargepose og en flaske fremkaller"),
            WatchTheSpot =>
                $"La den sitte i {Values.SkinTestOnMinutes} minutter hvis ikke posen sier noe annet, tørk den av, og følg med på stedet i {Values.SkinTestHours} hele timer.",
            LookAtLock r =>
                $"Se etter {r.FirstMinutes:0} minutter og så hvert femte minutt, inntil {r.MostMinutes:0}. Skyll, tørk, og se i dagslys ved siden av resten.",
            DabOn r => $"Dupp den på det hvite ved {Of(r.Zones)}.",
            MixThe r => $"Bland {Bowl(r.Pair)}{(r.Use is { } use ? $": {Of(use)}" : "")}",
            EmptyBoth r =>
                $"Tøm fargeposen og flasken merket {Marked(r.Pair)} ({Of(r.Use)}) helt ut i {(r.Bowl ? "skålen" : "påføringsflasken")}: {Of(r.Colour)} og {Of(r.Developer)}.",
            StartAtOnce r =>
                $"Begynn med en gang: den virker i {r.WorksForMinutes:0} minutter.{(r.KeepReserve ? " La reserven være forseglet; bland den bare hvis dette ikke rekker." : "")}",
            AtZone r => Sentences.Begin(Of(r.Zone))
                + r.Turn switch
                {
                    Turns.Scalp => ", ved hodebunnen",
                    Turns.Grown => ", det utvokste håret",
                    _ => "",
                },
            WorkIn { Through: true } r => $"Seksjoner på en fingerbredde. Arbeid den {First(r)}, så ut til tuppene, og gre den gjennom.",
            WorkIn r => $"Seksjoner på en fingerbredde. Arbeid den {First(r)} og hold den der: resten kommer til slutt.",
            Partings r =>
                $"{(r.Wide ? "Skiller med en fingerbredde imellom." : "Tynne skiller, 3 til 6 mm.")} {(r.UndersideFirst ? "Undersiden først, snu den, så oversiden." : "Mal oversiden, snu den, mal undersiden.")}",
            Feather { OverBand: true } r => $"Dra den lett ut over det gule båndet først, {r.Mm:0} mm forbi linjen, lettere og lettere.",
            Feather r => $"Dra den lett ut {r.Mm:0} mm forbi linjen, lettere og lettere.",
            RinseClear r => $"Bøy deg framover. Lunkent vann{(r.CoolLast ? ", kjølig til slutt," : "")} til det renner klart, bort fra lysere lengder.",
            EndsLast =>
                $"La den siste håndsbredden være i fred til å begynne med. Tuppene får bare de siste {Values.EndsMinutes:0} minuttene: de er farget før.",
            TowelDried r => $"Håret er skylt og tørket med håndkle. {Of(r.Then)}",
            _ => throw NoWords(line),
        };

        static string First(WorkIn r) => r.OnBand ? "på det gule båndet først" : "på det lyse hårfestet først";
        static string Bowl(string name) =>
            name switch
            {
                Pair.Main => "hovedparet",
                "A" => "den første skålen",
                "B" => "den andre skålen",
                "C" => "den tredje skålen",
                _ => Marked(name),
            };
    }

    private static string Marked(string pair) =>
        pair == Pair.Main ? "hovedparet"
        : pair == Pair.Reserve ? "reserven"
        : pair;

    private static string Of(Tells what) =>
        what switch
        {
            Tells.GetReady => "Gjør klart",
            Tells.SoftenTheWhite => "Myk opp det gjenstridige hvite",
            Tells.LookAndWait => "Se over, og vent",
            Tells.CombItThrough => "Gre den gjennom",
            Tells.NowTheLengths => "Så lengdene",
            Tells.Rinse => "Skyll",
            Tells.SecondStep => "Andre steg ved hårfestet",
            Tells.GlossOnBand => "Glansen på båndet",
            Tells.GlossOnLengths => "Glansen på lengdene",
            Tells.RinseSecondStep => "Skyll ut andre steg",
            Tells.RinseGloss => "Skyll ut glansen",
            Tells.Afterwards => "Etterpå",
            Tells.RinseItOffNow => "Skyll det av nå, med mye lunkent vann, og så mild sjampo. Stopp her.",
            Tells.InTheEye => "I øyet: ta ut kontaktlinser, skyll med rent, lunkent vann i 15 minutter, og gå til lege.",
            Tells.CallForHelp => "Pustevansker, svimmelhet eller hevelse i ansiktet: ring nødnummeret nå.",
            Tells.BoxTestSachets => "Prøveposer til hud og hårlokk",
            Tells.BoxVial => "Et lite glass til gjenstridig hvitt hår",
            Tells.BoxBowlAndBottle => "Skål, pensel med spiss stilk, påføringsflaske, kam, fire klyper",
            Tells.BoxBowl => "Skål, pensel med spiss stilk, fire klyper",
            Tells.BoxBottle => "Påføringsflaske, kam, fire klyper",
            Tells.BoxGlovesAndCape => "To par hansker, slag, beskyttelseskrem",
            Tells.BoxBudsAndCard => "Bomullspinner, flekkserviett, fargekort til bilder",
            Tells.ProductComesFirst => "Dette er til støtte for en utdannet kolorist. Der anvisningen på produktet og lokale regler er strengere, gjelder de.",
            Tells.SpotBehindTheEar => "Bak øret eller på innsiden av albuen, på ren hud: en flekk fra fargeposen merket hudtest, stor som en liten mynt.",
            Tells.AnythingMeansStop => "Kløe, svie, rødme, hevelse eller blemmer, selv bare litt: skyll, ikke farg, og si det her.",
            Tells.ClearIsNoPromise => "En test uten utslag lover ikke at ingenting skjer.",
            Tells.LockMix => "Hansker på. Bland de to posene merket hårlokk i en skål som ikke er av metall.",
            Tells.LockTake => "Ta en skjult lokk bak, omtrent 1 cm bred. Mal etterveksten og de første 2 cm av lengdene.",
            Tells.LockPull => "Dra forsiktig i den mens den er våt: den skal sprette tilbake og ikke brekke.",
            Tells.LayOut => "Legg alt fram. Gammelt håndkle rundt halsen, dekk til gulv og vask, av med smykker, ut med kontaktlinser, vinduet åpent.",
            Tells.WashAndDry => "Vask håret og tørk det med håndkle.",
            Tells.WashedYesterday => "Håret vasket i går, uten balsam. Ikke skrubb hodebunnen i dag; gre det ut.",
            Tells.DampAndUnwashed => "Håret ikke vasket på en dag eller mer, og så fuktet med rent vann. Gre det ut.",
            Tells.DryAndUnwashed => "Håret tørt og ikke vasket i dag. Gre det ut, ikke skrubb hodebunnen.",
            Tells.BarrierCream => "Beskyttelseskrem på huden rundt hårfestet og ørene, ikke på håret.",
            Tells.NothingOnLengths => "Ingenting på lengdene.",
            Tells.ConditionerOnLengths => "Litt balsam på lengder som ikke skal ta farge.",
            Tells.FrameStaysBright =>
                "Hårfestet foran og tinningene skal forbli lyse: gre dem fram, fest dem bort fra resten, litt balsam på dem. Ingenting skal på dem.",
            Tells.PartInFour => "Del håret i fire: fra pannen til nakken, og fra øre til øre over toppen. Fest det.",
            Tells.GlovesStayOn => "Hansker på. De blir på.",
            Tells.OpenTheVial => "Hansker på. Åpne det lille glasset og dypp en bomullspinne i det.",
            Tells.LeaveTenMinutes => "La det sitte i ti minutter og tørk det av.",
            Tells.LeaveAndGoOn => "La det sitte, ett til to minutter, og gå videre.",
            Tells.StirSmooth => "Rør til den er glatt og tykk, og skrap i bunnen. Ikke noe metall.",
            Tells.ShakeEven => "Finger på tuten, rist til den er jevn.",
            Tells.RootToEnd => "Seksjoner på en fingerbredde. Arbeid den gjennom fra rot til tupp, og gre den.",
            Tells.ScalpStretch => "Nå stykket ved hodebunnen, en tommelbredde: der er det varmt, og det går fortere.",
            Tells.BeginOffTheScalp => "Begynn en tommelbredde fra hodebunnen og arbeid den utover det nye håret med hendene; hodebunnen kommer senere.",
            Tells.UpToWhatIsOn => "Bort til håret som alt har fått farge. Press den inn, ikke gni.",
            Tells.StopBeforeColoured => "Stopp 2 til 3 mm før det fargede håret. Press den inn, ikke gni.",
            Tells.EnoughOnEveryHair => "Nok på hvert hår: mindre lysner ikke mindre, det blir bare flekkete.",
            Tells.WhiteHere => "Hvitt her: et tykkere lag, hårene gjennomvåte.",
            Tells.SlantPartings => "Legg skillene på skrå og få med de små hårene rett utenfor hårfestet.",
            Tells.CombToTheEnd => "Gre den gjennom én gang, fra roten til der fargen slutter.",
            Tells.CombNewHair => "Gre det nye håret én gang, og stopp før det fargede håret.",
            Tells.CombTheRoot => "Gre hårfestet én gang, bort fra det fargede håret.",
            Tells.CoverDryHair => "Let etter tørt hår, og dekk det som ble glemt.",
            Tells.OpenOtherWay => "Åpne håret den andre veien og let etter hvitt eller tørt hår. Dekk det som ble glemt.",
            Tells.WipeDrips => "Tørk drypp og ører med en fuktig klut. Trykk, ikke skrubb.",
            Tells.WipeEveryHalfMinute => "Tørk én lokk ren hvert halve minutt og se: skyll i det øyeblikket den er riktig.",
            Tells.WipeEveryFewMinutes => "Tørk én lokk ren hvert tredje til femte minutt og se.",
            Tells.RootsLifted => "La hårfestet stå luftig og åpent. Ingen hette, ingen varme.",
            Tells.LooksDarker => "Den ser mørkere ut mens den virker: det er luften som gjør det, ikke resultatet.",
            Tells.CombThroughTheRest => "Gre det som er på, én gang gjennom resten, helt ut i tuppene.",
            Tells.StirInConditioner => "Rør først inn omtrent like mye balsam.",
            Tells.WorkWhatIsLeft => "Arbeid det som er igjen i skålen, gjennom lengdene med hendene.",
            Tells.CombOnce => "Gre én gang.",
            Tells.PaintSameHair => "Mal den på det samme håret som før, skill for skill.",
            Tells.BandOnly => "Arbeid den bare på det gule båndet, seksjon for seksjon, og gå videre med en gang.",
            Tells.GlossThrough => "Arbeid glansen gjennom lengdene, seksjon for seksjon, og gre den gjennom.",
            Tells.MixSecondPair => "Rekker den ikke, bland det andre paret slik du blandet det første.",
            Tells.UseAll => "Bruk alt.",
            Tells.ColourTakesStain => "Gni litt av fargen over flekker på huden og tørk: den tar flekken bedre enn vann.",
            Tells.ShampooOnceCondition => "Vask forsiktig én gang med sjampo. Balsam.",
            Tells.ShampooTowelDry => "Vask forsiktig med sjampo til skummet ikke har farge. Ingen balsam ennå: tørk med håndkle.",
            Tells.ShampooTwiceCondition => "Vask forsiktig med sjampo, som regel to ganger, til skummet ikke har farge. Balsam i lengdene.",
            Tells.RinseLukewarm => "Lunkent vann til det renner klart. Vask forsiktig én gang, balsam.",
            Tells.KeepNothing => "Ikke spar på rester: skyll dem bort, lukk dem aldri inne.",
            Tells.WeighWhatIsLeft => "Vei eller anslå først det som er igjen; rapporten spør om det, og neste sett passer deg bedre for det.",
            Tells.WaitWithShampoo => "Vent to til tre dager med neste hårvask, bruk da en mild sjampo uten sulfater; lite varme fra tang.",
            Tells.JudgeTomorrow =>
                "Bedøm fargen tørr, i dagslys, i morgen: noe ujevnhet gir seg med den første vasken eller to, og lamper og kameraer forskyver tonen.",
            Tells.TintedShampoo => "Blir hårfestet varmt i tonen før neste sett, så demper en farget sjampo mot varme det litt, slik dens egen etikett sier.",
            Tells.WhiterStaysLighter => "Der håret var hvitere, blir fargen lysere og blekner før: den kontrasten er normal.",
            _ => throw NoWords(what),
        };
}
