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
            BoxPair r => Sentences.Begin($"{(r.Use is { } use ? Of(use) + ", " : "")}{r.Pair}: a colour sachet and a developer bottle"),
            WatchTheSpot =>
                $"Leave it for {Values.SkinTestOnMinutes} minutes unless the sachet says otherwise, then wipe it off and watch the place for {Values.SkinTestHours} full hours.",
            LookAtLock r =>
                $"Look after {r.FirstMinutes:0} minutes and every 5 minutes after, up to {r.MostMinutes:0}. Rinse, dry, look in daylight next to the rest.",
            DabOn r => $"Dab it on the white at {Of(r.Zones)}.",
            MixThe r => $"Mix the {Pair(r.Pair)}{(r.Use is { } use ? $" of the {Of(use)}" : "")}",
            EmptyBoth r =>
                $"Empty the colour sachet and the bottle marked {r.Pair} ({Of(r.Use)}) completely into the {(r.Bowl ? "bowl" : "nozzle bottle")}: {r.Colour} and {r.Developer}.",
            StartAtOnce r =>
                $"Start at once: it works for {r.WorksForMinutes:0} minutes.{(r.KeepReserve ? " Keep the reserve sealed; mix it only if this runs short." : "")}",
            AtZone r => Sentences.Begin(Of(r.Zone))
                + r.Turn switch
                {
                    Turns.Scalp => ", at the scalp",
                    Turns.Grown => ", the grown hair",
                    _ => "",
                },
            WorkIn { Through: true } r => $"Slices as wide as a finger. Work it {First(r)}, then through to the ends, and comb it.",
            WorkIn r => $"Slices as wide as a finger. Work it {First(r)} and keep it there: the rest comes last.",
            Partings r =>
                $"{(r.Wide ? "Partings a finger's width apart." : "Thin partings, 3 to 6 mm.")} {(r.UndersideFirst ? "Underside first, turn it over, then the top." : "Paint the top side, turn it over, paint the underside.")}",
            Feather { OverBand: true } r => $"Feather it over the brassy band first, {r.Mm:0} mm past the line, lighter and lighter.",
            Feather r => $"Feather it {r.Mm:0} mm past the line, lighter and lighter.",
            RinseClear r => $"Lean forward. Lukewarm water{(r.CoolLast ? ", the last of it cool," : "")} until it runs clear, away from lighter lengths.",
            EndsLast => $"Leave the last hand's width out at first. The ends come for the last {Values.EndsMinutes:0} minutes only: they were coloured before.",
            TowelDried r => $"The hair is rinsed and towel-dried. {Of(r.Then)}",
            _ => throw NoWords(line),
        };

        static string First(WorkIn r) => r.OnBand ? "on the brassy band first" : "on the light roots first";
        static string Pair(string name) =>
            name switch
            {
                Core.Pair.Main => "main pair",
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
            Tells.SoftenTheWhite => "Soften the stubborn white",
            Tells.LookAndWait => "Look again, then wait",
            Tells.CombItThrough => "Comb it through",
            Tells.NowTheLengths => "Now the lengths",
            Tells.Rinse => "Rinse",
            Tells.SecondStep => "The second step on the roots",
            Tells.GlossOnBand => "The gloss on the band",
            Tells.GlossOnLengths => "The gloss on the lengths",
            Tells.RinseSecondStep => "Rinse the second step",
            Tells.RinseGloss => "Rinse the gloss",
            Tells.Afterwards => "Afterwards",
            Tells.RinseItOffNow => "Rinse it off now, with plenty of lukewarm water, then mild shampoo. Stop here.",
            Tells.InTheEye => "In the eye: contact lenses out, rinse with clean lukewarm water for 15 minutes, see a doctor.",
            Tells.CallForHelp => "Breathing trouble, dizziness or a swelling face: call your emergency number now.",
            Tells.BoxTestSachets => "Test sachets for skin and strand",
            Tells.BoxVial => "A small vial for stubborn white",
            Tells.BoxBowlAndBottle => "Bowl, brush with a tail, nozzle bottle, comb, four clips",
            Tells.BoxBowl => "Bowl, brush with a tail, four clips",
            Tells.BoxBottle => "Nozzle bottle, comb, four clips",
            Tells.BoxGlovesAndCape => "Two pairs of gloves, cape, barrier cream",
            Tells.BoxBudsAndCard => "Cotton buds, stain wipe, colour card for photographs",
            Tells.ProductComesFirst =>
                "This supports a licensed colourist. The instructions on the product and your local rules come first where they are stricter.",
            Tells.SpotBehindTheEar =>
                "Behind the ear or inside the elbow, on clean skin: a spot of the colour sachet marked skin test, the size of a small coin.",
            Tells.AnythingMeansStop => "Itching, burning, redness, swelling or blisters, even a little: rinse, do not colour, and say so here.",
            Tells.ClearIsNoPromise => "A clear test does not promise that nothing happens.",
            Tells.LockMix => "Gloves on. Mix the two strand-test sachets in a saucer that is not metal.",
            Tells.LockTake => "Take a hidden lock at the back, about 1 cm wide. Paint the regrowth and the first 2 cm of the lengths.",
            Tells.LockPull => "Pull it gently while wet: it must spring back and not break.",
            Tells.LayOut => "Lay everything out. Old towel round the neck, floor and basin covered, jewellery off, contact lenses out, window open.",
            Tells.WashAndDry => "Wash and towel-dry the hair.",
            Tells.WashedYesterday => "Hair washed yesterday without conditioner. Do not scrub the scalp today; detangle it.",
            Tells.DampAndUnwashed => "Hair not washed for a day or more, then damp with clean water. Detangle it.",
            Tells.DryAndUnwashed => "Hair dry and not washed today. Detangle it, do not scrub the scalp.",
            Tells.BarrierCream => "Barrier cream on the skin round the hairline and ears, not on the hair.",
            Tells.NothingOnLengths => "Nothing on the lengths.",
            Tells.ConditionerOnLengths => "A little conditioner on lengths that must not take colour.",
            Tells.FrameStaysBright =>
                "The hairline and the temples stay bright: comb them forward, clip them away from the rest, a little conditioner on them. Nothing goes on them.",
            Tells.PartInFour => "Part the hair in four: forehead to nape, and ear to ear over the top. Clip it.",
            Tells.GlovesStayOn => "Gloves on. They stay on.",
            Tells.OpenTheVial => "Gloves on. Open the small vial and dip a cotton bud in it.",
            Tells.LeaveTenMinutes => "Leave it for ten minutes and wipe it off.",
            Tells.LeaveAndGoOn => "Leave it on, one to two minutes, and go on.",
            Tells.StirSmooth => "Stir until smooth and thick, scraping the bottom. No metal.",
            Tells.ShakeEven => "Finger on the nozzle, shake until even.",
            Tells.RootToEnd => "Slices as wide as a finger. Work it through from root to end and comb it.",
            Tells.ScalpStretch => "Now the stretch at the scalp, a thumb's width: it is warm there and goes faster.",
            Tells.BeginOffTheScalp => "Begin a thumb's width off the scalp and work it along the new hair with your hands; the scalp comes later.",
            Tells.UpToWhatIsOn => "Up to the hair that is on already. Press in, no rubbing.",
            Tells.StopBeforeColoured => "Stop 2 to 3 mm before the coloured hair. Press in, no rubbing.",
            Tells.EnoughOnEveryHair => "Enough on every hair: less of it lifts no less, it only comes out blotchy.",
            Tells.WhiteHere => "White here: a fuller coat, hairs wet through.",
            Tells.SlantPartings => "Slant the partings and catch the small hairs just outside the hairline.",
            Tells.CombToTheEnd => "Comb it through once, from the root to where the colour ends.",
            Tells.CombNewHair => "Comb the new hair once, and stop short of the coloured hair.",
            Tells.CombTheRoot => "Comb the root once, away from the coloured hair.",
            Tells.CoverDryHair => "Look for dry hair and cover what was missed.",
            Tells.OpenOtherWay => "Open the hair the other way round and look for white or dry hair. Cover what was missed.",
            Tells.WipeDrips => "Wipe drips and ears with a damp cloth. Blot, do not scrub.",
            Tells.WipeEveryHalfMinute => "Wipe one strand clean every half minute and look: rinse the moment it is right.",
            Tells.WipeEveryFewMinutes => "Wipe one strand clean every 3 to 5 minutes and look.",
            Tells.RootsLifted => "Leave the roots lifted and open. No cap, no heat.",
            Tells.LooksDarker => "It looks darker while it works: that is the air at it, not the result.",
            Tells.CombThroughTheRest => "Comb what is on once through all the rest, to the ends.",
            Tells.StirInConditioner => "First stir in about as much conditioner.",
            Tells.WorkWhatIsLeft => "Work what is left in the bowl through the lengths with your hands.",
            Tells.CombOnce => "Comb once.",
            Tells.PaintSameHair => "Paint it on the same hair as before, parting by parting.",
            Tells.BandOnly => "Work it on the brassy band only, section by section, and go on at once.",
            Tells.GlossThrough => "Work the gloss through the lengths, section by section, and comb it through.",
            Tells.MixSecondPair => "If it runs short, mix the second pair as you mixed the first.",
            Tells.UseAll => "Use all of it.",
            Tells.ColourTakesStain => "Work a little of the colour over stained skin and wipe: it lifts the stain better than water.",
            Tells.ShampooOnceCondition => "Shampoo gently once. Condition.",
            Tells.ShampooTowelDry => "Shampoo gently until the lather shows no tint. No conditioner yet: towel-dry.",
            Tells.ShampooTwiceCondition => "Shampoo gently, twice as a rule, until the lather shows no tint. Condition the lengths.",
            Tells.RinseLukewarm => "Lukewarm water until it runs clear. Shampoo gently once, condition.",
            Tells.KeepNothing => "Do not keep what is left: rinse it away, never close it up.",
            Tells.WeighWhatIsLeft => "Weigh or guess what is left first; the report asks for it, and the next kit fits you better for it.",
            Tells.WaitWithShampoo => "Wait two to three days before the next shampoo, then a mild one without sulphates; little hot iron.",
            Tells.JudgeTomorrow =>
                "Judge the colour dry, in daylight, tomorrow: some unevenness settles with the first wash or two, and lamps and cameras shift the tone.",
            Tells.TintedShampoo =>
                "Should the roots turn warm before the next kit, a tinted shampoo against warmth tones them a little, as its own label says.",
            Tells.WhiterStaysLighter => "Where the hair was whiter the colour stays lighter and goes sooner: that contrast is normal.",
            _ => throw NoWords(what),
        };

    private static string Of(RunSays says) =>
        says switch
        {
            RinseFirstNow r => $"Rinse now at the {Of(r.Zones)}: the colour has been on there as long as it may. Keep the rest dry.",
            RinseFirstIn r =>
                $"Rinse first at the {Of(r.Zones)}, in {r.Minutes:0} min, and keep the rest dry. The rest comes off {r.RestMinutesLater:0} min later.",
            TimeIsUp { ForMinutes: < 1 } => "The time is up: rinse now.",
            TimeIsUp r => $"The time has been up for {r.ForMinutes:0} min: rinse now.",
            MixIsOld r =>
                $"This mix is {r.Minutes:0} min old and works no longer as it should: {(r.Reserve ? "mix the sealed reserve fresh for what is left" : "paint only what matters most with it and tell your colourist")}.",
            TimeShortened r => $"The time after the last stroke is shortened to {r.ToMinutes:0} min, so that nothing is on too long. Nothing is spoilt.",
            BehindPlan r => $"You are {r.Minutes:0} min behind the plan. Nothing is wrong: go on as you do, the rinse moves with you.",
            _ => throw NoWords(says),
        };
}
