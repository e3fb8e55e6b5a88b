namespace Kitto.Store;

/// <summary>The public half of a key that a person's own device keeps (WebAuthn). Dapper reads it column by column.</summary>
public sealed record Passkey
{
    /// <summary>The number the device gave it.</summary>
    public byte[] CredentialId { get; init; } = [];

    /// <summary>Whose it is.</summary>
    public Guid PersonId { get; init; }

    /// <summary>The public key, as the device wrote it (COSE).</summary>
    public byte[] PublicKey { get; init; } = [];

    /// <summary>What its owner calls it, 1 to 60 characters.</summary>
    public string Name { get; init; } = "";

    /// <summary>When it was made, UTC.</summary>
    public DateTime MadeAt { get; init; }

    /// <summary>When somebody last signed in with it, UTC; null: never.</summary>
    public DateTime? UsedAt { get; init; }

    /// <summary>How often the device says it was used; one that goes backwards is a copy.</summary>
    public long SignCount { get; init; }

    /// <summary>How the device is reached: internal, usb, nfc, ble, hybrid.</summary>
    public string[] Transports { get; init; } = [];

    /// <summary>Whether its maker may keep a copy.</summary>
    public bool BackupEligible { get; init; }

    /// <summary>Whether its maker keeps one.</summary>
    public bool BackedUp { get; init; }
}

/// <summary>The passkeys of the studio's people.</summary>
public sealed class PasskeyRecord(Database db)
{
    private const string Columns = "credential_id, person_id, public_key, name, made_at, used_at, sign_count, transports, backup_eligible, backed_up";

    /// <summary>One person's, the oldest first.</summary>
    public Task<IReadOnlyList<Passkey>> Of(Guid personId) =>
        db.List<Passkey>($"select {Columns} from passkey where person_id = @personId order by made_at", new { personId });

    /// <summary>One of a person's; null: it is not theirs.</summary>
    public Task<Passkey?> Of(Guid personId, byte[] credentialId) =>
        db.One<Passkey>($"select {Columns} from passkey where person_id = @personId and credential_id = @credentialId", new { personId, credentialId });

    /// <summary>Whose a passkey is; null: nobody's of this studio.</summary>
    public Task<Guid?> Whose(byte[] credentialId) => db.One<Guid?>("select person_id from passkey where credential_id = @credentialId", new { credentialId });

    /// <summary>Adds one, unless it is there.</summary>
    public Task<int> Add(Passkey passkey) =>
        db.Run(
            $"""
            insert into passkey ({Columns})
            values (@CredentialId, @PersonId, @PublicKey, @Name, @MadeAt, null, @SignCount, @Transports, @BackupEligible, @BackedUp) on conflict do nothing
            """,
            passkey
        );

    /// <summary>Somebody signed in with it.</summary>
    public Task<int> Used(byte[] credentialId, long signCount, bool backedUp, DateTime at) =>
        db.Run(
            "update passkey set sign_count = @signCount, backed_up = @backedUp, used_at = @at where credential_id = @credentialId",
            new
            {
                credentialId,
                signCount,
                backedUp,
                at,
            }
        );

    /// <summary>Takes one of a person's away.</summary>
    public Task<int> Drop(Guid personId, byte[] credentialId) =>
        db.Run("delete from passkey where person_id = @personId and credential_id = @credentialId", new { personId, credentialId });
}
