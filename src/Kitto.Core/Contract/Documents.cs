using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>How an answer came about.</summary>
public enum AnswerKind
{
    /// <summary>A prescription.</summary>
    Prescription,

    /// <summary>The input is wrong; the document says where.</summary>
    BadInput,

    /// <summary>The engine failed on it: a fault of ours, said and not hidden.</summary>
    Failed,
}

/// <summary>Documents in, documents out: what the console does with a text.</summary>
public static class Documents
{
    /// <summary>The answer to one case/1 document.</summary>
    /// <param name="text">The document.</param>
    /// <param name="shelf">What there is to mix from.</param>
    /// <param name="indented">Laid out for people; else on one line.</param>
    public static (AnswerKind Kind, string Document) Answer(string text, Shelf shelf, bool indented)
    {
        try
        {
            var (found, errors) = CaseReader.Read(text, shelf);
            return found is null
                ? (AnswerKind.BadInput, Json.WriteErrors(errors, indented))
                : (AnswerKind.Prescription, Json.Write(Prescriber.Prescribe(found, shelf), indented));
        }
        catch (Exception fault) when (fault is not (OutOfMemoryException or StackOverflowException))
        {
            return (
                AnswerKind.Failed,
                Json.WriteErrors(
                    [
                        new FieldError(
                            "$",
                            $"could not be reckoned: {fault.GetType().Name} in {fault.TargetSite?.DeclaringType?.Name}. This is a fault of Kitto's, not of the case",
                            "none"
                        ),
                    ],
                    indented
                )
            );
        }
    }
}
