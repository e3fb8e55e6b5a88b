using Kitto.Core.Head;
using Kitto.Core.Reasons;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>Something put on the hair, as it is remembered.</summary>
/// <param name="When">When.</param>
/// <param name="What">What.</param>
public sealed record Remembered(RoughDate When, Treatment What);

/// <summary>Where a client's answers stand.</summary>
public enum AnswersStand
{
    /// <summary>Never asked.</summary>
    Never,

    /// <summary>Given before the last kit was signed, or too long ago: to be confirmed.</summary>
    ToConfirm,

    /// <summary>Given or confirmed for the kit that comes now.</summary>
    Current,
}

/// <summary>What the stops, holds and cautions need to know, answered once and confirmed before each kit. Every question has an answer; nothing is taken as "no" unsaid.</summary>
/// <param name="BirthDate">Day of birth (SA2).</param>
/// <param name="Reactions">Any reaction to hair colour, ever (SA1).</param>
/// <param name="BlackHenna">A "black henna" tattoo, or a reaction to one, ever (SA1).</param>
/// <param name="Pregnant">Pregnant (SA20).</param>
/// <param name="Scalp">The scalp today (SA3, SA21).</param>
/// <param name="Conditions">Names of <see cref="Safety.Conditions"/> that hold.</param>
/// <param name="NewMedicine">A new medicine since the last kit (SA5, SA21).</param>
/// <param name="PutOn">What was put on the hair, as remembered; empty: nothing ever.</param>
/// <param name="Other">Anything else, in her words; the colourist decides (SA21).</param>
public sealed record Consultation(
    DateOnly BirthDate,
    bool Reactions,
    bool BlackHenna,
    bool Pregnant,
    Scalp Scalp,
    IReadOnlyList<string> Conditions,
    bool NewMedicine,
    IReadOnlyList<Remembered> PutOn,
    string Other
)
{
    /// <summary>Version of the document.</summary>
    public const string Version = "consultation/1";

    /// <summary>Whether being pregnant or breastfeeding is a question for this client at all; false: it was answered that it does not apply.</summary>
    public bool PregnancyApplies { get; init; } = true;

    /// <summary>Longest free answer, characters.</summary>
    public const int LongestOther = 300;

    /// <summary>Where answers stand.</summary>
    /// <param name="answered">When they were last given or confirmed; null: never.</param>
    /// <param name="lastSigned">When the last kit was signed; null: none was.</param>
    /// <param name="now">Now, all three on the same clock.</param>
    public static AnswersStand Stand(DateTime? answered, DateTime? lastSigned, DateTime now) =>
        answered is not { } at ? AnswersStand.Never
        : at <= lastSigned || now - at > TimeSpan.FromDays(Values.AnswersFreshDays) ? AnswersStand.ToConfirm
        : AnswersStand.Current;

    /// <summary>These answers, and what earlier ones told that they leave out: what was put on the hair and can stop a kit is not forgotten because it is not said again.</summary>
    /// <param name="earlier">Earlier answers that were not corrected.</param>
    /// <param name="born">The youngest day of birth that was ever given; null: these.</param>
    public Consultation With(IEnumerable<Consultation> earlier, DateOnly? born) =>
        this with
        {
            BirthDate = born > BirthDate ? born.Value : BirthDate,
            PutOn =
            [
                .. PutOn,
                .. earlier
                    .SelectMany(e => e.PutOn)
                    .Where(p => p.What is Treatment.Henna or Treatment.Metallic or Treatment.Straightened && !PutOn.Contains(p))
                    .Distinct(),
            ],
        };

    /// <summary>Whether something is new that asks for a new skin test (SA5).</summary>
    public bool AsksForNewSkinTest => NewMedicine || Conditions.Any(c => Safety.Conditions.Rule(c) == "SA5");

    /// <summary>The timeline of her hair seen from a day.</summary>
    public IReadOnlyList<PutOn> Timeline(DateOnly today) => [.. PutOn.Select(p => new PutOn(p.What, p.When.FewestDays(today)))];

    /// <summary>What was answered otherwise than before, question by question.</summary>
    public IEnumerable<(Question Question, string Before, string Now)> Changes(Consultation before) =>
        from q in Question.All
        let was = q.Says(before)
        let now = q.Says(this)
        where was != now
        select (q, was, now);

    /// <summary>The stops in these answers alone, whatever the head is like; hair is taken to be as long as read, or so long that nothing has been cut off.</summary>
    /// <param name="today">The day.</param>
    /// <param name="lengthCm">Length of the hair; null where it has not been read.</param>
    public IEnumerable<Reason> Stops(DateOnly today, double? lengthCm)
    {
        var timeline = Timeline(today);
        double length = lengthCm ?? 120;
        var hair = new Hair(
            Texture.Medium,
            Density.Medium,
            Porosity.Normal,
            Level.Of(5),
            length,
            new Lengths(Level.Of(5), Shade.Tone.Neutral, Head.Timeline.Left(timeline, length), false) { Timeline = timeline },
            null
        );
        var client = new ClientFacts(AgeOn(today), true, Reactions, BlackHenna, Pregnant, Scalp, Conditions, NewMedicine, null, null, null);
        return Safety.Stops.Of(new Reading(client, hair, [], new Quantity.Hands(Quantity.Who.Alone, false, []), null));
    }

    /// <summary>Her whole years on a day, by what she answered.</summary>
    public int AgeOn(DateOnly day) => Age(BirthDate, day);

    /// <summary>Whole years on a day of someone born on another.</summary>
    public static int Age(DateOnly born, DateOnly day) => day.Year - born.Year - (day < born.AddYears(day.Year - born.Year) ? 1 : 0);
}
