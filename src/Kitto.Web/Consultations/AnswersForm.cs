using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Safety;
using Kitto.Web.Sittings;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Consultations;

/// <summary>The questions as a form holds them: what was typed stays as typed, and each question carries its own complaint.</summary>
public sealed class AnswersForm
{
    /// <summary>Most entries of the timeline a form takes.</summary>
    public const int Rows = 12;

    private static readonly string[] Entry = ["what", "year", "month", "day"];

    private readonly Dictionary<string, string> values = new(StringComparer.Ordinal);

    private AnswersForm(Consultation? before) => Before = before;

    /// <summary>What was answered before; null the first time.</summary>
    public Consultation? Before { get; }

    /// <summary>Complaints by question.</summary>
    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>The version these were begun from.</summary>
    public long BegunFrom { get; private set; }

    public string this[string name] => values.GetValueOrDefault(name, "");

    /// <summary>Whether a question stands open: it was never answered, is asked before every kit, or has a complaint.</summary>
    public bool IsOpen(Question q) => Before is null || q.EveryKit || Wrong.ContainsKey(q.Id);

    /// <summary>Whether an answer can no longer be taken back (SA1).</summary>
    public bool ForGood(Question q) =>
        q.Id switch
        {
            "reactions" => Before is { Reactions: true },
            "blackHenna" => Before is { BlackHenna: true },
            _ => false,
        };

    /// <summary>Rows of the timeline that are shown: what is there, and two more.</summary>
    public int Shown =>
        Math.Min(Rows, Enumerable.Range(0, Rows).LastOrDefault(i => this[$"put.{i}.what"].Length > 0 || this[$"put.{i}.year"].Length > 0, -1) + 3);

    /// <summary>A form that begins from what was answered before; what is asked before every kit begins blank.</summary>
    public static AnswersForm Begin(ClientRecord record)
    {
        var before = record.Told;
        var form = new AnswersForm(before) { BegunFrom = record.Answers.Count == 0 ? 0 : record.Answers[0].Id };
        form.values["birthDate"] = (before?.BirthDate ?? record.Client.BirthDate).ToString("yyyy-MM-dd");
        if (before is null)
        {
            return form;
        }

        form.values["reactions"] = before.Reactions ? "yes" : "no";
        form.values["blackHenna"] = before.BlackHenna ? "yes" : "no";
        form.values["other"] = before.Other;
        // That it does not apply is not asked for again.
        form.values["none.pregnancy"] = before.PregnancyApplies ? "" : "true";
        foreach (var q in Question.All.Where(q => !q.EveryKit && q.Ticks.Count > 0))
        {
            foreach (string tick in q.Ticks.Where(before.Conditions.Contains))
            {
                form.values["is." + tick] = "true";
            }

            form.values["none." + q.Id] = q.Ticks.Any(before.Conditions.Contains) ? "" : "true";
        }

        form.values["none.putOn"] = before.PutOn.Count == 0 ? "true" : "";
        for (int i = 0; i < Math.Min(Rows, before.PutOn.Count); i++)
        {
            var put = before.PutOn[i];
            form.values[$"put.{i}.what"] = Json.Name(put.What);
            form.values[$"put.{i}.year"] = put.When.Year.ToString();
            form.values[$"put.{i}.month"] = put.When.Month?.ToString() ?? "";
            form.values[$"put.{i}.day"] = put.When.Day?.ToString() ?? "";
        }

        return form;
    }

    /// <summary>What was posted.</summary>
    public static AnswersForm Posted(IFormCollection posted, Consultation? before)
    {
        var form = new AnswersForm(before) { BegunFrom = long.TryParse(posted["begunFrom"], out long version) ? version : 0 };
        foreach (var (name, value) in posted)
        {
            form.values[name] = value.ToString();
        }

        return form;
    }

