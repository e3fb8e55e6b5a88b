using Kitto.Core.Colour;
using Kitto.Core.Contract;
using Kitto.Core.Outcome;
using Kitto.Core.Picture;
using Kitto.Core.Shade;

namespace Kitto.Core.Tests.Outcome;

/// <summary>What is measured on the card of how a kit came out, and what it does to the next forecast.</summary>
public sealed class SeenColourTests
{
    private static readonly Lab Forecast = new(29, 7, 18);

    private static double Moved(Lab? seen, double sd, int kits = 1, Depth depth = Depth.Right) =>
        Residual
            .Of([
                .. Enumerable
                    .Range(0, kits)
                    .Select(_ => new ColourReport(0, Forecast, Forecast, depth, ToneOutcome.Right, seen is { } s ? new SeenColour(s, sd) : null)),
            ])
            .L;

    [Fact]
    public void What_was_measured_moves_the_forecast_by_how_certain_it_is()
    {
        Assert.Equal(0, Moved(null, 0), 1e-12);
        var darker = Forecast with { L = 25 };
        double[] moved = [.. new[] { 0.5, 1, 2, 4, 8, 20 }.Select(sd => Moved(darker, sd))];
        Assert.All(moved, m => Assert.InRange(m, -4, 0));
        Assert.Equal(moved.Order(), moved);
        Assert.True(moved[0] < -1.9 && moved[^1] > -0.05);
        // As certain as words are it counts as words do: half a level is half a level.
        Assert.Equal(
            Residual.Of([new ColourReport(0, Forecast, Forecast, Depth.TooDark, ToneOutcome.Right)]).L * 2 * 3 / 4,
            Moved(Forecast with { L = 26 }, Residual.WordsSd, depth: Depth.TooDark),
            1e-9
        );
        // Whatever is measured, how often, the forecast is moved no further than anything moves it.
        Assert.Equal(-Residual.Most, Moved(Forecast with { L = 2 }, 0.5, 20), 1e-9);
    }

    [Fact]
    public void The_band_of_a_difference_holds_it_four_times_out_of_five()
    {
        var random = new Random(5);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        int held = 0;
        const int Times = 3_000;
        for (int i = 0; i < Times; i++)
        {
            // Hair of every depth, and what came of it some way off.
            Lab one = new(12 + 40 * random.NextDouble(), 12 * random.NextDouble(), 30 * random.NextDouble()),
                other = one + new Lab(10 * random.NextDouble() - 5, 8 * random.NextDouble() - 4, 14 * random.NextDouble() - 7);
            double sd = 0.5 + 2 * random.NextDouble();
            var found = new SeenColour(one + new Lab(Normal() * sd, Normal() * sd, Normal() * sd), sd).From(other);
            held += Difference2000.Between(one, other) is var real && real >= found.Low && real <= found.High ? 1 : 0;
        }

        Assert.InRange(held / (double)Times, 0.72, 0.88);
    }

    [Fact]
    public void More_zones_are_more_certain_and_what_they_share_stays()
    {
        double Sd(int zones) => SeenColour.Of([.. Enumerable.Repeat(Forecast, zones)])!.Sd;
        Assert.Null(SeenColour.Of([]));
        Assert.True(Sd(1) > Sd(2) && Sd(2) > Sd(6) && Sd(6) > SeenColour.Shared);
        Assert.Equal(new Lab(30, 5, 10), SeenColour.Of([new Lab(28, 4, 8), new Lab(32, 6, 12)])!.Colour);
    }

    [Fact]
    public void A_look_of_the_engines_own_is_named_what_it_is()
    {
        foreach (var family in Enum.GetValues<Family>().Where(f => f != Family.NN))
        {
            for (double level = 2; level <= 10; level += 0.5)
            {
                var named = NearestLook.Of(Dye.Look(level, new Tone(family)).Lab, 0);
                Assert.Equal((level, family, 0), (named.Level, named.Family, Math.Round(named.Miss, 6)));
            }
        }

        // The less certain a colour, the more names it may have.
        var sure = NearestLook.Of(new Lab(30, 9, 20), 0.3);
        var unsure = NearestLook.Of(new Lab(30, 9, 20), 3);
        Assert.True(unsure.Or.Count > sure.Or.Count && unsure.High - unsure.Low > sure.High - sure.Low);
    }

    [Fact]
    public void A_colour_that_was_seen_says_how_certain_it_is()
    {
        const string Report = "reports=[{\"daysAgo\":40,\"forecast\":[29,7,18],\"wish\":[29,7,18],\"seen\":[25,7,18]";
        var moved = Bench.Prescribe(Report + ",\"seenSd\":2}]").Because.Single(b => b.Rule == "OU1" && b.Says.Contains("L*", StringComparison.Ordinal));
        Assert.Contains("measured on the card", moved.Says, StringComparison.Ordinal);
        foreach (string sd in (string[])["", ",\"seenSd\":0.1", ",\"seenSd\":21"])
        {
            var (read, errors) = CaseReader.Read(Bench.With($"{Report}{sd}}}]"), Bench.Shelf);
            Assert.Null(read);
            Assert.Contains(errors, e => e.Path == "reports[0].seenSd" && e.Range.Contains("0.5 to 20", StringComparison.Ordinal));
        }
    }
}
