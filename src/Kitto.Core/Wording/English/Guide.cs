using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>The client's guide, read with gloves on and one thing at a time: short sentences, nothing but what to do.</summary>
internal sealed partial class English
{
    private static string Of(GuideLine line)
    {
        return line switch
        {
            Tell r => Of(r.What),
            CallAmbulance r => $"Trouble breathing, feeling faint, or your face is swelling? Call an ambulance now: {r.Number}.",
            BoxPair r => Sentences.Begin($"{(r.Use is { } use ? Of(use) + ", " : "")}{r.Pair}: a colour sachet and a developer bottle"),
            OpenSkinSachet r => $"Open the sachet marked Skin test ({Of(r.Use)}), {r.Line}. Do not mix it with anything.",
            DabOnSkin r =>
                $"Put a dab the size of a small coin on clean, dry skin {r.Place switch { 0 => "behind your left ear", 1 => "behind your right ear", _ => "on the inside of your elbow" }}. Use a cotton bud.",
            WatchTheSpot =>
                $"Leave it on for {Values.SkinTestOnMinutes} minutes, unless the sachet gives a different time. Wipe it off. Check that spot for a full {Values.SkinTestHours} hours, counted from when you put it on.",
            LookAtStrand r =>
                $"Check it after {r.FirstMinutes:0} minutes, then every {Core.Guide.StrandLookMinutes:0} minutes. Never leave it on for more than {r.MostMinutes:0} minutes in total.",
            DabOn r => $"Dab the grey hair at your {Of(r.Zones)}.",
            MixThe r => $"Mix the {Bowl(r.Pair)}{(r.Use is { } use ? $" ({Of(use)})" : "")}",
            EmptyBoth r =>
                $"Take the colour sachet and the bottle marked {r.Pair} ({Of(r.Use)}). Squeeze all of both into the {(r.Bowl ? "bowl" : "nozzle bottle")}.",
            StartAtOnce r =>
                $"Start straight away. This mix works for {r.WorksForMinutes:0} minutes.{(r.KeepReserve ? " Leave the spare (reserve) sealed. Mix it only if this runs out." : "")}",
            AtZone r => Sentences.Begin(Of(r.Zone))
                + r.Turn switch
                {
                    Turns.Scalp => ", nearest your scalp",
                    Turns.Grown => ", further down",
                    _ => "",
                },
            WorkIn { Through: true } r => $"Take sections about 2.5 cm wide. Work the colour in {First(r)}. Then work it through to the ends and comb it.",
            WorkIn r => $"Take sections about 2.5 cm wide. Work the colour in {First(r)}. Do not take it further yet.",
            Partings r =>
                $"{(r.Wide ? "Take sections about 12 mm wide." : "Take thin sections, 3 to 6 mm.")} {(r.UndersideFirst ? "Paint underneath, turn it over, then paint the top." : "Paint the top, turn it over, paint underneath.")}",
            Feather { OverBand: true } r =>
                $"Carry on over the brassy stripe, {r.Mm:0} mm past the line where your old colour starts, with less and less on the brush, so there is no hard edge.",
            Feather r => $"Carry on {r.Mm:0} mm past the line where your old colour starts, with less and less on the brush, so there is no hard edge.",
            RinseClear r =>
                $"Lean forward over the basin. Rinse with lukewarm water until it runs clear{(r.CoolLast ? ", and finish with cool water" : "")}. Let the water run away from lighter hair.",
            EndsLast =>
                $"Leave out the last 8 cm at first. Take the colour through to the ends for the last {Values.EndsMinutes:0} minutes only: they have been coloured before.",
            TowelDried r => $"Your hair is rinsed and towel-dried. {Of(r.Then)}",
            _ => throw NoWords(line),
        };

        static string First(WorkIn r) => r.OnBand ? "at the brassy stripe first" : "at the light roots first";
        static string Bowl(string name) =>
            name switch
            {
                Pair.Main => "main colour",
                Pair.Reserve => "spare (reserve)",
                "A" => "first bowl",
                "B" => "second bowl",
                "C" => "third bowl",
                var other => other,
            };
    }

