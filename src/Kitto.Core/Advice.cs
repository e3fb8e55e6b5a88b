using Kitto.Core.Head;
using Kitto.Core.Safety;
using Kitto.Core.Shade;

namespace Kitto.Core;

/// <summary>Which services fit this head and wish, and by which rules (SV).</summary>
public static class Advice
{
    /// <summary>Advice on all eight services.</summary>
    /// <param name="c">The case, regrowth as on the day.</param>
    /// <param name="aim">What is aimed at.</param>
    public static IReadOnlyList<ServiceAdvice> On(Case c, Aim aim)
    {
        var hair = c.Reading.Hair;
        var lengths = hair.Lengths;
        double lift = aim.LengthsLevel.LighterThan(hair.NaturalLevel);
        double faded = lengths.Level.LighterThan(aim.LengthsLevel);
        bool sameTone = lengths.Tone.SameAs(aim.Tone);
        bool atHome = Math.Abs(lift) <= SalonOnly.HomeLevels;
        bool lighterWish = lengths.Coloured && faded <= -Aim.HalfLevel;
        bool grown = c.Reading.MeanRegrowth.Value >= Cautions.EarlyMm;
        double grey = c.Reading.DecisiveGrey.Value;
        return
        [
            Say(Service.RootTouchUp, (atHome, "SV3"), (grown, "RD12")),
            Say(Service.RootAndRefresh, (atHome, "SV3"), (!lengths.Bright && faded >= Aim.HalfLevel && sameTone, "SV9"), (!lighterWish, "SV4")),
            Say(Service.Gloss, (faded >= -Aim.HalfLevel + 1e-9, "SH8"), (!lighterWish, "SV4"), (grey < .5, "SV2")),
            Say(Service.RootAndGloss, (atHome, "SV3"), (!lighterWish, "SV4"), (!sameTone || lengths.Bright || faded >= Aim.HalfLevel, "SV9")),
            Say(Service.RootShadow, (lengths.Level.LighterThan(hair.NaturalLevel) >= 1, "SV5")),
            Say(Service.BaseLift, (lift is >= 1 and <= 2, "SV6"), (grey < .5, "SV7")),
            Say(Service.GreyBlend, (grey >= Developer.Choice.NoGrey, "SV7"), (grey < .5 || c.House.School("SV7") == "blend", "SV7"), (lift <= Aim.HalfLevel, "DV2")),
            Say(Service.Lighten, (false, "SA8")),
        ];
    }

    /// <summary>A service fits when every condition holds; then all rules looked at are named, else those that failed.</summary>
    private static ServiceAdvice Say(Service service, params (bool Holds, string Rule)[] conditions)
    {
        bool fits = conditions.All(x => x.Holds);
        return new ServiceAdvice(service, fits, [.. conditions.Where(x => fits || !x.Holds).Select(x => x.Rule).Distinct()]);
    }
}
