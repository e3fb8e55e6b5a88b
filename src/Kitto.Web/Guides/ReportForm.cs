using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Outcome;
using Kitto.Core.Quantity;
using Kitto.Store;
using Kitto.Web.Sittings;

namespace Kitto.Web.Guides;

/// <summary>The report of a kit as its form holds it.</summary>
public static class ReportForm
{
    /// <summary>What she may say of a scalp; the last is a reaction.</summary>
    public static readonly IReadOnlyList<(string Name, string Says)> Comforts =
    [
        ("fine", "Nothing"),
        ("tingled", "It tingled a little"),
        ("reacted", "It burned, itched, swelled or went red"),
    ];

    /// <summary>The report; null where something is missing or wrong, and then each field says what.</summary>
    /// <param name="open">The guide it is of.</param>
    /// <param name="typed">What was posted.</param>
    /// <param name="wrong">Complaints are added, by field.</param>
    /// <param name="today">The day in the studio.</param>
    /// <param name="now">Now, UTC.</param>
    public static OutcomeReport? Read(
        OpenGuide open,
        IReadOnlyDictionary<string, string> typed,
        IDictionary<string, string> wrong,
        DateOnly today,
        DateTime now
    )
    {
        var quantity = open.Prescription.Quantity!;
        double most = Math.Round(quantity.SendGrams.Value - quantity.ResidueGrams.Value - 0.1, 1);
        bool ranOut = typed.GetValueOrDefault("ranOut") == "true";
        string Choice(string name, IEnumerable<string> allowed, string ask)
        {
            string chosen = typed.GetValueOrDefault(name, "");
            if (!allowed.Contains(chosen))
            {
                wrong[name] = ask;
            }

            return chosen;
        }

        string coverage = Choice("coverage", Enum.GetValues<Coverage>().Select(Json.Name), "Say whether white shows.");
        string depth = Choice("depth", Enum.GetValues<Depth>().Select(Json.Name), "Say how dark it came out.");
        string tone = Choice("tone", Enum.GetValues<ToneOutcome>().Select(Json.Name), "Say how warm it came out.");
        string comfort = Choice("comfort", Comforts.Select(c => c.Name), "Say how the scalp felt.");
        // Grams that were weighed count; else the picture of the bowl, which is a judgement.
        bool weighed = !string.IsNullOrWhiteSpace(typed.GetValueOrDefault("leftGrams"));
        double? left = null;
        if (weighed && !TryNumber(typed["leftGrams"], 0, most, out left))
        {
            wrong["leftGrams"] = $"0 to {most:0.#} grams: of {quantity.SendGrams} sent, {quantity.ResidueGrams} stays on the bowl.";
        }
        else if (!weighed && !ranOut)
        {
            if (TypedNumber.Read(typed.GetValueOrDefault("bowl")) is { } full && Leftover.Pictures.Contains(full))
            {
                left = Leftover.Judged(open.Prescription, Share.Of(full), typed.GetValueOrDefault("reserve") == "true").Value;
            }
            else
            {
                wrong["leftGrams"] = "Tap the bowl that looks like yours, or give the grams.";
            }
        }

        // What cannot both be is asked back at once, not reckoned with.
        bool reserve = typed.GetValueOrDefault("reserve") == "true";
        if (ranOut && (reserve || left > 0 || TypedNumber.Read(typed.GetValueOrDefault("bowl")) > 0))
        {
            wrong["leftGrams"] = reserve
                ? "You say that it ran out, and that the reserve is still sealed. Which is right? If you could not open it, say so below."
                : "You say that it ran out, and that something was left. Which is right?";
        }

        if (!TryNumber(typed.GetValueOrDefault("minutes"), 1, 240, out double? minutes))
        {
            wrong["minutes"] = "1 to 240 minutes, or leave it empty.";
        }

        if (!DateOnly.TryParseExact(typed.GetValueOrDefault("appliedOn"), "yyyy-MM-dd", out var day))
        {
            wrong["appliedOn"] = "Give the day you coloured.";
        }
        else if (day > today || day < open.Studio.Today(open.Signed.SignedAt))
        {
            wrong["appliedOn"] = day > today ? "This day is in the future." : "That was before this kit was made.";
        }

        string note = typed.GetValueOrDefault("note", "").Trim();
        if (note.Length > 1000)
        {
            wrong["note"] = "At most 1000 characters.";
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
                null
            );
    }

    /// <summary>A number that may be left out.</summary>
    public static bool TryNumber(string? text, double min, double max, out double? number)
    {
        number = TypedNumber.Read(text, min, max);
        return number is not null || string.IsNullOrWhiteSpace(text);
    }
}
