using Kitto.Store;
using Kitto.Web.Delivery;

namespace Kitto.Web.Today;

/// <summary>Every few seconds looks at the kits of which something was written, says what is due, and sends what waits; in those studios alone where there is any.</summary>
public sealed class MessageRounds(
    KitLooks looks,
    ClientMessageSender sender,
    StandRecord stands,
    Studios studios,
    Nodes nodes,
    Trail trail,
    TimeProvider clock,
    ILogger<MessageRounds> log
) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(6);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every);
        do
        {
            try
            {
                var now = clock.GetUtcNow().UtcDateTime;
                foreach (int studio in await stands.StudiosAtWork(now))
                {
                    await In(studio, () => Round(stoppingToken));
                }

                if (await nodes.Turn("trail", now, TimeSpan.FromDays(1)))
                {
                    foreach (int studio in await studios.All())
                    {
                        await In(studio, trail.Forget);
                    }
                }
            }
            catch (Exception wrong) when (wrong is not OperationCanceledException)
            {
                // Whatever is wrong with the database, the pages go on without it.
                WebLog.NoMessages(log, wrong);
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private async Task Round(CancellationToken stop)
    {
        // After an update every kit is looked at once: many lots, each kept by itself.
        while (!stop.IsCancellationRequested && await looks.Look(batches: 1) == KitLooks.Batch) { }

        await sender.Send(stop);
    }

    /// <summary>Something in one studio; what goes wrong with it is no other's.</summary>
    private async Task In(int studio, Func<Task> what)
    {
        using var stay = CurrentStudio.Enter(studio);
        try
        {
            await what();
        }
        catch (Exception wrong) when (wrong is not OperationCanceledException)
        {
            WebLog.NoMessages(log, wrong);
        }
    }
}
