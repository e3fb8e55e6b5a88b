using System.Text.Json;
using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Store;
using Kitto.Web.Sittings;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Guides;

/// <summary>The report of a kit as its form holds it.</summary>
public static class ReportForm
{
    /// <summary>What is asked of how it came out: the name, the question, and what can be said. The last of comfort is a reaction.</summary>
    public static readonly IReadOnlyList<(string Name, string Ask, IReadOnlyList<(string Value, string Says)> Options)> Asked =
    [
        ("coverage", "Is the grey covered?", [("full", "All covered"), ("patchy", "Patches"), ("greyShows", "Grey shows")]),
        ("depth", "How dark is it?", [("right", "Just right"), ("tooLight", "Too light"), ("tooDark", "Too dark")]),
        ("tone", "How is the tone?", [("right", "Just right"), ("tooWarm", "Too warm"), ("tooCool", "Too cool"), ("green", "Greenish")]),
        ("comfort", "How did your scalp feel?", [("fine", "Fine"), ("tingled", "It tingled a little"), ("reacted", "It burned, itched, swelled or went red")]),
    ];

    private static readonly string[] OfZone = ["coverage", "tone", "comfort"];

    /// <summary>Zones of which something of their own is said.</summary>
    public static IEnumerable<Zone> ZonesSaid(IReadOnlyDictionary<string, string> typed) =>
        Enum.GetValues<Zone>().Where(z => OfZone.Any(f => typed.GetValueOrDefault($"zone.{Json.Name(z)}.{f}", "").Length > 0));

    /// <summary>What is said of zones, as the studio reads it.</summary>
    public static IEnumerable<(Zone Zone, string Says)> ByZone(string zones) =>
        from z in JsonSerializer.Deserialize<Dictionary<string, Dictionary<string, string>>>(zones) ?? []
        let zone = Json.Named<Zone>(z.Key)
        where zone is not null
        orderby zone
        select (
            zone.Value,
            string.Join(
                ", ",
                z.Value.Select(f => Asked.First(a => a.Name == f.Key))
                    .Zip(z.Value.Values, (a, v) => $"{a.Name}: {a.Options.First(o => o.Value == v).Says}")
                    .Select(s => s.ToLowerInvariant())
            )
        );

    /// <summary>Whether a reaction is reported, of the whole head or of a zone.</summary>
    public static bool Reacted(IEnumerable<KeyValuePair<string, Microsoft.Extensions.Primitives.StringValues>> posted) =>
        posted.Any(f =>
            (f.Key == "comfort" || (f.Key.StartsWith("zone.", StringComparison.Ordinal) && f.Key.EndsWith(".comfort", StringComparison.Ordinal)))
            && f.Value == "reacted"
        );

