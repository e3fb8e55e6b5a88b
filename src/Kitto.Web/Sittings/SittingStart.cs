using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Store;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Web.Sittings;

/// <summary>What a sitting begins with: the last reading, grown on, and last time's head.</summary>
public static class SittingStart
{
    /// <summary>The facts a sitting begins with: the last reading, regrowth grown on to today, or since the last colour day.</summary>
    public static (FormValues Values, string? Note) Begin(ClientRecord record)
    {
        if (record.Reading is not { } reading)
        {
            var blank = new FormValues
            {
                [GoalService.Path] = Json.Name(Service.RootTouchUp),
                [HandsWho.Path] = Json.Name(Who.Alone),
                [ClientScalp.Path] = Json.Name(Scalp.Sound),
            };
            foreach (var zone in Enum.GetValues<Zone>())
            {
                blank[CaseDocument.In(zone, ZoneInclude)] = "true";
            }

            return (blank, null);
        }

        var values = FormValues.Kept(reading.Document);
        if (record.Answers.Count > 0 && record.Answers[0].AnsweredAt > reading.TakenAt)
        {
            // Asked again since: what changes from kit to kit comes from her answers.
            (values[ClientScalp.Path], values[ClientPregnant.Path], values[ClientNewMedicine.Path]) = (Json.Name(Scalp.Sound), "", "");
        }

        string? passed = null;
        if (DateOnly.TryParse(values[PlanWantBy.Path], out var wantBy) && wantBy <= record.Today)
        {
            values[PlanWantBy.Path] = "";
            passed = $"The day it was wanted by, {wantBy:d MMM}, has passed";
        }

        var taken = DateOnly.FromDateTime(record.Studio.Local(reading.TakenAt));
        var coloured = record.ColouredSince;
        var rate = GrowthRate.Learned(record.Grown);
        int days = record.Today.DayNumber - (coloured ?? taken).DayNumber;
        if (days <= 0 && coloured is null)
        {
            return (values, passed);
        }

        foreach (var zone in Enum.GetValues<Zone>())
        {
            string path = CaseDocument.In(zone, ZoneRegrowthMm);
            bool painted = coloured is not null && values[CaseDocument.In(zone, ZoneInclude)] != "false";
            double before = !painted && TypedNumber.Read(values[path]) is { } read ? read : 0;
            values[path] = ZoneRegrowthMm.Clamp(Math.Round(before + rate.Over(Math.Max(0, days)).Value)).ToString("0");
        }

        if (coloured is not null)
        {
            values[HandsPractised.Path] = "true";
            values[PlanWantBy.Path] = "";
        }

        if (TypedNumber.Read(values[ClientChemicalServiceDaysAgo.Path]) is { } ago)
        {
            values[ClientChemicalServiceDaysAgo.Path] = ClientChemicalServiceDaysAgo.Clamp(ago + record.Today.DayNumber - taken.DayNumber).ToString("0");
        }

        return (
            values,
            coloured is { } day
                ? $"Regrowth reckoned from colour day {day:d MMM}, {Days(days)} at {rate.Mean:0.0} mm a month: correct what you see otherwise"
                : $"Regrowth grown on by {Days(days)} since the reading of {taken:d MMM}{(passed is null ? "" : $". {passed}")}"
        );
    }

    /// <summary>The zones of last time's head, so many weeks after that colour, by the paths of the form; null before the first report.</summary>
    public static IReadOnlyDictionary<string, string>? WeeksOn(ClientRecord record, int weeks)
    {
        if (record.Reported is not [{ Head: var head }, ..])
        {
            return null;
        }

        double grown = GrowthRate.Learned(record.Grown).Over(7 * weeks).Value;
        var values = new Dictionary<string, string>();
        for (int i = 0; i < head.Zones.Count; i++)
        {
            var zone = head.Zones[i];
            string At(CaseField field) => CaseDocument.In((Zone)i, field);
            values[At(ZoneRegrowthMm)] = ZoneRegrowthMm.Clamp(Math.Round((zone.Include ? 0 : zone.Regrowth.Value) + grown)).ToString("0");
            values[At(ZoneGreyPercent)] = zone.Grey.Percent.ToString("0.#");
            values[At(ZoneTexture)] = zone.Texture == head.Hair.Texture ? "" : Json.Name(zone.Texture);
            values[At(ZoneResistant)] = zone.Resistant ? "true" : "";
            values[At(ZoneInclude)] = zone.Include ? "true" : "false";
        }

        return values;
    }

    /// <summary>Regrowth as it was measured in this sitting; null where the reckoned numbers were left as they stood, or there is no colour day to reckon from.</summary>
    public static MeasuredGrowth? Measured(FormValues values, ClientRecord record)
    {
        if (record.ColouredSince is not { } since || record.Today.DayNumber - since.DayNumber < GrowthRate.LeastDays)
        {
            return null;
        }

        var reckoned = Begin(record).Values;
        var zones = Zones
            .All.Where(z => values[CaseDocument.In(z.Zone, ZoneInclude)] != "false")
            .Select(z => (z.HairShare, Path: CaseDocument.In(z.Zone, ZoneRegrowthMm)))
            .Select(z => (Share: z.HairShare.Value, Read: TypedNumber.Read(values[z.Path], ZoneRegrowthMm), Reckoned: TypedNumber.Read(reckoned[z.Path])))
            .ToList();
        return zones.Count == 0 || zones.Any(z => z.Read is null) || zones.All(z => z.Read == z.Reckoned)
            ? null
            : new MeasuredGrowth(zones.Sum(z => z.Share * z.Read!.Value) / zones.Sum(z => z.Share), since, record.Now);
    }

    private static string Days(int days) => days == 1 ? "1 day" : $"{days} days";
}
