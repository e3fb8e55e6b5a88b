using Kitto.Core.Contract;
using Kitto.Core.Reasons;
using Kitto.Core.Shade;

namespace Kitto.Core.Learning;

/// <summary>What a head asks of who learns, easy first.</summary>
public enum StudyKind
{
    /// <summary>Own level, hardly any white.</summary>
    OwnLevel,

    /// <summary>White hair, up to half.</summary>
    White,

    /// <summary>Stubborn white at the temples.</summary>
    Resistant,

    /// <summary>A faded or brassy band between regrowth and lengths.</summary>
    Band,

    /// <summary>Lightened lengths, to be left alone or toned.</summary>
    Lightened,

    /// <summary>One to two levels of lift.</summary>
    Lift,

    /// <summary>A client who always runs out.</summary>
    RunsOut,

    /// <summary>What only the salon should do.</summary>
    Salon,

    /// <summary>A stop hidden in the answers.</summary>
    Stop,

    /// <summary>A head of the studio's own past, without its name.</summary>
    Past,
}

/// <summary>A head to learn on, with what the house would do.</summary>
/// <param name="Seed">What it was drawn from.</param>
/// <param name="Kind">What it asks.</param>
/// <param name="Document">The whole case, as a case/1 document.</param>
/// <param name="Case">The case.</param>
/// <param name="Best">What the engine prescribes for it.</param>
public sealed record StudyHead(long Seed, StudyKind Kind, string Document, Case Case, Prescription Best)
{
    /// <summary>What a colourist would be told and feel, in the order of a sitting.</summary>
    public IReadOnlyList<StudySays> Tells => StudyTells.Of(Case, Seed);

    /// <summary>A head as it was when it was signed, whatever has become of the shelf since.</summary>
    /// <param name="seed">For the words it is told in.</param>
    /// <param name="kind">What it asks.</param>
    /// <param name="document">A case/1 document.</param>
    /// <param name="best">What the house did, as a prescription/1 document.</param>
    /// <exception cref="FormatException">It is no case document of ours.</exception>
    public static StudyHead Kept(long seed, StudyKind kind, string document, string best) =>
        new(seed, kind, document, CaseReader.Kept(document), Json.ReadPrescription(best));

    /// <summary>A head from a case document, such as one of the past.</summary>
    /// <param name="seed">For the words it is told in.</param>
    /// <param name="kind">What it asks.</param>
    /// <param name="document">A case/1 document.</param>
    /// <param name="shelf">What is there to mix from.</param>
    /// <returns>Null where the shelf has not what it takes.</returns>
    public static StudyHead? Read(long seed, StudyKind kind, string document, Shelf shelf)
    {
        if (CaseReader.Read(document, shelf).Case is not { } found)
        {
            return null;
        }

        try
        {
            return new StudyHead(seed, kind, document, found, Prescriber.Reckon(found, shelf));
        }
        catch (InvalidOperationException)
        {
            // The shelf has no line for it any more.
            return null;
        }
    }
}
