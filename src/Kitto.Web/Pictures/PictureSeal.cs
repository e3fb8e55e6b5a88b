using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;

namespace Kitto.Web.Pictures;

/// <summary>Keeps pictures encrypted where they lie.</summary>
public sealed class PictureSeal(IDataProtectionProvider keys)
{
    private readonly IDataProtector keeper = keys.CreateProtector("Kitto.Picture");

    /// <summary>Encrypts one.</summary>
    public byte[] Seal(byte[] picture) => keeper.Protect(picture);

    /// <summary>Opens one; null where its key is gone. What was kept before pictures were encrypted begins as a JPEG does and is as it is.</summary>
    public byte[]? Open(byte[] kept) => kept.AsSpan().StartsWith(Jpeg) ? kept : Sealing.Opened(() => keeper.Unprotect(kept));

    private static ReadOnlySpan<byte> Jpeg => [0xff, 0xd8, 0xff];
}
