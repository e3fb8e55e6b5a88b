using System.Globalization;

namespace Kitto.Web.Delivery;

/// <summary>
/// Told to stop, a node first says that it is not ready, and goes on answering for as long as the one in front needs to notice; then it stops.
/// </summary>
public sealed class Drain(IHostApplicationLifetime life, IConfiguration settings) : IHostedLifecycleService
{
    /// <summary>Whether it was told to stop.</summary>
    public bool Leaving => life.ApplicationStopping.IsCancellationRequested;

    /// <summary>Goes on answering for KITTO_DRAIN seconds (0 to 60; 0 where nothing is said).</summary>
    public Task StoppingAsync(CancellationToken cancellationToken) =>
        double.TryParse(settings["KITTO_DRAIN"], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out double seconds) && seconds is > 0 and <= 60
            ? Task.Delay(TimeSpan.FromSeconds(seconds), CancellationToken.None)
            : Task.CompletedTask;

    public Task StartAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    public Task StartedAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    public Task StartingAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    public Task StopAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    public Task StoppedAsync(CancellationToken cancellationToken) => Task.CompletedTask;
}
