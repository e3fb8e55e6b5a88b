using System.Globalization;
using System.Text.Json.Nodes;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Wording;

namespace Kitto.Core.Learning;

/// <summary>A short exercise.</summary>
public enum DrillKind
{
    /// <summary>A lock, and which level it is.</summary>
    Level,

    /// <summary>A head in a sentence, and which developer it takes.</summary>
    Developer,

    /// <summary>What lifting lays bare, and what is its opposite.</summary>
    Opposites,

    /// <summary>Regrowth and hair, and how many grams are sent.</summary>
    Grams,

    /// <summary>A head with its white, and in which order it is painted.</summary>
    Order,

    /// <summary>A wished day, and when the box has to leave.</summary>
    PlanBack,
}

/// <summary>One possible answer.</summary>
/// <param name="Name">As it is posted.</param>
/// <param name="Says">As it is read.</param>
public sealed record DrillOption(string Name, string Says);

/// <summary>One question of a drill, its answers, and which is right.</summary>
/// <param name="Kind">Which drill.</param>
/// <param name="Rule">The rule it is answered by.</param>
/// <param name="Asks">The question.</param>
/// <param name="Options">The answers to choose from.</param>
/// <param name="Right">Name of the right one.</param>
/// <param name="Why">Why, in the rule's words.</param>
public sealed record Drill(DrillKind Kind, string Rule, string Asks, IReadOnlyList<DrillOption> Options, string Right, string Why)
{
    /// <summary>The colour of a lock to be judged; null where there is none.</summary>
    public string? Hex { get; init; }

    /// <summary>The head that is asked about; null where there is none.</summary>
    public Case? Head { get; init; }
}

