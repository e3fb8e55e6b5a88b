using Kitto.Core.Clock;
using Kitto.Core.Rules;
using Kitto.Core.Shade;

namespace Kitto.Core.Comparison;

/// <summary>What is asked of another way.</summary>
public enum Other
{
    /// <summary>Another strength of developer with the same shades.</summary>
    Developer,

    /// <summary>Another order of painting.</summary>
    Order,

    /// <summary>Another way of a school.</summary>
    School,
}

/// <summary>Another way, and the whole prescription it would come to.</summary>
/// <param name="Kind">What is other.</param>
/// <param name="Name">As the contract writes it: the strength in vol, the order, or the way of the school.</param>
/// <param name="Says">In words.</param>
/// <param name="Rule">The rule whose school it is, or that decides it.</param>
/// <param name="Prescription">What it would come to.</param>
/// <param name="Differs">What would be other, of what is shown; empty where nothing would.</param>
public sealed record Instead(Other Kind, string Name, string Says, string Rule, Prescription Prescription, IReadOnlyList<Compared> Differs);

/// <summary>What if not: the same head by another developer, another order, another school. Each is prescribed whole, so every stop and caution counts there too.</summary>
public static class WhatIf
{
    /// <summary>Which of the ways belong to a decision: developer, clock, or any other, where only schools do.</summary>
    /// <param name="about">The decision, as in a <see cref="Because"/>.</param>
    public static IReadOnlyList<Other> Asked(Topic about) =>
        about switch
        {
            Topic.Developer => [Other.Developer, Other.School],
            Topic.Clock => [Other.Order, Other.School],
            _ => [Other.School],
        };

    /// <summary>The same shades with each other strength the line takes; none for a formula that is not mixed or where there is no kit at all.</summary>
    public static IReadOnlyList<Instead> Developers(Case c, Shelf shelf, Prescription taken)
    {
        if (taken.Formulas is not [var formula, ..] || shelf.Find(formula.Line) is not { Kind: not LineKind.Lightener } line)
        {
            return [];
        }

        return
        [
            .. line
                .Developers.Select(d => d.Volume)
                .Distinct()
                .Where(v => Math.Abs(v.Value - formula.Developer.Volume.Value) > .01)
                .OrderBy(v => v.Value)
                .Select(v =>
                    Of(
                        Other.Developer,
                        v.Value.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture),
                        $"the same shades with {v}",
                        "DV8",
                        c with
                        {
                            Formula = new GivenFormula(formula.Use, formula.Mix(), v, HandMade: true),
                        },
                        shelf,
                        taken
                    )
                ),
        ];
    }

    /// <summary>Each other known order.</summary>
    public static IReadOnlyList<Instead> Orders(Case c, Shelf shelf, Prescription taken) =>
        taken.Clock is not { } clock
            ? []
            :
            [
                .. Enum.GetValues<PaintOrder>()
                    .Where(o => o != PaintOrder.Own && o != clock.Order)
                    .Select(o =>
                        Of(Other.Order, Contract.Json.Name(o), c.House.Language.Term(o), "TM5", c with { Painting = new PaintWish(o, null) }, shelf, taken)
                    ),
            ];

    /// <summary>Each other way of each school that would change anything shown; what is decided for her is set aside for the rule that is looked at.</summary>
    /// <param name="c">The case.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="taken">What was prescribed.</param>
    /// <param name="about">Only what changes this decision; null: any.</param>
    public static IReadOnlyList<Instead> Schools(Case c, Shelf shelf, Prescription taken, Topic? about = null) =>
        [
            .. from rule in RuleBook.All
            where rule.Options is not null && Reckoned.Contains(rule.Id)
            from way in rule.Options!
            where way.Name != c.House.School(rule.Id)
            let other = Of(Other.School, way.Name, way.Says, rule.Id, c with { House = With(c.House, rule.Id, way.Name) }, shelf, taken)
            where other.Differs.Any(d => about is null || d.About == about || d.About == Topic.Decision)
            select other,
        ];

    /// <summary>Schools that reach into what is reckoned; the others change only what the guide says.</summary>
    internal static readonly HashSet<string> Reckoned = ["SA5", "SV7", "SV9", "DV5", "DO10", "BE10", "AP19", "TM2", "TM5", "TM10"];

    private static Instead Of(Other kind, string name, string says, string rule, Case c, Shelf shelf, Prescription taken)
    {
        var other = Prescriber.Prescribe(c, shelf);
        return new Instead(kind, name, says, rule, other, [.. Compare.Answers(taken, other).Where(b => !b.Same)]);
    }

    private static House With(House house, string rule, string way) =>
        house with
        {
            Schools = house.Schools.Where(s => s.Key != rule).Append(new(rule, way)).ToDictionary(),
            ForHer = house.ForHer is null ? null : [.. house.ForHer.Where(w => w.Rule != rule)],
        };
}
