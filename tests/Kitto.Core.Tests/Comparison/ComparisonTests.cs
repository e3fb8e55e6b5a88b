using CsCheck;
using Kitto.Core.Clock;
using Kitto.Core.Comparison;
using Kitto.Core.Contract;
using Kitto.Core.Rules;

namespace Kitto.Core.Tests.Comparison;

public sealed class ComparisonTests
{
    private static IReadOnlyList<Compared> Moved(string before, string after) =>
        [.. Compare.Answers(Bench.Prescribe(before), Bench.Prescribe(after)).Where(r => !r.Same)];

    [Fact]
    public void A_prescription_beside_itself_differs_in_nothing() =>
        Bench.Cases.Sample(
            c =>
            {
                var p = Prescriber.Prescribe(c, Bench.Shelf);
                Assert.All(Compare.Answers(p, p), row => Assert.True(row.Same, row.What));
                Assert.All(Compare.Heads(c, c), row => Assert.True(row.Same, row.What));
                var (gone, come) = Compare.Reasons(p, p);
                Assert.Empty(gone.Concat(come));
            },
            iter: 40
        );

    [Theory]
    [InlineData("", "allZones.regrowthMm=25", Topic.Quantity)]
    [InlineData("", "allZones.greyPercent=85", Topic.Shade)]
    [InlineData("", "hands.who=\"helper\"", Topic.Clock)]
    [InlineData("", "client.skinTest=-", Topic.Tests)]
    [InlineData("goal.level=6", "goal.level=8", Topic.Developer)]
    [InlineData("", "client.reactions=true", Topic.Decision)]
    public void What_moved_stands_in_both_as_it_is_shown(string before, string after, Topic about)
    {
        var moved = Moved(before, after);
        Assert.Contains(moved, r => r.About == about);
        var (then, now) = (Bench.Prescribe(before), Bench.Prescribe(after));
        if (moved.FirstOrDefault(r => r.What == "sent") is { } sent)
        {
            Assert.Equal((then.Quantity?.SendGrams.ToString() ?? "–", now.Quantity?.SendGrams.ToString() ?? "–"), (sent.Then, sent.Now));
        }
    }

    [Fact]
    public void Zones_that_were_read_alike_stand_together()
    {
        var rows = Compare.Heads(Bench.Case(), Bench.Case("zones.leftTemple={\"greyPercent\":60}; zones.rightTemple={\"greyPercent\":60}"));
        var moved = Assert.Single(rows, r => !r.Same);
        Assert.Equal(("left temple, right temple", "15 mm, 20 % white", "15 mm, 60 % white"), (moved.What, moved.Then, moved.Now));
        Assert.Equal("whole head", Compare.Heads(Bench.Case(), Bench.Case("allZones.regrowthMm=20")).Single(r => !r.Same).What);
    }

    [Fact]
    public void A_reason_that_came_is_told_from_one_whose_numbers_moved()
    {
        var (gone, come) = Compare.Reasons(Bench.Prescribe(), Bench.Prescribe("client.pregnant=true; allZones.regrowthMm=16"));
        Assert.Empty(gone);
        Assert.Equal(["SA20"], come.Select(b => b.Rule));
    }

    [Fact]
    public void Another_developer_is_prescribed_whole_with_its_caution_and_its_place()
    {
        var c = Bench.Case("allZones.greyPercent=60");
        var taken = Prescriber.Prescribe(c, Bench.Shelf);
        var others = WhatIf.Developers(c, Bench.Shelf, taken);
        Assert.DoesNotContain(others, o => o.Prescription.Formulas[0].Developer.Volume == taken.Formulas[0].Developer.Volume);
        Assert.All(others, o => Assert.Equal(taken.Formulas[0].Parts.Select(p => p.Shade), o.Prescription.Formulas[0].Parts.Select(p => p.Shade)));
        var weak = others.Single(o => o.Name == "10");
        Assert.Contains(weak.Prescription.Because, b => b.About == Topic.Attention && b.Says.Contains("weaker than the 20 vol", StringComparison.Ordinal));
        Assert.Contains(weak.Differs, d => d is { About: Topic.Developer, Then: "20 vol", Now: "10 vol" });
        // Above 20 vol nothing leaves for home, asked for or not (SA9).
        Assert.All(others.Where(o => Bench.Number(o.Name) > 20), o => Assert.NotEqual(Decision.Kit, o.Prescription.Decision));
    }

    [Fact]
    public void Another_order_is_the_one_that_painting_so_would_give()
    {
        var c = Bench.Case();
        var taken = Prescriber.Prescribe(c, Bench.Shelf);
        var others = WhatIf.Orders(c, Bench.Shelf, taken);
        Assert.Equal(4, others.Count);
        Assert.All(
            others,
            o =>
                Assert.Equal(
                    Json.Write(Prescriber.Prescribe(c with { Painting = new PaintWish(o.Prescription.Clock!.Order, null) }, Bench.Shelf)),
                    Json.Write(o.Prescription)
                )
        );
    }

    [Fact]
    public void Another_school_is_shown_where_it_changes_something_and_what_was_decided_for_her_gives_way()
    {
        var c = Bench.Case("house.forHer=[{\"rule\":\"TM2\",\"way\":\"firstStroke\",\"reason\":\"fast\",\"by\":\"Tove Marlin\",\"on\":\"2027-03-01\"}]");
        var taken = Prescriber.Prescribe(c, Bench.Shelf);
        var others = WhatIf.Schools(c, Bench.Shelf, taken, Topic.Clock);
        Assert.All(others, o => Assert.NotEmpty(o.Differs));
        var last = others.Single(o => o.Rule == "TM2");
        Assert.Equal("lastStroke", last.Name);
        Assert.True(last.Prescription.Clock!.RinseAtMinutes.Value > taken.Clock!.RinseAtMinutes.Value);
    }

    [Fact]
    public void Every_school_that_reaches_into_what_is_reckoned_is_asked_about()
    {
        // What the others choose is said in the guide only: no number of any head moves with them.
        var c = Bench.Case("zones.leftTemple={\"greyPercent\":80,\"resistant\":true}; hair.lengths.level=6; goal.level=5; goal.service=\"rootAndRefresh\"");
        var taken = Prescriber.Prescribe(c, Bench.Shelf);
        foreach (var rule in RuleBook.All.Where(r => r.Options is not null && !WhatIf.Reckoned.Contains(r.Id)))
        {
            var other = Prescriber.Prescribe(
                c with
                {
                    House = c.House with { Schools = new Dictionary<string, string> { [rule.Id] = rule.Options![1].Name } },
                },
                Bench.Shelf
            );
            Assert.All(Compare.Answers(taken, other), row => Assert.True(row.Same, $"{rule.Id} moves {row.What}"));
        }
    }

    [Fact]
    public void The_numbers_behind_the_amount_multiply_to_what_is_sent()
    {
        var p = Bench.Prescribe();
        var numbers = p
            .Because.Single(b => b is { Rule: "DO2", About: Topic.Quantity } && b.Says.Contains("is sent, so that", StringComparison.Ordinal))
            .Numbers!.ToDictionary(n => n.Name, n => n.Value);
        Assert.Equal(numbers["mixed in all"], numbers["a trained hand"] * numbers["times these hands, at that share"] + numbers["stays on the vessel"], .3);
        Assert.Equal(p.Quantity!.SendGrams.Value, numbers["mixed in all"], .3);
    }
}
