namespace Kitto.Core.Outcome;

/// <summary>How the white hair came out.</summary>
public enum Coverage
{
    /// <summary>All covered.</summary>
    Full,

    /// <summary>Patches.</summary>
    Patchy,

    /// <summary>White shows through.</summary>
    GreyShows,
}

/// <summary>How deep it came out.</summary>
public enum Depth
{
    /// <summary>As wished.</summary>
    Right,

    /// <summary>Too light.</summary>
    TooLight,

    /// <summary>Too dark.</summary>
    TooDark,
}

/// <summary>How warm it came out.</summary>
public enum ToneOutcome
{
    /// <summary>As wished.</summary>
    Right,

    /// <summary>Too warm.</summary>
    TooWarm,

    /// <summary>Too cool.</summary>
    TooCool,

    /// <summary>Green or muddy.</summary>
    Green,
}

/// <summary>What the client reported of the result.</summary>
/// <param name="Coverage">White hair.</param>
/// <param name="Depth">Depth.</param>
/// <param name="Tone">Tone.</param>
public sealed record Result(Coverage Coverage, Depth Depth, ToneOutcome Tone)
{
    /// <summary>Whether nothing is to be changed.</summary>
    public bool AllRight => this is { Coverage: Coverage.Full, Depth: Depth.Right, Tone: ToneOutcome.Right };
}

/// <summary>The kit before this one.</summary>
/// <param name="DaysAgo">Days since it was applied, 0 to 3650.</param>
/// <param name="Formula">What it was, if known.</param>
/// <param name="Result">How it came out, if reported.</param>
public sealed record LastTime(int? DaysAgo, GivenFormula? Formula, Result? Result);
