using System.Text.Json.Serialization;

namespace Kitto.Core;

/// <summary>Which decision a reason belongs to, in the order in which reasons are read.</summary>
public enum Topic
{
    /// <summary>No colour, whatever else.</summary>
    Stop,

    /// <summary>Only in the salon.</summary>
    Salon,

    /// <summary>Decided for this client, other than the house has it.</summary>
    Hers,

    /// <summary>To be looked at before anything else.</summary>
    Attention,

    /// <summary>The strength.</summary>
    Developer,

    /// <summary>The mix of the roots.</summary>
    Shade,

    /// <summary>What lengths and band get.</summary>
    Lengths,

    /// <summary>Order and times.</summary>
    Clock,

    /// <summary>How much.</summary>
    Quantity,

    /// <summary>Skin and strand test.</summary>
    Tests,

    /// <summary>The service.</summary>
    Service,

    /// <summary>The days.</summary>
    Plan,

    /// <summary>Weighing.</summary>
    Bench,

    /// <summary>How it looks later.</summary>
    Colour,

    /// <summary>Said aloud and acknowledged.</summary>
    Caution,

    /// <summary>What is to happen at all; compared, never a reason.</summary>
    Decision,

    /// <summary>What was wished; compared, never a reason.</summary>
    Wish,

    /// <summary>What was read off the head; compared, never a reason.</summary>
    Head,
}

/// <summary>The reason for one decision.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="Says">The sentence, fit to be told to a client, with its numbers.</param>
/// <param name="About">Which decision it belongs to.</param>
/// <param name="Numbers">The numbers it was reckoned from; null where the sentence holds them all.</param>
public sealed record Because(
    string Rule,
    string Says,
    Topic About,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<Used>? Numbers = null
);

/// <summary>A number that a reason was reckoned from.</summary>
/// <param name="Name">What it is, in the trade's words.</param>
/// <param name="Value">The number.</param>
/// <param name="Unit">Its unit; empty for a bare number.</param>
public sealed record Used(string Name, double Value, string Unit);
