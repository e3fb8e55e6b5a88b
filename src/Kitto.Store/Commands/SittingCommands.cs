using Dapper;
using Kitto.Core;
using Kitto.Core.Safety;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Logging.Abstractions;

namespace Kitto.Store.Commands;

/// <summary>A reading that is kept.</summary>
/// <param name="ClientId">Whose.</param>
/// <param name="BegunFrom">The version it was begun from; 0: none.</param>
/// <param name="Document">The reading as the form holds it.</param>
/// <param name="By">Who took it.</param>
/// <param name="ByName">The name of that person.</param>
/// <param name="At">When.</param>
/// <param name="Grown">Regrowth that was measured.</param>
/// <param name="Stops">The stops in it.</param>
public sealed record KeptReading(
    Guid ClientId,
    int BegunFrom,
    string Document,
    Guid By,
    string ByName,
    DateTime At,
    MeasuredGrowth? Grown,
    IReadOnlyList<Because> Stops
);

/// <summary>What a new prescription is stored with.</summary>
/// <param name="Stand">Where the client's record stood when it was prescribed.</param>
/// <param name="Names">The names it was made under, as a document.</param>
/// <param name="ShelfStamp">Where the shelf stood.</param>
/// <param name="Shelf">The lines of the shelf, as one document.</param>
public sealed record Signing(
    string Decision,
    string Service,
    string CaseDocument,
    string Document,
    string? Guide,
    string Lines,
    bool StrandNeeded,
    int SkinDays,
    Core.Clock.KitDays Days,
    string Stand,
    string Names,
    string ShelfStamp,
    string Shelf
);

/// <summary>Answers that are kept.</summary>
/// <param name="BegunFrom">The version they were begun from; 0: none.</param>
/// <param name="Document">The answers.</param>
/// <param name="News">Whether something in them asks for new tests.</param>
/// <param name="Stops">The stops in them.</param>
public sealed record KeptAnswers(long BegunFrom, string Document, bool News, IReadOnlyList<Because> Stops);

/// <summary>What a sitting writes: readings, answers, prescriptions, the client herself. Each with every stop that is in it, as one.</summary>
public sealed class SittingCommands(Database db, ILogger<SittingCommands>? logger = null)
{
    private readonly ILogger log = logger ?? NullLogger<SittingCommands>.Instance;

    /// <summary>Keeps answers after the ones they were begun from. What the studio takes down itself is seen with that.</summary>
    /// <param name="clientId">Whose.</param>
    /// <param name="answers">The answers.</param>
    /// <param name="at">When.</param>
    /// <param name="by">The person of the studio; null: herself.</param>
    /// <param name="byName">Who says it, for the record.</param>
    /// <param name="link">The link they came by, which is used up with them.</param>
    /// <exception cref="ConflictException">Others were given meanwhile.</exception>
    public async Task Answer(Guid clientId, KeptAnswers answers, DateTime at, Guid? by, string byName, Guid? link = null)
    {
        await db.Together(async connection =>
        {
            var held = await Held.Of(connection, clientId);
            await Answer(held, answers, at, by, byName);
            if (link is { } used)
            {
                await held.Execute("update link set revoked_at = @at where id = @used and revoked_at is null", new { used, at });
            }
        });
        CommandLog.Answered(log, clientId, answers.Stops.Count);
    }

    /// <summary>Keeps a reading after the one it was begun from; the draft is done with.</summary>
    /// <exception cref="ConflictException">Another was kept meanwhile.</exception>
    public Task Keep(KeptReading reading) => db.Together(async connection => await Keep(await Held.Of(connection, reading.ClientId), reading));

