using Dapper;
using Kitto.Core.Ledger;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>What is kept of a kit when it is packed.</summary>
/// <param name="Weighed">As it was weighed, as a document.</param>
/// <param name="WantsYes">Whether what differs goes back to a colourist first.</param>
/// <param name="SentGrams">Grams of mix in the box.</param>
/// <param name="Containers">Sachets and bottles in the box.</param>
/// <param name="Service">What it is.</param>
/// <param name="Promised">Share of such kits that do not run out.</param>
/// <param name="LowGrams">Nine in ten use more.</param>
/// <param name="UseGrams">These hands are likely to use so much.</param>
/// <param name="HighGrams">Nine in ten use less.</param>
/// <param name="ResidueGrams">Stays on the vessels.</param>
/// <param name="DeltaE">Forecast from the wish, dE00; null where there is none.</param>
/// <param name="PaintMinutes">Planned for painting.</param>
/// <param name="ContactMinutes">Planned from the first stroke to the rinse.</param>
public sealed record PackedKit(
    string Weighed,
    bool WantsYes,
    decimal SentGrams,
    int Containers,
    string Service,
    double Promised,
    double LowGrams,
    double UseGrams,
    double HighGrams,
    double ResidueGrams,
    double? DeltaE,
    double PaintMinutes,
    double ContactMinutes
);

/// <summary>Books a packed kit: grams by the price of their lot, containers, postage, minutes; all in decimals, to the cent.</summary>
internal static class KitBooking
{
    private sealed record Taken(string Line, string Kind, decimal Cost, bool Known);

    /// <summary>Books it, over what was booked of it before it was taken back.</summary>
    public static async Task Book(NpgsqlConnection connection, Kit kit, PackedKit packed, DateOnly today)
    {
        var prices = Studio.Reckons(await connection.QuerySingleAsync<string>("select prices::text from studio"));
        decimal? postage = await connection.ExecuteScalarAsync<decimal?>(
            "select d.postage from client c join destination d on d.id = c.destination_id where c.id = @ClientId",
            new { kit.ClientId }
        );
        var taken = (
            await connection.QueryAsync<Taken>(
                """
                select l.line, case when m.kind = 'writtenOff' then 'lost' else 'goods' end as kind, coalesce(sum(-m.grams * l.price / l.pack_grams), 0) as cost,
                       bool_and(l.price is not null) as known
                from stock_move m join tube t on t.id = m.tube_id join lot l on l.id = t.lot_id
                where m.kit_id = @Id group by 1, 2
                """,
                new { kit.Id }
            )
        ).ToList();
        var told = (
            await connection.QueryAsync<DateTime>("select said_at from bench_event where kit_id = @Id and kind <> 'excused' order by seq", new { kit.Id })
        ).ToList();
        decimal minutes = told.Count > 1 ? Prices.Minutes(told) : prices.UsualMinutes;
        string[] lines = [.. taken.Select(t => t.Line).Distinct().Order(StringComparer.Ordinal)];
        decimal[] Cents(string kind) => Prices.ToCents([.. lines.Select(l => Math.Max(0, taken.Where(t => t.Line == l && t.Kind == kind).Sum(t => t.Cost)))]);
        var (goods, lost) = (Cents("goods"), Cents("lost"));
        decimal containers = Math.Round(packed.Containers * prices.Container + prices.Box, 2, MidpointRounding.ToEven),
            labour = prices.Labour(minutes),
            cost = goods.Sum() + lost.Sum() + containers + (postage ?? 0) + labour;
        await connection.ExecuteAsync("delete from kit_account where kit_id = @Id", new { kit.Id });
        await connection.ExecuteAsync(
            """
            insert into kit_account (kit_id, client_id, service, booked_on, goods, lost, containers, postage, labour, minutes, price, known, sent_g, promised, low_g, use_g, high_g, residue_g, delta_e, paint_min, contact_min)
            values (@Id, @ClientId, @Service, @today, @goods, @lost, @containers, @postage, @labour, @minutes, @price, @known, @SentGrams, @Promised, @LowGrams, @UseGrams, @HighGrams, @ResidueGrams, @DeltaE, @PaintMinutes, @ContactMinutes)
            """,
            new
            {
                kit.Id,
                kit.ClientId,
                packed.Service,
                today,
                goods = goods.Sum(),
                lost = lost.Sum(),
                containers,
                postage = postage ?? 0,
                labour,
                minutes,
                price = prices.Asked(cost),
                known = taken.Count > 0 && taken.All(t => t.Known) && postage is not null,
                packed.SentGrams,
                packed.Promised,
                packed.LowGrams,
                packed.UseGrams,
                packed.HighGrams,
                packed.ResidueGrams,
                packed.DeltaE,
                packed.PaintMinutes,
                packed.ContactMinutes,
            }
        );
        await connection.ExecuteAsync(
            "insert into kit_goods (kit_id, line, booked_on, goods, lost) values (@kit, @line, @today, @goods, @lost)",
            lines.Select(
                (line, i) =>
                    new
                    {
                        kit = kit.Id,
                        line,
                        today,
                        goods = goods[i],
                        lost = lost[i],
                    }
            )
        );
    }
}
