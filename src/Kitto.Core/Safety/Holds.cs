using Kitto.Core.Head;
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
    public static SkinState Skin(ClientFacts client, IReadOnlyList<Line> lines, int daysUntilColour, House house, ICollection<Because> why, bool kit = true)
    {
        var test = client.SkinTest;
        if (test is { Result: SkinResult.Reacted })
        {
            return SkinState.Reacted;
        }

        string? since = client.NewMedicine
            ? "a new medicine"
            : client.Conditions.Where(c => Conditions.Rule(c) == "SA5").Select(Conditions.Says).FirstOrDefault();
        string? missing = null;
        if (test is null)
        {
            missing = "None is on record.";
        }
        else
        {
            int age = test.DaysAgo + daysUntilColour;
            int limit = SkinDays(house, lines);
            var untested = lines.Where(l => l.Id != test.Line).Select(l => l.Name).ToList();
            if (age < Values.SkinTestDays)
            {
                missing = $"The last one has not been watched for {Values.SkinTestHours} full hours.";
            }
            else if (age > limit)
            {
                missing = $"The last will be {age} days old; it counts for {limit}.";
            }
            else if (untested.Count > 0)
            {
                missing = $"The last one was not done with {string.Join(" or ", untested)}.";
            }
            else if (since is not null)
            {
                missing = $"There is {since} since.";
            }
        }

        why.Add(
            missing is null
                ? new Because(
                    "SA5",
                    $"The skin test of {test!.DaysAgo} days ago came clear for this line. A clear test does not promise that nothing happens.",
                    Topic.Tests
                )
                : new Because(
                    "SA5",
                    $"{(kit ? $"The main sachets are mixed only once a skin test with this kit's own sachet has come clear after {Values.SkinTestHours} hours." : $"Nothing is mixed before a skin test with this line has come clear after {Values.SkinTestHours} hours.")} {missing}",
                    Topic.Tests
                )
        );
        return missing is null ? SkinState.Clear : SkinState.Required;
    }

    /// <summary>Whether a strand test is needed, and whether it came right.</summary>
    /// <param name="client">The client.</param>
    /// <param name="sameFormula">Whether this is known to be the formula of last time.</param>
    /// <param name="kit">Whether it is for a kit; else for the chair.</param>
    /// <param name="why">Reasons are added.</param>
    public static StrandState Strand(ClientFacts client, bool sameFormula, ICollection<Because> why, bool kit = true)
    {
        switch (client.StrandTest)
        {
            case { Result: StrandResult.Damaged }:
                return StrandState.Failed;
            case { Result: StrandResult.Right } test:
                why.Add(new Because("SA12", $"The strand test came right{(test.Minutes is { } m ? $" at {m:0.#} minutes" : "")}.", Topic.Tests));
                return StrandState.Clear;
            case { } test:
                why.Add(
                    new Because("SA12", $"The strand test came out {Words(test.Result)}: it changes the formula, and the change is tested again.", Topic.Tests)
                );
                return StrandState.Required;
        }

        bool needed = client.FirstKit || !sameFormula;
        why.Add(
            new Because(
                "SA12",
                needed
                    ? $"A strand test must come right first: {(client.FirstKit ? kit ? "this is her first kit" : "nothing of hers is on record yet" : "the formula is not the same as last time, or last time is not known")}."
                    : "Same formula as last time: a strand test is offered, not asked for.",
                Topic.Tests
            )
        );
        return needed ? StrandState.Required : StrandState.Offered;
    }

    private static string Words(StrandResult result) =>
        result switch
        {
            StrandResult.Right => "right",
            StrandResult.TooLight => "too light",
            StrandResult.TooDark => "too dark",
            StrandResult.TooWarm => "too warm",
            StrandResult.TooCool => "too cool",
            StrandResult.GreyShows => "with white hair still showing",
            StrandResult.Damaged => "damaged",
            _ => throw new ArgumentOutOfRangeException(nameof(result)),
        };
}