    /// <summary>Freezes a prescription, with the reading it was made from and the answers that were confirmed for it; a kit is opened where the decision is one.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="s">What is signed.</param>
    /// <param name="confirmed">Answers that were confirmed; null: they stood.</param>
    /// <param name="callOff">Older kits that this one takes the place of; those that are not named stay.</param>
    /// <param name="countersigned">Who countersigned; null: nobody had to.</param>
    /// <exception cref="ConflictException">Her record or the shelf is not as it was when this was prescribed; nothing was written.</exception>
    public async Task<(Guid Prescription, Guid? Kit)> Sign(
        KeptReading reading,
        Signing s,
        KeptAnswers? confirmed,
        IReadOnlyCollection<Guid>? callOff = null,
        Guid? countersigned = null
    )
    {
        var made = await db.Together(async connection =>
        {
            var held = await Held.Of(connection, reading.ClientId);
            if (await Clients.Stand(connection, reading.ClientId) != s.Stand)
            {
                throw new ConflictException(
                    "Something has changed on the record meanwhile. What you typed stands here; look at what follows from it now, and sign again."
                );
            }

            if (await Lines.Stamp(connection, hold: true) != s.ShelfStamp)
            {
                throw new ConflictException("The shelf has changed meanwhile. Look at what follows from it now, and sign again.");
            }

            if (confirmed is not null)
            {
                await Answer(held, confirmed, reading.At, reading.By, reading.ByName);
            }

            var readingId = await Keep(held, reading);
            var id = Guid.CreateVersion7();
            Guid? kit = s.Decision == "kit" ? Guid.CreateVersion7() : null;
            await held.Execute(
                """
                with shelf as (select encode(sha256(convert_to(@Shelf, 'UTF8')), 'hex') as hash), kept as (insert into shelf_version (hash, lines) select hash, @Shelf::jsonb from shelf on conflict do nothing)
                insert into prescription (id, client_id, reading_id, decision, service, signed_at, signed_by, case_document, document, guide, shelf_hash, names, countersigned_by)
                select @id, @ClientId, @readingId, @Decision, @Service, @At, @By, @CaseDocument::jsonb, @Document::jsonb, @Guide::jsonb, hash, @Names::jsonb, @countersigned::uuid from shelf
                """,
                new
                {
                    id,
                    reading.ClientId,
                    readingId,
                    s.Decision,
                    s.Service,
                    reading.At,
                    reading.By,
                    s.CaseDocument,
                    s.Document,
                    s.Guide,
                    s.Shelf,
                    s.Names,
                    countersigned,
                }
            );
            if (kit is not null)
            {
                await held.Execute(
                    """
                    insert into kit (id, prescription_id, client_id, number, lines, strand_needed, skin_days, state, fill_on, post_on, arrives_on, skin_on, strand_on, colour_on, due_on, transit_days, run_first, run_off)
                    select @kit, @id, @ClientId, coalesce((select max(number) from kit where client_id = @ClientId), 0) + 1, @Lines, @StrandNeeded, @SkinDays, 'signed', @FillOn, @PostOn, @ArrivesOn, @SkinOn, @StrandOn, @ColourOn, @DueOn,
                           (select d.transit_days from client c join destination d on d.id = c.destination_id where c.id = @ClientId), r.run_first, r.run_off
                    from run_of(@Guide::jsonb) r
                    """,
                    new
                    {
                        kit,
                        id,
                        reading.ClientId,
                        s.Lines,
                        s.StrandNeeded,
                        s.SkinDays,
                        s.Guide,
                        s.Days.FillOn,
                        s.Days.PostOn,
                        s.Days.ArrivesOn,
                        s.Days.SkinOn,
                        s.Days.StrandOn,
                        s.Days.ColourOn,
                        s.Days.DueOn,
                    }
                );
                await held.Execute(
                    "update kit set state = 'closed', version = version + 1 where client_id = @ClientId and id <> @kit and state in ('signed', 'reported')",
                    new { kit, reading.ClientId }
                );
            }

            foreach (var older in callOff ?? [])
            {
                await KitCommands.CallOff(held, older, null, "a newer prescription took its place", reading.ByName, reading.At);
            }

            await held.Execute(
                "update proposal set settled_at = @At, settled_by = @by, prescription_id = @id where client_id = @ClientId and settled_at is null",
                new
                {
                    reading.At,
                    by = countersigned ?? reading.By,
                    id,
                    reading.ClientId,
                }
            );
            return (id, kit);
        });
        CommandLog.Signed(log, reading.ClientId, s.Decision, made.Item1, made.Item2);
        return made;
    }

