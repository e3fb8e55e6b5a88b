using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Rules;
using Kitto.Core.Safety;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>The one way through: a case and a shelf make a prescription. A straight line in the order of the tables; no step reaches back.</summary>
public static class Prescriber
{
    /// <summary>Colour for the skin test (quantity 4).</summary>
    public const double SkinTestGrams = 1;

    /// <summary>Mix for the strand test (tables).</summary>
    public const double StrandTestGrams = 3;

    /// <summary>Undiluted developer for resistant white (AP9, BE11).</summary>
    public const double PreSoftenGrams = 2.5;

    /// <summary>So many sets of families stand beside the first formula; beside a second one none is shown.</summary>
    private const int Ideas = 4;

    /// <summary>Prescribes. The same case and shelf always give the same answer.</summary>
    /// <param name="read">The case, as read.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="near">An answer to a case like this one, where there is one: the search begins at its mixes and comes to the same end sooner.</param>
    /// <exception cref="InvalidOperationException">The shelf lacks a line the case needs.</exception>
    public static Prescription Prescribe(Case read, Shelf shelf, Prescription? near = null)
    {
        var why = new List<Because>();

        // 1 calendar, 2 head on the day
        var planWhy = new List<Because>();
        var plan = read.Plan is { } wish ? PlanBack.From(wish, planWhy) : null;
        int days = PlanWish.DaysAhead(read.Plan, plan);
        var c = read with { Reading = read.Reading.On(days) };

        // 3 stops
        why.AddRange(Stops.Of(c.Reading));
        if (why.Count > 0)
        {
            return Stopped(c, why);
        }

        // 4 service, 5 target
        var aimWhy = new List<Because>();
        var aim = Aim.Of(c, aimWhy);
        var line = shelf.For(c.Goal, c.LineId, c.House) ?? throw new InvalidOperationException("The shelf lacks a line for this service.");
        var way = LengthsChoice.Of(c, aim, aimWhy);
        var wanted = Wanted.All(c, aim, line, way, shelf, aimWhy);
        why.AddRange(SalonOnly.Of(c, aim, line, wanted.SelectMany(w => w.Blend).MaxBy(b => b.Volume.Value).Volume));
        var decision = why.Count > 0 ? Decision.Salon : Decision.Kit;
        why.AddRange(Cautions.Of(read.Reading, c.Reading, aim, c.Goal.Service, decision == Decision.Kit));
        why.AddRange((c.House.ForHer ?? []).Select(w => SayHers(c.House, w)));
        why.AddRange(planWhy);
        why.AddRange(aimWhy);

        // 6 clock: a salon sheet reckons with trained hands
        var hands = decision == Decision.Salon ? Hands.Trained : c.Reading.Hands;
        var first = wanted[0];
        var timed = Timing.Choose(c.Reading, hands, c.Goal.Service, first.Line, first.Level.Value, c.House, why, c.Painting);
        if (way is LengthsWay.SameMix or LengthsWay.Diluted)
        {
            double at = Math.Max(timed.Schedule.PaintMinutes.Value, timed.Schedule.RinseAtMinutes.Value - Outlook.PulledMinutes);
            why.Add(new Because("TM4", $"The lengths get theirs {at:0.#} min after the first stroke, so that all is rinsed together.", "clock"));
        }

        // 7 mix, on the head it meets at these times
        bool soften = Softens(c, first.Line);
        var residual = Residual.Of(c.Reports);
        if (c.Reports.Count > 0)
        {
            why.Add(new Because("OU1", $"{(c.Reports.Count == 1 ? "One earlier kit" : $"{c.Reports.Count} earlier kits")} of hers moved the forecast by {residual.L:+0.0;-0.0;0} L*, {residual.A:+0.0;-0.0;0} a*, {residual.B:+0.0;-0.0;0} b*.", "shade"));
        }

        var chosen = wanted.Select((w, i) => Chosen.Of(w, c.Reading, Meets(w, c, timed.Schedule, soften, residual), Known(near, w.Use), i == 0 ? Ideas : 1, why)).ToList();
        var forecast = Outlook.Of(c.Reading, aim, way, chosen, timed.Schedule, why);
        double? spread = Outlook.Spread(c.Reading, chosen[0], timed.Schedule, soften, why);

        // 8 amount, 9 parts
        var belief = Factor.Learned(hands);
        var sized = chosen.Select(m => (Mix: m, Size: Amount.Size(m.Wanted, c, hands, timed, belief, way, why))).ToList();
        var formulas = sized.Select(s => Amount.WeighOut(s.Mix.Wanted, s.Mix.Parts, s.Size, c.House, why)).ToList();
        Amount.Say(c, hands, belief, [.. sized.Select(s => s.Size)], formulas, why);

        var next = NextKit.Of(c.Reading, first.Level, c.Goal.Service, plan?.ColourOn, why);
        var lines = formulas.Select(f => f.Line).Distinct().ToList();
        var skin = Holds.Skin(c.Reading.Client, [.. lines.Select(l => shelf.Find(l)!)], days, c.House, why);
        var strand = Holds.Strand(c.Reading.Client, SameAsLast(c, chosen[0]), why);
        if (soften)
        {
            why.Add(new Because("AP9", $"Resistant white is touched with undiluted developer on a cotton bud {(c.House.School("AP9") == "long" ? "ten minutes before, and wiped" : "one to two minutes before")} the colour: {PreSoftenGrams} g in its own vial.", "tests"));
        }

        Grams Total(Func<Sizing, Grams> of) => Grams.Of(sized.Sum(s => of(s.Size).Value)).Tenths();
        var sent = Grams.Of(Math.Round(formulas.Sum(f => f.MixGrams.Value), 3));
        var mistakes = Mistakes.Of(Grams.Of(sized.Sum(s => s.Size.Base.Value)), belief, Grams.Of(sized.Sum(s => s.Size.Residue.Value)), sent);
        return new Prescription(
            Prescription.Version, decision,
            [.. new[] { skin == SkinState.Required ? "SA5" : null, strand == StrandState.Required ? "SA12" : null }.OfType<string>()],
            why, Advice.On(c, aim), formulas,
            new Quantities(Total(s => s.Base), Total(s => s.Use), Total(s => s.UseLow), Total(s => s.UseHigh), Total(s => s.Residue),
                sent, timed.Batches.Count, Share.Of(Math.Round(mistakes.RunsOut.Value, 4)), mistakes.Left.Tenths()),
            timed.Schedule with { SpreadDeltaE = spread }, forecast, Others(chosen[0], formulas[0]),
            new KitTests(skin, strand, Holds.SkinTestHours, Grams.Of(SkinTestGrams), Grams.Of(StrandTestGrams), Grams.Of(soften ? PreSoftenGrams : 0)), plan, next);
    }

