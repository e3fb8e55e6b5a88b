using System.Globalization;
using System.Text.Json;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Rules;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Reads a case/1 document. Ranges and defaults are those of the schema in docs/formats.</summary>
public static class CaseReader
{
    /// <summary>The document this reads.</summary>
    public const string Version = "case/1";

    /// <summary>Hair length when none is given, centimetres: shoulder length.</summary>
    public const double DefaultLengthCm = 30;

    /// <summary>Reads a case; on any complaint the case is null and every complaint is listed.</summary>
    public static (Case? Case, IReadOnlyList<FieldError> Errors) Read(string json, Shelf shelf) => ReadOn(json, shelf);

    /// <summary>Reads a case that was signed: it is taken as it was, whatever has become of the shelf since.</summary>
    /// <exception cref="FormatException">It is no case document of ours.</exception>
    public static Case Kept(string json) => ReadOn(json, null) switch
    {
        { Case: { } read } => read,
        var wrong => throw new FormatException($"This is not a case as it was signed: {string.Join("; ", wrong.Errors.Select(e => $"{e.Path} {e.Says}"))}"),
    };

    private static (Case? Case, IReadOnlyList<FieldError> Errors) ReadOn(string json, Shelf? shelf) =>
        ObjectReader.Document(json, "{ \"kitto\": \"case/1\", ... }", root => Root(root, shelf)!);

    private static Case? Root(ObjectReader root, Shelf? shelf)
    {
        string? version = root.Text("kitto");
        if (version != Version)
        {
            root.Fail("kitto", version is null ? "is needed" : $"is \"{version}\"", $"\"{Version}\"");
        }

        var clientIn = Needed(root, "client", "an object with ageYears");
        var hairIn = Needed(root, "hair", "an object with naturalLevel");
        var goalIn = Needed(root, "goal", "an object with service");
        var client = clientIn is null ? null : ReadingReader.Client(clientIn, shelf);
        var hair = hairIn is null ? null : ReadingReader.Hair(hairIn);
        var goal = goalIn is null ? null : ReadGoal(goalIn);
        var zones = ReadingReader.Zones(root, hair?.Texture ?? Texture.Medium, goal?.Service ?? Service.RootTouchUp);
        var hands = ReadingReader.Hands(root.Object("hands"));
        var house = ReadHouse(root.Object("house"));
        string? line = root.Text("line");
        if (line is not null && shelf is not null && shelf.Find(line) is null)
        {
            root.Fail("line", $"is \"{line}\", which is not in the catalogue", string.Join(", ", shelf.Lines.Select(l => l.Id)));
            line = null;
        }

        var plan = root.Object("plan") is { } planIn ? ReadPlan(planIn) : null;
        var last = root.Object("last") is { } lastIn ? ReadLast(lastIn) : null;
        var formula = root.Object("formula") is { } formulaIn ? ReadFormula(formulaIn) : null;
        if (shelf is not null && hair is not null && zones.Where(z => z.Include).Select(z => z.Regrowth.Centimetres).DefaultIfEmpty().Max() is var longest && longest > hair.LengthCm + 1e-9)
        {
            root.Fail("hair.lengthCm", string.Create(CultureInfo.InvariantCulture, $"is {hair.LengthCm:0.#}, shorter than the regrowth of {longest * 10:0.#} mm"), string.Create(CultureInfo.InvariantCulture, $"{longest:0.#} to 120"));
        }

        if (shelf is not null && goal is not null && hair is not null)
        {
            StrandCheck.Of(root, goal, hair, zones);
        }

        var roots = shelf is null || goal is null || root.Errors.Count > 0 ? null : LineNeeded.For(root, goal, line, house, shelf, zones.Any(z => z.Include && (z.Grey.Value >= .5 || z.Resistant)));
        if (formula is not null && roots is not null)
        {
            var used = formula.Use is "lengths" or "band" ? shelf!.ForLengths(goal!.Service, roots) : formula.Use == "second" ? shelf!.Lines.FirstOrDefault(l => l is { Kind: LineKind.Demi, Mixable: true }) ?? roots : roots;
            foreach (var (part, i) in formula.Parts.Select((p, i) => (p, i)).Where(x => used.Find(x.p.Shade) is null))
            {
                root.Fail($"formula.parts[{i}].shade", $"is \"{part.Shade}\", which {used.Id} does not have", string.Join(", ", used.Shades.Select(s => s.Code)));
            }
        }

        var reports = root.Objects("reports", 50).Select(ReadReport).ToList();
        var grown = root.Objects("grown", 50).Select(ReadGrown).ToList();
        var painting = root.Object("painting") is { } paintingIn ? ReadPainting(paintingIn) : null;
        root.Done();
        return root.Errors.Count > 0 ? null : new Case(new Reading(client!, hair!, zones, hands, last) { Grown = grown }, goal!, line, formula, plan, house, reports, painting) { Assumed = Assumed(hairIn!) };
    }

