using System.Text.Json;
using Kitto.Core.Clock;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Reads a case/1 document. Ranges and defaults are those of the schema in docs/formats.</summary>
public static class CaseReader
{
    /// <summary>The document this reads.</summary>
    public const string Version = "case/1";

    /// <summary>Hair length when none is given, centimetres: shoulder length.</summary>
    public const double DefaultLengthCm = 30;

    private static readonly JsonDocumentOptions Strict = new() { MaxDepth = 16, AllowDuplicateProperties = false };

    /// <summary>Reads a case; on any complaint the case is null and every complaint is listed.</summary>
    public static (Case? Case, IReadOnlyList<FieldError> Errors) Read(string json, Shelf shelf)
    {
        var errors = new List<FieldError>();
        try
        {
            using var document = JsonDocument.Parse(json, Strict);
            if (document.RootElement.ValueKind != JsonValueKind.Object)
            {
                return (null, [new FieldError("$", "must be one JSON object", "{ \"kitto\": \"case/1\", ... }")]);
            }

            var found = Root(new ObjectReader(document.RootElement, "", errors), shelf);
            return errors.Count == 0 ? (found, errors) : (null, errors);
        }
        catch (JsonException broken)
        {
            string where = broken.LineNumber is { } line ? $" at line {line + 1}, byte {broken.BytePositionInLine + 1}" : "";
            return (null, [new FieldError(broken.Path ?? "$", $"is not well-formed JSON{where}: {broken.Message.Split(" Path:")[0].Split(" LineNumber:")[0]}", "one JSON object, each field once")]);
        }
    }

    private static Case? Root(ObjectReader root, Shelf shelf)
    {
        string? version = root.Text("kitto");
        if (version != Version)
        {
            root.Fail("kitto", version is null ? "is needed" : $"is \"{version}\"", $"\"{Version}\"");
        }

        var clientIn = root.Object("client");
        if (clientIn is null)
        {
            root.Fail("client", "is needed", "an object with ageYears");
        }

        var hairIn = root.Object("hair");
        if (hairIn is null)
        {
            root.Fail("hair", "is needed", "an object with naturalLevel");
        }

        var goalIn = root.Object("goal");
        if (goalIn is null)
        {
            root.Fail("goal", "is needed", "an object with service");
        }

        var client = clientIn is null ? null : Client(clientIn, shelf);
        var hair = hairIn is null ? null : ReadHair(hairIn);
        var goal = goalIn is null ? null : ReadGoal(goalIn);
        var zones = ReadZones(root, hair?.Texture ?? Texture.Medium, goal?.Service ?? Service.RootTouchUp);
        var hands = ReadHands(root.Object("hands"));
        var house = ReadHouse(root.Object("house"));
        string? line = root.Text("line");
        if (line is not null && shelf.Find(line) is null)
        {
            root.Fail("line", $"is \"{line}\", which is not in the catalogue", string.Join(", ", shelf.Lines.Select(l => l.Id)));
            line = null;
        }

        var plan = root.Object("plan") is { } planIn ? ReadPlan(planIn) : null;
        var last = root.Object("last") is { } lastIn ? ReadLast(lastIn) : null;
        var formula = root.Object("formula") is { } formulaIn ? ReadFormula(formulaIn) : null;
        if (formula is not null && goal is not null && root.Errors.Count == 0)
        {
            var used = formula.Use == "lengths" && goal.Service != Service.Gloss ? shelf.Find(Shelf.CompanionGloss)! : shelf.For(goal, line, house);
            foreach (var (part, i) in formula.Parts.Select((p, i) => (p, i)).Where(x => used.Find(x.p.Shade) is null))
            {
                root.Fail($"formula.parts[{i}].shade", $"is \"{part.Shade}\", which {used.Id} does not have", string.Join(", ", used.Shades.Select(s => s.Code)));
            }
        }

        root.Done();
        return root.Errors.Count > 0 ? null : new Case(new Reading(client!, hair!, zones, hands, last), goal!, line, formula, plan, house);
    }

