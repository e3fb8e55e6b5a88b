using CsCheck;
using Kitto.Core.Safety;

namespace Kitto.Core.Tests.Safety;

/// <summary>A reaction that was tapped by mistake: hers to say for ten minutes, a colourist's after that; nothing goes out of the record.</summary>
public sealed class MistakeTests
{
    private static readonly DateTime Told = new(2027, 3, 1, 18, 40, 0, DateTimeKind.Utc);

    private static SafetyRecord After(Taken taken, SafetyRecord? before = null) => new([.. before?.Events ?? [], .. taken.Events], []);

    private static Speaker At(double minutes, string by = Speaker.Client) => new(Guid.NewGuid(), Told.AddMinutes(minutes), by);

    [Fact]
    public void It_is_taken_back_within_ten_minutes_by_the_client_alone_and_stays_on_record() =>
        Gen.Select(Gen.Double[0, 30], Gen.Bool, Gen.Bool)
            .Sample(
                (minutes, byClient, another) =>
                {
                    var reaction = KitLife.React(At(0, byClient ? Speaker.Client : "Tove"), null, "it burns");
                    var record = After(reaction);
                    record = another ? After(KitLife.React(At(minutes), null, "and itches"), record) : record;
                    var back = KitLife.Mistaken(record, reaction.Events[0].Id, At(minutes));
                    bool may = byClient && minutes <= 10;
                    var after = After(back, record);
                    return may == (back.Refused is null)
                        && after.Events.Take(record.Events.Count).SequenceEqual(record.Events)
                        && after.IsCorrected(reaction.Events[0].Id) == may
                        && after.Allergy is null == (may && !another);
                }
            );

    [Fact]
    public void Said_twice_it_is_one_and_what_is_no_reaction_of_hers_cannot_be_taken_back()
    {
        var reaction = KitLife.React(At(0), null, "it burns");
        var who = At(2);
        var back = KitLife.Mistaken(After(reaction), reaction.Events[0].Id, who);
        var record = After(back, After(reaction));
        Assert.Empty(KitLife.Mistaken(record, reaction.Events[0].Id, who).Events);
        Assert.Equal(new NotTaken(RefusedFor.NothingToCorrect), KitLife.Mistaken(record, reaction.Events[0].Id, At(3)).Refused!.Says);
        var stop = KitLife.Found([new Because("SA3", "The scalp is broken.", Topic.Stop)], false, "answers:1", At(0));
        Assert.Equal(new NotTaken(RefusedFor.NothingToCorrect), KitLife.Mistaken(After(stop), stop.Events[0].Id, At(1)).Refused!.Says);
        Assert.Equal(new NotTaken(RefusedFor.TooLateForMistake), KitLife.Mistaken(After(reaction), reaction.Events[0].Id, At(10.1)).Refused!.Says);
    }
}
