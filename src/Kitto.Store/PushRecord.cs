namespace Kitto.Store;

/// <summary>A phone that wants to be rung for a kit.</summary>
/// <param name="KitId">The kit.</param>
/// <param name="Endpoint">Where its push service takes messages.</param>
/// <param name="P256dh">Its public key, base64url.</param>
/// <param name="Auth">Its secret, base64url.</param>
/// <param name="Rung">The last thing it was rung for; empty: nothing yet.</param>
public sealed record PushSubscriptionRow(Guid KitId, string Endpoint, string P256dh, string Auth, string Rung);

/// <summary>Phones that want to be rung while they are locked, and the keys this installation signs with.</summary>
public sealed class PushRecord(Database db)
{
    /// <summary>Most phones that are rung for one kit.</summary>
    private const int Most = 6;

    /// <summary>Saves a phone; one that is known gets its new keys.</summary>
    public Task<int> Add(Guid kit, string endpoint, string p256dh, string auth, DateTime at) =>
        db.Run(
            $"""
            insert into push_subscription (kit_id, endpoint, p256dh, auth, made_at)
            select @kit, @endpoint, @p256dh, @auth, @at where (select count(*) from push_subscription where kit_id = @kit and endpoint <> @endpoint) < {Most}
            on conflict (studio_id, kit_id, endpoint) do update set p256dh = @p256dh, auth = @auth
            """,
            new
            {
                kit,
                endpoint,
                p256dh,
                auth,
                at,
            }
        );

    /// <summary>Forgets a phone.</summary>
    public Task<int> Remove(Guid kit, string endpoint) =>
        db.Run("delete from push_subscription where kit_id = @kit and endpoint = @endpoint", new { kit, endpoint });

    /// <summary>Phones of kits that are with their clients.</summary>
    public Task<IReadOnlyList<PushSubscriptionRow>> All() =>
        db.List<PushSubscriptionRow>(
            "select s.kit_id, s.endpoint, s.p256dh, s.auth, s.rung from push_subscription s join kit k on k.id = s.kit_id where k.posted_at is not null order by s.kit_id"
        );

    /// <summary>Notes what a phone is rung for, before it is; false where another node was quicker.</summary>
    public async Task<bool> Ring(PushSubscriptionRow phone, string what) =>
        await db.Run(
            "update push_subscription set rung = @what where kit_id = @KitId and endpoint = @Endpoint and rung = @Rung",
            new
            {
                what,
                phone.KitId,
                phone.Endpoint,
                phone.Rung,
            }
        ) == 1;

    /// <summary>The keys of this installation; null before they are made.</summary>
    public Task<PushKeys?> Keys() => db.One<PushKeys>("select public_key, sealed from push_key");

    /// <summary>Saves keys, unless some are there.</summary>
    public Task<int> Save(PushKeys keys) => db.Run("insert into push_key (public_key, sealed) values (@PublicKey, @Sealed) on conflict do nothing", keys);
}

/// <summary>A pair of keys (VAPID, RFC 8292).</summary>
/// <param name="PublicKey">Base64url, uncompressed point on P-256.</param>
/// <param name="Sealed">The private one, sealed by the application.</param>
public sealed record PushKeys(string PublicKey, string Sealed);
