namespace Kitto.Store;

/// <summary>
/// The studio the work at hand is for, and who does it. Both go with the flow of the work, and every connection is told of them; the database shows
/// and takes the rows of that studio only, and writes who changed them. Where none was entered, nothing is seen and nothing can be written.
/// </summary>
public static class CurrentStudio
{
    /// <summary>The number of the first studio of an installation.</summary>
    public const int First = 1;

    private static readonly AsyncLocal<At> Entered = new();

    /// <summary>Its number; 0: none was entered.</summary>
    public static int Id => Entered.Value.Studio;

    /// <summary>Who works; null: nobody who is signed in.</summary>
    public static Guid? Person => Entered.Value.Person;

    /// <summary>Their name; empty: nobody who is signed in.</summary>
    public static string Who => Entered.Value.Who ?? "";

    /// <summary>Works for a studio until what is returned is disposed of.</summary>
    /// <param name="id">Its number, from 1; 0 leaves every studio.</param>
    /// <param name="person">Who works.</param>
    /// <param name="who">Their name.</param>
    public static Stay Enter(int id, Guid? person = null, string who = "")
    {
        var stay = new Stay(Entered.Value);
        Entered.Value = new At(id, person, who);
        return stay;
    }

    /// <summary>Where one is, and as whom.</summary>
    internal readonly record struct At(int Studio, Guid? Person, string? Who);

    /// <summary>A stay in a studio.</summary>
    public readonly struct Stay : IDisposable
    {
        private readonly At before;

        internal Stay(At before) => this.before = before;

        /// <summary>Goes back to where one was before.</summary>
        public void Dispose() => Entered.Value = before;
    }
}