    /// <summary>The facts of the hair that were left out, by path.</summary>
    private static IReadOnlyList<string> Assumed(ObjectReader hair)
    {
        var lengths = hair.Object("lengths");
        return [.. Assumptions.Facts.Select(f => f.Path).Where(path => !(path.StartsWith("hair.lengths.", StringComparison.Ordinal) ? lengths?.Has(path[13..]) ?? false : hair.Has(path[5..])))];
    }

    /// <summary>Whether face-framing pieces are painted in a shadow (SV16).</summary>
    private enum Frame
    {
        Paint,
        LeaveOut,
    }

    private static ObjectReader? Needed(ObjectReader root, string name, string range)
    {
        if (!root.Has(name))
        {
            root.Fail(name, "is needed", range);
        }

        return root.Object(name);
    }

    private static Goal ReadGoal(ObjectReader r)
    {
        string services = string.Join(", ", Enum.GetNames<Service>().Select(JsonNamingPolicy.CamelCase.ConvertName));
        var goal = new Goal(r.Require("service", r.OneOf<Service>("service"), services),
            r.Number("level", 1, 12, 0.5) is { } level ? Level.Of(level) : null, ReadingReader.Tone(r),
            r.Text("lengthsCondition") switch
            {
                null => null,
                "dry" => false,
                "damp" => true,
                var other => Condition(other),
            })
        {
            Lengths = r.Object("lengths") is { } lengths ? ReadLengths(lengths) : null,
            LeaveFrame = r.OneOf<Frame>("frame") == Frame.LeaveOut,
            How = r.OneOf<How>("how") ?? How.Usual,
            Tail = r.Number("tailMm", 10, 100) is { } tail ? Millimetres.Of(tail) : null,
        };
        r.Done();
        return goal;

        static LengthsGoal ReadLengths(ObjectReader l)
        {
            var wish = new LengthsGoal(l.Number("level", 1, 12, 0.5) is { } level ? Level.Of(level) : null, ReadingReader.Tone(l), l.Flag("clear") ?? false);
            if (wish is { Clear: true, Level: not null } or { Clear: true, Tone: not null })
            {
                l.Fail("clear", "stands beside a level or a tone; clear changes neither", "clear alone, or level and tone without it");
            }
            else if (!wish.Clear && !l.Has("level") && !l.Has("tone"))
            {
                l.Fail("level", "is needed: nothing is wished", "a level 1 to 12, a tone, or clear: true");
            }

            l.Done();
            return wish;
        }

        bool? Condition(string text)
        {
            r.Fail("lengthsCondition", $"is \"{text}\", which is not known", "dry, damp");
            return null;
        }
    }

    private static Grown ReadGrown(ObjectReader r)
    {
        var one = new Grown(Millimetres.Of(r.Require("mm", r.Number("mm", 0, 300), "0 to 300")), r.Require("days", r.Whole("days", GrowthRate.LeastDays, 3650), $"{GrowthRate.LeastDays} to 3650"));
        r.Done();
        return one;
    }

