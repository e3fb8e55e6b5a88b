using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core;

/// <summary>The one way through: a case and a shelf make a prescription. A straight line in the order of the tables; no step reaches back.</summary>
public static partial class Prescriber
{
    /// <summary>Prescribes. The same case and shelf always give the same answer.</summary>
    /// <param name="read">The case, as read.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <exception cref="InvalidOperationException">The shelf lacks a line the case needs.</exception>
    public static Prescription Prescribe(Case read, Shelf shelf)
    {
        var p = Reckon(read, shelf);
        return read.Assumed.Count == 0 || p.Decision == Decision.Stop ? p : Assumptions.Judge(read, shelf, p);
    }

    /// <summary>The answer, with what was assumed taken as if it had been said.</summary>
    /// <param name="read">The case, as read.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="ideas">Whether other mixes are looked for beside it.</param>
    internal static Prescription Reckon(Case read, Shelf shelf, bool ideas = true)
    {
        var why = new List<Reason>();
        if (Lay(read, shelf, why) is not { } laid)
        {
            return Stopped(read, why);
        }

        var (c, strand, sizes, main) = (laid.Case, laid.Strand, laid.Sizes, laid.Clocks[0].Schedule);
        bool kit = laid.Decision == Decision.Kit;

        // 8 mix, on the head it meets at these times, of parts that can be weighed in this kit
        var chosen = new List<SelectedFormula>();
        foreach (var (formula, at) in strand.Formulas.Select((f, at) => (f, at)))
        {
            var before =
                formula.Use == FormulaUse.Second && chosen[0] is { ApplicationTarget: { } met, Mix: { } on } ? (met, on) : ((ApplicationTarget, Mixture)?)null;
            var canvas =
                formula.Line.Kind == LineKind.Lightener ? null : ApplicationTarget.Of(formula, at, strand, c.Reading, laid.Soften, laid.Residual, before);
            chosen.Add(SelectedFormula.Of(formula, c.Reading, canvas, laid.Rules(at), ideas && at == 0, why));
        }

        var pulled =
            strand.Pulled && chosen[0].ApplicationTarget is not null ? ApplicationTarget.Pulled(strand.Formulas[0], strand, c.Reading, laid.Residual) : null;
        if (pulled is not null && pulled.Spoils(pulled.Look(chosen[0].Mix!)))
        {
            why.Add(new PulledTooDeep());
        }

        var planWhy = new List<Reason>();
        var next = NextKit.Of(c.Reading, strand.Formulas[0].Wish.Level, c.Goal.Service, strand.Formulas[0].Line, laid.Plan?.ColourOn, planWhy);
        var (forecast, looks) = HeadForecast.Of(c.Reading, strand, chosen, main, pulled, next?.InWeeks ?? (Values.SoftWeeksFrom + Values.SoftWeeksTo) / 2, why);
        double? spread = HeadForecast.Spread(chosen[0], main, why);

        // 9 parts
        var formulas = chosen
            .Select((m, at) => Amount.WeighOut(m.Plan, m.Parts, sizes[at], c.House, kit, strand.Formulas.Take(at).All(f => f.Line != m.Plan.Line), why))
            .ToList();
        Amount.Say(c, laid.Hands, laid.Belief, strand, sizes, formulas, kit, why);

        why.AddRange(planWhy);
        var lines = formulas.Select(f => f.Line).Distinct().ToList();
        var skin = Holds.Skin(c.Reading.Client, [.. lines.Select(l => shelf.Find(l)!)], laid.Days, c.House, why, kit);
        var tested = Holds.Strand(c.Reading.Client, SameAsLast(c, chosen[0]), why, kit);
        if (laid.Soften)
        {
            why.Add(new WhiteTouchedFirst(c.House.Way<PreSoftening>() == PreSoftening.Long));
        }

        Grams Total(Func<Sizing, Grams> of) => Grams.Of(sizes.Sum(s => of(s).Value)).Tenths();
        var sent = Grams.Of(Math.Round(formulas.Sum(f => f.MixGrams.Value), 3));
        var mistakes = OrderRisk.Of(Grams.Of(sizes.Sum(s => s.Base.Value)), laid.Belief, Grams.Of(sizes.Sum(s => s.Residue.Value)), sent);
        return new Prescription(
            Prescription.Version,
            laid.Decision,
            [.. new[] { skin == SkinState.Required ? "SA5" : null, tested == StrandState.Required ? "SA12" : null }.OfType<string>()],
            c.House.Language.Because(Order(why)),
            Advice.On(c, laid.Roots),
            formulas,
            new Quantities(
                Total(s => s.Base),
                Total(s => s.Use),
                Total(s => s.UseLow),
                Total(s => s.UseHigh),
                Total(s => s.Residue),
                sent,
                laid.Clocks[0].Batches.Count,
                Share.Of(Math.Round(mistakes.RunsOut.Value, 4)),
                mistakes.Left.Tenths()
            ),
            main with
            {
                SpreadDeltaE = spread,
            },
            forecast,
            Others(chosen[0], formulas[0], c.House),
            new KitTests(
                skin,
                tested,
                Values.SkinTestHours,
                Grams.Of(Values.SkinTestGrams),
                Grams.Of(Values.StrandTestGrams),
                Grams.Of(laid.Soften ? Values.PreSoftenGrams : 0)
            ),
            laid.Plan,
            next
        )
        {
            Strand = looks,
            Confirm =
            [
                .. chosen
                    .Where(m => !m.Plan.Wish.Clear && m.MixForecast?.DeltaE > Values.AnotherColourDeltaE)
                    .Select(m => new Confirmation(Json.Name(m.Plan.Use), c.House.Language.Says(new PlainlyAnother(m.Plan.Use, m.MixForecast!.DeltaE)))),
            ],
        };
    }

