using System.Globalization;
using Dapper;

namespace Kitto.Store;

/// <summary>A link as the studio sees it. Of a guide the token is kept encrypted, so that it can be shown again; of others it is shown once.</summary>
/// <param name="Purpose">guide, ask, studio, invite or recover.</param>
/// <param name="KitId">The kit whose guide it opens.</param>
/// <param name="ClientId">The client whom it asks.</param>
/// <param name="Sealed">The token as the application encrypted it; null where it cannot be shown again.</param>
/// <param name="Site">The site it was made under; null where that is not known.</param>
/// <param name="Role">What it asks somebody in as.</param>
/// <param name="PersonId">Who may choose a new password with it, or who came in by it.</param>
public sealed record Link(
    Guid Id,
    string Purpose,
    Guid? KitId,
    Guid? ClientId,
    DateTime CreatedAt,
    DateTime ExpiresAt,
    DateTime? RevokedAt,
    string? Sealed,
    string? Site,
    string? Role = null,
    Guid? PersonId = null
)
{
    /// <summary>When it was revoked, or else ran out; null where it is open now.</summary>
    /// <param name="now">Now, UTC.</param>
    public DateTime? ClosedAt(DateTime now) => RevokedAt ?? (ExpiresAt <= now ? ExpiresAt : null);
}

/// <summary>Doors from outside: 128 random bits each, found by their hash, revocable, expiring. In front of them stands whose they are, except of the first studio.</summary>
public sealed class Links(Database db)
{
    /// <summary>How long a link to a guide works.</summary>
    public static readonly TimeSpan GuideLife = TimeSpan.FromDays(60);

    /// <summary>How long a link to the questions works.</summary>
    public static readonly TimeSpan AskLife = TimeSpan.FromDays(21);

    /// <summary>How long a link to the studio's calendar works.</summary>
    public static readonly TimeSpan CalendarLife = TimeSpan.FromDays(730);

    /// <summary>How long a link that asks somebody in works.</summary>
    public static readonly TimeSpan InviteLife = TimeSpan.FromDays(7);

    /// <summary>How long a link to a new password works.</summary>
    public static readonly TimeSpan RecoverLife = TimeSpan.FromHours(1);

    private const string Columns = "id, purpose, kit_id, client_id, created_at, expires_at, revoked_at, sealed, site, role, person_id";

    /// <summary>Makes a link to a kit's guide; those that were made before stay open.</summary>
    /// <param name="kitId">The kit.</param>
    /// <param name="at">Now, UTC.</param>
    /// <param name="seal">Encrypts the token, so that it can be shown again; null: it is shown once.</param>
    /// <param name="site">The site it is made under.</param>
    /// <returns>The token to put in the address.</returns>
    public Task<string> ToGuide(Guid kitId, DateTime at, Func<string, string>? seal = null, string? site = null) =>
        Make("guide", kitId, null, at, GuideLife, closeOthers: false, seal, site);

    /// <summary>Makes a link that asks a client, and revokes the earlier ones.</summary>
    /// <returns>The token to put in the address.</returns>
    public Task<string> ToAsk(Guid clientId, DateTime at) => Make("ask", null, clientId, at, AskLife);

    /// <summary>Makes a link to the studio's calendar and revokes the earlier one.</summary>
    /// <returns>The token to put in the address.</returns>
    public Task<string> ToCalendar(DateTime at) => Make("studio", null, null, at, CalendarLife);

    /// <summary>Makes a link that asks somebody into the studio.</summary>
    /// <returns>The token to put in the address.</returns>
    public Task<string> ToInvite(Role role, DateTime at) => Make("invite", null, null, at, InviteLife, closeOthers: false, role: People.Named(role));

    /// <summary>Makes a link by which a person chooses a new password, and revokes the earlier ones.</summary>
    /// <returns>The token to put in the address.</returns>
    public Task<string> ToRecover(Guid personId, DateTime at) => Make("recover", null, null, at, RecoverLife, personId: personId);

    /// <summary>Links that ask somebody in and are open.</summary>
    public Task<IReadOnlyList<Link>> Invitations(DateTime now) =>
        db.List<Link>($"select {Columns} from link where purpose = 'invite' and revoked_at is null and expires_at > @now order by created_at", new { now });

    /// <summary>Closes a link that asks somebody in.</summary>
    public Task<int> CloseInvitation(Guid id, DateTime at) =>
        db.Run("update link set revoked_at = @at where id = @id and purpose = 'invite' and revoked_at is null", new { id, at });