    private static PaintWish? ReadPainting(ObjectReader r)
    {
        var order = r.OneOf<PaintOrder>("order");
        string zones = string.Join(", ", Enum.GetValues<Zone>().Select(Json.Name));
        var sequence = new List<Zone>();
        foreach (var (item, i) in (r.List("sequence", 9) ?? []).Select((x, i) => (x, i)))
        {
            string name = item.ValueKind == JsonValueKind.String ? item.GetString()! : "";
            if (Enum.GetValues<Zone>().Where(z => Json.Name(z) == name).Cast<Zone?>().FirstOrDefault() is not { } zone || sequence.Contains(zone))
            {
                r.Fail($"sequence[{i}]", sequence.Any(z => Json.Name(z) == name) ? $"names {name} twice" : $"is \"{name}\", which is not a zone", zones);
            }
            else
            {
                sequence.Add(zone);
            }
        }

        r.Done();
        if (order == PaintOrder.Own && sequence.Count == 0)
        {
            r.Fail("sequence", "is needed for an order of your own", zones);
        }

        return sequence.Count > 0 ? new PaintWish(PaintOrder.Own, sequence) : order is { } known ? new PaintWish(known, null) : null;
    }

    private static LastTime ReadLast(ObjectReader r)
    {
        Result? result = null;
        if (r.Object("outcome") is { } o)
        {
            result = new Result(o.OneOf<Coverage>("coverage") ?? Coverage.Full, o.OneOf<Depth>("depth") ?? Depth.Right, o.OneOf<ToneOutcome>("tone") ?? ToneOutcome.Right);
            o.Done();
        }

        var formula = r.Object("formula") is { } f && f.Names.Any() ? ReadFormula(f) : null;
        var last = new LastTime(r.Whole("daysAgo", 0, 3650), formula, result);
        r.Done();
        return last;
    }

    private static ColourReport ReadReport(ObjectReader r)
    {
        var report = new ColourReport(
            r.Require("daysAgo", r.Whole("daysAgo", 0, 3650), "0 to 3650"), ReadLab(r, "forecast"), ReadLab(r, "wish"),
            r.OneOf<Depth>("depth") ?? Depth.Right, r.OneOf<ToneOutcome>("tone") ?? ToneOutcome.Right);
        r.Done();
        return report;
    }

    /// <summary>A colour as [L*, a*, b*].</summary>
    private static Lab ReadLab(ObjectReader r, string name)
    {
        const string Range = "three numbers: L* 0 to 100, a* and b* -128 to 128";
        var list = r.List(name, 3);
        double[] read = [.. (list ?? []).Select(n => n.ValueKind == JsonValueKind.Number && n.TryGetDouble(out double v) ? v : double.NaN)];
        if (read.Length == 3 && read[0] is >= 0 and <= 100 && read.Skip(1).All(v => Math.Abs(v) <= 128))
        {
            return new Lab(read[0], read[1], read[2]);
        }

        if (list is not null || !r.Has(name))
        {
            r.Fail(name, list is null ? "is needed" : "is not a colour", Range);
        }

        return default;
    }

    /// <summary>A departure from the house for one client: of a school or a caution; nothing else has one.</summary>
    private static HerWay? ReadHerWay(ObjectReader r)
    {
        int before = r.Errors.Count;
        string? id = r.Text("rule");
        var rule = id is null ? null : RuleBook.Find(id);
        string[] ways = rule is { Options: { } options } ? [.. options.Select(o => o.Name)] : rule is { Kind: RuleKind.Caution } ? [HerWay.Taken] : [];
        if (ways.Length == 0)
        {
            r.Fail("rule", id is null ? "is needed" : $"is \"{id}\", which nobody can depart from", "a rule with schools, or a caution");
        }

        string? way = r.Text("way");
        if (ways.Length > 0 && (way is null || !ways.Contains(way)))
        {
            r.Fail("way", way is null ? "is needed" : $"is \"{way}\", which is no way of {id}", string.Join(", ", ways));
        }

        var found = new HerWay(id ?? "", way ?? "", r.Text("reason", 300) ?? "", r.Text("by") ?? "", r.Require("on", r.Date("on"), "a date as year-month-day"));
        if (!r.Has("reason") || !r.Has("by"))
        {
            r.Fail(r.Has("reason") ? "by" : "reason", "is needed", "a text");
        }

        r.Done();
        return r.Errors.Count > before ? null : found;
    }

