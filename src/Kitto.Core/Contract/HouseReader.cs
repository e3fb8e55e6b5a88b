using Kitto.Core.Rules;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Contract;

/// <summary>Reads the house of a case: its schools, its level of service, its costs, and what it does for one client.</summary>
internal static class HouseReader
{
    public static House Read(ObjectReader? r, Shelf? shelf)
    {
        if (r is null)
        {
            return House.Default;
        }

        var schools = new Dictionary<string, string>();
        if (r.Object("schools") is { } s)
        {
            foreach (string rule in s.Names.ToList())
            {
                if (!Schools.Options.TryGetValue(rule, out var options))
                {
                    s.Has(rule);
                    s.Fail(rule, "is not a rule with schools; a stop has none", string.Join(", ", Schools.Options.Keys));
                }
                else if (s.Text(rule) is { } chosen)
                {
                    if (options.Contains(chosen))
                    {
                        schools[rule] = chosen;
                    }
                    else
                    {
                        s.Fail(rule, $"is \"{chosen}\", which is no school of it", string.Join(", ", options));
                    }
                }
            }
        }

        var lines = new Dictionary<LineKind, string>();
        if (r.Object("lines") is { } l)
        {
            foreach (var (kind, field) in CaseFields.HouseLines)
            {
                if (l.Text(field) is not { } id)
                {
                    continue;
                }

                lines[kind] = id;
                if (shelf is not null && shelf.Find(id)?.Kind != kind)
                {
                    string[] there = [.. shelf.Lines.Where(x => x.Kind == kind).Select(x => x.Id)];
                    l.Fail(
                        field.Name,
                        $"is \"{id}\", which is no {Json.Spaced(Json.Name(kind))} line of the shelf",
                        there.Length > 0 ? string.Join(", ", there) : "none: the shelf has no such line"
                    );
                }
            }

            l.Done();
        }

        Costs? costs = null;
        if (r.Object("costs") is { } c)
        {
            costs = new Costs(c.NeededNumber(CaseFields.CostsShortPerGram), c.NeededNumber(CaseFields.CostsLeftPerGram));
            c.Done();
        }

        var house = new House(
            r.Or(CaseFields.HouseServiceLevel),
            Grams.Of(r.Or(CaseFields.HouseScaleStepGrams)),
            schools,
            costs,
            [.. r.Objects(CaseFields.HouseForHer).Select(ReadHerWay).OfType<HerWay>()]
        )
        {
            Lines = lines,
        };
        r.Done();
        return house;
    }

    /// <summary>A departure from the house for one client: of a school or a caution; nothing else has one.</summary>
    private static HerWay? ReadHerWay(ObjectReader r)
    {
        int before = r.Errors.Count;
        string? id = r.Text(CaseFields.HerWayRule);
        var rule = id is null ? null : RuleBook.Find(id);
        string[] ways =
            rule is { Options: { } options } ? [.. options.Select(o => o.Name)]
            : rule is { Kind: RuleKind.Caution } ? [HerWay.Taken]
            : [];
        if (ways.Length == 0)
        {
            r.Fail("rule", id is null ? "is needed" : $"is \"{id}\", which nobody can depart from", "a rule with schools, or a caution");
        }

        string? way = r.Text(CaseFields.HerWayWay);
        if (ways.Length > 0 && (way is null || !ways.Contains(way)))
        {
            r.Fail("way", way is null ? "is needed" : $"is \"{way}\", which is no way of {id}", string.Join(", ", ways));
        }

        var found = new HerWay(
            id ?? "",
            way ?? "",
            r.Text(CaseFields.HerWayReason) ?? "",
            r.Text(CaseFields.HerWayBy) ?? "",
            r.NeededDate(CaseFields.HerWayOn)
        );
        if (!r.Has("reason") || !r.Has("by"))
        {
            r.Fail(r.Has("reason") ? "by" : "reason", "is needed", "a text");
        }

        r.Done();
        return r.Errors.Count > before ? null : found;
    }
}
