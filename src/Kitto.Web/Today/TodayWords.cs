using Kitto.Core.Safety;
using Kitto.Store;
using Kitto.Web.Guides;

namespace Kitto.Web.Today;

/// <summary>One line of Today: who, what, and why it is here.</summary>
public sealed record TodayLine(string Name, string Says, string Link, string Act);

/// <summary>What Today says of a kit.</summary>
/// <param name="studio">Whose.</param>
/// <param name="today">The studio's day.</param>
public sealed class TodayWords(Studio studio, DateOnly today)
{
    /// <summary>A kit, by where it stands.</summary>
    public TodayLine Line(Kit kit, KitPlace place, Verdict verdict, OutcomeReport? outcome)
    {
        TodayLine Line(string says, string act) => new(kit.ClientName, $"kit {kit.Number}{says}", $"/kits/{kit.Id}", act);
        switch (place)
        {
            case KitPlace.Stopped:
                string why = verdict.Stops is [var stop, ..] ? $": {stop.Rule} {Words.Studio.Says(stop)}" : "";
                return Line($" is stopped{(verdict.OnHead ? ", and colour is on the head" : "")}{why}", $"Look, then call {kit.Client.Object}");
            case KitPlace.Report when outcome is not null:
                return Line($": {Words.Result(outcome)}; {(outcome.RanOut ? "it ran out" : $"{outcome.LeftGrams:0.#} g left")}", "Read the report");
            case KitPlace.Bench when kit.State == "signed":
                return Line(kit.FillOn is { } fill ? $" to pack {When(fill)}" : " to pack", "Weigh") with { Link = $"/bench/{kit.Id}" };
            case KitPlace.Bench:
                return Line(kit.PostOn is { } post ? $" to post {When(post)}" : " to post", "Post");
            case KitPlace.Overdue:
                return Line($": colour day was {When(kit.ColourOn ?? today)}, no word since; {Says(verdict)}", $"Ask {kit.Client.Object}");
            default:
                return Line(
                    $"{(verdict.ShowsSteps ? ": " : " is held: ")}{Says(verdict)}{(kit.ColourOn is { } colour ? $", colour day {When(colour)}" : "")}",
                    "Look"
                );
        }
    }

    private string Says(Verdict verdict)
    {
        if (verdict.State == GateState.SeeThrough)
        {
            return verdict.OnHead ? "colour is on the head now" : "the client has begun";
        }

        if (verdict.State == GateState.Open)
        {
            return "both tests clear";
        }

        var skin = verdict.Tests.Skin.FirstOrDefault(s => s.Stage != SkinStage.Clear);
        return skin?.Stage switch
        {
            SkinStage.NotYet => "no skin test yet",
            SkinStage.Watching => $"skin test on since {studio.Local(skin.On!.At):ddd HH:mm}",
            SkinStage.ToReport => "skin test waits for word",
            SkinStage.Expired => "the skin test is too old now",
            SkinStage.Reacted => "the skin test reacted",
            SkinStage.Withdrawn => "reported a skin reaction, then withdrew it: call",
            _ => verdict.Tests.Strand is { Result: { } strand }
                ? $"strand test came out {Words.Spaced(Words.Name(strand))}{(verdict.Has(LockKind.Colourist) ? ", waits for you" : "")}"
                : "skin test clear, strand test to come",
        };
    }

    /// <summary>What a client said of the box.</summary>
    public static string Of(KitNoteKind kind) =>
        kind switch
        {
            KitNoteKind.BoxLate => "The box has not arrived.",
            KitNoteKind.PartMissing => "Something is missing or damaged.",
            KitNoteKind.NewDay => "The colour day has passed; a new day is wanted.",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "There are no words for this."),
        };

    /// <summary>A day, as seen from today.</summary>
    public string When(DateOnly day) =>
        (day.DayNumber - today.DayNumber) switch
        {
            0 => "today",
            1 => "tomorrow",
            -1 => "yesterday",
            < 0 => $"{today.DayNumber - day.DayNumber} days ago",
            var days and < 7 => $"on {day:dddd}, in {days} days",
            _ => $"on {day:ddd d MMM}",
        };
}
