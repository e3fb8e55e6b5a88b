namespace Kitto.Store;

/// <summary>A lot of a shade or a strength.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Line">Id of the line.</param>
/// <param name="Item">A shade's code or a strength such as "20 vol".</param>
/// <param name="Number">The lot's number, as printed.</param>
/// <param name="ExpiresOn">Not used after this day; null: none is printed.</param>
/// <param name="PackGrams">Grams in a full tube or bottle.</param>
/// <param name="Price">Price of one tube or bottle; null: not known.</param>
/// <param name="ReceivedOn">When it came in.</param>
/// <param name="RecalledAt">When it was recalled, UTC; null: it was not.</param>
/// <param name="RecalledWhy">Why.</param>
public sealed record Lot(
    Guid Id,
    string Line,
    string Item,
    string Number,
    DateOnly? ExpiresOn,
    decimal PackGrams,
    decimal? Price,
    DateOnly ReceivedOn,
    DateTime? RecalledAt = null,
    string? RecalledWhy = null
);

/// <summary>A tube or bottle with what its lot says.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Code">The code on its own label.</param>
/// <param name="LotId">Its lot.</param>
/// <param name="Line">Id of the line.</param>
/// <param name="Item">A shade's code or a strength.</param>
/// <param name="Number">The lot's number.</param>
/// <param name="ExpiresOn">Not used after this day.</param>
/// <param name="PackGrams">Grams when full.</param>
/// <param name="Price">Price when full; null: not known.</param>
/// <param name="OpenedOn">When it was opened; null: it is full and closed.</param>
/// <param name="Grams">Grams in it.</param>
/// <param name="EndedAt">When it was empty, UTC.</param>
/// <param name="RecalledAt">When its lot was recalled, UTC.</param>
/// <param name="RecalledWhy">Why.</param>
public sealed record Tube(
    Guid Id,
    string Code,
    Guid LotId,
    string Line,
    string Item,
    string Number,
    DateOnly? ExpiresOn,
    decimal PackGrams,
    decimal? Price,
    DateOnly? OpenedOn,
    decimal Grams,
    DateTime? EndedAt,
    DateTime? RecalledAt,
    string? RecalledWhy
)
{
    /// <summary>Price of some grams of it; null where it is not known.</summary>
    public decimal? Cost(decimal grams) => Price is { } price ? price * grams / PackGrams : null;

    /// <summary>Why nothing is poured from it; null where something may be.</summary>
    public string? Refused(DateOnly today) =>
        RecalledAt is { } when ? $"Lot {Number} was recalled on {when:d MMM yyyy}: {RecalledWhy}. Nothing of it is used."
        : ExpiresOn is { } last && last < today ? $"Lot {Number} was to be used by {last:d MMM yyyy}. Nothing of it is used."
        : EndedAt is not null ? $"{Code} is empty."
        : null;
}

/// <summary>Grams of an item at hand: what may be poured today.</summary>
public sealed record AtHand(string Line, string Item, decimal Grams, int Closed, int Opened, DateOnly? FirstExpiry);

/// <summary>A package's code and what it means.</summary>
public sealed record ProductCode(string Code, string Line, string Item);

/// <summary>Which kit something of a lot went into.</summary>
public sealed record LotUse(
    Guid KitId,
    int KitNumber,
    Guid ClientId,
    string Client,
    string Phone,
    string? Email,
    string Language,
    string State,
    string Item,
    decimal Grams,
    DateTime LastAt,
    DateOnly? ColourOn
);

/// <summary>Lots, tubes and what became of them.</summary>
public sealed class StockRecord(Database db)
{
    internal const string TubeSql = """
        select t.id, t.code, t.lot_id, l.line, l.item, l.number, l.expires_on, l.pack_grams, l.price, t.opened_on, t.grams, t.ended_at, l.recalled_at, l.recalled_why
        from tube t join lot l on l.id = t.lot_id
        """;

    /// <summary>Tubes that are not empty, in the order they are used up: opened before closed, then what must be used first.</summary>
    public Task<IReadOnlyList<Tube>> Tubes() => db.List<Tube>($"{TubeSql} where t.ended_at is null order by l.line, l.item, {Oldest}");

