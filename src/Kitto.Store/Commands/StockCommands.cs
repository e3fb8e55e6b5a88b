using System.Security.Cryptography;
using Dapper;
using Npgsql;

namespace Kitto.Store.Commands;

/// <summary>Stock comes in, is counted, thrown away, recalled.</summary>
public sealed class StockCommands(Database db)
{
    /// <summary>Letters and digits that are not taken for one another.</summary>
    private const string CodeLetters = "23456789ABCDEFGHJKMNPQRSTVWXYZ";

    /// <summary>Most tubes that come in at once.</summary>
    public const int MostTubes = 500;

    /// <summary>Takes in tubes or bottles of a lot. A lot that is known takes more of them, if all that was said of it is the same.</summary>
    /// <param name="lot">The lot; its id counts only where it is new.</param>
    /// <param name="count">How many.</param>
    /// <param name="by">Who.</param>
    /// <param name="at">Now, UTC.</param>
    /// <returns>The codes for their labels.</returns>
    /// <exception cref="ConflictException">The lot is known with another day, size or price, or was recalled.</exception>
    public Task<IReadOnlyList<string>> Receive(Lot lot, int count, string by, DateTime at) =>
        db.Together<IReadOnlyList<string>>(async connection =>
        {
            await connection.ExecuteAsync(
                """
                insert into lot (id, line, item, number, expires_on, pack_grams, price, received_on) values (@Id, @Line, @Item, @Number, @ExpiresOn, @PackGrams, @Price, @ReceivedOn)
                on conflict (studio_id, line, item, number) do nothing
                """,
                lot
            );
            var known = await connection.QuerySingleAsync<Lot>(
                "select id, line, item, number, expires_on, pack_grams, price, received_on, recalled_at, recalled_why from lot where line = @Line and item = @Item and number = @Number for update",
                lot
            );
            if (known.RecalledAt is not null)
            {
                throw new ConflictException($"Lot {known.Number} of {known.Item} was recalled: {known.RecalledWhy}. Nothing of it comes in.");
            }

            if (known.ExpiresOn != lot.ExpiresOn || known.PackGrams != lot.PackGrams || known.Price != lot.Price)
            {
                throw new ConflictException(
                    $"Lot {known.Number} of {known.Item} is known already: {known.PackGrams:0.##} g, {(known.Price is { } price ? $"{price:0.00} each" : "no price")}, {(known.ExpiresOn is { } day ? $"to be used by {day:d MMM yyyy}" : "no day to be used by")}. More of it says the same, or the lot is changed first."
                );
            }

            var codes = new List<string>();
            while (codes.Count < count)
            {
                // A code that is taken already is drawn once more.
                string[] drawn = [.. Enumerable.Range(0, count - codes.Count).Select(_ => RandomNumberGenerator.GetString(CodeLetters, 6)).Distinct()];
                codes.AddRange(
                    await connection.QueryAsync<string>(
                        """
                        with came as (
                            insert into tube (id, lot_id, code, grams) select gen_random_uuid(), @lot, c, @PackGrams from unnest(@drawn) c on conflict (studio_id, code) do nothing returning id, code
                        ), moved as (
                            insert into stock_move (tube_id, kind, grams, moved_by, moved_at) select id, 'received', @PackGrams, @by, @at from came
                        )
                        select code from came
                        """,
                        new
                        {
                            lot = known.Id,
                            drawn,
                            known.PackGrams,
                            by,
                            at,
                        }
                    )
                );
            }

            return codes;
        });

    /// <summary>So much is really in a tube.</summary>
    public Task Count(Guid tube, decimal grams, string by, DateTime at, DateOnly today) => To(tube, grams, "counted", "counted", by, at, today);

    /// <summary>A tube is empty, whatever was counted in it.</summary>
    public Task End(Guid tube, string by, DateTime at, DateOnly today) =>
        db.Together(async connection =>
        {
            await To(connection, tube, 0, "counted", "it ended", by, at, today);
            await connection.ExecuteAsync("update tube set ended_at = @at where id = @tube and ended_at is null", new { tube, at });
        });

    /// <summary>Throws a tube away with what is in it.</summary>
    public Task Throw(Guid tube, string why, string by, DateTime at, DateOnly today) =>
        db.Together(async connection =>
        {
            await To(connection, tube, 0, "writtenOff", why, by, at, today);
            await connection.ExecuteAsync("update tube set ended_at = @at where id = @tube and ended_at is null", new { tube, at });
        });

    /// <summary>Recalls lots: nothing of them is poured from now on.</summary>
    public Task<int> Recall(IEnumerable<Guid> lots, string why, string by, DateTime at) =>
        db.Run(
            "update lot set recalled_at = @at, recalled_by = @by, recalled_why = @why where id = any(@lots) and recalled_at is null",
            new
            {
                lots = lots.ToArray(),
                why,
                by,
                at,
            }
        );

    /// <summary>Says which shade a code on a package means.</summary>
    public Task<int> Means(string code, string line, string item) =>
        db.Run(
            "insert into product_code (code, line, item) values (@code, @line, @item) on conflict (studio_id, code) do update set line = @line, item = @item",
            new
            {
                code,
                line,
                item,
            }
        );

    private Task To(Guid tube, decimal grams, string kind, string why, string by, DateTime at, DateOnly today) =>
        db.Together(connection => To(connection, tube, grams, kind, why, by, at, today));

    private static async Task To(NpgsqlConnection connection, Guid tube, decimal grams, string kind, string why, string by, DateTime at, DateOnly today)
    {
        decimal there = await connection.ExecuteScalarAsync<decimal>("select grams from tube where id = @tube for update", new { tube });
        if (there != grams)
        {
            await BenchCommands.Move(connection, tube, kind, grams - there, null, why, by, at, today);
        }
    }
}
