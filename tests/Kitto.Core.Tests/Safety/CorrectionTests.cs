using Kitto.Core.Safety;

namespace Kitto.Core.Tests.Safety;

/// <summary>Where a studio has several people, no one of them takes a stop back alone.</summary>
public sealed class CorrectionTests
{
    private static readonly DateTime Now = new(2027, 3, 1, 10, 0, 0, DateTimeKind.Utc);

    private static SafetyRecord With(SafetyRecord record, Taken taken) => record with { Events = [.. record.Events, .. taken.Events] };

    private static Speaker Who(string name, int minutes) => new(Guid.NewGuid(), Now.AddMinutes(minutes), name);

    [Theory]
    [InlineData("Tove", false, true)]
    [InlineData("Tove", true, false)]
    [InlineData("Astrid", true, true)]
    [InlineData("Astrid", false, true)]
    public void Whoever_doubts_a_stop_corrects_it_alone_only_where_there_is_nobody_else(string corrects, bool several, bool taken)
    {
        var reaction = Who(Speaker.Client, 0);
        var record = With(SafetyRecord.Empty, KitLife.React(reaction, null, "itched"));
        Assert.NotNull(KitLife.Correct(record, reaction.Id, Who("Tove", 1), several).Refused);
        record = With(record, KitLife.Doubt(record, reaction.Id, "tapped while cleaning the phone", Who("Tove", 2)));
        var said = KitLife.Correct(record, reaction.Id, Who(corrects, 3), several);
        Assert.Equal(taken, said.Refused is null && said.Events.Count == 1);
        Assert.Equal(taken, With(record, said).IsCorrected(reaction.Id));
    }
}
