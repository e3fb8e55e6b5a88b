using System.Collections.Concurrent;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Security.Claims;
using Kitto.Store;
using Kitto.Web.Identity;

namespace Kitto.Web.Today;

/// <summary>What every page of the studio is told at once: kits that were stopped, until somebody has put them away.</summary>
public static class Alarms
{
    /// <summary>How often it is looked, and so how late a page may be.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>A stream ends after so long; the page asks for another, and shows who it is with that.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromMinutes(15);

    /// <summary>So many streams one session may have open: its pages in sight, on one device.</summary>
    public const int MostOfOneSession = 6;

    private static readonly ConcurrentDictionary<Guid, int> Streams = [];

    /// <summary>Server-sent events: all alarms there are, at once and whenever they change. Ended with the session.</summary>
    public static IResult Stream(ClaimsPrincipal user, Kits kits, People people, TimeProvider clock, IHostApplicationLifetime life, CancellationToken gone)
    {
        if (user.Session() is not { } session)
        {
            return TypedResults.Forbid();
        }

        if (Streams.AddOrUpdate(session, 1, (_, n) => n + 1) > MostOfOneSession)
        {
            Leave(session);
            return TypedResults.StatusCode(StatusCodes.Status429TooManyRequests);
        }

        // A node that is to stop lets its pages go to another at once; they ask again by themselves.
        var ends = CancellationTokenSource.CreateLinkedTokenSource(gone, life.ApplicationStopping);
        return TypedResults.ServerSentEvents(Changes(session, kits, people, clock, ends.Token));
    }

    private static void Leave(Guid session)
    {
        if (Streams.AddOrUpdate(session, 0, (_, n) => n - 1) <= 0)
        {
            Streams.TryRemove(KeyValuePair.Create(session, 0));
        }
    }

    private static async IAsyncEnumerable<SseItem<IReadOnlyList<StoppedKit>>> Changes(
        Guid session,
        Kits kits,
        People people,
        TimeProvider clock,
        [EnumeratorCancellation] CancellationToken gone
    )
    {
        using var left = new Leaving(session);
        using var timer = new PeriodicTimer(Every);
        IReadOnlyList<StoppedKit>? before = null;
        var until = clock.GetUtcNow() + Longest;
        do
        {
            if (clock.GetUtcNow() > until || await people.Stands(session, clock.GetUtcNow().UtcDateTime) is null)
            {
                yield break;
            }

            var now = await kits.Stopped();
            if (before is null || !now.SequenceEqual(before))
            {
                yield return new SseItem<IReadOnlyList<StoppedKit>>(now, "alarms");
                before = now;
            }
        } while (await Next(timer, gone));
    }

    /// <summary>Counts a stream out, however it ends.</summary>
    private sealed class Leaving(Guid session) : IDisposable
    {
        public void Dispose() => Leave(session);
    }

    /// <summary>Waits for the next look; not any longer where the page has gone.</summary>
    private static async Task<bool> Next(PeriodicTimer timer, CancellationToken gone)
    {
        try
        {
            return await timer.WaitForNextTickAsync(gone);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}
