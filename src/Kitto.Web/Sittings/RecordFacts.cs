using System.Text.Json.Nodes;
using Kitto.Core;
using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Safety;
using Kitto.Core.Shade;
using Kitto.Store;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Web.Sittings;

/// <summary>What the record knows of a client, a place and the house, put into a case so that nothing of it is typed again.</summary>
internal sealed class RecordFacts(ClientRecord record, Shelf shelf)
{
    /// <summary>Adds everything.</summary>
    /// <param name="c">The case, as the form has it.</param>
    /// <param name="values">The form.</param>
    public void Into(CaseDocument c, FormValues values)
    {
        Person(c, values);
        Before(c);
        if (values[PlanWantBy.Path].Trim().Length > 0)
        {
            c.Set(PlanToday, record.Today).Set(PlanPostDays, record.Destination.Days().Select(Json.Name)).Set(PlanTransitDays, record.Destination.TransitDays);
        }

        c.Put("house", House());
    }

    private void Person(CaseDocument c, FormValues values)
    {
        c.Set(ClientAgeYears, Math.Max(0, record.Age)).Set(ClientFirstKit, record.Outcomes.Count == 0);
        var skinTest = SkinTest(values);
        ConsultationMerge.Into(c, record, skinTest?.At);
        if (skinTest is { } skin)
        {
            c.Set(SkinTestDaysAgo, Days(record, DateOnly.FromDateTime(record.Studio.Local(skin.At))))
                .Set(SkinTestResult, SkinResult.Clear)
                // A line that is on the shelf no longer was tested all the same, and counts for nothing else.
                .Set(SkinTestLine, shelf.Find(skin.Line!) is null ? null : skin.Line);
        }
    }

    /// <summary>Earlier kits: what they tell of the hands, of the forecast and of how fast the hair grows.</summary>
    private void Before(CaseDocument c)
    {
        var past = CaseBuilder.Past(record);
        if (past.Count > 0)
        {
            var (_, prescribed, outcome, _) = past[0];
            c.Set(HandsHistory, past.Select(r => Written(r.Used)))
                .Set(LastDaysAgo, Days(record, outcome.AppliedOn))
                .Put("last.formula", Written(prescribed.Formulas[0]).Root)
                .Put(OutcomeCoverage.Path, outcome.Coverage)
                .Put(OutcomeDepth.Path, outcome.Depth)
                .Put(OutcomeTone.Path, outcome.Tone);
        }

        c.Set(
            CaseFields.Reports,
            past.Where(r => r.Prescribed.Forecast is { Roots: not null, Target: not null }).Select(r => Written(r.Prescribed.Forecast, r.Outcome))
        );
        c.Set(GrownList, record.Grown.Select(g => CaseDocument.EntryOf(GrownList).Set(GrownMm, Math.Round(g.Length.Value, 1)).Set(GrownDays, g.Days)));
    }

    private static CaseDocument Written(UsedBefore used) =>
        CaseDocument
            .EntryOf(HandsHistory)
            .Set(UsedBaseGrams, used.Base.Value)
            .Set(UsedSentGrams, used.Sent.Value)
            .Set(UsedResidueGrams, used.Residue.Value)
            .Set(UsedLeftGrams, used.Left.Value)
            .Set(UsedRanOut, used.RanOut)
            .Set(UsedWeighed, used.Weighed)
            .Set(UsedDaysAgo, used.DaysAgo);

    private static CaseDocument Written(Formula formula) =>
        CaseDocument
            .Part("formula")
            .Set(CaseFields.FormulaUse, formula.Use)
            .Set(
                FormulaParts,
                formula.Mix().Select(p => CaseDocument.EntryOf(FormulaParts).Set(PartShade, p.Shade).Set(PartShare, Math.Round(p.Share.Value, 6)))
            )
            .Set(FormulaDeveloperVolume, formula.Developer.Volume.Value);

    /// <summary>How an earlier kit came out against its forecast; measured on a card, where it was.</summary>
    private CaseDocument Written(Forecast forecast, OutcomeReport outcome)
    {
        var seen = record.Seen.GetValueOrDefault(outcome.KitId)?.Colour;
        return CaseDocument
            .EntryOf(CaseFields.Reports)
            .Set(ReportDaysAgo, Days(record, outcome.AppliedOn))
            .Set(ReportForecast, Lab.Of(forecast.Roots!.Lab))
            .Set(ReportWish, Lab.Of(forecast.Target!.Lab))
            .Put(ReportDepth.Path, outcome.Depth)
            .Put(ReportTone.Path, outcome.Tone)
            .Set(ReportSeen, seen?.Colour)
            .Set(ReportSeenSd, seen is null ? null : Math.Round(seen.Sd, 2));
    }

    /// <summary>The house of a studio, as a case has it.</summary>
    public static JsonObject House(Studio studio, Shelf shelf)
    {
        var house = CaseDocument
            .Part("house")
            .Set(HouseServiceLevel, studio.ServiceLevel)
            .Set(HouseScaleStepGrams, studio.ScaleStep)
            .Put("house.schools", JsonNode.Parse(studio.Schools));
        if (studio.CostShort is not null)
        {
            house.Set(CostsShortPerGram, studio.CostShort).Set(CostsLeftPerGram, studio.CostLeft);
        }

        // A line that is on the shelf no longer is no choice any more.
        foreach (var (kind, line) in studio.OwnLines().Where(l => shelf.Find(l.Value)?.Kind == l.Key))
        {
            house.Set(HouseLines[kind], line);
        }

        return house.Root;
    }

    /// <summary>The house, with what is decided otherwise for this client.</summary>
    private JsonObject House()
    {
        var house = House(record.Studio, shelf);
        if (record.Ways.Count > 0)
        {
            house[HouseForHer.Name] = new JsonArray([.. record.Ways.Select(w => Written(w).Root)]);
        }

        return house;
    }

    private CaseDocument Written(ClientWay way) =>
        CaseDocument
            .EntryOf(HouseForHer)
            .Set(HerWayRule, way.Rule)
            .Set(HerWayWay, way.Way)
            .Set(HerWayReason, way.Reason)
            .Set(HerWayBy, way.DecidedBy)
            .Set(HerWayOn, DateOnly.FromDateTime(record.Studio.Local(way.DecidedAt)));

    /// <summary>The newest clear test with the line this sitting uses, else the newest of all.</summary>
    private SafetyEvent? SkinTest(FormValues values)
    {
        var done = record.SkinTests.Where(t => t.Clear).Select(t => t.On).ToList();
        string line = values[CaseFields.Line.Path];
        if (line.Length == 0 && Json.Named<Service>(values[GoalService.Path]) is { } service)
        {
            line = shelf.For(new Goal(service, null, null, null), null, record.Studio.House())?.Id ?? "";
        }

        return done.FirstOrDefault(t => t.Line == line) ?? done.FirstOrDefault();
    }

    /// <summary>Days from a day to today, within what a case may say.</summary>
    public static int Days(ClientRecord record, DateOnly day) => (int)CaseFields.LastDaysAgo.Clamp(record.Today.DayNumber - day.DayNumber);
}
