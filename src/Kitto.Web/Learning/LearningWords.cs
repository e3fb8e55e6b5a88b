using Kitto.Core;
using Kitto.Core.Learning;
using Kitto.Core.Reasons;
using Kitto.Core.Rules;

namespace Kitto.Web.Learning;

/// <summary>The words of the study's pages.</summary>
public static class LearningWords
{
    /// <summary>Said where no head can be drawn.</summary>
    public const string NoHead = "No head can be drawn: the shelf lacks a line that such a head takes, or everything of it is out.";

    /// <summary>A kind of head.</summary>
    public static string Of(StudyKind kind) =>
        kind switch
        {
            StudyKind.OwnLevel => "own level, hardly any white",
            StudyKind.White => "white, up to sixty in a hundred",
            StudyKind.Resistant => "stubborn white at the temples",
            StudyKind.Band => "a faded band",
            StudyKind.Lightened => "lightened lengths",
            StudyKind.Lift => "a lift of two levels",
            StudyKind.RunsOut => "a client who always runs out",
            StudyKind.Salon => "what only the salon should do",
            StudyKind.Stop => "a stop hidden in the answers",
            StudyKind.Past => "a head of this studio's past",
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };

    /// <summary>A drill, and what it asks.</summary>
    public static (string Name, string Asks) Of(DrillKind kind) =>
        kind switch
        {
            DrillKind.Level => ("Level by eye", "a lock, one of ten levels"),
            DrillKind.Developer => ("Developer by head", "a head in a sentence"),
            DrillKind.Opposites => ("Opposites", "what takes the warmth away"),
            DrillKind.Grams => ("Grams by regrowth", "how much is sent"),
            DrillKind.Order => ("Order by white", "where the brush begins"),
            DrillKind.PlanBack => ("Back from a date", "the day the box leaves"),
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };

    /// <summary>A part of the sheet.</summary>
    public static string Of(SheetPart part) =>
        part switch
        {
            SheetPart.Wish => "The wish",
            SheetPart.Answers => "The client says",
            SheetPart.Before => "The record",
            SheetPart.Touch => "To the fingers",
            _ => throw new ArgumentOutOfRangeException(nameof(part)),
        };

    /// <summary>A choice.</summary>
    public static string Of(TrialChoice choice) => choice == TrialChoice.Time ? "time after the last stroke" : choice.ToString().ToLowerInvariant();

    /// <summary>How grave, in a word.</summary>
    public static string Of(Gravity gravity) =>
        gravity switch
        {
            Gravity.Harm => "harm",
            Gravity.Wrong => "to put right",
            _ => "waste",
        };

    /// <summary>The verdict in two words.</summary>
    public static string Heading(TrialVerdict verdict) =>
        verdict.Findings.Any(f => f.Gravity == Gravity.Harm) ? "Somebody could be hurt"
        : !verdict.Safe ? "It would have to be put right"
        : verdict.Findings.Count > 0 ? "Safe, with something thrown away"
        : "Safe";

    /// <summary>What a rule says, short enough for a list.</summary>
    public static string Rule(string id)
    {
        string says = RuleBook.Find(id)?.Says ?? id;
        int end = says.IndexOfAny(['.', ':', ';'], Math.Min(40, says.Length - 1));
        return end > 0 ? says[..end] : says;
    }
}
