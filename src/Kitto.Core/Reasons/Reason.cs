namespace Kitto.Core.Reasons;

/// <summary>Something to be said: which sentence it is, and the facts in it. No words: a <see cref="Wording.Language"/> has those.</summary>
public abstract record Saying;

/// <summary>The reason for one decision: its rule, the decision it belongs to, and in each kind of its own the facts with their units. Words are put to it once, when the answer is written.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="About">Which decision it belongs to.</param>
public abstract record Reason(string Rule, Topic About) : Saying;
