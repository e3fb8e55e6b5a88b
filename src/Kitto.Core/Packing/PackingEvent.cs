namespace Kitto.Core.Packing;

/// <summary>What happens at the bench.</summary>
public enum PackingKind
{
    /// <summary>So much was poured into a vessel.</summary>
    Poured,

    /// <summary>Too much was poured, and the other parts are raised to keep the proportions (BE3).</summary>
    Raised,

    /// <summary>Too much or too little was poured, and it is taken as it is.</summary>
    Taken,

    /// <summary>Less is packed: a tube ended.</summary>
    Smaller,

    /// <summary>The last thing told of a vessel was told wrongly, and nothing of it happened.</summary>
    Undone,

    /// <summary>The last pour was of another part than was told.</summary>
    Moved,

    /// <summary>What was in the vessel is lost; it is begun again.</summary>
    Dropped,

    /// <summary>Closed, with its label on.</summary>
    Labelled,

    /// <summary>Not weighed or not labelled here, for a reason.</summary>
    Excused,

    /// <summary>A colourist has looked at what differs from the prescription and says yes to it.</summary>
    Agreed,
}

/// <summary>A line of the bench's record: only ever added to.</summary>
/// <param name="Id">Named by whoever tells it, so that telling it twice is telling it once.</param>
/// <param name="Kind">What happened.</param>
/// <param name="Vessel">Key of the vessel; empty for a yes.</param>
/// <param name="Item">The part; empty where the whole vessel is meant.</param>
/// <param name="Grams">Grams poured, 0.01 to 5 000.</param>
/// <param name="Tube">The tube or bottle it came from; null: of a blend, or not known.</param>
/// <param name="Typed">Whether the number was typed, not read off a scale.</param>
/// <param name="Of">The line it undoes or moves.</param>
/// <param name="Factor">The factor of what is prescribed that a smaller filling has, 0 to 1.</param>
/// <param name="Says">Why.</param>
/// <param name="By">Who.</param>
/// <param name="At">When, UTC.</param>
public sealed record PackingEvent(
    Guid Id,
    PackingKind Kind,
    string Vessel,
    string Item = "",
    decimal Grams = 0,
    Guid? Tube = null,
    bool Typed = false,
    Guid? Of = null,
    double Factor = 1,
    string Says = "",
    string By = "",
    DateTime At = default
);
