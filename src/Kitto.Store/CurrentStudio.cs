namespace Kitto.Store;

/// <summary>
/// The studio the work at hand is for. It goes with the flow of the work, and every connection is told of it; the database shows and takes
/// the rows of that studio only. Where none was entered, nothing is seen and nothing can be written.
/// </summary>
public static class CurrentStudio
{
    /// <summary>The number of the first studio of an installation.</summary>
    public const int First = 1;

    private static readonly AsyncLocal<int> Entered = new();

    /// <summary>Its number; 0: none was entered.</summary>
    public static int Id => Entered.Value;

    /// <summary>Works for a studio until what is returned is disposed of.</summary>
    /// <param name="id">Its number, from 1; 0 leaves every studio.</param>
    public static Stay Enter(int id)
    {
        var stay = new Stay(Entered.Value);
        Entered.Value = id;
        return stay;
    }

    /// <summary>A stay in a studio.</summary>
    /// <param name="before">Where one was before.</param>
    public readonly struct Stay(int before) : IDisposable
    {
        /// <summary>Goes back to where one was before.</summary>
        public void Dispose() => Entered.Value = before;
    }
}
