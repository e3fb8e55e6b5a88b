using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;

namespace Kitto.Web.Sittings;

/// <summary>What the record knows of a client, a place and the house, put into a case so that nothing of it is typed again.</summary>
internal sealed class RecordFacts(ClientRecord record, Shelf shelf)
{
    /// <summary>Adds everything.</summary>
    /// <param name="c">The case, as the form has it.</param>
    /// <param name="values">The form.</param>
    public void Into(JsonObject c, FormValues values)
    {
        Person(c, values);
        Before(c);
        if (c["plan"] is JsonObject plan)
        {
            plan["today"] = record.Today.ToString("yyyy-MM-dd");
            plan["postDays"] = new JsonArray([.. record.Destination.Days().Select(d => JsonValue.Create(d.ToString().ToLowerInvariant()))]);
            plan["transitDays"] = record.Destination.TransitDays;
        }

        c["house"] = House();
    }

    private void Person(JsonObject c, FormValues values)
    {
        var client = (c["client"] ??= new JsonObject()).AsObject();
        client["ageYears"] = Math.Max(0, record.Age);
        client["firstKit"] = record.Outcomes.Count == 0;
        var skinTest = SkinTest(values);
        ConsultationMerge.Into(c, record, skinTest?.At);
        if (skinTest is { } skin)
        {
            client["skinTest"] = new JsonObject
            {
                ["daysAgo"] = Days(record, DateOnly.FromDateTime(record.Studio.Local(skin.At))),
                ["result"] = Json.Name(SkinResult.Clear),
                // A line that is on the shelf no longer was tested all the same, and counts for nothing else.
                ["line"] = shelf.Find(skin.Line!) is null ? null : skin.Line,
            };
        }
    }

    /// <summary>Earlier kits: what they tell of the hands, of the forecast and of how fast the hair grows.</summary>
    private void Before(JsonObject c)
    {
        var past = CaseBuilder.Past(record);
        if (past.Count > 0)
        {
            var hands = (c["hands"] ??= new JsonObject()).AsObject();
            hands["history"] = new JsonArray([.. past.Select(r => Written(r.Used))]);
            var (_, prescribed, outcome, _) = past[0];
            var formula = prescribed.Formulas[0];
            c["last"] = new JsonObject
            {
                ["daysAgo"] = Days(record, outcome.AppliedOn),
                ["formula"] = new JsonObject
                {
                    ["use"] = Json.Name(formula.Use),
                    ["parts"] = new JsonArray([.. formula.Mix().Select(p => new JsonObject { ["shade"] = p.Shade, ["share"] = Math.Round(p.Share.Value, 6) })]),
                    ["developerVolume"] = formula.Developer.Volume.Value,
                },
                ["outcome"] = new JsonObject
                {
                    ["coverage"] = outcome.Coverage,
                    ["depth"] = outcome.Depth,
                    ["tone"] = outcome.Tone,
                },
            };
        }

        var reports = past.Where(r => r.Prescribed.Forecast is { Roots: not null, Target: not null })
            .Select(r =>
            {
                var report = new JsonObject
                {
                    ["daysAgo"] = Days(record, r.Outcome.AppliedOn),
                    ["forecast"] = Colour(r.Prescribed.Forecast.Roots!.Lab),
                    ["wish"] = Colour(r.Prescribed.Forecast.Target!.Lab),
                    ["depth"] = r.Outcome.Depth,
                    ["tone"] = r.Outcome.Tone,
                };
                if (record.Seen.GetValueOrDefault(r.Outcome.KitId)?.Colour is { } seen)
                {
                    report["seen"] = Colour([.. new[] { seen.Colour.L, seen.Colour.A, seen.Colour.B }.Select(v => Math.Round(v, 2))]);
                    report["seenSd"] = Math.Round(seen.Sd, 2);
                }

                return report;
            })
            .ToArray<JsonNode?>();
        if (reports.Length > 0)
        {
            c["reports"] = new JsonArray(reports);
        }

        if (record.Grown.Count > 0)
        {
            c["grown"] = new JsonArray([.. record.Grown.Select(g => new JsonObject { ["mm"] = Math.Round(g.Length.Value, 1), ["days"] = g.Days })]);
        }
    }

    private static JsonArray Colour(IReadOnlyList<double> lab) => new([.. lab.Select(v => JsonValue.Create(v))]);

    /// <summary>The house of a studio, as a case has it.</summary>
    public static JsonObject House(Studio studio, Shelf shelf) =>
        new()
        {
            ["costs"] = studio.CostShort is null ? null : new JsonObject { ["shortPerGram"] = studio.CostShort, ["leftPerGram"] = studio.CostLeft },
            ["serviceLevel"] = studio.ServiceLevel,
            ["scaleStepGrams"] = studio.ScaleStep,
            ["schools"] = JsonNode.Parse(studio.Schools),
            // A line that is on the shelf no longer is no choice any more.
            ["lines"] = new JsonObject(
                studio.OwnLines().Where(l => shelf.Find(l.Value)?.Kind == l.Key).Select(l => KeyValuePair.Create(Json.Name(l.Key), (JsonNode?)l.Value))
            )
                is { Count: > 0 } own
                ? own
                : null,
        };

    /// <summary>The house, with what is decided otherwise for this client.</summary>
    private JsonObject House()
    {
        var house = House(record.Studio, shelf);
        house["forHer"] =
            record.Ways.Count == 0
                ? null
                : new JsonArray([
                    .. record.Ways.Select(w => new JsonObject
                    {
                        ["rule"] = w.Rule,
                        ["way"] = w.Way,
                        ["reason"] = w.Reason,
                        ["by"] = w.DecidedBy,
                        ["on"] = DateOnly.FromDateTime(record.Studio.Local(w.DecidedAt)).ToString("yyyy-MM-dd"),
                    }),
                ]);
        return house;
    }

    /// <summary>The newest clear test with the line this sitting uses, else the newest of all.</summary>
    private SafetyEvent? SkinTest(FormValues values)
    {
        var done = record.SkinTests.Where(t => t.Clear).Select(t => t.On).ToList();
        string line = values["line"];
        if (line.Length == 0 && Json.Named<Service>(values["goal.service"]) is { } service)
        {
            line = shelf.For(new Goal(service, null, null, null), null, record.Studio.House())?.Id ?? "";
        }

        return done.FirstOrDefault(t => t.Line == line) ?? done.FirstOrDefault();
    }

    private static JsonObject Written(UsedBefore used) =>
        new()
        {
            ["baseGrams"] = used.Base.Value,
            ["sentGrams"] = used.Sent.Value,
            ["residueGrams"] = used.Residue.Value,
            ["leftGrams"] = used.Left.Value,
            ["ranOut"] = used.RanOut,
            ["weighed"] = used.Weighed,
            ["daysAgo"] = used.DaysAgo,
        };

    /// <summary>Days from a day to today, within what a case may say.</summary>
    public static int Days(ClientRecord record, DateOnly day) => (int)CaseFields.LastDaysAgo.Clamp(record.Today.DayNumber - day.DayNumber);
}