    /// <summary>Uses a link up.</summary>
    /// <returns>Whether it was open.</returns>
    internal static async Task<bool> Use(Npgsql.NpgsqlConnection connection, Guid id, Guid personId, DateTime at) =>
        await connection.ExecuteAsync(
            "update link set revoked_at = @at, person_id = @personId where id = @id and revoked_at is null and expires_at > @at",
            new
            {
                id,
                personId,
                at,
            }
        ) == 1;

    /// <summary>The newest link to the studio's calendar.</summary>
    public Task<Link?> OfCalendar() => db.One<Link>($"select {Columns} from link where purpose = 'studio' order by created_at desc limit 1");

    public Task<int> RevokeCalendar(DateTime at) => db.Run("update link set revoked_at = @at where purpose = 'studio' and revoked_at is null", new { at });

    /// <summary>Closes one link of a kit.</summary>
    public Task<int> Close(Guid kitId, Guid id, DateTime at) =>
        db.Run(
            "update link set revoked_at = @at where id = @id and kit_id = @kitId and revoked_at is null",
            new
            {
                id,
                kitId,
                at,
            }
        );

    /// <summary>All links of a kit, the newest first.</summary>
    public Task<IReadOnlyList<Link>> OfKit(Guid kitId) =>
        db.List<Link>($"select {Columns} from link where kit_id = @kitId order by created_at desc, id desc", new { kitId });

    /// <summary>The newest link that asks a client.</summary>
    public Task<Link?> Asking(Guid clientId) =>
        db.One<Link>($"select {Columns} from link where client_id = @clientId and purpose = 'ask' order by created_at desc limit 1", new { clientId });

    /// <summary>The link a token opens; null when there never was one. Revoked and expired ones are returned, for a plain answer.</summary>
    public async Task<Link?> Open(string purpose, string token) =>
        Hash(token) is { } hash
            ? await db.One<Link>($"select {Columns} from link where token_hash = @hash and purpose = @purpose", new { hash, purpose })
            : null;

    /// <summary>The language of what a token opens: of a guide the one it was signed in, else the client's; null where it opens nothing of a client's.</summary>
    public async Task<string?> Language(string token) =>
        Hash(token) is { } hash
            ? await db.One<string>(
                """
                select coalesce(p.names ->> 'language', c.language) from link l left join kit k on k.id = l.kit_id left join prescription p on p.id = k.prescription_id
                join client c on c.id = coalesce(l.client_id, k.client_id) where l.token_hash = @hash
                """,
                new { hash }
            )
            : null;

    private const char Mark = '~';

    /// <summary>The studio a token belongs to, whether or not it opens anything there; 0: it is none.</summary>
    public static int StudioOf(string token) =>
        token.Split(Mark) switch
        {
            [_] => CurrentStudio.First,
            [var number, _] when int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out int id) && id > CurrentStudio.First => id,
            _ => 0,
        };

    private static byte[]? Hash(string token) => SecretToken.Hash(token[(token.IndexOf(Mark, StringComparison.Ordinal) + 1)..]);

    private async Task<string> Make(
        string purpose,
        Guid? kitId,
        Guid? clientId,
        DateTime at,
        TimeSpan life,
        bool closeOthers = true,
        Func<string, string>? seal = null,
        string? site = null,
        string? role = null,
        Guid? personId = null
    )
    {
        var (written, hash) = SecretToken.Make();
        if (CurrentStudio.Id != CurrentStudio.First)
        {
            written = $"{CurrentStudio.Id}{Mark}{written}";
        }

        await db.Run(
            """
            update link set revoked_at = @at
            where @closeOthers and purpose = @purpose and kit_id is not distinct from @kitId and client_id is not distinct from @clientId and person_id is not distinct from @personId and revoked_at is null;
            insert into link (id, purpose, kit_id, client_id, token_hash, created_at, expires_at, sealed, site, role, person_id)
            values (@id, @purpose, @kitId, @clientId, @hash, @at, @expires, @kept, @site, @role, @personId)
            """,
            new
            {
                id = Guid.CreateVersion7(),
                purpose,
                kitId,
                clientId,
                hash,
                at,
                expires = at + life,
                closeOthers,
                kept = seal?.Invoke(written),
                site,
                role,
                personId,
            }
        );
        return written;
    }
}
