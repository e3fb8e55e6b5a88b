using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>What stops a kit, whatever else (safety). Nothing a house sets reaches in here.</summary>
public static class Stops
{
    /// <summary>The stops that hold; none when a kit may be considered.</summary>
    public static IEnumerable<Reason> Of(Reading reading)
    {
        var client = reading.Client;
        if (client.Reactions)
        {
            yield return new ReactionBefore();
        }

        if (client.BlackHenna)
        {
            yield return new BlackHenna();
        }

        if (client.SkinTest is { Result: SkinResult.Reacted })
        {
            yield return new SkinTestReacted();
        }

        if (client.AgeYears < Values.YoungestAge)
        {
            yield return TooYoung(client.AgeYears);
        }

        if (client.Scalp is Scalp.Broken or Scalp.Inflamed or Scalp.Sunburnt or Scalp.Infected)
        {
            yield return new ScalpNotWell(client.Scalp);
        }

        foreach (string condition in client.Conditions.Where(c => Conditions.Rule(c) == "SA3"))
        {
            yield return new HealsFirst(condition);
        }

        // Metal salts react with peroxide (SH14).
        if (reading.Hair.Lengths.History is LengthHistory.Henna or LengthHistory.Metallic)
        {
            bool henna = reading.Hair.Lengths.History == LengthHistory.Henna;
            var put = reading.Hair.StillOn().Where(p => p.What == (henna ? Treatment.Henna : Treatment.Metallic)).MinBy(p => p.DaysAgo);
            yield return new MetalSalts(henna, put?.DaysAgo, put?.LeastGrownCm() ?? 0, reading.Hair.LengthCm);
        }

        if (reading.Hair.Lengths.Metal == MetalTest.Reacted)
        {
            yield return new LockReacted();
        }

        // Stretch or breakage: a plan of conditioning, and the salon (OU6).
        if (client.StrandTest is { Result: StrandResult.Damaged })
        {
            yield return new StrandDamaged();
        }

        if (Least(client.ChemicalServiceDaysAgo, reading.Hair.Lengths.LastStraightened()) is { } days && days <= Values.ChemicalServiceDays)
        {
            yield return new StraightenedLately(days);
        }

        foreach (string condition in client.Conditions.Where(c => Conditions.Rule(c) == "SA9"))
        {
            yield return new HairShows(condition);
        }
    }

    /// <summary>The stop for someone below the youngest age (SA2).</summary>
    /// <param name="age">Whole years.</param>
    public static Reason TooYoung(int age) => new TooYoung(age);

    private static int? Least(int? a, int? b) => a is null || b is null ? a ?? b : Math.Min(a.Value, b.Value);
}