    private static GivenFormula? ReadFormula(ObjectReader r)
    {
        int before = r.Errors.Count;
        string use = r.Text("use") ?? "roots";
        if (use is not ("roots" or "lengths" or "shadow" or "band" or "second"))
        {
            r.Fail("use", $"is \"{use}\", which is not known", "roots, lengths, shadow, band, second");
        }

        var parts = new List<MixPart>();
        foreach (var p in r.Objects("parts", 8))
        {
            string? code = p.Text("shade", 6);
            double share = p.Require("share", p.Number("share", 0.001, 1), "0.001 to 1");
            if (code is null ? !p.Has("shade") : ShadeOf.Parse(code) is null || parts.Any(x => x.Shade == code))
            {
                p.Fail("shade", code is null ? "is needed" : parts.Any(x => x.Shade == code) ? $"{code} stands twice" : $"is \"{code}\", which is not a shade code", "a level and a family such as 6N, or 0R, 0G, 0B, 0V, 00, LT; each once");
            }

            p.Done();
            parts.Add(new MixPart(code ?? "", Share.Of(Math.Clamp(share, 0, 1))));
        }

        double sum = parts.Sum(p => p.Share.Value);
        if (parts.Count == 0 || Math.Abs(sum - 1) > 0.011)
        {
            r.Fail("parts", parts.Count == 0 ? "are needed" : $"have shares that add up to {sum:0.###}", "shares that add up to 1");
        }

        var volume = r.Number("developerVolume", 0, 40);
        bool handMade = r.Flag("handMade") ?? false;
        r.Done();
        return r.Errors.Count > before ? null
            : new GivenFormula(use, [.. parts.Select(p => p with { Share = Share.Of(Math.Round(p.Share.Value / sum, 14)) })], volume is { } v ? Volume.Of(v) : null, handMade);
    }

    private static PlanWish ReadPlan(ObjectReader r)
    {
        var days = new List<DayOfWeek>();
        var names = Enum.GetValues<DayOfWeek>().ToDictionary(d => d.ToString().ToLowerInvariant());
        var list = r.List("postDays", 7);
        foreach (var (item, i) in (list ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.String && r.Named($"postDays[{i}]", item.GetString()!, names) is { } day)
            {
                days.Add(day);
            }
            else if (item.ValueKind != JsonValueKind.String)
            {
                r.Fail($"postDays[{i}]", "must be the name of a day", string.Join(", ", names.Keys));
            }
        }

        if (list is { Count: 0 })
        {
            r.Fail("postDays", "is empty", "at least one of " + string.Join(", ", names.Keys));
        }

        var wish = new PlanWish(
            r.Require("today", r.Date("today"), "a date as year-month-day"), r.Require("wantBy", r.Date("wantBy"), "a date as year-month-day"),
            list is null ? [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Wednesday, DayOfWeek.Thursday, DayOfWeek.Friday] : days,
            r.Whole("transitDays", 0, 14) ?? 2);
        r.Done();
        return wish;
    }

    private static House ReadHouse(ObjectReader? r)
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

        Costs? costs = null;
        if (r.Object("costs") is { } c)
        {
            costs = new Costs(
                c.Require("shortPerGram", c.Number("shortPerGram", 0.01, 10_000), "0.01 to 10000"), c.Require("leftPerGram", c.Number("leftPerGram", 0.01, 10_000), "0.01 to 10000"));
            c.Done();
        }

        var house = new House(r.Number("serviceLevel", House.LeastLevel, House.GreatestLevel) ?? House.Default.ServiceLevel, Grams.Of(r.Number("scaleStepGrams", 0.01, 5) ?? House.Default.ScaleStep.Value), schools, costs, [.. r.Objects("forHer", 40).Select(ReadHerWay).OfType<HerWay>()]);
        r.Done();
        return house;
    }
}
