using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>What is said aloud and acknowledged, though a kit is allowed (SA20 to SA24, RD5, RD12, SH11).</summary>
public static class Cautions
{
    /// <summary>All cautions that apply.</summary>
    /// <param name="read">As read today.</param>
    /// <param name="onTheDay">As it will be on colour day.</param>
    /// <param name="roots">What is wished at the roots.</param>
    /// <param name="service">The service.</param>
    /// <param name="atHome">Whether it is done at home, by the hands of the reading.</param>
    public static IEnumerable<Because> Of(Reading read, Reading onTheDay, Strand.Wish roots, Service service, bool atHome)
    {
        var client = read.Client;
        if (client.Pregnant || client.Conditions.Any(c => Conditions.Rule(c) == "SA20"))
        {
            yield return Caution(
                "SA20",
                "Pregnant or breastfeeding: ask the doctor or midwife first. Many wait until after the first three months; a gloss or a shadow off the scalp touches less."
            );
        }

        var asked = client.Conditions.Where(c => Conditions.Rule(c) == "SA21").Select(Conditions.Says).ToList();
        if (client.Scalp == Scalp.Sensitive)
        {
            asked.Add("sensitive scalp");
        }

        if (client.NewMedicine)
        {
            asked.Add("new medicine");
        }

        asked.AddRange(client.Conditions.Where(c => Conditions.Rule(c) == "SA5").Select(Conditions.Says));

        if (asked.Count > 0)
        {
            yield return Caution("SA21", $"On record: {string.Join(", ", asked)}. You decide, and your reason is kept.");
        }

        if (client.Conditions.Any(c => Conditions.Rule(c) == "SA24") || (atHome && read.Hands.Who == Who.Alone && !read.Hands.Practised))
        {
            yield return Caution(
                "SA24",
                client.Conditions.Any(c => Conditions.Rule(c) == "SA24")
                    ? "She sees or reads poorly: larger type, steps read out, and a helper asked for."
                    : "Alone and for the first time: ask whether someone can help with the back."
            );
        }

        if (read.Hair.Lengths is { History: LengthHistory.Unknown or LengthHistory.BoxDye, Metal: null })
        {
            yield return Caution(
                "SA4",
                "What is on the lengths is not known for certain. Ask for a lock and lay it in 20 vol developer for half an hour before anything is mixed: heat, bubbles, smell or another colour mean metal."
            );
        }

        foreach (var gone in read.Hair.Lengths.Timeline.Where(p => p.What is Treatment.Henna or Treatment.Metallic && !p.CanBeOn(read.Hair.LengthCm)))
        {
            yield return Caution(
                "SA4",
                $"{(gone.What == Treatment.Henna ? "Henna" : "Metallic dye")} was put on {Timeline.Ago(gone.DaysAgo)}. Even slow hair has grown {gone.LeastGrownCm():0} cm since and hers is {read.Hair.LengthCm:0} cm, so it has been cut off; if in doubt, lay a lock in developer."
            );
        }

        if (service != Service.Gloss)
        {
            double limit = read.Hands.Who == Who.Alone ? Values.EarlyAloneMm : Values.EarlyMm;
            double regrowth = onTheDay.MeanRegrowth.Value;
            if (regrowth < limit)
            {
                yield return Caution(
                    "RD12",
                    $"Regrowth of {regrowth:0.#} mm is too short to stay inside: every slip lands on coloured hair. In about {read.Rate.DaysFor(limit - regrowth)} days it will be {limit:0} mm."
                );
            }

            if (Uneven(onTheDay) is { } uneven)
            {
                yield return uneven;
            }

            if (read.Last?.DaysAgo is { } days && days > 0)
            {
                double expected = read.Rate.Over(days).Value;
                double seen = read.MeanRegrowth.Value;
                if (Math.Abs(seen - expected) > Values.GrowthTolerance * expected)
                {
                    yield return Caution(
                        "RD5",
                        $"{(read.Grown.Count == 0 ? "Hair grows" : "Hers grows")} about {read.Rate.Mean:0.0} mm a month, so {days} days make {expected:0} mm; {seen:0.#} mm was read. Measure again, or ask when it was last coloured."
                    );
                }
            }
        }

        if (Math.Abs(roots.Level.LighterThan(read.Hair.NaturalLevel)) > 2)
        {
            yield return Caution("SH11", "The wish is more than two levels off her natural depth. Ask whether brows and skin will carry it.");
        }

        yield return Caution("SA22", "Air the room; contact lenses out, jewellery off, gloves on the whole time; no flame or hot dryer.");
        yield return Caution("SA23", "Keep it from children and pets. Leftover mix is never closed up and never kept: it builds oxygen and can burst.");
        yield return Caution("SA10", "Never on brows, lashes or beard: it can blind.");
    }

    /// <summary>White that was read the same all over, or a back left longer than the front: look again (RD3, RD6).</summary>
    private static Because? Uneven(Reading reading)
    {
        double Mean(params Zone[] zones) => zones.Average(z => reading.Zones[(int)z].Regrowth.Value);
        var grey = reading.Included.Select(z => z.Read.Grey.Value).Distinct().ToList();
        double back = Mean(Zone.LeftBack, Zone.RightBack, Zone.Nape),
            front = Mean(Zone.FrontHairline, Zone.LeftFront, Zone.RightFront);
        return back > Values.LongerBack * front && front > 0
                ? Caution("RD6", $"The back has grown out {back:0} mm, the front {front:0}: it was done less often. Each is sized by its own.")
            : grey is [>= .3 and < 1]
                ? Caution(
                    "RD3",
                    $"White was read as {Share.Of(grey[0])} all over. Hairline, temples and part line usually carry most, back and nape least: look at each."
                )
            : null;
    }

    private static Because Caution(string rule, string says) => new(rule, says, Topic.Caution);
}