    /// <summary>The same of one item.</summary>
    public Task<IReadOnlyList<Tube>> Tubes(string line, string item) =>
        db.List<Tube>($"{TubeSql} where t.ended_at is null and l.line = @line and l.item = @item order by {Oldest} limit 200", new { line, item });

    private const string Oldest = "t.opened_on nulls last, l.expires_on nulls last, l.received_on, t.id";

    /// <summary>The tube of a code or an id; null where there is none.</summary>
    public Task<Tube?> Find(string code) => db.One<Tube>($"{TubeSql} where t.code = upper(@code)", new { code });

    /// <summary>Tubes by their ids, empty ones too.</summary>
    public Task<IReadOnlyList<Tube>> Of(IEnumerable<Guid> ids) => db.List<Tube>($"{TubeSql} where t.id = any(@ids)", new { ids = ids.Distinct().ToArray() });

    /// <summary>What may be poured today.</summary>
    public Task<IReadOnlyList<AtHand>> AtHand(DateOnly today) =>
        db.List<AtHand>(
            """
            select l.line, l.item, sum(t.grams) as grams, count(*) filter (where t.opened_on is null)::int as closed, count(*) filter (where t.opened_on is not null)::int as opened,
                   min(l.expires_on) as first_expiry
            from tube t join lot l on l.id = t.lot_id
            where t.ended_at is null and l.recalled_at is null and (l.expires_on is null or l.expires_on >= @today)
            group by l.line, l.item order by l.line, l.item
            """,
            new { today }
        );

    /// <summary>Lots, the newest first.</summary>
    public Task<IReadOnlyList<Lot>> Lots() =>
        db.List<Lot>(
            "select id, line, item, number, expires_on, pack_grams, price, received_on, recalled_at, recalled_why from lot order by received_on desc, line, item, number limit 500"
        );

    /// <summary>Lots of that number; a number may be printed on several shades.</summary>
    public Task<IReadOnlyList<Lot>> LotsOf(string number) =>
        db.List<Lot>(
            "select id, line, item, number, expires_on, pack_grams, price, received_on, recalled_at, recalled_why from lot where lower(number) = lower(trim(@number)) order by line, item",
            new { number }
        );

    /// <summary>What a code on a package means; null where nobody has said.</summary>
    public Task<ProductCode?> Means(string code) => db.One<ProductCode>("select code, line, item from product_code where code = @code", new { code });

    /// <summary>Codes on packages.</summary>
    public Task<IReadOnlyList<ProductCode>> Codes() => db.List<ProductCode>("select code, line, item from product_code order by line, item, code");

    /// <summary>Every kit that holds, or held, something of a lot.</summary>
    public Task<IReadOnlyList<LotUse>> UsesOf(IEnumerable<Guid> lots) =>
        db.List<LotUse>(
            """
            select k.id as kit_id, k.number as kit_number, c.id as client_id, c.name as client, c.phone, c.email, c.language, k.state, l.item,
                   -sum(m.grams) filter (where m.kind in ('poured', 'unpoured')) as grams, max(m.moved_at) as last_at, k.colour_on
            from stock_move m join tube t on t.id = m.tube_id join lot l on l.id = t.lot_id join kit k on k.id = m.kit_id join client c on c.id = k.client_id
            where l.id = any(@lots)
            group by k.id, k.number, c.id, c.name, c.phone, c.email, c.language, k.state, l.item, k.colour_on
            having sum(m.grams) filter (where m.kind in ('poured', 'unpoured')) < 0
            order by last_at desc
            """,
            new { lots = lots.ToArray() }
        );

    /// <summary>Grams received, poured, written off and counted, and what tubes hold: the first is always the sum of the others.</summary>
    public Task<(decimal Received, decimal Poured, decimal WrittenOff, decimal Counted, decimal There)> Balance() =>
        db.On(async connection =>
            await Dapper.SqlMapper.QuerySingleAsync<(decimal, decimal, decimal, decimal, decimal)>(
                connection,
                """
                select coalesce(sum(grams) filter (where kind = 'received'), 0), coalesce(-sum(grams) filter (where kind in ('poured', 'unpoured')), 0),
                       coalesce(-sum(grams) filter (where kind = 'writtenOff'), 0), coalesce(sum(grams) filter (where kind = 'counted'), 0), (select coalesce(sum(grams), 0) from tube)
                from stock_move
                """
            )
        );
}
