namespace Kitto.Core.Wording;

/// <summary>Words made into sentences.</summary>
public static class Sentences
{
    /// <summary>The same words with a capital letter in front.</summary>
    public static string Begin(string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];
}
