using Kitto.Web.Delivery;
using Microsoft.AspNetCore.DataProtection;

namespace Kitto.Web.Pictures;

/// <summary>Keeps pictures encrypted where they lie.</summary>
public sealed class PictureSeal(IDataProtectionProvider keys)
{
    private readonly IDataProtector keeper = keys.CreateProtector("Kitto.Picture");

    /// <summary>Encrypts one.</summary>
    public byte[] Seal(byte[] picture) => keeper.Protect(picture);

    /// <summary>Opens one; null where its key is gone.</summary>
    public byte[]? Open(byte[] kept) => Sealing.Opened(() => keeper.Unprotect(kept));
}
