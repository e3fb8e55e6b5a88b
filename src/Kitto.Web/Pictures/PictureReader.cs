using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Picture;
using Kitto.Pictures;

namespace Kitto.Web.Pictures;

/// <summary>Has a picture read by a process of its own, with limits on its time and its memory: what a picture breaks, it breaks there.</summary>
public sealed class PictureReader : IDisposable
{
    /// <summary>Longest that one is read.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromSeconds(20);

    /// <summary>Most memory that reading one may take, bytes.</summary>
    public const long MostMemory = 700L << 20;

    /// <summary>So many are read at the same time; the others wait.</summary>
    public const int AtOnce = 2;

    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(40);
    private static readonly PictureAnswer Broken = new(FileRefusal.Broken, null, 0, 0, null, null);

    private readonly SemaphoreSlim turn = new(AtOnce);

    /// <summary>Reads one.</summary>
    /// <param name="file">The picture as it came.</param>
    /// <param name="scale">How true the card is printed.</param>
    /// <param name="kind">What it shows.</param>
    /// <param name="gone">When nobody waits any more.</param>
    public async Task<PictureAnswer> Read(byte[] file, CardScale scale, PictureKind kind, CancellationToken gone = default)
    {
        await turn.WaitAsync(gone);
        try
        {
            using var worker = Start(scale, kind);
            using var end = CancellationTokenSource.CreateLinkedTokenSource(gone);
            end.CancelAfter(Longest);
            var answer = Answer(worker, file, end.Token);
            while (!answer.IsCompleted)
            {
                await Task.WhenAny(answer, Task.Delay(Look, CancellationToken.None));
                if (end.IsCancellationRequested || (!answer.IsCompleted && Memory(worker) > MostMemory))
                {
                    worker.Kill();
                    await end.CancelAsync();
                    gone.ThrowIfCancellationRequested();
                    return Broken;
                }
            }

            return await answer;
        }
        catch (Exception wrong) when (wrong is IOException or JsonException)
        {
            return Broken;
        }
        finally
        {
            turn.Release();
        }
    }

    /// <summary>A picture that is looked at, not measured, made small; null where it is none that can be read, or a larger file than is taken.</summary>
    public async Task<byte[]?> Plain(IFormFile file, CancellationToken gone = default)
    {
        if (file.Length is 0 or > PictureFile.MostBytes)
        {
            return null;
        }

        using var bytes = new MemoryStream((int)file.Length);
        await file.CopyToAsync(bytes, gone);
        return (await Read(bytes.ToArray(), CardScale.Unknown, PictureKind.Whole, gone)).Jpeg;
    }

    /// <summary>Lets its turn go.</summary>
    public void Dispose() => turn.Dispose();

    private static Process Start(CardScale scale, PictureKind kind)
    {
        string dotnet = Environment.ProcessPath is { } path && Path.GetFileNameWithoutExtension(path) == "dotnet" ? path : "dotnet";
        var start = new ProcessStartInfo(dotnet)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            ArgumentList =
            {
                Path.Combine(AppContext.BaseDirectory, "Kitto.Pictures.dll"),
                scale.Factor.ToString(CultureInfo.InvariantCulture),
                scale.Sd.ToString(CultureInfo.InvariantCulture),
                Json.Name(kind),
            },
        };
        // It needs nothing of what this process knows: no keys, no address of a database.
        foreach (string name in start.Environment.Keys.Where(n => n is not ("PATH" or "HOME" or "DOTNET_ROOT" or "TMPDIR")).ToList())
        {
            start.Environment.Remove(name);
        }

        start.Environment["DOTNET_TieredCompilation"] = "1";
        start.Environment["DOTNET_EnableDiagnostics"] = "0";
        return Process.Start(start)!;
    }

    private static long Memory(Process worker)
    {
        try
        {
            worker.Refresh();
            return worker.WorkingSet64;
        }
        catch (InvalidOperationException)
        {
            // It ended in between.
            return 0;
        }
    }

    private static async Task<PictureAnswer> Answer(Process worker, byte[] file, CancellationToken end)
    {
        try
        {
            await worker.StandardInput.BaseStream.WriteAsync(file, end);
        }
        catch (IOException)
        {
            // It took no more: it says why.
        }

        worker.StandardInput.Close();
        var answer = await JsonSerializer.DeserializeAsync<PictureAnswer>(worker.StandardOutput.BaseStream, Json.Options, end) ?? Broken;
        await worker.WaitForExitAsync(end);
        return worker.ExitCode == 0 ? answer : Broken;
    }
}