    /// <summary>Changes what is known of a client; a day of birth that stops stops her kits with it.</summary>
    /// <param name="client">As she is now.</param>
    /// <param name="stops">The stops in it.</param>
    /// <param name="at">When.</param>
    /// <param name="byName">Who changed it.</param>
    /// <exception cref="ConflictException">Someone else has changed her meanwhile.</exception>
    public Task Save(Client client, IReadOnlyList<Because> stops, DateTime at, string byName) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, client.Id);
            if (
                await held.Execute(
                    """
                    update client set name = @Name, birth_date = @BirthDate, destination_id = @DestinationId, note = @Note, email = @Email, language = @Language, spoken_of = @SpokenOf, phone = @Phone, country = @Country, version = version + 1
                    where id = @Id and version = @Version
                    """,
                    client
                ) == 0
            )
            {
                throw new ConflictException("Someone else has changed this client meanwhile.");
            }

            await held.Append(KitLife.Found(stops, false, $"born:{client.BirthDate:yyyy-MM-dd}", new Speaker(Guid.CreateVersion7(), at, byName)).Events);
        });

    private static async Task Answer(Held held, KeptAnswers answers, DateTime at, Guid? by, string byName)
    {
        long? id = await held.Connection.ExecuteScalarAsync<long?>(
            """
            insert into answers (client_id, document, answered_at, answered_by, seen_at, seen_by)
            select @ClientId, @Document::jsonb, @at, @by, case when @by::uuid is null then null else @at end, @by
            where @BegunFrom = coalesce((select max(id) from answers where client_id = @ClientId), 0)
            returning id
            """,
            new
            {
                held.ClientId,
                answers.BegunFrom,
                answers.Document,
                at,
                by,
            }
        );
        if (id is null)
        {
            throw new ConflictException("Other answers have come in meanwhile; nothing of yours is lost, look at them and send again.");
        }

        await held.Append(KitLife.Found(answers.Stops, answers.News, $"answers:{id}", new Speaker(Guid.CreateVersion7(), at, byName)).Events);
    }

    private static async Task<Guid> Keep(Held held, KeptReading reading)
    {
        var id = Guid.CreateVersion7();
        int rows = await held.Execute(
            """
            insert into reading (id, client_id, version, taken_at, taken_by, document, grown_mm, grown_since)
            select @id, @ClientId, @BegunFrom + 1, @At, @By, @Document::jsonb, @mm, @since
            where @BegunFrom = coalesce((select max(version) from reading where client_id = @ClientId), 0)
            """,
            new
            {
                id,
                reading.ClientId,
                reading.BegunFrom,
                reading.Document,
                reading.By,
                reading.At,
                mm = reading.Grown?.Mm,
                since = reading.Grown?.Since,
            }
        );
        if (rows == 0)
        {
            var (version, by) = await held.Connection.QuerySingleAsync<(int, string)>(
                """
                select r.version, p.display_name from reading r join person p on p.id = r.taken_by where r.client_id = @ClientId order by r.version desc limit 1
                """,
                new { reading.ClientId }
            );
            throw new ConflictException($"{by} has saved reading {version} meanwhile.");
        }

        await held.Append(
            KitLife.Found(reading.Stops, false, $"reading:{reading.BegunFrom + 1}", new Speaker(Guid.CreateVersion7(), reading.At, reading.ByName)).Events
        );
        await held.Execute("delete from draft where client_id = @ClientId and person_id = @By", new { reading.ClientId, reading.By });
        return id;
    }
}
