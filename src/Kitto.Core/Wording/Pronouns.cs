namespace Kitto.Core.Wording;

/// <summary>How a client is spoken of: by the word that was chosen, or by the name alone. Nobody is taken for anything unasked.</summary>
/// <param name="Subject">Who does, as in "they come".</param>
/// <param name="Object">Whom, as in "call them".</param>
/// <param name="Possessive">Whose, as in "their kit".</param>
/// <param name="Many">Whether the verb stands as with many: they have.</param>
public sealed record Pronouns(string Subject, string Object, string Possessive, bool Many = false)
{
    /// <summary>The words that can be chosen; the first is what stands where none was.</summary>
    public static IReadOnlyList<string> Choices { get; } = ["name", "she", "he", "they"];

    /// <summary>How someone is spoken of in English.</summary>
    /// <param name="word">One of <see cref="Choices"/>; any other is read as name.</param>
    /// <param name="name">The name; of a full one its first word.</param>
    public static Pronouns Of(string word, string name)
    {
        string first = name.Split(' ')[0];
        return word switch
        {
            "she" => new("she", "her", "her"),
            "he" => new("he", "him", "his"),
            "they" => new("they", "them", "their", Many: true),
            _ => new(first, first, first + "'s"),
        };
    }

    /// <summary>The verb as it goes with the subject.</summary>
    /// <param name="one">As with one: has.</param>
    /// <param name="many">As with many: have.</param>
    public string Verb(string one, string many) => Many ? many : one;
}
