using Kitto.Store;

namespace Kitto.Web.Delivery;

/// <summary>Tells alive from ready: alive is who answers; ready is who can also write.</summary>
public static class Health
{
    /// <summary>Tries a write. 200 where it went, 503 where it did not or where this node is about to stop, with what is known.</summary>
    public static async Task<IResult> Ready(Database db, Drain drain, CancellationToken gone)
    {
        if (drain.Leaving)
        {
            return NotReady("this node was told to stop");
        }

        try
        {
            await db.Run("insert into heartbeat (id, at) values (1, now()) on conflict (id) do update set at = excluded.at")
                .WaitAsync(TimeSpan.FromSeconds(5), gone);
            return Results.Json(new { alive = true, ready = true });
        }
        catch (Exception wrong) when (wrong is Npgsql.NpgsqlException or TimeoutException or System.Net.Sockets.SocketException)
        {
            return NotReady("the database takes no writes");
        }
    }

    private static IResult NotReady(string because) =>
        Results.Json(
            new
            {
                alive = true,
                ready = false,
                because,
            },
            statusCode: StatusCodes.Status503ServiceUnavailable
        );
}