    private static Prescription Stopped(Case c, IReadOnlyList<Because> why) => new(
        Prescription.Version, Decision.Stop, [], why, [], [], null, null, Forecast.None, [],
        new KitTests(
            c.Reading.Client.SkinTest is { Result: SkinResult.Reacted } ? SkinState.Reacted : SkinState.Required,
            c.Reading.Client.StrandTest is { Result: StrandResult.Damaged } ? StrandState.Failed : StrandState.Required,
            Holds.SkinTestHours, Grams.Of(0), Grams.Of(0), Grams.Of(0)), null);

    /// <summary>A departure from the house, with who decided it and why.</summary>
    private static Because SayHers(House house, HerWay way)
    {
        string who = $"\"{way.Reason}\" ({way.By}, {way.On:d MMM yyyy}).";
        string Says(string name) => RuleBook.Find(way.Rule)!.Options!.First(o => o.Name == name).Says;
        return RuleBook.Find(way.Rule)!.Kind == RuleKind.Caution
            ? new Because(way.Rule, $"Decided for her in spite of this caution: {who}", "hers")
            : new Because(way.Rule, $"For her {Says(way.Way)}, where the house has it {Says(house.Usual(way.Rule))}: {who}", "hers");
    }

    private static Canvas? Meets(Wanted wanted, Case c, Schedule schedule, bool softened, Lab residual)
    {
        var target = Dye.Look(wanted.Level.Value, wanted.Tone).Lab;
        if (wanted.Line.Kind == LineKind.Lightener)
        {
            return null;
        }

        if (wanted.OnLengths)
        {
            return Canvas.OfLengths(c.Reading, wanted.Line, wanted.Developer, wanted.Line.Process, 1, target, residual);
        }

        var roots = Canvas.OfRoots(c.Reading, wanted.Line, wanted.Developer, schedule, softened, target, residual);
        return c.Goal.Service == Service.RootShadow ? Canvas.WithTail(roots, c.Reading, schedule) : roots;
    }

    private static IReadOnlyList<Alternative> Others(Chosen chosen, Formula formula)
    {
        double colour = formula.Parts.Sum(p => p.Grams.Value);
        return chosen.Looked is not { } looked ? [] :
        [
            .. chosen.Others.Select(o => new Alternative(
                [.. o.Parts.Select(p => new AlternativePart(p.Shade, Grams.Of(colour * p.Share.Value).Tenths(), p.Share))], Math.Round(o.DeltaE, 2),
                Srgb.Hex(Outlook.Mean(chosen.Canvas!, chosen.Canvas!.Look(new Mixture(chosen.Wanted.Line, chosen.Wanted.Developer, o.Parts)))), MixWords.Why(o, chosen.Parts, looked))),
        ];
    }

    /// <summary>The mixes of another answer for one use, its own first.</summary>
    private static IReadOnlyList<IReadOnlyList<MixPart>> Known(Prescription? other, string use) => other is null ? [] :
    [
        .. other.Formulas.Where(f => f.Use == use).Select(f => f.Mix()),
        .. other.Formulas is [{ Use: var first }, ..] && first == use ? other.Alternatives.Select(a => (IReadOnlyList<MixPart>)[.. a.Parts.Select(p => new MixPart(p.Shade, p.Share))]) : [],
    ];

    private static bool SameAsLast(Case c, Chosen mix)
    {
        if (c.Reading.Last?.Formula is not { } last || last.Use != mix.Wanted.Use)
        {
            return c.Formula is { HandMade: false };
        }

        return Chosen.Same(last.Parts, mix.Parts) && (last.Developer is not { } v || Math.Abs(v.Value - mix.Wanted.Developer.Value) < .01);
    }

    private static bool Softens(Case c, Line line) =>
        c.Goal.Service is not (Service.Gloss or Service.BaseLift or Service.Lighten) && line.Kind != LineKind.Lightener
        && (c.Reading.Included.Any(z => z.Read.Resistant)
            || (c.Reading.Last?.Result?.Coverage == Coverage.GreyShows && c.Reading.DecisiveGrey.Value >= Choice.NoGrey));
}
