using System.Globalization;
using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>One fact of a case/1 document.</summary>
/// <param name="Path">Where it stands; * for any zone, [] for any entry of a list.</param>
public abstract record CaseField(string Path)
{
    /// <summary>Its name in its object.</summary>
    public string Name { get; } = Path[(Path.LastIndexOf('.') + 1)..];

    /// <summary>What it may be, as a complaint says it.</summary>
    public abstract string Range { get; }

    /// <summary>Whether the object it stands in cannot be without it.</summary>
    public bool Needed { get; init; }

    /// <summary>What the schema says of it beside type and range; empty where those say all.</summary>
    public string Note { get; init; } = "";

    /// <summary>Whether a colourist types it: it has a field on the form.</summary>
    public bool Typed { get; init; }
}

/// <summary>A number.</summary>
/// <param name="Path">Where it stands.</param>
/// <param name="Least">Least value.</param>
/// <param name="Most">Greatest value.</param>
/// <param name="Unit">Its unit; empty for a bare number.</param>
/// <param name="Step">1 for whole numbers, 0.5 where halves are allowed, 0 for any.</param>
/// <param name="Default">What a missing one counts as; null: nothing does.</param>
public sealed record NumberField(string Path, double Least, double Most, string Unit = "", double Step = 0, double? Default = null) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range { get; } = string.Create(CultureInfo.InvariantCulture, $"{Least} to {Most}{(Step == 0.5 ? ", halves allowed" : "")}");

    /// <summary>A number moved into the range.</summary>
    public double Clamp(double value) => Math.Clamp(value, Least, Most);
}

/// <summary>Yes or no.</summary>
/// <param name="Path">Where it stands.</param>
/// <param name="Default">What a missing one counts as; null: what stands elsewhere.</param>
public sealed record FlagField(string Path, bool? Default = false) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range => "true, false";
}

/// <summary>One of some names.</summary>
/// <param name="Path">Where it stands.</param>
/// <param name="Names">The names.</param>
/// <param name="Default">What a missing one counts as; null: nothing does.</param>
public record ChoiceField(string Path, IReadOnlyList<string> Names, string? Default = null) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range { get; } = string.Join(", ", Names);
}

/// <summary>One of the names of an enumeration.</summary>
/// <typeparam name="T">The enumeration.</typeparam>
/// <param name="Path">Where it stands.</param>
/// <param name="Usual">What a missing one counts as; null: nothing does.</param>
public sealed record ChoiceField<T>(string Path, T? Usual = null)
    : ChoiceField(Path, [.. Enum.GetValues<T>().Select(Json.Name)], Usual is { } usual ? Json.Name(usual) : null)
    where T : struct, Enum
{
    /// <summary>The values by their names.</summary>
    public IReadOnlyDictionary<string, T> Values { get; } = Enum.GetValues<T>().ToDictionary(Json.Name);
}

/// <summary>Words.</summary>
/// <param name="Path">Where they stand.</param>
/// <param name="Longest">Most characters.</param>
public sealed record TextField(string Path, int Longest = 80) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range { get; } = $"1 to {Longest} characters that can be printed";
}

/// <summary>A tone: a family, or a pair of them.</summary>
/// <param name="Path">Where it stands.</param>
/// <param name="Default">What a missing one counts as; null: what stands elsewhere.</param>
public sealed record ToneField(string Path, string? Default = null) : CaseField(Path)
{
    /// <summary>The families by name.</summary>
    public static IReadOnlyList<string> Families { get; } = Enum.GetNames<Family>();

    /// <inheritdoc/>
    public override string Range { get; } = $"{string.Join(", ", Families)}, or a pair of them such as GC";
}

/// <summary>A day.</summary>
/// <param name="Path">Where it stands.</param>
public sealed record DateField(string Path) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range => "a date as year-month-day";
}

/// <summary>A colour as [L*, a*, b*] under D65.</summary>
/// <param name="Path">Where it stands.</param>
public sealed record ColourField(string Path) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range => "three numbers: L* 0 to 100, a* and b* -128 to 128";
}

/// <summary>A list.</summary>
/// <param name="Path">Where it stands.</param>
/// <param name="Most">Most entries.</param>
public sealed record ListField(string Path, int Most) : CaseField(Path)
{
    /// <inheritdoc/>
    public override string Range { get; } = $"a list of at most {Most}";
}