    private static string Of(Tells what) =>
        what switch
        {
            Tells.GetReady => "Get ready",
            Tells.SoftenTheWhite => "Soften the stubborn greys",
            Tells.LookAndWait => "Check, then leave it on",
            Tells.CombItThrough => "Comb it through",
            Tells.NowTheLengths => "Now the rest of your hair",
            Tells.Rinse => "Rinse",
            Tells.SecondStep => "Second colour on your roots",
            Tells.GlossOnBand => "Gloss on the brassy stripe",
            Tells.GlossOnLengths => "Gloss on the rest of your hair",
            Tells.RinseSecondStep => "Rinse out the second colour",
            Tells.RinseGloss => "Rinse out the gloss",
            Tells.Afterwards => "Afterwards",
            Tells.RinseNow => "Rinse your hair now with plenty of lukewarm water. Then use a mild shampoo. Do not use anything else from this kit.",
            Tells.RinsedAlready => "Still stinging, burning or itching? Rinse again with plenty of lukewarm water. Do not use anything else from this kit.",
            Tells.WashTheSpot => "Wash the spot with lukewarm water and mild soap. Do not scratch it. Do not use anything from this kit.",
            Tells.DoNotColourAgain => "Do not use anything from this kit, and do not colour your hair with anything else.",
            Tells.InTheEye =>
                "Colour in your eye? Rinse it straight away with plenty of clean, lukewarm water, for at least 15 minutes. Take out contact lenses while you rinse. Then get medical help.",
            Tells.SeeADoctor => "Sore, swollen or blistered skin? See a doctor or pharmacist today. Take the leaflet from the box with you.",
            Tells.CheckWindow => "Open a window.",
            Tells.CheckChildren => "Send children and pets out of the room.",
            Tells.CheckFlames => "Put out candles and other flames. Put the hairdryer away.",
            Tells.CheckLenses => "Take out contact lenses.",
            Tells.CheckJewellery => "Take off earrings and other jewellery.",
            Tells.CheckMetal => "Put metal bowls, spoons and clips away. Use only what is in the box.",
            Tells.CheckBrows => "Never colour eyebrows, eyelashes or a beard. It can make you blind.",
            Tells.CheckGloves => "Put on the gloves. Do not take them off until everything is rinsed.",
            Tells.BoxTestSachets => "Test sachets for skin and strand",
            Tells.BoxVial => "A small vial of developer for stubborn greys",
            Tells.BoxBowlAndBottle => "Bowl, brush with a pointed handle, nozzle bottle, comb, four clips",
            Tells.BoxBowl => "Bowl, brush with a pointed handle, four clips",
            Tells.BoxBottle => "Nozzle bottle, comb, four clips",
            Tells.BoxGlovesAndCape => "Two pairs of gloves, cape, barrier cream",
            Tells.BoxBudsAndCard => "Cotton buds, stain wipe, colour card for photos",
            Tells.ProductComesFirst =>
                "A licensed colourist made this kit for you. Where the instructions on a product or your local rules are stricter, follow those.",
            Tells.TestGloves => "Put on a pair of gloves.",
            Tells.KeepSpotDry => "You can shower. Keep soap, shampoo and cream off the spot. Do not scratch it.",
            Tells.AnythingMeansStop => "Itching, burning, redness, swelling or blisters, even a little? Wash it off. Do not colour. Report it here.",
            Tells.ClearIsNoPromise => "A clear test makes a reaction less likely. It does not rule one out.",
            Tells.StrandMix => "Put on a pair of gloves. Mix the two sachets marked Strand test in a saucer that is not metal.",
            Tells.StrandChoose =>
                "Choose a thin section of hair at the back, about 1 cm wide, where it will not show. Do not cut it. Paint the new growth and the first 2 cm of coloured hair below it.",
            Tells.StrandRinse => "Rinse it, dry it, and look at it in daylight next to the rest of your hair.",
            Tells.StrandPull => "Pull it gently while it is wet. It should spring back and not break.",
            Tells.LayOut => "Lay everything out. Put an old towel round your neck. Cover the floor and the basin.",
            Tells.WashAndDry => "Wash your hair and towel-dry it.",
            Tells.WashedYesterday => "Do not wash your hair today. (We asked you to wash it yesterday, without conditioner.) Detangle it gently.",
            Tells.DampAndUnwashed => "Do not shampoo today. Dampen your hair with clean water and detangle it.",
            Tells.DryAndUnwashed => "Do not wash your hair today. It should be dry. Detangle it gently. Do not scrub your scalp.",
            Tells.BarrierCream => "Put barrier cream on the skin round your hairline and ears. Keep it off your hair.",
            Tells.NothingOnLengths => "Do not put anything on the rest of your hair.",
            Tells.ConditionerOnLengths => "Put a little conditioner on hair that must not take colour.",
            Tells.FrameStaysBright =>
                "Your hairline and temples stay bright. Comb them forward, clip them away from the rest and put a little conditioner on them. No colour goes there.",
            Tells.PartInFour => "Part your hair in four: forehead to nape, and ear to ear over the top. Clip each part.",
            Tells.OpenTheVial => "The small vial holds developer. Keep it off your skin and out of your eyes. Dip a cotton bud in it.",
            Tells.LeaveTenMinutes => "Leave it on for ten minutes. Then wipe it off.",
            Tells.LeaveAndGoOn => "Leave it on. Do not wipe it off. After one to two minutes, go to the next step.",
            Tells.StirSmooth => "Stir until it is smooth and thick. Scrape the bottom. No metal.",
            Tells.ShakeEven => "Put a gloved finger on the nozzle. Shake until it is even.",
            Tells.RootToEnd => "Take sections about 2.5 cm wide. Work the colour through from root to end and comb it.",
            Tells.ScalpStretch => $"Now paint the {Values.ScalpStretchMm:0} mm nearest your scalp. Colour works faster there because the scalp is warm.",
            Tells.BeginOffTheScalp =>
                $"Start {Values.ScalpStretchMm:0} mm away from your scalp. Work the colour along the new hair with your hands. The scalp comes later.",
            Tells.UpToWhatIsOn => "Paint up to where you have already put colour. Press it in. Do not rub.",
            Tells.StopBeforeColoured => "Stop 2 to 3 mm before your old colour starts. Press it in. Do not rub.",
            Tells.EnoughOnEveryHair => "Put plenty on every hair. Using less does not make it gentler, only patchy.",
            Tells.WhiteHere => "There is more grey here. Put the colour on thickly, so that every hair is soaked in it.",
            Tells.SlantPartings => "Slant your sections here. Catch the small hairs just outside the hairline.",
            Tells.CombToTheEnd => "Comb it through once, from the root to where the colour ends.",
            Tells.CombNewHair => "Comb the new hair once. Stop before your old colour starts.",
            Tells.CombTheRoot => "Comb the root once, away from your old colour.",
            Tells.CoverDryHair => "Look for dry hair. Cover what you missed.",
            Tells.OpenOtherWay => "Part your hair the other way and look for grey or dry hair. Cover what you missed.",
            Tells.WipeDrips => "Wipe drips and ears with a damp cloth. Blot, do not scrub.",
            Tells.WipeEveryHalfMinute => "Wipe one strand clean every half minute and look at it. Rinse the moment it is right.",
            Tells.WipeEveryFewMinutes => "Wipe one strand clean every 3 to 5 minutes and look at it.",
            Tells.RootsLifted => "Keep your roots loose so that air can reach them. Do not cover your hair. No hairdryer.",
            Tells.LooksDarker => "It looks very dark now. That is normal: it is not the final colour.",
            Tells.CombThroughTheRest => "Comb the colour once through all the rest of your hair, to the ends.",
            Tells.StirInConditioner => "First stir in about the same amount of conditioner.",
            Tells.WorkWhatIsLeft => "Work the mix that is left in the bowl through the rest of your hair with your hands.",
            Tells.CombOnce => "Comb once.",
            Tells.PaintSameHair => "Paint it on the same hair as before, section by section.",
            Tells.BandOnly => "Work it into the brassy stripe only, section by section. Then go straight to the next step.",
            Tells.GlossThrough => "Work the gloss through the rest of your hair, section by section, and comb it through.",
            Tells.MixSecondPair => "If it runs out, mix the second sachet and bottle in the same way.",
            Tells.UseAll => "Use all of it.",
            Tells.ColourTakesStain => "Colour on your skin? Rub a little of the mix over the stain and wipe it off. That works better than water.",
            Tells.ShampooOnceCondition => "Shampoo gently once. Then condition.",
            Tells.ShampooTowelDry => "Shampoo gently until the lather has no colour. Do not condition yet. Towel-dry.",
            Tells.ShampooTwiceCondition => "Shampoo gently, usually twice, until the lather has no colour. Condition the rest of your hair.",
            Tells.RinseLukewarm => "Rinse with lukewarm water until it runs clear. Shampoo gently once. Then condition.",
            Tells.KeepNothing => "Then rinse leftover mix away. Never seal it in a bottle or bag: it gives off gas and can burst.",
            Tells.WeighWhatIsLeft => "Before you throw any leftover mix away, weigh it or estimate how much there is. Your report asks.",
            Tells.WaitWithShampoo => "Wait two to three days before you shampoo again. Use a mild shampoo without sulphates. Keep straighteners cool and rare.",
            Tells.JudgeTomorrow =>
                "Judge the colour tomorrow, dry and in daylight. Small patches often settle after a wash or two. Lamps and cameras change the tone.",
            Tells.TintedShampoo => "If your roots start to look brassy before your next kit, a toning shampoo will help a little. Follow its label.",
            Tells.WhiterStaysLighter => "Where you had more grey, the colour is lighter and fades sooner. That is normal.",
            _ => throw NoWords(what),
        };

    private static string Of(RunSays says) =>
        says switch
        {
            RinseFirstNow r => $"Rinse your {Of(r.Zones)} now. Colour has been on there for the longest time allowed. Keep the rest of your hair dry.",
            RinseFirstIn r =>
                $"In {r.Minutes:0} min, rinse only your {Of(r.Zones)}. Keep the rest dry. Rinse everything else {r.RestMinutesLater:0} min later.",
            TimeIsUp { ForMinutes: < 1 } => "Rinse now. The time is up.",
            TimeIsUp r => $"Rinse now. The time was up {r.ForMinutes:0} min ago.",
            MixIsOld { Reserve: true } r =>
                $"This mix is {r.Minutes:0} min old and too weak now. Mix the sealed reserve in a clean bowl and use it for the hair you have not painted yet.",
            MixIsOld r => $"This mix is {r.Minutes:0} min old and too weak now. Use it only on your hairline and parting, then tell your colourist.",
            TimeShortened r => $"Shorter wait: {r.ToMinutes:0} min after the last section, so that no part has colour on for too long.",
            BehindPlan r => $"You are {r.Minutes:0} min behind. That is fine. Go on: the rinse time moves with you.",
            _ => throw NoWords(says),
        };
}
