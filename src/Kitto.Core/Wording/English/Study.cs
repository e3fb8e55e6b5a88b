using System.Globalization;
using Kitto.Core.Head;
using Kitto.Core.Learning;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

/// <summary>What is told of heads to learn on: clients speak for themselves here, and do not know which of it matters.</summary>
internal sealed partial class English
{
    private static string Of(StudySays says) =>
        says switch
        {
            WishTold { Service: Service.Gloss, Band: true } => "There is a brassy stripe below my roots. Can you make it go away? The rest is fine.",
            WishTold r => Wish(r.Service),
            WishAgreed r => $"Agreed over the swatches: the {(r.Lengths ? "lengths" : "roots")} to level {r.Level}, {Named(r.Tone)}.",
            LengthsClearAgreed => "Agreed: nothing but shine for the lengths.",
            AgeTold r => $"I am {r.Years}.",
            StopTold r => Told(r.Stop),
            ScalpTold r => Told(r.Scalp),
            ConditionTold r => Told(r.Condition),
            HistoryTold r => Told(r.History),
            StraightenedTold r => $"My hair was straightened at a friend's house, {Ago(r.DaysAgo)}. It lies beautifully.",
            MedicineTold => "The doctor put me on new tablets last week, for the blood pressure.",
            PregnancyTold => "We are expecting, in the spring.",
            HarmlessTold r => Harmless(r.Which),
            FirstKitTold r => r.First ? "No kit was ever sent." : "Kits have been sent before.",
            LastColourTold r => $"The roots were last coloured {Ago(r.DaysAgo)}.",
            HandsTold r => $"Who applies it: {Hands(r.Who, r.Practised)}.",
            UsedTold { RanOut: true } r => $"{Sentences.Begin(Ago(r.DaysAgo))}: {r.Sent} sent, and it ran out.",
            UsedTold r => $"{Sentences.Begin(Ago(r.DaysAgo))}: {r.Sent} sent, {r.Left} left over.",
            LastFormulaTold r =>
                $"Last time: {MixPart.Written(r.Parts)}{(r.Developer is { } v ? $" with {v}" : "")}; {(r.AllRight ? "it came out right" : "it did not come out right")}.",
            SkinTestTold { DaysAgo: null } => "No skin test on record.",
            SkinTestTold r => r.Result == SkinResult.Clear
                ? $"Skin test of the permanent line: clear, {Ago(r.DaysAgo.Value)}."
                : $"Skin test of the permanent line, {Ago(r.DaysAgo.Value)}: \"a little red and it itched in the evening, gone by morning\".",
            StrandTestTold r => Strand(r.Result),
            LengthsNoted r => $"The lengths were noted as {r.Level} {r.Tone}{(r.Highlighted ? ", with lighter pieces" : "")}.",
            HairFelt r =>
                $"{Felt(r.Texture)}; {Felt(r.Density)}; {Felt(r.Porosity)}; {r.LengthCm.ToString("0.#", CultureInfo.InvariantCulture)} cm from the crown to the ends.",
            WhiteFelt r => $"The white of the {Of(r.Zones)} is coarse and glassy; water rolls off it.",
            _ => throw NoWords(says),
        };

    private static string Named(Tone tone) => string.Join(" and ", tone.Families.Select(Of)) + $" ({tone})";

    private static string Wish(Service service) =>
        service switch
        {
            Service.RootTouchUp => "Only my roots, please. Leave the rest alone.",
            Service.RootAndRefresh => "My roots, and the rest has gone dull; freshen it with the same.",
            Service.Gloss => "The lengths have lost their tone. Could they be like on the swatch again?",
            Service.RootAndGloss => "My roots, and something nice for the lengths as well.",
            Service.RootShadow => "Deeper at the top and melting into the light lengths, so that it grows out softly.",
            Service.BaseLift => "Could what grows in be a little lighter, so that the line does not shout?",
            Service.GreyBlend => "I do not mind the white; just soften it.",
            Service.Lighten => "Blonde, please. Really blonde, right from the scalp.",
            _ => throw NoWords(service),
        };

