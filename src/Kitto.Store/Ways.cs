namespace Kitto.Store;

/// <summary>Where one client is treated otherwise than the house does it. No way: it was given back to the house.</summary>
public sealed record ClientWay(string Rule, string? Way, string Reason, string DecidedBy, DateTime DecidedAt);

/// <summary>What was decided for single clients.</summary>
public sealed class Ways(Database db)
{
    /// <summary>What holds now, by rule.</summary>
    public async Task<IReadOnlyList<ClientWay>> Of(Guid clientId) =>
        [
            .. (
                await db.List<ClientWay>(
                    """
                    select distinct on (w.rule) w.rule, w.way, w.reason, p.display_name as decided_by, w.decided_at
                    from client_way w join person p on p.id = w.decided_by
                    where w.client_id = @clientId order by w.rule, w.id desc
                    """,
                    new { clientId }
                )
            ).Where(w => w.Way is not null),
        ];

    public Task Decide(Guid clientId, string rule, string? way, string reason, Guid by, DateTime at) =>
        db.Run(
            """
            insert into client_way (client_id, rule, way, reason, decided_by, decided_at) values (@clientId, @rule, @way, @reason, @by, @at)
            """,
            new
            {
                clientId,
                rule,
                way,
                reason = reason.Trim(),
                by,
                at,
            }
        );
}
