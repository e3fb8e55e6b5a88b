using System.Buffers.Text;
using System.Security.Cryptography;

namespace Kitto.Store;

/// <summary>A guide link as the studio sees it; the link itself is shown once and never kept.</summary>
public sealed record GuideLink(Guid Id, Guid KitId, DateTime CreatedAt, DateTime ExpiresAt, DateTime? RevokedAt);

/// <summary>Guide links: 128 random bits, stored hashed, revocable, expiring.</summary>
public sealed class Links(Database db)
{
    /// <summary>How long a link works.</summary>
    public static readonly TimeSpan Life = TimeSpan.FromDays(60);

    /// <summary>Makes a link for a kit and revokes the earlier ones.</summary>
    /// <returns>The token to put in the address.</returns>
    public async Task<string> Make(Guid kitId, DateTime at)
    {
        byte[] token = RandomNumberGenerator.GetBytes(16);
        await db.Run("""
            update guide_link set revoked_at = @at where kit_id = @kitId and revoked_at is null;
            insert into guide_link (id, kit_id, token_hash, created_at, expires_at) values (@id, @kitId, @hash, @at, @expires)
            """, new { id = Guid.CreateVersion7(), kitId, hash = SHA256.HashData(token), at, expires = at + Life });
        return Base64Url.EncodeToString(token);
    }

    public Task<int> Revoke(Guid kitId, DateTime at) =>
        db.Run("update guide_link set revoked_at = @at where kit_id = @kitId and revoked_at is null", new { kitId, at });

    /// <summary>The newest link of a kit.</summary>
    public Task<GuideLink?> Of(Guid kitId) => db.One<GuideLink>("""
        select id, kit_id, created_at, expires_at, revoked_at from guide_link where kit_id = @kitId order by created_at desc limit 1
        """, new { kitId });

    /// <summary>The link a token opens; null when there never was one. Revoked and expired ones are returned, for a plain answer.</summary>
    public async Task<GuideLink?> Open(string token)
    {
        Span<byte> bytes = stackalloc byte[16];
        if (token.Length != 22 || !Base64Url.IsValid(token) || !Base64Url.TryDecodeFromChars(token, bytes, out int length) || length != 16)
        {
            return null;
        }

        byte[] hash = SHA256.HashData(bytes);
        return await db.One<GuideLink>("select id, kit_id, created_at, expires_at, revoked_at from guide_link where token_hash = @hash", new { hash });
    }
}