    private static string Told(ToldStop stop) =>
        stop switch
        {
            ToldStop.ReactedBefore => "Years ago my ears and eyelids swelled up after a colour. It has been fine to look at other people's since.",
            ToldStop.BlackHenna => "On holiday I had one of those black drawings painted on my arm. It itched for two weeks, but it is gone.",
            ToldStop.LockReacted => "I put a lock of hair in the bottle as you asked: it got warm and smelled odd.",
            _ => throw NoWords(stop),
        };

    private static string Told(Scalp scalp) =>
        scalp switch
        {
            Scalp.Sound => "My scalp is fine.",
            Scalp.Sensitive => "My scalp is a bit touchy, it prickles with some shampoos.",
            Scalp.Sunburnt => "I forgot my hat on the boat; my parting is red and hot.",
            Scalp.Broken => "I scratched my head open on a shelf, behind the ear. It is nearly closed.",
            Scalp.Inflamed => "There is a sore patch on top of my head since Sunday.",
            Scalp.Infected => "I have something weeping at the back of my head; the chemist gave me a cream.",
            _ => throw NoWords(scalp),
        };

    private static string Told(string condition) =>
        condition switch
        {
            "rash" => "There is a rash along my neck, just into the hair.",
            "wound" => "I had stitches at the temple on Tuesday.",
            "freshPiercing" => "I got a ring in my ear last week, right up at the top. Looks great.",
            "breakage" => "Little short hairs come off in the comb lately, mostly at the front.",
            "severeDamage" => "My ends feel like cotton wool when they are wet and stay stretched.",
            _ => $"There is something I should say: {Named(condition)}.",
        };

    private static string Told(LengthHistory history) =>
        history switch
        {
            LengthHistory.Virgin => "Nothing was ever put on my hair.",
            LengthHistory.Permanent => "It has been coloured at the salon for years.",
            LengthHistory.Demi => "It had a soft colour at the salon, the kind that fades.",
            LengthHistory.Gloss => "It had a gloss now and then.",
            LengthHistory.Lightened => "It was lightened at the salon.",
            LengthHistory.BoxDye => "I did it myself with something from the shop. I threw the box away.",
            LengthHistory.Henna => "I used henna from a cousin for a while, the dark one.",
            LengthHistory.Metallic => "I comb a lotion through that brings the old colour back a little more each day.",
            LengthHistory.Unknown => "I am not sure what was put on it.",
            _ => throw NoWords(history),
        };

    private static string Harmless(int which) =>
        which switch
        {
            0 => "My father was white at thirty.",
            1 => "I have a tattoo on my shoulder, fifteen years old.",
            2 => "Cats make me sneeze.",
            3 => "I swim in the sea three times a week.",
            4 => "A friend of mine uses henna; I never did.",
            _ => "I wash my hair every other day.",
        };

    private static string Strand(StrandResult result) =>
        result switch
        {
            StrandResult.Right => "The test strand came right.",
            StrandResult.Damaged => "The test strand: \"it went long like chewing gum and did not spring back\".",
            StrandResult.TooLight => "The test strand came out too light.",
            StrandResult.TooDark => "The test strand came out too dark.",
            StrandResult.TooWarm => "The test strand came out too warm.",
            StrandResult.TooCool => "The test strand came out too cool.",
            StrandResult.GreyShows => "White still showed on the test strand.",
            _ => throw NoWords(result),
        };

    private static string Felt(Texture texture) =>
        texture switch
        {
            Texture.Fine => "Fine: a single hair can hardly be felt",
            Texture.Medium => "Medium: a single hair can just be felt",
            Texture.Coarse => "Coarse: a single hair feels like thread",
            _ => throw NoWords(texture),
        };

    private static string Felt(Density density) =>
        density switch
        {
            Density.Low => "little hair, the scalp shows through",
            Density.Medium => "as much hair as most have",
            Density.High => "a great deal of hair",
            _ => throw NoWords(density),
        };

