using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Learning;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Learning;

/// <summary>Scripted learners: one who follows the engine, and four with one bad habit each and no other.</summary>
internal static class Learners
{
    public static Trial FollowsTheEngine(StudyHead head) => Trial.Of(head);

    public static Trial AlwaysTwentyVolumes(StudyHead head) => Changed(head, k => k with { Developer = Volume.Of(20) });

    public static Trial AlwaysSixtyGrams(StudyHead head) => Changed(head, k => k with { Grams = Grams.Of(60) });

    /// <summary>Sees no white on any head, and mixes as the engine would without it.</summary>
    public static Trial IgnoresWhite(StudyHead head)
    {
        if (head.Best.Decision != Decision.Kit)
        {
            return Trial.Of(head);
        }

        var blind = head.Case.Reading with { Zones = [.. head.Case.Reading.Zones.Select(z => z with { Grey = Share.Of(0), Resistant = false })] };
        var mix = TrialKit.Of(head.Case.Goal.Service, Prescriber.Prescribe(head.Case with { Reading = blind }, Bench.Shelf));
        return Changed(head, k => k with { Line = mix.Line, Parts = mix.Parts, Developer = mix.Developer, Process = mix.Process });
    }

    /// <summary>Reads the head and never a word of what was answered or recorded.</summary>
    public static Trial NeverAsksTheHistory(StudyHead head)
    {
        var (reading, plain) = (head.Case.Reading, Bench.Case().Reading);
        var lengths = reading.Hair.Lengths with
        {
            History = reading.Hair.Lengths.History is LengthHistory.Henna or LengthHistory.Metallic or LengthHistory.BoxDye
                ? LengthHistory.Permanent
                : reading.Hair.Lengths.History,
            Metal = null,
            Timeline = [],
        };
        var unasked = head.Case with
        {
            Reading = reading with
            {
                Client = plain.Client with { SkinTest = null, StrandTest = null },
                Hair = reading.Hair with { Lengths = lengths },
                Last = null,
                Hands = new Hands(reading.Hands.Who, reading.Hands.Practised, []),
            },
        };
        var p = Prescriber.Prescribe(unasked, Bench.Shelf);
        return Trial.Of(head) with { Decision = p.Decision, Kit = p.Decision == Decision.Kit ? TrialKit.Of(head.Case.Goal.Service, p) : null };
    }

    private static Trial Changed(StudyHead head, Func<TrialKit, TrialKit> change) =>
        Trial.Of(head) is { Kit: { } kit } trial ? trial with { Kit = change(kit) } : Trial.Of(head);
}
