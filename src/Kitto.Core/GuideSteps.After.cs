using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Core.Strand;
using Kitto.Core.Trade;
using Kitto.Core.Wording;

namespace Kitto.Core;

/// <summary>From the last minutes before the rinse to the days afterwards.</summary>
internal sealed partial class GuideSteps
{
    /// <summary>What goes on in the last minutes before the rinse, with its own clock (TM13).</summary>
    private GuideStep Last(List<StrandRow> rows, double minutes)
    {
        if (combed)
        {
            return new GuideStep(
                StepKind.Lengths,
                "Comb it through",
                ["Comb what is on once through all the rest, to the ends."],
                Minutes: Minutes.Of(minutes),
                Rules: ["SV17", "TM13"]
            );
        }

        bool ends = rows.Any(r => r.Stretch == Stretch.Ends && r.ContactMinutes?.Value < minutes);
        return new GuideStep(
            StepKind.Lengths,
            "Now the lengths",
            [
                LengthsPlan.Dilutes(c) ? "First stir in about as much conditioner." : "Work what is left in the bowl through the lengths with your hands.",
                ends
                    ? $"Leave the last hand's width out at first. The ends come for the last {Values.EndsMinutes:0} minutes only: they were coloured before."
                    : "Comb once.",
            ],
            Minutes: Minutes.Of(minutes),
            Rules: ["SV9", "SV10", "TM4", "TM13"]
        );
    }

    /// <summary>Formulas that go on after the rinse, or before the lengths of a gloss, each mixed fresh.</summary>
    private IEnumerable<GuideStep> Rinsed(int[] formulas, bool rinse)
    {
        foreach (int at in formulas)
        {
            var formula = p.Formulas[at];
            var of = shelf.Find(formula.Line)!;
            yield return Mix(formula, of, formula.Pairs[0]);
            string more = formula.Pairs.Count > 1 ? "If it runs short, mix the second pair as you mixed the first." : "Use all of it.";
            // Where several wait together, the timer is the last one's.
            Minutes? timer = rinse && at == formulas[^1] ? of.Process : null;
            yield return formula.Use switch
            {
                FormulaPlan.Second => new GuideStep(
                    StepKind.Lengths,
                    "The second step on the roots",
                    ["The hair is rinsed and towel-dried. Paint it on the same hair as before, parting by parting.", more],
                    Minutes: timer,
                    Rules: ["SV19", "SV12"]
                ),
                FormulaPlan.Band => new GuideStep(
                    StepKind.Lengths,
                    "The gloss on the band",
                    [$"{(rinse ? "The hair is rinsed and towel-dried. " : "")}Work it on the brassy band only, section by section, and go on at once.", more],
                    Minutes: timer,
                    Rules: ["SV17", "TM3"]
                ),
                _ => new GuideStep(
                    StepKind.Lengths,
                    "The gloss on the lengths",
                    ["The hair is rinsed and towel-dried. Work the gloss through the lengths, section by section, and comb it through.", more],
                    Minutes: timer,
                    Rules: ["SV9", "SV13", "TM3"]
                ),
            };
        }

        if (rinse)
        {
            yield return new GuideStep(
                StepKind.Rinse,
                p.Formulas[formulas[^1]].Use == FormulaPlan.Second ? "Rinse the second step" : "Rinse the gloss",
                ["Lukewarm water until it runs clear. Shampoo gently once, condition."],
                Rules: ["AF2", "AF4"]
            );
        }
    }

    private GuideStep After()
    {
        var after = new List<string>
        {
            "Do not keep what is left: rinse it away, never close it up.",
            "Weigh or guess what is left first; the report asks for it, and the next kit fits you better for it.",
            "Wait two to three days before the next shampoo, then a mild one without sulphates; little hot iron.",
            "Judge the colour dry, in daylight, tomorrow: some unevenness settles with the first wash or two, and lamps and cameras shift the tone.",
        };
        if (c.House.Way<TintedShampoo>() == TintedShampoo.Toner && !combed)
        {
            after.Add("Should the roots turn warm before the next kit, a tinted shampoo against warmth tones them a little, as its own label says.");
        }

        if (c.Reading.DecisiveGrey.Value >= .25 && !combed)
        {
            after.Add("Where the hair was whiter the colour stays lighter and goes sooner: that contrast is normal.");
        }

        return new GuideStep(StepKind.After, "Afterwards", after, Rules: ["SA23", "DO8", "AF5", "AF6", "AF7", "AF8", "RD10"]);
    }
}
