using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Packing;

/// <summary>More of something that a way out takes.</summary>
/// <param name="Vessel">Into which vessel.</param>
/// <param name="Item">Of what.</param>
/// <param name="From">The blend it is taken of; null: tube or bottle.</param>
/// <param name="Target">What the vessel then holds of it, grams.</param>
/// <param name="Grams">Grams more than without.</param>
public sealed record More(string Vessel, string Item, string? From, double Target, double Grams);

/// <summary>A way out of a pour that is not right.</summary>
/// <param name="Kind">What would be told: Raised, Taken, Smaller or Dropped.</param>
/// <param name="Possible">Whether it can be done.</param>
/// <param name="WhyNot">Why it cannot be done; null where it can.</param>
/// <param name="Factor">The factor on what is prescribed afterwards.</param>
/// <param name="More">What it takes more.</param>
/// <param name="Lost">Grams that are lost by it.</param>
/// <param name="Sent">Grams of mix in the box afterwards.</param>
/// <param name="Judged">What it comes to.</param>
public sealed record Way(PackingKind Kind, bool Possible, string? WhyNot, double Factor, IReadOnlyList<More> More, decimal Lost, Grams Sent, Judgement Judged);

/// <summary>The ways out of a part that was over-poured, or of which there is no more (BE3).</summary>
public static class Rescue
{
    /// <summary>The ways, with their numbers. Nothing is ever taken out by spoon.</summary>
    /// <param name="c">The case.</param>
    /// <param name="p">The prescription.</param>
    /// <param name="shelf">The lines it was made from.</param>
    /// <param name="plan">What is weighed.</param>
    /// <param name="events">What was told so far.</param>
    /// <param name="vessel">Key of the vessel.</param>
    /// <param name="item">The part that is not right.</param>
    /// <param name="atHand">Grams at hand of an item of a line.</param>
    public static IReadOnlyList<Way> Ways(
        Case c,
        Prescription p,
        Shelf shelf,
        PackingPlan plan,
        IReadOnlyList<PackingEvent> events,
        string vessel,
        string item,
        Func<string, string, decimal> atHand
    )
    {
        var now = PackingStand.Of(plan, events);
        if (now.Find(vessel) is not { } at || at.Parts.FirstOrDefault(x => x.Part.Item == item) is not { } part)
        {
            return [];
        }

        Way After(PackingKind kind, double factor, string? whyNot, decimal lost)
        {
            var said = new PackingEvent(Guid.Empty, kind, vessel, item, Factor: factor, Says: "...");
            var then = PackingStand.Of(plan, [.. events, said]);
            var more = kind == PackingKind.Dropped ? [] : Added(now, then);
            string? not = whyNot ?? (kind != PackingKind.Raised ? null : TooMuch(shelf, p, at.Vessel, then) ?? Missing(at.Vessel.Line, more, atHand));
            var judged = Judgement.Of(c, p, shelf, then);
            return new Way(kind, not is null, not, Math.Round(then.Factors[at.Vessel.Group], 4), more, lost, judged.Weighed.Sent.Tenths(), judged);
        }

        var ways = new List<Way>();
        if (part.State == PartState.Over)
        {
            ways.Add(After(PackingKind.Raised, 1, null, 0));
            ways.Add(After(PackingKind.Taken, 1, null, 0));
        }
        else if (part.State == PartState.Under)
        {
            double factor = Math.Round(part.Part.FactorOf((double)part.Poured), 4);
            if (factor is < 1 and >= PackingRules.LeastFactor && !at.Vessel.IsBlend)
            {
                bool tooMuch = PackingRules.Refuses(plan, events, new PackingEvent(Guid.Empty, PackingKind.Smaller, vessel, item, Factor: factor)) is not null;
                ways.Add(
                    After(
                        PackingKind.Smaller,
                        factor,
                        tooMuch ? Wording.Language.English.Says(new Reasons.PackingRefused(Reasons.PackingRefusal.TooMuchIsIn)) : null,
                        0
                    )
                );
            }

            ways.Add(After(PackingKind.Taken, 1, null, 0));
        }

        if (at.Grams > 0)
        {
            ways.Add(After(PackingKind.Dropped, 1, null, at.Grams));
        }

        return ways;
    }

    /// <summary>What is wanted more than before, part by part.</summary>
    private static List<More> Added(PackingStand now, PackingStand then) =>
        [
            .. from pair in now.Vessels.Zip(then.Vessels)
            from parts in pair.First.Parts.Zip(pair.Second.Parts)
            let more = Math.Max(parts.Second.Target, (double)parts.Second.Poured) - Math.Max(parts.First.Target, (double)parts.First.Poured)
            where more > .005
            select new More(pair.First.Vessel.Key, parts.First.Part.Item, parts.First.Part.From, Math.Round(parts.Second.Target, 2), Math.Round(more, 2)),
        ];

    /// <summary>Why there is not enough at hand for it.</summary>
    private static string? Missing(string line, IReadOnlyList<More> more, Func<string, string, decimal> atHand)
    {
        var lacks = more.Where(m => m.From is null)
            .GroupBy(m => m.Item)
            .Select(g => (Item: g.Key, Wants: g.Sum(m => m.Grams), There: (double)atHand(line, g.Key)))
            .FirstOrDefault(x => x.Wants > x.There + .05);
        return lacks.Item is null
            ? null
            : Wording.Language.English.Says(
                new Reasons.NotEnoughAtHand(lacks.Item, Grams.Of(Math.Round(lacks.Wants, 1)), Grams.Of(Math.Round(lacks.There, 1)))
            );
    }

    /// <summary>Why the pair would be more than its client's vessel takes (DO12).</summary>
    private static string? TooMuch(Shelf shelf, Prescription p, Vessel vessel, PackingStand then)
    {
        if (vessel.Pair.Length == 0 || shelf.Find(vessel.Line) is not { } line)
        {
            return null;
        }

        var pair = p.Formulas[vessel.Formula].Pairs.First(x => x.Name == vessel.Pair);
        double mix = then
                .Vessels.Where(v => v.Vessel.Group == vessel.Group)
                .SelectMany(v => v.Parts)
                .Sum(x => Math.Max(x.Target - x.Part.Kept.Value, x.OnHead)),
            most = Math.Max(Vessels.Holds(line.Thickness).Value, (pair.ColourGrams + pair.DeveloperGrams).Value);
        return mix <= most + .05 ? null : Wording.Language.English.Says(new Reasons.TooMuchForPair(Grams.Of(Math.Round(mix, 1)), Grams.Of(most)));
    }
}
