using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>What is said aloud and acknowledged, though a kit is allowed (SA20 to SA24, RD5, RD12, SH11).</summary>
public static class Cautions
{
    /// <summary>What is said to everyone, every time.</summary>
    internal static IReadOnlyList<EverydayCaution> Everyday { get; } = [new AirTheRoom(), new KeepFromChildren(), new NeverOnBrows()];

    /// <summary>Rules of what is said to everyone.</summary>
    public static IReadOnlyList<string> EverydayRules { get; } = [.. Everyday.Select(e => e.Rule)];

    /// <summary>What a client hears aloud before anything else: the doctor where one is to be asked, and what everyone hears (SA10, SA20, SA22, SA23).</summary>
    internal static IEnumerable<CautionReason> Aloud(ClientFacts client) =>
        Everyday.Cast<CautionReason>().Prepend(AsksDoctorFirst(client) ? new AskDoctorFirst() : null).OfType<CautionReason>();

    /// <summary>All cautions that apply.</summary>
    /// <param name="read">As read today.</param>
    /// <param name="onTheDay">As it will be on colour day.</param>
    /// <param name="roots">What is wished at the roots.</param>
    /// <param name="service">The service.</param>
    /// <param name="atHome">Whether it is done at home, by the hands of the reading.</param>
    internal static IEnumerable<Reason> Of(Reading read, Reading onTheDay, Strand.Wish roots, Service service, bool atHome)
    {
        var client = read.Client;
        if (AsksDoctorFirst(client))
        {
            yield return new AskDoctorFirst();
        }

        var asked = client.Conditions.Where(c => Conditions.Rule(c) == "SA21").ToList();
        if (client.Scalp == Scalp.Sensitive)
        {
            asked.Add(Conditions.SensitiveScalp);
        }

        if (client.NewMedicine)
        {
            asked.Add(Conditions.NewMedicine);
        }

        asked.AddRange(client.Conditions.Where(c => Conditions.Rule(c) == "SA5"));

        if (asked.Count > 0)
        {
            yield return new OnRecord(asked);
        }

        if (client.Conditions.Any(c => Conditions.Rule(c) == "SA24") || (atHome && read.Hands.Who == Who.Alone && !read.Hands.Practised))
        {
            yield return client.Conditions.Any(c => Conditions.Rule(c) == "SA24") ? new SeesOrReadsPoorly() : new AloneFirstTime();
        }

        if (read.Hair.Lengths is { History: LengthHistory.Unknown or LengthHistory.BoxDye, Metal: null })
        {
            yield return new LengthsUncertain();
        }

        foreach (var gone in read.Hair.Lengths.Timeline.Where(p => p.What is Treatment.Henna or Treatment.Metallic && !p.CanBeOn(read.Hair.LengthCm)))
        {
            yield return new CutOffSince(gone.What, gone.DaysAgo, gone.LeastGrownCm(), read.Hair.LengthCm);
        }

        if (service != Service.Gloss)
        {
            double limit = read.Hands.Who == Who.Alone ? Values.EarlyAloneMm : Values.EarlyMm;
            double regrowth = onTheDay.MeanRegrowth.Value;
            if (regrowth < limit)
            {
                yield return new TooShortToStayInside(regrowth, read.Rate.DaysFor(limit - regrowth), limit);
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
                    yield return new GrowthDoesNotFit(read.Grown.Count > 0, read.Rate.Mean, days, expected, seen);
                }
            }
        }

        if (Math.Abs(roots.Level.LighterThan(read.Hair.NaturalLevel)) > 2)
        {
            yield return new WishFarFromNatural();
        }

        foreach (var caution in Everyday)
        {
            yield return caution;
        }
    }

    private static bool AsksDoctorFirst(ClientFacts client) => client.Pregnant || client.Conditions.Any(c => Conditions.Rule(c) == "SA20");

    /// <summary>White that was read the same all over, or a back left longer than the front: look again (RD3, RD6).</summary>
    private static CautionReason? Uneven(Reading reading)
    {
        double Mean(params Zone[] zones) => zones.Average(z => reading.Zones[(int)z].Regrowth.Value);
        var grey = reading.Included.Select(z => z.Read.Grey.Value).Distinct().ToList();
        double back = Mean(Zone.LeftBack, Zone.RightBack, Zone.Nape),
            front = Mean(Zone.FrontHairline, Zone.LeftFront, Zone.RightFront);
        return back > Values.LongerBack * front && front > 0 ? new BackGrownLonger(back, front)
            : grey is [>= .3 and < 1] ? new WhiteReadAlike(Share.Of(grey[0]))
            : null;
    }
}
