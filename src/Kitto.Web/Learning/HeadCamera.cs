using System.Collections.Concurrent;
using Kitto.Camera;
using Kitto.Core.Head;
using Kitto.Core.Shade;
using Kitto.Pictures;

namespace Kitto.Web.Learning;

/// <summary>Pictures of heads to learn on, taken by the stand-in camera: one at a time, and the last ones kept.</summary>
public sealed class HeadCamera : IDisposable
{
    private const int Most = 60;

    private readonly SemaphoreSlim turn = new(1);
    private readonly ConcurrentDictionary<Guid, byte[]> kept = [];
    private readonly ConcurrentQueue<Guid> order = [];

    /// <summary>A parting at the front hairline, with the card under its hair, as JPEG.</summary>
    /// <param name="id">The head's.</param>
    /// <param name="seed">The same seed, the same picture.</param>
    /// <param name="reading">The head.</param>
    /// <param name="stop">Whoever asked is gone.</param>
    public async Task<byte[]> Of(Guid id, long seed, Reading reading, CancellationToken stop)
    {
        if (kept.TryGetValue(id, out byte[]? taken))
        {
            return taken;
        }

        await turn.WaitAsync(stop);
        try
        {
            return kept.TryGetValue(id, out taken) ? taken : Keep(id, Take(seed, reading));
        }
        finally
        {
            turn.Release();
        }
    }

    private byte[] Keep(Guid id, byte[] jpeg)
    {
        kept[id] = jpeg;
        order.Enqueue(id);
        while (order.Count > Most && order.TryDequeue(out var oldest))
        {
            kept.TryRemove(oldest, out _);
        }

        return jpeg;
    }

    private static byte[] Take(long seed, Reading reading)
    {
        var (zone, hair) = (reading.Zones[(int)Zone.FrontHairline], reading.Hair);
        var raw = StandInCamera.Take(
            new DrawnHair
            {
                RegrowthMm = zone.Regrowth.Value,
                White = zone.Grey.Value,
                Level = hair.NaturalLevel.Value,
                LengthsLevel = Math.Min(10, hair.Lengths.Level.Value),
                LengthsTone = hair.Lengths.Tone.Families.Average(Warmth),
                BandMm = hair.Band?.Length.Value ?? 0,
                FibreMm = zone.Texture switch
                {
                    Texture.Fine => .058,
                    Texture.Coarse => .086,
                    _ => .07,
                },
            },
            new DrawnCard(),
            new Shot
            {
                Width = 720,
                Height = 960,
                TiltDegrees = seed % 12,
                TiltTo = 80,
            },
            (int)(seed % 1_000_000)
        );
        return PlainPicture.Pack(raw.Width, raw.Height, raw.Bgr);
    }

    /// <summary>How red or ashen a family is, for the camera's dye: -1 to 1.</summary>
    private static double Warmth(Family family) =>
        family switch
        {
            Family.C or Family.R => 1,
            Family.G => .4,
            Family.AB or Family.AG or Family.V => -.6,
            _ => 0,
        };

    public void Dispose() => turn.Dispose();
}
