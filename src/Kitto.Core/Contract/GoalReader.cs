using System.Text.Json;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Reads the goal of a case: the service and what is wished for every stretch.</summary>
internal static class GoalReader
{
    public static Goal Read(ObjectReader r)
    {
        string services = string.Join(", ", Enum.GetNames<Service>().Select(JsonNamingPolicy.CamelCase.ConvertName));
        var goal = new Goal(
            r.Require("service", r.OneOf<Service>("service"), services),
            r.Number("level", 1, 12, 0.5) is { } level ? Level.Of(level) : null,
            ReadingReader.Tone(r),
            r.Text("lengthsCondition") switch
            {
                null => null,
                "dry" => false,
                "damp" => true,
                var other => Condition(other),
            }
        )
        {
            Lengths = r.Object("lengths") is { } lengths ? ReadLengths(lengths) : null,
            LeaveFrame = r.OneOf<Frame>("frame") == Frame.LeaveOut,
            How = r.OneOf<How>("how") ?? How.Usual,
            Tail = r.Number("tailMm", 10, 100) is { } tail ? Millimetres.Of(tail) : null,
        };
        r.Done();
        return goal;

        static LengthsGoal ReadLengths(ObjectReader l)
        {
            var wish = new LengthsGoal(l.Number("level", 1, 12, 0.5) is { } level ? Level.Of(level) : null, ReadingReader.Tone(l), l.Flag("clear") ?? false);
            if (wish is { Clear: true, Level: not null } or { Clear: true, Tone: not null })
            {
                l.Fail("clear", "stands beside a level or a tone; clear changes neither", "clear alone, or level and tone without it");
            }
            else if (!wish.Clear && !l.Has("level") && !l.Has("tone"))
            {
                l.Fail("level", "is needed: nothing is wished", "a level 1 to 12, a tone, or clear: true");
            }

            l.Done();
            return wish;
        }

        bool? Condition(string text)
        {
            r.Fail("lengthsCondition", $"is \"{text}\", which is not known", "dry, damp");
            return null;
        }
    }

    /// <summary>Whether face-framing pieces are painted in a shadow (SV16).</summary>
    private enum Frame
    {
        Paint,
        LeaveOut,
    }
}
