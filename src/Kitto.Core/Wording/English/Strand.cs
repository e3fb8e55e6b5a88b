using Kitto.Core.Reasons;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    private static readonly string LastMinutes = $"for the last {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes";

    private static string Of(StrandReason reason) =>
        reason switch
        {
            LengthsClearAsWished => "The lengths get a clear gloss for shine, as wished, once the roots are rinsed and towel-dried.",
            LengthsPulledAsWished r => $"The lengths shall be {r.Level} {r.Tone}, as the roots: the mix is pulled through {LastMinutes}.",
            LengthsOwnWish r =>
                $"The lengths have their own wish, {r.Level} {r.Tone}: a gloss of their own, mixed fresh once the roots are rinsed and towel-dried.",
            BrightGetClear =>
                "The lengths are lightened or highlighted and nothing else is wished for them: a clear gloss, for shine alone. Root colour or its level would paint them dark.",
            RightGetClear => "The lengths are right as they are: a clear gloss, for shine alone.",
            OtherToneGetsClear r =>
                $"The lengths are {r.Tone} and nothing is wished for them: a clear gloss, for shine alone. Say what they shall be if they are to change.",
            HalfALevelBack r =>
                $"The lengths have faded by {Levels(r.FadedLevels)}. A gloss gives them half a level back, to {r.BackTo:0.#}; deeper wants a wish of their own.",
            FadedGetTheirsBack r => $"The lengths have faded by {Levels(r.FadedLevels)}: a gloss gives them their own level and family back.",
            NothingToFreshen r => $"The lengths are at {r.Lengths}, the wish is {r.Wish}: nothing to freshen, so they are left alone.",
            HouseLeavesLengths => "The house leaves lengths alone.",
            HouseOwnFormula => "The house gives lengths a formula of their own, after the rinse.",
            HouseDilutes =>
                $"The house dilutes the remaining mix with conditioner for the lengths, {Values.EndsMinutes:0} to {Values.PulledMinutes:0} minutes.",
            PorousGetDiluted r =>
                $"The lengths have faded by {Levels(r.FadedLevels)} and are porous, which takes fast and deep: what is left is stirred with as much conditioner {LastMinutes}, the ends last.",
            FadedPulledThrough r =>
                $"The lengths have faded by {Levels(r.FadedLevels)} and take the same shade: the mix is pulled through {LastMinutes}, the ends last.",
            FadedLeftAlone r => $"The lengths are left alone. They have faded by {Levels(r.FadedLevels)}; a refresh would help.",
            LengthsUnderMask => "The lengths are kept under a conditioning mask while the lightener works.",
            LengthsLeftAlone => "The lengths are left alone: colour on coloured hair only adds up.",
            BrightNotRefreshed => NotRefreshed("they are lightened or highlighted, and root colour would paint them dark"),
            OtherToneNotRefreshed r => NotRefreshed($"they are {r.Lengths}, another family than the {r.Roots} of the roots"),
            TooFadedToRefresh r => NotRefreshed($"they are {Levels(r.Levels)} lighter than the roots are to be, which is more than fading"),
            TwoStepsInOne r =>
                $"Two steps in one sitting: after the rinse {r.Line} of the same level and family goes on the same hair, for depth and a longer life on stubborn white.",
            NoClearInStock => "There is no clear in stock, and anything else would tint the lengths: they are left alone.",
            BandGetsThat r => Of(r.What),
            BandOwnGloss r =>
                $"The band is {r.Level} {r.Tone} and shall be as the lengths, {r.Wish} {r.WishTone}: it gets a gloss of its own first{(r.At == r.Wish ? "" : $", at its own level {r.At}, since no gloss makes hair lighter")}.",
            NothingOff r => $"The hair is {r.Level} {r.Tone} already: nothing is to be changed but shine, so the gloss is clear, alone.",
            NotOneMix r =>
                $"One mix cannot serve all that is off: {string.Join(" and ", r.Mixes.Select(m => $"one for the {string.Join(" and ", m.On.Select(Part))} at level {m.Level}"))}.",
            GlossForWhatIsOff r =>
                $"The lengths are right; the {string.Join(" and the ", r.Off.Select(Part))} {(r.Off.Count > 1 ? "are" : "is")} not. The gloss is chosen for what is off, goes there first and is combed through the rest for the last {Values.ThroughMinutes:0} minutes.",
            GlossFirstWhereFurthest r =>
                $"The {string.Join(" and the ", r.First.Select(Part))} get{(r.First.Count > 1 ? "" : "s")} it first, where it is furthest from {r.Level} {r.Tone}; it is combed through the lengths last.",
            ShadowLies r =>
                $"The shadow lies at level {r.Level:0.#}, {Levels(r.DeeperLevels)} deeper than the lengths, and is feathered {r.TailFront.Value:0} to {r.TailBack.Value:0} mm past the line.",
            ShadowReadsBadly r =>
                $"A shadow reads best one to three levels deeper than the lengths and at the natural level or one lighter; level {r.Level:0.#} is {(r.DeeperLevels >= 0 ? $"{Levels(r.DeeperLevels)} deeper" : $"{Levels(-r.DeeperLevels)} lighter")} than the lengths{(r.BelowNatural > 0 ? $" and {Levels(r.BelowNatural)} below the natural" : "")}.",
            BlendedNotCovered r =>
                $"The house blends white rather than covering it, so {r.Line} is taken: soft, no hard line, faded in six to eight weeks. It is never promised as full cover.",
            DemiBlendsWhite => "Demi blends the white softly and fades; it is never promised as full cover.",
            PermanentCovers => "Permanent colour covers the white; the line shows again after about four weeks.",
            DemiWouldBeGentler => "Little white or a soft wish: a blend in demi would be gentler and leave no hard line; permanent covers it.",
            DecidedInSpite r => $"Decided for this client in spite of this caution: {Decided(r.Reason, r.Person, r.On)}",
            DecidedOtherwise r => $"For this client {r.Way}, where the house has it {r.House}: {Decided(r.Reason, r.Person, r.On)}",
            _ => throw NoWords(reason),
        };

    private static string NotRefreshed(string because) => $"The lengths are left alone: {because}. Say what they shall be, and they get a gloss of their own.";

    private static string Decided(string reason, string person, DateOnly on) => $"\"{reason}\" ({person}, {on:d MMM yyyy}).";

    private static string Of(BandGets what) =>
        what switch
        {
            BandGets.ShadowTail => "The tail of the shadow is feathered over the band first, so that the brassy stretch melts into the lengths.",
            BandGets.NoLift => "The lift stays off the band; a slight warmth may show there for a week or two.",
            BandGets.LightenerUpToIt => "The lightener is feathered up to the band and never laps over it.",
            BandGets.SameGloss => "The band gets the same gloss as the lengths.",
            BandGets.PulledThrough => "The band gets the pulled-through mix with the lengths.",
            BandGets.Nothing => "The band is left as it is: the root mix stays off it, and it may show between the new roots and the lengths.",
            _ => throw NoWords(what),
        };

    /// <summary>A part of the hair that a gloss goes on.</summary>
    private static string Part(Stretch stretch) =>
        stretch switch
        {
            Stretch.Lengths => "lengths",
            Stretch.Band => "band",
            _ => "roots",
        };

    private static string Levels(double levels) => levels == .5 ? "half a level" : $"{levels:0.#} level{(levels == 1 ? "" : "s")}";
}
