using System.Net;
using System.Net.Sockets;

namespace Kitto.Web.Tests;

/// <summary>A mail server on loopback that does as it is told: takes, refuses, or drops the line once it has the message.</summary>
public sealed class FakeMailServer : IDisposable
{
    private readonly TcpListener listener = new(IPAddress.Loopback, 0);
    private readonly CancellationTokenSource stop = new();

    public FakeMailServer()
    {
        listener.Start();
        _ = Serve();
    }

    public Uri Address => new($"smtp://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}");

    public string Manner { get; set; } = "take";

    public List<string> Taken { get; } = [];

    public void Dispose()
    {
        stop.Cancel();
        listener.Stop();
        stop.Dispose();
    }

    private async Task Serve()
    {
        while (!stop.IsCancellationRequested)
        {
            using var client = await listener.AcceptTcpClientAsync(stop.Token);
            using var reader = new StreamReader(client.GetStream());
            await using var writer = new StreamWriter(client.GetStream()) { NewLine = "\r\n", AutoFlush = true };
            await writer.WriteLineAsync("220 here");
            while (await reader.ReadLineAsync() is { } line)
            {
                if (line.StartsWith("RCPT", StringComparison.Ordinal) && Manner == "refuse")
                {
                    await writer.WriteLineAsync("550 not here");
                }
                else if (line == "DATA")
                {
                    await writer.WriteLineAsync("354 go on");
                    var text = new List<string>();
                    while (await reader.ReadLineAsync() is { } part && part != ".")
                    {
                        text.Add(part);
                    }

                    Taken.Add(string.Join('\n', text));
                    if (Manner == "drop")
                    {
                        break;
                    }

                    await writer.WriteLineAsync("250 taken");
                }
                else
                {
                    await writer.WriteLineAsync(line == "QUIT" ? "221 bye" : "250 yes");
                    if (line == "QUIT")
                    {
                        break;
                    }
                }
            }
        }
    }
}