    private static ClientFacts Client(ObjectReader r, Shelf shelf)
    {
        var skin = r.Object("skinTest");
        var strand = r.Object("strandTest");
        var conditions = new List<string>();
        foreach (var (item, i) in (r.List("conditions", 30) ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.String && item.GetString()!.Trim() is { Length: > 0 and <= 80 } text)
            {
                conditions.Add(text);
            }
            else
            {
                r.Fail($"conditions[{i}]", "must be a text", $"such as {string.Join(", ", Safety.Conditions.Known.Keys)}, or other words up to 80 characters");
            }
        }

        var client = new ClientFacts(
            r.Require("ageYears", r.Whole("ageYears", 0, 120), "0 to 120"),
            r.Flag("firstKit") ?? true, r.Flag("reactions") ?? false, r.Flag("blackHenna") ?? false, r.Flag("pregnant") ?? false,
            r.OneOf<Scalp>("scalp") ?? Scalp.Sound, conditions, r.Flag("newMedicine") ?? false, r.Whole("chemicalServiceDaysAgo", 0, 3650),
            skin is null ? null : new SkinTest(
                skin.Require("daysAgo", skin.Whole("daysAgo", 0, 3650), "0 to 3650"), skin.Require("result", skin.OneOf<SkinResult>("result"), "clear, reacted"), skin.Text("line")),
            strand is null ? null : new StrandTest(
                strand.Require("daysAgo", strand.Whole("daysAgo", 0, 3650), "0 to 3650"),
                strand.Require("result", strand.OneOf<StrandResult>("result"), "right, tooLight, tooDark, tooWarm, tooCool, greyShows, damaged"), strand.Number("minutes", 0, 120)));
        if (client.SkinTest?.Line is { } line && shelf.Find(line) is null)
        {
            skin!.Fail("line", $"is \"{line}\", which is not in the catalogue", string.Join(", ", shelf.Lines.Select(l => l.Id)));
        }

        skin?.Done();
        strand?.Done();
        r.Done();
        return client;
    }

    private static Hair ReadHair(ObjectReader r)
    {
        var natural = r.Number("naturalLevel", 1, 10, 0.5);
        r.Require("naturalLevel", natural, "1 to 10, halves allowed");
        var level = Level.Of(natural ?? 5);
        var lengths = new Lengths(level, Tone.Neutral, LengthHistory.Unknown, false);
        if (r.Object("lengths") is { } l)
        {
            lengths = new Lengths(Level.Of(l.Number("level", 1, 12, 0.5) ?? level.Value), ReadTone(l) ?? Tone.Neutral,
                l.OneOf<LengthHistory>("history") ?? LengthHistory.Unknown, l.Flag("highlighted") ?? false);
            l.Done();
        }

        Band? band = null;
        if (r.Object("band") is { } b)
        {
            band = new Band(Millimetres.Of(b.Require("lengthMm", b.Number("lengthMm", 0, 1200), "0 to 1200")),
                Level.Of(b.Number("level", 1, 12, 0.5) ?? lengths.Level.Value), ReadTone(b) ?? Tone.Neutral);
            b.Done();
        }

        var hair = new Hair(r.OneOf<Texture>("texture") ?? Texture.Medium, r.OneOf<Density>("density") ?? Density.Medium, r.OneOf<Porosity>("porosity") ?? Porosity.Normal,
            level, r.Number("lengthCm", 1, 120) ?? DefaultLengthCm, lengths, band);
        r.Done();
        return hair;
    }

    private static Tone? ReadTone(ObjectReader r)
    {
        if (r.Text("tone") is not { } text)
        {
            return null;
        }

        if (Tone.TryParse(text, out var tone))
        {
            return tone;
        }

        r.Fail("tone", $"is \"{text}\", which is not a tone", "N, NN, AG, AB, V, G, C, R, B, or a pair of them such as GC");
        return null;
    }

    private static Goal ReadGoal(ObjectReader r)
    {
        string services = string.Join(", ", Enum.GetNames<Service>().Select(JsonNamingPolicy.CamelCase.ConvertName));
        var goal = new Goal(r.Require("service", r.OneOf<Service>("service"), services),
            r.Number("level", 1, 12, 0.5) is { } level ? Level.Of(level) : null, ReadTone(r),
            r.Text("lengthsCondition") switch
            {
                null => null,
                "dry" => false,
                "damp" => true,
                var other => Condition(other),
            });
        r.Done();
        return goal;

        bool? Condition(string text)
        {
            r.Fail("lengthsCondition", $"is \"{text}\", which is not known", "dry, damp");
            return null;
        }
    }

