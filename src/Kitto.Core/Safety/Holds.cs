using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>The skin and strand tests that lock the main sachets (SA5, SA12).</summary>
public static class Holds
{
    /// <summary>Days for which a clear skin test counts in this house: fourteen, or as long as every line's leaflet allows where the house goes by "same line, nothing changed".</summary>
    public static int SkinDays(House house, IEnumerable<Line> lines) =>
        house.Way<SkinTesting>() == SkinTesting.SameLineMonths
            ? Math.Max(
                Values.SkinTestValidDays,
                (int)(lines.Select(l => Math.Min(l.SkinTestMonths, Values.SkinTestMostMonths)).DefaultIfEmpty(0).Min() * Growth.DaysPerMonth)
            )
            : Values.SkinTestValidDays;

    /// <summary>Whether the skin test counts on colour day for every line of the kit.</summary>
    internal static SkinState Skin(ClientFacts client, IReadOnlyList<Line> lines, int daysUntilColour, House house, ICollection<Reason> why, bool kit = true)
    {
        var test = client.SkinTest;
        if (test is { Result: SkinResult.Reacted })
        {
            return SkinState.Reacted;
        }

        string? since = client.NewMedicine ? Conditions.NewMedicine : client.Conditions.FirstOrDefault(c => Conditions.Rule(c) == "SA5");
        int age = (test?.DaysAgo ?? 0) + daysUntilColour,
            limit = SkinDays(house, lines);
        var untested = lines.Where(l => l.Id != test?.Line).Select(l => l.Name).ToList();
        SkinMissing? missing =
            test is null ? SkinMissing.NoneOnRecord
            : age < Values.SkinTestDays ? SkinMissing.NotWatched
            : age > limit ? SkinMissing.TooOld
            : untested.Count > 0 ? SkinMissing.OtherLine
            : since is not null ? SkinMissing.SomethingNew
            : null;
        why.Add(missing is { } what ? new SkinWanted(kit, what, age, limit, untested, since) : new SkinCameClear(test!.DaysAgo));
        return missing is null ? SkinState.Clear : SkinState.Required;
    }

    /// <summary>Whether a strand test is needed, and whether it came right.</summary>
    /// <param name="client">The client.</param>
    /// <param name="sameFormula">Whether this is known to be the formula of last time.</param>
    /// <param name="kit">Whether it is for a kit; else for the chair.</param>
    /// <param name="why">Reasons are added.</param>
    internal static StrandState Strand(ClientFacts client, bool sameFormula, ICollection<Reason> why, bool kit = true)
    {
        switch (client.StrandTest)
        {
            case { Result: StrandResult.Damaged }:
                return StrandState.Failed;
            case { Result: StrandResult.Right } test:
                why.Add(new StrandCameRight(test.Minutes));
                return StrandState.Clear;
            case { } test:
                why.Add(new StrandCameOut(test.Result));
                return StrandState.Required;
        }

        bool needed = client.FirstKit || !sameFormula;
        why.Add(needed ? new StrandWanted(client.FirstKit, kit) : new StrandOffered());
        return needed ? StrandState.Required : StrandState.Offered;
    }
}
