using System.Text.Json.Nodes;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Safety;
using static Kitto.Core.Contract.CaseFields;

namespace Kitto.Web.Sittings;

/// <summary>Puts what a client answered into a case: a reading can add to it, only new answers can take from it.</summary>
public static class ConsultationMerge
{
    /// <summary>Adds her answers to a case document.</summary>
    /// <param name="c">The case.</param>
    /// <param name="record">What the record knows.</param>
    /// <param name="tested">When the skin test was put on that the case goes by.</param>
    public static void Into(CaseDocument c, ClientRecord record, DateTime? tested)
    {
        Flag(ClientReactions, record.Reacted);
        if (record.Told is not { } told)
        {
            return;
        }

        // A test that was put on after the news has already answered for it.
        bool testedSince = tested >= record.TestsCountFrom;
        Flag(ClientBlackHenna, told.BlackHenna);
        Flag(ClientPregnant, told.Pregnant);
        Flag(ClientNewMedicine, told.NewMedicine && !testedSince);
        // The worse of both; what was typed and is no scalp is left for the reader to say.
        if (
            Json.Named<Scalp>(c.At(ClientScalp.Path)?.ToString() ?? Json.Name(ClientScalp.Usual!.Value)) is { } read
            && Worse.IndexOf(told.Scalp) > Worse.IndexOf(read)
        )
        {
            c.Set(ClientScalp, told.Scalp);
        }

        var conditions = (c.At(ClientConditions.Path) as JsonArray)?.Select(x => x?.ToString() ?? "").ToList() ?? [];
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
            c.Set(ClientConditions, conditions.Distinct());
        }

        if (told.PutOn.Count > 0)
        {
            c.Set(
                LengthsTimeline,
                told.Timeline(record.Today).Select(p => CaseDocument.EntryOf(LengthsTimeline).Set(PutOnWhat, p.What).Set(PutOnDaysAgo, p.DaysAgo))
            );
        }

        void Flag(FlagField field, bool yes)
        {
            if (yes)
            {
                c.Set(field, true);
            }
        }
    }

    /// <summary>Worst last.</summary>
    private static readonly List<Scalp> Worse = [Scalp.Sound, Scalp.Sensitive, Scalp.Sunburnt, Scalp.Broken, Scalp.Inflamed, Scalp.Infected];
}
