using System.Text.Json;
using System.Text.Json.Nodes;
using Kitto.Core.Head;
using Kitto.Core.Safety;

namespace Kitto.Core.Contract;

/// <summary>Reads and writes consultation/1 documents: a client's answers.</summary>
public static class ConsultationReader
{
    /// <summary>Reads one; on any complaint the answers are null and every complaint is listed.</summary>
    /// <param name="json">The document.</param>
    /// <param name="today">The day it is given: nothing may lie after it.</param>
    public static (Consultation? Answers, IReadOnlyList<FieldError> Errors) Read(string json, DateOnly today) =>
        ObjectReader.Document(json, "{ \"kitto\": \"consultation/1\", ... }", r => Answers(r, today));

    /// <summary>Reads answers that were kept.</summary>
    /// <exception cref="FormatException">They are not a document of ours.</exception>
    public static Consultation Kept(string json) =>
        Read(json, new DateOnly(2200, 12, 31)) is { Answers: { } answers }
            ? answers
            : throw new FormatException("These answers are not a consultation/1 document.");

    /// <summary>Writes answers so that they read back to the same.</summary>
    public static string Write(Consultation c)
    {
        var document = new JsonObject
        {
            ["kitto"] = Consultation.Version,
            ["birthDate"] = c.BirthDate.ToString("yyyy-MM-dd"),
            ["reactions"] = c.Reactions,
            ["blackHenna"] = c.BlackHenna,
            ["pregnant"] = c.Pregnant,
            ["scalp"] = Json.Name(c.Scalp),
            ["conditions"] = new JsonArray([.. c.Conditions.Select(x => JsonValue.Create(x))]),
            ["newMedicine"] = c.NewMedicine,
            ["putOn"] = new JsonArray([.. c.PutOn.Select(p => new JsonObject { ["when"] = p.When.ToString(), ["what"] = Json.Name(p.What) })]),
            ["other"] = c.Other,
        };
        if (!c.PregnancyApplies)
        {
            document["pregnancyApplies"] = false;
        }

        return document.ToJsonString(Json.Options);
    }

    private static Consultation Answers(ObjectReader r, DateOnly today)
    {
        if (r.Text("kitto") != Consultation.Version)
        {
            r.Fail("kitto", $"is not {Consultation.Version}", $"\"{Consultation.Version}\"");
        }

        const string yesNo = "true, false";
        string days = $"1900-01-01 to {today:yyyy-MM-dd}";
        DateOnly born = default;
        if (!RoughDate.TryParse(r.Text("birthDate"), out var birth) || birth.Day is null || birth.Latest > today)
        {
            r.Fail("birthDate", "is needed, as year-month-day", days);
        }
        else
        {
            born = birth.Latest;
        }

        var answers = new Consultation(
            born,
            r.Require("reactions", r.Flag("reactions"), yesNo),
            r.Require("blackHenna", r.Flag("blackHenna"), yesNo),
            r.Require("pregnant", r.Flag("pregnant"), yesNo),
            r.Require("scalp", r.OneOf<Scalp>("scalp"), "sound, sensitive, broken, inflamed, sunburnt, infected"),
            ConditionNames(r),
            r.Require("newMedicine", r.Flag("newMedicine"), yesNo),
            PutOn(r, today, days),
            Other(r)
        )
        {
            PregnancyApplies = r.Flag("pregnancyApplies") ?? true,
        };
        if (!answers.PregnancyApplies && (answers.Pregnant || answers.Conditions.Contains("breastfeeding")))
        {
            r.Fail("pregnancyApplies", "says that it does not apply, and another answer that it does", "true where pregnant or breastfeeding");
        }

        r.Done();
        return answers;
    }

    private static List<string> ConditionNames(ObjectReader r)
    {
        var found = new List<string>();
        foreach (var (item, i) in (r.List("conditions", Conditions.Known.Count) ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.String && Conditions.Known.Contains(item.GetString()!))
            {
                found.Add(item.GetString()!);
            }
            else
            {
                r.Fail($"conditions[{i}]", "is not one that is asked for", string.Join(", ", Conditions.Known));
            }
        }

        return found;
    }

    private static List<Remembered> PutOn(ObjectReader r, DateOnly today, string days)
    {
        var found = new List<Remembered>();
        if (!r.Has("putOn"))
        {
            r.Fail("putOn", "is needed", "a list; empty when nothing ever was");
        }

        foreach (var entry in r.Objects("putOn", 40))
        {
            var what = entry.Require(
                "what",
                entry.OneOf<Treatment>("what"),
                "permanent, demi, gloss, lightened, highlights, boxDye, henna, metallic, straightened, unknown"
            );
            if (!RoughDate.TryParse(entry.Text("when"), out var when) || when.Earliest > today)
            {
                entry.Fail("when", "must be a year, a month or a day", $"{days}, such as 2024, 2024-06 or 2024-06-12");
            }
            else
            {
                found.Add(new Remembered(when, what));
            }

            entry.Done();
        }

        return found;
    }

    private static string Other(ObjectReader r)
    {
        if (!r.Has("other"))
        {
            return "";
        }

        string? said = r.RawText("other");
        if (said is null || said.Trim().Length > Consultation.LongestOther)
        {
            r.Fail("other", "must be a text", $"at most {Consultation.LongestOther} characters");
        }

        return said?.Trim() ?? "";
    }
}
