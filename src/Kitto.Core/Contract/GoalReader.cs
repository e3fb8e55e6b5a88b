namespace Kitto.Core.Contract;

/// <summary>Reads the goal of a case: the service and what is wished for every stretch.</summary>
internal static class GoalReader
{
    public static Goal Read(ObjectReader r)
    {
        var goal = new Goal(
            r.NeededOne(CaseFields.GoalService),
            r.Number(CaseFields.GoalLevel) is { } level ? Level.Of(level) : null,
            ReadingReader.Tone(r, CaseFields.GoalTone),
            r.Text(CaseFields.GoalLengthsCondition.Name) switch
            {
                null => null,
                "dry" => false,
                "damp" => true,
                var other => Condition(other),
            }
        )
        {
            Lengths = r.Object("lengths") is { } lengths ? ReadLengths(lengths) : null,
            LeaveFrame = r.OneOf(CaseFields.GoalFrame) == Frame.LeaveOut,
            How = r.One(CaseFields.GoalHow),
            Tail = r.Number(CaseFields.GoalTailMm) is { } tail ? Millimetres.Of(tail) : null,
        };
        r.Done();
        return goal;

        static LengthsGoal ReadLengths(ObjectReader l)
        {
            var wish = new LengthsGoal(
                l.Number(CaseFields.GoalLengthsLevel) is { } level ? Level.Of(level) : null,
                ReadingReader.Tone(l, CaseFields.GoalLengthsTone),
                l.On(CaseFields.GoalLengthsClear)
            );
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
            r.Fail(CaseFields.GoalLengthsCondition.Name, $"is \"{text}\", which is not known", CaseFields.GoalLengthsCondition.Range);
            return null;
        }
    }
}

/// <summary>Whether face-framing pieces are painted in a shadow (SV16).</summary>
public enum Frame
{
    /// <summary>Painted.</summary>
    Paint,

    /// <summary>Left bright.</summary>
    LeaveOut,
}
