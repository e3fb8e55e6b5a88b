using CsCheck;
using Kitto.Core.Clock;
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

    /// <summary>Called positive, then "by mistake", then clear: nothing opens before a colourist has spoken to the client, or a new test had its hours.</summary>
    [Theory]
    [InlineData(false, false)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    public void A_skin_test_that_was_called_a_reaction_is_accepted_by_the_colourist_or_done_again(bool accepted, bool again)
    {
        var posted = Told.AddDays(-4);
        var kit = new GateKit(Guid.NewGuid(), ["cream"], false, 14, KitStep.Posted, posted.AddDays(-1), posted, null, 1);
        var (on, told) = (Guid.NewGuid(), new Speaker(Guid.NewGuid(), Told, Speaker.Client));
        var record = After(KitLife.PutOn(SafetyRecord.Empty, kit, "cream", Told.AddHours(-49), new Speaker(on, Told.AddHours(-49), Speaker.Client)));
        record = After(KitLife.React(told, kit.Id, "with a skin test", "cream", on), record);
        record = After(KitLife.Mistaken(record, told.Id, At(1)), record);
        SkinStage Stage(double minutes) => Gate.Tests(record, kit, Told.AddMinutes(minutes)).Skin[0].Stage;
        Assert.Equal(SkinStage.Withdrawn, Stage(1));
        Assert.Equal(new NotTaken(RefusedFor.ColouristAcceptsTest), KitLife.SkinClear(record, kit, on, At(1.1)).Refused!.Says);
        if (accepted)
        {
            Assert.Equal(new NotTaken(RefusedFor.ReasonMissing), KitLife.AcceptSkin(record, kit, on, "ok", At(20, "Tove")).Refused!.Says);
            record = After(KitLife.AcceptSkin(record, kit, on, "Called: nothing on the skin.", At(20, "Tove")), record);
            Assert.Equal(SkinStage.ToReport, Stage(21));
            Assert.Null(KitLife.SkinClear(record, kit, on, At(21)).Refused);
        }
        else if (again)
        {
            record = After(KitLife.PutOn(record, kit, "cream", Told.AddMinutes(30), At(30)), record);
            Assert.Equal(SkinStage.Watching, Stage(31));
            Assert.Equal(SkinStage.ToReport, Stage(30 + (48 * 60)));
        }
        else
        {
            Assert.Equal(SkinStage.Withdrawn, Stage(60 * 24 * 10));
        }
    }
}
