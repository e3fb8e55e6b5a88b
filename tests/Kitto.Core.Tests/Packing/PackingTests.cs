using CsCheck;
using Kitto.Core.Packing;
using Kitto.Core.Quantity;

namespace Kitto.Core.Tests.Packing;

/// <summary>What is weighed for a kit, and what becomes of what was really poured.</summary>
public sealed class PackingTests
{
    /// <summary>A kit of two formulas, with shades to blend, a reserve, a vial and a strength that is not stocked.</summary>
    private static readonly (Case Case, Prescription P) Kit = Of(
        "allZones.greyPercent=55; allZones.regrowthMm=22; allZones.resistant=true; goal.service=\"rootAndGloss\"; hair.lengths.level=7; goal.level=5; goal.tone=\"G\""
    );

    private static (Case Case, Prescription P) Of(string facts)
    {
        var c = Bench.Case(facts);
        return (c, Prescriber.Prescribe(c, Bench.Shelf));
    }

    private static PackingPlan Plan(Prescription p) => PackingPlan.Of(p, Bench.Shelf, Grams.Of(.1));

    private static readonly Gen<Prescription> Kits = Bench.Cases.Select(c => Prescriber.Prescribe(c, Bench.Shelf)).Where(p => p.Decision == Decision.Kit);

    private static PackingEvent Poured(string vessel, string item, double grams) =>
        new(Guid.NewGuid(), PackingKind.Poured, vessel, item, (decimal)Math.Round(grams, 1));

    [Fact]
    public void The_plan_holds_every_gram_of_the_prescription_and_nothing_else() =>
        Kits.Sample(
            p =>
            {
                var plan = Plan(p);
                foreach (var (f, at) in p.Formulas.Select((f, at) => (f, at)))
                {
                    foreach (var pair in f.Pairs)
                    {
                        double Fill(VesselKind kind) => plan.Vessels.Single(v => v.Formula == at && v.Kind == kind && v.Pair == pair.Name).Fill.Value;
                        Assert.Equal(pair.ColourFillGrams.Value, Fill(VesselKind.Colour), 3);
                        Assert.Equal(pair.DeveloperFillGrams.Value, Fill(VesselKind.Developer), 3);
                    }

                    var colour = plan.Vessels.Where(v => v.Formula == at && !v.HoldsDeveloper).ToList();
                    if (colour[0].Kind == VesselKind.ColourBlend)
                    {
                        Assert.True(colour[0].Fill.Value >= colour.Skip(1).Sum(v => v.Fill.Value) - 1e-6, "a blend holds what is taken of it");
                    }
                }

                Assert.Equal(p.Formulas.Select(f => f.Line).Distinct().Count(), plan.Vessels.Count(v => v.Kind == VesselKind.SkinTest));
                Assert.Equal(p.Tests.PreSoftenGrams.Value > 0, plan.Vessels.Any(v => v.Kind == VesselKind.Vial));
            },
            iter: 25
        );

    [Fact]
    public void The_smallest_part_comes_first_developer_last_and_every_pair_in_one_order() =>
        Kits.Sample(
            p =>
            {
                foreach (var vessels in Plan(p).Vessels.GroupBy(v => v.Formula))
                {
                    Assert.All(vessels, v => Assert.Equal(v.Parts.OrderBy(x => x.Target(1)).Select(x => x.Item), v.Parts.Select(x => x.Item)));
                    Assert.Equal(vessels.OrderBy(v => v.HoldsDeveloper), vessels);
                    Assert.All(vessels.Where(v => v.Parts.Any(x => x.From is not null)), v => Assert.True(vessels.First(b => b.IsBlend).Sent is false));
                }
            },
            iter: 25
        );