    private static List<ZoneReading> ReadZones(ObjectReader root, Texture texture, Service service)
    {
        var all = root.Object("allZones");
        var zones = root.Object("zones");
        var general = all is null ? default : ReadZone(all);
        var found = new List<ZoneReading>();
        foreach (var zone in Enum.GetValues<Zone>())
        {
            string name = JsonNamingPolicy.CamelCase.ConvertName(zone.ToString());
            var own = zones?.Object(name) is { } z ? ReadZone(z) : default;
            bool include = own.Include ?? general.Include ?? true;
            // A gloss lies on the lengths, so its regrowth need not be read; anywhere else a missing regrowth would be a guess.
            double? regrowth = own.Regrowth ?? general.Regrowth ?? (service == Service.Gloss || !include ? 0 : null);
            if (regrowth is null && !root.Errors.Any(e => e.Path.EndsWith("egrowthMm", StringComparison.Ordinal)))
            {
                root.Fail(all is null ? $"zones.{name}.regrowthMm" : "allZones.regrowthMm", "is needed, here or in every zone", "0 to 300");
            }

            found.Add(new ZoneReading(Millimetres.Of(regrowth ?? 0), Share.Of((own.Grey ?? general.Grey ?? 0) / 100),
                own.Resistant ?? general.Resistant ?? false, own.Texture ?? general.Texture ?? texture, include));
        }

        if (all is null && zones is null)
        {
            root.Fail("allZones", "is needed, or all nine zones", "an object with regrowthMm and greyPercent");
        }
        else if (found.All(z => !z.Include))
        {
            root.Fail("zones", "leave nothing to colour", "at least one zone with include true");
        }

        zones?.Done();
        return found;
    }

    private static (double? Regrowth, double? Grey, bool? Resistant, Texture? Texture, bool? Include) ReadZone(ObjectReader r)
    {
        var zone = (r.Number("regrowthMm", 0, 300), r.Number("greyPercent", 0, 100), r.Flag("resistant"), r.OneOf<Texture>("texture"), r.Flag("include"));
        r.Done();
        return zone;
    }

    private static Hands ReadHands(ObjectReader? r)
    {
        if (r is null)
        {
            return new Hands(Who.Alone, false, []);
        }

        var history = new List<UsedBefore>();
        foreach (var h in r.Objects("history", 200))
        {
            int before = r.Errors.Count;
            double reckoned = h.Require("baseGrams", h.Number("baseGrams", 0.1, 5000), "0.1 to 5000");
            double sent = h.Require("sentGrams", h.Number("sentGrams", 0.1, 5000), "0.1 to 5000");
            double residue = h.Number("residueGrams", 0, 500) ?? 0;
            double left = h.Number("leftGrams", 0, 5000) ?? 0;
            bool ranOut = h.Flag("ranOut") ?? false;
            bool weighed = h.Flag("weighed") ?? true;
            int days = h.Whole("daysAgo", 0, 3650) ?? 0;
            h.Done();
            if (r.Errors.Count == before && sent - residue - (ranOut ? 0 : left) <= 0)
            {
                h.Fail(ranOut ? "residueGrams" : "leftGrams", "leaves nothing that was used", $"below {sent - (ranOut ? 0 : residue):0.#}, what was sent{(ranOut ? "" : " less what stayed on the bowl")}");
            }

            if (r.Errors.Count == before)
            {
                history.Add(new UsedBefore(Grams.Of(reckoned), Grams.Of(sent), Grams.Of(residue), Grams.Of(left), ranOut, weighed, days));
            }
        }

        var hands = new Hands(r.OneOf<Who>("who") ?? Who.Alone, r.Flag("practised") ?? false, history);
        r.Done();
        return hands;
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

    private static GivenFormula? ReadFormula(ObjectReader r)
    {
        int before = r.Errors.Count;
        string use = r.Text("use") ?? "roots";
        if (use is not ("roots" or "lengths" or "shadow"))
        {
            r.Fail("use", $"is \"{use}\", which is not known", "roots, lengths, shadow");
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
        r.Done();
        return r.Errors.Count > before ? null
            : new GivenFormula(use, [.. parts.Select(p => p with { Share = Share.Of(p.Share.Value / sum) })], volume is { } v ? Volume.Of(v) : null);
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

        var house = new House(r.Number("serviceLevel", 0.8, 0.98) ?? House.Default.ServiceLevel, Grams.Of(r.Number("scaleStepGrams", 0.01, 5) ?? House.Default.ScaleStep.Value), schools);
        r.Done();
        return house;
    }
}
