using Kitto.Core.Reasons;

namespace Kitto.Core.Wording;

internal sealed partial class English
{
    /// <summary>What stands beside a mix or before a signature.</summary>
    private static string Beside(Saying saying)
    {
        return saying switch
        {
            BesideTheChosen r => string.Join(", ", new[] { MoreParts(r.MoreParts), Nearer(r.Nearer) }.Where(s => s.Length > 0)),
            PlainlyAnother r => $"The {Of(r.Use)} comes out {r.DeltaE:0.0} from the wish, plainly another colour: I have seen that and mean it.",
            TakenFor r =>
                $"Nobody said so, but I take it that {Taken(r.Path)}; otherwise {(r.ByGrams ? $"the grams would move by {r.GramsShare * 100:0} %" : $"the colour would move by {r.DeltaE:0.0}")}.",
            NotTaken r => Of(r.For),
            PackingRefused r => Of(r.Refusal),
            TruthName r => Of(r),
            TruthSays r => Of(r),
            GramsOutOfRange r => Of(r),
            NotEnoughAtHand r => $"{r.Wants} more of {r.Item} is wanted, and {r.There} is at hand.",
            TooMuchForPair r => $"The pair would be {r.Mix}, and its bowl or bottle takes {r.Most}.",
            TakenBack => "tapped by mistake: nothing burned, itched, swelled or was red",
            MixStep r => Of(r),
            Unfit r => Of(r),
            LevelAsked => "Which level is this natural lock?",
            LevelIs r => $"It is a {r.Level}. Levels go from 1, black, to 10, the lightest blonde.",
            OppositeAsked r => $"Lifted to level {r.Level} this hair shows {Of(r.Undertone)}. Which family takes it away?",
            OppositeIs r => $"{Sentences.Begin(Of(r.Family))} is the opposite: it is there against {Against(r.Family)}, and this hair shows {Of(r.Undertone)}.",
            DeveloperAsked r => Of(r),
            GramsAsked r => Of(r),
            OrderAsked r => $"{(r.Lift ? "A lift" : "A touch-up")} to level {r.Wish}. In which order is this head painted?",
            PlanAsked r => Of(r),
            ServiceDoes r => Of(r),
            TwoStepsOffered r =>
                $"Two steps in one sitting: permanent, rinse, then a demi of the same level and family for 10 to 20 minutes: {(r.WhiteShowed ? "white showed last time in spite of full time" : "stubborn white of three quarters and more")}.",
            QuickToneOffered r =>
                $"A quick tone: the gloss with as much clear, one to three minutes, watched on a wiped strand. The level is right and the tone is off by {r.DeltaE:0.0} only.",
            _ => throw NoWords(saying),
        };

        static string MoreParts(int parts) =>
            parts == 0 ? "" : $"{(Math.Abs(parts)) switch { 1 => "one part", 2 => "two parts", var n => $"{n} parts" }} {(parts < 0 ? "fewer" : "more")}";
        static string Nearer(double nearer) =>
            Math.Abs(nearer) < .05 ? "as near to the wish" : $"{Math.Abs(nearer):0.0} {(nearer > 0 ? "nearer to" : "further from")} the wish";
        static string Taken(string path) =>
            path switch
            {
                "hair.texture" => "the texture is medium",
                "hair.density" => "the density is medium",
                "hair.porosity" => "the porosity is normal",
                "hair.lengthCm" => "the hair is shoulder length",
                "hair.lengths.level" => "the lengths are at the natural level",
                "hair.lengths.tone" => "the lengths are neutral",
                _ => throw NoWords(path),
            };
    }
}
