using System.Globalization;
using System.Text.Json;
using Kitto.Core.Clock;
using Kitto.Core.Colour;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Reads a case/1 document. Ranges and defaults are those of the schema in docs/formats.</summary>
public static class CaseReader
{
    /// <summary>The document this reads.</summary>
    public const string Version = "case/1";

    /// <summary>Reads a case; on any complaint the case is null and every complaint is listed.</summary>
    public static (Case? Case, IReadOnlyList<FieldError> Errors) Read(string json, Shelf shelf) => ReadOn(json, shelf);

    /// <summary>Reads a case that was signed: it is taken as it was, whatever has become of the shelf since.</summary>
    /// <exception cref="FormatException">It is no case document of ours.</exception>
    public static Case Kept(string json) =>
        ReadOn(json, null) switch
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
        var goal = goalIn is null ? null : GoalReader.Read(goalIn);
        var zones = ReadingReader.Zones(root, hair?.Texture ?? Texture.Medium, goal?.Service ?? Service.RootTouchUp);
        var hands = ReadingReader.Hands(root.Object("hands"));
        var house = HouseReader.Read(root.Object("house"), shelf);
        string? line = root.Text(CaseFields.Line);
        if (line is not null && shelf is not null && shelf.Find(line) is null)
        {
            root.Fail("line", $"is \"{line}\", which is not in the catalogue", string.Join(", ", shelf.Lines.Select(l => l.Id)));
            line = null;
        }

        var plan = root.Object("plan") is { } planIn ? ReadPlan(planIn) : null;
        var last = root.Object("last") is { } lastIn ? ReadLast(lastIn) : null;
        var formula = root.Object("formula") is { } formulaIn ? ReadFormula(formulaIn) : null;
        if (
            shelf is not null
            && hair is not null
            && zones.Where(z => z.Include).Select(z => z.Regrowth.Centimetres).DefaultIfEmpty().Max() is var longest
            && longest > hair.LengthCm + 1e-9
        )
        {
            root.Fail(
                CaseFields.HairLengthCm.Path,
                string.Create(CultureInfo.InvariantCulture, $"is {hair.LengthCm:0.#}, shorter than the regrowth of {longest * 10:0.#} mm"),
                string.Create(CultureInfo.InvariantCulture, $"{longest:0.#} to 120")
            );
        }

        if (shelf is not null && goal is not null && hair is not null)
        {
            StrandCheck.Of(root, goal, hair, zones);
        }

        var roots =
            shelf is null || goal is null || root.Errors.Count > 0
                ? null
                : LineNeeded.For(root, goal, line, house, shelf, zones.Any(z => z.Include && (z.Grey.Value >= .5 || z.Resistant)));
        if (formula is not null && roots is not null)
        {
            var used =
                formula.Use is FormulaUse.Lengths or FormulaUse.Band ? shelf!.ForLengths(goal!.Service, roots, house)
                : formula.Use == FormulaUse.Second ? shelf!.Ready(LineKind.Demi, house) ?? roots
                : roots;
            foreach (var (part, i) in formula.Parts.Select((p, i) => (p, i)).Where(x => used.Find(x.p.Shade) is null))
            {
                root.Fail(
                    $"formula.parts[{i}].shade",
                    $"is \"{part.Shade}\", which {used.Id} does not have",
                    string.Join(", ", used.Shades.Select(s => s.Code))
                );
            }
        }

