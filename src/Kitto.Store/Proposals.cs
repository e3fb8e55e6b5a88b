namespace Kitto.Store;

/// <summary>What who learns would sign.</summary>
/// <param name="Id">Its id.</param>
/// <param name="ClientId">Of whom.</param>
/// <param name="ClientName">By name.</param>
/// <param name="PersonId">Who learns.</param>
/// <param name="PersonName">By name.</param>
/// <param name="Document">The sitting, as it was typed.</param>
/// <param name="Mix">A mix made by hand; empty: the search's.</param>
/// <param name="ProposedAt">When, UTC.</param>
public sealed record Proposal(Guid Id, Guid ClientId, string ClientName, Guid PersonId, string PersonName, string Document, string Mix, DateTime ProposedAt);

/// <summary>Prescriptions that wait for a countersignature: one a client at a time, a newer one takes the place of the older.</summary>
public sealed class Proposals(Database db)
{
    private const string Sql = """
        select o.id, o.client_id, c.name as client_name, o.person_id, p.display_name as person_name, o.document::text as document, o.mix, o.proposed_at
        from proposal o join client c on c.id = o.client_id join person p on p.id = o.person_id where o.settled_at is null and c.erased_at is null
        """;

    /// <summary>What waits for a client; null where nothing does.</summary>
    public Task<Proposal?> Of(Guid clientId) => db.One<Proposal>(Sql + " and o.client_id = @clientId", new { clientId });

    /// <summary>All that waits, the oldest first.</summary>
    public Task<IReadOnlyList<Proposal>> Waiting() => db.List<Proposal>(Sql + " order by o.proposed_at limit 50");

    /// <summary>Proposes; what waited before of this client is put aside, whoever proposed it.</summary>
    public Task Propose(Guid clientId, Guid person, string document, string mix, DateTime at) =>
        db.Run(
            """
            with older as (update proposal set settled_at = @at, settled_by = @person where client_id = @clientId and settled_at is null returning id)
            insert into proposal (id, client_id, person_id, document, mix, proposed_at)
            select @id, @clientId, @person, @document::jsonb, @mix, @at from (select count(*) from older) x
            """,
            new
            {
                id = Guid.CreateVersion7(),
                clientId,
                person,
                document,
                mix,
                at,
            }
        );

    /// <summary>Puts aside what waits of a client. What is signed of it is settled with the signing.</summary>
    public Task<int> PutAside(Guid clientId, Guid by, DateTime at) =>
        db.Run(
            "update proposal set settled_at = @at, settled_by = @by where client_id = @clientId and settled_at is null",
            new
            {
                clientId,
                by,
                at,
            }
        );
}
