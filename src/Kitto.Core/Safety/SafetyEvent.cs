using System.Security.Cryptography;
using System.Text;
using Kitto.Core.Head;
using Kitto.Core.Reasons;

namespace Kitto.Core.Safety;

/// <summary>What can be said that matters for safety.</summary>
public enum SafetyKind
{
    /// <summary>Something burned, itched, swelled or went red: SA1 from then on.</summary>
    Reaction,

    /// <summary>A skin test was put on.</summary>
    SkinOn,

    /// <summary>A skin test was found clear.</summary>
    SkinClear,

    /// <summary>A strand test was looked at.</summary>
    Strand,

    /// <summary>After a strand test that was not right, or a skin test that was reported as a reaction by mistake, the colourist has spoken to the client and lets it go on.</summary>
    Released,

    /// <summary>A stop was found in an answer, a reading or a date of birth.</summary>
    Stop,

    /// <summary>Something was answered that asks for a new skin test (SA5).</summary>
    News,

    /// <summary>First step of a correction: the colourist says why an earlier event was a mistake. Nothing follows from it yet.</summary>
    Doubted,

    /// <summary>Second step: the event that was doubted counts no longer. It stays in the record.</summary>
    Corrected,
}

/// <summary>One thing that matters for safety, as it was said. It is never changed and never taken out.</summary>
/// <param name="Id">Made by whoever said it, so that the same word sent twice is one.</param>
/// <param name="Kind">What sort.</param>
/// <param name="Kit">The kit it is about; null where it is about the person.</param>
/// <param name="At">When it happened, UTC, by the client's word.</param>
/// <param name="SaidAt">When it was taken down, UTC.</param>
/// <param name="By">Who said it: client, or the name of a person of the studio.</param>
/// <param name="Says">In words.</param>
public sealed record SafetyEvent(Guid Id, SafetyKind Kind, Guid? Kit, DateTime At, DateTime SaidAt, string By, string Says = "")
{
    /// <summary>Id of the line a test was done with; null: of none.</summary>
    public string? Line { get; init; }

    /// <summary>How a strand came out.</summary>
    public StrandResult? Result { get; init; }

    /// <summary>When the strand was looked at, or the time that was agreed, minutes, 1 to 120.</summary>
    public double? Minutes { get; init; }

    /// <summary>The rule of a stop, such as SA3.</summary>
    public string? Rule { get; init; }

    /// <summary>The event this one answers: the skin test a result is of, what is doubted or corrected.</summary>
    public Guid? Of { get; init; }

    /// <summary>Where a stop was found: answers:12, reading:3, born:2011-05-01.</summary>
    public string? Source { get; init; }

    /// <summary>What is said, whoever says it and when: two events of one id that say the same are one, sent twice.</summary>
    public string Word => WordOf(Kind, Of, Line, Result, Says);

    /// <summary>The word of an event.</summary>
    /// <param name="kind">What sort.</param>
    /// <param name="of">The event it answers.</param>
    /// <param name="line">Id of the line it is about; the event it answers says as much.</param>
    /// <param name="result">How a strand came out.</param>
    /// <param name="says">In words.</param>
    public static string WordOf(SafetyKind kind, Guid? of = null, string? line = null, StrandResult? result = null, string says = "") =>
        $"{kind}|{of?.ToString("N") ?? line}|{result}|{says}";

    /// <summary>The id for a word whose own id something else was said under already; the same every time, so that sent again it is still one.</summary>
    public static Guid IdBeside(Guid id, string word) => new(SHA256.HashData(Encoding.UTF8.GetBytes($"{id:N}|{word}")).AsSpan(0, 16));

    /// <summary>Whether it is an allergy: never by kit from then on (SA1).</summary>
    public bool ForGood => Kind == SafetyKind.Reaction || this is { Kind: SafetyKind.Stop, Rule: "SA1" };

    /// <summary>Whether every kit that is out stops with it.</summary>
    public bool Stops => Kind is SafetyKind.Reaction or SafetyKind.Stop;

    /// <summary>The rule and the sentence of a stop.</summary>
    public Reason Why => Kind == SafetyKind.Reaction ? new ReactionReported(Says) : new StopOnRecord(Rule ?? "SA1", Says);
}

/// <summary>Everything of one client that matters for safety, in the order it was taken down.</summary>
/// <param name="Events">The events.</param>
/// <param name="Born">Days of birth that were ever given for the client and are not corrected: the youngest counts.</param>
public sealed record SafetyRecord(IReadOnlyList<SafetyEvent> Events, IReadOnlyList<DateOnly> Born)
{
    /// <summary>Nothing was ever said.</summary>
    public static SafetyRecord Empty { get; } = new([], []);

    /// <summary>The record as it stood at a moment.</summary>
    public SafetyRecord AsOf(DateTime moment) => this with { Events = [.. Events.Where(e => e.SaidAt <= moment)] };

    /// <summary>Whether just this was said under this id before. Something else under the same id is another word.</summary>
    /// <param name="id">The id it comes with.</param>
    /// <param name="word">What is said (<see cref="SafetyEvent.WordOf"/>).</param>
    public bool Heard(Guid id, string word) => Events.Any(e => (e.Id == id || e.Id == SafetyEvent.IdBeside(id, word)) && e.Word == word);

    /// <summary>Whether an event was corrected: doubted first, corrected after, both with a reason.</summary>
    public bool IsCorrected(Guid id) => Events.Any(e => e.Kind == SafetyKind.Corrected && e.Of == id);

    /// <summary>The doubt that stands against an event and was not yet followed by its correction; null where none does.</summary>
    public SafetyEvent? Doubt(Guid id) => IsCorrected(id) ? null : Events.LastOrDefault(e => e.Kind == SafetyKind.Doubted && e.Of == id);

    /// <summary>True when a skin test was reported as a reaction and the report withdrawn, and the colourist has not accepted the test since.</summary>
    /// <param name="test">The event of putting the test on.</param>
    public bool IsWithdrawn(Guid test) =>
        Events.LastOrDefault(e => e.Kind == SafetyKind.Reaction && e.Of == test) is { } reaction
        && !Events.Any(e => e.Kind == SafetyKind.Released && e.Of == test && e.SaidAt >= reaction.SaidAt);

    /// <summary>Stops that count, oldest first.</summary>
    public IEnumerable<SafetyEvent> Stops => Events.Where(e => e.Stops && !IsCorrected(e.Id));

    /// <summary>The allergy that was reported; null where none was, or it was corrected (SA1).</summary>
    public SafetyEvent? Allergy => Stops.FirstOrDefault(e => e.ForGood);

    /// <summary>Since when skin tests count, because something new was answered then; null where nothing ever was (SA5).</summary>
    public DateTime? TestsCountFrom => Events.LastOrDefault(e => e.Kind == SafetyKind.News)?.SaidAt;

    /// <summary>Answers whose stop was corrected: nothing in them counts any longer.</summary>
    public bool IsStruck(string source) => Events.Any(e => e.Source == source && IsCorrected(e.Id));

    /// <summary>The youngest day of birth that counts; null where none was given.</summary>
    public DateOnly? Youngest => Born.Count == 0 ? null : Born.Max();
}