        var reports = root.Objects(CaseFields.Reports).Select(ReadReport).ToList();
        var grown = root.Objects(CaseFields.GrownList).Select(ReadGrown).ToList();
        var painting = root.Object("painting") is { } paintingIn ? ReadPainting(paintingIn) : null;
        root.Done();
        return root.Errors.Count > 0
            ? null
            : new Case(new Reading(client!, hair!, zones, hands, last) { Grown = grown }, goal!, line, formula, plan, house, reports, painting)
            {
                Assumed = Assumed(hairIn!),
            };
    }

    /// <summary>The facts of the hair that were left out, by path.</summary>
    private static IReadOnlyList<string> Assumed(ObjectReader hair)
    {
        var lengths = hair.Object("lengths");
        return
        [
            .. Assumptions
                .Facts.Select(f => f.Path)
                .Where(path => !(path.StartsWith("hair.lengths.", StringComparison.Ordinal) ? lengths?.Has(path[13..]) ?? false : hair.Has(path[5..]))),
        ];
    }

    private static ObjectReader? Needed(ObjectReader root, string name, string range)
    {
        if (!root.Has(name))
        {
            root.Fail(name, "is needed", range);
        }

        return root.Object(name);
    }

    private static Grown ReadGrown(ObjectReader r)
    {
        var one = new Grown(Millimetres.Of(r.NeededNumber(CaseFields.GrownMm)), r.NeededWhole(CaseFields.GrownDays));
        r.Done();
        return one;
    }

    private static PaintWish? ReadPainting(ObjectReader r)
    {
        var order = r.OneOf(CaseFields.PaintingOrder);
        string zones = string.Join(", ", Enum.GetValues<Zone>().Select(Json.Name));
        var sequence = new List<Zone>();
        foreach (var (item, i) in (r.List(CaseFields.PaintingSequence) ?? []).Select((x, i) => (x, i)))
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

        return sequence.Count > 0 ? new PaintWish(PaintOrder.Own, sequence)
            : order is { } known ? new PaintWish(known, null)
            : null;
    }

    private static LastTime ReadLast(ObjectReader r)
    {
        Result? result = null;
        if (r.Object("outcome") is { } o)
        {
            result = new Result(o.One(CaseFields.OutcomeCoverage), o.One(CaseFields.OutcomeDepth), o.One(CaseFields.OutcomeTone));
            o.Done();
        }

        var formula = r.Object("formula") is { } f && f.Names.Any() ? ReadFormula(f) : null;
        var last = new LastTime(r.Whole(CaseFields.LastDaysAgo), formula, result);
        r.Done();
        return last;
    }

    private static ColourReport ReadReport(ObjectReader r)
    {
        var report = new ColourReport(
            r.NeededWhole(CaseFields.ReportDaysAgo),
            r.Colour(CaseFields.ReportForecast),
            r.Colour(CaseFields.ReportWish),
            r.One(CaseFields.ReportDepth),
            r.One(CaseFields.ReportTone),
            Seen(r)
        );
        r.Done();
        return report;
    }

    /// <summary>What was measured of it on a card.</summary>
    private static SeenColour? Seen(ObjectReader r)
    {
        var sd = r.Number(CaseFields.ReportSeenSd);
        bool seen = r.Has(CaseFields.ReportSeen.Name);
        if (seen && sd is null)
        {
            r.Fail(CaseFields.ReportSeenSd.Name, "is needed", $"{CaseFields.ReportSeenSd.Range} with a colour that was seen");
        }

        return seen ? new SeenColour(r.Colour(CaseFields.ReportSeen), sd ?? 1) : null;
    }

    private static GivenFormula? ReadFormula(ObjectReader r)
    {
        int before = r.Errors.Count;
        var use = r.One(CaseFields.FormulaUse);
        var parts = new List<MixPart>();
        foreach (var p in r.Objects(CaseFields.FormulaParts))
        {
            string? code = p.Text(CaseFields.PartShade);
            double share = p.NeededNumber(CaseFields.PartShare);
            if (code is null ? !p.Has("shade") : ShadeOf.Parse(code) is null || parts.Any(x => x.Shade == code))
            {
                p.Fail(
                    "shade",
                    code is null ? "is needed"
                        : parts.Any(x => x.Shade == code) ? $"{code} stands twice"
                        : $"is \"{code}\", which is not a shade code",
                    "a level and a family such as 6N, or 0R, 0G, 0B, 0V, 00, LT; each once"
                );
            }

            p.Done();
            parts.Add(new MixPart(code ?? "", Share.Of(Math.Clamp(share, 0, 1))));
        }

        double sum = parts.Sum(p => p.Share.Value);
        if (parts.Count == 0 || Math.Abs(sum - 1) > 0.011)
        {
            r.Fail("parts", parts.Count == 0 ? "are needed" : $"have shares that add up to {sum:0.###}", "shares that add up to 1");
        }

        var volume = r.Number(CaseFields.FormulaDeveloperVolume);
        bool handMade = r.On(CaseFields.FormulaHandMade);
        r.Done();
        return r.Errors.Count > before
            ? null
            : new GivenFormula(
                use,
                [.. parts.Select(p => p with { Share = Share.Of(Math.Round(p.Share.Value / sum, 14)) })],
                volume is { } v ? Volume.Of(v) : null,
                handMade
            );
    }

    private static PlanWish ReadPlan(ObjectReader r)
    {
        var days = new List<DayOfWeek>();
        var names = Enum.GetValues<DayOfWeek>().ToDictionary(d => d.ToString().ToLowerInvariant());
        var list = r.List(CaseFields.PlanPostDays);
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
            r.NeededDate(CaseFields.PlanToday),
            r.NeededDate(CaseFields.PlanWantBy),
            list is null ? PlanWish.UsualPostDays : days,
            (int)r.Or(CaseFields.PlanTransitDays)
        );
        r.Done();
        return wish;
    }
}
