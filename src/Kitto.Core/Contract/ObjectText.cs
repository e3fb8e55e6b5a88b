namespace Kitto.Core.Contract;

/// <summary>What a text of a document may hold.</summary>
public static class ObjectText
{
    /// <summary>Whether a character can neither be printed nor breaks a line: no text of ours holds one.</summary>
    public static bool IsControl(char c) => char.IsControl(c) && c is not ('\n' or '\r' or '\t');
}
