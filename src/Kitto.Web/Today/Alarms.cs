using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Kitto.Store;

namespace Kitto.Web.Today;

/// <summary>What every page of the studio is told at once: kits that were stopped, until somebody has put them away.</summary>
public static class Alarms
{
    /// <summary>How often it is looked, and so how late a page may be.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>Server-sent events: all alarms that stand, at once and whenever they change.</summary>
    public static IResult Stream(Kits kits, IHostApplicationLifetime life, CancellationToken gone) =>
        // A node that is to stop lets its pages go to another at once; they ask again by themselves.
        TypedResults.ServerSentEvents(Changes(kits, CancellationTokenSource.CreateLinkedTokenSource(gone, life.ApplicationStopping).Token));

    private static async IAsyncEnumerable<SseItem<IReadOnlyList<StoppedKit>>> Changes(Kits kits, [EnumeratorCancellation] CancellationToken gone)
    {
        using var timer = new PeriodicTimer(Every);
        IReadOnlyList<StoppedKit>? before = null;
        do
        {
            var now = await kits.Stopped();
            if (before is null || !now.SequenceEqual(before))
            {
                yield return new SseItem<IReadOnlyList<StoppedKit>>(now, "alarms");
                before = now;
            }
        } while (await Next(timer, gone));
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