    /// <summary>A hand that pours near the mark, sometimes far over it, drops a vessel, undoes, and puts over-poured parts right by raising the others.</summary>
    [Fact]
    public void Whatever_is_poured_ratio_and_proportions_are_right_after_a_rescue_and_no_gram_is_lost_count_of() =>
        (from p in Kits from hands in Gen.Double[0, 1].Array[600] select (p, hands)).Sample(
            x =>
            {
                var plan = Plan(x.p);
                var events = new List<PackingEvent>();
                int n = 0;
                double Hand() => x.hands[n++ % x.hands.Length];
                decimal outOfTubes = 0;
                void Tell(PackingEvent e)
                {
                    Assert.Null(PackingRules.Refuses(plan, events, e));
                    events.Add(e);
                }

                for (int i = 0; i < 400; i++)
                {
                    var stand = PackingStand.Of(plan, events);
                    if (stand.Now is not { } vessel)
                    {
                        break;
                    }

                    if (vessel.Now is not { } part)
                    {
                        Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Labelled, vessel.Vessel.Key));
                    }
                    else if (part.State == PartState.Over)
                    {
                        Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Raised, vessel.Vessel.Key, part.Part.Item));
                    }
                    else
                    {
                        double much = Hand() switch
                        {
                            < .06 when i < 120 => part.Rest * (1.05 + Hand() * .4),
                            < .2 => part.Rest * (.4 + Hand() * .4),
                            _ => part.Rest + (Hand() - .5) * .1,
                        };
                        var pour = Poured(vessel.Vessel.Key, part.Part.Item, Math.Max(.1, much));
                        Tell(pour);
                        outOfTubes += part.Part.From is null ? pour.Grams : 0;
                        if (Hand() < .05)
                        {
                            Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Undone, vessel.Vessel.Key, Of: pour.Id));
                            outOfTubes -= part.Part.From is null ? pour.Grams : 0;
                        }
                        else if (Hand() < .03 && i < 120)
                        {
                            Tell(new PackingEvent(Guid.NewGuid(), PackingKind.Dropped, vessel.Vessel.Key, Says: "it fell"));
                        }
                    }
                }

                var end = PackingStand.Of(plan, events);
                Assert.True(end.Done, $"still {end.Now?.Vessel.Key} after {events.Count} lines");
                var weighed = WeighedKit.Of(x.p, end);
                foreach (var (f, was) in x.p.Formulas.Zip(weighed.Formulas))
                {
                    foreach (var (pair, got) in f.Pairs.Zip(was.Pairs))
                    {
                        double ratio = pair.DeveloperGrams.Value / pair.ColourGrams.Value,
                            step = plan.Step.Value * 2 / Math.Min(got.ColourGrams, got.DeveloperGrams);
                        Assert.InRange(got.DeveloperGrams / got.ColourGrams / ratio, 1 - .02 - step, 1 + .02 + step);
                        double least = (pair.ColourGrams + pair.DeveloperGrams).Value * .98 - .3;
                        Assert.True(
                            got.ColourGrams + got.DeveloperGrams >= least,
                            $"{got} of {pair}:\n{string.Join('\n', events.Select(e => $"{e.Kind} {e.Vessel} {e.Item} {e.Grams}"))}"
                        );
                    }

                    var blend = end.Vessels.FirstOrDefault(v => v.Vessel.Formula == was.At && v.Vessel.Kind == VesselKind.ColourBlend);
                    foreach (var part in f.Mix())
                    {
                        double share = was.Mix().Single(m => m.Shade == part.Shade).Share.Value;
                        Assert.InRange(share - part.Share.Value, -.01 - .1 / (double)(blend?.Grams ?? 10), .01 + .1 / (double)(blend?.Grams ?? 10));
                    }
                }

                // Every gram that left a tube is in a vessel, in a blend's bowl, or was lost.
                decimal there =
                    end.Vessels.Where(v => v.Vessel.Sent).Sum(v => v.Grams)
                    + end.Vessels.Where(v => v.Vessel.IsBlend).Sum(v => end.LeftOf(v.Vessel.Key))
                    + end.Vessels.Sum(v => v.Lost);
                Assert.Equal(outOfTubes, there);
            },
            iter: 25
        );

    private static PackingStand After(PackingPlan plan, params PackingEvent[] events) => PackingStand.Of(plan, events);

    private static PackingEvent Raised(string vessel, string item) => new(Guid.NewGuid(), PackingKind.Raised, vessel, item);

    /// <summary>By hand: of 10 and 20 prescribed, 11 poured of the first asks 22 of the second; 24 of the second then asks 1 g more of the first.</summary>
    [Fact]
    public void An_over_poured_part_raises_the_others_and_is_never_taken_out()
    {
        var parts = new VesselPart[] { new("7N", Grams.Of(10), Grams.Of(0)), new("7NN", Grams.Of(20), Grams.Of(0)) };
        var plan = new PackingPlan([new Vessel("b", VesselKind.ColourBlend, 0, "lantern-cream", "b", "", FormulaUse.Roots, parts)], Grams.Of(.1));
        var first = Poured("b", "7N", 11);
        Assert.Equal(PartState.Over, After(plan, first).Find("b")!.Parts[0].State);
        Assert.NotNull(PackingRules.Refuses(plan, [first], Poured("b", "7NN", 20)));
        var raised = After(plan, first, Raised("b", "7N")).Find("b")!;
        Assert.Equal((PartState.Right, 22.0), (raised.Parts[0].State, raised.Parts[1].Target));
        var again = After(plan, first, Raised("b", "7N"), Poured("b", "7NN", 24), Raised("b", "7NN")).Find("b")!;
        Assert.Equal(("7N", 1.0), (again.Now!.Part.Item, again.Now.Rest));
        // Taken as it is instead, the second keeps its own target.
        Assert.Equal(20, After(plan, first, new(Guid.NewGuid(), PackingKind.Taken, "b", "7N")).Find("b")!.Parts[1].Target);
    }

    /// <summary>By hand: 20.1 of 20 g colour is right, and its developer follows: 20.1 where 20 was prescribed (BE2).</summary>
    [Fact]
    public void The_next_target_follows_from_what_was_really_poured()
    {
        Vessel One(string key, VesselKind kind, string item) =>
            new(key, kind, 0, "lantern-cream", "main", "main", FormulaUse.Roots, [new(item, Grams.Of(20), Grams.Of(1.5))]);
        var plan = new PackingPlan([One("c", VesselKind.Colour, "7N"), One("d", VesselKind.Developer, "20 vol")], Grams.Of(.1));
        Assert.Equal(21.6, After(plan, Poured("c", "7N", 21.6)).Find("d")!.Parts[0].Target, 6);
        // Of two pours one sum: the first tube ended.
        var two = After(plan, Poured("c", "7N", 10), Poured("c", "7N", 11.5)).Find("c")!;
        Assert.Equal((PartState.Right, 2), (two.Parts[0].State, two.Parts[0].Pours.Count));
    }

    [Fact]
    public void The_last_word_can_be_undone_or_moved_and_an_earlier_one_cannot()
    {
        var plan = Plan(Kit.P);
        var blend = plan.Vessels[0];
        var (small, large) = (blend.Parts[0], blend.Parts[^1]);
        var (one, two) = (Poured(blend.Key, small.Item, small.Target(1)), Poured(blend.Key, small.Item, large.Target(1)));
        Assert.Equal(PartState.Over, After(plan, one, two).Find(blend.Key)!.Parts[0].State);
        var moved = new PackingEvent(Guid.NewGuid(), PackingKind.Moved, blend.Key, large.Item, Of: two.Id);
        Assert.Null(PackingRules.Refuses(plan, [one, two], moved));
        Assert.True(After(plan, one, two, moved).Find(blend.Key)!.Parts.Where(p => p.Part == small || p.Part == large).All(p => p.State == PartState.Right));
        Assert.NotNull(PackingRules.Refuses(plan, [one, two], moved with { Of = one.Id }));
        var undone = new PackingEvent(Guid.NewGuid(), PackingKind.Undone, blend.Key, Of: two.Id);
        Assert.Equal(After(plan, one).Vessels.Select(v => v.Grams), After(plan, one, two, undone).Vessels.Select(v => v.Grams));
        Assert.NotNull(PackingRules.Refuses(plan, [one, two, undone], undone with { Id = Guid.NewGuid() }));
    }

    /// <summary>Pours everything as prescribed, but for one part.</summary>
    private static List<PackingEvent> All(PackingPlan plan, string vessel = "", string item = "", double times = 1)
    {
        var events = new List<PackingEvent>();
        foreach (var v in plan.Vessels)
        {
            foreach (var part in v.Parts)
            {
                bool other = v.Key == vessel && part.Item == item;
                var now = PackingStand.Of(plan, events).Find(v.Key)!.Parts.Single(p => p.Part == part);
                events.Add(Poured(v.Key, part.Item, now.Target * (other ? times : 1)));
                if (other)
                {
                    events.Add(new(Guid.NewGuid(), PackingKind.Taken, v.Key, item));
                }
            }

            if (v.Sent)
            {
                events.Add(new(Guid.NewGuid(), PackingKind.Labelled, v.Key));
            }
        }

        return events;
    }

    [Fact]
    public void A_kit_poured_as_prescribed_wants_no_yes_and_one_that_is_not_does()
    {
        var plan = Plan(Kit.P);
        Judgement Judged(List<PackingEvent> events) => Judgement.Of(Kit.Case, Kit.P, Bench.Shelf, PackingStand.Of(plan, events));
        var right = Judged(All(plan));
        Assert.False(right.WantsYes, string.Join("; ", right.Says.Select(s => s.Says)));
        Assert.Equal(Kit.P.Quantity!.SendGrams.Value, right.Weighed.Sent.Value, 0);
        Assert.Equal(Kit.P.Quantity.RunsOutShare.Value, right.RunsOut.Value, 2);

        // A tenth too much developer in the main pair.
        var thin = Judged(All(plan, "0:main:developer", "20 vol", 1.1));
        Assert.True(thin.WantsYes && thin.RatioOff is > .08 and < .12);
        Assert.Contains(thin.Says, s => s.Rule == "DV9");

        // The deepest part of the blend twice over: another colour, and the shares say so.
        var blend = plan.Vessels[0];
        var other = Judged(All(plan, blend.Key, blend.Parts[0].Item, 2.5));
        Assert.True(other.DeltaE > right.DeltaE && right.DeltaE < .3, $"{right.DeltaE} {other.DeltaE}");
    }

    [Fact]
    public void Three_ways_out_of_an_over_pour_each_with_its_numbers()
    {
        var plan = Plan(Kit.P);
        var blend = plan.Vessels[0];
        var over = Poured(blend.Key, blend.Parts[0].Item, blend.Parts[0].Target(1) * 1.2);
        IReadOnlyList<Way> Ways(decimal atHand) => Rescue.Ways(Kit.Case, Kit.P, Bench.Shelf, plan, [over], blend.Key, blend.Parts[0].Item, (_, _) => atHand);
        var ways = Ways(500);
        Assert.Equal([PackingKind.Raised, PackingKind.Taken, PackingKind.Dropped], ways.Select(w => w.Kind));
        Assert.All(ways, w => Assert.True(w.Possible));
        Assert.Equal(1.2, ways[0].Factor, 1);
        Assert.All(ways[0].More, m => Assert.Equal(blend.Parts.Single(p => p.Item == m.Item).Target(1) * (ways[0].Factor - 1), m.Grams, 1));
        Assert.Equal(over.Grams, ways[2].Lost);
        // Raised, it looks as prescribed, though the rest of the blend is still to come; taken, it is a little other.
        Assert.False(ways[0].Judged.WantsYes, string.Join("; ", ways[0].Judged.Says.Select(s => s.Says)));
        Assert.True(ways[1].Judged.DeltaE > 0);
        // Not within the stock: it says of what there is too little.
        var without = Ways(.1m)[0];
        Assert.False(without.Possible);
        Assert.Contains($"of {without.More[0].Item} is wanted", without.WhyNot, StringComparison.Ordinal);
    }

    [Fact]
    public void A_tube_that_ended_makes_a_smaller_kit_with_its_chance_of_running_out()
    {
        var (c, p) = Of("allZones.regrowthMm=20; formula={\"use\":\"roots\",\"parts\":[{\"shade\":\"5N\",\"share\":1}]}");
        var plan = Plan(p);
        var vessel = plan.Vessels.First(v => v.Kind == VesselKind.Colour);
        Assert.Null(vessel.Parts[0].From);
        var half = Poured(vessel.Key, vessel.Parts[0].Item, vessel.Fill.Value * .6);
        var smaller = Rescue.Ways(c, p, Bench.Shelf, plan, [half], vessel.Key, vessel.Parts[0].Item, (_, _) => 0m).First(w => w.Kind == PackingKind.Smaller);
        Assert.True(smaller.Possible && smaller.Sent.Value < p.Quantity!.SendGrams.Value);
        Assert.True(smaller.Judged.RunsOut.Value > p.Quantity!.RunsOutShare.Value + .1);
        Assert.True(smaller.Judged.RatioOff <= .01, $"{smaller.Judged.RatioOff}");
    }

    [Fact]
    public void A_house_of_whole_tubes_puts_them_in_unopened_and_weighs_the_developer()
    {
        var (_, p) = Of("house.schools={\"BE10\":\"wholeTube\"}; formula={\"use\":\"roots\",\"parts\":[{\"shade\":\"5N\",\"share\":1}]}");
        var plan = Plan(p);
        var tubes = plan.Vessels.Single(v => v.Kind == VesselKind.Colour);
        Assert.True(tubes.Parts[0].Unopened);
        Assert.Equal(0, tubes.Fill.Value % 60, 6);
        Assert.False(plan.Vessels.First(v => v.Kind == VesselKind.Developer).Parts[0].Unopened);
        var one = Poured(tubes.Key, "5N", 60);
        var stand = After(plan, one).Find(tubes.Key)!;
        Assert.Equal(tubes.Fill.Value > 60 ? PartState.Under : PartState.Right, stand.Parts[0].State);
    }

    /// <summary>Fifteen is not stocked: ten and twenty are weighed once for all bottles, half and half (DV8), and what a bottle holds is fifteen.</summary>
    [Fact]
    public void A_strength_that_is_not_stocked_is_one_blend_for_all_its_bottles()
    {
        var (c, p) = Of(
            "hair.naturalLevel=2; hair.texture=\"fine\"; hair.lengths.level=4; allZones.greyPercent=0; allZones.regrowthMm=40; goal.service=\"baseLift\"; goal.level=4"
        );
        var plan = Plan(p);
        var blend = plan.Vessels.Single(v => v.Kind == VesselKind.DeveloperBlend);
        Assert.Equal(["10 vol", "20 vol"], blend.Parts.Select(x => x.Item).Order());
        Assert.True(blend.Fill.Value >= plan.Vessels.Where(v => v.Parts.Any(x => x.From == blend.Key)).Sum(v => v.Fill.Value));
        var judged = Judgement.Of(c, p, Bench.Shelf, PackingStand.Of(plan, All(plan)));
        Assert.InRange(judged.Weighed.Formulas[0].Volume, 14.9, 15.1);
        // Twice the stronger half is another strength, and goes back to the colourist or not by what it does.
        var strong = Judgement.Of(c, p, Bench.Shelf, PackingStand.Of(plan, All(plan, blend.Key, "20 vol", 2)));
        Assert.True(strong.Weighed.Formulas[0].Volume > 16 && strong.DeltaE > judged.DeltaE);
    }

    /// <summary>What the next kit repeats is what was prescribed, as long as only the scale differed; what was poured otherwise is what it knows.</summary>
    [Fact]
    public void A_mix_does_not_drift_by_the_scale_and_what_was_poured_otherwise_is_remembered()
    {
        var plan = Plan(Kit.P);
        Prescription As(List<PackingEvent> events) => AsWeighed.Of(Kit.P, WeighedKit.Of(Kit.P, PackingStand.Of(plan, events)));
        Assert.Equal(Kit.P.Formulas.SelectMany(f => f.Mix()), As(All(plan)).Formulas.SelectMany(f => f.Mix()));
        var blend = plan.Vessels[0];
        var other = As(All(plan, blend.Key, blend.Parts[0].Item, 2)).Formulas[0];
        double was = Kit.P.Formulas[0].Mix().Single(m => m.Shade == blend.Parts[0].Item).Share.Value;
        Assert.True(other.Mix().Single(m => m.Shade == blend.Parts[0].Item).Share.Value > was + .05);
        Assert.Same(Kit.P, AsWeighed.Of(Kit.P, null));
    }
}
