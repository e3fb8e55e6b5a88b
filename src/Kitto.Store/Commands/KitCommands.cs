using Kitto.Core.Clock;
using Kitto.Core.Safety;
using Kitto.Core.Wording;

namespace Kitto.Store.Commands;

/// <summary>Where a kit goes: packed, posted, taken back, moved to another day, called off, a part of it sent once more. The client is held while it is written.</summary>
public sealed class KitCommands(Database db)
{
    private const string Elsewhere = "This kit has been changed by someone else meanwhile; look again.";

    /// <summary>Posts a packed kit. The gate is asked while the client is held; what was posted arrives counted from the day it really went. How it comes to be packed is the bench's.</summary>
    /// <exception cref="ConflictException">It is not where the person saw it, or a stop holds.</exception>
    public Task Post(Kit seen, DateOnly today, DateTime at) =>
        db.Together(async connection => await Move(await Held.Of(connection, seen.ClientId), seen, KitStep.Posted, today, at));

    internal static async Task Move(Held held, Kit seen, KitStep to, DateOnly today, DateTime at)
    {
        var verdict = Gate.Of(await held.Record(), (await held.Kit(seen.Id)).Gate, RunState.None, at, today);
        if (!verdict.MayGoOn)
        {
            throw new ConflictException($"A stop holds: {Language.English.Says(verdict.Stops[0])} Nothing of this kit is packed or posted.");
        }

        bool posted = to == KitStep.Posted;
        var days = posted ? seen.Days.PostedOn(today, seen.TransitDays) : seen.Days;
        await Changed(
            held,
            """
            update kit set state = @state, version = version + 1,
                   packed_at = case when @posted then packed_at else @at end, posted_at = case when @posted then @at end,
                   post_on = @PostOn, arrives_on = @ArrivesOn, skin_on = @SkinOn, strand_on = @StrandOn
            where id = @Id and version = @Version and state = @from
            """,
            new
            {
                seen.Id,
                seen.Version,
                state = posted ? "posted" : "packed",
                from = posted ? "packed" : "signed",
                posted,
                at,
                days.PostOn,
                days.ArrivesOn,
                days.SkinOn,
                days.StrandOn,
            }
        );
    }

    /// <summary>Takes packing or posting back: it was tapped too early. Once the guide of a posted kit was opened, it is there.</summary>
    /// <exception cref="ConflictException">The client has opened the guide, or it is not where the person saw it.</exception>
    public Task TakeBack(Kit seen) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, seen.ClientId);
            if ((await held.Kit(seen.Id)).OpenedAt is not null)
            {
                throw new ConflictException(
                    "The client has opened the guide of this kit: it is there, and posting is not taken back any more. You can call it off."
                );
            }

            await Changed(
                held,
                """
                update kit set version = version + 1, packed_at = case when state = 'posted' then packed_at end, posted_at = null,
                       state = case state when 'posted' then 'packed' else 'signed' end
                where id = @Id and version = @Version and state in ('packed', 'posted')
                """,
                new { seen.Id, seen.Version }
            );
            await held.Execute(
                "delete from kit_account where kit_id = @Id and exists (select 1 from kit where id = @Id and state = 'signed')",
                new { seen.Id }
            );
            // What has not gone yet of what posting said does not go.
            await held.Execute("delete from message where key like @keys and sent_at is null and claimed_at is null", new { keys = $"kit:{seen.Id:N}:%" });
        });

    /// <summary>Moves the days of a kit. What was said of the old ones may be said again of the new.</summary>
    /// <exception cref="ConflictException">It is not where the person saw it.</exception>
    public Task MoveDays(Kit seen, KitDays days) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, seen.ClientId);
            await Changed(
                held,
                """
                update kit set fill_on = @FillOn, post_on = @PostOn, arrives_on = @ArrivesOn, skin_on = @SkinOn, strand_on = @StrandOn, colour_on = @ColourOn, due_on = @DueOn, version = version + 1
                where id = @Id and version = @Version and state in ('signed', 'packed', 'posted')
                """,
                new
                {
                    seen.Id,
                    seen.Version,
                    days.FillOn,
                    days.PostOn,
                    days.ArrivesOn,
                    days.SkinOn,
                    days.StrandOn,
                    days.ColourOn,
                    days.DueOn,
                }
            );
            await held.Execute(
                "update message set key = key || ':' || @version where key = any(@keys)",
                new
                {
                    version = seen.Version.ToString(),
                    keys = new[] { ClientMessage.ColourTomorrow, ClientMessage.NotTomorrow, ClientMessage.ReportDue, ClientMessage.DayMoved }
                        .Select(m => seen.MessageKey(m))
                        .ToArray(),
                }
            );
        });

    /// <summary>Calls a kit off. With colour on the head its guide sees it through all the same.</summary>
    /// <exception cref="ConflictException">It is not where the person saw it.</exception>
    public Task CallOff(Kit seen, string why, string by, DateTime at) =>
        db.Together(async connection =>
        {
            var held = await Held.Of(connection, seen.ClientId);
            await CallOff(held, seen.Id, seen.Version, why, by, at);
        });

    internal static async Task CallOff(Held held, Guid id, int? version, string why, string by, DateTime at) =>
        await Changed(
            held,
            """
            update kit set state = 'closed', cancelled_at = @at, cancelled_by = @by, cancelled_why = @why, version = version + 1
            where id = @id and (version = @version or @version is null) and client_id = @ClientId and state in ('signed', 'packed', 'posted')
            """,
            new
            {
                id,
                version,
                why,
                by,
                at,
                held.ClientId,
            }
        );

    /// <summary>A part is sent once more.</summary>
    public Task Replace(Kit kit, string part, string why, string by, DateTime at) =>
        db.Run(
            "insert into kit_replacement (id, kit_id, part, why, asked_by, asked_at) values (@id, @kit, @part, @why, @by, @at)",
            new
            {
                id = Guid.CreateVersion7(),
                kit = kit.Id,
                part,
                why,
                by,
                at,
            }
        );

    /// <summary>A part that was sent once more is there.</summary>
    public Task<int> Arrived(Kit kit, Guid replacement, DateTime at) =>
        db.Run(
            "update kit_replacement set there_at = @at where id = @replacement and kit_id = @Id and there_at is null",
            new
            {
                replacement,
                kit.Id,
                at,
            }
        );

    /// <summary>The guide of a posted kit was opened by whoever has its link.</summary>
    public Task<int> Opened(Guid id, DateTime at) =>
        db.Run("update kit set opened_at = @at where id = @id and opened_at is null and posted_at is not null", new { id, at });

    private static async Task Changed(Held held, string sql, object with)
    {
        if (await held.Execute(sql, with) == 0)
        {
            throw new ConflictException(Elsewhere);
        }
    }
}
