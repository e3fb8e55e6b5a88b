namespace Kitto.Core.Reasons;

/// <summary>What is held against what was reckoned.</summary>
internal enum TruthAbout
{
    RanOut,
    Used,
    InBand,
    CameRight,
    NearRight,
    Painting,
    Contact,
    Growth,
}

/// <summary>How it came.</summary>
internal enum Finding
{
    TooFew,
    AsReckoned,
    More,
    Less,
}

/// <summary>What a line of the ledger's truth is called.</summary>
internal sealed record TruthName(TruthAbout About) : Saying;

/// <summary>What to change.</summary>
internal sealed record TruthSays(TruthAbout About, Finding Finding, int Count, int Fewest) : Saying;
