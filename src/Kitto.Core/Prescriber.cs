using Kitto.Core.Clock;
using Kitto.Core.Developer;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
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

    /// <summary>Prescribes. The same case and shelf always give the same answer.</summary>
    /// <exception cref="InvalidOperationException">The shelf lacks a line the case needs.</exception>
    public static Prescription Prescribe(Case read, Shelf shelf)
    {
        var why = new List<Because>();

        // 1 calendar, 2 head on the day
        var planWhy = new List<Because>();
        var plan = read.Plan is { } wish ? PlanBack.From(wish, planWhy) : null;
        int days = plan?.ColourOn is { } colourOn ? colourOn.DayNumber - read.Plan!.Today.DayNumber : 0;
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
        var line = shelf.For(c.Goal, c.LineId, c.House);
        var way = LengthsChoice.Of(c, aim, aimWhy);
        var mixes = Mixes(c, aim, line, way, shelf, aimWhy);
        why.AddRange(SalonOnly.Of(c, aim, line, mixes.MaxBy(m => m.Developer.Value)!.Developer));
        var decision = why.Count > 0 ? Decision.Salon : Decision.Kit;
        why.AddRange(Cautions.Of(read.Reading, c.Reading, aim, c.Goal.Service, decision == Decision.Kit));
        why.AddRange(planWhy);
        why.AddRange(aimWhy);

        // 6 clock: a salon sheet reckons with trained hands
        var hands = decision == Decision.Salon ? Hands.Trained : c.Reading.Hands;
        var first = mixes[0];
        double level = first.OnLengths ? aim.LengthsLevel.Value : aim.RootLevel.Value;
        var timed = Timing.Choose(c.Reading, hands, c.Goal.Service, first.Line, level, c.House, why);
        if (way is LengthsWay.SameMix or LengthsWay.Diluted)
        {
            double at = Math.Max(timed.Schedule.PaintMinutes.Value, timed.Schedule.RinseAtMinutes.Value - 10);
            why.Add(new Because("TM4", $"The lengths get theirs {at:0.#} min after the first stroke, so that all is rinsed together.", "clock"));
        }

        // 7 mix and developer are in the mixes; 8 amount; 9 parts
        var belief = Factor.Learned(hands);
        var sized = mixes.Select(m => (Mix: m, Size: Size(m, c, hands, timed, belief, way, why))).ToList();
        var formulas = sized.Select(s => WeighOut(s.Mix, s.Size, c.House, shelf, why)).ToList();
        SayAmount(c, hands, belief, [.. sized.Select(s => s.Size)], formulas, why);

        var lines = formulas.Select(f => f.Line).Distinct().ToList();
        var skin = Holds.Skin(c.Reading.Client, lines, days, c.House, why);
        var strand = Holds.Strand(c.Reading.Client, SameAsLast(c, first), why);
        bool soften = Softens(c, first.Line);
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
            timed.Schedule, Forecast.None, [],
            new KitTests(skin, strand, Holds.SkinTestHours, Grams.Of(SkinTestGrams), Grams.Of(StrandTestGrams), Grams.Of(soften ? PreSoftenGrams : 0)), plan);
    }

    private static Prescription Stopped(Case c, IReadOnlyList<Because> why) => new(
        Prescription.Version, Decision.Stop, [], why, [], [], null, null, Forecast.None, [],
        new KitTests(
            c.Reading.Client.SkinTest is { Result: SkinResult.Reacted } ? SkinState.Reacted : SkinState.Required,
            c.Reading.Client.StrandTest is { Result: StrandResult.Damaged } ? StrandState.Failed : StrandState.Required,
            Holds.SkinTestHours, Grams.Of(0), Grams.Of(0), Grams.Of(0)), null);

    /// <summary>A mix that is decided but not yet sized.</summary>
    private sealed record Mix(string Use, Line Line, IReadOnlyList<MixPart> Parts, Volume Developer, double Ratio)
    {
        public bool OnLengths => Use == "lengths";
    }

    private static List<Mix> Mixes(Case c, Aim aim, Line line, LengthsWay way, Shelf shelf, List<Because> why)
    {
        var mixes = new List<Mix>();
        if (c.Goal.Service != Service.Gloss)
        {
            mixes.Add(Decide(c, c.Goal.Service == Service.RootShadow ? "shadow" : "roots", line, aim.RootLevel, aim.Tone, why));
            if (c.Goal.Service is not (Service.Lighten or Service.BaseLift) && c.Reading.DecisiveGrey.Value >= Choice.NoGrey)
            {
                bool cover = line.IsPermanent && (c.House.School("SV7"), c.Reading.DecisiveGrey.Value) is ("cover", _) or ("byShare", >= .3);
                why.Add(new Because("SV7", line.IsPermanent && cover
                    ? "Permanent colour covers the white; the line shows again after about four weeks."
                    : line.IsPermanent
                        ? "Little white or a soft wish: a blend in demi would be gentler and leave no hard line; permanent covers it."
                        : "Demi blends the white softly and fades; it is never promised as full cover.", "service"));
            }
        }

        if (way == LengthsWay.OwnFormula)
        {
            var own = c.Goal.Service == Service.Gloss ? line : shelf.Find(Shelf.CompanionGloss) ?? line;
            mixes.Add(Decide(c, "lengths", own, aim.LengthsLevel, aim.Tone, why));
        }

        if (c.Formula is { } given && mixes.All(m => m.Use != given.Use))
        {
            why.Add(new Because("SH1", $"The given formula is for the {given.Use}, which this service does not colour with a formula of their own; it is not used.", "shade"));
        }

        return mixes;
    }

    private static Mix Decide(Case c, string use, Line line, Level level, Tone tone, List<Because> why)
    {
        bool onLengths = use == "lengths";
        string about = onLengths ? "lengths" : "shade";
        double ratio = onLengths && line.LengthsDeveloperPerColour is { } thinner ? thinner : line.DeveloperPerColour;
        var wanted = Choice.For(line, onLengths, c.Reading, level, why);
        if (c.Formula is { } given && given.Use == use)
        {
            Given.Check(given, line, c.Reading, wanted, given.Developer ?? wanted, about, why);
            return new Mix(use, line, given.Parts, given.Developer ?? wanted, ratio);
        }

        var again = Adjust.Next(c.Reading.Last, use, line, level, tone, why);
        if (again is null && onLengths)
        {
            why.Add(new Because("SH8", $"The lengths are toned at level {level}, {tone}; no gloss makes hair lighter.", about));
        }
        else if (again is null)
        {
            var lengths = c.Reading.Hair.Lengths;
            why.Add(new Because("SH1", lengths.Tone.SameAs(tone) && Math.Abs(lengths.Level.LighterThan(level)) < Aim.HalfLevel
                ? $"The roots are matched to the lengths, {lengths.Level} {lengths.Tone}, so that no line shows."
                : $"The mix goes for level {level} {tone}, as wished.", about));
        }

        var grey = onLengths ? Share.Of(0) : c.Reading.DecisiveGrey;
        return new Mix(use, line, again ?? Proposal.For(line, level, tone, grey, about, why), wanted, ratio);
    }

    private static Sizing Size(Mix mix, Case c, Hands hands, Timed timed, Factor belief, LengthsWay way, List<Because> why)
    {
        bool damp = c.Goal.DampLengths ?? way == LengthsWay.OwnFormula;
        var batches = timed.Batches;
        if (mix.OnLengths && c.Goal.Service != Service.Gloss)
        {
            batches = Timing.Choose(c.Reading, hands, Service.Gloss, mix.Line, 7, c.House, []).Batches;
            if (batches.Count > 1)
            {
                why.Add(new Because("AP8", $"The gloss works for {mix.Line.WorkingLife}; these hands need two bottles of it, one after the other.", "lengths"));
            }
        }

        var zones = batches.SelectMany(b => b).ToList();
        double pulled = way switch { LengthsWay.SameMix => 1, LengthsWay.Diluted => 0.5, _ => 0 };
        var bases = batches.Select((b, i) =>
        {
            double grams = mix.OnLengths
                ? Use.Comb(c.Reading, mix.Line.Thickness, b, damp).Value
                : Use.Paint(c.Reading, mix.Line.Thickness, b, c.Goal.Service == Service.RootShadow, c.Goal.Service == Service.Lighten).Value
                  + (i == batches.Count - 1 ? pulled * Use.Comb(c.Reading, mix.Line.Thickness, zones, damp).Value : 0);
            return Grams.Of(grams);
        }).ToList();
        if (damp && (mix.OnLengths || pulled > 0))
        {
            why.Add(new Because("DO7", "The lengths are damp, which takes about a third less and blends more evenly.", "quantity"));
        }

        return Sizing.For(bases, belief, c.House.Quantile, mix.Line.Thickness, c.House.School("DO10") == "onePair");
    }

    private static Formula WeighOut(Mix mix, Sizing size, House house, Shelf shelf, List<Because> why)
    {
        var blend = Strength.Blend(mix.Developer, mix.Line, shelf);
        double given = blend.Sum(b => b.Volume.Value * b.Share);
        if (Math.Abs(given - mix.Developer.Value) > .01)
        {
            why.Add(new Because("DV8", $"{mix.Developer} cannot be blended from what is stocked; {Volume.Of(given)} is the weakest there is.", "developer"));
        }
        else if (blend.Count > 1)
        {
            why.Add(new Because("DV8", $"{mix.Developer} is weighed from {blend[0].Volume} and {blend[1].Volume}.", "developer"));
        }

        var portions = size.Portions;
        var need = Grams.Of(portions.Sum(p => p.Mix.Value) / (1 + mix.Ratio));
        bool whole = house.School("BE10") == "wholeTube" && mix.Parts.Count == 1 && mix.Line.Kind != LineKind.Lightener && portions.All(p => p.Name is "main" or "reserve");
        if (mix.Parts.Count == 1 && mix.Line.Kind != LineKind.Lightener)
        {
            var (tubes, above) = Vessels.WholeTubes(need, mix.Line);
            string said = $"{tubes} whole tube{(tubes == 1 ? "" : "s")} of {mix.Line.Tube.Value:0} g {(tubes == 1 ? "is" : "are")} {above * 100:0} % above the {need.Tenths()} of colour it takes";
            if (whole)
            {
                portions = [new Portion("main", Grams.Of(tubes * mix.Line.Tube.Value * (1 + mix.Ratio)))];
                why.Add(new Because("BE10", $"The house sends whole unopened tubes with weighed developer: {said}.", "quantity"));
            }
            else if (above <= Vessels.TubeMargin - 1)
            {
                why.Add(new Because("BE10", $"{said}: sent unopened, nothing would be decanted.", "quantity"));
            }
        }
        else if (house.School("BE10") == "wholeTube")
        {
            why.Add(new Because("BE10", "A mix of several shades cannot go in whole tubes; its parts are weighed into a sachet.", "quantity"));
        }

        var pairs = portions.Select(p => Weigh.Out(p, mix.Parts, mix.Ratio, blend, mix.Line.Thickness, house.ScaleStep, whole)).ToList();
        why.AddRange(pairs.Select(p => Vessels.TooFull(p, mix.Line.Thickness)).OfType<Because>());
        Grams Sum(IEnumerable<Grams> grams) => Grams.Of(Math.Round(grams.Sum(g => g.Value), 3));
        var parts = mix.Parts.Select((p, i) => new PartGrams(p.Shade, Sum(pairs.Select(x => x.Parts[i].Grams)), Sum(pairs.Select(x => x.Parts[i].FillGrams)))).ToList();
        var strengths = blend.Select((b, i) => new StrengthGrams(b.Volume, Sum(pairs.Select(x => x.Strengths[i].Grams)))).ToList();
        var developer = Sum(pairs.Select(p => p.DeveloperGrams));
        double smallest = pairs.SelectMany(p => p.Parts).Min(p => p.Grams.Value);
        if (smallest < Weigh.SmallestSteps * house.ScaleStep.Value)
        {
            var take = pairs.First(p => p.Parts.Any(x => x.Grams.Value == smallest)).ColourGrams;
            why.Add(Vessels.SayStockBlend(mix.Parts, Grams.Of(smallest), take, house.ScaleStep));
        }

        return new Formula(mix.Use, mix.Line.Id, parts, new DeveloperPart(Volume.Of(given), Volume.Of(given).Percent, developer, strengths),
            $"1:{mix.Ratio:0.##}", Sum([.. pairs.Select(p => p.ColourGrams), developer]), pairs);
    }

    private static void SayAmount(Case c, Hands hands, Factor belief, IReadOnlyList<Sizing> sizes, IReadOnlyList<Formula> formulas, List<Because> why)
    {
        var reckoned = Grams.Of(sizes.Sum(s => s.Base.Value));
        if (hands.History.MinBy(h => h.DaysAgo) is { } last)
        {
            string used = last.RanOut
                ? $"{last.Sent} was sent {last.DaysAgo} days ago and ran out: at least {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}"
                : $"of {last.Sent} sent {last.DaysAgo} days ago {last.Left} was left: {last.UsedGrams:0.#} g was used where a trained hand takes {last.Base}";
            why.Add(new Because("DO8", $"Her report: {used}. So her hands are now reckoned at {Math.Exp(belief.Mean):0.00} times a trained hand, from {hands.History.Count} report{(hands.History.Count == 1 ? "" : "s")}.", "quantity"));
        }
        else if (hands.Who != Who.Trained)
        {
            why.Add(new Because("DO2", $"Nothing is known of these hands yet. {(hands.Who == Who.Alone ? "Alone" : "A helper")} at home uses about {(Math.Exp(belief.Mean) - 1) * 100:0} % more than a trained hand.", "quantity"));
        }

        why.Add(new Because("DO1", c.Goal.Service == Service.Gloss
            ? $"Lengths of {c.Reading.Hair.LengthCm:0.#} cm on this head take a trained hand {reckoned}."
            : $"Regrowth of {c.Reading.MeanRegrowth.Value:0.#} mm on this head takes a trained hand {reckoned}.", "quantity"));
        why.Add(new Because("DO2", $"Sent so that {c.House.Quantile * 100:0.#} of 100 such kits do not run out{(c.House.Costs is null ? "" : ", as the house's own costs of both mistakes ask")}; {sizes.Sum(s => s.Residue.Value):0.#} g of it stays on bowl or bottle.", "quantity"));
        if (formulas.FirstOrDefault(f => f.Pairs.Any(p => p.Name == "reserve")) is { } split)
        {
            var (main, reserve) = (split.Pairs[0], split.Pairs[1]);
            why.Add(new Because("DO10", $"Mixed colour cannot be kept: {main.ColourGrams + main.DeveloperGrams} as main pair, {reserve.ColourGrams + reserve.DeveloperGrams} sealed in reserve.", "quantity"));
        }

        why.Add(new Because("DV9", string.Join(" ", formulas.Select(f => $"The {f.Use} mix is {f.Ratio}, {f.Parts.Sum(p => p.Grams.Value):0.0} g of colour to {f.Developer.Grams} of developer.")), "developer"));
    }

    private static bool SameAsLast(Case c, Mix mix)
    {
        if (c.Reading.Last?.Formula is not { } last || last.Use != mix.Use)
        {
            return c.Formula is not null;
        }

        return last.Parts.Count == mix.Parts.Count
            && last.Parts.All(p => mix.Parts.Any(m => m.Shade == p.Shade && Math.Abs(m.Share.Value - p.Share.Value) < .005))
            && (last.Developer is not { } v || Math.Abs(v.Value - mix.Developer.Value) < .01);
    }

    private static bool Softens(Case c, Line line) =>
        c.Goal.Service is not (Service.Gloss or Service.BaseLift or Service.Lighten) && line.Kind != LineKind.Lightener
        && (c.Reading.Included.Any(z => z.Read.Resistant)
            || (c.Reading.Last?.Result?.Coverage == Coverage.GreyShows && c.Reading.DecisiveGrey.Value >= Choice.NoGrey));
}