    /// <summary>The answers; null where something is missing or wrong, and then each question says what.</summary>
    /// <param name="today">The day.</param>
    /// <param name="text">Words of the page.</param>
    public Consultation? Read(DateOnly today, IStringLocalizer text)
    {
        bool Is(string tick) => this["is." + tick] == "true";
        string[] ticked = [.. Question.All.SelectMany(q => q.Ticks).Where(Is)];
        foreach (
            var (id, some) in new[]
            {
                ("hairline", Is("rash") || Is("wound") || Is("freshPiercing")),
                ("skin", Is("eczema") || Is("psoriasis") || Is("asthma") || Is("thinSkinMedicine")),
                ("pregnant", Is("pregnant") || Is("breastfeeding")),
                ("since", Is("newMedicine") || Is("newTattoo") || Is("newIllness")),
                ("damage", Is("breakage") || Is("severeDamage")),
                ("reading", Is("lowVision") || Is("readsPoorly")),
                ("putOn", Enumerable.Range(0, Rows).Any(Filled)),
            }
        )
        {
            bool none = this["none." + id] == "true" || (id == "pregnant" && this["none.pregnancy"] == "true");
            if (some == none)
            {
                Wrong[id == "hairline" ? "scalp" : id] =
                    some ? text["You ticked something and None as well. Remove one of them."]
                    : id == "putOn" ? text["Add at least one, or tick Nothing, ever."]
                    : text["Tick all that apply, or tick None of these."];
            }
        }

        bool? YesNo(string name) =>
            this[name] switch
            {
                "yes" => true,
                "no" => false,
                _ => null,
            };
        var document = new JsonObject
        {
            ["kitto"] = Consultation.Version,
            ["birthDate"] = this["birthDate"],
            ["reactions"] = Before is { Reactions: true } ? true : YesNo("reactions"),
            ["blackHenna"] = Before is { BlackHenna: true } ? true : YesNo("blackHenna"),
            ["pregnant"] = Is("pregnant"),
            ["scalp"] = this["scalp"].Length == 0 ? null : this["scalp"],
            ["conditions"] = new JsonArray([.. ticked.Select(x => JsonValue.Create(x))]),
            ["newMedicine"] = Is("newMedicine"),
            ["putOn"] = new JsonArray([.. Enumerable.Range(0, Rows).Where(Filled).Select(Put)]),
            ["other"] = this["other"],
            ["pregnancyApplies"] = this["none.pregnancy"] != "true" || Is("pregnant") || Is("breastfeeding"),
        };
        var (answers, errors) = ConsultationReader.Read(document.ToJsonString(Json.Options), today);
        foreach (var error in errors)
        {
            Wrong.TryAdd(
                error.Path.Split('[', '.')[0],
                error.Path.Split('[', '.')[0] switch
                {
                    "reactions" or "blackHenna" => text["Answer yes or no."],
                    "scalp" => text["Say how your scalp is today."],
                    "putOn" => error.Path.EndsWith("what", StringComparison.Ordinal)
                        ? text["Choose for each line what it was."]
                        : text["Each line needs a year (1900 to {0}); month and day where you know them.", today.Year],
                    "birthDate" => text["Type your date of birth, from {0} to {1}.", 1900, today.Year],
                    "other" => text["At most {0} characters.", Consultation.LongestOther],
                    _ => $"{Words.Sentence(error.Says)}. Allowed: {error.Range}.",
                }
            );
        }

        return Wrong.Count == 0 ? answers : null;
    }

    private bool Filled(int row) => Entry.Any(f => this[$"put.{row}.{f}"].Length > 0);

    private JsonObject Put(int row)
    {
        string Two(string field) =>
            int.TryParse(this[$"put.{row}.{field}"], out int n) ? $"-{n:00}"
            : this[$"put.{row}.{field}"].Length > 0 ? "-?"
            : "";
        string what = this[$"put.{row}.what"];
        return new JsonObject
        {
            ["what"] = what.Length == 0 ? null : what,
            ["when"] =
                this[$"put.{row}.year"].Trim() + (this[$"put.{row}.month"].Length == 0 && this[$"put.{row}.day"].Length > 0 ? "-?" : Two("month") + Two("day")),
        };
    }
}
