using Kitto.Core.Reasons;
using Kitto.Core.Strand;
using Kitto.Core.Trade;

namespace Kitto.Core;

/// <summary>From the last minutes before the rinse to the days afterwards.</summary>
internal sealed partial class GuideSteps
{
    /// <summary>What goes on in the last minutes before the rinse, with its own clock (TM13).</summary>
    private GuideStep Last(List<StrandRow> rows, double minutes)
    {
        if (combed)
        {
            return Step(StepKind.Lengths, Tells.CombItThrough, Lines(Tells.CombThroughTheRest), ["SV17", "TM13"], Minutes.Of(minutes));
        }

        bool ends = rows.Any(r => r.Stretch == Stretch.Ends && r.ContactMinutes?.Value < minutes);
        return Step(
            StepKind.Lengths,
            Tells.NowTheLengths,
            [new Tell(LengthsPlan.Dilutes(c) ? Tells.StirInConditioner : Tells.WorkWhatIsLeft), ends ? new EndsLast() : new Tell(Tells.CombOnce)],
            ["SV9", "SV10", "TM4", "TM13"],
            Minutes.Of(minutes)
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
            var more = new Tell(formula.Pairs.Count > 1 ? Tells.MixSecondPair : Tells.UseAll);
            // Where several wait together, the timer is the last one's.
            Minutes? timer = rinse && at == formulas[^1] ? of.Process : null;
            GuideLine Dried(Tells then) => new TowelDried(new Tell(then));
            yield return formula.Use switch
            {
                FormulaUse.Second => Step(StepKind.Lengths, Tells.SecondStep, [Dried(Tells.PaintSameHair), more], ["SV19", "SV12"], timer),
                FormulaUse.Band => Step(
                    StepKind.Lengths,
                    Tells.GlossOnBand,
                    [rinse ? Dried(Tells.BandOnly) : new Tell(Tells.BandOnly), more],
                    ["SV17", "TM3"],
                    timer
                ),
                _ => Step(StepKind.Lengths, Tells.GlossOnLengths, [Dried(Tells.GlossThrough), more], ["SV9", "SV13", "TM3"], timer),
            };
        }

        if (rinse)
        {
            yield return Step(
                StepKind.Rinse,
                p.Formulas[formulas[^1]].Use == FormulaUse.Second ? Tells.RinseSecondStep : Tells.RinseGloss,
                Lines(Tells.RinseLukewarm),
                ["AF2", "AF4"]
            );
        }
    }

    private GuideStep After() =>
        Step(
            StepKind.After,
            Tells.Afterwards,
            Lines(
                Tells.WeighWhatIsLeft,
                Tells.KeepNothing,
                Tells.WaitWithShampoo,
                Tells.JudgeTomorrow,
                c.House.Way<TintedShampoo>() == TintedShampoo.Toner && !combed ? Tells.TintedShampoo : null,
                c.Reading.DecisiveGrey.Value >= .25 && !combed ? Tells.WhiterStaysLighter : null
            ),
            ["SA23", "DO8", "AF5", "AF6", "AF7", "AF8", "RD10"]
        );
}
