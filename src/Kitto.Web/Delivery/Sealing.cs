using System.Security.Cryptography;

namespace Kitto.Web.Delivery;

/// <summary>What the application sealed, opened again.</summary>
internal static class Sealing
{
    /// <summary>What opening it gives; null where it is not ours, was changed, its time is over or its key is gone.</summary>
    public static T? Opened<T>(Func<T> open)
        where T : class
    {
        try
        {
            return open();
        }
        catch (CryptographicException)
        {
            return null;
        }
    }
}
