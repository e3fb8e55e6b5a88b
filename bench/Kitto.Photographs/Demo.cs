using System.Text.Json;
using Kitto.Camera;
using Kitto.Core.Contract;
using Kitto.Core.Picture;
using Kitto.Pictures;

namespace Kitto.Photographs;

/// <summary>The pictures of the demo: one invented head, zone by zone, at a window.</summary>
internal static class Demo
{
    private static readonly DrawnHair Nuala = new()
    {
        Level = 6,
        LengthsLevel = 5.2,
        LengthsTone = 0.3,
        Scalp = 0.6,
    };

    /// <summary>Draws them, each with its answer beside it.</summary>
    public static void Draw(string folder)
    {
        Directory.CreateDirectory(folder);
        foreach (
            var (zone, hair, tilt, seed) in ((string, DrawnHair, double, int)[])
                [
                    ("frontHairline", Nuala with { RegrowthMm = 15, White = 0.36, LeanDegrees = 3 }, 8, 41),
                    ("leftTemple", Nuala with { RegrowthMm = 14, White = 0.45, LeanDegrees = -6 }, 17, 42),
                    ("crown", Nuala with { RegrowthMm = 16, White = 0.22, LeanDegrees = 2 }, 5, 43),
                ]
        )
        {
            var shot = new Shot
            {
                Width = 1350,
                Height = 1800,
                TiltDegrees = tilt,
                TiltTo = 80,
                TurnDegrees = tilt - 10,
                Cast = 0.05,
                FallX = 0.15,
                Quality = 82,
            };
            var raw = StandInCamera.Take(hair, new DrawnCard { Scale = 0.995 }, shot, seed);
            using var picture = CardFinder.Of(raw.Width, raw.Height, raw.Bgr);
            byte[] file = CardFinder.Jpeg(picture, shot.Quality);
            var answer = Worker.Answer(file, CardScale.Of(85.2));
            string name = Path.Combine(folder, $"nuala-{zone}");
            File.WriteAllBytes(name + ".jpg", file);
            File.WriteAllText(name + ".json", JsonSerializer.Serialize(answer with { Jpeg = null }, Json.Indented) + "\n");
            Console.WriteLine($"{zone}: {answer.Reading}");
        }
    }
}
