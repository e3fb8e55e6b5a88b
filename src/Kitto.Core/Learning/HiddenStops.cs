using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Core.Learning;

/// <summary>Stops that stand among the answers in a client's own words, as safety knows them.</summary>
internal static class HiddenStops
{
    /// <summary>Puts one into a case that was fit for a kit.</summary>
    public static void Into(CaseDocument c, Lots lots) =>
        _ = lots.Between(1, 12) switch
        {
            1 => c.Set(ClientReactions, true),
            2 => c.Set(ClientBlackHenna, true),
            3 => c.Set(ClientAgeYears, lots.Between(Values.YoungestAge - 2, Values.YoungestAge - 1)),
            4 => c.Set(ClientScalp, lots.Of(Scalp.Sunburnt, Scalp.Inflamed, Scalp.Broken, Scalp.Infected)),
            5 => c.Set(ClientConditions, [lots.Of("rash", "wound", "freshPiercing")]),
            6 => c.Set(LengthsHistory, LengthHistory.Metallic),
            7 => c.Set(LengthsHistory, LengthHistory.Henna),
            8 => c.Set(ClientChemicalServiceDaysAgo, lots.Between(2, Values.ChemicalServiceDays - 1)),
            9 => c.Set(ClientConditions, [lots.Of("breakage", "severeDamage")]),
            10 => c.Set(StrandTestDaysAgo, 1).Set(StrandTestResult, StrandResult.Damaged),
            11 => c.Set(LengthsHistory, LengthHistory.BoxDye).Set(LengthsMetalTest, MetalTest.Reacted),
            _ => c.Put(SkinTestLine.Path, null).Set(SkinTestDaysAgo, 3).Set(SkinTestResult, SkinResult.Reacted),
        };
}
