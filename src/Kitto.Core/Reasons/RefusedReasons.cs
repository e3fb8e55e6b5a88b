namespace Kitto.Core.Reasons;

/// <summary>Why something said of a kit was not taken down.</summary>
internal enum RefusedFor
{
    NoSuchTest,
    TestStarted,
    NotPostedYet,
    KitIsOver,
    BeforeItWasThere,
    InTheFuture,
    ReactionStands,
    ReportedAlready,
    HoursNotOver,
    SkinComesFirst,
    StrandTooShort,
    NoStrand,
    KitIsStopped,
    NothingToCorrect,
    ReasonMissing,
    DoubtComesFirst,
    AnotherConfirms,
    TooLateForMistake,
    ColouristAcceptsTest,
}

/// <summary>What a client says who takes a reaction back.</summary>
internal sealed record TakenBack() : Saying;

/// <summary>Why something said of a kit was not taken down.</summary>
internal sealed record NotTaken(RefusedFor For) : Saying;
