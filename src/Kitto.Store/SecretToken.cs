using System.Buffers.Text;
using System.Security.Cryptography;

namespace Kitto.Store;

/// <summary>A secret in an address: 128 random bits, of which only the hash is kept.</summary>
internal static class SecretToken
{
    private const int Bytes = 16,
        Letters = 22;

    /// <summary>Makes one: as it is written in an address, and its hash.</summary>
    public static (string Written, byte[] Hash) Make()
    {
        byte[] token = RandomNumberGenerator.GetBytes(Bytes);
        return (Base64Url.EncodeToString(token), SHA256.HashData(token));
    }

    /// <summary>The hash of one as it was written; null: it is none.</summary>
    public static byte[]? Hash(string? written)
    {
        Span<byte> bytes = stackalloc byte[Bytes];
        return written is { Length: Letters } && Base64Url.IsValid(written) && Base64Url.TryDecodeFromChars(written, bytes, out int length) && length == Bytes
            ? SHA256.HashData(bytes)
            : null;
    }
}