    /// <summary>What decides comes first: stops, what asks for her attention, the mix, then the rest.</summary>
    private static List<Reason> Order(IEnumerable<Reason> why) =>
        [
            .. why.OrderBy(b =>
                b switch
                {
                    StopReason => 0,
                    SalonReason => 1,
                    CautionReason { Later: true } => 5,
                    CautionReason or { About: Topic.Attention } => 2,
                    { About: Topic.Shade or Topic.Lengths or Topic.Developer } => 3,
                    _ => 4,
                }
            ),
        ];

    private static Prescription Stopped(Case c, IReadOnlyList<Reason> why) =>
        new(
            Prescription.Version,
            Decision.Stop,
            [],
            c.House.Language.Because(why),
            [],
            [],
            null,
            null,
            Forecast.None,
            [],
            new KitTests(
                c.Reading.Client.SkinTest is { Result: SkinResult.Reacted } ? SkinState.Reacted : SkinState.Required,
                c.Reading.Client.StrandTest is { Result: StrandResult.Damaged } ? StrandState.Failed : StrandState.Required,
                Values.SkinTestHours,
                Grams.Of(0),
                Grams.Of(0),
                Grams.Of(0)
            ),
            null
        );

    private static IReadOnlyList<Alternative> Others(SelectedFormula chosen, Formula formula, House house)
    {
        double colour = formula.Parts.Sum(p => p.Grams.Value);
        return chosen is not { MixForecast: { } looked, ApplicationTarget: { } canvas }
            ? []
            :
            [
                .. chosen.Others.Select(o => new Alternative(
                    [.. o.Parts.Select(p => new AlternativePart(p.Shade, Grams.Of(colour * p.Share.Value).Tenths(), p.Share))],
                    Math.Round(o.DeltaE, 2),
                    Srgb.Hex(HeadForecast.Mean(canvas, canvas.Look(new Mixture(chosen.Plan.Line, chosen.Plan.Developer, o.Parts)))),
                    house.Language.Says(new BesideTheChosen(o.Parts.Count - chosen.Parts.Count, looked.DeltaE - o.DeltaE))
                )),
            ];
    }

    private static bool SameAsLast(Case c, SelectedFormula mix)
    {
        if (c.Reading.Last?.Formula is not { } last || last.Use != mix.Plan.Use)
        {
            return c.Formula is { HandMade: false };
        }

        return SelectedFormula.Same(last.Parts, mix.Parts) && (last.Developer is not { } v || Math.Abs(v.Value - mix.Plan.Developer.Value) < .01);
    }
}
