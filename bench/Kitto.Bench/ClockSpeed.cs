using System.Diagnostics;
using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;

namespace Kitto.Bench;

/// <summary>The clock of a head: order, contacts, batches, remedies where nothing fits. 2000 generated heads, each timed on its own.</summary>
public static class ClockSpeed
{
    private const int Heads = 2000;

    public static void Run(TextWriter to)
    {
        var shelf = CatalogueReader.Read(
            Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), "*.json")
                .Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
        );
        var reading = CaseReader.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "data", "example-case.json")), shelf).Case!.Reading;
        var chance = new Random(7);
        var services = new[] { Service.RootTouchUp, Service.BaseLift, Service.GreyBlend, Service.Gloss };
        var heads = Enumerable
            .Range(0, Heads)
            .Select(_ =>
            {
                var service = services[chance.Next(services.Length)];
                var goal = new Goal(service, Level.Of(chance.Next(3, 9)), null, null);
                return (
                    Reading: reading with
                    {
                        Hair = reading.Hair with { Density = (Density)chance.Next(3) },
                        Zones =
                        [
                            .. reading.Zones.Select(z =>
                                z with
                                {
                                    Grey = Share.Of(chance.NextDouble()),
                                    Resistant = chance.Next(6) == 0,
                                    Include = chance.Next(10) > 0,
                                }
                            ),
                        ],
                    },
                    Hands: new Hands((Who)chance.Next(3), chance.Next(2) == 0, []),
                    Goal: goal,
                    Line: shelf.For(goal, null, House.Default)!
                );
            })
            .Where(h => h.Reading.Included.Any())
            .ToList();
        void Choose(int i)
        {
            var h = heads[i];
            Timing.Choose(h.Reading, h.Hands, h.Goal.Service, h.Line, h.Goal.Level!.Value.Value, House.Default, []);
        }

        for (int round = 0; round < 5; round++)
        {
            for (int i = 0; i < heads.Count; i++)
            {
                Choose(i);
            }
        }

        var times = new double[heads.Count];
        for (int i = 0; i < heads.Count; i++)
        {
            long from = Stopwatch.GetTimestamp();
            Choose(i);
            times[i] = Stopwatch.GetElapsedTime(from).TotalMicroseconds;
        }

        Array.Sort(times);
        to.WriteLine(
            $"clock of a head, microseconds, {heads.Count} heads: median {times[heads.Count / 2]:0.0}, 95 of 100 under {times[heads.Count * 95 / 100]:0.0}, most {times[^1]:0.0}"
        );
    }
}
