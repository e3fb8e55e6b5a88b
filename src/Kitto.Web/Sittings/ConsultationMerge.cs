using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Safety;

namespace Kitto.Web.Sittings;

/// <summary>Puts what a client answered into a case: a reading can add to it, only new answers can take from it.</summary>
public static class ConsultationMerge
{
    /// <summary>Worst last.</summary>
    private static readonly string[] Scalps = ["sound", "sensitive", "sunburnt", "broken", "inflamed", "infected"];

    /// <summary>Adds her answers to a case document.</summary>
    /// <param name="c">The case.</param>
    /// <param name="record">What the record knows.</param>
    /// <param name="tested">When the skin test was put on that the case goes by.</param>
    public static void Into(JsonObject c, ClientRecord record, DateTime? tested)
    {
        var client = (c["client"] ??= new JsonObject()).AsObject();
        if (record.Reacted)
        {
            client["reactions"] = true;
        }

        if (record.Told is not { } told)
        {
            return;
        }

        // A test that was put on after the news has already answered for it.
        bool testedSince = tested >= record.TestsCountFrom;
        void Flag(string name, bool yes)
        {
            if (yes)
            {
                client[name] = true;
            }
        }

        Flag("blackHenna", told.BlackHenna);
        Flag("pregnant", told.Pregnant);
        Flag("newMedicine", told.NewMedicine && !testedSince);
        string read = client["scalp"]?.ToString() ?? "sound";
        string said = Json.Name(told.Scalp);
        if (Array.IndexOf(Scalps, read) is >= 0 and var here && Array.IndexOf(Scalps, said) > here)
        {
            client["scalp"] = said;
        }

        var conditions = (client["conditions"] as JsonArray)?.Select(x => x?.ToString() ?? "").ToList() ?? [];
        conditions.AddRange(told.Conditions.Where(x => !testedSince || Conditions.Rule(x) != "SA5"));
        if (testedSince && told.AsksForNewSkinTest)
        {
            conditions.Add("something new since the last kit, skin test done since");
        }

        if (told.Other.Length > 0)
        {
            conditions.Add(told.Other.Length > 80 ? told.Other[..77] + "..." : told.Other);
        }

        if (conditions.Count > 0)
        {
            client["conditions"] = new JsonArray([.. conditions.Distinct().Select(x => JsonValue.Create(x))]);
        }

        if (told.PutOn.Count > 0)
        {
            var hair = (c["hair"] ??= new JsonObject()).AsObject();
            var lengths = (hair["lengths"] ??= new JsonObject()).AsObject();
            lengths["timeline"] = new JsonArray([
                .. told.Timeline(record.Today).Select(p => new JsonObject { ["what"] = Json.Name(p.What), ["daysAgo"] = p.DaysAgo }),
            ]);
        }
    }
}
