namespace Kitto.Core;

/// <summary>A reason somebody writes for the record: why a kit is called off, a part sent once more, a lot recalled.</summary>
public static class WrittenReason
{
    /// <summary>Fewest and most characters, blanks at the ends left out.</summary>
    public const int Least = 3,
        Most = 300;

    /// <summary>How long one may be, in words.</summary>
    public static string Range { get; } = $"{Least} to {Most} characters";

    /// <summary>Whether this is one.</summary>
    public static bool Is(string text) => text.Trim().Length is >= Least and <= Most;
}
