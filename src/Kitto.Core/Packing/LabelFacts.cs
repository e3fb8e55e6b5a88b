namespace Kitto.Core.Packing;

/// <summary>What a label says of one sachet or bottle.</summary>
/// <param name="Client">Whose it is.</param>
/// <param name="Kit">Number of the kit.</param>
/// <param name="Studio">Who answers for it.</param>
/// <param name="Phone">The studio's telephone; empty where none is known.</param>
/// <param name="Vessel">What it is.</param>
/// <param name="Grams">What is in it.</param>
/// <param name="Holds">Shades or strengths in it.</param>
/// <param name="Line">Name of the line.</param>
/// <param name="Lots">Lots it was filled from; none where they are not known.</param>
/// <param name="FilledOn">When it was filled.</param>
/// <param name="UseBy">The last day it may be used.</param>
public sealed record LabelFacts(
    string Client,
    int Kit,
    string Studio,
    string Phone,
    Vessel Vessel,
    Grams Grams,
    IReadOnlyList<string> Holds,
    string Line,
    IReadOnlyList<string> Lots,
    DateOnly FilledOn,
    DateOnly UseBy
);
