using System.Globalization;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Wording;

namespace Kitto.Core.Comparison;

/// <summary>One thing in two prescriptions.</summary>
/// <param name="What">Its name, in the trade's words.</param>
/// <param name="Then">In the first, with its unit; a dash where it has none.</param>
/// <param name="Now">In the second.</param>
/// <param name="About">The decision it belongs to, as in a <see cref="Because"/>; the head for what was read, the wish for what was wished.</param>
public sealed record Compared(string What, string Then, string Now, Topic About)
{
    /// <summary>Whether it is the same in both.</summary>
    public bool Same => Then == Now;
}

/// <summary>Lays two prescriptions beside each other, to what is shown: numbers that read the same are the same.</summary>
public static class Compare
{
    private const string None = "–";

    /// <summary>What was decided, in the order of the page.</summary>
    public static IReadOnlyList<Compared> Answers(Prescription then, Prescription now)
    {
        var rows = new List<Compared>();
        void Row(string what, Topic about, Func<Prescription, string?> of) => rows.Add(new Compared(what, of(then) ?? None, of(now) ?? None, about));

        Row("decision", Topic.Decision, p => Named(p.Decision));
        foreach (FormulaUse use in then.Formulas.Concat(now.Formulas).Select(f => f.Use).Distinct())
        {
            Formula? Of(Prescription p) => p.Formulas.FirstOrDefault(f => f.Use == use);
            Row($"{use}, mix", Topic.Shade, p => Of(p) is { } f ? string.Join(" + ", f.Mix().Select(x => $"{x.Shade} {x.Share}")) : null);
            Row($"{use}, line and ratio", Topic.Shade, p => Of(p) is { } f ? $"{f.Line}, {f.Ratio}" : null);
            Row($"{use}, developer", Topic.Developer, p => Of(p)?.Developer.Volume.ToString());
            Row($"{use}, weighed", Topic.Quantity, p => Of(p)?.MixGrams.ToString());
            Row(
                $"{use}, sent as",
                Topic.Quantity,
                p => Of(p) is { } f ? string.Join(", ", f.Pairs.Select(x => $"{x.Name} {x.ColourGrams + x.DeveloperGrams}")) : null
            );
        }

        Row("these hands use", Topic.Quantity, p => p.Quantity?.UseGrams.ToString());
        Row("sent", Topic.Quantity, p => p.Quantity?.SendGrams.ToString());
        Row("runs out", Topic.Quantity, p => p.Quantity is { } q ? $"{q.RunsOutShare.Percent:0} in 100" : null);
        Row("left over", Topic.Quantity, p => p.Quantity?.LeftGrams.ToString());
        Row("from the wish", Topic.Shade, p => p.Forecast.DeltaE?.ToString("0.0", CultureInfo.InvariantCulture));
        Row(
            "order",
            Topic.Clock,
            p =>
                p.Clock is { Order: not PaintOrder.Own } c ? Language.English.Term(c.Order)
                : p.Clock is { } own ? string.Join(", ", own.Zones.Select(z => Language.English.Term(z.Zone)))
                : null
        );
        Row("last stroke", Topic.Clock, p => p.Clock?.PaintMinutes.ToString());
        Row("rinse", Topic.Clock, p => p.Clock?.RinseAtMinutes.ToString());
        Row(
            "shortest and longest contact",
            Topic.Clock,
            p =>
                p.Clock is { Zones.Count: > 0 } c
                    ? $"{c.Zones.Min(z => z.ContactMinutes.Value):0.0} to {c.Zones.Max(z => z.ContactMinutes.Value):0.0} min"
                    : null
        );
        Row("locked until tested", Topic.Tests, p => p.Holds.Count > 0 ? string.Join(", ", p.Holds) : "nothing");
        return rows;
    }

    /// <summary>Reasons that stand in one of the two only: those that went, those that came. A sentence of the same rule with other numbers is no other reason.</summary>
    public static (IReadOnlyList<Because> Gone, IReadOnlyList<Because> Come) Reasons(Prescription then, Prescription now) => (Only(then, now), Only(now, then));

    /// <summary>What was read and wished, zones with the same reading together.</summary>
    public static IReadOnlyList<Compared> Heads(Case then, Case now)
    {
        var rows = new List<Compared>();
        void Row(string what, Topic about, Func<Case, string?> of) => rows.Add(new Compared(what, of(then) ?? None, of(now) ?? None, about));

        Row("service", Topic.Wish, c => Name(c.Goal.Service));
        Row("wished level", Topic.Wish, c => c.Goal.Level?.ToString() ?? "as lengths");
        Row("wished tone", Topic.Wish, c => c.Goal.Tone?.ToString() ?? "as lengths");
        Row("natural level", Topic.Head, c => c.Reading.Hair.NaturalLevel.ToString());
        Row("texture, density, porosity", Topic.Head, c => $"{Name(c.Reading.Hair.Texture)}, {Name(c.Reading.Hair.Density)}, {Name(c.Reading.Hair.Porosity)}");
        Row("length", Topic.Head, c => $"{c.Reading.Hair.LengthCm.ToString("0.#", CultureInfo.InvariantCulture)} cm");
        Row(
            "lengths",
            Topic.Head,
            c =>
                $"{c.Reading.Hair.Lengths.Level} {c.Reading.Hair.Lengths.Tone}, {Name(c.Reading.Hair.Lengths.History)}{(c.Reading.Hair.Lengths.Highlighted ? ", highlighted" : "")}"
        );
        Row("faded band", Topic.Head, c => c.Reading.Hair.Band is { } b ? $"{b.Length}, {b.Level} {b.Tone}" : "none");
        Row("hands", Topic.Head, c => Name(c.Reading.Hands.Who) + (c.Reading.Hands.Practised ? ", practised" : ""));
        foreach (var like in Zones.All.GroupBy(z => (Said(then, z.Zone), Said(now, z.Zone))))
        {
            string what = like.Count() == Zones.All.Count ? "whole head" : string.Join(", ", like.Select(z => Language.English.Term(z.Zone)));
            rows.Add(new Compared(what, like.Key.Item1, like.Key.Item2, Topic.Head));
        }

        return rows;
    }

    /// <summary>A decision in the trade's words.</summary>
    public static string Named(Decision decision) =>
        decision switch
        {
            Decision.Kit => "a kit",
            Decision.Salon => "only in the salon",
            _ => "no colour",
        };

    private static string Said(Case c, Zone zone) =>
        c.Reading.Zones[(int)zone] is { Include: true } z
            ? $"{z.Regrowth}, {z.Grey} white{(z.Resistant ? ", resistant" : "")}{(z.Texture == c.Reading.Hair.Texture ? "" : $", {Name(z.Texture)}")}"
            : "left out";

    private static IReadOnlyList<Because> Only(Prescription one, Prescription other) =>
        [.. one.Because.Where(b => !other.Because.Any(o => o.Rule == b.Rule && o.About == b.About))];

    private static string Name<T>(T value)
        where T : struct, Enum => Json.Spaced(Json.Name(value));
}