/// <summary>Questions drawn from a seed, answered by the engine itself.</summary>
public static class Drills
{
    /// <summary>A question.</summary>
    /// <param name="kind">Which drill.</param>
    /// <param name="seed">The same seed asks the same.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <param name="house">The house, as a case has it; null: as it comes.</param>
    /// <returns>Null where the shelf has nothing to ask about.</returns>
    public static Drill? Of(DrillKind kind, long seed, Shelf shelf, JsonObject? house = null)
    {
        var lots = new Lots(seed);
        return kind switch
        {
            DrillKind.Level => OfLevel(lots),
            DrillKind.Opposites => OfOpposites(lots),
            DrillKind.PlanBack => OfPlan(lots),
            DrillKind.Developer => Head(seed, lots, shelf, house, StudyKind.OwnLevel, StudyKind.White, StudyKind.Lift) is { } head ? OfDeveloper(head) : null,
            DrillKind.Grams => Head(seed, lots, shelf, house, StudyKind.OwnLevel, StudyKind.White, StudyKind.Resistant) is { } head
                ? OfGrams(head, lots)
                : null,
            DrillKind.Order => Head(seed, lots, shelf, house, StudyKind.OwnLevel, StudyKind.Resistant, StudyKind.Lift) is { } head
                ? OfOrder(head, shelf)
                : null,
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
    }

    private static StudyHead? Head(long seed, Lots lots, Shelf shelf, JsonObject? house, params StudyKind[] kinds) =>
        StudyHeads.Of(seed, lots.Of(kinds), shelf, house);

    private static string Says(Saying saying) => Language.English.Says(saying);

    private static Drill OfLevel(Lots lots)
    {
        int level = lots.Between(2, 10);
        return new Drill(
            DrillKind.Level,
            "RD1",
            Says(new LevelAsked()),
            [.. Enumerable.Range(1, 10).Select(l => new DrillOption($"{l}", $"{l}"))],
            $"{level}",
            Says(new LevelIs(level))
        )
        {
            Hex = HeadSeen.Ladder[level - 1],
        };
    }

    private static Drill OfOpposites(Lots lots)
    {
        // Levels whose undertone is plainly one colour.
        int level = lots.Of(3, 4, 6, 8, 9, 10);
        var undertone = Undertones.At(level);
        var right =
            level <= 4 ? Family.AG
            : level <= 6 ? Family.AB
            : Family.V;
        return new Drill(
            DrillKind.Opposites,
            "SH3",
            Says(new OppositeAsked(level, undertone)),
            [.. new[] { Family.AG, Family.AB, Family.V, Family.G, Family.C }.Select(f => new DrillOption($"{f}", Language.English.Term(f)))],
            $"{right}",
            Says(new OppositeIs(right, undertone))
        )
        {
            Hex = Srgb.Hex(Melanin.Warmed(level, 1).Lab),
        };
    }

    private static Drill OfDeveloper(StudyHead head)
    {
        var (hair, best) = (head.Case.Reading.Hair, head.Best);
        var because = best.Because.First(b => b.About == Topic.Developer);
        return new Drill(
            DrillKind.Developer,
            because.Rule,
            Says(
                new DeveloperAsked(
                    hair.NaturalLevel,
                    hair.Texture,
                    head.Case.Reading.DecisiveGrey,
                    head.Case.Goal.Level!.Value,
                    HighLift: best.Formulas[0].Parts.Any(p => ShadeOf.Parse(p.Shade)?.Level > 10)
                )
            ),
            [.. new[] { 6.0, 10, 15, 20, 30 }.Select(v => new DrillOption(v.ToString(CultureInfo.InvariantCulture), Volume.Of(v).ToString()))],
            best.Formulas[0].Developer.Volume.Value.ToString(CultureInfo.InvariantCulture),
            because.Says
        );
    }

    private static Drill OfGrams(StudyHead head, Lots lots)
    {
        var (reading, best) = (head.Case.Reading, head.Best);
        double Rounded(double grams) => Math.Round(grams / 5) * 5;
        double right = Rounded(best.Quantity!.SendGrams.Value);
        double[] factors = lots.OneIn(2) ? [.45, .7, 1, 1.5] : [.6, 1, 1.5, 2.1];
        return new Drill(
            DrillKind.Grams,
            "DO1",
            Says(
                new GramsAsked(
                    reading.MeanRegrowth,
                    reading.Hair.Texture,
                    reading.Hair.Density,
                    reading.Hands.Who,
                    reading.Hands.Practised,
                    best.Formulas[0].Ratio
                )
            ),
            [.. factors.Select(f => Rounded(right * f)).Select(g => new DrillOption(g.ToString(CultureInfo.InvariantCulture), $"{g:0} g"))],
            right.ToString(CultureInfo.InvariantCulture),
            string.Join(' ', best.Because.Where(b => b.About == Topic.Quantity && b.Rule is "DO1" or "DO2" or "DO6").Select(b => b.Says).Distinct())
        );
    }

    private static Drill OfOrder(StudyHead head, Shelf shelf)
    {
        var (c, best) = (head.Case, head.Best);
        var because = best.Because.First(b => b.Rule == "TM5");
        // What the rules let stand beside the best is no wrong answer: it is not asked about.
        var line = shelf.Find(best.Formulas[0].Line)!;
        var (admissible, _) = PaintOrders.Admissible(c.Reading, c.Goal.Service, line, c.Goal.Level!.Value.Value, c.House);
        return new Drill(
            DrillKind.Order,
            "TM5",
            Says(new OrderAsked(head.Case.Goal.Level!.Value, head.Case.Goal.Service == Service.BaseLift)),
            [
                .. Enum.GetValues<PaintOrder>()
                    .Where(o => o == best.Clock!.Order || (o != PaintOrder.Own && !admissible.Contains(o)))
                    .Select(o => new DrillOption(Json.Name(o), Language.English.Term(o))),
            ],
            Json.Name(best.Clock!.Order),
            because.Says
        )
        {
            Head = c,
        };
    }

    private static Drill OfPlan(Lots lots)
    {
        while (true)
        {
            var today = new DateOnly(2027, 3, 1).AddDays(lots.Between(0, 200));
            var days = lots.Shuffled(PlanWish.UsualPostDays).Take(2).Order().ToList();
            var wish = new PlanWish(today, today.AddDays(lots.Between(14, 22)), days, lots.Between(1, 3));
            var why = new List<Reason>();
            var plan = PlanBack.From(wish, why);
            if (!plan.Feasible || !why.Any(r => r is PostInReserve))
            {
                continue;
            }

            var post = plan.PostOn!.Value;
            var there = Enumerable
                .Range(1, wish.WantBy.DayNumber - today.DayNumber)
                .Select(today.AddDays)
                .Where(d => days.Contains(d.DayOfWeek))
                .OrderBy(d => Math.Abs(d.DayNumber - post.DayNumber))
                .Take(4)
                .Order();
            return new Drill(
                DrillKind.PlanBack,
                why[0].Rule,
                Says(new PlanAsked(today, wish.WantBy, days, wish.TransitDays)),
                [.. there.Select(d => new DrillOption($"{d:yyyy-MM-dd}", Language.English.Day(d)))],
                $"{post:yyyy-MM-dd}",
                string.Join(' ', why.Select(Says))
            );
        }
    }
}
