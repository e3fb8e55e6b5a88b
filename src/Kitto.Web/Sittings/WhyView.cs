using Kitto.Core;
using Kitto.Core.Comparison;
using Kitto.Core.Rules;

namespace Kitto.Web.Sittings;

/// <summary>Why a number is what it is: the reasons it has, their rules, and whose way of a school holds.</summary>
public sealed record WhyView(Answer Answer, ClientRecord? Record)
{
    /// <summary>What can be asked about, and the heading it gets.</summary>
    private static readonly Dictionary<Topic, string> Headings = new()
    {
        [Topic.Developer] = "this strength",
        [Topic.Shade] = "this mix",
        [Topic.Lengths] = "this for the lengths",
        [Topic.Quantity] = "so much",
        [Topic.Clock] = "this order and these times",
        [Topic.Tests] = "these tests",
        [Topic.Plan] = "these days",
        [Topic.Service] = "this service",
    };

    /// <summary>The heading; null where nothing of that name can be asked about.</summary>
    public string? Heading => Answer.Why is { } why && Headings.TryGetValue(why, out string? says) ? "Why " + says : null;

    /// <summary>Its reasons.</summary>
    public IEnumerable<Because> Reasons =>
        Answer.Prescription!.Because.Where(b =>
            b.About == Answer.Why
            || (Answer.Why == Topic.Shade && b.About == Topic.Lengths)
            // What asks for attention is of the strength, or of the mix.
            || (b.About == Topic.Attention && Answer.Why == (RuleBook.Find(b.Rule)?.Area == "Developer" ? Topic.Developer : Topic.Shade))
        );

    /// <summary>A number as it is read.</summary>
    public static string Say(Used used) => FormattableString.Invariant($"{used.Value:0.###}{(used.Unit.Length > 0 ? " " : "")}{used.Unit}");

    /// <summary>The way of a school that holds for a rule, and who chose it; null where there is one way only.</summary>
    public string? School(string id)
    {
        if (Answer.Case?.House is not { } house || RuleBook.Find(id) is not { Options: { } ways } rule)
        {
            return null;
        }

        string way = house.School(id),
            says = ways.FirstOrDefault(o => o.Name == way)?.Says ?? way;
        if (house.ForHer?.FirstOrDefault(w => w.Rule == id) is { } own)
        {
            return $"For this client: {says}. Decided by {own.By} on {own.On:d MMM yyyy}, “{own.Reason}”.";
        }

        return Record?.Choices.FirstOrDefault(c => c.Rule == id && c.Way == way) is { } chosen
                ? $"The house: {says}. Chosen by {chosen.ChosenBy} on {Record.Studio.Local(chosen.ChosenAt):d MMM yyyy}."
            : way == ways[0].Name ? $"The house: {says}. Nobody has chosen otherwise. {rule.Because}"
            : $"The house: {says}.";
    }
}

/// <summary>What other ways would come to, for the panel.</summary>
/// <param name="Kind">Heading.</param>
/// <param name="Ways">The ways.</param>
public sealed record WhatIfGroup(string Kind, IReadOnlyList<Instead> Ways)
{
    /// <summary>The groups that belong to what is asked about.</summary>
    public static IReadOnlyList<WhatIfGroup> Of(Topic about, Case c, Core.Shade.Shelf shelf, Prescription taken) =>
        [
            .. WhatIf
                .Asked(about)
                .Select(other =>
                    other switch
                    {
                        Other.Developer => new WhatIfGroup("With another developer", WhatIf.Developers(c, shelf, taken)),
                        Other.Order => new WhatIfGroup("In another order", WhatIf.Orders(c, shelf, taken)),
                        _ => new WhatIfGroup("By another school", WhatIf.Schools(c, shelf, taken, about)),
                    }
                )
                .Where(g => g.Ways.Count > 0),
        ];
}