    private static string Felt(Porosity porosity) =>
        porosity switch
        {
            Porosity.Low => "water beads on it",
            Porosity.Normal => "takes water as hair does",
            Porosity.High => "drinks water at once, rough when slid backwards",
            _ => throw NoWords(porosity),
        };

    private static string Of(TrialSays says) =>
        says switch
        {
            StopOverlooked r => $"This head must not be coloured{(r.InTheChair ? ", not in the chair either" : "")}.",
            SalonOverlooked => "A kit cannot do this: only the salon.",
            TooCareful { Needed: Decision.Kit } => "A kit does this safely; nobody had to be turned away or called in.",
            TooCareful r => $"Too careful: {(r.Needed == Decision.Salon ? "the salon can do this" : "there was nothing to refuse")}.",
            NotForAKit => "Mixed like this it may not leave the chair.",
            TestLeftOut => "Sent without a test that this head needs first.",
            ColourMisses r =>
                $"The {(r.OnLengths ? "lengths come" : "roots come")} out {r.DeltaE:0.0} from the wish, {Far(r.DeltaE)}; {r.BestDeltaE:0.0} can be had. {Blamed(r.Blames)} alone would have made it {r.RightedDeltaE:0.0}.",
            ComesOutGreenHere r => $"Somewhere it comes out green (a* {r.A:0.0}).",
            WhiteStays r => $"White shows through: {r.White} white would be stained, not covered.",
            TooStrongForLine r => $"{r.Volume} is stronger than {r.Line} is made for: hair that only wants tone is opened and roughened.",
            UnwishedLift r => $"It lifts natural hair by {r.Levels:0.0} levels that nobody wished for, and what is laid bare is warm.",
            WouldRunOut r => $"It would run out {r.RunsOut.Percent:0} times in 100: {r.Sent} sent, about {r.Needed} needed to be safe nine times in ten.",
            MuchLeft r => $"About {r.Left} would be thrown away: {r.Needed} would have been enough.",
            ContactMissed r =>
                $"The {Of(r.Zone)} has the colour on for {r.Contact}, {Math.Abs(r.MissMinutes):0.#} min {(r.MissMinutes > 0 ? "too long" : "too short")}.",
            _ => throw NoWords(says),
        };

    private static string Blamed(Topic topic) =>
        topic switch
        {
            Topic.Developer => "The other developer",
            Topic.Service => "The other service",
            Topic.Clock => "The other order or time",
            _ => "The other mix",
        };

    private static string Of(NothingMissed r) =>
        r.Decision switch
        {
            Decision.Stop => "Rightly refused.",
            Decision.Salon => "Rightly called into the salon.",
            _ => "Nothing here that a colourist would put right.",
        };

    private static string Of(DeveloperAsked r) =>
        $"Natural level {r.Natural}, {Of(r.Texture)}, {r.White} white, wished level {r.Wish}, with {(r.HighLift ? "a high-lift shade" : "permanent colour")}. Which developer?";

    private static string Of(GramsAsked r) =>
        $"Regrowth of {r.Regrowth} all over, {Of(r.Texture)}; {Felt(r.Density)}; {Hands(r.Who, r.Practised)}; mixed {r.Ratio}. How much mix is sent?";

    private static string Of(PlanAsked r) =>
        $"Today is {Day(r.Today)}. The colour is wanted by {Day(r.WantBy)}. Post leaves on {string.Join(" and ", r.PostDays)} and takes {(r.TransitDays == 1 ? "one day" : $"{r.TransitDays} days")}. On which day does the box leave, with one later post day in reserve?";

    private static string Of(Texture texture) => $"{texture} hair".ToLowerInvariant();

    private static string Hands(Who who, bool practised) =>
        $"{who switch
        {
            Who.Trained => "trained hands",
            Who.Helper => "a helper at home",
            Who.Alone => "alone, with two mirrors",
            _ => throw NoWords(who),
        }}, {(practised ? "who has done it before" : "for the first time")}";
}
