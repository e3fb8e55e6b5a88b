using Dapper;
using Kitto.Core.Ledger;

namespace Kitto.Store;

/// <summary>Sums of the kits of a month, a line, a client or a service.</summary>
/// <param name="Name">Which.</param>
/// <param name="Kits">How many.</param>
/// <param name="Goods">What went into the boxes.</param>
/// <param name="Lost">What was thrown away at the bench.</param>
/// <param name="Rest">Containers, postage and minutes.</param>
/// <param name="Price">What was asked.</param>
/// <param name="Left">What was thrown away at the clients': the goods by the share that was left over.</param>
/// <param name="Unknown">Kits in which something has no price.</param>
public sealed record LedgerSum(string Name, long Kits, decimal Goods, decimal Lost, decimal Rest, decimal Price, decimal Left, long Unknown)
{
    /// <summary>What they cost.</summary>
    public decimal Cost => Goods + Lost + Rest;

    /// <summary>What is left of what was asked.</summary>
    public decimal Margin => Price - Cost;
}

/// <summary>One kit in the ledger.</summary>
public sealed record LedgerKit(
    Guid KitId,
    string Client,
    int Number,
    string Service,
    DateOnly BookedOn,
    decimal Goods,
    decimal Lost,
    decimal Containers,
    decimal Postage,
    decimal Labour,
    decimal Minutes,
    decimal Price,
    decimal Left,
    bool Known
)
{
    /// <summary>What it cost.</summary>
    public decimal Cost => Goods + Lost + Containers + Postage + Labour;
}

/// <summary>The ledger: what kits cost and brought, and how true what was reckoned of them was.</summary>
public sealed class LedgerRecord(Database db)
{
    private const string Left =
        "case when o.kit_id is null or a.sent_g = 0 then 0 else round(a.goods * least(o.left_grams::numeric, a.sent_g) / a.sent_g, 2) end";

    private const string Sums = $"""
        count(*) as kits, sum(a.goods) as goods, sum(a.lost) as lost, sum(a.containers + a.postage + a.labour) as rest, sum(a.price) as price,
        sum({Left}) as left, count(*) filter (where not a.known) as unknown
        from kit_account a left join outcome_report o on o.kit_id = a.kit_id
        """;

    /// <summary>Month by month, the newest first.</summary>
    public Task<IReadOnlyList<LedgerSum>> ByMonth(DateOnly from, DateOnly to) =>
        db.List<LedgerSum>(
            $"select to_char(a.booked_on, 'YYYY-MM') as name, {Sums} where a.booked_on between @from and @to group by 1 order by 1 desc",
            new { from, to }
        );

    /// <summary>Service by service.</summary>
    public Task<IReadOnlyList<LedgerSum>> ByService(DateOnly from, DateOnly to) =>
        db.List<LedgerSum>($"select a.service as name, {Sums} where a.booked_on between @from and @to group by 1 order by sum(a.price) desc", new { from, to });

    /// <summary>The clients whose kits came to most.</summary>
    public Task<IReadOnlyList<LedgerSum>> ByClient(DateOnly from, DateOnly to, int most) =>
        db.List<LedgerSum>(
            $"""
            select c.name, s.kits, s.goods, s.lost, s.rest, s.price, s.left, s.unknown
            from (select a.client_id, {Sums} where a.booked_on between @from and @to group by 1 order by sum(a.price) desc limit @most) s join client c on c.id = s.client_id
            order by s.price desc, c.name
            """,
            new
            {
                from,
                to,
                most,
            }
        );

    /// <summary>Line by line: goods and loss alone, which is what a line has.</summary>
    public Task<IReadOnlyList<(string Line, long Kits, decimal Goods, decimal Lost)>> ByLine(DateOnly from, DateOnly to) =>
        db.List<(string, long, decimal, decimal)>(
            "select g.line, count(*), sum(g.goods), sum(g.lost) from kit_goods g join kit_account a on a.kit_id = g.kit_id where a.booked_on between @from and @to group by 1 order by 3 desc",
            new { from, to }
        );

    /// <summary>What was thrown away of tubes, by no kit, at what it cost.</summary>
    public Task<decimal> ThrownAway(DateTime from, DateTime to) =>
        db.One<decimal>(
            """
            select coalesce(round(sum(-m.grams * l.price / l.pack_grams), 2), 0) from stock_move m join tube t on t.id = m.tube_id join lot l on l.id = t.lot_id
            where m.kind = 'writtenOff' and m.kit_id is null and m.moved_at >= @from and m.moved_at < @to
            """,
            new { from, to }
        );

    /// <summary>Every kit of a span.</summary>
    public Task<IReadOnlyList<LedgerKit>> Kits(DateOnly from, DateOnly to) =>
        db.List<LedgerKit>(
            $"""
            select a.kit_id, c.name as client, k.number, a.service, a.booked_on, a.goods, a.lost, a.containers, a.postage, a.labour, a.minutes, a.price, {Left} as left, a.known
            from kit_account a join kit k on k.id = a.kit_id join client c on c.id = a.client_id left join outcome_report o on o.kit_id = a.kit_id
            where a.booked_on between @from and @to order by a.booked_on, c.name, k.number
            """,
            new { from, to }
        );

    /// <summary>What was reckoned and what came, over a span.</summary>
    public Task<TruthSums> Truth(DateOnly from, DateOnly to) =>
        db.On(connection =>
            connection.QuerySingleAsync<TruthSums>(
                """
                select count(o.kit_id) as reported, count(*) filter (where o.ran_out) as ran_out, coalesce(sum(a.promised), 0) as promised,
                       count(u.used) as used, coalesce(sum(ln(u.used / a.use_g)), 0) as log_used, coalesce(sum(ln(u.used / a.use_g) ^ 2), 0) as log_used_squares,
                       count(*) filter (where u.used between a.low_g and a.high_g) as in_band,
                       count(*) filter (where a.delta_e is not null) as judged, count(*) filter (where a.delta_e is not null and r.well) as came_right,
                       count(*) filter (where a.delta_e < 2) as near, count(*) filter (where a.delta_e < 2 and r.well) as near_right,
                       count(p.times) as timed, coalesce(sum(ln(p.times)), 0) as log_paint, coalesce(sum(ln(p.times) ^ 2), 0) as log_paint_squares,
                       g.grown, g.growth, g.growth_squares
                from (
                    select count(*) as grown, coalesce(sum(rate), 0) as growth, coalesce(sum(rate ^ 2), 0) as growth_squares
                    from (select grown_mm / nullif(taken_at::date - grown_since, 0) * 30.4375 as rate from reading where grown_since is not null and taken_at::date between @from and @to) x where rate is not null
                ) g left join (kit_account a join outcome_report o on o.kit_id = a.kit_id) on o.applied_on between @from and @to
                left join lateral (select a.sent_g::float8 - a.residue_g - o.left_grams as used where o.weighed and not o.ran_out and a.sent_g::float8 - a.residue_g - o.left_grams > 0 and a.use_g > 0) u on true
                left join lateral (select o.depth = 'right' and o.tone = 'right' as well) r on true
                left join lateral (select o.minutes / a.paint_min as times where o.minutes > 0 and a.paint_min > 0) p on true
                group by g.grown, g.growth, g.growth_squares
                """,
                new { from, to }
            )
        );
}