    /// <summary>The report; null where something is missing or wrong, and then each field says what.</summary>
    /// <param name="open">The guide it is of.</param>
    /// <param name="typed">What was posted.</param>
    /// <param name="wrong">Complaints are added, by field.</param>
    /// <param name="today">The day in the studio.</param>
    /// <param name="now">Now, UTC.</param>
    /// <param name="text">Words of the page.</param>
    public static OutcomeReport? Read(
        OpenGuide open,
        IReadOnlyDictionary<string, string> typed,
        IDictionary<string, string> wrong,
        DateOnly today,
        DateTime now,
        IStringLocalizer text
    )
    {
        var quantity = open.Prescription.Quantity!;
        double most = Math.Round(quantity.SendGrams.Value - quantity.ResidueGrams.Value - 0.1, 1);
        bool ranOut = typed.GetValueOrDefault("ranOut") == "true";
        static IEnumerable<string> Values(string name) => Asked.First(a => a.Name == name).Options.Select(o => o.Value);
        string Choice(string name, IEnumerable<string> allowed, string ask)
        {
            string chosen = typed.GetValueOrDefault(name, "");
            if (!allowed.Contains(chosen))
            {
                wrong[name] = text[ask];
            }

            return chosen;
        }

        string coverage = Choice("coverage", Values("coverage"), "Say whether grey shows.");
        string depth = Choice("depth", Values("depth"), "Say how dark it is.");
        string tone = Choice("tone", Values("tone"), "Say how the tone is.");
        string comfort = Choice("comfort", Values("comfort"), "Say how your scalp felt.");
        // Grams that were weighed count; else the picture of the bowl, which is a judgement.
        bool weighed = !string.IsNullOrWhiteSpace(typed.GetValueOrDefault("leftGrams"));
        double? left = null;
        if (weighed && !TryNumber(typed["leftGrams"], 0, most, out left))
        {
            wrong["leftGrams"] = text[
                "0 to {0} grams: we sent {1} g, and {2} g stays on the bowl.",
                Grams(most),
                Grams(quantity.SendGrams.Value),
                Grams(quantity.ResidueGrams.Value)
            ];
        }
        else if (!weighed && !ranOut)
        {
            if (TypedNumber.Read(typed.GetValueOrDefault("bowl")) is { } full && Leftover.Pictures.Contains(full))
            {
                left = Leftover.Judged(open.Prescription, Share.Of(full), typed.GetValueOrDefault("reserve") == "true").Value;
            }
            else
            {
                wrong["leftGrams"] = text["Tap the bowl that looks like yours, or type the grams."];
            }
        }

        // What cannot both be is asked back at once, not reckoned with.
        bool reserve = typed.GetValueOrDefault("reserve") == "true";
        if (ranOut && (reserve || left > 0 || TypedNumber.Read(typed.GetValueOrDefault("bowl")) > 0))
        {
            wrong["leftGrams"] = reserve
                ? text["You say that it ran out and that the reserve is still sealed. Which is right? If you could not open it, tell us below."]
                : text["You say that it ran out and that something was left. Which is right?"];
        }

        if (!TryNumber(typed.GetValueOrDefault("minutes"), 1, 240, out double? minutes))
        {
            wrong["minutes"] = text["{0} to {1} minutes, or leave it empty.", 1, 240];
        }

        if (!DateOnly.TryParseExact(typed.GetValueOrDefault("appliedOn"), "yyyy-MM-dd", out var day))
        {
            wrong["appliedOn"] = text["Type the day you coloured."];
        }
        else if (day > today || day < open.Studio.Today(open.Signed.SignedAt))
        {
            wrong["appliedOn"] = day > today ? text["This day is in the future."] : text["That was before we made this kit."];
        }

        var zones = ZonesSaid(typed)
            .ToDictionary(
                Json.Name,
                z =>
                    OfZone
                        .Select(f => (f, Said: typed.GetValueOrDefault($"zone.{Json.Name(z)}.{f}", "")))
                        .Where(f => f.Said.Length > 0)
                        .ToDictionary(f => f.f, f => f.Said)
            );
        foreach (var (field, said) in zones.Values.SelectMany(z => z).Where(f => !Values(f.Key).Contains(f.Value)))
        {
            wrong[field] = text["Choose one of the answers for each place."];
        }

        string note = typed.GetValueOrDefault("note", "").Trim();
        if (note.Length > 1000)
        {
            wrong["note"] = text["At most {0} characters.", 1000];
        }

        return wrong.Count > 0
            ? null
            : new OutcomeReport(
                open.Kit.Id,
                day,
                coverage,
                depth,
                tone,
                ranOut ? 0 : left!.Value,
                ranOut,
                weighed || ranOut,
                comfort,
                minutes,
                note,
                now,
                null,
                JsonSerializer.Serialize(zones)
            );

        static string Grams(double grams) => Words.Client.Number(grams);
    }

    /// <summary>A number that may be left out.</summary>
    public static bool TryNumber(string? text, double min, double max, out double? number)
    {
        number = TypedNumber.Read(text, min, max);
        return number is not null || string.IsNullOrWhiteSpace(text);
    }
}
