using System.Text.Json.Nodes;
using Kitto.Core.Trade;

namespace Kitto.Core.Learning;

/// <summary>Stops that stand among the answers in a client's own words, as safety knows them.</summary>
internal static class HiddenStops
{
    /// <summary>Puts one into a case that was fit for a kit.</summary>
    public static void Into(JsonObject c, Lots lots)
    {
        var (client, lengths) = (c["client"]!, c["hair"]!["lengths"]!);
        switch (lots.Between(1, 12))
        {
            case 1:
                client["reactions"] = true;
                break;
            case 2:
                client["blackHenna"] = true;
                break;
            case 3:
                client["ageYears"] = lots.Between(Values.YoungestAge - 2, Values.YoungestAge - 1);
                break;
            case 4:
                client["scalp"] = lots.Of("sunburnt", "inflamed", "broken", "infected");
                break;
            case 5:
                client["conditions"] = new JsonArray(lots.Of("rash", "wound", "freshPiercing"));
                break;
            case 6:
                lengths["history"] = "metallic";
                break;
            case 7:
                lengths["history"] = "henna";
                break;
            case 8:
                client["chemicalServiceDaysAgo"] = lots.Between(2, Values.ChemicalServiceDays - 1);
                break;
            case 9:
                client["conditions"] = new JsonArray(lots.Of("breakage", "severeDamage"));
                break;
            case 10:
                client["strandTest"] = new JsonObject { ["daysAgo"] = 1, ["result"] = "damaged" };
                break;
            case 11:
                lengths["history"] = "boxDye";
                lengths["metalTest"] = "reacted";
                break;
            default:
                client["skinTest"] = new JsonObject { ["daysAgo"] = 3, ["result"] = "reacted" };
                break;
        }
    }
}
