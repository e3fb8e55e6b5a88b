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

/// <summary>The kits of a month and a service: their sums, and what was reckoned and came of them.</summary>
public sealed record LedgerGroup(
    string Month,
    string Service,
    long Kits,
    decimal Goods,
    decimal Lost,
    decimal Rest,
    decimal Price,
    decimal Left,
    long Unknown,
    long Reported,
    long RanOut,
    double Promised,
    long Used,
    double LogUsed,
    double LogUsedSquares,
    long InBand,
    long Judged,
    long CameRight,
    long Near,
    long NearRight,
    long Timed,
    double LogPaint,
    double LogPaintSquares,
    long Runs,
    double LogContact,
    double LogContactSquares
)
{
    /// <summary>Groups by one of their names, as one sum each.</summary>
    public static IReadOnlyList<LedgerSum> By(IEnumerable<LedgerGroup> groups, Func<LedgerGroup, string> name) =>
        [
            .. groups
                .GroupBy(name)
                .Select(g => new LedgerSum(
                    g.Key,
                    g.Sum(x => x.Kits),
                    g.Sum(x => x.Goods),
                    g.Sum(x => x.Lost),
                    g.Sum(x => x.Rest),
                    g.Sum(x => x.Price),
                    g.Sum(x => x.Left),
                    g.Sum(x => x.Unknown)
                )),
        ];

    /// <summary>What was reckoned and what came, of all of them.</summary>
    public static TruthSums Truth(IReadOnlyList<LedgerGroup> groups, (long Grown, double Growth, double Squares) grown) =>
        new(
            groups.Sum(x => x.Reported),
            groups.Sum(x => x.RanOut),
            groups.Sum(x => x.Promised),
            groups.Sum(x => x.Used),
            groups.Sum(x => x.LogUsed),
            groups.Sum(x => x.LogUsedSquares),
            groups.Sum(x => x.InBand),
            groups.Sum(x => x.Judged),
            groups.Sum(x => x.CameRight),
            groups.Sum(x => x.Near),
            groups.Sum(x => x.NearRight),
            groups.Sum(x => x.Timed),
            groups.Sum(x => x.LogPaint),
            groups.Sum(x => x.LogPaintSquares),
            groups.Sum(x => x.Runs),
            groups.Sum(x => x.LogContact),
            groups.Sum(x => x.LogContactSquares),
            grown.Grown,
            grown.Growth,
            grown.Squares
        );
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
    private const string Sums = """
        count(*) as kits, sum(goods) as goods, sum(lost) as lost, sum(containers + postage + labour) as rest, sum(price) as price, sum(left_cost) as left,
        count(*) filter (where not known) as unknown
        """;

    /// <summary>Sums of a month and a service, with what was reckoned of their kits and what came: one look at every kit.</summary>
    public Task<IReadOnlyList<LedgerGroup>> Groups(DateOnly from, DateOnly to) =>
        db.List<LedgerGroup>(
            $"""
            select to_char(date_trunc('month', booked_on), 'YYYY-MM') as month, service, {Sums},
                   count(*) filter (where reported) as reported, count(*) filter (where ran_out) as ran_out, coalesce(sum(promised) filter (where reported), 0) as promised,
                   count(log_used) as used, coalesce(sum(log_used), 0) as log_used, coalesce(sum(log_used * log_used), 0) as log_used_squares, count(*) filter (where in_band) as in_band,
                   count(came_right) filter (where delta_e is not null) as judged, count(*) filter (where came_right and delta_e is not null) as came_right,
                   count(came_right) filter (where delta_e < 2) as near, count(*) filter (where came_right and delta_e < 2) as near_right,
                   count(log_paint) as timed, coalesce(sum(log_paint), 0) as log_paint, coalesce(sum(log_paint * log_paint), 0) as log_paint_squares,
                   count(log_contact) as runs, coalesce(sum(log_contact), 0) as log_contact, coalesce(sum(log_contact * log_contact), 0) as log_contact_squares
            from kit_account where booked_on between @from and @to
            group by date_trunc('month', booked_on), service
            """,
            new { from, to }
        );

    /// <summary>The clients whose kits came to most.</summary>
    public Task<IReadOnlyList<LedgerSum>> ByClient(DateOnly from, DateOnly to, int most) =>
        db.List<LedgerSum>(
            $"""
            select c.name, s.kits, s.goods, s.lost, s.rest, s.price, s.left, s.unknown
            from (
                select client_id, {Sums} from kit_account
                where booked_on between @from and @to
                  and client_id in (select client_id from kit_account where booked_on between @from and @to group by 1 order by sum(price) desc limit @most)
                group by 1
            ) s join client c on c.id = s.client_id
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
            "select line, count(*), sum(goods), sum(lost) from kit_goods where booked_on between @from and @to group by 1 order by 3 desc",
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
            """
            select a.kit_id, c.name as client, k.number, a.service, a.booked_on, a.goods, a.lost, a.containers, a.postage, a.labour, a.minutes, a.price, a.left_cost as left, a.known
            from kit_account a join kit k on k.id = a.kit_id join client c on c.id = a.client_id
            where a.booked_on between @from and @to order by a.booked_on, c.name, k.number
            """,
            new { from, to }
        );

    /// <summary>Regrowth that was measured after a colour day, in millimetres a month: how many heads, their sum, the sum of their squares.</summary>
    public Task<(long Grown, double Growth, double Squares)> Grown(DateOnly from, DateOnly to) =>
        db.On(connection =>
            connection.QuerySingleAsync<(long, double, double)>(
                """
                select count(*), coalesce(sum(rate), 0), coalesce(sum(rate * rate), 0)
                from (select grown_mm / nullif(taken_at::date - grown_since, 0) * 30.4375 as rate from reading where grown_since is not null and taken_at::date between @from and @to) x
                where rate is not null
                """,
                new { from, to }
            )
        );
}
