namespace Kitto.Core.Reasons;

/// <summary>Why something told at the bench was not taken down.</summary>
internal enum PackingRefusal
{
    NoSuchVessel,
    NoSuchPart,
    DecideFirst,
    IsClosed,
    BlendComesFirst,
    NothingToDecide,
    FactorOutOfRange,
    TooMuchIsIn,
    NotTheLast,
    WhatIsLostIsLost,
    NothingIsIn,
    NotFilled,
    ReasonMissing,
}

/// <summary>Why something told at the bench was not taken down.</summary>
internal sealed record PackingRefused(PackingRefusal Refusal) : Saying;

/// <summary>A pour that no vessel takes.</summary>
internal sealed record GramsOutOfRange(double Told, double Most) : Saying;

/// <summary>What was really weighed, where it differs from the prescription.</summary>
internal abstract record PackingReason(string Rule) : Reason(Rule, Topic.Bench);

/// <summary>More or less developer to the colour than prescribed, in one pair.</summary>
internal sealed record RatioIsOff(string Pair, double Prescribed, double Poured) : PackingReason("DV9");

/// <summary>What was poured would look another way than what was prescribed.</summary>
internal sealed record LooksOther(FormulaUse Use, double DeltaE) : PackingReason("BE3");

/// <summary>Less or more goes into the box than was prescribed.</summary>
internal sealed record SentOther(Grams Prescribed, Grams Sent, Share RunsOut) : PackingReason("BE2");

/// <summary>Not weighed at the bench, for a reason.</summary>
internal sealed record NotWeighed(string What, string Said) : PackingReason("BE1");

/// <summary>A shade or a strength of which the shelf has less than this kit takes.</summary>
internal sealed record EndsOnShelf(string Item, string Line, Grams Takes, Grams There) : PackingReason("BE9");

/// <summary>A way out that wants more than is at hand.</summary>
internal sealed record NotEnoughAtHand(string Item, Grams Wants, Grams There) : Saying;

/// <summary>A way out that would make more mix than the client's bowl or bottle takes (DO12).</summary>
internal sealed record TooMuchForPair(Grams Mix, Grams Most) : Saying;
