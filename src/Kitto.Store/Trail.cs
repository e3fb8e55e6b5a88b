namespace Kitto.Store;

/// <summary>One thing that was done or looked at.</summary>
/// <param name="Seq">Its number; later ones have greater.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Who">Who, by the name they had then; empty: nobody who was signed in.</param>
/// <param name="Kind">What happened, such as client.changed.</param>
/// <param name="ClientId">The client it was about.</param>
/// <param name="Client">The client's name, where there is still one.</param>
/// <param name="About">What it was about otherwise.</param>
/// <param name="What">{"field": [was, is]}, JSON.</param>
public sealed record TrailLine(long Seq, DateTime At, string Who, string Kind, Guid? ClientId, string? Client, string About, string What);

/// <summary>What is looked for in the trail; null or empty: all.</summary>
/// <param name="Who">Beginning of the name of who did it.</param>
/// <param name="ClientId">The client it was about.</param>
/// <param name="Kind">Beginning of what happened: "client", "answers.read".</param>
/// <param name="From">The first moment, UTC.</param>
/// <param name="To">The moment after the last, UTC.</param>
/// <param name="Before">Only what is before this number.</param>
public sealed record TrailSearch(string? Who, Guid? ClientId, string? Kind, DateTime? From, DateTime? To, long? Before);

/// <summary>The trail: it is only ever added to. Changes are written by the database itself, whoever makes them and by whichever way.</summary>
public sealed class Trail(Database db)
{
    /// <summary>Writes that somebody looked at a client's answers, by the page they stood on; it does not wait for the disk.</summary>
    /// <param name="page">The page.</param>
    /// <param name="id">The client, kit or prescription in its address.</param>
    public Task<int> Read(string page, Guid id) =>
        db.Run(
            """
            insert into trail (person_id, who, kind, client_id, about)
            select nullif(current_setting('kitto.person', true), '')::uuid, current_setting('kitto.who', true), 'answers.read', x.client_id, @page
            from (select id as client_id from client where id = @id union all select client_id from kit where id = @id union all select client_id from prescription where id = @id) x,
                 set_config('synchronous_commit', 'off', true)
            """,
            new { page, id }
        );

    /// <summary>Writes what happened at the door: signed in, signed out, turned away.</summary>
    public Task<int> Door(string kind, Guid? personId, string who, string about) =>
        db.Run(
            "insert into trail (person_id, who, kind, about) values (@personId, @who, @kind, @about)",
            new
            {
                kind,
                personId,
                who,
                about,
            }
        );

    /// <summary>What was looked for, the newest first.</summary>
    public Task<IReadOnlyList<TrailLine>> Find(TrailSearch search, int most) =>
        db.List<TrailLine>(
            """
            select t.seq, t.at, t.who, t.kind, t.client_id, c.name as client, t.about, t.what::text as what
            from trail t left join client c on c.id = t.client_id
            where (@Who::text is null or starts_with(lower(t.who), lower(@Who))) and (@ClientId::uuid is null or t.client_id = @ClientId)
              and (@Kind::text is null or starts_with(t.kind, @Kind)) and (@From::timestamptz is null or t.at >= @From)
              and (@To::timestamptz is null or t.at < @To) and (@Before::bigint is null or t.seq < @Before)
            order by t.seq desc limit @most
            """,
            new
            {
                search.Who,
                search.ClientId,
                search.Kind,
                search.From,
                search.To,
                search.Before,
                most,
            }
        );

    /// <summary>Forgets what is older than the house keeps.</summary>
    public Task<int> Forget() => db.One<int>("select trail_forget()");
}
