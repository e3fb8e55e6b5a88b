using Dapper;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Safety;

namespace Kitto.Store;

/// <summary>How a kit was found to stand.</summary>
/// <param name="KitId">The kit.</param>
/// <param name="Turn">The turn it was found at; where something was written since, it is not kept.</param>
/// <param name="LookAt">When it has to be looked at again, UTC; null: not before something is written.</param>
/// <param name="Place">Its group on Today; null: none.</param>
/// <param name="PostOn">Its posting day.</param>
/// <param name="Days">What is still to come of it.</param>
public sealed record Found(Guid KitId, long Turn, DateTime? LookAt, KitPlace? Place, DateOnly? PostOn, IReadOnlyList<(DateOnly On, DayKind Kind)> Days);

/// <summary>A name in a week.</summary>
public sealed record NamedDay(DateOnly On, DayKind Kind, Guid KitId, Guid ClientId, string Client);

/// <summary>How kits stood when they were last looked at: lists and weeks are read from it. What opens a kit asks the gate.</summary>
public sealed class StandRecord(Database db)
{
    /// <summary>Kits that have to be looked at, those first that somebody has to see to.</summary>
    public Task<IReadOnlyList<(Guid KitId, long Turn)>> ToLookAt(DateTime now, int most) =>
        db.List<(Guid, long)>("select kit_id, turn from kit_stand where look_at <= @now order by place is null, kit_id limit @most", new { now, most });

    /// <summary>Studios in which something has to be looked at or sent.</summary>
    public Task<IReadOnlyList<int>> StudiosAtWork(DateTime now) => db.List<int>("select studios_at_work(@now)", new { now });

    /// <summary>Keeps what was found, where nothing was written since.</summary>
    public Task Keep(IReadOnlyList<Found> found) =>
        db.Together(async connection =>
        {
            var kept = (
                await connection.QueryAsync<Guid>(
                    """
                    update kit_stand s set look_at = coalesce(x.look_at, 'infinity'), place = x.place, post_on = coalesce(x.post_on, '1900-01-01')
                    from unnest(@kits, @turns, @looks::timestamptz[], @places, @posts::date[]) as x(id, turn, look_at, place, post_on)
                    where s.kit_id = x.id and s.turn = x.turn returning s.kit_id
                    """,
                    new
                    {
                        kits = found.Select(f => f.KitId).ToArray(),
                        turns = found.Select(f => f.Turn).ToArray(),
                        looks = found.Select(f => f.LookAt).ToArray(),
                        places = found.Select(f => f.Place is { } place ? Json.Name(place) : null).ToArray(),
                        posts = found.Select(f => f.PostOn?.ToDateTime(TimeOnly.MinValue)).ToArray(),
                    }
                )
            ).ToHashSet();
            var days = found.Where(f => kept.Contains(f.KitId)).SelectMany(f => f.Days.Select(d => (f.KitId, d.On, d.Kind))).ToList();
            await connection.ExecuteAsync(
                """
                delete from kit_day where kit_id = any(@all);
                insert into kit_day (kit_id, kind, day) select * from unnest(@kits, @kinds, @days::date[]) on conflict (studio_id, kit_id, kind) do update set day = excluded.day
                """,
                new
                {
                    all = kept.ToArray(),
                    kits = days.Select(d => d.KitId).ToArray(),
                    kinds = days.Select(d => Json.Name(d.Kind)).ToArray(),
                    days = days.Select(d => d.On.ToDateTime(TimeOnly.MinValue)).ToArray(),
                }
            );
        });

    /// <summary>How many kits each group of Today has.</summary>
    public async Task<IReadOnlyDictionary<KitPlace, int>> Counts() =>
        (await db.List<(string Place, int Kits)>("select place, count(*)::int from kit_stand where place is not null group by place"))
            .Where(c => Json.Named<KitPlace>(c.Place) is not null)
            .ToDictionary(c => Json.Named<KitPlace>(c.Place)!.Value, c => c.Kits);

    /// <summary>Kits of one group, those first that are posted first.</summary>
    /// <param name="place">The group.</param>
    /// <param name="from">How many are passed over.</param>
    /// <param name="most">How many are wanted.</param>
    public Task<IReadOnlyList<Guid>> In(KitPlace place, int from, int most) =>
        db.List<Guid>(
            "select kit_id from kit_stand where place = @place order by post_on, kit_id limit @most offset @from",
            new
            {
                place = Json.Name(place),
                from,
                most,
            }
        );

    /// <summary>For each day of a span, how often what is to come.</summary>
    public async Task<IReadOnlyDictionary<(DateOnly On, DayKind Kind), int>> Days(DateOnly from, DateOnly to) =>
        (
            await db.List<(DateOnly Day, string Kind, int Kits)>(
                "select day, kind, count(*)::int from kit_day where day between @from and @to group by day, kind",
                new { from, to }
            )
        ).ToDictionary(d => (d.Day, Json.Named<DayKind>(d.Kind)!.Value), d => d.Kits);

    /// <summary>Whose they are, so many of each at most.</summary>
    public async Task<ILookup<(DateOnly On, DayKind Kind), NamedDay>> Named(IEnumerable<(DateOnly On, DayKind Kind)> days, int most)
    {
        var asked = days.ToList();
        var rows = await db.List<(DateOnly Day, string Kind, Guid KitId, Guid ClientId, string Client)>(
            """
            select a.day, a.kind, d.kit_id, c.id, c.name
            from unnest(@days::date[], @kinds) as a(day, kind)
            cross join lateral (select kit_id from kit_day x where x.day = a.day and x.kind = a.kind order by kit_id limit @most) d
            join kit k on k.id = d.kit_id join client c on c.id = k.client_id order by c.name, k.id
            """,
            new
            {
                days = asked.Select(d => d.On.ToDateTime(TimeOnly.MinValue)).ToArray(),
                kinds = asked.Select(d => Json.Name(d.Kind)).ToArray(),
                most,
            }
        );
        return rows.Select(r => new NamedDay(r.Day, Json.Named<DayKind>(r.Kind)!.Value, r.KitId, r.ClientId, r.Client)).ToLookup(r => (r.On, r.Kind));
    }
}
