using Kitto.Core.Head;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>What stops a kit, whatever else (safety). Nothing a house sets reaches in here.</summary>
public static class Stops
{
    /// <summary>The stops that hold; none when a kit may be considered.</summary>
    public static IEnumerable<Because> Of(Reading reading)
    {
        var client = reading.Client;
        if (client.Reactions)
        {
            yield return Stop(
                "SA1",
                "There was a reaction to hair colour before. Such an allergy is usually for life: never by kit. A doctor and the salon in person decide."
            );
        }

        if (client.BlackHenna)
        {
            yield return Stop(
                "SA1",
                "A \"black henna\" tattoo, or a reaction to one, can mean an allergy to hair dye for life: never by kit. A doctor and the salon in person decide."
            );
        }

        if (client.SkinTest is { Result: SkinResult.Reacted })
        {
            yield return Stop("SA1", "The skin test reacted. Never by kit from now on; a doctor and the salon in person decide.");
        }

        if (client.AgeYears < Values.YoungestAge)
        {
            yield return TooYoung(client.AgeYears);
        }

        if (client.Scalp is Scalp.Broken or Scalp.Inflamed or Scalp.Sunburnt or Scalp.Infected)
        {
            yield return Stop("SA3", $"The scalp is {client.Scalp.ToString().ToLowerInvariant()}. Wait until it has healed.");
        }

        foreach (string condition in client.Conditions.Where(c => Conditions.Rule(c) == "SA3"))
        {
            yield return Stop("SA3", $"She has {Conditions.Says(condition)}. Wait until it has healed.");
        }

        // Metal salts react with peroxide (SH14).
        if (reading.Hair.Lengths.History is LengthHistory.Henna or LengthHistory.Metallic)
        {
            bool henna = reading.Hair.Lengths.History == LengthHistory.Henna;
            string what = henna ? "Henna, which may hold metal salts," : "Metallic or progressive dye";
            var put = reading.Hair.StillOn().Where(p => p.What == (henna ? Treatment.Henna : Treatment.Metallic)).MinBy(p => p.DaysAgo);
            string when = put is null
                ? ""
                : $" It was put on {Timeline.Ago(put.DaysAgo)}, and slow hair has grown only {put.LeastGrownCm():0} of {reading.Hair.LengthCm:0} cm since.";
            yield return Stop("SA4", $"{what} is on the hair.{when} Metal salts react with peroxide: no colour on this hair, roots too.");
        }

        if (reading.Hair.Lengths.Metal == MetalTest.Reacted)
        {
            yield return Stop(
                "SA4",
                "A lock of her hair reacted in developer: there is metal on it. No colour on this hair, roots too; the salon decides in person."
            );
        }

        // Stretch or breakage: a plan of conditioning, and the salon (OU6).
        if (client.StrandTest is { Result: StrandResult.Damaged })
        {
            yield return Stop("SA6", "The strand test damaged the hair. No colour; a plan of conditioning, and the salon.");
        }

        if (Least(client.ChemicalServiceDaysAgo, reading.Hair.Lengths.LastStraightened()) is { } days && days <= Values.ChemicalServiceDays)
        {
            yield return Stop(
                "SA9",
                $"The hair was relaxed, permed or straightened {days} days ago. Wait until more than {Values.ChemicalServiceDays} days have passed."
            );
        }

        foreach (string condition in client.Conditions.Where(c => Conditions.Rule(c) == "SA9"))
        {
            yield return Stop("SA9", $"The hair shows {Conditions.Says(condition)}. No colour until the salon has seen it.");
        }
    }

    /// <summary>The stop for someone below the youngest age (SA2).</summary>
    /// <param name="age">Whole years.</param>
    public static Because TooYoung(int age) =>
        Stop("SA2", $"She is {age}. Hair colour is not intended for anyone below {Values.YoungestAge}; check your local code.");

    private static int? Least(int? a, int? b) => a is null || b is null ? a ?? b : Math.Min(a.Value, b.Value);

    private static Because Stop(string rule, string says) => new(rule, says, Topic.Stop);
}
